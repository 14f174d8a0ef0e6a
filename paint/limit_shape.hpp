#pragma once

#include <QPainter>

#include "sizing/sweep.hpp"

namespace yoke {

/// The shape that stands for a limit on the size map and in its key, so that state never
/// rests on colour. @param c the middle, @param s half the height, both in scene units.
void draw_shape(QPainter& p, QPointF c, double s, Limit limit);

}  // namespace yoke
