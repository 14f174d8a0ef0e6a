// The proof standing still, drawn: its presses as a path, and one of them: where foot, scale and
// tape go, and on the pad's own ruler what is expected and what was got.
#pragma once

#include <vector>

#include "paint/picture.hpp"
#include "protocol/protocol.hpp"

namespace yoke {

/// Spots "press:<key>"; as high as its rows ask for, whatever `size` says.
[[nodiscard]] Picture proof_path_picture(const std::vector<ProofPress>& presses, std::size_t at,
                                         const Style& style, QSizeF size);
/// `hand`: a lever is pulled. `floor_m`: pad travel at the stop; 0: not known.
[[nodiscard]] Picture press_picture(const ProofPress& press, bool hand, double floor_m,
                                    const Style& style, QSizeF size);
/// "62 mm, 8 in 10 between 55 and 70 mm, at most 90 mm".
[[nodiscard]] QString expect_text(const ProofPress& press, const Style& style);

}  // namespace yoke
