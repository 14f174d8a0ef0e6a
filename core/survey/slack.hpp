// The slack budget: every play before the piston moves, at the pad, in order of size.
//   pad play of a play at the rod = play x ratio; pivot play is read at the pad itself
// Textbook mechanics of a lever.
#pragma once

#include <string>
#include <vector>

#include "document/values.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct SlackPart {
  Message words;
  double pad_m = 0;
};
struct SlackBudget {
  std::vector<SlackPart> parts;  ///< largest first
  double sum_m = 0;              ///< at the pad
  std::vector<Message> missing;  ///< plays that were not felt
  /// What is left of the first press, when that was measured.
  std::optional<double> share_of_first;
};
/// Needs both arms for what is felt at the rod; nothing while no play is known.
[[nodiscard]] SlackBudget slack_budget(const Values& found);

}  // namespace yoke
