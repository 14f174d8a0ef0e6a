#include "paint/theme.hpp"

#include <QCoreApplication>
#include <QFontMetricsF>
#include <QPainterPath>
#include <QPixmap>
#include <QPixmapCache>
#include <QThread>
#include <QtMath>
#include <cmath>
#include <functional>
#include <optional>

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

namespace {

void draw_mark_lines(QPainter& p, const QRectF& box, Mark mark, const QColor& colour) {
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

/// On the screen, unturned and unscaled: what was drawn once is laid down again. Elsewhere (print,
/// SVG, a turned drawing) lines stay lines.
std::optional<double> laid_down(const QPainter& p) {
  const QPaintDevice* d = p.device();
  // A worker that draws the sheet has no part in the window's pixmaps.
  if (!qApp || QThread::currentThread() != qApp->thread()) return std::nullopt;
  if (!d || p.deviceTransform().type() > QTransform::TxScale) return std::nullopt;
  const int type = d->devType();
  if (type != QInternal::Widget && type != QInternal::Image && type != QInternal::Pixmap)
    return std::nullopt;
  const double scale = p.deviceTransform().m11();
  return std::abs(scale - d->devicePixelRatioF()) < 1e-6 ? std::optional(scale) : std::nullopt;
}

QPixmap made_once(const QString& key, QSizeF size, double scale,
                  const std::function<void(QPainter&)>& draw) {
  QPixmap pixmap;
  if (QPixmapCache::find(key, &pixmap)) return pixmap;
  pixmap = QPixmap((size * scale).toSize());
  pixmap.setDevicePixelRatio(scale);
  pixmap.fill(Qt::transparent);
  QPainter p(&pixmap);
  draw(p);
  p.end();
  QPixmapCache::insert(key, pixmap);
  return pixmap;
}

QString key_of(int kind, const QColor& colour, double size, double scale) {
  return QStringLiteral("yoke:%1:%2:%3:%4")
      .arg(kind)
      .arg(colour.rgba())
      .arg(qRound(size * 10))
      .arg(qRound(scale * 100));
}

}  // namespace

void draw_mark(QPainter& p, const QRectF& box, Mark mark, const QColor& colour) {
  const auto scale = laid_down(p);
  if (!scale) return draw_mark_lines(p, box, mark, colour);
  const QString key = key_of(static_cast<int>(mark), colour, box.width(), *scale);
  const QRectF room(2, 2, box.width(), box.height());
  p.drawPixmap(box.topLeft() - room.topLeft(),
               made_once(key, room.size() + QSizeF(4, 4), *scale,
                         [&](QPainter& once) { draw_mark_lines(once, room, mark, colour); }));
}

void fill_hatched(QPainter& p, const QRectF& box, const QColor& colour) {
  const auto scale = laid_down(p);
  if (!scale) return p.fillRect(box, QBrush(colour, Qt::BDiagPattern));
  const QString key = key_of(-1, colour, 0, *scale);
  constexpr double kTile = 48;  // a whole number of the pattern's periods
  p.drawTiledPixmap(box, made_once(key, QSizeF(kTile, kTile), *scale, [&](QPainter& once) {
                      once.fillRect(QRectF(0, 0, kTile, kTile), QBrush(colour, Qt::BDiagPattern));
                    }));
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
