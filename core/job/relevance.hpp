// Which parameters matter for what is fitted: a drum has no pad clearance.
#pragma once

#include <vector>

#include "job/job.hpp"

namespace yoke {

/// False only when another answer rules the parameter out; unknown answers rule nothing out.
[[nodiscard]] bool relevant(const Job& job, Which which, Param param);
/// Relevant parameters of a group, in the table's order.
[[nodiscard]] std::vector<Param> relevant_params(const Job& job, Which which, Group group);
/// The next parameter worth measuring: unknown and needed first, then a guess with a wide doubt.
[[nodiscard]] std::optional<Param> next_to_measure(const Job& job, Which which,
                                                   std::optional<Param> after);

}  // namespace yoke
