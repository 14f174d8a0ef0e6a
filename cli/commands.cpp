#include "cli/commands.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "cli/options.hpp"
#include "document/param/bores.hpp"
#include "doubt/doubt.hpp"
#include "files/json_job.hpp"
#include "judge/findings.hpp"
#include "sizing/relative.hpp"

namespace yoke::cli {

namespace {

constexpr const char* kHelp =
    "yokestep-cli: the arithmetic of a pedal, without the window\n"
    "\n"
    "  solve JOB                 all conditions of a job: effort, travel, reserve, verdict\n"
    "  relative --bore-old B --bore-new B --ratio-old R --ratio-new R\n"
    "                            how much harder and how much shorter, from these four alone\n"
    "  rod --snout-old L --socket-old L --stack-old L --snout-new L --socket-new L --stack-new L\n"
    "      [--clearance-more L] [--ratio R] [--pitch P] [--height L]\n"
    "                            how much to shorten or lengthen the rod, and the turns\n"
    "  rod JOB                   the same from a job\n"
    "  doubt JOB [--condition plan|all] [--samples 4000] [--seed 1]\n"
    "                            10 to 90 % bands of the figures, and what to measure next\n"
    "  figures JOB [--group G]   lever, press, balance, holding, reserve, bar, clutch, causes …\n"
    "  curve JOB [--condition plan] [--points 16]\n"
    "                            one press, point by point\n"
    "  map JOB [--prefer light|short|firm] [--samples 40]\n"
    "                            every bore, ratio and assist: inside, or why not; with samples\n"
    "                            how sure: draws that pass, and 10 to 90 % bands\n"
    "  calc [NAME input=value …] bench arithmetic: crowfoot, thread, off-axis, copper …\n"
    "  compare JOB [--candidate NAME | --catalogue FILE --part ID | --kind K]\n"
    "                            fitted unit against the plan or another: equal, differs, NOT "
    "COMPARED\n"
    "  catalogue FILE [--kind K] [--words W] [--bore B]\n"
    "                            parts of a catalogue, and its errors by row and column\n"
    "  next JOB [--system plan|found]\n"
    "                            what is worth measuring next, and what it buys\n"
    "  parts JOB --today DAY     parts in hand: may it come apart, and what it waits for\n"
    "  records JOB --list NAME   readings, before, candidates, later, boxes, parts, steps,\n"
    "                            bleeding or gates as they stand in the file, in SI\n"
    "  template JOB [--kind drilling|plate] [--as svg|dxf]\n"
    "                            full-size template, 1:1 only, to standard output\n"
    "  params                    every parameter: id, words, kind, range, typical, source\n"
    "  check JOB                 findings; exit status 1 when a hard one stands\n"
    "  judge JOB [--rules open|all]\n"
    "                            every rule: verdict, figure, limit and its source, what it rests "
    "on;\n"
    "                            exit status 1 when a hard one fails\n"
    "  rules                     every rule there is, with limit and source\n"
    "  line JOB [--name LINE]    lines to make: straight, rotate, bend, and what they are cut "
    "from;\n"
    "                            --as svg|dxf: one of them unrolled at full size;\n"
    "                            --legs \"200 mm bend 90, 300 mm\": one told by legs and angles\n"
    "  plumb JOB [--show joints|net|ports|paths|feeds] [--wrench L --crowfoot L]\n"
    "                            every joint, judged; the net; old outlets to new; smallest holes\n"
    "                            and what they cost; what feeds the assist\n"
    "  fitting --outside L [--pitch P | --threads N --over L] [--look out|in|outside|flat|taper]\n"
    "                            every fitting that fits what was measured and seen\n"
    "  steps JOB                 the work in its order, and what is done of it;\n"
    "                            --now: only what can be done now; --why: what each step waits\n"
    "                            for, why, and which proofs it opens; --order: keys alone\n"
    "  bleed JOB [--show order|ways|checks|joints|fluid|pedal|dead|change]\n"
    "      [--method helper|gravity|pressure|vacuum|reverse|tubes|plugs|…] [--now]\n"
    "                            order, strokes, refills, fluid to have, what was counted; ways\n"
    "                            of bleeding; what must be right; joints dry or wet; the fluid;\n"
    "                            the pedal expected now; dead stroke; the clean change;\n"
    "                            --method: as if that way were chosen; --now: the next place\n"
    "  gates JOB                 what must hold before a drive, what each asks, its evidence;\n"
    "                            exit status 1 when one stands failed\n"
    "  prove JOB [--readings FILE.csv] [--trace FILE] [--now]\n"
    "      [--line DEVICE [--seconds 20] [--speed 115200]]\n"
    "                            the proof standing still, press by press: expected, band, limit,\n"
    "                            got; with readings of a file (force,travel[,second][,clamped]), "
    "a\n"
    "                            recorded press, or an instrument's line that is listened to (- :\n"
    "                            what is piped in); --now: the next press; exit status 1 when one\n"
    "                            says stop\n"
    "  rig JOB [--fault NAME] [--seconds S] [--seed N]\n"
    "                            what an instrument on that pedal would say, to practise on\n"
    "  road JOB [--trace TABLE.csv --time COLUMN --time-unit s|ms|us|ns --along COLUMN "
    "--unit g|-g|m/s2|-m/s2]\n"
    "                            the road stage by stage, or a stop out of a phone's table\n"
    "  right JOB...              whether what was foretold came, over proved jobs\n"
    "  folder DIR [--find \"bore 15/16 in\"] [--columns id,id] [--index FILE]\n"
    "                            the jobs of a folder, found by words and values\n"
    "  tables --table drills|spanners|threads|torque|tubes|angles|bores [--find WORDS]\n"
    "                            tables for the bench\n"
    "  fit JOB                   what the readings say: air, slack, clearance, with intervals\n"
    "  state JOB [--condition plan] [--force 300N]\n"
    "                            every intermediate of one press\n"
    "  schema                    the JSON Schema of job files\n"
    "\n"
    "  --set id=value            override a planned value (found:id=value a fitted one)\n"
    "  --format text|json|csv    --units metric|imperial|both\n"
    "\n"
    "Figures are help for a builder, not an approval: local rules and licensed inspection win.\n";

}  // namespace

Expected<Table> solve(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  Table t;
  t.keys = {"condition", "verdict", "at",          "limits", "effort_N",
            "travel_m",  "reserve", "pressure_Pa", "z",      "why"};
  for (const auto& c : foot_strip(*job, 16)) {
    std::vector<Cell> row{text(english(c.title, a.style)),
                          text(std::string(words_of_value(c.verdict))),
                          text(english(c.at, a.style)), text(english(c.within, a.style))};
    if (c.target) {
      const auto& f = c.target->at;
      row.push_back(quantity(f.pad_force_n, Kind::force, 0, a.style));
      row.push_back(quantity(f.pad_travel_m, Kind::length, 1, a.style));
      row.push_back(
          number(c.target->reserve_share, fmt::format("{:.0f} %", c.target->reserve_share * 100)));
      row.push_back(quantity(f.pressure_pa, Kind::pressure, 2, a.style));
      row.push_back(c.by_pressure ? text("–") : number(f.z, fmt::format("{:.3f} g", f.z)));
    } else {
      row.push_back(c.effort_only_n ? quantity(*c.effort_only_n, Kind::force, 0, a.style)
                                    : text("–"));
      for (int i = 0; i < 4; ++i) row.push_back(text("–"));
    }
    row.push_back(text(english(c.reason, a.style)));
    t.rows.push_back(std::move(row));
  }
  return t;
}

Expected<Table> relative_table(const Arguments& a) {
  const auto bo = option_like(a, "--bore-old", param::master_bore);
  const auto bn = option_like(a, "--bore-new", param::master_bore);
  const auto ro = option_in(a, "--ratio-old", Kind::number, kLeastRatio, kMostRatio, std::nullopt);
  const auto rn = option_in(a, "--ratio-new", Kind::number, kLeastRatio, kMostRatio, std::nullopt);
  for (const auto* v : {&bo, &bn, &ro, &rn})
    if (!*v) return fail(v->error());
  const auto r = relative(Length{*bo}, Length{*bn}, *ro, *rn);
  if (!r) return fail(r.error());
  Table t;
  t.keys = {"what", "value"};
  t.rows = {
      {text("force factor"), number(r->force_factor, fmt::format("{:.3f}", r->force_factor))},
      {text("travel factor"), number(r->travel_factor, fmt::format("{:.3f}", r->travel_factor))},
      {text("equal-feel bore at the new ratio (m)"),
       quantity(r->equal_bore.value(), Kind::length, 2, a.style)},
      {text("equal-feel ratio with the new bore"),
       number(r->equal_ratio, fmt::format("{:.2f}", r->equal_ratio))}};
  t.notes = {english(relative_words(*r), a.style),
             "Ratios as given: how sure they are is not known; two arms measured each would say."};
  return t;
}

Expected<ConditionId> condition_named(const std::string& name) {
  if (const auto id = find_value<ConditionId>(name)) return *id;
  return fail({"--condition", name, keys_listed<ConditionId>(),
               say("There is no condition “{}”", name), "Use one of the names"});
}

std::optional<Error> not_of_this_job(const Job& job, ConditionId id) {
  const auto conditions = conditions_for(strip_inputs(job).clutch);
  if (std::find(conditions.begin(), conditions.end(), id) != conditions.end()) return std::nullopt;
  return Error{"--condition", "", "", "This job has no such condition",
               "yokestep-cli solve JOB lists those it has"};
}

namespace {

Expected<Table> all_bands(const Job& job, const DoubtRequest& q, const Style& style) {
  const auto r = doubt(job, conditions_for(strip_inputs(job).clutch), q);
  if (!r) return fail(r.error());
  Table t;
  t.keys = {"condition", "figure", "low_10", "middle", "high_90"};
  for (const ConditionDoubt& c : r->conditions) {
    const std::string title = english(condition_title(job, c.id), style);
    if (!c.because.empty()) {
      t.notes.push_back(title + ": " + english(c.because, style));
      continue;
    }
    for (std::size_t i = 0; i < kPressQuantityCount; ++i) {
      const auto& f = press_quantity_info(static_cast<PressQuantity>(i));
      const Band& b = c.bands[i];
      if (!b.said) {
        t.rows.push_back({text(title), text(f.key), text("–"), text("–"), text("–")});
        continue;
      }
      t.rows.push_back({text(title), text(f.key), quantity(b.low, f.kind, f.digits, style),
                        quantity(b.middle, f.kind, f.digits, style),
                        quantity(b.high, f.kind, f.digits, style)});
    }
    t.notes.push_back(
        fmt::format("{}: {:.0f} % of {} draws pass", title, c.pass_share * 100, r->samples));
  }
  return t;
}

}  // namespace

Expected<Table> doubt_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto named = a.options.find("--condition");
  const bool all = named != a.options.end() && named->second == "all";
  const auto id = condition_named(named == a.options.end() || all ? "plan" : named->second);
  if (!id) return fail(id.error());
  const auto samples = option_in(a, "--samples", Kind::number, 100, 50000, 4000);
  const auto seed = option_in(a, "--seed", Kind::number, 0, 1e15, 1);
  for (const auto* v : {&samples, &seed})
    if (!*v) return fail(v->error());
  DoubtRequest q;
  q.samples = static_cast<std::size_t>(*samples);
  q.seed = static_cast<std::uint64_t>(*seed);
  if (all) return all_bands(*job, q, a.style);
  if (auto e = not_of_this_job(*job, *id)) return fail(std::move(*e));
  const auto r = doubt(*job, *id, q);
  if (!r) return fail(r.error());
  Table t;
  t.keys = {"figure", "low_10", "middle", "high_90"};
  for (std::size_t i = 0; i < kPressQuantityCount; ++i) {
    const auto& f = press_quantity_info(static_cast<PressQuantity>(i));
    const Band& b = r->bands[i];
    if (!b.said) {
      t.rows.push_back({text(f.key), text("–"), text("–"), text("–")});
      continue;
    }
    t.rows.push_back({text(f.key), quantity(b.low, f.kind, f.digits, a.style),
                      quantity(b.middle, f.kind, f.digits, a.style),
                      quantity(b.high, f.kind, f.digits, a.style)});
  }
  t.notes = {fmt::format("{:.0f} % of {} draws pass; {} contradict themselves.",
                         r->pass_share * 100, q.samples, r->impossible)};
  for (size_t i = 0; i < std::min<size_t>(5, r->ranked.size()); ++i)
    t.notes.push_back(fmt::format("measure next {}: {} is good for ±{:.1f} N and ±{:.1f} mm", i + 1,
                                  info(r->ranked[i].param).words,
                                  std::abs(r->ranked[i].of(PressQuantity::effort)),
                                  std::abs(r->ranked[i].of(PressQuantity::travel)) * 1e3));
  return t;
}

