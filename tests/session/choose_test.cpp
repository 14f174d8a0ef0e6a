// Choosing a cell, with what it keeps: links, bore pairs, assists.
#include <catch2/catch.hpp>

#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "document/param/linkage.hpp"
#include "document/param/master.hpp"
#include "session/choose.hpp"
#include "session/curves.hpp"
#include "session/stage_views.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void fill(Session& s, const Job& from) {
  s.edit("fill", [&](Job& j) { j = from; });
}

}  // namespace

TEST_CASE("a cell's ratio is reached through an intermediate lever") {
  Job job = known_job();
  const auto set = [&job](Param p, double v) { job.found.set(p, {v, How::stated, 0, {}}); };
  set(param::control_mid, 1);
  set(param::control_mid_in, 0.08);
  set(param::control_mid_out, 0.10);
  Session s;
  fill(s, job);
  Cell c;
  c.bore_m = 0.01905;
  c.ratio = 5.5;
  choose_cell(s, c, nullptr, {});
  CHECK(*arm_ratio(s.job(), As::plan) == Approx(5.5));
  CHECK(value_of(s.job(), As::plan, param::control_mid_in).si == 0.08);
  CHECK(s.undo_name().contains("3/4 in at 5.50"));
}

TEST_CASE("a pair of bores and an assist go into the plan in one step") {
  Session s;
  fill(s, known_job());
  const Job before = s.job();
  Cell pair;
  pair.bore_m = 0.01905;
  pair.bore2_m = 0.022225;
  pair.ratio = 6;
  choose_cell(s, pair, nullptr, {});
  CHECK(value_of(s.job(), As::plan, param::master_bore2).si == 0.022225);
  CHECK(*arm_ratio(s.job(), As::plan) == Approx(6));
  CHECK(s.undo_name().contains(" and 7/8 in"));
  s.undo();
  CHECK(s.job() == before);
  const auto options = default_request(s.job()).assists;
  REQUIRE(options.size() == 2);
  Cell cell;
  cell.bore_m = 0.022225;
  cell.ratio = 6;
  choose_cell(s, cell, &options[1], {});
  CHECK(value_of(s.job(), As::plan, param::assist_kind).is(choice::AssistKind::vacuum));
  CHECK(value_of(s.job(), As::plan, param::assist_diaphragm1).si == Approx(kUsualDiaphragm_m));
  CHECK(condition_report(s.job(), ConditionId::plan).target);
}

TEST_CASE("old against new is said of what can be compared") {
  Job job = known_job();
  job.plan.set(param::master_kind, {3, How::stated, 0, {}});
  CHECK(relative_sentence(job).contains("Enter two bores"));
  job.plan.set(param::master_bar_a, {0.03, How::stated, 0, {}});
  job.plan.set(param::master_bar_b, {0.03, How::stated, 0, {}});
  // Half the bar's force reaches the line: twice the area for the same rod.
  CHECK(relative_sentence(job).contains("2.00"));
  CHECK(equal_feel(job, {}).isEmpty());
  CHECK_FALSE(equal_feel(known_job(), {}).isEmpty());
}

TEST_CASE("a session that turns to a clutch shows what a clutch has") {
  Session s;
  fill(s, known_job());
  s.show_condition(ConditionId::secondary_lost);
  s.press(0.02);
  s.set_value(As::found, param::control_use, {1, How::stated, 0, {}});
  CHECK(s.strip().size() == 4);
  CHECK(s.shown() == ConditionId::plan);
  CHECK_FALSE(s.pressed_point());
  CHECK(feel_plot(s).curves.empty());
  CHECK_FALSE(prove_verdict(s.job()).empty());
  for (const Stage stage : kStages) CHECK_FALSE(s.status_of(stage).isEmpty());
  s.undo();
  CHECK(s.strip().size() == 7);
}
