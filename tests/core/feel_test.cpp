// The feel curve: inverses against GSL root finding on the plain equations, work balance, order of
// conditions, generated systems.
#include <gsl/gsl_errno.h>
#include <gsl/gsl_roots.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/rod.hpp"
#include "document/param/vehicle.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// The plain equations of car(), written out once more without the model's classes.
struct PlainPress {
  static double volume(double p) {
    const auto smooth = [](double u) {
      u = std::min(1.0, std::max(0.0, u));
      return 3 * u * u - 2 * u * u * u;
    };
    const double a_disc = kPi / 4 * 0.048 * 0.048;
    const double disc =
        a_disc * 0.0002 * smooth(p / 0.15e6) +
        a_disc / 2290e-6 * (110e-15 * p + 180e-15 * 1.5e6 * (1 - std::exp(-p / 1.5e6)));
    const double a_drum = kPi / 4 * 0.01905 * 0.01905;
    const double drum =
        2 * a_drum * 0.0006 * smooth((p - 0.25e6) / 0.25e6) + 50e-15 * 2 * a_drum / 570e-6 * p;
    const double psi = 6894.757293168361;
    const double hose_per_m =
        (p <= 1000 * psi ? 0.66e-6 * p / (1000 * psi)
                         : 0.66e-6 + 0.13e-6 * (p - 1000 * psi) / (500 * psi)) /
        0.3048 * 0.30;
    const double ro = 0.0047625 / 2;
    const double ri = ro - 0.00071;
    const double tube_per_m = kPi * ri * ri * p * (3 * (1 - 0.58) * ri * ri + 2 * 1.29 * ro * ro) /
                              (205e9 * (ro * ro - ri * ri));
    const double hose_m = 2 * 0.4 + 2 * 0.15;
    const double tube_m = 2 * 1.5 + 2 * 2.6;
    const double content = kPi * ri * ri * tube_m + kPi / 4 * 0.003175 * 0.003175 * hose_m +
                           2 * a_disc * 0.006 + 2 * 2 * a_drum * 0.006;
    return 2 * disc + 2 * drum + hose_per_m * hose_m + tube_per_m * tube_m + content * p / 1.7e9;
  }
  static double pad_force(double p) {
    const double area = kPi / 4 * 0.022225 * 0.022225;
    return 15 + (p * area / 0.95 + 45) / (6 * 0.95);
  }
  static double pad_travel(double p) {
    const double area = kPi / 4 * 0.022225 * 0.022225;
    return 6 * (0.00075 + 0.002 + volume(p) / area);
  }
  static double z(double p) {
    const double front = 2 * 2 * 0.38 * p * kPi / 4 * 0.048 * 0.048 * 0.98 * 0.101 / 0.298;
    const double rear =
        2 * std::max(0.0, p - 0.5e6) * kPi / 4 * 0.01905 * 0.01905 * 0.96 * 2.15 * 0.1143 / 0.298;
    return (front + rear) / (1260 * 9.80665);
  }
};

struct Goal {
  double (*f)(double);
  double value;
};

double gsl_root(double (*f)(double), double value, double lo, double hi) {
  gsl_set_error_handler_off();
  Goal goal{f, value};
  gsl_function g;
  g.function = [](double x, void* q) {
    const auto* goal_of = static_cast<const Goal*>(q);
    return goal_of->f(x) - goal_of->value;
  };
  g.params = &goal;
  gsl_root_fsolver* s = gsl_root_fsolver_alloc(gsl_root_fsolver_brent);
  gsl_root_fsolver_set(s, &g, lo, hi);
  for (int i = 0; i < 200; ++i) {
    gsl_root_fsolver_iterate(s);
    if (gsl_root_test_interval(gsl_root_fsolver_x_lower(s), gsl_root_fsolver_x_upper(s), 0,
                               1e-13) == GSL_SUCCESS)
      break;
  }
  const double root = gsl_root_fsolver_root(s);
  gsl_root_fsolver_free(s);
  return root;
}

}  // namespace

TEST_CASE("the model agrees with the plain equations and GSL's roots") {
  const auto m = FeelModel::make(car(), {});
  REQUIRE(m);
  for (const double p : {0.1e6, 0.4e6, 1.3e6, 3e6, 7e6}) {
    const FeelPoint f = m->at(p);
    CHECK(f.pad_force_n == Approx(PlainPress::pad_force(p)).epsilon(1e-9));
    CHECK(f.pad_travel_m == Approx(PlainPress::pad_travel(p)).epsilon(1e-9));
    CHECK(f.z == Approx(PlainPress::z(p)).epsilon(1e-9));
  }
  for (const double z : {0.1, 0.3, 0.6})
    CHECK(m->drive_for_z(z).value() ==
          Approx(gsl_root(PlainPress::z, z, 1e3, 1.9e7)).epsilon(1e-9));
  for (const double force : {60.0, 150.0, 400.0})
    CHECK(m->drive_for_force(force) ==
          Approx(gsl_root(PlainPress::pad_force, force, 0, 1.9e7)).epsilon(1e-9));
}

