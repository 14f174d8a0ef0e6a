// Unsaved work: after a crash, beside another window, of jobs without a file, on disks that fail;
// and whatever actions are done, what was saved opens again.
#include <sys/wait.h>
#include <unistd.h>
#include <QFile>
#include <QFileInfo>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>

#include <catch2/catch.hpp>
#include <csignal>
#include <random>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "session/candidates.hpp"
#include "session/choose.hpp"
#include "session/differences.hpp"
#include "session/session.hpp"
#include "support/build.hpp"
#include "support/folder.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QString demo(const QTemporaryDir& dir) {
  const QString path = dir.filePath("demo.yoke");
  if (!QFile::exists(path))
    REQUIRE(QFile::copy(QStringLiteral(YOKE_SOURCE_DIR "/tests/fixtures/estate-discs.yoke"), path));
  return path;
}

/// Opens the job (or none), edits its notes, writes the journal and dies.
void crash(const QString& path, const QString& state, const std::string& notes) {
  const pid_t child = fork();
  if (child == 0) {
    Session s;
    s.set_state_folder(state);
    if (!path.isEmpty() && !s.open(path)) _exit(3);
    s.edit("note", [&](Job& j) { j.notes = notes; });
    s.write_journal_now();  // what the timer does within a second
    kill(getpid(), SIGKILL);
  }
  int status = 0;
  waitpid(child, &status, 0);
  REQUIRE(WIFSIGNALED(status));
}

}  // namespace

TEST_CASE("unsaved work of a crash is offered with its day and what differs, and can be undone") {
  QTemporaryDir dir;
  const QString path = demo(dir);
  crash(path, {}, "typed before the power went");
  Session s;
  REQUIRE(s.open(path));
  CHECK_FALSE(s.recovered());  // nothing is taken up by itself
  CHECK_FALSE(s.dirty());
  REQUIRE(s.leftovers().size() == 1);
  CHECK(s.fits(s.leftovers()[0]));
  const QStringList differs = differences(s.job(), *s.leftovers()[0].job, s.style());
  REQUIRE(differs.size() == 1);
  CHECK(differs[0].contains("typed before the power went"));
  REQUIRE(s.bring_back(s.leftovers()[0]));
  CHECK(s.recovered());
  CHECK(s.job().notes == "typed before the power went");
  CHECK(s.leftovers().empty());
  // The work now stands in this session's own journal, and only there.
  const auto all = leftovers({path.toStdString(), {}});
  REQUIRE(all.size() == 1);
  CHECK(all[0].owner == Leftover::Owner::alive);
  s.undo();
  CHECK_FALSE(s.dirty());
  s.redo();
  REQUIRE(s.save());
  s.write_journal_now();  // the writer has done what saving asked of it
  CHECK(QDir(dir.path()).entryList(QDir::Files | QDir::Hidden) ==
        QStringList({"demo.yoke", "demo.yoke.old-1"}));
}

TEST_CASE("an idle second window takes nothing away, and tells of the first") {
  QTemporaryDir dir;
  Session first;
  REQUIRE(first.open(demo(dir)));
  first.edit("note", [](Job& j) { j.notes = "in the first window"; });
  first.write_journal_now();
  {
    Session second;
    REQUIRE(second.open(demo(dir)));
    CHECK(second.worked_on_elsewhere());
    CHECK(second.leftovers().empty());  // no crash is claimed
    CHECK_FALSE(second.recovered());
  }
  {
    Session third;
    REQUIRE(third.open(demo(dir)));
    third.edit("note", [](Job& j) { j.notes = "in the third"; });
    third.write_journal_now();
    third.discard_journal();
  }
  const auto list = leftovers({demo(dir).toStdString(), {}});
  REQUIRE(list.size() == 1);
  CHECK(list[0].job->notes == "in the first window");
}

TEST_CASE("a journal of an older state of the file does not take the view") {
  QTemporaryDir dir;
  const QString path = demo(dir);
  crash(path, {}, "a month ago");
  {
    Session s;
    REQUIRE(s.open(path));
    s.edit("title", [](Job& j) { j.title = "saved since"; });
    REQUIRE(s.save());
  }
  Session s;
  REQUIRE(s.open(path));
  CHECK(s.job().title == "saved since");
  REQUIRE(s.leftovers().size() == 1);
  CHECK_FALSE(s.fits(s.leftovers()[0]));
  const auto kept = s.put_aside(s.leftovers()[0]);
  REQUIRE(kept);
  CHECK(QFileInfo(*kept).absolutePath() == QFileInfo(path).absolutePath());
  CHECK(s.leftovers().empty());
  Session again;
  REQUIRE(again.open(*kept));
  CHECK(again.job().notes == "a month ago");
}

TEST_CASE("unnamed work is there at the next start, whatever that start opens") {
  QTemporaryDir dir;
  QTemporaryDir state;
  crash({}, state.path(), "never had a file");
  Session s;
  s.set_state_folder(state.path());
  REQUIRE(s.open(demo(dir)));
  s.edit("note", [](Job& j) { j.notes += "!"; });
  s.write_journal_now();
  REQUIRE(s.save());
  REQUIRE(s.unnamed_leftovers().size() == 1);
  const Leftover left = s.unnamed_leftovers()[0];
  REQUIRE(s.bring_back(left));
  CHECK_FALSE(s.has_path());
  CHECK(s.job().notes == "never had a file");
  CHECK(s.unnamed_leftovers().empty());  // it is this session's now
  s.discard_journal();
  s.write_journal_now();
  CHECK(QDir(state.path()).isEmpty());
}

