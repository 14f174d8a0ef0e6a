// Journals: each its process's own, never destroyed by another, matched to the file they grew from.
#include <sys/stat.h>
#include <sys/wait.h>

#include <catch2/catch.hpp>
#include <csignal>

#include "files/journal.hpp"
#include "files/json_job.hpp"
#include "files/owner.hpp"
#include "files/store.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;
namespace fs = std::filesystem;

namespace {

Job noted(const std::string& notes) {
  Job job = known_job();
  job.notes = notes;
  return job;
}

/// Another process that writes a journal, lets `then` happen, and waits to be killed.
struct Other {
  pid_t pid;
  explicit Other(const JournalOf& of, const std::string& notes) {
    int ready[2];
    REQUIRE(::pipe(ready) == 0);
    pid = fork();
    if (pid == 0) {
      Journal journal(of);
      const bool ok = journal.write(noted(notes), {12, 34, true}).has_value();
      (void)!::write(ready[1], ok ? "y" : "n", 1);
      for (;;) pause();
    }
    char c = 0;
    REQUIRE(::read(ready[0], &c, 1) == 1);
    REQUIRE(c == 'y');
    ::close(ready[0]);
    ::close(ready[1]);
  }
  void kill_it() {
    ::kill(pid, SIGKILL);
    ::waitpid(pid, nullptr, 0);
    pid = 0;
  }
  ~Other() {
    if (pid > 0) kill_it();
  }
};

}  // namespace

TEST_CASE("a journal belongs to its process while that lives, and is left behind when it dies") {
  const Folder f;
  const JournalOf of{f.path / "job.yoke", {}};
  Other other(of, "typed elsewhere");
  auto list = leftovers(of);
  REQUIRE(list.size() == 1);
  CHECK(list[0].owner == Leftover::Owner::alive);
  CHECK(list[0].pid == other.pid);
  // A second, idle process comes and goes: what it drops is its own.
  {
    Journal mine(of);
    mine.drop();
    REQUIRE(mine.write(noted("mine"), {}));
    CHECK(leftovers(of).size() == 2);
    mine.drop();
  }
  list = leftovers(of);
  REQUIRE(list.size() == 1);
  CHECK(list[0].job->notes == "typed elsewhere");
  other.kill_it();
  list = leftovers(of);
  REQUIRE(list.size() == 1);
  CHECK(list[0].owner == Leftover::Owner::gone);
  CHECK(list[0].job->notes == "typed elsewhere");
  CHECK(list[0].tells_state);
  CHECK(list[0].grew_from == FileStamp{12, 34, true});
  CHECK(list[0].written.size() == 16);
  CHECK(list[0].title == "Known");
}

TEST_CASE("a process number that is used again is not taken for the one that left") {
  Process me = this_process();
  CHECK(lives(me) == true);
  CHECK(read_process(process_text(me)) == me);
  Process before = me;
  before.started -= 100;
  CHECK(lives(before) == false);
  Process last_boot = me;
  last_boot.boot = "another boot";
  CHECK(lives(last_boot) == false);
  Process elsewhere = me;
  elsewhere.host = "another-machine";
  CHECK_FALSE(lives(elsewhere));
  const pid_t child = fork();
  if (child == 0) _exit(lives(this_process()) == true && this_process().pid == ::getpid() ? 0 : 1);
  int status = 0;
  ::waitpid(child, &status, 0);
  CHECK(status == 0);
  for (const char* broken : {"", "{", "[]", "{}", R"({"pid":-1,"host":"x"})", R"({"pid":"1"})"})
    CHECK_FALSE(read_process(broken));
}

TEST_CASE("another machine's journal is told apart, and its lock without its process as well") {
  const Folder f;
  const JournalOf of{f.path / "job.yoke", {}};
  Other(of, "left").kill_it();
  const fs::path journal = leftovers(of).front().path;
  const fs::path lock = journal.string().substr(0, journal.string().size() - 8) + ".lock";
  REQUIRE(fs::exists(lock));
  Process far = this_process();
  far.host = "another-machine";
  put(lock, process_text(far));
  CHECK(leftovers(of).front().owner == Leftover::Owner::elsewhere);
  CHECK(leftovers(of).front().host == "another-machine");
  put(lock, "not a lock");
  CHECK(leftovers(of).front().owner == Leftover::Owner::gone);
}