TEST_CASE("pad work equals the integral of p dV") {
  System s = car();
  s.control.efficiency = 1;
  s.control.return_force = Force{0.0};
  s.master.efficiency = 1;
  s.master.spring_force = Force{0.0};
  s.control.geometry = RodGeometry{Length{0.049}, Length{0.006}, Angle{-0.25}, Length{0.15}};
  const auto m = FeelModel::make(s, {});
  REQUIRE(m);
  double work = 0;
  double fluid = 0;
  constexpr int n = 20000;
  FeelPoint a = m->at(0);
  for (int i = 1; i <= n; ++i) {
    const FeelPoint b = m->at(6e6 * i / n);
    work += 0.5 * (a.pad_force_n + b.pad_force_n) * (b.pad_travel_m - a.pad_travel_m);
    fluid += 0.5 * (a.pressure_pa + b.pressure_pa) * (b.volume.total_m3() - a.volume.total_m3());
    a = b;
  }
  CHECK(work == Approx(fluid).epsilon(1e-4));
}

TEST_CASE("bore and ratio trade force for travel") {
  // 7/8 to 1 in: force x 1.306, travel x 0.766 for the same job (common practice, no source).
  System s = car();
  s.control.return_force = Force{0.0};
  s.master.spring_force = Force{0.0};
  const FeelPoint a = FeelModel::make(s, {})->at(4e6);
  s.master.bore = Length{0.0254};
  const FeelPoint b = FeelModel::make(s, {})->at(4e6);
  CHECK(b.pad_force_n / a.pad_force_n == Approx(1.306).margin(5e-4));
  const double lost = 6 * (0.00075 + 0.002);
  CHECK((b.pad_travel_m - lost) / (a.pad_travel_m - lost) == Approx(0.766).margin(5e-4));
}

TEST_CASE("generated systems: monotone, finite, budget adds up, failure never easier") {
  int lost_circuits = 0;
  for (unsigned seed = 0; seed < 3000; ++seed) {
    INFO("seed " << seed);
    const System s = random_system(seed);
    const auto m = FeelModel::make(s, {});
    REQUIRE(m);
    const FeelCurve c = m->curve(64);
    for (size_t i = 1; i < c.points.size(); ++i) {
      const FeelPoint& a = c.points[i - 1];
      const FeelPoint& b = c.points[i];
      REQUIRE(std::isfinite(b.pad_force_n));
      REQUIRE(std::isfinite(b.pad_travel_m));
      CHECK(b.pad_travel_m >= a.pad_travel_m - 1e-12);
      if (!s.control.geometry) CHECK(b.pad_force_n >= a.pad_force_n - 1e-9);
      CHECK(b.z >= a.z - 1e-9);
    }
    const TargetReport r = m->at_z(0.3);
    double sum = 0;
    for (const double layer : r.budget) {
      CHECK(layer >= -1e-12);
      sum += layer;
    }
    CHECK(sum == Approx(r.at.pad_travel_m).margin(1e-9));
    if (r.reached) CHECK(r.at.z == Approx(0.3).epsilon(1e-6));
    Condition dead;
    dead.assist_alive = false;
    const TargetReport d = FeelModel::make(s, dead)->at_z(0.3);
    // A servo in one line alone shifts the balance: the same stop is then another press.
    if (r.reached && d.reached && !s.servo) {
      CHECK(d.at.pad_travel_m >= r.at.pad_travel_m - 1e-9);
      // A weak booster's jump-in below its dead force may cost more than it gives at small loads.
      if (std::holds_alternative<NoAssist>(s.assist))
        CHECK(d.at.pad_force_n == Approx(r.at.pad_force_n));
    }
    for (const LostCircuit lost : {LostCircuit::primary, LostCircuit::secondary}) {
      Condition one;
      one.lost = lost;
      const auto f = FeelModel::make(s, one);
      if (!f) continue;
      ++lost_circuits;
      const TargetReport t = f->at_z(0.2);
      const TargetReport sound = m->at_z(0.2);
      if (t.reached && sound.reached) {
        // A balance bar hands its whole force on, and its two lines differ in pressure anyway.
        if (s.master.kind != MasterKind::dual)
          CHECK(t.at.pressure_pa >= sound.at.pressure_pa * (1 - 1e-6));
        if (s.master.kind != MasterKind::dual) CHECK(t.at.pad_travel_m >= sound.at.pad_travel_m);
      }
      // Of a bar the drive counts force: the line itself stays below the limit.
      if (s.master.kind != MasterKind::dual)
        CHECK(f->end_drive() <= m->end_drive() * 1.2001 + 20e6);
      CHECK(f->at(f->end_drive()).pressure_pa <= kPressureLimit_pa * (1 + 1e-6));
    }
  }
  CHECK(lost_circuits > 2500);
}

