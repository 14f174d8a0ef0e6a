// Pedal kinematics: a lever about a fixed pivot, push rod into a straight bore.
//
// Symbols (pivot at the origin, +x into the master, +y up; the pin hangs below):
//   L  pivot to pad [m]          r  pivot to push-rod pin [m]
//   h  pivot to bore axis [m]    d  sideways offset of pin and bore axis [m]
//   a  angle of the pivot-pin line from square to the bore [rad], positive towards the master
//   l  push-rod length [m]       s  pad travel along its arc [m], x rod travel along the bore [m]
// Planar slider-crank with a lateral offset, textbook mechanics:
//   e(a) = r cos a - h,  x_ball = r sin a + sqrt(l^2 - e^2 - d^2),  s = L (a - a0)
//   dx/da = r cos a + e r sin a / sqrt(l^2 - e^2 - d^2),  motion ratio i = L / (dx/da)
//   rod angle to the bore = atan( sqrt(e^2 + d^2) / sqrt(l^2 - e^2 - d^2) )
#pragma once

#include <optional>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct RodGeometry {
  Length axis_height{};  ///< h
  Length offset{};       ///< d
  Angle rest_angle{};    ///< a0
  Length rod_length{};   ///< l
  bool operator==(const RodGeometry&) const = default;
};

struct Control {
  Length pad_arm{};                     ///< L
  Length pin_arm{};                     ///< r
  std::optional<RodGeometry> geometry;  ///< absent: the ratio is constant and the rod angle unknown
  Force return_force{15.0};             ///< at the pad
  double efficiency = 0.95;             ///< of the pivot
  Length pad_stop{0.150};               ///< pad travel to floor or stop
  Length rod_clearance{0.00075};
};

/// A checked control: every function below is defined for pad travel 0 ... limit().
class Kinematics {
 public:
  /// Fails when an arm is not positive, or the rod cannot reach at rest, or rest is past dead
  /// centre.
  static Expected<Kinematics> make(const Control& control);

  [[nodiscard]] const Control& control() const { return control_; }
  /// Largest usable pad travel: where the rod goes past its reach or the ratio past dead centre, or
  /// the pad stop when that comes first.
  [[nodiscard]] Length limit() const { return Length{limit_m_}; }
  /// The geometry, not the pad stop, ends the travel.
  [[nodiscard]] bool limited_by_geometry() const { return geometry_limit_; }
  /// Rod travel for a pad travel; s is clamped to 0 ... limit.
  [[nodiscard]] Length rod_travel(Length pad) const;
  /// Inverse of rod_travel (monotone; bracketed root finding). Beyond the limit: nothing.
  [[nodiscard]] std::optional<Length> pad_travel(Length rod) const;
  /// Motion ratio L/(dx/da) at a pad travel.
  [[nodiscard]] double ratio(Length pad) const;
  /// Angle between rod and bore, unknown without geometry.
  [[nodiscard]] std::optional<Angle> rod_angle(Length pad) const;
  /// Force at the pad for an axial rod force at a pad travel: F_ret + F_rod / (i eta).
  [[nodiscard]] Force pad_force(Force rod_axial, Length pad) const;
  /// Axial rod force for a pad force: max(0, (F_pad - F_ret) eta i).
  [[nodiscard]] Force rod_force(Force pad_force, Length pad) const;

 private:
  Control control_;
  double limit_m_ = 0;
  bool geometry_limit_ = false;
};

}  // namespace yoke
