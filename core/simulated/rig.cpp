#include "simulated/rig.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"

namespace yoke {

namespace {

struct Named {
  const char* name;
  RigFaults faults;
};

const std::vector<Named>& faults_by_name() {
  static const std::vector<Named> list = [] {
    std::vector<Named> l{{"none", {}}};
    const auto add = [&l](const char* name, auto&& set) {
      RigFaults f;
      set(f);
      l.push_back({name, f});
    };
    add("air1", [](RigFaults& f) { f.air_first_m3 = 4e-6; });
    add("air2", [](RigFaults& f) { f.air_second_m3 = 4e-6; });
    add("clearance", [](RigFaults& f) { f.clearance_scale = 4; });
    add("hose", [](RigFaults& f) { f.hose_scale = 4; });
    add("bypass", [](RigFaults& f) { f.bypass_m3_s_pa = 4e-15; });
    add("cup", [](RigFaults& f) { f.cup_m3_s = 4e-8; });
    add("stick", [](RigFaults& f) { f.stick_n = 25; });
    add("crossed", [](RigFaults& f) { f.crossed = true; });
    add("preload", [](RigFaults& f) { f.preload_pa = 4e5; });
    add("dead", [](RigFaults& f) { f.dead = ChannelWhat::travel; });
    return l;
  }();
  return list;
}

constexpr double kStep_s = 0.005;  // of the foot, finer than a sample
constexpr double kHeadEvery_s = 5;

}  // namespace

std::vector<std::string> rig_fault_names() {
  std::vector<std::string> names;
  for (const Named& n : faults_by_name()) names.emplace_back(n.name);
  return names;
}

std::optional<RigFaults> rig_fault(const std::string& name) {
  for (const Named& n : faults_by_name())
    if (n.name == name) return n.faults;
  return std::nullopt;
}

Expected<Rig> Rig::make(const Job& job, const RigFaults& faults, const RigSenses& senses,
                        const PressWay& way, std::uint64_t seed) {
  Assembly a = assemble(job, As::plan);
  if (!a.system || !a.system->wheels)
    return fail({.field = "job",
                 .value = "",
                 .range = "",
                 .reason = "The plan of this job cannot be pressed: values are missing",
                 .remedy = "Enter them in Survey"});
  // A rod that is too long holds the piston past its port: the linings stand out, nothing is free.
  if (faults.preload_pa > 0) {
    a.system->control.rod_clearance = Length{0.0};
    a.system->master.cutoff1 = Length{0.0};
  }
  if (faults.crossed)
    for (WheelBrake& w : *a.system->wheels)
      w.outlet = w.outlet == Outlet::primary ? Outlet::secondary : Outlet::primary;
  Condition c;
  c.assist_alive = way.assist_alive;
  c.air_primary_m3 = faults.air_first_m3;
  c.air_secondary_m3 = faults.air_second_m3;
  c.take_up_scale = faults.clearance_scale;
  c.hose_scale = faults.hose_scale;
  // Pumped, the linings stand near; behind a clamp nothing moves.
  if (way.second_apply || faults.preload_pa > 0) c.take_up_scale = 0;
  if (way.hoses_clamped)
    for (std::size_t i = 0; i < 2; ++i)
      c.clamped[i] =
          way.clamped == ClampedHoses::all || (way.clamped == ClampedHoses::first) == (i == 0);
  auto model = FeelModel::make(*a.system, c);
  if (!model) return fail(model.error());
  Rig rig(*model);
  rig.faults_ = faults;
  // The valve is the booster's: without its help nothing of it is felt.
  if (!way.assist_alive) rig.faults_.stick_n = 0;
  rig.senses_ = senses;
  rig.senses_.rate_hz = std::clamp(senses.rate_hz, 1.0, kMostRate_hz);
  rig.draw_.seed(seed);
  rig.bore_m2_ = bore_area(a.system->master).value();
  return rig;
}

InstrumentHead Rig::head() const {
  return {senses_.name,
          senses_.rate_hz,
          {{ChannelWhat::force, "N", 1},
           {ChannelWhat::travel, "mm", 1e-3},
           {ChannelWhat::pressure1, "bar", 1e5},
           {ChannelWhat::pressure2, "bar", 1e5}}};
}

double Rig::foot_n(double t_s) const {
  double round_s = 0;
  for (const RigPress& p : foot_) round_s += p.rest_s + p.rise_s + p.hold_s + p.fall_s;
  if (round_s <= 0) return 0;
  double t = std::fmod(t_s, round_s);
  for (const RigPress& p : foot_) {
    if (t < p.rest_s) return 0;
    t -= p.rest_s;
    if (t < p.rise_s) return p.push_n * t / p.rise_s;
    t -= p.rise_s;
    if (t < p.hold_s) return p.push_n;
    t -= p.hold_s;
    if (t < p.fall_s) return p.push_n * (1 - t / p.fall_s);
    t -= p.fall_s;
  }
  return 0;
}

void Rig::step(double dt_s) {
  t_s_ += dt_s;
  const double push_n = foot_n(t_s_);
  // A valve that sticks follows the foot a fixed push behind.
  stuck_n_ = std::clamp(stuck_n_, push_n - faults_.stick_n, push_n + faults_.stick_n);
  const double felt_n = faults_.stick_n > 0 ? std::max(0.0, stuck_n_) : push_n;
  const FeelPoint rest = model_.at(0.0);
  const FeelPoint end = model_.at(model_.end_drive());
  FeelPoint p = rest;
  if (felt_n >= end.pad_force_n)
    p = end;
  else if (felt_n > rest.pad_force_n)
    p = model_.at(model_.drive_for_force(felt_n));
  // Below what the spring holds the pad has not moved all of its free way.
  const double share = rest.pad_force_n > 0 ? std::min(1.0, felt_n / rest.pad_force_n) : 1.0;
  truth_.force_n = push_n;
  truth_.pressure_pa = std::max(p.pressure_pa, faults_.preload_pa);
  if (push_n <= 0) leaked_m3_ = 0;  // let up, the chambers fill again
  leaked_m3_ += dt_s * (faults_.bypass_m3_s_pa * p.pressure_pa +
                        (p.pressure_pa > 1e4 && p.pressure_pa < 1e6 ? faults_.cup_m3_s : 0));
  const double ratio = p.rod_travel_m > 1e-6 ? p.pad_travel_m / p.rod_travel_m : 1;
  truth_.travel_m = push_n > 0 ? share * p.pad_travel_m + leaked_m3_ / bore_m2_ * ratio : 0;
}

LineSample Rig::sample() {
  std::normal_distribution<double> normal;
  LineSample s;
  s.number = number_;
  s.t_s = t_s_;
  const auto put = [&](ChannelWhat what, double told) {
    if (faults_.dead != what) s.told[static_cast<std::size_t>(what)] = told;
  };
  put(ChannelWhat::force,
      truth_.force_n + senses_.drift_n_s * t_s_ + senses_.noise_n * normal(draw_));
  put(ChannelWhat::travel, 1e3 * (truth_.travel_m + senses_.noise_m * normal(draw_)));
  put(ChannelWhat::pressure1, 1e-5 * (truth_.pressure_pa + senses_.noise_pa * normal(draw_)));
  put(ChannelWhat::pressure2, 1e-5 * (truth_.pressure_pa + senses_.noise_pa * normal(draw_)));
  return s;
}

std::string Rig::lines(double seconds) {
  std::uniform_real_distribution<double> chance(0, 1);
  std::string out;
  const auto every = static_cast<std::uint32_t>(std::max(1.0, kHeadEvery_s * senses_.rate_hz));
  const auto n =
      static_cast<std::uint32_t>(std::lround(std::clamp(seconds, 0.0, 3600.0) * senses_.rate_hz));
  const InstrumentHead told = head();
  for (std::uint32_t i = 0; i < n; ++i) {
    if (number_ % every == 0) out += head_lines(told);
    const double dt = 1 / senses_.rate_hz;
    const int parts = std::max(1, static_cast<int>(std::lround(dt / kStep_s)));
    for (int k = 0; k < parts; ++k) step(dt / parts);
    ++number_;
    std::string line = sample_line(told, sample(), static_cast<std::uint32_t>(1e3 * t_s_));
    if (chance(draw_) < senses_.dropped_share) continue;
    if (chance(draw_) < senses_.spoiled_share)
      line[static_cast<std::size_t>(chance(draw_) * static_cast<double>(line.size() - 1))] ^= 0x15;
    out += line;
  }
  return out;
}

}  // namespace yoke
