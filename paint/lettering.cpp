#include "paint/lettering.hpp"

#include <QFontMetricsF>
#include <algorithm>

#include "paint/theme.hpp"

namespace yoke {

bool Lettering::free(const QRectF& place) const {
  return std::none_of(taken_.begin(), taken_.end(),
                      [&](const QRectF& t) { return t.intersects(place); });
}

QRectF Lettering::inside(QRectF r) const {
  r.moveLeft(std::clamp(r.left(), all_.left(), std::max(all_.left(), all_.right() - r.width())));
  r.moveTop(std::clamp(r.top(), all_.top(), std::max(all_.top(), all_.bottom() - r.height())));
  return r;
}

QRectF Lettering::place(QPointF middle, QSizeF size) const {
  const QRectF wanted(middle - QPointF(size.width() / 2, size.height() / 2), size);
  const double step = size.height() + 1;
  // Ever wider rings around the wanted place: up and down first, then to the sides.
  for (int ring = 0; ring <= 6; ++ring)
    for (const double across : {0.0, 0.5, -0.5, 1.0, -1.0})
      for (const int side : {-1, 1}) {
        const QRectF r = inside(
            wanted.translated(across * size.width() * (ring > 0 ? 1 : 0), side * ring * step));
        if (free(r)) return r;
      }
  return inside(wanted);
}

void Lettering::write(QPainter& p, QPointF middle, const QString& text, const QColor& ground) {
  const QFontMetricsF metrics(p.font());
  const QString shown = theme::elided(p.font(), text, all_.width() - 8);
  const QRectF box = place(middle, {metrics.horizontalAdvance(shown) + 6, metrics.height()});
  taken_.push_back(box);
  if (ground.isValid()) p.fillRect(box, ground);
  p.drawText(box, Qt::AlignCenter, shown);
}

}  // namespace yoke
