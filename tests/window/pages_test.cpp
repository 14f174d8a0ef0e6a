// Single pages: what they show, refuse and pass on.
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QPushButton* button(QWidget* page, const QString& words) {
  for (auto* b : page->findChildren<QPushButton*>())
    if (b->text() == words) return b;
  return nullptr;
}

bool says(QWidget* page, const QString& words) {
  for (auto* l : page->findChildren<QLabel*>())
    if (l->isVisible() && l->text().contains(words)) return true;
  return false;
}

}  // namespace

TEST_CASE("units change everywhere and leave the job as it is") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  survey->show_group(Group::master);
  QApplication::processEvents();
  auto* bore = b.entry(survey->panel(), As::found, param::master_bore);
  CHECK(bore->text() == "25.40 mm");
  b.window->action("imperial")->trigger();
  CHECK(bore->text() == "1 in");
  CHECK(b.window->strip()->picture().said[1].contains("lbf"));
  CHECK_FALSE(b.session.dirty());
  // A bare number is now an inch.
  b.type(bore, "15/16");
  CHECK(value_of(b.session.job(), As::found, param::master_bore).si == Approx(0.0238125));
  b.window->action("metric")->trigger();
  CHECK(bore->text() == "23.81 mm");
}

TEST_CASE("readings: refused with the reason, removed, and their verdict follows") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.prove_all();
  auto* prove = b.page<ProvePage>(Stage::prove);
  const size_t before = b.session.job().readings.size();
  b.type(prove->force(), "many");
  b.type(prove->travel(), "50 mm");
  CHECK(says(prove, "not a number"));
  b.type(prove->force(), "9 kN");
  b.type(prove->travel(), "50 mm");
  CHECK(says(prove, "0 N to 5000 N"));
  CHECK(b.session.job().readings.size() == before);
  prove->findChild<QTableWidget*>()->selectRow(0);
  QTest::mouseClick(button(prove, "Remove"), Qt::LeftButton);
  CHECK(b.session.job().readings.size() == before - 1);
  for (size_t i = before - 1; i > 0; --i) {
    prove->findChild<QTableWidget*>()->selectRow(0);
    QTest::mouseClick(button(prove, "Remove"), Qt::LeftButton);
  }
  CHECK(prove->verdict()->text().contains("No readings yet"));
}

TEST_CASE("the second demo answers from two bores and says what it lacks elsewhere") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "pickup-two-bores")));
  b.stage(Stage::size);
  CHECK(b.page<SizePage>(Stage::size)
            ->map_face()
            ->sentence()
            ->text()
            .contains("27 % harder, 21 % shorter"));
  b.stage(Stage::fit);
  CHECK(b.window->page(Stage::fit)->decision()->text().contains("unknown, not zero"));
  b.stage(Stage::bleed);
  CHECK(says(b.window->page(Stage::bleed), "Cannot say yet"));
  b.stage(Stage::plumb);
  CHECK(b.window->page(Stage::plumb)->decision()->text().contains("0 of 4 wheels traced"));
}

TEST_CASE("the folder lists jobs, and the chosen one opens") {
  Bench b;
  (void)demo(b.dir, "pickup-two-bores");
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::record);
  auto* record = b.window->page(Stage::record);
  record->show_face("folder");
  auto* jobs = b.page<RecordPage>(Stage::record)->folder()->jobs();
  REQUIRE(QTest::qWaitFor([&] { return jobs->rowCount() == 2; }, 5000));
  CHECK(jobs->item(1, 0)->toolTip().contains("pickup-two-bores.yoke"));
  jobs->selectRow(1);
  QTest::mouseClick(button(record, "Open the chosen job"), Qt::LeftButton);
  CHECK(b.session.job().title == "Pick-up: only two bores are known");
}

TEST_CASE("another booster asks its own questions and gives its own steps") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::plan);
  survey->show_group(Group::assist);
  QApplication::processEvents();
  CHECK(survey->panel()->field(As::plan, param::assist_vacuum));
  b.choose(survey->panel(), As::plan, param::assist_kind, 3);
  CHECK_FALSE(survey->panel()->field(As::plan, param::assist_vacuum));
  CHECK(survey->panel()->field(As::plan, param::assist_electric_force));
  b.stage(Stage::install);
  CHECK(b.window->page(Stage::install)->findChild<QCheckBox*>("step:assist.feeds"));
  CHECK_FALSE(b.window->page(Stage::install)->findChild<QCheckBox*>("step:assist.hose"));
}

TEST_CASE("closing asks for unsaved work, and cancel keeps the window") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.session.edit("x", [](Job& j) { j.notes = "unsaved"; });
  b.keep = -1;
  CHECK_FALSE(b.window->close());
  CHECK(b.window->isVisible());
  b.keep = 0;
  CHECK(b.window->close());
  CHECK(open_job(demo(b.dir).toStdString())->job.notes == "unsaved");
}