TEST_CASE("unit scaling: a system twice the size takes four times the force at the same pressure") {
  System s = car();
  s.control.return_force = Force{0.0};
  s.master.spring_force = Force{0.0};
  const double f1 = FeelModel::make(s, {})->at(3e6).pad_force_n;
  s.control.pad_arm *= 2;
  s.control.pin_arm *= 2;
  s.master.bore *= 2;
  CHECK(FeelModel::make(s, {})->at(3e6).pad_force_n == Approx(4 * f1));
}

TEST_CASE("stops: the first one is named") {
  System s = car();
  s.control.pad_stop = Length{0.03};
  CHECK(FeelModel::make(s, {})->stop() == Stop::pad_stop);
  s = car();
  s.control.pad_stop = Length{0.3};
  s.master.stroke1 = Length{0.004};
  CHECK(FeelModel::make(s, {})->stop() == Stop::primary_stroke);
  s.master.stroke1 = Length{0.018};
  s.master.stroke2 = Length{0.002};
  CHECK(FeelModel::make(s, {})->stop() == Stop::secondary_stroke);
  s.master.stroke2 = Length{0.017};
  s.booster_stroke = Length{0.006};
  CHECK(FeelModel::make(s, {})->stop() == Stop::booster_stroke);
  s.booster_stroke.reset();
  s.vehicle->mass = Mass{300};
  const auto light = FeelModel::make(s, {});
  CHECK(light->stop() == Stop::locked);
  // It ends at 1.2 times the pressure that locks every braked axle.
  CHECK(light->at(light->end_drive() / 1.21).lock != Lock::both);
  CHECK(light->at(light->end_drive() / 1.19).lock == Lock::both);
  s.vehicle.reset();
  s.control.pad_stop = Length{0.4};
  s.strokes_known = false;
  CHECK(FeelModel::make(s, {})->stop() == Stop::pressure_limit);
  s.control.geometry = RodGeometry{Length{0.05}, Length{0.0}, Angle{0.9}, Length{0.12}};
  CHECK(FeelModel::make(s, {})->stop() == Stop::geometry);
}

TEST_CASE("available travel: the first of pad stop, master and booster, reserve counts from it") {
  System s = car();
  s.control.pad_stop = Length{0.5};
  const double before = 0.00075;
  const auto master = FeelModel::make(s, {});
  CHECK(master->available_m() == Approx(6 * (before + 0.018 + 0.017)));
  s.control.pad_stop = Length{0.16};
  CHECK(FeelModel::make(s, {})->available_m() == Approx(0.16));
  s.control.pad_stop = Length{0.5};
  s.booster_stroke = Length{0.020};
  CHECK(FeelModel::make(s, {})->available_m() == Approx(6 * (before + 0.020)));
  s.booster_stroke.reset();
  s.strokes_known = false;
  CHECK(FeelModel::make(s, {})->available_m() == Approx(0.5));
  const TargetReport r = master->at_z(0.4);
  CHECK(r.reserve_m == Approx(master->available_m() - r.at.pad_travel_m));
  CHECK(r.reserve_share == Approx(r.reserve_m / master->available_m()));
  CHECK(r.left1_m == Approx(0.018 - r.at.piston1_m));
  CHECK(r.left2_m == Approx(0.017 - r.at.piston2_m));
  // Stiffness is the slope of the curve.
  const FeelPoint a = master->at(r.at.pressure_pa * 0.999);
  const FeelPoint b = master->at(r.at.pressure_pa * 1.001);
  CHECK(r.stiffness_n_m ==
        Approx((b.pad_force_n - a.pad_force_n) / (b.pad_travel_m - a.pad_travel_m)).epsilon(1e-3));
}

