// Steps of clutches, remote servos and twin masters.
#include <catch2/catch.hpp>
#include <set>

#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "support/build.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::set<StepId> ids(const Job& job) {
  std::set<StepId> all;
  for (const Step& s : install_steps(job)) {
    CHECK_FALSE(s.text.empty());
    CHECK_FALSE(s.part.empty());
    CHECK(all.insert(s.id).second);  // ids are unique
  }
  return all;
}

void set(Job& job, Param p, double v) {
  job.found.set(p, {v, How::stated, 0, {}});
}

}  // namespace

TEST_CASE("a clutch's steps: stack or slave, rod from its shortest, no brake lamp") {
  Job job = known_job();
  set(job, param::control_use, 1);
  set(job, param::clutch_kind, 0);
  auto all = ids(job);
  CHECK(all.count(StepId::clutch_back));
  CHECK(all.count(StepId::clutch_short));
  CHECK_FALSE(all.count(StepId::clutch_spacer));
  CHECK_FALSE(all.count(StepId::lamp_switch));
  CHECK_FALSE(all.count(StepId::lines_valve));
  set(job, param::clutch_kind, 2);
  all = ids(job);
  CHECK(all.count(StepId::clutch_spacer));
  CHECK_FALSE(all.count(StepId::clutch_back));
  // The stack is measured as built, and the as-built figure wins.
  for (const Step& s : install_steps(job))
    if (s.id == StepId::clutch_stack_a) CHECK(s.measure == param::clutch_stack_a);
}

TEST_CASE("a remote servo's angles and a bar's lean are steps only where they are fitted") {
  Job job = known_job();
  CHECK_FALSE(ids(job).count(StepId::assist_servo_angle));
  CHECK_FALSE(ids(job).count(StepId::assist_bar));
  CHECK(ids(job).count(StepId::lamp_switch));
  // Fitted already, it is not hung again.
  set(job, param::assist_kind, 4);
  CHECK_FALSE(ids(job).count(StepId::assist_servo_angle));
  set(job, param::assist_kind, 0);
  job.plan.set(param::assist_kind, {4, How::stated, 0, {}});
  CHECK(ids(job).count(StepId::assist_servo_angle));
  CHECK(ids(job).count(StepId::assist_servo_valve));
  job.plan.set(param::master_kind, {3, How::stated, 0, {}});
  CHECK(ids(job).count(StepId::assist_bar));
}
