// Pedal and hand-lever kinematics: a lever about a fixed pivot, push rod into a straight bore.
//
// Symbols (pivot at the origin, +x into the master, +y up; the pin hangs below; a floor-hinged
// pedal mirrors y):
//   L  pivot to pad [m]          r  pivot to push-rod pin [m]
//   h  pivot to bore axis [m]    d  sideways offset of pin and bore axis [m]
//   a  angle of the pivot-pin line from square to the bore [rad], positive towards the master
//   l  push-rod length [m]       s  pad travel along its arc [m], x rod travel along the bore [m]
// Planar slider-crank with a lateral offset, textbook mechanics:
//   e(a) = r cos a - h,  x_ball = r sin a + sqrt(l^2 - e^2 - d^2),  s = L (a - a0)
//   dx/da = r cos a + e r sin a / sqrt(l^2 - e^2 - d^2),  motion ratio i = L / (dx/da)
//   rod angle to the bore = atan( sqrt(e^2 + d^2) / sqrt(l^2 - e^2 - d^2) )
// An intermediate lever (input arm m_i, output arm m_o) turns by s r/(L m_i); then r, h, a0, l and
// the rod angle above are those of the last lever: the pad arm counts as L m_i/r, the pin arm as
// m_o.
// Helper spring from body point B to pedal point P, which turns with the pedal:
//   F_s = k max(0, |BP| - l0),  tau = F_s (P_x (B_y - P_y) - P_y (B_x - P_x))/|BP|
//   F_pad = F_ret + (F_rod/i - tau/L)/eta, so that tau > 0 helps the foot
#pragma once

#include <array>
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

struct MidLever {
  Length input{};   ///< m_i
  Length output{};  ///< m_o
  bool operator==(const MidLever&) const = default;
};

struct HelperSpring {
  double rate_n_m = 0;          ///< k
  Length free_length{};         ///< l0
  Length body_x{}, body_y{};    ///< B
  Length pedal_x{}, pedal_y{};  ///< P at rest
  bool operator==(const HelperSpring&) const = default;
};

struct Control {
  Length pad_arm{};                     ///< L
  Length pin_arm{};                     ///< r
  std::optional<RodGeometry> geometry;  ///< absent: the ratio is constant and the rod angle unknown
  std::optional<MidLever> mid;          ///< intermediate lever between pedal and master
  std::optional<HelperSpring> helper;
  Force return_force{15.0};  ///< F_ret, at the pad
  double efficiency = 0.95;  ///< of the pivot
  Length pad_stop{0.150};    ///< pad travel to floor or stop
  Length rod_clearance{0.00075};
  bool operator==(const Control&) const = default;
};

/// Pad arm and pin arm as the last lever sees them: L and r, or L m_i/r and m_o.
[[nodiscard]] Length effective_pad_arm(const Control& control);
[[nodiscard]] Length effective_pin_arm(const Control& control);

/// Pad travel and what acts there, found together: they share their sines.
struct PadState {
  double pad_m = 0;
  double ratio = 1;
};

/// A checked control: every function below is defined for pad travel 0 ... limit().
class Kinematics {
 public:
  /// Fails when an arm is not positive, or the rod cannot reach at rest, or rest is past dead
  /// centre.
  static Expected<Kinematics> make(const Control& control);

  /// The same path under a control that differs in friction, clearance or helper alone; nothing
  /// where the path itself is another.
  [[nodiscard]] std::optional<Kinematics> with(const Control& control) const;

  [[nodiscard]] const Control& control() const { return control_; }
  /// Largest usable pad travel: where the rod goes past its reach or the ratio past dead centre, or
  /// the pad stop when that comes first.
  [[nodiscard]] Length limit() const { return Length{limit_m_}; }
  /// The geometry, not the pad stop, ends the travel.
  [[nodiscard]] bool limited_by_geometry() const { return geometry_limit_; }
  /// Rod travel at that limit.
  [[nodiscard]] Length rod_limit() const { return Length{most_m_}; }
  /// Rod travel for a pad travel; s is clamped to 0 ... limit.
  [[nodiscard]] Length rod_travel(Length pad) const;
  /// Inverse of rod_travel (monotone). Beyond the limit: nothing.
  [[nodiscard]] std::optional<Length> pad_travel(Length rod) const;
  /// The same with the motion ratio there, within a nanometre and a millionth; beyond the limit the
  /// state at the limit.
  [[nodiscard]] PadState pad_state(Length rod) const;
  /// Force at the pad for a state, as `pad_force`.
  [[nodiscard]] double pad_force_n(double rod_n, const PadState& state) const;
  /// Motion ratio L/(dx/da) at a pad travel.
  [[nodiscard]] double ratio(Length pad) const;
  /// Angle between rod and bore, unknown without geometry.
  [[nodiscard]] std::optional<Angle> rod_angle(Length pad) const;
  /// Moment of the helper spring about the pedal's pivot, positive when it helps the foot.
  [[nodiscard]] Torque helper_moment(Length pad) const;
  /// Force at the pad for an axial rod force at a pad travel; below 0 the pedal stays down.
  [[nodiscard]] Force pad_force(Force rod_axial, Length pad) const;
  /// The same with the pad coming back, where the pivot's friction helps.
  [[nodiscard]] Force returning_pad_force(Force rod_axial, Length pad) const;
  /// Axial rod force for a pad force: max(0, (F_pad - F_ret) eta + tau/L) i.
  [[nodiscard]] Force rod_force(Force pad_force, Length pad) const;

 private:
  /// Knots of the inverse. A cubic through two of them is a guess that one Newton step makes exact;
  /// where it is within a nanometre at once, a press takes it as it stands.
  static constexpr int kKnots = 32;
  void fill_knots();
  void judge_knots();
  /// Interval of the knots a rod travel lies in.
  [[nodiscard]] std::size_t interval(double rod_m) const;
  /// The cubic's pad travel and ratio.
  [[nodiscard]] PadState cubic(double rod_m) const;
  [[nodiscard]] double rod_m(double pad_m) const;
  [[nodiscard]] PadState solve(double rod_m) const;
  Control control_;
  double arm_m_ = 0;  ///< effective pad arm
  double pin_m_ = 0;  ///< effective pin arm
  double rest_ball_m_ = 0;
  double limit_m_ = 0;
  double most_m_ = 0;  ///< rod travel at the limit
  bool geometry_limit_ = false;
  bool smooth_ = false;                      ///< the cubic is within a nanometre everywhere
  std::array<double, kKnots + 1> knots_{};   ///< rod travel at equal steps of pad travel
  std::array<double, kKnots + 1> slopes_{};  ///< pad travel for each metre of rod there
};

}  // namespace yoke
