// Which parameters matter for what is fitted: a drum has no pad clearance.
#pragma once

#include <vector>

#include "document/job.hpp"

namespace yoke {

/// False only when another answer rules the parameter out; unknown answers rule nothing out.
[[nodiscard]] bool relevant(const Job& job, As which, Param param);
/// Relevant parameters of a group, in the table's order.
[[nodiscard]] std::vector<Param> relevant_params(const Job& job, As which, Group group);

}  // namespace yoke
