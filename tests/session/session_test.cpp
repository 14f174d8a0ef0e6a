// The open job: edits, undo, saving, recovery, pressing, the sheet.
#include <QDate>
#include <QFile>
#include <QProcess>
#include <QRegularExpression>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>
#include <QTextDocument>

#include <catch2/catch.hpp>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "session/choose.hpp"
#include "session/curves.hpp"
#include "session/doubt_runner.hpp"
#include "session/session.hpp"
#include "session/sheet_pictures.hpp"
#include "session/stage_views.hpp"
#include "support/build.hpp"

using namespace yoke;

namespace {
/// A copy of the demo job: an edited one leaves a journal beside its file.
QString demo(const QTemporaryDir& dir) {
  const QString path = dir.filePath("demo.yoke");
  if (!QFile::exists(path))
    REQUIRE(QFile::copy(QStringLiteral(YOKE_SOURCE_DIR "/tests/fixtures/estate-discs.yoke"), path));
  return path;
}
}  // namespace

TEST_CASE("edits are named, undone and redone, drags merge") {
  Session s;
  QSignalSpy spy(&s, &Session::changed);
  s.set_value(As::found, param::master_bore, measured(param::master_bore, 0.0254, How::calliper));
  s.set_value(As::found, param::master_bore,
              measured(param::master_bore, 0.0238125, How::calliper));
  CHECK(spy.count() == 2);
  CHECK(s.undo_name() == "Bore 25.40 mm → 23.81 mm");
  s.undo();
  CHECK(value_of(s.job(), As::found, param::master_bore).si == 0.0254);
  CHECK(s.redo_name() == "Bore 25.40 mm → 23.81 mm");
  s.redo();
  CHECK(value_of(s.job(), As::found, param::master_bore).si == 0.0238125);
  s.undo();
  s.undo();
  CHECK(s.job() == blank_job());
  CHECK_FALSE(s.can_undo());
  CHECK_FALSE(s.dirty());
  s.edit("nothing", [](Job&) {});
  CHECK_FALSE(s.can_undo());
  for (int i = 0; i < 5; ++i)
    s.edit(
        QString("drag %1").arg(i), [i](Job& j) { j.notes = std::to_string(i); }, "drag");
  s.undo();
  CHECK(s.job() == blank_job());
}

TEST_CASE("save, reopen equal, and the old file guarded") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  CHECK_FALSE(s.dirty());
  REQUIRE(s.save_as(dir.filePath("copy.yoke")));
  CHECK(s.path().endsWith("copy.yoke"));
  s.edit("note", [](Job& j) { j.notes += "!"; });
  CHECK(s.dirty());
  REQUIRE(s.save());
  Session again;
  REQUIRE(again.open(s.path()));
  CHECK(again.job() == s.job());
  QFile f(s.path());
  REQUIRE(f.open(QIODevice::Append));
  f.write(" ");
  f.close();
  s.edit("note", [](Job& j) { j.notes += "?"; });
  CHECK_FALSE(s.save());
  CHECK(s.dirty());
  CHECK_FALSE(again.open(dir.filePath("missing.yoke")));
  CHECK(again.job().notes == s.job().notes.substr(0, s.job().notes.size() - 1));
}

TEST_CASE("pressing the pedal stays within the curve and shows its state") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  s.press(0.03);
  CHECK(s.pressed_point()->pad_travel_m == Approx(0.03));
  s.press(9.0);
  CHECK(s.pressed_m() == Approx(s.shown_report().curve->points.back().pad_travel_m));
  s.show_condition(ConditionId::assist_lost);
  CHECK(s.pressed_m() <= s.shown_report().curve->points.back().pad_travel_m);
  s.press(-1);
  CHECK(s.pressed_m() == 0);
  s.new_job();
  CHECK_FALSE(s.pressed_point());
  s.press(0.05);
  CHECK(s.pressed_m() == 0);
}

