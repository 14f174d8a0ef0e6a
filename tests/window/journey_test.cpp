// Journeys through the real window, with the mouse and by the keyboard alone.
#include <QListWidget>
#include <QPushButton>

#include "sizing/relative.hpp"
#include "ui/action_finder.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE(
    "a journey: new job, two bores and ratios, brakes, map, rod, readings, sheet, save, reopen",
    "[comma]") {
  Bench b;
  b.window->action("new")->trigger();
  // Two bores and two ratios, nothing else: the answer is there at once.
  b.stage(Stage::size);
  auto* size = b.page<SizePage>(Stage::size);
  REQUIRE(size);
  CHECK(size->sentence()->text().contains("two bores"));
  b.type(b.entry(size->panel(), Which::found, Param::master_bore), "7/8 in");
  b.type(b.entry(size->panel(), Which::found, Param::control_pad_arm), "300 mm");
  b.type(b.entry(size->panel(), Which::found, Param::control_pin_arm), "50mm");
  b.type(b.entry(size->panel(), Which::plan, Param::master_bore), "25,4 mm");
  CHECK(size->sentence()->text().contains("31 % harder, 23 % shorter"));
  CHECK(b.session.map().error().reason.find("not known") != std::string::npos);

  // Brakes, circuits and vehicle in the survey.
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(Which::found);
  const auto group = [&](Group g) {
    survey->show_group(g);
    QApplication::processEvents();
    return survey->panel();
  };
  b.choose(group(Group::assist), Which::found, Param::assist_kind, 0);
  b.choose(group(Group::master), Which::found, Param::master_kind, 1);
  b.type(b.entry(group(Group::master), Which::found, Param::master_stroke1), "18 mm");
  b.type(b.entry(group(Group::master), Which::found, Param::master_stroke2), "17 mm");
  b.choose(group(Group::front), Which::found, Param::front_kind, 0);
  CHECK(survey->panel()->field(Which::found, Param::front_drum) == nullptr);
  b.type(b.entry(group(Group::front), Which::found, Param::front_piston), "48 mm");
  b.type(b.entry(group(Group::front), Which::found, Param::front_radius), "101 mm");
  b.type(b.entry(group(Group::front), Which::found, Param::front_tyre), "298 mm");
  b.choose(group(Group::rear), Which::found, Param::rear_kind, 2);
  b.type(b.entry(group(Group::rear), Which::found, Param::rear_cylinder), "3/4 in");
  b.type(b.entry(group(Group::rear), Which::found, Param::rear_drum), "9 in");
  b.type(b.entry(group(Group::rear), Which::found, Param::rear_tyre), "298 mm");
  for (const Wheel w : kWheels)
    b.choose(group(Group::circuit), Which::found, circuit_of(w), axle_of(w) == Axle::front ? 0 : 1);
  b.type(b.entry(group(Group::vehicle), Which::found, Param::vehicle_mass), "1260 kg");
  b.type(b.entry(group(Group::vehicle), Which::found, Param::vehicle_wheelbase), "100 in");
  b.type(b.entry(group(Group::vehicle), Which::found, Param::vehicle_front_share), "53");
  b.choose(group(Group::vehicle), Which::found, Param::vehicle_steering, 0);
  REQUIRE(b.session.strip()[0].target);
  CHECK(b.session.strip()[0].target->reached);

  // The map: touch a cell that is not the plan's; bore, strip and curve follow.
  b.stage(Stage::size);
  REQUIRE(b.session.map());
  const double before = b.session.strip()[1].target->at.pad_force_n;
  const Spot cell = size->map()->picture().spots[3];
  QTest::mouseClick(size->map(), Qt::LeftButton, {}, cell.area.center().toPoint());
  QApplication::processEvents();
  const double bore = value_of(b.session.job(), Which::plan, Param::master_bore).si;
  CHECK(bore == b.session.map()->bores_m[0]);
  CHECK(b.session.strip()[1].target->at.pad_force_n != before);
  CHECK(b.session.undo_name().startsWith("bore "));

  // The rod.
  b.stage(Stage::rod);
  auto* rod = b.page<RodPage>(Stage::rod);
  b.type(b.entry(rod->panel(), Which::found, Param::rod_snout), "0.560in");
  b.type(b.entry(rod->panel(), Which::found, Param::rod_socket), "1.010in");
  b.type(b.entry(rod->panel(), Which::found, Param::rod_stack), "1 mm");
  CHECK(rod->answer()->text().contains("not known"));
  b.type(b.entry(rod->panel(), Which::plan, Param::rod_snout), "1.730in");
  b.type(b.entry(rod->panel(), Which::plan, Param::rod_socket), "1.010in");
  b.type(b.entry(rod->panel(), Which::plan, Param::rod_stack), "1 mm");
  CHECK(rod->answer()->text().startsWith("Shorten by 29.72 mm (1.170 in) ± "));

  // Readings.
  b.stage(Stage::prove);
  auto* prove = b.page<ProvePage>(Stage::prove);
  const auto model = FeelModel::make(*assemble(b.session.job(), Which::plan).system, {});
  for (const double f : {40.0, 52.0, 66.0, 120.0, 250.0}) {
    const double s = model->at(model->pressure_for_force(f)).pad_travel_m;
    prove->force()->setFocus();
    QTest::keyClicks(prove->force(), QString::number(f) + " N");
    b.type(prove->travel(), QString::number(s * 1e3 + 5, 'f', 2) + " mm");
  }
  CHECK(b.session.job().readings.size() == 5);
  INFO(prove->verdict()->text().toStdString());
  CHECK(prove->verdict()->text().contains("slack 5.0"));

  // Sheet and file.
  b.next_file = b.dir.filePath("sheet.pdf");
  b.window->action("sheet")->trigger();
  CHECK(QFile(b.next_file).size() > 20000);
  b.next_file = b.dir.filePath("mine.yoke");
  b.window->action("save_as")->trigger();
  CHECK(b.told.isEmpty());
  CHECK_FALSE(b.session.dirty());
  const Job kept = b.session.job();
  b.window->action("new")->trigger();
  CHECK(b.session.job() == blank_job());
  b.next_file = b.dir.filePath("mine.yoke");
  b.window->action("open")->trigger();
  CHECK(b.session.job() == kept);
}

