// A whole system from foot to wheel, as the feel curve needs it.
#pragma once

#include <array>
#include <optional>
#include <variant>

#include "assist/assist.hpp"
#include "assist/servo.hpp"
#include "circuit/circuit.hpp"
#include "control/control.hpp"
#include "master/master.hpp"
#include "vehicle/vehicle.hpp"

namespace yoke {

/// Fluid of the hot condition, °C; common practice, no source.
inline constexpr double kHotFluid_C = 120.0;

enum class Outlet { primary, secondary };

/// One wheel's brake with the lines that lead to it alone.
struct WheelBrake {
  std::variant<Disc, Drum> brake;
  Outlet outlet = Outlet::primary;
  bool rear = false;
  bool fitted = true;            ///< false: this control does not work it
  double axle_share = 0.5;       ///< of the axle's tyres it holds; 1: it is the axle's only brake
  double fluid_depth_m = 0.006;  ///< fluid behind its pistons, as a depth
  Length tyre_radius{};          ///< 0: unknown, no deceleration can be given
  Tube tube;
  Hose hose;
  bool operator==(const WheelBrake&) const = default;
};

struct System {
  Control control;
  /// Made once where a system is pressed in many conditions; not used when it is of another
  /// control.
  std::optional<Kinematics> kinematics;
  Assist assist;
  std::optional<Servo> servo;  ///< in the line, behind the master
  Master master;
  bool strokes_known = true;  ///< false: the pistons' own ends are not checked
  std::optional<Length> booster_stroke;
  std::optional<std::array<WheelBrake, 4>> wheels;  ///< absent: no volumes, no travel
  std::optional<Proportioning> rear_valve;
  bool rear_valve_opens = false;  ///< combination valve: full rear pressure with the front lost
  std::optional<Metering> front_valve;
  bool valves_at_axle = false;  ///< tubes run before the valves and see the full pressure
  Pressure residual_front{};    ///< held in the front lines at rest
  Pressure residual_rear{};
  Fluid fluid;
  std::optional<Vehicle> vehicle;  ///< absent: no deceleration
  Pressure ambient{101325.0};
  /// The same numbers; the kinematics follow from the control.
  bool operator==(const System& o) const {
    return control == o.control && assist == o.assist && servo == o.servo && master == o.master &&
           strokes_known == o.strokes_known && booster_stroke == o.booster_stroke &&
           wheels == o.wheels && rear_valve == o.rear_valve &&
           rear_valve_opens == o.rear_valve_opens && front_valve == o.front_valve &&
           valves_at_axle == o.valves_at_axle && residual_front == o.residual_front &&
           residual_rear == o.residual_rear && fluid == o.fluid && vehicle == o.vehicle &&
           ambient == o.ambient;
  }
};

/// What is wrong or different at this moment.
struct Condition {
  bool assist_alive = true;
  LostCircuit lost = LostCircuit::none;
  bool hot = false;           ///< fluid 120 C, disc friction x 0.7, shoe factor with its exponent
  double air_m3 = 0;          ///< free air, shared by the live circuits
  double air_primary_m3 = 0;  ///< free air in circuit 1 beside that
  double air_secondary_m3 = 0;
  double take_up_scale = 1;  ///< of all lining clearances
  double growth_scale = 1;   ///< of what calipers and drums give
  double hose_scale = 1;     ///< of what hoses give
  /// Hoses of an outlet clamped off: behind them nothing moves, and their air stays there.
  std::array<bool, 2> clamped{};
};

/// Torque of one wheel [N m]: disc 2 mu p A eta r, eta 0.98; drum max(0, p - 0.5 MPa) A eta C r,
/// eta 0.96 (common practice, no source).
[[nodiscard]] double wheel_torque_nm(const WheelBrake& wheel, double p_pa);
/// The same brake hot: disc friction x 0.7, shoe factor x 0.7^(its exponent).
[[nodiscard]] WheelBrake hot_brake(WheelBrake wheel);
/// Area of all pistons of one wheel that displace fluid.
[[nodiscard]] Area displacing_area(const WheelBrake& wheel);
/// Fluid that fills the branch of one wheel: tube, hose and brake.
[[nodiscard]] Volume branch_content(const WheelBrake& wheel);

}  // namespace yoke
