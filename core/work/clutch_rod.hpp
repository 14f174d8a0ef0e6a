// Where a clutch master's rod begins and how far it is let out after bleeding: from short, where
// nothing can be overdone, to where the clutch comes free, never to where the port is shut or the
// cover is pushed too far.
//   rod travel at the pedal's stop R, needed behind the clearance for clean release s
//   free while clearance <= R - s; cover safe while clearance >= R - s(limit); port open while
//   clearance >= 0.5 mm (common practice, no source)
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"

namespace yoke {

/// Rod clearance that keeps the return port open when all is warm. Common practice, no source.
inline constexpr double kLeastClutchClearance_m = 0.5e-3;

struct ClutchRodStart {
  bool asked = false;  ///< a clutch whose rod can be said to move it
  std::vector<Param> missing;
  double planned_m = 0;     ///< clearance of the plan
  double free_m = 0;        ///< the most clearance at which it still comes free
  double least_m = 0;       ///< the least: port open, cover not overdone
  bool cover_said = false;  ///< the cover's limit is known
  bool typical = false;     ///< it rests on values that nobody measured
  bool none = false;        ///< no length of the rod does both
  std::optional<double> per_turn_m;
  /// Of the planned length: turns shorter to begin with, in half turns.
  std::optional<double> start_turns;
  /// From there longer, until it comes free, and at most.
  std::optional<double> free_turns, most_turns;
  Message says;
};
[[nodiscard]] ClutchRodStart clutch_rod_start(const Job& job);

}  // namespace yoke