TEST_CASE("a journal that equals the file is cleared in silence") {
  QTemporaryDir dir;
  const QString path = demo(dir);
  Session s;
  REQUIRE(s.open(path));
  const std::string notes = s.job().notes;
  crash(path, {}, notes + "x");
  s.edit("note", [&](Job& j) { j.notes = notes + "x"; });
  REQUIRE(s.save());
  Session again;
  REQUIRE(again.open(path));
  CHECK(again.leftovers().empty());
  CHECK(leftovers({path.toStdString(), {}}).empty());
}

TEST_CASE("a journal that cannot be written is told at once, and when it is well again") {
  QTemporaryDir dir;
  const QString folder = dir.filePath("jobs");
  REQUIRE(QDir().mkpath(folder));
  const QString path = folder + "/job.yoke";
  REQUIRE(QFile::copy(demo(dir), path));
  Session s;
  s.set_state_folder(dir.filePath("demo.yoke/below-a-file"));
  REQUIRE(s.open(path));
  REQUIRE(QDir().rename(folder, dir.filePath("unplugged")));
  QSignalSpy told(&s, &Session::file_changed);
  s.edit("note", [](Job& j) { j.notes = "one"; });
  told.clear();
  s.write_journal_now();
  REQUIRE(QTest::qWaitFor([&] { return told.count() > 0; }, 3000));
  REQUIRE(s.journal_problem());
  CHECK(english(s.journal_problem()->text()).find("Save the job now") != std::string::npos);
  REQUIRE(QDir().rename(dir.filePath("unplugged"), folder));
  s.edit("note", [](Job& j) { j.notes = "two"; });
  s.write_journal_now();
  CHECK_FALSE(s.journal_problem());
  CHECK(leftovers({path.toStdString(), {}}).size() == 1);
}

TEST_CASE("an edit that could not be saved is refused with its value and limit, the job stays") {
  Session s;
  QSignalSpy refused(&s, &Session::refused);
  QSignalSpy changed(&s, &Session::changed);
  const auto note = s.edit("note", [](Job& j) { j.steps["x"].note = std::string(25600, 'n'); });
  REQUIRE_FALSE(note);
  CHECK(english(note.error().text()).find("25600") != std::string::npos);
  CHECK(refused.count() == 1);
  CHECK(changed.count() == 0);
  CHECK_FALSE(s.can_undo());
  s.set_value(As::found, param::control_pad_arm,
              measured(param::control_pad_arm, 0.060, How::calliper));
  Cell cell;
  cell.bore_m = 0.019;
  cell.ratio = 8;
  choose_cell(s, cell, nullptr, {});  // the pin would stand at 7.5 mm
  CHECK(refused.count() == 2);
  CHECK(refused.last()[0].toString().contains("Pivot to rod pin cannot be 7.50 mm"));
  CHECK_FALSE(s.job().plan.at(param::master_bore));
  cell.ratio = 6;
  cell.bore_m = 0.063;
  choose_cell(s, cell, nullptr, {});
  CHECK(refused.last()[0].toString().contains("Bore cannot be 63.00 mm"));
}

TEST_CASE("whatever is done, what was saved opens again and is the same job", "[comma]") {
  QTemporaryDir dir;
  const QString path = dir.filePath("job.yoke");
  std::mt19937 rng(20261126);
  const auto u = [&rng](double lo, double hi) {
    return std::uniform_real_distribution<double>(lo, hi)(rng);
  };
  Session s;
  int refused = 0;
  int saved = 0;
  QObject::connect(&s, &Session::refused, [&](const QString&) { ++refused; });
  for (int i = 0; i < 1200; ++i) {
    switch (rng() % 10) {
      case 0: {
        Cell cell;
        cell.bore_m = u(0.006, 0.065);
        cell.ratio = u(1, 14);
        cell.bore2_m = rng() % 3 ? 0 : u(0.006, 0.065);
        choose_cell(s, cell, nullptr, rng() % 2 ? QString() : QStringLiteral("map"));
        break;
      }
      case 1:
        s.edit("note", [&](Job& j) { j.steps["s"].note.assign(rng() % 25600, '"'); });
        break;
      case 2:
        s.edit("reading", [&](Job& j) {
          j.readings.push_back({u(-10, 6000), u(-0.1, 1.2), u(0, 1200), u(0, 0.3)});
        });
        break;
      case 3:
        s.edit("box", [&](Job& j) {
          j.boxes.push_back({"b", Box::Kind::hot, u(-6, 6), 0, 0, u(-1, 6)});
        });
        break;
      case 4:
        s.edit("part",
               [&](Job& j) { j.parts.emplace_back().promised = rng() % 2 ? "2026-02-30" : ""; });
        break;
      case 5:
        rng() % 2 ? s.undo() : s.redo();
        break;
      case 6:
        s.edit("pump", [&](Job& j) { j.pump.hold_s = u(-1, 90000); });
        break;
      default: {
        const ParamInfo& p = all_params()[rng() % all_params().size()];
        const double width = p.max_si - p.min_si;
        Measured m{p.kind == Kind::choice ? std::floor(u(0, p.max_si + 1.2))
                                          : u(p.min_si - 0.02 * width, p.max_si + 0.02 * width),
                   all_values<How>()[rng() % 7],
                   u(0, 1.05 * width),
                   {}};
        s.set_value(rng() % 2 ? As::found : As::plan, p.param, m);
      }
    }
    if (i % 20 != 0) continue;
    const auto ok = s.has_path() ? s.save() : s.save_as(path);
    REQUIRE(ok);
    ++saved;
    const auto back = open_job(path.toStdString());
    REQUIRE(back);
    CHECK(back->job == s.job());
  }
  CHECK(refused > 30);
  CHECK(saved == 60);
}
