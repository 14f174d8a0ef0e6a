#include "vehicle/vehicle.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "quantity/quantity.hpp"

namespace yoke {

namespace {
double h_ratio(const Vehicle& v) {
  return v.cg_height.value() / v.wheelbase.value();
}
}  // namespace

Expected<Vehicle> check_vehicle(const Vehicle& v) {
  const auto bad = [](const char* field, std::string value, const char* reason) {
    return fail({.field = field,
                 .value = std::move(value),
                 .range = "more than 0",
                 .reason = reason,
                 .remedy = "Weigh the car per axle; measure wheel centre to wheel centre"});
  };
  if (!(v.mass.value() > 0))
    return bad("vehicle.mass", format_quantity(v.mass.value(), Kind::mass, 0, {}),
               "The vehicle has no mass");
  if (!(v.wheelbase.value() > 0))
    return bad("vehicle.wheelbase", format_quantity(v.wheelbase.value(), Kind::length, 0, {}),
               "The wheelbase is 0");
  if (!(v.front_share > 0 && v.front_share < 1))
    return bad("vehicle.front_share", format_quantity(v.front_share, Kind::fraction, 0, {}),
               "The front axle's share must lie between 0 and 100 %");
  if (!(v.tyre_mu * h_ratio(v) < 1))
    return bad("vehicle.cg_height", format_quantity(v.cg_height.value(), Kind::length, 0, {}),
               "With that height and grip the vehicle would tip over");
  return v;
}

double lift_limit(const Vehicle& v) {
  const double h = h_ratio(v);
  return h > 0 ? (1.0 - v.front_share) / h : std::numeric_limits<double>::max();
}

Braking braking(const Vehicle& v, AxleBraking front, AxleBraking rear) {
  const double h = h_ratio(v);
  const double x = v.front_share;
  const double gf = v.tyre_mu * front.live_share;
  const double gr = v.tyre_mu * rear.live_share;
  constexpr double kHair = 1e-12;
  const auto front_grip = [&](double z) { return gf * (x + z * h); };
  const auto rear_grip = [&](double z) { return gr * std::max(0.0, 1 - x - z * h); };

  Braking r;
  if (const double z = front.b + rear.b;
      front.b <= front_grip(z) + kHair && rear.b <= rear_grip(z) + kHair) {
    r = {z, Lock::none, false};
  } else if (const double zf = (gf * x + rear.b) / (1 - gf * h);
             front.b > front_grip(zf) && rear.b <= rear_grip(zf) + kHair) {
    r = {zf, Lock::front, false};
  } else if (const double zr = (gr * (1 - x) + front.b) / (1 + gr * h);
             front.b <= front_grip(zr) + kHair && rear.b > rear_grip(zr)) {
    r = {zr, Lock::rear, false};
  } else {
    r = {(gf * x + gr * (1 - x)) / (1 - h * (gf - gr)), Lock::both, false};
  }
  const double lift = lift_limit(v);
  if (r.z >= lift) {
    r.z = lift;
    r.rear_lifts = true;
  }
  return r;
}

double beyond_first_lock(const Vehicle& v, AxleBraking front, AxleBraking rear) {
  const double z = front.b + rear.b;
  const double load = v.front_share + z * h_ratio(v);
  return std::max(front.b - v.tyre_mu * front.live_share * load,
                  rear.b - v.tyre_mu * rear.live_share * std::max(0.0, 1 - load));
}

double beyond_all_locked(const Vehicle& v, AxleBraking front, AxleBraking rear) {
  const double h = h_ratio(v);
  const double gf = v.tyre_mu * front.live_share;
  const double gr = v.tyre_mu * rear.live_share;
  const double z = (gf * v.front_share + gr * (1 - v.front_share)) / (1 - h * (gf - gr));
  const double load = v.front_share + z * h;
  double last = std::numeric_limits<double>::max();
  if (gf > 0) last = std::min(last, front.b - gf * load);
  if (gr > 0) last = std::min(last, rear.b - gr * std::max(0.0, 1 - load));
  return std::max(last, braking(v, front, rear).z - lift_limit(v));
}

Length stopping_distance(Speed speed, double z, Time reaction) {
  const double v = speed.value();
  return Length{v * reaction.value() + v * v / (2 * z * kGravity_m_s2)};
}

}  // namespace yoke
