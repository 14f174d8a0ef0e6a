// Pedal, assist, master, circuits, vehicle: each against facts outside the project.
#include <gsl/gsl_integration.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <cstdio>

#include "feel/knee.hpp"
#include "support/build.hpp"
#include "support/gnu_units.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {
constexpr double kLbf = 4.4482216152605;
constexpr double kPsi = 6894.757293168361;
constexpr double kDeg = kPi / 180;
}  // namespace

TEST_CASE("areas and bore steps (common practice, no source)") {
  const auto in2 = [](double inch) {
    return circle_area(Length{inch * 0.0254}).value() / (0.0254 * 0.0254);
  };
  CHECK(in2(1.0) == Approx(0.785).margin(5e-4));
  CHECK(in2(1.125) == Approx(0.994).margin(5e-4));
  const auto step = [](double a, double b) {
    return (circle_area(Length{b}).value() / circle_area(Length{a}).value() - 1) * 100;
  };
  CHECK(step(0.016, 0.017) == Approx(12.9).margin(0.05));
  CHECK(step(0.017, 0.018) == Approx(12.1).margin(0.05));
  CHECK(step(0.018, 0.019) == Approx(11.4).margin(0.05));
  CHECK(step(0.019, 0.020) == Approx(10.8).margin(0.05));
  CHECK(step(0.01905, 0.018) == Approx(-10.7).margin(0.05));
}

TEST_CASE("the worked pedal: 13 over 2 inches, 400 psi (common practice, no source)") {
  Control c;
  c.pad_arm = Length{13 * 0.0254};
  c.pin_arm = Length{2 * 0.0254};
  c.return_force = Force{0.0};
  c.efficiency = 1.0;
  Master m;
  m.efficiency = 1.0;
  m.spring_force = Force{0.0};
  const Pressure p{400 * kPsi};
  m.bore = Length{0.0254};
  CHECK(piston_force(m, p).value() / kLbf == Approx(314).margin(0.5));
  CHECK(effort_at_pressure(c, NoAssist{}, m, p, true)->value() / kLbf == Approx(48).margin(0.5));
  m.bore = Length{0.0254 * 1.125};
  CHECK(piston_force(m, p).value() / kLbf == Approx(397.5).margin(0.6));
  const double large = effort_at_pressure(c, NoAssist{}, m, p, true)->value() / kLbf;
  CHECK(large == Approx(61).margin(0.5));
  c.pin_arm = Length{(2 - 0.125) * 0.0254};
  CHECK(effort_at_pressure(c, NoAssist{}, m, p, true)->value() / kLbf == Approx(57).margin(0.5));
  c.pin_arm = Length{(2 + 0.125) * 0.0254};
  CHECK(effort_at_pressure(c, NoAssist{}, m, p, true)->value() / kLbf == Approx(65).margin(0.5));
}

TEST_CASE("offset and rod angle (common practice, no source)") {
  const auto angle = [](double offset_in, double rod_in) {
    Control c;
    c.pad_arm = Length{0.3};
    c.pin_arm = Length{0.05};
    c.geometry =
        RodGeometry{Length{0.05}, Length{offset_in * 0.0254}, Angle{0.0}, Length{rod_in * 0.0254}};
    return Kinematics::make(c)->rod_angle(Length{0.0})->value() / kDeg;
  };
  // The table counts the offset against the rod's run along the bore, so sine against tangent: the
  // half-inch entries agree to a tenth, the 2 in ones are the tangent's.
  CHECK(angle(0.5, 5) == Approx(5.7).margin(0.05));
  CHECK(angle(0.5, 8) == Approx(3.6).margin(0.05));
  const double sine = 2.0 / 5.0;
  CHECK(angle(2, 5) == Approx(std::asin(sine) / kDeg).margin(1e-9));
  CHECK(std::atan(2.0 / 5.0) / kDeg == Approx(21.8).margin(0.05));
  CHECK(std::atan(2.0 / 8.0) / kDeg == Approx(14.0).margin(0.05));
}