TEST_CASE("the curve begins with its free part and is read between its points") {
  const auto m = FeelModel::make(car(), {});
  const FeelCurve c = m->curve(64);
  CHECK(c.points[0].pad_travel_m == 0);
  CHECK(c.points[0].pad_force_n == Approx(15));  // the return spring alone
  CHECK(c.points[1].pad_travel_m == Approx(6 * 0.00075));
  CHECK(c.points[1].pad_force_n == Approx(15));
  CHECK(c.points[2].pad_force_n == Approx(15 + 45 / (6 * 0.95)));  // the master's own spring
  CHECK(c.points[3].pad_travel_m == Approx(6 * (0.00075 + 0.002)));
  CHECK(c.points[3].pressure_pa == 0);
  const FeelPoint& a = c.points[20];
  const FeelPoint& b = c.points[21];
  const FeelPoint half = point_at_travel(c, (a.pad_travel_m + b.pad_travel_m) / 2);
  CHECK(half.pad_force_n == Approx((a.pad_force_n + b.pad_force_n) / 2));
  CHECK(half.pressure_pa == Approx((a.pressure_pa + b.pressure_pa) / 2));
  CHECK(point_at_travel(c, -1).pad_travel_m == 0);
  CHECK(point_at_travel(c, 9).pad_travel_m == c.points.back().pad_travel_m);
  CHECK(point_at_travel({}, 0.1).pad_force_n == 0);
  const TargetReport high = m->at_pressure(9e7);
  CHECK_FALSE(high.reached);
  CHECK(high.at.pressure_pa == Approx(m->end_drive()));
  CHECK(m->at_pressure(1e6).reached);
}

TEST_CASE("what cannot be is an error value") {
  System s = car();
  s.wheels.reset();
  CHECK(FeelModel::make(s, {}).error().field == "front.kind");
  s = car();
  s.master.kind = MasterKind::single;
  for (auto& w : *s.wheels) w.outlet = Outlet::primary;
  Condition lost;
  lost.lost = LostCircuit::primary;
  CHECK(english(FeelModel::make(s, lost).error().reason).find("no brake is left") !=
        std::string::npos);
  s = car();
  s.strokes_known = false;
  CHECK(FeelModel::make(s, lost).error().field == "master.stroke1");
}

TEST_CASE("conditions are judged, and unknown is not zero") {
  const Job job = known_job();
  const auto strip = foot_strip(job, 32);
  REQUIRE(strip.size() == 7);
  CHECK(english(strip[3].title) == "front lost");
  CHECK(english(strip[4].title) == "rear lost");
  CHECK(strip[1].target->at.z == Approx(0.6));
  CHECK(strip[6].target->at.pad_travel_m > strip[1].target->at.pad_travel_m + 0.01);
  CHECK(strip[5].target->at.pad_force_n > strip[1].target->at.pad_force_n);
  // 1 cm3 of air, ratio 6, 7/8 in: about 14.9 mm at 400 psi, a little more at the higher pressure.
  const double added = strip[6].target->at.pad_travel_m - strip[1].target->at.pad_travel_m;
  CHECK(added == Approx(0.0149).margin(0.0006));

  Job unknown = job;
  unknown.found.clear(param::front_piston);
  const auto partial = condition_report(unknown, ConditionId::plan);
  CHECK(partial.verdict == Verdict::cannot_say);
  CHECK_FALSE(partial.target);
  REQUIRE(partial.effort_only_n);
  CHECK(english(partial.reason).find("front caliper piston") != std::string::npos);
  unknown.found.clear(param::master_bore);
  const auto nothing = condition_report(unknown, ConditionId::plan);
  CHECK_FALSE(nothing.effort_only_n);
  CHECK(english(nothing.reason).find("bore of the master") != std::string::npos);
  Job no_car = job;
  no_car.found.clear(param::vehicle_mass);
  const auto by_pressure = condition_report(no_car, ConditionId::plan);
  REQUIRE(by_pressure.target);
  CHECK(by_pressure.by_pressure);
  CHECK(by_pressure.target->at.pressure_pa == Approx(2757903));
}

TEST_CASE("a plan inherits what was found, except the dimensions of a unit") {
  Job job = known_job();
  CHECK(value_of(job, As::plan, param::master_bore).inherited);
  job.found.set(param::rod_snout, measured(param::rod_snout, 0.014, How::calliper));
  CHECK_FALSE(value_of(job, As::plan, param::rod_snout).known());
  job.plan.set(param::master_bore, Measured{});
  CHECK_FALSE(value_of(job, As::plan, param::master_bore).known());
  job.built.set(param::master_bore, measured(param::master_bore, 0.0254, How::calliper));
  CHECK(value_of(job, As::plan, param::master_bore).as_built);
  CHECK(value_of(job, As::found, param::master_bore).si == Approx(0.022225));
  CHECK(value_of(Job{}, As::found, param::control_pad_stop).origin == Origin::typical);
}
