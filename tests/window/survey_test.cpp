// Journeys through Survey: dimensions typed on the drawing, what is wrong, the unit, age and
// rebuild, what to measure next; by mouse and by keyboard alone.
#include <QCheckBox>
#include <QLineEdit>

#include "assembly/relevance.hpp"
#include "document/param/age.hpp"
#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/changed.hpp"
#include "document/param/gauge.hpp"
#include "document/param/kit.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QPoint spot_of(PictureView* view, const QString& id) {
  for (const Spot& s : view->picture().spots)
    if (s.id == id) return s.area.center().toPoint();
  FAIL("no such spot: " << id.toStdString());
  return {};
}

QLineEdit* callout_entry(SurveyPage* page) {
  auto* f = qobject_cast<QuantityField*>(page->line()->editor()->field());
  REQUIRE(f);
  return f->entry();
}

}  // namespace

TEST_CASE(
    "a dimension is touched on the drawing, typed there, refused there, and its doubt chosen") {
  Bench b;
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  page->show_system(As::found);
  // The pedal alone is shown first; the whole line on its own button.
  CHECK_FALSE(page->line()->picture().said.join("; ").contains("Bore: unknown"));
  for (auto* button : page->findChildren<QPushButton*>())
    if (button->text() == "Whole") QTest::mouseClick(button, Qt::LeftButton);
  QApplication::processEvents();
  CHECK(page->line()->picture().said.join("; ").contains("Bore: unknown"));
  QTest::mouseClick(page->line(), Qt::LeftButton, {}, spot_of(page->line(), "param:master.bore"));
  REQUIRE(page->line()->editor()->isVisible());
  CHECK(QApplication::focusWidget() == callout_entry(page));
  b.type(callout_entry(page), "soon");
  CHECK(page->line()->editor()->isVisible());
  CHECK_FALSE(page->line()->editor()->field()->refusal().isEmpty());
  b.type(callout_entry(page), "7/8 in");
  QTest::qWait(1);
  CHECK_FALSE(page->line()->editor()->isVisible());
  CHECK(value_of(b.session.job(), As::found, param::master_bore).si == Approx(0.022225));
  CHECK(page->line()->picture().said.join("; ").contains("Bore: 22.2"));
  // How it was measured is asked in the same card.
  QTest::mouseClick(page->line(), Qt::LeftButton, {}, spot_of(page->line(), "param:master.bore"));
  auto* f = qobject_cast<QuantityField*>(page->line()->editor()->field());
  f->how()->setCurrentIndex(static_cast<int>(How::estimate));
  emit f->how()->activated(static_cast<int>(How::estimate));
  CHECK(value_of(b.session.job(), As::found, param::master_bore).how == How::estimate);
  QTest::keyClick(callout_entry(page), Qt::Key_Escape);
  CHECK_FALSE(page->line()->editor()->isVisible());
}

TEST_CASE("keys alone walk the scribed dimensions, open one and enter it") {
  Bench b;
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  page->show_system(As::found);
  page->line()->setFocus();
  QTest::keyClick(page->line(), Qt::Key_Right);
  QTest::keyClick(page->line(), Qt::Key_Return);
  REQUIRE(page->line()->editor()->isVisible());
  const Param first = page->line()->editor()->field()->param();
  CHECK(first == param::control_pad_arm);
  b.type(callout_entry(page), "13 in");
  QTest::qWait(1);
  CHECK(value_of(b.session.job(), As::found, param::control_pad_arm).si == Approx(0.3302));
  CHECK(page->line()->hasFocus());
  QTest::keyClick(page->line(), Qt::Key_Right);
  QTest::keyClick(page->line(), Qt::Key_Space);
  CHECK(page->line()->editor()->field()->param() == param::control_pin_arm);
}

