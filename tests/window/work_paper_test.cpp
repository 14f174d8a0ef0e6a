// The work on paper, at the bench and weeks later: plan and calls, as-built against the plan, where
// it stands, the wrench at a joint, a line by legs, the unit of the net by touch.
#include <QLabel>
#include <QPushButton>
#include <QTimer>
#include <set>

#include "document/as_built.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/unit.hpp"
#include "proving/gates.hpp"
#include "session/resume.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "session/work_sheet.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "ui/bench/step_matter.hpp"
#include "ui/faces/outlets_face.hpp"
#include "ui/faces/tubes_face.hpp"
#include "ui/stages/install_page.hpp"
#include "ui/step_card.hpp"
#include "window/bench.hpp"
#include "work/bleed_count.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QString words_in(const QWidget* of) {
  QStringList words;
  for (const auto* l : of->findChildren<QLabel*>())
    if (l->isVisible()) words << l->text();
  return words.join(QLatin1Char('\n'));
}

const StepRow* row_of(const InstallView& view, StepId id) {
  for (const StepRow& r : view.steps)
    if (r.step.id == id) return &r;
  return nullptr;
}

}  // namespace

TEST_CASE("the plan on paper has every open step once in its order, with a box and its caution") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "fire-tender")));
  const Job& job = b.session.job();
  const InstallView view = install_view(job);
  const QString all = work_plan_html(job, {}, false);
  const QString open = work_plan_html(job, {}, true);
  CHECK(open.count(QStringLiteral("☐")) == static_cast<int>(view.steps.size() - view.done));
  CHECK(all.count(QStringLiteral("☒")) == static_cast<int>(view.done));
  qsizetype at = 0;
  for (const StepRow& r : view.steps) {
    const QString text = text_of(r.step.text, {}).toHtmlEscaped();
    const qsizetype here = all.indexOf(text, at);
    INFO(text.toStdString());
    REQUIRE(here > at);
    at = here;
    CHECK(open.contains(text) == !r.done);
    if (!r.step.caution.empty()) CHECK(all.contains(text_of(r.step.caution, {}).toHtmlEscaped()));
  }
  // Each open step that takes two says who does what.
  const QString calls = call_sheet_html(job, {});
  for (const StepRow& r : view.steps)
    if (r.step.call && !r.done)
      CHECK(calls.contains(text_of(r.step.call->helper, {}).toHtmlEscaped()));
  Job finished = job;
  do_all_work(finished);
  CHECK(call_sheet_html(finished, {}).contains("No step that is open takes two"));
  // From the page it comes as pages to look at.
  b.stage(Stage::install);
  auto* page = b.page<InstallPage>(Stage::install);
  bool seen = false;
  QTimer::singleShot(0, qApp, [&] {
    if (QWidget* d = QApplication::activeModalWidget()) {
      seen = d->windowTitle().contains("boxes to tick");
      d->close();
    }
  });
  for (auto* a : page->findChildren<QAction*>())
    if (a->text() == "All steps, with boxes to tick") a->trigger();
  CHECK(seen);
}

