// Vacuum reserve, pump, accumulator, copper, remote servo.
#include <gsl/gsl_errno.h>
#include <gsl/gsl_odeiv2.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "assist/reserve.hpp"
#include "assist/servo.hpp"
#include "assist/supply.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/limits.hpp"
#include "document/param/supply.hpp"
#include "figures/figures.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

int pump_rate(double, const double p[], double dp[], void* k) {
  const auto* c = static_cast<const double*>(k);  // S/V, end pressure
  dp[0] = -c[0] * (p[0] - c[1]);
  return GSL_SUCCESS;
}

const Figure* find(const FigureGroup& g, const std::string& words) {
  for (const Figure& f : g.figures)
    if (english(f.words) == words) return &f;
  return nullptr;
}

}  // namespace

TEST_CASE("vacuum reserve: each push lets one swept volume of air in") {
  VacuumStore s;
  s.volume = Volume{0.0035};
  s.swept = Volume{0.0262 * 0.015};
  s.start = Pressure{36325.0};
  const auto pushes = vacuum_pushes(s, 8);
  REQUIRE(pushes);
  // Counting molecules: p V at every stage, isothermal.
  double inside = 36325.0 * 0.0035;
  for (const Pressure dp : *pushes) {
    const double squeezed = inside / (0.0035 - s.swept.value());
    CHECK(dp.value() == Approx(std::max(0.0, 101325 - squeezed)).margin(1e-6));
    inside = std::min(101325.0 * 0.0035, inside + 101325 * s.swept.value());
  }
  for (std::size_t i = 1; i < pushes->size(); ++i) CHECK((*pushes)[i] <= (*pushes)[i - 1]);
  CHECK(*pushes_above(s, Pressure{40e3}) >= 1);
  CHECK(*pushes_above(s, Pressure{40e3}) < *pushes_above(s, Pressure{20e3}));
  // A bottle behind the check valve buys stops.
  VacuumStore larger = s;
  larger.volume = Volume{0.0085};
  CHECK(*pushes_above(larger, Pressure{40e3}) > *pushes_above(s, Pressure{40e3}));
  s.swept = Volume{0.004};
  CHECK(vacuum_pushes(s, 3).error().field == "assist.stroke");
  s.swept = Volume{0.0004};
  s.start = Pressure{2e5};
  CHECK(vacuum_pushes(s, 3).error().field == "assist.vacuum");
}

TEST_CASE("electric vacuum pump against GSL's differential equation") {
  const VacuumPump pump{0.0004, Pressure{15000.0}};
  const auto t = pump_down_time(pump, Volume{0.0035}, Pressure{101325.0}, Pressure{36325.0},
                                Pressure{101325.0});
  REQUIRE(t);
  REQUIRE(*t);
  double constants[2] = {0.0004 / 0.0035, 15000.0};
  gsl_odeiv2_system ode{pump_rate, nullptr, 1, constants};
  auto* driver = gsl_odeiv2_driver_alloc_y_new(&ode, gsl_odeiv2_step_rkf45, 1e-3, 1e-9, 1e-9);
  double time = 0;
  double p[1] = {101325.0};
  gsl_odeiv2_driver_apply(driver, &time, (*t)->value(), p);
  gsl_odeiv2_driver_free(driver);
  CHECK(p[0] == Approx(36325).epsilon(1e-6));
  // In thin air the pump reaches lower, a target at or below its end is never reached.
  const auto never = pump_down_time(pump, Volume{0.0035}, Pressure{101325.0}, Pressure{15000.0},
                                    Pressure{101325.0});
  REQUIRE(never);
  CHECK_FALSE(never->has_value());
  CHECK(*pump_down_time(pump, Volume{0.0035}, Pressure{70000.0}, Pressure{12000.0},
                        Pressure{70000.0}));
  CHECK((*pump_down_time(pump, Volume{0.0035}, Pressure{3e4}, Pressure{4e4}, Pressure{101325.0}))
            ->value() == 0);
  CHECK(pump_down_time({0, Pressure{15000.0}}, Volume{0.0035}, Pressure{1e5}, Pressure{4e4},
                       Pressure{101325.0})
            .error()
            .field == "supply.pump_flow");
}

TEST_CASE("accumulator: two or three assisted stops are usual (common practice, no source)") {
  Accumulator a;
  a.charged = Pressure{10e6};
  a.per_stop = Volume{0.0011 * 0.013};
  const auto slow = accumulator_stops(a);
  REQUIRE(slow);
  CHECK(slow->size() >= 2);
  CHECK(slow->size() <= 4);
  // Boyle from the full charge: p V stays what it was.
  const double v0 = 75e-6 * 4.1 / 10;
  for (std::size_t k = 0; k < slow->size(); ++k)
    CHECK((*slow)[k].value() * (v0 + (static_cast<double>(k) + 1) * a.per_stop.value()) ==
          Approx(4.1e6 * 75e-6));
  for (const Pressure p : *slow) CHECK(p.value() >= 4.1e6 * (1 - 1e-12));
  a.exponent = 1.4;
  const auto fast = accumulator_stops(a);
  CHECK(fast->front() < slow->front());
  a.charged = Pressure{4e6};
  CHECK(accumulator_stops(a).error().field == "supply.accu_charge");
}

