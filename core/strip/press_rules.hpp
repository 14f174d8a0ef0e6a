// What one press of one condition is judged by: one list of rules, in the order in which they are
// told. The foot strip, every cell of the map, the draws of the doubt run and the findings ask
// here; none of them judges a press by itself.
#pragma once

#include <array>

#include "clutch/clutch.hpp"
#include "document/enum_words.hpp"
#include "document/values.hpp"
#include "feel/feel.hpp"
#include "quantity/message.hpp"

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

/// The limits a press is judged by.
struct Limits {
  double z = 0.6;
  double pressure_pa = 2757903;  ///< used when the brakes are unknown
  double effort_n = 330;
  double travel_m = 0.100;
  double reserve_share = 0.25;
  double effort_failed_n = 500;
  double z_failed = 0.249;
  /// Left of the pad's travel with one failure, hot, or with air: both must be kept.
  double reserve_failed_share = 0.10;
  double reserve_failed_m = 0.010;
};
[[nodiscard]] Limits limits_of(const Values& plan);
/// One thing is broken: the limits of a failure are in force.
[[nodiscard]] bool is_failure(ConditionId id);

/// Rear first below this deceleration is unstable: ECE R13-H holds the order from 0.15 to 0.8 g,
/// from memory.
inline constexpr double kRearLock_g = 0.8;

enum class PressRule {
  reached,  ///< the target stop, or the pressure that stands for it
  bar,      ///< the balance bar leans on its limit with both circuits sound
  returns,  ///< the pedal comes back by itself
  effort,
  travel,
  reserve,         ///< sound: a share of the pad's travel
  reserve_failed,  ///< with one failure, hot or with air: a share and a length
  lock_order,      ///< the rear axle does not lock first
  release,         ///< of a clutch: it releases cleanly
  over_travel,     ///< of a clutch: not beyond the cover's limit
  wear,            ///< of a clutch: the slave can follow the lining
  none
};
template <>
struct EnumWords<PressRule> {
  static constexpr std::array all{
      EnumWord{"reached", "The target stop is reached"},
      EnumWord{"bar", "The balance bar does not lean on its limit"},
      EnumWord{"returns", "The pedal comes back by itself"},
      EnumWord{"effort", "Effort within its limit"},
      EnumWord{"travel", "Travel within its limit"},
      EnumWord{"reserve", "Reserve before the floor is kept"},
      EnumWord{"reserve_failed", "Something is left before the floor"},
      EnumWord{"lock_order", "The rear axle does not lock first"},
      EnumWord{"release", "The clutch releases cleanly"},
      EnumWord{"over_travel", "The cover is not pushed beyond its limit"},
      EnumWord{"wear", "The slave can follow the lining as it wears"},
      EnumWord{"none", "None"}};
};
inline constexpr std::size_t kPressRules = static_cast<std::size_t>(PressRule::none);

/// How far a press keeps each rule, in the rule's own kind: below 0 it fails. Of the order of
/// locking it is what the front uses more of its grip than the rear; of the bar the sign alone
/// counts.
class PressMargins {
 public:
  void set(PressRule rule, double margin) {
    of_[at(rule)] = margin;
    applies_[at(rule)] = true;
  }
  [[nodiscard]] bool applies(PressRule rule) const { return applies_[at(rule)]; }
  [[nodiscard]] double of(PressRule rule) const { return of_[at(rule)]; }
  [[nodiscard]] bool fails(PressRule rule) const { return applies(rule) && of(rule) < 0; }
  /// What keeps a press that gets there from its stops, each by itself: stop or pressure, way of
  /// the pad, strokes of the pistons. Whichever runs out first ends it.
  std::array<double, 4> reach{};
  /// Of the order of locking: no axle locks before the press ends, and another end may tell another
  /// order.
  bool no_lock = false;
  /// The first that fails; `none`: all are kept.
  [[nodiscard]] PressRule first_failing() const {
    for (std::size_t i = 0; i < kPressRules; ++i)
      if (fails(static_cast<PressRule>(i))) return static_cast<PressRule>(i);
    return PressRule::none;
  }

 private:
  static constexpr std::size_t at(PressRule rule) { return static_cast<std::size_t>(rule); }
  std::array<double, kPressRules> of_{};
  std::array<bool, kPressRules> applies_{};
};

/// The state by which a condition is judged: the target stop, or the one to reach with a failure.
/// Without a vehicle the wanted pressure stands in.
[[nodiscard]] TargetReport condition_target(ConditionId id, const FeelModel& model,
                                            const Limits& limits, Detail detail = Detail::whole);
/// A press and how it keeps the rules.
struct JudgedPress {
  TargetReport target;
  PressMargins margins;
  FeelPoint first_lock;  ///< where the first axle locks, or the end; only where that is judged
};
[[nodiscard]] JudgedPress judge_press(ConditionId id, const FeelModel& model,
                                      const TargetReport& target, const Limits& limits);
/// The same for a system and a condition, the end of the press sought only where the answer hangs
/// on it: for many presses of which none is shown.
[[nodiscard]] Expected<JudgedPress> judge_press(ConditionId id, const System& system,
                                                const Condition& condition, const Limits& limits,
                                                Detail detail = Detail::lean);
/// The same for a clutch: effort, over-travel and wear as planned; hot or with air what is left
/// before the floor as well.
[[nodiscard]] PressMargins clutch_margins(ConditionId id, const ClutchReport& report,
                                          const ClutchUnit& unit, const Limits& limits);

/// A rule that a press fails.
struct PressFault {
  PressRule rule = PressRule::none;
  Amount by;                   ///< how far, a quantity of the rule's own kind
  Message says;                ///< "23 N too hard"
  Stop stop = Stop::pad_stop;  ///< of `reached`: what prevented it
  Message brief{};             ///< the same in a few words; empty: `says` is short enough
  [[nodiscard]] bool none() const { return rule == PressRule::none; }
};

/// What is told of a rule that fails.
[[nodiscard]] PressFault fault_of(PressRule rule, ConditionId id, const System& system,
                                  const JudgedPress& press, const Limits& limits);
[[nodiscard]] PressFault clutch_fault_of(PressRule rule, const ClutchReport& report,
                                         const ClutchUnit& unit, const Limits& limits);
/// Every rule that a press fails, the one to tell first in front.
[[nodiscard]] std::vector<PressFault> press_faults(ConditionId id, const System& system,
                                                   const JudgedPress& press, const Limits& limits);
/// The first that a clutch fails.
[[nodiscard]] PressFault clutch_fault(ConditionId id, const ClutchReport& report,
                                      const ClutchUnit& unit, const Limits& limits);

/// A figure that a rule holds against its limit, both in words: "231 N", "330 N".
struct RuleFigure {
  Message actual;
  Message limit;
  Message source;  ///< of the limit
};
[[nodiscard]] RuleFigure rule_figure(PressRule rule, ConditionId id, const TargetReport& target,
                                     const Limits& limits, bool by_pressure);

}  // namespace yoke
