// The level above the ports, a chamber that ran dry, the master against plugs.
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/bleed_kit.hpp"
#include "document/param/clutch.hpp"
#include "document/param/master.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleed_checks.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
#include "work/bleed_methods.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

ChamberLevel level(const Job& job, Outlet o) {
  for (const ChamberLevel& c : chamber_levels(job, bleed_plan(job)))
    if (c.outlet == o) return c;
  FAIL("no chamber of that outlet");
  return {};
}
const BleedWheel& wheel(const BleedPlan& plan, std::string_view key) {
  for (const BleedWheel& w : plan.wheels)
    if (wheel_key(w.wheel) == key) return w;
  FAIL("not planned");
  return plan.wheels.front();
}
const BleedCheck check_of(const Job& job, FindingCode code) {
  for (const BleedCheck& c : bleed_checks(job))
    if (c.code == code) return c;
  FAIL("no such check");
  return {};
}

}  // namespace

TEST_CASE("level: strokes at every wheel of a circuit draw on one chamber, warned two before") {
  Job job = known_job();
  set(job, "master.reservoir=60 ml");
  const BleedPlan plan = bleed_plan(job);
  const double stroke = wheel(plan, "fl").per_stroke.value();
  const int full = static_cast<int>(std::floor(60e-6 / stroke));
  REQUIRE(full > 4);
  CHECK(level(job, Outlet::primary).strokes_left == full);
  CHECK_FALSE(level(job, Outlet::primary).warn());  // nothing is gone yet
  for (int i = 0; i < full - 3; ++i) count_stroke(job.bleeding[i % 2 ? "fl" : "fr"], true);
  CHECK(level(job, Outlet::primary).strokes_left == 3);
  CHECK_FALSE(level(job, Outlet::primary).warn());
  CHECK(check_of(job, FindingCode::bleed_level).state == BleedCheckState::good);
  count_stroke(job.bleeding["fr"], true);
  CHECK(level(job, Outlet::primary).strokes_left == kWarnStrokes);
  CHECK(level(job, Outlet::primary).warn());
  CHECK(level(job, Outlet::primary).gone.value() == Approx((full - 2) * stroke));
  CHECK(check_of(job, FindingCode::bleed_level).state == BleedCheckState::wrong);
  CHECK_FALSE(level(job, Outlet::secondary).warn());  // the other chamber is as full as before
  for (int i = 0; i < 3; ++i) count_stroke(job.bleeding["fl"], true);
  CHECK(level(job, Outlet::primary).bare());
  top_up(job, "fl");
  CHECK(level(job, Outlet::primary).strokes_left == full);
  CHECK(job.bleeding["fl"].refills == 1);
  // A second chamber of its own size.
  set(job, "unit.chamber2=30 ml");
  CHECK(level(job, Outlet::secondary).holds.value() == Approx(30e-6));
}

TEST_CASE("level: a typical chamber is open, and under a pressure bottle nothing is told") {
  Job job = known_job();
  job.found.clear(param::master_reservoir);
  job.plan.clear(param::master_reservoir);
  count_stroke(job.bleeding["fl"], false);
  CHECK(level(job, Outlet::primary).typical);
  CHECK(check_of(job, FindingCode::bleed_level).state == BleedCheckState::open);
  set(job, "bleed.way=pressure");
  CHECK(chamber_levels(job, bleed_plan(job)).empty());
}

TEST_CASE("level: by marks of the bottle it falls by what came out, from below it rises") {
  Job job = known_job();
  set(job, "master.reservoir=60 ml");
  set(job, "bleed.way=gravity");
  const auto count = [&job](int n) {
    for (int i = 0; i < n; ++i) count_at(job, bleed_plan(job), "fl", true);
  };
  count(9);  // 45 ml of 60
  CHECK(level(job, Outlet::primary).gone.value() == Approx(45e-6));
  CHECK(level(job, Outlet::primary).strokes_left == 3);
  CHECK_FALSE(level(job, Outlet::primary).warn());
  count(1);
  CHECK(level(job, Outlet::primary).warn());
  CHECK(check_of(job, FindingCode::bleed_level).state == BleedCheckState::wrong);
  top_up(job, "fl");
  set(job, "bleed.way=reverse");
  CHECK(chamber_levels(job, bleed_plan(job)).empty());  // nobody said what room there is
  set(job, "bleed.room=30 ml");
  count(3);
  const auto levels = chamber_levels(job, bleed_plan(job));
  REQUIRE(levels.size() == 1);
  CHECK(levels.front().rises);
  CHECK(levels.front().gone.value() == Approx(15e-6));
  CHECK(levels.front().strokes_left == 3);
  count(2);
  CHECK(check_of(job, FindingCode::bleed_level).state == BleedCheckState::wrong);
  CHECK(english(check_of(job, FindingCode::bleed_level).remedy).find("Draw") == 0);
}

