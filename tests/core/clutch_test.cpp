// Clutch: load shape, press and return, stops, wear, stack, cable, and what a job says of it.
#include <catch2/catch.hpp>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "assembly/relevance.hpp"
#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "work/bleeding.hpp"
#include "work/clutch_rod.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

ClutchSystem system() {
  ClutchSystem s;
  s.control.pad_arm = Length{0.300};
  s.control.pin_arm = Length{0.055};
  s.master.kind = MasterKind::single;
  s.master.bore = Length{0.01905};
  s.master.stroke1 = Length{0.032};
  s.master.spring_force = Force{30.0};
  s.stroke_known = true;
  s.unit.area = circle_area(Length{0.0222});
  s.unit.fork = 1.8;
  s.unit.peak = Force{1800.0};
  s.unit.release = Length{0.008};
  s.unit.slave_stroke = Length{0.030};
  s.unit.limit = Length{0.0105};
  s.unit.retraction = Length{0.020};
  s.tube.length = Length{2.0};
  s.hose.length = Length{0.4};
  return s;
}

const Figure* find(const FigureGroup& g, const std::string& words) {
  for (const Figure& f : g.figures)
    if (english(f.words) == words) return &f;
  return nullptr;
}

}  // namespace

TEST_CASE("clutch load: peak at 0.45 of the release, a quarter less at its end") {
  const ClutchUnit u = system().unit;
  CHECK(bearing_load_n(u, 0) == 0);
  CHECK(bearing_load_n(u, 0.45 * 0.008) == Approx(1800));
  CHECK(bearing_load_n(u, 0.008) == Approx(1350));
  CHECK(bearing_load_n(u, 0.012) == Approx(1350));
  for (double x = 0; x < 0.012; x += 1e-4) CHECK(bearing_load_n(u, x) <= 1800 * (1 + 1e-12));
  ClutchUnit measured = u;
  measured.points = {{0.003, 900}, {0.006, 1500}, {0.009, 1200}};
  CHECK(bearing_load_n(measured, 0.0015) == Approx(450));
  CHECK(bearing_load_n(measured, 0.0045) == Approx(1200));
  CHECK(bearing_load_n(measured, 0.02) == Approx(1200));
}

TEST_CASE("clutch: pressures, volumes and forces by the plain equations") {
  const ClutchSystem s = system();
  const auto m = ClutchModel::make(s);
  REQUIRE(m);
  double before = -1;
  for (int i = 0; i <= 50; ++i) {
    const ClutchPoint c = m->at(m->end_m() * i / 50);
    CHECK(c.pressure_pa == Approx(c.load_n / (1.8 * s.unit.area.value() * 0.95)));
    const double least = s.unit.area.value() * c.slave_m / bore_area(s.master).value() + 0.001;
    CHECK(c.stroke_m >= least - 1e-12);
    CHECK(c.stroke_m < least + 0.001);
    CHECK(c.pad_travel_m >= before);
    before = c.pad_travel_m;
    const double rod = c.pressure_pa * bore_area(s.master).value() / 0.95 + 30;
    CHECK(c.pad_force_n == Approx(15 + rod / (0.300 / 0.055) / 0.95));
    // Coming back, friction holds the bearing's load: the foot feels less.
    CHECK(c.pad_force_up_n < c.pad_force_n);
  }
  CHECK(m->curve(64).size() == 65);
}

TEST_CASE("clutch report: release, bite, over-travel, wear, stops") {
  ClutchSystem s = system();
  const auto r = clutch_report(s);
  REQUIRE(r);
  CHECK(r->releases);
  CHECK(r->peak_n > r->release.pad_force_n);
  CHECK(r->bite.pad_travel_up_m < r->release.pad_travel_m);
  CHECK(r->end.bearing_m > 0.008);
  CHECK(*r->wear_left_m == Approx(0.020 / (3.5 * 1.8)));
  REQUIRE(r->over_travel_m);
  if (*r->over_travel_m > 0) {
    REQUIRE(r->pedal_stop_m);
    CHECK(*r->pedal_stop_m < r->end.pad_travel_m);
  }
  s.unit.slave_stroke = Length{0.010};
  CHECK(clutch_report(s)->stop == ClutchStop::slave_stroke);
  CHECK_FALSE(clutch_report(s)->releases);
  s = system();
  s.control.pad_stop = Length{0.060};
  CHECK(clutch_report(s)->stop == ClutchStop::pad_stop);
  s = system();
  s.master.stroke1 = Length{0.012};
  CHECK(clutch_report(s)->stop == ClutchStop::master_stroke);
  // More master bore: shorter, harder. Air: longer.
  ClutchSystem large = system();
  large.master.bore = Length{0.0222};
  CHECK(clutch_report(large)->peak_n > r->peak_n);
  CHECK(clutch_report(large)->release.pad_travel_m < r->release.pad_travel_m);
  ClutchSystem airy = system();
  airy.air_m3 = 1e-6;
  CHECK(clutch_report(airy)->release.pad_travel_m > r->release.pad_travel_m);
  s = system();
  s.unit.area = Area{0.0};
  CHECK(clutch_report(s).error().field == "clutch.slave_bore");
}

