#include "control/control.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>
#include <cstdint>

namespace yoke {

namespace {

struct Crank {
  double r_m, h_m, d_m, l_m;

  [[nodiscard]] double reach_squared(double a) const {
    const double e = r_m * std::cos(a) - h_m;
    return l_m * l_m - e * e - d_m * d_m;
  }
  [[nodiscard]] double x_ball(double a) const {
    return r_m * std::sin(a) + std::sqrt(std::max(0.0, reach_squared(a)));
  }
  [[nodiscard]] double dx_da(double a) const {
    const double e = r_m * std::cos(a) - h_m;
    return r_m * std::cos(a) + e * r_m * std::sin(a) / std::sqrt(std::max(1e-12, reach_squared(a)));
  }
  [[nodiscard]] bool usable(double a) const {
    return reach_squared(a) > 1e-10 && dx_da(a) > 1e-3 * r_m;
  }
};

Crank crank_of(const Control& c) {
  return {c.pin_arm.value(), c.geometry->axis_height.value(), c.geometry->offset.value(),
          c.geometry->rod_length.value()};
}

}  // namespace

Expected<Kinematics> Kinematics::make(const Control& c) {
  const auto bad = [](const char* field, std::string range, std::string reason,
                      std::string remedy) {
    return fail({.field = field,
                 .value = "",
                 .range = std::move(range),
                 .reason = std::move(reason),
                 .remedy = std::move(remedy)});
  };
  if (!(c.pad_arm.value() > 0) || !(c.pin_arm.value() > 0))
    return bad(c.pin_arm.value() > 0 ? "control.pad_arm" : "control.pin_arm", "more than 0 mm",
               "Both pedal arms must be longer than 0", "Measure pivot to pad and pivot to pin");
  Kinematics k;
  k.control_ = c;
  k.limit_m_ = c.pad_stop.value();
  if (!c.geometry) return k;

  const Crank crank = crank_of(c);
  const double a0 = c.geometry->rest_angle.value();
  if (crank.reach_squared(a0) <= 1e-10)
    return bad("control.rod_length",
               fmt::format("rod longer than {:.1f} mm with this offset",
                           1e3 * std::hypot(crank.r_m * std::cos(a0) - crank.h_m, crank.d_m)),
               "The push rod is shorter than its offset from the bore line",
               "Measure rod length, bore-line height and sideways offset again");
  if (!crank.usable(a0))
    return bad("control.rest_angle", "an angle before dead centre",
               "At rest the pedal already stands past dead centre",
               "Measure the arm angle at rest again");
  // March in small steps to the end of the usable range; the motion ratio has one dead centre.
  const double a_stop = a0 + c.pad_stop.value() / c.pad_arm.value();
  constexpr int kSteps = 400;
  double a_end = a_stop;
  for (int i = 1; i <= kSteps; ++i) {
    const double a = a0 + (a_stop - a0) * i / kSteps;
    if (crank.usable(a)) continue;
    a_end = a0 + (a_stop - a0) * (i - 1) / kSteps;
    k.geometry_limit_ = true;
    break;
  }
  k.limit_m_ = c.pad_arm.value() * (a_end - a0);
  return k;
}

Length Kinematics::rod_travel(Length pad) const {
  const double s = std::clamp(pad.value(), 0.0, limit_m_);
  const double angle = s / control_.pad_arm.value();
  if (!control_.geometry) return Length{control_.pin_arm.value() * angle};
  const Crank crank = crank_of(control_);
  const double a0 = control_.geometry->rest_angle.value();
  return Length{crank.x_ball(a0 + angle) - crank.x_ball(a0)};
}

std::optional<Length> Kinematics::pad_travel(Length rod) const {
  const double x = rod.value();
  if (x <= 0) return Length{0.0};
  if (!control_.geometry) {
    const double s = x / control_.pin_arm.value() * control_.pad_arm.value();
    if (s > limit_m_ * (1 + 1e-12)) return std::nullopt;
    return Length{s};
  }
  const double most = rod_travel(Length{limit_m_}).value();
  if (x > most * (1 + 1e-12)) return std::nullopt;
  if (x >= most) return Length{limit_m_};
  const auto f = [&](double s) { return rod_travel(Length{s}).value() - x; };
  std::uintmax_t tries = 60;
  const auto [lo, hi] = boost::math::tools::toms748_solve(
      f, 0.0, limit_m_, -x, most - x, boost::math::tools::eps_tolerance<double>(46), tries);
  return Length{0.5 * (lo + hi)};
}

double Kinematics::ratio(Length pad) const {
  if (!control_.geometry) return control_.pad_arm.value() / control_.pin_arm.value();
  const double s = std::clamp(pad.value(), 0.0, limit_m_);
  const double a = control_.geometry->rest_angle.value() + s / control_.pad_arm.value();
  return control_.pad_arm.value() / crank_of(control_).dx_da(a);
}

std::optional<Angle> Kinematics::rod_angle(Length pad) const {
  if (!control_.geometry) return std::nullopt;
  const Crank crank = crank_of(control_);
  const double s = std::clamp(pad.value(), 0.0, limit_m_);
  const double a = control_.geometry->rest_angle.value() + s / control_.pad_arm.value();
  const double e = crank.r_m * std::cos(a) - crank.h_m;
  return Angle{std::atan2(std::hypot(e, crank.d_m), std::sqrt(crank.reach_squared(a)))};
}

Force Kinematics::pad_force(Force rod_axial, Length pad) const {
  return control_.return_force + rod_axial / (ratio(pad) * control_.efficiency);
}

Force Kinematics::rod_force(Force pad_force, Length pad) const {
  const double net = pad_force.value() - control_.return_force.value();
  return Force{std::max(0.0, net) * control_.efficiency * ratio(pad)};
}

}  // namespace yoke
