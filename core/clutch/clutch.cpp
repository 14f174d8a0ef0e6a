#include "clutch/clutch.hpp"

#include <algorithm>
#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

namespace {

constexpr double kPeakAt = 0.45;
constexpr double kFall = 0.25;
/// Bearing travels beyond this are not looked for.
constexpr double kSearch_m = 0.060;

double points_load_n(const std::vector<std::pair<double, double>>& points, double x) {
  // From rest, the first point on a straight line through nothing.
  double x0 = 0;
  double f0 = 0;
  for (const auto& [x1, f1] : points) {
    if (x <= x1) return f0 + (f1 - f0) * (x1 > x0 ? (x - x0) / (x1 - x0) : 1.0);
    x0 = x1;
    f0 = f1;
  }
  return f0;
}

Expected<bool> check_unit(const ClutchUnit& u) {
  const Check checks[] = {
      {"clutch.slave_bore", "The slave's area", u.area.value(), 2e-5, 2e-2, Kind::area,
       "Measure bore and rod, or outer and inner diameter"},
      {"clutch.fork_slave", "The fork's ratio", u.fork, 0.3, 10, Kind::number,
       "Measure both arms of the fork from its pivot"},
      {"clutch.efficiency", "The slave's efficiency", u.efficiency, 0.5, 1, Kind::fraction,
       "0.95 is usual"},
      {"clutch.peak", "The peak load", u.peak.value(), 0, 3e4, Kind::force,
       "From the cover's sheet, at the fingers"},
      {"clutch.release", "The travel to clean release", u.release.value(), 5e-4, 0.05, Kind::length,
       "From the cover's sheet"},
      {"clutch.bite", "The bite's share", u.bite_share, 0.1, 1, Kind::fraction, "0.70 is usual"},
      {"clutch.gap", "The gap at the bearing", u.gap.value(), 0, 0.03, Kind::length,
       "0 for a bearing that always runs along"},
      {"clutch.finger", "The finger ratio", u.finger, 1, 8, Kind::number, "3 to 4 is usual"}};
  return check_all(checks);
}

}  // namespace

const char* clutch_stop_words(ClutchStop stop) {
  switch (stop) {
    case ClutchStop::pad_stop:
      return "the pedal meets the floor or its stop";
    case ClutchStop::geometry:
      return "the rod's geometry ends";
    case ClutchStop::master_stroke:
      return "the master is at the end of its stroke";
    case ClutchStop::slave_stroke:
      return "the slave is at the end of its stroke";
    case ClutchStop::search_end:
      return "60 mm of bearing travel reached";
  }
  return "";
}

Area slave_area(SlaveKind kind, Length bore, Length inner) {
  if (kind == SlaveKind::push) return circle_area(bore);
  return circle_area(bore) - circle_area(inner);
}

double bearing_load_n(const ClutchUnit& u, double travel_m) {
  if (travel_m <= 0) return 0;
  if (!u.points.empty()) return points_load_n(u.points, travel_m);
  const double share = travel_m / u.release.value();
  const double peak = u.peak.value();
  if (share <= kPeakAt) {
    const double w = share / kPeakAt;
    return peak * w * (2 - w);
  }
  return peak * (1 - kFall * smooth_step((share - kPeakAt) / (1 - kPeakAt)));
}

Expected<ClutchModel> ClutchModel::make(const ClutchSystem& s) {
  auto k = Kinematics::make(s.control);
  if (!k) return fail(k.error());
  if (const auto ok = check_unit(s.unit); !ok) return fail(ok.error());
  if (!(s.master.bore.value() > 0))
    return fail({"master.bore", format_quantity(s.master.bore.value(), Kind::length, 2, {}),
                 "more than 0", "The master has no bore", "Measure the bore"});
  ClutchModel m(*k);
  m.system_ = s;
  double lo = 0;
  double hi = kSearch_m;
  if (const auto first = m.stopped(0.0)) {
    m.stop_ = *first;
    return m;
  }
  if (!m.stopped(hi)) {
    m.stop_ = ClutchStop::search_end;
    m.end_m_ = hi;
    return m;
  }
  while (hi - lo > 1e-10) {
    const double mid = 0.5 * (lo + hi);
    (m.stopped(mid) ? hi : lo) = mid;
  }
  m.stop_ = m.stopped(hi).value_or(ClutchStop::pad_stop);
  m.end_m_ = lo;
  return m;
}

