// How sure each cell of the map is: the cells are judged over draws of every doubtful value.
#pragma once

#include "doubt/doubt.hpp"
#include "sizing/sweep.hpp"

namespace yoke {

struct CellBand {
  std::size_t draws = 0;  ///< that do not contradict themselves
  std::size_t passes = 0;
  Band effort;  ///< N at the pad
  Band travel;  ///< m at the pad
};
/// As many cells as the map has, in its order. `request.samples` draws (8 to 1000) press every
/// cell; an assist option other than the planned one is taken as it stands. An error: cancelled, or
/// nothing can be drawn.
[[nodiscard]] Expected<std::vector<CellBand>> cell_bands(const Job& job, const SweepRequest& map,
                                                         const Sweep& cells,
                                                         const DoubtRequest& request);

}  // namespace yoke
