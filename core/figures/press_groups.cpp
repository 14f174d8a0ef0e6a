// Control, press, balance, backward.
#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "document/param/limits.hpp"
#include "document/param/valves.hpp"
#include "doubt/doubt.hpp"
#include "feel/knee.hpp"
#include "figures/groups.hpp"
#include "master/bores.hpp"
#include "sizing/sweep.hpp"

namespace yoke::groups {

namespace {

Message bore_name(double bore_m) {
  if (const BoreSize* b = named_bore(Length{bore_m})) return Message::of_table(b->name);
  return say("{}", length(bore_m, 2));
}

Message needs_vehicle(const FigureInputs& in) {
  return cannot_say(in.strip.plan_system.missing_vehicle);
}

void add_target(FigureGroup& g, const FeelModel& m, const Message& at, const TargetReport& r) {
  if (!r.reached) {
    g.figures.push_back(
        unsaid(at, say("not reached, {} g at most: {}", Plain{m.at(m.end_drive()).z, 2},
                       Message::of_table(stop_words(r.prevented_by)))));
    return;
  }
  const auto add = [&](const char* what, double si, Kind kind, int digits) {
    g.figures.push_back(told(say("{}: {}", at, what), si, kind, digits));
  };
  add("effort", r.at.pad_force_n, Kind::force, 0);
  add("travel", r.at.pad_travel_m, Kind::length, 1);
  add("reserve", r.reserve_m, Kind::length, 1);
  add("line pressure", r.at.pressure_pa, Kind::pressure, 2);
}

/// The press that the foot strip's plan is judged at, by the strip's rules.
void add_judged(FigureGroup& g, const FeelModel& m, const Message& at, const Limits& l) {
  const ConditionId id = ConditionId::plan;
  const JudgedPress p = judge_press(id, m, condition_target(id, m, l), l);
  const TargetReport& r = p.target;
  const bool by_pressure = !m.system().vehicle;
  const auto by = [&](Figure f, PressRule rule) {
    f.note = rule_figure(rule, id, r, l, by_pressure).limit;
    g.figures.push_back(by_rule(std::move(f), p.margins, rule));
  };
  if (!r.reached) {
    Figure f = by_pressure ? told(at, r.at.pressure_pa, Kind::pressure, 2)
                           : told(at, r.at.z, Kind::number, 2);
    f = by_rule(std::move(f), p.margins, PressRule::reached);
    f.note = fault_of(PressRule::reached, id, m.system(), p, l).says;
    g.figures.push_back(std::move(f));
    return;
  }
  by(told(say("{}: effort", at), r.at.pad_force_n, Kind::force, 0), PressRule::effort);
  by(told(say("{}: travel", at), r.at.pad_travel_m, Kind::length, 1), PressRule::travel);
  by(told(say("{}: reserve", at), r.reserve_m, Kind::length, 1), PressRule::reserve);
  g.figures.push_back(told(say("{}: line pressure", at), r.at.pressure_pa, Kind::pressure, 2));
  g.figures.push_back(told(say("{}: rod force", at), r.at.input_force_n, Kind::force, 0));
  g.figures.push_back(told(say("{}: stiffness", at), r.stiffness_n_m, Kind::spring_rate, 1));
}

/// Light, firm and hard, and the builder's own target stop among them.
std::vector<double> stops_to_tell(double target) {
  std::vector<double> stops{0.3, 0.6, 0.9};
  const auto same = [target](double z) { return std::abs(z - target) < 1e-9; };
  if (std::none_of(stops.begin(), stops.end(), same)) stops.push_back(target);
  std::sort(stops.begin(), stops.end());
  return stops;
}

}  // namespace

Expected<FeelModel> plan_model(const FigureInputs& in, const Condition& c) {
  const Assembly& a = in.strip.plan_system;
  if (!a.impossible.empty()) return fail(a.impossible.front());
  if (!a.system) return fail({"job", "", "", cannot_say(a.missing_system), "Enter it in Survey"});
  if (!a.missing_brakes.empty())
    return fail({"job", "", "", cannot_say(a.missing_brakes), "Enter it in Survey"});
  return FeelModel::make(*a.system, c);
}

FigureGroup control(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Lever and rod over the stroke";
  g.source = "slider-crank, textbook mechanics; rod angle 3° good, 5° the most: common practice";
  std::vector<Param> missing;
  const Control c = assemble_control(in.strip.plan, missing);
  if (!missing.empty()) {
    g.figures.push_back(unsaid("Ratio", cannot_say(missing)));
    return g;
  }
  const auto k = Kinematics::make(c);
  if (!k) {
    g.figures.push_back(unsaid("Ratio", k.error().text()));
    return g;
  }
  const double limit = k->limit().value();
  g.figures.push_back(told("Ratio at rest", k->ratio(Length{0.0}), Kind::number, 2));
  g.figures.push_back(told("Ratio half way", k->ratio(Length{limit / 2}), Kind::number, 2));
  g.figures.push_back(told("Ratio at the end", k->ratio(Length{limit}), Kind::number, 2));
  g.figures.push_back(
      told("Usable pedal travel", limit, Kind::length, 0,
           k->limited_by_geometry() ? "the rod's geometry ends it" : "to floor or stop"));
  g.figures.push_back(told("Rod travel there", k->rod_limit().value(), Kind::length, 1));
  if (!c.geometry) {
    g.figures.push_back(unsaid("Rod angle",
                               "unknown, not zero: bore centreline, offset, rest angle and "
                               "rod length are not all known"));
  } else {
    double largest = 0;
    for (int i = 0; i <= 40; ++i)
      largest = std::max(largest, k->rod_angle(Length{limit * i / 40})->value());
    g.figures.push_back(judged("Rod angle, largest", largest, Kind::angle, 1,
                               largest <= 5 * kPi / 180, "5° the most"));
  }
  if (c.helper) {
    double least = 1e9;
    for (int i = 0; i <= 60; ++i) {
      const double f = k->pad_force(Force{0.0}, Length{limit * i / 60}).value();
      least = std::min(least, f);
    }
    g.figures.push_back(told("Helper's moment at rest", k->helper_moment(Length{0.0}).value(),
                             Kind::torque, 1, "plus helps the foot"));
    g.figures.push_back(judged("Least force that lifts the pedal", least, Kind::force, 0,
                               least >= 0, "below 0 the pedal stays down"));
  }
  return g;
}

FigureGroup press(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "The plan at light, firm and hard stops";
  g.source = "the program's own model of a press";
  const auto m = plan_model(in);
  if (!m) {
    g.figures.push_back(unsaid("Effort and travel", m.error().reason));
    return g;
  }
  if (!m->system().vehicle) {
    add_judged(g, *m, "At the wanted pressure", in.strip.limits);
    g.figures.push_back(unsaid("Deceleration", needs_vehicle(in)));
    return g;
  }
  if (const auto bite = m->drive_for_z(kBite_g))
    g.figures.push_back(
        told("Travel to bite", m->at(*bite).pad_travel_m, Kind::length, 1, "0.05 g"));
  const double target = in.strip.limits.z;
  for (const double z : stops_to_tell(target)) {
    const Message at = say("{} g", Plain{z, 2});
    if (std::abs(z - target) < 1e-9)
      add_judged(g, *m, at, in.strip.limits);
    else
      add_target(g, *m, at, m->at_z(z));
  }
  const auto lock = m->first_lock_drive();
  if (!lock) {
    g.figures.push_back(unsaid(
        "First lock", say("no axle locks before {}", Message::of_table(stop_words(m->stop())))));
  } else {
    add_target(g, *m, say("First lock, {} g", Plain{m->at(*lock).z, 2}), m->at_drive(*lock));
  }
  const double v = in.strip.plan.si(param::target_speed);
  const double t = in.strip.plan.si(param::target_reaction);
  const TargetReport wanted = m->at_z(in.strip.limits.z);
  if (wanted.reached)
    g.figures.push_back(told("Stopping distance at the target stop",
                             stopping_distance(Speed{v}, wanted.at.z, Time{t}).value(),
                             Kind::altitude, 0,
                             say("from {} km/h, {} s to react", Plain{v * 3.6, 0}, Plain{t, 1})));
  return g;
}

FigureGroup bands(const FigureInputs& in) {
  FigureGroup g;
  g.title = "How sure: 80 % likely between";
  g.source = "every value drawn 1000 times within its ±";
  DoubtRequest q;
  q.samples = 1000;
  const auto r = doubt(*in.job, ConditionId::plan, q);
  if (!r) {
    g.figures.push_back(unsaid("How sure the plan is", r.error().reason));
    return g;
  }
  for (std::size_t i = 0; i < kPressQuantityCount; ++i) {
    const PressQuantityInfo& f = press_quantity_info(static_cast<PressQuantity>(i));
    const Band& b = r->bands[i];
    // A clutch has no second piston, no deceleration: what never moves from 0 is not told.
    const bool layer = i >= static_cast<std::size_t>(PressQuantity::layers);
    if ((b.low == 0 && b.high == 0) || (layer && b.high < 0.5e-3)) continue;
    if (!b.said) {
      g.figures.push_back(unsaid(f.words, "some of the draws have no such figure"));
      continue;
    }
    g.figures.push_back(
        told(f.words, b.middle, f.kind, f.digits,
             say("{} to {}", Amount{b.low, f.kind, f.digits}, Amount{b.high, f.kind, f.digits})));
  }
  for (std::size_t i = 0; i < std::min<std::size_t>(3, r->ranked.size()); ++i)
    g.figures.push_back(words_only(say("Measure next, {}", i + 1),
                                   Message::of_table(info(r->ranked[i].param).words)));
  return g;
}

FigureGroup balance(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Balance and lock order";
  g.source =
      "axle loads, textbook mechanics; knee in the spirit of ECE R13-H, not checked against its "
      "text";
  const auto m = plan_model(in);
  if (!m || !m->system().vehicle) {
    g.figures.push_back(unsaid("Lock order", m ? needs_vehicle(in) : m.error().reason));
    return g;
  }
  const Vehicle& car = *m->system().vehicle;
  const auto lock = m->first_lock_drive();
  if (lock) {
    const FeelPoint f = m->at(*lock * (1 + 1e-6));
    const bool rear_first = f.lock == Lock::rear;
    if (f.rear_lifts)
      g.figures.push_back(told("The rear lifts before a wheel locks, at", f.z, Kind::number, 2,
                               "in g; a foot or hand that goes on throws the rider"));
    else
      g.figures.push_back(by_rule(
          told(rear_first ? "Rear locks first, at" : "Front locks first, at", f.z, Kind::number, 2,
               say("the rear must not lock first below {} g", Plain{kRearLock_g, 1})),
          judge_press(ConditionId::plan, *m,
                      condition_target(ConditionId::plan, *m, in.strip.limits), in.strip.limits)
              .margins,
          PressRule::lock_order));
    g.figures.push_back(told("Line pressure there", f.pressure_pa, Kind::pressure, 2));
  } else {
    g.figures.push_back(unsaid("Lock order", "no axle locks before the press ends"));
  }
  if (const double lift = lift_limit(car); lift < 3)
    g.figures.push_back(told("Rear wheels lift at", lift, Kind::number, 2, "in g"));
  // Without a valve: what the brakes alone do at a middling pressure.
  System bare = m->system();
  bare.rear_valve.reset();
  bare.front_valve.reset();
  const auto plain = FeelModel::make(bare, {});
  if (!plain) return g;
  const double p = std::min(4e6, plain->end_drive());
  const WheelForces w = plain->wheel_forces(p);
  if (p <= 0 || w.front_n <= 0 || w.rear_n <= 0) return g;
  g.figures.push_back(told("Front share of braking at 4 MPa", w.front_n / (w.front_n + w.rear_n),
                           Kind::fraction, 0, "without a valve"));
  const double slope = in.strip.plan.si(param::valve_slope);
  const auto knee = highest_rear_knee(m->system(), slope);
  if (!knee)
    g.figures.push_back(unsaid("Rear valve", "a servo that feeds one axle alone, or a slope of 1"));
  else if (!knee->highest)
    g.figures.push_back(words_only("Rear valve",
                                   "not needed: the rear never locks first on tyres that grip 0.3 "
                                   "to 0.9; a valve cannot raise the rear"));
  else if (knee->highest->value() <= 0)
    g.figures.push_back(words_only(
        "Rear valve",
        say("no knee with slope {} is low enough: smaller rear cylinders", Plain{slope, 2})));
  else
    g.figures.push_back(told(
        "Highest knee for the rear valve", knee->highest->value(), Kind::pressure, 2,
        say("with slope {}; tyres that grip {} decide", Plain{slope, 2}, Plain{knee->at_grip, 2})));
  return g;
}

FigureGroup backward(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "What would fit";
  g.source = "the same model, turned round";
  const Assembly& a = in.strip.plan_system;
  if (!a.system) {
    g.figures.push_back(unsaid("Ratios that fit", cannot_say(a.missing_system)));
    return g;
  }
  if (!a.system->wheels || !a.system->vehicle) {
    // Effort alone can be turned round without brakes.
    const Limits& l = in.strip.limits;
    const auto least = least_ratio(a.system->control, a.system->assist, a.system->master,
                                   Pressure{l.pressure_pa}, Force{l.effort_n});
    if (least)
      g.figures.push_back(told("Least ratio for the effort limit", *least, Kind::number, 2,
                               "at the wanted pressure, this bore; travel cannot be said"));
    else
      g.figures.push_back(unsaid("Least ratio for the effort limit", "none up to 12 will do"));
    return g;
  }
  SweepRequest q = default_request(*in.job);
  const auto s = sweep(*in.job, q);
  if (!s) {
    g.figures.push_back(unsaid("Ratios that fit", s.error().reason));
    return g;
  }
  if (s->pairs()) {
    const auto best = ranking(*s);
    g.figures.push_back(words_only("Bore pairs", ranking_words(best, q.preference)));
    return g;
  }
  const std::vector<Feasible> all = feasible(*s);
  for (std::size_t option = 0; option < s->assists.size(); ++option) {
    int without = 0;
    const Feasible* nearest = nullptr;
    for (const Feasible& f : all) {
      if (f.assist != option) continue;
      if (f.any) {
        g.figures.push_back(words_only(
            say("{}: bore {}", s->assists[option], bore_name(f.bore_m)),
            f.least_ratio == f.most_ratio
                ? say("ratio {}", Plain{f.least_ratio, 2})
                : say("ratio {} to {}", Plain{f.least_ratio, 2}, Plain{f.most_ratio, 2})));
        continue;
      }
      ++without;
      if (!nearest) nearest = &f;
    }
    if (without == static_cast<int>(s->bores_m.size()))
      g.figures.push_back(words_only(
          say("{}: no bore fits", s->assists[option]),
          nearest ? say("{} {}", bore_name(nearest->bore_m), nearest->nearest) : Message()));
    else if (without > 0)
      g.figures.push_back(words_only(say("{}: other bores", s->assists[option]),
                                     say("{} fit at no ratio; the map says why", without)));
  }
  g.figures.push_back(words_only("Ranking", ranking_words(ranking(*s), q.preference)));
  return g;
}

}  // namespace yoke::groups