TEST_CASE("a second journey by keyboard alone") {
  Bench b;
  const auto key = [&](Qt::Key k, Qt::KeyboardModifiers m = {}) {
    QWidget* w = QApplication::focusWidget() ? QApplication::focusWidget() : b.window.get();
    QTest::keyClick(w, k, m);
    QTest::qWait(5);
  };
  const auto words = [&](const QString& s) { QTest::keyClicks(QApplication::focusWidget(), s); };
  // F9 walks to what is unknown and worth measuring; Enter takes the value.
  b.session.show_condition(ConditionId::found);
  key(Qt::Key_F9);
  REQUIRE(qobject_cast<QLineEdit*>(QApplication::focusWidget()));
  CHECK(QApplication::focusWidget()->accessibleName() == "Pivot to pad");
  words("13 in");
  key(Qt::Key_Return);
  CHECK(value_of(b.session.job(), Which::found, Param::control_pad_arm).si == Approx(0.3302));
  key(Qt::Key_F9);
  CHECK(QApplication::focusWidget()->accessibleName() == "Pivot to rod pin");
  words("2 in");
  key(Qt::Key_Return);
  // Undo and redo.
  key(Qt::Key_Z, Qt::ControlModifier);
  b.window->setFocus();
  key(Qt::Key_Z, Qt::ControlModifier);
  CHECK_FALSE(b.session.job().found.at(Param::control_pin_arm));
  key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(value_of(b.session.job(), Which::found, Param::control_pin_arm).si == Approx(0.0508));
  // Open the demo job, go through all stages by their keys.
  b.next_file = demo(b.dir);
  key(Qt::Key_O, Qt::ControlModifier);
  CHECK(b.session.job().title == "Estate car: drums to front discs");
  for (int i = 0; i < 9; ++i) {
    key(static_cast<Qt::Key>(Qt::Key_1 + i), Qt::ControlModifier);
    CHECK(b.window->stage() == static_cast<Stage>(i));
    CHECK(b.window->page(static_cast<Stage>(i))->isVisible());
  }
  // Conditions, units, and the pad held down.
  b.session.show_condition(ConditionId::plan);
  key(Qt::Key_F7);
  CHECK(b.session.shown() == ConditionId::assist_lost);
  key(Qt::Key_F6);
  CHECK(b.session.shown() == ConditionId::plan);
  key(Qt::Key_U, Qt::ControlModifier);
  CHECK(b.session.style().units == UnitStyle::metric);
  key(Qt::Key_1, Qt::ControlModifier);
  QTest::keyPress(b.window.get(), Qt::Key_F8);
  // Generous waits: only the outcome counts, however slow the machine.
  CHECK(QTest::qWaitFor([&] { return b.session.pressed_m() > 0.003; }, 10000));
  const double down = b.session.pressed_m();
  QTest::keyRelease(b.window.get(), Qt::Key_F8);
  CHECK(QTest::qWaitFor([&] { return b.session.pressed_m() < down; }, 10000));
  // Choose a cell of the map with the arrows.
  key(Qt::Key_2, Qt::ControlModifier);
  auto* map = b.page<SizePage>(Stage::size)->map();
  map->setFocus(Qt::TabFocusReason);
  const double bore = value_of(b.session.job(), Which::plan, Param::master_bore).si;
  key(Qt::Key_Up);
  INFO(map->cursor_words().toStdString());
  CHECK(map->cursor_words().contains("15/16 in"));
  key(Qt::Key_Return);
  CHECK(value_of(b.session.job(), Which::plan, Param::master_bore).si > bore);
  // Tick a step, count a stroke, pass a gate: Space on what has the focus.
  key(Qt::Key_6, Qt::ControlModifier);
  auto* step = b.window->page(Stage::install)->findChild<QCheckBox*>("step:rod.pin");
  REQUIRE(step);
  step->setFocus(Qt::TabFocusReason);
  key(Qt::Key_Space);
  CHECK(b.session.job().steps.at("rod.pin").done);
  CHECK_FALSE(b.session.job().steps.at("rod.pin").date.empty());
  key(Qt::Key_7, Qt::ControlModifier);
  auto* stroke = b.window->page(Stage::bleed)->findChild<QPushButton*>("bleed:fl:clear");
  REQUIRE(stroke);
  stroke->setFocus(Qt::TabFocusReason);
  for (int i = 0; i < 3; ++i) key(Qt::Key_Space);
  CHECK(b.session.job().bleeding.at("fl").strokes == 3);
  CHECK(b.session.job().bleeding.at("fl").clear_strokes == 3);
  key(Qt::Key_8, Qt::ControlModifier);
  QPushButton* gate = nullptr;
  for (auto* p : b.window->page(Stage::prove)->findChildren<QPushButton*>())
    if (p->accessibleName() == "No joint weeps: passed") gate = p;
  REQUIRE(gate);
  gate->setFocus(Qt::TabFocusReason);
  key(Qt::Key_Space);
  CHECK(b.session.job().gates.at("weep").state == GateState::passed);
  INFO(QApplication::focusWidget()->accessibleName().toStdString());
  CHECK(QApplication::focusWidget()->accessibleName() == "No joint weeps: passed");
  // Save.
  b.next_file = b.dir.filePath("keys.yoke");
  key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(QFile::exists(b.next_file));
  CHECK_FALSE(b.session.dirty());
}

