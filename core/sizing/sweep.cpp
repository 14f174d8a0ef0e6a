#include "sizing/sweep.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <atomic>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "quantity/workers.hpp"
#include "strip/settle.hpp"

namespace yoke {

namespace {

/// A condition of the job and what the model is told of it.
struct Pressed {
  ConditionId id;
  Condition condition;
};
using Conditions = std::vector<Pressed>;

/// All conditions of the plan; as found has a system of its own.
Conditions conditions_of(const Values& plan) {
  Conditions list;
  for (const ConditionId id : conditions_for(works_clutch(plan)))
    if (id != ConditionId::found) list.push_back({id, condition_of(plan, id)});
  return list;
}

/// The mark that a fault gets on the map.
Limit limit_of(ConditionId id, const PressFault& f) {
  switch (id) {
    case ConditionId::assist_lost:
      return Limit::effort_no_assist;
    case ConditionId::primary_lost:
      return Limit::primary_lost;
    case ConditionId::secondary_lost:
      return Limit::secondary_lost;
    case ConditionId::hot:
      return Limit::hot;
    case ConditionId::air_left:
      return Limit::air_left;
    case ConditionId::found:
    case ConditionId::plan:
      break;
  }
  switch (f.rule) {
    case PressRule::reached:
      return f.stop == Stop::primary_stroke || f.stop == Stop::secondary_stroke ? Limit::strokes
             : f.stop == Stop::locked                                           ? Limit::lock_order
                                                                                : Limit::travel;
    case PressRule::bar:
    case PressRule::returns:
      return Limit::impossible;
    case PressRule::effort:
      return Limit::effort;
    case PressRule::travel:
      return Limit::travel;
    case PressRule::reserve:
    case PressRule::reserve_failed:
      return Limit::reserve;
    case PressRule::lock_order:
      return Limit::lock_order;
    case PressRule::release:  // of a clutch: clutch_limit
    case PressRule::over_travel:
    case PressRule::wear:
    case PressRule::none:
      break;
  }
  return Limit::none;
}

Message lost_words(ConditionId id) {
  switch (id) {
    case ConditionId::assist_lost:
      return "no assist";
    case ConditionId::primary_lost:
      return "outlet 1 lost";
    case ConditionId::secondary_lost:
      return "outlet 2 lost";
    case ConditionId::hot:
      return "hot";
    case ConditionId::air_left:
      return "air left";
    default:
      return {};
  }
}

void fails(Cell& c, ConditionId id, Limit limit, const PressFault& f) {
  c.fails = limit;
  c.by = f.by;
  const Message who = lost_words(id);
  c.reason = who.empty() ? f.says : say("{}: {}", who, f.says);
}

/// Every other condition, until one fails. A single circuit has none to lose, whatever the bore:
/// that is judged under Plumb.
void judge_others(Cell& c, const System& s, const Conditions& conditions, const Limits& l) {
  for (const auto& [id, condition] : conditions) {
    if (id == ConditionId::plan) continue;
    if (condition.lost != LostCircuit::none) {
      if (!two_circuits(s.master)) continue;
      if (!s.strokes_known) continue;
    }
    const auto m = FeelModel::make(s, condition);
    if (!m) {
      PressFault f;
      f.says = m.error().reason;
      return fails(c, id, limit_of(id, f), f);
    }
    const TargetReport r = condition_target(id, *m, l);
    const PressRule rule = press_margins(id, *m, r, l).first_failing();
    if (rule == PressRule::none) continue;
    const PressFault f = fault_of(rule, id, *m, r, l);
    return fails(c, id, limit_of(id, f), f);
  }
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

namespace {

bool same(double a, double b, double gap) {
  return std::abs(a - b) < gap;
}

/// The plan's own bore, ratio and assist: its geometry is the one that is measured.
bool is_own(const System& plan, const Cell& c) {
  return c.assist == 0 && same(c.bore_m, plan.master.bore.value(), 3e-5) &&
         (c.bore2_m <= 0 || same(c.bore2_m, plan.master.bore2.value(), 3e-5)) &&
         same(c.ratio, plan_ratio_of(plan), 0.01);
}

System system_of(const System& plan, const Cell& c, const SweepRequest& q) {
  if (c.own) return plan;
  System s = plan;
  s.master.bore = Length{c.bore_m};
  if (c.bore2_m > 0) s.master.bore2 = Length{c.bore2_m};
  s.control.pin_arm = s.control.pad_arm / c.ratio;
  s.control.geometry.reset();
  s.control.mid.reset();
  if (c.assist < q.assists.size()) {
    s.assist = q.assists[c.assist].assist;
    s.servo = q.assists[c.assist].servo;
    s.booster_stroke = q.assists[c.assist].stroke;
  }
  return s;
}

void judge_cell(Cell& c, const System& plan, const SweepRequest& q, const Conditions& conditions) {
  c.own = is_own(plan, c);
  const System s = system_of(plan, c, q);
  const auto m = FeelModel::make(s, {});
  if (!m) {
    c.fails = Limit::impossible;
    c.reason = m.error().reason;
    return;
  }
  const TargetReport r = condition_target(ConditionId::plan, *m, q.limits);
  c.effort_n = r.at.pad_force_n;
  c.travel_m = r.at.pad_travel_m;
  c.reserve_share = r.reserve_share;
  c.stiffness_n_m = r.stiffness_n_m;
  const PressRule rule = press_margins(ConditionId::plan, *m, r, q.limits).first_failing();
  if (rule == PressRule::none) {
    judge_others(c, s, conditions, q.limits);
  } else {
    const PressFault f = fault_of(rule, ConditionId::plan, *m, r, q.limits);
    fails(c, ConditionId::plan, limit_of(ConditionId::plan, f), f);
  }
  if (c.fails != Limit::none) return;
  // Where a piston's own end is not known, no condition is said to pass.
  if (!s.strokes_known)
    c.cannot_say = static_cast<std::size_t>(
        std::count_if(conditions.begin(), conditions.end(), [&s](const Pressed& p) {
          return p.condition.lost == LostCircuit::none || two_circuits(s.master);
        }));
  c.reason = c.cannot_say == 0
                 ? Message("inside")
                 : plural(static_cast<long>(c.cannot_say), "inside, {} condition cannot be said",
                          "inside, {} conditions cannot be said");
  c.score = score(c, q, plan);
}

bool judge_all(const System& plan, const SweepRequest& q, const Conditions& conditions, Sweep& s) {
  const std::size_t columns = s.columns();
  const std::size_t rows = s.bores_m.size() * s.assists.size();
  s.cells.resize(rows * columns);
  std::atomic<std::size_t> next{0};
  const auto work = [&](bool) {
    for (std::size_t row = next++; row < rows; row = next++)
      for (std::size_t c = 0; c < columns; ++c) {
        Cell& cell = s.cells[row * columns + c];
        cell.bore_m = s.bores_m[row % s.bores_m.size()];
        cell.bore2_m = s.pairs() ? s.bores2_m[c] : 0.0;
        cell.ratio = s.pairs() ? s.ratios.front() : s.ratios[c];
        cell.assist = row / s.bores_m.size();
        judge_cell(cell, plan, q, conditions);
      }
  };
  return run_workers(rows > 1 ? q.threads : 1, work);
}

/// A clutch in one of its conditions; as planned first.
struct PressedClutch {
  ConditionId id;
  ClutchSystem system;
};

/// Empty when the clutch contradicts itself.
std::vector<PressedClutch> clutches_of(const Values& plan) {
  std::vector<PressedClutch> list;
  for (const auto& [id, condition] : conditions_of(plan)) {
    const ClutchAssembly a = assemble_clutch(
        plan, condition.air_m3, id == ConditionId::hot ? std::optional(kHotFluid_C) : std::nullopt);
    if (!a.system) return {};
    list.push_back({id, *a.system});
  }
  return list;
}

Limit clutch_limit(ConditionId id, PressRule rule) {
  if (id == ConditionId::hot) return Limit::hot;
  if (id == ConditionId::air_left) return Limit::air_left;
  return rule == PressRule::release  ? Limit::release
         : rule == PressRule::effort ? Limit::effort
                                     : Limit::over_travel;
}

double clutch_score(const Cell& c, const SweepRequest& q) {
  const double effort = c.effort_n / q.limits.effort_n;
  const double travel = c.travel_m / q.limits.travel_m;
  const bool light = q.preference == Preference::light;
  return (light ? 1.0 : 0.3) * effort * effort + (light ? 0.3 : 1.0) * travel * travel;
}

bool is_own(const ClutchSystem& plan, double bore_m, double ratio) {
  return same(bore_m, plan.master.bore.value(), 3e-5) &&
         same(ratio,
              effective_pad_arm(plan.control).value() / effective_pin_arm(plan.control).value(),
              0.01);
}

Cell judge_clutch(const std::vector<PressedClutch>& clutches, double bore_m, double ratio,
                  const SweepRequest& q) {
  Cell c;
  c.bore_m = bore_m;
  c.ratio = ratio;
  c.own = is_own(clutches.front().system, bore_m, ratio);
  for (const auto& [id, clutch] : clutches) {
    ClutchSystem s = clutch;
    if (!c.own) {
      s.master.bore = Length{bore_m};
      s.control.pin_arm = s.control.pad_arm / ratio;
      s.control.geometry.reset();
      s.control.mid.reset();
    }
    const auto r = clutch_report(s);
    if (!r) {
      c.fails = Limit::impossible;
      c.reason = r.error().reason;
      return c;
    }
    if (id == ConditionId::plan) {
      c.effort_n = r->peak_n;
      c.travel_m = r->release.pad_travel_m;
      c.reserve_share = r->end.pad_travel_m > 0
                            ? (r->end.pad_travel_m - r->release.pad_travel_m) / r->end.pad_travel_m
                            : 0;
    }
    if (const PressFault f = clutch_fault(id, *r, s.unit, q.limits); !f.none()) {
      fails(c, id, clutch_limit(id, f.rule), f);
      return c;
    }
  }
  if (!clutches.front().system.stroke_known) c.cannot_say = clutches.size();
  c.reason = c.cannot_say == 0
                 ? Message("inside")
                 : plural(static_cast<long>(c.cannot_say), "inside, {} condition cannot be said",
                          "inside, {} conditions cannot be said");
  c.score = clutch_score(c, q);
  return c;
}

/// The plan's own cell takes the strip's verdict: the same rules, looked into by the same eyes.
Verdict verdict_of_strip(const Job& job, bool two_circuits) {
  Verdict all = Verdict::holds;
  for (const ConditionReport& c : foot_strip(job, 0)) {
    const bool lost = c.id == ConditionId::primary_lost || c.id == ConditionId::secondary_lost;
    if (c.id != ConditionId::found && (two_circuits || !lost)) all = worst(all, c.verdict);
  }
  return all;
}

void say_verdicts(const Job& job, Sweep& s) {
  const Values plan = resolve(job, As::plan);
  bool rests = false;
  for (const Unmeasured& u : unmeasured(plan, plan, pressed_by)) rests = rests || u.plan;
  std::optional<Verdict> own;
  for (Cell& c : s.cells) {
    c.verdict = c.fails != Limit::none ? Verdict::fails
                : c.cannot_say > 0     ? Verdict::cannot_say
                : rests                ? Verdict::if_typical
                                       : Verdict::holds;
    if (!c.own || !sums_pass(c.verdict)) continue;
    if (!own) own = verdict_of_strip(job, has_two_circuits(job, As::plan));
    c.verdict = *own;
  }
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
    if (!judge_all(*a.system, q, conditions_of(plan), s))
      return fail({"sweep", "", "", "The map could not be computed: the machine has no memory left",
                   "Close something else, then try again"});
    say_verdicts(job, s);
    return s;
  }
  const std::vector<PressedClutch> clutches = clutches_of(plan);
  if (clutches.empty())
    return fail({"clutch.kind", "", "", "The clutch contradicts itself", "Look under Survey"});
  for (const double bore : s.bores_m)
    for (const double ratio : s.ratios) s.cells.push_back(judge_clutch(clutches, bore, ratio, q));
  say_verdicts(job, s);
  return s;
}

bool score_again(const Job& job, const SweepRequest& q, Sweep& s) {
  const Assembly a = assemble(job, As::plan);
  if (!a.impossible.empty() || !a.system) return false;
  const Values plan = resolve(job, As::plan);
  if (works_clutch(plan)) {  // its score counts no parts
    const std::vector<PressedClutch> clutches = clutches_of(plan);
    if (clutches.empty()) return false;
    for (Cell& c : s.cells)
      if (c.own || is_own(clutches.front().system, c.bore_m, c.ratio))
        c = judge_clutch(clutches, c.bore_m, c.ratio, q);
    say_verdicts(job, s);
    return true;
  }
  const Conditions conditions = conditions_of(plan);
  for (Cell& c : s.cells) {
    // The plan's own cell is judged with its geometry: it moves when the plan does.
    if (c.own || is_own(*a.system, c)) {
      Cell fresh;
      fresh.bore_m = c.bore_m;
      fresh.bore2_m = c.bore2_m;
      fresh.ratio = c.ratio;
      fresh.assist = c.assist;
      judge_cell(fresh, *a.system, q, conditions);
      c = std::move(fresh);
    }
    if (c.fails == Limit::none) c.score = score(c, q, *a.system);
  }
  say_verdicts(job, s);
  return true;
}

}  // namespace yoke
