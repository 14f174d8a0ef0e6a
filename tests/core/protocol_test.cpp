// The proof standing still: what each press expects, what was got, and that finding, rule and
// figures say the same of it.
#include <catch2/catch.hpp>

#include "assembly/assemble.hpp"
#include "document/param/bleed_car.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "judge/rule_book.hpp"
#include "protocol/protocol.hpp"
#include "proving/estimate.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::vector<ProofPress> protocol(const Job& job) {
  const auto strip = foot_strip(job, 0);
  return proof_protocol(job, strip, find_all(job, strip));
}

ProofPress press_of(const Job& job, ProofId id) {
  for (const ProofPress& p : protocol(job))
    if (p.id == id) return p;
  FAIL("no such press " << proof_key(id));
  return {};
}

constexpr ProofId kCurve[] = {ProofId::press_50, ProofId::press_100, ProofId::press_150,
                              ProofId::press_250, ProofId::press_400};

/// As a foot would press this car with so much air in it.
void press_curve(Job& job, double air_m3) {
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  Condition c;
  c.assist_alive = false;
  c.air_m3 = air_m3;
  const auto m = FeelModel::make(*a.system, c);
  REQUIRE(m);
  for (const ProofId id : kCurve) {
    const ProofPress p = press_of(job, id);
    REQUIRE(p.push_n);
    if (const auto t = predicted_travel_m(*m, *p.push_n))
      job.readings.push_back(proof_reading(p, *p.push_n, *t));
  }
}

bool found(const Job& job, FindingCode code) {
  for (const Finding& f : find_all(job, foot_strip(job, 0)))
    if (f.code == code) return true;
  return false;
}

Verdict rule_says(const Job& job) {
  for (const JudgedRule& r : rule_book(job))
    if (r.id == "prove.press") return r.verdict;
  FAIL("no such rule");
  return Verdict::cannot_say;
}

}  // namespace

TEST_CASE("the proof: presses in their order, each with what this job expects") {
  const Job job = known_job();
  const auto list = protocol(job);
  REQUIRE(list.size() > 12);
  CHECK(list.front().id == ProofId::free_play);
  CHECK(next_press(list) == 0);
  const auto at = [&](ProofId id) {
    return std::find_if(list.begin(), list.end(), [id](const ProofPress& p) { return p.id == id; });
  };
  CHECK(at(ProofId::returns) < at(ProofId::press_50));
  CHECK(at(ProofId::press_400) < at(ProofId::second));
  CHECK(at(ProofId::sink) < at(ProofId::circuit));
  CHECK(at(ProofId::assist_drop) == list.end());  // there is no assist
  CHECK(at(ProofId::after_stop) == list.end());
  const Assembly a = assemble(job, As::plan);
  const auto m = FeelModel::make(*a.system, {});
  for (const ProofId id : {ProofId::press_100, ProofId::press_250}) {
    const ProofPress p = press_of(job, id);
    REQUIRE(p.expect);
    CHECK(*p.expect == Approx(*predicted_travel_m(*m, *p.push_n)));
    // The band holds the expected one, and is as wide as what nobody measured makes it.
    REQUIRE(p.low);
    CHECK(*p.low < *p.expect);
    CHECK(*p.high > *p.expect);
    CHECK(p.state == ProofState::open);
  }
  CHECK(rule_says(job) == Verdict::cannot_say);
  CHECK_FALSE(found(job, FindingCode::prove_press));
}

TEST_CASE("the proof: a sound pedal is as expected, and nothing is left to tell apart") {
  Job job = known_job();
  press_curve(job, 0);
  for (const ProofId id : kCurve) {
    INFO(proof_key(id));
    CHECK(press_of(job, id).state == ProofState::good);
    CHECK(press_of(job, id).got);
  }
  CHECK(press_of(job, ProofId::second).state == ProofState::not_asked);
  CHECK(press_of(job, ProofId::clamped).state == ProofState::not_asked);
  CHECK_FALSE(found(job, FindingCode::prove_press));
  CHECK(rule_says(job) == Verdict::cannot_say);  // the light foot was not tried
  job.pump.light_sink_m = 0.0005;
  CHECK(press_of(job, ProofId::light_sink).state == ProofState::good);
  CHECK(sums_pass(rule_says(job)));
}

TEST_CASE("the proof: air shows, asks for what tells more, and every place says so") {
  Job job = known_job();
  press_curve(job, 4e-6);
  const ProofPress p = press_of(job, ProofId::press_100);
  CHECK(p.state == ProofState::off);
  CHECK(english(p.says).find("further than expected") != std::string::npos);
  // Whether the next press is asked hangs on what the curve already says.
  const ProofPress second = press_of(job, ProofId::second);
  CHECK((second.state == ProofState::open ||
         english(second.says).find("the readings already say: air") == 0));
  CHECK(found(job, FindingCode::prove_press));
  CHECK(rule_says(job) == Verdict::fails);
  const FigureGroup g = figure_group(job, GroupId::proof);
  bool bad = false;
  for (const Figure& f : g.figures) bad = bad || f.verdict == Verdict::fails;
  CHECK(bad);
  // What does not count is kept, and counts in nothing.
  const auto readings = job.readings.size();
  for (Reading& r : job.readings) r.rejected = true;
  CHECK(press_of(job, ProofId::press_100).state == ProofState::open);
  CHECK_FALSE(found(job, FindingCode::prove_press));
  CHECK(job.readings.size() == readings);
  const Assembly a = assemble(job, As::plan);
  CHECK(estimate_from_readings(*a.system, job.readings, false).used == 0);
}

