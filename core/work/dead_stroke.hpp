// How far a unit is pushed until each outlet delivers, the other one shut and fluid up to it: what
// the pedal loses before anything happens, and whether the unit's seals and ports are as they
// should. With both open the order alone is no fault: a caged spring delivers the near one last.
//   at the pad = push x pad arm / pin arm
// The limits are twice the usual cut-offs, 1 mm each (common practice, no source).
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"

namespace yoke {

inline constexpr double kDeadNear_m = 2.0e-3;
inline constexpr double kDeadFar_m = 4.0e-3;

enum class DeadState { open, healthy, too_long };

struct DeadStroke {
  std::optional<double> push_m[2];  ///< near and far outlet
  std::optional<double> pad_m[2];   ///< at the pad; nothing while an arm is unknown
  DeadState state = DeadState::open;
  bool two = true;  ///< the unit has two outlets
  Message says;
  std::vector<Param> missing;
};
[[nodiscard]] DeadStroke dead_stroke(const Job& job);
/// The pushes become the cut-offs of the unit as built, so that the pedal is computed with them: of
/// a tandem the far push is both cut-offs, but where a caged primary moves off with the secondary.
/// Nothing to take over: false.
bool take_dead_stroke(Job& job);

}  // namespace yoke
