#include "session/stage_views.hpp"

#include <QDateTime>
#include <algorithm>
#include <cmath>
#include <map>

#include "assembly/assemble.hpp"
#include "document/as_built.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "document/param/lines.hpp"
#include "judge/findings.hpp"
#include "plumbing/outlets.hpp"
#include "proving/estimate.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"
#include "work/clutch_rod.hpp"

namespace yoke {

PlumbView plumb_view(const Job& job) {
  PlumbView v;
  v.clutch = works_clutch(resolve(job, As::plan));
  if (v.clutch) {
    v.answer = "One line, from the master to the slave: nothing to cross.";
    v.caution =
        "Keep the line from the exhaust and from everything that moves. A nut that screws in "
        "proves "
        "the thread, not the seat. Threads, tube lengths and the reservoir's head: see the "
        "figures.";
    return v;
  }
  v.caution =
      "On many tandem masters the rear port feeds the front brakes, on some the reverse: trace "
      "each "
      "line, assume none. A nut that screws in proves the thread, not the seat and not the "
      "circuit.";
  const OutletReport r = outlet_report(job, As::plan);
  const Value kind = value_of(job, As::plan, param::master_kind);
  if (kind.is(choice::MasterKind::single))
    v.answer = "A single circuit: one leak takes every brake.";
  else if (any_hard(r.findings))
    v.answer = "The outlets are not as intended.";
  else if (!r.untraced.empty())
    v.answer = say("{} of 4 wheels traced.", 4 - r.untraced.size());
  else
    v.answer = "Every wheel is traced, and each outlet feeds its own.";
  return v;
}

namespace {

void read_record(const Job& job, StepRow& row) {
  row.done = is_done(job, row.step);
  if (const StepRecord* r = record_of(job, row.step)) {
    row.date = r->done ? r->date : std::string();
    row.note = r->note;
  }
  for (const GateId g : row.step.touches) row.opens.push_back(gate_words(key(g)));
}

/// Needs of a step by where they stand, those that are open first.
void read_needs(const Job& job, std::string_view now, const std::map<std::string, std::size_t>& at,
                std::vector<StepRow>& rows, StepRow& row) {
  bool open = false;
  for (const Need& n : row.step.needs) {
    const auto it = at.find(n.key);
    if (it == at.end()) continue;
    const StepRow& other = rows[it->second];
    const auto rests = other.done && !now.empty() ? wait_left(job, other.step, now) : std::nullopt;
    open = open || !other.done || rests;
    if (row.done && !other.done) row.too_soon.push_back(too_soon(n, other.step));
    row.needs.push_back(
        {it->second, other.done,
         n.why.empty() ? say("“{}”", other.step.text) : say("“{}”: {}", other.step.text, n.why),
         n.why, n.of_builder, rests.value_or(0)});
  }
  std::stable_sort(row.needs.begin(), row.needs.end(),
                   [](const NeedRow& a, const NeedRow& b) { return !a.done && b.done; });
  row.state = row.done ? StepState::done : open ? StepState::waits : StepState::ready;
}

}  // namespace

std::string wall_clock() {
  return QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-ddTHH:mm:ss")).toStdString();
}

InstallView install_view(const Job& job, std::string_view now) {
  InstallView v;
  WorkOrder order = work_order(job);
  std::map<std::string, std::size_t> at;
  for (const Step& s : order.steps) {
    at[s.key] = v.steps.size();
    StepRow row;
    row.step = s;
    read_record(job, row);
    if (s.measure) row.as_built = as_built_check(job, *s.measure);
    v.steps.push_back(std::move(row));
  }
  for (StepRow& row : v.steps) {
    read_needs(job, now, at, v.steps, row);
    v.done += row.done ? 1 : 0;
    v.ready += row.state == StepState::ready ? 1 : 0;
  }
  v.refused = std::move(order.refused);
  v.stale_as_built = stale_as_built(job).size();
  return v;
}

std::vector<GateRow> gate_rows(const Job& job, const std::vector<ConditionReport>& strip,
                               const std::vector<Finding>& findings) {
  std::vector<GateRow> rows;
  for (Gate& g : gates_of(job, strip, findings)) {
    GateRow row;
    row.id = g.id;
    row.words = g.words;
    row.how = g.how;
    row.state = g.state;
    row.held = g.held;
    row.by_facts = g.by_facts;
    row.ask = g.ask;
    row.expected = expectation_words(g.ask);
    row.evidence = g.evidence;
    const bool passed = g.state == GateState::passed;
    row.remark = passed && !g.evidence.empty() ? g.evidence : g.why.empty() ? g.how : g.why;
    rows.push_back(std::move(row));
  }
  return rows;
}

std::string last_prover(const Job& job) {
  std::string who;
  std::string when;
  for (const auto& [key, r] : job.gates)
    if (!r.who.empty() && r.when >= when) {
      who = r.who;
      when = r.when;
    }
  return who;
}

std::vector<Message> prove_verdict(const Job& job) {
  std::vector<Message> words;
  const Assembly a = assemble(job, As::plan);
  if (!a.system) return {cannot_say(a.missing_system)};
  const bool boosted = has_assist(job, As::plan);
  for (const bool alive : {false, true}) {
    const auto count = std::count_if(
        job.readings.begin(), job.readings.end(),
        [&](const Reading& r) { return !r.rejected && (!boosted || r.assist_alive == alive); });
    if (count == 0 || (!boosted && alive)) continue;
    std::vector<Reading> readings = job.readings;
    if (!boosted)
      for (Reading& r : readings) r.assist_alive = false;
    for (const Message& m : estimate_words(estimate_from_readings(*a.system, readings, alive)))
      words.push_back(!boosted ? m : alive ? say("Assist on: {}", m) : say("Assist off: {}", m));
  }
  if (job.readings.empty())
    words.emplace_back(
        "No readings yet. Bathroom scale between foot and pedal pad, tape from the seat: three "
        "light "
        "presses, two firm ones.");
  const Value bore = value_of(job, As::plan, param::master_bore);
  const auto length_of = [](const Value& v) {
    return v.known() ? std::optional(Length{v.si}) : std::nullopt;
  };
  for (const Message& m : pump_report(job.pump, length_of(bore), arm_ratio(job, As::plan)).words)
    words.push_back(m);
  return words;
}

namespace {

Message turns_words(double turns) {
  return turns > 0 ? say("{} turns longer", Plain{turns, 1})
                   : say("{} turns shorter", Plain{-turns, 1});
}

}  // namespace

RodView rod_view(const Job& job) {
  RodView v;
  const RodReport r = rod_report(job);
  v.answer = rod_words(r);
  const auto add = [&v](const auto& value, auto words) {
    if (value) v.details.push_back(words(*value));
  };
  add(r.pad_uncertainty,
      [](Length d) { return say("±{} at the pedal", in_full(d.value(), Kind::length, 1)); });
  if (r.turns && r.total)
    v.details.push_back(std::abs(r.total->value()) < kLeastRodChange_m ? Message("no turn")
                                                                       : turns_words(*r.turns));
  if (r.height_turns && std::abs(*r.height_turns) > 0.01)
    v.details.push_back(say("of them {} for the pedal height", turns_words(*r.height_turns)));
  add(r.new_length,
      [](Length l) { return say("new rod {}", in_full(l.value(), Kind::length, 1)); });
  add(r.engaged_after,
      [](Length l) { return say("thread engaged after, uncut: {}", length(l.value(), 1)); });
  add(r.spare_after, [](Length l) { return say("free behind: {}", length(l.value(), 1)); });
  v.details.push_back(ends_report(job, r).cut);
  add(r.free_play, [](Length l) {
    return say("free play at the pedal {}", in_full(l.value(), Kind::length, 1));
  });
  if (!r.missing_turns.empty())
    v.details.push_back(say("turns: {} not known", param_list(r.missing_turns)));
  if (const ClutchRodStart start = clutch_rod_start(job); !start.says.empty())
    v.details.push_back(say("after bleeding: {}", start.says));
  return v;
}

Message square_answer(const Job& job) {
  const AngleReport r = angle_report(job, As::plan);
  if (!r.missing.empty())
    return say("The rod's angle is unknown, not zero. Measure: {}.", param_list(r.missing));
  if (r.points.empty()) return "This geometry cannot be.";
  const Plain degrees{r.largest_rad * 180 / kPi, 1};
  return r.force_known
             ? say("Up to {}° off the bore, side force up to {}.", degrees,
                   in_full(r.largest_side_n, Kind::force, 0))
             : say("Up to {}° off the bore; the side force needs brakes and assist.", degrees);
}

Message state_words(const Job& job, const std::vector<Finding>& findings) {
  switch (job.state) {
    case JobState::proved:
      return proved_now(job, findings)
                 ? Message("Proved: every gate passed.")
                 : "PROVED NO LONGER: something was changed after the gates were passed. Do not "
                   "drive.";
    case JobState::left_unsafe:
      return "LEFT UNSAFE, DO NOT DRIVE. It prints large on the sheet.";
    case JobState::in_work:
      break;
  }
  return "In work, not proved.";
}

/// A file that does not say what was found in it is not called proved on its word alone.
Message listed_state(const JobEntry& e) {
  if (!e.error.empty()) return e.error;
  const bool hard = e.hard_findings.value_or(0) > 0;
  switch (e.state) {
    case JobState::left_unsafe:
      return "LEFT UNSAFE";
    case JobState::proved:
      if (!e.hard_findings) return "marked proved, not checked: open it";
      return hard ? Message("PROVED NO LONGER") : "proved when saved";
    case JobState::in_work:
      break;
  }
  if (!e.hard_findings) return "in work, not checked";
  return hard ? plural(*e.hard_findings, "{} point says: do not drive",
                       "{} points say: do not drive")
              : Message("in work");
}

}  // namespace yoke
