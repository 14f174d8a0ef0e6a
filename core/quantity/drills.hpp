// Number drills 1 ... 60 (inch decimals, the common number gauge).
#pragma once

#include <optional>

namespace yoke {

/// Diameter in metres of a number drill; nothing outside 1 ... 60.
[[nodiscard]] std::optional<double> number_drill_m(int number);

}  // namespace yoke
