// Faces that are drawings: touched where a thing is measured, typed there, seen there.
#include <set>

#include "assembly/relevance.hpp"
#include "document/param/control.hpp"
#include "document/param/kit.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/plate.hpp"
#include "rod/ends.hpp"
#include "support/painted_texts.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr Group kPlates[] = {Group::unit, Group::symptom, Group::ageing, Group::gauge, Group::kit};

QString painted(const Picture& picture) {
  QStringList all;
  for (const PaintedText& t : painted_texts(picture)) all << t.text;
  return all.join(QLatin1Char('|'));
}

PlateView* shown_plate(Bench& b, Group group) {
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  page->show_system(As::found);
  page->show_group(group);
  QApplication::processEvents();
  for (auto* plate : page->findChildren<PlateView*>())
    if (plate->isVisible()) return plate;
  FAIL("no plate");
  return nullptr;
}

QRectF place_of(const PlateView* plate, const QString& id) {
  for (const Spot& s : plate->picture().spots)
    if (s.id == id) return s.area;
  FAIL("no place " << id.toStdString());
  return {};
}

}  // namespace

TEST_CASE(
    "every question of the unit, the symptoms, the old parts, the bore and the kit has its place") {
  for (const bool clutch : {false, true}) {
    Job job = known_job();
    if (clutch) job.found.set(param::control_use, {1, How::stated, 0, {}});
    for (const Group group : kPlates) {
      REQUIRE(has_plate(group));
      const Picture plate = plate_of(group, {job, As::found, Style{}}, {600, 400});
      std::set<std::string> ids;
      for (const Spot& s : plate.spots) ids.insert(s.id.section(':', 1).toStdString());
      for (const ParamInfo& p : all_params()) {
        if (p.group != group) continue;
        INFO(p.id << (clutch ? ", clutch" : ", brakes"));
        CHECK(ids.count(std::string(p.id)) == (relevant(job, As::found, p.param) ? 1 : 0));
      }
    }
  }
  CHECK_FALSE(has_plate(Group::vehicle));
}

TEST_CASE("a plate says what is unknown, what is typical and what was measured, at any width") {
  Job job = known_job();
  job.found.set(param::unit_pilot, measured(param::unit_pilot, 0.0476, How::calliper));
  for (const double width : {460.0, 600.0, 900.0, 1400.0}) {
    const Picture plate =
        unit_plate({job, As::found, Style{UnitStyle::metric, false}}, {width, 300});
    INFO(width);
    CHECK(painted(plate).contains("47.60 mm"));
    CHECK(plate.said.contains("Stud diameter: unknown"));
    CHECK(plate.said.contains("Pilot diameter: 47.60 mm"));
    const auto texts = painted_texts(plate);
    const QRectF all(QPointF(0, 0), plate.size);
    for (std::size_t i = 0; i < texts.size(); ++i) {
      INFO(texts[i].text.toStdString());
      CHECK(all.contains(texts[i].area));
      for (std::size_t k = i + 1; k < texts.size(); ++k) {
        INFO(texts[k].text.toStdString());
        CHECK_FALSE(crosses(texts[i], texts[k]));
      }
    }
  }
  const Picture symptoms =
      symptom_plate({job, As::found, Style{UnitStyle::metric, false}}, {600, 300});
  CHECK(symptoms.said.contains("Push of these tests: ≈ 150 N"));
}

TEST_CASE("a number on the plate is touched, the value typed there, and undone in one step") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  PlateView* plate = shown_plate(b, Group::unit);
  const Job before = b.session.job();
  QTest::mouseClick(plate, Qt::LeftButton, {},
                    place_of(plate, "param:unit.pilot").center().toPoint());
  QApplication::processEvents();
  auto* field = qobject_cast<QuantityField*>(plate->open_field());
  REQUIRE(field);
  CHECK(field->param() == param::unit_pilot);
  b.type(field->entry(), "2 in");
  QTest::qWait(1);
  CHECK(value_of(b.session.job(), As::found, param::unit_pilot).si == Approx(0.0508));
  CHECK_FALSE(plate->open_field());
  CHECK(plate->picture().said.join('|').contains("Pilot diameter: 50.80 mm"));
  b.session.undo();
  CHECK(b.session.job() == before);
}

TEST_CASE("a plate is worked by the keyboard alone, and the list of all values is one key away") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  PlateView* plate = shown_plate(b, Group::symptom);
  plate->setFocus();
  for (int i = 0; i < 60; ++i) {
    QTest::keyClick(plate, Qt::Key_Right);
    if (plate->walked() && plate->walked()->id == "param:symptom.sink") break;
  }
  REQUIRE(plate->walked());
  QTest::keyClick(plate, Qt::Key_Return);
  QApplication::processEvents();
  auto* field = qobject_cast<QuantityField*>(plate->open_field());
  REQUIRE(field);
  b.type(field->entry(), "12 mm");
  CHECK(value_of(b.session.job(), As::found, param::symptom_sink).si == Approx(0.012));
  auto* face = b.page<SurveyPage>(Stage::survey)->wrong();
  REQUIRE(face->list_button()->isVisible());
  QTest::keyClick(face->list_button(), Qt::Key_Space);
  QApplication::processEvents();
  CHECK_FALSE(plate->isVisible());
  CHECK(face->panel()->isVisible());
  CHECK(b.entry(face->panel(), As::found, param::symptom_sink)->text() == "12 mm");
}