Table params_table(const Arguments& a) {
  Table t;
  t.keys = {"id", "words", "kind", "range", "typical", "source"};
  static constexpr const char* kinds[] = {
      "length",      "area",     "volume", "force",    "pressure", "mass", "angle",
      "temperature", "altitude", "pitch",  "fraction", "number",   "time", "flow",
      "spring_rate", "torque",   "speed",  "current",  "choice"};
  for (const ParamInfo& p : all_params())
    t.rows.push_back({text(std::string(p.id)), text(std::string(p.words)),
                      text(kinds[static_cast<size_t>(p.kind)]), text(range_words(p), a.style),
                      text(p.typical_si ? format_value(p.param, *p.typical_si, a.style) : "–"),
                      text(p.typical_si ? std::string(p.source) : "measured or stated")});
  return t;
}

Expected<Table> check_table(const Arguments& a, bool& hard) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto findings = find_all(*job, foot_strip(*job, 16));
  hard = any_hard(findings);
  Table t;
  t.keys = {"severity", "stage", "code", "message", "limit", "remedy"};
  for (const auto& f : findings)
    t.rows.push_back({text(std::string(severity_words(f.severity))),
                      text(std::string(stage_words(f.stage))), text(std::string(key(f.code))),
                      text(english(f.message, a.style)), text(english(f.limit, a.style)),
                      text(english(f.remedy, a.style))});
  if (findings.empty()) t.notes = {"No findings."};
  return t;
}

