// The bleeding plan: wheel order, strokes to clear each branch, refills, fluid to have.
//   fluid per stroke of a circuit with the other closed = A (S - c), less where the pad stop comes
//   first, half of it with an old unit; counts = ceil(1.5 V_branch / fluid per count). Factor:
//   common practice, no source. What a count is: work/bleed_count.hpp.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "quantity/message.hpp"
#include "strip/conditions.hpp"
#include "work/bleed_methods.hpp"

namespace yoke {

/// A nipple: a wheel's, or the clutch slave's.
struct BleedWheel {
  Wheel wheel = Wheel::front_left;  ///< of the slave without a meaning
  Outlet outlet = Outlet::primary;
  Volume branch{};       ///< fluid in its branch
  Volume per_stroke{};   ///< of a press of the pedal
  int strokes = 0;       ///< counts that clear the branch once, in the plan's way
  int refill_every = 0;  ///< strokes until the reservoir must be topped up
  int refills = 0;       ///< within those strokes
};

struct BleedPlan {
  bool clutch = false;   ///< one line, "slave", and no wheels
  bool refused = false;  ///< the book's order names a wheel twice: see the reason
  std::vector<Param> missing;
  std::vector<Param> typical;          ///< typical figures the counts rest on
  std::vector<Param> stroke_rests_on;  ///< of what a stroke moves, values that nobody measured
  Message order_reason;
  std::vector<Message> before, after;   ///< what is bled before the wheels, and after them
  std::vector<BleedWheel> wheels;       ///< in working order
  std::optional<BleedWheel> slave;      ///< of a clutch
  BleedWayId way = BleedWayId::helper;  ///< the chosen one; else pumped with a helper
  Volume fluid{};                       ///< to have at hand for three rounds and the filling
  int rounds = 3;
};
[[nodiscard]] BleedPlan bleed_plan(const Job& job);
/// The nipple of a row's key: "fl", "slave"; nullptr: the master, or not in the plan.
[[nodiscard]] const BleedWheel* planned_at(const BleedPlan& plan, const std::string& key);

enum class BleedState { not_begun, counting, clear };

/// One place where fluid is worked out: the master on the bench, a wheel's nipple, the clutch
/// slave.
struct BleedRow {
  std::string key;             ///< of its record: "bench", "fl", "slave"
  std::optional<Wheel> wheel;  ///< nothing: bench or slave
  /// Counts and refills of this nipple; nothing: they cannot be said, or are not asked for here.
  std::optional<BleedWheel> planned;
  BleedRecord done;
  BleedState state = BleedState::not_begun;
  bool typical = false;     ///< its content, or what a stroke moves, was not measured
  bool refill_due = false;  ///< two counts or fewer until the port is bare, or it runs over
};
/// The rows in working order, with what was counted so far.
[[nodiscard]] std::vector<BleedRow> bleed_rows(const Job& job, const BleedPlan& plan);
/// The master is bled by itself: it comes new or emptied, or it drew air.
[[nodiscard]] bool bench_asked(const Job& job);
/// Every nipple of the plan is clear, and all of them are known.
[[nodiscard]] bool all_bled(const Job& job);
/// How many nipples are clear; the master on the bench is not counted.
[[nodiscard]] std::size_t clear_nipples(const std::vector<BleedRow>& rows);

}  // namespace yoke
