#include "figures/figures.hpp"

#include <algorithm>

#include "document/param/assist_kind.hpp"
#include "figures/groups.hpp"
#include "figures/settle_figures.hpp"

namespace yoke {

namespace {

struct Entry {
  GroupId id;
  Stage stage;
  FigureGroup (*make)(const FigureInputs&);
  bool dear = false;   ///< whole maps or searches in it: not made again for every doubtful value
  bool typed = false;  ///< of what the builder typed as a list alone: no doubtful value decides it
};

constexpr Entry kEntries[] = {{GroupId::identity, Stage::survey, groups::identity},
                              {GroupId::symptoms, Stage::survey, groups::symptoms, true},
                              {GroupId::slack, Stage::survey, groups::slack},
                              {GroupId::before, Stage::survey, groups::before},
                              {GroupId::ageing, Stage::survey, groups::ageing},
                              {GroupId::gauge, Stage::survey, groups::gauge},
                              {GroupId::kit, Stage::survey, groups::kit},
                              {GroupId::upstream, Stage::survey, groups::upstream},
                              {GroupId::control, Stage::survey, groups::control},
                              {GroupId::ratio, Stage::survey, groups::ratio, true},
                              {GroupId::need, Stage::size, groups::assist_need_group, true},
                              {GroupId::assist_types, Stage::size, groups::assist_types, true},
                              {GroupId::concealed, Stage::size, groups::concealed},
                              {GroupId::plain_bore, Stage::size, groups::plain_bore},
                              {GroupId::valves, Stage::size, groups::valves},
                              {GroupId::later, Stage::size, groups::later},
                              {GroupId::press, Stage::size, groups::press},
                              {GroupId::bands, Stage::size, groups::bands, true},
                              {GroupId::backward, Stage::size, groups::backward, true},
                              {GroupId::balance, Stage::size, groups::balance},
                              {GroupId::bar, Stage::size, groups::twin},
                              {GroupId::clutch, Stage::size, groups::clutch},
                              {GroupId::benchmarks, Stage::size, groups::benchmarks},
                              {GroupId::holding, Stage::size, groups::holding},
                              {GroupId::reserve, Stage::size, groups::reserve},
                              {GroupId::pattern, Stage::fit, groups::pattern},
                              {GroupId::flange, Stage::fit, groups::flange},
                              {GroupId::offset, Stage::fit, groups::offset},
                              {GroupId::envelope, Stage::fit, groups::envelope, false, true},
                              {GroupId::attitude, Stage::fit, groups::attitude},
                              {GroupId::openings, Stage::fit, groups::openings},
                              {GroupId::stack, Stage::fit, groups::clutch_stack},
                              {GroupId::ends, Stage::rod, groups::rod_ends},
                              {GroupId::gaps, Stage::rod, groups::rod_gaps},
                              {GroupId::heights, Stage::rod, groups::rod_heights},
                              {GroupId::lamps, Stage::rod, groups::lamps},
                              {GroupId::retained, Stage::rod, groups::rod_retained},
                              {GroupId::chambers, Stage::plumb, groups::chambers},
                              {GroupId::reservoir, Stage::plumb, groups::reservoir},
                              {GroupId::tools, Stage::install, groups::tools},
                              {GroupId::disturbed, Stage::install, groups::disturbed},
                              {GroupId::supply, Stage::install, groups::supply},
                              {GroupId::ports, Stage::bleed, groups::ports},
                              {GroupId::stages, Stage::bleed, groups::work_stages},
                              {GroupId::expected, Stage::bleed, groups::expected, true},
                              {GroupId::bleeding, Stage::bleed, groups::bleeding, true},
                              {GroupId::dead_stroke, Stage::bleed, groups::dead_stroke_group},
                              {GroupId::fluid, Stage::bleed, groups::fluid, true},
                              {GroupId::proof, Stage::prove, groups::proof, true},
                              {GroupId::causes, Stage::prove, groups::causes, true}};

FigureGroup made(const Entry& e, const FigureInputs& in) {
  FigureGroup g = e.make(in);
  g.id = e.id;
  g.stage = e.stage;
  return g;
}

template <class Wanted>
std::vector<FigureGroup> made_for(const Job& job, const Wanted& wanted) {
  const FigureInputs in{&job, strip_inputs(job)};
  FigureSettler settler(in);
  std::vector<FigureGroup> list;
  for (const Entry& e : kEntries) {
    if (!wanted(e)) continue;
    FigureGroup g = made(e, in);
    // A group without a figure does not apply to what is fitted.
    if (g.figures.empty()) continue;
    if (!e.typed) settler.settle(g, e.dear ? nullptr : e.make);
    list.push_back(std::move(g));
  }
  return list;
}

}  // namespace

Figure told(Message words, double si, Kind kind, int digits, Message note) {
  Figure f;
  f.words = std::move(words);
  f.si = si;
  f.kind = kind;
  f.digits = digits;
  f.note = std::move(note);
  return f;
}

Figure judged(Message words, double si, Kind kind, int digits, bool good, Message note) {
  Figure f = told(std::move(words), si, kind, digits, std::move(note));
  f.verdict = good ? Verdict::holds : Verdict::fails;
  return f;
}

Figure groups::by_rule(Figure f, const PressMargins& margins, PressRule rule) {
  if (!margins.applies(rule)) return f;
  f.rule = rule;
  f.verdict = margins.fails(rule) ? Verdict::fails : Verdict::holds;
  return f;
}

Figure unsaid(Message words, Message because) {
  Figure f = words_only(std::move(words), std::move(because));
  f.verdict = Verdict::cannot_say;
  return f;
}

Figure words_only(Message words, Message note) {
  Figure f;
  f.words = std::move(words);
  f.note = std::move(note);
  return f;
}

std::vector<FigureGroup> figure_groups(const Job& job) {
  return made_for(job, [](const Entry&) { return true; });
}

std::vector<FigureGroup> figure_groups(const Job& job, const std::vector<GroupId>& ids) {
  auto list = made_for(
      job, [&ids](const Entry& e) { return std::find(ids.begin(), ids.end(), e.id) != ids.end(); });
  const auto place = [&ids](const FigureGroup& g) {
    return std::find(ids.begin(), ids.end(), g.id) - ids.begin();
  };
  std::stable_sort(list.begin(), list.end(),
                   [&](const FigureGroup& a, const FigureGroup& b) { return place(a) < place(b); });
  return list;
}

std::vector<FigureGroup> figure_groups(const Job& job, Stage stage) {
  return made_for(job, [stage](const Entry& e) { return e.stage == stage; });
}

std::vector<GroupId> figure_group_ids() {
  std::vector<GroupId> ids;
  for (const Entry& e : kEntries) ids.push_back(e.id);
  return ids;
}

FigureGroup figure_group(const Job& job, GroupId id) {
  const Entry& e = *std::find_if(std::begin(kEntries), std::end(kEntries),
                                 [&](const Entry& entry) { return id == entry.id; });
  const FigureInputs in{&job, strip_inputs(job)};
  FigureGroup g = made(e, in);
  if (!e.typed) FigureSettler(in).settle(g, e.dear ? nullptr : e.make);
  return g;
}

Expected<FigureGroup> figure_group(const Job& job, const std::string& name) {
  if (const auto id = find_group(name)) return figure_group(job, *id);
  std::string all;
  for (const Entry& e : kEntries) all += (all.empty() ? "" : ", ") + std::string(key(e.id));
  return fail({"group", name, Message::data(all), say("There is no group of figures “{}”", name),
               "Use one of the names"});
}

Message figure_message(const Figure& f) {
  const bool note = !f.note.empty();
  if (f.si && note) return say("{}, {}", Amount{*f.si, f.kind, f.digits, true}, f.note);
  if (f.si) return say("{}", Amount{*f.si, f.kind, f.digits, true});
  return note ? f.note : Message("cannot say");
}

std::string figure_text(const Figure& f, const Style& style) {
  return english(figure_message(f), style);
}

std::vector<Finding> figure_findings(const Job& job) {
  // Only what can hurt: clutch over-travel and wear room, a bar that binds, a slope not held.
  struct Watch {
    GroupId group;
    FigureId figure;
    Severity severity;
    FindingCode code;
    const char* remedy;
  };
  static constexpr Watch kWatches[] = {
      {GroupId::clutch, FigureId::over_travel, Severity::hard, FindingCode::size_over_travel,
       "Set a pedal stop, or a larger slave; the cover breaks beyond its limit"},
      {GroupId::clutch, FigureId::wear_room, Severity::hard, FindingCode::size_wear_room,
       "Back the slave off, or a shorter rod"},
      {GroupId::bar, FigureId::bar, Severity::hard, FindingCode::size_bar,
       "Bores or bar arms nearer to each other"},
      {GroupId::holding, FigureId::slope, Severity::warning, FindingCode::size_slope,
       "Chocks; see the limits"},
      {GroupId::holding, FigureId::engine, Severity::warning, FindingCode::size_engine,
       "A stall converter that pulls less, or more brake"},
      {GroupId::reserve, FigureId::reserve_stops, Severity::warning,
       FindingCode::size_reserve_stops, "A reservoir, or an electric pump"},
      {GroupId::supply, FigureId::copper, Severity::warning, FindingCode::install_copper,
       "The next larger cable"},
      {GroupId::flange, FigureId::stud_short, Severity::hard, FindingCode::fit_stud_short,
       "Longer studs, or a thinner stack; never fewer turns"},
      {GroupId::flange, FigureId::crush, Severity::hard, FindingCode::fit_crush,
       "Sleeves through the box"},
      {GroupId::offset, FigureId::offset, Severity::warning, FindingCode::fit_offset,
       "Close the budget: move, or a lug"},
      {GroupId::openings, FigureId::opening, Severity::warning, FindingCode::fit_opening,
       "A plate, sealed: fumes and fire stay out"},
      {GroupId::attitude, FigureId::nose, Severity::warning, FindingCode::fit_nose,
       "Air stays at the far end"},
      {GroupId::attitude, FigureId::servo, Severity::warning, FindingCode::fit_servo,
       "Turn it within its band"},
      {GroupId::attitude, FigureId::breather, Severity::warning, FindingCode::fit_breather,
       "Turn the servo"},
      {GroupId::attitude, FigureId::head, Severity::warning, FindingCode::fit_head,
       "A higher bottle"},
      {GroupId::reservoir, FigureId::chamber_front, Severity::warning,
       FindingCode::plumb_chamber_front, "Swap the chambers, or a larger reservoir"},
      {GroupId::reservoir, FigureId::chamber_rear, Severity::warning,
       FindingCode::plumb_chamber_rear, "Swap the chambers, or a larger reservoir"}};
  const FigureInputs in{&job, strip_inputs(job)};
  std::vector<Finding> list;
  for (const Entry& e : kEntries) {
    const auto watched = [&e](const Watch& w) { return w.group == e.id; };
    if (std::none_of(std::begin(kWatches), std::end(kWatches), watched)) continue;
    const FigureGroup g = made(e, in);
    for (const Watch& w : kWatches) {
      if (!watched(w)) continue;
      for (const Figure& f : g.figures)
        if (f.id == w.figure && f.verdict == Verdict::fails) {
          const bool store = w.figure == FigureId::reserve_stops &&
                             in.strip.plan.is(choice::AssistKind::hydraulic);
          list.push_back(
              {w.severity, e.stage, w.code, say("{}: {}", f.words, figure_message(f)), f.note,
               store ? "A fresh or a larger accumulator, or a pump that runs by itself" : w.remedy,
               g.source});
        }
    }
  }
  return list;
}

}  // namespace yoke