Outcome run(const std::vector<std::string>& words) {
  auto a = read_arguments(words);
  if (!a) return {"", english(a.error().text()) + "\n", 2};
  if (!a->files.empty())
    if (const auto job = job_of(*a)) a->style.hand = pulled_by_hand(*job);
  if (a->command == "help") return {kHelp, "", 0};
  if (a->command == "schema") return {job_schema(), "", 0};
  if (a->command == "rig") {
    const auto lines = rig_text(*a);
    if (!lines) return {"", english(lines.error().text(), a->style) + "\n", 2};
    return {*lines, "", 0};
  }
  if (a->command == "template" || (a->command == "line" && a->options.count("--as") != 0)) {
    const auto text = a->command == "line" ? line_text(*a) : template_text(*a);
    if (!text) return {"", english(text.error().text(), a->style) + "\n", 2};
    return {*text, "", 0};
  }
  bool hard = false;
  const Expected<Table> t = a->command == "solve"       ? solve(*a)
                            : a->command == "judge"     ? judge_table(*a, hard)
                            : a->command == "rules"     ? Expected<Table>(rules_table(*a))
                            : a->command == "steps"     ? steps_table(*a)
                            : a->command == "bleed"     ? bleed_table(*a)
                            : a->command == "gates"     ? gates_table(*a, hard)
                            : a->command == "prove"     ? prove_table(*a, hard)
                            : a->command == "folder"    ? folder_table(*a)
                            : a->command == "tables"    ? bench_table(*a)
                            : a->command == "right"     ? right_table(*a)
                            : a->command == "road"      ? road_table(*a, hard)
                            : a->command == "fit"       ? fit_table(*a)
                            : a->command == "state"     ? state_table(*a)
                            : a->command == "relative"  ? relative_table(*a)
                            : a->command == "rod"       ? rod_table(*a)
                            : a->command == "doubt"     ? doubt_table(*a)
                            : a->command == "figures"   ? figures_table(*a)
                            : a->command == "calc"      ? calc_table(*a)
                            : a->command == "map"       ? map_table(*a)
                            : a->command == "curve"     ? curve_table(*a)
                            : a->command == "compare"   ? compare_table(*a)
                            : a->command == "catalogue" ? catalogue_table(*a)
                            : a->command == "next"      ? next_table(*a)
                            : a->command == "line"      ? line_table(*a)
                            : a->command == "plumb"     ? plumb_table(*a)
                            : a->command == "fitting"   ? fitting_table(*a)
                            : a->command == "parts"     ? parts_table(*a)
                            : a->command == "records"   ? records_table(*a)
                            : a->command == "params"    ? Expected<Table>(params_table(*a))
                                                        : check_table(*a, hard);
  if (!t) return {"", english(t.error().text(), a->style) + "\n", 2};
  return {print(*t, a->format), "", hard ? 1 : 0};
}

}  // namespace yoke::cli