TEST_CASE("slave areas and the stack of a slave around the shaft (common practice, no source)") {
  CHECK(slave_area(SlaveKind::push, Length{0.02}, Length{0.01}).value() ==
        Approx(kPi / 4 * 0.0004));
  CHECK(slave_area(SlaveKind::pull, Length{0.02}, Length{0.01}).value() ==
        Approx(kPi / 4 * 0.0003));
  CHECK(slave_area(SlaveKind::concentric, Length{0.05}, Length{0.04}).value() ==
        Approx(kPi / 4 * 0.0009));
  // A cover change may call for 4 mm in place of 2 mm; both together is a fault.
  const Length a{0.0600};
  const Length b{0.0525};
  CHECK(concentric_gap(false, a, b, Length{0.0}, Length{0.004}).value() == Approx(0.0035));
  CHECK(concentric_gap(false, a, b, Length{0.0}, Length{0.002}).value() == Approx(0.0055));
  CHECK(concentric_gap(false, a, b, Length{0.0}, Length{0.006}).value() == Approx(0.0015));
  CHECK(
      concentric_gap(true, Length{0.0525}, Length{0.0600}, Length{0.001}, Length{0.004}).value() ==
      Approx(0.0045));
}

TEST_CASE("cable to hydraulic: pull and force at the fork arm") {
  const auto m = ClutchModel::make(system());
  const auto c = cable_change(*m, Length{0.016}, Force{500.0});
  REQUIRE(c);
  CHECK(c->slave_travel_m == Approx(m->at(m->end_m()).slave_m));
  CHECK(c->missing_m == Approx(std::max(0.0, 0.016 - c->slave_travel_m)));
  CHECK(c->pad_force_n > 15);
  CHECK(cable_change(*m, Length{0.5}, Force{500.0}).error().field == "clutch.cable_pull");
}

