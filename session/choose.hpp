// Choosing on the map, and the answer from two bores and two ratios.
#pragma once

#include "session/session.hpp"

namespace yoke {

/// Sets the plan's bore (or both bores of twin masters), its pin arm when the ratio differs, and
/// the assist when an option other than the planned one is given. Choices with the same non-empty
/// `merge` become one undo step.
void choose_cell(Session& session, const Cell& cell, const AssistOption* option,
                 const QString& merge);
/// The bore or the ratio that would feel as the fitted system does; empty when not known.
[[nodiscard]] QString equal_feel(const Job& job, const Style& style);
/// "Force × 1.31, travel × 0.77: 31 % harder …" or what is missing for it.
[[nodiscard]] QString relative_sentence(const Job& job, const Style& style = {});

}  // namespace yoke
