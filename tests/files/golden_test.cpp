// The demo jobs give the answers that were stored: a change of structure changes none of them.
// Where an answer is meant to change, tools/golden.sh stores it anew, and the change is read in
// review.
#include <catch2/catch.hpp>
#include <cmath>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>

#include "cli/commands.hpp"
#include "figures/figures.hpp"
#include "files/json_job.hpp"
#include "files/store.hpp"
#include "judge/findings.hpp"

using namespace yoke;
using nlohmann::json;
namespace fs = std::filesystem;

namespace {

/// Equal but for the last bits of numbers; the place of the first difference otherwise.
std::string difference(const json& a, const json& b, const std::string& place) {
  if (a.is_number() && b.is_number()) {
    const double x = a.get<double>();
    const double y = b.get<double>();
    return std::abs(x - y) <= 1e-9 + 1e-7 * std::abs(x)
               ? ""
               : place + ": " + a.dump() + " → " + b.dump();
  }
  if (a.type() != b.type() || a.size() != b.size())
    return place + ": " + a.dump() + " → " + b.dump();
  if (a.is_object()) {
    for (const auto& [key, v] : a.items()) {
      if (!b.contains(key)) return place + "." + key + ": gone";
      if (auto d = difference(v, b[key], place + "." + key); !d.empty()) return d;
    }
    return "";
  }
  if (a.is_array()) {
    for (std::size_t i = 0; i < a.size(); ++i)
      if (auto d = difference(a[i], b[i], place + "[" + std::to_string(i) + "]"); !d.empty())
        return d;
    return "";
  }
  return a == b ? "" : place + ": " + a.dump() + " → " + b.dump();
}

/// A demo job, or one that lives among the tests.
std::string job_path(const std::string& name) {
  for (const char* folder : {"/data/demo/", "/tests/fixtures/"})
    if (const auto path = std::string(YOKE_SOURCE_DIR) + folder + name + ".yoke"; fs::exists(path))
      return path;
  return {};
}

}  // namespace

TEST_CASE("the demo jobs give the answers that were stored") {
  int compared = 0;
  for (const auto& e : fs::directory_iterator(std::string(YOKE_SOURCE_DIR) + "/tests/golden")) {
    if (e.path().extension() != ".json") continue;  // sheets: the session's tests
    // "estate-discs.solve.json"
    const std::string job = e.path().stem().stem().string();
    const std::string command = e.path().stem().extension().string().substr(1);
    INFO(job << " " << command);
    std::ifstream in(e.path());
    const json stored = json::parse(in);
    const auto out = cli::run({command, job_path(job), "--format", "json"});
    REQUIRE(out.status != 2);
    CHECK(difference(stored, json::parse(out.out), "") == "");
    ++compared;
  }
  CHECK(compared >= 11);
}

TEST_CASE("each demo job says how it stood when it was saved, and it stands so", "[golden]") {
  int jobs = 0;
  for (const auto& e : fs::directory_iterator(std::string(YOKE_SOURCE_DIR) + "/data/demo")) {
    if (e.path().extension() != ".yoke") continue;
    INFO(e.path().filename().string());
    const auto opened = open_job(e.path());
    REQUIRE(opened);
    const auto findings = find_all(opened->job, foot_strip(opened->job, 0));
    const auto hard = std::count_if(findings.begin(), findings.end(),
                                    [](const Finding& f) { return f.severity == Severity::hard; });
    if (std::getenv("YOKE_STORE") != nullptr)
      std::ofstream(e.path()) << write_job(opened->job, Standing{static_cast<int>(hard)});
    const JobEntry entry = job_entry(e.path());
    REQUIRE(entry.hard_findings);
    CHECK(*entry.hard_findings == hard);
    ++jobs;
  }
  CHECK(jobs == 4);
}

TEST_CASE("what the fire tender's pedal does as found, one fault explains: its shoes are out") {
  const auto opened = open_job(std::string(YOKE_SOURCE_DIR) + "/data/demo/fire-tender.yoke");
  REQUIRE(opened);
  const FigureGroup symptoms = figure_group(opened->job, GroupId::symptoms);
  const auto first = std::find_if(
      symptoms.figures.begin(), symptoms.figures.end(),
      [](const Figure& f) { return english(f.words) == "1. shoes out of adjustment"; });
  REQUIRE(first != symptoms.figures.end());
  CHECK(first->si.value_or(0) > 0.9);
  // And its readings lie on one curve of its own shape.
  for (const Figure& f : figure_group(opened->job, GroupId::before).figures)
    if (english(f.words) == "Readings lie within") CHECK(*f.si < 0.5e-3);
}
