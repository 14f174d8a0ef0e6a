// What a press is expected to tell. Check value: two causes alike, one standard uncertainty of
// 0.979 where they lie 2 apart, tell half a bit: the Shannon limit of the binary channel with
// Gaussian noise at rate 1/2 (Richardson, Shokrollahi, Urbanke, IEEE Trans. Inf. Theory 47, 2001,
// table II; from memory).
#include <catch2/catch.hpp>

#include "assembly/assemble.hpp"
#include "judge/findings.hpp"
#include "protocol/protocol.hpp"
#include "protocol/redo.hpp"
#include "proving/assist_gain.hpp"
#include "proving/fault.hpp"
#include "proving/telling.hpp"
#include "simulated/rig.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// Presses of the curve as a faulty pedal gives them.
void read_curve(Job& job, const RigFaults& f, const PressWay& way = {}) {
  RigSenses senses;
  senses.rate_hz = 100;
  auto rig = Rig::make(job, f, senses, way, 7);
  REQUIRE(rig);
  rig->press({{420, 1, 5, 2, 1}});
  LineReader reader;
  reader.take(rig->lines(9), 0);
  const Trace trace{*reader.head(), reader.drain()};
  const TraceScale scale(trace.head, {});
  const auto presses = presses_of(trace, scale);
  REQUIRE_FALSE(presses.empty());
  for (Reading r : readings_of(trace, scale, presses[0], {50, 100, 150, 250, 400})) {
    r.assist_alive = way.assist_alive;
    r.second_apply = way.second_apply;
    r.hoses_clamped = way.hoses_clamped;
    r.clamped = way.clamped;
    job.readings.push_back(r);
  }
}

std::vector<ProofPress> protocol_of(const Job& job) {
  const auto strip = foot_strip(job, 0);
  return proof_protocol(job, strip, find_all(job, strip));
}

const ProofPress& press(const std::vector<ProofPress>& list, ProofId id) {
  const auto it =
      std::find_if(list.begin(), list.end(), [id](const ProofPress& p) { return p.id == id; });
  REQUIRE(it != list.end());
  return *it;
}

}  // namespace

TEST_CASE("telling: bits of two causes, of none, and the published half bit") {
  CHECK(mixture_bits({0.5, 0.5}, {0, 100}, 1) == Approx(1).margin(1e-6));
  CHECK(mixture_bits({0.5, 0.5}, {3, 3}, 1) == Approx(0).margin(1e-6));
  CHECK(mixture_bits({0.5, 0.5}, {-1, 1}, 0.979) == Approx(0.5).margin(0.002));
  CHECK(mixture_bits({0.9, 0.1}, {0, 1000}, 1) == Approx(0.4690).margin(1e-4));
  CHECK(mixture_bits({}, {}, 1) == 0);
  CHECK(mixture_bits({1}, {0}, 0) == 0);
}

TEST_CASE("telling: a curve as expected asks no more, a far one asks what tells most first") {
  Job sound = known_job();
  read_curve(sound, {});
  for (const ProofId id : {ProofId::second, ProofId::clamped, ProofId::clamped_first})
    CHECK(press(protocol_of(sound), id).state == ProofState::not_asked);
  Job job = known_job();
  RigFaults air;
  air.air_first_m3 = 1.5e-6;
  read_curve(job, air);
  const auto list = protocol_of(job);
  std::vector<double> bits;
  for (const ProofPress& p : list)
    if (p.state == ProofState::open && (p.id == ProofId::second || is_clamped(p.id)))
      bits.push_back(p.bits);
  REQUIRE(bits.size() >= 2);
  CHECK(std::is_sorted(bits.rbegin(), bits.rend()));
  const auto next =
      std::find_if(list.begin(), list.end(), [](const ProofPress& p) { return p.most; });
  REQUIRE(next != list.end());
  CHECK(next->bits == bits.front());
  CHECK(english(next->says).find("tells most now") != std::string::npos);
  // Which circuit holds the air is told by clamping one of them: then nothing is left to ask.
  read_curve(job, air, {.hoses_clamped = true, .clamped = ClampedHoses::first});
  read_curve(job, air, {.second_apply = true});
  const auto after = protocol_of(job);
  CHECK(press(after, ProofId::clamped_second).state == ProofState::not_asked);
  CHECK(english(press(after, ProofId::clamped_second).says).find("air in circuit 1") !=
        std::string::npos);
}

