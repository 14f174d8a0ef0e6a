#include "paint/live_figures.hpp"

#include <QFontMetricsF>
#include <algorithm>

#include "paint/theme.hpp"

namespace yoke {

namespace {

/// The largest in which all values stand within a width.
int figure_px(const std::vector<LiveFigure>& figures, double wide, double high) {
  int px = std::clamp(static_cast<int>((high - 22) * 0.8), 14, 76);
  for (; px > 14; px -= 2) {
    const QFontMetricsF fm(theme::figure(px, true));
    if (std::all_of(figures.begin(), figures.end(),
                    [&](const LiveFigure& f) { return fm.horizontalAdvance(f.value) <= wide; }))
      break;
  }
  return px;
}

}  // namespace

Picture live_figures_picture(const std::vector<LiveFigure>& figures, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  pic.layers.emplace_back(
      [size](QPainter& p) { p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye); });
  if (figures.empty()) return pic;
  // Two beside each other once there are more than two: what is read from afar must be large.
  const std::size_t columns = figures.size() > 2 ? 2 : 1;
  const std::size_t rows = (figures.size() + columns - 1) / columns;
  const double high = size.height() / static_cast<double>(rows);
  const double wide = size.width() / static_cast<double>(columns);
  const int px = figure_px(figures, wide - 26, high);
  const int name_px = std::clamp(px * 2 / 5, 13, 22);  // read from as far, where there is room
  for (std::size_t i = 0; i < figures.size(); ++i) {
    const LiveFigure& f = figures[i];
    const std::size_t row = i / columns;
    const QRectF box(static_cast<double>(i % columns) * wide + 12, static_cast<double>(row) * high,
                     wide - 24, high);
    pic.layers.emplace_back([f, box, px, name_px, line = i >= columns](QPainter& p) {
      if (line) p.fillRect(QRectF(box.left(), box.top(), box.width(), 1), theme::kScribeFaint);
      p.setPen(theme::kScribeSoft);
      p.setFont(theme::text(name_px));
      p.drawText(QRectF(box.left(), box.top() + 4, box.width(), name_px + 6), Qt::AlignVCenter,
                 theme::elided(p.font(), f.name, box.width()));
      p.setPen(f.asks ? theme::kMarkOnDye : theme::kScribe);
      p.setFont(theme::figure(px, true));
      p.drawText(box.adjusted(0, 19, 0, 0), Qt::AlignRight | Qt::AlignVCenter, f.value);
    });
    pic.said << f.name + QStringLiteral(": ") + f.value;
  }
  return pic;
}

}  // namespace yoke
