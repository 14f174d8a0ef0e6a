// Which fact of the job calls for which step, what a step undoes, what waits for parts, and what a
// stroke of the pedal moves at a nipple.
#include <fmt/format.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <set>

#include "document/param/arms.hpp"
#include "judge/findings.hpp"
#include "plumbing/outlets.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "rod/rod.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleeding.hpp"
#include "work/disturbed.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::set<StepId> steps_of(const char* change) {
  Job job = known_job();
  set(job, change);
  std::set<StepId> all;
  for (const Step& s : install_steps(job)) all.insert(s.id);
  return all;
}

using enum StepId;

struct Fact {
  StepId step;
  const char* calls;    ///< a job in which it is needed
  const char* without;  ///< the nearest one in which it is not
};
constexpr const char* kVacuum = "assist.kind=vacuum; assist.diaphragm1=200 mm";
constexpr const char* kConcentric = "control.use=clutch; clutch.kind=concentric";
const Fact kFacts[] = {
    {before_discharge, "found:assist.kind=vacuum; found:assist.diaphragm1=200 mm", kVacuum},
    {out_tee, "found:master.kind=single; master.kind=tandem", "found:master.kind=single"},
    {out_residual, "found:front.kind=drum; front.kind=sliding", "found:front.kind=drum"},
    {out_residual, "found:rear.kind=drum; rear.kind=sliding", "found:rear.kind=sliding"},
    {mount_template, kVacuum, "found:assist.kind=vacuum; found:assist.diaphragm1=200 mm"},
    {mount_close, "found:master.kind=single; master.kind=tandem", ""},
    {rod_pin, "master.bore=25.4 mm", "found:front.kind=drum; front.kind=sliding"},
    {rod_clearance, "master.bore=25.4 mm", "found:front.kind=drum; front.kind=sliding"},
    {rod_output, kVacuum, ""},
    {clutch_spacer, kConcentric, "control.use=clutch; clutch.kind=push"},
    {clutch_spacer, "found:control.use=clutch; found:clutch.kind=push; clutch.kind=concentric",
     "found:control.use=clutch; found:clutch.kind=concentric; clutch.kind=push"},
    {clutch_back, "control.use=clutch; clutch.kind=push", kConcentric},
    {clutch_short, kConcentric, ""},
    {lines_trace, "found:master.kind=single; master.kind=tandem",
     "found:master.kind=single; master.kind=single"},
    {lines_trace, "master.bore=25.4 mm", "found:front.kind=drum; front.kind=sliding"},
    {lines_valve, "valve.kind=proportioning", "valve.kind=none"},
    {lines_hoses, "found:front.kind=drum; front.kind=opposed",
     "found:rear.kind=drum; rear.kind=sliding"},
    {assist_servo_angle, "assist.kind=remote", kVacuum},
    {assist_bar, "master.kind=twin; master.bore2=22 mm", "master.kind=tandem"},
    {assist_hose, kVacuum, "assist.kind=electric"},
    {assist_vacuum, kVacuum, "assist.kind=hydraulic"},
    {assist_purge, "assist.kind=hydraulic", kVacuum},
    {assist_stored, "assist.kind=hydraulic", "assist.kind=none"},
    {assist_feeds, "assist.kind=electric", kVacuum},
    {assist_unpowered, "assist.kind=electric", "assist.kind=none"},
    {lamp_switch, "", kConcentric},
};

}  // namespace

TEST_CASE("a step is there when the job calls for it, and only then") {
  for (const Fact& f : kFacts) {
    INFO(key(f.step) << ": " << f.calls << " | " << f.without);
    CHECK(steps_of(f.calls).count(f.step));
    CHECK_FALSE(steps_of(f.without).count(f.step));
  }
  const auto plain = steps_of("");
  for (const StepId always : {before_stands, before_fluid, out_reservoir, out_rod, lines_start,
                              lines_support, fill_fluid, fill_weep, fill_height})
    CHECK(plain.count(always));
  // A clutch has no front discs, valves or booster, whatever was entered of brakes.
  for (const StepId brake : {lines_valve, lines_hoses, assist_hose, out_residual})
    CHECK_FALSE(steps_of("control.use=clutch; valve.kind=proportioning; found:front.kind=drum; "
                         "front.kind=sliding; assist.kind=vacuum; assist.diaphragm1=200 mm")
                    .count(brake));
}

