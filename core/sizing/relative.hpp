// Old against new from two bores and two ratios alone.
//   force factor = (A2/A1) (i1/i2), travel factor = its inverse
// Exact for the fluid part; lost travels go with the ratio alone. Textbook mechanics.
#pragma once

#include <string>

#include "quantity/error.hpp"
#include "quantity/message.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct Relative {
  double force_factor = 1;   ///< effort new / effort old for the same pressure
  double travel_factor = 1;  ///< fluid part of the pad travel new / old
  double area_factor = 1;
  Length equal_bore{};     ///< bore that keeps the old feel with the new ratio
  double equal_ratio = 1;  ///< ratio that keeps the old feel with the new bore
};

/// Bores 8 ... 60 mm, ratios 1 ... 12.
[[nodiscard]] Expected<Relative> relative(Length bore_old, Length bore_new, double ratio_old,
                                          double ratio_new);
/// One plain sentence: "31 % harder to push, 23 % shorter for the same job."
[[nodiscard]] Message relative_words(const Relative& r);

}  // namespace yoke
