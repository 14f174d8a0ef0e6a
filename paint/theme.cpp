#include "paint/theme.hpp"

#include <QFontMetricsF>
#include <QPainterPath>
#include <QtMath>

namespace yoke::theme {

QFont text(int px, bool bold) {
  QFont f(QStringLiteral("Roboto"));
  f.setStyleStrategy(QFont::PreferNoShaping);  // a seventh of an edit went into shaping
  f.setPixelSize(px);
  f.setWeight(bold ? QFont::Bold : QFont::Normal);
  return f;
}

QFont figure(int px, bool bold) {
  QFont f(QStringLiteral("Yoke Figures"));
  f.setStyleStrategy(QFont::PreferNoShaping);  // figures have no pairs to shape
  f.setPixelSize(px);
  f.setWeight(bold ? QFont::Bold : QFont::Normal);
  return f;
}

void draw_mark(QPainter& p, const QRectF& box, Mark mark, const QColor& colour) {
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  const double w = box.width();
  QPen pen(colour, qMax(1.6, w * 0.11), Qt::SolidLine, Qt::RoundCap, Qt::RoundJoin);
  p.setBrush(Qt::NoBrush);
  if (mark == Mark::tick) {
    p.setPen(QPen(colour, w * 0.08));
    p.drawEllipse(box.adjusted(1, 1, -1, -1));
    p.setPen(pen);
    p.drawPolyline(QPolygonF({box.topLeft() + QPointF(w * 0.27, w * 0.52),
                              box.topLeft() + QPointF(w * 0.44, w * 0.69),
                              box.topLeft() + QPointF(w * 0.74, w * 0.33)}));
  } else if (mark == Mark::rests) {
    // Half a ring: it stands, on something that is not firm.
    p.setPen(QPen(colour, w * 0.08));
    p.drawArc(box.adjusted(1, 1, -1, -1), -30 * 16, 240 * 16);
    p.setPen(pen);
    for (const double y : {0.44, 0.68}) {
      QPainterPath wave(box.topLeft() + QPointF(w * 0.24, w * y));
      wave.cubicTo(box.topLeft() + QPointF(w * 0.40, w * (y - 0.20)),
                   box.topLeft() + QPointF(w * 0.58, w * (y + 0.20)),
                   box.topLeft() + QPointF(w * 0.76, w * y));
      p.drawPath(wave);
    }
  } else if (mark == Mark::cross) {
    p.fillRect(box.adjusted(1, 1, -1, -1), colour);
    pen.setColor(Qt::white);
    p.setPen(pen);
    const QRectF in = box.adjusted(w * 0.3, w * 0.3, -w * 0.3, -w * 0.3);
    p.drawLine(in.topLeft(), in.bottomRight());
    p.drawLine(in.topRight(), in.bottomLeft());
  } else {
    QPen ring(colour, w * 0.08, Qt::DashLine);
    p.setPen(ring);
    p.drawEllipse(box.adjusted(1, 1, -1, -1));
    p.setPen(colour);
    p.setFont(text(qMax(9, static_cast<int>(w * 0.66)), true));
    p.drawText(box, Qt::AlignCenter, QStringLiteral("?"));
  }
  p.restore();
}

void draw_arrow_head(QPainter& p, QPointF tip, double angle_deg, double size) {
  p.save();
  p.translate(tip);
  p.rotate(-angle_deg);
  QPainterPath path;
  path.moveTo(0, 0);
  path.lineTo(-size, -size * 0.38);
  path.lineTo(-size, size * 0.38);
  path.closeSubpath();
  p.fillPath(path, p.pen().color());
  p.restore();
}

void draw_dimension(QPainter& p, QPointF a, QPointF b, const QString& label, const QColor& colour,
                    bool unknown) {
  p.save();
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(colour, 1.0, unknown ? Qt::DashLine : Qt::SolidLine));
  p.drawLine(a, b);
  p.setBrush(colour);
  p.setPen(Qt::NoPen);
  p.drawEllipse(a, 2.6, 2.6);
  p.drawEllipse(b, 2.6, 2.6);
  const QFont font = figure(13);
  const QFontMetricsF fm(font);
  const QPointF mid = (a + b) / 2;
  const QRectF box(mid.x() - fm.horizontalAdvance(label) / 2 - 4, mid.y() - fm.height() / 2 - 1,
                   fm.horizontalAdvance(label) + 8, fm.height() + 2);
  p.setBrush(kDye);
  if (unknown) p.setPen(QPen(colour, 1.2, Qt::DashLine));
  p.drawRoundedRect(box, 3, 3);
  p.setPen(colour);
  p.setFont(font);
  p.drawText(box, Qt::AlignCenter, label);
  p.restore();
}

QString elided(const QFont& font, const QString& text, double width) {
  return QFontMetricsF(font).elidedText(text, Qt::ElideRight, width);
}

}  // namespace yoke::theme
