#include "feel/feel.hpp"

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cmath>
#include <cstdint>

namespace yoke {

namespace {

constexpr double kPressureLimit_pa = 20e6;
constexpr double kHotFluid_c = 120.0;

/// First value in [lo, hi] at which a predicate that turns once from false to true is true.
template <class Predicate>
double first_true(double lo, double hi, Predicate predicate) {
  for (int i = 0; i < 48 && hi - lo > 1e-9 * hi; ++i) {
    const double mid = 0.5 * (lo + hi);
    (predicate(mid) ? hi : lo) = mid;
  }
  return hi;
}

/// Root of a non-decreasing function with f(lo) <= 0 <= f(hi).
template <class F>
double rising_root(double lo, double hi, F f) {
  const double flo = f(lo);
  const double fhi = f(hi);
  if (flo >= 0) return lo;
  if (fhi <= 0) return hi;
  std::uintmax_t tries = 80;
  const auto [a, b] = boost::math::tools::toms748_solve(
      f, lo, hi, flo, fhi, boost::math::tools::eps_tolerance<double>(40), tries);
  return 0.5 * (a + b);
}

VolumeParts brake_volume(const WheelBrake& w, double p_pa) {
  const auto* disc = std::get_if<Disc>(&w.brake);
  return disc ? disc_volume(*disc, p_pa) : drum_volume(std::get<Drum>(w.brake), p_pa);
}

}  // namespace

Expected<FeelModel> FeelModel::make(const System& system, const Condition& condition) {
  auto kinematics = Kinematics::make(system.control);
  if (!kinematics) return fail(kinematics.error());
  if (const auto a = check_assist(system.assist); !a) return fail(a.error());
  if (!system.wheels)
    return fail({.field = "front.kind",
                 .value = "",
                 .range = "",
                 .reason = "Cannot say: the brakes at the wheels are not known",
                 .remedy = "Enter the brakes of both axles"});
  if (system.vehicle)
    if (const auto v = check_vehicle(*system.vehicle); !v) return fail(v.error());
  if (!(system.master.bore.value() > 0))
    return fail({.field = "master.bore",
                 .value = "",
                 .range = "more than 0",
                 .reason = "The master has no bore",
                 .remedy = "Measure the bore"});
  if (condition.lost != LostCircuit::none && !system.strokes_known && two_circuits(system.master))
    return fail({.field = "master.stroke1",
                 .value = "",
                 .range = "",
                 .reason = "Cannot say: the strokes of both pistons are not known",
                 .remedy = "Push each piston to its end with a rod and measure"});
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
    m.system_.fluid.temperature_c = std::max(kHotFluid_c, system.fluid.temperature_c);
    for (auto& w : *m.system_.wheels) w = hot_brake(w);
  }
  for (const Outlet o : {Outlet::first, Outlet::second}) {
    const auto& wheels = *m.system_.wheels;
    if (std::any_of(wheels.begin(), wheels.end(),
                    [&](const WheelBrake& w) { return w.outlet == o && m.live(w); }))
      ++m.live_outlets_;
  }
  if (m.live_outlets_ == 0)
    return fail({.field = "circuit.fl",
                 .value = "",
                 .range = "",
                 .reason = "With that circuit lost no wheel is braked",
                 .remedy = "Give each outlet its own wheels"});
  if (step_works(system.master, condition.lost)) {
    const double p_q = system.master.crack.value();
    m.crack_m3_ = m.outlet_volume(Outlet::first, p_q).total_m3() +
                  m.outlet_volume(Outlet::second, p_q).total_m3();
  }
  m.find_end();
  m.find_available();
  return m;
}

bool FeelModel::live(const WheelBrake& wheel) const {
  if (condition_.lost == LostCircuit::first) return wheel.outlet != Outlet::first;
  if (condition_.lost == LostCircuit::second) return wheel.outlet != Outlet::second;
  return true;
}

double FeelModel::residual_pa(const WheelBrake& wheel) const {
  return (wheel.rear ? system_.residual_rear : system_.residual_front).value();
}

bool FeelModel::front_lost() const {
  return std::none_of(system_.wheels->begin(), system_.wheels->end(),
                      [this](const WheelBrake& w) { return !w.rear && live(w); });
}

double FeelModel::wheel_pa(const WheelBrake& wheel, double p_pa) const {
  if (!live(wheel)) return 0.0;
  double out_pa = p_pa;
  if (wheel.rear && system_.rear_valve && !(system_.rear_valve_opens && front_lost()))
    out_pa = proportioned_pa(*system_.rear_valve, p_pa);
  if (!wheel.rear && system_.front_valve) out_pa = metered_pa(*system_.front_valve, p_pa);
  return std::max(out_pa, residual_pa(wheel));
}

