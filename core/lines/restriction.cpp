#include "lines/restriction.hpp"

#include <algorithm>
#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

double kinematic_viscosity_m2_s(FluidState state) {
  switch (state) {
    case FluidState::cold:
      return 1800e-6;
    case FluidState::mild:
      return 15e-6;
    case FluidState::warm:
      break;
  }
  return 1.5e-6;
}

Length as_long_as(Length bore, const PathPart& part) {
  return Length{part.length.value() * std::pow(bore.value() / part.bore.value(), 4)};
}

Expected<PathDelay> path_delay(std::span<const PathPart> parts, Volume moved, Pressure behind,
                               FluidState state) {
  const Check checks[] = {{"moved", "The fluid that is moved", moved.value(), 0, 1e-3, Kind::volume,
                           "What the wheel takes up on a quick press"},
                          {"behind", "The pressure behind it", behind.value(), 1e4, 2e7,
                           Kind::pressure, "Of the master while it is pressed"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double nu = kinematic_viscosity_m2_s(state);
  double resistance = 0;  // Pa s/m3
  double smallest_m = 1;
  for (const PathPart& p : parts) {
    const Check part[] = {
        {"bore", "A bore", p.bore.value(), 2e-4, 0.02, Kind::length,
         "By a drill's shank that just goes in"},
        {"length", "A length", p.length.value(), 0, 50, Kind::length, "Along the bore"}};
    if (const auto ok = check_all(part); !ok) return fail(ok.error());
    resistance +=
        128 * nu * kFluidDensity_kg_m3 * p.length.value() / (kPi * std::pow(p.bore.value(), 4));
    smallest_m = std::min(smallest_m, p.bore.value());
  }
  PathDelay d;
  if (resistance <= 0) return d;
  d.flow_m3_s = behind.value() / resistance;
  d.time_s = moved.value() / d.flow_m3_s;
  d.reynolds = 4 * d.flow_m3_s / (kPi * smallest_m * nu);
  return d;
}

}  // namespace yoke
