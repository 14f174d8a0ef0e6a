// The dead stroke, the fluid, joints dry or wet, the pedal expected now, what an open line loses.
#include <catch2/catch.hpp>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "clutch/clutch.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/fluid_plan.hpp"
#include "document/param/lines.hpp"
#include "document/param/master.hpp"
#include "judge/findings.hpp"
#include "judge/rule_book.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleed_checks.hpp"
#include "work/clean_change.hpp"
#include "work/dead_stroke.hpp"
#include "work/expected_pedal.hpp"
#include "work/fluid_plan.hpp"
#include "work/wetness.hpp"

using namespace yoke;
using namespace yoke::test;
using choice::FluidGrade;

TEST_CASE("dead stroke: at the pad by the arms, healthy within the limits, open while unmeasured") {
  Job job = known_job();
  CHECK(dead_stroke(job).state == DeadState::open);
  set(job, "bleed.dead1=1.5 mm");
  CHECK(dead_stroke(job).state == DeadState::open);
  set(job, "bleed.dead2=3 mm");
  CHECK(dead_stroke(job).state == DeadState::healthy);
  set(job, "control.pad_arm=300 mm; control.pin_arm=50 mm");
  // 3/8 in at the piston is 2 1/4 in of pad at 6:1 (common practice, no source).
  set(job, "bleed.dead1=0.375 in");
  REQUIRE(dead_stroke(job).pad_m[0]);
  CHECK(*dead_stroke(job).pad_m[0] == Approx(2.25 * 0.0254));
  CHECK(dead_stroke(job).state == DeadState::too_long);
  // A guess is no measurement.
  job.plan.set(param::bleed_dead1, {0.001, How::estimate, 0, {}});
  CHECK(dead_stroke(job).state == DeadState::open);
}

TEST_CASE("dead stroke: taken over it is the unit's cut-offs, and the strip's pedal goes deeper") {
  Job job = known_job();
  set(job, "bleed.dead1=1.8 mm; bleed.dead2=3.4 mm");
  const auto travel = [](const Job& j) {
    const auto strip = foot_strip(j, 0);
    return report_of(strip, ConditionId::plan)->target->at.pad_travel_m;
  };
  const double before = travel(job);
  REQUIRE(take_dead_stroke(job));
  CHECK(value_of(job, As::plan, param::master_cutoff1).si == Approx(0.0018));
  CHECK(value_of(job, As::plan, param::master_cutoff2).si == Approx(0.0016));
  CHECK(value_of(job, As::plan, param::master_cutoff1).as_built);
  CHECK(travel(job) > before);
  Job nothing = known_job();
  CHECK_FALSE(take_dead_stroke(nothing));
}

TEST_CASE("fluid: the grade every part bears - silicone and glycol never meet") {
  // FMVSS 116, boiling points dry and wet in degrees Celsius: from memory.
  CHECK(boiling_points(FluidGrade::n3).dry_c == 205);
  CHECK(boiling_points(FluidGrade::n3).wet_c == 140);
  CHECK(boiling_points(FluidGrade::n4).dry_c == 230);
  CHECK(boiling_points(FluidGrade::n4).wet_c == 155);
  CHECK(boiling_points(FluidGrade::n5).dry_c == 260);
  CHECK(boiling_points(FluidGrade::n5_1).wet_c == 180);
  Job job = known_job();
  set(job, "found:fluid.grade=4; fluid.grade=4; fluid.maker=4");
  CHECK(fluid_plan(job).grade == FluidVerdict::open);  // nobody looked at the rubber
  set(job, "fluid.rubber=glycol");
  CHECK(fluid_plan(job).grade == FluidVerdict::good);
  set(job, "fluid.maker=5.1");
  CHECK(fluid_plan(job).grade == FluidVerdict::wrong);
  set(job, "fluid.grade=5.1");
  CHECK(fluid_plan(job).grade == FluidVerdict::good);
  set(job, "fluid.maker=3");
  CHECK(fluid_plan(job).grade == FluidVerdict::good);  // a higher one serves
  set(job, "fluid.grade=5");
  const FluidPlan silicone = fluid_plan(job);
  CHECK(silicone.grade == FluidVerdict::wrong);
  CHECK(silicone.steps.size() >= 5);  // a flush plan of its own
  set(job, "fluid.grade=4; fluid.rubber=mineral");
  CHECK(fluid_plan(job).grade == FluidVerdict::wrong);
}

