// All findings of a job, in the order of the stages.
#pragma once

#include "document/finding.hpp"
#include "rod/rod.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// `strip` is the job's foot strip; passing it in avoids computing it twice.
[[nodiscard]] std::vector<Finding> find_all(const Job& job,
                                            const std::vector<ConditionReport>& strip);
[[nodiscard]] std::vector<Finding> survey_findings(const Job& job);
/// Age, earlier changes, identity, valves, concealed faults, later conversions, parts in hand.
[[nodiscard]] std::vector<Finding> choice_findings(const Job& job,
                                                   const std::vector<ConditionReport>& strip);
/// Pattern, room, rod ends, gaps, heights, retained rods.
[[nodiscard]] std::vector<Finding> fit_findings(const Job& job, const RodReport& rod);
[[nodiscard]] std::vector<Finding> strip_findings(const Job& job,
                                                  const std::vector<ConditionReport>& strip);
/// Marked proved, and every gate still passes.
[[nodiscard]] bool proved_now(const Job& job, const std::vector<Finding>& findings);
[[nodiscard]] bool any_hard(const std::vector<Finding>& findings);
/// The one line a stage shows in the rail.
[[nodiscard]] Message stage_status(const Job& job, Stage stage,
                                   const std::vector<ConditionReport>& strip,
                                   const std::vector<Finding>& findings);

}  // namespace yoke
