// Curves over two axes, on the dye.
#pragma once

#include <QColor>
#include <QPointF>
#include <optional>
#include <vector>

#include "paint/picture.hpp"

namespace yoke {

struct PlotAxis {
  QString words;  ///< "pedal travel, mm"
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

/// Between two edges, point by point: how far a curve may be off.
struct PlotBand {
  std::vector<QPointF> low;
  std::vector<QPointF> high;
  QColor colour;
};

struct PlotPoint {
  QPointF at;
  double half_x = 0;  ///< doubt, in axis units
  double half_y = 0;
  QString name;
  bool soft = false;  ///< of before: an open square
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
  std::vector<PlotBand> bands;  ///< behind the curves
  std::vector<PlotCurve> curves;
  std::vector<PlotPoint> points;
  std::vector<PlotLimit> limits;
  std::vector<PlotPoint> marks;  ///< named states, drawn as open rings
  QString empty;                 ///< said when there is nothing to draw
  std::optional<double> cursor;  ///< x at which every curve is read out
  int x_digits = 0;
  int y_digits = 0;
};

/// What stands under the cursor: the x, and each curve's y there.
[[nodiscard]] QStringList read_out(const PlotInput& input);
/// The x of a place of the picture, inside the axes.
[[nodiscard]] double plot_x(const PlotInput& input, QSizeF size, double pixel);
[[nodiscard]] Picture plot(const PlotInput& input, QSizeF size);
/// An axis end that holds the largest value with some air: a round number.
[[nodiscard]] double round_end(double largest);

}  // namespace yoke
