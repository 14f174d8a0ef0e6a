// Its own record of being right: what was foretold for each press when a job was proved, and what
// came; over many jobs, whether the bands held what they said.
//   a band of 8 in 10 that is honest holds about 8 of 10; how many of n it may miss by chance is
//   the binomial's: the Wilson interval at 95 % (Wilson 1927, J. Am. Stat. Assoc. 22, 209-212;
//   formula as in the NIST/SEMATECH e-Handbook, 7.2.4.1)
#pragma once

#include <string>
#include <vector>

#include "protocol/protocol.hpp"

namespace yoke {

/// Presses that were foretold with a band and have been made; `when`: this moment.
[[nodiscard]] std::vector<Foretold> foretold_of(const Job& job,
                                                const std::vector<ProofPress>& presses,
                                                const std::string& when);

/// Whether what came lies within 8 in 10, the reading's own doubt in it.
[[nodiscard]] bool within(const Foretold& f);
/// How far off, in standard uncertainties of both together; more than 0: more came.
[[nodiscard]] double residual(const Foretold& f);

struct RightRecord {
  std::size_t told = 0, held = 0;
  double share = 0;
  double low = 0, high = 1;  ///< of the true share, 95 %
  double bias = 0;           ///< mean residual
  double spread = 0;         ///< root mean square of the residuals
  Message says;              ///< empty while nothing was kept
};
[[nodiscard]] RightRecord right_record(const std::vector<Foretold>& list);

}  // namespace yoke
