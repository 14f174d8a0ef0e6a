// What a tape reads at the pad of a system.
#pragma once

#include "proving/estimate.hpp"

namespace yoke::test {

/// Depth of the pad at a push, rested or pumped up, assist exhausted; 0 where the pad would be on
/// the floor.
inline double depth(const System& s, double push_n, bool again, Condition c = {}) {
  c.assist_alive = false;
  ReadingRow row;
  row.second_apply = again;
  const auto m = FeelModel::make(s, row_condition(c, row));
  return predicted_travel_m(*m, push_n).value_or(0);
}

}  // namespace yoke::test
