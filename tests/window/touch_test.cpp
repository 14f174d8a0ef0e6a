// What a hand does in the window: refuse, drag, touch, leave, search.
#include <QListWidget>
#include <QPushButton>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/lines.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/vehicle.hpp"
#include "session/texts.hpp"
#include "ui/finder.hpp"
#include "ui/help_window.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("a field refuses what cannot be, keeps the old value, and Escape restores", "[comma]") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  struct Bad {
    Group group;
    Param param;
    const char* typed;
    const char* says;
  };
  const Bad table[] = {{Group::master, param::master_bore, "-1 in", "8.00 mm to 60.00 mm"},
                       {Group::control, param::control_pad_arm, "0", "50.0 mm to 800.0 mm"},
                       {Group::control, param::control_pin_arm, "big", "not a number"},
                       {Group::control, param::control_rod_length, "1,234.5", "decimal sign"},
                       {Group::vehicle, param::vehicle_front_share, "130 %", "10 % to 90 %"},
                       {Group::master, param::master_bore, "400 psi", "not a unit"}};
  for (const Bad& t : table) {
    INFO(t.typed);
    survey->show_group(t.group);
    QApplication::processEvents();
    auto* f = qobject_cast<QuantityField*>(survey->panel()->field(As::found, t.param));
    REQUIRE(f);
    const QString shown = f->entry()->text();
    const Job before = b.session.job();
    b.type(f->entry(), t.typed);
    CHECK(b.session.job() == before);
    INFO(f->refusal().toStdString());
    CHECK(f->refusal().contains(t.says));
    CHECK(f->entry()->property("refused").toBool());
    QTest::keyClick(f->entry(), Qt::Key_Escape);
    CHECK(f->entry()->text() == shown);
    CHECK(f->refusal().isEmpty());
  }
  // A rod shorter than its offset: each value is possible, together they are not.
  survey->show_group(Group::control);
  QApplication::processEvents();
  b.type(b.entry(survey->panel(), As::found, param::control_offset), "60 mm");
  auto* rod =
      qobject_cast<QuantityField*>(survey->panel()->field(As::found, param::control_rod_length));
  b.type(rod->entry(), "50 mm");
  CHECK(rod->refusal().contains("shorter than its offset"));
  CHECK(rod->refusal().contains("rod longer than 60.0 mm"));
  CHECK(value_of(b.session.job(), As::found, param::control_rod_length).si == Approx(0.1466));
  QTest::keyClick(rod->entry(), Qt::Key_Escape);
  survey->show_group(Group::lines);
  auto* fluid = qobject_cast<ChoiceField*>(survey->panel()->field(As::found, param::fluid_grade));
  REQUIRE(fluid);
  const Job before = b.session.job();
  b.type(fluid->entry()->lineEdit(), "5.2");
  CHECK(b.session.job() == before);
  CHECK(fluid->refusal().contains("no fluid grade “5.2”"));
  // Empty means not entered, a question mark unknown on purpose.
  survey->show_group(Group::master);
  QApplication::processEvents();
  auto* bore = b.entry(survey->panel(), As::found, param::master_bore);
  b.type(bore, "?");
  CHECK_FALSE(value_of(b.session.job(), As::found, param::master_bore).known());
  CHECK(bore->placeholderText() == "unknown");
}

TEST_CASE(
    "dragging the pedal presses it, touching a dimension goes to its field, a column chooses the "
    "condition") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* line = b.window->page(Stage::survey)->findChild<LineView*>();
  REQUIRE(line);
  const auto spot = [&](const QString& id) {
    for (const Spot& s : line->picture().spots)
      if (s.id == id) return s.area.center().toPoint();
    return QPoint();
  };
  const QPoint pad = spot("pad");
  QTest::mousePress(line, Qt::LeftButton, {}, pad);
  QTest::mouseMove(line, pad + QPoint(12, 0));
  QTest::mouseMove(line, pad + QPoint(24, 0));
  CHECK(b.session.pressed_m() > 0.01);
  QTest::mouseRelease(line, Qt::LeftButton, {}, pad + QPoint(24, 0));
  b.page<SurveyPage>(Stage::survey)->show_group(Group::master);
  QTest::mouseClick(line, Qt::LeftButton, {}, spot("param:master.bore"));
  QApplication::processEvents();
  REQUIRE(QApplication::focusWidget());
  CHECK(QApplication::focusWidget()->accessibleName() == "Bore");
  const auto& strip = b.window->strip()->picture();
  QTest::mouseClick(b.window->strip(), Qt::LeftButton, {}, strip.spots[2].area.center().toPoint());
  CHECK(b.session.shown() == ConditionId::assist_lost);
}

