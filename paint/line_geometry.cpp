#include "paint/line_geometry.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/choice_map.hpp"
#include "clutch/clutch.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"

namespace yoke {

namespace {

Value get(const LineInput& in, Param p) {
  return value_of(in.job, in.which, p);
}

void place_control(LineGeometry& g, const LineInput& in) {
  const Value pad = get(in, param::control_pad_arm);
  const Value pin = get(in, param::control_pin_arm);
  g.arms_known = pad.known() && pin.known();
  if (pad.known()) g.pad_arm = pad.si * 1e3;
  if (pin.known()) g.pin_arm = pin.si * 1e3;
  const Value h = get(in, param::control_axis_height);
  const Value a0 = get(in, param::control_rest_angle);
  const Value l = get(in, param::control_rod_length);
  g.geometry_known = h.known() && a0.known() && l.known();
  g.axis_y = h.known() ? h.si * 1e3 : g.pin_arm * 0.98;
  const double rest = a0.known() ? a0.si : -0.2;
  const double rod = l.known() ? l.si * 1e3 : 150;
  const double travel = in.point ? in.point->pad_travel_m * 1e3 : 0;
  g.angle = rest + travel / g.pad_arm;
  const auto ball_x = [&](double a) {
    const double e = g.pin_arm * std::cos(a) - g.axis_y;
    return g.pin_arm * std::sin(a) + std::sqrt(std::max(1.0, rod * rod - e * e));
  };
  // Hinged on the floor it is the same lever upside down.
  const bool stands =
      !pulled_by_hand(in.job) && get(in, param::control_hinge).is(choice::ControlHinge::floor);
  g.down = stands ? -1 : 1;
  g.axis_y *= g.down;
  g.pin = {g.pin_arm * std::sin(g.angle), g.down * g.pin_arm * std::cos(g.angle)};
  g.pad = {g.pad_arm * std::sin(g.angle), g.down * g.pad_arm * std::cos(g.angle)};
  g.ball = {ball_x(g.angle), g.axis_y};
  g.firewall_x = ball_x(rest) + 4;
}

void place_units(LineGeometry& g, const LineInput& in) {
  g.booster = has_assist(in.job, in.which);
  if (g.booster) {
    const Value d = get(in, param::assist_diaphragm1);
    g.booster_diameter = (d.known() ? d.si * 1e3 : 220) + 12;
    g.booster_length = get(in, param::assist_diaphragm2).si > 0 ? 150 : 105;
  }
  g.master_x = g.firewall_x + g.booster_length;
  const Value bore = get(in, param::master_bore);
  g.bore_known = bore.known();
  if (bore.known()) g.bore = bore.si * 1e3;
  g.body = g.bore + 14;
  const Value kind = get(in, param::master_kind);
  g.twin = has_two_circuits(in.job, in.which) && kind.is(choice::MasterKind::twin);
  g.tandem = has_two_circuits(in.job, in.which) && !g.twin;
  if (const Value second = get(in, param::master_bore2); second.known()) g.bore2 = second.si * 1e3;
  if (g.twin) g.apart = std::max(g.bore, g.bore2) / 2 + 16;
  const Value s1 = get(in, param::master_stroke1);
  const Value s2 = get(in, param::master_stroke2);
  const double stroke1 = s1.known() ? s1.si * 1e3 : 20;
  const double stroke2 = g.tandem ? (s2.known() ? s2.si * 1e3 : 18) : 0;
  g.stroke1 = stroke1;
  g.stroke2 = stroke2;
  constexpr double kPiston = 22;
  const double rest1 = g.master_x + 16;
  const double rest2 = rest1 + stroke1 + kPiston;
  g.master_length = 16 + stroke1 + (g.tandem ? kPiston + stroke2 : 0) + 14;
  const double p1 = in.point ? in.point->piston1_m * 1e3 : 0;
  const double p2 = in.point ? in.point->piston2_m * 1e3 : 0;
  // The primary rides on the secondary: its travel over ground is both together.
  g.piston1_x = rest1 + p1 + (g.tandem ? p2 : 0);
  g.piston2_x = rest2 + p2;
  g.outlet1_x = rest1 + stroke1 * 0.75;
  g.outlet2_x = g.tandem ? rest2 + stroke2 * 0.8 : g.outlet1_x + (g.twin ? 14 : 0);
  if (g.twin) g.piston2_x = rest1 + p2;
}

LineGeometry::Brake brake_of(const LineInput& in, Axle axle) {
  LineGeometry::Brake b;
  const Value kind = get(in, of_axle(param::front_kind, axle));
  b.known = kind.known();
  b.drum = kind.is(choice::BrakeKind::drum);
  if (b.drum) {
    const Value d = get(in, of_axle(param::front_drum, axle));
    b.radius = d.known() ? d.si * 500 : 114;
  } else {
    const Value r = get(in, of_axle(param::front_radius, axle));
    b.effective = r.known() ? r.si * 1e3 : 100;
    b.radius = b.effective + 22;
  }
  if (in.point) {
    const double p = axle == Axle::front ? in.point->front_pa : in.point->rear_pa;
    b.pressed = std::clamp(p / 8e6, 0.0, 1.0);
  }
  return b;
}

/// What the press in hand does at the slave: volume goes one to one, the line's give left out.
void place_slave(LineGeometry& g, const LineInput& in) {
  LineGeometry::Slave& s = g.slave;
  s.concentric = get(in, param::clutch_kind).is(choice::ClutchKind::concentric);
  const Value bore = get(in, param::clutch_slave_bore);
  const Value inner = get(in, param::clutch_slave_inner);
  s.bore_known = bore.known();
  if (bore.known()) s.bore = bore.si * 1e3;
  const Value out = get(in, param::clutch_fork_slave);
  const Value on = get(in, param::clutch_fork_bearing);
  s.fork_known = s.concentric || (out.known() && on.known());
  if (out.known()) s.fork_slave = out.si * 1e3;
  if (on.known()) s.fork_bearing = on.si * 1e3;
  s.x = g.master_x + g.master_length + 260;
  if (!in.point || !bore.known()) return;
  const Area area = slave_area(slave_kind(get(in, param::clutch_kind).as<choice::ClutchKind>()),
                               Length{bore.si}, Length{inner.si});
  const double fluid_m = in.point->stroke_m - get(in, param::master_cutoff1).si;
  if (area.value() <= 0 || fluid_m <= 0) return;
  s.travel = fluid_m * circle_area(Length{g.bore * 1e-3}).value() / area.value() * 1e3;
  s.bearing = s.concentric ? s.travel : s.travel * s.fork_bearing / std::max(1.0, s.fork_slave);
}

}  // namespace

LineGeometry line_geometry(const LineInput& in) {
  LineGeometry g;
  place_control(g, in);
  place_units(g, in);
  g.clutch = get(in, param::control_use).is(choice::ControlUse::clutch);
  if (g.clutch) {
    place_slave(g, in);
    const double left = -0.30 * g.pad_arm - 60;
    g.world = QRectF(QPointF(left, g.down > 0 ? -70 : -g.pad_arm - 34),
                     QPointF(g.slave.x + 250, g.down > 0 ? g.pad_arm + 34 : 150));
    return g;
  }
  g.front = brake_of(in, Axle::front);
  g.rear = brake_of(in, Axle::rear);
  const double start = g.master_x + g.master_length + 120;
  g.front.centre = {start + g.front.radius, g.axis_y};
  g.rear.centre = {g.front.centre.x() + g.front.radius + 90 + g.rear.radius, g.axis_y};
  const double left = -0.30 * g.pad_arm - 60;
  const double right = g.rear.centre.x() + g.rear.radius + 40;
  const double top =
      std::min({-40.0, g.down < 0 ? -g.pad_arm - 34 : 0.0, g.axis_y - g.booster_diameter / 2 - 16,
                g.front.centre.y() - std::max(g.front.radius, g.rear.radius) - 26});
  const double bottom =
      std::max(g.down > 0 ? g.pad_arm + 34 : 60.0, g.axis_y + g.booster_diameter / 2 + 110);
  g.world = QRectF(QPointF(left, top), QPointF(right, bottom));
  return g;
}

}  // namespace yoke