TEST_CASE("an as-built miss is told at its step, in bench mode, as finding and on the sheet") {
  Bench b;
  Job job = known_job();
  set(job,
      "control.rod_length=148 mm; rod.snout=10 mm; rod.socket=20 mm; rod.stack=0 mm; "
      "found:rod.snout=10 mm; found:rod.socket=22 mm; found:rod.stack=0 mm; "
      "found:control.rod_length=148 mm; master.bore=25.4 mm");
  b.session.take(job);
  const double planned = value_of(b.session.job(), As::plan, param::control_rod_length).si;
  b.session.edit("built", [&](Job& j) {
    set_as_built(j, param::control_rod_length,
                 measured(param::control_rod_length, planned + 0.004, How::calliper));
  });
  const InstallView view = install_view(b.session.job());
  const StepRow* row = row_of(view, StepId::rod_length);
  REQUIRE(row);
  REQUIRE(row->as_built);
  CHECK(row->as_built->missed);
  b.stage(Stage::install);
  const QString words = text_of(row->as_built->words, b.session.style());
  CHECK(words_in(b.window->page(Stage::install)).contains(QStringLiteral("▲ ") + words));
  CHECK(std::any_of(b.session.findings().begin(), b.session.findings().end(),
                    [](const Finding& f) { return f.code == FindingCode::install_off_plan; }));
  b.session.edit("right", [&](Job& j) {
    set_as_built(j, param::control_rod_length,
                 measured(param::control_rod_length, planned, How::calliper));
  });
  QApplication::processEvents();
  CHECK(words_in(b.window->page(Stage::install)).contains("as planned: "));
  CHECK_FALSE(words_in(b.window->page(Stage::install)).contains(QStringLiteral("▲ ") + words));
}

TEST_CASE("a step done once more opens the proofs it touches, on the very day it was done") {
  Bench b;
  b.session.take(known_job());
  const auto passed = [&] {
    std::set<GateId> ids;
    for (const Gate& g : gates_of(b.session.job(), b.session.strip(), b.session.findings()))
      if (g.state == GateState::passed) ids.insert(g.id);
    return ids;
  };
  const auto tight = [&] {
    for (const StepRow& r : install_view(b.session.job()).steps)
      if (r.step.id == StepId::lines_tight) return r.step;
    FAIL("no such step");
    return Step{};
  };
  b.session.edit("all", [](Job& j) { do_all_work(j); });
  tick_step(b.session, tight(), true);
  b.session.edit("proved", [](Job& j) { pass_all_gates(j); });
  const auto before = passed();
  REQUIRE(before.count(GateId::weep) == 1);
  QTest::qWait(1100);  // the clock on the wall counts seconds
  tick_step(b.session, tight(), false);
  tick_step(b.session, tight(), true);
  CHECK(passed().count(GateId::weep) == 0);
  for (const GateId g : before)
    if (const auto& t = tight().touches; std::find(t.begin(), t.end(), g) == t.end())
      CHECK(passed().count(g) == 1);
  // A tick that was taken back by mistake is undone, and the proof stands.
  b.session.undo();
  b.session.undo();
  CHECK(passed() == before);
}

TEST_CASE("a job that rested opens on where it stands, one worked on yesterday does not") {
  Bench b;
  Job job = known_job();
  const QDate today = QDate::currentDate();
  const auto worked = [&](int days_ago) {
    Session s;
    s.take(job);
    const InstallView view = install_view(s.job());
    s.edit("one step", [&](Job& j) {
      StepRecord& r = record_for(j, view.steps.front().step);
      r.done = true;
      r.date = today.addDays(-days_ago).toString(Qt::ISODate).toStdString();
    });
    const QString path = b.dir.filePath(QStringLiteral("rested-%1.yoke").arg(days_ago));
    REQUIRE(s.save_as(path, false));
    return path;
  };
  REQUIRE(b.window->open_path(worked(40)));
  QApplication::processEvents();
  auto* page = b.page<InstallPage>(Stage::install);
  REQUIRE(page->isVisible());
  const QString said = words_in(page);
  CHECK(said.contains("40 days ago: 1 of "));
  CHECK(said.contains("Next: "));
  CHECK(said.contains("do not drive"));
  Bench c;
  REQUIRE(c.window->open_path(worked(1)));
  QApplication::processEvents();
  CHECK_FALSE(c.window->page(Stage::install)->isVisible());
}

