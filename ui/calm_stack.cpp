#include "ui/calm_stack.hpp"

#include <QPainter>
#include <QStyle>

#include "paint/theme.hpp"
#include "ui/plain.hpp"

namespace yoke {

Room::Room(QWidget* child, QSize least, QWidget* parent) : QWidget(parent), child_(child) {
  child_->setParent(this);
  setMinimumSize(least);
}

void Room::resizeEvent(QResizeEvent* e) {
  QWidget::resizeEvent(e);
  child_->setGeometry(rect());
}

LineText::LineText(const char* role, int lines, QWidget* parent) : QWidget(parent), lines_(lines) {
  setObjectName(QString::fromLatin1(role));
  const QString r = objectName();
  font_ = theme::text(r == QStringLiteral("answer") ? 20
                      : r == QStringLiteral("next") ? 16
                      : r == QStringLiteral("soft") ? 13
                                                    : 14,
                      r == QStringLiteral("answer"));
  setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
  fit();
}

void LineText::fit() {
  setFixedHeight(static_cast<int>(QFontMetricsF(font_).lineSpacing() * lines_ + 3));
}

void LineText::setText(const QString& text) {
  if (text == text_) return;
  text_ = text;
  setAccessibleDescription(text);
  setToolTip(plain_tip(text));
  update();
}

void LineText::resizeEvent(QResizeEvent* e) {
  QWidget::resizeEvent(e);
  update();
}

void LineText::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setFont(font_);
  p.setPen(objectName() == QStringLiteral("answer") ? theme::kInk
           : objectName() == QStringLiteral("next") ? theme::kDye
                                                    : theme::kInkSoft);
  if (lines_ > 1) {
    p.drawText(rect(), Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, text_);
    return;
  }
  p.drawText(rect(), Qt::AlignLeft | Qt::AlignVCenter,
             QFontMetrics(font_).elidedText(text_, Qt::ElideRight, width()));
}

}  // namespace yoke