TEST_CASE("a field refuses what cannot be, keeps the old value, and Escape restores", "[comma]") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(Which::found);
  struct Bad {
    Group group;
    Param param;
    const char* typed;
    const char* says;
  };
  const Bad table[] = {{Group::master, Param::master_bore, "-1 in", "8.00 mm to 60.00 mm"},
                       {Group::control, Param::control_pad_arm, "0", "50.0 mm to 800.0 mm"},
                       {Group::control, Param::control_pin_arm, "big", "not a number"},
                       {Group::control, Param::control_rod_length, "1,234.5", "decimal sign"},
                       {Group::vehicle, Param::vehicle_front_share, "130 %", "10 % to 90 %"},
                       {Group::master, Param::master_bore, "400 psi", "not a unit"}};
  for (const Bad& t : table) {
    INFO(t.typed);
    survey->show_group(t.group);
    QApplication::processEvents();
    auto* f = qobject_cast<QuantityField*>(survey->panel()->field(Which::found, t.param));
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
  b.type(b.entry(survey->panel(), Which::found, Param::control_offset), "60 mm");
  auto* rod =
      qobject_cast<QuantityField*>(survey->panel()->field(Which::found, Param::control_rod_length));
  b.type(rod->entry(), "50 mm");
  CHECK(rod->refusal().contains("shorter than its offset"));
  CHECK(rod->refusal().contains("rod longer than 60.0 mm"));
  CHECK(value_of(b.session.job(), Which::found, Param::control_rod_length).si == Approx(0.152));
  QTest::keyClick(rod->entry(), Qt::Key_Escape);
  survey->show_group(Group::lines);
  auto* fluid =
      qobject_cast<ChoiceField*>(survey->panel()->field(Which::found, Param::fluid_grade));
  REQUIRE(fluid);
  const Job before = b.session.job();
  b.type(fluid->entry()->lineEdit(), "5.2");
  CHECK(b.session.job() == before);
  CHECK(fluid->refusal().contains("no fluid grade “5.2”"));
  // Empty means not entered, a question mark unknown on purpose.
  survey->show_group(Group::master);
  QApplication::processEvents();
  auto* bore = b.entry(survey->panel(), Which::found, Param::master_bore);
  b.type(bore, "?");
  CHECK_FALSE(value_of(b.session.job(), Which::found, Param::master_bore).known());
  CHECK(bore->placeholderText() == "unknown");
}