TEST_CASE("drums that become discs are named by their axle, both when both do") {
  const auto text = [](const char* change) {
    Job job = known_job();
    set(job, change);
    for (const Step& s : install_steps(job))
      if (s.id == out_residual) return english(s.text);
    return std::string();
  };
  CHECK(text("found:front.kind=drum; front.kind=sliding").find("in the front line") !=
        std::string::npos);
  CHECK(text("rear.kind=sliding").find("in the rear line") != std::string::npos);
  CHECK(text("found:front.kind=drum; front.kind=sliding; rear.kind=sliding")
            .find("front and rear lines") != std::string::npos);
}

TEST_CASE("a step undoes the gates it touches, no other, and only when it is later") {
  const std::map<StepId, std::set<GateId>> touches{
      {out_rod, {GateId::preload, GateId::retention, GateId::lamp}},
      {out_crack, {GateId::weep}},
      {mount_drill, {GateId::firewall}},
      {rod_length, {GateId::preload, GateId::lamp}},
      {rod_output, {GateId::preload}},
      {lines_start, {GateId::weep, GateId::circuits, GateId::sink}},
      {assist_hose, {GateId::assist_drop, GateId::no_assist}},
      {assist_bar, {GateId::assist_drop, GateId::no_assist, GateId::bar}},
      {fill_fluid, {GateId::fluid, GateId::sink, GateId::reserve, GateId::failed_circuit}},
      {clutch_slave, {GateId::release, GateId::over_travel, GateId::wear_room}},
      {before_photos, {}},
      {lines_dry, {}}};
  for (const auto& [step, gates] : touches)
    for (const GateId gate : all_ids<GateId>()) {
      INFO(key(step) << " and " << key(gate));
      Job job = known_job();
      pass_gate(job, gate);
      CHECK(lapsed(job, gate).empty());
      record_for(job, step) = {true, "2026-05-30", "", {}};
      CHECK(lapsed(job, gate).empty() == !gates.count(gate));
      // Proved after it: it stands.
      pass_gate(job, gate);
      CHECK(lapsed(job, gate).empty());
    }
}

TEST_CASE("parts: what waits longest stands first, and the day it can come apart is never past") {
  Job job = known_job();
  const auto part = [](const char* name, const char* day, bool first) {
    PartInHand p;
    p.name = name;
    p.promised = day;
    p.before_apart = first;
    return p;
  };
  job.parts = {part("early", "2026-06-01", true), part("not first", "2026-09-01", false),
               part("late", "2026-07-01", true)};
  PartsGate g = parts_gate(job, "2026-05-01");
  CHECK_FALSE(g.may_start);
  REQUIRE(g.parts.size() == 3);
  CHECK(job.parts[g.parts[0].index].name == "late");
  CHECK(job.parts[g.parts[1].index].name == "early");
  CHECK(job.parts[g.parts[2].index].name == "not first");
  CHECK(job.parts[*g.critical].name == "late");
  CHECK(g.earliest == "2026-07-01");
  CHECK(parts_gate(job, "2026-07-01").earliest == "2026-07-01");
  CHECK(parts_gate(job, "2026-07-02").earliest == "2026-07-02");
  CHECK(*g.parts[0].days == 61);
  CHECK_FALSE(g.parts[0].late);
  CHECK(parts_gate(job, "2026-07-02").parts[0].late);
  CHECK_FALSE(parts_gate(job, "2026-07-01").parts[0].late);
  for (PartInHand& p : job.parts) p.here = p.thread = p.seat = true;
  CHECK_FALSE(parts_gate(job, "").may_start);  // not held in its place yet
  for (PartInHand& p : job.parts) p.place = true;
  CHECK(parts_gate(job, "").may_start);
}

