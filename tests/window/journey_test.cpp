// Journeys through the real window, with the mouse and by the keyboard alone.
#include <QPushButton>

#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/rod.hpp"
#include "document/param/vehicle.hpp"
#include "sizing/relative.hpp"
#include "ui/gates_box.hpp"
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
  CHECK(size->map_face()->sentence()->text().contains("two bores"));
  b.type(b.entry(size->map_face()->panel(), As::found, param::master_bore), "7/8 in");
  b.type(b.entry(size->map_face()->panel(), As::found, param::control_pad_arm), "300 mm");
  b.type(b.entry(size->map_face()->panel(), As::found, param::control_pin_arm), "50mm");
  b.type(b.entry(size->map_face()->panel(), As::plan, param::master_bore), "25,4 mm");
  CHECK(size->map_face()->sentence()->text().contains("31 % harder, 23 % shorter"));
  CHECK(english(b.session.map().error().reason).find("not known") != std::string::npos);

  // Brakes, circuits and vehicle in the survey.
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  const auto group = [&](Group g) {
    survey->show_group(g);
    QApplication::processEvents();
    return survey->panel();
  };
  b.choose(group(Group::assist), As::found, param::assist_kind, 0);
  b.choose(group(Group::master), As::found, param::master_kind, 1);
  b.type(b.entry(group(Group::master), As::found, param::master_stroke1), "18 mm");
  b.type(b.entry(group(Group::master), As::found, param::master_stroke2), "17 mm");
  b.choose(group(Group::front), As::found, param::front_kind, 0);
  CHECK(survey->panel()->field(As::found, param::front_drum) == nullptr);
  b.type(b.entry(group(Group::front), As::found, param::front_piston), "48 mm");
  b.type(b.entry(group(Group::front), As::found, param::front_radius), "101 mm");
  b.type(b.entry(group(Group::front), As::found, param::front_tyre), "298 mm");
  b.choose(group(Group::rear), As::found, param::rear_kind, 2);
  b.type(b.entry(group(Group::rear), As::found, param::rear_cylinder), "3/4 in");
  b.type(b.entry(group(Group::rear), As::found, param::rear_drum), "9 in");
  b.type(b.entry(group(Group::rear), As::found, param::rear_tyre), "298 mm");
  for (const Wheel w : kWheels)
    b.choose(group(Group::circuit), As::found, circuit_of(w), axle_of(w) == Axle::front ? 0 : 1);
  b.type(b.entry(group(Group::vehicle), As::found, param::vehicle_mass), "1260 kg");
  b.type(b.entry(group(Group::vehicle), As::found, param::vehicle_wheelbase), "100 in");
  b.type(b.entry(group(Group::vehicle), As::found, param::vehicle_front_share), "53");
  b.choose(group(Group::vehicle), As::found, param::vehicle_steering, 0);
  REQUIRE(b.session.strip()[0].target);
  CHECK(b.session.strip()[0].target->reached);

  // The map: touch a cell that is not the plan's; bore, strip and curve follow.
  b.stage(Stage::size);
  REQUIRE(b.session.map());
  const double before = b.session.strip()[1].target->at.pad_force_n;
  const Spot cell = size->map_face()->map()->picture().spots[3];
  QTest::mouseClick(size->map_face()->map(), Qt::LeftButton, {}, cell.area.center().toPoint());
  QApplication::processEvents();
  const double bore = value_of(b.session.job(), As::plan, param::master_bore).si;
  CHECK(bore == b.session.map()->bores_m[0]);
  CHECK(b.session.strip()[1].target->at.pad_force_n != before);
  CHECK(b.session.undo_name().startsWith("bore "));

  // The rod.
  b.stage(Stage::rod);
  auto* rod = b.page<RodPage>(Stage::rod);
  b.type(b.entry(rod->length_face()->panel(), As::found, param::rod_snout), "0.560in");
  b.type(b.entry(rod->length_face()->panel(), As::found, param::rod_socket), "1.010in");
  b.type(b.entry(rod->length_face()->panel(), As::found, param::rod_stack), "1 mm");
  CHECK(rod->decision()->text().contains("not known"));
  b.type(b.entry(rod->length_face()->panel(), As::plan, param::rod_snout), "1.730in");
  b.type(b.entry(rod->length_face()->panel(), As::plan, param::rod_socket), "1.010in");
  b.type(b.entry(rod->length_face()->panel(), As::plan, param::rod_stack), "1 mm");
  CHECK(rod->decision()->text().startsWith("Shorten by 29.72 mm (1.170 in) ± "));

  // Readings.
  b.prove_all();
  auto* prove = b.page<ProvePage>(Stage::prove);
  const auto model = FeelModel::make(*assemble(b.session.job(), As::plan).system, {});
  for (const double f : {40.0, 52.0, 66.0, 120.0, 250.0}) {
    const double s = model->at(model->drive_for_force(f)).pad_travel_m;
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
  CHECK(QApplication::focusWidget()->accessibleName() == "Pivot to pedal pad");
  words("13 in");
  key(Qt::Key_Return);
  CHECK(value_of(b.session.job(), As::found, param::control_pad_arm).si == Approx(0.3302));
  key(Qt::Key_F9);
  CHECK(QApplication::focusWidget()->accessibleName() == "Pivot to rod pin");
  words("2 in");
  key(Qt::Key_Return);
  // Undo and redo, the field keeping the focus.
  key(Qt::Key_Z, Qt::ControlModifier);
  CHECK_FALSE(b.session.job().found.at(param::control_pin_arm));
  key(Qt::Key_Z, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).si == Approx(0.0508));
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
  auto* map = b.page<SizePage>(Stage::size)->map_face()->map();
  map->setFocus(Qt::TabFocusReason);
  const double bore = value_of(b.session.job(), As::plan, param::master_bore).si;
  key(Qt::Key_Up);
  INFO(map->cursor_words().toStdString());
  CHECK(map->cursor_words().contains("15/16 in"));
  key(Qt::Key_Return);
  CHECK(value_of(b.session.job(), As::plan, param::master_bore).si > bore);
  // Tick a step, count a stroke, pass a gate: Space on what has the focus.
  key(Qt::Key_6, Qt::ControlModifier);
  auto* step = b.window->page(Stage::install)->findChild<QCheckBox*>("step:rod.pin");
  REQUIRE(step);
  step->setFocus(Qt::TabFocusReason);
  key(Qt::Key_Space);
  CHECK(b.session.job().steps.at("rod.pin").done);
  CHECK_FALSE(b.session.job().steps.at("rod.pin").date.empty());
  key(Qt::Key_7, Qt::ControlModifier);
  auto* stroke = b.window->page(Stage::bleed)->findChild<QPushButton*>("bleed:clear");
  static_cast<BleedPage*>(b.window->page(Stage::bleed))->coach()->go_to("fl");
  REQUIRE(stroke);
  stroke->setFocus(Qt::TabFocusReason);
  for (int i = 0; i < 3; ++i) key(Qt::Key_Space);
  CHECK(b.session.job().bleeding.at("fl").strokes == 3);
  CHECK(b.session.job().bleeding.at("fl").clear_strokes == 3);
  key(Qt::Key_8, Qt::ControlModifier);
  b.prove_all();
  const auto press = [&](const char* name) {
    QPushButton* button = nullptr;
    for (auto* p : b.window->page(Stage::prove)->findChildren<QPushButton*>())
      if (p->accessibleName() == QLatin1String(name)) button = p;
    REQUIRE(button);
    button->setFocus(Qt::TabFocusReason);
    key(Qt::Key_Space);
    QApplication::processEvents();
  };
  press("Prove: No joint weeps");
  auto* gates = b.window->page(Stage::prove)->findChild<GatesBox*>();
  REQUIRE(gates->seen());
  gates->seen()->setFocus(Qt::TabFocusReason);
  key(Qt::Key_Down);  // what is usually seen
  CHECK_FALSE(gates->seen()->currentText().isEmpty());
  gates->who()->setText("A. Builder");
  press("No joint weeps: It passes");
  CHECK(b.session.job().gates.at("weep").state == GateState::passed);
  CHECK(b.session.job().gates.at("weep").who == "A. Builder");
  // Save.
  b.next_file = b.dir.filePath("keys.yoke");
  key(Qt::Key_S, Qt::ControlModifier | Qt::ShiftModifier);
  CHECK(QFile::exists(b.next_file));
  CHECK_FALSE(b.session.dirty());
}