TEST_CASE("fluid: what nobody said is not known, and typical grades never count as said") {
  Job job = known_job();
  job.found.clear(param::fluid_grade);
  job.plan.clear(param::fluid_grade);
  const FluidPlan p = fluid_plan(job);
  CHECK_FALSE(p.goes_in);  // "DOT 4 unless stated" was said by nobody
  CHECK_FALSE(p.is_in);
  CHECK(p.known == FluidVerdict::open);
  set(job, "fluid.opened=13");
  CHECK(fluid_plan(job).opened == FluidVerdict::wrong);
  set(job, "fluid.opened=12");
  CHECK(fluid_plan(job).opened == FluidVerdict::good);
  const double needed = fluid_plan(job).needed.value();
  REQUIRE(needed > 0);
  job.plan.set(param::fluid_bottle, {needed * 0.99, How::stated, 0, {}});
  CHECK(fluid_plan(job).enough == FluidVerdict::wrong);
  job.plan.set(param::fluid_bottle, {needed * 1.01, How::stated, 0, {}});
  CHECK(fluid_plan(job).enough == FluidVerdict::good);
}

TEST_CASE("wetness: what nobody wiped is not dry, and holds its gate - a wet joint shuts it") {
  Job job = known_job();
  do_all_work(job);
  pass_gate(job, GateId::weep);
  const auto weep = [](const Job& j) {
    const auto strip = foot_strip(j, 0);
    for (const Gate& g : gates_of(j, strip, find_all(j, strip)))
      if (g.id == GateId::weep) return g;
    FAIL("no such gate");
    return Gate{};
  };
  REQUIRE(weep(job).state == GateState::passed);
  const std::string key = wipe_map(job).front().joint.key;
  made_again(job, key);
  CHECK(weep(job).state == GateState::open);
  CHECK(not_dry(job, WipeRound::filled).size() == 1);
  wipe(job, key, WipeRound::filled, Wiped::dry);
  CHECK(weep(job).state == GateState::open);  // not pressed yet
  wipe(job, key, WipeRound::pressed, Wiped::dry);
  CHECK(weep(job).state == GateState::passed);
  wipe(job, key, WipeRound::pressed, Wiped::wet);
  CHECK(weep(job).state == GateState::failed);
  CHECK(weep(job).held);
  CHECK_FALSE(wipe_map(job).front().mend.empty());
  made_again(job, key);
  job.joints[key].left_shut = true;
  CHECK(weep(job).state == GateState::passed);  // this job never opened it
  set(job, "master.bore=25.4 mm");
  for (const WipedJoint& w : wipe_map(job))
    if (w.joint.key == key) CHECK_FALSE(w.left_shut);  // a new unit's joint was opened
}

TEST_CASE("expected pedal: deeper the more is unbled, and where the job stands by its counts") {
  Job job = known_job();
  const auto now = [](const Job& j) {
    for (const ExpectedPedal& p : expected_pedals(j).stages)
      if (p.now) return p;
    FAIL("it stands nowhere");
    return ExpectedPedal{};
  };
  CHECK(now(job).stage == PedalStage::dry);
  CHECK(now(job).to_the_stop);
  bleed_clear(job, "bench");
  CHECK(now(job).stage == PedalStage::bench_bled);
  record_for(job, StepId::fill_fluid).done = true;
  CHECK(now(job).stage == PedalStage::filled);
  double last = *now(job).travel_m;
  for (const char* k : {"rr", "rl", "fr"}) {
    bleed_clear(job, k);
    CHECK(now(job).stage == PedalStage::part_bled);
    CHECK(*now(job).travel_m <= last + 1e-6);
    last = *now(job).travel_m;
  }
  bleed_clear(job, "fl");
  CHECK(now(job).stage == PedalStage::bled);
  CHECK(*now(job).travel_m < last);
  CHECK(now(job).air_m3 == 0);
}

TEST_CASE("expected pedal: a high pedal before it is bled is called out, a match is said") {
  Job job = known_job();
  bleed_clear(job, "bench");
  record_for(job, StepId::fill_fluid).done = true;
  ExpectedPedals e = expected_pedals(job);
  CHECK_FALSE(e.measured_m);
  Reading r;
  r.force_n = 150;
  r.travel_m = 0.02;
  job.readings.push_back(r);
  e = expected_pedals(job);
  REQUIRE(e.wanted_m);
  REQUIRE(*e.wanted_m - 0.02 > 0.008);
  REQUIRE_FALSE(e.reasons.empty());
  CHECK(english(e.reasons.front()).find("proves nothing") != std::string::npos);
  job.readings.back().travel_m = *e.wanted_m;
  CHECK(expected_pedals(job).reasons.empty());
  do_all_work(job);
  job.readings.back().travel_m = 0.12;
  CHECK(english(expected_pedals(job).reasons.front()).find("highest place") != std::string::npos);
}

