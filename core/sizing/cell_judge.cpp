#include "sizing/cell_judge.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

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

Limit clutch_limit(ConditionId id, PressRule rule) {
  if (id == ConditionId::hot) return Limit::hot;
  if (id == ConditionId::air_left) return Limit::air_left;
  return rule == PressRule::release  ? Limit::release
         : rule == PressRule::effort ? Limit::effort
                                     : Limit::over_travel;
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

double ratio_of(const Control& control) {
  return effective_pad_arm(control).value() / effective_pin_arm(control).value();
}

/// The pad arm stays, the pin arm follows the ratio; the rod's angle is not judged.
void set_ratio(Control& control, double ratio) {
  control.pin_arm = control.pad_arm / ratio;
  control.geometry.reset();
  control.mid.reset();
}

bool same(double a, double b, double gap) {
  return std::abs(a - b) < gap;
}

void say_inside(Cell& c) {
  c.reason = c.cannot_say == 0 ? Message("within limits")
                               : plural(static_cast<long>(c.cannot_say),
                                        "within limits, {} condition cannot be said",
                                        "within limits, {} conditions cannot be said");
}

}  // namespace

CellJudge::CellJudge(const Values& plan) : clutch_(works_clutch(plan)) {
  for (const ConditionId id : conditions_for(clutch_)) {
    if (id == ConditionId::found) continue;
    Pressed p{id, condition_of(plan, id), {}};
    if (clutch_) {
      p.clutch = clutch_in(plan, p.condition).system;
      if (!p.clutch) return;
    }
    conditions_.push_back(std::move(p));
  }
  if (!clutch_) {
    const Assembly a = assemble(plan);
    if (!a.system || !a.impossible.empty()) return;
    plan_ = *a.system;
  }
  possible_ = true;
}

bool CellJudge::is_own(const Cell& c) const {
  const Master& master = clutch_ ? conditions_.front().clutch->master : plan_.master;
  const Control& control = clutch_ ? conditions_.front().clutch->control : plan_.control;
  return c.assist == 0 && same(c.bore_m, master.bore.value(), 3e-5) &&
         (c.bore2_m <= 0 || same(c.bore2_m, master.bore2.value(), 3e-5)) &&
         same(c.ratio, ratio_of(control), 0.01);
}

double CellJudge::score(const Cell& c, const SweepRequest& q) const {
  const double effort = c.effort_n / q.limits.effort_n;
  const double travel = c.travel_m / q.limits.travel_m;
  if (clutch_) {
    const bool light = q.preference == Preference::light;
    return (light ? 1.0 : 0.3) * effort * effort + (light ? 0.3 : 1.0) * travel * travel;
  }
  const double w[3][3] = {{1.0, 0.3, 0.3}, {0.3, 1.0, 0.3}, {0.3, 0.3, 1.0}};
  const auto& weight = w[static_cast<size_t>(q.preference)];
  // Stiffness has no limit of its own: the effort limit over the travel limit stands for one.
  const double soft = q.limits.effort_n / q.limits.travel_m / std::max(1.0, c.stiffness_n_m);
  double sum = weight[0] * effort * effort + weight[1] * travel * travel + weight[2] * soft * soft;
  if (!same(c.bore_m, plan_.master.bore.value(), 3e-5)) sum += 0.1;
  if (c.bore2_m > 0 && !same(c.bore2_m, plan_.master.bore2.value(), 3e-5)) sum += 0.1;
  if (c.assist > 0) sum += 0.1;
  if (!same(c.ratio, ratio_of(plan_.control), 0.01)) sum += 0.1;
  return sum;
}

System CellJudge::system_of(const Cell& c, const SweepRequest& q) const {
  if (c.own) return plan_;
  System s = plan_;
  s.master.bore = Length{c.bore_m};
  if (c.bore2_m > 0) s.master.bore2 = Length{c.bore2_m};
  set_ratio(s.control, c.ratio);
  if (c.assist > 0 && c.assist < q.assists.size()) {
    s.assist = q.assists[c.assist].assist;
    s.servo = q.assists[c.assist].servo;
    s.booster_stroke = q.assists[c.assist].stroke;
  }
  return s;
}

