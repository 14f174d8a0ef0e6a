// Lists of a job as tables: columns and values against what the file itself holds.
#include <catch2/catch.hpp>
#include <nlohmann/json.hpp>

#include "cli/commands.hpp"
#include "files/json_job.hpp"
#include "files/record_table.hpp"
#include "files/store.hpp"
#include "support/work_done.hpp"

using namespace yoke;

namespace {

Job full_job() {
  auto opened = open_job(std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke");
  REQUIRE(opened);
  Job job = std::move(opened->job);
  job.readings.push_back({.force_n = 251.5, .travel_m = 0.0615, .pressure_pa = 4.25e6});
  job.bleeding["fl"] = {.strokes = 12, .refills = 1, .clear_strokes = 5};
  job.gates["weep"] = test::claimed(GateState::passed, "2026-02-03", "dry, \"all\" of it");
  return job;
}

}  // namespace

TEST_CASE("every list of a job is a table with the members that its file holds, value by value") {
  const Job job = full_job();
  const auto file = nlohmann::json::parse(write_job(job));
  for (const std::string_view name : record_lists()) {
    const auto table = record_table(job, std::string(name));
    INFO(name);
    REQUIRE(table);
    const auto& list = file.value(std::string(name), nlohmann::json::array());
    CHECK(table->rows.size() == list.size());
    std::size_t i = 0;
    for (auto it = list.begin(); it != list.end(); ++it, ++i) {
      const auto& row = table->rows[i];
      REQUIRE(row.size() == table->keys.size());
      for (std::size_t k = 0; k < row.size(); ++k) {
        const std::string& key = table->keys[k];
        INFO(key);
        if (key == "id" && list.is_object()) {
          CHECK(row[k].text == it.key());
          continue;
        }
        const auto v = it->find(key);
        if (v == it->end()) {
          CHECK_FALSE(row[k].numeric);
          CHECK(row[k].text.empty());
        } else if (v->is_number()) {
          CHECK(row[k].numeric);
          CHECK(row[k].number == v->get<double>());
        } else if (v->is_boolean()) {
          CHECK(row[k].text == (v->get<bool>() ? "true" : "false"));
        } else if (v->is_object()) {
          CHECK(row[k].number <= static_cast<double>(v->size()));
        } else {
          CHECK(row[k].text == v->get<std::string>());
        }
      }
    }
  }
  CHECK(record_table(job, "nothing").error().field == "--list");
  CHECK(english(record_table(job, "nothing").error().range).find("readings, before") == 0);
}

TEST_CASE("records go out as CSV under the file's own keys, in SI", "[comma]") {
  const auto out =
      cli::run({"records", std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke",
                "--list", "readings", "--format", "csv"});
  CHECK(out.status == 0);
  CHECK(out.out.rfind("force_N,travel_m,force_plus_minus_N,travel_plus_minus_m,assist,", 0) == 0);
  const auto bad =
      cli::run({"records", std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke",
                "--list", "steps of"});
  CHECK(bad.status == 2);
  CHECK(bad.err.find("There is no") == std::string::npos);
  CHECK(bad.err.find("A job keeps no list “steps of”") != std::string::npos);
}
