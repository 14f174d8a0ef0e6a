// In which order the nipples are opened: the maker's book first, then what the lines tell. Common
// practice, no source.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "document/params.hpp"

namespace yoke {

struct BleedOrder {
  std::vector<Wheel> wheels;  ///< empty while it cannot be said
  Message reason;
  std::vector<Message> before;  ///< what is bled before the wheels: a servo's own nipple
  std::vector<Message> after;   ///< and after them
  std::vector<Param> missing;   ///< what keeps it from being said
  bool by_maker = false;
  bool refused = false;  ///< the book's order as it was entered names a wheel twice
};
/// Of brakes; a clutch has one line.
[[nodiscard]] BleedOrder bleed_order(const Job& job);

}  // namespace yoke