TEST_CASE("an open line: what runs out by Hagen and Poiseuille, worked by hand") {
  // Q = rho g h pi d^4 / (128 nu rho L): 1050 x 9.80665 x 0.3 Pa through 3.34 mm, 2 m; textbook.
  const double d = 0.00334, length = 2, nu = 15e-6;
  const double by_hand = 9.80665 * 0.3 * M_PI * std::pow(d, 4) / (128 * nu * length);
  REQUIRE(open_line_loss(d, length));
  CHECK(*open_line_loss(d, length) == Approx(by_hand));
  CHECK_FALSE(open_line_loss(0, 2));
  Job job = known_job();
  Job nothing = job;
  set(nothing, "found:target.job=feel");
  CHECK(clean_change(nothing).steps.empty());  // nothing comes off
  set(job, "master.bore=25.4 mm; front.tube=3 m; rear.tube=4 m");
  const CleanChange c = clean_change(job);
  CHECK(c.steps.size() == 8);
  CHECK(c.bleeds.size() == 4);
  CHECK(std::count_if(c.steps.begin(), c.steps.end(),
                      [](const ChangeStep& s) { return s.loss_m3_s.has_value(); }) == 2);
}

TEST_CASE("rules of bleeding: what nobody said does not hold, and nothing is asked of a dry job") {
  Job job = known_job();
  const auto verdict = [](const Job& j, FindingCode code) {
    for (const JudgedRule& r : rule_book(j))
      if (r.id == key(code)) return r.verdict;
    FAIL("no such rule");
    return Verdict::fails;
  };
  Job nothing = job;
  set(nothing, "found:target.job=feel");
  CHECK(verdict(nothing, FindingCode::bleed_screw) == Verdict::not_applicable);
  set(job, "master.bore=25.4 mm");
  for (const FindingCode code :
       {FindingCode::bleed_screw, FindingCode::bleed_interlock, FindingCode::bleed_way,
        FindingCode::bleed_dead, FindingCode::bleed_wet, FindingCode::fluid_grade,
        FindingCode::fluid_opened, FindingCode::fluid_short})
    CHECK(verdict(job, code) == Verdict::cannot_say);
  CHECK(verdict(job, FindingCode::bleed_tester) == Verdict::not_applicable);
  set(job, "bleed.front_screw=top; bleed.rear_screw=top; bleed.park=off");
  CHECK(verdict(job, FindingCode::bleed_screw) == Verdict::holds);
  CHECK(verdict(job, FindingCode::bleed_interlock) == Verdict::holds);
  job.plan.set(param::bleed_front_screw, {0, How::estimate, 0, {}});
  CHECK(verdict(job, FindingCode::bleed_screw) == Verdict::cannot_say);
}

TEST_CASE("a shut line connector: what a foot would bring, by lever and bore") {
  Job job;
  set(job, kClutchJob);
  set(job, "control.pad_arm=300 mm; control.pin_arm=50 mm; master.bore=19.05 mm");
  const auto p = shut_press(job);
  REQUIRE(p);
  CHECK(p->rod_n == Approx(3000));
  // 3000 N over a 3/4 in bore: 10.5 MPa, worked by hand.
  CHECK(p->line_pa == Approx(3000 / (M_PI / 4 * 0.01905 * 0.01905)));
  set(job, "bleed.connector=shut; bleed.preload=none");
  count_stroke(job.bleeding["slave"], false);
  bool told = false;
  for (const Finding& f : bleed_findings(job)) told |= f.code == FindingCode::bleed_interlock;
  CHECK(told);
  set(job, "bleed.way=connector");
  told = false;
  for (const Finding& f : bleed_findings(job)) told |= f.code == FindingCode::bleed_interlock;
  CHECK_FALSE(told);
}

TEST_CASE(
    "expected pedal of a clutch: never free while the line is full of air, free when it is bled") {
  Job job = known_clutch();
  const auto at = [](const Job& j, PedalStage stage) {
    for (const ExpectedPedal& p : expected_pedals(j).stages)
      if (p.stage == stage) return p;
    FAIL("no such stage");
    return ExpectedPedal{};
  };
  CHECK(at(job, PedalStage::dry).to_the_stop);
  CHECK(at(job, PedalStage::dry).now);
  CHECK_FALSE(at(job, PedalStage::bled).to_the_stop);
  CHECK(*at(job, PedalStage::filled).travel_m >= *at(job, PedalStage::bled).travel_m);
  const ClutchAssembly a = assemble_clutch(resolve(job, As::plan));
  CHECK(*at(job, PedalStage::bled).travel_m ==
        Approx(clutch_report(*a.system)->release.pad_travel_m));
  bleed_clear(job, "bench");
  CHECK(at(job, PedalStage::bench_bled).now);
  record_for(job, StepId::fill_fluid).done = true;
  CHECK(at(job, PedalStage::filled).now);
  bleed_clear(job, "slave");
  CHECK(at(job, PedalStage::bled).now);
  // The press that was measured, beside what its push should give.
  Reading r;
  r.force_n = 60;
  r.travel_m = 0.5;
  job.readings.push_back(r);
  const ExpectedPedals e = expected_pedals(job);
  REQUIRE(e.wanted_m);
  CHECK(*e.wanted_m < 0.2);
  CHECK(english(e.reasons.front()).find("highest place") != std::string::npos);
  job.readings.back().rejected = true;
  CHECK_FALSE(expected_pedals(job).measured_m);
}
