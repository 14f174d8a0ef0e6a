// Where pedal and accelerator end up, and the brake lamp's switch.
#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/rod_ends.hpp"
#include "document/values.hpp"
#include "figures/groups.hpp"
#include "rod/ends.hpp"
#include "work/lamps.hpp"

namespace yoke::groups {

FigureGroup rod_heights(const FigureInputs& in) {
  FigureGroup g;
  const bool hand = pulled_by_hand(in.strip.plan);
  g.title = hand ? "Where lever and lamp end up" : "Where pedal, accelerator and lamp end up";
  g.source =
      hand ? "geometry" : "geometry; 2 to 3 in above the accelerator is a preference, not a rule";
  const HeightsReport h = heights_report(*in.job);
  g.figures.push_back(words_only("Decided by", h.said));
  if (h.pad_before_m) {
    g.figures.push_back(told("Pedal above the floor, before", *h.pad_before_m, Kind::length, 0));
    g.figures.push_back(told("Pedal above the floor, after", *h.pad_after_m, Kind::length, 0));
  } else if (!hand) {
    g.figures.push_back(unsaid("Pedal above the floor", "height at rest not known"));
  }
  if (h.above_accelerator_m)
    g.figures.push_back(judged("Above the accelerator", *h.above_accelerator_m, Kind::length, 0,
                               *h.above_accelerator_m >= 0 && *h.above_accelerator_m <= 0.0762,
                               "some aim for 2 in, 3 in is usable"));
  return g;
}

FigureGroup lamps(const FigureInputs& in) {
  FigureGroup g;
  // The whole curve is asked for where a switch in a line closes on the way.
  const bool line = in.strip.plan.known(param::lamp_closes);
  const ConditionReport plan = condition_report(*in.job, ConditionId::plan, line ? 256 : 0);
  const LampReport r = lamp_report(*in.job, &plan);
  if (!r.asked) return g;
  g.title = "The brake lamp's switch";
  g.source = "geometry; limits common practice, no source; local law on lamps wins";
  const bool early = r.lights_m && *r.lights_m < kLampFlutter_m;
  const bool late =
      r.lights_m && r.pressure_from_m && *r.lights_m > std::max(kLampFlutter_m, *r.pressure_from_m);
  if (r.lights_m) {
    Figure lights = judged("Lamp lights after", *r.lights_m, Kind::length, 1, !early && !late,
                           "its switch left where it is");
    // What is lacking for the rule is lacking for the tick.
    if (!r.missing.empty() && lights.verdict == Verdict::holds)
      lights.verdict = Verdict::not_applicable;
    g.figures.push_back(std::move(lights));
  }
  if (r.pressure_from_m)
    g.figures.push_back(told("Pressure builds from", *r.pressure_from_m, Kind::length, 1,
                             "free play, assist and cut-offs used up"));
  if (r.lights_m && r.wanted_m)
    g.figures.push_back(told("It should light after", *r.wanted_m, Kind::length, 1,
                             say("no less than {}", length(kLampFlutter_m, 0))));
  if (r.turns)
    g.figures.push_back(told(*r.turns >= 0 ? "Turn the switch away from the pedal by"
                                           : "Turn the switch towards the pedal by",
                             std::abs(*r.turns), Kind::number, 1, "turns of its own thread"));
  if (r.closes_travel_m) {
    g.figures.push_back(told("Line switch closes at", *r.closes_travel_m, Kind::length, 0,
                             "pedal travel: only once pressure has built"));
    g.figures.push_back(told("with a pedal force of", *r.closes_force_n, Kind::force, 0));
  }
  if (!r.missing.empty()) g.figures.push_back(unsaid("Brake lamp", cannot_say(r.missing)));
  for (const Finding& f : r.findings)
    if (f.code == FindingCode::rod_lamp_circuits) {
      Figure figure = words_only("With a circuit lost", f.message);
      figure.verdict = Verdict::fails;
      g.figures.push_back(std::move(figure));
    }
  return g;
}

}  // namespace yoke::groups
