// Figures of a job, bench calculations, the map and the press as tables.
#include <fmt/format.h>

#include <cmath>

#include "calc/calculators.hpp"
#include "cli/commands.hpp"
#include "doubt/cell_bands.hpp"
#include "figures/figures.hpp"
#include "sizing/sweep.hpp"

namespace yoke::cli {

namespace {

Cell figure_cell(const Figure& f, const Style& style) {
  if (f.si) return number(*f.si, format_full(*f.si, f.kind, f.digits, style));
  return text("–");
}

std::string verdict_of(const Figure& f) {
  return f.judged() ? std::string(words_of_value(f.verdict)) : std::string();
}

void add_figures(Table& t, const std::string& group, const std::vector<Figure>& figures,
                 const Style& style) {
  for (const Figure& f : figures)
    t.rows.push_back({text(group), text(english(f.words, style)), figure_cell(f, style),
                      text(verdict_of(f)), text(english(f.note, style))});
}

Expected<double> count_option(const Arguments& a, const std::string& name, double fallback,
                              double least, double most) {
  const auto it = a.options.find(name);
  if (it == a.options.end()) return fallback;
  const auto v = parse_number(it->second);
  if (!v) return fail(v.error());
  if (*v >= least && *v <= most) return *v;
  return fail({name, it->second,
               say("{} to {}", fmt::format("{:g}", least), fmt::format("{:g}", most)),
               "That number cannot be", "See yokestep-cli help"});
}

}  // namespace

Expected<Table> figures_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  Table t;
  t.keys = {"group", "figure", "value_SI", "verdict", "note"};
  const auto wanted = a.options.find("--group");
  std::vector<FigureGroup> groups;
  if (wanted != a.options.end()) {
    auto g = figure_group(*job, wanted->second);
    if (!g) return fail(g.error());
    if (g->figures.empty()) t.notes.push_back("That group does not apply to what is fitted.");
    groups.push_back(std::move(*g));
  } else {
    groups = figure_groups(*job);
  }
  for (const FigureGroup& g : groups) {
    add_figures(t, std::string(key(g.id)), g.figures, a.style);
    if (!g.source.empty())
      t.notes.push_back(std::string(key(g.id)) + ": " + english(g.source, a.style));
  }
  return t;
}

Expected<Table> calc_table(const Arguments& a) {
  Table t;
  if (a.files.empty()) {
    t.keys = {"name", "title", "inputs"};
    for (const Calculator& c : calculators()) {
      std::string inputs;
      for (const CalcInput& in : c.inputs)
        inputs += (inputs.empty() ? "" : " ") + std::string(in.id);
      t.rows.push_back({text(c.id), text(c.title), text(inputs)});
    }
    t.notes = {"yokestep-cli calc NAME input=value …; what is not given keeps its usual value"};
    return t;
  }
  const auto found = find_calculator(a.files.front());
  if (!found) return fail(found.error());
  const Calculator& c = **found;
  std::vector<double> values;
  for (const CalcInput& in : c.inputs) values.push_back(in.start);
  for (std::size_t i = 1; i < a.files.size(); ++i) {
    const std::string& word = a.files[i];
    const std::size_t equals = word.find('=');
    const std::string id = word.substr(0, equals);
    std::size_t k = 0;
    while (k < c.inputs.size() && id != c.inputs[k].id) ++k;
    if (equals == std::string::npos || k == c.inputs.size())
      return fail({"calc", word, "", say("“{}” is no input of {}", word, c.id),
                   "Name one of its inputs, then = and a value"});
    const auto v = parse_input(c.inputs[k], word.substr(equals + 1), a.style.units);
    if (!v) return fail(v.error());
    values[k] = *v;
  }
  const auto figures = calculate(c, values);
  if (!figures) return fail(figures.error());
  t.keys = {"figure", "value_SI", "verdict", "note"};
  for (const Figure& f : *figures)
    t.rows.push_back({text(english(f.words, a.style)), figure_cell(f, a.style), text(verdict_of(f)),
                      text(english(f.note, a.style))});
  t.notes.push_back(std::string("Source: ") + c.source);
  if (c.caution[0] != '\0') t.notes.emplace_back(c.caution);
  return t;
}

