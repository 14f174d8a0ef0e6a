// Journeys through Size: units compared and pinned, own catalogues, assist chosen, parts in hand,
// later conversions, wishes on the map, the read-out of the curves.
#include <QFile>
#include <QSettings>

#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/room.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"
#include "session/candidates.hpp"
#include "session/texts.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

SizePage* size_page(Bench& b, std::size_t face) {
  b.stage(Stage::size);
  auto* page = b.page<SizePage>(Stage::size);
  page->show_face(face);
  QApplication::processEvents();
  return page;
}

void wait_for_parts(SizePage* page) {
  REQUIRE(QTest::qWaitFor([page] { return !page->units()->catalogue().reading(); }, 20000));
}

QPushButton* button(QWidget* w, const QString& text) {
  for (auto* b : w->findChildren<QPushButton*>())
    if (b->text() == text) return b;
  FAIL("no button " << text.toStdString());
  return nullptr;
}

/// All cells of a column, in rows.
QStringList column(const QTableWidget* t, int c) {
  QStringList list;
  for (int r = 0; r < t->rowCount(); ++r)
    list << (t->item(r, c) ? t->item(r, c)->text() : QString());
  return list;
}

}  // namespace

TEST_CASE("a part is found by its bore, pinned, compared, taken into the plan, and undone") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.session.edit("none", [](Job& j) { j.candidates.clear(); });
  auto* page = size_page(b, 1);
  wait_for_parts(page);
  UnitsFace* units = page->units();
  REQUIRE(QTest::qWaitFor([&] { return units->list()->count() > 20; }, 20000));
  QTest::keyClicks(units->words(), "13/16 in");
  REQUIRE(QTest::qWaitFor(
      [&] {
        return units->list()->count() >= 1 && units->list()->item(0)->text().contains("13/16");
      },
      20000));
  CHECK(units->list()->item(0)->text().contains("13/16"));
  QTest::keyClick(units->list(), Qt::Key_Return);
  QApplication::processEvents();
  REQUIRE(b.session.job().candidates.size() == 1);
  CHECK(units->sentence()->text().startsWith("A against fitted"));
  CHECK(units->sentence()->text().contains("NOT COMPARED"));
  CHECK(column(units->matrix(), 3).contains("NOT COMPARED"));
  CHECK(column(units->matrix(), 3).filter(QStringLiteral("≠")).size() >= 3);
  units->matrix()->setCurrentCell(1, 0);
  // Pinned twice is refused with words, a fourth too.
  QTest::keyClick(units->list(), Qt::Key_Return);
  CHECK(b.session.job().candidates.size() == 1);
  QTest::mouseClick(button(units, "Take into the plan"), Qt::LeftButton);
  CHECK(value_of(b.session.job(), As::plan, param::master_bore).si == Approx(0.0206375));
  b.session.undo();
  CHECK(value_of(b.session.job(), As::plan, param::master_bore).si == Approx(0.022225));
  page->show_face(0);
  QApplication::processEvents();
  const QString said = page->map_face()->map()->picture().said.join("; ");
  CHECK(said.contains("A: 13/16 in"));
  CHECK(said.contains("as hard as today"));
  page->show_face(1);
  unpin(b.session, 0);
  CHECK(b.session.job().candidates.empty());
}

TEST_CASE("a candidate lies over the fitted unit: differences numbered, blanks measured on it") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "fire-tender")));
  auto* page = size_page(b, 1);
  UnitsFace* units = page->units();
  GhostView* ghost = units->ghost();
  REQUIRE(ghost->isVisible());
  CHECK_FALSE(units->matrix()->isVisible());
  // The last master that was pinned; its words and the matrix say the same counts.
  CHECK(units->sentence()->text().startsWith("A against fitted: 0 equal, 11 differ, 12 NOT"));
  const auto spots = [&](const char* id) {
    std::vector<QPointF> at;
    for (const Spot& s : ghost->picture().spots)
      if (s.id == QLatin1String(id)) at.push_back(s.area.center());
    return at;
  };
  REQUIRE(spots("dim:master.bore").size() == 2);  // its point, and its label
  const QString said = ghost->picture().said.join("; ");
  CHECK(said.contains(column(units->matrix(), 3).filter("25.40").front()));
  CHECK(said.count("NOT COMPARED") == 12);
  const auto touch = [&](const char* id) {
    QTest::mouseClick(ghost, Qt::LeftButton, {}, spots(id).back().toPoint());
  };
  // A difference says what it asks for, and opens nothing: both sides are known.
  touch("dim:master.bore");
  CHECK(ghost->open_field() == nullptr);
  // A blank of the fitted unit is measured where it is seen, and is compared from then on.
  touch("dim:unit.rod_kept");
  ParamField* field = ghost->open_field();
  REQUIRE(field);
  CHECK(field->which() == As::found);
  CHECK(field->param() == param::unit_rod_kept);
  b.session.set_value(As::found, param::unit_rod_kept, chosen(choice::UnitRodKept::loose));
  CHECK_FALSE(units->sentence()->text().contains("12 NOT"));
  // The plan's own unit is one touch away, the list too.
  QTest::mouseClick(button(units, "Plan"), Qt::LeftButton);
  CHECK(units->sentence()->text().startsWith("Plan against fitted"));
  QTest::mouseClick(button(units, "All dimensions"), Qt::LeftButton);
  CHECK(units->matrix()->isVisible());
  CHECK_FALSE(ghost->isVisible());
}

