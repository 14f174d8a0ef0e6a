// The lines that a job makes: their bend lists, a full-size print of each unrolled, and what they
// are cut from.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "plumbing/bend_list.hpp"

namespace yoke {

struct PlannedLine {
  const TubeLine* tube = nullptr;
  std::vector<Point3> corners;
  Expected<BendList> list;
};
/// In the order of the job; the job must outlive them.
[[nodiscard]] std::vector<PlannedLine> planned_lines(const Job& job);

/// The order in which it is made, a sentence each: cut, deburr, nut, flare, the bends, nut, flare.
[[nodiscard]] std::vector<Message> making_steps(const TubeLine& tube, const BendList& list);
/// "rests on what nobody measured: …", or empty.
[[nodiscard]] Message typical_words(const BendList& list);
/// "turn 90° right, then bend 45°"
[[nodiscard]] Message bend_words(const BendStep& bend);

/// What all lines are cut from: coils of one length, a sentence for each coil; a line that cannot
/// be bent is left out and said.
[[nodiscard]] std::vector<Message> cutting_words(const std::vector<PlannedLine>& lines);

/// Stock that is bought: 25 ft coil, 5 m coil.
inline constexpr double kCoil_m[] = {7.62, 5.0};

}  // namespace yoke
