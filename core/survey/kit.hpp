// A scarce repair kit against what is in the unit: usable, usable with work, or not.
//   A rod socket deeper by d puts the rod's seat d further in: the rod must be d longer.
// Textbook geometry; what may be machined is common practice, no source.
#pragma once

#include <string>
#include <vector>

#include "document/values.hpp"
#include "quantity/message.hpp"

namespace yoke {

enum class KitVerdict { not_enough, usable, with_work, no };
[[nodiscard]] std::string_view kit_words(KitVerdict v);

struct KitReport {
  KitVerdict verdict = KitVerdict::not_enough;
  std::vector<Message> reasons;
  std::vector<Message> missing;
  std::optional<double> rod_change_m;  ///< plus: the push rod must be longer
};
/// `found`: what is in the unit; `kit`: the plan's values, what the kit holds.
[[nodiscard]] KitReport kit_report(const Values& found, const Values& kit);

}  // namespace yoke
