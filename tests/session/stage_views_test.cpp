// What the pages are given to show, against the facts of the job it was made of.
#include <catch2/catch.hpp>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/circuits.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/squareness.hpp"
#include "document/param/vehicle.hpp"
#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "rod/rod.hpp"
#include "session/entries.hpp"
#include "session/stage_views.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::string said(const Message& m) {
  return english(m, {UnitStyle::metric});
}

}  // namespace

TEST_CASE(
    "plumb: single, crossed, untraced and traced are told apart, a clutch has nothing to trace") {
  Job job = known_job();
  CHECK(said(plumb_view(job).answer).find("Every wheel is traced") == 0);
  set(job, "circuit.rl=?; circuit.rr=?");
  CHECK(said(plumb_view(job).answer) == "2 of 4 wheels traced.");
  job = known_job();
  // One front wheel on the rear's outlet: a diagonal that nobody intended.
  const Value left = value_of(job, As::plan, param::circuit_fl);
  job.plan.set(param::circuit_fr, measured(param::circuit_fr, 1 - left.si, How::stated));
  CHECK(said(plumb_view(job).answer) == "The outlets are not as intended.");
  set(job, "master.kind=single");
  CHECK(said(plumb_view(job).answer).find("A single circuit") == 0);
  CHECK_FALSE(plumb_view(job).clutch);
  set(job, kClutchJob);
  CHECK(plumb_view(job).clutch);
  CHECK(said(plumb_view(job).answer).find("One line") == 0);
}

TEST_CASE("install: steps keep their order, ticks with day and note stand in their own row") {
  Job job = known_job();
  const auto steps = install_steps(job);
  REQUIRE(steps.size() > 4);
  record_for(job, steps[2].id) = {true, "2026-03-01", "tight", {}};
  record_for(job, steps[3].id) = {false, "", "waits for a nut", {}};
  const InstallView v = install_view(job);
  REQUIRE(v.steps.size() == steps.size());
  for (std::size_t i = 0; i < steps.size(); ++i) CHECK(v.steps[i].step.id == steps[i].id);
  CHECK(v.done == 1);
  CHECK(v.steps[2].done);
  CHECK(v.steps[2].date == "2026-03-01");
  CHECK(v.steps[2].note == "tight");
  CHECK_FALSE(v.steps[3].done);
  CHECK(v.steps[3].note == "waits for a nut");
  CHECK_FALSE(v.steps[4].done);
  CHECK(v.stale_as_built == 0);
  set_as_built(job, param::control_rod_clearance,
               measured(param::control_rod_clearance, 0.6e-3, How::calliper));
  CHECK(install_view(job).stale_as_built == 0);
  set(job, "control.rod_clearance=0.9 mm");
  CHECK(install_view(job).stale_as_built == 1);
}

TEST_CASE(
    "bleed: rows say the count, the refill that is due, and clear only after a row of strokes") {
  Job job = known_job();
  const BleedPlan plan = bleed_plan(job);
  REQUIRE(plan.missing.empty());
  BleedView v = bleed_view(job);
  REQUIRE(v.lines.size() == 5);
  CHECK(v.has_order);
  CHECK(v.lines[0].key == "bench");
  CHECK(said(v.lines[0].count) == "0");
  const BleedWheel& first = plan.wheels.front();
  CHECK(v.lines[1].key == wheel_key(first.wheel));
  CHECK(said(v.lines[1].name) == "1. " + std::string(wheel_words(first.wheel)));
  CHECK(said(v.lines[1].count) == "0 of " + std::to_string(first.strokes));
  CHECK(said(v.lines[1].state) == "not begun");
  BleedRecord& r = job.bleeding[v.lines[1].key];
  for (int i = 0; i < kClearStrokes - 1; ++i) count_stroke(r, false);
  CHECK(said(bleed_view(job).lines[1].state).find("2 of 3 clear in a row") != std::string::npos);
  count_stroke(r, false);
  // Five in a row are no pass while what stood in the line cannot have come out.
  REQUIRE(first.strokes > kClearStrokes);
  const std::string more = std::to_string(first.strokes - kClearStrokes);
  CHECK(said(bleed_view(job).lines[1].state) ==
        "clear in a row; " + more + " strokes more until its line is through");
  top_up(job, v.lines[1].key);
  while (r.strokes < first.strokes) count_stroke(r, false);
  CHECK(said(bleed_view(job).lines[1].state).find("does its nipple stand at the highest place?") !=
        std::string::npos);
  set(job, "bleed.rear_screw=low");
  CHECK(said(bleed_view(job).lines[1].state).find("not at the highest place") != std::string::npos);
  CHECK_FALSE(bleed_view(job).lines[1].clear);
  set(job, "bleed.rear_screw=top");
  CHECK(said(bleed_view(job).lines[1].state).find("✓ clear") != std::string::npos);
  top_up(job, v.lines[1].key);
  const int before = r.strokes;
  count_stroke(r, true);
  CHECK(said(bleed_view(job).lines[1].state).find("0 of 3") != std::string::npos);
  while (r.strokes < before + first.refill_every) count_stroke(r, false);
  v = bleed_view(job);
  CHECK(v.lines[1].refill_now);
  CHECK(said(v.lines[1].state).find("■ TOP UP NOW\n") == 0);
  CHECK(v.lines[2].refill_now);  // the same chamber feeds it
  CHECK_FALSE(v.lines[3].refill_now);
  count_refill(r);
  CHECK_FALSE(bleed_view(job).lines[1].refill_now);
  // Without what the counts rest on none is offered, and it says what is missing.
  set(job, "master.bore=?");
  v = bleed_view(job);
  CHECK_FALSE(v.has_order);
  CHECK(said(v.plan).find("bore of the master") != std::string::npos);
  set(job, kClutchJob);
  v = bleed_view(job);
  REQUIRE(v.lines.size() == 2);
  CHECK(v.lines[1].key == "slave");
}

