// What follows for a plan from what is measured, and what a plan takes over from a unit that it
// replaces; limits of the model that must never err to the unsafe side.
#include <catch2/catch.hpp>
#include <cmath>

#include "assist/reserve.hpp"
#include "document/ahead.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "doubt/doubt.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "rod/rod.hpp"
#include "support/every_code.hpp"
#include "survey/before_curve.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

double plan_si(const Job& job, Param p) {
  return value_of(job, As::plan, p).si;
}
bool has(const Job& job, FindingCode code) {
  for (const Finding& f : find_all(job, foot_strip(job, 0)))
    if (f.code == code) return true;
  return false;
}
const Figure* figure(const FigureGroup& g, std::string_view words) {
  for (const Figure& f : g.figures)
    if (english(f.words).rfind(words, 0) == 0) return &f;
  return nullptr;
}
/// Faces measured: the new seat stands 8 mm nearer to the pedal.
void set_faces(Job& job) {
  set(job,
      "found:control.rod_length=150 mm; found:rod.snout=10 mm; found:rod.socket=30 mm; "
      "found:rod.stack=1 mm; rod.snout=16 mm; rod.socket=28 mm; rod.stack=1 mm");
}

}  // namespace

TEST_CASE("the plan's rod is the rod as it will be, in every place that asks") {
  Job job = known_job();
  set_faces(job);
  CHECK(plan_si(job, param::control_rod_length) == Approx(0.142));
  CHECK(value_of(job, As::plan, param::control_rod_length).follows);
  CHECK(rod_report(job).new_length->value() == Approx(plan_si(job, param::control_rod_length)));
  CHECK(english(origin_words(job, As::plan, param::control_rod_length)) ==
        "worked out from the others");
  // More clearance: shorter by so much, and the strip counts with it.
  set(job, "rod.clearance_more=0.5 mm");
  CHECK(plan_si(job, param::control_rod_length) == Approx(0.1415));
  CHECK(plan_si(job, param::control_rod_clearance) == Approx(0.00075 + 0.0005));
  // What is entered for the plan wins; a rod 4.2 mm too long holds the piston on.
  set(job, "control.rod_length=145.7 mm; rod.clearance_more=0 mm");
  CHECK(plan_si(job, param::control_rod_length) == Approx(0.1457));
  CHECK(plan_si(job, param::control_rod_clearance) == Approx(0.00075 - 0.0037));
  CHECK(has(job, FindingCode::rod_preload));
  set(job, "control.rod_length=142 mm");
  CHECK_FALSE(has(job, FindingCode::rod_preload));
  // A measured clearance is a measured clearance.
  set(job, "control.rod_length=145.7 mm; control.rod_clearance=0.6 mm");
  CHECK(plan_si(job, param::control_rod_clearance) == Approx(0.0006));
}

TEST_CASE("a lowered pad has a shorter way to the floor") {
  Job job = known_job();
  set(job, "found:control.pad_stop=150 mm");
  const double before = foot_strip(job, 0)[1].target->reserve_m;
  set(job, "rod.height_wish=-40 mm");
  CHECK(plan_si(job, param::control_pad_stop) == Approx(0.110));
  CHECK(foot_strip(job, 0)[1].target->reserve_m < before - 0.030);
  CHECK(foot_strip(job, 0)[0].target->reserve_m == Approx(before));  // as found nothing moved
  // A way that was entered for the plan is shortened too; one measured as built is what it is.
  set(job, "control.pad_stop=148 mm");
  CHECK(plan_si(job, param::control_pad_stop) == Approx(0.108));
  job.built.set(param::control_pad_stop, {0.121, How::tape, 0.0015, {}});
  CHECK(plan_si(job, param::control_pad_stop) == Approx(0.121));
  job.built.clear(param::control_pad_stop);
  // The exact rod of a tilted arm differs from height over ratio, and is the longer reach's.
  set(job,
      "control.axis_height=45 mm; control.offset=3 mm; control.rest_angle=-15 deg; "
      "found:control.rod_length=140 mm");
  const double exact = *rod_for_wish_m(job);
  CHECK(exact < 0);
  CHECK(exact == Approx(-0.040 / 6).epsilon(0.25));
  CHECK(std::abs(exact + 0.040 / 6) > 1e-4);
}

