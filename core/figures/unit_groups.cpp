// What feeds and fills the units: reserve, supply, twin masters, clutch, reservoir, stages, causes.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "assist/reserve.hpp"
#include "assist/supply.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/supply.hpp"
#include "document/param/vehicle.hpp"
#include "figures/groups.hpp"
#include "lines/lines.hpp"
#include "proving/assist_gain.hpp"
#include "proving/hypotheses.hpp"
#include "sizing/changes.hpp"
#include "strip/reserve_stops.hpp"
#include "work/reserve_check.hpp"
#include "work/work_stages.hpp"

namespace yoke::groups {

namespace {

void vacuum_reserve(FigureGroup& g, const FigureInputs& in, const ReserveStops& r) {
  const Values& v = in.strip.plan;
  if (r.difference)
    g.figures.push_back(judged("Pressure difference", r.difference->value(), Kind::pressure, 3,
                               r.difference->value() >= 50e3,
                               "below 50 kPa most builders call it short"));
  if (!r.refusal.empty()) {
    g.figures.push_back(unsaid("Assisted stops in a row", r.refusal).as(FigureId::reserve_stops));
    return;
  }
  constexpr int kCounted = 6;
  if (r.assisted)
    g.figures.push_back(judged("Assisted stops in a row", std::min(kCounted, *r.assisted),
                               Kind::number, 0, *r.assisted >= 1, "engine stopped, of 6 counted")
                            .as(FigureId::reserve_stops));
  for (std::size_t i = 0; i < std::min<std::size_t>(4, r.left.size()); ++i)
    g.figures.push_back(
        told(say("Difference left for push {}", i + 1), r.left[i].value(), Kind::pressure, 3));
  const VacuumPump pump{v.si(param::supply_pump_flow), Pressure{v.si(param::supply_pump_ultimate)}};
  if (pump.flow_m3_s <= 0) return;
  const auto time =
      pump_down_time(pump, r.volume, *r.ambient, *r.ambient - *r.difference, *r.ambient);
  if (!time)
    g.figures.push_back(unsaid("Pump to working vacuum", time.error().reason));
  else if (!*time)
    g.figures.push_back(unsaid("Pump to working vacuum", "never: its end pressure lies above it"));
  else
    g.figures.push_back(told("Pump to working vacuum", (*time)->value(), Kind::time, 1));
}

void accumulator_reserve(FigureGroup& g, const FigureInputs& in, const ReserveStops& r) {
  const Values& v = in.strip.plan;
  if (!v.is(choice::SupplyAccu::gas)) {
    g.figures.push_back(judged("Assisted stops in a row", 0, Kind::number, 0, false,
                               "no accumulator: dead when the pump stops")
                            .as(FigureId::reserve_stops));
    return;
  }
  if (!r.assisted) {
    g.figures.push_back(unsaid("Assisted stops in a row", r.refusal).as(FigureId::reserve_stops));
    return;
  }
  g.figures.push_back(
      judged("Assisted stops in a row", *r.assisted, Kind::number, 0, *r.assisted >= 2,
             say("fluid for {} strokes, two or three assisted stops are usual", r.strokes))
          .as(FigureId::reserve_stops));
  const double ambient =
      ambient_pressure(v.si(param::vehicle_altitude)).value_or(Pressure{101325.0}).value();
  const double area = v.si(param::assist_power_area);
  for (std::size_t i = 0; i < std::min<std::size_t>(4, r.left.size()); ++i)
    g.figures.push_back(told(say("Largest assist of stop {}", i + 1),
                             (r.left[i].value() - ambient) * area, Kind::force, 0));
}

/// What was counted and timed beside what is predicted.
void counted_reserve(FigureGroup& g, const FigureInputs& in, const ReserveStops& r) {
  const ReserveCheck check = reserve_check(*in.job, r);
  if (r.helped)
    g.figures.push_back(told("Full presses that are helped, engine stopped", *r.helped,
                             Kind::number, 0, "until a third of the help is left"));
  if (check.counted) {
    Figure f = judged("Presses counted", *check.counted, Kind::number, 0, !check.wrong, check.says);
    if (check.typical && f.verdict == Verdict::holds) f.verdict = Verdict::if_typical;
    g.figures.push_back(std::move(f));
  }
  if (check.back_s)
    g.figures.push_back(
        judged("Full help back after", *check.back_s, Kind::time, 0, !check.slow, check.back_says));
}

}  // namespace

FigureGroup reserve(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "What is left when the engine stops";
  g.source = "gas law, isothermal; defaults are common practice";
  const ReserveStops r = reserve_stops(in.strip);
  if (!r.stored) return g;
  if (in.strip.plan.is(choice::AssistKind::hydraulic))
    accumulator_reserve(g, in, r);
  else
    vacuum_reserve(g, in, r);
  counted_reserve(g, in, r);
  return g;
}

FigureGroup supply(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  if (in.strip.clutch || !v.is(choice::AssistKind::electric)) return g;
  g.title = "Copper for the motor";
  g.source = "IEC 60028 and 60228, not checked against their text";
  if (!v.known(param::supply_wire_length) || !v.known(param::supply_wire_area)) {
    g.figures.push_back(
        unsaid("Volt drop at the fuse's rating", "cable length and size are not both known")
            .as(FigureId::copper));
  } else {
    const auto s = supply_check(Length{v.si(param::supply_wire_length)},
                                Area{v.si(param::supply_wire_area)}, v.si(param::supply_fuse));
    if (!s) {
      g.figures.push_back(
          unsaid("Volt drop at the fuse's rating", s.error().text()).as(FigureId::copper));
    } else {
      g.figures.push_back(judged("Volt drop at the fuse's rating", s->drop_share, Kind::fraction, 1,
                                 s->enough, say("{} V; 3 % at most", Plain{s->drop_v, 2}))
                              .as(FigureId::copper));
      if (s->smallest)
        g.figures.push_back(told("Smallest metric size", s->smallest->value(), Kind::area, 1));
    }
  }
  g.figures.push_back(
      words_only("Feeds",
                 "motor by its own fuse; control 5 A; ground; ignition-switched wake: "
                 "with one missing it stays dead"));
  return g;
}

FigureGroup twin(const FigureInputs& in) {
  FigureGroup g;
  const Assembly& a = in.strip.plan_system;
  if (in.strip.clutch || !in.strip.plan.is(choice::MasterKind::twin)) return g;
  g.title = "Balance bar";
  g.source = "lever of the bar; tilt limit is common practice";
  if (!a.system) {
    g.figures.push_back(
        unsaid("Bar's lean, all sound", cannot_say(a.missing_system)).as(FigureId::bar));
    return g;
  }
  const Master& m = a.system->master;
  g.figures.push_back(told("Force to master 1", bar_share(m, false), Kind::fraction, 1));
  g.figures.push_back(told("Lead at the tilt limit", bar_lead(m).value(), Kind::length, 1));
  const auto model = FeelModel::make(*a.system, {});
  if (!model) {
    g.figures.push_back(unsaid("Bar's lean, all sound", model.error().reason).as(FigureId::bar));
    return g;
  }
  const TargetReport r = condition_target(ConditionId::plan, *model, in.strip.limits);
  const double lean =
      std::atan2(std::abs(r.at.piston1_m - r.at.piston2_m), (m.bar_a + m.bar_b).value());
  const JudgedPress press = judge_press(ConditionId::plan, *model, r, in.strip.limits);
  g.figures.push_back(by_rule(told("Bar's lean, all sound", lean, Kind::angle, 1,
                                   say("{}° at most", Plain{m.bar_tilt.value() * 180 / kPi, 0})),
                              press.margins, PressRule::bar)
                          .as(FigureId::bar));
  g.figures.push_back(told("Travel of master 1", r.at.piston1_m, Kind::length, 1));
  g.figures.push_back(told("Travel of master 2", r.at.piston2_m, Kind::length, 1));
  return g;
}

FigureGroup reservoir(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Fluid drawn by worn linings";
  g.source = "piston area times wear; wear figures are common practice";
  const ChamberReport r = chamber_report(in.strip);
  if (!r.because.empty()) {
    g.figures.push_back(
        unsaid("Front chamber after full wear", r.because).as(FigureId::chamber_front));
    return g;
  }
  g.figures.push_back(told("Front linings draw", r.front_m3, Kind::volume, 0));
  g.figures.push_back(told("Rear linings draw", r.rear_m3, Kind::volume, 0));
  for (const ChamberUse& u : r.chambers) {
    const Message words = u.front && u.rear ? say("Chamber of outlet {} after full wear",
                                                  u.outlet == Outlet::primary ? 1 : 2)
                          : u.front         ? Message("Front chamber after full wear")
                                            : Message("Rear chamber after full wear");
    Figure f = u.measured ? judged(words, u.left_m3, Kind::volume, 0, u.enough,
                                   "above the port; below 0 it runs dry")
                          : unsaid(words, "the chamber is not measured");
    g.figures.push_back(
        std::move(f).as(u.front ? FigureId::chamber_front : FigureId::chamber_rear));
  }
  return g;
}

FigureGroup ports(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  g.title = "When each port delivers, outlets open to air";
  g.source = "each chamber's own dead stroke counts, order alone is no fault: common practice";
  std::vector<Param> missing;
  bool strokes_known = false;
  const Master m = assemble_master(v, missing, strokes_known);
  const auto ratio = arm_ratio(v);
  if (!missing.empty() || !strokes_known || !ratio) {
    g.figures.push_back(unsaid("Primary port", !missing.empty() ? cannot_say(missing)
                                               : strokes_known  ? "both pedal arms are needed"
                                                                : "both strokes are needed"));
    return g;
  }
  for (const bool second : {false, true}) {
    if (second && !two_circuits(m)) continue;
    const char* words = second ? "Secondary port after" : "Primary port after";
    const auto dead = open_dead_stroke(m, second);
    if (!dead) {
      g.figures.push_back(unsaid(words, "which spring is the stronger is not known"));
      continue;
    }
    g.figures.push_back(
        told(words, dead->value(), Kind::length, 1,
             say("at the rod: {} at the pedal", length(dead->value() * *ratio, 0))));
  }
  return g;
}

FigureGroup work_stages(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = say("The pedal at each stage, pressed with {}", force(kStagePush_n, 0));
  g.source = "unfilled parts count as air; 5 % after filling by gravity is common practice";
  const Assembly& a = in.strip.plan_system;
  if (!a.system || !a.system->wheels) {
    g.figures.push_back(
        unsaid("Pedal travel",
               cannot_say(a.missing_system.empty() ? a.missing_brakes : a.missing_system)));
    return g;
  }
  const auto presses = stage_presses(*a.system);
  if (!presses) {
    g.figures.push_back(unsaid("Pedal travel", presses.error().reason));
    return g;
  }
  for (const StagePress& p : *presses)
    g.figures.push_back(told(
        Message::of_table(work_stage_words(p.stage)), p.pad_travel_m, Kind::length, 0,
        p.to_the_stop
            ? say("{} only: {}", force(p.pad_force_n, 0), Message::of_table(stop_words(p.stop)))
            : Message()));
  return g;
}

namespace {

Message between(const Estimate& e, Kind kind, int digits) {
  const EightInTen b = eight_in_ten(e);
  return say("8 in 10 between {} and {}", amount(b.low, kind, digits),
             amount(b.high, kind, digits));
}

/// Air, slack, clearance, what gives, each with where eight in ten of its truth lie; and what the
/// assist does, push by push.
void add_estimates(FigureGroup& g, const System& system, const std::vector<Reading>& readings) {
  struct Told {
    Unknown unknown;
    Kind kind;
    int digits;
  };
  constexpr Told kTold[] = {
      {Unknown::air, Kind::volume, 1},    {Unknown::air_first, Kind::volume, 1},
      {Unknown::slack, Kind::length, 1},  {Unknown::clearance, Kind::number, 2},
      {Unknown::growth, Kind::number, 2}, {Unknown::hose, Kind::number, 2}};
  const ReadingEstimate r = estimate_from_readings(system, readings, false);
  if (r.fits)
    for (const Told& t : kTold)
      if (const auto& e = r.at(t.unknown))
        g.figures.push_back(told(Message::of_table(unknown_words(t.unknown)), e->value, t.kind,
                                 t.digits, between(*e, t.kind, t.digits)));
  for (const AssistGain& a : assist_gains(system, readings))
    g.figures.push_back(told(say("Assist at a push of {}", amount(a.force_n, Kind::force, 0)),
                             a.gain.value, Kind::number, 2,
                             say("times the foot; {}; foretold {}",
                                 between(a.gain, Kind::number, 2), Plain{a.foretold, 2})));
}

}  // namespace

FigureGroup causes(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch || in.job->readings.empty()) return g;
  g.title = "What the readings point to";
  g.source = "least squares and AICc; what each test shows is common practice";
  const Assembly& a = in.strip.plan_system;
  if (!a.system) {
    g.figures.push_back(unsaid("Likeliest", cannot_say(a.missing_system)));
    return g;
  }
  const Diagnosis d =
      diagnose(*a.system, in.job->readings, in.job->pump, bore_is_known(in.strip.plan));
  if (!d.refusal.empty()) {
    g.figures.push_back(unsaid("Likeliest", d.refusal));
    return g;
  }
  add_causes(g, d, 5);
  if (!d.next_test.empty()) g.figures.push_back(words_only("Next test", d.next_test));
  add_estimates(g, *a.system, kept_readings(in.job->readings));
  return g;
}

}  // namespace yoke::groups
