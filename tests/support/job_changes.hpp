// Changes of a job that are no typed value: what raises a finding, and what mends it again.
#pragma once

#include "document/as_built.hpp"
#include "document/param/lines.hpp"
#include "document/param/pedal_rod.hpp"
#include "plumbing/joints.hpp"
#include "road/permits.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"

namespace yoke::test {

inline void unsafe(Job& j) {
  j.state = JobState::left_unsafe;
}
inline void in_work(Job& j) {
  j.state = JobState::in_work;
}
inline void proved(Job& j) {
  j.state = JobState::proved;
}
inline void failed_gate(Job& j) {
  record_for(j, GateId::weep).state = GateState::failed;
}
inline void open_gate(Job& j) {
  record_for(j, GateId::weep).state = GateState::open;
}
inline void sinks(Job& j) {
  j.pump.first_m = 0.05;
  j.pump.third_m = 0.05;
  j.pump.sink_m = 0.02;
  j.pump.hold_s = 60;
}
inline void holds(Job& j) {
  j.pump.sink_m = 0;
}
inline void part_missing(Job& j) {
  PartInHand p;
  p.name = "hose";
  p.before_apart = true;
  j.parts = {p};
}
inline void part_here(Job& j) {
  PartInHand& p = j.parts.front();
  p.here = p.thread = p.seat = p.place = true;
}
inline void built_as(Job& j, double rod_m) {
  j.plan.set(param::control_rod_length, measured(param::control_rod_length, 0.148, How::calliper));
  set_as_built(j, param::control_rod_length,
               measured(param::control_rod_length, rod_m, How::calliper));
}
inline void built_off(Job& j) {
  built_as(j, 0.152);
}
inline void built_on(Job& j) {
  built_as(j, 0.1483);
}
inline void built_earlier(Job& j) {
  set_as_built(j, param::control_rod_length, {0.120, How::calliper, 0, {}});
  set(j, "rod.snout=40 mm");
}
inline void built_again(Job& j) {
  set_as_built(j, param::control_rod_length, {0.121, How::calliper, 0, {}});
}
inline void boxes_close(Job& j) {
  Box unit;
  unit.name = "unit";
  unit.dx_m = unit.dy_m = unit.dz_m = 0.1;
  unit.kind = Box::Kind::unit;
  Box pipe = unit;
  pipe.name = "exhaust";
  pipe.kind = Box::Kind::hot;
  pipe.x_m = 0.105;
  j.boxes = {unit, pipe};
}
inline void boxes_apart(Job& j) {
  j.boxes[1].x_m = 0.5;
}
inline void joint_leaks(Job& j) {
  JointRecord& r = j.joints["fl"];
  r.port_thread = r.line_thread = JointThread::m10x1;
  r.port_seat = JointSeat::bubble;
  r.line_seat = JointSeat::inverted;
}
inline void joint_seals(Job& j) {
  j.joints["fl"].line_seat = JointSeat::bubble;
}
inline void joint_fast(Job& j) {
  j.joints["fl"].grip = JointGrip::rusted;
}
inline void joint_turns(Job& j) {
  j.joints["fl"].grip = JointGrip::free;
}
/// Every new joint is looked at on both sides and was screwed together by hand.
inline void joints_proved(Job& j) {
  for (const NetJoint& joint : plumbing_net(j, As::plan).joints)
    if (joint.fresh) {
      JointRecord& r = j.joints[joint.key];
      r.port_thread = r.line_thread = JointThread::n3_8_24;
      r.port_seat = r.line_seat = JointSeat::inverted;
      prove_joint(j, joint.key, true);
    }
}
template <LaterKind what>
void later(Job& j) {
  wants(j, what);
}
inline void never(Job& j) {
  j.later.clear();
}

inline void sinks_lightly(Job& j) {
  j.pump.light_sink_m = 0.006;
}
inline void stays_lightly(Job& j) {
  j.pump.light_sink_m = 0.0;
}
inline void drew_air(Job& j) {
  j.bleeding["fl"].ran_dry = 1;
}
inline void bled_again(Job& j) {
  bleed_clear(j, "fl");
}
/// All work done but the bleeding after the first ride, and it may be ridden.
inline void ridden(Job& j) {
  do_all_work(j);
  record_for(j, StepId::lever_again).done = false;
  j.state = JobState::proved;
}
inline void lever_bled_again(Job& j) {
  record_for(j, StepId::lever_again).done = true;
}
inline RoadStop stop_of(RoadStage stage, double speed_km_h, double distance_m, LockSeen locked) {
  RoadStop s;
  s.stage = stage;
  s.speed_m_s = speed_km_h / 3.6;
  s.distance_m = distance_m;
  s.locked = locked;
  s.when = "2026-05-31T14:05:09";
  return s;
}
inline void driven(Job& j) {
  j.stops = {stop_of(RoadStage::slow, 30, 9, LockSeen::none)};
}
inline void looked_after(Job& j) {
  for (const AfterRun& a : after_run(j)) j.steps[a.key].done = true;
}
inline void driven_pulling(Job& j) {
  driven(j);
  j.stops[0].pulled = true;
}
inline void rear_locked(Job& j) {
  j.stops = {stop_of(RoadStage::hard, 50, 16, LockSeen::rear)};
}
inline void front_locked(Job& j) {
  j.stops = {stop_of(RoadStage::hard, 50, 16, LockSeen::front)};
}
inline void stopped_weakly(Job& j) {
  j.stops = {stop_of(RoadStage::hard, 50, 40, LockSeen::none)};
}
inline void stopped_well(Job& j) {
  j.stops = {stop_of(RoadStage::hard, 50, 14, LockSeen::front)};
}
inline void level_low(Job& j) {
  j.bleeding["fl"].strokes = 400;
}
inline void level_full(Job& j) {
  top_up(j, "fl");
}
inline void joint_wet(Job& j) {
  j.joints["outlet1"].filled = Wiped::wet;
}
inline void joint_dry(Job& j) {
  j.joints["outlet1"].filled = Wiped::dry;
}
inline void strokes_counted(Job& j) {
  j.found.clear(param::fluid_grade);
  j.plan.clear(param::fluid_grade);
  count_stroke(j.bleeding["fl"], true);
}

}  // namespace yoke::test
