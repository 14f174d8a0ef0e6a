// After a fault was found: each likely cause with how likely it is, what is done again and where,
// and which proofs that opens. Each is a place to go to.
#pragma once

#include <vector>

#include "paint/picture.hpp"
#include "protocol/redo.hpp"

namespace yoke {

/// Spots "redo:0" …; as high as its rows ask for, whatever `size` says. `instead`: what is said
/// when there is nothing to mend.
[[nodiscard]] Picture redo_picture(const std::vector<Redo>& list, const QString& instead,
                                   const Style& style, QSizeF size);
/// "Bleed: front left", "Install": where a redo leads.
[[nodiscard]] QString redo_place(const Redo& redo);

}  // namespace yoke
