#include <algorithm>

#include "feel/feel.hpp"
#include "feel/roots.hpp"

namespace yoke {

TargetReport FeelModel::report(double drive, double wanted, bool reached, Detail detail) const {
  TargetReport r;
  r.wanted = wanted;
  r.reached = reached;
  r.prevented_by = stop_;
  r.at = at(drive);
  r.available_m = available_m_;
  r.reserve_m = available_m_ - r.at.pad_travel_m;
  r.reserve_share = available_m_ > 0 ? r.reserve_m / available_m_ : 0;
  r.room = room(drive);
  r.left1_m = system_.master.stroke1.value() - r.at.piston1_m;
  r.left2_m = system_.master.stroke2.value() - r.at.piston2_m;
  if (detail == Detail::lean) return r;
  const double step = std::max(1e3, drive * 1e-3);
  const FeelPoint a = at(std::max(0.0, drive - step));
  const FeelPoint b = at(drive + step);
  const double ds = b.pad_travel_m - a.pad_travel_m;
  r.stiffness_n_m = ds > 1e-12 ? (b.pad_force_n - a.pad_force_n) / ds : 0;
  r.budget = budget(r.at);
  return r;
}

TargetReport FeelModel::at_z(double z, Detail detail) const {
  const auto p = drive_for_z(z);
  return p ? report(*p, z, true, detail) : report(end_drive_, z, false, detail);
}

TargetReport FeelModel::at_pressure(double p_pa, Detail detail) const {
  const auto line = [this](double u) { return deliver(u).line_pa[lost(0) ? 1 : 0]; };
  if (line(end_drive_) < p_pa) return report(end_drive_, p_pa, false, detail);
  const bool plain = system_.master.kind != MasterKind::dual && !system_.servo;
  const double drive =
      plain ? p_pa : rising_root(0.0, end_drive_, [&](double u) { return line(u) - p_pa; });
  return report(drive, p_pa, true, detail);
}

TargetReport FeelModel::at_drive(double drive) const {
  return report(drive, drive, drive <= end_drive_);
}

TravelBudget FeelModel::budget(const FeelPoint& f) const {
  const VolumeParts& v = f.volume;
  // The stroke that displaces all of it, shared by volume: with a take-up step the areas differ.
  const double total_m3 = v.total_m3();
  const double m_per_m3 = total_m3 > 0 ? (f.stroke_m - lost_m_) / total_m3 : 0.0;
  const std::array<double, kLayerCount> rod_m = {
      std::max(0.0, system_.control.rod_clearance.value()),
      assist_lost_travel(system_.assist, condition_.assist_alive).value(),
      std::max(0.0, assist_gap(system_.assist).value()),
      lost_m_,
      v.take_up_m3 * m_per_m3,
      v.brake_m3 * m_per_m3,
      v.hose_m3 * m_per_m3,
      v.tube_m3 * m_per_m3,
      v.fluid_m3 * m_per_m3,
      v.air_m3 * m_per_m3,
      0.0};
  TravelBudget layers{};
  double rod = 0;
  double pad = 0;
  for (size_t i = 0; i < kLayerCount; ++i) {
    rod += rod_m[i];
    const double next = pad_m(rod);
    layers[i] = next - pad;
    pad = next;
  }
  return layers;
}

FeelCurve FeelModel::curve(std::size_t points) const {
  FeelCurve c;
  c.stop = stop_;
  c.available_m = available_m_;
  c.end_pa = at(end_drive_).pressure_pa;
  c.points.reserve(points + 3);
  const double clear_m = std::max(0.0, system_.control.rod_clearance.value());
  FeelPoint rest;
  rest.pad_force_n = system_.control.return_force.value();
  c.points.push_back(rest);
  FeelPoint touch = rest;
  touch.rod_travel_m = clear_m;
  touch.pad_travel_m = pad_m(clear_m);
  c.points.push_back(touch);
  FeelPoint moving = at(0.0);
  moving.stroke_m = moving.piston1_m = moving.piston2_m = 0;
  moving.rod_travel_m = clear_m;
  moving.pad_travel_m = touch.pad_travel_m;
  c.points.push_back(moving);
  const size_t n = std::max<size_t>(points, 2);
  for (size_t i = 0; i < n; ++i) {
    // Squared spacing: the low pressures, where linings close up, need the most points.
    const double u = static_cast<double>(i) / static_cast<double>(n - 1);
    c.points.push_back(at(end_drive_ * u * u));
  }
  return c;
}

}  // namespace yoke
