#include <QApplication>
#include <QDir>
#include <clocale>
#include <cstdio>

#include "app/shots.hpp"
#include "ui/language.hpp"
#include "ui/look.hpp"
#include "ui/main_window.hpp"
#include "ui/preferences.hpp"

namespace {

struct Words {
  QString shots;
  QSize size{1280, 800};
  QString job;
  int job_at = 0;  ///< which word: a name that is no UTF-8 must reach the disk as it was given
  QString wrong;
  bool help = false;
  bool rig = false;
};

Words read_words(const QStringList& list) {
  Words w;
  for (int i = 0; i < list.size(); ++i) {
    if (list[i] == QStringLiteral("--shots") && i + 1 < list.size()) {
      w.shots = list[++i];
    } else if (list[i] == QStringLiteral("--size") && i + 1 < list.size()) {
      const QStringList parts = list[++i].split(QLatin1Char('x'));
      w.size = parts.size() == 2 ? QSize(parts[0].toInt(), parts[1].toInt()) : QSize();
      if (w.size.width() < 800 || w.size.height() < 600 || w.size.width() > 8000 ||
          w.size.height() > 8000)
        w.wrong = QStringLiteral("--size takes WxH from 800x600 to 8000x8000");
    } else if (list[i] == QStringLiteral("--rig")) {
      w.rig = true;
    } else if (list[i] == QStringLiteral("--help")) {
      w.help = true;
    } else if (list[i].startsWith(QLatin1String("--"))) {
      w.wrong = QStringLiteral("There is no option ") + list[i];
    } else {
      w.job = list[i];
      w.job_at = i + 1;
    }
  }
  return w;
}

/// Where unsaved work goes that has no file of its own to stand beside.
QString state_folder() {
  QString base = qEnvironmentVariable("XDG_STATE_HOME");
  if (!QDir::isAbsolutePath(base)) base = QDir::homePath() + QStringLiteral("/.local/state");
  return base + QStringLiteral("/yokestep");
}

}  // namespace

int main(int argc, char** argv) {
  QStringList list;
  for (int i = 1; i < argc; ++i) list << QString::fromLocal8Bit(argv[i]);
  const Words words = read_words(list);
  if (words.help || !words.wrong.isEmpty()) {
    std::fprintf(words.help ? stdout : stderr,
                 "%s\nyokestep [--rig] [JOB.yoke]\nyokestep --shots DIR [--size WxH] [JOB.yoke]\n",
                 qPrintable(words.wrong));
    return words.help ? 0 : 2;
  }
  if (!words.shots.isEmpty()) qputenv("QT_QPA_PLATFORM", "offscreen");
  QCoreApplication::setApplicationName(QStringLiteral("Yoke Step"));
  QCoreApplication::setOrganizationName(QStringLiteral("yokestep"));
  if (words.shots.isEmpty()) yoke::apply_zoom(argc, argv);
  QApplication app(argc, argv);
  std::setlocale(LC_NUMERIC, "C");  // numbers in files never follow the desktop's locale
  yoke::apply_look(app);
  if (!words.shots.isEmpty()) return yoke::make_shots(words.shots, words.size, words.job);

  yoke::speak_language(yoke::preferences().language);
  yoke::Session session;
  session.set_style(yoke::preferences().style);
  session.set_state_folder(state_folder());
  yoke::MainWindow window(session, yoke::real_dialogs());
  window.show();
  if (words.job_at > 0)
    window.open_file(argv[words.job_at]);
  else
    window.show_begin();
  window.offer_unnamed();
  if (words.rig) window.stand_in();
  return QApplication::exec();
}
