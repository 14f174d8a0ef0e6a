// Room around the unit: boxes, the smallest gap of each pair, and whether it is enough.
//   gap = sqrt(sum over the axes of max(0, |distance of the middles| - half lengths)^2), less both
//   swings
// Wanted: 6 mm between parts that stand still, 15 mm to what moves beyond its own swing, 50 mm to
// what is hot. Common practice, no source.
#pragma once

#include <string>
#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"

namespace yoke {

inline constexpr double kStillGap_m = 0.006;
inline constexpr double kMovingGap_m = 0.015;
inline constexpr double kHotGap_m = 0.050;

struct BoxGap {
  std::size_t a = 0, b = 0;  ///< indices of the boxes
  double gap_m = 0;          ///< negative: they run into one another by that much
  double wanted_m = 0;
  bool enough = false;
};
/// Each unit against everything else, the tightest (against what is wanted) first. A unit's own
/// boxes are not held against one another.
[[nodiscard]] std::vector<BoxGap> box_gaps(const std::vector<Box>& boxes);
/// Distance of two boxes without their swings; negative by the smallest overlap when they meet.
[[nodiscard]] double box_distance_m(const Box& a, const Box& b);

}  // namespace yoke
