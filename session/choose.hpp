// Choosing on the map, and the answer from two bores and two ratios.
#pragma once

#include "session/session.hpp"

namespace yoke {

/// Sets the plan's bore, and its pin arm when the ratio differs. Choices with the
/// same non-empty `merge` become one undo step.
void choose_cell(Session& session, double bore_m, double ratio, const QString& merge);
/// "Force × 1.31, travel × 0.77: 31 % harder …" or what is missing for it.
/// The bore or the ratio that would feel as the fitted system does; empty when not known.
[[nodiscard]] QString equal_feel(const Job& job, const Style& style);
[[nodiscard]] QString relative_sentence(const Job& job);

}  // namespace yoke
