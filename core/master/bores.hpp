// Bores to offer. Inch sizes are exact; rounded metric names (22.2, 28.57) are aliases of them.
#pragma once

#include <span>
#include <string_view>

#include "quantity/units.hpp"

namespace yoke {

struct BoreSize {
  std::string_view name;  ///< "7/8 in", "22 mm"
  double bore_m;
  bool inch;
};

/// Common sizes in order of size (common practice, no source).
[[nodiscard]] std::span<const BoreSize> standard_bores();
/// The standard size within 0.03 mm of a bore, or nothing.
[[nodiscard]] const BoreSize* named_bore(Length bore);

}  // namespace yoke
