#include "plumbing/outlets.hpp"

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/control.hpp"
#include "document/param/valves.hpp"
#include "plumbing/residual.hpp"

namespace yoke {

namespace {

using Split = choice::CircuitSplit;

/// Pairs of wheels that must share an outlet, and that must not.
struct Rule {
  Wheel a, b;
  bool together;
};

std::vector<Rule> rules_of(Split split) {
  using enum Wheel;
  if (split == Split::axle)
    return {{front_left, front_right, true},
            {rear_left, rear_right, true},
            {front_left, rear_left, false}};
  if (split == Split::diagonal)
    return {{front_left, rear_right, true},
            {front_right, rear_left, true},
            {front_left, front_right, false}};
  return {};
}

Finding hard(FindingCode code, Message message, const Message& limit, const Message& remedy) {
  return {Severity::hard,
          Stage::plumb,
          code,
          std::move(message),
          limit,
          remedy,
          "common practice, no source"};
}

void check_split(const Job& job, As which, Split split, OutletReport& r) {
  const Values v = resolve(job, which);
  for (const Rule& rule : rules_of(split)) {
    if (!works_axle(v, axle_of(rule.a)) || !works_axle(v, axle_of(rule.b))) continue;
    const auto a = outlet_of(job, which, rule.a);
    const auto b = outlet_of(job, which, rule.b);
    if (!a || !b || (*a == *b) == rule.together) continue;
    const Message a_words = Message::of_table(wheel_words(rule.a));
    const Message b_words = Message::of_table(wheel_words(rule.b));
    r.findings.push_back(
        hard(FindingCode::plumb_crossed,
             rule.together ? say("Crossed: {} and {} are on different outlets", a_words, b_words)
                           : say("Doubled: {} and {} share an outlet", a_words, b_words),
             split == Split::axle ? "front and rear split" : "diagonal split",
             "Trace each line again; swap the lines at the master"));
  }
}

void check_residual(const Values& v, OutletReport& r) {
  for (const Axle axle : {Axle::front, Axle::rear}) {
    if (!works_axle(v, axle)) continue;
    const bool front = axle == Axle::front;
    const Param kind = of_axle(param::front_kind, axle);
    const ResidualOfAxle residual = residual_of(v, axle);
    if (residual.two_in_series())
      r.findings.push_back(hard(FindingCode::plumb_residual_twice,
                                front ? "Two residual valves in series feed the front brakes"
                                      : "Two residual valves in series feed the rear brakes",
                                "one at most",
                                "Take one out: the one in the line, or the one inside the outlet"));
    const bool discs = v.known(kind) && !v.is(kind, choice::BrakeKind::drum);
    if (discs && residual.of_a_drum())
      r.findings.push_back(hard(FindingCode::plumb_residual_disc,
                                front ? "A drum residual valve feeds the front discs"
                                      : "A drum residual valve feeds the rear discs",
                                "2 psi at most, and only for calipers above the master",
                                "Take it out: it keeps the pads on, they heat and may lock"));
    else if (discs && residual.untraced)
      r.findings.push_back({Severity::warning, Stage::plumb, FindingCode::plumb_residual_untraced,
                            front ? "An outlet holds a residual valve, and it is not known whether "
                                    "it feeds the front discs"
                                  : "An outlet holds a residual valve, and it is not known whether "
                                    "it feeds the rear discs",
                            "no drum valve before discs", "Trace the wheels to their outlets",
                            "common practice, no source"});
  }
}

}  // namespace

OutletReport outlet_report(const Job& job, As which) {
  OutletReport r;
  if (value_of(job, which, param::control_use).is(choice::ControlUse::clutch)) return r;
  check_residual(resolve(job, which), r);
  const Value kind = value_of(job, which, param::master_kind);
  const Values values = resolve(job, which);
  for (const Wheel w : kWheels) {
    if (!works_axle(values, axle_of(w))) continue;
    const auto o = outlet_of(job, which, w);
    if (o) (*o == Outlet::primary ? r.first : r.second).push_back(w);
    const bool elsewhere = o && value_of(job, which, circuit_of(w)).other_unit;
    r.retrace = r.retrace || elsewhere;
    if (!o || elsewhere) r.untraced.push_back(w);
  }
  r.separated = !r.first.empty() && !r.second.empty();
  if (!kind.known() || kind.is(choice::MasterKind::single)) {
    if (kind.known())
      r.findings.push_back({Severity::warning, Stage::plumb, FindingCode::plumb_single,
                            "One circuit feeds all wheels: a single leak takes every brake", "",
                            "A tandem master keeps one circuit", "common practice, no source"});
    return r;
  }
  if (r.retrace)
    r.findings.push_back({Severity::warning, Stage::plumb, FindingCode::plumb_retrace,
                          "The outlets were traced on the old unit: the new one's may be the other "
                          "way round",
                          "every wheel traced to an outlet of this very unit",
                          "Trace each line again on the new unit", "common practice, no source"});
  else if (!r.untraced.empty()) {
    std::vector<Message> list;
    for (const Wheel w : r.untraced) list.push_back(Message::of_table(wheel_words(w)));
    r.findings.push_back({Severity::warning, Stage::plumb, FindingCode::plumb_untraced,
                          say("Not traced yet: {}", joined(list, ", ")),
                          "every wheel traced to its outlet",
                          "Follow each line with a finger from the wheel to the master",
                          "common practice, no source"});
    return r;
  }
  if (!r.separated)
    r.findings.push_back(hard(FindingCode::plumb_no_separation,
                              "Doubled: one outlet feeds all four wheels, the other none",
                              "each outlet feeds its own wheels",
                              "Connect the second outlet; as it is a leak takes every brake"));
  const auto split = value_of(job, which, param::circuit_split).as<choice::CircuitSplit>();
  if (split && r.separated) check_split(job, which, *split, r);
  if (!split)
    r.findings.push_back({Severity::note, Stage::plumb, FindingCode::plumb_split_unknown,
                          "The intended split is not stated: crossings cannot be judged", "",
                          "State which wheels should share an outlet", ""});
  if (is(job, which, choice::ValveKind::proportioning) && split == choice::CircuitSplit::diagonal)
    r.findings.push_back({Severity::warning, Stage::plumb, FindingCode::plumb_valve_diagonal,
                          "A diagonal split needs a rear valve in each circuit", "",
                          "Fit one valve for each rear wheel", "common practice, no source"});
  return r;
}

Measured other_outlet(const Job& job, As which, Wheel wheel) {
  using choice::WheelOutlet;
  const auto now = outlet_of(job, which, wheel);
  return chosen(now == Outlet::primary ? WheelOutlet::n2 : WheelOutlet::n1);
}

}  // namespace yoke
