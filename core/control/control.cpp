#include "control/control.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "quantity/quantity.hpp"

namespace yoke {

namespace {

/// The lever and its rod at one angle.
struct Pose {
  double reach_squared;  ///< l^2 - e^2 - d^2
  double x_ball_m;
  double dx_da_m;
};

struct Crank {
  double r_m, h_m, d_m, l_m;

  [[nodiscard]] Pose at(double a) const {
    const double sine = std::sin(a);
    const double cosine = std::cos(a);
    const double e = r_m * cosine - h_m;
    const double squared = l_m * l_m - e * e - d_m * d_m;
    const double reach = std::sqrt(std::max(1e-12, squared));
    return {squared, r_m * sine + reach, r_m * cosine + e * r_m * sine / reach};
  }
  [[nodiscard]] bool usable(double a) const {
    const Pose p = at(a);
    return p.reach_squared > 1e-10 && p.dx_da_m > 1e-3 * r_m;
  }
};

Crank crank_of(const Control& c, double pin_m) {
  return {pin_m, c.geometry->axis_height.value(), c.geometry->offset.value(),
          c.geometry->rod_length.value()};
}

Error bad(const char* field, std::string value, Message range, const char* reason,
          const char* remedy) {
  return {field, std::move(value), std::move(range), reason, remedy};
}

/// Largest usable lever angle up to `stop`; the motion ratio has one dead centre.
double usable_end(const Crank& crank, double rest, double stop, bool& ended) {
  constexpr int kSteps = 60;
  double good = rest;
  for (int i = 1; i <= kSteps; ++i) {
    const double a = rest + (stop - rest) * i / kSteps;
    if (crank.usable(a)) {
      good = a;
      continue;
    }
    ended = true;
    double beyond = a;
    for (int k = 0; k < 40; ++k) {
      const double mid = 0.5 * (good + beyond);
      (crank.usable(mid) ? good : beyond) = mid;
    }
    return good;
  }
  return stop;
}

Expected<bool> check_arms(const Control& c) {
  const char* remedy = "Measure pivot to pedal pad and pivot to pin";
  if (!(c.pad_arm.value() > 0))
    return fail(bad("control.pad_arm", format_quantity(c.pad_arm.value(), Kind::length, 1, {}),
                    "more than 0 mm", "Both arms must be longer than 0", remedy));
  if (!(c.pin_arm.value() > 0))
    return fail(bad("control.pin_arm", format_quantity(c.pin_arm.value(), Kind::length, 2, {}),
                    "more than 0 mm", "Both arms must be longer than 0", remedy));
  // The pad moves farther than the rod: a ratio below 1 is two arms taken for each other.
  if (!c.mid && c.pin_arm > c.pad_arm)
    return fail(bad("control.pin_arm", format_quantity(c.pin_arm.value(), Kind::length, 2, {}),
                    say("at most {}, the pivot to the pedal pad", length(c.pad_arm.value(), 1)),
                    "The pin would stand farther from the pivot than the pedal pad",
                    "Measure both arms from the pivot's middle"));
  if (c.mid && !(c.mid->input.value() > 0 && c.mid->output.value() > 0))
    return fail(
        bad("control.mid_in",
            format_quantity(std::min(c.mid->input, c.mid->output).value(), Kind::length, 1, {}),
            "more than 0 mm", "Both arms of the intermediate lever must be longer than 0",
            "Measure its pivot to either pin"));
  return true;
}

}  // namespace

Length effective_pad_arm(const Control& c) {
  return c.mid ? c.pad_arm * (c.mid->input / c.pin_arm).value() : c.pad_arm;
}

Length effective_pin_arm(const Control& c) {
  return c.mid ? c.mid->output : c.pin_arm;
}

Expected<Kinematics> Kinematics::make(const Control& c) {
  if (const auto ok = check_arms(c); !ok) return fail(ok.error());
  Kinematics k;
  k.control_ = c;
  k.arm_m_ = effective_pad_arm(c).value();
  k.pin_m_ = effective_pin_arm(c).value();
  k.limit_m_ = c.pad_stop.value();
  k.most_m_ = k.limit_m_ * k.pin_m_ / k.arm_m_;
  if (!c.geometry) return k;

  const Crank crank = crank_of(c, k.pin_m_);
  const double a0 = c.geometry->rest_angle.value();
  if (crank.at(a0).reach_squared <= 1e-10)
    return fail(bad("control.rod_length",
                    format_quantity(c.geometry->rod_length.value(), Kind::length, 1, {}),
                    say("rod longer than {} with this offset",
                        length(std::hypot(crank.r_m * std::cos(a0) - crank.h_m, crank.d_m), 1)),
                    "The push rod is shorter than its offset from the bore centreline",
                    "Measure rod length, bore centreline and sideways offset again"));
  if (!crank.usable(a0))
    return fail(bad("control.rest_angle", format_quantity(a0, Kind::angle, 1, {}),
                    "an angle before dead centre",
                    "At rest the pedal already stands past dead centre",
                    "Measure the arm angle at rest again"));
  const double a_end = usable_end(crank, a0, a0 + c.pad_stop.value() / k.arm_m_, k.geometry_limit_);
  k.limit_m_ = k.arm_m_ * (a_end - a0);
  k.rest_ball_m_ = crank.at(a0).x_ball_m;
  k.fill_knots();
  k.judge_knots();
  return k;
}

std::optional<Kinematics> Kinematics::with(const Control& c) const {
  const Control& mine = control_;
  if (c.pad_arm != mine.pad_arm || c.pin_arm != mine.pin_arm || c.geometry != mine.geometry ||
      c.mid != mine.mid || c.pad_stop != mine.pad_stop)
    return std::nullopt;
  Kinematics k = *this;
  k.control_ = c;
  return k;
}

void Kinematics::fill_knots() {
  const Crank crank = crank_of(control_, pin_m_);
  const double a0 = control_.geometry->rest_angle.value();
  for (int i = 0; i <= kKnots; ++i) {
    const Pose p = crank.at(a0 + limit_m_ * i / kKnots / arm_m_);
    knots_[static_cast<size_t>(i)] = p.x_ball_m - rest_ball_m_;
    slopes_[static_cast<size_t>(i)] = arm_m_ / p.dx_da_m;
  }
  most_m_ = knots_[kKnots];
}

double Kinematics::rod_m(double pad_m) const {
  const double angle = pad_m / arm_m_;
  if (!control_.geometry) return pin_m_ * angle;
  return crank_of(control_, pin_m_).at(control_.geometry->rest_angle.value() + angle).x_ball_m -
         rest_ball_m_;
}

Length Kinematics::rod_travel(Length pad) const {
  return Length{rod_m(std::clamp(pad.value(), 0.0, limit_m_))};
}

std::size_t Kinematics::interval(double x) const {
  // The travels are nearly proportional: the knot is at most a few steps from there.
  auto i = static_cast<std::size_t>(std::clamp(x / most_m_ * kKnots, 0.0, kKnots - 1.0));
  while (i > 0 && knots_[i] > x) --i;
  while (i + 1 < kKnots && knots_[i + 1] <= x) ++i;
  return i;
}

PadState Kinematics::cubic(double x) const {
  const std::size_t i = interval(x);
  const double step = limit_m_ / kKnots;
  const double lo = step * static_cast<double>(i);
  const double span = knots_[i + 1] - knots_[i];
  if (span <= 0) return {lo, slopes_[i]};
  const double t = (x - knots_[i]) / span;
  const double u = 1 - t;
  const double s =
      lo + step * t * t * (3 - 2 * t) + span * t * u * (u * slopes_[i] - t * slopes_[i + 1]);
  const double slope =
      6 * t * u * step / span + u * (1 - 3 * t) * slopes_[i] - t * (2 - 3 * t) * slopes_[i + 1];
  return {std::clamp(s, lo, lo + step), slope};
}

void Kinematics::judge_knots() {
  constexpr double kNanometre = 1e-9;
  constexpr double kMillionth = 1e-6;
  smooth_ = true;
  for (std::size_t i = 0; i < kKnots && smooth_; ++i) {
    // The cubic is worst in the middle, its slope a fifth of the way from either end.
    for (const double t : {0.21, 0.5, 0.79}) {
      const double x = knots_[i] + t * (knots_[i + 1] - knots_[i]);
      const PadState guess = cubic(x);
      const PadState exact = solve(x);
      smooth_ = smooth_ && std::abs(guess.pad_m - exact.pad_m) < kNanometre &&
                std::abs(guess.ratio - exact.ratio) < kMillionth * exact.ratio;
    }
  }
}

PadState Kinematics::solve(double x) const {
  const std::size_t i = interval(x);
  const double step = limit_m_ / kKnots;
  double lo = step * static_cast<double>(i);
  double hi = lo + step;
  double s = cubic(x).pad_m;
  const Crank crank = crank_of(control_, pin_m_);
  const double a0 = control_.geometry->rest_angle.value();
  for (int round = 0; round < 40; ++round) {
    const Pose p = crank.at(a0 + s / arm_m_);
    const double slope = arm_m_ / p.dx_da_m;
    const double miss = p.x_ball_m - rest_ball_m_ - x;
    (miss > 0 ? hi : lo) = s;
    double next = s - miss * slope;
    // Newton, held inside the bracket: near dead centre its step would leave it.
    if (!(next >= lo && next <= hi)) next = 0.5 * (lo + hi);
    const double moved = std::abs(next - s);
    s = next;
    // The ratio of the last pose is good to that step over the arm.
    if (moved < 1e-6) return {s, slope};
  }
  return {s, ratio(Length{s})};
}

std::optional<Length> Kinematics::pad_travel(Length rod) const {
  const double x = rod.value();
  if (x <= 0) return Length{0.0};
  if (x > most_m_ * (1 + 1e-12)) return std::nullopt;
  if (!control_.geometry) return Length{std::min(limit_m_, x / pin_m_ * arm_m_)};
  if (x >= most_m_) return Length{limit_m_};
  return Length{solve(x).pad_m};
}

PadState Kinematics::pad_state(Length rod) const {
  const double x = std::clamp(rod.value(), 0.0, most_m_);
  if (!control_.geometry) return {std::min(limit_m_, x / pin_m_ * arm_m_), arm_m_ / pin_m_};
  if (x >= most_m_) return {limit_m_, slopes_[kKnots]};
  return smooth_ ? cubic(x) : solve(x);
}

double Kinematics::pad_force_n(double rod_n, const PadState& state) const {
  const double helped =
      control_.helper ? helper_moment(Length{state.pad_m}).value() / control_.pad_arm.value() : 0.0;
  return control_.return_force.value() + (rod_n / state.ratio - helped) / control_.efficiency;
}

double Kinematics::ratio(Length pad) const {
  if (!control_.geometry) return arm_m_ / pin_m_;
  const double s = std::clamp(pad.value(), 0.0, limit_m_);
  const double a = control_.geometry->rest_angle.value() + s / arm_m_;
  return arm_m_ / crank_of(control_, pin_m_).at(a).dx_da_m;
}

std::optional<Angle> Kinematics::rod_angle(Length pad) const {
  if (!control_.geometry) return std::nullopt;
  const Crank crank = crank_of(control_, pin_m_);
  const double s = std::clamp(pad.value(), 0.0, limit_m_);
  const double a = control_.geometry->rest_angle.value() + s / arm_m_;
  const double e = crank.r_m * std::cos(a) - crank.h_m;
  return Angle{std::atan2(std::hypot(e, crank.d_m), std::sqrt(crank.at(a).reach_squared))};
}

Torque Kinematics::helper_moment(Length pad) const {
  if (!control_.helper) return Torque{0.0};
  const HelperSpring& h = *control_.helper;
  // The pin hangs below and moves to +x: the pedal turns counter-clockwise.
  const double turn = std::clamp(pad.value(), 0.0, limit_m_) / control_.pad_arm.value();
  const double px = h.pedal_x.value() * std::cos(turn) - h.pedal_y.value() * std::sin(turn);
  const double py = h.pedal_x.value() * std::sin(turn) + h.pedal_y.value() * std::cos(turn);
  const double bx = h.body_x.value();
  const double by = h.body_y.value();
  const double length = std::hypot(bx - px, by - py);
  if (length < 1e-6) return Torque{0.0};
  const double force = h.rate_n_m * std::max(0.0, length - h.free_length.value());
  return Torque{force * (px * (by - py) - py * (bx - px)) / length};
}

Force Kinematics::pad_force(Force rod_axial, Length pad) const {
  const double helped = helper_moment(pad).value() / control_.pad_arm.value();
  return control_.return_force +
         Force{(rod_axial.value() / ratio(pad) - helped) / control_.efficiency};
}

Force Kinematics::returning_pad_force(Force rod_axial, Length pad) const {
  const double helped = helper_moment(pad).value() / control_.pad_arm.value();
  return control_.return_force +
         Force{(rod_axial.value() / ratio(pad) - helped) * control_.efficiency};
}

Force Kinematics::rod_force(Force pad_force, Length pad) const {
  const double net = std::max(0.0, (pad_force - control_.return_force).value());
  const double helped = helper_moment(pad).value() / control_.pad_arm.value();
  return Force{std::max(0.0, net * control_.efficiency + helped) * ratio(pad)};
}

}  // namespace yoke
