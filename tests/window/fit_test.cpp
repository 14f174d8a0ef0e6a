// Journeys through Fit and Rod: a pattern that does not bolt on, its template on disk, the budget
// to zero, boxes by keyboard, turns, heights, and what the Install stage receives.
#include <QFile>

#include "document/param/assist_kind.hpp"
#include "document/param/bolting.hpp"
#include "document/param/hang.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/squareness.hpp"
#include "document/param/unit.hpp"
#include "window/bench.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

template <class Page>
Page* open(Bench& b, Stage stage, std::size_t face) {
  b.stage(stage);
  auto* page = b.page<Page>(stage);
  page->show_face(face);
  QApplication::processEvents();
  return page;
}

QPushButton* button(QWidget* w, const QString& text) {
  for (auto* b : w->findChildren<QPushButton*>())
    if (b->text() == text) return b;
  FAIL("no button " << text.toStdString());
  return nullptr;
}

}  // namespace

TEST_CASE("a template asks for what is missing, then is written full size") {
  Bench b;
  auto* page = open<FitPage>(b, Stage::fit, 2);
  QTest::mouseClick(button(page, "Drilling template…"), Qt::LeftButton);
  CHECK(page->pattern()->template_line()->text().contains("not known"));
  auto* panel = page->pattern()->panel();
  b.choose(panel, As::plan, param::unit_studs, 0);
  b.type(b.entry(panel, As::plan, param::unit_stud_pitch), "3 1/4 in");
  b.type(b.entry(panel, As::plan, param::unit_stud_size), "3/8 in");
  b.type(b.entry(panel, As::plan, param::unit_pilot), "1 5/8 in");
  CHECK(page->pattern()->figures()->text().contains("25/64 in"));
  b.next_file = b.dir.filePath("drill.pdf");
  QTest::mouseClick(button(page, "Drilling template…"), Qt::LeftButton);
  CHECK(page->pattern()->template_line()->text().contains("100 %"));
  QFile f(b.next_file);
  REQUIRE(f.open(QIODevice::ReadOnly));
  CHECK(f.read(5) == "%PDF-");
  // A plate joins two patterns: the old one is asked for.
  QTest::mouseClick(button(page, "Adapter plate…"), Qt::LeftButton);
  CHECK(page->pattern()->template_line()->text().contains("old pattern is not known"));
  b.choose(panel, As::found, param::unit_studs, 0);
  b.type(b.entry(panel, As::found, param::unit_stud_pitch), "79 mm");
  b.type(b.entry(panel, As::found, param::unit_stud_size), "5/16 in");
  CHECK(page->pattern()->figures()->text().contains("Does not bolt on"));
  b.next_file = b.dir.filePath("plate.dxf");
  QTest::mouseClick(button(page, "Adapter plate…"), Qt::LeftButton);
  CHECK(page->pattern()->template_line()->text().contains("run into each other"));
  CHECK_FALSE(QFile::exists(b.next_file));
  CHECK(page->pattern()->figures()->text().contains("None: its holes"));
  b.type(b.entry(panel, As::found, param::unit_stud_pitch), "2 1/4 in");
  QTest::mouseClick(button(page, "Adapter plate…"), Qt::LeftButton);
  CHECK(QFile::exists(b.next_file));
  // The steps carry the sizes.
  const auto steps = install_steps(b.session.job());
  CHECK(std::any_of(steps.begin(), steps.end(), [](const Step& s) {
    return s.id == StepId::mount_drill && english(s.text).find("25/64 in") != std::string::npos;
  }));
}

TEST_CASE("the off-axis budget is brought to zero by keyboard") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = open<FitPage>(b, Stage::fit, 1);
  CHECK(page->offset()->figures()->text().contains("✗ Left to the side: 4.0 mm"));
  CHECK(page->offset()->drawing()->picture().said.join(";").contains("not closed"));
  b.type(b.entry(page->offset()->panel(), As::plan, param::fit_lug), "4 mm");
  CHECK(page->offset()->figures()->text().contains("✓ Left to the side: 0.0 mm"));
  CHECK(page->offset()->drawing()->picture().said.join(";").contains("closed to zero"));
  b.session.undo();
  CHECK(page->offset()->figures()->text().contains("✗ Left to the side"));
}

