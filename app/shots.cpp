#include "app/shots.hpp"

#include <QApplication>
#include <QDir>
#include <QElapsedTimer>
#include <cstdio>

#include "session/texts.hpp"
#include "ui/main_window.hpp"

namespace yoke {

namespace {

/// Stages whose figures get a picture of their own.
bool shows_figures(Stage s) {
  return s == Stage::size || s == Stage::plumb || s == Stage::prove;
}

bool save_as(MainWindow& window, const QString& folder, const QString& name) {
  for (int i = 0; i < 3; ++i) {
    QApplication::processEvents();
    if (QWidget* w = QApplication::focusWidget()) w->clearFocus();
  }
  const QString path = QDir(folder).filePath(name + QStringLiteral(".png"));
  if (window.grab().save(path)) return true;
  std::fprintf(stderr, "Cannot write %s\n", qPrintable(path));
  return false;
}

bool save_shot(MainWindow& window, const QString& folder, Stage s, const QString& tail) {
  return save_as(window, folder,
                 QStringLiteral("%1-%2%3")
                     .arg(static_cast<int>(s) + 1)
                     .arg(text_of(stage_words(s)).toLower(), tail));
}

}  // namespace

int make_shots(const QString& folder, QSize size, const QString& job) {
  Session session;
  Dialogs quiet;
  quiet.tell = [](QWidget*, const QString& message) {
    std::fprintf(stderr, "%s\n", qPrintable(message));
  };
  quiet.ask = [](QWidget*, const QString&, const QStringList&, const QString&) { return -1; };
  quiet.open_file = [](QWidget*, const QString&, const QString&) { return QString(); };
  quiet.save_file = [](QWidget*, const QString&, const QString&, const QString&) {
    return QString();
  };
  quiet.pick_folder = [](QWidget*, const QString&) { return QString(); };
  MainWindow window(session, quiet);
  if (!job.isEmpty() && !window.open_path(job)) return 2;
  if (!QDir().mkpath(folder)) {
    std::fprintf(stderr, "Cannot make the folder %s\n", qPrintable(folder));
    return 2;
  }
  window.resize(size);
  window.show();
  const auto& report = session.shown_report();
  if (report.target) session.press(report.target->at.pad_travel_m);
  for (const Stage s : kStages) {
    window.show_stage(s);
    auto* page = window.page(s);
    if (auto* size_page = qobject_cast<SizePage*>(page); size_page && report.target) {
      QElapsedTimer clock;  // the doubt line comes a moment later
      clock.start();
      while (
          !size_page->map_face()->doubt_line()->text().contains(QStringLiteral("likely between")) &&
          clock.elapsed() < 20000)
        QApplication::processEvents(QEventLoop::AllEvents, 50);
    }
    if (!save_shot(window, folder, s, {})) return 2;
    for (std::size_t f = 1; f < page->face_count(); ++f) {
      page->show_face(f);
      if (!save_shot(window, folder, s, QStringLiteral("-%1").arg(f + 1))) return 2;
    }
    if (page->face_count() > 1) page->show_face(0);
    if (!page->figures_button() || !shows_figures(s)) continue;
    page->show_figures(true);
    if (!save_shot(window, folder, s, QStringLiteral("-figures"))) return 2;
    page->show_figures(false);
  }
  for (const Stage s : {Stage::survey, Stage::size, Stage::install, Stage::bleed, Stage::prove}) {
    window.show_stage(s);
    window.show_bench(true);
    if (!save_shot(window, folder, s, QStringLiteral("-bench"))) return 2;
    window.show_bench(false);
  }
  window.show_begin();
  return save_as(window, folder, QStringLiteral("0-begin")) ? 0 : 2;
}

}  // namespace yoke