TEST_CASE("each group scribes its own dimensions, and labels do not lie on one another") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  for (const QSize size : {QSize(1280, 800), QSize(1920, 1080)}) {
    b.window->resize(size);
    QApplication::processEvents();
    for (const auto& [group, id] : {std::pair{Group::control, "param:control.rod_length"},
                                    {Group::master, "param:master.stroke1"},
                                    {Group::front, "param:front.piston"},
                                    {Group::rear, "param:rear.cylinder"},
                                    {Group::vehicle, "param:vehicle.mass"}}) {
      page->show_group(group);
      QApplication::processEvents();
      const auto& spots = page->line()->picture().spots;
      const QRectF whole(QPointF(0, 0), QSizeF(page->line()->size()));
      for (std::size_t i = 0; i < spots.size(); ++i) {
        if (!spots[i].id.startsWith("param:")) continue;
        INFO(spots[i].id.toStdString());
        CHECK(whole.contains(spots[i].area.center()));
        for (std::size_t k = 0; k < i; ++k)
          if (spots[k].id.startsWith("param:"))
            CHECK_FALSE(spots[k].area.center() == spots[i].area.center());
      }
      CHECK(
          std::any_of(spots.begin(), spots.end(), [id = id](const Spot& s) { return s.id == id; }));
    }
  }
}

TEST_CASE(
    "what is wrong: from pumps and plays to a cause, with nothing known but the pedal's feel") {
  Bench b;
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  QTest::keyClick(b.window.get(), Qt::Key_PageDown, Qt::ControlModifier);
  QApplication::processEvents();
  CHECK(page->face() == 1);
  auto* panel = page->panel();
  b.type(b.entry(panel, As::found, param::symptom_first), "110 mm");
  b.type(b.entry(panel, As::found, param::symptom_third), "60 mm");
  b.type(b.entry(panel, As::found, param::symptom_sink), "0 mm");
  b.choose(panel, As::found, param::symptom_leak, 0);
  const QString said = page->wrong()->figures()->text();
  INFO(said.toStdString());
  CHECK(said.contains("1. shoes out of adjustment"));
  CHECK(said.contains("Bleeding would not help"));
  CHECK(said.contains("Cheapest next test"));
  CHECK(said.contains("bore and both pedal arms"));  // for cubic centimetres
  b.session.set_value(As::found, param::master_bore,
                      measured(param::master_bore, 0.0254, How::calliper));
  b.session.set_value(As::found, param::control_pad_arm,
                      measured(param::control_pad_arm, 0.33, How::tape));
  b.session.set_value(As::found, param::control_pin_arm,
                      measured(param::control_pin_arm, 0.055, How::rule));
  CHECK(page->wrong()->figures()->text().contains("cm³"));
}

TEST_CASE("the before-curve is read with scale and tape, and stands in the plots") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  page->show_face(1);
  const auto kept = b.session.job().before.size();
  b.type(page->before()->force(), "18 kg", Qt::Key_Tab);
  b.type(page->before()->travel(), "99 mm");
  REQUIRE(b.session.job().before.size() == kept + 1);
  CHECK(b.session.job().before.back().force_n == Approx(18 * 9.80665));
  CHECK_FALSE(b.session.job().before.back().pressure_pa);
  CHECK(page->wrong()->figures()->text().contains("Dead stroke"));
  b.type(page->before()->force(), "30 kg", Qt::Key_Tab);
  b.type(page->before()->travel(), "110 mm", Qt::Key_Tab);
  b.type(page->before()->gauge(), "30 bar");
  REQUIRE(b.session.job().before.back().pressure_pa);
  CHECK(*b.session.job().before.back().pressure_pa == Approx(3e6));
  CHECK(page->wrong()->figures()->text().contains("Gauge: 3.00 MPa"));
  b.type(page->before()->force(), "30 kg", Qt::Key_Tab);
  b.type(page->before()->travel(), "110 mm", Qt::Key_Tab);
  b.type(page->before()->gauge(), "900 bar");  // refused, nothing added
  CHECK(b.session.job().before.size() == kept + 2);
  b.session.undo();
  b.type(page->before()->force(), "9000 kg", Qt::Key_Tab);
  b.type(page->before()->travel(), "99 mm");
  CHECK(b.session.job().before.size() == kept + 1);
  b.session.undo();
  CHECK(b.session.job().before.size() == kept);
}