TEST_CASE("a stud that is too short is a hard finding, a thinner plate mends it") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = open<FitPage>(b, Stage::fit, 3);
  b.type(b.entry(page->stack()->panel(), As::plan, param::unit_stud_length), "20 mm");
  b.type(b.entry(page->stack()->panel(), As::plan, param::fit_plate), "10 mm");
  const auto hard = [&] {
    const auto& f = b.session.findings();
    return std::any_of(f.begin(), f.end(),
                       [](const Finding& x) { return x.code == FindingCode::fit_stud_short; });
  };
  CHECK(hard());
  b.type(b.entry(page->stack()->panel(), As::plan, param::fit_plate), "0");
  CHECK_FALSE(hard());
}

TEST_CASE("the stack is reached by its button in a brake job, and sheet metal waits for a look") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = open<FitPage>(b, Stage::fit, 0);
  QPushButton* stack = button(page, "Stack");
  REQUIRE(stack->isVisible());
  QTest::mouseClick(stack, Qt::LeftButton);
  QApplication::processEvents();
  REQUIRE(page->stack()->isVisible());
  const auto sheet_metal = [&] {
    const FigureGroup g = figure_group(b.session.job(), GroupId::flange);
    const auto f = std::find_if(g.figures.begin(), g.figures.end(),
                                [](const Figure& x) { return x.id == FigureId::crush; });
    REQUIRE(f != g.figures.end());
    return f->verdict;
  };
  REQUIRE_FALSE(value_of(b.session.job(), As::plan, param::fit_boxed).settled());
  CHECK(sheet_metal() == Verdict::if_typical);
  CHECK_FALSE(page->stack()->figures()->text().contains("✓ Sheet metal"));
  CHECK(page->stack()->figures()->text().contains("nobody measured: behind the nuts"));
  b.choose(page->stack()->panel(), As::plan, param::fit_boxed, 0);
  CHECK(sheet_metal() == Verdict::holds);
  CHECK(page->stack()->figures()->text().contains("✓ Sheet metal"));
}

TEST_CASE("boxes: added, typed in the table, refused with words, the tightest gap said") {
  Bench b;
  auto* page = open<FitPage>(b, Stage::fit, 4);
  RoomFace* room = page->room();
  QTest::mouseClick(button(room, "Add the unit"), Qt::LeftButton);
  QTest::mouseClick(button(room, "Add what is hot"), Qt::LeftButton);
  REQUIRE(b.session.job().boxes.size() == 2);
  room->table()->item(1, 3)->setText("105 mm");
  CHECK(b.session.job().boxes[1].y_m == Approx(0.105));
  CHECK(room->figures()->text().contains("✗ Unit to Exhaust: 5 mm"));
  room->table()->item(1, 3)->setText("near");
  CHECK(b.session.job().boxes[1].y_m == Approx(0.105));
  CHECK(room->table()->item(1, 3)->text() == "105");
  room->table()->item(1, 3)->setText("9 m");
  CHECK(b.session.job().boxes[1].y_m == Approx(0.105));
  room->table()->item(1, 0)->setText("Manifold");
  CHECK(b.session.job().boxes[1].name == "Manifold");
  b.session.undo();
  CHECK(b.session.job().boxes[1].name == "Exhaust");
}

TEST_CASE("angles are asked of a servo only where there is one") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = open<FitPage>(b, Stage::fit, 5);
  CHECK_FALSE(page->attitude()->panel()->field(As::plan, param::fit_servo_nose));
  b.session.set_value(As::plan, param::assist_kind, measured(param::assist_kind, 4, How::stated));
  QTest::qWait(10);
  REQUIRE(page->attitude()->panel()->field(As::plan, param::fit_servo_nose));
  b.type(b.entry(page->attitude()->panel(), As::plan, param::fit_servo_nose), "35°");
  CHECK(page->attitude()->figures()->text().contains("✗ Servo's nose, up"));
}

