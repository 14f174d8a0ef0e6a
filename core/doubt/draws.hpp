// Draws of every doubtful value of a job, and what a row of drawn figures amounts to.
#pragma once

#include <utility>
#include <vector>

#include "doubt/doubt.hpp"

namespace yoke {

/// One parameter that is not known exactly.
struct Doubtful {
  Param param = kNoParam;
  double si = 0;
  double sigma = 0;
  std::uint64_t stream = 0;
};

/// Both systems with their doubtful values. A plan that took the fitted value shares its draw: it
/// is the same measurement.
struct Drawn {
  Values values[2];  ///< found, plan
  std::vector<Doubtful> doubtful[2];
};

[[nodiscard]] Drawn doubtful_job(const Job& job);
[[nodiscard]] double within_range(Param p, double si);
/// One draw: the fitted values and the plan's.
[[nodiscard]] std::pair<Values, Values> drawn_values(const Drawn& drawn, std::uint64_t seed,
                                                     std::size_t sample);
/// 10, 50 and 90 % of the figures, which are sorted by it.
[[nodiscard]] Band band_of(std::vector<double>& figures);

}  // namespace yoke
