// The conditions computed together: what the foot meets as found, as planned, and when something
// is lost. This is the foot strip.
#pragma once

#include <string>
#include <vector>

#include "assembly/assemble.hpp"
#include "clutch/clutch.hpp"
#include "feel/feel.hpp"
#include "strip/press_rules.hpp"

namespace yoke {

enum class Verdict { pass, fail, unknown };

[[nodiscard]] Limits limits_of(const Job& job);

struct ConditionReport {
  ConditionId id = ConditionId::found;
  Message title;  ///< "as found", "front lost"
  Verdict verdict = Verdict::unknown;
  Message reason;                       ///< one line: why it fails, or what cannot be said
  Message brief;                        ///< the same in a few words, for a narrow column
  std::vector<PressFault> faults;       ///< every rule that fails, the first is the reason
  std::optional<TargetReport> target;   ///< absent: no travel can be said
  std::optional<FeelCurve> curve;       ///< absent likewise
  std::optional<double> effort_only_n;  ///< at the rule-of-thumb pressure, when travel is unknown
  bool by_pressure = false;             ///< judged at a pressure: deceleration is unknown
  std::optional<ClutchReport> clutch;   ///< of a clutch; `target` then is its clean release
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
/// The conditions that exist for what the control works: a clutch has no circuits to lose.
[[nodiscard]] std::vector<ConditionId> conditions_for(bool clutch);
[[nodiscard]] As as_of(ConditionId id);
/// "front lost", "diagonal 1 lost": named by what the outlet feeds.
[[nodiscard]] Message condition_title(const Job& job, ConditionId id);

/// Computes one condition. `points` of the curve; 0 leaves it out.
[[nodiscard]] ConditionReport condition_report(const StripInputs& inputs, ConditionId id,
                                               std::size_t points = 256);
[[nodiscard]] ConditionReport condition_report(const Job& job, ConditionId id,
                                               std::size_t points = 256);
/// All of them, in order.
[[nodiscard]] std::vector<ConditionReport> foot_strip(const Job& job, std::size_t points = 256);

}  // namespace yoke
