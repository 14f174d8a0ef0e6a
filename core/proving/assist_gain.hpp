// What an assist does, from presses with it and without: the push that the same travel would have
// taken without it, over the push that it took. Where it sets in and where it runs out show as a
// gain that falls.
//   gain = F0(x) / F, F0 the push at travel x with the assist dead, by the plan's own press moved
//   by what the readings without it were off; u from both readings, first order
#pragma once

#include <vector>

#include "proving/estimate.hpp"

namespace yoke {

struct AssistGain {
  double force_n = 0;  ///< at this push
  Estimate gain;       ///< expanded, k = 2
  double foretold = 0;
};
/// One for each reading with the assist working that lies within the press, by their pushes; empty
/// without an assist, or without a press that can be foretold.
[[nodiscard]] std::vector<AssistGain> assist_gains(const System& system,
                                                   const std::vector<Reading>& readings);

/// Eight in ten of the truth lie between: as the fit told, or 1.2816 standard uncertainties to
/// either side.
[[nodiscard]] EightInTen eight_in_ten(const Estimate& estimate);

}  // namespace yoke
