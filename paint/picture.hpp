// Small painters: a scale maps value and pixel, a layer draws one thing, a picture is a list of
// layers. The same list draws the screen, a PNG, an SVG or a page, and answers hit-testing.
#pragma once

#include <QPainter>
#include <QRectF>
#include <QRegion>
#include <QString>
#include <QStringList>
#include <functional>
#include <vector>

namespace yoke {

/// Straight map between a value and a pixel; both ways.
struct Scale {
  double value0 = 0;
  double value1 = 1;
  double pixel0 = 0;
  double pixel1 = 1;
  [[nodiscard]] double pixel(double value) const {
    return pixel0 + (value - value0) / (value1 - value0) * (pixel1 - pixel0);
  }
  [[nodiscard]] double value(double pixel_at) const {
    return value0 + (pixel_at - pixel0) / (pixel1 - pixel0) * (value1 - value0);
  }
};

/// A place that can be touched; `id` says what it is ("param:master.bore", "cell:3:7").
struct Spot {
  QRectF area;
  QString id;
  QString tip;
  std::function<QString()> later{};  ///< in place of a tip: made when it is asked for
  [[nodiscard]] QString words() const { return later ? later() : tip; }
};

using Layer = std::function<void(QPainter&)>;

struct Picture {
  QSizeF size;
  std::vector<Layer> layers;
  std::vector<Spot> spots;
  QStringList said;     ///< what a screen reader says: every painted value in words
  bool covers = false;  ///< the first layer paints every point: no ground is needed under it
  /// The first layers that look the same as long as the key does: a view lays them down once. All
  /// other layers stay within `moving`, where it is given.
  std::size_t still = 0;
  std::size_t still_key = 0;
  QRegion moving;

  void paint(QPainter& p) const { paint(p, 0, layers.size()); }
  void paint(QPainter& p, std::size_t from, std::size_t to) const {
    for (std::size_t i = from; i < to && i < layers.size(); ++i) {
      p.save();
      layers[i](p);
      p.restore();
    }
  }
  /// The topmost spot under a point, or nothing.
  [[nodiscard]] const Spot* hit(QPointF at) const {
    for (auto it = spots.rbegin(); it != spots.rend(); ++it)
      if (it->area.contains(at)) return &*it;
    return nullptr;
  }
};

/// Ticks at round values, about `count` of them.
[[nodiscard]] std::vector<double> round_ticks(double lo, double hi, int count);

}  // namespace yoke