TEST_CASE("an own catalogue replaces the parts, a broken one leaves them and says where") {
  Bench b;
  QSettings().remove("catalogue");
  auto* page = size_page(b, 1);
  wait_for_parts(page);
  UnitsFace* units = page->units();
  const auto shipped = units->catalogue().parts().size();
  CHECK(shipped >= 55);
  QFile own(b.dir.filePath("own.csv"));
  REQUIRE(own.open(QIODevice::WriteOnly));
  own.write("kind,name,master.bore [mm]\nmaster,Mine,22.2\nmaster,Wide,900\nmaster,Bore only,21\n");
  own.close();
  b.next_file = own.fileName();
  QTest::mouseClick(button(units, "Open my own catalogue…"), Qt::LeftButton);
  wait_for_parts(page);
  CHECK(units->catalogue().parts().size() == 2);
  CHECK(units->catalogue().state().contains("Row 3, master.bore [mm]"));
  units->with_shipped()->setChecked(true);
  wait_for_parts(page);
  CHECK(units->catalogue().parts().size() == shipped + 2);
  units->with_shipped()->setChecked(false);
  wait_for_parts(page);
  REQUIRE(own.open(QIODevice::WriteOnly));
  own.write("{\"parts\":");
  own.close();
  units->open_catalogue();
  wait_for_parts(page);
  CHECK(units->catalogue().parts().size() == 2);
  CHECK(units->catalogue().state().contains("was not read"));
  QTest::mouseClick(button(units, "Shipped parts"), Qt::LeftButton);
  wait_for_parts(page);
  CHECK(units->catalogue().parts().size() == shipped);
}

TEST_CASE("assist by type: the first is chosen by key, and the engine's leaving changes the list") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = size_page(b, 2);
  AssistFace* assist = page->assist();
  REQUIRE(assist->table()->rowCount() == 7);
  const QStringList before = column(assist->table(), 1);
  b.choose(assist->panel(), As::found, param::room_engine, 1);
  const QStringList after = column(assist->table(), 1);
  CHECK(after.filter("not possible").size() > before.filter("not possible").size());
  int electric = -1;
  for (int r = 0; r < assist->table()->rowCount(); ++r)
    if (assist->table()->item(r, 0)->text().startsWith("Electro")) electric = r;
  REQUIRE(electric >= 0);
  assist->table()->setFocus();
  assist->table()->setCurrentCell(electric, 0);
  QTest::keyClick(assist->table(), Qt::Key_Return);
  QApplication::processEvents();
  CHECK(value_of(b.session.job(), As::plan, param::assist_kind).is(choice::AssistKind::electric));
  CHECK(b.session.undo_name().contains("Electro"));
  b.session.undo();
  CHECK(value_of(b.session.job(), As::plan, param::assist_kind).is(choice::AssistKind::vacuum));
}

TEST_CASE("parts in hand: listed, ticked by keyboard, and the sentence says when it may start") {
  Bench b;
  auto* page = size_page(b, 3);
  LaterFace* later = page->later();
  later->set_today(QDate(2026, 11, 26));
  b.type(later->part_name(), "Master", Qt::Key_Tab);
  b.type(later->part_day(), "2026-12-10");
  REQUIRE(b.session.job().parts.size() == 1);
  CHECK(later->sentence()->text().contains("Do not take it apart yet"));
  CHECK(later->sentence()->text().contains("2026-12-10"));
  CHECK(later->parts()->item(0, 1)->text().contains("14 d"));
  QApplication::processEvents();
  QAbstractItemView* view = later->parts();
  CHECK(later->parts()->columnWidth(1) >= view->sizeHintForColumn(1));  // the day can be read
  b.type(later->part_name(), "Hose", Qt::Key_Tab);
  b.type(later->part_day(), "soon");
  CHECK(b.session.job().parts.size() == 1);
  later->part_day()->clear();
  later->parts()->setFocus();
  for (int c = 2; c <= 5; ++c) {
    later->parts()->setCurrentCell(0, c);
    QTest::keyClick(later->parts(), Qt::Key_Space);
    QApplication::processEvents();
  }
  CHECK(b.session.job().parts[0].here);
  CHECK(b.session.job().parts[0].place);
  CHECK(later->sentence()->text().contains("it may come apart"));
  CHECK(b.session.findings().end() ==
        std::find_if(b.session.findings().begin(), b.session.findings().end(),
                     [](const Finding& f) { return f.code == FindingCode::install_parts; }));
}

