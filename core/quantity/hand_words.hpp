// The program speaks of a pedal; where fingers pull a lever, its texts say lever, hand and grip.
#pragma once

#include <string>
#include <string_view>

namespace yoke {

/// An English text of the program as it is said of a hand lever. A text that speaks of both, or of
/// neither, comes back as it is.
[[nodiscard]] std::string for_hand(std::string_view english);

}  // namespace yoke