TEST_CASE("a kit's plate keeps what is in the unit and what is in the kit apart") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  PlateView* plate = shown_plate(b, Group::kit);
  REQUIRE(plate->edit(As::found, param::kit_piston));
  CHECK(plate->open_field()->which() == As::found);
  REQUIRE(plate->edit(As::plan, param::kit_piston));
  CHECK(plate->open_field()->which() == As::plan);
  b.type(qobject_cast<QuantityField*>(plate->open_field())->entry(), "31 mm");
  CHECK(value_of(b.session.job(), As::plan, param::kit_piston).si == Approx(0.031));
  CHECK_FALSE(b.session.job().found.at(param::kit_piston).has_value());
}

TEST_CASE("a box is dragged to its place, from above and from the side, in one step of undo") {
  Bench b;
  Job job = known_job();
  Box unit;
  unit.kind = Box::Kind::unit;
  unit.name = "Unit";
  unit.x_m = 0.15;
  unit.dx_m = 0.3;
  unit.dy_m = unit.dz_m = 0.1;
  Box near = unit;
  near.kind = Box::Kind::fixed;
  near.name = "Tray";
  near.y_m = 0.3;
  job.boxes = {unit, near};
  b.session.take(job);
  b.stage(Stage::fit);
  auto* page = b.window->page(Stage::fit);
  page->show_face("room");
  QApplication::processEvents();
  auto* face = page->findChild<RoomFace*>();
  REQUIRE(face);
  PictureView* drawing = face->drawing();
  const auto scale = [&] {
    return room_pixels_per_metre(b.session.job(), QSizeF(drawing->size()));
  };
  double per_m = scale();
  const auto drag = [&](const char* id, QPoint by) {
    for (const Spot& s : drawing->picture().spots)
      if (s.id == id) {
        const QPoint at = s.area.center().toPoint();
        QTest::mousePress(drawing, Qt::LeftButton, {}, at);
        QTest::mouseMove(drawing, at + by / 2);
        QTest::mouseMove(drawing, at + by);
        QTest::mouseRelease(drawing, Qt::LeftButton, {}, at + by);
        QApplication::processEvents();
        return;
      }
    FAIL("no box " << id);
  };
  drag("box:above:1", {20, 10});
  CHECK(b.session.job().boxes[1].x_m == Approx(0.15 + 20 / per_m).margin(0.001));
  CHECK(b.session.job().boxes[1].y_m == Approx(0.3 + 10 / per_m).margin(0.001));
  CHECK(b.session.job().boxes[1].z_m == 0);
  CHECK(face->table()->currentRow() == 1);
  b.session.undo();
  CHECK(b.session.job() == job);
  per_m = scale();
  drag("box:side:1", {0, -16});
  CHECK(b.session.job().boxes[1].z_m == Approx(16 / per_m).margin(0.001));
  CHECK(b.session.job().boxes[1].y_m == Approx(0.3));
}

TEST_CASE("the rod's thread is touched where it holds, and tells the turns that the figures tell") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::rod);
  auto* page = b.window->page(Stage::rod);
  page->show_face("ends");
  QApplication::processEvents();
  auto* face = page->findChild<DrawnFace*>();
  REQUIRE(face);
  PictureView* drawing = nullptr;
  for (auto* view : face->findChildren<PictureView*>())
    if (view->isVisible() && view->accessibleName() == "Rod and thread") drawing = view;
  REQUIRE(drawing);
  for (const auto& [id, words] : {std::pair("param:rod.engaged", "Thread engaged now"),
                                  {"param:rod.pitch", "Thread pitch"}}) {
    for (const Spot& s : drawing->picture().spots)
      if (s.id == id) QTest::mouseClick(drawing, Qt::LeftButton, {}, s.area.center().toPoint());
    QApplication::processEvents();
    REQUIRE(QApplication::focusWidget());
    CHECK(QApplication::focusWidget()->accessibleName() == words);
  }
  const EndsReport ends = ends_report(b.session.job(), rod_report(b.session.job()));
  REQUIRE(ends.turns);
  CHECK(drawing->picture().said.join('|').contains(
      QString::number(std::abs(*ends.turns), 'f', 1) +
      (*ends.turns < 0 ? " turns in (shorter)" : " turns out (longer)")));
}
