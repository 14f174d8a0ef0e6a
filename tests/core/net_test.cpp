// The plumbing as a net, and every joint of it judged.
#include <catch2/catch.hpp>
#include <random>
#include <set>

#include "document/moment.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/unit.hpp"
#include "judge/findings.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/supply_lines.hpp"
#include "support/every_code.hpp"
#include "support/random_job.hpp"
#include "work/parts_gate.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::string keys(const Net& net) {
  std::string all;
  for (const NetNode& n : net.nodes) all += (all.empty() ? "" : " ") + n.key;
  return all;
}

std::string way_to(const Net& net, std::string key) {
  std::string way = key;
  for (bool more = true; more;) {
    more = false;
    for (const NetRun& r : net.runs)
      if (r.to == key) {
        key = r.from;
        way = key + " > " + way;
        more = true;
        break;
      }
  }
  return way;
}

JudgedJoint judged(const Job& job, std::string_view key) {
  for (const JudgedJoint& j : judged_joints(job, As::plan))
    if (j.joint.key == key) return j;
  FAIL("no joint " << key);
  return {};
}

bool has(const std::vector<Finding>& list, FindingCode code) {
  for (const Finding& f : list)
    if (f.code == code) return true;
  return false;
}

JointRecord both(JointThread thread, JointSeat seat) {
  JointRecord r;
  r.port_thread = r.line_thread = thread;
  r.port_seat = r.line_seat = seat;
  return r;
}

}  // namespace

TEST_CASE("the net leads from each outlet to the wheels that it feeds") {
  Job job = known_job();
  Net net = plumbing_net(job, As::plan);
  CHECK(way_to(net, "fl") == "outlet1 > tee_front > hose_fl > fl");
  CHECK(way_to(net, "rr") == "outlet2 > tee_rear > hose_rr > rr");
  set(job, "valve.kind=proportioning; valve.residual_rear=0.07 MPa; rear.hoses=middle");
  net = plumbing_net(job, As::plan);
  CHECK(way_to(net, "rl") == "outlet2 > valve_rear > residual_rear > hose_rear > tee_rear > rl");
  set(job, "front.hose=0 m; valve.metering=metering");
  CHECK(way_to(plumbing_net(job, As::plan), "fr") == "outlet1 > metering_front > tee_front > fr");
  set(job, "circuit.split=diagonal; circuit.fr=2; circuit.rl=2; circuit.rr=1");
  net = plumbing_net(job, As::plan);
  CHECK(way_to(net, "fl") == "outlet1 > split1 > metering_fl > fl");
  CHECK(way_to(net, "rr") == "outlet1 > split1 > valve_rr > residual_rr > hose_rr > rr");
  CHECK(way_to(net, "rl") == "outlet2 > split2 > valve_rl > residual_rl > hose_rl > rl");
}

TEST_CASE("what stands in a circuit is in its line, and an untraced wheel hangs on nothing") {
  Job job = known_job();
  set(job,
      "assist.kind=remote; assist.servo_feeds=1; valve.shuttle=fitted; "
      "circuit.antilock=fitted");
  const Net net = plumbing_net(job, As::plan);
  CHECK(way_to(net, "fl") == "outlet1 > servo1 > shuttle1 > antilock1 > tee_front > hose_fl > fl");
  CHECK(way_to(net, "rl") == "outlet2 > shuttle2 > antilock2 > tee_rear > hose_rl > rl");
  set(job, "circuit.rl=?");
  CHECK(way_to(plumbing_net(job, As::plan), "rl") == "rl");
  CHECK(way_to(plumbing_net(job, As::plan), "rr") == "outlet2 > shuttle2 > antilock2 > hose_rr > rr");
  Job clutch;
  set(clutch, kClutchJob);
  CHECK(keys(plumbing_net(clutch, As::plan)) == "outlet1 hose_slave slave");
}