TEST_CASE("an output-rod gap that was measured is the gap that the foot meets") {
  Job job = known_job();
  set(job, "assist.kind=vacuum; assist.diaphragm1=220 mm; assist.gain=4; assist.vacuum=60 kPa");
  const double before = foot_strip(job, 0)[1].target->at.pad_travel_m;
  set(job, "rod.recess=14 mm; rod.stick_off=7.2 mm; rod.stick_on=7.6 mm");
  CHECK(plan_si(job, param::assist_output_gap) == Approx(0.0068));
  CHECK(foot_strip(job, 0)[1].target->at.pad_travel_m > before + 0.030);
  // A smaller gap that was typed does not talk it away.
  set(job, "assist.output_gap=0.5 mm");
  CHECK(plan_si(job, param::assist_output_gap) == Approx(0.0068));
  set(job, "rod.stick_off=13.6 mm; rod.stick_on=13.7 mm");
  CHECK(plan_si(job, param::assist_output_gap) == Approx(0.0005));
}

TEST_CASE("the vacuum of the plan: the gauge's, the pump's, or none, and the weakest driver") {
  Job job = known_job();
  set(job,
      "assist.kind=vacuum; assist.diaphragm1=220 mm; assist.gain=4; found:assist.vacuum=60 kPa");
  const auto effort = [&job](int i) {
    return foot_strip(job, 0)[static_cast<std::size_t>(i)].target->at.pad_force_n;
  };
  const double strong = effort(1);
  set(job, "assist.vacuum=25 kPa");
  CHECK(effort(1) > 1.1 * strong);
  job.plan.clear(param::assist_vacuum);
  set(job, "room.engine=goes; supply.pump_flow=0 l/min");
  CHECK(plan_si(job, param::assist_vacuum) == 0);
  CHECK(effort(1) > 1.5 * strong);
  CHECK(has(job, FindingCode::size_vacuum_gone));
  set(job, "supply.pump_flow=30 l/min; supply.pump_ultimate=30 kPa");
  CHECK(plan_si(job, param::assist_vacuum) == Approx(71325));
  CHECK_FALSE(has(job, FindingCode::size_vacuum_gone));
  CHECK(limits_of(job).effort_n == 330);
  set(job, "room.driver=210 N");
  CHECK(limits_of(job).effort_n == 210);
  CHECK(limits_of(job).effort_failed_n == 210);
}

TEST_CASE("what a plan takes over from a unit that it replaces is no measurement of the new one") {
  Job job = known_job();
  set(job, "found:master.cutoff1=1.2 mm");
  Value v = value_of(job, As::plan, param::master_cutoff1);
  CHECK(v.settled());
  set(job, "master.bore=25.4 mm");
  v = value_of(job, As::plan, param::master_cutoff1);
  CHECK(v.inherited);
  CHECK(v.other_unit);
  CHECK_FALSE(v.settled());
  CHECK(v.uncertainty_si == Approx(0.2 * 0.0012));
  CHECK(value_of(job, As::plan, param::front_piston).settled());  // the calipers stay
  CHECK(value_of(job, As::plan, param::circuit_fl).other_unit);   // traced on the old outlets
  set(job, "master.cutoff1=1.1 mm");
  CHECK(value_of(job, As::plan, param::master_cutoff1).settled());
  // The same bore measured again is the same unit.
  set(job, "master.bore=22.24 mm");
  CHECK_FALSE(value_of(job, As::plan, param::master_cutoff2).other_unit);
}

TEST_CASE("unknown on purpose stays unknown, a guess without a doubt has one") {
  Job job = known_job();
  job.plan.set(param::control_rod_clearance, Measured{});
  const Value v = value_of(job, As::plan, param::control_rod_clearance);
  CHECK(v.said_unknown);
  CHECK_FALSE(v.settled());
  CHECK(english(origin_words(job, As::plan, param::control_rod_clearance)) ==
        "unknown; a typical value stands in");
  job.found.set(param::front_mu, {0.38, How::estimate, 0, {}});
  CHECK(value_of(job, As::found, param::front_mu).uncertainty_si == Approx(0.038));
}

TEST_CASE("values are typed with their doubt") {
  const auto typed = [](const char* text) {
    return parse_with_doubt(param::control_pad_arm, text, {});
  };
  CHECK(typed("13 in ±1/16")->si == Approx(0.3302));
  CHECK(*typed("13 in ±1/16")->uncertainty_si == Approx(0.0254 / 16));
  CHECK(typed("12.560 ± .002 in")->si == Approx(0.319024));
  CHECK(*typed("12.560 ± .002 in")->uncertainty_si == Approx(5.08e-5));
  CHECK(*typed("328 mm +/- 0.4")->uncertainty_si == Approx(0.0004));
  CHECK(*typed("328 +- 2 mm")->uncertainty_si == Approx(0.002));
  CHECK_FALSE(typed("328 mm")->uncertainty_si);
  CHECK_FALSE(typed("328 mm ± nothing"));
  CHECK_FALSE(typed("328 mm ± 3 m"));
  CHECK_FALSE(typed("± 3 mm"));
}

