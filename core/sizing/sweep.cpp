#include "sizing/sweep.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "master/bores.hpp"

namespace yoke {

namespace {

struct Fault {
  Limit limit = Limit::none;
  double amount = 0;
  std::string reason;
};

Fault judge_sound(const TargetReport& r, const Limits& l) {
  if (!r.reached && r.prevented_by == Stop::locked)
    return {Limit::lock_order, l.z - r.at.z,
            fmt::format("locks at {:.2f} g, before the wanted stop", r.at.z)};
  if (!r.reached) {
    const bool stroke =
        r.prevented_by == Stop::primary_stroke || r.prevented_by == Stop::secondary_stroke;
    return {stroke ? Limit::strokes : Limit::travel, l.z - r.at.z,
            fmt::format("stops at {:.2f} g: {}", r.at.z, stop_words(r.prevented_by))};
  }
  if (r.at.pad_force_n > l.effort_n)
    return {Limit::effort, r.at.pad_force_n - l.effort_n,
            fmt::format("{:.0f} N too hard", r.at.pad_force_n - l.effort_n)};
  return {};
}

Fault judge_travel(const TargetReport& r, const Limits& l) {
  if (r.at.pad_travel_m > l.travel_m)
    return {Limit::travel, r.at.pad_travel_m - l.travel_m,
            fmt::format("{:.0f} mm too long", (r.at.pad_travel_m - l.travel_m) * 1e3)};
  if (r.reserve_share < l.reserve_share)
    return {Limit::reserve, l.reserve_share - r.reserve_share,
            fmt::format("reserve {:.0f} %, wanted {:.0f} %", r.reserve_share * 100,
                        l.reserve_share * 100)};
  return {};
}

Fault judge_failure(const System& s, const Condition& c, Limit limit, const std::string& what,
                    const Limits& l) {
  const auto m = FeelModel::make(s, c);
  if (!m) return {limit, 1.0, what + ": " + m.error().reason};
  const TargetReport r = m->at_z(l.z_failed);
  if (!r.reached)
    return {limit, l.z_failed - r.at.z,
            fmt::format("{}: only {:.2f} g, {}", what, r.at.z, stop_words(r.prevented_by))};
  if (r.at.pad_force_n > l.effort_failed_n)
    return {limit, r.at.pad_force_n - l.effort_failed_n,
            fmt::format("{}: {:.0f} N too hard", what, r.at.pad_force_n - l.effort_failed_n)};
  if (r.reserve_m <= 0) return {limit, -r.reserve_m, what + ": on the floor"};
  return {};
}

Fault judge_lock(const FeelModel& m) {
  const double p = m.first_lock_pa();
  if (p < 0) return {};
  const FeelPoint f = m.at(p * (1 + 1e-6));
  if (f.lock == Lock::rear && f.z < 0.8)
    return {Limit::lock_order, 0.8 - f.z, fmt::format("rear locks first, at {:.2f} g", f.z)};
  return {};
}

Fault first_fault(const System& s, const FeelModel& sound, const TargetReport& r, const Limits& l) {
  if (auto f = judge_sound(r, l); f.limit != Limit::none) return f;
  Condition dead;
  dead.assist_alive = false;
  if (auto f = judge_failure(s, dead, Limit::effort_no_assist, "no assist", l);
      f.limit != Limit::none)
    return f;
  if (auto f = judge_travel(r, l); f.limit != Limit::none) return f;
  if (two_circuits(s.master) && s.strokes_known) {
    Condition lost;
    lost.lost = LostCircuit::first;
    if (auto f = judge_failure(s, lost, Limit::first_lost, "outlet 1 lost", l);
        f.limit != Limit::none)
      return f;
    lost.lost = LostCircuit::second;
    if (auto f = judge_failure(s, lost, Limit::second_lost, "outlet 2 lost", l);
        f.limit != Limit::none)
      return f;
  }
  return judge_lock(sound);
}

double score(const Cell& c, const SweepRequest& q, const System& plan) {
  const double w[3][3] = {{1.0, 0.3, 0.3}, {0.3, 1.0, 0.3}, {0.3, 0.3, 1.0}};
  const auto& weight = w[static_cast<size_t>(q.preference)];
  const double effort = c.effort_n / q.limits.effort_n;
  const double travel = c.travel_m / q.limits.travel_m;
  // Stiffness has no limit of its own: the effort limit over the travel limit stands for one.
  const double soft = q.limits.effort_n / q.limits.travel_m / std::max(1.0, c.stiffness_n_m);
  double sum = weight[0] * effort * effort + weight[1] * travel * travel + weight[2] * soft * soft;
  const double plan_ratio = plan.control.pad_arm.value() / plan.control.pin_arm.value();
  if (std::abs(c.bore_m - plan.master.bore.value()) > 3e-5) sum += 0.1;
  if (std::abs(c.ratio - plan_ratio) > 0.01) sum += 0.1;
  return sum;
}

}  // namespace

std::string_view limit_words(Limit limit) {
  switch (limit) {
    case Limit::none:
      return "inside";
    case Limit::effort:
      return "too hard";
    case Limit::effort_no_assist:
      return "no assist";
    case Limit::travel:
      return "too long";
    case Limit::reserve:
      return "reserve";
    case Limit::first_lost:
      return "outlet 1 lost";
    case Limit::second_lost:
      return "outlet 2 lost";
    case Limit::strokes:
      return "stroke ends";
    case Limit::lock_order:
      return "rear locks";
    case Limit::impossible:
      return "impossible";
  }
  return "";
}

Cell judge(const System& plan, double bore_m, double ratio, const SweepRequest& q) {
  System s = plan;
  s.master.bore = Length{bore_m};
  s.control.pin_arm = s.control.pad_arm / ratio;
  s.control.geometry.reset();
  Cell c;
  c.bore_m = bore_m;
  c.ratio = ratio;
  const auto m = FeelModel::make(s, {});
  if (!m) {
    c.fails = Limit::impossible;
    c.reason = m.error().reason;
    return c;
  }
  const TargetReport r = m->at_z(q.limits.z);
  c.effort_n = r.at.pad_force_n;
  c.travel_m = r.at.pad_travel_m;
  c.reserve_share = r.reserve_share;
  c.stiffness_n_m = r.stiffness_n_m;
  const Fault f = first_fault(s, *m, r, q.limits);
  c.fails = f.limit;
  c.amount = f.amount;
  c.reason = f.limit == Limit::none ? "inside" : f.reason;
  if (f.limit == Limit::none) c.score = score(c, q, plan);
  return c;
}

Expected<Sweep> sweep(const Job& job, const SweepRequest& q) {
  const Assembly a = assemble(job, Which::plan);
  if (!a.impossible.empty()) return fail(a.impossible.front());
  std::vector<Param> missing = a.missing_system;
  missing.insert(missing.end(), a.missing_brakes.begin(), a.missing_brakes.end());
  missing.insert(missing.end(), a.missing_vehicle.begin(), a.missing_vehicle.end());
  if (!missing.empty())
    return fail({.field = std::string(info(missing.front()).id),
                 .value = "",
                 .range = "",
                 .reason = cannot_say(missing),
                 .remedy = "Enter it in Survey"});
  if (q.bores_m.size() * q.ratios.size() > 20000)
    return fail({.field = "sweep",
                 .value = "",
                 .range = "up to 20000 cells",
                 .reason = "The map has too many cells",
                 .remedy = "Use fewer bores or ratios"});
  Sweep s{q.bores_m, q.ratios, {}};
  s.cells.reserve(q.bores_m.size() * q.ratios.size());
  for (const double bore : q.bores_m)
    for (const double ratio : q.ratios) s.cells.push_back(judge(*a.system, bore, ratio, q));
  return s;
}

SweepRequest default_request(const Job& job) {
  SweepRequest q;
  q.limits = limits_of(job);
  const double bore = value_of(job, Which::plan, Param::master_bore).si;
  const double fitted = value_of(job, Which::found, Param::master_bore).si;
  // Centred on the fitted bore: the map must stand still while the plan is dragged through it.
  const double centre = fitted > 0 ? fitted : 0.0238;
  const auto add_unique = [](std::vector<double>& list, double v, double gap) {
    if (v <= 0) return;
    for (const double o : list)
      if (std::abs(o - v) < gap) return;
    list.push_back(v);
  };
  for (const auto& b : standard_bores())
    if (b.inch && b.bore_m > 0.68 * centre && b.bore_m < 1.25 * centre)
      q.bores_m.push_back(b.bore_m);
  add_unique(q.bores_m, bore, 3e-5);
  add_unique(q.bores_m, fitted, 3e-5);
  for (int i = 0; i <= 20; ++i) q.ratios.push_back(3.0 + 0.25 * i);
  for (const Which w : {Which::plan, Which::found})
    if (const auto ratio = arm_ratio(job, w)) add_unique(q.ratios, *ratio, 0.06);
  std::sort(q.bores_m.begin(), q.bores_m.end());
  std::sort(q.ratios.begin(), q.ratios.end());
  return q;
}

}  // namespace yoke