TEST_CASE("a wrench with a crowfoot is told at the joint, and kept for the next job") {
  Bench b;
  b.session.take(known_job());
  b.stage(Stage::plumb);
  auto* face = b.page<PlumbPage>(Stage::plumb)->outlets();
  face->joint()->show_joint("outlet1");
  b.session.edit("torque", [](Job& j) { j.joints["outlet1"].torque_nm = 15; });
  face->refresh();
  const auto type = [&](const char* name, const char* text) {
    for (auto* e : face->joint()->findChildren<QLineEdit*>())
      if (e->accessibleName() == QLatin1String(name)) {
        e->setText(text);
        e->setModified(true);
        emit e->editingFinished();
      }
  };
  type("Torque wrench, drive to grip", "300 mm");
  type("Crowfoot, drive to nut", "40 mm");
  // By hand: 15 x 300 / 340 = 13.2.
  CHECK(words_in(face->joint()).contains("Dial 13.2 N·m"));
  CHECK(QSettings().value("tool_wrench").toDouble() == Approx(0.3));
  type("Crowfoot, drive to nut", "9 m");
  CHECK(words_in(face->joint()).contains("2 m at most"));
}

TEST_CASE(
    "a line is typed by legs and angles, and a touch at the net asks where an outlet points") {
  Bench b;
  b.session.take(known_job());
  b.stage(Stage::plumb);
  auto* page = b.page<PlumbPage>(Stage::plumb);
  page->show_face("lines");
  TubesFace* lines = page->tubes();
  lines->add_line();
  lines->legs()->setText("200 mm bend 90, 100 mm bend 90, 200 mm");
  QTest::keyClick(lines->legs(), Qt::Key_Return);
  REQUIRE(b.session.job().tube_corners.size() == 4);
  CHECK(b.session.job().tube_corners[3].y_m == Approx(0.1));
  CHECK(lines->corners()->rowCount() == 4);
  CHECK(lines->steps().contains("bend 90"));
  lines->legs()->setText("200 mm bend");
  QTest::keyClick(lines->legs(), Qt::Key_Return);
  CHECK(lines->refusal().contains("Leg 1"));
  CHECK(b.session.job().tube_corners.size() == 4);
  page->show_face("outlets");
  QApplication::processEvents();
  PictureView* net = page->outlets()->drawing();
  for (const Spot& s : net->picture().spots)
    if (s.id == "value:unit.port1_side") {
      QTest::mouseClick(net, Qt::LeftButton, {}, s.area.center().toPoint());
      break;
    }
  ParamField* field = net->findChild<ParamField*>();
  REQUIRE(field);
  CHECK(field->param() == param::unit_port1_side);
  CHECK(field->which() == As::plan);
}

TEST_CASE("a card for each nipple: its strokes as boxes, where it is topped up, when it is clear") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "fire-tender")));
  const Job& job = b.session.job();
  const BleedPlan plan = bleed_plan(job);
  const QString cards = bleed_cards_html(job, {});
  int boxes = 0, tops = 0;
  for (const BleedWheel& w : plan.wheels) {
    CHECK(cards.contains(words_of(wheel_words(w.wheel))));
    boxes += w.strokes + kClearStrokes;
    tops += w.strokes / w.refill_every;
  }
  CHECK(bench_asked(job));  // a new unit: the master has its card as well
  boxes += 20 + kClearStrokes;
  CHECK(cards.count(QStringLiteral("☐")) == boxes);
  CHECK(cards.count(QStringLiteral("▲ top up")) == tops);
  CHECK(cards.contains("three strokes in a row bring no bubble"));
  // By pressure the bottle keeps the level, and marks are counted.
  Job other = job;
  set(other, "bleed.way=pressure");
  const QString by_pressure = bleed_cards_html(other, {});
  CHECK_FALSE(by_pressure.contains("top up<"));
  CHECK(by_pressure.contains("out, bubbles"));
  // The page's button shows them as a preview.
  b.stage(Stage::bleed);
  b.window->page(Stage::bleed)->show_face(1);
  auto* print = b.window->page(Stage::bleed)->findChild<QPushButton*>("bleed:print");
  REQUIRE(print);
  CHECK(print->isVisible());
}
