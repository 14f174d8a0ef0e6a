// The pump and sink test: what the pedal does, and what of it can be told in volumes.
#include <catch2/catch.hpp>

#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "proving/fault.hpp"
#include "support/every_code.hpp"
#include "work/work_stages.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("pump and sink") {
  PumpTest t;
  t.first_m = 0.080;
  t.third_m = 0.050;
  const PumpReport r = pump_report(t, Length{0.022225}, 6);
  CHECK(r.take_up->value() == Approx(0.005 * circle_area(Length{0.022225}).value()));
  CHECK_FALSE(r.sinking);
  CHECK(english(r.words.at(0)) ==
        "Pumping raises the pedal by 30 mm: 1.9 cm³ is taken up by clearance. Air would stay.");
  t.sink_m = 0.024;
  t.hold_s = 60;
  const PumpReport sink = pump_report(t, Length{0.022225}, 6);
  CHECK(sink.sinking);
  CHECK(*sink.sink_m3_per_s * 60 == Approx(0.004 * circle_area(Length{0.022225}).value()));
  // What the pedal does is seen without a bore or a ratio: only the volume cannot be told.
  for (const auto& [bore, ratio] :
       {std::pair<std::optional<Length>, std::optional<double>>{{}, 6.0},
        {Length{0.022225}, {}},
        {{}, {}}}) {
    const PumpReport bare = pump_report(t, bore, ratio);
    CHECK(bare.sinking);
    CHECK_FALSE(bare.sink_m3_per_s);
    CHECK_FALSE(bare.take_up);
    CHECK(english(bare.words.front()).find("raises the pedal by 30 mm") != std::string::npos);
    CHECK(english(bare.words.back()).find("sinks 24 mm in 60 s") != std::string::npos);
    CHECK(english(bare.words.back()).find("Do not drive") != std::string::npos);
  }
}

TEST_CASE("a pedal that sinks is a hard finding, whatever is known of bore and arms") {
  for (const char* unknown : {"", "found:master.bore=?", "found:control.pin_arm=?"}) {
    Job job = known_job();
    job.pump.sink_m = 0.024;
    job.pump.hold_s = 60;
    if (*unknown != 0) set(job, unknown);
    INFO(unknown);
    const auto findings = find_all(job, foot_strip(job, 0));
    const auto it = std::find_if(findings.begin(), findings.end(), [](const Finding& f) {
      return f.code == FindingCode::prove_sinking;
    });
    REQUIRE(it != findings.end());
    CHECK(it->severity == Severity::hard);
    CHECK((english(it->message).find("cm³") != std::string::npos) == (*unknown == 0));
  }
}

TEST_CASE("a pedal that sank is told, though nobody noted for how long it was held") {
  PumpTest t;
  t.sink_m = 0.024;
  const PumpReport r = pump_report(t, Length{0.022225}, 6);
  CHECK(r.sinking);
  CHECK_FALSE(r.sink_m3_per_s);
  REQUIRE(r.words.size() == 1);
  CHECK(english(r.words[0]) ==
        "The pedal sinks 24 mm; how long it was held was not noted. Do not drive.");
  t.sink_m = 0.001;
  const PumpReport still = pump_report(t, Length{0.022225}, 6);
  CHECK_FALSE(still.sinking);
  CHECK(english(still.words.at(0)) == "How long it was held was not noted: hold for 30 to 60 s.");
  t.sink_m.reset();
  t.hold_s = 60;
  CHECK(pump_report(t, Length{0.022225}, 6).words.empty());
  Job job = known_job();
  job.pump.sink_m = 0.024;
  const auto findings = find_all(job, foot_strip(job, 0));
  CHECK(std::any_of(findings.begin(), findings.end(), [](const Finding& f) {
    return f.code == FindingCode::prove_sinking && f.severity == Severity::hard;
  }));
}

TEST_CASE("each stage of the work is pressed to its push or to the stop that its own model has") {
  for (unsigned seed = 0; seed < 40; ++seed) {
    const System s = random_system(seed);
    const auto stages = stage_presses(s);
    if (!stages) continue;
    INFO("seed " << seed);
    for (const StagePress& p : *stages) {
      const auto m = FeelModel::make(s, stage_condition(s, p.stage));
      REQUIRE(m);
      CHECK(p.stop == m->stop());
      CHECK(p.to_the_stop == (m->at(m->end_drive()).pad_force_n < kStagePush_n));
      if (p.to_the_stop)
        CHECK(p.pad_travel_m == Approx(m->at(m->end_drive()).pad_travel_m));
      else
        CHECK(p.pad_force_n == Approx(kStagePush_n).epsilon(0.01));
    }
  }
}

TEST_CASE("a weak booster is thought of only where there is one and it was read at work") {
  System boosted = car();
  boosted.assist = booster();
  CHECK(possible(boosted, Cause::weak_assist, true, {}, false));
  CHECK_FALSE(possible(boosted, Cause::weak_assist, false, {}, false));
  CHECK_FALSE(possible(car(), Cause::weak_assist, true, {}, false));
  CHECK_FALSE(possible(car(), Cause::weak_assist, false, {}, false));
}
