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
#include "work/bleed_level.hpp"
#include "work/bleed_methods.hpp"

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

namespace {

/// Fluid is bought and opened in round figures: rounded up to 10 cm³.
Amount fluid_at_hand(const BleedPlan& plan) {
  return in_full(std::ceil(plan.fluid.value() * 1e5) / 1e5, Kind::volume, 0);
}

/// The chamber that feeds it, and its port.
void tell_level(const ChamberLevel& c, BleedLine& line) {
  line.outlet = c.outlet == Outlet::primary ? 1 : 2;
  line.level = c.bare() ? Message("by the count its port is bare: did it draw air?")
                        : plural(c.strokes_left, "{} stroke until its port is bare",
                                 "{} strokes until its port is bare");
  if (c.typical && !c.bare()) line.level = say("{}, by values that nobody measured", line.level);
}

void tell_push(const BleedRecord& r, BleedLine& line) {
  line.by_push = true;
  if (!r.push_m)
    line.push = "no push measured yet";
  else if (r.push_then_m)
    line.push = say("last push {}, before it {}", amount(*r.push_m, Kind::length, 1),
                    amount(*r.push_then_m, Kind::length, 1));
  else
    line.push = say("last push {}", amount(*r.push_m, Kind::length, 1));
}

BleedLine bleed_line(const Job& job, const BleedRow& r, std::size_t place,
                     const std::vector<ChamberLevel>& levels) {
  BleedLine line;
  line.key = r.key;
  line.clear = r.state == BleedState::clear;
  if (const ChamberLevel* c = level_of(levels, r)) tell_level(*c, line);
  if (r.key == "bench" && chosen_bench(job) == BleedWayId::plugs) tell_push(r.done, line);
  if (r.wheel) {
    line.name = say("{}. {}", place, Message::of_table(wheel_words(*r.wheel)));
  } else if (place == 0) {
    line.name = "Master, on the bench";
    line.planned =
        "Short strokes of 10 to 25 mm, tubes or plugs; with plugs a bled master hardly moves.";
  } else {
    line.name = "Clutch slave";
    line.planned =
        "Nipple at the slave's highest point; clear strokes in a row, then the bite stays where it "
        "was.";
  }
  if (r.planned)
    line.planned = say("outlet {}: {} strokes clear its {}; top up every {} strokes",
                       r.planned->outlet == Outlet::primary ? 1 : 2, r.planned->strokes,
                       amount(r.planned->branch.value(), Kind::volume, 0), r.planned->refill_every);
  line.count = r.planned && r.planned->strokes > 0
                   ? say("{} of {}", r.done.strokes, r.planned->strokes)
                   : say("{}", r.done.strokes);
  line.state = r.state == BleedState::clear ? Message("✓ clear")
               : r.state == BleedState::not_begun
                   ? Message("not begun")
                   : say("{} of {} clear in a row", r.done.clear_strokes, kClearStrokes);
  line.refill_now = r.refill_due;
  if (line.by_push && r.state != BleedState::clear)
    line.state = say("{}; clear at {}", line.push, amount(kPlugPush_m, Kind::length, 0));
  // Clear or not, the level is as low: both are said.
  if (r.refill_due) line.state = say("■ TOP UP NOW\n{}", line.state);
  return line;
}

}  // namespace

BleedView bleed_view(const Job& job) {
  BleedView v;
  const BleedPlan plan = bleed_plan(job);
  v.has_order = plan.missing.empty() && !plan.refused && !plan.clutch;
  if (plan.clutch)
    v.plan = say("{}. {} of fluid at hand.", plan.order_reason, fluid_at_hand(plan));
  else if (plan.refused)
    v.plan = say("{}. Strokes can be counted all the same.", plan.order_reason);
  else if (!plan.missing.empty())
    v.plan = say("{}. Strokes can be counted all the same.", cannot_say(plan.missing));
  else
    v.plan = say("{}: {} rounds, {} of fluid at hand.", plan.order_reason, plan.rounds,
                 fluid_at_hand(plan));
  if (plan.missing.empty() && !plan.typical.empty())
    v.typical =
        say("Typical, not measured: {}. The counts rest on them.", param_list(plan.typical));
  const auto levels = chamber_levels(job, plan);
  for (const BleedRow& r : bleed_rows(job, plan))
    v.lines.push_back(bleed_line(job, r, v.lines.size(), levels));
  const bool bench = bench_asked(job);
  const auto next = std::find_if(v.lines.begin(), v.lines.end(), [bench](const BleedLine& l) {
    return !l.clear && (bench || l.key != "bench");
  });
  v.next = next == v.lines.end() ? 0 : static_cast<std::size_t>(next - v.lines.begin());
  std::vector<Message> around = plan.before;
  around.insert(around.end(), plan.after.begin(), plan.after.end());
  v.around = joined(around, ". ");
  return v;
}

std::vector<Message> air_left_words(const Job& job) {
  constexpr std::size_t kLast = 12;  // one round of presses
  const Assembly a = assemble(job, As::plan);
  if (!a.system || job.readings.size() < 3 || is(job, As::plan, choice::ControlUse::clutch))
    return {};
  const auto& all = job.readings;
  const std::size_t n = std::min(kLast, all.size());
  const std::vector<Reading> now(all.end() - static_cast<long>(n), all.end());
  const ReadingEstimate last = estimate_from_readings(*a.system, now, false);
  if (!last.air_m3()) return {say("Air left: {}. {}", last.refusal, last.next_measurement)};
  std::vector<Message> words{say("Air left by the last {} presses: {} ± {}", n,
                                 amount(last.air_m3()->value, Kind::volume, 1),
                                 amount(last.air_m3()->uncertainty, Kind::volume, 1))};
  const std::size_t before = std::min(kLast, all.size() - n);
  const std::vector<Reading> then(all.end() - static_cast<long>(n + before),
                                  all.end() - static_cast<long>(n));
  const ReadingEstimate first = estimate_from_readings(*a.system, then, false);
  const Value limit = value_of(job, As::plan, param::air_left);
  const bool too_much = last.air_m3()->value - last.air_m3()->uncertainty > limit.si;
  if (!first.air_m3() || !too_much ||
      last.air_m3()->value + last.air_m3()->uncertainty < first.air_m3()->value)
    return words;
  words.emplace_back("It no longer falls. Likeliest first, each with the test that tells it:");
  words.emplace_back(
      "A nipple below the highest place: turn or hang the caliper up, bleed it again");
  words.emplace_back("A master never bled by itself: slacken its line nuts in turn, bubbles there");
  words.emplace_back(
      "Vacuum drawn past a nipple's thread: bubbles with the pump, none with a helper");
  words.emplace_back("A flexible hose that swells: clamp it off, the pedal rises at once");
  words.emplace_back("Drum shoes too far away: a second press at once stands higher");
  return words;
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
    const auto count =
        std::count_if(job.readings.begin(), job.readings.end(),
                      [&](const Reading& r) { return !boosted || r.assist_alive == alive; });
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