TEST_CASE("install: what soaks holds what needs it until it has soaked, by the clock") {
  Job job = known_job();
  set(job, "master.bore=25.4 mm");
  const InstallView before = install_view(job);
  const auto soak = std::find_if(before.steps.begin(), before.steps.end(),
                                 [](const StepRow& r) { return r.step.wait_s > 0; });
  REQUIRE(soak != before.steps.end());
  const auto at = static_cast<std::size_t>(soak - before.steps.begin());
  // Everything but what it holds is done; it was begun at noon.
  for (const StepRow& r : before.steps)
    for (const NeedRow& n : r.needs)
      if (n.step == at)
        for (const NeedRow& o : r.needs) record_for(job, before.steps[o.step].step).done = true;
  record_for(job, soak->step).done = true;
  record_for(job, soak->step).waits = "2026-05-31T12:00:00";
  const auto user = [&](std::string_view now) {
    const InstallView v = install_view(job, now);
    for (const StepRow& r : v.steps)
      for (const NeedRow& n : r.needs)
        if (v.steps[n.step].step.key == soak->step.key) return std::pair(r.state, n.rests_s);
    FAIL("nothing needs it");
    return std::pair(StepState::done, 0LL);
  };
  const auto [state, left] = user("2026-05-31T12:00:10");
  CHECK(state == StepState::waits);
  CHECK(left == soak->step.wait_s - 10);
  CHECK(user("2026-07-31T12:00:00") == std::pair(StepState::ready, 0LL));
  CHECK(user({}) == std::pair(StepState::ready, 0LL));
}

TEST_CASE("gates: a row held by the numbers says why and has nothing to answer") {
  Job job = known_job();
  const auto rows_of = [](const Job& j) {
    const auto strip = foot_strip(j, 16);
    return gate_rows(j, strip, find_all(j, strip));
  };
  const auto of = [](const std::vector<GateRow>& rows, GateId id) {
    const auto it = std::find_if(rows.begin(), rows.end(), [id](auto& r) { return r.id == id; });
    REQUIRE(it != rows.end());
    return *it;
  };
  pass_gate(job, GateId::sink);
  auto rows = rows_of(job);
  CHECK(of(rows, GateId::sink).state == GateState::passed);
  CHECK(said(of(rows, GateId::sink).remark).find("A. Builder") != std::string::npos);
  CHECK(said(of(rows, GateId::sink).expected) == "at most 2 mm");
  CHECK(of(rows, GateId::weep).state == GateState::open);
  CHECK(english(of(rows, GateId::weep).remark) == english(of(rows, GateId::weep).how));
  set(job, "control.rod_clearance=0 mm");
  const GateRow held = of(rows_of(job), GateId::preload);
  CHECK(held.held);
  CHECK(held.state == GateState::failed);
  CHECK(said(held.remark).find("holds the piston on") != std::string::npos);
}

