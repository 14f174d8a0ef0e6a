// Saving as a file system allows it: links, modes, owners, several names, read-only files,
// leftovers of saves that were cut short, and nothing saved that could not be opened again.
#include <fcntl.h>
#include <sys/stat.h>
#include <sys/wait.h>

#include <catch2/catch.hpp>
#include <cmath>
#include <csignal>
#include <limits>
#include <random>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "files/store.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;
namespace fs = std::filesystem;

namespace {

Job titled(const std::string& title) {
  Job job = known_job();
  job.title = title;
  return job;
}
std::string title_of(const fs::path& path) {
  const auto opened = open_job(path);
  return opened ? opened->job.title : "(not readable: " + english(opened.error().text()) + ")";
}
struct stat stat_of(const fs::path& path) {
  struct stat st {};
  ::lstat(path.c_str(), &st);
  return st;
}
/// A number that is surely no process now.
long dead_pid() {
  const pid_t child = fork();
  if (child == 0) _exit(0);
  waitpid(child, nullptr, 0);
  return child;
}

}  // namespace

TEST_CASE("saving through a link writes the file it names, and the link stays") {
  const Folder f;
  fs::create_directory(f.path / "jobs");
  REQUIRE(save_job(f.path / "jobs" / "real.yoke", titled("one")));
  fs::create_symlink("jobs/real.yoke", f.path / "link.yoke");
  REQUIRE(save_job(f.path / "link.yoke", titled("two")));
  CHECK(fs::is_symlink(f.path / "link.yoke"));
  CHECK(title_of(f.path / "jobs" / "real.yoke") == "two");
  CHECK(title_of(f.path / "jobs" / "real.yoke.old-1") == "one");
  // A link to a name that is not there yet makes that file; a ring of links is an error.
  fs::create_symlink("jobs/new.yoke", f.path / "early.yoke");
  REQUIRE(save_job(f.path / "early.yoke", titled("three")));
  CHECK(title_of(f.path / "jobs" / "new.yoke") == "three");
  fs::create_symlink("b", f.path / "a");
  fs::create_symlink("a", f.path / "b");
  CHECK_FALSE(save_job(f.path / "a", titled("four")));
}

TEST_CASE("mode and owner stay as they were") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  REQUIRE(save_job(path, titled("one")));
  REQUIRE(::chmod(path.c_str(), 0640) == 0);
  const bool root = ::getuid() == 0;
  if (root) REQUIRE(::chown(path.c_str(), 12345, 23456) == 0);
  REQUIRE(save_job(path, titled("two")));
  const auto st = stat_of(path);
  CHECK((st.st_mode & 07777) == 0640);
  if (root) {
    CHECK(st.st_uid == 12345);
    CHECK(st.st_gid == 23456);
  }
}

TEST_CASE("a file with two names keeps both, and its older copy is one of its own") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  REQUIRE(save_job(path, titled("one")));
  fs::create_hard_link(path, f.path / "other name.yoke");
  REQUIRE(save_job(path, titled("two")));
  CHECK(title_of(f.path / "other name.yoke") == "two");
  CHECK(stat_of(path).st_ino == stat_of(f.path / "other name.yoke").st_ino);
  CHECK(title_of(path.string() + ".old-1") == "one");
  REQUIRE(save_job(path, titled("x")));  // shorter: nothing of the longer one stays behind
  CHECK(title_of(f.path / "other name.yoke") == "x");
  CHECK(title_of(path.string() + ".old-2") == "one");
  CHECK(f.names() == "job.yoke job.yoke.old-1 job.yoke.old-2 other name.yoke");
}

TEST_CASE("a read-only file is not replaced unless the builder says so") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  REQUIRE(save_job(path, titled("one")));
  REQUIRE(::chmod(path.c_str(), 0444) == 0);
  const auto refused = save_job(path, titled("two"));
  REQUIRE_FALSE(refused);
  CHECK(refused.error().field == kReadOnlyField);
  CHECK(english(refused.error().text()).find("read-only") != std::string::npos);
  CHECK(title_of(path) == "one");
  CHECK(f.names() == "job.yoke");
  REQUIRE(save_job(path, titled("two"), {std::nullopt, true}));
  CHECK(title_of(path) == "two");
  CHECK((stat_of(path).st_mode & 0777) == 0444);
}

