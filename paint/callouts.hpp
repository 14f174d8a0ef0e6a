// Dimensions scribed on the line of force: touched, they are typed. What is unknown is
// unmistakable, a guess is marked, a typical value is written with ≈.
#pragma once

#include <optional>
#include <vector>

#include "paint/clutch_line.hpp"
#include "paint/picture.hpp"

namespace yoke {

enum class Surety { measured, guess, typical, unknown };

struct Callout {
  Param param = kNoParam;
  QPointF a, b;  ///< what it measures, in the picture; equal: a mark at one place
  QString name;  ///< short, empty where the drawing says it
  QString text;  ///< the value, or "?"
  Surety surety = Surety::unknown;
  QRectF box;  ///< of the label
};

/// Those that are always drawn, and all of the group in focus, their labels moved apart. Labels
/// stay above `floor_y`, inside the picture's sides.
[[nodiscard]] std::vector<Callout> callouts_of(const LineInput& in, const LineGeometry& g,
                                               const WorldView& v, QSizeF size, double floor_y);
void draw_callout(QPainter& p, const Callout& c, bool selected);
/// "Bore: 22.23 mm, calliper" or "Bore: unknown".
[[nodiscard]] QString callout_said(const Callout& c, const LineInput& in);

}  // namespace yoke
