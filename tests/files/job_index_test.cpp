// The index of a folder says what the files say, whatever happened to it: changed outside, broken,
// killed in the middle. How many kills and synthetic jobs: YOKE_INDEX_KILLS, YOKE_INDEX_JOBS.
#include "files/job_index.hpp"

#include <signal.h>
#include <sys/wait.h>
#include <unistd.h>

#include <catch2/catch.hpp>
#include <chrono>
#include <cstdlib>
#include <random>

#include "document/param/bores.hpp"
#include "document/param/lines.hpp"
#include "files/json_job.hpp"
#include "support/folder.hpp"
#include "support/random_job.hpp"

using namespace yoke;
using namespace yoke::test;
namespace fs = std::filesystem;

namespace {

Job job_named(const std::string& title, double bore_m) {
  Job job = known_job();
  job.title = title;
  job.found.set(param::master_bore, {bore_m, How::calliper, 0.00005, {}});
  return job;
}

void write(const fs::path& to, const Job& job) {
  put(to, write_job(job));
}

JobIndex opened(const fs::path& file) {
  auto index = JobIndex::open(file);
  REQUIRE(index);
  return std::move(*index);
}

std::vector<std::string> found(const JobIndex& index, const char* query, const Style& style = {}) {
  std::vector<std::string> files;
  for (const IndexedJob& j : index.find(read_query(query, style))) files.push_back(j.file);
  return files;
}

int number_of(const char* name, int otherwise) {
  const char* said = std::getenv(name);
  return said ? std::atoi(said) : otherwise;
}

using Files = std::vector<std::string>;

}  // namespace

TEST_CASE("index: found by words, by a value as people write it, and by a sign") {
  const Folder f;
  write(f.path / "a.yoke", job_named("Tender, blue", 15.0 / 16 * 0.0254));
  write(f.path / "b.yoke", job_named("Tug", 0.0254));
  Job third = job_named("Blue outfit", 0.01905);
  third.notes = "the tender's old master";
  third.found.set(param::air_left, {3e-6, How::stated, 0, {}});
  write(f.path / "c.yoke", third);
  put(f.path / "note.txt", "no job");
  JobIndex index = opened(f.path / "i" / "index.sqlite");
  const auto done = index.refresh(f.path);
  REQUIRE(done);
  CHECK(done->read == 3);
  CHECK(index.size() == 3);
  CHECK(found(index, "") == Files{"a.yoke", "b.yoke", "c.yoke"});
  CHECK(found(index, "blue") == Files{"a.yoke", "c.yoke"});
  CHECK(found(index, "tend blue") == Files{"a.yoke", "c.yoke"});
  CHECK(found(index, "tug") == Files{"b.yoke"});
  CHECK(found(index, "bore 15/16 in") == Files{"a.yoke"});
  CHECK(found(index, "bore 23.8 mm") == Files{"a.yoke"});
  CHECK(found(index, "bore > 20 mm") == Files{"a.yoke", "b.yoke"});
  CHECK(found(index, "bore > 20 mm; blue") == Files{"a.yoke"});
  CHECK(found(index, "air left > 2 cm3") == Files{"c.yoke"});
  CHECK(found(index, "air left > 2 cm3, bore < 20 mm") == Files{"c.yoke"});
  CHECK(found(index, "no such word").empty());
  CHECK(found(index, "\" OR 1=1 -- *").empty());
  CHECK(found(index, "bore 25,4 mm", {UnitStyle::metric, true, false}) == Files{"b.yoke"});
}

TEST_CASE(
    "index: what comes, goes or is changed by anything else is taken up, the rest is not read") {
  const Folder f;
  const fs::path db = f.path / "i" / "index.sqlite";
  write(f.path / "a.yoke", job_named("One", 0.02));
  write(f.path / "b.yoke", job_named("Two", 0.02));
  JobIndex index = opened(db);
  REQUIRE(index.refresh(f.path));
  CHECK(index.refresh(f.path)->read == 0);
  write(f.path / "b.yoke", job_named("Twice", 0.021));
  fs::last_write_time(f.path / "b.yoke", fs::file_time_type::clock::now() + std::chrono::hours(1));
  put(f.path / "c.yoke", "{ broken");
  fs::remove(f.path / "a.yoke");
  const auto done = index.refresh(f.path);
  REQUIRE(done);
  CHECK(done->read == 2);
  CHECK(done->gone == 1);
  const auto all = index.find({});
  REQUIRE(all.size() == 2);
  CHECK(all[0].title == "Twice");
  CHECK(all[1].error != "");
  CHECK(found(index, "two").empty());
  CHECK(found(index, "twice") == Files{"b.yoke"});
  // Made anew from the same files it says the same.
  JobIndex fresh = opened(f.path / "i" / "other.sqlite");
  REQUIRE(fresh.refresh(f.path));
  CHECK(fresh.dump() == index.dump());
}

