// Figures and bench calculations of a stage; assist options of the map; clutch jobs in the window.
#include "window/bench.hpp"

#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "ui/figures_view.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void open_demo(Bench& b, const char* name) {
  REQUIRE(b.session.open(demo(b.dir, name)));
  QApplication::processEvents();
}

StagePage* shown(Bench& b, Stage s) {
  b.stage(s);
  return b.window->page(s);
}

}  // namespace

TEST_CASE("figures of a stage: by the button, by the keyboard, following the job") {
  Bench b;
  open_demo(b, "estate-discs");
  StagePage* page = shown(b, Stage::size);
  REQUIRE(page->figures_button());
  QTest::mouseClick(page->figures_button(), Qt::LeftButton);
  REQUIRE(page->figures());
  CHECK(page->figures()->isVisible());
  const QString before = page->figures()->text();
  CHECK(before.contains("0.60 g: effort: 202 N"));
  CHECK(before.contains("Pedal force on the slope"));
  CHECK(before.contains("Assisted stops in a row"));
  CHECK(before.contains("How sure"));
  b.session.set_value(As::plan, param::master_bore, {0.01905, How::stated, 0, {}});
  QApplication::processEvents();
  CHECK(page->figures()->text() != before);
  b.session.undo();
  QApplication::processEvents();
  CHECK(page->figures()->text() == before);
  QTest::keyClick(b.window.get(), Qt::Key_G, Qt::ControlModifier);
  QApplication::processEvents();
  CHECK_FALSE(page->figures()->isVisible());
  QTest::keyClick(b.window.get(), Qt::Key_G, Qt::ControlModifier);
  QApplication::processEvents();
  CHECK(page->figures()->isVisible());
  // The record has none: it is the sheet itself.
  CHECK_FALSE(shown(b, Stage::record)->figures_button());
  for (const Stage s : kStages) {
    StagePage* p = shown(b, s);
    if (!p->figures_button()) continue;
    p->show_figures(true);
    QApplication::processEvents();
    INFO(static_cast<int>(s));
    CHECK(p->figures()->isVisible());
    CHECK(p->figures()->widget()->width() <= p->figures()->viewport()->width());
  }
}

TEST_CASE("bench calculations: typed with units, refused in place, kept when the job changes") {
  Bench b;
  StagePage* page = shown(b, Stage::install);
  page->show_figures(true);
  CalcCard* card = page->figures()->card("crowfoot");
  REQUIRE(card);
  CHECK(card->result().contains("Set the wrench to: 14.5 N"));
  b.type(card->entry("joint"), "20 lbf·ft");
  CHECK(card->result().contains("Set the wrench to: 24.1 N"));
  b.type(card->entry("joint"), "20 kg");
  CHECK(card->findChild<QLabel*>("alarm") != nullptr);
  CHECK(card->findChild<QLabel*>("alarm")->isVisibleTo(card));
  CHECK(card->result().contains("24.1"));
  b.type(card->entry("joint"), "12 Nm");
  b.type(card->entry("angle"), "90");
  CHECK(card->result().contains("12.0 N"));
  b.session.set_value(As::found, param::master_bore, {0.0254, How::stated, 0, {}});
  QApplication::processEvents();
  CHECK(card->result().contains("12.0 N"));
  b.session.set_style({UnitStyle::imperial, false});
  QApplication::processEvents();
  CHECK(card->result().contains("lbf·ft"));
  page = shown(b, Stage::plumb);
  page->show_figures(true);
  CalcCard* thread = page->figures()->card("thread");
  REQUIRE(thread);
  CHECK(thread->result().contains("match"));
  auto* nut = thread->findChild<QComboBox*>();
  REQUIRE(nut);
  nut->setCurrentIndex(5);
  CHECK(thread->result().contains("strips"));
}

