#include <algorithm>
#include <array>

#include "cli/commands.hpp"
#include "files/store.hpp"

namespace yoke::cli {

namespace {

Error wrong(std::string value, Message reason, Message remedy = "See yokestep-cli help") {
  return {"arguments", std::move(value), "", std::move(reason), std::move(remedy)};
}

/// What may stand behind a command's name. What it would not read is refused, never passed over.
struct Shape {
  std::size_t least_files = 0;
  std::size_t most_files = 0;
  bool sets = false;  ///< takes --set, as whatever reads a job does
  std::vector<std::string> options{};
  std::vector<std::string> flags{};  ///< options without a value
};

const std::map<std::string, Shape>& shapes() {
  static const std::map<std::string, Shape> known{
      {"solve", {1, 1, true, {}}},
      {"relative", {0, 0, false, {"--bore-old", "--bore-new", "--ratio-old", "--ratio-new"}}},
      {"rod",
       {0,
        1,
        true,
        {"--snout-old", "--socket-old", "--stack-old", "--snout-new", "--socket-new", "--stack-new",
         "--clearance-more", "--ratio", "--pitch", "--height"}}},
      {"params", {}},
      {"doubt", {1, 1, true, {"--condition", "--samples", "--seed"}}},
      {"figures", {1, 1, true, {"--group"}}},
      {"calc", {0, 40, false, {}}},
      {"map", {1, 1, true, {"--prefer", "--samples"}}},
      {"curve", {1, 1, true, {"--condition", "--points"}}},
      {"compare", {1, 1, true, {"--candidate", "--catalogue", "--part", "--kind"}}},
      {"catalogue", {1, 1, false, {"--kind", "--words", "--bore"}}},
      {"next", {1, 1, true, {"--system"}}},
      {"parts", {1, 1, true, {"--today"}}},
      {"records", {1, 1, true, {"--list"}}},
      {"line", {1, 1, true, {"--name", "--as", "--legs"}}},
      {"plumb", {1, 1, true, {"--show", "--wrench", "--crowfoot"}}},
      {"fitting", {0, 0, false, {"--outside", "--pitch", "--threads", "--over", "--look"}}},
      {"template", {1, 1, true, {"--kind", "--as", "--scale"}}},
      {"check", {1, 1, true, {}}},
      {"judge", {1, 1, true, {"--rules"}}},
      {"rules", {}},
      {"steps", {1, 1, true, {}, {"--now", "--order", "--why"}}},
      {"bleed", {1, 1, true, {"--show", "--method"}, {"--now"}}},
      {"gates", {1, 1, true, {}}},
      {"prove",
       {1, 1, true, {"--readings", "--trace", "--line", "--seconds", "--speed"}, {"--now"}}},
      {"road", {1, 1, true, {"--trace", "--time", "--time-unit", "--along", "--unit"}}},
      {"folder", {1, 1, false, {"--find", "--columns", "--index"}}},
      {"tables", {0, 0, false, {"--table", "--find"}}},
      {"right", {1, 400, false, {}}},
      {"rig", {1, 1, true, {"--fault", "--seconds", "--seed"}}},
      {"fit", {1, 1, true, {}}},
      {"state", {1, 1, true, {"--condition", "--force"}}},
      {"schema", {}},
      {"help", {}}};
  return known;
}

/// Files and overrides in the number the command takes.
std::optional<Error> misplaced(const Arguments& a, const Shape& shape) {
  if (a.files.size() < shape.least_files)
    return wrong("", "A file is missing", "See yokestep-cli help");
  if (a.files.size() > shape.most_files)
    return wrong(a.files[shape.most_files],
                 say("{} does not take “{}”", a.command, a.files[shape.most_files]));
  const bool reads_job = shape.sets && !a.files.empty();
  if (!a.sets.empty() && !reads_job)
    return wrong(a.sets.front(), "--set overrides a value of a job, and there is none here");
  return std::nullopt;
}

Expected<Format> read_format(const std::string& word) {
  if (word == "text") return Format::text;
  if (word == "json") return Format::json;
  if (word == "csv") return Format::csv;
  return fail(wrong(word, say("There is no format “{}”", word), "Use text, json or csv"));
}

Expected<UnitStyle> read_units(const std::string& word) {
  if (word == "metric") return UnitStyle::metric;
  if (word == "imperial") return UnitStyle::imperial;
  if (word == "both") return UnitStyle::both;
  return fail(wrong(word, say("There are no units “{}”", word), "Use metric, imperial or both"));
}

}  // namespace

Expected<Arguments> read_arguments(const std::vector<std::string>& words) {
  Arguments a;
  if (words.empty()) return fail(wrong("", "A command is missing"));
  a.command = words.front() == "--help" || words.front() == "-h" ? "help" : words.front();
  const auto known = shapes().find(a.command);
  if (known == shapes().end())
    return fail(
        wrong(a.command, say("There is no command “{}”", a.command),
              "Commands: solve, relative, rod, doubt, figures, curve, map, calc, compare, "
              "catalogue, next, parts, records, line, template, params, check, judge, rules, "
              "steps, bleed, gates, fit, state, schema, help"));
  for (size_t i = 1; i < words.size(); ++i) {
    const std::string& w = words[i];
    if (w.rfind("--", 0) != 0) {
      a.files.push_back(w);
      continue;
    }
    const auto& flags = known->second.flags;
    if (std::find(flags.begin(), flags.end(), w) != flags.end()) {
      if (!a.options.emplace(w, "").second) return fail(wrong(w, say("{} is given twice", w)));
      continue;
    }
    if (i + 1 >= words.size()) return fail(wrong(w, say("A value is missing after {}", w)));
    const std::string& value = words[++i];
    if (w == "--format") {
      const auto f = read_format(value);
      if (!f) return fail(f.error());
      a.format = *f;
    } else if (w == "--units") {
      const auto u = read_units(value);
      if (!u) return fail(u.error());
      a.style.units = *u;
    } else if (w == "--set") {
      a.sets.push_back(value);
    } else if (const auto& options = known->second.options;
               std::find(options.begin(), options.end(), w) != options.end()) {
      if (!a.options.emplace(w, value).second) return fail(wrong(w, say("{} is given twice", w)));
    } else {
      return fail(wrong(w, say("There is no option {} for {}", w, a.command)));
    }
  }
  if (auto e = misplaced(a, known->second)) return fail(*e);
  return a;
}

Expected<Job> job_of(const Arguments& a) {
  if (a.files.size() != 1) return fail(wrong("", "One job file is needed", "Name a .yoke file"));
  auto opened = open_job(a.files.front());
  if (!opened) return fail(opened.error());
  Job job = std::move(opened->job);
  for (const std::string& set : a.sets) {
    const size_t equals = set.find('=');
    if (equals == std::string::npos) return fail(wrong(set, "--set needs id=value"));
    std::string id = set.substr(0, equals);
    const bool found = id.rfind("found:", 0) == 0;
    if (found) id = id.substr(6);
    const auto p = find_param(id);
    if (!p)
      return fail(wrong(id, say("There is no parameter “{}”", id), "See yokestep-cli params"));
    const std::string text = set.substr(equals + 1);
    Measured m;
    if (text != "unknown" && text != "?") {
      const auto v = parse_with_doubt(*p, text, a.style);
      if (!v) return fail(v.error());
      m = {v->si, How::stated, v->uncertainty_si.value_or(0.0), {}};
    }
    const bool is_wish = info(*p).group == Group::target;
    (found || is_wish ? job.found : job.plan).set(*p, m);
    if (!found) job.built.clear(*p);
  }
  return job;
}

}  // namespace yoke::cli
