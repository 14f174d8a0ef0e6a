// What a narrow place costs on a quick press. At a held pedal all bores see one pressure: a small
// bore only delays.
//   laminar flow (Hagen-Poiseuille): dp = 128 mu L Q / (pi d^4), so t = V sum(128 mu L / (pi d^4))
//   / dp
// Textbook; entrance losses are left out. Kinematic viscosity of DOT 4: 1800 mm2/s at most at -40
// C, 1.5 mm2/s at least at 100 C (49 CFR 571.116, from memory), about 15 mm2/s at 20 C and a
// density of 1050 kg/m3 (common practice, no source).
#pragma once

#include <span>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct PathPart {
  Length bore{};
  Length length{};
};
enum class FluidState { cold, mild, warm };  ///< -40, 20, 100 degrees C
[[nodiscard]] double kinematic_viscosity_m2_s(FluidState state);
inline constexpr double kFluidDensity_kg_m3 = 1050;
inline constexpr double kLaminarReynolds = 2300;

struct PathDelay {
  double time_s = 0;
  double flow_m3_s = 0;
  double reynolds = 0;  ///< in the smallest bore; above 2300 the true delay is longer
};
/// Fluid pushed through one part after the other by a pressure; bores 0.2 to 20 mm, lengths 0 to 50
/// m.
[[nodiscard]] Expected<PathDelay> path_delay(std::span<const PathPart> parts, Volume moved,
                                             Pressure behind, FluidState state);
/// Length of the one bore that is as hard to push through as a piece of the other: L (D/d)^4.
[[nodiscard]] Length as_long_as(Length bore, const PathPart& part);

}  // namespace yoke
