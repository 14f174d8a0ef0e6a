// What is worth measuring next: first what blocks an answer, then what would narrow it most.
//   narrowing of a figure = |first-order change per standard uncertainty| x sqrt(1 - (u_best/u)^2)
// u_best is what a calliper leaves of a length and 2 % of anything else. First-order propagation,
// textbook statistics.
#pragma once

#include <string>
#include <vector>

#include "doubt/doubt.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct NextMeasure {
  As which = As::plan;
  Param param = kNoParam;
  bool blocks = false;  ///< nothing can be said of `buys` without it
  Message buys;         ///< what it buys, in words
  double effort_n = 0;  ///< narrowing of the effort at the target stop
  double travel_m = 0;  ///< narrowing of the travel
  bool operator==(const NextMeasure&) const = default;
};
/// At most 20, best first; the same for the same job. `which`: the system the builder looks at.
[[nodiscard]] std::vector<NextMeasure> measure_next(const Job& job, As which);

/// The one after another in that list, from its start again at its end; nothing when all is known.
[[nodiscard]] std::optional<NextMeasure> next_to_measure(const Job& job, As which,
                                                         std::optional<Param> after);

}  // namespace yoke
