// Laws that hold for every system: work balance, exchange of effort and travel, scaling.
#include <catch2/catch.hpp>
#include <cmath>

#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// A random system without friction, springs at the pad or assist: nothing but lever and fluid.
System lossless(unsigned seed) {
  System s = random_system(seed);
  s.assist = NoAssist{};
  s.servo.reset();
  s.booster_stroke.reset();
  s.control.efficiency = 1;
  s.control.return_force = Force{0.0};
  s.control.rod_clearance = Length{0.0};
  s.master.efficiency = 1;
  if (s.master.kind == MasterKind::fast_fill) s.master.kind = MasterKind::tandem;
  if (s.master.kind == MasterKind::dual) s.master.kind = MasterKind::tandem;
  return s;
}

}  // namespace

TEST_CASE("generated systems: the foot's work is fluid work and spring work") {
  int compared = 0;
  for (unsigned seed = 0; seed < 400; ++seed) {
    INFO("seed " << seed);
    System s = lossless(seed);
    s.front_valve.reset();  // below its hold a metering valve stands still at full pressure
    const auto m = FeelModel::make(s, {});
    if (!m || m->end_drive() < 5e5) continue;
    double foot = 0;
    double fluid = 0;
    FeelPoint before = m->at(0);
    constexpr int n = 1500;
    const double start = before.stroke_m;
    for (int i = 1; i <= n; ++i) {
      const double u = static_cast<double>(i) / n;
      const FeelPoint f = m->at(m->end_drive() * u * u);
      foot += 0.5 * (f.pad_force_n + before.pad_force_n) * (f.pad_travel_m - before.pad_travel_m);
      fluid += 0.5 * (f.pressure_pa + before.pressure_pa) *
               (f.volume.total_m3() - before.volume.total_m3());
      before = f;
    }
    const double spring = s.master.spring_force.value() * (before.stroke_m - start);
    CHECK(foot == Approx(fluid + spring).epsilon(2e-3));
    ++compared;
  }
  CHECK(compared > 300);
}

TEST_CASE("generated systems: bore and ratio act together only as ratio over bore squared") {
  for (unsigned seed = 0; seed < 1000; ++seed) {
    INFO("seed " << seed);
    System s = lossless(seed);
    s.control.geometry.reset();
    s.master.spring_force = Force{0.0};
    s.master.cutoff1 = s.master.cutoff2 = Length{0.0};
    System t = s;
    const double k = 1.05 + 0.0001 * (seed % 900);
    t.master.bore = s.master.bore * k;
    t.control.pin_arm = s.control.pin_arm / (k * k);
    const auto a = FeelModel::make(s, {});
    const auto b = FeelModel::make(t, {});
    REQUIRE(a);
    REQUIRE(b);
    const double p = 0.8 * std::min(a->end_drive(), b->end_drive());
    CHECK(a->at(p).pad_force_n == Approx(b->at(p).pad_force_n));
    CHECK(a->at(p).pad_travel_m == Approx(b->at(p).pad_travel_m));
    // With the bore alone, what one gains the other pays.
    System u = s;
    u.master.bore = s.master.bore * k;
    const auto c = FeelModel::make(u, {});
    CHECK(c->at(p).pad_force_n / a->at(p).pad_force_n == Approx(k * k));
    CHECK(a->at(p).pad_travel_m / c->at(p).pad_travel_m == Approx(k * k));
  }
}

TEST_CASE("generated systems: the same in millimetres and in inches") {
  for (unsigned seed = 0; seed < 300; ++seed) {
    const System s = random_system(seed);
    // Through the text of either style and back: what a field does with a value.
    const auto through = [](double si, Kind kind, UnitStyle style) {
      const auto v = parse_quantity(format_quantity(si, kind, 6, {style, false}), kind, style);
      REQUIRE(v);
      return *v;
    };
    System metric = s;
    System inches = s;
    for (auto* one : {&metric, &inches}) {
      const UnitStyle style = one == &metric ? UnitStyle::metric : UnitStyle::imperial;
      one->master.bore = Length{through(s.master.bore.value(), Kind::length, style)};
      one->control.pin_arm = Length{through(s.control.pin_arm.value(), Kind::length, style)};
      one->vehicle->mass = Mass{through(s.vehicle->mass.value(), Kind::mass, style)};
    }
    const auto a = FeelModel::make(metric, {});
    const auto b = FeelModel::make(inches, {});
    REQUIRE(a);
    REQUIRE(b);
    const TargetReport x = a->at_z(0.3);
    const TargetReport y = b->at_z(0.3);
    if (!x.reached || !y.reached) continue;
    CHECK(x.at.pad_force_n == Approx(y.at.pad_force_n).epsilon(1e-3));
    CHECK(x.at.pad_travel_m == Approx(y.at.pad_travel_m).epsilon(1e-3));
  }
}

TEST_CASE("generated systems: more air is never shorter, softer hoses never stiffer") {
  for (unsigned seed = 0; seed < 500; ++seed) {
    INFO("seed " << seed);
    const System s = random_system(seed);
    double before = 0;
    for (const double air : {0.0, 0.5e-6, 2e-6, 8e-6}) {
      Condition c;
      c.air_m3 = air;
      const auto m = FeelModel::make(s, c);
      REQUIRE(m);
      const double travel = m->at(1e6).pad_travel_m;
      CHECK(travel >= before - 1e-12);
      before = travel;
    }
    Condition soft;
    soft.hose_scale = 3;
    soft.growth_scale = 1.5;
    const auto m = FeelModel::make(s, soft);
    const auto n = FeelModel::make(s, {});
    CHECK(m->at(2e6).pad_travel_m >= n->at(2e6).pad_travel_m - 1e-12);
    CHECK(m->available_m() == n->available_m());
  }
}
