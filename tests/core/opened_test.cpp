// What a proof opens is closed again: nipples of the failed-circuit proof, pressure that stands in
// the line, the gates of holding, of the clutch and of the bars.
#include <catch2/catch.hpp>

#include "figures/figures.hpp"
#include "protocol/protocol.hpp"
#include "road/permits.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleeding.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

const Gate* gate(const std::vector<Gate>& all, GateId id) {
  for (const Gate& g : all)
    if (g.id == id) return &g;
  return nullptr;
}

std::vector<Gate> gates(const Job& job) {
  const auto strip = foot_strip(job, 0);
  return gates_of(job, strip, find_all(job, strip));
}

}  // namespace

TEST_CASE("opened: a nipple opened for the proof of one circuit is bled and wiped once more") {
  Job job = known_job();
  do_all_work(job);
  REQUIRE(all_bled(job));
  GateEvidence e = good_evidence(gate_ask(job, foot_strip(job, 0), GateId::failed_circuit));
  CHECK(gate_ask(job, foot_strip(job, 0), GateId::failed_circuit).opens);
  e.opened = "fl rr";
  answer_gate(job, GateId::failed_circuit, GateState::passed, e);
  CHECK_FALSE(all_bled(job));
  const auto rows = bleed_rows(job, bleed_plan(job));
  for (const BleedRow& r : rows) {
    if (r.key == "bench") continue;
    const bool opened = r.key == "fl" || r.key == "rr";
    CHECK((r.state == BleedState::clear) == !opened);
  }
  CHECK(job.joints.at("fl").pressed == Wiped::not_looked);
  CHECK(job.joints.at("fr").pressed == Wiped::dry);
  CHECK(gate(gates(job), GateId::bled)->state == GateState::open);
  CHECK(english(evidence_words(gate_ask(job, {}, GateId::failed_circuit),
                               *record_of(job, GateId::failed_circuit)))
            .find("opened: fl rr") != std::string::npos);
  bleed_clear(job, "fl");
  bleed_clear(job, "rr");
  CHECK(all_bled(job));
}

TEST_CASE(
    "opened: pressure with the foot off holds the gate of the rod, a residual valve's does not") {
  Job job = known_job();
  do_all_work(job);
  pass_all_gates(job);
  REQUIRE(gate(gates(job), GateId::preload)->state == GateState::passed);
  job.pump.rest_pressure_pa = 3e5;
  CHECK(rest_pressure(job).held());
  CHECK(gate(gates(job), GateId::preload)->held);
  job.pump.rest_pressure_pa = 3e4;
  CHECK_FALSE(rest_pressure(job).held());
  CHECK(gate(gates(job), GateId::preload)->state == GateState::passed);
  set(job, "valve.residual_rear=0.07 MPa");
  job.pump.rest_pressure_pa = 8e4;
  CHECK_FALSE(rest_pressure(job).held());
}

TEST_CASE(
    "opened: holding is foretold by the slope, bite and drag by the clutch, a gap by the bars") {
  const Job job = known_job();
  const GateAsk hold = gate_ask(job, foot_strip(job, 0), GateId::holds);
  REQUIRE(hold.predicted);
  REQUIRE(hold.most);
  // The figure of Size, by another way through the program.
  const auto strip = foot_strip(job, 0);
  bool same = false;
  for (const FigureGroup& g : figure_groups(job))
    for (const Figure& f : g.figures)
      if (f.id == FigureId::slope && f.si) same = std::abs(*f.si - *hold.predicted) < 0.5;
  CHECK(same);
  Job strong = job;
  set(strong, "hold.stall_torque=200; hold.gears=10");
  CHECK(*gate_ask(strong, foot_strip(strong, 0), GateId::holds).predicted > *hold.predicted);
  const Job clutch = known_clutch();
  const auto of_clutch = foot_strip(clutch, 0);
  const GateAsk bite = gate_ask(clutch, of_clutch, GateId::bite);
  const GateAsk release = gate_ask(clutch, of_clutch, GateId::release);
  REQUIRE(bite.predicted);
  REQUIRE(release.predicted);
  CHECK(*bite.predicted > *release.predicted);  // let up from the floor, it bites after it released
  CHECK(gate(gates(clutch), GateId::drag));
  CHECK(gate(gates(clutch), GateId::holds) == nullptr);
  CHECK(gate(gates(job), GateId::bite) == nullptr);
  CHECK(gate(gates(job), GateId::full_lock) == nullptr);
}

TEST_CASE(
    "opened: a point that is open keeps the job from being proved until it is done or signed") {
  Job job = known_job();
  CHECK(gate(gates(job), GateId::points) == nullptr);
  job.points.push_back({"the clip on the rear hose", Stage::plumb, "2026-05-01", "", "", "", {}});
  CHECK(gate(gates(job), GateId::points)->state == GateState::open);
  job.points[0].who = "A. Builder";
  CHECK(gate(gates(job), GateId::points)->state == GateState::open);  // no reason, no signature
  job.points[0].reason = "a strap holds it until the part comes";
  CHECK(gate(gates(job), GateId::points)->state == GateState::passed);
  job.points[0] = {"x", Stage::plumb, "2026-05-01", "2026-05-02", "", "", {}};
  CHECK(gate(gates(job), GateId::points)->state == GateState::passed);
}

TEST_CASE("road: the linings' maker's series wins, wheels are judged side to side") {
  Job job = known_job();
  const auto bedding = [](const Job& j) {
    for (const RoadStep& s : road_steps(j, gates(j)))
      if (s.stage == RoadStage::bedding) return s;
    return RoadStep{};
  };
  CHECK(bedding(job).wanted == 10);
  CHECK(english(bedding(job).how).find("not the linings' maker's") != std::string::npos);
  set(job, "bed.stops=30; bed.speed=60 km/h");
  CHECK(bedding(job).wanted == 30);
  CHECK(bedding(job).most_m_s == Approx(1.2 * 60 / 3.6));
  CHECK(english(bedding(job).how).find("maker asks") != std::string::npos);
  job.heat["rl"] = {90, 10, "", {}};
  CHECK(heat_pairs(job).empty());
  job.heat["rr"] = {60, 10, "", {}};
  REQUIRE(heat_pairs(job).size() == 1);
  CHECK_FALSE(heat_pairs(job)[0].uneven);  // 30 apart, 14 of doubt: nobody can say
  CHECK_FALSE(heat_pairs(job)[0].even);
  job.heat["rr"].celsius = 40;
  CHECK(heat_pairs(job)[0].uneven);
}