TEST_CASE(
    "dragging the pad presses it, touching a dimension goes to its field, a column chooses the "
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
  b.keep = 2;
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
  CHECK(record->findChild<QTextBrowser*>()->toPlainText().contains("LEFT UNSAFE"));
}

TEST_CASE("touching a wheel flips its outlet, and a crossing is a finding") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::plumb);
  auto* drawing = b.page<PlumbPage>(Stage::plumb)->drawing();
  const Spot wheel = drawing->picture().spots[1];
  QTest::mouseClick(drawing, Qt::LeftButton, {}, wheel.area.center().toPoint());
  CHECK(any_hard(b.session.findings()));
  CHECK(b.window->page(Stage::plumb)->findChild<FindingsBox*>()->text().contains("Crossed"));
  b.window->action("undo")->trigger();
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
  CHECK(value_of(b.session.job(), Which::plan, Param::control_rod_clearance).as_built);
  CHECK(std::any_of(b.session.findings().begin(), b.session.findings().end(),
                    [](const Finding& f) { return f.code == "rod.preload"; }));
  b.type(entry, "9 km");
  CHECK(value_of(b.session.job(), Which::plan, Param::control_rod_clearance).si == Approx(-0.0001));
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
            qobject_cast<QLineEdit*>(w) && qobject_cast<QComboBox*>(w->parentWidget());
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

TEST_CASE("the list of actions is searchable and runs what is chosen") {
  Bench b;
  ActionFinder finder(b.window->actions(), b.window.get());
  finder.show();
  auto* search = finder.findChild<QLineEdit*>();
  auto* list = finder.findChild<QListWidget*>();
  CHECK(list->count() > 25);
  QTest::keyClicks(search, "prove");
  REQUIRE(list->count() == 1);
  CHECK(list->item(0)->text().contains("Ctrl+8"));
  QTest::keyClick(search, Qt::Key_Return);
  QTest::qWait(20);
  CHECK(b.window->stage() == Stage::prove);
}
