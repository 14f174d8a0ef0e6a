#include "feel/system.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

double wheel_torque_nm(const WheelBrake& wheel, double p_pa) {
  if (const auto* d = std::get_if<Disc>(&wheel.brake))
    return 2.0 * d->mu * p_pa * d->side_area.value() * 0.98 * d->effective_radius.value();
  const auto& drum = std::get<Drum>(wheel.brake);
  return std::max(0.0, p_pa - kDrumSpringHigh_pa) * drum.cylinder_area.value() * 0.96 *
         drum.factor * drum.radius.value();
}

WheelBrake hot_brake(WheelBrake wheel) {
  if (auto* d = std::get_if<Disc>(&wheel.brake)) d->mu *= 0.7;
  if (auto* d = std::get_if<Drum>(&wheel.brake)) d->factor *= std::pow(0.7, d->hot_exponent);
  return wheel;
}

Area displacing_area(const WheelBrake& wheel) {
  if (const auto* d = std::get_if<Disc>(&wheel.brake))
    return d->side_area * (d->opposed ? 2.0 : 1.0);
  const auto& drum = std::get<Drum>(wheel.brake);
  return drum.cylinder_area * static_cast<double>(drum.pistons);
}

Volume branch_content(const WheelBrake& wheel) {
  return tube_content(wheel.tube) + hose_content(wheel.hose) +
         brake_content(displacing_area(wheel), Length{wheel.fluid_depth_m});
}

}  // namespace yoke
