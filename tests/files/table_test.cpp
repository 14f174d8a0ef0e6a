// The reader against the parameter table, and what saving does to older copies.
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <csignal>
#include <fstream>
#include <nlohmann/json.hpp>

#include "files/journal.hpp"
#include "files/store.hpp"
#include "files/unit_key.hpp"
#include "judge/findings.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;
namespace fs = std::filesystem;
using nlohmann::json;

namespace {

/// A job file with one value.
std::string file_with(const ParamInfo& p, const json& value) {
  json root = {{"format", "yoke-job"}, {"version", 1}, {"title", ""}, {"plan", json::object()}};
  root["found"][std::string(p.id)] = value;
  return root.dump();
}

std::string title_of(const fs::path& path) {
  const auto opened = open_job(path);
  return opened ? opened->job.title : "(not readable)";
}

}  // namespace

TEST_CASE("every parameter: both ends of its range are read, beyond is refused by its name") {
  for (const ParamInfo& p : all_params()) {
    INFO(p.id);
    const std::string key(unit_key(p.kind));
    if (p.kind == Kind::choice) {
      for (const ParamOption& o : p.options)
        CHECK(read_job(file_with(p, {{"how", "stated"}, {"option", o.key}})));
      const auto bad = read_job(file_with(p, {{"how", "stated"}, {"option", "neither"}}));
      REQUIRE_FALSE(bad);
      CHECK(bad.error().field == "found." + std::string(p.id));
      continue;
    }
    CHECK(read_job(file_with(p, {{"how", "calliper"}, {key, p.min_si}})));
    CHECK(read_job(file_with(p, {{"how", "calliper"}, {key, p.max_si}})));
    const double step = (p.max_si - p.min_si) * 0.01;
    for (const double beyond : {p.min_si - step, p.max_si + step}) {
      const auto bad = read_job(file_with(p, {{"how", "calliper"}, {key, beyond}}));
      REQUIRE_FALSE(bad);
      CHECK(bad.error().field == "found." + std::string(p.id));
      CHECK_FALSE(bad.error().range.empty());
    }
    CHECK_FALSE(read_job(file_with(p, {{"how", "calliper"}, {"furlongs", 1}})));
    CHECK_FALSE(read_job(file_with(p, {{"how", "calliper"}, {key, "1"}})));
    CHECK_FALSE(read_job(file_with(p, json::array({1}))));
    const auto unknown = read_job(file_with(p, {{"how", "unknown"}}));
    REQUIRE(unknown);
    CHECK_FALSE(unknown->found.at(p.param)->known());
  }
}

TEST_CASE("a save that fails leaves the file and all its older copies as they were") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  Job job = known_job();
  for (const char* title : {"one", "two", "three", "four"}) {
    job.title = title;
    REQUIRE(save_job(path, job));
  }
  const pid_t child = fork();
  if (child == 0) {
    std::signal(SIGXFSZ, SIG_IGN);
    const rlimit limit{700, 700};  // stands for a full disk
    setrlimit(RLIMIT_FSIZE, &limit);
    job.title = "must not arrive";
    int failed = 0;
    for (int i = 0; i < 5; ++i) failed += save_job(path, job) ? 0 : 1;
    _exit(failed);
  }
  int status = 0;
  waitpid(child, &status, 0);
  CHECK(WEXITSTATUS(status) == 5);
  CHECK(title_of(path) == "four");
  CHECK(title_of(path.string() + ".old-1") == "three");
  CHECK(title_of(path.string() + ".old-2") == "two");
  CHECK(title_of(path.string() + ".old-3") == "one");
  int files = 0;
  for ([[maybe_unused]] const auto& e : fs::directory_iterator(f.path)) ++files;
  CHECK(files == 4);  // nothing half-written stays
}

TEST_CASE("an older copy is a copy: a later save does not change it") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  Job job = known_job();
  job.title = "first";
  REQUIRE(save_job(path, job));
  job.title = "second";
  REQUIRE(save_job(path, job));
  { std::ofstream(path, std::ios::app) << "   "; }  // somebody edits the file in place
  CHECK(title_of(path.string() + ".old-1") == "first");
  CHECK(fs::hard_link_count(path) == 1);
}

TEST_CASE("a listed job that was proved and then changed says so") {
  const Folder f;
  Job job = known_job();
  job.state = JobState::proved;
  const auto strip = foot_strip(job, 8);
  const auto findings = find_all(job, strip);
  CHECK_FALSE(proved_now(job, findings));
  const int hard =
      static_cast<int>(std::count_if(findings.begin(), findings.end(), [](const auto& one) {
        return one.severity == Severity::hard;
      }));
  REQUIRE(hard > 0);
  SaveRules rules;
  rules.standing = Standing{hard};
  REQUIRE(save_job(f.path / "a.yoke", job, rules));
  const auto list = list_jobs(f.path);
  REQUIRE(list.size() == 1);
  CHECK(list[0].hard_findings == hard);
}

TEST_CASE("what was found in a job is told of that job alone") {
  const Folder f;
  const Job job = known_job();
  SaveRules rules;
  rules.standing = Standing{0};
  const fs::path path = f.path / "a.yoke";
  REQUIRE(save_job(path, job, rules));
  const auto open = open_job(path);
  REQUIRE(open);
  CHECK(open->job == job);  // it is not part of the job
  REQUIRE(list_jobs(f.path).size() == 1);
  CHECK(list_jobs(f.path)[0].hard_findings == 0);
  SECTION("the file was changed by hand since") {
    std::string text = *read_file(path, kMostFileBytes);
    const auto at = text.find("\"title\": \"");
    REQUIRE(at != std::string::npos);
    text.insert(at + 10, "X");
    { std::ofstream(path) << text; }
    REQUIRE(open_job(path));
    CHECK_FALSE(list_jobs(f.path)[0].hard_findings);
  }
  SECTION("it says nonsense") {
    for (const char* odd : {"[]", "{}", "{\"hard_findings\": -1}", "{\"hard_findings\": 1e99}",
                            "{\"hard_findings\": 0, \"of\": 7}", "null"}) {
      std::string text = write_job(job);
      text.insert(1, "\"when_saved\": " + std::string(odd) + ",");
      { std::ofstream(path) << text; }
      REQUIRE(open_job(path));
      CHECK_FALSE(list_jobs(f.path)[0].hard_findings);
    }
  }
  SECTION("it was saved without looking") {
    REQUIRE(save_job(path, job));
    CHECK_FALSE(list_jobs(f.path)[0].hard_findings);
  }
}

TEST_CASE("folders and names with blanks, signs and dots are saved, journalled and listed") {
  const Folder f;
  const fs::path odd = f.path / "Käfig 7⁄8 in, \"old\".v2";
  fs::create_directory(odd);
  const fs::path path = odd / "my job.1.yoke";
  Job job = known_job();
  REQUIRE(save_job(path, job));
  job.notes = "unsaved";
  { REQUIRE(Journal({path, {}}).write(job, {})); }
  REQUIRE(leftovers({path, {}}).size() == 1);
  CHECK(leftovers({path, {}}).front().job->notes == "unsaved");
  CHECK(list_jobs(odd).size() == 1);
}
