#include "strip/conditions.hpp"

#include <fmt/format.h>

#include <algorithm>

#include "document/param/bores.hpp"
#include "document/param/limits.hpp"
#include "document/param/lines.hpp"
#include "document/param/room.hpp"
#include "strip/settle.hpp"

namespace yoke {

namespace {

Message fed_by(const Values& plan, Outlet outlet) {
  bool fed[4] = {false, false, false, false};
  for (const Wheel w : kWheels) {
    if (!works_axle(plan, axle_of(w))) continue;
    const auto o = outlet_of(plan, w);
    if (!o) return {};
    fed[static_cast<size_t>(w)] = *o == outlet;
  }
  const bool front = fed[0] && fed[1];
  const bool rear = fed[2] && fed[3];
  if (front && rear) return "all wheels";
  if (front && !fed[2] && !fed[3]) return "front";
  if (rear && !fed[0] && !fed[1]) return "rear";
  return outlet == Outlet::primary ? "outlet 1" : "outlet 2";
}

}  // namespace

Limits limits_of(const Values& plan) {
  const auto get = [&plan](Param p) { return plan.si(p); };
  // The weakest driver counts, whatever the law would still allow. Of a clutch he is not asked.
  const bool asked = plan.known(param::room_driver) && !works_clutch(plan);
  const double push = asked ? get(param::room_driver) : 1e9;
  return {get(param::target_z),
          get(param::target_pressure),
          std::min(push, get(param::limit_effort)),
          get(param::limit_travel),
          get(param::limit_reserve),
          std::min(push, get(param::limit_effort_failed)),
          get(param::limit_z_failed),
          get(param::limit_reserve_failed),
          get(param::limit_reserve_failed_m)};
}

Limits limits_of(const Job& job) {
  return limits_of(resolve(job, As::plan));
}

StripInputs strip_inputs(const Values& found, const Values& plan) {
  StripInputs in;
  in.found_system = assemble(found);
  in.plan_system = assemble(plan);
  in.limits = limits_of(plan);
  in.clutch = works_clutch(plan);
  in.found = found;
  in.plan = plan;
  return in;
}

StripInputs strip_inputs(const Job& job) {
  return strip_inputs(resolve(job, As::found), resolve(job, As::plan));
}

std::vector<ConditionId> conditions_for(bool clutch) {
  if (clutch)
    return {ConditionId::found, ConditionId::plan, ConditionId::hot, ConditionId::air_left};
  return {std::begin(kConditions), std::end(kConditions)};
}

Condition condition_of(const Job& job, ConditionId id) {
  return condition_of(resolve(job, As::plan), id);
}

Condition condition_of(const Values& plan, ConditionId id) {
  Condition c;
  switch (id) {
    case ConditionId::found:
    case ConditionId::plan:
      break;
    case ConditionId::assist_lost:
      c.assist_alive = false;
      break;
    case ConditionId::primary_lost:
      c.lost = LostCircuit::primary;
      break;
    case ConditionId::secondary_lost:
      c.lost = LostCircuit::secondary;
      break;
    case ConditionId::hot:
      c.hot = true;
      break;
    case ConditionId::air_left:
      c.air_m3 = plan.si(param::air_left);
      break;
  }
  return c;
}

ClutchAssembly clutch_in(const Values& v, const Condition& condition) {
  return assemble_clutch(v, condition.air_m3,
                         condition.hot ? std::optional(kHotFluid_C) : std::nullopt);
}

const ConditionReport* report_of(const std::vector<ConditionReport>& strip, ConditionId id) {
  for (const ConditionReport& c : strip)
    if (c.id == id) return &c;
  return nullptr;
}

As as_of(ConditionId id) {
  return id == ConditionId::found ? As::found : As::plan;
}

namespace {

Message title_of(const Values& plan, ConditionId id) {
  switch (id) {
    case ConditionId::found:
      return "as found";
    case ConditionId::plan:
      return "plan";
    case ConditionId::assist_lost:
      return "assist lost";
    case ConditionId::primary_lost:
    case ConditionId::secondary_lost: {
      const bool first = id == ConditionId::primary_lost;
      const auto name = fed_by(plan, first ? Outlet::primary : Outlet::secondary);
      if (name.empty()) return first ? "outlet 1 lost" : "outlet 2 lost";
      return say("{} lost", name);
    }
    case ConditionId::hot:
      return "hot";
    case ConditionId::air_left:
      return "air left";
  }
  return "";
}

}  // namespace

Message condition_title(const Job& job, ConditionId id) {
  return title_of(resolve(job, As::plan), id);
}

namespace {

/// What can still be said when no curve can be computed.
void say_what_can_be_said(ConditionReport& c, const Assembly& a, const Condition& condition,
                          const Error& why, const Limits& l) {
  c.reason = why.reason;
  const bool lost = condition.lost != LostCircuit::none;
  const bool single = a.system->master.kind == MasterKind::single;
  // A circuit lost that leaves no brake is a failure, not a lack of knowledge.
  if (lost && (single || (a.missing_brakes.empty() && a.system->strokes_known))) {
    c.verdict = Verdict::fails;
    c.brief = "no brake left";
    return;
  }
  if (a.missing_brakes.empty()) return;
  c.reason = say("Travel cannot be said yet: {} not known", param_list(a.missing_brakes));
  c.brief = say("{} unknown", param_list({a.missing_brakes.front()}));
  c.by_pressure = true;
  const auto f = effort_at_pressure(a.system->control, a.system->assist, a.system->master,
                                    Pressure{l.pressure_pa}, condition.assist_alive);
  if (f && !lost) c.effort_only_n = f->value();
}

}  // namespace

namespace {

bool hangs_on_strokes(PressRule rule) {
  return rule == PressRule::reached || rule == PressRule::reserve ||
         rule == PressRule::reserve_failed || rule == PressRule::release;
}

/// What passes waits for `settle` to say whether it holds.
void add_rules(ConditionReport& c, const PressMargins& m, const Limits& l, bool strokes_known) {
  for (std::size_t i = 0; i < kPressRules; ++i) {
    const auto rule = static_cast<PressRule>(i);
    if (!m.applies(rule)) continue;
    RuleVerdict v;
    v.rule = rule;
    v.figure = rule_figure(rule, c.id, *c.target, l, c.by_pressure);
    v.verdict = m.fails(rule) ? Verdict::fails : Verdict::if_typical;
    if (v.verdict != Verdict::fails && !strokes_known && hangs_on_strokes(rule)) {
      v.verdict = Verdict::cannot_say;
      v.missing = {param::master_stroke1};
    }
    c.rules.push_back(std::move(v));
  }
}

/// What the condition is judged at and within. A pressure that nobody asked for is no target: what
/// passes there hangs on it.
void say_target(ConditionReport& c, const StripInputs& in) {
  const Limits& l = in.limits;
  const bool sound = c.id == ConditionId::found || c.id == ConditionId::plan;
  c.within = say("{}, {} %", force(is_failure(c.id) ? l.effort_failed_n : l.effort_n),
                 Plain{(sound ? l.reserve_share : l.reserve_failed_share) * 100, 0});
  if (!c.by_pressure) {
    c.at = say("{} g", Plain{c.target->wanted, 2});
    return;
  }
  const Amount at = amount(c.target->wanted, Kind::pressure, 2);
  if (in.plan.at(param::target_pressure).origin != Origin::typical) {
    c.at = say("{}", at);
    return;
  }
  c.at = say("{}, typical", at);
  for (RuleVerdict& r : c.rules)
    if (r.verdict == Verdict::if_typical) r.decided_by.push_back(param::target_pressure);
}

/// A clutch's state in the terms of a press: peak effort, travel and reserve at clean release.
TargetReport clutch_target(const ClutchReport& r, double limit_m) {
  TargetReport t;
  t.wanted = limit_m;
  t.reached = r.releases;
  t.at.pad_travel_m = r.release.pad_travel_m;
  t.at.pad_force_n = r.peak_n;
  t.at.rod_travel_m = r.release.rod_travel_m;
  t.at.input_force_n = t.at.output_force_n = r.release.rod_force_n;
  t.at.stroke_m = t.at.piston1_m = r.release.stroke_m;
  t.at.pressure_pa = r.release.pressure_pa;
  t.available_m = r.end.pad_travel_m;
  t.reserve_m = r.end.pad_travel_m - r.release.pad_travel_m;
  t.reserve_share = t.available_m > 0 ? t.reserve_m / t.available_m : 0;
  t.left1_m = r.master_left_m;
  return t;
}

FeelCurve clutch_curve(const ClutchModel& m, std::size_t points) {
  FeelCurve c;
  for (const ClutchPoint& k : m.curve(points)) {
    FeelPoint f;
    f.pad_travel_m = k.pad_travel_m;
    f.pad_force_n = k.pad_force_n;
    f.rod_travel_m = k.rod_travel_m;
    f.input_force_n = f.output_force_n = k.rod_force_n;
    f.stroke_m = f.piston1_m = k.stroke_m;
    f.pressure_pa = k.pressure_pa;
    c.points.push_back(f);
  }
  c.available_m = c.points.back().pad_travel_m;
  c.end_pa = c.points.back().pressure_pa;
  return c;
}

ConditionReport clutch_condition(const StripInputs& in, ConditionReport c, std::size_t points) {
  const Condition condition = condition_of(in.plan, c.id);
  c.by_pressure = true;
  const ClutchAssembly a = clutch_in(in.values(c.id), condition);
  if (!a.system) {
    c.reason = a.missing.empty() ? Message("The clutch contradicts itself")
                                 : Message(cannot_say(a.missing));
    if (!a.missing.empty()) c.brief = say("{} unknown", param_list({a.missing.front()}));
    return c;
  }
  const auto report = clutch_report(*a.system);
  const auto model = ClutchModel::make(*a.system);
  if (!report || !model) {
    c.verdict = Verdict::fails;
    c.reason = report ? model.error().reason : report.error().reason;
    return c;
  }
  c.clutch = *report;
  c.target = clutch_target(*report, a.system->unit.release.value());
  const ClutchBudget b = model->budget(report->release);
  const auto layer = [&c](TravelLayer l) -> double& {
    return c.target->budget[static_cast<std::size_t>(l)];
  };
  layer(TravelLayer::free_play) = b.free_play_m;
  layer(TravelLayer::cut_off) = b.cut_off_m;
  layer(TravelLayer::slave) = b.slave_m;
  layer(TravelLayer::hose) = b.hose_m;
  layer(TravelLayer::tube) = b.tube_m;
  layer(TravelLayer::fluid) = b.fluid_m;
  layer(TravelLayer::air) = b.air_m;
  if (points > 0) c.curve = clutch_curve(*model, points);
  c.at = say("{} at the bearing", length(a.system->unit.release.value(), 1));
  if (PressFault f = clutch_fault(c.id, *report, a.system->unit, in.limits); !f.none())
    c.faults.push_back(std::move(f));
  add_rules(c, clutch_margins(c.id, *report, a.system->unit, in.limits), in.limits,
            a.system->stroke_known);
  for (RuleVerdict& r : c.rules)
    if (r.verdict == Verdict::fails)
      r.says = clutch_fault_of(r.rule, *report, a.system->unit, in.limits).says;
  conclude(c);
  return c;
}

}  // namespace

void conclude(ConditionReport& c) {
  if (c.rules.empty()) return;  // nothing was judged: nothing is said to hold
  const RuleVerdict* worst_rule = &c.rules.front();
  std::vector<Param> decided_by;
  for (const RuleVerdict& r : c.rules) {
    if (worst(r.verdict, worst_rule->verdict) != worst_rule->verdict) worst_rule = &r;
    decided_by.insert(decided_by.end(), r.decided_by.begin(), r.decided_by.end());
  }
  c.verdict = worst_rule->verdict;
  c.reason = c.aside;
  c.brief = {};
  if (c.verdict == Verdict::fails) {
    c.reason = c.faults.empty() ? worst_rule->says : c.faults.front().says;
    if (!c.faults.empty()) c.brief = c.faults.front().brief;
  } else if (c.verdict == Verdict::cannot_say) {
    c.reason =
        say("{} not known: the end of the bore is not checked", param_list(worst_rule->missing));
    c.brief = "strokes unknown";
  } else if (c.verdict == Verdict::if_typical && !decided_by.empty()) {
    c.reason = say("passes, resting on what nobody measured: {}", param_list(decided_by));
    c.brief = say("rests on {}", param_list({decided_by.front()}));
  }
}

ConditionReport condition_report(const StripInputs& in, ConditionId id, std::size_t points) {
  ConditionReport c;
  c.id = id;
  c.title = title_of(in.plan, id);
  const Assembly& a = in.assembly(id);
  if (!a.impossible.empty()) {
    c.verdict = Verdict::fails;
    c.reason = a.impossible.front().text();
    return c;
  }
  if (!a.system) {
    c.reason = cannot_say(a.missing_system);
    c.brief = say("{} unknown", param_list({a.missing_system.front()}));
    return c;
  }
  if (in.clutch) return clutch_condition(in, std::move(c), points);
  const Limits& l = in.limits;
  const Condition condition = condition_of(in.plan, id);
  const auto model = FeelModel::make(*a.system, condition);
  if (!model) {
    say_what_can_be_said(c, a, condition, model.error(), l);
    return c;
  }
  c.by_pressure = !a.system->vehicle;
  if (points > 0) c.curve = model->curve(points);
  c.target = condition_target(id, *model, l);
  const JudgedPress judged = judge_press(id, *model, *c.target, l);
  c.faults = press_faults(id, *a.system, judged, l);
  add_rules(c, judged.margins, l, a.system->strokes_known);
  for (const PressFault& f : c.faults)
    for (RuleVerdict& r : c.rules)
      if (r.rule == f.rule) r.says = f.says;
  say_target(c, in);
  const bool assisted = !std::holds_alternative<NoAssist>(a.system->assist) || a.system->servo;
  if (id == ConditionId::assist_lost && !assisted) c.aside = "no assist fitted";
  conclude(c);
  return c;
}

ConditionReport condition_report(const Job& job, ConditionId id, std::size_t points) {
  return condition_report(strip_inputs(job), id, points);
}

std::vector<ConditionReport> unsettled_strip(const Job& job) {
  const StripInputs in = strip_inputs(job);
  std::vector<ConditionReport> strip;
  for (const ConditionId id : conditions_for(in.clutch))
    strip.push_back(condition_report(in, id, 0));
  return strip;
}

std::vector<ConditionReport> foot_strip(const Job& job, std::size_t points) {
  const StripInputs in = strip_inputs(job);
  const std::vector<ConditionId> ids = conditions_for(in.clutch);
  std::vector<ConditionReport> strip;
  strip.reserve(ids.size());
  for (const ConditionId id : ids) strip.push_back(condition_report(in, id, points));
  settle(in, strip);
  return strip;
}

}  // namespace yoke
