// All faces, both kinds of job, the sheet and the menus in a language that nobody speaks: what is
// not bracketed was never offered for translation.
#include <QAbstractButton>
#include <QCheckBox>
#include <QComboBox>
#include <QLabel>
#include <QLineEdit>
#include <QMenuBar>
#include <QTableWidget>
#include <QTextBrowser>
#include <QTextDocumentFragment>
#include <fstream>
#include <set>

#include "support/pseudo.hpp"
#include "ui/figures_view.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Walk {
  QStringList own;                ///< the builder's words, and names of files
  std::set<QString> unbracketed;  ///< place: what is left
  void look(const QString& place, QString text) {
    if (Qt::mightBeRichText(text)) text = QTextDocumentFragment::fromHtml(text).toPlainText();
    const QString left = untranslated(text, own);
    if (!left.isEmpty()) unbracketed.insert(place + ": " + text.left(120).simplified());
  }
  void look_at(QWidget* root) {
    for (auto* w : root->findChildren<QWidget*>()) {
      if (!w->isVisibleTo(root)) continue;
      if (auto* l = qobject_cast<QLabel*>(w)) look("label", l->text());
      if (auto* b = qobject_cast<QAbstractButton*>(w)) look("button", b->text());
      if (auto* e = qobject_cast<QLineEdit*>(w)) look("hint", e->placeholderText());
      if (auto* c = qobject_cast<QComboBox*>(w))
        for (int i = 0; i < c->count(); ++i) look("choice", c->itemText(i));
      if (auto* t = qobject_cast<QTableWidget*>(w))
        for (int c = 0; c < t->columnCount(); ++c)
          if (t->horizontalHeaderItem(c)) look("column", t->horizontalHeaderItem(c)->text());
      if (auto* p = qobject_cast<PictureView*>(w))
        for (const QString& said : p->picture().said) look("picture", said);
      if (auto* f = qobject_cast<FigureSheet*>(w))
        for (const QString& said : f->said()) look("figure", said);
      if (auto* t = qobject_cast<QTextBrowser*>(w))
        for (const QString& line : t->toPlainText().split('\n')) look("sheet", line);
      look("tip", w->toolTip());
      look("name", w->accessibleName());
    }
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
    Walk bar = walk;
    for (auto* action : b.window->menuBar()->findChildren<QAction*>()) {
      bar.look("menu", action->text());
      if (!action->toolTip().contains(b.dir.path().section('/', 1, 1)))
        bar.look("menu tip", action->toolTip());
    }
    menus.merge(bar.unbracketed);
    for (const Stage s : kStages) {
      b.stage(s);
      auto* page = qobject_cast<StagePage*>(b.window->page(s));
      for (std::size_t face = 0; face < page->face_count(); ++face) {
        page->show_face(face);
        QApplication::processEvents();
        walk.look_at(b.window.get());
      }
      if (page->figures_button()) {
        page->show_figures(true);
        QApplication::processEvents();
        walk.look_at(b.window.get());
        page->show_figures(false);
      }
    }
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
