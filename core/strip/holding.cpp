#include "strip/holding.hpp"

#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

namespace {

/// The press at which all brakes together hold a tangential force at the tyres.
HoldResult press_for(const FeelModel& m, double needed_n) {
  const auto force_n = [&](double drive) {
    const WheelForces w = m.wheel_forces(drive);
    return w.front_n + w.rear_n;
  };
  HoldResult r;
  const double end = m.end_drive();
  r.available_nm = force_n(end);
  r.holds = r.available_nm >= needed_n;
  r.at = r.holds ? m.at(m.drive_for([&](double u) { return force_n(u) - needed_n; })) : m.at(end);
  r.needed_nm = needed_n;
  return r;
}

/// Forces at the tyre become torques with the mean tyre radius; only for showing.
void to_torque(HoldResult& r, double radius_m) {
  r.needed_nm *= radius_m;
  r.available_nm *= radius_m;
}

Expected<double> tyre_radius(const FeelModel& m) {
  double sum = 0;
  for (const WheelBrake& w : *m.system().wheels) sum += w.tyre_radius.value();
  if (sum > 0) return sum / 4;
  return fail({"front.tyre", "", "", "Cannot say: the tyre radii are not known",
               "Measure ground to wheel centre, car on its wheels"});
}

}  // namespace

Expected<HoldResult> hold_on_slope(const FeelModel& m, Angle slope) {
  const Check checks[] = {
      {"hold.slope", "The slope", slope.value(), 0, 0.7, Kind::angle, "In degrees; 20 % is 11.3°"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const auto radius = tyre_radius(m);
  if (!radius) return fail(radius.error());
  const auto& v = m.system().vehicle;
  if (!v)
    return fail({"vehicle.mass", "", "", "Cannot say: mass, wheelbase or axle load is not known",
                 "Weigh the car per axle"});
  const double weight_n = v->mass.value() * kGravity_m_s2;
  HoldResult r = press_for(m, weight_n * std::sin(slope.value()));
  r.slides = std::tan(slope.value()) > v->tyre_mu;
  r.holds = r.holds && !r.slides;
  to_torque(r, *radius);
  return r;
}

Expected<HoldResult> hold_engine(const FeelModel& m, Torque stall, double gears) {
  const Check checks[] = {
      {"hold.stall_torque", "The stall torque", stall.value(), 0, 5000, Kind::torque,
       "Engine torque at the converter's stall speed, times its torque multiplication"},
      {"hold.gears", "The gear ratio", gears, 0.5, 100, Kind::number,
       "Gear in use times the axle's ratio"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const auto radius = tyre_radius(m);
  if (!radius) return fail(radius.error());
  HoldResult r = press_for(m, stall.value() * gears / *radius);
  to_torque(r, *radius);
  return r;
}

}  // namespace yoke
