#include "paint/tube_picture.hpp"

#include <QPainterPath>
#include <algorithm>
#include <cmath>

#include "paint/drawing_ground.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

namespace {

constexpr double kMargin = 34;
constexpr double kTop = 52;  ///< under the names of the views
constexpr double kBar = 92;  ///< room of the unrolled line

enum class View { above, side };

QPointF seen(const Point3& p, View v) {
  return v == View::above ? QPointF(p.x, p.y) : QPointF(p.x, -p.z);
}

/// Both views side by side, to one scale.
struct Lay {
  double per_m = 1;
  QPointF middle[2];
  QPointF centre[2];  ///< of the line, in m

  Lay(const std::vector<Point3>& corners, QSizeF size) {
    const double width = size.width() / 2 - 2 * kMargin;
    const double height = size.height() - kBar - kTop - kMargin;
    per_m = 1e9;
    for (const View v : {View::above, View::side}) {
      double x0 = 1e9, x1 = -1e9, y0 = 1e9, y1 = -1e9;
      for (const Point3& c : corners) {
        const QPointF p = seen(c, v);
        x0 = std::min(x0, p.x());
        x1 = std::max(x1, p.x());
        y0 = std::min(y0, p.y());
        y1 = std::max(y1, p.y());
      }
      centre[static_cast<int>(v)] = {(x0 + x1) / 2, (y0 + y1) / 2};
      per_m = std::min({per_m, width / std::max(0.05, x1 - x0), height / std::max(0.05, y1 - y0)});
      middle[static_cast<int>(v)] = {size.width() * (v == View::above ? 0.25 : 0.75),
                                     kTop + height / 2};
    }
  }
  [[nodiscard]] QPointF at(const Point3& p, View v) const {
    const int i = static_cast<int>(v);
    return middle[i] + (seen(p, v) - centre[i]) * per_m;
  }
};

Point3 toward(const Point3& from, const Point3& to, double by) {
  const double d = std::hypot(std::hypot(to.x - from.x, to.y - from.y), to.z - from.z);
  const double t = d > 0 ? std::min(by / d, 0.5) : 0;
  return {from.x + t * (to.x - from.x), from.y + t * (to.y - from.y), from.z + t * (to.z - from.z)};
}

/// The tube as it will run: straights, and a curve at each corner that bends.
QPainterPath run_of(const PlannedLine& line, const Lay& l, View v) {
  const auto& c = line.corners;
  QPainterPath path(l.at(c.front(), v));
  for (std::size_t i = 1; i + 1 < c.size(); ++i) {
    double setback = 0;
    if (line.list)
      for (const BendStep& b : line.list->bends)
        if (b.corner == i) setback = line.list->radius_m * std::tan(b.angle_rad / 2);
    path.lineTo(l.at(toward(c[i], c[i - 1], setback), v));
    path.quadTo(l.at(c[i], v), l.at(toward(c[i], c[i + 1], setback), v));
  }
  path.lineTo(l.at(c.back(), v));
  return path;
}

/// The corners' numbers; those that lie on one another stand in one: "2, 3".
void draw_numbers(QPainter& p, const PlannedLine& line, const Lay& l, View v) {
  constexpr double kNear = 17;  // nearer than a number is wide or high
  std::vector<bool> told(line.corners.size());
  p.setPen(theme::kScribe);
  for (std::size_t i = 0; i < line.corners.size(); ++i) {
    if (told[i]) continue;
    const QPointF at = l.at(line.corners[i], v);
    QString words = QString::number(i + 1);
    for (std::size_t j = i + 1; j < line.corners.size(); ++j) {
      const QPointF by = l.at(line.corners[j], v) - at;
      if (std::abs(by.x()) > kNear || std::abs(by.y()) > kNear) continue;
      told[j] = true;
      words += QStringLiteral(", %1").arg(j + 1);
    }
    p.drawText(at + QPointF(8, -8), words);
  }
}

void draw_view(QPainter& p, const PlannedLine& line, std::size_t chosen, const Lay& l, View v) {
  p.setPen(QPen(theme::kScribeFaint, 1, Qt::DotLine));
  for (std::size_t i = 1; i < line.corners.size(); ++i)
    p.drawLine(l.at(line.corners[i - 1], v), l.at(line.corners[i], v));
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(line.list ? theme::kScribe : theme::kMarkOnDye, 3.2,
                line.list ? Qt::SolidLine : Qt::DashLine, Qt::RoundCap, Qt::RoundJoin));
  p.drawPath(run_of(line, l, v));
  p.setFont(theme::figure(13, true));
  for (std::size_t i = 0; i < line.corners.size(); ++i) {
    const QPointF at = l.at(line.corners[i], v);
    p.setPen(QPen(i == chosen ? theme::kMarkOnDye : theme::kScribe, i == chosen ? 2.4 : 1.4));
    p.setBrush(theme::kDyeDeep);
    p.drawEllipse(at, 5, 5);
  }
  draw_numbers(p, line, l, v);
}

