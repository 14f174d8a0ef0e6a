// The plumbing as a net, and every joint of it judged.
#include <catch2/catch.hpp>
#include <random>
#include <set>

#include "document/moment.hpp"
#include "document/param/unit.hpp"
#include "judge/findings.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/paths.hpp"
#include "plumbing/supply_lines.hpp"
#include "support/every_code.hpp"
#include "support/random_job.hpp"
#include "work/line_gaps.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"

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
  CHECK(way_to(plumbing_net(job, As::plan), "rr") ==
        "outlet2 > shuttle2 > antilock2 > hose_rr > rr");
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
  prove_joint(job, "outlet1", true);
  CHECK(judged(job, "outlet1").good());
  // Looked at by somebody who did not prove it: the car does not come apart for it.
  prove_joint(job, "outlet1", false);
  CHECK_FALSE(parts_gate(job, "").may_start);
  CHECK(english(parts_gate(job, "").sentence).find("Outlet 1") != std::string::npos);
  prove_joint(job, "outlet1", true);
  CHECK(parts_gate(job, "").may_start);
  // Another unit, another nut: what was proved by hand was another thing.
  for (const char* other : {"master.bore=23.8 mm", "master.kind=stepped", "unit.port1_seat=37"}) {
    Job changed = job;
    set(changed, other);
    INFO(other);
    CHECK_FALSE(judged(changed, "outlet1").proved);
    CHECK_FALSE(judged(changed, "outlet1").good());
  }
  Job nut = job;
  nut.joints["outlet1"].line_thread = JointThread::m10x1;
  CHECK_FALSE(judged(nut, "outlet1").proved);
  prove_joint(job, "no such joint", true);
  CHECK(job.joints.size() == 1);
}

TEST_CASE("a guessed port is not looked at, one of a unit that stays is") {
  Job job = known_job();
  set(job, "found:unit.port1_thread=3/8-24; found:unit.port1_seat=inverted");
  job.joints["outlet1"].line_thread = JointThread::n3_8_24;
  job.joints["outlet1"].line_seat = JointSeat::inverted;
  CHECK(judged(job, "outlet1").verdict == JointVerdict::fits);
  job.found.set(param::unit_port1_seat, {0, How::estimate, 0, {}});
  CHECK(judged(job, "outlet1").verdict == JointVerdict::not_looked);
  set(job, "found:unit.port1_seat=inverted; master.bore=25.4 mm");
  CHECK(judged(job, "outlet1").verdict == JointVerdict::not_looked);
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
  // A fuse that nobody read, a guess, or the old unit's hose is no proof.
  Job unread = job;
  unread.plan.clear(*find_param("supply.fuse"));
  CHECK(feed_rows(unread)[0].state == FeedState::open);
  unread.plan.set(*find_param("supply.wake"), {0, How::estimate, 0, {}});
  CHECK(feed_rows(unread)[1].state == FeedState::open);
  set(job, "assist.kind=vacuum; supply.valve_way=engine; supply.nipple=8 mm");
  CHECK(has(feed_findings(job), FindingCode::plumb_vacuum_line));  // clamps, and what it slid on
  set(job, "supply.clamps=both; supply.grease=rubber");
  CHECK(feed_findings(job).empty());
  Job old = known_job();
  set(old,
      "found:assist.kind=vacuum; found:assist.diaphragm1=200 mm; found:supply.valve_way=engine; "
      "found:supply.nipple=8 mm; supply.clamps=both; supply.grease=dry");
  CHECK(feed_findings(old).empty());
  set(old, "assist.diaphragm1=250 mm");
  // The valve sits in the booster; the hole to the manifold stays what it was.
  CHECK(feed_rows(old)[0].state == FeedState::open);
  CHECK(english(feed_rows(old)[0].is).find("on the old booster") != std::string::npos);
  CHECK(feed_rows(old)[1].state == FeedState::good);
  set(job, "supply.nipple=4 mm");
  CHECK(has(feed_findings(job), FindingCode::plumb_vacuum_line));
  set(job, "supply.nipple=8 mm; supply.valve_way=both");
  CHECK(has(feed_findings(job), FindingCode::plumb_vacuum_line));
}

