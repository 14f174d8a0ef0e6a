// Air at one outlet, from the readings that were taken with the other's hoses clamped, is what
// Bleed says beside the strokes and Prove beside the curve.
#include <catch2/catch.hpp>

#include "assembly/assemble.hpp"
#include "proving/estimate.hpp"
#include "session/bleed_view.hpp"
#include "session/stage_views.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void press(Job& job, double force_n, bool clamped, ClampedHoses whose) {
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  Condition c;
  c.air_primary_m3 = 3e-6;
  Reading r;
  r.force_n = force_n;
  r.hoses_clamped = clamped;
  r.clamped = whose;
  r.force_uncertainty_n = 2;
  r.travel_uncertainty_m = 0.0005;
  const auto m = FeelModel::make(*a.system, row_condition(c, row_of(r)));
  REQUIRE(m);
  const auto t = predicted_travel_m(*m, force_n);
  REQUIRE(t);
  r.travel_m = *t;
  job.readings.push_back(r);
}

std::string all(const std::vector<Message>& words) {
  std::string text;
  for (const Message& m : words) text += english(m) + "\n";
  return text;
}

}  // namespace

TEST_CASE("air by outlet is said under Bleed and under Prove once one outlet was clamped") {
  Job job = known_job();
  for (const double n : {50.0, 70.0, 90.0, 200.0, 350.0}) press(job, n, false, ClampedHoses::all);
  CHECK(all(air_left_words(job)).find("no press on both can tell") != std::string::npos);
  for (const double n : {50.0, 70.0, 100.0}) {
    press(job, n, true, ClampedHoses::first);
    press(job, n, true, ClampedHoses::second);
  }
  const std::string bleed = all(air_left_words(job));
  INFO(bleed);
  CHECK(bleed.find("At outlet 1: 3.0 cm³") != std::string::npos);
  CHECK(bleed.find("at outlet 2: 0.0 cm³") != std::string::npos);
  CHECK(bleed.find("no press on both") == std::string::npos);
  CHECK(all(prove_verdict(job)).find("at outlet 1") != std::string::npos);
}
