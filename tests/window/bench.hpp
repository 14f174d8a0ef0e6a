// A window whose questions are answered by the test.
#pragma once

#include <QApplication>
#include <QFile>
#include <QSettings>
#include <QTemporaryDir>
#include <QTest>
#include <catch2/catch.hpp>
#include <memory>

#include "support/build.hpp"
#include "ui/look.hpp"
#include "ui/main_window.hpp"

namespace yoke::test {

/// A copy of a demo job: an edited one leaves a journal beside its file.
inline QString demo(const QTemporaryDir& dir, const char* name = "estate-discs") {
  const QString path = dir.filePath(QStringLiteral("%1.yoke").arg(QString::fromLatin1(name)));
  QString from =
      QStringLiteral(YOKE_SOURCE_DIR "/tests/fixtures/%1.yoke").arg(QString::fromLatin1(name));
  if (!QFile::exists(from))
    from = QStringLiteral(YOKE_SOURCE_DIR "/data/demo/%1.yoke").arg(QString::fromLatin1(name));
  if (!QFile::exists(path)) REQUIRE(QFile::copy(from, path));
  return path;
}

struct Bench {
  QTemporaryDir dir;
  Session session;
  QStringList told;
  QStringList asked;
  QStringList filters;  ///< of the files that were asked for
  QString next_file;
  int keep = 1;    ///< unsaved changes: 0 save, 1 discard, -1 stay
  int answer = 0;  ///< to any other question; -1: closed without an answer
  std::unique_ptr<MainWindow> window;

  Bench() {
    static const bool looks =
        apply_look(*qobject_cast<QApplication*>(QCoreApplication::instance()));
    REQUIRE(looks);
    QSettings().clear();  // what another test chose is not remembered
    Dialogs d;
    d.open_file = [this](QWidget*, const QString&, const QString& filter) {
      filters << filter;
      return next_file;
    };
    d.save_file = [this](QWidget*, const QString&, const QString&, const QString&) {
      return next_file;
    };
    d.pick_folder = [this](QWidget*, const QString&) { return dir.path(); };
    d.ask = [this](QWidget*, const QString& question, const QStringList& answers, const QString&) {
      asked << question;
      return answers.size() == 2 && answers[1] == QStringLiteral("Discard") ? keep : answer;
    };
    d.tell = [this](QWidget*, const QString& m) { told << m; };
    window = std::make_unique<MainWindow>(session, d);
    window->show();
    window->activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(window.get()));
  }
  template <class Page>
  Page* page(Stage s) {
    return qobject_cast<Page*>(window->page(s));
  }
  void stage(Stage s) {
    QTest::mouseClick(window->rail()->button(s), Qt::LeftButton);
    QApplication::processEvents();
  }
  /// Prove with all readings and gates at once.
  void prove_all() {
    stage(Stage::prove);
    window->page(Stage::prove)->show_face("readings");
    QApplication::processEvents();
  }
  QLineEdit* entry(ParamPanel* panel, As w, Param p) {
    auto* f = qobject_cast<QuantityField*>(panel->field(w, p));
    REQUIRE(f);
    return f->entry();
  }
  void type(QLineEdit* e, const QString& text, Qt::Key end = Qt::Key_Return) {
    e->setFocus();
    e->selectAll();
    QTest::keyClicks(e, text);
    QTest::keyClick(e, end);
    QApplication::processEvents();
  }
  void choose(ParamPanel* panel, As w, Param p, int option) {
    auto* f = qobject_cast<ChoiceField*>(panel->field(w, p));
    REQUIRE(f);
    f->entry()->setFocus();
    f->entry()->setCurrentIndex(option + 1);
    emit f->entry()->activated(option + 1);
    QApplication::processEvents();
  }
};

/// A place of a picture by its id.
inline void click_spot(PictureView* view, const std::string& id) {
  for (const Spot& s : view->picture().spots)
    if (s.id == QString::fromStdString(id)) {
      QTest::mouseClick(view, Qt::LeftButton, Qt::NoModifier, s.area.center().toPoint());
      QApplication::processEvents();
      return;
    }
  FAIL(id);
}

}  // namespace yoke::test