TEST_CASE("rod ends, gaps and heights follow what is typed") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  auto* page = open<RodPage>(b, Stage::rod, 1);
  CHECK(page->ends()->figures()->text().contains("Cut 30.27 mm off the threaded end"));
  b.choose(page->ends()->panel(), As::plan, param::rod_coupling, 1);
  CHECK(page->ends()->figures()->text().contains("A turn moves the rod: 2.12 mm"));
  page->show_face(2);
  QApplication::processEvents();
  b.type(b.entry(page->gaps()->panel(), As::plan, param::rod_stick_on), "12.5 mm");
  CHECK(page->gaps()->figures()->text().contains("✗ Output-rod gap, running"));
  const auto& f = b.session.findings();
  CHECK(std::any_of(f.begin(), f.end(), [](const Finding& x) {
    return x.code == FindingCode::rod_output_preload && x.severity == Severity::hard;
  }));
  b.choose(page->gaps()->panel(), As::plan, param::rod_returns, 1);
  CHECK(page->gaps()->figures()->text().contains("the port is covered"));
  page->show_face(3);
  QApplication::processEvents();
  CHECK(page->heights()->figures()->text().contains("Above the accelerator: 54 mm"));
  b.type(b.entry(page->heights()->panel(), As::plan, param::rod_height_wish), "0");
  // No tick while nobody said what switch it is.
  CHECK(page->heights()->figures()->text().contains("Lamp lights after: 6.0 mm"));
  CHECK_FALSE(page->heights()->figures()->text().contains("✓ Lamp lights after"));
  b.choose(page->heights()->panel(), As::plan, param::lamp_switch, 0);
  CHECK(page->heights()->figures()->text().contains("✓ Lamp lights after: 6.0 mm"));
  CHECK(page->heights()->drawing()->picture().said.join(";").contains("accelerator 110 mm"));
}

TEST_CASE("the new pattern is dragged round, an edge is pushed to where it runs") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::fit);
  b.window->page(Stage::fit)->show_face("pattern");
  QApplication::processEvents();
  auto* face = b.window->page(Stage::fit)->findChild<PatternFace*>();
  REQUIRE(face);
  auto* d = face->drawing();
  const auto middle = [d](const char* id) {
    for (const Spot& s : d->picture().spots)
      if (s.id == QLatin1String(id)) return s.area.center();
    FAIL("no spot " << id);
    return QPointF();
  };
  const auto drag = [d](QPointF from, QPointF to) {
    QTest::mousePress(d, Qt::LeftButton, {}, from.toPoint());
    QTest::mouseMove(d, ((from + to) / 2).toPoint());
    QTest::mouseMove(d, to.toPoint());
    QTest::mouseRelease(d, Qt::LeftButton, {}, to.toPoint());
    QApplication::processEvents();
  };
  const auto turn = [&b] { return value_of(b.session.job(), As::plan, param::fit_turn).si; };
  const double was = turn();
  const PatternFrame frame = pattern_frame(b.session.job(), QSizeF(d->size()));
  const QPointF stud = middle("turn:0") - frame.centre;
  // Thirty degrees to the left, in one undo step; by eye, so an estimate.
  const double angle = 30 * kPi / 180;
  const QPointF to(stud.x() * std::cos(angle) + stud.y() * std::sin(angle),
                   stud.y() * std::cos(angle) - stud.x() * std::sin(angle));
  drag(middle("turn:0"), frame.centre + to);
  CHECK(turn() - was == Approx(angle).margin(0.03));
  CHECK(b.session.job().plan.at(param::fit_turn)->how == How::estimate);
  b.session.undo();
  CHECK(turn() == was);
  b.session.set_value(As::plan, param::fit_edge_left,
                      measured(param::fit_edge_left, 0.060, How::rule));
  QApplication::processEvents();
  const PatternFrame now = pattern_frame(b.session.job(), QSizeF(d->size()));
  drag(middle("edge:left"), middle("edge:left") + QPointF(-0.010 * now.per_m, 0));
  CHECK(value_of(b.session.job(), As::plan, param::fit_edge_left).si ==
        Approx(0.070).margin(0.0011));
}
