// The road: stages open one another, a stop says what the brakes did, a phone's table gives the
// stop that was driven, and what is due afterwards is due on its day.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "judge/findings.hpp"
#include "judge/rule_book.hpp"
#include "road/permits.hpp"
#include "support/build.hpp"
#include "support/job_changes.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::vector<RoadStep> road(const Job& job) {
  const auto strip = foot_strip(job, 0);
  return road_steps(job, gates_of(job, strip, find_all(job, strip)));
}

RoadState state(const Job& job, RoadStage stage) {
  for (const RoadStep& s : road(job))
    if (s.stage == stage) return s.state;
  FAIL("no such stage");
  return RoadState::shut;
}

RoadPermit answered() {
  RoadPermit p;
  p.who = "A. Builder";
  p.place = "the yard";
  p.weather = "dry";
  p.closed = p.belts = p.alone = p.parking = true;
  p.when = "2026-05-31T08:00:00";
  return p;
}

/// Every gate passed as far as its numbers let it.
std::vector<Gate> all_passed(const Job& job) {
  const auto strip = foot_strip(job, 0);
  auto gates = gates_of(job, strip, find_all(job, strip));
  for (Gate& g : gates) g.state = GateState::passed;
  return gates;
}

void stops(Job& job, RoadStage stage, double km_h, int n) {
  for (int i = 0; i < n; ++i) job.stops.push_back(stop_of(stage, km_h, 9, LockSeen::none));
}

}  // namespace

TEST_CASE("road: nothing opens before the proof standing still") {
  Job job = known_job();
  CHECK(state(job, RoadStage::standing) == RoadState::open);
  CHECK(state(job, RoadStage::walking) == RoadState::shut);
  const auto steps = road(job);
  CHECK_FALSE(may_count(job, steps, stop_of(RoadStage::walking, 5, 1, LockSeen::none)));
  CHECK(next_stage(steps) == 0);
}

TEST_CASE("road: each stage asks, is driven, and opens the next") {
  Job job = known_job();
  auto gates = all_passed(job);
  const auto at = [&](RoadStage stage) {
    for (const RoadStep& s : road_steps(job, gates))
      if (s.stage == stage) return s;
    return RoadStep{};
  };
  CHECK(at(RoadStage::standing).state == RoadState::passed);
  CHECK(at(RoadStage::walking).state == RoadState::asks);
  CHECK(at(RoadStage::walking).asks.size() == 7);
  job.permits["walking"] = answered();
  CHECK(at(RoadStage::walking).state == RoadState::open);
  CHECK(may_count(job, road_steps(job, gates), stop_of(RoadStage::walking, 6, 1, LockSeen::none)));
  // Answered for yesterday: another sky, other people.
  RoadStop tomorrow = stop_of(RoadStage::walking, 6, 1, LockSeen::none);
  tomorrow.when = "2026-06-01T08:00:00";
  CHECK_FALSE(may_count(job, road_steps(job, gates), tomorrow));
  // Too fast for walking pace.
  CHECK_FALSE(
      may_count(job, road_steps(job, gates), stop_of(RoadStage::walking, 20, 5, LockSeen::none)));
  stops(job, RoadStage::walking, 6, 2);
  job.stops.push_back(stop_of(RoadStage::walking, 6, 1, LockSeen::none));
  job.stops.back().pulled = true;  // does not count
  CHECK(at(RoadStage::walking).state == RoadState::open);
  stops(job, RoadStage::walking, 6, 1);
  CHECK(at(RoadStage::walking).state == RoadState::passed);
  CHECK(at(RoadStage::slow).state == RoadState::asks);
  CHECK(at(RoadStage::fast).state == RoadState::shut);
  job.permits["slow"] = answered();
  stops(job, RoadStage::slow, 30, 3);
  CHECK(at(RoadStage::bedding).state == RoadState::asks);
  job.permits["bedding"].bedded = true;
  CHECK(at(RoadStage::bedding).state == RoadState::passed);
  job.permits["bedding"] = answered();
  stops(job, RoadStage::bedding, 50, 9);
  CHECK(at(RoadStage::fast).state == RoadState::shut);
  stops(job, RoadStage::bedding, 50, 1);
  job.permits["fast"] = job.permits["hard"] = answered();
  stops(job, RoadStage::fast, 50, 2);
  CHECK(at(RoadStage::hard).state == RoadState::open);
  // Nobody watched: it says nothing of the order.
  job.stops.push_back(stop_of(RoadStage::hard, 50, 16, LockSeen::not_watched));
  CHECK(at(RoadStage::hard).state == RoadState::open);
  job.stops.push_back(stop_of(RoadStage::hard, 50, 16, LockSeen::front));
  CHECK(at(RoadStage::hard).state == RoadState::passed);
  job.stops.push_back(stop_of(RoadStage::hard, 50, 16, LockSeen::rear));
  CHECK(at(RoadStage::hard).state == RoadState::failed);
  CHECK_FALSE(
      may_count(job, road_steps(job, gates), stop_of(RoadStage::hard, 50, 16, LockSeen::front)));
  // Proved anew after they were driven, the stops open nothing: other work is under them now.
  Job again = job;
  again.stops.pop_back();
  GateRecord passed;
  passed.state = GateState::passed;
  passed.when = "2026-06-30T10:00:00";
  again.gates["sink"] = passed;
  for (const RoadStep& s : road_steps(again, gates))
    if (s.stage == RoadStage::walking) {
      CHECK(s.done == 0);
      CHECK(s.state == RoadState::open);
    }
  again.gates["sink"].when = "2026-05-30T10:00:00";
  for (const RoadStep& s : road_steps(again, gates))
    if (s.stage == RoadStage::walking) CHECK(s.state == RoadState::passed);
  // A gate that opens again shuts the road.
  for (Gate& g : gates)
    if (g.id == GateId::sink) g.state = GateState::open;
  CHECK(at(RoadStage::standing).state == RoadState::open);
  CHECK(at(RoadStage::walking).state == RoadState::shut);
}

