// The conditions computed together: what the foot meets as found, as planned, and when something
// is lost. This is the foot strip.
#pragma once

#include <string>
#include <vector>

#include "assembly/assemble.hpp"
#include "clutch/clutch.hpp"
#include "feel/feel.hpp"

namespace yoke {

enum class ConditionId { found, plan, assist_lost, primary_lost, secondary_lost, hot, air_left };
template <>
struct EnumWords<ConditionId> {
  static constexpr std::array all{EnumWord{"found", "As found"},
                                  EnumWord{"plan", "Plan"},
                                  EnumWord{"assist_lost", "No assist"},
                                  EnumWord{"first_lost", "First circuit lost"},
                                  EnumWord{"second_lost", "Second circuit lost"},
                                  EnumWord{"hot", "Hot"},
                                  EnumWord{"air_left", "Air left in it"}};
};
inline constexpr ConditionId kConditions[] = {
    ConditionId::found,        ConditionId::plan,           ConditionId::assist_lost,
    ConditionId::primary_lost, ConditionId::secondary_lost, ConditionId::hot,
    ConditionId::air_left};

enum class Verdict { pass, fail, unknown };

/// The limits a press is judged by.
struct Limits {
  double z = 0.6;
  double pressure_pa = 2757903;  ///< used when the brakes are unknown
  double effort_n = 330;
  double travel_m = 0.100;
  double reserve_share = 0.25;
  double effort_failed_n = 500;
  double z_failed = 0.249;
};
[[nodiscard]] Limits limits_of(const Job& job);
[[nodiscard]] Limits limits_of(const Values& plan);

struct ConditionReport {
  ConditionId id = ConditionId::found;
  Message title;  ///< "as found", "front lost"
  Verdict verdict = Verdict::unknown;
  Message reason;                       ///< one line: why it fails, or what cannot be said
  Message brief;                        ///< the same in a few words, for a narrow column
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

/// The state by which a condition is judged: the wanted stop, or the one to reach with a failure.
[[nodiscard]] TargetReport condition_target(ConditionId id, const FeelModel& model,
                                            const Limits& limits);
/// The first limit a condition fails, in words, or empty.
[[nodiscard]] Message condition_fault(ConditionId id, const TargetReport& report, Limits limits,
                                      bool by_pressure);

/// The first limit a clutch fails, in words, or empty.
[[nodiscard]] Message clutch_fault(const ClutchReport& report, const ClutchUnit& unit,
                                   const Limits& limits);

/// Computes one condition. `points` of the curve; 0 leaves it out.
[[nodiscard]] ConditionReport condition_report(const StripInputs& inputs, ConditionId id,
                                               std::size_t points = 256);
[[nodiscard]] ConditionReport condition_report(const Job& job, ConditionId id,
                                               std::size_t points = 256);
/// All of them, in order.
[[nodiscard]] std::vector<ConditionReport> foot_strip(const Job& job, std::size_t points = 256);

/// A first limit that a sound press fails, in words, or empty.
[[nodiscard]] Message sound_fault(const TargetReport& r, const Limits& l, bool by_pressure);
/// The same for a press with a failure.
[[nodiscard]] Message failed_fault(const TargetReport& r, const Limits& l, bool by_pressure);

}  // namespace yoke
