#include "paint/master_line.hpp"

#include <algorithm>

#include "paint/theme.hpp"

namespace yoke {

QPen scribe(double width, bool known) {
  QPen pen(known ? theme::kScribe : theme::kScribeSoft, width, known ? Qt::SolidLine : Qt::DashLine,
           Qt::RoundCap, Qt::RoundJoin);
  return pen;
}

namespace {

/// Two masters and the bar that leans between their rods.
void draw_twin(QPainter& p, const LineGeometry& g, const WorldView& v, const LineInput& in) {
  p.setRenderHint(QPainter::Antialiasing);
  const double end = g.master_x + g.master_length;
  const double load = in.point ? std::clamp(in.point->pressure_pa / 1e7, 0.0, 1.0) : 0;
  QColor fluid = theme::kSteel;
  fluid.setAlphaF(0.35 + 0.65 * load);
  QPointF rods[2];
  for (const bool second : {false, true}) {
    const double y = g.axis_y + (second ? g.apart : -g.apart);
    const double half = (second ? g.bore2 : g.bore) / 2;
    const double piston = second ? g.piston2_x : g.piston1_x;
    p.setPen(scribe(1.6, g.bore_known));
    p.setBrush(theme::kDyeDeep);
    p.drawRect(v.box(g.master_x, y - half - 6, end, y + half + 6));
    p.fillRect(v.box(piston, y - half, end - 8, y + half), fluid);
    p.setPen(scribe(1.2));
    p.setBrush(theme::kScribeSoft);
    p.drawRect(v.box(piston - 12, y - half, piston, y + half));
    rods[second ? 1 : 0] = QPointF(piston - 34, y);
    p.drawLine(v.at(rods[second ? 1 : 0]), v.at(piston - 12, y));
  }
  p.setPen(scribe(3.2));
  p.drawLine(v.at(rods[0]), v.at(rods[1]));
  p.setPen(scribe(2.6));
  p.drawLine(v.at(g.ball), v.at((rods[0] + rods[1]) / 2));
}

}  // namespace

void draw_master(QPainter& p, const LineGeometry& g, const WorldView& v, const LineInput& in) {
  if (g.twin) {
    draw_twin(p, g, v, in);
    return;
  }
  p.setRenderHint(QPainter::Antialiasing);
  const double half = g.bore / 2;
  const double end = g.master_x + g.master_length;
  p.setPen(scribe(1.6, g.bore_known));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(v.box(g.master_x, g.axis_y - g.body / 2, end, g.axis_y + g.body / 2));
  // Fluid deepens in tone with pressure.
  const double load = in.point ? std::clamp(in.point->pressure_pa / 1e7, 0.0, 1.0) : 0;
  QColor fluid = theme::kSteel;
  fluid.setAlphaF(0.35 + 0.65 * load);
  p.fillRect(v.box(g.piston1_x, g.axis_y - half, end - 8, g.axis_y + half), fluid);
  p.setPen(scribe(1.2));
  p.setBrush(theme::kScribeSoft);
  p.drawRect(v.box(g.piston1_x - 12, g.axis_y - half, g.piston1_x, g.axis_y + half));
  if (g.tandem) p.drawRect(v.box(g.piston2_x - 12, g.axis_y - half, g.piston2_x, g.axis_y + half));
  p.setBrush(Qt::NoBrush);
  if (!g.booster) p.drawLine(v.at(g.ball), v.at(g.piston1_x - 12, g.axis_y));
  const double top = g.axis_y - g.body / 2;
  const auto pot = [&](double x) {
    p.drawRect(v.box(x - 15, top - 34, x + 15, top));
    p.drawLine(v.at(x - 15, top - 12), v.at(x + 15, top - 12));
  };
  pot(g.outlet1_x);
  if (g.tandem) pot(g.outlet2_x);
}

}  // namespace yoke
