// Highest knee that a rear valve may have so that the rear axle never locks first.
//   for each grip g from 0.3 to 0.9: p with F_f(p) = m g_n g (X + g H), q with F_r(q) =
//   m g_n g (1 - X - g H); knee + m (p - knee) <= q. Solved at the lock itself, by the brakes' own
//   forces (a shoe brake pushes from its springs' threshold only). Textbook mechanics; the range of
//   grips in the spirit of ECE R13-H, from memory.
#pragma once

#include <optional>

#include "feel/system.hpp"

namespace yoke {

struct RearKnee {
  /// Rounded down to a hundredth of a megapascal; nothing: no valve is needed.
  std::optional<Pressure> highest;
  double at_grip = 0;  ///< the grip that decides
};
/// `slope` of the valve behind its knee, below 1. Nothing: vehicle or brakes of an axle are not
/// there, or a servo feeds the axles unlike. A knee of 0: none is low enough.
[[nodiscard]] std::optional<RearKnee> highest_rear_knee(const System& system, double slope);

}  // namespace yoke
