// The sheet for wet hands: its boxes are what is open, typed back they arrive where the stage keeps
// them; tables for the bench are found by word and size.
#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "session/wet_sheet.hpp"
#include "support/work_done.hpp"
#include "ui/tables_window.hpp"
#include "ui/wet_entry.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::size_t box(const std::vector<WetBox>& all, const std::string& key) {
  for (std::size_t i = 0; i < all.size(); ++i)
    if (all[i].key == key) return i;
  FAIL(key);
  return 0;
}

}  // namespace

TEST_CASE("wet hands: what is unknown is asked on paper and typed back in one pass") {
  Bench b;
  b.session.take(blank_job());
  b.window->show_stage(Stage::survey);
  const auto boxes = wet_boxes(b.session, Stage::survey);
  REQUIRE(boxes.size() > 5);
  CHECK(wet_html(b.session, Stage::survey).contains("Pivot to rod pin"));
  b.window->action("wet_back")->trigger();
  auto* entry = b.window->findChild<WetEntry*>();
  REQUIRE(entry);
  QApplication::processEvents();
  REQUIRE(entry->entries().size() == boxes.size());
  const std::size_t pin = box(boxes, "found:control.pin_arm");
  b.type(entry->entries()[pin], "55 mm");
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).si == Approx(0.055));
  CHECK_FALSE(entry->entries()[pin]->isEnabled());
  const std::size_t pad = box(boxes, "found:control.pad_arm");
  b.type(entry->entries()[pad], "nine");
  CHECK(entry->refusal()->isVisible());
  b.type(entry->entries()[pad], "");
  CHECK_FALSE(b.session.job().found.at(param::control_pad_arm));
}

TEST_CASE("wet hands: steps, counts and presses typed back arrive where they are kept") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  const auto steps = wet_boxes(b.session, Stage::install);
  REQUIRE_FALSE(steps.empty());
  REQUIRE(steps[0].tick);
  CHECK(take_wet(b.session, steps[0], "x"));
  CHECK(b.session.job().steps.at(steps[0].key.substr(5)).done);
  const auto nipples = wet_boxes(b.session, Stage::bleed);
  const std::size_t at = box(nipples, "bleed:rl");
  const int before =
      b.session.job().bleeding.count("rl") ? b.session.job().bleeding.at("rl").strokes : 0;
  CHECK(take_wet(b.session, nipples[at], "5"));
  CHECK(b.session.job().bleeding.at("rl").strokes == before + 5);
  CHECK(b.session.job().bleeding.at("rl").clear_strokes == 0);  // nobody said that it was clear
  CHECK(take_wet(b.session, nipples[at], "4 c"));
  CHECK(b.session.job().bleeding.at("rl").clear_strokes == 3);
  CHECK_FALSE(take_wet(b.session, nipples[at], "many"));
  b.session.edit("none", [](Job& j) { j.readings.clear(); });
  const auto presses = wet_boxes(b.session, Stage::prove);
  const std::size_t press = box(presses, "press:press_150");
  CHECK(take_wet(b.session, presses[press], "61 mm"));
  REQUIRE(b.session.job().readings.size() == 1);
  CHECK(b.session.job().readings[0].travel_m == Approx(0.061));
}

TEST_CASE("tables for the bench: opened by its key, found by word and by size") {
  Bench b;
  b.window->action("tables")->trigger();
  auto* tables = b.window->findChild<TablesWindow*>();
  REQUIRE(tables);
  CHECK(tables->which()->count() == 7);
  const int all = tables->table()->rowCount();
  tables->search()->setText("letter p");
  CHECK(tables->table()->rowCount() == 1);
  CHECK(tables->table()->item(0, 0)->text() == "P");
  tables->search()->setText("8.4 mm");
  CHECK(tables->table()->item(0, 0)->text() == "8.4 mm");
  tables->search()->clear();
  CHECK(tables->table()->rowCount() == all);
  tables->which()->setCurrentIndex(1);
  CHECK(tables->page_html().contains("goes on and rounds it"));
}