TEST_CASE("kinematics: the ratio is the slope, the inverse inverts, limits are named") {
  for (unsigned seed = 0; seed < 300; ++seed) {
    const System s = random_system(seed);
    const auto k = Kinematics::make(s.control);
    REQUIRE(k);
    for (int i = 1; i < 8; ++i) {
      const double pad = k->limit().value() * i / 9;
      const double x = k->rod_travel(Length{pad}).value();
      CHECK(k->pad_travel(Length{x})->value() == Approx(pad).margin(1e-9));
      const double h = 1e-6;
      const double slope =
          (k->rod_travel(Length{pad + h}).value() - k->rod_travel(Length{pad - h}).value()) /
          (2 * h);
      CHECK(1 / slope == Approx(k->ratio(Length{pad})).epsilon(1e-5));
      const Force f = k->pad_force(Force{500.0}, Length{pad});
      CHECK(k->rod_force(f, Length{pad}).value() == Approx(500.0).epsilon(1e-9));
    }
    CHECK_FALSE(k->pad_travel(k->rod_travel(k->limit()) + Length{0.001}));
  }
  Control c;
  c.pad_arm = Length{0.3};
  c.pin_arm = Length{0.05};
  c.geometry = RodGeometry{Length{0.05}, Length{0.06}, Angle{0.0}, Length{0.05}};
  const auto shorter = Kinematics::make(c);
  REQUIRE_FALSE(shorter);
  CHECK(shorter.error().field == "control.rod_length");
  c.pin_arm = Length{0.0};
  CHECK(Kinematics::make(c).error().field == "control.pin_arm");
}

TEST_CASE("diaphragms (common practice, no source)") {
  // Gross areas: the rolling lip is left out by undoing its factor 0.90.
  const double gross_in2 = effective_diaphragm(Length{7 * 0.0254}, Length{7 * 0.0254}).value() /
                           0.81 / (0.0254 * 0.0254);
  CHECK(gross_in2 == Approx(77.0).margin(0.05));
  CHECK(std::sqrt(gross_in2 * 4 / kPi) == Approx(9.9).margin(0.05));
  const double in_hg_psi = 3386.389 / kPsi;
  CHECK(gross_in2 * 20 * in_hg_psi == Approx(756).margin(1));
  CHECK(gross_in2 * 14 * in_hg_psi == Approx(529).margin(1));
  CHECK(gross_in2 * 8 * in_hg_psi == Approx(302).margin(1));
}

TEST_CASE("assist maps invert exactly and never fall") {
  for (unsigned seed = 0; seed < 400; ++seed) {
    const Assist a = random_system(seed).assist;
    double last = -1;
    for (double f = 0; f < 3000; f += 37) {
      const double out = assist_output(a, Force{f}).value();
      CHECK(out >= last);
      last = out;
      const double back = assist_input(a, Force{out}).value();
      CHECK(back <= f + 1e-6);
      // The jump is passed by the smallest input that gives at least the output.
      CHECK(assist_output(a, Force{back + 1e-9}).value() >= out - 1e-6);
      CHECK(dead_output(a, dead_input(a, Force{f})).value() == Approx(f).margin(1e-9));
    }
  }
  Booster b = booster(0);
  for (double f = 0; f < 1000; f += 50)
    CHECK(assist_output(b, Force{f}).value() <= dead_output(b, Force{f}).value() + 1e-9);
  const double run_out = run_out_input(booster()).value();
  const double before = assist_output(booster(), Force{run_out - 1}).value();
  const double after = assist_output(booster(), Force{run_out + 1}).value();
  CHECK(after - before == Approx(1 + booster().gain).epsilon(1e-6));
  b.cut_in = Force{150.0};
  CHECK(check_assist(b).error().field == "assist.cut_in");
}

TEST_CASE("standard atmosphere against GNU units") {
  // U.S. Standard Atmosphere 1976 by GNU units' stdatmP (general reference program).
  for (const int h : {0, 350, 1500, 3000}) {
    CHECK(ambient_pressure(h)->value() ==
          Approx(gnu_units("stdatmP(" + std::to_string(h) + " m)", "Pa")).epsilon(3e-4));
  }
  CHECK_FALSE(ambient_pressure(20000));
  // 19 inHg read at sea level leaves less at 1500 m: the manifold's absolute pressure is carried.
  const auto high = vacuum_difference(Pressure{65000.0}, 0, 1500);
  CHECK(high->value() == Approx(65000 - (101325 - ambient_pressure(1500)->value())).epsilon(1e-9));
  CHECK_FALSE(vacuum_difference(Pressure{102000.0}, 0, 0));
}

TEST_CASE("master: dead strokes of sound and failed circuits") {
  Master m = car().master;
  CHECK(lost_stroke(m).value() == Approx(0.002));
  CHECK(dead_stroke(m, LostCircuit::primary)->value() == Approx(0.018 + 0.001));
  CHECK(dead_stroke(m, LostCircuit::secondary)->value() == Approx(0.017 + 0.001));
  m.springs = Springs::primary_caged;
  CHECK(lost_stroke(m).value() == Approx(0.001));
  CHECK(dead_stroke(m, LostCircuit::secondary)->value() == Approx(0.017));
  m.kind = MasterKind::single;
  CHECK_FALSE(dead_stroke(m, LostCircuit::primary));
  for (double p = 0; p < 1e7; p += 3e5)
    CHECK(master_pressure(m, piston_force(m, Pressure{p})).value() == Approx(p).margin(1e-3));
  // 3/8 in at the piston is 2.25 in of pad at 6:1 (common practice, no source).
  Control c = car().control;
  CHECK(Kinematics::make(c)->pad_travel(Length{0.375 * 0.0254})->value() / 0.0254 ==
        Approx(2.25).epsilon(1e-9));
}

