// The conditions computed together: what the foot meets as found, as planned, and when something
// is lost. This is the foot strip.
#pragma once

#include <string>
#include <vector>

#include "assembly/assemble.hpp"
#include "assembly/assemble_clutch.hpp"
#include "clutch/clutch.hpp"
#include "document/verdict.hpp"
#include "feel/feel.hpp"
#include "strip/press_rules.hpp"

namespace yoke {

[[nodiscard]] Limits limits_of(const Job& job);

/// What one rule says of one press.
struct RuleVerdict {
  PressRule rule = PressRule::none;
  Verdict verdict = Verdict::not_applicable;
  RuleFigure figure;
  Message says;                   ///< of a rule that fails: by how much
  std::vector<Param> decided_by;  ///< of one that holds if typical: measured, they settle it
  std::vector<Param> missing;     ///< of one that cannot be said
};

struct ConditionReport {
  ConditionId id = ConditionId::found;
  Message title;                          ///< "as found", "front lost"
  Message at;                             ///< what it is judged at: "0.60 g", "2.76 MPa, typical"
  Message within;                         ///< the limits in force: "330 N, 100 mm, 25 %"
  Verdict verdict = Verdict::cannot_say;  ///< the worst of its rules
  std::vector<RuleVerdict> rules;         ///< those that apply, in order
  Message aside;                          ///< told with a pass: "no assist fitted"
  Message reason;                         ///< one line: why it fails, or what cannot be said
  Message brief;                          ///< the same in a few words, for a narrow column
  std::vector<PressFault> faults;         ///< every rule that fails, the first is the reason
  std::optional<TargetReport> target;     ///< absent: no travel can be said
  std::optional<FeelCurve> curve;         ///< absent likewise
  std::optional<double> effort_only_n;    ///< at the rule-of-thumb pressure, when travel is unknown
  bool by_pressure = false;               ///< judged at a pressure: deceleration is unknown
  std::optional<ClutchReport> clutch;     ///< of a clutch; `target` then is its clean release
};

/// What all conditions of a job share, read once.
struct StripInputs {
  Values found;
  Values plan;
  Assembly found_system;
  Assembly plan_system;
  Limits limits;
  bool clutch = false;
  [[nodiscard]] const Values& values(ConditionId id) const {
    return id == ConditionId::found ? found : plan;
  }
  [[nodiscard]] const Assembly& assembly(ConditionId id) const {
    return id == ConditionId::found ? found_system : plan_system;
  }
};
[[nodiscard]] StripInputs strip_inputs(const Job& job);
[[nodiscard]] StripInputs strip_inputs(const Values& found, const Values& plan);

/// The condition of the model that belongs to an id.
[[nodiscard]] Condition condition_of(const Values& plan, ConditionId id);
[[nodiscard]] Condition condition_of(const Job& job, ConditionId id);
/// A clutch in such a condition.
[[nodiscard]] ClutchAssembly clutch_in(const Values& values, const Condition& condition);
/// The conditions that exist for what the control works: a clutch has no circuits to lose.
[[nodiscard]] std::vector<ConditionId> conditions_for(bool clutch);
[[nodiscard]] As as_of(ConditionId id);
/// One of a strip; nullptr: it is not in it.
[[nodiscard]] const ConditionReport* report_of(const std::vector<ConditionReport>& strip,
                                               ConditionId id);
/// "front lost", "diagonal 1 lost": named by what the outlet feeds.
[[nodiscard]] Message condition_title(const Job& job, ConditionId id);

/// Verdict, reason and a few words of a report from its rules, worst first.
void conclude(ConditionReport& report);

/// Computes one condition. `points` of the curve; 0 leaves it out. What passes is said to hold if
/// typical, whatever it rests on: only `foot_strip` looks whether nothing that was not measured
/// decides.
[[nodiscard]] ConditionReport condition_report(const StripInputs& inputs, ConditionId id,
                                               std::size_t points = 256);
[[nodiscard]] ConditionReport condition_report(const Job& job, ConditionId id,
                                               std::size_t points = 256);
/// All of them, in order, as `condition_report` says them.
[[nodiscard]] std::vector<ConditionReport> unsettled_strip(const Job& job);
/// All of them, in order, each looked into for what decides it.
[[nodiscard]] std::vector<ConditionReport> foot_strip(const Job& job, std::size_t points = 256);

}  // namespace yoke