TEST_CASE("the proof: a pad nearly on the floor, and one that sinks under a light foot, stop it") {
  Job job = known_job();
  const ProofPress p = press_of(job, ProofId::press_250);
  const auto strip = foot_strip(job, 0);
  const double way = report_of(strip, ConditionId::plan)->target->available_m;
  job.readings.push_back(proof_reading(p, 250, 0.97 * way));
  CHECK(press_of(job, ProofId::press_250).state == ProofState::stop);
  CHECK(english(press_of(job, ProofId::press_250).says).find("Do not drive") == 0);
  bool hard = false;
  for (const Finding& f : find_all(job, strip))
    hard = hard || (f.code == FindingCode::prove_press && f.severity == Severity::hard);
  CHECK(hard);
  // A push that the model never reaches is a pad on the floor all the same.
  job.readings.clear();
  job.readings.push_back(proof_reading(press_of(job, ProofId::press_400), 400, 0.99 * way));
  set(job, "front.piston=70 mm");
  CHECK(press_of(job, ProofId::press_400).state == ProofState::stop);
  set(job, "front.piston=48 mm");
  // Within the tape's own doubt of the limit nothing is proved.
  job.pump.light_sink_m = 0.0015;
  CHECK(press_of(job, ProofId::light_sink).state == ProofState::off);
  job.readings.clear();
  job.pump.light_sink_m = 0.006;
  CHECK(press_of(job, ProofId::light_sink).state == ProofState::stop);
  CHECK(found(job, FindingCode::prove_press));
}

TEST_CASE("the proof: the nearest press taken so is the one that counts, the latest of equals") {
  Job job = known_job();
  const ProofPress p = press_of(job, ProofId::press_100);
  job.readings.push_back(proof_reading(p, 112, 0.060));
  job.readings.push_back(proof_reading(p, 104, 0.050));
  job.readings.push_back(proof_reading(p, 96, 0.048));
  CHECK(reading_of(job, p) == std::optional<std::size_t>(2));
  job.readings.push_back(proof_reading(press_of(job, ProofId::second), 100, 0.040));
  CHECK(reading_of(job, p) == std::optional<std::size_t>(2));  // a second press is another one
  job.readings.push_back(proof_reading(p, 150, 0.055));
  CHECK(reading_of(job, p) == std::optional<std::size_t>(2));
}

TEST_CASE("the proof: with a booster what it gave after the stop is held against the prediction") {
  Job job = known_job();
  set(job, "assist.kind=vacuum; assist.diaphragm1=200 mm; master.bore=22.2 mm");
  const ProofPress p = press_of(job, ProofId::after_stop);
  REQUIRE(p.expect);
  CHECK(*p.expect >= 2);
  set(job, "bleed.presses=0");
  CHECK(press_of(job, ProofId::after_stop).state == ProofState::off);
  CHECK(found(job, FindingCode::bleed_reserve));
  set(job, "bleed.presses=" + std::to_string(static_cast<int>(*p.expect)));
  CHECK(press_of(job, ProofId::after_stop).state == ProofState::good);
  CHECK_FALSE(found(job, FindingCode::bleed_reserve));
  // 3.5 l, 0.03 m2 x 15 mm: each press lets in 0.47 l at the pressure of the air, worked by hand.
  CHECK(english(press_of(job, ProofId::press_100).how).find("Engine off") == 0);
}

TEST_CASE("the proof of a clutch: its own gates, no curve of brakes") {
  const auto list = protocol(known_clutch());
  const auto has = [&](ProofId id) {
    return std::any_of(list.begin(), list.end(), [id](const ProofPress& p) { return p.id == id; });
  };
  CHECK(has(ProofId::release));
  CHECK(has(ProofId::over_travel));
  CHECK(has(ProofId::light_sink));
  CHECK_FALSE(has(ProofId::press_100));
  CHECK_FALSE(has(ProofId::circuit));
}

TEST_CASE("the proof: what was seen before the work proves nothing, and a held gate stays shut") {
  Job job = known_job();
  set(job, "found:rod.returns=yes");
  CHECK(press_of(job, ProofId::returns).state == ProofState::open);
  set(job, "rod.returns=yes");
  CHECK(press_of(job, ProofId::returns).state == ProofState::good);
  pass_gate(job, GateId::sink);
  CHECK(press_of(job, ProofId::sink).state == ProofState::good);
  job.pump.light_sink_m = 0.006;
  CHECK(press_of(job, ProofId::sink).state == ProofState::stop);
  CHECK(press_of(job, ProofId::sink).held);
}
