// A job whose steps are all ticked and whose nipples all run clear; gates answered with the
// evidence that they ask for.
#pragma once

#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"
#include "work/wetness.hpp"

namespace yoke::test {

inline void do_all_work(Job& job) {
  for (const Step& s : install_steps(job)) record_for(job, s.id).done = true;
  for (const BleedRow& row : bleed_rows(job, bleed_plan(job)))
    for (int i = 0; i < kClearStrokes; ++i) count_stroke(job.bleeding[row.key], false);
  for (const WipedJoint& w : wipe_map(job))
    for (const WipeRound r : kWipeRounds) wipe(job, w.joint.key, r, Wiped::dry);
}

/// A record as older files hold it: a bare word.
inline GateRecord claimed(GateState state, const std::string& date, const std::string& note) {
  GateRecord r;
  r.state = state;
  r.date = date;
  r.note = note;
  return r;
}

/// What passes a gate: the number that is predicted, or one within its limits, or a sentence.
inline GateEvidence good_evidence(const GateAsk& ask,
                                  const std::string& when = "2026-05-30T10:00:00") {
  GateEvidence e;
  e.who = "A. Builder";
  e.when = when;
  e.seen = ask.number ? "" : "seen as it should be";
  if (ask.number) {
    e.read = ask.predicted.value_or(ask.least.value_or(ask.most.value_or(0) * 0.5));
    if (ask.least) e.read = std::max(*e.read, *ask.least);
    if (ask.most) e.read = std::min(*e.read, *ask.most);
  }
  return e;
}

inline void pass_gate(Job& job, GateId id, const std::string& when = "2026-05-30T10:00:00") {
  const GateAsk ask = gate_ask(job, foot_strip(job, 0), id);
  answer_gate(job, id, GateState::passed, good_evidence(ask, when));
  // A joint that was seen wet stays wet, whatever is said of the whole.
  if (id != GateId::weep) return;
  for (const WipedJoint& w : wipe_map(job))
    for (const WipeRound r : kWipeRounds)
      if (!w.wet()) wipe(job, w.joint.key, r, Wiped::dry);
}

inline void pass_all_gates(Job& job) {
  const auto strip = foot_strip(job, 0);
  for (const Gate& g : gates_of(job, strip, find_all(job, strip)))
    if (!g.by_facts) pass_gate(job, g.id);
}

}  // namespace yoke::test