TEST_CASE("index: a broken one, or one of another make, is thrown away and made anew") {
  const Folder f;
  const fs::path db = f.path / "index.sqlite";
  write(f.path / "a.yoke", job_named("One", 0.02));
  std::string before;
  {
    JobIndex index = opened(db);
    REQUIRE(index.refresh(f.path));
    before = index.dump();
  }
  std::string bytes = content(db);
  for (std::size_t i = 100; i < bytes.size(); i += 7) bytes[i] = static_cast<char>(bytes[i] ^ 0x5A);
  for (const std::string& broken : {std::string("no database"), bytes, std::string()}) {
    for (const char* end : {"-wal", "-shm"}) fs::remove(db.string() + end);
    put(db, broken);
    JobIndex index = opened(db);
    REQUIRE(index.refresh(f.path));
    CHECK(index.dump() == before);
  }
}

TEST_CASE("index: killed at any moment it is whole again at the next look") {
  const Folder f;
  const fs::path jobs = f.path / "jobs", db = f.path / "index.sqlite";
  fs::create_directories(jobs);
  for (int i = 0; i < 60; ++i)
    write(jobs / ("job" + std::to_string(i) + ".yoke"),
          job_named("Job " + std::to_string(i), 0.02));
  const int kills = number_of("YOKE_INDEX_KILLS", 12);
  std::mt19937 draw(5);
  for (int k = 0; k < kills; ++k) {
    // Something to do each time.
    const fs::path changed = jobs / ("job" + std::to_string(draw() % 60) + ".yoke");
    write(changed, job_named("Changed " + std::to_string(k), 0.021));
    fs::last_write_time(changed, fs::file_time_type::clock::now() + std::chrono::seconds(k + 2));
    const pid_t child = ::fork();
    REQUIRE(child >= 0);
    if (child == 0) {
      for (;;) {
        auto index = JobIndex::open(db);
        if (index) (void)index->refresh(jobs);
        std::error_code ec;
        if (k % 3 == 0) fs::remove(db, ec);  // from nothing on, again and again
      }
    }
    ::usleep(static_cast<useconds_t>(draw() % 60000));
    ::kill(child, SIGKILL);
    ::waitpid(child, nullptr, 0);
    JobIndex index = opened(db);
    REQUIRE(index.refresh(jobs));
    if (k % 4 != 0 && k + 1 != kills) continue;
    const fs::path other = f.path / ("fresh" + std::to_string(k));
    JobIndex fresh = opened(other);
    REQUIRE(fresh.refresh(jobs));
    CHECK(fresh.dump() == index.dump());
  }
}

TEST_CASE("index: many synthetic jobs are found by word and value as one by one") {
  const Folder f;
  const int n = number_of("YOKE_INDEX_JOBS", 1500);
  JobIndex index = opened(f.path / "index.sqlite");
  std::vector<std::pair<std::string, Job>> batch;
  int expected = 0, worded = 0;
  const Job known = known_job();
  for (int i = 0; i < n; ++i) {
    Job job = known;
    job.title = "Job " + std::to_string(i) + (i % 97 == 0 ? " crimson" : "");
    const double bore_m = 0.015 + 0.00001 * (i % 1500);
    job.found.set(param::master_bore, {bore_m, How::calliper, 0.00005, {}});
    expected += bore_m > 0.0295 ? 1 : 0;
    worded += i % 97 == 0 ? 1 : 0;
    batch.emplace_back("job" + std::to_string(i) + ".yoke", std::move(job));
    if (batch.size() < 500 && i + 1 < n) continue;
    REQUIRE(index.put(batch));
    batch.clear();
  }
  CHECK(index.size() == static_cast<std::size_t>(n));
  const auto timed = [&](const char* query) {
    const auto begin = std::chrono::steady_clock::now();
    const auto list = index.find(read_query(query, {}), static_cast<std::size_t>(n));
    const double ms =
        1e3 * std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count();
    if (std::getenv("YOKE_INDEX_JOBS")) WARN(query << ": " << list.size() << " in " << ms << " ms");
    return static_cast<int>(list.size());
  };
  CHECK(timed("bore > 29.5 mm") == expected);
  CHECK(timed("crimson") == worded);
  CHECK(timed("crimson; bore > 29.5 mm") <= worded);
  const auto begin = std::chrono::steady_clock::now();
  CHECK(index.find({}, 500).size() == 500);
  if (std::getenv("YOKE_INDEX_JOBS"))
    WARN("the first 500: "
         << 1e3 * std::chrono::duration<double>(std::chrono::steady_clock::now() - begin).count()
         << " ms");
}
