// The master of the plumbing net from above, as it lies on the firewall: each outlet where it
// points, the reservoir on its inlets, its own switch; the old unit small beside it.
#pragma once

#include <optional>

#include "document/job.hpp"
#include "paint/picture.hpp"

namespace yoke {

/// Where an outlet points, seen from the pedal.
enum class PortWay { left, right, top, below, end };

struct UnitLook {
  bool two = true;                ///< two outlets
  std::optional<PortWay> way[2];  ///< of outlet 1, nearest the rod, and 2; nothing: not looked at
  std::optional<int> inlets;      ///< 0: the reservoir is cast on
  std::optional<bool> has_switch;
};
[[nodiscard]] UnitLook unit_look(const Job& job, As which);

/// Draws a unit whose body lies in `body`, pedal to the right, and tells where each outlet is seen.
/// `soft`: the old one.
void draw_unit_look(QPainter& p, const QRectF& body, const UnitLook& look, bool soft);
[[nodiscard]] QPointF port_point(const QRectF& body, const UnitLook& look, int outlet);

/// What is asked of the plan's unit by touch: spots "value:<parameter>".
void add_unit_spots(Picture& pic, const QRectF& body, const UnitLook& look);

}  // namespace yoke