TEST_CASE("a folder, a pipe or a device is never written over, nor read") {
  const Folder f;
  REQUIRE(::mkfifo((f.path / "pipe.yoke").c_str(), 0600) == 0);
  fs::create_directory(f.path / "folder.yoke");
  for (const fs::path& p : {f.path / "pipe.yoke", f.path / "folder.yoke", fs::path("/dev/zero")}) {
    INFO(p);
    CHECK_FALSE(open_job(p));
    CHECK_FALSE(save_job(p, titled("x")));
  }
  CHECK(f.names() == "folder.yoke pipe.yoke");
}

TEST_CASE("half-written files of processes that are gone are cleared, others stay") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  const std::string gone = std::to_string(dead_pid());
  const fs::path old_part = f.path / (".yoke-part-" + gone + "-0123456789abcdef");
  const fs::path named_part = f.path / ("job.yoke.part-" + gone);
  const fs::path young = f.path / (".yoke-part-" + gone + "-00000000000000aa");
  const fs::path live = f.path / (".yoke-part-" + std::to_string(::getppid()) + "-00");
  const fs::path foreign = f.path / "job.yoke.part-of-something";
  for (const auto& p : {old_part, named_part, young, live, foreign}) put(p, "half");
  timespec hour_ago[2] = {{time(nullptr) - 3600, 0}, {time(nullptr) - 3600, 0}};
  for (const auto& p : {old_part, named_part, live, foreign})
    REQUIRE(::utimensat(AT_FDCWD, p.c_str(), hour_ago, 0) == 0);
  REQUIRE(save_job(path, titled("one")));
  CHECK_FALSE(fs::exists(old_part));
  CHECK_FALSE(fs::exists(named_part));
  CHECK(fs::exists(young));
  CHECK(fs::exists(live));
  CHECK(fs::exists(foreign));
}

TEST_CASE("a save that cannot take the file's place makes no older copy") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  REQUIRE(save_job(path, titled("one")));
  // The target turns into a folder between the check and the rename in no test; a name that is
  // refused by the read-back stands for it: the part is written, then given up.
  WriteRules rules;
  rules.keep_old = true;
  rules.verify = [](const std::string&) -> Expected<bool> {
    return fail({"file", "", "", "refused after writing", ""});
  };
  REQUIRE_FALSE(write_safely(path, "something else", rules));
  CHECK(f.names() == "job.yoke");
  CHECK(title_of(path) == "one");
}

TEST_CASE("the longest name a file system takes is saved, with its older copies") {
  const Folder f;
  const std::string name = std::string(250, 'n') + ".yoke";
  REQUIRE(name.size() == 255);
  for (const char* title : {"one", "two", "three"}) REQUIRE(save_job(f.path / name, titled(title)));
  CHECK(title_of(f.path / name) == "three");
  CHECK(title_of(f.path / name_with(name, ".old-1")) == "two");
  CHECK(title_of(f.path / name_with(name, ".old-2")) == "one");
  CHECK(name_with(name, ".old-1").size() == 255);
  CHECK(name_with(name, ".old-1") != name_with(std::string(249, 'n') + "m.yoke", ".old-1"));
}

