#include "feel/branches.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

/// Behind a clamped hose neither hose nor brake takes fluid.
Condition behind(Condition c, std::size_t outlet) {
  if (c.clamped[outlet]) c.hose_scale = c.growth_scale = c.take_up_scale = 0;
  return c;
}

void add_brake(Branch& b, const WheelBrake& w, const Condition& c) {
  const double radius = w.tyre_radius.value();
  if (const auto* d = std::get_if<Disc>(&w.brake)) {
    const DiscSums s = disc_sums(*d);
    b.disc_take_up_m3 += c.take_up_scale * s.take_up_m3;
    b.disc_m3_pa += c.growth_scale * s.linear_m3_pa;
    b.disc_soft_m3 += c.growth_scale * s.soft_m3;
    if (radius > 0) b.disc_force_n_pa += wheel_torque_nm(w, 1.0) / radius;
    return;
  }
  const auto& d = std::get<Drum>(w.brake);
  const DrumSums s = drum_sums(d);
  b.drum_take_up_m3 += c.take_up_scale * s.take_up_m3;
  b.drum_m3_pa += c.growth_scale * s.linear_m3_pa;
  if (radius > 0) b.drum_force_n_pa += wheel_torque_nm(w, kDrumSpringHigh_pa + 1.0) / radius;
}

}  // namespace

Branches gather(const System& s, const Condition& c) {
  Branches all{};
  const double bulk_pa = bulk_modulus_pa(s.fluid);
  for (const WheelBrake& w : *s.wheels) {
    const bool second = w.outlet == Outlet::secondary;
    if (!w.fitted) continue;
    if (c.lost == (second ? LostCircuit::secondary : LostCircuit::primary)) continue;
    Branch& b = all[second ? 1 : 0][w.rear ? 1 : 0];
    b.live = true;
    b.rear = w.rear;
    b.residual_pa = (w.rear ? s.residual_rear : s.residual_front).value();
    const Condition here = behind(c, second ? 1 : 0);
    add_brake(b, w, here);
    b.tube_m3_pa += tube_m3_pa(w.tube);
    const HoseSlopes h = hose_slopes(w.hose);
    b.hose.first_m3_pa += here.hose_scale * h.first_m3_pa;
    b.hose.then_m3_pa += here.hose_scale * h.then_m3_pa;
    const double tube_m3 = tube_content(w.tube).value();
    b.tube_fluid_m3_pa += tube_m3 / bulk_pa;
    b.wheel_fluid_m3_pa += (branch_content(w).value() - tube_m3) / bulk_pa;
    if (w.tyre_radius.value() > 0) b.live_share += w.axle_share;
  }
  return all;
}

Valves::Valves(const System& s, bool front_lost) : at_axle_(s.valves_at_axle) {
  if (s.rear_valve && !(s.rear_valve_opens && front_lost)) rear_ = s.rear_valve;
  front_ = s.front_valve;
}

}  // namespace yoke
