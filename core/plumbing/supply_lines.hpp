// What feeds an assist unit: the wires of an electric one, the hose and check valve of one that
// works by vacuum. Common practice without a source; the maker's sheet wins.
#pragma once

#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"

namespace yoke {

enum class FeedState {
  open,   ///< not known, or not measured
  good,   ///< as it should be
  wrong,  ///< it will not work like this
};

/// One wire, or one thing in the vacuum hose.
struct FeedRow {
  Message what;
  Message is;       ///< as it was said
  Message should;   ///< what it should be
  Message without;  ///< what happens when it is missing or wrong
  FeedState state = FeedState::open;
};
/// Of the planned assist; empty where nothing feeds it by wire or hose.
[[nodiscard]] std::vector<FeedRow> feed_rows(const Job& job);
[[nodiscard]] std::vector<Finding> feed_findings(const Job& job);

/// A booster's hose is 3/8 in inside; through a hole under 6 mm it fills slowly.
inline constexpr double kNarrowNipple_m = 0.006;

}  // namespace yoke
