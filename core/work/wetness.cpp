#include "work/wetness.hpp"

#include <algorithm>

namespace yoke {

namespace {

std::size_t number(WipeRound r) {
  return static_cast<std::size_t>(r);
}

/// A nut that has a figure is tightened to it; one that has none by small turns, with an end; what
/// is still wet is made again, never tightened for ever.
Message mend_of(const JudgedJoint& j) {
  if (j.wrong()) return say("Make it again: {}. {}", j.words, j.mends);
  if (j.seen.line_seat == JointSeat::pushed)
    return "Push it home or move the clamp; still wet: a new grommet or hose";
  if (j.seen.torque_nm)
    return say("Tighten to {} once; still wet: loosen it, look at the seat, make the flare again",
               amount(*j.seen.torque_nm, Kind::torque, 0));
  return "Tighten by a sixteenth of a turn, twice at most; still wet: loosen it, look at the seat, "
         "make the flare again";
}

}  // namespace

Wiped& wiped_in(JointRecord& r, WipeRound round) {
  return round == WipeRound::filled ? r.filled : round == WipeRound::pressed ? r.pressed : r.driven;
}
Wiped wiped_in(const JointRecord& r, WipeRound round) {
  return round == WipeRound::filled ? r.filled : round == WipeRound::pressed ? r.pressed : r.driven;
}

std::string_view round_words(WipeRound round) {
  static constexpr std::string_view words[] = {"filled", "after the hard press", "after the drive"};
  return words[number(round)];
}

bool WipedJoint::wet() const {
  return !left_shut &&
         std::any_of(std::begin(seen), std::end(seen), [](Wiped w) { return w == Wiped::wet; });
}

bool WipedJoint::dry_through(WipeRound round) const {
  if (left_shut) return true;
  for (std::size_t i = 0; i <= number(round); ++i)
    if (seen[i] != Wiped::dry) return false;
  return true;
}

std::vector<WipedJoint> wipe_map(const Job& job) {
  std::vector<WipedJoint> list;
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    WipedJoint w;
    w.joint = j.joint;
    if (const auto it = job.joints.find(j.joint.key); it != job.joints.end()) {
      // A joint of a new part was opened, whatever was said of the old one.
      w.left_shut = it->second.left_shut && !j.joint.fresh;
      for (const WipeRound r : kWipeRounds) w.seen[number(r)] = wiped_in(it->second, r);
    }
    if (w.wet()) w.mend = mend_of(j);
    list.push_back(std::move(w));
  }
  return list;
}

std::vector<Message> not_dry(const Job& job, WipeRound round) {
  std::vector<Message> list;
  for (const WipedJoint& w : wipe_map(job))
    if (!w.dry_through(round)) list.push_back(w.joint.name);
  return list;
}

void wipe(Job& job, const std::string& key, WipeRound round, Wiped seen) {
  wiped_in(job.joints[key], round) = seen;
}

void made_again(Job& job, const std::string& key) {
  for (const WipeRound r : kWipeRounds) wiped_in(job.joints[key], r) = Wiped::not_looked;
}

}  // namespace yoke
