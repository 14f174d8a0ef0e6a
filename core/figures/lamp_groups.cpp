// The brake lamp's switch in figures.
#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "figures/groups.hpp"
#include "work/lamps.hpp"

namespace yoke::groups {

FigureGroup lamps(const FigureInputs& in) {
  FigureGroup g;
  const ConditionReport plan = condition_report(*in.job, ConditionId::plan, 256);
  const LampReport r = lamp_report(*in.job, &plan);
  if (!r.asked) return g;
  g.title = "The brake lamp's switch";
  g.source = "geometry; limits common practice, no source; local law on lamps wins";
  const bool early = r.lights_m && *r.lights_m < kLampFlutter_m;
  const bool late =
      r.lights_m && r.pressure_from_m && *r.lights_m > std::max(kLampFlutter_m, *r.pressure_from_m);
  if (r.lights_m)
    g.figures.push_back(judged("Lamp lights after", *r.lights_m, Kind::length, 1, !early && !late,
                               "its switch left where it is"));
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
