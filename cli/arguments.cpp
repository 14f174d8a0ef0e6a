#include <algorithm>
#include <array>

#include "cli/commands.hpp"
#include "files/store.hpp"

namespace yoke::cli {

namespace {

Error wrong(std::string value, std::string reason, std::string remedy = "See yokestep-cli help") {
  return {"arguments", std::move(value), "", std::move(reason), std::move(remedy)};
}

const std::map<std::string, std::vector<std::string>>& known_options() {
  static const std::map<std::string, std::vector<std::string>> known{
      {"solve", {}},
      {"relative", {"--bore-old", "--bore-new", "--ratio-old", "--ratio-new"}},
      {"rod",
       {"--snout-old", "--socket-old", "--stack-old", "--snout-new", "--socket-new", "--stack-new",
        "--clearance-more", "--ratio", "--pitch", "--height"}},
      {"params", {}},
      {"doubt", {"--condition", "--samples", "--seed"}},
      {"figures", {"--group"}},
      {"calc", {}},
      {"map", {"--prefer"}},
      {"curve", {"--condition", "--points"}},
      {"compare", {"--candidate", "--catalogue", "--part", "--kind"}},
      {"catalogue", {"--kind", "--words", "--bore"}},
      {"next", {"--system"}},
      {"parts", {"--today"}},
      {"template", {"--kind", "--as", "--scale"}},
      {"check", {}},
      {"schema", {}},
      {"help", {}}};
  return known;
}

Expected<Format> read_format(const std::string& word) {
  if (word == "text") return Format::text;
  if (word == "json") return Format::json;
  if (word == "csv") return Format::csv;
  return fail(wrong(word, "There is no format “" + word + "”", "Use text, json or csv"));
}

Expected<UnitStyle> read_units(const std::string& word) {
  if (word == "metric") return UnitStyle::metric;
  if (word == "imperial") return UnitStyle::imperial;
  if (word == "both") return UnitStyle::both;
  return fail(wrong(word, "There are no units “" + word + "”", "Use metric, imperial or both"));
}

}  // namespace

Expected<Arguments> read_arguments(const std::vector<std::string>& words) {
  Arguments a;
  if (words.empty()) return fail(wrong("", "A command is missing"));
  a.command = words.front() == "--help" || words.front() == "-h" ? "help" : words.front();
  const auto known = known_options().find(a.command);
  if (known == known_options().end())
    return fail(wrong(a.command, "There is no command “" + a.command + "”",
                      "Commands: solve, relative, rod, doubt, figures, curve, map, calc, compare, "
                      "catalogue, next, parts, template, params, check, schema, help"));
  for (size_t i = 1; i < words.size(); ++i) {
    const std::string& w = words[i];
    if (w.rfind("--", 0) != 0) {
      a.files.push_back(w);
      continue;
    }
    if (i + 1 >= words.size()) return fail(wrong(w, "A value is missing after " + w));
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
    } else if (std::find(known->second.begin(), known->second.end(), w) != known->second.end()) {
      a.options[w] = value;
    } else {
      return fail(wrong(w, "There is no option " + w + " for " + a.command));
    }
  }
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
    if (!p) return fail(wrong(id, "There is no parameter “" + id + "”", "See yokestep-cli params"));
    const std::string text = set.substr(equals + 1);
    Measured m;
    if (text != "unknown") {
      const auto v = parse_value(*p, text, a.style);
      if (!v) return fail(v.error());
      m = {*v, How::stated, 0.0, {}};
    }
    const bool is_wish = info(*p).group == Group::target;
    (found || is_wish ? job.found : job.plan).set(*p, m);
    if (!found) job.built.clear(*p);
  }
  return job;
}

}  // namespace yoke::cli