TEST_CASE("rod: the sentence and its details are the report's, in order") {
  Job job = known_job();
  set(job,
      "found:rod.snout=40 mm; found:rod.socket=30 mm; found:rod.stack=0 mm; rod.snout=35 mm; "
      "rod.socket=28 mm; rod.stack=0 mm; found:control.rod_length=150 mm; rod.pitch=24 tpi; "
      "rod.coupling=fork");
  const RodReport r = rod_report(job);
  REQUIRE(r.total);
  const RodView v = rod_view(job);
  CHECK(said(v.answer) == said(rod_words(r)));
  const std::string all = said(joined(v.details, " · "));
  REQUIRE(r.turns);
  CHECK(all.find(*r.turns > 0 ? "turns longer" : "turns shorter") != std::string::npos);
  REQUIRE(r.new_length);
  CHECK(all.find("new rod " + format_quantity(r.new_length->value(), Kind::length, 1,
                                              {UnitStyle::metric})) != std::string::npos);
  set(job, "rod.snout=?");
  CHECK(said(rod_view(job).answer).find("Cannot say") == 0);
}

TEST_CASE("record: proved is said of a job that holds, and of a file only when it was checked") {
  Job job = known_job();
  CHECK(said(state_words(job, {})) == "In work, not proved.");
  job.state = JobState::left_unsafe;
  CHECK(said(state_words(job, {})).find("LEFT UNSAFE") == 0);
  job.state = JobState::proved;  // no gate was passed
  CHECK(said(state_words(job, find_all(job, foot_strip(job, 16)))).find("PROVED NO LONGER") == 0);
  JobEntry e;
  CHECK(said(listed_state(e)) == "in work, not checked");
  e.hard_findings = 0;
  CHECK(said(listed_state(e)) == "in work");
  e.hard_findings = 2;
  CHECK(said(listed_state(e)) == "2 points say: do not drive");
  e.state = JobState::proved;
  CHECK(said(listed_state(e)) == "PROVED NO LONGER");
  e.hard_findings = 0;
  CHECK(said(listed_state(e)) == "proved when saved");
  e.hard_findings.reset();
  CHECK(said(listed_state(e)).find("not checked") != std::string::npos);
  e.error = "The file is broken";
  CHECK(said(listed_state(e)) == "The file is broken");
}

TEST_CASE("a typed reading is held to what a file keeps, and names the entry that is wrong") {
  const Style metric{UnitStyle::metric};
  const auto ok = typed_reading({"300 N", "62 mm", "", true, false, true}, metric);
  REQUIRE(ok);
  CHECK(ok->force_n == 300);
  CHECK(ok->travel_m == Approx(0.062));
  CHECK(ok->assist_alive);
  CHECK_FALSE(ok->second_apply);
  CHECK(ok->hoses_clamped);
  CHECK_FALSE(ok->pressure_pa);
  CHECK(typed_reading({"300 N", "62 mm", "40 bar"}, metric)->pressure_pa == Approx(4e6));
  struct Bad {
    ReadingEntry entry;
    const char* says;
  };
  for (const Bad& b : {Bad{{"5001 N", "62 mm", ""}, "Pedal force cannot be 5001 N"},
                       Bad{{"x", "62 mm", ""}, "Pedal force: “x” is not a number"},
                       Bad{{"300 N", "-1 mm", ""}, "Pedal travel cannot be -1 mm"},
                       Bad{{"300 N", "1001 mm", ""}, "Pedal travel cannot be 1001 mm"},
                       Bad{{"300 N", "62 mm", "401 bar"}, "Gauge pressure cannot be 401 bar"}}) {
    const auto r = typed_reading(b.entry, metric);
    REQUIRE_FALSE(r);
    CHECK(english(r.error().reason) == b.says);
    CHECK_FALSE(english(r.error().range.empty() ? r.error().remedy : r.error().range).empty());
  }
  CHECK(typed_reading({"5000 N", "1000 mm", "400 bar"}, metric));
}

TEST_CASE(
    "a length that nobody told a tool for was measured with what reaches it (common practice)") {
  CHECK(usual_tool(param::master_bore, 0.0222) == How::calliper);
  CHECK(usual_tool(param::control_pad_arm, 0.150) == How::calliper);
  CHECK(usual_tool(param::control_pad_arm, 0.151) == How::rule);
  CHECK(usual_tool(param::vehicle_wheelbase, 2.4) == How::tape);
  CHECK(usual_tool(param::fit_gap_up, -0.3) == How::rule);
  CHECK(usual_tool(param::vehicle_mass, 1200) == How::stated);
}

TEST_CASE("the rod says where a clutch's rod begins after bleeding") {
  Job job = known_clutch();
  set(job, "rod.pitch=1 mm");
  const auto says = [](const Job& j) {
    for (const Message& m : rod_view(j).details)
      if (said(m).find("after bleeding: ") == 0) return said(m);
    return std::string();
  };
  CHECK(says(job).find("turns shorter than planned") != std::string::npos);
  CHECK(says(known_job()).empty());
}