TEST_CASE("a stroke moves what its own piston delivers beyond the cut-off") {
  Job job = known_job();
  const double area = 3.14159265358979 / 4 * 0.022225 * 0.022225;
  const BleedPlan p = bleed_plan(job);
  REQUIRE(p.wheels.size() == 4);
  for (const BleedWheel& w : p.wheels) {
    const bool front = axle_of(w.wheel) == Axle::front;
    CHECK(w.outlet == (front ? Outlet::primary : Outlet::secondary));
    // Strokes of 18 and 17 mm, 1 mm of cut-off each.
    CHECK(w.per_stroke.value() == Approx(area * (front ? 0.017 : 0.016)).epsilon(1e-6));
    CHECK(w.strokes == static_cast<int>(std::ceil(1.5 * w.branch.value() / w.per_stroke.value())));
    // Never lower than a quarter of the 60 cm³ chamber.
    CHECK(w.refill_every * w.per_stroke.value() <= 0.75 * 60e-6);
    CHECK((w.refill_every + 1) * w.per_stroke.value() > 0.75 * 60e-6);
    CHECK(w.refills == (w.strokes - 1) / w.refill_every);
  }
  // A small chamber: the last stroke needs no refill after it.
  set(job, "master.reservoir=10 ml");
  for (const BleedWheel& w : bleed_plan(job).wheels) {
    CHECK(w.refill_every == 1);
    CHECK(w.refills == w.strokes - 1);
  }
}

TEST_CASE("stage words: counts, angles and limits as they are") {
  Job job = known_job();
  const auto says = [&job](Stage s) {
    const auto strip = foot_strip(job, 12);
    return english(stage_status(job, s, strip, find_all(job, strip)));
  };
  set(job,
      "control.axis_height=50 mm; control.offset=10 mm; control.rest_angle=0 deg; "
      "control.rod_length=150 mm");
  const double degrees = angle_report(job, As::plan).largest_rad * 180 / 3.14159265358979;
  CHECK(says(Stage::fit) == fmt::format("rod up to {:.1f}° off", degrees));
  CHECK(says(Stage::plumb) == "outlets as intended");
  set(job, "circuit.fr=2");
  CHECK(says(Stage::plumb) == "outlets crossed");
  set(job, "circuit.fr=1; circuit.rl=1; circuit.rr=1");
  CHECK(says(Stage::plumb) == "no separation");
  set(job, "circuit.rl=2; circuit.rr=2; valve.residual_front=0.07 MPa");
  CHECK(says(Stage::plumb) == "a residual valve is wrong");
  set(job, "valve.residual_front=0 MPa; circuit.fl=?");
  CHECK(says(Stage::plumb) == "3 of 4 wheels traced");
  // A plan that differs from what is fitted is judged by the plan's outlets.
  set(job, "found:circuit.fl=2; circuit.fl=1");
  // Wheels of one axle on two outlets had no tee: there will be one.
  CHECK(says(Stage::plumb) == "new joints to prove by hand");
  set(job,
      "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0; "
      "found:limit.effort_failed=1500 N; found:limit.reserve_failed=0 %; "
      "found:limit.reserve_failed_m=0 mm; found:limit.z_failed=0.05; found:target.z=0.3");
  state_everything(job);
  CHECK(says(Stage::size) == "passes in all conditions");
  set(job, "found:limit.effort_failed=50 N");
  const auto strip = foot_strip(job, 12);
  const auto failing = std::count_if(strip.begin(), strip.end(), [](const ConditionReport& c) {
    return c.id != ConditionId::found && c.verdict == Verdict::fails;
  });
  CHECK(failing > 1);
  CHECK(says(Stage::size) == fmt::format("{} conditions fail", failing));
}

