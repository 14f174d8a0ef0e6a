#include "sizing/sweep.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <atomic>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "quantity/workers.hpp"

namespace yoke {

namespace {

struct Fault {
  Limit limit = Limit::none;
  Amount by;
  Message reason;
};

Amount in_g(double z) {
  return amount(z, Kind::number, 2);
}

Fault judge_sound(const TargetReport& r, const Limits& l) {
  if (!r.reached && r.prevented_by == Stop::locked)
    return {Limit::lock_order, in_g(l.z - r.at.z),
            say("locks at {} g, before the wanted stop", Plain{r.at.z, 2})};
  if (!r.reached) {
    const bool stroke =
        r.prevented_by == Stop::primary_stroke || r.prevented_by == Stop::secondary_stroke;
    return {
        stroke ? Limit::strokes : Limit::travel, in_g(l.z - r.at.z),
        say("stops at {} g: {}", Plain{r.at.z, 2}, Message::of_table(stop_words(r.prevented_by)))};
  }
  if (r.at.pad_force_n > l.effort_n)
    return {Limit::effort, force(r.at.pad_force_n - l.effort_n),
            say("{} too hard", force(r.at.pad_force_n - l.effort_n))};
  return {};
}

Fault judge_travel(const TargetReport& r, const Limits& l) {
  if (r.at.pad_travel_m > l.travel_m)
    return {Limit::travel, length(r.at.pad_travel_m - l.travel_m, 0),
            say("{} too long", length(r.at.pad_travel_m - l.travel_m, 0))};
  if (r.reserve_share < l.reserve_share)
    return {Limit::reserve, amount(l.reserve_share - r.reserve_share, Kind::fraction, 0),
            say("reserve {} %, wanted {} %", Plain{r.reserve_share * 100, 0},
                Plain{l.reserve_share * 100, 0})};
  return {};
}

Fault judge_failure(const System& s, const Condition& c, Limit limit, const Message& what,
                    const Limits& l) {
  const auto m = FeelModel::make(s, c);
  if (!m) return {limit, {}, say("{}: {}", what, m.error().reason)};
  const TargetReport r = m->at_z(l.z_failed);
  if (!r.reached)
    return {limit, in_g(l.z_failed - r.at.z),
            say("{}: only {} g, {}", what, Plain{r.at.z, 2},
                Message::of_table(stop_words(r.prevented_by)))};
  if (r.at.pad_force_n > l.effort_failed_n)
    return {limit, force(r.at.pad_force_n - l.effort_failed_n),
            say("{}: {} too hard", what, force(r.at.pad_force_n - l.effort_failed_n))};
  if (r.reserve_m <= 0) return {limit, length(-r.reserve_m, 0), say("{}: on the floor", what)};
  return {};
}

Fault judge_lock(const FeelModel& m) {
  const auto p = m.first_lock_drive();
  if (!p) return {};
  const FeelPoint f = m.at(*p * (1 + 1e-6));
  if (f.lock == Lock::rear && f.z < 0.8)
    return {Limit::lock_order, in_g(0.8 - f.z), say("rear locks first, at {} g", Plain{f.z, 2})};
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
    lost.lost = LostCircuit::primary;
    if (auto f = judge_failure(s, lost, Limit::primary_lost, "outlet 1 lost", l);
        f.limit != Limit::none)
      return f;
    lost.lost = LostCircuit::secondary;
    if (auto f = judge_failure(s, lost, Limit::secondary_lost, "outlet 2 lost", l);
        f.limit != Limit::none)
      return f;
  }
  return judge_lock(sound);
}

double plan_ratio_of(const System& plan) {
  return effective_pad_arm(plan.control).value() / effective_pin_arm(plan.control).value();
}

double score(const Cell& c, const SweepRequest& q, const System& plan) {
  const double w[3][3] = {{1.0, 0.3, 0.3}, {0.3, 1.0, 0.3}, {0.3, 0.3, 1.0}};
  const auto& weight = w[static_cast<size_t>(q.preference)];
  const double effort = c.effort_n / q.limits.effort_n;
  const double travel = c.travel_m / q.limits.travel_m;
  // Stiffness has no limit of its own: the effort limit over the travel limit stands for one.
  const double soft = q.limits.effort_n / q.limits.travel_m / std::max(1.0, c.stiffness_n_m);
  double sum = weight[0] * effort * effort + weight[1] * travel * travel + weight[2] * soft * soft;
  const double plan_ratio = plan_ratio_of(plan);
  if (std::abs(c.bore_m - plan.master.bore.value()) > 3e-5) sum += 0.1;
  if (c.bore2_m > 0 && std::abs(c.bore2_m - plan.master.bore2.value()) > 3e-5) sum += 0.1;
  if (c.assist > 0) sum += 0.1;
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
    case Limit::primary_lost:
      return "outlet 1 lost";
    case Limit::secondary_lost:
      return "outlet 2 lost";
    case Limit::strokes:
      return "stroke ends";
    case Limit::lock_order:
      return "rear locks";
    case Limit::release:
      return "no release";
    case Limit::over_travel:
      return "over-travel or wear";
    case Limit::impossible:
      return "impossible";
  }
  return "";
}

