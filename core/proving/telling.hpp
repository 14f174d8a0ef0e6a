// What the next press would tell. Causes that are weighed each foretell a number at a press that is
// still to come; how much the press tells is the information it is expected to give about which of
// them it is (mutual information of a mixture of normals, Shannon 1948; D. V. Lindley, "On a
// measure of the information provided by an experiment", Ann. Math. Stat. 27, 1956: from memory).
//   I = H(reading) - H(reading | cause), in bits; never more than the entropy of the weights
#pragma once

#include <vector>

#include "proving/hypotheses.hpp"

namespace yoke {

/// A press that might be made.
struct ToPress {
  enum class What { travel, sink, light_sink };
  What what = What::travel;
  ReadingRow row;  ///< of a travel: its push and how it is pressed
};

/// Bits that each would tell, in their order; `d` as it was weighed from what is known so far.
[[nodiscard]] std::vector<double> expected_bits(const System& system, const Diagnosis& d,
                                                const std::vector<ToPress>& presses);
/// How much is left to tell: the entropy of the weights.
[[nodiscard]] double bits_left(const Diagnosis& d);
/// The same of any weights; each press foretold by each cause, with its standard uncertainty.
[[nodiscard]] double mixture_bits(const std::vector<double>& weights,
                                  const std::vector<double>& foretold, double sigma);

}  // namespace yoke