VolumeParts FeelModel::outlet_volume(Outlet outlet, double p_pa) const {
  VolumeParts v;
  bool any = false;
  for (const auto& w : *system_.wheels) {
    if (w.outlet != outlet || !live(w)) continue;
    any = true;
    // A residual valve keeps the linings near: demand counts from its pressure.
    const double pw_pa = wheel_pa(w, p_pa);
    const VolumeParts pressed = brake_volume(w, pw_pa);
    const VolumeParts held = brake_volume(w, residual_pa(w));
    v.take_up_m3 += pressed.take_up_m3 - held.take_up_m3;
    v.brake_m3 += pressed.brake_m3 - held.brake_m3;
    // The long tube runs before or behind a valve; taking the outlet pressure errs to more travel.
    v.tube_m3 += tube_volume_m3(w.tube, p_pa);
    v.hose_m3 += hose_volume_m3(w.hose, pw_pa) - hose_volume_m3(w.hose, residual_pa(w));
    v.fluid_m3 += branch_content(w).value() * p_pa / bulk_modulus_pa(system_.fluid);
  }
  if (any && condition_.air_m3 > 0)
    v.air_m3 = air_volume_m3(condition_.air_m3 / live_outlets_, p_pa, system_.ambient.value());
  return v;
}

double FeelModel::rod_before_stroke_m() const {
  return std::max(0.0, system_.control.rod_clearance.value()) +
         assist_lost_travel(system_.assist, condition_.assist_alive).value() +
         std::max(0.0, assist_gap(system_.assist).value());
}

double FeelModel::pad_m(double rod_m) const {
  const auto s = kinematics_.pad_travel(Length{rod_m});
  return s ? s->value() : kinematics_.limit().value();
}

Braking FeelModel::braking_at(double p_pa) const {
  if (!system_.vehicle) return {};
  AxleBraking axle[2] = {{0, 0}, {0, 0}};
  const double weight_n = system_.vehicle->mass.value() * kGravity_m_s2;
  for (const auto& w : *system_.wheels) {
    if (!live(w) || !(w.tyre_radius.value() > 0)) continue;
    AxleBraking& a = axle[w.rear ? 1 : 0];
    a.b += wheel_torque_nm(w, wheel_pa(w, p_pa)) / (w.tyre_radius.value() * weight_n);
    a.live_share += 0.5;
  }
  return braking(*system_.vehicle, axle[0], axle[1]);
}

FeelPoint FeelModel::at(double p_pa) const {
  FeelPoint f;
  f.pressure_pa = p_pa;
  const Master& m = system_.master;
  const double area_m2 = bore_area(m).value();
  const VolumeParts v1 = outlet_volume(Outlet::first, p_pa);
  const VolumeParts v2 = outlet_volume(Outlet::second, p_pa);
  f.volume = v1;
  f.volume += v2;
  const double displaced_m =
      volume_stroke(m, condition_.lost, Volume{f.volume.total_m3()}, Volume{crack_m3_}).value();
  f.stroke_m = lost_m_ + displaced_m;
  const double second_m = m.cutoff2.value() + v2.total_m3() / area_m2;
  // A take-up step saves stroke of the primary alone.
  const double first_m = primary_cutoff(m).value() + displaced_m - v2.total_m3() / area_m2;
  if (m.kind == MasterKind::single) {
    f.piston1_m = f.stroke_m;
  } else {
    f.piston1_m = condition_.lost == LostCircuit::first ? m.stroke1.value() : first_m;
    f.piston2_m = condition_.lost == LostCircuit::second ? m.stroke2.value() : second_m;
  }
  f.rod_travel_m = rod_before_stroke_m() + f.stroke_m;
  f.pad_travel_m = pad_m(f.rod_travel_m);
  const Force out = piston_force(m, Pressure{p_pa}, condition_.lost);
  const Force in =
      condition_.assist_alive ? assist_input(system_.assist, out) : dead_input(system_.assist, out);
  f.output_force_n = out.value();
  f.input_force_n = in.value();
  f.pad_force_n = kinematics_.pad_force(in, Length{f.pad_travel_m}).value();
  f.assist = assist_state(system_.assist, in, condition_.assist_alive);
  for (const auto& w : *system_.wheels)
    if (live(w)) (w.rear ? f.rear_pa : f.front_pa) = wheel_pa(w, p_pa);
  const Braking b = braking_at(p_pa);
  f.z = b.z;
  f.lock = b.lock;
  f.rear_lifts = b.rear_lifts;
  return f;
}