double ClutchModel::volume_m3(double slave_m, double p_pa) const {
  const double content = (tube_content(system_.tube) + hose_content(system_.hose)).value() +
                         system_.unit.area.value() * slave_m;
  return system_.unit.area.value() * slave_m + tube_volume_m3(system_.tube, p_pa) +
         hose_volume_m3(system_.hose, p_pa) + content * p_pa / bulk_modulus_pa(system_.fluid) +
         air_volume_m3(system_.air_m3, p_pa, system_.ambient.value());
}

ClutchPoint ClutchModel::at(double bearing_m) const {
  const ClutchUnit& u = system_.unit;
  const Master& m = system_.master;
  const double area = bore_area(m).value();
  ClutchPoint c;
  c.bearing_m = bearing_m;
  c.load_n = bearing_load_n(u, bearing_m);
  c.slave_m = u.fork * (bearing_m + u.gap.value());
  c.pressure_pa = c.load_n / (u.fork * u.area.value() * u.efficiency);
  const double up_pa = u.efficiency * c.load_n / (u.fork * u.area.value());
  const double clear = std::max(0.0, system_.control.rod_clearance.value());
  const auto pad = [&](double stroke) {
    const auto s = kinematics_.pad_travel(Length{clear + stroke});
    return s ? s->value() : kinematics_.limit().value();
  };
  c.stroke_m = m.cutoff1.value() + volume_m3(c.slave_m, c.pressure_pa) / area;
  c.rod_travel_m = clear + c.stroke_m;
  c.pad_travel_m = pad(c.stroke_m);
  c.pad_travel_up_m = pad(m.cutoff1.value() + volume_m3(c.slave_m, up_pa) / area);
  const Force down = piston_force(m, Pressure{c.pressure_pa});
  c.rod_force_n = down.value();
  c.pad_force_n = kinematics_.pad_force(down, Length{c.pad_travel_m}).value();
  const double up = m.spring_force.value() + m.efficiency * up_pa * area;
  c.pad_force_up_n = kinematics_.returning_pad_force(Force{up}, Length{c.pad_travel_up_m}).value();
  return c;
}

ClutchBudget ClutchModel::budget(const ClutchPoint& c) const {
  const double area = bore_area(system_.master).value();
  const double p = c.pressure_pa;
  const double slave = system_.unit.area.value() * c.slave_m;
  const double tube = tube_volume_m3(system_.tube, p);
  const double hose = hose_volume_m3(system_.hose, p);
  const double air = air_volume_m3(system_.air_m3, p, system_.ambient.value());
  const double fluid = volume_m3(c.slave_m, p) - slave - tube - hose - air;
  double rod = 0;
  double before = 0;
  const auto layer = [&](double rod_m) {
    rod += rod_m;
    const double now = kinematics_.pad_state(Length{rod}).pad_m;
    const double part = now - before;
    before = now;
    return part;
  };
  ClutchBudget b;
  b.free_play_m = layer(std::max(0.0, system_.control.rod_clearance.value()));
  b.cut_off_m = layer(system_.master.cutoff1.value());
  b.slave_m = layer(slave / area);
  b.hose_m = layer(hose / area);
  b.tube_m = layer(tube / area);
  b.fluid_m = layer(fluid / area);
  b.air_m = layer(air / area);
  return b;
}

std::optional<ClutchStop> ClutchModel::stopped(double bearing_m) const {
  const ClutchPoint c = at(bearing_m);
  if (!kinematics_.pad_travel(Length{c.rod_travel_m}))
    return kinematics_.limited_by_geometry() ? ClutchStop::geometry : ClutchStop::pad_stop;
  if (system_.stroke_known && c.stroke_m > system_.master.stroke1.value())
    return ClutchStop::master_stroke;
  if (system_.unit.slave_stroke && c.slave_m > system_.unit.slave_stroke->value())
    return ClutchStop::slave_stroke;
  return std::nullopt;
}

