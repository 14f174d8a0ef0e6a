#include <nlohmann/json.hpp>

#include "files/json_job.hpp"
#include "files/unit_key.hpp"

namespace yoke {

using nlohmann::json;

namespace {

json value_schema(const ParamInfo& p) {
  json hows = json::array();
  for (const How h : kHows) hows.push_back(how_key(h));
  json s = {{"type", "object"},
            {"title", p.words},
            {"description", p.help},
            {"required", {"how"}},
            {"properties",
             {{"how", {{"enum", hows}}},
              {"note", {{"type", "string"}}},
              {"plus_minus", {{"type", "number"}, {"minimum", 0}}}}}};
  if (p.kind == Kind::choice) {
    json keys = json::array();
    for (const auto& o : p.options) keys.push_back(o.key);
    s["properties"]["option"] = {{"enum", keys}};
  } else {
    s["properties"][std::string(unit_key(p.kind))] = {
        {"type", "number"}, {"minimum", p.min_si}, {"maximum", p.max_si}};
  }
  const std::string needed = p.kind == Kind::choice ? "option" : std::string(unit_key(p.kind));
  s["if"] = {{"properties", {{"how", {{"not", {{"const", "unknown"}}}}}}}};
  s["then"] = {{"required", {needed}}};
  return s;
}

json map_of(json record) {
  return {{"type", "object"}, {"additionalProperties", std::move(record)}};
}
json text() {
  return {{"type", "string"}};
}
json number(double lo, double hi) {
  return {{"type", "number"}, {"minimum", lo}, {"maximum", hi}};
}
json maybe(double hi) {
  return {{"type", {"number", "null"}}, {"minimum", 0}, {"maximum", hi}};
}
json whole() {
  return {{"type", "integer"}, {"minimum", 0}, {"maximum", 100000}};
}
json object(json properties) {
  return {{"type", "object"}, {"properties", std::move(properties)}};
}
json flag() {
  return {{"type", "boolean"}};
}
json list_of(int most, json record) {
  return {{"type", "array"}, {"maxItems", most}, {"items", object(std::move(record))}};
}
json day() {
  return {{"type", "string"}, {"pattern", "^([0-9]{4}-[0-9]{2}-[0-9]{2})?$"}};
}
json readings() {
  return list_of(2000, {{"force_N", number(0, 5000)},
                        {"travel_m", number(0, 1)},
                        {"force_plus_minus_N", number(0, 1000)},
                        {"travel_plus_minus_m", number(0, 0.2)},
                        {"assist", flag()},
                        {"second_apply", flag()},
                        {"hoses_clamped", flag()},
                        {"pressure_Pa", number(0, 40e6)}});
}

}  // namespace

std::string job_schema() {
  json sheet = json::object();
  for (const ParamInfo& p : all_params()) sheet[std::string(p.id)] = value_schema(p);
  json root = {
      {"$schema", "https://json-schema.org/draft/2020-12/schema"},
      {"title", "Yoke Step job, format 1"},
      {"type", "object"},
      {"required", {"format", "version", "title", "found", "plan"}},
      {"$defs", {{"sheet", object(sheet)}}},
      {"properties",
       {{"format", {{"const", "yoke-job"}}},
        {"version", {{"type", "integer"}, {"minimum", 1}}},
        {"minimum_reader", {{"type", "integer"}, {"minimum", 1}}},
        {"title", text()},
        {"vehicle", text()},
        {"notes", text()},
        {"state", {{"enum", {"in_work", "proved", "left_unsafe"}}}},
        {"found", {{"$ref", "#/$defs/sheet"}}},
        {"plan", {{"$ref", "#/$defs/sheet"}}},
        {"built", {{"$ref", "#/$defs/sheet"}}},
        {"steps",
         map_of(object({{"done", {{"type", "boolean"}}}, {"date", text()}, {"note", text()}}))},
        {"bleeding",
         map_of(object({{"strokes", whole()}, {"refills", whole()}, {"clear_strokes", whole()}}))},
        {"gates", map_of(object({{"state", {{"enum", {"open", "passed", "failed"}}}},
                                 {"date", text()},
                                 {"note", text()}}))},
        {"readings", readings()},
        {"before", readings()},
        {"candidates", list_of(24, {{"name", text()},
                                    {"maker", text()},
                                    {"kind", {{"enum", {"master", "booster", "slave", "lever"}}}},
                                    {"values", {{"$ref", "#/$defs/sheet"}}}})},
        {"later", list_of(50, {{"what",
                                {{"enum",
                                  {"front_discs", "rear_discs", "booster", "electric_drive",
                                   "axle_swap", "battery_move", "bigger_tyres"}}}},
                               {"date", day()}})},
        {"boxes", list_of(60, {{"name", text()},
                               {"kind", {{"enum", {"unit", "fixed", "moving", "hot"}}}},
                               {"x_m", number(-5, 5)},
                               {"y_m", number(-5, 5)},
                               {"z_m", number(-5, 5)},
                               {"dx_m", number(0, 5)},
                               {"dy_m", number(0, 5)},
                               {"dz_m", number(0, 5)},
                               {"swing_m", number(0, 1)}})},
        {"parts", list_of(200, {{"name", text()},
                                {"promised", day()},
                                {"here", flag()},
                                {"thread", flag()},
                                {"seat", flag()},
                                {"place", flag()},
                                {"before_apart", flag()},
                                {"note", text()}})},
        {"pump", object({{"first_m", maybe(1)},
                         {"third_m", maybe(1)},
                         {"sink_m", maybe(1)},
                         {"hold_s", maybe(86400)}})}}}};
  return root.dump(1) + "\n";
}

}  // namespace yoke
