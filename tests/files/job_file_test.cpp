// Round trips, broken files named for their defect, saving that never loses the old file.
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <csignal>
#include <filesystem>
#include <fstream>
#include <nlohmann/json.hpp>
#include <sstream>

#include "document/as_built.hpp"
#include "document/param/bores.hpp"
#include "document/param/pedal_rod.hpp"
#include "files/journal.hpp"
#include "files/store.hpp"
#include "judge/findings.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;
namespace fs = std::filesystem;

namespace {

/// A job in which every field differs from its default and from every other.
Job full_job() {
  Job job;
  job.title = "Käfig \"quoted\" \\ 7⁄8";
  job.vehicle = "vehicle words";
  job.notes = "line one\nline two\ttab";
  job.state = JobState::left_unsafe;
  int n = 0;
  for (MeasuredSet* sheet : {&job.found, &job.plan, &job.built})
    for (const ParamInfo& p : all_params()) {
      ++n;
      Measured m;
      m.how = all_values<How>()[1 + n % 6];
      m.si = p.kind == Kind::choice
                 ? std::fmod(n, p.max_si + 1)
                 : p.min_si + (p.max_si - p.min_si) * (0.1 + 0.8 * (n % 97) / 97.0);
      m.uncertainty_si = most_uncertainty_si(p.param) * (n % 89) / 89.0;
      m.note = "note " + std::to_string(n);
      if (n % 11 == 0) m = Measured{0, How::unknown, 0, "not measured " + std::to_string(n)};
      sheet->set(p.param, m);
    }
  job.steps["out.cap"] = {true, "2026-01-02", "capped", "2026-01-02T08:00:00", {}};
  job.bleeding["rr"] = {12, 3, 4};
  job.readings = {{55.5, 0.061, 4, 0.002, false},
                  {120.25, 0.07, 5, 0.001, true, false, false, ClampedHoses::all, 3.1e6}};
  job.pump = {0.08, 0.05, 0.001, 60.0};
  GateEvidence seen;
  seen.seen = "front left";
  seen.who = "A. Builder";
  seen.when = "2026-02-03T10:11:12";
  answer_gate(job, GateId::weep, GateState::failed, seen);
  GateEvidence number;
  number.read = 0.001;
  number.uncertainty = 0.0005;
  number.instrument = "tape";
  number.who = "A. Builder";
  number.when = "2026-02-03T10:12:12";
  answer_gate(job, GateId::sink, GateState::passed, number);
  return job;
}

std::string demo_text() {
  std::ifstream in(std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke");
  std::stringstream s;
  s << in.rdbuf();
  return s.str();
}

std::string with(const std::string& place, const nlohmann::json& value) {
  auto root = nlohmann::json::parse(demo_text());
  root[nlohmann::json::json_pointer(place)] = value;
  return root.dump();
}

}  // namespace

TEST_CASE("a job in which every field differs comes back equal", "[comma]") {
  const Job job = full_job();
  const auto back = read_job(write_job(job));
  REQUIRE(back);
  CHECK(*back == job);
  CHECK(write_job(*back) == write_job(job));
  CHECK(read_job(write_job(Job{})).value() == Job{});
}

TEST_CASE("numbers in files have a point in every locale", "[comma]") {
  Job job;
  job.found.set(param::master_bore, measured(param::master_bore, 0.022225, How::calliper));
  CHECK(write_job(job).find("0.022225") != std::string::npos);
}

TEST_CASE("members of a newer writer survive a round trip") {
  auto root = nlohmann::json::parse(demo_text());
  root["from_the_future"] = {{"deep", {1, 2, 3}}};
  root["found"]["future.param"] = {{"how", "calliper"}, {"m", 1.5}};
  root["found"]["master.bore"]["extra"] = "kept";
  root["version"] = 2;
  const auto job = read_job(root.dump());
  REQUIRE(job);
  auto again = nlohmann::json::parse(write_job(*job));
  CHECK(again["from_the_future"] == root["from_the_future"]);
  CHECK(again["found"]["future.param"] == root["found"]["future.param"]);
  CHECK(again["found"]["master.bore"]["extra"] == "kept");
  // Clearing the value drops what hung on it, and the file stays readable.
  Job cleared = *job;
  cleared.found.clear(param::master_bore);
  CHECK(read_job(write_job(cleared)));
}

TEST_CASE("broken files give a message that names the place, and nothing is opened half") {
  struct Broken {
    const char* name;
    std::string text;
    const char* says;
  };
  const std::string good = demo_text();
  const Broken table[] = {
      {"empty", "", "broken or cut off"},
      {"truncated", good.substr(0, good.size() / 2), "line"},
      {"not json", "hello", "broken or cut off"},
      {"an array", "[1,2]", "not a job file"},
      {"another format", "{\"format\":\"recipe\",\"version\":1}", "not a job file"},
      {"no version", "{\"format\":\"yoke-job\"}", "version"},
      {"newer", with("/minimum_reader", 7), "newer Yoke Step"},
      {"bore of the wrong sign", with("/found/master.bore/m", -0.02), "found.master.bore"},
      {"bore as text", with("/found/master.bore/m", "1 in"), "found.master.bore"},
      {"huge number", with("/found/master.bore/m", 1e300), "found.master.bore"},
      {"fluid 5.2", with("/found/fluid.grade/option", "5.2"), "found.fluid.grade"},
      {"unknown how", with("/found/master.bore/how", "by eye"), "found.master.bore"},
      {"negative doubt", with("/found/master.bore/plus_minus", -1), "plus_minus"},
      {"sheet as list", with("/found", nlohmann::json::array()), "found"},
      {"value as number", with("/found/master.bore", 5), "found.master.bore"},
      {"step as text", with("/steps/out.cap", "done"), "steps.out.cap"},
      {"done as number", with("/steps/out.cap/done", 1), "done"},
      {"gate of no state", with("/gates/weep/state", "maybe"), "state"},
      {"reading out of range", with("/readings/0/force_N", 1e9), "readings[0]"},
      {"gauge out of range", with("/readings/0/pressure_Pa", 1e9), "readings[0]"},
      {"readings as object", with("/readings", nlohmann::json::object()), "readings"},
      {"pump out of range", with("/pump/first_m", -3), "pump.first_m"},
      {"title as number", with("/title", 3), "title"},
      {"unknown state", with("/state", "fine"), "state"},
      {"bad utf-8", std::string("{\"format\":\"yoke-job\",\"title\":\"\xff\xfe\"}"), "broken"},
      {"number overflow", "{\"format\":\"yoke-job\",\"version\":1e999}", ""}};
  for (const auto& b : table) {
    INFO(b.name);
    const auto job = read_job(b.text);
    REQUIRE_FALSE(job);
    INFO(job.error().text());
    CHECK(english(job.error().text()).find(b.says) != std::string::npos);
    CHECK_FALSE(job.error().remedy.empty());
  }
  CHECK(english(read_job(std::string(200000, '[')).error().reason).size() > 5);
  const auto deep = read_job(std::string("{\"format\":\"yoke-job\",\"version\":1,\"x\":") +
                             std::string(100, '[') + std::string(100, ']') + "}");
  CHECK(english(deep.error().text()).find("deeply") != std::string::npos);
}

TEST_CASE("any mutation of a file is read or refused, never worse") {
  const std::string good = demo_text();
  std::mt19937 rng(99);
  int read = 0;
  for (int i = 0; i < 1500; ++i) {
    std::string s = good;
    for (int k = 0; k < 1 + i % 5; ++k) {
      const size_t at = rng() % s.size();
      switch (rng() % 4) {
        case 0:
          s[at] = static_cast<char>(rng());
          break;
        case 1:
          s.erase(at, rng() % 40);
          break;
        case 2:
          s.insert(at, s.substr(rng() % s.size(), rng() % 40));
          break;
        default:
          s[at] = "0123456789-.eE{}[]\",:"[rng() % 21];
          break;
      }
    }
    const auto job = read_job(s);
    if (!job) continue;
    ++read;
    for (const auto& c : foot_strip(*job, 4))
      if (c.target) CHECK(std::isfinite(c.target->at.pad_travel_m + c.target->at.pad_force_n));
    CHECK(read_job(write_job(*job)));
  }
  CHECK(read > 20);
}

TEST_CASE("a 200 MB file is refused unread") {
  const Folder f;
  const fs::path path = f.path / "big.yoke";
  { std::ofstream(path) << "{"; }
  fs::resize_file(path, 200u << 20);
  const auto job = open_job(path);
  REQUIRE_FALSE(job);
  CHECK(english(job.error().text()).find("200 MB") != std::string::npos);
  CHECK_FALSE(open_job(f.path));
  CHECK_FALSE(open_job(f.path / "missing.yoke"));
  CHECK_FALSE(open_job("/dev/zero"));
}

TEST_CASE("saving keeps older copies and refuses a file that changed meanwhile") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  Job job = known_job();
  auto stamp = save_job(path, job, {FileStamp{}});
  REQUIRE(stamp);
  for (int i = 1; i <= 4; ++i) {
    job.title = "version " + std::to_string(i);
    stamp = save_job(path, job, {*stamp});
    REQUIRE(stamp);
  }
  CHECK(open_job(path)->job.title == "version 4");
  CHECK(open_job(path.string() + ".old-1")->job.title == "version 3");
  CHECK(open_job(path.string() + ".old-3")->job.title == "version 1");
  CHECK_FALSE(fs::exists(path.string() + ".old-4"));
  { std::ofstream(path, std::ios::app) << " "; }
  const auto refused = save_job(path, job, {*stamp});
  REQUIRE_FALSE(refused);
  CHECK(english(refused.error().text()).find("changed on disk") != std::string::npos);
  // Only the files named are left behind: no half-written ones.
  for (const auto& e : fs::directory_iterator(f.path))
    CHECK(e.path().string().find("part-") == std::string::npos);
}

