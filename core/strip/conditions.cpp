#include "strip/conditions.hpp"

#include <fmt/format.h>

#include "assembly/assemble_clutch.hpp"

namespace yoke {

namespace {

bool is_failure(ConditionId id) {
  return id == ConditionId::assist_lost || id == ConditionId::primary_lost ||
         id == ConditionId::secondary_lost;
}

Message fed_by(const Values& plan, Outlet outlet) {
  bool fed[4] = {false, false, false, false};
  for (const Wheel w : kWheels) {
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

Message not_reached(const TargetReport& r, bool by_pressure) {
  if (by_pressure)
    return say("only {}: {}", Amount{r.at.pressure_pa, Kind::pressure, 2},
               Message::of_table(stop_words(r.prevented_by)));
  return say("only {} g: {}", Plain{r.at.z, 2}, Message::of_table(stop_words(r.prevented_by)));
}

}  // namespace

Limits limits_of(const Values& plan) {
  const auto get = [&plan](Param p) { return plan.si(p); };
  return {get(Param::target_z),      get(Param::target_pressure), get(Param::limit_effort),
          get(Param::limit_travel),  get(Param::limit_reserve),   get(Param::limit_effort_failed),
          get(Param::limit_z_failed)};
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
      c.air_m3 = plan.si(Param::air_left);
      break;
  }
  return c;
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

Message sound_fault(const TargetReport& r, const Limits& l, bool by_pressure) {
  if (!r.reached) return not_reached(r, by_pressure);
  if (r.at.bar_binds) return "the balance bar leans on its limit";
  if (r.at.pad_force_n < 0) return "the pedal would stay down";
  if (r.at.pad_force_n > l.effort_n)
    return say("{} too hard", force(r.at.pad_force_n - l.effort_n));
  if (r.at.pad_travel_m > l.travel_m)
    return say("{} too long", length(r.at.pad_travel_m - l.travel_m, 0));
  if (r.reserve_share < l.reserve_share)
    return say("reserve {} %, wanted {} %", Plain{r.reserve_share * 100, 0},
               Plain{l.reserve_share * 100, 0});
  return {};
}

Message failed_fault(const TargetReport& r, const Limits& l, bool by_pressure) {
  if (!r.reached) return not_reached(r, by_pressure);
  if (r.at.pad_force_n > l.effort_failed_n)
    return say("{} too hard", force(r.at.pad_force_n - l.effort_failed_n));
  if (r.reserve_m <= 0) return "on the floor";
  return {};
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
    c.verdict = Verdict::fail;
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

Message condition_fault(ConditionId id, const TargetReport& r, Limits l, bool by_pressure) {
  switch (id) {
    case ConditionId::found:
    case ConditionId::plan:
      return sound_fault(r, l, by_pressure);
    case ConditionId::air_left:
      // Air shows how much is at stake; only a pad on the floor is a fault of the plan.
      l.travel_m = 1.0;
      l.reserve_share = 0.0;
      return sound_fault(r, l, by_pressure);
    default:
      return failed_fault(r, l, by_pressure);
  }
}

TargetReport condition_target(ConditionId id, const FeelModel& model, const Limits& l) {
  // Without a vehicle a failure has no deceleration of its own: the wanted pressure stands in.
  if (!model.system().vehicle) return model.at_pressure(l.pressure_pa);
  return model.at_z(is_failure(id) ? l.z_failed : l.z);
}

Message clutch_fault(const ClutchReport& r, const ClutchUnit& unit, const Limits& l) {
  if (!r.releases)
    return say("only {} of {} at the bearing: {}", length(r.end.bearing_m, 1),
               length(unit.release.value(), 1), Message::of_table(clutch_stop_words(r.stop)));
  if (r.peak_n > l.effort_n) return say("{} too hard", force(r.peak_n - l.effort_n));
  if (r.over_travel_m && *r.over_travel_m > 0)
    return say("{} beyond the cover's limit", length(*r.over_travel_m, 1));
  if (r.wear_left_m && *r.wear_left_m < unit.wear.value())
    return say("room for {} of wear only", length(*r.wear_left_m, 1));
  return {};
}

namespace {

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
  const ClutchAssembly a =
      assemble_clutch(in.values(c.id), condition.air_m3,
                      c.id == ConditionId::hot ? std::optional(120.0) : std::nullopt);
  if (!a.system) {
    c.reason = a.missing.empty() ? Message("The clutch contradicts itself")
                                 : Message(cannot_say(a.missing));
    if (!a.missing.empty()) c.brief = say("{} unknown", param_list({a.missing.front()}));
    return c;
  }
  const auto report = clutch_report(*a.system);
  const auto model = ClutchModel::make(*a.system);
  if (!report || !model) {
    c.verdict = Verdict::fail;
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
  c.reason = clutch_fault(*report, a.system->unit, in.limits);
  c.verdict = c.reason.empty() ? Verdict::pass : Verdict::fail;
  return c;
}

}  // namespace

ConditionReport condition_report(const StripInputs& in, ConditionId id, std::size_t points) {
  ConditionReport c;
  c.id = id;
  c.title = title_of(in.plan, id);
  const Assembly& a = in.assembly(id);
  if (!a.impossible.empty()) {
    c.verdict = Verdict::fail;
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
  c.reason = condition_fault(id, *c.target, l, c.by_pressure);
  c.verdict = c.reason.empty() ? Verdict::pass : Verdict::fail;
  if (c.reason.empty() && !a.system->strokes_known) c.reason = "passes, strokes unknown";
  const bool assisted = !std::holds_alternative<NoAssist>(a.system->assist) || a.system->servo;
  if (id == ConditionId::assist_lost && !assisted && c.reason.empty())
    c.reason = "no assist fitted";
  return c;
}

ConditionReport condition_report(const Job& job, ConditionId id, std::size_t points) {
  return condition_report(strip_inputs(job), id, points);
}

std::vector<ConditionReport> foot_strip(const Job& job, std::size_t points) {
  const StripInputs in = strip_inputs(job);
  const std::vector<ConditionId> ids = conditions_for(in.clutch);
  std::vector<ConditionReport> strip;
  strip.reserve(ids.size());
  for (const ConditionId id : ids) strip.push_back(condition_report(in, id, points));
  return strip;
}

}  // namespace yoke