TEST_CASE("trapped air (common practice, no source, Boyle by GSL quadrature)") {
  const double p = 400 * kPsi;
  const double given = air_volume_m3(1e-6, p);
  CHECK(given / 1e-6 == Approx(0.965).margin(5e-4));
  const auto pad_mm = [&](double bore_in, double ratio) {
    return given / circle_area(Length{bore_in * 0.0254}).value() * ratio * 1e3;
  };
  CHECK(pad_mm(0.875, 6) == Approx(14.9).margin(0.05));
  CHECK(pad_mm(1.0, 6) == Approx(11.4).margin(0.05));
  CHECK(pad_mm(1.125, 6.5) == Approx(9.8).margin(0.05));
  // A fast press is nearly adiabatic: (p0/(p0+p))^(1/1.4), the air gives up less.
  CHECK(air_volume_m3(1e-6, p, 101325, 1.4) * 1e6 ==
        Approx(1 - std::pow(101325 / (101325 + p), 1 / 1.4)));
  CHECK(air_volume_m3(1e-6, p, 101325, 1.4) < given);
  // Isothermal: dV/dp = p0 V0 / (p0 + p)^2, integrated by GSL.
  gsl_function f;
  f.function = [](double x, void*) { return 101325.0 * 1e-6 / std::pow(101325.0 + x, 2); };
  f.params = nullptr;
  double result = 0;
  double error = 0;
  size_t n = 0;
  gsl_integration_qng(&f, 0, p, 0, 1e-9, &result, &error, &n);
  CHECK(given == Approx(result).epsilon(1e-6));
}

TEST_CASE("thick tube against GSL quadrature of Lamé's displacement") {
  // Closed ends: hoop strain at the bore (Lamé, in Timoshenko, Strength of Materials, from memory):
  // u/ri = p/E [ (1-2nu) ri^2 + (1+nu) ro^2 ] / (ro^2 - ri^2); axial strain p ri^2 (1-2nu)/(E
  // (ro^2-ri^2)).
  const Tube t{Length{2.0}, Length{0.0047625}, Length{0.00071}, TubeMaterial::steel};
  const double ro = 0.0047625 / 2;
  const double ri = ro - 0.00071;
  const double p = 1e7;
  const double e = 205e9;
  const double nu = 0.29;
  const double hoop = p / e * ((1 - 2 * nu) * ri * ri + (1 + nu) * ro * ro) / (ro * ro - ri * ri);
  const double axial = p * ri * ri * (1 - 2 * nu) / (e * (ro * ro - ri * ri));
  const double volume = kPi * ri * ri * 2.0;
  CHECK(tube_volume_m3(t, p) == Approx(volume * (2 * hoop + axial)).epsilon(1e-9));
  // A bore of about 3 mm (common practice, no source).
  CHECK(std::sqrt(tube_content(t).value() / 2.0 * 4 / kPi) * 1e3 == Approx(3.3).margin(0.1));
}

TEST_CASE("hose limits of 49 CFR 571.106, from memory") {
  Hose h{Length{0.3048}, HoseKind::rubber_aged};
  CHECK(hose_volume_m3(h, 1000 * kPsi) * 1e6 == Approx(0.66).epsilon(1e-6));
  CHECK(hose_volume_m3(h, 1500 * kPsi) * 1e6 == Approx(0.79).epsilon(1e-6));
  CHECK(hose_volume_m3(h, 2000 * kPsi) * 1e6 == Approx(0.92).epsilon(1e-6));
  h.kind = HoseKind::rubber_new;
  CHECK(hose_volume_m3(h, 1000 * kPsi) * 1e6 == Approx(0.198).epsilon(1e-6));
}

