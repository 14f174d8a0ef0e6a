// A line of many points drawn with few.
#pragma once

#include <QPolygonF>

namespace yoke {

/// The points of a line that are needed so that none of those left out lies further than `off` from
/// what is drawn (Douglas and Peucker, 1973). The first and the last stay; so does every point of a
/// line of one or two.
[[nodiscard]] QPolygonF thinned(const QPolygonF& line, double off);

}  // namespace yoke
