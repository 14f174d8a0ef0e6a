#include "files/json_check.hpp"

#include "files/unit_key.hpp"

namespace yoke {

json write_sheet(const Sheet& sheet) {
  json o = json::object();
  for (const ParamInfo& p : all_params()) {
    const auto& m = sheet.at(p.param);
    if (!m) continue;
    json v = json::object();
    v["how"] = how_key(m->how);
    if (m->known()) {
      if (p.kind == Kind::choice)
        v["option"] = p.options[static_cast<size_t>(m->si)].key;
      else
        v[std::string(unit_key(p.kind))] = m->si;
      if (m->doubt_si != 0) v["plus_minus"] = m->doubt_si;
    }
    if (!m->note.empty()) v["note"] = m->note;
    o[std::string(p.id)] = v;
  }
  return o;
}

namespace {
constexpr const char* kStates[] = {"in_work", "proved", "left_unsafe"};
}  // namespace

std::string write_job(const Job& job) {
  json root = json::object();
  root["format"] = "yoke-job";
  root["version"] = kFormatVersion;
  root["minimum_reader"] = kMinimumReader;
  root["title"] = job.title;
  root["vehicle"] = job.vehicle;
  root["notes"] = job.notes;
  root["state"] = kStates[static_cast<size_t>(job.state)];
  root["found"] = write_sheet(job.found);
  root["plan"] = write_sheet(job.plan);
  root["built"] = write_sheet(job.built);
  root["steps"] = json::object();
  root["bleeding"] = json::object();
  root["gates"] = json::object();
  root = write_logs(job, std::move(root));
  for (const auto& [place, text] : job.unread) {
    const json v = json::parse(text, nullptr, false);
    const json::json_pointer pointer(place);
    // A member goes back only where its parent still is: a ghost parent could not be read again.
    if (!v.is_discarded() && root.contains(pointer.parent_pointer())) root[pointer] = v;
  }
  return root.dump(1, ' ', false, json::error_handler_t::replace) + "\n";
}

}  // namespace yoke
