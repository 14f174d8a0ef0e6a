// A line to make: from above and from the right, its corners to be dragged, and unrolled below with
// the mark of every bend.
#pragma once

#include "paint/picture.hpp"
#include "plumbing/line_plan.hpp"
#include "quantity/kind.hpp"

namespace yoke {

/// Spots are "corner:above:0" and "corner:side:0". `line` may be nullptr: nothing drawn yet.
[[nodiscard]] Picture tube_picture(const PlannedLine* line, std::size_t chosen, const Style& style,
                                   QSizeF size);
/// Pixels for a metre in both views.
[[nodiscard]] double tube_pixels_per_metre(const PlannedLine& line, QSizeF size);

}  // namespace yoke