std::vector<ClutchPoint> ClutchModel::curve(std::size_t points) const {
  std::vector<ClutchPoint> list;
  list.reserve(points + 2);
  ClutchPoint rest;
  rest.pad_force_n = rest.pad_force_up_n = system_.control.return_force.value();
  list.push_back(rest);
  const std::size_t n = std::max<std::size_t>(points, 2);
  for (std::size_t i = 0; i < n; ++i)
    list.push_back(at(end_m_ * static_cast<double>(i) / static_cast<double>(n - 1)));
  return list;
}

namespace {

/// The largest of samples, then the top of the parabola through it and its neighbours.
void find_peak(const ClutchModel& m, double reach_m, ClutchReport& r) {
  constexpr int kSteps = 60;
  int top = 0;
  double force[kSteps + 1];
  for (int i = 0; i <= kSteps; ++i) {
    force[i] = m.at(reach_m * i / kSteps).pad_force_n;
    if (force[i] > force[top]) top = i;
  }
  double at = top;
  if (top > 0 && top < kSteps) {
    const double bend = force[top - 1] - 2 * force[top] + force[top + 1];
    if (bend < 0) at += 0.5 * (force[top - 1] - force[top + 1]) / bend;
  }
  const ClutchPoint best = m.at(reach_m * std::clamp(at, 0.0, 1.0 * kSteps) / kSteps);
  const ClutchPoint sample = m.at(reach_m * top / kSteps);
  const ClutchPoint& peak = best.pad_force_n >= sample.pad_force_n ? best : sample;
  r.peak_n = peak.pad_force_n;
  r.peak_at_m = peak.pad_travel_m;
}

}  // namespace

Expected<ClutchReport> clutch_report(const ClutchSystem& s) {
  const auto m = ClutchModel::make(s);
  if (!m) return fail(m.error());
  const ClutchUnit& u = s.unit;
  ClutchReport r;
  r.stop = m->stop();
  r.end = m->at(m->end_m());
  r.releases = m->end_m() >= u.release.value();
  const double reach = std::min(u.release.value(), m->end_m());
  r.release = m->at(reach);
  r.bite = m->at(std::min(u.bite_share * u.release.value(), m->end_m()));
  find_peak(*m, reach, r);
  if (s.stroke_known) r.master_left_m = s.master.stroke1.value() - r.release.stroke_m;
  if (u.slave_stroke) r.slave_left_m = u.slave_stroke->value() - r.release.slave_m;
  if (u.limit) {
    r.over_travel_m = std::max(0.0, m->end_m() - u.limit->value());
    if (*r.over_travel_m > 0) r.pedal_stop_m = m->at(u.limit->value()).pad_travel_m;
  }
  if (u.retraction) r.wear_left_m = u.retraction->value() / (u.finger * u.fork);
  return r;
}

Length concentric_gap(bool bell_on_gearbox, Length a, Length b, Length between, Length spacer) {
  return bell_on_gearbox ? b + between - a - spacer : a + between - b - spacer;
}

Expected<CableChange> cable_change(const ClutchModel& m, Length pull, Force force) {
  const Check checks[] = {{"clutch.cable_pull", "The cable's pull", pull.value(), 1e-3, 0.1,
                           Kind::length, "Measure at the fork arm, pedal up and down"},
                          {"clutch.cable_force", "The cable's force", force.value(), 0, 1e4,
                           Kind::force, "A luggage scale at the fork arm"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const ClutchSystem& s = m.system();
  CableChange c;
  c.slave_travel_m = m.at(m.end_m()).slave_m;
  c.missing_m = std::max(0.0, pull.value() - c.slave_travel_m);
  const double p = force.value() / (s.unit.area.value() * s.unit.efficiency);
  const auto k = Kinematics::make(s.control);
  if (!k) return fail(k.error());
  c.pad_force_n = k->pad_force(piston_force(s.master, Pressure{p}), Length{0.0}).value();
  return c;
}

}  // namespace yoke
