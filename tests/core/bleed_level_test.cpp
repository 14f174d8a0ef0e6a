// The level above the ports, a chamber that ran dry, the master against plugs.
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/bleed_kit.hpp"
#include "document/param/master.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/bleed_checks.hpp"
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

TEST_CASE("level: a typical chamber is open, and where no stroke tells a volume nothing is told") {
  Job job = known_job();
  job.found.clear(param::master_reservoir);
  job.plan.clear(param::master_reservoir);
  count_stroke(job.bleeding["fl"], false);
  CHECK(level(job, Outlet::primary).typical);
  CHECK(check_of(job, FindingCode::bleed_level).state == BleedCheckState::open);
  set(job, "bleed.way=gravity");
  CHECK(chamber_levels(job, bleed_plan(job)).empty());
  set(job, "bleed.way=vacuum");
  CHECK(chamber_levels(job, bleed_plan(job)).empty());
}

TEST_CASE("a chamber that ran dry sets its circuit and the master back, the other one stays") {
  Job job = known_job();
  for (const char* k : {"bench", "fl", "fr", "rl", "rr"})
    for (int i = 0; i < kClearStrokes; ++i) count_stroke(job.bleeding[k], false);
  REQUIRE(all_bled(job));
  ran_dry(job, bleed_plan(job), "fl");
  CHECK_FALSE(is_clear(job, "fl"));
  CHECK_FALSE(is_clear(job, "fr"));
  CHECK_FALSE(is_clear(job, "bench"));
  CHECK(is_clear(job, "rl"));
  CHECK(is_clear(job, "rr"));
  CHECK_FALSE(all_bled(job));
  CHECK(check_of(job, FindingCode::bleed_dry).state == BleedCheckState::wrong);
  for (const Gate& g : gates_of(job, {}, {}))
    if (g.id == GateId::bled) CHECK(g.state == GateState::open);
  for (const char* k : {"fl", "fr"})
    for (int i = 0; i < kClearStrokes; ++i) count_stroke(job.bleeding[k], false);
  CHECK_FALSE(all_bled(job));  // the master still holds the air it drew
  for (int i = 0; i < kClearStrokes; ++i) count_stroke(job.bleeding["bench"], false);
  CHECK(all_bled(job));
  CHECK(check_of(job, FindingCode::bleed_dry).state == BleedCheckState::good);
}

TEST_CASE("with plugs the master is bled when its push shrinks, not after a count") {
  Job job = known_job();
  set(job, "bleed.bench=plugs");
  for (int i = 0; i < 30; ++i) count_stroke(job.bleeding["bench"], false);
  CHECK_FALSE(is_clear(job, "bench"));
  job.bleeding["bench"].push_m = 0.004;
  CHECK_FALSE(is_clear(job, "bench"));
  job.bleeding["bench"].push_m = 0.001;
  CHECK(is_clear(job, "bench"));
  set(job, "bleed.bench=tubes");
  CHECK(is_clear(job, "bench"));  // thirty without a bubble
}
