// The clutch's end of the line of force: slave, fork, bearing.
#pragma once

#include <QPainter>
#include <vector>

#include "paint/line_geometry.hpp"

namespace yoke {

/// From millimetres of the world to the picture.
struct WorldView {
  double scale = 1;
  QPointF shift;
  [[nodiscard]] QPointF at(QPointF mm) const { return mm * scale + shift; }
  [[nodiscard]] QPointF at(double x, double y) const { return at(QPointF(x, y)); }
  [[nodiscard]] QRectF box(double x0, double y0, double x1, double y1) const {
    return QRectF(at(x0, y0), at(x1, y1)).normalized();
  }
};

/// One column of figures under the line.
struct Station {
  QString name, big, small;
};

/// A dimension to touch.
struct Dimension {
  Param param;
  QPointF a, b;
};

void draw_clutch(QPainter& p, const LineGeometry& g, const WorldView& v);
[[nodiscard]] std::vector<Dimension> clutch_dimensions(const LineGeometry& g, const WorldView& v);
/// Pad, rod, master, slave, bearing for the press in hand.
[[nodiscard]] std::vector<Station> clutch_stations(const LineInput& in);
[[nodiscard]] QString clutch_said(const LineGeometry& g);

}  // namespace yoke
