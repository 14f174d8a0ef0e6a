// Purging a steering-fed booster, paced: sweeps of the steering that grow by a step at the rim,
// each after its time, so that the fluid does not froth; froth rests for an hour. How far it is
// stands in the job with the moment of the last sweep: the clock runs on while nobody looks. Common
// practice, no source; the maker's book wins.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "document/job.hpp"
#include "work/pacing.hpp"

namespace yoke {

/// A sweep is longer than the one before by so much at the rim.
inline constexpr double kSweepStep_m = 0.0127;
inline constexpr double kPurgeLeast_s = 1800;
inline constexpr long long kFrothRest_s = 3600;

struct PurgeState {
  bool asked = false;          ///< the plan's assist is fed by the steering pump
  std::vector<Param> missing;  ///< what the pace rests on and nobody measured
  Message refused;             ///< why no pace can be said of what was entered
  std::optional<SweepPace> pace;
  int done = 0;
  bool resting = false;  ///< froth was seen at the last sweep
  long long wait_s = 0;  ///< until the next sweep; 0: now
  Length next{};         ///< at the rim, from the middle to either side
  bool finished() const { return pace && done >= pace->steps && !resting; }
};
/// `now`: "2026-05-31T14:05:09", the clock on the wall.
[[nodiscard]] PurgeState purge_state(const Job& job, std::string_view now);
/// A sweep was made; with froth in the bottle it counts, and the next one waits for an hour.
void sweep_made(Job& job, bool froth, std::string_view now);
void purge_again(Job& job);

}  // namespace yoke
