#include "ui/plain.hpp"

#include <Qt>

namespace yoke {

QLabel* plain_label(const QString& text, const char* role, QWidget* parent) {
  auto* l = new QLabel(parent);
  l->setTextFormat(Qt::PlainText);
  l->setText(text);
  l->setObjectName(QString::fromLatin1(role));
  return l;
}

QLabel* label(const QString& text, const char* role, QWidget* parent) {
  QLabel* l = plain_label(text, role, parent);
  l->setWordWrap(true);
  return l;
}

QString plain_tip(const QString& text) {
  // A tooltip cannot be told its format: what might be taken for markup is escaped, and marked as
  // markup so that the escapes are read back.
  if (!Qt::mightBeRichText(text)) return text;
  return QStringLiteral("<qt>%1</qt>")
      .arg(text.toHtmlEscaped().replace(QLatin1Char('\n'), QStringLiteral("<br>")));
}

QString plain_action(const QString& text) {
  return QString(text).replace(QLatin1Char('&'), QStringLiteral("&&"));
}

QString one_line(const QString& text, int most) {
  QString t = text.simplified();
  if (t.size() > most) t = t.left(most - 1) + QChar(0x2026);
  return t;
}

bool in_sight(const QWidget* widget) {
  QRect seen = widget->rect();
  for (const QWidget* w = widget; !w->isWindow() && w->parentWidget(); w = w->parentWidget())
    seen = seen.translated(w->pos()).intersected(w->parentWidget()->rect());
  return widget->isVisible() && !seen.isEmpty();
}

}  // namespace yoke
