#include "files/json_check.hpp"
#include "files/unit_key.hpp"

namespace yoke {

namespace {

constexpr const char* kGateStates[] = {"open", "passed", "failed"};

json optional_number(const std::optional<double>& v) {
  return v ? json(*v) : json(nullptr);
}
constexpr const char* kPartKinds[] = {"master", "booster", "slave", "lever"};
constexpr const char* kLaterKinds[] = {"front_discs",    "rear_discs", "booster",
                                       "electric_drive", "axle_swap",  "battery_move",
                                       "bigger_tyres"};

json write_readings(const std::vector<Reading>& readings) {
  json list = json::array();
  for (const auto& r : readings) {
    list.push_back({{"force_N", r.force_n},
                    {"travel_m", r.travel_m},
                    {"force_plus_minus_N", r.force_doubt_n},
                    {"travel_plus_minus_m", r.travel_doubt_m},
                    {"assist", r.assist_alive},
                    {"second_apply", r.second_apply},
                    {"hoses_clamped", r.hoses_clamped}});
    if (r.pressure_pa) list.back()["pressure_Pa"] = *r.pressure_pa;
  }
  return list;
}

constexpr const char* kBoxKinds[] = {"unit", "fixed", "moving", "hot"};

/// Lists that most jobs do not have are not written empty.
void write_plans(const Job& job, json& root) {
  if (!job.before.empty()) root["before"] = write_readings(job.before);
  for (const Candidate& c : job.candidates)
    root["candidates"].push_back({{"name", c.name},
                                  {"maker", c.maker},
                                  {"kind", kPartKinds[static_cast<size_t>(c.kind)]},
                                  {"values", write_sheet(c.sheet)}});
  for (const Later& l : job.later)
    root["later"].push_back({{"what", kLaterKinds[static_cast<size_t>(l.what)]}, {"date", l.date}});
  for (const Box& b : job.boxes)
    root["boxes"].push_back({{"name", b.name},
                             {"kind", kBoxKinds[static_cast<size_t>(b.kind)]},
                             {"x_m", b.x_m},
                             {"y_m", b.y_m},
                             {"z_m", b.z_m},
                             {"dx_m", b.dx_m},
                             {"dy_m", b.dy_m},
                             {"dz_m", b.dz_m},
                             {"swing_m", b.swing_m}});
  for (const PartInHand& p : job.parts)
    root["parts"].push_back({{"name", p.name},
                             {"promised", p.promised},
                             {"here", p.here},
                             {"thread", p.thread},
                             {"seat", p.seat},
                             {"place", p.place},
                             {"before_apart", p.before_apart},
                             {"note", p.note}});
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

/// A list of objects, bounded.
template <class Read>
void read_list(Checker& c, const json& root, const char* name, size_t most, Read read) {
  const auto it = root.find(name);
  if (it == root.end()) return;
  if (!it->is_array() || it->size() > most)
    return c.fail_at(name, fmt::format("a list of at most {} entries is expected", most));
  for (size_t i = 0; i < it->size() && c.ok(); ++i) {
    const json& v = (*it)[i];
    const std::string place = fmt::format("{}[{}].", name, i);
    if (!v.is_object()) return c.fail_at(place, "an object is expected here");
    read(v, place, i);
  }
}

/// An ISO day or nothing; what is no day is refused, not guessed.
std::string day_of(Checker& c, const json& v, const char* key, const std::string& place) {
  std::string day = c.text(v, key, place);
  if (!day.empty() && !is_day(day)) c.fail_at(place + key, "a day is expected, as 2026-05-31");
  return day;
}

void read_plans(Checker& c, Job& job, const json& root) {
  read_list(c, root, "candidates", kMostCandidates,
            [&](const json& v, const std::string& place, size_t i) {
              Candidate one;
              one.name = c.text(v, "name", place);
              one.maker = c.text(v, "maker", place);
              one.kind = static_cast<PartKind>(
                  word_of(c, v, "kind", place, {"master", "booster", "slave", "lever"}));
              const std::string pointer = fmt::format("/candidates/{}", i);
              keep_others(job, v, pointer, {"name", "maker", "kind", "values"});
              if (const json* o = c.object(v, "values"))
                read_values(c, job, *o, place + "values.", pointer + "/values", one.sheet);
              job.candidates.push_back(std::move(one));
            });
  read_list(c, root, "later", kMostLater, [&](const json& v, const std::string& place, size_t) {
    job.later.push_back(
        {static_cast<LaterKind>(word_of(c, v, "what", place,
                                        {"front_discs", "rear_discs", "booster", "electric_drive",
                                         "axle_swap", "battery_move", "bigger_tyres"})),
         day_of(c, v, "date", place)});
  });
  read_list(c, root, "boxes", kMostBoxes, [&](const json& v, const std::string& place, size_t) {
    const auto at = [&](const char* key, double lo, double hi) {
      return c.number_of(v, key, place, lo, hi, 0);
    };
    job.boxes.push_back(
        {c.text(v, "name", place),
         static_cast<Box::Kind>(word_of(c, v, "kind", place, {"unit", "fixed", "moving", "hot"})),
         at("x_m", -5, 5), at("y_m", -5, 5), at("z_m", -5, 5), at("dx_m", 0, 5), at("dy_m", 0, 5),
         at("dz_m", 0, 5), at("swing_m", 0, 1)});
  });
  read_list(c, root, "parts", kMostParts, [&](const json& v, const std::string& place, size_t) {
    job.parts.push_back({c.text(v, "name", place), day_of(c, v, "promised", place),
                         flag(c, v, "here", place), flag(c, v, "thread", place),
                         flag(c, v, "seat", place), flag(c, v, "place", place),
                         flag(c, v, "before_apart", place), c.text(v, "note", place)});
  });
}

}  // namespace

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
  for (const auto& [name, list] : {std::pair("readings", &job.readings), {"before", &job.before}})
    read_list(c, root, name, kMostEntries, [&](const json& v, const std::string& place, size_t) {
      list->push_back({c.number_of(v, "force_N", place, 0, 5000, 0),
                       c.number_of(v, "travel_m", place, 0, 1, 0),
                       c.number_of(v, "force_plus_minus_N", place, 0, 1000, 10),
                       c.number_of(v, "travel_plus_minus_m", place, 0, 0.2, 0.0015),
                       flag(c, v, "assist", place), flag(c, v, "second_apply", place),
                       flag(c, v, "hoses_clamped", place),
                       v.contains("pressure_Pa")
                           ? std::optional(c.number_of(v, "pressure_Pa", place, 0, 40e6, 0))
                           : std::nullopt});
    });
  read_plans(c, job, root);
  if (const json* v = c.object(root, "pump")) {
    const auto opt = [&](const char* key, double hi) -> std::optional<double> {
      const auto it = v->find(key);
      if (it == v->end() || it->is_null()) return std::nullopt;
      return c.number(*it, std::string("pump.") + key, 0, hi);
    };
    job.pump = {opt("first_m", 1), opt("third_m", 1), opt("sink_m", 1), opt("hold_s", 86400)};
  }
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
  root["readings"] = write_readings(job.readings);
  write_plans(job, root);
  root["pump"] = {{"first_m", optional_number(job.pump.first_m)},
                  {"third_m", optional_number(job.pump.third_m)},
                  {"sink_m", optional_number(job.pump.sink_m)},
                  {"hold_s", optional_number(job.pump.hold_s)}};
  return root;
}

}  // namespace yoke
