// Choosing on the map, and the answer from two bores and two ratios.
#pragma once

#include "session/session.hpp"

namespace yoke {

/// Sets the plan's bore, and its pin arm when the ratio differs. Dragging merges into one step.
void choose_cell(Session& session, double bore_m, double ratio, bool dragging);
/// "Force × 1.31, travel × 0.77: 31 % harder …" or what is missing for it.
[[nodiscard]] QString relative_sentence(const Job& job);

}  // namespace yoke
