// Levers: intermediate levers, helper springs, hand levers, generated geometries.
#include <gsl/gsl_deriv.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/linkage.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "figures/figures.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

Control geared() {
  Control c;
  c.pad_arm = Length{0.300};
  c.pin_arm = Length{0.060};
  c.geometry = RodGeometry{Length{0.058}, Length{0.004}, Angle{-0.2}, Length{0.150}};
  return c;
}

double rod_of(double pad_m, void* k) {
  return static_cast<const Kinematics*>(k)->rod_travel(Length{pad_m}).value();
}

HelperSpring over_centre() {
  HelperSpring h;
  h.rate_n_m = 8000;
  h.free_length = Length{0.060};
  h.body_x = Length{0.02};
  h.body_y = Length{0.09};
  h.pedal_x = Length{-0.015};
  h.pedal_y = Length{0.02};
  return h;
}

}  // namespace

TEST_CASE("generated levers: inverses invert, the ratio is the slope by GSL's derivative") {
  int made = 0;
  for (unsigned seed = 0; seed < 2500; ++seed) {
    System s = random_system(seed);
    if (seed % 3 == 0) s.control.mid = MidLever{Length{0.08}, Length{0.05 + 0.0001 * (seed % 400)}};
    const auto k = Kinematics::make(s.control);
    if (!k) {
      CHECK_FALSE(k.error().reason.empty());
      continue;
    }
    ++made;
    const double limit = k->limit().value();
    double before = -1;
    for (int i = 1; i < 9; ++i) {
      const double pad = limit * i / 9;
      const double rod = k->rod_travel(Length{pad}).value();
      CHECK(rod > before);
      before = rod;
      const auto back = k->pad_travel(Length{rod});
      REQUIRE(back);
      CHECK(back->value() == Approx(pad).margin(2e-10));
      const PadState both = k->pad_state(Length{rod});
      CHECK(both.pad_m == Approx(back->value()).margin(1.5e-9));
      CHECK(both.ratio == Approx(k->ratio(Length{pad})).epsilon(1e-5));
      const Force rod_n{900.0};
      const Force foot = k->pad_force(rod_n, Length{pad});
      CHECK(k->rod_force(foot, Length{pad}).value() == Approx(900).epsilon(1e-9));
    }
    CHECK_FALSE(k->pad_travel(k->rod_limit() * 1.01));
    if (seed % 10 != 0) continue;
    gsl_function f{rod_of, const_cast<Kinematics*>(&*k)};
    double slope = 0;
    double error = 0;
    gsl_deriv_central(&f, limit / 2, 1e-4, &slope, &error);
    CHECK(k->ratio(Length{limit / 2}) == Approx(1 / slope).epsilon(1e-6));
  }
  CHECK(made > 2000);
}

TEST_CASE("an intermediate lever multiplies by its own arms") {
  Control c;
  c.pad_arm = Length{0.300};
  c.pin_arm = Length{0.060};
  CHECK(Kinematics::make(c)->ratio(Length{0.0}) == Approx(5));
  c.mid = MidLever{Length{0.090}, Length{0.060}};
  const auto k = Kinematics::make(c);
  CHECK(k->ratio(Length{0.0}) == Approx(7.5));
  CHECK(k->rod_travel(Length{0.075}).value() == Approx(0.010));
  CHECK_FALSE(k->rod_angle(Length{0.0}));
  c.mid->output = Length{0.0};
  CHECK(Kinematics::make(c).error().field == "control.mid_in");
  // The job's own arms: a ratio is never a number by itself.
  Job job = known_job();
  job.found.set(param::control_mid, {1, How::stated, 0, {}});
  CHECK_FALSE(arm_ratio(job, As::found));
  job.found.set(param::control_mid_in, {0.09, How::stated, 0, {}});
  job.found.set(param::control_mid_out, {0.06, How::stated, 0, {}});
  CHECK(*arm_ratio(job, As::found) == Approx(9));
  const auto plain = condition_report(known_job(), ConditionId::plan);
  const auto geared_up = condition_report(job, ConditionId::plan);
  CHECK(geared_up.target->at.pad_force_n < plain.target->at.pad_force_n);
  CHECK(geared_up.target->at.pad_travel_m > plain.target->at.pad_travel_m);
}