TEST_CASE("causes: crossed lines, a worn cup and a valve that sticks are called by their names") {
  const auto first = [](const Job& job) { return diagnosis_of(job).ranked.at(0); };
  Job crossed = known_job();
  RigFaults f;
  f.crossed = true;
  read_curve(crossed, f);
  CHECK(first(crossed).cause == Cause::none);  // on both at once nothing shows
  read_curve(crossed, f, {.hoses_clamped = true, .clamped = ClampedHoses::first});
  read_curve(crossed, f, {.hoses_clamped = true, .clamped = ClampedHoses::second});
  CHECK(first(crossed).cause == Cause::crossed);
  Job cup = known_job();
  read_curve(cup, {});
  cup.pump.light_sink_m = 0.012;
  cup.pump.sink_m = 0;
  cup.pump.hold_s = 60;
  CHECK(first(cup).cause == Cause::worn_cup);
  CHECK(first(cup).size == Approx(0.012).margin(0.001));
  cup.pump.sink_m = 0.015;  // it sinks under a firm foot too: no cup that seals
  CHECK(first(cup).cause != Cause::worn_cup);
  Job stick = known_job();
  set(stick, "assist.kind=vacuum; assist.diaphragm1=200 mm");
  f = {};
  f.stick_n = 30;
  read_curve(stick, f);
  read_curve(stick, f, {.assist_alive = true});
  const Hypothesis h = first(stick);
  const bool second = h.second == Cause::valve_sticks;
  REQUIRE((h.cause == Cause::valve_sticks || second));
  CHECK((second ? h.second_size : h.size) == Approx(30).margin(3));
}

TEST_CASE("assist: its gain is what the pushes for the same travel say, with where 8 in 10 lie") {
  Job job = known_job();
  set(job, "assist.kind=vacuum; assist.diaphragm1=200 mm");
  read_curve(job, {});
  read_curve(job, {}, {.assist_alive = true});
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  const auto gains = assist_gains(*a.system, job.readings);
  REQUIRE(gains.size() >= 2);
  for (const AssistGain& g : gains) {
    CHECK(g.gain.value == Approx(g.foretold).margin(g.gain.uncertainty + 0.05));
    CHECK(g.gain.value > 1.2);
    const EightInTen b = eight_in_ten(g.gain);
    CHECK(b.high - b.low == Approx(1.28155 * g.gain.uncertainty));
  }
  CHECK(assist_gains(*assemble(known_job(), As::plan).system, job.readings).empty());
  Job weak = job;
  weak.readings.clear();
  read_curve(weak, {});
  RigFaults stick;
  stick.stick_n = 40;
  read_curve(weak, stick, {.assist_alive = true});
  const auto less = assist_gains(*a.system, weak.readings);
  REQUIRE_FALSE(less.empty());
  CHECK(less.back().gain.value < gains.back().gain.value);
}

TEST_CASE("redo: where a fault is mended, and which gates that opens again") {
  Job job = known_job();
  CHECK(redo_for(job, diagnosis_of(job)).empty());
  RigFaults air;
  air.air_second_m3 = 5e-6;
  read_curve(job, air);
  read_curve(job, air, {.hoses_clamped = true, .clamped = ClampedHoses::first});
  const auto list = redo_for(job, diagnosis_of(job));
  REQUIRE_FALSE(list.empty());
  CHECK(list[0].cause == Cause::air_secondary);
  CHECK(list[0].stage == Stage::bleed);
  const BleedPlan plan = bleed_plan(job);
  const BleedWheel* at = planned_at(plan, list[0].nipple);
  REQUIRE(at);
  CHECK(at->outlet == Outlet::secondary);
  const auto opens = [&](const std::vector<Message>& all, GateId id) {
    return std::find(all.begin(), all.end(), gate_words(key(id))) != all.end();
  };
  CHECK(opens(list[0].opens, GateId::reserve));
  CHECK(opens(list[0].opens, GateId::sink));
  CHECK_FALSE(opens(list[0].opens, GateId::firewall));
  Diagnosis rod;
  rod.ranked.push_back({});
  rod.ranked[0].cause = Cause::rod_long;
  rod.ranked[0].weight = 1;
  const auto set_again = redo_for(job, rod);
  REQUIRE(set_again.size() == 1);
  CHECK(set_again[0].stage == Stage::install);
  CHECK(set_again[0].step == key(StepId::rod_clearance));
  CHECK(opens(set_again[0].opens, GateId::preload));
}