TEST_CASE("bad files and full disks: a message, nothing half opened, the job marked unsaved") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  const Job before = b.session.job();
  QFile broken(b.dir.filePath("broken.yoke"));
  REQUIRE(broken.open(QIODevice::WriteOnly));
  broken.write(
      "{\"format\":\"yoke-job\",\"version\":1,\"found\":{\"master.bore\":{\"how\":\"calliper\","
      "\"m\":-1}}}");
  broken.close();
  CHECK_FALSE(b.window->open_path(broken.fileName()));
  REQUIRE(b.told.size() == 1);
  CHECK(b.told[0].contains("found.master.bore"));
  CHECK(b.session.job() == before);
  b.session.edit("x", [](Job& j) { j.notes = "changed"; });
  b.next_file = b.dir.filePath("broken.yoke/below.yoke");
  b.window->action("save_as")->trigger();
  CHECK(b.told.size() == 2);
  CHECK(b.session.dirty());
  // Leaving with unsaved work asks; cancel stays.
  b.keep = -1;
  b.window->action("new")->trigger();
  CHECK(b.session.job().notes == "changed");
  b.keep = 1;
  b.window->action("new")->trigger();
  CHECK(b.session.job() == blank_job());
}

TEST_CASE("a job cannot be marked proved with open gates, left unsafe can always be said") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::record);
  auto* record = b.window->page(Stage::record);
  const auto press = [&](const QString& words) {
    for (auto* p : record->findChildren<QPushButton*>())
      if (p->text() == words) QTest::mouseClick(p, Qt::LeftButton);
  };
  press("Proved");
  CHECK(b.session.job().state == JobState::in_work);
  press("Left unsafe");
  CHECK(b.session.job().state == JobState::left_unsafe);
  CHECK(QTest::qWaitFor([record] {
    return record->findChild<QTextBrowser*>()->toPlainText().contains("LEFT UNSAFE");
  }));
}

TEST_CASE("touching a wheel flips its outlet, and a crossing is a finding") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::plumb);
  auto* drawing = b.page<PlumbPage>(Stage::plumb)->drawing();
  const auto spots = drawing->picture().spots;
  const auto at = std::find_if(spots.begin(), spots.end(),
                               [](const Spot& s) { return s.id.startsWith("wheel:"); });
  REQUIRE(at != spots.end());
  const Spot wheel = *at;
  QTest::mouseClick(drawing, Qt::LeftButton, {}, wheel.area.center().toPoint());
  CHECK(any_hard(b.session.findings()));
  QApplication::processEvents();  // words around the work come behind the painting
  CHECK(b.window->page(Stage::plumb)->findChild<FindingsBox*>()->text().contains("Crossed"));
  b.window->action("undo")->trigger();
  QApplication::processEvents();
  CHECK_FALSE(b.window->page(Stage::plumb)->findChild<FindingsBox*>()->text().contains("Crossed"));
}

TEST_CASE("as-built values replace planned ones") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::install);
  QLineEdit* entry = nullptr;
  for (auto* e : b.window->page(Stage::install)->findChildren<QLineEdit*>())
    if (e->accessibleName() == "As built: Rod clearance") entry = e;
  REQUIRE(entry);
  b.type(entry, "-0.1 mm");
  CHECK(value_of(b.session.job(), As::plan, param::control_rod_clearance).as_built);
  CHECK(std::any_of(b.session.findings().begin(), b.session.findings().end(),
                    [](const Finding& f) { return f.code == FindingCode::rod_preload; }));
  b.type(entry, "9 km");
  CHECK(value_of(b.session.job(), As::plan, param::control_rod_clearance).si == Approx(-0.0001));
}

