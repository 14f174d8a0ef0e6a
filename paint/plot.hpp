// Curves over two axes, on the dye.
#pragma once

#include <QColor>
#include <QPointF>
#include <vector>

#include "paint/picture.hpp"

namespace yoke {

struct PlotAxis {
  QString words;  ///< "pad travel, mm"
  double lo = 0;
  double hi = 1;
};

enum class Stroke { solid, dashed, dotted };

struct PlotCurve {
  QString name;
  std::vector<QPointF> points;
  Stroke stroke = Stroke::solid;
  QColor colour;
  double width = 2.0;
};

struct PlotPoint {
  QPointF at;
  double half_x = 0;  ///< doubt, in axis units
  double half_y = 0;
  QString name;
};

struct PlotLimit {
  bool vertical = false;
  double at = 0;
  QString name;
};

struct PlotInput {
  QString title;
  PlotAxis x;
  PlotAxis y;
  std::vector<PlotCurve> curves;
  std::vector<PlotPoint> points;
  std::vector<PlotLimit> limits;
  std::vector<PlotPoint> marks;  ///< named states, drawn as open rings
  QString empty;                 ///< said when there is nothing to draw
};

[[nodiscard]] Picture plot(const PlotInput& input, QSizeF size);
/// An axis end that holds the largest value with some air: a round number.
[[nodiscard]] double round_end(double largest);

}  // namespace yoke