TEST_CASE("the unit, its age and its bore: a card, an order list, a verdict or what is missing") {
  Bench b;
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  page->show_system(As::found);
  page->show_group(Group::unit);
  CHECK(page->face() == 2);
  b.type(b.entry(page->panel(), As::found, param::unit_cast_mark), "1");
  CHECK(value_of(b.session.job(), As::found, param::unit_cast_mark).si == Approx(0.001).margin(1));
  b.type(b.entry(page->panel(), As::found, param::unit_cast_mark), "1 in");
  b.session.set_value(As::found, param::master_bore,
                      measured(param::master_bore, 0.022225, How::calliper));
  CHECK(page->unit()->figures()->text().contains("two bores, a sleeve, or another body"));
  page->show_group(Group::gauge);
  CHECK(page->face() == 3);
  b.type(b.entry(page->panel(), As::found, param::gauge_a1), "22.23 mm");
  CHECK(page->state()->figures()->text().contains("Not enough measured"));
  for (const Param p :
       {param::gauge_a2, param::gauge_b1, param::gauge_b2, param::gauge_c1, param::gauge_c2})
    b.type(b.entry(page->panel(), As::found, p), "22.23 mm");
  b.type(b.entry(page->panel(), As::found, param::gauge_piston), "22.15 mm");
  // The cup and the surface are not known: no verdict is given.
  CHECK(page->state()->figures()->text().contains("Not enough measured"));
  b.session.set_value(As::found, param::gauge_cup, {0.0268, How::calliper, 0, {}});
  b.session.set_value(As::found, param::age_pitting, {0, How::stated, 0, {}});
  QApplication::processEvents();
  CHECK(page->state()->figures()->text().contains("Rebuild: clean, new rubber"));
  page->show_group(Group::kit);
  b.type(b.entry(page->panel(), As::found, param::kit_socket), "10 mm");
  b.type(b.entry(page->panel(), As::plan, param::kit_socket), "11.5 mm");
  CHECK(page->state()->figures()->text().contains("the rod must be 1.50 mm longer"));
  page->show_group(Group::ageing);
  b.type(b.entry(page->panel(), As::found, param::age_hoses), "12");
  CHECK(page->state()->figures()->text().contains("Renew all of them"));
  page->show_group(Group::changed);
  b.choose(page->panel(), As::found, param::changed_cam, 1);
  CHECK(page->state()->figures()->text().contains("Less vacuum at idle"));
}

TEST_CASE("measure next ranks what blocks first, a row and F9 lead to the entry") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "pickup-two-bores")));
  b.stage(Stage::survey);
  auto* page = b.page<SurveyPage>(Stage::survey);
  page->show_face(4);
  QApplication::processEvents();
  auto* table = page->next()->table();
  REQUIRE(table->rowCount() > 3);
  CHECK(table->item(0, 3)->text().contains("travel, reserve, circuits lost"));
  table->setFocus();
  table->setCurrentCell(0, 0);
  const QString wanted = table->item(0, 0)->text();
  emit table->cellActivated(0, 0);
  QApplication::processEvents();
  CHECK(page->face() == 0);
  REQUIRE(QApplication::focusWidget());
  CHECK(QApplication::focusWidget()->accessibleName() == wanted);
  b.stage(Stage::prove);
  QTest::keyClick(b.window.get(), Qt::Key_F9);
  QApplication::processEvents();
  CHECK(b.window->stage() == Stage::survey);
  CHECK(QApplication::focusWidget()->accessibleName() == wanted);
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_F9);
  QApplication::processEvents();
  CHECK(QApplication::focusWidget()->accessibleName() != wanted);
}