TEST_CASE("a clutch job: its own conditions, questions, figures, gates and bleeding") {
  Job job = known_clutch();
  const auto strip = foot_strip(job, 32);
  REQUIRE(strip.size() == 4);
  CHECK(strip[1].id == ConditionId::plan);
  REQUIRE(strip[1].clutch);
  CHECK(sums_pass(strip[1].verdict));
  CHECK(strip[3].target->at.pad_travel_m > strip[1].target->at.pad_travel_m);
  CHECK_FALSE(relevant(job, As::plan, param::front_kind));
  CHECK_FALSE(relevant(job, As::plan, param::clutch_stack_a));
  CHECK(relevant(job, As::plan, param::clutch_fork_slave));
  CHECK(assemble(job, As::plan).missing_brakes.empty());
  const auto g = figure_group(job, "clutch");
  const auto value = [&g](const char* words) {
    const Figure* f = find(*g, words);
    REQUIRE(f);
    REQUIRE(f->si);
    return *f->si;
  };
  CHECK(value("Pedal height at clean release") ==
        Approx(0.190 - value("Pedal travel at clean release")));
  CHECK(value("Pedal height at bite, coming up") > value("Pedal height at clean release"));
  // Over-travel is a hard finding and holds its gate.
  job.found.set(param::clutch_limit, {0.0085, How::stated, 0, {}});
  const auto again = foot_strip(job, 32);
  const auto findings = find_all(job, again);
  CHECK(std::any_of(findings.begin(), findings.end(), [](const Finding& f) {
    return f.code == FindingCode::size_over_travel && f.severity == Severity::hard;
  }));
  bool held = false;
  for (const Gate& gate : gates_of(job, again, findings)) {
    CHECK(gate.id != GateId::failed_circuit);
    if (gate.id == GateId::over_travel) held = gate.held;
  }
  CHECK(held);
  CHECK(bleed_plan(job).clutch);
  CHECK(bleed_plan(job).missing.empty());
  CHECK_FALSE(stage_status(job, Stage::bleed, again, findings).empty());
  // What is missing is named, and only of the clutch.
  job.found.clear(param::clutch_peak);
  CHECK(english(condition_report(job, ConditionId::plan).reason)
            .find("pressure-plate release load") != std::string::npos);
  job.found.set(param::clutch_kind, {1, How::stated, 0, {}});
  job.found.set(param::clutch_peak, {1800, How::stated, 0, {}});
  job.found.set(param::clutch_slave_inner, {0.03, How::stated, 0, {}});
  CHECK_FALSE(assemble(job, As::plan).impossible.empty());
  job.found.set(param::clutch_kind, {2, How::stated, 0, {}});
  job.found.set(param::clutch_slave_bore, {0.05, How::stated, 0, {}});
  job.found.set(param::clutch_stack_a, {0.060, How::stated, 0, {}});
  job.found.set(param::clutch_stack_b, {0.0525, How::stated, 0, {}});
  // Which faces the stack is measured from nobody said: the spacer may be another.
  const auto open = figure_group(job, "stack");
  CHECK(find(*open, "Spacer 4 mm")->verdict == Verdict::if_typical);
  CHECK(find(*open, "Spacer 4 mm")->decided_by == std::vector<Param>{param::clutch_bell});
  job.found.set(param::clutch_bell, {0, How::stated, 0, {}});
  const auto stack = figure_group(job, "stack");
  CHECK(find(*stack, "Spacer 4 mm")->verdict == Verdict::holds);
  CHECK(find(*stack, "Spacer 6 mm")->verdict == Verdict::fails);
}

TEST_CASE("the rod of a clutch: free up to one clearance, safe from another, told in turns") {
  Job job = known_clutch();
  job.found.set(param::rod_pitch, {1e-3, How::stated, 0, {}});
  const ClutchRodStart r = clutch_rod_start(job);
  REQUIRE(r.asked);
  REQUIRE_FALSE(r.none);
  const auto with = [&](double clearance_m) {
    Job other = job;
    other.plan.set(param::control_rod_clearance, {clearance_m, How::stated, 0, {}});
    const ClutchAssembly a = assemble_clutch(resolve(other, As::plan));
    REQUIRE(a.system);
    const auto report = clutch_report(*a.system);
    REQUIRE(report);
    return *report;
  };
  // Just inside it comes free at the pedal's stop, just outside it does not.
  CHECK(with(r.free_m - 1e-4).releases);
  CHECK_FALSE(with(r.free_m + 1e-4).releases);
  CHECK(r.cover_said);
  if (r.least_m > kLeastClutchClearance_m) {
    CHECK(with(r.least_m + 1e-4).over_travel_m.value_or(0) <= 0);
    CHECK(with(r.least_m - 1e-4).over_travel_m.value_or(0) > 0);
  }
  REQUIRE(r.start_turns);
  REQUIRE(r.per_turn_m);
  const double begin_m = r.planned_m + *r.start_turns * *r.per_turn_m;
  CHECK(begin_m >= r.free_m);  // it begins where nothing can be overdone
  CHECK(begin_m - *r.free_turns * *r.per_turn_m <= r.free_m + 1e-9);
  CHECK(begin_m - *r.most_turns * *r.per_turn_m >= r.least_m - 1e-9);
  CHECK(*r.free_turns <= *r.most_turns);
  // A cover that bears less leaves no length that does both.
  job.found.set(param::clutch_limit, {0.0081, How::stated, 0, {}});
  job.found.set(param::control_pad_stop, {0.25, How::stated, 0, {}});
  job.found.set(param::clutch_release, {0.012, How::stated, 0, {}});
  CHECK(clutch_rod_start(job).none);
  job.found.clear(param::clutch_limit);
  CHECK_FALSE(clutch_rod_start(job).cover_said);
  CHECK_FALSE(clutch_rod_start(known_job()).asked);
}
