// The bleeding plan: wheel order, strokes to clear each branch, refills, fluid to have.
//   fluid per stroke of a circuit with the other closed = A (S - c), less where the pad stop comes
//   first; strokes = ceil(1.5 V_branch / that). Order and factor: common practice, no source.
#pragma once

#include <string>
#include <vector>

#include "strip/conditions.hpp"

namespace yoke {

struct BleedWheel {
  Wheel wheel = Wheel::front_left;
  Outlet outlet = Outlet::first;
  Volume branch{};  ///< fluid in its branch
  Volume per_stroke{};
  int strokes = 0;       ///< to clear the branch once
  int refill_every = 0;  ///< strokes until the reservoir must be topped up
  int refills = 0;       ///< within those strokes
};

struct BleedPlan {
  bool clutch = false;  ///< one line, "slave", and no wheels
  std::vector<Param> missing;
  std::vector<Param> typical;  ///< typical figures the counts rest on
  std::string order_reason;
  std::vector<BleedWheel> wheels;  ///< in working order
  Volume fluid{};                  ///< to have at hand for three rounds and the filling
  int rounds = 3;
};
[[nodiscard]] BleedPlan bleed_plan(const Job& job);
/// Bubble-free strokes in a row that count as clear; a count of strokes is never a pass.
inline constexpr int kClearStrokes = 5;

}  // namespace yoke