TEST_CASE("an unwritable place or a full disk leaves the old file whole") {
  const Folder f;
  { std::ofstream(f.path / "plain") << "x"; }
  const auto below = save_job(f.path / "plain" / "job.yoke", known_job());
  REQUIRE_FALSE(below);
  CHECK(english(below.error().text()).find("Cannot save") != std::string::npos);
  CHECK_FALSE(save_job(f.path / "no" / "such" / "folder" / "job.yoke", known_job()));
  // A limit on file size stands for a full disk: the write stops short with an error.
  const fs::path path = f.path / "job.yoke";
  REQUIRE(save_job(path, known_job()));
  const pid_t child = fork();
  if (child == 0) {
    std::signal(SIGXFSZ, SIG_IGN);
    const rlimit limit{512, 512};
    setrlimit(RLIMIT_FSIZE, &limit);
    Job larger = known_job();
    larger.title = "must not arrive";
    _exit(save_job(path, larger) ? 0 : 7);
  }
  int status = 0;
  waitpid(child, &status, 0);
  CHECK(WEXITSTATUS(status) == 7);
  CHECK(open_job(path)->job == known_job());
}

TEST_CASE("kill -9 at any moment loses no saved file") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  Job job = known_job();
  REQUIRE(save_job(path, job));
  for (int round = 0; round < 12; ++round) {
    const pid_t child = fork();
    if (child == 0) {
      Journal journal({path, {}});
      for (int i = 0;; ++i) {
        job.title = "round " + std::to_string(i);
        (void)journal.write(job, {});
        (void)save_job(path, job);
      }
    }
    usleep(3000 + 1700 * static_cast<useconds_t>(round));
    kill(child, SIGKILL);
    waitpid(child, nullptr, 0);
    REQUIRE(open_job(path));
  }
}

