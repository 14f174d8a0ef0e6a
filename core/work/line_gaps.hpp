// What lies near a line that is made: clips to hold it, heat, and what moves. Common practice
// without a source; local rules win.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "fitting/envelope.hpp"
#include "plumbing/line_plan.hpp"

namespace yoke {

/// Clip to clip where nothing else is entered.
inline constexpr double kSupport_m = 0.300;

struct LineGap {
  std::size_t box = 0;  ///< index into the job's boxes
  double gap_m = 0;     ///< from the tube's skin; its swing taken off
  double wanted_m = 0;
  bool enough = false;
};
/// Of a line whose corners are measured from the mounting face, as the boxes are, the nearest
/// first; of any other nothing can be said.
[[nodiscard]] std::vector<LineGap> line_gaps(const Job& job, const PlannedLine& line);
/// Clips between the ends, at that spacing.
[[nodiscard]] int clips(const TubeLine& tube, double length_m);
/// A sentence each: clips, every gap that is too small, and what is not known.
[[nodiscard]] std::vector<Message> hold_words(const Job& job, const PlannedLine& line);

}  // namespace yoke
