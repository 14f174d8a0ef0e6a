// As-built measurements win over the plan. They belong to the plan they were measured on: once that
// has changed they are stale, still count, and say so until they are measured again or cleared.
#pragma once

#include <vector>

#include "document/job.hpp"

namespace yoke {

/// Tells one plan from another by what an as-built measurement hangs on: pedal, assist, unit, rod
/// and clutch. Brakes, vehicle and wishes do not move a rod. Never 0.
[[nodiscard]] std::uint64_t plan_mark(const Job& job);
/// Enters an as-built value as measured on today's plan.
void set_as_built(Job& job, Param param, Measured value);
/// As-built values that were measured on another plan, or on one that is not told.
[[nodiscard]] std::vector<Param> stale_as_built(const Job& job);
void clear_stale_as_built(Job& job);

}  // namespace yoke