std::optional<Stop> FeelModel::stopped(double p_pa) const {
  if (locked_pa_ > 0 && p_pa > locked_pa_ * 1.2) return Stop::locked;
  const FeelPoint f = at(p_pa);
  const Master& m = system_.master;
  if (!kinematics_.pad_travel(Length{f.rod_travel_m}))
    return kinematics_.limited_by_geometry() ? Stop::geometry : Stop::pad_stop;
  if (system_.strokes_known) {
    constexpr double kHair_m = 1e-12;
    if (condition_.lost != LostCircuit::first && f.piston1_m > m.stroke1.value() + kHair_m)
      return Stop::primary_stroke;
    if (two_circuits(m) && condition_.lost != LostCircuit::second &&
        f.piston2_m > m.stroke2.value() + kHair_m)
      return Stop::secondary_stroke;
  }
  if (system_.booster_stroke && f.stroke_m > system_.booster_stroke->value())
    return Stop::booster_stroke;
  return std::nullopt;
}

void FeelModel::find_end() {
  if (system_.vehicle) {
    const auto done = [this](double p) {
      const Braking b = braking_at(p);
      if (b.rear_lifts || b.lock == Lock::both) return true;
      bool front = false;
      bool rear = false;
      for (const auto& w : *system_.wheels)
        if (live(w)) (w.rear ? rear : front) = true;
      return (!rear && b.lock == Lock::front) || (!front && b.lock == Lock::rear);
    };
    if (done(kPressureLimit_pa)) locked_pa_ = first_true(0.0, kPressureLimit_pa, done);
  }
  if (const auto s = stopped(0.0)) {
    stop_ = *s;
    end_pa_ = 0;
    return;
  }
  if (!stopped(kPressureLimit_pa)) {
    stop_ = Stop::pressure_limit;
    end_pa_ = kPressureLimit_pa;
    return;
  }
  const double beyond =
      first_true(0.0, kPressureLimit_pa, [this](double p) { return stopped(p).has_value(); });
  stop_ = stopped(beyond).value_or(Stop::pad_stop);
  end_pa_ = beyond * (1 - 2e-9);
}

void FeelModel::find_available() {
  double s = kinematics_.limit().value();
  const double before = rod_before_stroke_m();
  if (system_.strokes_known) s = std::min(s, pad_m(before + whole_stroke(system_.master).value()));
  if (system_.booster_stroke) s = std::min(s, pad_m(before + system_.booster_stroke->value()));
  available_m_ = s;
}

double FeelModel::pressure_for_z(double z) const {
  if (!system_.vehicle || at(end_pa_).z < z) return -1.0;
  return rising_root(0.0, end_pa_, [&](double p) { return braking_at(p).z - z; });
}

double FeelModel::pressure_for_force(double pad_force_n) const {
  return rising_root(0.0, end_pa_, [&](double p) { return at(p).pad_force_n - pad_force_n; });
}

double FeelModel::first_lock_pa() const {
  if (!system_.vehicle || braking_at(end_pa_).lock == Lock::none) return -1.0;
  return first_true(0.0, end_pa_, [this](double p) { return braking_at(p).lock != Lock::none; });
}

TargetReport FeelModel::report(double p_pa, double wanted, bool reached) const {
  TargetReport r;
  r.wanted = wanted;
  r.reached = reached;
  r.prevented_by = stop_;
  r.at = at(p_pa);
  r.available_m = available_m_;
  r.reserve_m = available_m_ - r.at.pad_travel_m;
  r.reserve_share = available_m_ > 0 ? r.reserve_m / available_m_ : 0;
  const double step = std::max(1e3, p_pa * 1e-3);
  const FeelPoint a = at(std::max(0.0, p_pa - step));
  const FeelPoint b = at(p_pa + step);
  const double ds = b.pad_travel_m - a.pad_travel_m;
  r.stiffness_n_m = ds > 1e-12 ? (b.pad_force_n - a.pad_force_n) / ds : 0;
  r.left1_m = system_.master.stroke1.value() - r.at.piston1_m;
  r.left2_m = system_.master.stroke2.value() - r.at.piston2_m;
  r.budget = budget(r.at);
  return r;
}

TargetReport FeelModel::at_z(double z) const {
  const double p = pressure_for_z(z);
  return p >= 0 ? report(p, z, true) : report(end_pa_, z, false);
}

TargetReport FeelModel::at_pressure(double p_pa) const {
  const bool reached = p_pa <= end_pa_;
  return report(reached ? p_pa : end_pa_, p_pa, reached);
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
      v.air_m3 * m_per_m3};
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
  c.end_pa = end_pa_;
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
    c.points.push_back(at(end_pa_ * u * u));
  }
  return c;
}

}  // namespace yoke