TEST_CASE("road: a clutch job has none") {
  CHECK(road(known_clutch()).empty());
  CHECK(road_findings(known_clutch()).empty());
}

TEST_CASE("road: a stop in figures, the hill taken out") {
  // 50 km/h in 16 m: v^2/2d = 6.03 m/s2 = 0.615 g (worked by hand).
  RoadStop s = stop_of(RoadStage::fast, 50, 16, LockSeen::none);
  CHECK(stop_figures(s)->z == Approx(0.6147).epsilon(1e-3));
  // A ± that nobody told is a tenth, is said to be taken, and excuses no weak stop.
  CHECK(stop_figures(s)->taken);
  CHECK(stop_figures(s)->plus_minus == Approx(0.6147 * std::hypot(0.2, 0.1)).epsilon(1e-3));
  CHECK(english(stop_words(*stop_figures(s))).find("not told") != std::string::npos);
  CHECK(stop_is_weak(*stop_figures(s), 0.65));
  s.speed_plus_minus = 0.1 * s.speed_m_s;
  s.distance_plus_minus = 0.1 * s.distance_m;
  CHECK_FALSE(stop_figures(s)->taken);
  CHECK_FALSE(stop_is_weak(*stop_figures(s), 0.65));
  CHECK(stop_is_weak(*stop_figures(s), 0.80));
  s.distance_plus_minus = 1e-9;
  s.slope_rad = std::atan(0.05);  // down a hill of 5 %: the brakes did more
  CHECK(stop_figures(s)->z == Approx(0.6147 + 0.0499).epsilon(1e-3));
  s.speed_plus_minus = 0.1 * s.speed_m_s;
  CHECK(stop_figures(s)->plus_minus == Approx(0.2 * 0.6147).epsilon(1e-3));
  s.distance_m = 0;
  CHECK_FALSE(stop_figures(s));
}

TEST_CASE("road: a phone's table gives the stop that was driven") {
  std::mt19937 draw(5);
  std::normal_distribution<double> shake(0, 0.3);
  std::vector<std::vector<double>> rows;
  // Three seconds of rolling, 0.5 g from 10 m/s, two seconds of standing; the phone lies askew.
  constexpr double kA = 0.5 * 9.80665, kAskew = 0.4;
  for (int i = 0; i < 700; ++i) {
    const double t = 0.01 * i;
    const bool braking = t >= 3 && t < 3 + 10 / kA;
    rows.push_back({1000 * t, 9.8, (braking ? -kA : 0) - kAskew + shake(draw)});
  }
  const PhoneColumns c{0, 2, 0.001, -1};
  const auto s = phone_stop(rows, c);
  REQUIRE(s);
  CHECK(s->z_mean == Approx(0.5).margin(0.02));
  CHECK(s->speed_m_s == Approx(10).margin(0.4));
  CHECK(s->distance_m == Approx(100 / (2 * kA)).margin(0.8));
  CHECK(s->zero_g == Approx(kAskew / 9.80665).margin(0.01));
  // The wrong sign finds no stop; a table that ends while it brakes has no zero.
  CHECK_FALSE(phone_stop(rows, {0, 2, 0.001, 1}));
  CHECK_FALSE(phone_stop({rows.begin(), rows.begin() + 10}, c));
  CHECK_FALSE(phone_stop(rows, {1, 2, 0.001, -1}));  // a time that stands still
  CHECK_FALSE(phone_stop(rows, {0, 7, 0.001, -1}));
  rows[300][0] = 0;
  CHECK_FALSE(phone_stop(rows, c));
}

TEST_CASE("road: after the first run, on its day and a week later") {
  Job job = known_job();
  stops(job, RoadStage::walking, 5, 3);
  CHECK(after_run(job).empty());
  job.stops.push_back(stop_of(RoadStage::slow, 30, 9, LockSeen::none));
  job.stops.back().when = "2026-12-28T10:00:00";
  auto due = after_run(job);
  REQUIRE(due.size() == 5);
  CHECK(due.front().due == "2026-12-28");
  CHECK(due.back().due == "2027-01-04");
  CHECK_FALSE(due.front().done);
  job.steps[due.front().key].done = true;
  CHECK(after_run(job).front().done);
  const auto open = road_findings(job);
  REQUIRE(open.size() == 1);
  CHECK(english(open[0].message).find("4 things") != std::string::npos);
}

TEST_CASE("road: rules say not driven yet until it was") {
  const auto verdict = [](const Job& j, const char* id) {
    for (const JudgedRule& r : rule_book(j))
      if (r.id == id) return r.verdict;
    FAIL("no rule " << id);
    return Verdict::cannot_say;
  };
  Job job = known_job();
  for (const char* id :
       {"prove.road_rear", "prove.road_pull", "prove.road_weak", "prove.road_after"})
    CHECK(verdict(job, id) == Verdict::cannot_say);
  front_locked(job);
  CHECK(sums_pass(verdict(job, "prove.road_rear")));
  rear_locked(job);
  CHECK(verdict(job, "prove.road_rear") == Verdict::fails);
}
