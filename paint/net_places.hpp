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
/// Valves, switches and units in the line of one outlet before the front brakes: each takes so much
/// of the drawing's width.
inline constexpr double kLanePart = 84;
[[nodiscard]] int parts_before_front(const Net& net);
/// An outlet feeds both axles: the drawing needs more room.
[[nodiscard]] bool has_split(const Net& net);
/// The middles of all parts; what hangs on nothing stands there too.
[[nodiscard]] Places places_of(const Net& net, QSizeF size);
[[nodiscard]] QPainterPath way(const Net& net, const NetRun& run, QPointF from, QPointF to);
/// Beside its part, on the side of the line that comes or goes.
[[nodiscard]] QPointF joint_place(const Net& net, const NetJoint& joint, const Places& places);

}  // namespace yoke
