#include "figures/figures.hpp"

#include <algorithm>

#include "figures/groups.hpp"

namespace yoke {

namespace {

struct Entry {
  const char* id;
  Stage stage;
  FigureGroup (*make)(const FigureInputs&);
};

constexpr Entry kEntries[] = {{"identity", Stage::survey, groups::identity},
                              {"symptoms", Stage::survey, groups::symptoms},
                              {"slack", Stage::survey, groups::slack},
                              {"before", Stage::survey, groups::before},
                              {"ageing", Stage::survey, groups::ageing},
                              {"gauge", Stage::survey, groups::gauge},
                              {"kit", Stage::survey, groups::kit},
                              {"upstream", Stage::survey, groups::upstream},
                              {"control", Stage::survey, groups::control},
                              {"need", Stage::size, groups::assist_need_group},
                              {"assist-types", Stage::size, groups::assist_types},
                              {"concealed", Stage::size, groups::concealed},
                              {"plain-bore", Stage::size, groups::plain_bore},
                              {"valves", Stage::size, groups::valves},
                              {"later", Stage::size, groups::later},
                              {"press", Stage::size, groups::press},
                              {"bands", Stage::size, groups::bands},
                              {"backward", Stage::size, groups::backward},
                              {"balance", Stage::size, groups::balance},
                              {"bar", Stage::size, groups::twin},
                              {"clutch", Stage::size, groups::clutch},
                              {"benchmarks", Stage::size, groups::benchmarks},
                              {"holding", Stage::size, groups::holding},
                              {"reserve", Stage::size, groups::reserve},
                              {"pattern", Stage::fit, groups::pattern},
                              {"flange", Stage::fit, groups::flange},
                              {"offset", Stage::fit, groups::offset},
                              {"envelope", Stage::fit, groups::envelope},
                              {"attitude", Stage::fit, groups::attitude},
                              {"openings", Stage::fit, groups::openings},
                              {"stack", Stage::fit, groups::clutch_stack},
                              {"ends", Stage::rod, groups::rod_ends},
                              {"gaps", Stage::rod, groups::rod_gaps},
                              {"heights", Stage::rod, groups::rod_heights},
                              {"retained", Stage::rod, groups::rod_retained},
                              {"chambers", Stage::plumb, groups::chambers},
                              {"reservoir", Stage::plumb, groups::reservoir},
                              {"disturbed", Stage::install, groups::disturbed},
                              {"supply", Stage::install, groups::supply},
                              {"ports", Stage::bleed, groups::ports},
                              {"stages", Stage::bleed, groups::work_stages},
                              {"causes", Stage::prove, groups::causes}};

FigureGroup made(const Entry& e, const FigureInputs& in) {
  FigureGroup g = e.make(in);
  g.id = e.id;
  g.stage = e.stage;
  return g;
}

std::vector<FigureGroup> made_for(const Job& job, std::optional<Stage> stage) {
  const FigureInputs in{&job, strip_inputs(job)};
  std::vector<FigureGroup> list;
  for (const Entry& e : kEntries) {
    if (stage && e.stage != *stage) continue;
    FigureGroup g = made(e, in);
    // A group without a figure does not apply to what is fitted.
    if (!g.figures.empty()) list.push_back(std::move(g));
  }
  return list;
}

}  // namespace

Figure told(std::string words, double si, Kind kind, int digits, std::string note) {
  return {std::move(words), si, kind, digits, std::move(note), Verdict::unknown, false};
}

Figure judged(std::string words, double si, Kind kind, int digits, bool good, std::string note) {
  return {std::move(words),
          si,
          kind,
          digits,
          std::move(note),
          good ? Verdict::pass : Verdict::fail,
          true};
}

Figure unsaid(std::string words, std::string because) {
  return {std::move(words),   std::nullopt,     Kind::number, 0,
          std::move(because), Verdict::unknown, true};
}

Figure words_only(std::string words, std::string note) {
  return {std::move(words), std::nullopt,     Kind::number, 0,
          std::move(note),  Verdict::unknown, false};
}

std::vector<FigureGroup> figure_groups(const Job& job) {
  return made_for(job, std::nullopt);
}

std::vector<FigureGroup> figure_groups(const Job& job, Stage stage) {
  return made_for(job, stage);
}

std::vector<std::string> figure_group_ids() {
  std::vector<std::string> ids;
  for (const Entry& e : kEntries) ids.emplace_back(e.id);
  return ids;
}

Expected<FigureGroup> figure_group(const Job& job, const std::string& id) {
  const auto* const it = std::find_if(std::begin(kEntries), std::end(kEntries),
                                      [&](const Entry& e) { return id == e.id; });
  if (it == std::end(kEntries)) {
    std::string all;
    for (const Entry& e : kEntries) all += (all.empty() ? "" : ", ") + std::string(e.id);
    return fail(
        {"group", id, all, "There is no group of figures “" + id + "”", "Use one of the names"});
  }
  return made(*it, FigureInputs{&job, strip_inputs(job)});
}

std::string figure_text(const Figure& f, const Style& style) {
  std::string t;
  if (f.si) t = format_full(*f.si, f.kind, f.digits, style);
  if (!f.note.empty()) t += (t.empty() ? "" : ", ") + f.note;
  return t.empty() ? "cannot say" : t;
}

std::vector<Finding> figure_findings(const Job& job) {
  // Only what can hurt: clutch over-travel and wear room, a bar that binds, a slope not held.
  struct Watch {
    const char* id;
    const char* words;
    Severity severity;
    const char* code;
    const char* remedy;
  };
  static constexpr Watch kWatches[] = {
      {"clutch", "Over-travel", Severity::hard, "size.over_travel",
       "Set a pedal stop, or a larger slave; the cover breaks beyond its limit"},
      {"clutch", "Room for wear", Severity::hard, "size.wear_room",
       "Back the slave off, or a shorter rod"},
      {"bar", "Bar's lean, all sound", Severity::hard, "size.bar",
       "Bores or bar arms nearer to each other"},
      {"holding", "Pedal force on the slope", Severity::warning, "size.slope",
       "Chocks; see the limits"},
      {"holding", "Pedal force against the engine", Severity::warning, "size.engine",
       "A stall converter that pulls less, or more brake"},
      {"reserve", "Assisted stops in a row", Severity::warning, "size.reserve_stops",
       "A reservoir, or an electric pump"},
      {"supply", "Volt drop at the fuse's rating", Severity::warning, "install.copper",
       "The next larger cable"},
      {"flange", "Thread left for the nut", Severity::hard, "fit.stud_short",
       "Longer studs, or a thinner stack; never fewer turns"},
      {"flange", "Sheet metal", Severity::hard, "fit.crush", "Sleeves through the box"},
      {"offset", "Rod angle from what is left", Severity::warning, "fit.offset",
       "Close the budget: move, or a lug"},
      {"openings", "Gap around the new unit", Severity::warning, "fit.opening",
       "A plate, sealed: fumes and fire stay out"},
      {"attitude", "Master's nose, up", Severity::warning, "fit.nose", "Air stays at the far end"},
      {"attitude", "Servo's nose, up", Severity::warning, "fit.servo", "Turn it within its band"},
      {"attitude", "Breather off straight down", Severity::warning, "fit.breather",
       "Turn the servo"},
      {"attitude", "Head left on the steepest slope", Severity::warning, "fit.head",
       "A higher bottle"},
      {"reservoir", "Front chamber after full wear", Severity::warning, "plumb.chamber_front",
       "Swap the chambers, or a larger reservoir"},
      {"reservoir", "Rear chamber after full wear", Severity::warning, "plumb.chamber_rear",
       "Swap the chambers, or a larger reservoir"}};
  const FigureInputs in{&job, strip_inputs(job)};
  std::vector<Finding> list;
  for (const Entry& e : kEntries) {
    const auto watched = [&e](const Watch& w) { return std::string_view(w.id) == e.id; };
    if (std::none_of(std::begin(kWatches), std::end(kWatches), watched)) continue;
    const FigureGroup g = made(e, in);
    for (const Watch& w : kWatches) {
      if (!watched(w)) continue;
      for (const Figure& f : g.figures)
        if (f.words == w.words && f.judged && f.verdict == Verdict::fail)
          list.push_back({w.severity, e.stage, w.code, f.words + ": " + figure_text(f, {}), f.note,
                          w.remedy, g.source});
    }
  }
  return list;
}

}  // namespace yoke
