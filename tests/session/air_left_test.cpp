// Air left by the presses, beside the strokes.
#include <catch2/catch.hpp>

#include "assembly/assemble.hpp"
#include "feel/feel.hpp"
#include "session/stage_views.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// One round of presses of the job's own pedal with so much air in it.
void press(Job& job, double air_m3) {
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  Condition c;
  c.assist_alive = false;
  c.air_m3 = air_m3;
  const auto model = FeelModel::make(*a.system, c);
  REQUIRE(model);
  for (int i = 0; i < 12; ++i) {
    const double force = 20 + 12.0 * i;
    Reading r;
    r.force_n = force;
    r.travel_m = model->at(model->drive_for_force(force)).pad_travel_m;
    r.force_uncertainty_n = 2;
    r.travel_uncertainty_m = 0.0005;
    job.readings.push_back(r);
  }
}

bool says(const std::vector<Message>& words, const char* text) {
  for (const Message& m : words)
    if (english(m).find(text) != std::string::npos) return true;
  return false;
}

}  // namespace

TEST_CASE("air left: told by the last presses, and why when it no longer falls") {
  Job job = known_job();
  CHECK(air_left_words(job).empty());  // nobody pressed
  press(job, 8e-6);
  auto words = air_left_words(job);
  REQUIRE_FALSE(words.empty());
  CHECK(says(words, "Air left by the last 12 presses"));
  CHECK(words.size() == 2);  // one round tells no course, and no circuit
  CHECK(english(words.back()).find("which of them") != std::string::npos);
  press(job, 2e-6);
  words = air_left_words(job);
  CHECK_FALSE(says(words, "no longer falls"));
  Job stalled = known_job();
  press(stalled, 8e-6);
  press(stalled, 8e-6);
  words = air_left_words(stalled);
  CHECK(says(words, "no longer falls"));
  CHECK(says(words, "none with a helper"));
  CHECK(says(words, "stands higher"));
}
