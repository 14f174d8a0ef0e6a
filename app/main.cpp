#include <QApplication>
#include <QDir>
#include <QSettings>
#include <QStandardPaths>
#include <clocale>
#include <cstdio>

#include "app/shots.hpp"
#include "ui/look.hpp"
#include "ui/main_window.hpp"

namespace {

struct Words {
  QString shots;
  QSize size{1280, 800};
  QString job;
  QString wrong;
  bool help = false;
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
    } else if (list[i] == QStringLiteral("--help")) {
      w.help = true;
    } else if (list[i].startsWith(QLatin1String("--"))) {
      w.wrong = QStringLiteral("There is no option ") + list[i];
    } else {
      w.job = list[i];
    }
  }
  return w;
}

}  // namespace

int main(int argc, char** argv) {
  QStringList list;
  for (int i = 1; i < argc; ++i) list << QString::fromLocal8Bit(argv[i]);
  const Words words = read_words(list);
  if (words.help || !words.wrong.isEmpty()) {
    std::fprintf(words.help ? stdout : stderr,
                 "%s\nyokestep [JOB.yoke]\nyokestep --shots DIR [--size WxH] [JOB.yoke]\n",
                 qPrintable(words.wrong));
    return words.help ? 0 : 2;
  }
  if (!words.shots.isEmpty()) qputenv("QT_QPA_PLATFORM", "offscreen");
  QApplication app(argc, argv);
  std::setlocale(LC_NUMERIC, "C");  // numbers in files never follow the desktop's locale
  QApplication::setApplicationName(QStringLiteral("Yoke Step"));
  QApplication::setOrganizationName(QStringLiteral("yokestep"));
  yoke::apply_look(app);
  if (!words.shots.isEmpty()) return yoke::make_shots(words.shots, words.size, words.job);

  yoke::Session session;
  yoke::Style style;
  style.units = static_cast<yoke::UnitStyle>(
      qBound(0, QSettings().value(QStringLiteral("units"), 2).toInt(), 2));
  style.decimal_comma = QLocale().decimalPoint() == QStringLiteral(",");
  session.set_style(style);
  const QString data = QStandardPaths::writableLocation(QStandardPaths::AppDataLocation);
  if (QDir().mkpath(data)) session.set_scratch_folder(data);
  yoke::MainWindow window(session, yoke::real_dialogs());
  window.show();
  if (!words.job.isEmpty())
    window.open_path(words.job);
  else
    session.recover_scratch();
  return QApplication::exec();
}