namespace {

/// Of the draws, the share within every limit, and what 8 of 10 lie between.
void add_band(std::vector<Cell>& row, const CellBand& b, const Style& style) {
  const double share =
      b.draws > 0 ? static_cast<double>(b.passes) / static_cast<double>(b.draws) : 0.0;
  row.push_back(number(share, fmt::format("{:.0f} %", share * 100)));
  row.push_back(number(b.effort.low, format_full(b.effort.low, Kind::force, 0, style)));
  row.push_back(number(b.effort.high, format_full(b.effort.high, Kind::force, 0, style)));
  row.push_back(number(b.travel.low, format_full(b.travel.low, Kind::length, 0, style)));
  row.push_back(number(b.travel.high, format_full(b.travel.high, Kind::length, 0, style)));
}

}  // namespace

Expected<Table> map_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  SweepRequest q = default_request(*job);
  if (const auto it = a.options.find("--prefer"); it != a.options.end()) {
    if (it->second == "light")
      q.preference = Preference::light;
    else if (it->second == "short")
      q.preference = Preference::short_travel;
    else if (it->second == "firm")
      q.preference = Preference::firm;
    else
      return fail({"--prefer", it->second, "light, short, firm", "There is no such preference",
                   "Use one of the names"});
  }
  const auto s = sweep(*job, q);
  if (!s) return fail(s.error());
  Table t;
  t.keys = {"assist",  "bore_m",   "bore2_m",  "ratio", "inside",
            "verdict", "effort_N", "travel_m", "why"};
  const bool drawn = a.options.count("--samples") > 0;
  Expected<std::vector<CellBand>> bands;
  if (drawn) {
    const auto samples = count_option(a, "--samples", 40, 8, 1000);
    if (!samples) return fail(samples.error());
    DoubtRequest draws;
    draws.samples = static_cast<std::size_t>(*samples);
    bands = cell_bands(*job, q, *s, draws);
    if (!bands) return fail(bands.error());
    t.keys.insert(t.keys.end(),
                  {"passes", "effort_low_N", "effort_high_N", "travel_low_m", "travel_high_m"});
  }
  for (const yoke::Cell& c : s->cells) {
    t.rows.push_back(
        {text(s->assists[c.assist], a.style),
         number(c.bore_m, format_full(c.bore_m, Kind::length, 2, a.style)),
         c.bore2_m > 0 ? number(c.bore2_m, format_full(c.bore2_m, Kind::length, 2, a.style))
                       : text("–"),
         number(c.ratio, fmt::format("{:.2f}", c.ratio)),
         text(c.fails == Limit::none ? "yes" : "no"), text(std::string(words_of_value(c.verdict))),
         number(c.effort_n, format_full(c.effort_n, Kind::force, 0, a.style)),
         number(c.travel_m, format_full(c.travel_m, Kind::length, 0, a.style)),
         text(english(c.reason, a.style))});
    if (drawn) add_band(t.rows.back(), (*bands)[t.rows.size() - 1], a.style);
  }
  t.notes = {english(ranking_words(ranking(*s), q.preference), a.style)};
  return t;
}

Expected<Table> curve_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto named = a.options.find("--condition");
  const auto id = condition_named(named == a.options.end() ? "plan" : named->second);
  if (!id) return fail(id.error());
  const auto points = count_option(a, "--points", 16, 2, 4096);
  if (!points) return fail(points.error());
  if (auto e = not_of_this_job(*job, *id)) return fail(std::move(*e));
  const ConditionReport c = condition_report(*job, *id, static_cast<std::size_t>(*points));
  if (!c.curve)
    return fail({"job", "", "", c.reason.empty() ? Message("Cannot say yet") : c.reason,
                 "Enter what is missing in Survey"});
  Table t;
  t.keys = {"travel_m", "force_N", "pressure_Pa", "rod_force_N", "stroke_m", "z"};
  for (const FeelPoint& f : c.curve->points)
    t.rows.push_back(
        {number(f.pad_travel_m, format_full(f.pad_travel_m, Kind::length, 1, a.style)),
         number(f.pad_force_n, format_full(f.pad_force_n, Kind::force, 0, a.style)),
         number(f.pressure_pa, format_full(f.pressure_pa, Kind::pressure, 2, a.style)),
         number(f.input_force_n, format_full(f.input_force_n, Kind::force, 0, a.style)),
         number(f.stroke_m, format_full(f.stroke_m, Kind::length, 2, a.style)),
         number(f.z, fmt::format("{:.3f}", f.z))});
  if (!c.clutch) t.notes = {std::string("ends where ") + std::string(stop_words(c.curve->stop))};
  return t;
}

}  // namespace yoke::cli
