// The work on paper: the plan with boxes for a pencil, place by place, and the calls of the steps
// that take two people in letters that are read across a car.
#pragma once

#include <QString>

#include "document/job.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

/// The steps in their order; those done are ticked. `open_only`: what is still to do.
[[nodiscard]] QString work_plan_html(const Job& job, const Style& style, bool open_only);
/// One call a box; a sentence where no open step takes two people.
[[nodiscard]] QString call_sheet_html(const Job& job, const Style& style);
/// A card for each place that is bled, for wet hands: how much, boxes to tick by a pencil, where it
/// is topped up, when it is clear.
[[nodiscard]] QString bleed_cards_html(const Job& job, const Style& style);

}  // namespace yoke