/// The line unrolled: marks where its bends begin.
void draw_bar(QPainter& p, const BendList& list, const Style& style, QSizeF size) {
  const double x0 = kMargin;
  const double x1 = size.width() - kMargin;
  const double y = size.height() - 40;
  const double per_m = (x1 - x0) / std::max(1e-6, list.cut_m);
  p.setPen(QPen(theme::kScribe, 1.6));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(x0, y - 6, x1 - x0, 12));
  p.setFont(theme::figure(13));
  double last = -1e9;
  int n = 0;
  for (const BendStep& b : list.bends) {
    ++n;
    const double x = x0 + b.mark_m * per_m;
    const double wide = list.radius_m * b.angle_rad * per_m;
    p.fillRect(QRectF(x, y - 6, wide, 12), theme::kSteel);
    p.setPen(QPen(theme::kMarkOnDye, 2));
    p.drawLine(QPointF(x, y - 12), QPointF(x, y + 12));
    p.setPen(theme::kScribe);
    const QString words = q(format_quantity(b.mark_m, Kind::length, 0, style)).section(' ', 0, 0);
    const double w = p.fontMetrics().horizontalAdvance(words);
    if (x < last + 8) continue;  // the list beside it has them all
    p.drawText(QPointF(x, y - 16), words);
    last = x + w;
  }
  p.setPen(theme::kScribeSoft);
  p.setFont(theme::text(14));
  p.drawText(QRectF(x0, y + 14, x1 - x0, 22), Qt::AlignLeft,
             Drawn::tr("unrolled: cut %1, marks from the cut end")
                 .arg(q(format_quantity(list.cut_m, Kind::length, 0, style))));
}

}  // namespace

double tube_pixels_per_metre(const PlannedLine& line, QSizeF size) {
  return line.corners.empty() ? 0 : Lay(line.corners, size).per_m;
}

Picture tube_picture(const PlannedLine* line, std::size_t chosen, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  if (line == nullptr || line->corners.empty()) {
    ground(pic, Drawn::tr("The line to make"));
    say_missing(pic, Drawn::tr("No line yet: add one, then its corners from end to end"));
    return pic;
  }
  ground(pic, Drawn::tr("from above"), 0.5);
  const PlannedLine mine = *line;
  const Lay l(mine.corners, size);
  pic.layers.push_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setFont(theme::text(14, true));
    p.setPen(theme::kScribeSoft);
    p.drawText(QPointF(size.width() / 2 + 14, 22), Drawn::tr("from the right"));
    for (const View v : {View::above, View::side}) draw_view(p, mine, chosen, l, v);
    if (mine.list) draw_bar(p, *mine.list, style, size);
  });
  for (const View v : {View::above, View::side})
    for (std::size_t i = 0; i < mine.corners.size(); ++i) {
      const QPointF at = l.at(mine.corners[i], v);
      const QString said = Drawn::tr("corner %1, drag it").arg(i + 1);
      pic.spots.push_back(
          {QRectF(at.x() - 16, at.y() - 16, 32, 32),
           QStringLiteral("corner:%1:%2").arg(v == View::above ? "above" : "side").arg(i), said});
    }
  if (mine.list)
    for (const BendStep& b : mine.list->bends)
      pic.said << text_of(say("bend at {}: {}", in_full(b.mark_m, Kind::length, 0), bend_words(b)),
                          style);
  else
    pic.said << text_of(mine.list.error().text(), style);
  return pic;
}

}  // namespace yoke
