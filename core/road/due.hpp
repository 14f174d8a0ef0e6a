// What falls due on a day: later conversions with what each makes wrong, parts that were promised,
// fluid that ages, what is looked at after the first run, and open points with their age. Ages of
// fluid: common practice, no source.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

enum class DueKind { point, part, later, fluid, after_run };

struct DueThing {
  DueKind kind{};
  std::string key;  ///< the same thing has the same key: "later:front_discs"
  std::string day;  ///< ISO day it is due; of a point the day since which it stands open
  Message what;
  std::vector<Message> why;  ///< what it makes wrong, what goes wrong without it
  std::optional<int>
      days;  ///< until then; less than 0: it is past. Of a point its age, less than 0
};
/// Those that are not done, by their days; those without a day stand last. `today`: an ISO day.
[[nodiscard]] std::vector<DueThing> due_things(const Job& job, std::string_view today);

}  // namespace yoke
