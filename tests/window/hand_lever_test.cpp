// A master that fingers pull: no face speaks of a pedal, a foot or a floor.
#include <QMenuBar>
#include <QRegularExpression>
#include <set>

#include "document/param/control.hpp"
#include "window/text_walk.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("a hand-lever job is spoken of as one, on every face, in menus, and back again") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "sidecar-outfit")));
  // The pages of the opened job stand at once: none is exchanged behind the back of who holds it.
  const StagePage* const survey = b.window->page(Stage::survey);
  QApplication::processEvents();
  CHECK(b.window->page(Stage::survey) == survey);
  static const QRegularExpression of_feet(
      QStringLiteral("\\b(pedals?|foot|feet|floor|accelerator)\\b"),
      QRegularExpression::CaseInsensitiveOption);
  std::set<QString> wrong;
  bool lever = false;
  walk_all_faces(b, [&](const QString& place, const QString& text) {
    lever = lever || text.contains(QLatin1String("Lever"));
    QString said = text;
    // The builder's own words, and the options that a job may be.
    for (const std::string& own : {b.session.job().title, b.session.job().notes})
      if (!own.empty()) said.remove(QString::fromStdString(own));
    if (place == QLatin1String("choice") || text.contains(QLatin1String("pedal or lever"))) return;
    if (said.contains(of_feet)) wrong.insert(place + ": " + said.left(140).simplified());
  });
  CHECK(lever);
  for (const QString& w : wrong) FAIL_CHECK(w.toStdString());
  const auto menu = [&b](const char* words) {
    for (auto* a : b.window->menuBar()->actions())
      if (QString(a->text()).remove(QLatin1Char('&')) == QLatin1String(words)) return true;
    return false;
  };
  CHECK(menu("Lever"));
  // Another job, pressed by a foot: at once.
  REQUIRE(b.window->open_path(demo(b.dir, "estate-discs")));
  QApplication::processEvents();
  CHECK(menu("Pedal"));
  bool pedal = false;
  walk_texts(b.window.get(), [&pedal](const QString&, const QString& text) {
    pedal = pedal || text.contains(QLatin1String("pedal"));
  });
  CHECK(pedal);
  // The kind of control is changed by a field of the page itself: the page is exchanged when the
  // field has done, and shows the same face.
  b.stage(Stage::survey);
  b.window->page(Stage::survey)->show_face("dimensions");
  auto* fields = b.window->page(Stage::survey);
  REQUIRE(b.session.set_value(As::found, param::control_kind, {1, How::stated, 0, {}}));
  CHECK(b.window->page(Stage::survey) == fields);
  QApplication::processEvents();
  CHECK(menu("Lever"));
  CHECK(b.window->page(Stage::survey)->face() == 0);
}
