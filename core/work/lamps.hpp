// The brake lamp set by numbers: off at rest and on a rough road, on before pressure builds; and
// whether it still lights with one circuit lost. Common practice, no source; local law on lamps
// wins.
#pragma once

#include <optional>
#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// Pedal travel that a lamp must not light within: a pedal that shakes on a rough road.
inline constexpr double kLampFlutter_m = 3e-3;

struct LampReport {
  bool asked = false;  ///< of a job without brakes nothing
  /// A switch at the pedal or lever: where it lights, as pedal travel; the switch left where it is.
  std::optional<double> lights_m;
  /// Pedal travel at which pressure begins to build; nothing: not known.
  std::optional<double> pressure_from_m;
  /// Where it should light: between flutter and pressure, 6 mm where there is room.
  std::optional<double> wanted_m;
  /// To bring it there: turns of the switch in its bracket, plus: away from the pedal, so that it
  /// lights earlier.
  std::optional<double> turns;
  /// A switch in a line: pedal travel and force at which it closes.
  std::optional<double> closes_travel_m;
  std::optional<double> closes_force_n;
  std::vector<Param> missing;  ///< what is lacking for a verdict
  std::vector<Finding> findings;
};
/// `plan`: the report of the plan's own press; with its curve a line switch is told too.
[[nodiscard]] LampReport lamp_report(const Job& job, const ConditionReport* plan);

}  // namespace yoke