TEST_CASE("the smallest hole of a path, and what it costs (Hagen-Poiseuille, by hand)") {
  Job job = known_job();
  set(job,
      "lines.tube_outside=4.76 mm; lines.tube_wall=0.71 mm; front.tube=3 m; front.hose=0.8 m; "
      "lines.hose_bore=1/8");
  const auto paths = line_paths(job);
  REQUIRE(paths.size() == 4);
  CHECK(paths[0].end == "fl");
  CHECK(paths[0].bore_m == Approx(0.003175));
  CHECK(paths[0].typical.empty());
  CHECK_FALSE(paths[2].typical.empty());  // nobody measured the rear ones
  // 128 mu V / (pi dp) (L1/d1^4 + L2/d2^4), mu = 15e-6 * 1050; one of two hoses is 0.4 m.
  const double by_hand = 128 * 15e-6 * 1050 * 1e-6 / (3.14159265358979 * 2e6) *
                         (3 / std::pow(0.00334, 4) + 0.4 / std::pow(0.003175, 4));
  CHECK(paths[0].mild_s == Approx(by_hand).epsilon(1e-6));
  CHECK(paths[0].without_s == Approx(paths[0].mild_s));
  job.joints["outlet1"].bore_m = 0.0008;
  const auto narrow = line_paths(job);
  CHECK(narrow[0].bore_m == Approx(0.0008));
  CHECK(english(narrow[0].narrowest) == "Outlet 1");
  CHECK(narrow[0].without_s == Approx(paths[0].mild_s));
  const double more =
      128 * 15e-6 * 1050 * 1e-6 / (3.14159265358979 * 2e6) * 0.01 / std::pow(0.0008, 4);
  CHECK(narrow[0].mild_s - paths[0].mild_s == Approx(more).epsilon(1e-6));
  CHECK(narrow[0].cold_s > 100 * narrow[0].mild_s);
  CHECK(narrow[0].warm_s < narrow[0].mild_s);
  // The other circuit does not run through it; a tee's other arm is on nobody's way.
  CHECK(narrow[2].bore_m == Approx(0.003175));
  job.joints["tee_front.right"].bore_m = 0.0005;
  CHECK(line_paths(job)[0].bore_m == Approx(0.0008));
  CHECK(line_paths(job)[1].bore_m == Approx(0.0005));
}

TEST_CASE("a line's clips, and its distance from heat and what moves") {
  Job job = known_job();
  TubeLine tube;
  tube.name = "front";
  tube.outside_m = 0.005;
  tube.radius_m = 0.015;
  job.tubes = {tube};
  job.tube_corners = {{"front", 0, 0, 0, {}}, {"front", 1, 0, 0, {}}};
  const auto words = [&] {
    std::string all;
    for (const Message& m : hold_words(job, planned_lines(job)[0])) all += english(m) + "\n";
    return all;
  };
  CHECK(words().find("Clips: 3,") != std::string::npos);
  CHECK(words().find("usual spacing") != std::string::npos);
  job.tubes[0].support_m = 0.2;
  CHECK(words().find("Clips: 5,") != std::string::npos);
  CHECK(words().find("usual spacing") == std::string::npos);
  Box pipe;
  pipe.name = "exhaust";
  pipe.kind = Box::Kind::hot;
  pipe.x_m = 0.5;
  pipe.z_m = -0.09;
  pipe.dx_m = pipe.dy_m = pipe.dz_m = 0.1;
  job.boxes = {pipe};
  CHECK(words().find("not known while") != std::string::npos);
  job.tubes[0].from_face = true;
  // 90 mm down, half of 100 mm and half the tube taken off: 37.5 mm of 50.
  CHECK(line_gaps(job, planned_lines(job)[0])[0].gap_m == Approx(0.0375));
  CHECK(words().find("exhaust") != std::string::npos);
  job.boxes[0].z_m = -0.11;
  CHECK(words().find("Too near") == std::string::npos);
  job.boxes[0].swing_m = 0.02;
  CHECK(words().find("Too near") != std::string::npos);
  // A line through a box is not "less than nothing" from it.
  job.boxes[0].z_m = 0;
  CHECK(words().find("it runs") != std::string::npos);
  CHECK(words().find("Too near: -") == std::string::npos);
}

TEST_CASE("a rest goes on by the clock, whoever looks, and a clock set back takes nothing off") {
  Job job = known_job();
  Step step;
  step.key = "before.soak";
  step.wait_s = 3600;
  CHECK_FALSE(wait_left(job, step, "2026-05-31T10:00:00"));
  job.steps[step.key] = {true, "2026-05-31", "", "2026-05-31T10:00:00", {}};
  CHECK(wait_left(job, step, "2026-05-31T10:00:00") == 3600);
  CHECK(wait_left(job, step, "2026-05-31T10:59:00") == 60);
  CHECK_FALSE(wait_left(job, step, "2026-05-31T11:00:00"));
  CHECK(wait_left(job, step, "2026-05-31T08:00:00") == 3600);
  job.steps[step.key].waits.clear();
  CHECK_FALSE(wait_left(job, step, "2026-05-31T10:59:00"));
}