TEST_CASE("a folder lists its jobs, readable or not") {
  const Folder f;
  REQUIRE(save_job(f.path / "b.yoke", known_job()));
  { std::ofstream(f.path / "a.yoke") << "{"; }
  { std::ofstream(f.path / "readme.txt") << "no job"; }
  const auto list = list_jobs(f.path);
  REQUIRE(list.size() == 2);
  CHECK_FALSE(list[0].error.empty());
  CHECK(list[1].title == "Known");
  CHECK(list_jobs(f.path / "missing").empty());
}

TEST_CASE("the second demo knows two bores and two arms only, and still answers") {
  const auto opened =
      open_job(std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/pickup-two-bores.yoke");
  REQUIRE(opened);
  const auto strip = foot_strip(opened->job, 8);
  CHECK_FALSE(strip[1].target);
  REQUIRE(strip[1].effort_only_n);
  CHECK(*strip[1].effort_only_n > *strip[0].effort_only_n * 1.2);
  CHECK(english(stage_status(opened->job, Stage::size, strip, {})) == "force ×1.27, travel ×0.79");
}

TEST_CASE("the demo job reads, every stage has something to say, and it is half finished") {
  const auto opened = open_job(std::string(YOKE_SOURCE_DIR) + "/tests/fixtures/estate-discs.yoke");
  REQUIRE(opened);
  const Job& job = opened->job;
  const auto strip = foot_strip(job);
  for (const auto& c : strip) {
    INFO(c.title << ": " << c.reason);
    CHECK(c.target);
  }
  CHECK(sums_pass(strip[1].verdict));
  CHECK(job.steps.size() > 5);
  CHECK(job.readings.size() >= 5);
  CHECK(job.state == JobState::in_work);
}

TEST_CASE("an as-built value keeps the plan it was measured on, and a bad mark is named") {
  Job job = known_job();
  set_as_built(job, param::control_rod_length, {0.12, How::calliper, 0.0001, "by two of us"});
  REQUIRE(job.built.at(param::control_rod_length)->plan_mark == plan_mark(job));
  const std::string text = write_job(job);
  const auto back = read_job(text);
  REQUIRE(back);
  CHECK(*back == job);
  CHECK(stale_as_built(*back).empty());
  const auto at = text.find("\"plan\": \"");
  REQUIRE(at != std::string::npos);
  std::string other = text;
  other.replace(at + 9, 16, "0123456789abcdef");
  REQUIRE(read_job(other));
  CHECK(stale_as_built(*read_job(other)) == std::vector{param::control_rod_length});
  for (const char* bad : {"xyz", "", "0x12", "-1", "11112222333344445"}) {
    std::string wrong = text;
    wrong.replace(at + 9, 16, bad);
    INFO(bad);
    const auto read = read_job(wrong);
    REQUIRE_FALSE(read);
    CHECK(read.error().field.find("rod_length") != std::string::npos);
  }
  // A file that does not tell: it is not taken as measured on today's plan.
  std::string untold = text;
  untold.replace(at, 26, "\"x\": 1");
  REQUIRE(read_job(untold));
  CHECK(stale_as_built(*read_job(untold)).size() == 1);
}