TEST_CASE("map by assist option: shown by its button, chosen into the plan, undone in one step") {
  Bench b;
  open_demo(b, "estate-discs");
  auto* size = b.page<SizePage>(Stage::size);
  b.stage(Stage::size);
  MapView* map = size->map_face()->map();
  REQUIRE(map->assist_names().size() == 2);
  CHECK(map->assist_names()[1] == "no assist");
  const Job before = b.session.job();
  map->show_assist(1);
  CHECK(map->assist() == 1);
  map->setFocus();
  QTest::keyClick(map, Qt::Key_Down);
  QTest::keyClick(map, Qt::Key_Return);
  QApplication::processEvents();
  CHECK(value_of(b.session.job(), As::plan, param::assist_kind).is(choice::AssistKind::none));
  CHECK(b.session.undo_name().contains("no assist"));
  CHECK(map->assist() == 0);
  b.session.undo();
  CHECK(b.session.job() == before);
}

TEST_CASE("a clutch from an empty window: its own questions, conditions and line of force") {
  Bench b;
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  survey->show_group(Group::control);
  b.choose(survey->panel(), As::found, param::control_use, 1);
  CHECK(b.session.strip().size() == 4);
  b.type(b.entry(survey->panel(), As::found, param::control_pad_arm), "300 mm");
  b.type(b.entry(survey->panel(), As::found, param::control_pin_arm), "55 mm");
  survey->show_group(Group::master);
  CHECK_FALSE(survey->panel()->field(As::found, param::master_kind));
  b.type(b.entry(survey->panel(), As::found, param::master_bore), "3/4 in");
  survey->show_group(Group::clutch);
  b.choose(survey->panel(), As::found, param::clutch_kind, 0);
  b.type(b.entry(survey->panel(), As::found, param::clutch_slave_bore), "22.2 mm");
  b.type(b.entry(survey->panel(), As::found, param::clutch_fork_slave), "90 mm");
  b.type(b.entry(survey->panel(), As::found, param::clutch_fork_bearing), "50 mm");
  b.type(b.entry(survey->panel(), As::found, param::clutch_peak), "1400 N");
  REQUIRE(b.session.strip()[1].clutch);
  CHECK(b.session.strip()[1].target->at.pad_force_n > 50);
  for (const Stage s : kStages) b.stage(s);  // every page has something to say, none asks of brakes
  b.stage(Stage::bleed);
  auto* coach = static_cast<BleedPage*>(b.window->page(Stage::bleed))->coach();
  coach->go_to("slave");
  CHECK(coach->at() == "slave");
  b.stage(Stage::size);
  CHECK(b.session.map().has_value());
  CHECK(b.session.map()->cells.size() > 50);
  // From a failure of brakes to a clutch: the shown condition exists again.
  b.stage(Stage::survey);
  survey->show_system(As::found);
  survey->show_group(Group::control);
  b.choose(survey->panel(), As::found, param::control_use, 0);
  b.session.show_condition(ConditionId::primary_lost);
  QApplication::processEvents();
  b.session.set_value(As::found, param::control_use, {1, How::stated, 0, {}});
  CHECK(b.session.shown() == ConditionId::plan);
}

TEST_CASE("readings say how they were taken") {
  Bench b;
  open_demo(b, "estate-discs");
  auto* prove = b.page<ProvePage>(Stage::prove);
  b.prove_all();
  const std::size_t before = b.session.job().readings.size();
  for (QCheckBox* box : prove->findChildren<QCheckBox*>()) box->setChecked(true);
  QComboBox* clamped = nullptr;
  for (QComboBox* c : prove->findChildren<QComboBox*>())
    if (c->accessibleName() == "Hoses clamped off") clamped = c;
  REQUIRE(clamped);
  clamped->setCurrentIndex(3);
  b.type(prove->force(), "150 N");
  b.type(prove->travel(), "40 mm");
  REQUIRE(b.session.job().readings.size() == before + 1);
  CHECK(b.session.job().readings.back().second_apply);
  CHECK(b.session.job().readings.back().hoses_clamped);
  CHECK(b.session.job().readings.back().clamped == ClampedHoses::second);
  // They survive the file.
  const QString path = b.dir.filePath("kept.yoke");
  REQUIRE(b.session.save_as(path));
  REQUIRE(b.session.open(path));
  CHECK(b.session.job().readings.back().second_apply);
}
