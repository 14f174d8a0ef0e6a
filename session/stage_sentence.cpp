#include "session/stage_sentence.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/bores.hpp"
#include "fitting/pattern.hpp"
#include "master/bores.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/outlets.hpp"
#include "proving/gates.hpp"
#include "rod/rod.hpp"
#include "session/session.hpp"
#include "session/stage_views.hpp"
#include "sizing/relative.hpp"
#include "work/bleed_checks.hpp"
#include "work/bleed_count.hpp"
#include "work/bleeding.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"
#include "work/wetness.hpp"

namespace yoke {

namespace {

const ConditionReport* report_of(const Session& s, ConditionId id) {
  for (const ConditionReport& c : s.strip())
    if (c.id == id) return &c;
  return nullptr;
}

Message bore_message(double bore_m) {
  if (const BoreSize* b = named_bore(Length{bore_m})) return Message::of_table(b->name);
  return say("{}", length(bore_m, 2));
}

/// "135 N at 0.55 g, 118 mm of travel"; what is lacking where nothing can be pressed.
Message press_message(const ConditionReport& c) {
  if (!c.target) return c.reason.empty() ? Message("nothing can be said yet") : c.reason;
  // A clutch is heaviest on the way, not where it releases.
  if (c.clutch)
    return say("{} at the heaviest, {} of travel for {}", force(c.target->at.pad_force_n),
               length(c.target->at.pad_travel_m, 0), c.at);
  return say("{} at {}, {} of travel", force(c.target->at.pad_force_n), c.at,
             length(c.target->at.pad_travel_m, 0));
}

/// The worst condition of the plan after the plan itself, briefly; empty: all of them pass.
Message worst_message(const Session& s) {
  for (const Verdict wanted : {Verdict::fails, Verdict::cannot_say, Verdict::if_typical})
    for (const ConditionReport& c : s.strip()) {
      if (c.id == ConditionId::found || c.verdict != wanted) continue;
      const Message what = c.brief.empty() ? c.reason : c.brief;
      if (wanted == Verdict::fails) return say("{} fails: {}", c.title, what);
      if (wanted == Verdict::cannot_say) return say("{} cannot be said: {}", c.title, what);
      if (!what.empty()) return say("{} {}", c.title, what);
    }
  return {};
}

std::vector<Param> missing_of(const Assembly& a) {
  for (const auto* list : {&a.missing_system, &a.missing_brakes, &a.missing_vehicle})
    if (!list->empty()) return *list;
  return {};
}

Sentence survey_sentence(const Session& s) {
  Sentence w;
  const ConditionReport* found = report_of(s, ConditionId::found);
  const auto missing = missing_of(assemble(s.job(), As::found));
  if (found && found->target) {
    const Message press = press_message(*found);
    w.decision =
        found->verdict == Verdict::fails
            ? say("As found: {}; {}", press, found->brief.empty() ? found->reason : found->brief)
            : say("As found: {}", press);
  } else if (!missing.empty()) {
    w.decision = plural(static_cast<long>(missing.size()), "{} value is lacking for a first answer",
                        "{} values are lacking for a first answer");
  }
  if (!missing.empty()) {
    w.next = say("Measure {} next: F9 goes there", param_list({missing.front()}));
    return w;
  }
  for (const ConditionReport& c : s.strip())
    for (const RuleVerdict& r : c.rules)
      if (r.verdict == Verdict::if_typical && !r.decided_by.empty()) {
        w.next = say("Not settled: {} rests on {}. F9 goes through what is worth measuring",
                     c.title, param_list({r.decided_by.front()}));
        return w;
      }
  w.next = "All that is needed is known: choose under Size, Ctrl+2";
  return w;
}

Sentence relative_words(const Job& job) {
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  const Length none{0.0};
  const auto r =
      relative(equivalent_bore(found).value_or(none), equivalent_bore(plan).value_or(none),
               arm_ratio(found).value_or(0.0), arm_ratio(plan).value_or(0.0));
  if (!r) return {"Two bores and two ratios give a first answer", "Type them here"};
  return {say("{} {}, {} {} than today, by bore and ratio alone",
              say("{} %", Plain{std::abs(r->force_factor - 1) * 100, 0}),
              r->force_factor > 1 ? "harder" : "lighter",
              say("{} %", Plain{std::abs(r->travel_factor - 1) * 100, 0}),
              r->travel_factor > 1 ? "longer" : "shorter"),
          "Measure the brakes in Survey for effort and travel in figures"};
}

Sentence size_sentence(const Session& s) {
  const ConditionReport* plan = report_of(s, ConditionId::plan);
  if (!plan || !plan->target) return relative_words(s.job());
  const Values v = resolve(s.job(), As::plan);
  const auto ratio = arm_ratio(v);
  Sentence w;
  const Message worst = worst_message(s);
  const Message own = say("{} at {}: {}", bore_message(v.si(param::master_bore)),
                          Plain{ratio.value_or(0), 2}, press_message(*plan));
  w.decision = worst.empty() ? say("{}; passes in all conditions", own) : say("{}; {}", own, worst);
  if (const auto better = better_cell(s))
    w.next =
        say("Ctrl+B takes {} at {}, which passes: {}, {} of travel", bore_message(better->bore_m),
            Plain{better->ratio, 2}, force(better->effort_n), length(better->travel_m, 0));
  else if (worst.empty())
    w.next = "See that it goes in: Fit, Ctrl+3";
  return w;
}

Sentence fit_sentence(const Session& s) {
  Sentence w{square_answer(s.job()), {}};
  const PatternReport p = pattern_report(s.job());
  if (p.new_pattern.studs.empty())
    w.next = "Measure the new unit's studs under Pattern: its holes can be printed full size";
  else if (!p.bolts_on)
    w.next = "The new studs do not meet the old holes: print the template under Pattern";
  return w;
}

Sentence rod_sentence(const Session& s) {
  const RodReport r = rod_report(s.job());
  Sentence w{rod_words(r), {}};
  if (!r.change)
    w.next = "Nose and seat depth of both units tell it";
  else if (r.turns && r.total && std::abs(r.total->value()) >= kLeastRodChange_m)
    w.next = *r.turns < 0 ? say("{} turns in", Plain{-*r.turns, 1})
                          : say("{} turns out", Plain{*r.turns, 1});
  return w;
}

Sentence plumb_sentence(const Session& s) {
  const PlumbView v = plumb_view(s.job());
  Sentence w{v.answer, {}};
  if (!v.clutch && has_two_circuits(s.job(), As::plan) &&
      !outlet_report(s.job(), As::plan).untraced.empty())
    w.next = "Trace each outlet to its wheels and touch them in the picture";
  const auto joints = judged_joints(s.job(), As::plan);
  const auto wrong =
      std::find_if(joints.begin(), joints.end(), [](const JudgedJoint& j) { return j.wrong(); });
  const auto open = std::count_if(joints.begin(), joints.end(),
                                  [](const JudgedJoint& j) { return j.joint.fresh && !j.good(); });
  if (wrong != joints.end())
    w = {say("{}: {}", wrong->joint.name, Message::of_table(verdict_words(wrong->verdict))),
         wrong->mends};
  else if (w.next.empty() && open > 0)
    w.next = plural(static_cast<long>(open),
                    "{} joint of a new part is not proved: touch it and say what is there",
                    "{} joints of new parts are not proved: touch each and say what is there");
  return w;
}

Sentence install_sentence(const Session& s) {
  const InstallView v = install_view(s.job(), wall_clock());
  Sentence w;
  const PartsGate parts = parts_gate(s.job(), "");
  w.decision = say("{} of {} steps done", v.done, v.steps.size());
  if (!s.job().parts.empty() && !parts.may_start) w.decision = parts.sentence;
  for (const StepRow& row : v.steps)
    if (row.state == StepState::ready) {
      w.next = say("Next: {}", row.step.text);
      break;
    }
  return w;
}

/// The next count at a nipple, in the way that was chosen.
Message next_count(const BleedPlan& plan, const BleedRow& r, const Message& who) {
  const int n = r.done.strokes - r.done.began_at + 1;
  const bool told = r.planned && r.planned->strokes > 0;
  if (plan.way == BleedWayId::reverse) {
    if (r.refill_due) return say("Draw the reservoir down before another mark at {}", who);
    return told ? say("Next: {}, mark {} of about {} of the syringe", who, n, r.planned->strokes)
                : say("Next: {}, mark {} of the syringe", who, n);
  }
  if (counts_marks(plan.way)) {
    if (r.refill_due) return say("Top up before another mark at {}", who);
    return told ? say("Next: {}, mark {} of about {} of the bottle", who, n, r.planned->strokes)
                : say("Next: {}, mark {} of the bottle", who, n);
  }
  if (r.refill_due) return say("Top up before another stroke at {}", who);
  return told ? say("Next: {}, stroke {} of about {}, top up every {}", who, n, r.planned->strokes,
                    r.planned->refill_every)
              : say("Next: {}, stroke {}", who, n);
}

Sentence bleed_sentence(const Session& s) {
  const BleedPlan plan = bleed_plan(s.job());
  const auto rows = bleed_rows(s.job(), plan);
  Sentence w;
  long left = 0;
  const bool bench = bench_asked(s.job());
  bool typical = false;
  for (const BleedRow& r : rows) {
    typical = typical || r.typical;
    if (r.state == BleedState::clear) continue;
    if (r.key == "bench") {
      if (bench && !plan.clutch)
        w.next = say("Next: the master by itself, stroke {}", r.done.strokes + 1);
      continue;
    }
    ++left;
    if (left > 1 || !w.next.empty()) continue;
    const Message who = r.wheel ? Message::of_table(wheel_words(*r.wheel)) : Message("the slave");
    w.next = next_count(plan, r, who);
  }
  if (left == 0)
    if (const auto open = not_dry(s.job(), WipeRound::pressed); !open.empty())
      w.next = plural(static_cast<long>(open.size()), "Next: see {} opened joint dry, {} first",
                      "Next: see {} opened joints dry, {} first", {open.front()});
  // What would spoil every stroke comes before the next one.
  for (const BleedCheck& c : bleed_checks(s.job()))
    if (c.state == BleedCheckState::wrong &&
        (c.severity == Severity::hard || c.code == FindingCode::bleed_dry)) {
      w.next = say("First: {}", c.says);
      break;
    }
  w.decision =
      left == 0
          ? (typical ? Message("Every nipple runs clear, by values that nobody measured")
                     : Message("Every nipple runs clear"))
          : plural(left, "{} nipple is still to run clear", "{} nipples are still to run clear");
  return w;
}

Sentence prove_sentence(const Session& s) {
  const auto gates = gates_of(s.job(), s.strip(), s.findings());
  Sentence w;
  std::size_t passed = 0;
  const Gate* next = nullptr;
  const Gate* failed = nullptr;
  for (const Gate& g : gates) {
    passed += g.state == GateState::passed ? 1 : 0;
    if (g.state == GateState::failed && !failed) failed = &g;
    if (g.state == GateState::open && !next) next = &g;
  }
  w.decision = failed ? say("Do not drive: {} – {}", failed->words, failed->why)
                      : say("{} of {} gates passed", passed, gates.size());
  // A gate's words say what holds once it is passed: said so, nobody reads them as a report.
  if (next)
    w.next = next->why.empty() ? say("Still to prove: {}", next->words)
                               : say("Still to prove: {} – {}", next->words, next->why);
  return w;
}

Sentence record_sentence(const Session& s) {
  const auto hard = std::count_if(s.findings().begin(), s.findings().end(),
                                  [](const Finding& f) { return f.severity == Severity::hard; });
  Sentence w{state_words(s.job(), s.findings()), {}};
  if (hard > 0)
    w.next = plural(hard, "{} point says: do not drive. See the sheet",
                    "{} points say: do not drive. See the sheet");
  return w;
}

}  // namespace

std::optional<Cell> better_cell(const Session& session) {
  const auto& map = session.map();
  if (!map) return std::nullopt;
  const auto& cells = map->cells;
  if (std::any_of(cells.begin(), cells.end(),
                  [](const Cell& c) { return c.own && c.fails == Limit::none; }))
    return std::nullopt;
  // Of the planned assist first: it is the least work.
  const auto ranked = ranking(map->slice(0));
  if (ranked.empty()) return std::nullopt;
  return ranked.front();
}

Sentence stage_sentence(const Session& session, Stage stage) {
  switch (stage) {
    case Stage::survey:
      return survey_sentence(session);
    case Stage::size:
      return size_sentence(session);
    case Stage::fit:
      return fit_sentence(session);
    case Stage::rod:
      return rod_sentence(session);
    case Stage::plumb:
      return plumb_sentence(session);
    case Stage::install:
      return install_sentence(session);
    case Stage::bleed:
      return bleed_sentence(session);
    case Stage::prove:
      return prove_sentence(session);
    case Stage::record:
      return record_sentence(session);
  }
  return {};
}

}  // namespace yoke
