// A line unrolled on paper at full size: the tube's edges, a mark at the start and the end of each
// bend with its turn and angle, both flares. With the check rule of every template.
#pragma once

#include "fitting/template.hpp"
#include "plumbing/line_plan.hpp"

namespace yoke {

[[nodiscard]] Template line_template(const TubeLine& tube, const BendList& list);

}  // namespace yoke
