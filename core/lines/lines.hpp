// Arithmetic of lines and reservoirs.
//   line volume = bore x length;  developed length = straights + sum(radius x angle) + 5 mm a flare
//   crowfoot: dial = T W/(W + c cos(angle)), angle 0 in line with the wrench
//   reservoir: fluid drawn by full lining wear = piston area x wear; head over the whole hose
// Textbook geometry; the allowance a flare is common practice, no source, and depends on the tool.
#pragma once

#include <span>
#include <string>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

/// Wrench dial for a torque at the joint, with a crowfoot of length `c` at an angle.
[[nodiscard]] Expected<Torque> crowfoot_dial(Torque joint, Length wrench, Length crowfoot,
                                             Angle angle);

/// Fluid in a line.
[[nodiscard]] Expected<Volume> line_volume(Length bore, Length length);

struct Bend {
  Length radius{};  ///< centre line
  Angle angle{};
};
inline constexpr double kFlareAllowance_m = 0.005;
/// Tube to cut: straights, bends and flares.
[[nodiscard]] Expected<Length> developed_length(Length straights, std::span<const Bend> bends,
                                                int flares,
                                                Length per_flare = Length{kFlareAllowance_m});

/// Fluid one circuit draws from new to worn linings: all pistons that move.
[[nodiscard]] Volume wear_volume(Area pistons, Length lining_wear);

struct ReservoirCheck {
  Volume drawn{};  ///< by full wear
  Volume left{};   ///< above the port afterwards; negative: the port runs dry
  bool enough = false;
};
/// Chamber above the port against the wear of its circuit; a bellows displaces fluid.
[[nodiscard]] ReservoirCheck reservoir_check(Volume chamber, Volume bellows, Volume drawn);

/// Lowest fluid level over the highest point of the hose run when the body leans: height of the
/// level above that point at rest, less the drop of its distance to the side.
[[nodiscard]] Length head_when_leaning(Length head, Length sideways, Angle lean);
/// How much higher the bottle must sit, up the body, to have `wanted` left when it leans; nothing
/// to do: 0. The lean under a right angle.
[[nodiscard]] Length bottle_higher(Length head, Length sideways, Angle lean, Length wanted);

}  // namespace yoke
