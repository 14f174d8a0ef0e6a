#include "plumbing/joints.hpp"

#include <fmt/format.h>

#include <algorithm>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/unit.hpp"

namespace yoke {

namespace {

/// A port that was looked at. A guess, or what was seen on a unit that goes, is no look.
Value port_value(const Job& job, As which, const NetJoint& joint, Param p) {
  Value v = value_of(job, which, p);
  if (!v.known() && !joint.fresh) v = value_of(job, As::found, p);
  return v.settled() ? v : Value{};
}

/// The joint as it was looked at: the unit's own ports are values of the unit.
JointRecord seen_of(const Job& job, As which, const NetJoint& joint);

/// Thread and seat of a unit's port have the same options as a joint's, without "not looked at".
JointThread thread_of(const Value& v) {
  const auto option = v.as<choice::UnitPortThread>();
  return option ? static_cast<JointThread>(static_cast<int>(*option) + 1) : JointThread::unknown;
}
JointSeat seat_of(const Value& v) {
  const auto option = v.as<choice::UnitPortSeat>();
  return option ? static_cast<JointSeat>(static_cast<int>(*option) + 1) : JointSeat::unknown;
}

template <class Enum>
Message words_of(Enum value) {
  return Message::of_table(words_of_value(value));
}
Seat mated(JointSeat s) {
  return static_cast<Seat>(static_cast<int>(s) - 1);
}

Message not_looked(const JointRecord& r) {
  std::vector<Message> list;
  if (r.port_thread == JointThread::unknown) list.emplace_back("thread of the port");
  if (r.port_seat == JointSeat::unknown) list.emplace_back("seat in the port");
  if (r.line_thread == JointThread::unknown) list.emplace_back("thread of the nut");
  if (r.line_seat == JointSeat::unknown) list.emplace_back("seat on the line");
  return list.empty() ? Message() : say("Look at: {}", joined(list, ", "));
}

/// A reservoir's grommet or hose end has no thread: it is pushed on.
bool pushed_on(const NetJoint& joint) {
  return joint.node == "reservoir";
}

void judge_pushed(JudgedJoint& j) {
  const JointRecord& r = j.seen;
  if (r.port_seat == JointSeat::unknown || r.line_seat == JointSeat::unknown) {
    j.words = "Look at: the inlet's edge, and the grommet or hose end and its clamp";
  } else if (r.port_seat == JointSeat::pushed && r.line_seat == JointSeat::pushed) {
    j.verdict = JointVerdict::fits;
    j.words = "Pushed on";
  } else {
    j.verdict = JointVerdict::leaks;
    j.words = "One side is made for pushing on, the other for a nut";
    j.mends = "The reservoir or hose that belongs to this unit";
  }
}

void judge_threads(JudgedJoint& j) {
  if (pushed_on(j.joint)) return judge_pushed(j);
  const JointRecord& r = j.seen;
  if (const Message open = not_looked(r); !open.empty()) {
    j.words = open;
    return;
  }
  const auto nut = find_thread(key_of(r.line_thread));
  const auto port = find_thread(key_of(r.port_thread));
  if (!nut || !port) {
    j.words = "A thread that is in no list: compare it with a known part";
    return;
  }
  const MatingReport m = mate(*nut, mated(r.line_seat), *port, mated(r.port_seat));
  j.words = m.words;
  switch (m.mating) {
    case Mating::fits:
      j.verdict = JointVerdict::fits;
      return;
    case Mating::wrong_seat:
      j.verdict = JointVerdict::leaks;
      break;
    case Mating::strips:
      j.verdict = JointVerdict::strips;
      break;
    case Mating::no_thread:
      j.verdict = JointVerdict::no_thread;
      break;
  }
  j.mends =
      say("A nut {} and a new end ({}) on the line; or one adapter, {} with {} outside, {} with {} "
          "inside",
          words_of(r.port_thread), words_of(r.port_seat), words_of(r.port_thread),
          words_of(r.port_seat), words_of(r.line_thread), words_of(r.line_seat));
}

/// Spanners of the rows that fit the nut.
Message spanner_of(const JointRecord& r) {
  if (r.line_thread == JointThread::unknown || r.line_seat == JointSeat::unknown ||
      r.line_seat == JointSeat::pushed)
    return {};
  const auto nut = find_thread(key_of(r.line_thread));
  if (!nut) return {};
  static constexpr SeatLook kLooks[] = {SeatLook::cone_out, SeatLook::cone_in,
                                        SeatLook::cone_outside, SeatLook::flat};
  const SeatLook look = kLooks[static_cast<std::size_t>(mated(r.line_seat))];
  const auto rows = find_fittings(nut->outside, nut->pitch, look);
  if (rows.empty()) return {};
  const Message size = Message::of_table(rows.front().spanner);
  return r.line_seat == JointSeat::banjo ? say("{}, socket or ring spanner", size)
                                         : say("{} flare spanner", size);
}

Message put_on(const JointRecord& r) {
  if (r.line_seat == JointSeat::unknown && r.port_seat == JointSeat::unknown) return {};
  const JointSeat seat = r.line_seat != JointSeat::unknown ? r.line_seat : r.port_seat;
  if (seat == JointSeat::pushed)
    return "A new grommet or clamp, wetted with clean brake fluid; no oil, no grease, no sealant";
  if (seat == JointSeat::banjo)
    return "A new soft washer on each side of the eye, dry; no sealant, no thread-locker";
  return "Dry: no sealant, no tape, no thread-locker, no grease";
}

/// Steel line nut about 12 lbf·ft, banjo 15 N·m: common practice, no source.
Message tighten(const JointRecord& r) {
  constexpr double kNut_nm = 16, kBanjo_nm = 15;
  if (r.line_seat == JointSeat::pushed)
    return "By hand until it sits all round; a hose clamp just so that the hose no longer turns";
  if (r.torque_nm) return say("{}, its maker's figure", amount(*r.torque_nm, Kind::torque, 0));
  const bool banjo = r.line_seat == JointSeat::banjo;
  return say(
      "No maker's figure: snug, then 1/16 turn at a time with a look for weeping, and no "
      "further than {}",
      amount(banjo ? kBanjo_nm : kNut_nm, Kind::torque, 0));
}

JointRecord seen_of(const Job& job, As which, const NetJoint& joint) {
  JointRecord seen;
  if (const auto it = job.joints.find(joint.key); it != job.joints.end()) seen = it->second;
  if (const auto p = port_params(joint.key)) {
    seen.port_thread = thread_of(port_value(job, which, joint, p->thread));
    seen.port_seat = seat_of(port_value(job, which, joint, p->seat));
  }
  if (pushed_on(joint)) seen.port_thread = seen.line_thread = JointThread::none;
  return seen;
}

/// What the two sides of a joint are: both threads and seats, and the part by its own dimensions.
std::string parts_of(const Job& job, const NetJoint& joint, const JointRecord& seen) {
  std::string words = fmt::format("{} {} / {} {}", key_of(seen.port_thread), key_of(seen.port_seat),
                                  key_of(seen.line_thread), key_of(seen.line_seat));
  std::vector<Param> part;
  if (port_params(joint.key) || pushed_on(joint)) part = {param::master_kind, param::master_bore};
  if (joint.wheel) {
    const Axle axle = axle_of(*joint.wheel);
    for (const Param p : {param::front_kind, param::front_piston, param::front_cylinder})
      part.push_back(of_axle(p, axle));
  }
  if (joint.node == "slave") part = {param::clutch_kind, param::clutch_slave_bore};
  for (const Param p : part) {
    const Value v = value_of(job, As::plan, p);
    words += v.known() ? fmt::format(" {:.9g}", v.si) : " ?";
  }
  return words;
}

}  // namespace

void prove_joint(Job& job, const std::string& key, bool proved) {
  const Net net = plumbing_net(job, As::plan);
  const NetJoint* joint = net.joint(key);
  if (!joint) return;
  const std::string on = parts_of(job, *joint, seen_of(job, As::plan, *joint));
  JointRecord& r = job.joints[key];
  r.proved = proved;
  r.proved_on = proved ? on : std::string();
  if (r == JointRecord{}) job.joints.erase(key);
}

std::string_view verdict_key(JointVerdict verdict) {
  static constexpr std::string_view keys[] = {"not_looked", "fits", "leaks", "strips", "no_thread"};
  return keys[static_cast<std::size_t>(verdict)];
}

std::string_view verdict_words(JointVerdict verdict) {
  static constexpr std::string_view words[] = {"Not looked at", "Goes together", "Leaks",
                                               "Starts, then strips", "Does not start"};
  return words[static_cast<std::size_t>(verdict)];
}

std::optional<PortParams> port_params(std::string_view joint) {
  if (joint == "outlet1") return PortParams{param::unit_port1_thread, param::unit_port1_seat};
  if (joint == "outlet2") return PortParams{param::unit_port2_thread, param::unit_port2_seat};
  return std::nullopt;
}

std::vector<JudgedJoint> judged_joints(const Job& job, As which) {
  std::vector<JudgedJoint> list;
  for (NetJoint& joint : plumbing_net(job, which).joints) {
    JudgedJoint j;
    j.seen = seen_of(job, which, joint);
    j.proved = j.seen.proved && j.seen.proved_on == parts_of(job, joint, j.seen);
    j.joint = std::move(joint);
    judge_threads(j);
    j.spanner = spanner_of(j.seen);
    j.put = put_on(j.seen);
    j.tighten = tighten(j.seen);
    list.push_back(std::move(j));
  }
  return list;
}

std::vector<Finding> joint_findings(const Job& job) {
  std::vector<Finding> list;
  const Message source = "common practice, no source";
  std::vector<Message> open, fast;
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    if (j.wrong())
      list.push_back({Severity::hard, Stage::plumb, FindingCode::plumb_joint,
                      say("{}: {}", j.joint.name, j.words), "thread and seat both go together",
                      j.mends, source});
    if (!j.wrong() && j.joint.fresh && !j.good()) open.push_back(j.joint.name);
    if (j.seen.grip == JointGrip::rusted || j.seen.grip == JointGrip::rounded)
      fast.push_back(j.joint.name);
  }
  if (!open.empty())
    list.push_back({Severity::warning, Stage::plumb, FindingCode::plumb_joint_open,
                    say("Joints of new parts, not yet looked at and screwed together by hand: {}",
                        joined(open, ", ")),
                    "on the very parts", "Press each joint on the drawing and say what is there",
                    source});
  if (!fast.empty())
    list.push_back(
        {Severity::warning, Stage::plumb, FindingCode::plumb_seized,
         say("Line nuts that sit fast: {}", joined(fast, ", ")), "decided before the first turn",
         "Soak and wait; once the tube turns with its nut it is cheaper to cut", source});
  return list;
}

