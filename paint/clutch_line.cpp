#include "paint/clutch_line.hpp"

#include <QPainterPath>
#include <cmath>

#include "document/param/clutch.hpp"
#include "paint/master_line.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kBody = 62;  // slave's length, mm

/// Ends of the fork now: slave's end, bearing, pivot.
struct Fork {
  QPointF slave, bearing, pivot;
};

Fork fork_of(const LineGeometry& g) {
  const auto& s = g.slave;
  const double y = g.axis_y;
  Fork f;
  f.slave = {s.x + kBody + 34 + s.travel, y};
  const double long_arm = std::max(40.0, s.fork_slave);
  const double short_arm = std::max(20.0, s.fork_bearing);
  f.pivot = {s.x + kBody + 34, y + long_arm};
  const double lean = std::atan2(s.travel, long_arm);
  f.bearing = f.pivot + QPointF(std::sin(lean) * short_arm, -std::cos(lean) * short_arm);
  if (s.concentric) f.bearing = {s.x + kBody + 10 + s.travel, y};
  return f;
}

void draw_line(QPainter& p, const LineGeometry& g, const WorldView& v) {
  p.setPen(scribe(1.8, true));
  p.setBrush(Qt::NoBrush);
  const double low = g.axis_y + g.body / 2 + 40;
  QPainterPath path(v.at(g.outlet1_x, g.axis_y + g.body / 2));
  path.lineTo(v.at(g.outlet1_x, low));
  path.lineTo(v.at(g.slave.x + 10, low));
  path.lineTo(v.at(g.slave.x + 10, g.axis_y + g.slave.bore / 2 + 6));
  p.drawPath(path);
}

}  // namespace

void draw_clutch(QPainter& p, const LineGeometry& g, const WorldView& v) {
  p.setRenderHint(QPainter::Antialiasing);
  draw_line(p, g, v);
  const auto& s = g.slave;
  const double half = s.bore / 2;
  p.setPen(scribe(1.6, s.bore_known));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(v.box(s.x, g.axis_y - half - 6, s.x + kBody, g.axis_y + half + 6));
  p.fillRect(v.box(s.x + 4, g.axis_y - half, s.x + 16 + s.travel, g.axis_y + half), theme::kSteel);
  p.setPen(scribe(1.2, true));
  p.setBrush(theme::kScribeSoft);
  p.drawRect(v.box(s.x + 16 + s.travel, g.axis_y - half, s.x + 26 + s.travel, g.axis_y + half));
  const Fork f = fork_of(g);
  // The shaft the bearing runs on, and the fingers it pushes.
  const double shaft_y = f.bearing.y();
  p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashDotLine));
  p.drawLine(v.at(f.bearing.x() - 60, shaft_y), v.at(f.bearing.x() + 130, shaft_y));
  p.setPen(scribe(2.6, s.fork_known));
  if (!s.concentric) {
    p.drawLine(v.at(s.x + 26 + s.travel, g.axis_y), v.at(f.slave));
    p.setPen(scribe(4, s.fork_known));
    p.drawLine(v.at(f.slave), v.at(f.pivot));
    p.setBrush(theme::kDye);
    p.setPen(scribe(2, true));
    p.drawEllipse(v.at(f.pivot), 6, 6);
  }
  p.setPen(QPen(theme::kMarkOnDye, 2.2));
  p.setBrush(theme::kDyeDeep);
  p.drawRoundedRect(v.box(f.bearing.x() - 2, shaft_y - 34, f.bearing.x() + 12, shaft_y + 34), 3, 3);
  p.setPen(scribe(2, true));
  for (const double side : {-1.0, 1.0}) {
    const QPointF tip(f.bearing.x() + 14, shaft_y + side * 26);
    p.drawLine(v.at(tip), v.at(tip.x() + 30 - s.bearing * 0.5, shaft_y + side * 86));
  }
}

std::vector<Dimension> clutch_dimensions(const LineGeometry& g, const WorldView& v) {
  const Fork f = fork_of(g);
  const auto& s = g.slave;
  std::vector<Dimension> d;
  d.push_back({param::clutch_slave_bore, v.at(s.x - 44, g.axis_y - s.bore / 2),
               v.at(s.x - 44, g.axis_y + s.bore / 2)});
  if (s.concentric) {
    d.push_back({param::clutch_release, v.at(f.bearing + QPointF(0, 60)),
                 v.at(f.bearing + QPointF(60, 60))});
    return d;
  }
  const QPointF aside(-46, 0);
  d.push_back({param::clutch_fork_slave, v.at(f.slave + aside), v.at(f.pivot + aside)});
  const QPointF right(96, 0);
  d.push_back({param::clutch_fork_bearing, v.at(f.bearing + right),
               v.at(QPointF(f.bearing.x(), f.pivot.y()) + right)});
  return d;
}

std::vector<Station> clutch_stations(const LineInput& in) {
  if (!in.point) return {};
  const FeelPoint& f = *in.point;
  const auto n = [&](double value, Kind k, int digits) {
    return q(format_quantity(value, k, digits, in.style));
  };
  std::vector<Station> list{
      {Drawn::tr("pedal"), n(f.pad_force_n, Kind::force, 0), n(f.pad_travel_m, Kind::length, 1)},
      {Drawn::tr("rod"), n(f.input_force_n, Kind::force, 0), n(f.rod_travel_m, Kind::length, 1)},
      {Drawn::tr("master"), n(f.pressure_pa, Kind::pressure, 2), n(f.stroke_m, Kind::length, 1)}};
  if (!in.clutch) return list;
  const ClutchUnit& u = *in.clutch;
  const LineGeometry g = line_geometry(in);
  const double slave_n = f.pressure_pa * u.area.value() * u.efficiency;
  const double bearing_m = std::max(0.0, g.slave.travel * 1e-3 / u.fork - u.gap.value());
  list.push_back(
      {Drawn::tr("slave"), n(slave_n, Kind::force, 0), n(g.slave.travel * 1e-3, Kind::length, 1)});
  list.push_back(
      {Drawn::tr("bearing"), n(slave_n * u.fork, Kind::force, 0), n(bearing_m, Kind::length, 1)});
  return list;
}

QString clutch_said(const LineGeometry& g) {
  return g.slave.concentric ? Drawn::tr("slave around the shaft")
                            : Drawn::tr("slave, fork and release bearing");
}

}  // namespace yoke
