#include "feel/conditions.hpp"

#include <fmt/format.h>

namespace yoke {

namespace {

bool is_failure(ConditionId id) {
  return id == ConditionId::assist_lost || id == ConditionId::first_lost ||
         id == ConditionId::second_lost;
}

std::string fed_by(const Job& job, Outlet outlet) {
  bool fed[4] = {false, false, false, false};
  for (const Wheel w : kWheels) {
    const auto o = outlet_of(job, Which::plan, w);
    if (!o) return {};
    fed[static_cast<size_t>(w)] = *o == outlet;
  }
  const bool front = fed[0] && fed[1];
  const bool rear = fed[2] && fed[3];
  if (front && rear) return "all wheels";
  if (front && !fed[2] && !fed[3]) return "front";
  if (rear && !fed[0] && !fed[1]) return "rear";
  return outlet == Outlet::first ? "outlet 1" : "outlet 2";
}

std::string not_reached(const TargetReport& r, bool by_pressure) {
  if (by_pressure)
    return fmt::format("only {:.2f} MPa: {}", r.at.pressure_pa / 1e6, stop_words(r.prevented_by));
  return fmt::format("only {:.2f} g: {}", r.at.z, stop_words(r.prevented_by));
}

}  // namespace

Limits limits_of(const Job& job) {
  const auto get = [&job](Param p) { return value_of(job, Which::plan, p).si; };
  return {get(Param::target_z),      get(Param::target_pressure), get(Param::limit_effort),
          get(Param::limit_travel),  get(Param::limit_reserve),   get(Param::limit_effort_failed),
          get(Param::limit_z_failed)};
}

Condition condition_of(const Job& job, ConditionId id) {
  Condition c;
  switch (id) {
    case ConditionId::found:
    case ConditionId::plan:
      break;
    case ConditionId::assist_lost:
      c.assist_alive = false;
      break;
    case ConditionId::first_lost:
      c.lost = LostCircuit::first;
      break;
    case ConditionId::second_lost:
      c.lost = LostCircuit::second;
      break;
    case ConditionId::hot:
      c.hot = true;
      break;
    case ConditionId::air_left:
      c.air_m3 = value_of(job, Which::plan, Param::air_left).si;
      break;
  }
  return c;
}

Which which_of(ConditionId id) {
  return id == ConditionId::found ? Which::found : Which::plan;
}

std::string condition_title(const Job& job, ConditionId id) {
  switch (id) {
    case ConditionId::found:
      return "as found";
    case ConditionId::plan:
      return "plan";
    case ConditionId::assist_lost:
      return "assist lost";
    case ConditionId::first_lost:
    case ConditionId::second_lost: {
      const bool first = id == ConditionId::first_lost;
      const auto name = fed_by(job, first ? Outlet::first : Outlet::second);
      if (name.empty()) return first ? "outlet 1 lost" : "outlet 2 lost";
      return name + " lost";
    }
    case ConditionId::hot:
      return "hot";
    case ConditionId::air_left:
      return "air left";
  }
  return "";
}

std::string sound_fault(const TargetReport& r, const Limits& l, bool by_pressure) {
  if (!r.reached) return not_reached(r, by_pressure);
  if (r.at.pad_force_n > l.effort_n)
    return fmt::format("{:.0f} N too hard", r.at.pad_force_n - l.effort_n);
  if (r.at.pad_travel_m > l.travel_m)
    return fmt::format("{:.0f} mm too long", (r.at.pad_travel_m - l.travel_m) * 1e3);
  if (r.reserve_share < l.reserve_share)
    return fmt::format("reserve {:.0f} %, wanted {:.0f} %", r.reserve_share * 100,
                       l.reserve_share * 100);
  return {};
}

std::string failed_fault(const TargetReport& r, const Limits& l, bool by_pressure) {
  if (!r.reached) return not_reached(r, by_pressure);
  if (r.at.pad_force_n > l.effort_failed_n)
    return fmt::format("{:.0f} N too hard", r.at.pad_force_n - l.effort_failed_n);
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
  c.reason = "Travel cannot be said yet: " + param_list(a.missing_brakes) + " not known";
  c.brief = param_list({a.missing_brakes.front()}) + " unknown";
  c.by_pressure = true;
  const auto f = effort_at_pressure(a.system->control, a.system->assist, a.system->master,
                                    Pressure{l.pressure_pa}, condition.assist_alive);
  if (f && !lost) c.effort_only_n = f->value();
}

}  // namespace

std::string condition_fault(ConditionId id, const TargetReport& r, Limits l, bool by_pressure) {
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

ConditionReport condition_report(const Job& job, ConditionId id, std::size_t points) {
  ConditionReport c;
  c.id = id;
  c.title = condition_title(job, id);
  const Assembly a = assemble(job, which_of(id));
  if (!a.impossible.empty()) {
    c.verdict = Verdict::fail;
    c.reason = a.impossible.front().text();
    return c;
  }
  if (!a.system) {
    c.reason = cannot_say(a.missing_system);
    c.brief = param_list({a.missing_system.front()}) + " unknown";
    return c;
  }
  const Limits l = limits_of(job);
  const Condition condition = condition_of(job, id);
  const auto model = FeelModel::make(*a.system, condition);
  if (!model) {
    say_what_can_be_said(c, a, condition, model.error(), l);
    return c;
  }
  c.by_pressure = !a.system->vehicle;
  c.curve = model->curve(points);
  c.target = condition_target(id, *model, l);
  c.reason = condition_fault(id, *c.target, l, c.by_pressure);
  c.verdict = c.reason.empty() ? Verdict::pass : Verdict::fail;
  if (c.reason.empty() && !a.system->strokes_known) c.reason = "passes, strokes unknown";
  if (id == ConditionId::assist_lost && std::holds_alternative<NoAssist>(a.system->assist) &&
      c.reason.empty())
    c.reason = "no assist fitted";
  return c;
}

std::vector<ConditionReport> foot_strip(const Job& job, std::size_t points) {
  std::vector<ConditionReport> strip;
  for (const ConditionId id : kConditions) strip.push_back(condition_report(job, id, points));
  return strip;
}

}  // namespace yoke
