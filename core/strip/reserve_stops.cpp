#include "strip/reserve_stops.hpp"

#include <algorithm>

#include "assist/reserve.hpp"
#include "assist/supply.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/supply.hpp"
#include "document/param/vehicle.hpp"

namespace yoke {

namespace {

/// Booster stroke at the plan's target stop, 15 mm where it cannot be said (common practice, no
/// source).
struct Stroke {
  double m = 0.015;
  bool computed = false;
  double output_n = 0;
};

Stroke stop_stroke(const StripInputs& in) {
  Stroke s;
  const Assembly& a = in.plan_system;
  if (!a.system || !a.system->wheels) return s;
  const auto m = FeelModel::make(*a.system, {});
  if (!m) return s;
  const TargetReport r = condition_target(ConditionId::plan, *m, in.limits);
  s.m = r.at.stroke_m;
  s.output_n = r.at.output_force_n;
  s.computed = true;
  return s;
}

const Booster* booster_of(const StripInputs& in) {
  return in.plan_system.system ? std::get_if<Booster>(&in.plan_system.system->assist) : nullptr;
}

/// Stops in a row that the assist left still carries.
template <class Assist_of>
std::optional<int> carried(const StripInputs& in, const Stroke& stroke,
                           const std::vector<Pressure>& left, const Assist_of& assist_of) {
  const Booster* b = booster_of(in);
  if (!b || !stroke.computed) return std::nullopt;
  int count = 0;
  for (const Pressure p : left) {
    Booster weak = *b;
    weak.max_assist = assist_of(*b, p);
    if (assist_output(Assist{weak}, run_out_input(weak)).value() < stroke.output_n) break;
    ++count;
  }
  return count;
}

void vacuum_stops(const StripInputs& in, ReserveStops& r) {
  const Values& v = in.plan;
  const auto dp = assemble_vacuum(v);
  const auto ambient = ambient_pressure(v.si(param::vehicle_altitude));
  if (!dp || !ambient || !v.known(param::assist_diaphragm1)) {
    r.refusal = dp ? Message("the diaphragm is not known") : dp.error().reason;
    return;
  }
  r.difference = *dp;
  r.ambient = *ambient;
  const Area diaphragm = effective_diaphragm(Length{v.si(param::assist_diaphragm1)},
                                             Length{v.si(param::assist_diaphragm2)});
  const Stroke stroke = stop_stroke(in);
  VacuumStore store;
  store.volume = Volume{v.si(param::supply_vacuum_volume) + v.si(param::supply_tank)};
  store.swept = Volume{diaphragm.value() * stroke.m};
  store.ambient = *ambient;
  store.start = *ambient - *dp;
  r.volume = store.volume;
  const auto pushes = vacuum_pushes(store, 50);
  if (!pushes) {
    r.refusal = pushes.error().text();
    return;
  }
  r.left = *pushes;
  r.helped = static_cast<int>(std::count_if(r.left.begin(), r.left.end(),
                                            [&](Pressure p) { return p >= *dp * kHelpedShare; }));
  if (dp->value() > 0)
    r.assisted = carried(in, stroke, r.left, [&](const Booster& b, Pressure p) {
      return b.max_assist * (p / *dp).value();
    });
}

void accumulator_stops(const StripInputs& in, ReserveStops& r) {
  const Values& v = in.plan;
  if (!v.is(choice::SupplyAccu::gas)) {
    r.assisted = 0;
    r.helped = 0;
    return;
  }
  const Stroke stroke = stop_stroke(in);
  Accumulator a;
  a.precharge = Pressure{v.si(param::supply_accu_precharge)};
  a.gas = Volume{v.si(param::supply_accu_volume)};
  a.charged = Pressure{v.si(param::supply_accu_charge)};
  a.exponent = v.si(param::supply_accu_exponent);
  const double area = v.si(param::assist_power_area);
  a.per_stop = Volume{area * stroke.m};
  const auto stops = yoke::accumulator_stops(a);
  if (!stops) {
    r.refusal = stops.error().text();
    return;
  }
  r.left = *stops;
  r.strokes = stops->size();
  constexpr Pressure kAtmosphere{101325.0};
  const auto gauge = [&](Pressure p) { return std::max(Pressure{0.0}, p - kAtmosphere); };
  r.helped = static_cast<int>(std::count_if(r.left.begin(), r.left.end(), [&](Pressure p) {
    return gauge(p) >= gauge(a.charged) * kHelpedShare;
  }));
  r.assisted = carried(in, stroke, r.left, [&](const Booster& b, Pressure p) {
    return std::min(b.max_assist, hydraulic_assist(gauge(p), Area{area}));
  });
  if (!r.assisted) r.refusal = "the target stop cannot be computed yet";
}

}  // namespace

ReserveStops reserve_stops(const StripInputs& in) {
  ReserveStops r;
  const Values& v = in.plan;
  if (in.clutch) return r;
  if (v.is(choice::AssistKind::vacuum) || v.is(choice::AssistKind::remote)) {
    r.stored = true;
    vacuum_stops(in, r);
  } else if (v.is(choice::AssistKind::hydraulic)) {
    r.stored = true;
    accumulator_stops(in, r);
  }
  return r;
}

}  // namespace yoke