TEST_CASE("nets of any job: every run ends at parts it has, every joint at one, keys are single") {
  for (unsigned seed = 0; seed < 400; ++seed) {
    const Job job = random_job(seed, 0.3);
    const Net net = plumbing_net(job, As::plan);
    std::set<std::string> nodes, joints, reached;
    for (const NetNode& n : net.nodes) CHECK(nodes.insert(n.key).second);
    for (const NetRun& r : net.runs) {
      CHECK(nodes.count(r.from) == 1);
      CHECK(nodes.count(r.to) == 1);
      CHECK(reached.insert(r.to).second);  // a tree: fed from one side
    }
    for (const NetJoint& j : net.joints) {
      CHECK(joints.insert(j.key).second);
      CHECK(nodes.count(j.node) == 1);
    }
    for (const NetNode& n : net.nodes)
      if (n.part != NetPart::outlet && n.circuit) CHECK(reached.count(n.key) == 1);
  }
}

TEST_CASE("a joint is unknown until both sides were looked at, and new until it was proved") {
  Job job = known_job();
  CHECK(judged(job, "outlet1").verdict == JointVerdict::not_looked);
  CHECK_FALSE(judged(job, "outlet1").joint.fresh);
  set(job, "master.bore=25.4 mm; unit.port1_thread=3/8-24; unit.port1_seat=inverted");
  CHECK(judged(job, "outlet1").joint.fresh);
  CHECK(english(judged(job, "outlet1").words).find("thread of the nut") != std::string::npos);
  CHECK(english(judged(job, "outlet1").words).find("thread of the port") == std::string::npos);
  JointRecord& r = job.joints["outlet1"];
  r.line_thread = JointThread::n3_8_24;
  r.line_seat = JointSeat::inverted;
  CHECK(judged(job, "outlet1").verdict == JointVerdict::fits);
  CHECK_FALSE(judged(job, "outlet1").good());
  r.proved = true;
  CHECK(judged(job, "outlet1").good());
  // Looked at by somebody who did not prove it: the car does not come apart for it.
  r.proved = false;
  CHECK_FALSE(parts_gate(job, "").may_start);
  CHECK(english(parts_gate(job, "").sentence).find("Outlet 1") != std::string::npos);
  r.proved = true;
  CHECK(parts_gate(job, "").may_start);
}

TEST_CASE(
    "thread and seat each alone can be wrong, and hold the gate (common practice, no source)") {
  Job job = known_job();
  job.joints["fl"] = both(JointThread::m10x1, JointSeat::bubble);
  CHECK(judged(job, "fl").verdict == JointVerdict::fits);
  CHECK(english(judged(job, "fl").spanner).find("10 or 11 mm") != std::string::npos);
  job.joints["fl"].line_seat = JointSeat::inverted;
  CHECK(judged(job, "fl").verdict == JointVerdict::leaks);
  job.joints["fl"] = both(JointThread::m10x1, JointSeat::inverted);
  job.joints["fl"].line_thread = JointThread::n3_8_24;
  CHECK(judged(job, "fl").verdict == JointVerdict::strips);
  CHECK(english(judged(job, "fl").mends).find("M10×1") != std::string::npos);
  job.joints["fl"].line_thread = JointThread::n9_16_18;
  CHECK(judged(job, "fl").verdict == JointVerdict::no_thread);
  const auto findings = find_all(job, foot_strip(job, 8));
  CHECK(has(findings, FindingCode::plumb_joint));
  job.joints["fl"].line_thread = JointThread::other;
  CHECK(judged(job, "fl").verdict == JointVerdict::not_looked);
  job.joints["fl"] = both(JointThread::m10x1, JointSeat::banjo);
  CHECK(english(judged(job, "fl").put).find("washer") != std::string::npos);
  CHECK(english(judged(job, "fl").tighten).find("15 N·m") != std::string::npos);
  job.joints["fl"].torque_nm = 18;
  CHECK(english(judged(job, "fl").tighten).find("18") != std::string::npos);
}

