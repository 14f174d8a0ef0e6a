// How sure a figure is: every measured or typical value is drawn within its doubt, and the figures'
// bands are reported. First-order sensitivities rank which measurement to improve next.
//   doubt = twice the standard uncertainty; normal, clipped at 3 standard uncertainties and at the
//   parameter's range. Random numbers are counter-based (SplitMix64 of seed, stream and sample), so
//   the result is the same on any number of cores.
#pragma once

#include <cstdint>
#include <functional>
#include <vector>

#include "feel/conditions.hpp"

namespace yoke {

struct Band {
  double low = 0;     ///< 10 % of the samples lie below
  double middle = 0;  ///< half
  double high = 0;    ///< 90 %
};

struct Sensitivity {
  Param param = Param::count_;
  double effort_n = 0;  ///< change of the figure for one standard uncertainty of the parameter
  double travel_m = 0;
};

struct DoubtRequest {
  std::size_t samples = 4000;  ///< 100 … 200000
  std::uint64_t seed = 1;
  unsigned threads = 0;  ///< 0: as many as the machine has
  /// Called now and then with the share done, from one of the threads; false cancels.
  std::function<bool(double)> progress;
};

struct DoubtReport {
  std::size_t samples = 0;
  std::size_t impossible = 0;  ///< draws that contradict themselves; left out
  double pass_share = 0;       ///< of the draws, within the condition's limits
  Band effort_n;
  Band travel_m;
  Band reserve_share;
  std::vector<Sensitivity> ranked;  ///< largest influence first, by effort and travel together
};

/// A uniform number in (0, 1) that depends on its three counters alone.
[[nodiscard]] double counter_uniform(std::uint64_t seed, std::uint64_t stream,
                                     std::uint64_t sample);
/// Standard normal by the inverse of its distribution, clipped at ±3.
[[nodiscard]] double counter_normal(std::uint64_t seed, std::uint64_t stream, std::uint64_t sample);

/// Needs what the condition itself needs; an error says what is missing, or that it was cancelled.
[[nodiscard]] Expected<DoubtReport> doubt(const Job& job, ConditionId id,
                                          const DoubtRequest& request);

}  // namespace yoke
