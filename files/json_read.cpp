#include "files/json_check.hpp"
#include "files/unit_key.hpp"

namespace yoke {

namespace {

std::optional<double> read_value(Checker& c, const json& v, const ParamInfo& p,
                                 const std::string& place) {
  if (p.kind == Kind::choice) {
    const std::string key = c.text(v, "option", place + ".");
    for (size_t i = 0; i < p.options.size(); ++i)
      if (p.options[i].key == key) return static_cast<double>(i);
    c.fail_at(place, "“" + key.substr(0, 40) + "” is not one of the choices", range_words(p, {}));
    return std::nullopt;
  }
  const auto it = v.find(std::string(unit_key(p.kind)));
  if (it == v.end() || !it->is_number()) {
    c.fail_at(place, "a number under “" + std::string(unit_key(p.kind)) + "” is expected");
    return std::nullopt;
  }
  const auto checked = check_range(p.param, it->get<double>());
  if (!checked) {
    c.fail_at(place, checked.error().reason, checked.error().range);
    return std::nullopt;
  }
  return *checked;
}

void read_entry(Checker& c, Job& job, Sheet& sheet, const ParamInfo& p, const json& v,
                const std::string& place, const std::string& pointer) {
  if (!v.is_object()) return c.fail_at(place, "an object is expected here");
  const auto how = find_how(c.text(v, "how", place + "."));
  if (!how) return c.fail_at(place, "how it was measured is missing or not known");
  Measured m;
  m.how = *how;
  m.note = c.text(v, "note", place + ".");
  if (m.known()) {
    const auto si = read_value(c, v, p, place);
    if (!si) return;
    m.si = *si;
    m.doubt_si = c.number_of(v, "plus_minus", place + ".", 0, 1e12, 0.0);
  }
  keep_others(job, v, pointer, {"how", "note", "option", "plus_minus", unit_key(p.kind)});
  sheet.set(p.param, m);
}

Error whole_file(std::string reason, std::string remedy) {
  return {"file", "", "", std::move(reason), std::move(remedy)};
}

Expected<json> parse_text(std::string_view text) {
  if (text.size() > kMostFileBytes)
    return fail(whole_file(fmt::format("The file is too large for a job: {} MB", text.size() >> 20),
                           "A job file is far below 4 MB; this is something else"));
  std::string message;
  bool too_deep = false;
  const json::parser_callback_t guard = [&](int depth, json::parse_event_t, json&) {
    if (depth > kMostDepth) too_deep = true;
    return !too_deep;
  };
  json root;
  try {  // the parser reports the place by an exception only; it ends here
    root = json::parse(text.begin(), text.end(), guard);
  } catch (const json::parse_error& e) {
    const size_t at = std::min<size_t>(e.byte, text.size());
    const auto line = 1 + std::count(text.begin(), text.begin() + static_cast<long>(at), '\n');
    return fail(
        whole_file(fmt::format("The file is broken or cut off at line {} (byte {})", line, at),
                   "Open an older copy beside it (name.yoke.old-1 …)"));
  } catch (const json::exception&) {
    return fail(
        whole_file("The file holds a number or text no job can hold", "Open an older copy"));
  }
  if (too_deep)
    return fail(whole_file("The file is nested too deeply for a job", "It is something else"));
  if (!root.is_object()) return fail(whole_file("This is not a job file", "Open a .yoke file"));
  return root;
}

}  // namespace

void read_values(Checker& c, Job& job, const json& o, const std::string& place,
                 const std::string& pointer, Sheet& sheet) {
  for (const auto& [id, v] : o.items()) {
    if (!c.ok()) return;
    const std::string at = pointer + "/" + escape(id);
    if (const auto p = find_param(id))
      read_entry(c, job, sheet, info(*p), v, place + id, at);
    else
      keep(job, at, v);
  }
}

void read_sheet(Checker& c, Job& job, const json& root, const char* name, Sheet& sheet) {
  if (const json* o = c.object(root, name))
    read_values(c, job, *o, std::string(name) + ".", "/" + std::string(name), sheet);
}

Expected<Job> read_job(std::string_view text) {
  const auto parsed = parse_text(text);
  if (!parsed) return fail(parsed.error());
  const json& root = *parsed;
  if (root.value("format", json()) != "yoke-job")
    return fail(whole_file("This is not a job file", "Open a .yoke file"));
  Checker c;
  const auto version = root.find("version");
  if (version == root.end() || !version->is_number_integer())
    return fail(whole_file("The file does not tell its format version", "Open an older copy"));
  const auto reader = root.find("minimum_reader");
  const double needed =
      reader != root.end() && reader->is_number() ? reader->get<double>() : version->get<double>();
  if (needed > kFormatVersion)
    return fail(whole_file(
        fmt::format(
            "The file was written by a newer Yoke Step (format {}); this one reads up to {}",
            needed, kFormatVersion),
        "Update Yoke Step to open it; nothing was changed"));
  Job job;
  job.title = c.text(root, "title", "");
  job.vehicle = c.text(root, "vehicle", "");
  job.notes = c.text(root, "notes", "");
  job.state =
      static_cast<JobState>(word_of(c, root, "state", "", {"in_work", "proved", "left_unsafe"}));
  read_sheet(c, job, root, "found", job.found);
  read_sheet(c, job, root, "plan", job.plan);
  read_sheet(c, job, root, "built", job.built);
  if (c.ok()) read_logs(c, job, root);
  if (!c.ok()) return fail(c.error());
  keep_others(job, root, "",
              {"format", "version", "minimum_reader", "title", "vehicle",  "notes", "state",
               "found",  "plan",    "built",          "steps", "bleeding", "gates", "readings",
               "pump",   "before",  "candidates",     "later", "parts",    "boxes"});
  return job;
}

}  // namespace yoke