TEST_CASE("what could not be opened again is not saved, and the error names it") {
  const Folder f;
  const fs::path path = f.path / "job.yoke";
  REQUIRE(save_job(path, titled("one")));
  struct Case {
    const char* says;
    std::function<void(Job&)> spoil;
  };
  const double nan = std::numeric_limits<double>::quiet_NaN();
  const Case table[] = {
      {"the text is too long", [](Job& j) { j.steps["a"].note = std::string(25600, 'x'); }},
      {"Pivot to rod pin cannot be 7.50 mm",
       [](Job& j) {
         j.plan.set(param::control_pin_arm, {0.0075, How::stated, 0, {}});
       }},
      {"Bore cannot be 63.00 mm",
       [](Job& j) {
         j.plan.set(param::master_bore, {0.063, How::stated, 0, {}});
       }},
      {"± cannot be that",
       [](Job& j) {
         j.found.set(param::master_bore, {0.02, How::calliper, 1e12, {}});
       }},
      {"Bore cannot be that",
       [nan](Job& j) {
         j.found.set(param::master_bore, {nan, How::calliper, 0, {}});
       }},
      {"Control cannot be that",
       [](Job& j) {
         j.found.set(param::control_kind, {17, How::stated, 0, {}});
       }},
      {"Reading 2, force",
       [](Job& j) {
         j.readings = {{10, 0.1}, {5001, 0.1}};
       }},
      {"Reading as found 1, travel",
       [nan](Job& j) {
         j.before = {{10, nan}};
       }},
      {"Reading: a job keeps 2000", [](Job& j) { j.readings.resize(2001); }},
      {"Box 1, length", [](Job& j) { j.boxes.resize(1), j.boxes[0].dx_m = -1; }},
      {"Part 1, promised day", [](Job& j) { j.parts.resize(1), j.parts[0].promised = "soon"; }},
      {"Later conversion: a job keeps 50", [](Job& j) { j.later.resize(51); }},
      {"broken letters", [](Job& j) { j.notes = "cut \xe2\x82"; }},
      {"Pump test, sink", [](Job& j) { j.pump.sink_m = 2; }},
      {"Bleeding, strokes", [](Job& j) { j.bleeding["fl"].strokes = 100001; }},
      {"its name cannot be", [](Job& j) { j.gates[std::string(101, 'g')]; }},
      {"Candidate 1, name",
       [](Job& j) { j.candidates.resize(1), j.candidates[0].name = std::string(30000, 'x'); }},
      {"Bore cannot be 90.00 mm",
       [](Job& j) {
         j.candidates.resize(1);
         j.candidates[0].sheet.set(param::master_bore, {0.09, How::stated, 0, {}});
       }},
      {"too large", [](Job& j) {
         j.parts.resize(200);
         for (auto& p : j.parts) p.note = std::string(20000, '\x01');  // six bytes each in the file
       }}};
  for (const Case& c : table) {
    Job job = titled("two");
    c.spoil(job);
    INFO(c.says);
    const auto saved = save_job(path, job);
    REQUIRE_FALSE(saved);
    INFO(saved.error().text());
    CHECK(english(saved.error().text()).find(c.says) != std::string::npos);
    CHECK(title_of(path) == "one");
    CHECK(f.names() == "job.yoke");
  }
}

TEST_CASE("what the check of an edit lets pass is read back equal, what it refuses is refused",
          "[comma]") {
  std::mt19937 rng(7);
  const auto u = [&rng](double lo, double hi) {
    return std::uniform_real_distribution<double>(lo, hi)(rng);
  };
  int passed = 0;
  int refused = 0;
  for (int i = 0; i < 3000; ++i) {
    Job job;
    for (int k = 0; k < 6; ++k) {
      const ParamInfo& p = all_params()[rng() % all_params().size()];
      const double width = p.max_si - p.min_si;
      const double si = p.kind == Kind::choice
                            ? std::floor(u(0, p.max_si + 1.2))
                            : u(p.min_si - 0.05 * width, p.max_si + 0.05 * width);
      (rng() % 2 ? job.found : job.plan)
          .set(p.param, {si, all_values<How>()[rng() % 7], rng() % 3 ? 0 : u(0, 1.2 * width), {}});
    }
    if (rng() % 4 == 0) job.readings = {{u(-100, 5500), u(-0.01, 1.01)}};
    if (rng() % 6 == 0) job.notes = std::string(rng() % 22000, rng() % 2 ? 'n' : '\n');
    const bool writable = !unwritable(job);
    const auto back = read_job(write_job(job));
    INFO((back ? std::string("read") : english(back.error().text())));
    CHECK(writable == (back && *back == job));
    ++(writable ? passed : refused);
  }
  CHECK(passed > 300);
  CHECK(refused > 300);
}
