#include "files/json_job.hpp"

#include <fmt/format.h>

#include <cmath>
#include <nlohmann/json.hpp>

#include "files/unit_key.hpp"

namespace yoke {

using nlohmann::json;

namespace {

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

constexpr const char* kStates[] = {"in_work", "proved", "left_unsafe"};
constexpr const char* kGateStates[] = {"open", "passed", "failed"};

json optional_number(const std::optional<double>& v) {
  return v ? json(*v) : json(nullptr);
}

json write_logs(const Job& job, json root) {
  for (const auto& [id, s] : job.steps)
    root["steps"][id] = {{"done", s.done}, {"date", s.date}, {"note", s.note}};
  for (const auto& [id, b] : job.bleeding)
    root["bleeding"][id] = {
        {"strokes", b.strokes}, {"refills", b.refills}, {"clear_strokes", b.clear_strokes}};
  for (const auto& [id, g] : job.gates)
    root["gates"][id] = {
        {"state", kGateStates[static_cast<size_t>(g.state)]}, {"date", g.date}, {"note", g.note}};
  root["readings"] = json::array();
  for (const auto& r : job.readings)
    root["readings"].push_back({{"force_N", r.force_n},
                                {"travel_m", r.travel_m},
                                {"force_plus_minus_N", r.force_doubt_n},
                                {"travel_plus_minus_m", r.travel_doubt_m},
                                {"assist", r.assist_alive},
                                {"second_apply", r.second_apply},
                                {"hoses_clamped", r.hoses_clamped}});
  root["pump"] = {{"first_m", optional_number(job.pump.first_m)},
                  {"third_m", optional_number(job.pump.third_m)},
                  {"sink_m", optional_number(job.pump.sink_m)},
                  {"hold_s", optional_number(job.pump.hold_s)}};
  return root;
}

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
