#include "feel/feel.hpp"

#include <algorithm>
#include <cmath>
#include <limits>

#include "feel/roots.hpp"

namespace yoke {

namespace {

Expected<bool> check_system(const System& s, const Condition& c) {
  if (const auto a = check_assist(s.assist); !a) return fail(a.error());
  if (s.servo)
    if (const auto v = check_servo(*s.servo); !v) return fail(v.error());
  if (!s.wheels)
    return fail({.field = "front.kind",
                 .value = "",
                 .range = "",
                 .reason = "Cannot say: the brakes at the wheels are not known",
                 .remedy = "Enter the brakes of both axles"});
  if (s.vehicle)
    if (const auto v = check_vehicle(*s.vehicle); !v) return fail(v.error());
  if (const auto m = check_master(s.master); !m) return fail(m.error());
  if (c.lost != LostCircuit::none && !s.strokes_known && two_circuits(s.master))
    return fail({.field = "master.stroke1",
                 .value = "",
                 .range = "",
                 .reason = "Cannot say: the strokes of both pistons are not known",
                 .remedy = "Push each piston to its end with a rod and measure"});
  return true;
}

}  // namespace

Expected<FeelModel> FeelModel::make(const System& system, const Condition& condition, Ends ends) {
  const bool made = system.kinematics && system.kinematics->control() == system.control;
  auto kinematics =
      made ? Expected<Kinematics>(*system.kinematics) : Kinematics::make(system.control);
  if (!kinematics) return fail(kinematics.error());
  if (const auto ok = check_system(system, condition); !ok) return fail(ok.error());
  const auto dead = dead_stroke(system.master, condition.lost);
  if (!dead)
    return fail({.field = "master.kind",
                 .value = "",
                 .range = "",
                 .reason = "Single circuit: with it lost no brake is left",
                 .remedy = "A tandem master keeps one circuit"});

  FeelModel m(*kinematics);
  m.system_ = system;
  m.condition_ = condition;
  m.lost_m_ = dead->value();
  if (condition.hot) {
    m.system_.fluid.temperature_c = std::max(kHotFluid_C, system.fluid.temperature_c);
    for (auto& w : *m.system_.wheels) w = hot_brake(w);
  }
  m.branches_ = gather(m.system_, condition);
  const auto& b = m.branches_;
  m.valves_ = Valves(m.system_, !b[0][0].live && !b[1][0].live);
  const bool live[2] = {b[0][0].live || b[0][1].live, b[1][0].live || b[1][1].live};
  const int live_outlets = int{live[0]} + int{live[1]};
  if (live_outlets == 0)
    return fail({.field = "circuit.fl",
                 .value = "",
                 .range = "",
                 .reason = "With that circuit lost no wheel is braked",
                 .remedy = "Give each outlet its own wheels"});
  for (const std::size_t o : {std::size_t{0}, std::size_t{1}})
    if (live[o] && !condition.clamped[o])
      m.air_m3_[o] = condition.air_m3 / live_outlets +
                     (o == 0 ? condition.air_primary_m3 : condition.air_secondary_m3);
  if (step_works(system.master, condition.lost)) {
    const double p_q = system.master.crack.value();
    m.crack_m3_ = m.outlet_volume(0, m.line_pa(0, p_q)).total_m3() +
                  m.outlet_volume(1, m.line_pa(1, p_q)).total_m3();
  }
  m.prepare_twin();
  m.find_available();
  m.end_drive_ = m.most_drive_;
  m.stop_ = Stop::pressure_limit;
  if (ends == Ends::found) m.find_end();
  return m;
}

bool FeelModel::lost(std::size_t outlet) const {
  return condition_.lost == (outlet == 0 ? LostCircuit::primary : LostCircuit::secondary);
}

double FeelModel::line_pa(std::size_t outlet, double master_pa) const {
  if (!system_.servo || !condition_.assist_alive) return master_pa;
  const bool fed = outlet == 0 ? system_.servo->feeds_first : system_.servo->feeds_second;
  return fed ? servo_output_pa(*system_.servo, master_pa) : master_pa;
}

std::array<double, 2> FeelModel::wheels_of(std::size_t outlet, double line_pa) const {
  std::array<double, 2> wheel_pa{};
  for (std::size_t i = 0; i < 2; ++i)
    if (const Branch& b = branches_[outlet][i]; b.live) wheel_pa[i] = valves_.wheel_pa(b, line_pa);
  return wheel_pa;
}

VolumeParts FeelModel::branch_volume(std::size_t outlet, double line_pa,
                                     const std::array<double, 2>& wheel_pa) const {
  VolumeParts v;
  for (std::size_t i = 0; i < 2; ++i)
    if (const Branch& b = branches_[outlet][i]; b.live)
      v += b.volume(valves_.tube_pa(line_pa, wheel_pa[i]), wheel_pa[i]);
  if (air_m3_[outlet] > 0) {
    // What a residual valve holds at rest has squeezed the air already.
    const double amb = system_.ambient.value();
    const double held = residual_pa(outlet);
    v.air_m3 = air_volume_m3(air_m3_[outlet], std::max(line_pa, held), amb) -
               air_volume_m3(air_m3_[outlet], held, amb);
  }
  return v;
}

/// Where front and rear share an outlet air may stand in the branch that holds less.
double FeelModel::residual_pa(std::size_t outlet) const {
  double least = std::numeric_limits<double>::max();
  for (const Branch& b : branches_[outlet])
    if (b.live) least = std::min(least, b.residual_pa);
  return least < std::numeric_limits<double>::max() ? least : 0.0;
}

VolumeParts FeelModel::outlet_volume(std::size_t outlet, double line_pa) const {
  return branch_volume(outlet, line_pa, wheels_of(outlet, line_pa));
}

void FeelModel::prepare_twin() {
  const Master& m = system_.master;
  if (m.kind != MasterKind::dual) return;
  const double spring_n = m.spring_force.value();
  const auto slope = [&](bool second) {
    return outlet_area(m, second).value() / m.efficiency / bar_share(m, second);
  };
  bar_n_pa_ = std::min(slope(false), slope(true));
  bar_start_n_ = spring_n / std::max(bar_share(m, false), bar_share(m, true));
  if (condition_.lost == LostCircuit::none) return;
  // The dead piston only pushes its spring back; the bar leans on its limit until that piston is
  // home.
  const std::size_t alive = condition_.lost == LostCircuit::primary ? 1 : 0;
  const double area = outlet_area(m, alive == 1).value();
  const double dead_end = (alive == 1 ? m.stroke1 : m.stroke2).value();
  const double before = (alive == 1 ? m.cutoff2 : m.cutoff1).value() + bar_lead(m).value();
  const auto home = [&](double p) {
    return before + outlet_volume(alive, line_pa(alive, p)).total_m3() / area >= dead_end;
  };
  bar_start_n_ = 2 * spring_n;
  bar_n_pa_ = area / m.efficiency;
  // Once the dead piston is home the bar gives the live one its share only: the drive, scaled by
  // what leaning gave, runs further than the pressure.
  const double share = bar_share(m, alive == 1);
  if (share > 0) most_drive_ = (kPressureLimit_pa + spring_n / bar_n_pa_) / share;
  if (!home(2 * kPressureLimit_pa)) {
    bar_hold_n_ = std::numeric_limits<double>::max();
    return;
  }
  const double p = home(0.0) ? 0.0 : first_true(0.0, 2 * kPressureLimit_pa, home);
  bar_hold_n_ = p * area / m.efficiency + spring_n;
}

FeelModel::Delivery FeelModel::deliver(double drive) const {
  const Master& m = system_.master;
  Delivery d;
  if (m.kind != MasterKind::dual) {
    d.master_pa = {drive, drive};
    d.force_n = piston_force(m, Pressure{drive}, condition_.lost).value();
  } else {
    const double spring_n = m.spring_force.value();
    d.force_n = bar_start_n_ + drive * bar_n_pa_;
    for (const std::size_t o : {std::size_t{0}, std::size_t{1}}) {
      const bool second = o == 1;
      double rod_n = d.force_n * bar_share(m, second);
      if (condition_.lost != LostCircuit::none) {
        const double leaning = d.force_n - spring_n;
        rod_n = leaning <= bar_hold_n_ ? leaning : std::max(bar_hold_n_, rod_n);
      }
      if (!lost(o))
        d.master_pa[o] =
            std::max(0.0, rod_n - spring_n) * m.efficiency / outlet_area(m, second).value();
    }
  }
  for (const std::size_t o : {std::size_t{0}, std::size_t{1}})
    d.line_pa[o] = lost(o) ? 0.0 : line_pa(o, d.master_pa[o]);
  for (const std::size_t o : {std::size_t{0}, std::size_t{1}})
    d.wheel_pa[o] = wheels_of(o, d.line_pa[o]);
  return d;
}

FeelModel::Strokes FeelModel::strokes(const Delivery& d) const {
  const Master& m = system_.master;
  Strokes s;
  for (const std::size_t o : {std::size_t{0}, std::size_t{1}})
    s.volume[o] = branch_volume(o, d.line_pa[o], d.wheel_pa[o]);
  const double v1 = s.volume[0].total_m3();
  const double v2 = s.volume[1].total_m3();
  const bool first_lost = lost(0);
  const bool second_lost = lost(1);
  if (m.kind == MasterKind::dual) {
    s.first_m = m.cutoff1.value() + v1 / outlet_area(m, false).value();
    s.second_m = m.cutoff2.value() + v2 / outlet_area(m, true).value();
    const double lead = bar_lead(m).value();
    if (first_lost) s.first_m = std::min(s.second_m + lead, m.stroke1.value());
    if (second_lost) s.second_m = std::min(s.first_m + lead, m.stroke2.value());
    s.stroke_m = bearing_travel(m, Length{s.first_m}, Length{s.second_m}).value();
    return s;
  }
  const double displaced_m =
      volume_stroke(m, condition_.lost, Volume{v1 + v2}, Volume{crack_m3_}).value();
  s.stroke_m = lost_m_ + displaced_m;
  if (m.kind == MasterKind::single) {
    s.first_m = s.stroke_m;
    return s;
  }
  const double second_m = v2 / bore_area(m).value();
  // A take-up step saves stroke of the primary alone.
  s.first_m = first_lost ? m.stroke1.value() : primary_cutoff(m).value() + displaced_m - second_m;
  s.second_m = second_lost ? m.stroke2.value() : m.cutoff2.value() + second_m;
  return s;
}

double FeelModel::rod_before_stroke_m() const {
  return std::max(0.0, system_.control.rod_clearance.value()) +
         assist_lost_travel(system_.assist, condition_.assist_alive).value() + gap_m();
}

/// The booster's output rod runs through it before the master moves.
double FeelModel::gap_m() const {
  return std::max(0.0, assist_gap(system_.assist).value());
}

double FeelModel::pad_m(double rod_m) const {
  return kinematics_.pad_state(Length{rod_m}).pad_m;
}

WheelForces FeelModel::forces(const Delivery& d) const {
  WheelForces f;
  for (const std::size_t o : {std::size_t{0}, std::size_t{1}})
    for (std::size_t i = 0; i < 2; ++i) {
      const Branch& b = branches_[o][i];
      if (!b.live) continue;
      (b.rear ? f.rear_n : f.front_n) += b.force_n(d.wheel_pa[o][i]);
      (b.rear ? f.rear_share : f.front_share) += b.live_share;
    }
  return f;
}

WheelForces FeelModel::wheel_forces(double drive) const {
  return forces(deliver(drive));
}

FeelModel::Axles FeelModel::axles(const Delivery& d) const {
  const double weight_n = system_.vehicle->mass.value() * kGravity_m_s2;
  const WheelForces f = forces(d);
  return {{f.front_n / weight_n, f.front_share}, {f.rear_n / weight_n, f.rear_share}};
}

Braking FeelModel::braking_of(const Delivery& d) const {
  if (!system_.vehicle) return {};
  const Axles a = axles(d);
  return braking(*system_.vehicle, a.front, a.rear);
}

Braking FeelModel::braking_at(double drive) const {
  return braking_of(deliver(drive));
}

FeelPoint FeelModel::at(double drive) const {
  FeelPoint f;
  const Master& m = system_.master;
  const Delivery d = deliver(drive);
  const Strokes s = strokes(d);
  f.pressure_pa = d.line_pa[lost(0) ? 1 : 0];
  f.volume = s.volume[0];
  f.volume += s.volume[1];
  f.stroke_m = s.stroke_m;
  f.piston1_m = s.first_m;
  f.piston2_m = s.second_m;
  f.bar_binds = m.kind == MasterKind::dual && condition_.lost == LostCircuit::none &&
                std::abs(s.first_m - s.second_m) > bar_lead(m).value();
  f.rod_travel_m = rod_before_stroke_m() + f.stroke_m;
  const PadState pad = kinematics_.pad_state(Length{f.rod_travel_m});
  f.pad_travel_m = pad.pad_m;
  const Force out{d.force_n};
  const Force in =
      condition_.assist_alive ? assist_input(system_.assist, out) : dead_input(system_.assist, out);
  f.output_force_n = out.value();
  f.input_force_n = in.value();
  f.pad_force_n = kinematics_.pad_force_n(in.value(), pad);
  f.assist = system_.servo ? servo_state(*system_.servo, d.master_pa[lost(0) ? 1 : 0],
                                         condition_.assist_alive)
                           : assist_state(system_.assist, in, condition_.assist_alive);
  for (const std::size_t o : {std::size_t{1}, std::size_t{0}})
    for (std::size_t i = 0; i < 2; ++i)
      if (const Branch& b = branches_[o][i]; b.live)
        (b.rear ? f.rear_pa : f.front_pa) = d.wheel_pa[o][i];
  const Braking b = braking_of(d);
  f.z = b.z;
  f.lock = b.lock;
  f.rear_lifts = b.rear_lifts;
  return f;
}

void FeelModel::find_available() {
  double s = kinematics_.limit().value();
  const double before = rod_before_stroke_m();
  if (system_.strokes_known) s = std::min(s, pad_m(before + whole_stroke(system_.master).value()));
  if (system_.booster_stroke)
    s = std::min(s, pad_m(before - gap_m() + system_.booster_stroke->value()));
  available_m_ = s;
}

double FeelModel::drive_for(const std::function<double(double)>& rising) const {
  return rising_root(0.0, end_drive_, rising);
}

std::optional<double> FeelModel::drive_for_z(double z) const {
  if (!system_.vehicle || braking_at(end_drive_).z < z) return std::nullopt;
  // Sought as if the press had no end: an end that is not known yet finds the very same.
  // Once every wheel locks the deceleration stands still: it is read where it is first reached.
  constexpr double kSame = 1e-9;
  const auto over = [&](double p) { return braking_at(p).z - z; };
  if (over(most_drive_) < kSame)
    return first_true(
        0.0, most_drive_, [&](double p) { return over(p) >= -kSame; },
        [&](double p) { return over(p) + kSame; });
  return rising_root(0.0, most_drive_, over);
}

double FeelModel::drive_for_force(double pad_force_n) const {
  return rising_root(0.0, end_drive_, [&](double p) { return at(p).pad_force_n - pad_force_n; });
}

}  // namespace yoke