Cell judge(const System& plan, double bore_m, double ratio, const SweepRequest& q) {
  return judge(plan, bore_m, 0.0, ratio, 0, q);
}

Cell judge(const System& plan, double bore_m, double bore2_m, double ratio, std::size_t assist,
           const SweepRequest& q) {
  System s = plan;
  s.master.bore = Length{bore_m};
  if (bore2_m > 0) s.master.bore2 = Length{bore2_m};
  s.control.pin_arm = s.control.pad_arm / ratio;
  s.control.geometry.reset();
  s.control.mid.reset();
  if (assist < q.assists.size()) {
    s.assist = q.assists[assist].assist;
    s.servo = q.assists[assist].servo;
    s.booster_stroke = q.assists[assist].stroke;
  }
  Cell c;
  c.bore_m = bore_m;
  c.bore2_m = bore2_m;
  c.ratio = ratio;
  c.assist = assist;
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
  c.by = f.by;
  c.reason = f.limit == Limit::none ? Message("inside") : f.reason;
  if (f.limit == Limit::none) c.score = score(c, q, plan);
  return c;
}

namespace {

bool judge_all(const System& plan, const SweepRequest& q, Sweep& s) {
  const std::size_t columns = s.columns();
  const std::size_t rows = s.bores_m.size() * s.assists.size();
  s.cells.resize(rows * columns);
  std::atomic<std::size_t> next{0};
  const auto work = [&](bool) {
    for (std::size_t row = next++; row < rows; row = next++)
      for (std::size_t c = 0; c < columns; ++c)
        s.cells[row * columns + c] =
            judge(plan, s.bores_m[row % s.bores_m.size()], s.pairs() ? s.bores2_m[c] : 0.0,
                  s.pairs() ? s.ratios.front() : s.ratios[c], row / s.bores_m.size(), q);
  };
  return run_workers(rows > 1 ? q.threads : 1, work);
}

}  // namespace

Expected<Sweep> sweep(const Job& job, const SweepRequest& q) {
  const Assembly a = assemble(job, As::plan);
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
  Sweep s{q.bores_m, q.bores2_m, q.ratios, {}, {}};
  for (const AssistOption& o : q.assists) s.assists.push_back(o.words);
  if (s.assists.empty()) s.assists.emplace_back("as planned");
  if (s.bores_m.empty() || s.ratios.empty()) return s;
  if (s.bores_m.size() * s.columns() * s.assists.size() > 20000)
    return fail({.field = "sweep",
                 .value = "",
                 .range = "up to 20000 cells",
                 .reason = "The map has too many cells",
                 .remedy = "Use fewer bores or ratios"});
  const Values plan = resolve(job, As::plan);
  if (!works_clutch(plan)) {
    if (!judge_all(*a.system, q, s))
      return fail({"sweep", "", "", "The map could not be computed: the machine has no memory left",
                   "Close something else, then try again"});
    return s;
  }
  const ClutchAssembly clutch = assemble_clutch(plan);
  if (!clutch.system)
    return fail({"clutch.kind", "", "", "The clutch contradicts itself", "Look under Survey"});
  for (const double bore : s.bores_m)
    for (const double ratio : s.ratios)
      s.cells.push_back(judge_clutch(*clutch.system, bore, ratio, q));
  return s;
}

bool score_again(const Job& job, const SweepRequest& q, Sweep& s) {
  const Assembly a = assemble(job, As::plan);
  if (!a.impossible.empty() || !a.system) return false;
  if (works_clutch(resolve(job, As::plan))) return true;  // its score counts no parts
  for (Cell& c : s.cells)
    if (c.fails == Limit::none) c.score = score(c, q, *a.system);
  return true;
}

