#include "feel/knee.hpp"

#include <algorithm>
#include <cmath>

#include "feel/roots.hpp"

namespace yoke {

namespace {

constexpr double kMost_pa = 20e6;

double axle_force_n(const System& s, bool rear, double p_pa) {
  double sum = 0;
  for (const WheelBrake& w : *s.wheels)
    if (w.fitted && w.rear == rear && w.tyre_radius.value() > 0)
      sum += wheel_torque_nm(w, p_pa) / w.tyre_radius.value();
  return sum;
}

/// The pressure at which an axle makes a force; the most there is when it never does.
double pressure_for(const System& s, bool rear, double force_n) {
  if (axle_force_n(s, rear, kMost_pa) <= force_n) return kMost_pa;
  return rising_root(0.0, kMost_pa, [&](double p) { return axle_force_n(s, rear, p) - force_n; });
}

}  // namespace

std::optional<RearKnee> highest_rear_knee(const System& s, double slope) {
  if (!s.wheels || !s.vehicle || !(slope >= 0 && slope < 1)) return std::nullopt;
  if (s.servo && s.servo->feeds_first != s.servo->feeds_second) return std::nullopt;
  if (axle_force_n(s, false, kMost_pa) <= 0 || axle_force_n(s, true, kMost_pa) <= 0)
    return std::nullopt;
  const Vehicle& car = *s.vehicle;
  const double weight_n = car.mass.value() * kGravity_m_s2;
  const double h = car.cg_height.value() / car.wheelbase.value();
  RearKnee r;
  double least = kMost_pa;
  bool needed = false;
  constexpr int kSteps = 60;
  for (int i = 0; i <= kSteps; ++i) {
    const double grip = 0.3 + 0.6 * i / kSteps;
    const double front_n = weight_n * grip * (car.front_share + grip * h);
    const double rear_n = weight_n * grip * std::max(0.0, 1 - car.front_share - grip * h);
    const double p = pressure_for(s, false, front_n);
    // A metering valve holds the front back: the line is higher than the front's own pressure.
    const double line = s.front_valve && p < s.front_valve->blend.value()
                            ? std::max(p, s.front_valve->blend.value())
                            : p;
    const double q = pressure_for(s, true, rear_n);
    if (q >= line) continue;
    needed = true;
    const double knee = std::max(0.0, (q - slope * line) / (1 - slope));
    if (knee < least) {
      least = knee;
      r.at_grip = grip;
    }
  }
  if (needed) r.highest = Pressure{std::floor(least / 1e4) * 1e4};
  return r;
}

}  // namespace yoke
