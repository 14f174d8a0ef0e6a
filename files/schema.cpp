#include <nlohmann/json.hpp>

#include "files/json_job.hpp"
#include "files/records.hpp"
#include "files/unit_key.hpp"

namespace yoke {

using nlohmann::json;

namespace {

template <class Enum>
json keys_of() {
  json keys = json::array();
  for (const EnumWord& w : EnumWords<Enum>::all) keys.push_back(w.key);
  return keys;
}

json value_schema(const ParamInfo& p) {
  const json hows = keys_of<How>();
  json s = {{"type", "object"},
            {"title", p.words},
            {"description", p.help},
            {"required", {"how"}},
            {"properties",
             {{"how", {{"enum", hows}}},
              {"note", {{"type", "string"}, {"maxLength", kMostText}}},
              {"plan", {{"type", "string"}, {"pattern", "^[0-9a-f]{1,16}$"}}},
              {"plus_minus",
               {{"type", "number"}, {"minimum", 0}, {"maximum", most_uncertainty_si(p.param)}}}}}};
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

json text() {
  return {{"type", "string"}, {"maxLength", kMostText}};
}
json object(json properties) {
  return {{"type", "object"}, {"properties", std::move(properties)}};
}

/// The properties of a record, by its one description.
template <class Record>
class RecordSchema {
 public:
  json properties = json::object();

  void flag(const char* key, bool Record::*) { properties[key] = {{"type", "boolean"}}; }
  void text(const char* key, const char* words, std::string Record::*) {
    put(key, words, yoke::text());
  }
  void day(const char* key, const char* words, std::string Record::*) {
    put(key, words, {{"type", "string"}, {"pattern", "^([0-9]{4}-[0-9]{2}-[0-9]{2})?$"}});
  }
  void count(const char* key, const char* words, int Record::*) {
    put(key, words, {{"type", "integer"}, {"minimum", 0}, {"maximum", kMostCount}});
  }
  void number(const char* key, const char* words, double Record::*, const Range& range) {
    put(key, words, {{"type", "number"}, {"minimum", range.least}, {"maximum", range.most}});
  }
  void maybe(const char* key, const char* words, std::optional<double> Record::*,
             const Range& range, Absent) {
    put(key, words,
        {{"type", {"number", "null"}}, {"minimum", range.least}, {"maximum", range.most}});
  }
  template <class Enum>
  void word(const char* key, const char* words, Enum Record::*) {
    put(key, words, {{"enum", keys_of<Enum>()}});
  }
  void values(const char* key, MeasuredSet Record::*) {
    properties[key] = {{"$ref", "#/$defs/sheet"}};
  }
  void words(const char* key, const char* words, std::map<std::string, std::string> Record::*) {
    put(key, words,
        {{"type", "object"},
         {"maxProperties", kMostEntries},
         {"additionalProperties", yoke::text()}});
  }

 private:
  void put(const char* key, const char* words, json what) {
    what["title"] = words;
    properties[key] = std::move(what);
  }
};

template <class Record>
json properties_of() {
  RecordSchema<Record> schema;
  describe(schema, Tag<Record>{});
  return std::move(schema.properties);
}

/// Everything beside format and version.
json job_properties() {
  json all = properties_of<Job>();
  each_sheet([&](const char* name, auto) { all[name] = {{"$ref", "#/$defs/sheet"}}; });
  each_map([&](const char* name, const char*, auto map, Empty) {
    using Record = typename std::decay_t<decltype(Job{}.*map)>::mapped_type;
    all[name] = {{"type", "object"},
                 {"maxProperties", kMostEntries},
                 {"additionalProperties", object(properties_of<Record>())}};
  });
  each_list([&](const char* name, const char*, auto list, size_t most, Empty) {
    using Record = typename std::decay_t<decltype(Job{}.*list)>::value_type;
    all[name] = {{"type", "array"}, {"maxItems", most}, {"items", object(properties_of<Record>())}};
  });
  all["pump"] = object(properties_of<PumpTest>());
  all["format"] = {{"const", "yoke-job"}};
  all["version"] = {{"type", "integer"}, {"minimum", 1}};
  all["when_saved"] = object({{"hard_findings", {{"type", "integer"}, {"minimum", 0}}},
                              {"of", {{"type", "string"}, {"pattern", "^[0-9a-f]{16}$"}}}});
  all["minimum_reader"] = {{"type", "integer"}, {"minimum", 1}};
  return all;
}

}  // namespace

std::string job_schema() {
  json sheet = json::object();
  for (const ParamInfo& p : all_params()) sheet[std::string(p.id)] = value_schema(p);
  const json root = {{"$schema", "https://json-schema.org/draft/2020-12/schema"},
                     {"title", "Yoke Step job, format 1"},
                     {"type", "object"},
                     {"required", {"format", "version", "title", "found", "plan"}},
                     {"$defs", {{"sheet", object(sheet)}}},
                     {"properties", job_properties()}};
  return root.dump(1) + "\n";
}

}  // namespace yoke