TEST_CASE("a control of one axle presses and is judged without the other") {
  Job job = known_job();
  set(job, "control.axles=front; rear.kind=?; rear.cylinder=?; rear.drum=?; rear.tyre=?");
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  CHECK(a.missing_brakes.empty());
  CHECK(a.missing_vehicle.empty());
  const auto m = FeelModel::make(*a.system, {});
  REQUIRE(m);
  CHECK(m->wheel_forces(3e6).rear_n == 0);
  CHECK(m->wheel_forces(3e6).front_n > 0);
  // One disc does the work of one wheel's brake, on all of the axle's tyre.
  const double two = m->wheel_forces(3e6).front_n;
  set(job, "front.wheels=one");
  const auto one = FeelModel::make(*assemble(job, As::plan).system, {});
  CHECK(one->wheel_forces(3e6).front_n == Approx(two / 2));
  CHECK(one->wheel_forces(3e6).front_share == Approx(1.0));
  // Pistons of two sizes add their areas.
  set(job, "front.wheels=two; front.pistons2=1; front.piston2=36 mm");
  const auto mixed = FeelModel::make(*assemble(job, As::plan).system, {});
  CHECK(mixed->wheel_forces(3e6).front_n == Approx(two * (48.0 * 48 + 36.0 * 36) / (48.0 * 48)));
}

TEST_CASE("pistons far out hold more fluid, and the pedal is softer for it") {
  Job job = known_job();
  const double near = foot_strip(job, 0)[5].target->at.pad_travel_m;  // hot
  set(job, "front.fluid_depth=30 mm; rear.fluid_depth=20 mm");
  CHECK(foot_strip(job, 0)[5].target->at.pad_travel_m > near + 1e-4);
}

TEST_CASE("a tube without a bore is refused") {
  Job job = known_job();
  CHECK(assemble(job, As::plan).impossible.empty());
  set(job, "lines.tube_outside=4.76 mm; lines.tube_wall=2.4 mm");
  const auto impossible = assemble(job, As::plan).impossible;
  REQUIRE(impossible.size() == 1);
  CHECK(impossible.front().field == "lines.tube_wall");
}

TEST_CASE("limits of a press: booster with its gap, air from what is held, a bar's live line") {
  System s = car();
  Booster b;
  b.max_assist = Force{3000.0};
  b.output_gap = Length{0.0};
  s.assist = b;
  s.booster_stroke = Length{0.012};
  const double without = FeelModel::make(s, {})->at(FeelModel::make(s, {})->end_drive()).stroke_m;
  b.output_gap = Length{0.004};
  s.assist = b;
  const auto gap = FeelModel::make(s, {});
  CHECK(gap->stop() == Stop::booster_stroke);
  CHECK(gap->at(gap->end_drive()).stroke_m == Approx(without - 0.004).margin(1e-6));

  // Air behind a residual valve is squeezed before the pedal moves: ideal gas, by hand.
  System held = car();
  held.residual_front = held.residual_rear = Pressure{0.07e6};
  Condition air;
  air.air_m3 = 2e-6;
  const double at = 3e6;
  const auto volume = [&](const System& y) {
    return FeelModel::make(y, air)->at(at).volume.air_m3;
  };
  const double p0 = 101325;
  CHECK(volume(car()) == Approx(2e-6 * (1 - p0 / (p0 + at))));
  CHECK(volume(held) == Approx(2e-6 * (p0 / (p0 + 0.07e6) - p0 / (p0 + at))));

  // With one master's line open the other is pressed to the end of what is computed, not to a
  // fraction of it.
  System twin = car();
  twin.vehicle.reset();
  twin.master.kind = MasterKind::dual;
  twin.master.bore = twin.master.bore2 = Length{0.016};
  twin.master.bar_a = Length{0.030};
  twin.master.bar_b = Length{0.030};
  twin.master.bar_tilt = Angle{0.2};
  twin.master.stroke1 = twin.master.stroke2 = Length{0.060};
  twin.control.pad_stop = Length{0.6};
  twin.strokes_known = true;
  Condition lost;
  lost.lost = LostCircuit::primary;
  const auto m = FeelModel::make(twin, lost);
  REQUIRE(m);
  if (m->stop() == Stop::pressure_limit)
    CHECK(m->at(m->end_drive()).pressure_pa == Approx(kPressureLimit_pa).epsilon(1e-3));
}

