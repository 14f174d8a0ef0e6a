// Where the parts and joints of a plumbing net are drawn, and the way of each line between them.
#pragma once

#include <QPainterPath>
#include <QPointF>
#include <map>
#include <string>

#include "plumbing/net.hpp"

namespace yoke {

using Places = std::map<std::string, QPointF, std::less<>>;

/// Where the outlets of the master stand.
[[nodiscard]] double outlet_x(QSizeF size);
/// An outlet feeds both axles: the drawing needs more room.
[[nodiscard]] bool has_split(const Net& net);
/// The middles of all parts; what hangs on nothing stands there too.
[[nodiscard]] Places places_of(const Net& net, QSizeF size);
[[nodiscard]] QPainterPath way(const Net& net, const NetRun& run, QPointF from, QPointF to);
/// Beside its part, on the side of the line that comes or goes.
[[nodiscard]] QPointF joint_place(const Net& net, const NetJoint& joint, const Places& places);

}  // namespace yoke