Cell judge_clutch(const ClutchSystem& plan, double bore_m, double ratio, const SweepRequest& q) {
  ClutchSystem s = plan;
  s.master.bore = Length{bore_m};
  s.control.pin_arm = s.control.pad_arm / ratio;
  s.control.geometry.reset();
  s.control.mid.reset();
  Cell c;
  c.bore_m = bore_m;
  c.ratio = ratio;
  const auto r = clutch_report(s);
  if (!r) {
    c.fails = Limit::impossible;
    c.reason = r.error().reason;
    return c;
  }
  c.effort_n = r->peak_n;
  c.travel_m = r->release.pad_travel_m;
  c.reserve_share = r->end.pad_travel_m > 0
                        ? (r->end.pad_travel_m - r->release.pad_travel_m) / r->end.pad_travel_m
                        : 0;
  c.reason = clutch_fault(*r, s.unit, q.limits);
  if (c.reason.empty()) {
    c.reason = "inside";
    const double effort = c.effort_n / q.limits.effort_n;
    const double travel = c.travel_m / q.limits.travel_m;
    const bool light = q.preference == Preference::light;
    c.score = (light ? 1.0 : 0.3) * effort * effort + (light ? 0.3 : 1.0) * travel * travel;
  } else if (!r->releases) {
    c.fails = Limit::release;
    c.by = length(s.unit.release.value() - r->end.bearing_m, 1);
  } else if (c.effort_n > q.limits.effort_n) {
    c.fails = Limit::effort;
    c.by = force(c.effort_n - q.limits.effort_n);
  } else {
    c.fails = Limit::over_travel;
    c.by = length(r->over_travel_m.value_or(0.0), 1);
  }
  return c;
}

Sweep Sweep::slice(std::size_t assist) const {
  Sweep one{bores_m, bores2_m, ratios, {}, {}};
  const std::size_t n = bores_m.size() * columns();
  if (assist >= assists.size() || cells.size() < (assist + 1) * n) return one;
  one.assists = {assists[assist]};
  const auto from = cells.begin() + static_cast<std::ptrdiff_t>(assist * n);
  one.cells.assign(from, from + static_cast<std::ptrdiff_t>(n));
  return one;
}

std::vector<Cell> ranking(const Sweep& sweep) {
  std::vector<Cell> list;
  for (const Cell& c : sweep.cells)
    if (c.fails == Limit::none) list.push_back(c);
  std::stable_sort(list.begin(), list.end(),
                   [](const Cell& a, const Cell& b) { return a.score < b.score; });
  return list;
}

Message ranking_words(const std::vector<Cell>& ranked, Preference preference) {
  if (ranked.empty()) return "No cell is inside: each says which limit it fails";
  const Cell& c = ranked.front();
  const char* wish = preference == Preference::light          ? "a light pedal"
                     : preference == Preference::short_travel ? "a short pedal"
                                                              : "a firm pedal";
  const Message first = say("First for {}: {} at {}, {} over {}", wish, length(c.bore_m, 2),
                            Plain{c.ratio, 2}, force(c.effort_n), length(c.travel_m, 0));
  if (ranked.size() < 2) return first;
  const Cell& n = ranked[1];
  return say("{}; next {} at {}: {}, {}", first, length(n.bore_m, 2), Plain{n.ratio, 2},
             more_or_less(n.effort_n - c.effort_n, Kind::force, 0),
             more_or_less(n.travel_m - c.travel_m, Kind::length, 0));
}

std::string_view preference_words(Preference preference) {
  switch (preference) {
    case Preference::light:
      return "Effort counts most, then travel; each part to change counts against.";
    case Preference::short_travel:
      return "Travel counts most, then effort; each part to change counts against.";
    case Preference::firm:
      return "Stiffness counts most, then effort and travel; each part to change counts against.";
  }
  return "";
}

std::vector<Feasible> feasible(const Sweep& s) {
  std::vector<Feasible> list;
  const std::size_t columns = s.columns();
  for (std::size_t row = 0; columns > 0 && row < s.cells.size() / columns; ++row) {
    Feasible f;
    const Cell* closest = nullptr;
    for (std::size_t c = 0; c < columns; ++c) {
      const Cell& cell = s.cells[row * columns + c];
      f.assist = cell.assist;
      f.bore_m = cell.bore_m;
      if (cell.fails == Limit::none) {
        if (!f.any) f.least_ratio = cell.ratio;
        f.most_ratio = cell.ratio;
        f.any = true;
      }
      // The later a limit is tested, the closer the cell comes.
      if (!closest || cell.fails > closest->fails) closest = &cell;
    }
    if (!f.any && closest) f.nearest = say("at {}: {}", Plain{closest->ratio, 2}, closest->reason);
    list.push_back(f);
  }
  return list;
}

std::optional<double> least_ratio(const Control& control, const Assist& assist,
                                  const Master& master, Pressure wanted, Force limit) {
  const double in_n = assist_input(assist, piston_force(master, wanted)).value();
  const double net_n = (limit - control.return_force).value() * control.efficiency;
  if (net_n <= 0) return std::nullopt;
  const double ratio = in_n / net_n;
  if (ratio > 12) return std::nullopt;
  return std::max(1.0, ratio);
}

}  // namespace yoke