TEST_CASE("volumes are zero at rest and never fall") {
  const Disc d = std::get<Disc>(disc_wheel().brake);
  const Drum r = std::get<Drum>(drum_wheel().brake);
  CHECK(disc_volume(d, 0).total_m3() == 0);
  CHECK(drum_volume(r, 0).total_m3() == 0);
  double last_disc = 0;
  double last_drum = 0;
  for (double p = 0; p < 1.5e7; p += 2e4) {
    CHECK(disc_volume(d, p).total_m3() >= last_disc);
    CHECK(drum_volume(r, p).total_m3() >= last_drum);
    last_disc = disc_volume(d, p).total_m3();
    last_drum = drum_volume(r, p).total_m3();
  }
  CHECK(bulk_modulus_pa({false, 20}) == Approx(1.7e9));
  CHECK(bulk_modulus_pa({false, 120}) == Approx(1.7e9 * std::exp(-0.5)));
  CHECK(bulk_modulus_pa({true, -10}) == Approx(1.0e9));
  CHECK(proportioned_pa({Pressure{2e6}, 0.4}, 1e6) == 1e6);
  CHECK(proportioned_pa({Pressure{2e6}, 0.4}, 3e6) == Approx(2.4e6));
}

TEST_CASE("stopping distances of 49 CFR 571.135 and ECE R78, from memory") {
  // s = 0.1 v + 0.0060 v^2 at 100 km/h is 70 m; its mean 6.43 m/s2 gives the second term.
  const double v = 100.0;
  CHECK(0.1 * v + 0.0060 * v * v == Approx(70.0));
  CHECK(0.1 * v + 0.0158 * v * v == Approx(168.0));
  const auto braking_part = [](double z) {
    return stopping_distance(Speed{100 / 3.6}, z, Time{0.0}).value();
  };
  CHECK(braking_part(6.43 / kGravity_m_s2) == Approx(0.0060 * v * v).epsilon(0.005));
  CHECK(braking_part(2.44 / kGravity_m_s2) == Approx(0.0158 * v * v).epsilon(0.005));
  CHECK(braking_part(4.4 / kGravity_m_s2) == Approx(0.0087 * v * v).epsilon(0.01));
  CHECK(braking_part(2.9 / kGravity_m_s2) == Approx(0.0133 * v * v).epsilon(0.01));
  CHECK(stopping_distance(Speed{10.0}, 0.5, Time{1.0}).value() == Approx(10 + 100 / kGravity_m_s2));
}

TEST_CASE("exactly one lock state agrees with its own loads") {
  for (unsigned seed = 0; seed < 3000; ++seed) {
    std::mt19937 rng(seed);
    const auto u = [&rng](double lo, double hi) {
      return std::uniform_real_distribution<double>(lo, hi)(rng);
    };
    const Vehicle v{Mass{1000.0}, Length{u(2, 3)}, Length{u(0.3, 0.9)}, u(0.4, 0.65), u(0.3, 1.1)};
    const AxleBraking f{u(0, 1), 1};
    const AxleBraking r{u(0, 1), 1};
    const Braking b = braking(v, f, r);
    const double h = v.cg_height / v.wheelbase;
    CHECK(b.z <= v.tyre_mu + 1e-9);
    CHECK(b.z <= f.b + r.b + 1e-9);
    if (b.rear_lifts) continue;
    const double front = std::min(f.b, v.tyre_mu * (v.front_share + b.z * h));
    const double rear = std::min(r.b, v.tyre_mu * (1 - v.front_share - b.z * h));
    CHECK(b.z == Approx(front + rear).margin(1e-9));
  }
  const Vehicle tall{Mass{200.0}, Length{1.4}, Length{0.7}, 0.5, 1.3};
  CHECK(braking(tall, {2, 1}, {0, 0}).rear_lifts);
  CHECK(lift_limit(tall) == Approx(1.0));
  CHECK(check_vehicle({Mass{0.0}, Length{2.0}, Length{0.5}, 0.5, 0.9}).error().field ==
        "vehicle.mass");
}

namespace {

/// The grip, of those a tyre may have, on which the rear locks first; 0: on none.
double rear_first_on(System s, double knee_pa, double slope) {
  s.rear_valve = Proportioning{Pressure{knee_pa}, slope};
  for (double grip = 0.3; grip < 0.9001; grip += 0.02) {
    s.vehicle->tyre_mu = grip;
    const auto m = FeelModel::make(s, {});
    const auto lock = m->first_lock_drive();
    if (lock && m->at(*lock * (1 + 1e-6)).lock == Lock::rear) return grip;
  }
  return 0;
}

}  // namespace

