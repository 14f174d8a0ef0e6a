// Lines to make, in the window: added, corners typed and dragged, refused by corner, printed.
#include <QFile>

#include "session/texts.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Lines {
  Bench b;
  TubesFace* face = nullptr;
  Lines() {
    b.session.take(known_job());
    b.stage(Stage::plumb);
    auto* page = b.page<PlumbPage>(Stage::plumb);
    page->show_face("lines");
    QApplication::processEvents();
    face = page->tubes();
  }
  void type(int row, int column, const char* text) const {
    face->corners()->item(row, column)->setText(QString::fromUtf8(text));
    QApplication::processEvents();
  }
  QPushButton* button(const char* words) const {
    for (auto* w : face->findChildren<QPushButton*>())
      if (w->text() == QString::fromUtf8(words)) return w;
    FAIL("no button " << words);
    return nullptr;
  }
  [[nodiscard]] const Job& job() const { return b.session.job(); }
};

}  // namespace

TEST_CASE("a line is made of corners that are typed, and the bender's list follows") {
  Lines l;
  l.button("Add a line")->click();
  REQUIRE(l.job().tubes.size() == 1);
  CHECK_FALSE(l.job().tubes[0].radius_m);
  REQUIRE(l.face->corners()->rowCount() == 2);
  l.type(1, 0, "200 mm");
  l.face->corners()->setCurrentCell(1, 0);
  l.button("Corner after this")->click();
  l.type(2, 0, "200");
  l.type(2, 1, "100 mm");
  CHECK(l.job().tube_corners[2].x_m == Approx(0.2));
  CHECK(l.job().tube_corners[2].y_m == Approx(0.1));
  // Two flares of 5 mm, straights less the setback of 14.3 mm each, and a quarter turn.
  const double cut = 0.01 + 0.1857 + 0.0857 + 0.0143 * 3.14159265 / 2;
  CHECK(l.face->steps().contains(quantity_text(cut, Kind::length, 0, l.b.session.style())));
  CHECK(l.face->steps().contains("bend 90°"));
  // The bender is not measured: said, until it is.
  CHECK(l.face->steps().contains("not measured"));
  for (auto* e : l.face->findChildren<QLineEdit*>()) {
    const bool radius = e->accessibleName() == "Bend radius";
    if (!radius && e->accessibleName() != "Tube outside") continue;
    CHECK(e->text().isEmpty());
    CHECK(e->placeholderText().startsWith(QString::fromUtf8("≈")));
    QTest::keyClicks(e, radius ? "14.3 mm" : "3/16 in");
    QTest::keyClick(e, Qt::Key_Return);
    QApplication::processEvents();
  }
  REQUIRE(l.job().tubes[0].radius_m);
  CHECK(*l.job().tubes[0].radius_m == Approx(0.0143));
  CHECK_FALSE(l.face->steps().contains("not measured"));
  // Too near for its bends: refused by name, nothing printed.
  l.type(2, 1, "10 mm");
  CHECK(l.face->steps().contains("Before corner"));
  l.b.next_file = l.b.dir.filePath("no.svg");
  l.button("Full-size print…")->click();
  CHECK_FALSE(QFile::exists(l.b.next_file));
  CHECK(l.face->refusal().contains("Before corner"));
  l.type(2, 1, "abc");
  CHECK(l.job().tube_corners[2].y_m == Approx(0.01));
  CHECK_FALSE(l.face->refusal().isEmpty());
  l.type(2, 1, "4 in");
  CHECK(l.face->refusal().isEmpty());
  l.b.next_file = l.b.dir.filePath("line.svg");
  l.button("Full-size print…")->click();
  REQUIRE(QFile::exists(l.b.next_file));
  // Undone step by step, saved and opened the same.
  const QString path = l.b.dir.filePath("line.yoke");
  REQUIRE(l.b.session.save_as(path));
  Session again;
  REQUIRE(again.open(path));
  CHECK(again.job() == l.job());
  l.b.session.undo();
  CHECK(l.job().tube_corners[2].y_m == Approx(0.01));
}

