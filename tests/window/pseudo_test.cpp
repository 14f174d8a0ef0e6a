// All faces, both kinds of job, the sheet and the menus in a language that nobody speaks: what is
// not bracketed was never offered for translation.
#include <QMenuBar>
#include <fstream>
#include <set>

#include "support/pseudo.hpp"
#include "window/text_walk.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Walk {
  QStringList own;                ///< the builder's words, and names of files
  std::set<QString> unbracketed;  ///< place: what is left
  void look(const QString& place, const QString& text) {
    // A painted line may be part of a longer text: its brackets stand elsewhere.
    if (place == QLatin1String("painted")) return;
    const QString left = untranslated(text, own);
    if (!left.isEmpty()) unbracketed.insert(place + ": " + text.left(120).simplified());
  }
};

void own_words(Walk& walk, const Job& job) {
  const auto add = [&walk](const std::string& s) { walk.own << QString::fromStdString(s); };
  add(job.title);
  add(job.vehicle);
  add(job.notes);
  for (const auto& c : job.candidates) {
    add(c.name);
    add(c.maker);
  }
  for (const auto& b : job.boxes) add(b.name);
  for (const auto& p : job.parts) {
    add(p.name);
    add(p.note);
  }
  for (const auto& [id, g] : job.gates) add(g.note);
  for (const auto& [id, s] : job.steps) add(s.note);
  walk.own << "estate-discs.yoke"
           << "roadster-clutch.yoke"
           << "Yoke Step"
           << "Ctrl"
           << "Shift"
           << "Enter"
           << "Alt";
  std::sort(walk.own.begin(), walk.own.end(),
            [](const QString& a, const QString& b) { return a.size() > b.size(); });
}

}  // namespace

TEST_CASE("a language that nobody speaks is on every face, menu, picture and the sheet") {
  Pseudo pseudo;
  REQUIRE(QCoreApplication::installTranslator(&pseudo));
  std::set<QString> all;
  std::set<QString> menus;
  for (const char* name : {"estate-discs", "roadster-clutch"}) {
    Bench b;
    REQUIRE(b.window->open_path(demo(b.dir, name)));
    Walk walk;
    own_words(walk, b.session.job());
    walk.own.prepend(b.dir.path());
    for (const InstrumentPort& p : instrument_ports()) walk.own << p.path;  // the machine's own
    Walk bar = walk;
    for (auto* action : b.window->menuBar()->findChildren<QAction*>()) {
      bar.look("menu", action->text());
      if (!action->toolTip().contains(b.dir.path().section('/', 1, 1)))
        bar.look("menu tip", action->toolTip());
    }
    menus.merge(bar.unbracketed);
    walk_all_faces(b,
                   [&walk](const QString& place, const QString& text) { walk.look(place, text); });
    all.merge(walk.unbracketed);
  }
  QCoreApplication::removeTranslator(&pseudo);
  std::ofstream out(std::string(YOKE_BINARY_DIR) + "/untranslated.txt");
  for (const QString& s : menus) out << s.toStdString() << "\n";
  for (const QString& s : all) out << s.toStdString() << "\n";
  INFO("see untranslated.txt in the build folder");
  CHECK(menus.empty());
  CHECK(all.empty());
  // What was asked for, for the check that the catalogue of all texts holds it.
  std::ofstream asked(std::string(YOKE_BINARY_DIR) + "/asked.txt");
  for (const auto& [context, text] : pseudo.asked)
    asked << context.toStdString() << "\t"
          << QString(text).replace('\\', "\\\\").replace('\n', "\\n").toStdString() << "\n";
}