TEST_CASE("a port's options stand in the order of a joint's") {
  const auto& threads = info(param::unit_port1_thread).options;
  for (std::size_t i = 0; i < threads.size(); ++i)
    CHECK(threads[i].key == EnumWords<JointThread>::all[i + 1].key);
  const auto& seats = info(param::unit_port2_seat).options;
  for (std::size_t i = 0; i < seats.size(); ++i)
    CHECK(seats[i].key == EnumWords<JointSeat>::all[i + 1].key);
}

TEST_CASE("old outlets to new: a crossing is one, and what is not traced is open") {
  Job job = known_job();
  PortMatching m = port_matching(job);
  CHECK_FALSE(m.crossed);
  CHECK(m.lines.size() == 2);
  CHECK(m.open.empty());
  set(job, "circuit.fl=2; circuit.fr=2; circuit.rl=1; circuit.rr=1");
  m = port_matching(job);
  CHECK(m.crossed);
  CHECK(m.lines.size() == 2);
  // The new unit's outlets are unknown until somebody traced them on it.
  Job other = known_job();
  set(other, "master.bore=25.4 mm");
  CHECK(port_matching(other).open.size() == 4);
}

TEST_CASE("a nut that sits fast is decided before the first turn, by what each way costs") {
  const SeizedPlan dry = seized_plan(JointGrip::rusted, std::nullopt, 1.0);
  // 10 min against 0.3 of 30 min saved.
  CHECK(dry.remake_min == Approx(30));
  CHECK(dry.cut_now);
  const SeizedPlan soaked = seized_plan(JointGrip::rusted, kSoak_s, 1.0);
  CHECK_FALSE(soaked.cut_now);
  CHECK(soaked.chance > dry.chance);
  CHECK(soaked.steps.size() > 2);
  // The longer the line, the more a try is worth; a rounded nut is worth less.
  CHECK_FALSE(seized_plan(JointGrip::rusted, std::nullopt, 4.0).cut_now);
  CHECK(seized_plan(JointGrip::rounded, kSoak_s, 1.0).cut_now);
  CHECK_FALSE(seized_plan(JointGrip::free, std::nullopt, 1.0).cut_now);
  CHECK(seized_plan(JointGrip::free, std::nullopt, 1.0).buy.empty());
  CHECK(seconds_between("2026-02-27T23:00:00", "2026-03-01T01:00:30") == 26 * 3600 + 30);
  CHECK(seconds_between("2026-02-27T23:00:00", "2026-02-27T22:00:00") == -3600);
  CHECK_FALSE(seconds_between("2026-02-30T23:00:00", "2026-03-01T01:00:30"));
  CHECK_FALSE(seconds_between("", "2026-03-01T01:00:30"));
  CHECK_FALSE(seconds_between("2026-02-27T24:00:00", "2026-03-01T01:00:30"));
}

TEST_CASE("what feeds an assist unit is open until it was looked at") {
  Job job = known_job();
  CHECK(feed_rows(job).empty());
  set(job, "assist.kind=electric");
  CHECK(has(feed_findings(job), FindingCode::plumb_wiring));
  for (const FeedRow& r : feed_rows(job)) CHECK(r.state == FeedState::open);
  set(job,
      "supply.wire_length=2 m; supply.wire_area=25 mm2; supply.fuse=40 A; "
      "supply.wake=ignition; supply.ground=battery");
  for (const FeedRow& r : feed_rows(job)) CHECK(r.state == FeedState::good);
  CHECK(feed_findings(job).empty());
  for (const char* one :
       {"supply.wake=always", "supply.ground=mounting", "supply.wire_area=1.5 mm2"}) {
    Job worse = job;
    set(worse, one);
    INFO(one);
    CHECK(has(feed_findings(worse), FindingCode::plumb_wiring));
  }
  set(job, "assist.kind=vacuum; supply.valve_way=engine; supply.nipple=8 mm");
  CHECK(feed_findings(job).empty());
  set(job, "supply.nipple=4 mm");
  CHECK(has(feed_findings(job), FindingCode::plumb_vacuum_line));
  set(job, "supply.nipple=8 mm; supply.valve_way=both");
  CHECK(has(feed_findings(job), FindingCode::plumb_vacuum_line));
}
