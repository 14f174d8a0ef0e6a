#include <fmt/format.h>

#include <cmath>
#include <nlohmann/json.hpp>

#include "files/json_job.hpp"
#include "files/unit_key.hpp"

namespace yoke {

using nlohmann::json;

namespace {

constexpr size_t kMostText = 20000;
constexpr size_t kMostEntries = 2000;
constexpr int kMostDepth = 32;

/// Carries the first error; every reader gives up once there is one.
class Checker {
 public:
  [[nodiscard]] bool ok() const { return !error_; }
  [[nodiscard]] const Error& error() const { return *error_; }
  void fail_at(const std::string& place, std::string reason, std::string range = "") {
    if (error_) return;
    error_ = Error{place, "", std::move(range), "In “" + place + "”: " + std::move(reason),
                   "The file was not opened; an older copy may stand beside it"};
  }
  std::string text(const json& o, const char* key, const std::string& place) {
    const auto it = o.find(key);
    if (it == o.end()) return {};
    if (!it->is_string()) {
      fail_at(place + key, "text is expected here");
      return {};
    }
    auto s = it->get<std::string>();
    if (s.size() > kMostText) fail_at(place + key, "the text is too long");
    return s;
  }
  double number(const json& v, const std::string& place, double lo, double hi) {
    if (!v.is_number()) {
      fail_at(place, "a number is expected here");
      return lo;
    }
    const double d = v.get<double>();
    if (!std::isfinite(d) || d < lo || d > hi) {
      fail_at(place, fmt::format("{:g} is out of range", d), fmt::format("{:g} to {:g}", lo, hi));
      return lo;
    }
    return d;
  }
  double number_of(const json& o, const char* key, const std::string& place, double lo, double hi,
                   double fallback) {
    const auto it = o.find(key);
    return it == o.end() ? fallback : number(*it, place + key, lo, hi);
  }
  const json* object(const json& root, const char* key) {
    const auto it = root.find(key);
    if (it == root.end()) return nullptr;
    if (!it->is_object()) {
      fail_at(key, "an object is expected here");
      return nullptr;
    }
    if (it->size() > kMostEntries) fail_at(key, "there are too many entries");
    return &*it;
  }

 private:
  std::optional<Error> error_;
};

/// Keeps a member this version does not know, so that writing gives it back.
void keep(Job& job, const std::string& pointer, const json& v) {
  job.unread[pointer] = v.dump(-1, ' ', false, json::error_handler_t::replace);
}

std::string escape(const std::string& key) {
  std::string out;
  for (const char c : key) {
    if (c == '~')
      out += "~0";
    else if (c == '/')
      out += "~1";
    else
      out += c;
  }
  return out;
}

void keep_others(Job& job, const json& o, const std::string& pointer,
                 std::initializer_list<std::string_view> known) {
  for (const auto& [key, v] : o.items()) {
    bool is_known = false;
    for (const auto k : known) is_known = is_known || key == k;
    if (!is_known) keep(job, pointer + "/" + escape(key), v);
  }
}

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

void read_sheet(Checker& c, Job& job, const json& root, const char* name, Sheet& sheet) {
  const json* o = c.object(root, name);
  if (!o) return;
  for (const auto& [id, v] : o->items()) {
    if (!c.ok()) return;
    const std::string pointer = "/" + std::string(name) + "/" + escape(id);
    const auto p = find_param(id);
    if (!p) {
      keep(job, pointer, v);
      continue;
    }
    read_entry(c, job, sheet, info(*p), v, std::string(name) + "." + id, pointer);
  }
}

template <class Record, class Read>
void read_map(Checker& c, const json& root, const char* name, std::map<std::string, Record>& map,
              Read read) {
  const json* o = c.object(root, name);
  if (!o) return;
  for (const auto& [id, v] : o->items()) {
    if (!c.ok()) return;
    const std::string place = std::string(name) + "." + id + ".";
    if (id.size() > 100 || !v.is_object()) {
      c.fail_at(std::string(name) + "." + id.substr(0, 40), "an object is expected here");
      return;
    }
    map[id] = read(v, place);
  }
}

int count_of(Checker& c, const json& v, const char* key, const std::string& place) {
  return static_cast<int>(c.number_of(v, key, place, 0, 100000, 0));
}

bool flag(Checker& c, const json& v, const char* key, const std::string& place) {
  const auto it = v.find(key);
  if (it == v.end()) return false;
  if (!it->is_boolean()) c.fail_at(place + key, "true or false is expected here");
  return it->is_boolean() && it->get<bool>();
}

size_t word_of(Checker& c, const json& v, const char* key, const std::string& place,
               std::initializer_list<std::string_view> words) {
  const std::string w = c.text(v, key, place);
  size_t i = 0;
  for (const auto known : words) {
    if (w == known) return i;
    ++i;
  }
  if (v.contains(key)) c.fail_at(place + key, "“" + w.substr(0, 40) + "” is not known here");
  return 0;
}

void read_logs(Checker& c, Job& job, const json& root) {
  read_map(c, root, "steps", job.steps, [&](const json& v, const std::string& place) {
    keep_others(job, v, "/steps/" + escape(place.substr(6, place.size() - 7)),
                {"done", "date", "note"});
    return StepRecord{flag(c, v, "done", place), c.text(v, "date", place),
                      c.text(v, "note", place)};
  });
  read_map(c, root, "bleeding", job.bleeding, [&](const json& v, const std::string& place) {
    return BleedRecord{count_of(c, v, "strokes", place), count_of(c, v, "refills", place),
                       count_of(c, v, "clear_strokes", place)};
  });
  read_map(c, root, "gates", job.gates, [&](const json& v, const std::string& place) {
    return GateRecord{
        static_cast<GateState>(word_of(c, v, "state", place, {"open", "passed", "failed"})),
        c.text(v, "date", place), c.text(v, "note", place)};
  });
  if (const auto it = root.find("readings"); it != root.end()) {
    if (!it->is_array() || it->size() > kMostEntries)
      return c.fail_at("readings", "a list of at most 2000 readings is expected");
    for (size_t i = 0; i < it->size() && c.ok(); ++i) {
      const json& v = (*it)[i];
      const std::string place = fmt::format("readings[{}].", i);
      if (!v.is_object()) return c.fail_at(place, "an object is expected here");
      job.readings.push_back({c.number_of(v, "force_N", place, 0, 5000, 0),
                              c.number_of(v, "travel_m", place, 0, 1, 0),
                              c.number_of(v, "force_plus_minus_N", place, 0, 1000, 10),
                              c.number_of(v, "travel_plus_minus_m", place, 0, 0.2, 0.0015),
                              flag(c, v, "assist", place), flag(c, v, "second_apply", place),
                              flag(c, v, "hoses_clamped", place)});
    }
  }
  if (const json* v = c.object(root, "pump")) {
    const auto opt = [&](const char* key, double hi) -> std::optional<double> {
      const auto it = v->find(key);
      if (it == v->end() || it->is_null()) return std::nullopt;
      return c.number(*it, std::string("pump.") + key, 0, hi);
    };
    job.pump = {opt("first_m", 1), opt("third_m", 1), opt("sink_m", 1), opt("hold_s", 86400)};
  }
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
              {"format", "version", "minimum_reader", "title", "vehicle", "notes", "state", "found",
               "plan", "built", "steps", "bleeding", "gates", "readings", "pump"});
  return job;
}

}  // namespace yoke
