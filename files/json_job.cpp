#include "files/json_job.hpp"

#include <algorithm>
#include <charconv>

#include "files/disk.hpp"
#include "files/json_parse.hpp"
#include "files/record_io.hpp"
#include "files/unit_key.hpp"

namespace yoke {

namespace {

std::optional<double> read_number(Checker& c, const json& v, const ParamInfo& p,
                                  const std::string& place) {
  if (p.kind == Kind::choice) {
    const std::string key = c.text(v, "option", place + ".");
    for (size_t i = 0; i < p.options.size(); ++i)
      if (p.options[i].key == key) return static_cast<double>(i);
    c.fail_at(place, say("“{}” is not one of the choices", clipped(key, 40)), range_words(p));
    return std::nullopt;
  }
  const auto it = v.find(std::string(unit_key(p.kind)));
  if (it == v.end() || !it->is_number()) {
    c.fail_at(place, say("a number under “{}” is expected", std::string(unit_key(p.kind))));
    return std::nullopt;
  }
  const auto checked = check_range(p.param, it->get<double>());
  if (!checked) {
    c.fail_at(place, checked.error().reason, checked.error().range);
    return std::nullopt;
  }
  return *checked;
}

void read_value(Checker& c, MeasuredSet& sheet, const ParamInfo& p, const json& v,
                const std::string& place) {
  if (!v.is_object()) return c.fail_at(place, "an object is expected here");
  const auto how = find_value<How>(c.text(v, "how", place + "."));
  if (!how) return c.fail_at(place, "how it was measured is missing or not known");
  Measured m;
  m.how = *how;
  m.note = c.text(v, "note", place + ".");
  if (m.known()) {
    const auto si = read_number(c, v, p, place);
    if (!si) return;
    m.si = *si;
    if (const auto doubt = v.find("plus_minus"); doubt != v.end())
      m.uncertainty_si =
          c.number(*doubt, place + ".plus_minus", Range{0, most_uncertainty_si(p.param)});
  }
  if (const auto mark = v.find("plan"); mark != v.end()) {
    const std::string hex = c.text(v, "plan", place + ".");
    const auto [end, wrong] = std::from_chars(hex.data(), hex.data() + hex.size(), m.plan_mark, 16);
    if (wrong != std::errc{} || end != hex.data() + hex.size())
      return c.fail_at(place + ".plan", "a mark of 16 hexadecimal digits is expected");
  }
  sheet.set(p.param, m);
  for (const auto& [key, other] : v.items())
    if (key != "plan" && key != "how" && key != "note" && key != "option" && key != "plus_minus" &&
        key != unit_key(p.kind))
      sheet.unread_of[p.param][key] = kept(other);
}

void read_lists(Checker& c, Job& job, const json& root) {
  each_list([&](const char* name, const char*, auto list, size_t most, Empty) {
    const auto it = root.find(name);
    if (it == root.end() || !c.ok()) return;
    if (!it->is_array() || it->size() > most)
      return c.fail_at(name, say("a list of at most {} entries is expected", most));
    for (size_t i = 0; i < it->size() && c.ok(); ++i) {
      const std::string place = fmt::format("{}[{}].", name, i);
      if (!(*it)[i].is_object()) return c.fail_at(place, "an object is expected here");
      auto& to = job.*list;
      using Record = typename std::decay_t<decltype(to)>::value_type;
      to.push_back(read_record<Record>(c, (*it)[i], place));
    }
  });
}

void read_maps(Checker& c, Job& job, const json& root) {
  each_map([&](const char* name, const char*, auto map, Empty) {
    const json* o = c.ok() ? c.object(root, name) : nullptr;
    if (!o) return;
    for (const auto& [id, v] : o->items()) {
      const std::string place = std::string(name) + "." + clipped(id, 40);
      if (id.size() > kMostKey) return c.fail_at(place, "its name is too long");
      if (!v.is_object()) return c.fail_at(place, "an object is expected here");
      auto& to = job.*map;
      using Record = typename std::decay_t<decltype(to)>::mapped_type;
      to[id] = read_record<Record>(c, v, place + ".");
      if (!c.ok()) return;
    }
  });
}

Error whole_file(Message reason, Message remedy) {
  return {"file", "", "", std::move(reason), std::move(remedy)};
}

/// A job file of a version that this one understands.
std::optional<Error> not_for_us(const json& root) {
  const auto format = root.find("format");
  if (format == root.end() || *format != "yoke-job")
    return whole_file("This is not a job file", "Open a .yoke file");
  const auto version = root.find("version");
  if (version == root.end() || !version->is_number_integer())
    return whole_file("The file does not tell its format version", "Open an older copy");
  const auto reader = root.find("minimum_reader");
  const double needed =
      reader != root.end() && reader->is_number() ? reader->get<double>() : version->get<double>();
  if (needed > kFormatVersion)
    return whole_file(
        say("The file was written by a newer Yoke Step (format {}); this one reads up to {}",
            fmt::format("{}", needed), kFormatVersion),
        "Update Yoke Step to open it; nothing was changed");
  return std::nullopt;
}

}  // namespace

void read_values(Checker& c, const json& o, const std::string& place, MeasuredSet& sheet) {
  for (const auto& [id, v] : o.items()) {
    if (!c.ok()) return;
    if (const auto p = find_param(id))
      read_value(c, sheet, info(*p), v, place + id);
    else
      sheet.unread[id] = kept(v);
  }
}

json write_values(const MeasuredSet& sheet) {
  json o = json::object();
  for (const ParamInfo& p : all_params()) {
    const auto& m = sheet.at(p.param);
    if (!m) continue;
    json v = json::object();
    v["how"] = key_of(m->how);
    if (m->known()) {
      const auto option = static_cast<size_t>(std::clamp(m->si, 0.0, 1e6));
      if (p.kind == Kind::choice)
        v["option"] = option < p.options.size() ? p.options[option].key : std::string_view();
      else
        v[std::string(unit_key(p.kind))] = m->si;
      if (m->uncertainty_si != 0) v["plus_minus"] = m->uncertainty_si;
    }
    if (!m->note.empty()) v["note"] = m->note;
    if (m->plan_mark != 0) v["plan"] = fmt::format("{:016x}", m->plan_mark);
    if (const auto more = sheet.unread_of.find(p.param); more != sheet.unread_of.end())
      give_back(v, more->second);
    o[std::string(p.id)] = std::move(v);
  }
  give_back(o, sheet.unread);
  return o;
}

namespace {

constexpr const char* kStanding = "when_saved";

json job_as_json(const Job& job) {
  json root = json::object();
  RecordWriter<Job> top(root, job);
  describe(top, Tag<Job>{});
  root["format"] = "yoke-job";
  root["version"] = kFormatVersion;
  root["minimum_reader"] = kMinimumReader;
  each_sheet([&](const char* name, auto sheet) { root[name] = write_values(job.*sheet); });
  each_map([&](const char* name, const char*, auto map, Empty empty) {
    if ((job.*map).empty() && empty == Empty::left_out) return;
    root[name] = json::object();
    for (const auto& [id, record] : job.*map) root[name][id] = write_record(record);
  });
  each_list([&](const char* name, const char*, auto list, size_t, Empty empty) {
    if ((job.*list).empty() && empty == Empty::left_out) return;
    root[name] = json::array();
    for (const auto& record : job.*list) root[name].push_back(write_record(record));
  });
  root["pump"] = write_record(job.pump);
  give_back(root, job.unread);
  return root;
}

std::string as_text(const json& root) {
  return root.dump(1, ' ', false, json::error_handler_t::replace) + "\n";
}

/// Tells one job from another: findings belong to the job they were found in.
std::string mark_of(const json& job) {
  return fmt::format("{:016x}", fnv1a(as_text(job)));
}

}  // namespace

std::string write_job(const Job& job, const std::optional<Standing>& standing) {
  json root = job_as_json(job);
  if (standing)
    root[kStanding] = {{"hard_findings", standing->hard_findings}, {"of", mark_of(root)}};
  return as_text(root);
}

std::optional<Standing> read_standing(std::string_view text, const Job& job) {
  if (text.find(kStanding) == std::string_view::npos)
    return std::nullopt;  // most cost two readings
  const auto root = parse_json(text, {"job", kMostFileBytes, kMostValues, kMostDepth});
  if (!root || !root->is_object()) return std::nullopt;
  const auto it = root->find(kStanding);
  if (it == root->end() || !it->is_object()) return std::nullopt;
  const auto count = it->find("hard_findings");
  const auto of = it->find("of");
  if (count == it->end() || !count->is_number_integer() || of == it->end() || !of->is_string() ||
      *of != mark_of(job_as_json(job)))
    return std::nullopt;
  const auto n = count->get<std::int64_t>();
  if (n < 0 || n > static_cast<std::int64_t>(kMostValues)) return std::nullopt;
  return Standing{static_cast<int>(n)};
}

Expected<Job> read_job(std::string_view text) {
  const auto root = parse_json(text, {"job", kMostFileBytes, kMostValues, kMostDepth});
  if (!root) return fail(root.error());
  if (auto e = not_for_us(*root)) return fail(std::move(*e));
  Checker c;
  Job job;
  RecordReader<Job> top(c, *root, "", job);
  describe(top, Tag<Job>{});
  each_sheet([&](const char* name, auto sheet) {
    top.also_known(name);
    if (const json* o = c.object(*root, name))
      read_values(c, *o, std::string(name) + ".", job.*sheet);
  });
  each_map([&](const char* name, const char*, auto, Empty) { top.also_known(name); });
  each_list([&](const char* name, const char*, auto, size_t, Empty) { top.also_known(name); });
  for (const char* name : {"format", "version", "minimum_reader", "pump", kStanding})
    top.also_known(name);
  if (c.ok()) read_maps(c, job, *root);
  if (c.ok()) read_lists(c, job, *root);
  if (const json* o = c.object(*root, "pump")) job.pump = read_record<PumpTest>(c, *o, "pump.");
  if (!c.ok()) return fail(c.error());
  top.keep_others();
  return job;
}

}  // namespace yoke