TEST_CASE("copper: IEC 60228 class 5 conductors at 20 °C, from memory") {
  // Maximum resistances in ohm a kilometre of flexible plain copper conductors.
  const struct {
    double mm2, ohm_km;
  } table[] = {{1.5, 13.3}, {2.5, 7.98}, {4, 4.95}, {6, 3.30}, {10, 1.91}, {16, 1.21}, {25, 0.780}};
  for (const auto& row : table) {
    const auto s = supply_check(Length{10.0}, Area{row.mm2 * 1e-6}, 40);
    REQUIRE(s);
    // Out and back over 10 m is 20 m of conductor.
    CHECK(s->ohm == Approx(row.ohm_km * 0.020).epsilon(0.05));
  }
  const auto six = supply_check(Length{2.0}, Area{6e-6}, 40);
  CHECK(six->drop_v == Approx(1.15 * 1.724e-8 * 4 / 6e-6 * 40));
  CHECK_FALSE(six->enough);
  CHECK(six->smallest->value() == Approx(10e-6));
  CHECK(supply_check(Length{2.0}, *six->smallest, 40)->enough);
  CHECK_FALSE(supply_check(Length{20.0}, Area{1e-6}, 500)->smallest);
  CHECK(supply_check(Length{0.0}, Area{6e-6}, 40).error().field == "supply.wire_length");
}

TEST_CASE("remote servo: exact inverse, never below its input, dead it passes on") {
  for (unsigned seed = 0; seed < 500; ++seed) {
    std::mt19937 rng(seed);
    std::uniform_real_distribution<double> u(0, 1);
    Servo s{Pressure{u(rng) * 1e6}, 1.1 + 6 * u(rng), Pressure{u(rng) * 8e6}, true, true};
    double before = -1;
    for (int i = 0; i <= 40; ++i) {
      const double in = 1e7 * i / 40;
      const double out = servo_output_pa(s, in);
      CHECK(out >= in);
      CHECK(out >= before);
      before = out;
      CHECK(servo_input_pa(s, out) == Approx(in).margin(1e-6));
    }
  }
  System s = car();
  Servo servo{Pressure{3e5}, 3, Pressure{4e6}, true, false};
  s.servo = servo;
  const auto alive = FeelModel::make(s, {});
  Condition off;
  off.assist_alive = false;
  const auto dead = FeelModel::make(s, off);
  const auto plain = FeelModel::make(car(), {});
  REQUIRE(alive);
  const double force = 90;
  const FeelPoint helped = alive->at(alive->drive_for_force(force));
  const FeelPoint unhelped = dead->at(dead->drive_for_force(force));
  CHECK(helped.front_pa > 1.5 * unhelped.front_pa);
  CHECK(helped.rear_pa == Approx(unhelped.rear_pa).epsilon(0.02));
  CHECK(helped.assist == AssistState::working);
  CHECK(unhelped.front_pa == Approx(plain->at(plain->drive_for_force(force)).front_pa));
  CHECK(alive->at_pressure(4e6).at.front_pa == Approx(4e6));
  s.servo->gain = 1;
  CHECK(FeelModel::make(s, {}).error().field == "assist.servo_gain");
}

TEST_CASE("reserve figures follow what is fitted") {
  Job job = known_job();
  const auto set = [&job](Param p, double v) { job.found.set(p, {v, How::stated, 0, {}}); };
  CHECK(figure_group(job, "reserve")->figures.empty());
  set(param::assist_kind, 1);
  CHECK_FALSE(find(*figure_group(job, "reserve"), "Assisted stops in a row")->si);
  set(param::assist_diaphragm1, 0.203);
  set(param::target_z, 0.3);
  const auto one = figure_group(job, "reserve");
  REQUIRE(find(*one, "Assisted stops in a row")->si);
  CHECK(*find(*one, "Assisted stops in a row")->si >= 1);
  set(param::assist_manifold, 60000);
  const auto weak = figure_group(job, "reserve");
  CHECK(*find(*weak, "Pressure difference")->si == Approx(41325));
  CHECK(find(*weak, "Pressure difference")->verdict == Verdict::fails);
  set(param::supply_pump_flow, 0.0003);
  CHECK(find(*figure_group(job, "reserve"), "Pump to working vacuum")->si);
  set(param::assist_kind, 2);
  CHECK(*find(*figure_group(job, "reserve"), "Assisted stops in a row")->si >= 1);
  set(param::supply_accu, 0);
  CHECK(*find(*figure_group(job, "reserve"), "Assisted stops in a row")->si == 0);
  set(param::assist_kind, 3);
  CHECK_FALSE(find(*figure_group(job, "supply"), "Volt drop at the fuse's rating")->si);
  set(param::supply_wire_length, 2.5);
  set(param::supply_wire_area, 4e-6);
  CHECK(find(*figure_group(job, "supply"), "Volt drop at the fuse's rating")->verdict ==
        Verdict::fails);
  const auto findings = figure_findings(job);
  CHECK(std::any_of(findings.begin(), findings.end(),
                    [](const Finding& f) { return f.code == FindingCode::install_copper; }));
}