TEST_CASE("the highest knee keeps the rear from locking first, on any tyre, with shoes or discs") {
  for (const bool shoes : {false, true}) {
    System s = car();
    s.control.pad_stop = Length{0.4};
    s.strokes_known = false;
    for (WheelBrake& w : *s.wheels)
      if (w.rear) {
        Drum d;
        d.cylinder_area = circle_area(Length{0.0190});
        d.radius = Length{0.125};
        d.factor = 2.15;
        Disc large;
        large.side_area = circle_area(Length{0.040});
        large.effective_radius = Length{0.12};
        if (shoes)
          w.brake = d;
        else
          w.brake = large;
      }
    const auto knee = highest_rear_knee(s, 0.35);
    INFO((shoes ? "shoes" : "discs"));
    REQUIRE(knee);
    REQUIRE(knee->highest);
    const double pa = knee->highest->value();
    REQUIRE(pa > 0);
    CHECK(rear_first_on(s, pa, 0.35) == 0);
    // No needless caution either: 3 % more and some tyre lets the rear lock first.
    CHECK(rear_first_on(s, pa * 1.03 + 2e4, 0.35) > 0);
  }
  System s = car();
  s.vehicle.reset();
  CHECK_FALSE(highest_rear_knee(s, 0.35));
}

TEST_CASE("take-up step: continuous force, less stroke, plain bore when the primary is lost") {
  Master m = car().master;
  m.kind = MasterKind::fast_fill;
  m.step_bore = Length{0.030};
  m.crack = Pressure{6e5};
  const double a = bore_area(m).value();
  const double q = step_area(m).value();
  CHECK(piston_force(m, Pressure{3e5}).value() == Approx(3e5 * q / 0.95 + 45));
  CHECK(piston_force(m, Pressure{6e5 + 1}).value() ==
        Approx(piston_force(m, Pressure{6e5 - 1}).value()).epsilon(1e-4));
  CHECK(piston_force(m, Pressure{3e6}).value() == Approx((3e6 * a + 6e5 * (q - a)) / 0.95 + 45));
  for (double p = 0; p < 1e7; p += 2.3e5)
    CHECK(master_pressure(m, piston_force(m, Pressure{p})).value() == Approx(p).margin(1e-3));
  CHECK(volume_stroke(m, LostCircuit::none, Volume{5e-6}, Volume{3e-6}).value() ==
        Approx(3e-6 / q + 2e-6 / a));
  CHECK(volume_stroke(m, LostCircuit::primary, Volume{5e-6}, Volume{3e-6}).value() ==
        Approx(5e-6 / a));
  CHECK(piston_force(m, Pressure{3e6}, LostCircuit::primary).value() ==
        Approx(3e6 * a / 0.95 + 45));

  System s = car();
  const FeelPoint plain = FeelModel::make(s, {})->at(4e6);
  s.master = m;
  const FeelPoint stepped = FeelModel::make(s, {})->at(4e6);
  CHECK(stepped.pad_travel_m < plain.pad_travel_m);
  CHECK(stepped.pad_force_n > plain.pad_force_n);
  CHECK(stepped.piston2_m == Approx(plain.piston2_m));  // the stroke saved is the primary's
  Condition lost;
  lost.lost = LostCircuit::primary;
  s.master.kind = MasterKind::tandem;
  const FeelPoint tandem_lost = FeelModel::make(s, lost)->at(2e6);
  s.master.kind = MasterKind::fast_fill;
  CHECK(FeelModel::make(s, lost)->at(2e6).pad_travel_m == Approx(tandem_lost.pad_travel_m));
}

TEST_CASE("metering holds the front, a residual valve saves take-up, a combination valve opens") {
  System s = car();
  s.front_valve = Metering{Pressure{6e5}, Pressure{1.2e6}};
  const auto m = FeelModel::make(s, {});
  CHECK(m->at(5e5).front_pa == 0);
  CHECK(m->at(9e5).front_pa == Approx(6e5));
  CHECK(m->at(2e6).front_pa == Approx(2e6));
  s.front_valve.reset();
  const double plain = FeelModel::make(s, {})->at(3e6).pad_travel_m;
  s.residual_rear = Pressure{4e5};
  const auto held = FeelModel::make(s, {});
  CHECK(held->at(3e6).pad_travel_m < plain);
  CHECK(held->at(0).rear_pa == Approx(4e5));
  CHECK(held->at(0).pad_travel_m == Approx(FeelModel::make(car(), {})->at(0).pad_travel_m));
  s = car();
  s.rear_valve = Proportioning{Pressure{1e6}, 0.3};
  Condition front_lost;
  front_lost.lost = LostCircuit::primary;
  CHECK(FeelModel::make(s, front_lost)->at(3e6).rear_pa == Approx(1.6e6));
  s.rear_valve_opens = true;
  CHECK(FeelModel::make(s, front_lost)->at(3e6).rear_pa == Approx(3e6));
  CHECK(FeelModel::make(s, {})->at(3e6).rear_pa == Approx(1.6e6));
}
