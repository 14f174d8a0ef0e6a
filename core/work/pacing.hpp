// Purging a steering-fed booster by steering sweeps, slowly enough that the fluid does not froth.
//   rim distance of a full sweep = pi D turns; steps that grow by one step length each time
// At least 30 minutes, an hour's rest with froth, up to three times: common practice, no source.
#pragma once

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct SweepPace {
  Length rim{};       ///< lock to lock, at the rim
  int steps = 0;      ///< growing steps until a sweep reaches both locks
  Length way{};       ///< rim distance of all steps together
  Time each{};        ///< for one step, so that all take the least time
  Speed rim_speed{};  ///< mean
};
/// `turns` lock to lock 1 … 8, wheel 0.2 … 0.6 m, step 5 … 100 mm, time at least 10 minutes.
[[nodiscard]] Expected<SweepPace> sweep_pace(double turns, Length wheel, Length step, Time least);

}  // namespace yoke