TEST_CASE("a later conversion is kept with its day and says what it makes wrong") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.session.edit("valve", [](Job& j) {
    j.later.clear();
    j.plan.set(param::valve_residual_rear, measured(param::valve_residual_rear, 69e3, How::stated));
  });
  auto* page = size_page(b, 3);
  LaterFace* later = page->later();
  later->set_today(QDate(2027, 4, 20));
  later->what()->setCurrentIndex(static_cast<int>(LaterKind::rear_discs));
  b.type(later->when(), "2027-05-01");
  REQUIRE(b.session.job().later.size() == 1);
  CHECK(later->reminders()->item(0, 1)->text().contains("due"));
  const auto& f = b.session.findings();
  CHECK(std::any_of(f.begin(), f.end(),
                    [](const Finding& x) { return x.code == FindingCode::later_residual; }));
  b.type(later->when(), "yesterday");
  CHECK(b.session.job().later.size() == 1);
}

TEST_CASE("wishes rank and cut the map: firm, then any bore, each one undo step") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = size_page(b, 0);
  const QString light = page->map_face()->cell_line()->text();
  CHECK(light.contains("within limits, first"));
  CHECK(light.contains("Effort counts most"));
  QTest::mouseClick(page->map_face()->preference(2), Qt::LeftButton);
  QApplication::processEvents();
  CHECK(page->map_face()->cell_line()->text().contains("Stiffness counts most"));
  CHECK(page->map_face()->cell_line()->text() != light);
  const auto standard = b.session.map()->bores_m.size();
  QTest::mouseClick(page->map_face()->sizes(1), Qt::LeftButton);
  QApplication::processEvents();
  CHECK(b.session.map()->bores_m.size() > standard);
  b.session.undo();
  b.session.undo();
  CHECK(page->map_face()->cell_line()->text() == light);
}

TEST_CASE("the curves are read out under the cursor, by mouse and by arrow keys") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = size_page(b, 0);
  CurveView* curve = page->map_face()->curve();
  QTest::mouseMove(curve, QPoint(curve->width() / 2, curve->height() / 2));
  REQUIRE(curve->cursor());
  const QStringList words = curve->read_out_words();
  CHECK(words.front().startsWith("at "));
  CHECK(words.filter("plan:").size() == 1);
  CHECK(words.filter("A:").size() == 1);
  curve->setFocus();
  const double at = *curve->cursor();
  QTest::keyClick(curve, Qt::Key_Right);
  CHECK(*curve->cursor() > at);
  CHECK(curve->picture().said.join("; ").contains("plan:"));
  QTest::keyClick(curve, Qt::Key_Tab);
  CHECK_FALSE(curve->cursor());
}

TEST_CASE("a map that is dragged through stays on the plan: strip, curve and line follow") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = size_page(b, 0);
  MapView* map = page->map_face()->map();
  const auto cell = [&](int bore, int ratio) {
    const QString id = QStringLiteral("cell:%1:%2").arg(bore).arg(ratio);
    for (const Spot& s : map->picture().spots)
      if (s.id == id) return s.area.center().toPoint();
    return QPoint();
  };
  const double before = b.session.strip()[1].target->at.pad_force_n;
  const QString undo = b.session.undo_name();
  QTest::mousePress(map, Qt::LeftButton, {}, cell(3, 8));
  for (int r = 9; r < 14; ++r) QTest::mouseMove(map, cell(3, r));
  QTest::mouseRelease(map, Qt::LeftButton, {}, cell(3, 13));
  QApplication::processEvents();
  CHECK(b.session.strip()[1].target->at.pad_force_n != Approx(before));
  b.session.undo();  // the whole drag is one step
  CHECK(b.session.strip()[1].target->at.pad_force_n == Approx(before));
  CHECK(b.session.undo_name() == undo);
}

TEST_CASE("the map says how sure a cell is, once the draws are made") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = size_page(b, 0);
  MapView* map = page->map_face()->map();
  REQUIRE(QTest::qWaitFor([&] { return !map->bands().empty(); }, 20000));
  CHECK(map->bands().size() == b.session.map()->cells.size());
  map->setFocus();
  QTest::keyClick(map, Qt::Key_Up);
  CHECK(page->map_face()->cell_line()->text().contains("80 % likely between"));
  CHECK(map->picture().said.join(" ").contains("80 % likely between"));
  // An edit makes them old: until they are drawn again nothing is claimed.
  QTest::mouseClick(page->map_face()->preference(2), Qt::LeftButton);
  CHECK(map->bands().empty());
}

TEST_CASE("what holds for want of a measurement is said on its stage's page") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.window->show_stage(Stage::rod);
  REQUIRE(QTest::qWaitFor([&] { return b.session.rules().has_value(); }, 20000));
  const Message rests = rests_message(*b.session.rules(), Stage::rod);
  REQUIRE_FALSE(rests.empty());
  auto* box = b.window->page(Stage::rod)->findChild<FindingsBox*>();
  REQUIRE(box);
  box->unfold(true);
  CHECK(box->text().contains(text_of(rests, b.session.style()).toHtmlEscaped()));
  long counted = 0;
  for (const JudgedRule& r : *b.session.rules())
    if (r.stage == Stage::rod && r.verdict == Verdict::if_typical) ++counted;
  CHECK(box->text().contains(QString::number(counted) + " rule"));
}
