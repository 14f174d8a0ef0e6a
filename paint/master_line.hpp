// The master cylinders of the line of force.
#pragma once

#include <QPen>

#include "paint/clutch_line.hpp"

namespace yoke {

/// A scribed line: dashed and paler while what it shows is not known.
[[nodiscard]] QPen scribe(double width = 1.6, bool known = true);
/// Single, tandem, or two masters with a bar, pistons where the press has them.
void draw_master(QPainter& p, const LineGeometry& g, const WorldView& v, const LineInput& in);

}  // namespace yoke