TEST_CASE("a corner is dragged in either view") {
  Lines l;
  l.face->add_line();
  l.face->corners()->setCurrentCell(1, 0);
  l.face->add_corner();
  QApplication::processEvents();
  l.type(2, 2, "150 mm");
  const auto spot = [&l](const char* id) {
    for (const Spot& s : l.face->drawing()->picture().spots)
      if (s.id == QLatin1String(id)) return s.area.center().toPoint();
    FAIL("no spot " << id);
    return QPoint();
  };
  const TubeCorner was = l.job().tube_corners[2];
  const QPoint at = spot("corner:side:2");
  auto* d = l.face->drawing();
  QTest::mousePress(d, Qt::LeftButton, {}, at);
  QTest::mouseMove(d, at + QPoint(10, 10));
  QTest::mouseMove(d, at + QPoint(20, 30));
  QTest::mouseRelease(d, Qt::LeftButton, {}, at + QPoint(20, 30));
  QApplication::processEvents();
  const TubeCorner now = l.job().tube_corners[2];
  CHECK(now.x_m > was.x_m);
  CHECK(now.z_m < was.z_m);
  CHECK(now.y_m == was.y_m);
  // One drag is one step back.
  l.b.session.undo();
  CHECK(l.job().tube_corners[2] == was);
}

TEST_CASE("a line keeps its corners under another name, and takes them along when it goes") {
  Lines l;
  l.face->add_line();
  l.face->add_line();
  QApplication::processEvents();
  REQUIRE(l.job().tubes.size() == 2);
  CHECK(l.job().tubes[0].name != l.job().tubes[1].name);
  QLineEdit* name = nullptr;
  for (auto* e : l.face->findChildren<QLineEdit*>())
    if (e->accessibleName() == "Name") name = e;
  REQUIRE(name);
  name->selectAll();
  QTest::keyClicks(name, "rear axle");
  QTest::keyClick(name, Qt::Key_Return);
  QApplication::processEvents();
  CHECK(l.job().tubes[1].name == "rear axle");
  CHECK(l.job().tube_corners[2].line == "rear axle");
  CHECK(l.face->corners()->rowCount() == 2);
  for (auto* w : l.face->findChildren<QPushButton*>())
    if (w->accessibleName() == "Remove this line") w->click();
  QApplication::processEvents();
  REQUIRE(l.job().tubes.size() == 1);
  CHECK(l.job().tube_corners.size() == 2);
}

TEST_CASE("clips by the spacing that is typed, heat where the corners are measured from the face") {
  Lines l;
  l.b.session.edit("box", [](Job& j) {
    Box pipe;
    pipe.name = "exhaust";
    pipe.kind = Box::Kind::hot;
    pipe.x_m = 0.1;
    pipe.z_m = -0.03;
    pipe.dx_m = pipe.dy_m = pipe.dz_m = 0.04;
    j.boxes = {pipe};
  });
  l.button("Add a line")->click();
  l.type(1, 0, "700 mm");
  CHECK(l.face->steps().contains("usual spacing"));
  CHECK(l.face->steps().contains("not known while"));
  for (auto* e : l.face->findChildren<QLineEdit*>()) {
    if (e->accessibleName() != "Clip to clip") continue;
    QTest::keyClicks(e, "100 mm");
    QTest::keyClick(e, Qt::Key_Return);
    QApplication::processEvents();
  }
  REQUIRE(l.job().tubes[0].support_m);
  CHECK(*l.job().tubes[0].support_m == Approx(0.1));
  CHECK(l.face->steps().contains("Clips: 7,"));
  auto* from_face = l.face->findChild<QCheckBox*>();
  REQUIRE(from_face);
  from_face->click();
  QApplication::processEvents();
  CHECK(l.job().tubes[0].from_face);
  CHECK(l.face->steps().contains("exhaust"));
  CHECK_FALSE(l.face->steps().contains("not known while"));
}