TEST_CASE("choosing a cell sets bore and, when it differs, the pin arm") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  const double pad = value_of(s.job(), As::plan, param::control_pad_arm).si;
  Cell cell;
  cell.bore_m = 0.0238125;
  cell.ratio = 5.0;
  choose_cell(s, cell, nullptr, {});
  CHECK(value_of(s.job(), As::plan, param::master_bore).si == Approx(0.0238125));
  CHECK(value_of(s.job(), As::plan, param::control_pin_arm).si == Approx(pad / 5.0));
  CHECK(s.undo_name() == "bore 15/16 in at 5.00");
  CHECK(relative_sentence(s.job()).contains("force", Qt::CaseInsensitive));
  Session empty;
  CHECK(relative_sentence(empty.job()).contains("two bores"));
}

TEST_CASE("the sheet holds every number with its source, the open gates, and prints as PDF",
          "[comma]") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  const QString html =
      sheet_html(s.job(), s.strip(), s.findings(), {}, s.style(), QDate(2026, 11, 24));
  for (const char* words :
       {"22.23 mm", "caliper", "typical: common practice, no source", "as found", "Gates",
        "In work: not proved", "front lost", "Shorten by 30.27 mm", "local rules", "2026-11-24"}) {
    INFO(words);
    CHECK(html.contains(words));
  }
  Job hostile = s.job();
  hostile.title = "<script>x</script>";
  hostile.state = JobState::left_unsafe;
  const QString escaped =
      sheet_html(hostile, s.strip(), s.findings(), {}, s.style(), QDate(2026, 11, 24));
  CHECK_FALSE(escaped.contains("<script>"));
  CHECK(escaped.contains("LEFT UNSAFE – DO NOT DRIVE"));

  const QString pdf = dir.filePath("sheet.pdf");
  const auto document = sheet_document(html, sheet_pictures(s));
  REQUIRE(write_sheet_pdf(pdf, *document, "title", QPageSize::A4));
  QProcess reader;  // an independent PDF reader
  reader.start("pdftotext", {"-layout", pdf, "-"});
  REQUIRE(reader.waitForFinished());
  const QString text = QString::fromUtf8(reader.readAllStandardOutput());
  CHECK(text.contains("Estate car: drums to front discs"));
  CHECK(text.contains("Pivot to rod pin"));
  // No joined letters: what is read can be searched for.
  CHECK(text.contains("Figures are a builder's help"));
  CHECK(text.contains("efficiency"));
  CHECK(text.contains(QRegularExpression("page 1 of \\d")));
  for (const char32_t joined : {0xFB00, 0xFB01, 0xFB02, 0xFB03})
    CHECK_FALSE(text.contains(QString::fromUcs4(&joined, 1)));
  CHECK_FALSE(write_sheet_pdf(dir.filePath("sheet.pdf/below"), *document, "t", QPageSize::A4));
}

TEST_CASE("plots and words for the readings") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  const PlotInput feel = feel_plot(s);
  CHECK(feel.curves.size() == 2 + s.job().candidates.size());
  CHECK(feel.marks.size() == 2);
  CHECK(prove_plot(s).points.size() == s.job().readings.size() + s.job().before.size());
  const QString words = QString::fromStdString(english(joined(prove_verdict(s.job()), "\n")));
  INFO(words.toStdString());
  CHECK(words.contains("air 1."));
  CHECK(words.contains("slack"));
  CHECK(words.contains("holds under a steady foot"));
  s.edit("clear", [](Job& j) { j.readings.clear(); });
  CHECK(english(joined(prove_verdict(s.job()), "\n")).find("No readings yet") == 0);
  CHECK(angle_plot(s).curves.front().points.size() > 10);
}

TEST_CASE("doubt runs beside the window, newest job wins, and it can be left at any time") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  DoubtRunner runner;
  QSignalSpy done(&runner, &DoubtRunner::finished);
  runner.ask(s.job(), ConditionId::plan);
  runner.ask(s.job(), ConditionId::assist_lost);
  REQUIRE(done.wait(20000));
  CHECK(done.count() == 1);
  REQUIRE(runner.report());
  CHECK(runner.report()->id == ConditionId::assist_lost);
  const QString words = doubt_words(*runner.report(), s.style());
  INFO(words.toStdString());
  CHECK(words.contains("effort"));
  CHECK(words.contains("Measure next: "));
  runner.ask(Job{}, ConditionId::plan);
  REQUIRE(done.wait(20000));
  CHECK_FALSE(runner.report());
  runner.ask(s.job(), ConditionId::plan);
  QTest::qWait(400);  // started; leaving now must neither hang nor crash
}