std::optional<double> line_length(const Job& job, const NetJoint& joint) {
  const Net net = plumbing_net(job, As::plan);
  for (const NetRun& r : net.runs) {
    if ((r.from != joint.node && r.to != joint.node) || !r.length) continue;
    const Value v = value_of(job, As::plan, *r.length);
    if (v.settled()) return v.si;
  }
  return std::nullopt;
}

SeizedPlan seized_plan(JointGrip grip, std::optional<double> soaked_s,
                       std::optional<double> length_m) {
  SeizedPlan p;
  if (grip != JointGrip::rusted && grip != JointGrip::rounded) {
    p.decision = grip == JointGrip::free ? "It turns: nothing to decide."
                                         : "Not tried: say how the nut sits before the first turn.";
    return p;
  }
  const bool soaked = soaked_s && *soaked_s >= kSoak_s;
  const bool rounded = grip == JointGrip::rounded;
  constexpr double kEnd_min = 20, kMetre_min = 10;
  p.try_min = 10;
  p.chance = rounded ? (soaked ? 0.25 : 0.10) : (soaked ? 0.60 : 0.30);
  p.remake_min = kEnd_min + kMetre_min * length_m.value_or(1.0);
  p.cut_now = p.try_min > p.chance * p.remake_min;
  p.decision =
      p.cut_now
          ? say("Cut it: trying takes {} min and saves {} min in {} of 10 cases; cutting and a new "
                "end take {} min.",
                Plain{p.try_min, 0}, Plain{p.remake_min, 0}, Plain{p.chance * 10, 1},
                Plain{p.remake_min, 0})
          : say("Try it: {} min that save {} min in {} of 10 cases.", Plain{p.try_min, 0},
                Plain{p.remake_min, 0}, Plain{p.chance * 10, 1});
  if (!soaked) p.steps.emplace_back("Soak the nut and its thread, tap it, and leave it overnight");
  p.steps.emplace_back("Wire brush; a flare spanner that grips five flats, never an open one");
  if (!p.cut_now) {
    p.steps.emplace_back("A hair tighter first, then back, with the unit still bolted down");
    p.steps.emplace_back("The tube turns with the nut: stop, and cut");
  }
  p.steps.emplace_back(
      "To cut: behind the nut, six-point socket on it, plug the open line at once");
  p.steps.emplace_back(
      "Minutes and odds are a rule of thumb without a source: yours may be others");
  if (!length_m) p.steps.emplace_back("The line's length is not known: a metre is counted with");
  p.buy = {"a nut of the same thread, and the tube for its line or a joint piece",
           "plugs for the open ends"};
  return p;
}

}  // namespace yoke
