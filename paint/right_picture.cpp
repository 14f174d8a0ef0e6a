#include "paint/right_picture.hpp"

#include <algorithm>
#include <cmath>

#include "paint/drawing_ground.hpp"
#include "protocol/right.hpp"

namespace yoke {

namespace {

constexpr double kMost = 5;  // what lies beyond is drawn at the edge

struct Dot {
  QPointF at;
  bool inside = true;
};

}  // namespace

Picture right_picture(const std::vector<Foretold>& list, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Foretold against what came"));
  if (list.empty()) {
    say_missing(pic, Drawn::tr("Nothing was foretold and proved yet"));
    return pic;
  }
  const QRectF area(54, 34, size.width() - 74, size.height() - 60);
  const Scale y{-kMost, kMost, area.bottom(), area.top()};
  std::vector<Dot> dots;
  std::size_t inside = 0;
  double sum = 0;
  for (std::size_t i = 0; i < list.size(); ++i) {
    const double r = residual(list[i]);
    sum += r;
    const bool in = std::abs(r) <= kEightInTen;
    inside += in ? 1 : 0;
    dots.push_back({QPointF(area.left() + area.width() * (static_cast<double>(i) + 0.5) /
                                              static_cast<double>(list.size()),
                            y.pixel(std::clamp(r, -kMost, kMost))),
                    in});
  }
  const double mean = std::clamp(sum / static_cast<double>(list.size()), -kMost, kMost);
  pic.said << Drawn::tr("%1 of %2 presses within the band of 8 in 10").arg(inside).arg(list.size());
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    QColor band = theme::kSteel;
    band.setAlpha(110);
    p.fillRect(QRectF(QPointF(area.left(), y.pixel(kEightInTen)),
                      QPointF(area.right(), y.pixel(-kEightInTen))),
               band);
    p.setPen(QPen(theme::kScribe, 1.4));
    p.drawLine(QPointF(area.left(), y.pixel(0)), QPointF(area.right(), y.pixel(0)));
    p.setPen(QPen(theme::kMarkOnDye, 2, Qt::DashLine));
    p.drawLine(QPointF(area.left(), y.pixel(mean)), QPointF(area.right(), y.pixel(mean)));
    for (const Dot& d : dots) {
      p.setPen(QPen(d.inside ? theme::kScribe : theme::kMarkOnDye, 1.8));
      p.setBrush(d.inside ? QBrush(theme::kScribe) : QBrush(Qt::NoBrush));
      p.drawEllipse(d.at, 3.4, 3.4);
    }
    p.setFont(theme::text(12));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(4, area.top() - 4, 48, 18), Qt::AlignRight, Drawn::tr("further"));
    p.drawText(QRectF(4, area.bottom() - 14, 48, 18), Qt::AlignRight, Drawn::tr("less"));
    p.drawText(QRectF(area.left(), area.bottom() + 4, area.width(), 18), Qt::AlignLeft,
               Drawn::tr("each press in turn; band: 8 in 10; broken line: their mean"));
  });
  return pic;
}

}  // namespace yoke
