// Bleeding: order and counts, the ways, what is to be right, joints, fluid, the pedal expected now.
#include <fmt/format.h>

#include <algorithm>

#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "document/param/bleed_kit.hpp"
#include "judge/findings.hpp"
#include "work/bleed_checks.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
#include "work/bleeding.hpp"
#include "work/clean_change.hpp"
#include "work/dead_stroke.hpp"
#include "work/expected_pedal.hpp"
#include "work/fluid_plan.hpp"
#include "work/wetness.hpp"

namespace yoke::cli {

namespace {

std::string lack_word(ClearLack lack) {
  static constexpr std::string_view kWords[] = {"nothing",
                                                "clear strokes in a row",
                                                "a short push",
                                                "what its line holds",
                                                "fluid through",
                                                "the line beyond the connector",
                                                "a helper's strokes",
                                                "a look at its nipple",
                                                "a nipple at the top"};
  return std::string(kWords[static_cast<std::size_t>(lack)]);
}

Table order_table(const Job& job, const Arguments& a) {
  const BleedPlan plan = bleed_plan(job);
  Table t;
  t.keys = {"place",   "outlet",  "branch_m3",      "per_stroke_m3", "strokes",      "refill_every",
            "refills", "counted", "clear_in_a_row", "state",         "strokes_left", "lacks"};
  const auto levels = chamber_levels(job, plan);
  for (const BleedRow& r : bleed_rows(job, plan)) {
    std::vector<Cell> row{text(r.key)};
    if (r.planned) {
      row.push_back(text(std::string(r.planned->outlet == Outlet::primary ? "1" : "2")));
      row.push_back(full(r.planned->branch.value(), Kind::volume, 1, a.style));
      row.push_back(full(r.planned->per_stroke.value(), Kind::volume, 1, a.style));
      for (const int n : {r.planned->strokes, r.planned->refill_every, r.planned->refills})
        row.push_back(number(n, std::to_string(n)));
    } else {
      for (int i = 0; i < 6; ++i) row.push_back(text("–"));
    }
    row.push_back(number(r.done.strokes, std::to_string(r.done.strokes)));
    row.push_back(number(r.done.clear_strokes, std::to_string(r.done.clear_strokes)));
    row.push_back(text(std::string(r.state == BleedState::clear      ? "clear"
                                   : r.state == BleedState::counting ? "counting"
                                                                     : "not begun")));
    const ChamberLevel* level = level_of(levels, r);
    row.push_back(level ? number(level->strokes_left, std::to_string(level->strokes_left))
                        : text("–"));
    row.push_back(text(lack_word(clear_state(job, plan, r.key).lack)));
    t.rows.push_back(std::move(row));
  }
  if (!plan.missing.empty()) t.notes.push_back(english(cannot_say(plan.missing), a.style));
  if (!plan.order_reason.empty()) t.notes.push_back(english(plan.order_reason, a.style));
  for (const auto* list : {&plan.before, &plan.after})
    for (const Message& m : *list) t.notes.push_back(english(m, a.style));
  t.notes.push_back(fmt::format("fluid to have: {}, {} rounds",
                                format_full(plan.fluid.value(), Kind::volume, 0, a.style),
                                plan.rounds));
  if (!plan.typical.empty())
    t.notes.push_back("rests on typical values: " + param_ids(plan.typical));
  return t;
}

Table ways_table(const Job& job, const Arguments& a) {
  Table t;
  t.keys = {"way", "at", "state", "lacks", "chosen", "passes_when", "does_not"};
  for (const WayChoice& c : way_choices(job)) {
    const BleedMethod& m = method_of(c.id);
    t.rows.push_back({text(m.words, a.style), text(m.bench ? "master" : "nipples"),
                      text(c.state == WayState::ready     ? "ready"
                           : c.state == WayState::lacking ? "lacking"
                                                          : "open"),
                      text(c.says, a.style), text(c.chosen ? "yes" : "no"), text(m.pass, a.style),
                      text(m.cannot, a.style)});
  }
  return t;
}

Table checks_table(const Job& job, const Arguments& a) {
  static constexpr std::string_view kStates[] = {"not asked", "open", "good", "wrong"};
  Table t;
  t.keys = {"rule", "state", "says", "remedy"};
  for (const BleedCheck& c : bleed_checks(job))
    t.rows.push_back({text(std::string(key(c.code))),
                      text(std::string(kStates[static_cast<std::size_t>(c.state)])),
                      text(c.says, a.style), text(c.remedy, a.style)});
  return t;
}

Table joints_wiped_table(const Job& job, const Arguments& a) {
  Table t;
  t.keys = {"joint", "what", "filled", "pressed", "driven", "opened", "mend"};
  for (const WipedJoint& w : wipe_map(job)) {
    std::vector<Cell> row{text(w.joint.key), text(w.joint.name, a.style)};
    for (const Wiped seen : w.seen) row.push_back(text(std::string(key_of(seen))));
    row.push_back(text(w.left_shut ? "no" : "yes"));
    row.push_back(text(w.mend, a.style));
    t.rows.push_back(std::move(row));
  }
  return t;
}

Table fluid_table(const Job& job, const Arguments& a) {
  static constexpr std::string_view kStates[] = {"open", "good", "wrong"};
  const FluidPlan p = fluid_plan(job);
  Table t;
  t.keys = {"what", "state", "says"};
  const auto row = [&](const char* what, FluidVerdict v, const Message& says) {
    t.rows.push_back(
        {text(what), text(std::string(kStates[static_cast<std::size_t>(v)])), text(says, a.style)});
  };
  row("grade", p.grade, p.grade_says);
  row("known", p.known, {});
  row("bottle", p.opened, p.opened_says);
  row("enough", p.enough, p.enough_says);
  for (const Message& m : p.steps) t.notes.push_back(english(m, a.style));
  return t;
}

Table pedal_table(const Job& job, const Arguments& a) {
  const ExpectedPedals e = expected_pedals(job);
  Table t;
  t.keys = {"stage", "pedal", "now"};
  for (const ExpectedPedal& p : e.stages)
    t.rows.push_back({text(std::string(stage_key(p.stage))),
                      p.travel_m ? full(*p.travel_m, Kind::length, 0, a.style) : text("–"),
                      text(p.now ? "yes" : "no")});
  if (!e.missing.empty()) t.notes.push_back(english(cannot_say(e.missing), a.style));
  t.notes.push_back(english(e.title, a.style));
  if (!e.says.empty()) t.notes.push_back(english(e.says, a.style));
  for (const Message& m : e.reasons) t.notes.push_back(english(m, a.style));
  return t;
}

Table dead_table(const Job& job, const Arguments& a) {
  const DeadStroke d = dead_stroke(job);
  Table t;
  t.keys = {"outlet", "push", "at_the_pad"};
  for (int i = 0; i < (d.two ? 2 : 1); ++i)
    t.rows.push_back({text(std::to_string(i + 1)),
                      d.push_m[i] ? full(*d.push_m[i], Kind::length, 1, a.style) : text("–"),
                      d.pad_m[i] ? full(*d.pad_m[i], Kind::length, 0, a.style) : text("–")});
  if (!d.says.empty()) t.notes.push_back(english(d.says, a.style));
  return t;
}

Table change_table(const Job& job, const Arguments& a) {
  const CleanChange c = clean_change(job);
  Table t;
  t.keys = {"step", "words", "runs_out_m3_s", "by"};
  int n = 0;
  for (const ChangeStep& s : c.steps)
    t.rows.push_back(
        {text(std::to_string(++n)), text(s.words, a.style),
         s.loss_m3_s ? number(*s.loss_m3_s, fmt::format("{:.3g}", *s.loss_m3_s)) : text("–"),
         text(!s.loss_m3_s ? ""
              : s.typical  ? "typical"
                           : "measured")});
  if (!c.bleeds.empty())
    t.notes.push_back(english(say("Bled again: {}", joined(c.bleeds, ", ")), a.style));
  return t;
}

/// The place that is worked next alone; none when all is clear.
void keep_next(const Job& job, Table& t) {
  const BleedPlan plan = bleed_plan(job);
  const auto rows = bleed_rows(job, plan);
  const bool bench = bench_asked(job);
  const auto next = std::find_if(rows.begin(), rows.end(), [bench](const BleedRow& r) {
    return r.state != BleedState::clear && (bench || r.key != "bench");
  });
  const auto n = static_cast<std::size_t>(next - rows.begin());
  if (next == rows.end())
    t.rows.clear();
  else
    t.rows = {t.rows[n]};
}

/// `--method`: as if this way had been chosen.
Expected<bool> choose_method(const std::string& word, Job& job) {
  if (word.empty()) return true;
  const auto way = way_of_word(word);
  if (!way)
    return fail({"--method", word,
                 "tubes, plugs, finger, car, helper, gravity, pressure, vacuum, reverse, connector",
                 say("There is no way of bleeding called “{}”", word), "Use one of the names"});
  const bool bench = method_of(*way).bench;
  const Param p = bench ? param::bleed_bench : param::bleed_way;
  const int first = static_cast<int>(bench ? BleedWayId::tubes : BleedWayId::helper);
  job.plan.set(p, measured(p, static_cast<int>(*way) - first, How::stated));
  return true;
}

}  // namespace

Expected<Table> bleed_table(const Arguments& a) {
  auto job = job_of(a);
  if (!job) return fail(job.error());
  if (const auto chosen = choose_method(option_of(a, "--method"), *job); !chosen)
    return fail(chosen.error());
  const std::string show = option_of(a, "--show");
  const bool now = a.options.count("--now") != 0;
  if (now && !show.empty() && show != "order")
    return fail({"--now", show, "order", "Only the order has a next place", "Leave --show out"});
  if (now) {
    Table t = order_table(*job, a);
    keep_next(*job, t);
    return t;
  }
  if (show.empty() || show == "order") return order_table(*job, a);
  if (show == "ways") return ways_table(*job, a);
  if (show == "checks") return checks_table(*job, a);
  if (show == "joints") return joints_wiped_table(*job, a);
  if (show == "fluid") return fluid_table(*job, a);
  if (show == "pedal") return pedal_table(*job, a);
  if (show == "dead") return dead_table(*job, a);
  if (show == "change") return change_table(*job, a);
  return fail({"--show", show, "order, ways, checks, joints, fluid, pedal, dead, change",
               say("There is no “{}” of bleeding", show), "Use one of the names"});
}

}  // namespace yoke::cli