TEST_CASE("a count of strokes goes on by marks: what moved stays, the row begins anew") {
  Job job = known_job();
  for (int i = 0; i < 6; ++i) count_at(job, bleed_plan(job), "fl", i < 2);
  const double stroke_m3 = wheel(bleed_plan(job), "fl").per_stroke.value();
  const double gone_m3 = level(job, Outlet::primary).gone.value();
  CHECK(gone_m3 == Approx(6 * stroke_m3));
  set(job, "bleed.way=gravity");
  count_at(job, bleed_plan(job), "fl", false);
  const ClearState s = clear_state(job, bleed_plan(job), "fl");
  CHECK(job.bleeding["fl"].clear_strokes == 1);
  // Rounded to the safe side: less through, more gone.
  CHECK(s.through.value() <= gone_m3 + kMark_m3 + 1e-12);
  CHECK(s.through.value() > gone_m3 - 1e-12);
  CHECK(level(job, Outlet::primary).gone.value() >= gone_m3 + kMark_m3 - 1e-12);
}

TEST_CASE("of a clutch the level, the strokes and what is missing are told as of a wheel") {
  Job job = known_clutch();
  BleedPlan p = bleed_plan(job);
  REQUIRE(p.slave);
  // 3/4 in over 32 mm less the cut-off, worked by hand; the pad's own stop may come first.
  const double most = M_PI / 4 * 0.01905 * 0.01905 * 0.032;
  CHECK(p.slave->per_stroke.value() < most);
  CHECK(p.slave->per_stroke.value() > 0.5 * most);
  CHECK(p.slave->strokes == std::ceil(1.5 * p.slave->branch.value() / p.slave->per_stroke.value()));
  count_at(job, p, "slave", true);
  CHECK(level(job, Outlet::primary).gone.value() == Approx(p.slave->per_stroke.value()));
  bleed_clear(job, "slave");
  CHECK(all_bled(job));
  ran_dry(job, p, "slave");
  CHECK_FALSE(all_bled(job));
  set(job, "clutch.slave_bore=?");
  p = bleed_plan(job);
  CHECK_FALSE(p.slave);
  CHECK(std::find(p.missing.begin(), p.missing.end(), param::clutch_slave_bore) != p.missing.end());
  CHECK_FALSE(all_bled(job));
}

TEST_CASE("a chamber that ran dry sets its circuit and the master back, the other one stays") {
  Job job = known_job();
  for (const char* k : {"bench", "fl", "fr", "rl", "rr"}) bleed_clear(job, k);
  REQUIRE(all_bled(job));
  ran_dry(job, bleed_plan(job), "fl");
  CHECK_FALSE(is_clear(job, bleed_plan(job), "fl"));
  CHECK_FALSE(is_clear(job, bleed_plan(job), "fr"));
  CHECK_FALSE(bench_clear(job));
  CHECK(is_clear(job, bleed_plan(job), "rl"));
  CHECK(is_clear(job, bleed_plan(job), "rr"));
  CHECK_FALSE(all_bled(job));
  CHECK(check_of(job, FindingCode::bleed_dry).state == BleedCheckState::wrong);
  for (const Gate& g : gates_of(job, {}, {}))
    if (g.id == GateId::bled) CHECK(g.state == GateState::open);
  for (const char* k : {"fl", "fr"}) bleed_clear(job, k);
  CHECK_FALSE(all_bled(job));  // the master still holds the air it drew
  bleed_clear(job, "bench");
  CHECK(all_bled(job));
  CHECK(check_of(job, FindingCode::bleed_dry).state == BleedCheckState::good);
}

TEST_CASE("with plugs the master is bled when its push shrinks, not after a count") {
  Job job = known_job();
  set(job, "bleed.bench=plugs");
  for (int i = 0; i < 30; ++i) count_stroke(job.bleeding["bench"], false);
  CHECK_FALSE(bench_clear(job));
  job.bleeding["bench"].push_m = 0.004;
  CHECK_FALSE(bench_clear(job));
  job.bleeding["bench"].push_m = 0.001;
  CHECK(bench_clear(job));
  set(job, "bleed.bench=tubes");
  CHECK(bench_clear(job));  // thirty without a bubble
}

TEST_CASE(
    "pumped against a shut connector only the master is bled, the slave is never called clear") {
  Job job = known_clutch();
  set(job, "bleed.way=connector; bleed.slave_screw=top");
  const BleedPlan p = bleed_plan(job);
  for (int i = 0; i < 60; ++i) count_at(job, p, "slave", false);
  CHECK(clear_state(job, p, "slave").lack == ClearLack::beyond);
  CHECK_FALSE(all_bled(job));
  // Joined, and bled another way: what went before counts for what it moved.
  set(job, "bleed.way=helper");
  for (int i = 0; i < kClearStrokes; ++i) count_at(job, bleed_plan(job), "slave", false);
  CHECK(all_bled(job));
}

TEST_CASE("clear by typical lengths says so on its row and on the gate") {
  Job job = known_job();
  do_all_work(job);
  const auto evidence = [&job] {
    for (const Gate& g : gates_of(job, {}, {}))
      if (g.id == GateId::bled) return english(g.evidence);
    return std::string("no gate");
  };
  REQUIRE(all_bled(job));
  CHECK(evidence().find("nobody measured") != std::string::npos);
  set(job, "front.tube=2 m; front.hose=0.4 m; rear.tube=3 m; rear.hose=0.4 m");
  set(job, "control.pad_stop=150 mm");
  do_all_work(job);
  CHECK(evidence().empty());
}
