// The wheels of one outlet and one axle, gathered into the few sums that a press needs: evaluating
// a pressure then costs the same however many wheels there are.
#pragma once

#include <array>

#include "feel/system.hpp"

namespace yoke {

/// Wheels of one outlet on one axle. Volumes count from the residual pressure.
struct Branch {
  bool live = false;
  bool rear = false;
  double residual_pa = 0;
  double disc_take_up_m3 = 0;
  double disc_m3_pa = 0;
  double disc_soft_m3 = 0;  ///< the part that levels off
  double drum_take_up_m3 = 0;
  double drum_m3_pa = 0;
  double tube_m3_pa = 0;
  HoseSlopes hose;
  double tube_fluid_m3_pa = 0;   ///< compression of the fluid inside the tubes
  double wheel_fluid_m3_pa = 0;  ///< of that inside hoses and brakes
  double disc_force_n_pa = 0;    ///< at the tyre
  double drum_force_n_pa = 0;
  double live_share = 0;  ///< of the axle's two wheels
  /// Volume at a pressure in the tubes and one at the wheels.
  [[nodiscard]] VolumeParts volume(double tube_pa, double wheel_pa) const;
  /// Force at the tyres for a pressure at the wheels.
  [[nodiscard]] double force_n(double wheel_pa) const;

 private:
  [[nodiscard]] VolumeParts from_zero(double tube_pa, double wheel_pa) const;
};

inline VolumeParts Branch::from_zero(double tube_pa, double wheel_pa) const {
  VolumeParts v;
  v.take_up_m3 =
      disc_take_up_m3 * disc_contact(wheel_pa) + drum_take_up_m3 * drum_contact(wheel_pa);
  v.brake_m3 = (disc_m3_pa + drum_m3_pa) * wheel_pa;
  if (disc_soft_m3 > 0) v.brake_m3 += disc_soft_m3 * disc_softness(wheel_pa);
  v.tube_m3 = tube_m3_pa * tube_pa;
  v.hose_m3 = hose.first_m3_pa * std::min(wheel_pa, kHoseKnee_pa) +
              hose.then_m3_pa * std::max(0.0, wheel_pa - kHoseKnee_pa);
  v.fluid_m3 = tube_fluid_m3_pa * tube_pa + wheel_fluid_m3_pa * wheel_pa;
  return v;
}

inline VolumeParts Branch::volume(double tube_pa, double wheel_pa) const {
  VolumeParts v = from_zero(std::max(tube_pa, residual_pa), wheel_pa);
  if (residual_pa <= 0) return v;
  const VolumeParts held = from_zero(residual_pa, residual_pa);
  v.take_up_m3 -= held.take_up_m3;
  v.brake_m3 -= held.brake_m3;
  v.tube_m3 -= held.tube_m3;
  v.hose_m3 -= held.hose_m3;
  v.fluid_m3 -= held.fluid_m3;
  return v;
}

inline double Branch::force_n(double wheel_pa) const {
  return disc_force_n_pa * wheel_pa +
         drum_force_n_pa * std::max(0.0, wheel_pa - kDrumSpringHigh_pa);
}

/// Sums of tangential force at the tyres, and the share of each axle's wheels that is braked.
struct WheelForces {
  double front_n = 0;
  double rear_n = 0;
  double front_share = 0;
  double rear_share = 0;
};

/// By outlet, then front and rear.
using Branches = std::array<std::array<Branch, 2>, 2>;

/// Gathers the wheels that are not on a lost circuit.
[[nodiscard]] Branches gather(const System& system, const Condition& condition);

/// Pressure behind the valves of an axle for the pressure before them.
class Valves {
 public:
  Valves() = default;
  Valves(const System& system, bool front_lost);
  [[nodiscard]] double wheel_pa(const Branch& branch, double outlet_pa) const;
  /// Pressure in the long tubes: before or behind the valves.
  [[nodiscard]] double tube_pa(double outlet_pa, double wheel_pa) const {
    return at_axle_ ? outlet_pa : wheel_pa;
  }

 private:
  std::optional<Proportioning> rear_;
  std::optional<Metering> front_;
  bool at_axle_ = false;
};

inline double Valves::wheel_pa(const Branch& b, double outlet_pa) const {
  double out = outlet_pa;
  if (b.rear && rear_) out = proportioned_pa(*rear_, outlet_pa);
  if (!b.rear && front_) out = metered_pa(*front_, outlet_pa);
  return std::max(out, b.residual_pa);
}

}  // namespace yoke
