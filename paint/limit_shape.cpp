#include "paint/limit_shape.hpp"

#include <QPainterPath>

#include "paint/theme.hpp"

namespace yoke {

void draw_shape(QPainter& p, QPointF c, double s, Limit limit) {
  const QColor ink = limit == Limit::none ? theme::kScribe : theme::kScribeSoft;
  p.setPen(QPen(ink, 1.6, Qt::SolidLine, Qt::RoundCap));
  p.setBrush(Qt::NoBrush);
  switch (limit) {
    case Limit::none:
      p.setBrush(theme::kScribe);
      p.drawEllipse(c, s * 0.8, s * 0.8);
      break;
    case Limit::effort:  // a weight on the pedal: bar above
      p.drawLine(c + QPointF(-s, -s * 0.7), c + QPointF(s, -s * 0.7));
      p.drawLine(c + QPointF(-s, 0), c + QPointF(s, 0));
      p.drawLine(c + QPointF(-s, s * 0.7), c + QPointF(s, s * 0.7));
      break;
    case Limit::effort_no_assist:
      p.drawLine(c + QPointF(-s, -s * 0.4), c + QPointF(s, -s * 0.4));
      p.drawLine(c + QPointF(-s, s * 0.4), c + QPointF(s, s * 0.4));
      break;
    case Limit::travel:  // long way down
      p.drawLine(c + QPointF(0, -s), c + QPointF(0, s));
      p.drawLine(c + QPointF(-s * 0.8, s), c + QPointF(s * 0.8, s));
      break;
    case Limit::reserve:
      p.drawLine(c + QPointF(0, -s), c + QPointF(0, s * 0.4));
      p.drawLine(c + QPointF(-s * 0.8, s), c + QPointF(s * 0.8, s));
      break;
    case Limit::primary_lost:
      p.drawEllipse(c, s * 0.8, s * 0.8);
      p.drawLine(c + QPointF(0, -s * 0.4), c + QPointF(0, s * 0.4));
      break;
    case Limit::secondary_lost:
      p.drawEllipse(c, s * 0.8, s * 0.8);
      p.drawLine(c + QPointF(-s * 0.25, -s * 0.4), c + QPointF(-s * 0.25, s * 0.4));
      p.drawLine(c + QPointF(s * 0.25, -s * 0.4), c + QPointF(s * 0.25, s * 0.4));
      break;
    case Limit::strokes:
      p.drawRect(QRectF(c.x() - s * 0.8, c.y() - s * 0.6, s * 1.6, s * 1.2));
      break;
    case Limit::lock_order: {
      QPainterPath path;
      path.moveTo(c + QPointF(-s, s * 0.7));
      path.lineTo(c + QPointF(0, -s * 0.8));
      path.lineTo(c + QPointF(s, s * 0.7));
      path.closeSubpath();
      p.drawPath(path);
      break;
    }
    case Limit::hot:  // rising waves
      p.drawArc(QRectF(c.x() - s, c.y() - s * 0.5, s, s), 0, 180 * 16);
      p.drawArc(QRectF(c.x(), c.y() - s * 0.5, s, s), 180 * 16, 180 * 16);
      break;
    case Limit::air_left:  // bubbles
      p.drawEllipse(c + QPointF(-s * 0.4, s * 0.3), s * 0.35, s * 0.35);
      p.drawEllipse(c + QPointF(s * 0.45, -s * 0.35), s * 0.45, s * 0.45);
      break;
    case Limit::release:  // a gap that stays closed
      p.drawLine(c + QPointF(-s * 0.2, -s), c + QPointF(-s * 0.2, s));
      p.drawLine(c + QPointF(s * 0.2, -s), c + QPointF(s * 0.2, s));
      break;
    case Limit::over_travel:  // past the mark
      p.drawLine(c + QPointF(s * 0.3, -s), c + QPointF(s * 0.3, s));
      p.drawLine(c + QPointF(-s, 0), c + QPointF(s, 0));
      break;
    case Limit::impossible:
      p.drawLine(c + QPointF(-s * 0.7, -s * 0.7), c + QPointF(s * 0.7, s * 0.7));
      break;
  }
}

}  // namespace yoke
