// Holding is not stopping: a slope, or the engine against the brakes at a standstill.
//   slope:  sum of torques >= W sin(angle) R   (static, the load shift neglected)
//   engine: sum of torques >= stall torque x total gear ratio; what the driven wheels' brakes do
//   not
//           hold the ground passes to the others
// Textbook statics.
#pragma once

#include "feel/feel.hpp"

namespace yoke {

struct HoldResult {
  bool holds = false;       ///< reached before the press ends and within the tyres' grip
  double needed_nm = 0;     ///< torque at the wheels
  double available_nm = 0;  ///< at the end of the press
  FeelPoint at;             ///< the press that holds, or the end
  bool slides = false;      ///< the tyres would slip first
};

/// Holds on a slope with the weight `mass` x g; refused without brakes, tyre radii and mass.
[[nodiscard]] Expected<HoldResult> hold_on_slope(const FeelModel& model, Angle slope);
/// Holds against the engine: stall torque times all gear ratios.
[[nodiscard]] Expected<HoldResult> hold_engine(const FeelModel& model, Torque stall, double gears);

}  // namespace yoke