/// Every other condition, until one fails. A single circuit has none to lose, whatever the bore:
/// that is judged under Plumb.
void CellJudge::judge_others(Cell& c, const System& s, const Limits& l) const {
  for (const Pressed& pressed : conditions_) {
    if (pressed.id == ConditionId::plan) continue;
    if (pressed.condition.lost != LostCircuit::none &&
        (!two_circuits(s.master) || !s.strokes_known))
      continue;
    const auto p = judge_press(pressed.id, s, pressed.condition, l);
    PressFault f;
    if (p) {
      const PressRule rule = p->margins.first_failing();
      if (rule == PressRule::none) continue;
      f = fault_of(rule, pressed.id, s, *p, l);
    } else {
      f.says = p.error().reason;
    }
    return fails(c, pressed.id, limit_of(pressed.id, f), f);
  }
}

void CellJudge::judge_brakes(Cell& c, const SweepRequest& q) const {
  const System s = system_of(c, q);
  const auto p = judge_press(ConditionId::plan, s, {}, q.limits, Detail::whole);
  if (!p) {
    c.fails = Limit::impossible;
    c.reason = p.error().reason;
    return;
  }
  const TargetReport& r = p->target;
  c.effort_n = r.at.pad_force_n;
  c.travel_m = r.at.pad_travel_m;
  c.reserve_share = r.reserve_share;
  c.stiffness_n_m = r.stiffness_n_m;
  const PressRule rule = p->margins.first_failing();
  if (rule == PressRule::none) {
    judge_others(c, s, q.limits);
  } else {
    const PressFault f = fault_of(rule, ConditionId::plan, s, *p, q.limits);
    fails(c, ConditionId::plan, limit_of(ConditionId::plan, f), f);
  }
  if (c.fails != Limit::none) return;
  // Where a piston's own end is not known, no condition is said to pass.
  if (!s.strokes_known)
    c.cannot_say = static_cast<std::size_t>(
        std::count_if(conditions_.begin(), conditions_.end(), [&s](const Pressed& pressed) {
          return pressed.condition.lost == LostCircuit::none || two_circuits(s.master);
        }));
}

void CellJudge::judge_clutch(Cell& c, const SweepRequest& q) const {
  for (const Pressed& pressed : conditions_) {
    ClutchSystem s = *pressed.clutch;
    if (!c.own) {
      s.master.bore = Length{c.bore_m};
      set_ratio(s.control, c.ratio);
    }
    const auto r = clutch_report(s);
    if (!r) {
      c.fails = Limit::impossible;
      c.reason = r.error().reason;
      return;
    }
    if (pressed.id == ConditionId::plan) {
      c.effort_n = r->peak_n;
      c.travel_m = r->release.pad_travel_m;
      c.reserve_share = r->end.pad_travel_m > 0
                            ? (r->end.pad_travel_m - r->release.pad_travel_m) / r->end.pad_travel_m
                            : 0;
    }
    if (const PressFault f = clutch_fault(pressed.id, *r, s.unit, q.limits); !f.none())
      return fails(c, pressed.id, clutch_limit(pressed.id, f.rule), f);
  }
  if (!conditions_.front().clutch->stroke_known) c.cannot_say = conditions_.size();
}

Cell CellJudge::judged(const Cell& place, const SweepRequest& q) const {
  Cell c;
  c.bore_m = place.bore_m;
  c.bore2_m = place.bore2_m;
  c.ratio = place.ratio;
  c.assist = place.assist;
  c.own = is_own(c);
  if (clutch_)
    judge_clutch(c, q);
  else
    judge_brakes(c, q);
  if (c.fails != Limit::none) return c;
  say_inside(c);
  c.score = score(c, q);
  return c;
}

}  // namespace yoke