TEST_CASE("helper spring: the work it does is the energy it gives back") {
  Control c = geared();
  c.efficiency = 1;
  c.return_force = Force{0.0};
  c.helper = over_centre();
  const auto k = Kinematics::make(c);
  REQUIRE(k);
  const HelperSpring& h = *c.helper;
  const auto energy = [&](double pad) {
    const double t = pad / c.pad_arm.value();
    const double px = h.pedal_x.value() * std::cos(t) - h.pedal_y.value() * std::sin(t);
    const double py = h.pedal_x.value() * std::sin(t) + h.pedal_y.value() * std::cos(t);
    const double stretch = std::max(
        0.0, std::hypot(h.body_x.value() - px, h.body_y.value() - py) - h.free_length.value());
    return 0.5 * h.rate_n_m * stretch * stretch;
  };
  const double end = k->limit().value();
  double work = 0;
  constexpr int n = 4000;
  for (int i = 0; i < n; ++i)
    work += k->pad_force(Force{0.0}, Length{end * (i + 0.5) / n}).value() * end / n;
  CHECK(work == Approx(energy(end) - energy(0)).epsilon(1e-5));
  // With it the foot pushes less where it helps, and a strong one holds the pedal down.
  const auto bare = Kinematics::make(geared());
  for (const double s : {0.02, 0.06, 0.1}) {
    const double helped = k->helper_moment(Length{s}).value() / c.pad_arm.value();
    const double with = k->pad_force(Force{500.0}, Length{s}).value();
    CHECK(with == Approx(500 / bare->ratio(Length{s}) - helped));
  }
  Job job = known_job();
  const auto set = [&job](Param p, double v) { job.found.set(p, {v, How::stated, 0, {}}); };
  set(param::control_helper, 1);
  CHECK(english(condition_report(job, ConditionId::plan).reason).find("helper spring rate") !=
        std::string::npos);
  set(param::control_helper_rate, 60000);
  set(param::control_helper_free, 0.020);
  set(param::control_helper_body_x, 0.15);
  set(param::control_helper_body_y, 0.0);
  set(param::control_helper_arm_x, 0.0);
  set(param::control_helper_arm_y, -0.08);
  const auto g = figure_group(job, "control");
  REQUIRE(g);
  const auto stays = std::find_if(g->figures.begin(), g->figures.end(), [](const Figure& f) {
    return english(f.words) == "Least force that lifts the pedal";
  });
  REQUIRE(stays != g->figures.end());
  CHECK(stays->verdict == Verdict::fails);
  CHECK(english(condition_report(job, ConditionId::plan).reason) == "the pedal would stay down");
}

TEST_CASE("a hand lever brings its own typical figures (common practice, no source)") {
  Job job = known_job();
  CHECK(value_of(job, As::plan, param::control_return_force).si == 15);
  job.found.set(param::control_kind, {1, How::stated, 0, {}});
  CHECK(value_of(job, As::plan, param::control_return_force).si == 4);
  CHECK(value_of(job, As::plan, param::control_pad_stop).si == 0.065);
  CHECK(value_of(job, As::plan, param::master_spring_force).si == 20);
  CHECK(value_of(job, As::plan, param::limit_effort).si == 120);
  job.found.set(param::control_return_force, {6, How::stated, 0, {}});
  CHECK(value_of(job, As::plan, param::control_return_force).si == 6);
  job.found.set(param::control_kind, {0, How::stated, 0, {}});
  job.found.set(param::control_use, {1, How::stated, 0, {}});
  CHECK(value_of(job, As::plan, param::master_spring_force).si == 30);
  CHECK(value_of(job, As::plan, param::limit_effort).si == 150);
  job.found.clear(param::master_stroke1);
  CHECK(value_of(job, As::plan, param::master_stroke1).si == Approx(0.0315));
}

TEST_CASE("arms taken for each other are refused with their range, an intermediate lever is not") {
  Control c;
  c.pad_arm = Length{0.060};
  c.pin_arm = Length{0.290};
  const auto k = Kinematics::make(c);
  REQUIRE_FALSE(k);
  CHECK(k.error().field == "control.pin_arm");
  CHECK(english(k.error().range).find("60.0 mm") != std::string::npos);
  c.pin_arm = Length{0.060};
  CHECK(Kinematics::make(c));
  c.pin_arm = Length{0.290};
  c.mid = MidLever{Length{0.200}, Length{0.040}};
  CHECK(Kinematics::make(c));
}
