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

/// Pixels for one unit of the drawing, on the screen and unturned: what was drawn once is laid down
/// again. Elsewhere (print, SVG, a turned drawing) lines stay lines.
std::optional<double> laid_down(const QPainter& p) {
  const QPaintDevice* d = p.device();
  // A worker that draws the sheet has no part in the window's pixmaps.
  if (!qApp || QThread::currentThread() != qApp->thread()) return std::nullopt;
  const QTransform& t = p.deviceTransform();
  if (!d || t.type() > QTransform::TxScale || t.m11() <= 0 || std::abs(t.m11() - t.m22()) > 1e-6)
    return std::nullopt;
  const int type = d->devType();
  if (type != QInternal::Widget && type != QInternal::Image && type != QInternal::Pixmap)
    return std::nullopt;
  return t.m11();
}

QPixmap made_once(const QString& key, QSizeF size, double scale,
                  const std::function<void(QPainter&)>& draw) {
  QPixmap pixmap;
  if (QPixmapCache::find(key, &pixmap)) return pixmap;
  pixmap = QPixmap(static_cast<int>(std::ceil(size.width() * scale)),
                   static_cast<int>(std::ceil(size.height() * scale)));
  pixmap.fill(Qt::transparent);
  QPainter p(&pixmap);
  p.scale(scale, scale);
  draw(p);
  p.end();
  pixmap.setDevicePixelRatio(scale);
  QPixmapCache::insert(key, pixmap);
  return pixmap;
}

QString key_of(int kind, const QColor& colour, double size) {
  return QStringLiteral("yoke:%1:%2:%3").arg(kind).arg(colour.rgba()).arg(qRound(size * 10));
}

}  // namespace

namespace {

/// Further than any screen: a piece that long leaves the picture at once, and is left out.
constexpr double kFar_px = 1e5;

/// The drawn parts of a broken line; `pattern` as of a pen: drawn, left out, … in widths.
void draw_dashes(QPainter& p, const QPolygonF& line, const QList<qreal>& pattern, double width) {
  qsizetype part = 0;
  double left = pattern[0] * width;
  for (qsizetype i = 1; i < line.size(); ++i) {
    const QPointF by = line[i] - line[i - 1];
    const double length = std::sqrt(QPointF::dotProduct(by, by));
    if (!(length < kFar_px)) continue;
    for (double at = 0; at < length;) {
      const double to = std::min(length, at + left);
      if (part % 2 == 0)
        p.drawLine(line[i - 1] + by * (at / length), line[i - 1] + by * (to / length));
      left -= to - at;
      at = to;
      if (left > 1e-9) continue;
      part = (part + 1) % pattern.size();
      left = std::max(0.1, pattern[part] * width);
    }
  }
}

}  // namespace

void draw_run(QPainter& p, const QPolygonF& line) {
  if (line.size() < 3 || !laid_down(p)) {
    p.drawPolyline(line);
    return;
  }
  const QPen whole = p.pen();
  QPen piece(whole.color(), whole.widthF());
  // Between points of a curve hardly anything gapes; a dash ends where it ends.
  piece.setCapStyle(Qt::FlatCap);
  p.setPen(piece);
  if (whole.style() == Qt::SolidLine)
    for (qsizetype i = 1; i < line.size(); ++i) p.drawLine(line[i - 1], line[i]);
  else
    draw_dashes(p, line, whole.dashPattern(), whole.widthF());
}

void draw_once(QPainter& p, QPointF at, const QRectF& room, const QString& key,
               const std::function<void(QPainter&)>& draw) {
  const auto scale = laid_down(p);
  if (!scale) {
    p.save();
    p.translate(at);
    draw(p);
    p.restore();
    return;
  }
  QPixmap once = made_once(QStringLiteral("%1@%2").arg(key).arg(qRound(*scale * 1000)), room.size(),
                           *scale, [&](QPainter& first) {
                             first.setRenderHint(QPainter::Antialiasing);
                             first.translate(-room.topLeft());
                             draw(first);
                           });
  once.setDevicePixelRatio(p.device()->devicePixelRatioF());
  // Pixel for pixel, whatever the drawing is scaled by.
  const QTransform kept = p.worldTransform();
  const QPointF corner = kept.map(at + room.topLeft());
  p.resetTransform();
  p.drawPixmap(corner, once);
  p.setWorldTransform(kept);
}

void draw_mark(QPainter& p, const QRectF& box, Mark mark, const QColor& colour) {
  draw_once(p, box.topLeft(), QRectF(QPointF(0, 0), box.size()).adjusted(-2, -2, 2, 2),
            key_of(static_cast<int>(mark), colour, box.width()), [&](QPainter& once) {
              draw_mark_lines(once, QRectF(QPointF(0, 0), box.size()), mark, colour);
            });
}

void fill_hatched(QPainter& p, const QRectF& box, const QColor& colour) {
  const auto scale = laid_down(p);
  if (!scale) return p.fillRect(box, QBrush(colour, Qt::BDiagPattern));
  const QString key = key_of(-1, colour, *scale * 100);
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