TEST_CASE("stops of a hydraulic store are counted while the target stop is still assisted") {
  Job job = known_job();
  set(job,
      "assist.kind=hydraulic; assist.gain=6; assist.power_area=1100 mm2; assist.pump_pressure=10 "
      "MPa; "
      "supply.accu=gas; supply.accu_precharge=4.1 MPa; supply.accu_volume=300 ml; "
      "supply.accu_charge=10 MPa; found:target.z=0.3");
  const auto stops = [&job] {
    const FigureGroup g = figure_group(job, GroupId::reserve);
    const Figure* f = figure(g, "Assisted stops in a row");
    REQUIRE(f);
    REQUIRE(f->si);
    return *f->si;
  };
  const double many = stops();
  CHECK(many > 2);
  // The same gas, a stop that needs more than the store's lowest pressure gives: fewer, or none.
  set(job, "assist.power_area=300 mm2; found:target.z=0.8; vehicle.mass=2200 kg");
  CHECK(stops() < many);
  CHECK(has(job, FindingCode::size_reserve_stops));
  for (const Finding& f : find_all(job, foot_strip(job, 0)))
    if (f.code == FindingCode::size_reserve_stops)
      CHECK(english(f.remedy).find("accumulator") != std::string::npos);
}

TEST_CASE("a rear that lifts is told as lifting, not as a front that locks") {
  Job job = known_job();
  set(job,
      "control.kind=lever_radial; control.axles=front; control.pad_arm=120 mm; "
      "control.pin_arm=20 mm; control.pad_stop=90 mm; vehicle.mass=230 kg; "
      "vehicle.wheelbase=1.40 m; vehicle.cg_height=0.80 m; vehicle.front_share=50 %; "
      "vehicle.tyre_mu=1.3; master.kind=single; master.bore=14 mm");
  const FigureGroup g = figure_group(job, GroupId::balance);
  const Figure* lifts = figure(g, "The rear lifts before a wheel locks");
  if (!figure(g, "Lock order")) {
    REQUIRE(lifts);
    CHECK(*lifts->si == Approx(0.5 * 1.40 / 0.80).epsilon(0.01));
  }
  CHECK_FALSE(figure(g, "Front locks first"));
}

TEST_CASE("bands are told of what every draw has, and of nothing else") {
  Job job = known_job();
  DoubtRequest q;
  q.samples = 200;
  const auto said = [&](PressQuantity f) { return doubt(job, ConditionId::plan, q)->band(f).said; };
  CHECK(said(PressQuantity::left1));
  CHECK(said(PressQuantity::lock_z));
  set(job, "master.stroke1=?");
  CHECK_FALSE(said(PressQuantity::left1));
  CHECK(said(PressQuantity::effort));
  set(job, "found:master.stroke1=18 mm; control.pad_stop=45 mm; vehicle.tyre_mu=1.4");
  CHECK_FALSE(said(PressQuantity::lock_z));
}

TEST_CASE(
    "the pedal before: its dead stroke by its own shape, and no reading moves it beyond its ±") {
  Job job = known_job();
  const auto m =
      FeelModel::make(*assemble(job, As::found).system, Condition{.assist_alive = false});
  REQUIRE(m);
  const auto read = [&](double n, double slack_m) {
    Reading r;
    r.force_n = n;
    r.travel_m = std::round((m->at(m->drive_for_force(n)).pad_travel_m + slack_m) * 1000) / 1000;
    r.force_uncertainty_n = 5;
    return r;
  };
  for (const double n : {60.0, 110.0, 180.0, 260.0}) job.before.push_back(read(n, 0.012));
  const BeforeCurve four = before_curve(job, strip_inputs(job));
  REQUIRE(four.because.empty());
  CHECK(four.by_model);
  const double contact = m->at(0.3e6).pad_travel_m;
  CHECK(std::abs(four.dead_m - (contact + 0.012)) < four.dead_uncertainty_m + 1e-3);
  job.before.push_back(read(340, 0.012));
  const BeforeCurve five = before_curve(job, strip_inputs(job));
  CHECK(std::abs(five.dead_m - four.dead_m) < four.dead_uncertainty_m);
  CHECK(five.dead_uncertainty_m < 1.5 * four.dead_uncertainty_m);
  // Brakes unknown: the shape of a caliper brake, with more doubt and never a straight line's jump.
  job.found.clear(param::front_kind);
  const BeforeCurve bare = before_curve(job, strip_inputs(job));
  REQUIRE(bare.because.empty());
  CHECK_FALSE(bare.by_model);
  CHECK(bare.dead_m > 0.02);
  job.before.resize(2);
  CHECK_FALSE(before_curve(job, strip_inputs(job)).because.empty());
}
