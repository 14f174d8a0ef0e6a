// The hose at a hand lever: how long, how its eye is bent, which banjo bolt. A lever of the other
// kind sits elsewhere: its hose is 30 to 50 mm longer, common practice, no source; laid along its
// way with the bars at the lock that pulls it most it is measured.
#pragma once

#include <vector>

#include "document/job.hpp"

namespace yoke {

inline constexpr double kHoseMoreLeast_m = 0.030;
inline constexpr double kHoseMoreMost_m = 0.050;

struct HoseOrder {
  Message what;
  Message why;
  bool unknown = false;  ///< nobody measured or looked
};
/// What is to be ordered for another master at a hand lever; empty for anything else.
[[nodiscard]] std::vector<HoseOrder> lever_hose_order(const Job& job);

}  // namespace yoke