TEST_CASE("a cut journal, one of a newer version, one of an earlier version") {
  const Folder f;
  const JournalOf of{f.path / "job.yoke", {}};
  Other(of, "work").kill_it();
  const fs::path journal = leftovers(of).front().path;
  const std::string whole = content(journal);

  put(journal, whole.substr(0, whole.size() - 30));
  auto left = leftovers(of).front();
  CHECK_FALSE(left.job);
  CHECK(english(left.error).find("cut off") != std::string::npos);
  CHECK(left.title == "Known");  // the head still says whose it was
  const auto moved = set_aside(left, of);
  REQUIRE(moved);
  CHECK(moved->filename().string().find("job unsaved ") == 0);
  CHECK(moved->extension() == ".unreadable");
  CHECK(content(*moved) == whole.substr(0, whole.size() - 30));
  CHECK(leftovers(of).empty());

  std::string newer = whole;
  newer.replace(newer.find("\"version\":1"), 11, "\"version\":7");
  put(journal, newer);
  left = leftovers(of).front();
  CHECK(english(left.error).find("newer Yoke Step") != std::string::npos);
  CHECK(fs::exists(journal));  // looking at it takes nothing away
  fs::remove(journal);

  put(f.path / ".job.yoke.journal", write_job(noted("as it was named once")));
  left = leftovers(of).front();
  REQUIRE(left.job);
  CHECK(left.job->notes == "as it was named once");
  CHECK_FALSE(left.tells_state);
  put(f.path / ".job.yoke.journal", "");
  CHECK_FALSE(leftovers(of).front().job);
}

TEST_CASE("set aside becomes a job file beside the job, and never over another") {
  const Folder f;
  const JournalOf of{f.path / "job.yoke", {}};
  Other(of, "first").kill_it();
  Other(of, "second").kill_it();
  std::string names;
  for (const Leftover& left : leftovers(of)) {
    const auto to = set_aside(left, of);
    REQUIRE(to);
    CHECK(open_job(*to)->job == *left.job);
    names += to->filename().string() + "|";
  }
  CHECK(names.find(" (2).yoke|") != std::string::npos);
  CHECK(leftovers(of).empty());
  for (const auto& e : fs::directory_iterator(f.path))
    CHECK(e.path().filename().string()[0] != '.');  // no lock, no journal stays
}

TEST_CASE("a name that is too long and a folder that takes nothing: the state folder takes it") {
  const Folder f;
  const Folder state;
  const JournalOf longest{f.path / (std::string(240, 'n') + ".yoke"), state.path / "yokestep"};
  {
    Journal journal(longest);
    REQUIRE(journal.write(noted("long"), {}));
    CHECK(journal.path().parent_path() == state.path / "yokestep");
  }
  REQUIRE(leftovers(longest).size() == 1);
  CHECK(leftovers(longest).front().job->notes == "long");
  // Below a plain file nothing can be made: stands for a folder without the right to write.
  put(f.path / "plain", "x");
  const JournalOf below{f.path / "plain" / "job.yoke", state.path / "yokestep"};
  Journal journal(below);
  REQUIRE(journal.write(noted("below"), {}));
  CHECK(journal.path().parent_path() == state.path / "yokestep");
  REQUIRE(leftovers(below).size() == 1);
  CHECK(leftovers({f.path / "other.yoke", state.path / "yokestep"}).empty());
  // Nowhere at all is an error at once, with what to do.
  Journal nowhere({f.path / "plain" / "job.yoke", f.path / "plain" / "state"});
  const auto wrote = nowhere.write(noted("lost"), {});
  REQUIRE_FALSE(wrote);
  CHECK(english(wrote.error().remedy).find("Save the job now") != std::string::npos);
}

TEST_CASE("a journal goes from the state folder back beside its file, and leaves nothing behind") {
  const Folder f;
  const Folder state;
  Journal journal({f.path / "later" / "job.yoke", state.path});
  REQUIRE(journal.write(noted("one"), {}));
  CHECK(journal.path().parent_path() == state.path);
  fs::create_directory(f.path / "later");
  REQUIRE(journal.write(noted("two"), {}));
  CHECK(journal.path().parent_path() == f.path / "later");
  CHECK(state.names().empty());
  journal.drop();
  CHECK(fs::is_empty(f.path / "later"));
}

TEST_CASE("jobs without a file have their journals in the state folder") {
  const Folder state;
  const JournalOf unnamed{{}, state.path};
  Other(unnamed, "never named").kill_it();
  const auto list = leftovers(unnamed);
  REQUIRE(list.size() == 1);
  CHECK(list[0].file.empty());
  CHECK(list[0].job->notes == "never named");
  CHECK(leftovers({{}, {}}).empty());
  const auto to = set_aside(list[0], unnamed);
  REQUIRE(to);
  CHECK(to->filename().string().find("unnamed unsaved ") == 0);
}

TEST_CASE("any cut and any changed byte of a journal is told or read, never worse") {
  const Folder f;
  const JournalOf of{f.path / "job.yoke", {}};
  Other(of, "work").kill_it();
  const fs::path journal = leftovers(of).front().path;
  const std::string whole = content(journal);
  for (std::size_t n = 0; n < whole.size(); n += 97) {
    put(journal, whole.substr(0, n));
    const auto list = leftovers(of);
    REQUIRE(list.size() == 1);
    CHECK_FALSE(list[0].job);
    std::string changed = whole;
    changed[n] = static_cast<char>(changed[n] ^ 0x15);
    put(journal, changed);
    const auto again = leftovers(of);
    REQUIRE(again.size() == 1);
    CHECK((again[0].job.has_value() || !again[0].error.empty()));
  }
}