TEST_CASE("limits are met at their very value") {
  Job job = known_job();
  const auto told = [&job](FindingCode code) {
    const auto all = find_all(job, foot_strip(job, 8));
    return std::any_of(all.begin(), all.end(), [code](const Finding& f) { return f.code == code; });
  };
  job.plan.set(param::control_pin_arm, {0.0625, How::tape, 0.001875, {}});  // 3 % to the bit
  CHECK_FALSE(told(FindingCode::survey_pin_doubt));
  job.plan.set(param::control_pin_arm, {0.0625, How::tape, 0.0019, {}});
  CHECK(told(FindingCode::survey_pin_doubt));
  const auto applies = [&job](GateId id) {
    const auto strip = foot_strip(job, 8);
    const auto gates = gates_of(job, strip, find_all(job, strip));
    return std::any_of(gates.begin(), gates.end(), [id](const Gate& g) { return g.id == id; });
  };
  CHECK_FALSE(applies(GateId::deviation));  // how the rod is kept is not known: nothing to sign
  set(job, "rod.staked=maker");
  CHECK_FALSE(applies(GateId::deviation));
  set(job, "rod.staked=other");
  CHECK(applies(GateId::deviation));
}

TEST_CASE("the other outlet, the day of a gate that was undone, and a day that is not past yet") {
  Job job = known_job();
  const auto other = [&job] {
    return static_cast<int>(other_outlet(job, As::plan, Wheel::front_left).si);
  };
  CHECK(other() == 1);  // it is on the first
  set(job, "circuit.fl=2");
  CHECK(other() == 0);
  set(job, "circuit.fl=?");
  CHECK(other() == 0);  // not traced: the first
  pass_gate(job, GateId::weep, "2026-05-10T11:00:00");
  const auto weep = [&job] {
    const auto strip = foot_strip(job, 8);
    for (const Gate& g : gates_of(job, strip, find_all(job, strip)))
      if (g.id == GateId::weep) return g;
    return Gate{};
  };
  CHECK(weep().date == "2026-05-10");
  record_for(job, out_crack) = {true, "2026-05-11", "", {}};
  CHECK(weep().state == GateState::open);
  CHECK(weep().date.empty());
  PartInHand hose;
  hose.name = "hose";
  hose.promised = "2026-07-01";
  hose.before_apart = true;
  job.parts = {hose};
  CHECK(english(parts_gate(job, "2026-07-01").sentence).find("is past") == std::string::npos);
  CHECK(english(parts_gate(job, "2026-07-02").sentence).find("is past") != std::string::npos);
}

TEST_CASE("bleeding: the order follows the side of the plan's master, a clutch's fluid its line") {
  Job job = known_job();
  set(job, "found:vehicle.steering=left; vehicle.steering=left; circuit.split=axle");
  const auto order = [&job] {
    std::vector<Wheel> list;
    for (const BleedWheel& w : bleed_plan(job).wheels) list.push_back(w.wheel);
    return list;
  };
  using enum Wheel;
  CHECK(order() == std::vector{rear_right, rear_left, front_right, front_left});
  set(job, "vehicle.steering=right");  // the plan's side alone
  CHECK(order() == std::vector{rear_left, rear_right, front_left, front_right});
  set(job, "circuit.split=diagonal; circuit.fl=1; circuit.rr=1; circuit.fr=2; circuit.rl=2");
  CHECK(order() == std::vector{rear_left, front_right, rear_right, front_left});
  CHECK(bleed_plan(job).rounds == 3);
  Job clutch = known_job();
  set(clutch, kClutchJob);
  set(clutch,
      "master.reservoir=60 ml; clutch.tube=2 m; clutch.hose=0 m; lines.tube_outside=5 mm; "
      "lines.tube_wall=1 mm");
  const BleedPlan plan = bleed_plan(clutch);
  CHECK(plan.rounds == 1);
  // Two fillings of the reservoir and three of the line with 20 mm of slave, by hand.
  const double line = kPi / 4 * 0.003 * 0.003 * 2 + kPi / 4 * 0.02222 * 0.02222 * 0.02;
  CHECK(plan.fluid.value() == Approx(2 * 60e-6 + 3 * line).epsilon(1e-3));
}

