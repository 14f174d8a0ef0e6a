// A job whose steps are all ticked and whose nipples all run clear; gates answered with the
// evidence that they ask for.
#pragma once

#include "document/param/limits.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
#include "work/steps.hpp"
#include "work/wetness.hpp"

namespace yoke::test {

/// Its nipple was seen at the top, and it is worked until it is clear; all chambers topped up.
inline void bleed_clear(Job& job, const std::string& key) {
  if (key != "bench" && !value_of(job, As::plan, screw_of(key)).settled())
    job.plan.set(screw_of(key), measured(screw_of(key), 0, How::stated));
  const BleedPlan plan = bleed_plan(job);
  for (int i = 0; i < 500 && !is_clear(job, plan, key); ++i) {
    if (i >= kClearStrokes && key != "bench" && !planned_at(plan, key)) break;
    count_at(job, plan, key, false);
  }
  top_up(job, key);
}

inline void do_all_work(Job& job) {
  for (const Step& s : install_steps(job)) record_for(job, s.id).done = true;
  for (const BleedRow& row : bleed_rows(job, bleed_plan(job))) bleed_clear(job, row.key);
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

/// One circuit may keep as little as it keeps: what is tested lies behind that gate.
inline void ask_little_of_one_circuit(Job& job) {
  job.found.set(param::limit_z_failed, {0.1, How::stated, 0, {}});
  job.found.set(param::limit_reserve_failed, {0, How::stated, 0, {}});
  job.found.set(param::limit_reserve_failed_m, {0, How::stated, 0, {}});
}

}  // namespace yoke::test