TEST_CASE(
    "every control has a name for a screen reader, at both sizes nothing is cut off the window") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  for (const QSize size : {QSize(1280, 800), QSize(1920, 1080)}) {
    b.window->resize(size);
    for (const Stage s : kStages) {
      b.stage(s);
      for (auto* w : b.window->page(s)->findChildren<QWidget*>()) {
        if (!w->isVisible() || w->focusPolicy() == Qt::NoFocus || qobject_cast<QScrollArea*>(w))
          continue;
        const bool button = qobject_cast<QAbstractButton*>(w) &&
                            !qobject_cast<QAbstractButton*>(w)->text().isEmpty();
        const bool inner =
            w->objectName().startsWith("qt_") ||
            (qobject_cast<QLineEdit*>(w) && qobject_cast<QComboBox*>(w->parentWidget()));
        INFO(w->metaObject()->className()
             << " " << w->objectName().toStdString() << " on stage " << int(s));
        if (!inner && !button) CHECK_FALSE(w->accessibleName().isEmpty());
      }
      for (auto* area : b.window->page(s)->findChildren<QScrollArea*>()) {
        if (!area->isVisible() || !area->widget()) continue;
        INFO("stage " << int(s) << " at " << size.width());
        CHECK(area->widget()->width() <= area->viewport()->width());
      }
      CHECK(b.window->page(s)->width() <= b.window->width());
      CHECK(b.window->width() == size.width());
    }
  }
}

namespace {

/// Types into the next dialog that opens, and lets it go.
void in_next_finder(const std::function<void(Finder*)>& fn) {
  QTimer::singleShot(0, [fn] {
    auto* finder = qobject_cast<Finder*>(QApplication::activeModalWidget());
    REQUIRE(finder);
    fn(finder);
  });
}

}  // namespace

TEST_CASE("the list of actions is searchable and runs what is chosen") {
  Bench b;
  in_next_finder([](Finder* finder) {
    CHECK(finder->list()->count() > 25);
    QTest::keyClicks(finder->search(), "prove");
    REQUIRE(finder->list()->count() == 1);
    CHECK(finder->list()->item(0)->text().contains("Ctrl+8"));
    QTest::keyClick(finder->search(), Qt::Key_Return);
  });
  b.window->action("find_action")->trigger();
  QTest::qWait(20);
  CHECK(b.window->stage() == Stage::prove);
}

TEST_CASE("a value is found by its words and its field gets the keys, wherever it is") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  in_next_finder([](Finder* finder) {
    QTest::keyClicks(finder->search(), "found pin pivot rod");
    REQUIRE(finder->list()->count() >= 1);
    QTest::keyClick(finder->search(), Qt::Key_Return);
  });
  b.window->action("find_value")->trigger();
  QTest::qWait(20);
  auto* entry = qobject_cast<QLineEdit*>(b.window->focusWidget());
  REQUIRE(entry);
  CHECK(entry->accessibleName() == "Pivot to rod pin");
  // One that no survey shows: the rod's.
  CHECK(b.window->go_to(As::plan, param::rod_snout));
  CHECK(b.window->stage() == Stage::rod);
  entry = qobject_cast<QLineEdit*>(b.window->focusWidget());
  REQUIRE(entry);
  CHECK(entry->accessibleName() == "Nose behind the mounting flange");
}

TEST_CASE("undo works while a field has the focus, but never takes what is being typed") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->focus_param(As::found, param::control_pin_arm);
  auto* entry = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  REQUIRE(entry);
  const double before = value_of(b.session.job(), As::found, param::control_pin_arm).si;
  entry->selectAll();
  QTest::keyClicks(entry, "55 mm");
  QTest::keyClick(entry, Qt::Key_Return);
  REQUIRE(value_of(b.session.job(), As::found, param::control_pin_arm).si == Approx(0.055));
  CHECK(entry->hasFocus());
  QTest::keyClick(entry, Qt::Key_Z, Qt::ControlModifier);
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).si == Approx(before));
  // Typed and not entered yet: the field's own undo.
  entry->selectAll();
  QTest::keyClicks(entry, "66");
  const double stands = value_of(b.session.job(), As::found, param::control_pin_arm).si;
  QTest::keyClick(entry, Qt::Key_Z, Qt::ControlModifier);
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).si == Approx(stands));
}

TEST_CASE("help opens at what is shown, and its pages are found by their words") {
  Bench b;
  b.stage(Stage::bleed);
  b.window->action("help")->trigger();
  HelpWindow* help = b.window->help();
  REQUIRE(help);
  CHECK(help->topic() == "bleed");
  CHECK(help->page()->toPlainText().contains("three strokes in a row"));
  QTest::keyClicks(help->search(), "unknown on purpose");
  REQUIRE(help->topics()->count() == 1);
  help->topics()->setCurrentRow(0);
  CHECK(help->topic() == "survey");
  // Every stage has its page, and none is empty.
  for (const Stage s : kStages) {
    const QString topic = words_of(stage_words(s)).toLower();
    CHECK(help_topics().contains(topic));
    CHECK(help_text(topic).size() > 200);
  }
  for (const QString& topic : help_topics()) CHECK_FALSE(help_text(topic).isEmpty());
  help->close();
}