TEST_CASE("readings below 1 MPa are counted anew each time") {
  std::size_t low = 99;
  const System s = car();
  Condition dead;
  dead.assist_alive = false;
  const auto m = FeelModel::make(s, dead);
  std::vector<Reading> readings;
  for (const double pa : {0.5e6, 0.8e6, 2e6, 3e6}) {
    const FeelPoint p = m->at(pa);
    readings.push_back({.force_n = p.pad_force_n, .travel_m = p.pad_travel_m});
  }
  CHECK(usable_rows(s, readings, false, low).size() == 4);
  CHECK(low == 2);
  CHECK(usable_rows(s, readings, false, low).size() == 4);
  CHECK(low == 2);
}

TEST_CASE("clear nipples are not enough while the readings tell of more air than is allowed") {
  Job job = known_job();
  do_all_work(job);
  const auto bled = [&job] {
    const auto strip = foot_strip(job, 0);
    for (const Gate& g : gates_of(job, strip, find_all(job, strip)))
      if (g.id == GateId::bled) return g;
    return Gate{};
  };
  CHECK(bled().state == GateState::passed);
  Condition air;
  air.assist_alive = false;
  air.air_m3 = 6e-6;
  const auto m = FeelModel::make(*assemble(job, As::plan).system, air);
  REQUIRE(m);
  for (const double pa : {0.2e6, 0.4e6, 0.7e6, 1.5e6, 2.5e6, 3.5e6}) {
    const FeelPoint p = m->at(pa);
    Reading r;
    r.force_n = p.pad_force_n;
    r.travel_m = p.pad_travel_m;
    r.force_uncertainty_n = 1;
    r.travel_uncertainty_m = 0.0005;
    job.readings.push_back(r);
  }
  set(job, "air.left=1 ml");
  CHECK(bled().state == GateState::open);
  CHECK(english(bled().why).find("of air, 1.0 cm³ is the limit") != std::string::npos);
  set(job, "air.left=9 ml");
  CHECK(bled().state == GateState::passed);
  // Readings that nothing explains are no proof that there is none.
  for (std::size_t i = 0; i < job.readings.size(); ++i)
    job.readings[i].travel_m = i % 2 == 0 ? 0.02 : 0.11;
  CHECK(bled().state == GateState::open);
  CHECK(english(bled().why).find("fit nothing") != std::string::npos);
}

TEST_CASE("growth of calipers and drums is asked of firm presses, not of light ones") {
  const System s = car();
  Condition dead;
  dead.assist_alive = false;
  const auto m = FeelModel::make(s, dead);
  const auto estimate = [&](std::initializer_list<double> pressures) {
    std::vector<Reading> readings;
    for (const double pa : pressures) {
      const FeelPoint p = m->at(pa);
      Reading r;
      r.force_n = p.pad_force_n;
      r.travel_m = p.pad_travel_m;
      r.force_uncertainty_n = 1;
      r.travel_uncertainty_m = 0.0003;
      readings.push_back(r);
    }
    return estimate_from_readings(s, readings, false);
  };
  const auto firm = estimate({1.2e6, 1.6e6, 2.2e6, 3e6, 4e6, 5e6});
  REQUIRE(firm.at(Unknown::growth));
  CHECK(firm.at(Unknown::growth)->value == Approx(1).margin(0.05));
  const auto light = estimate({1.1e6, 1.2e6, 1.4e6, 1.6e6, 1.7e6, 1.9e6});
  CHECK_FALSE(light.at(Unknown::growth));
  CHECK(light.used == 6);
}
