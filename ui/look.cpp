#include "ui/look.hpp"

#include <QApplication>
#include <QFontDatabase>
#include <QToolTip>

#include "paint/theme.hpp"
#include "ui/yoke_style.hpp"

static void load_resources() {
  Q_INIT_RESOURCE(yoke_fonts);
}

namespace yoke {

bool apply_look(QApplication&) {
  load_resources();
  bool ok = true;
  for (const char* name : {"Roboto-Regular.ttf", "Roboto-Medium.ttf", "Roboto-Bold.ttf",
                           "YokeFigures-Regular.otf", "YokeFigures-Bold.otf"})
    ok = QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/") +
                                           QString::fromLatin1(name)) >= 0 &&
         ok;
  auto* style = new YokeStyle;  // the application keeps it
  QApplication::setStyle(style);
  QApplication::setPalette(style->standardPalette());
  QApplication::setFont(theme::text(14));
  QPalette tips = style->standardPalette();
  tips.setColor(QPalette::WindowText, theme::kScribe);
  QToolTip::setPalette(tips);
  return ok;
}

}  // namespace yoke
