// What feeds an assist unit, drawn: each wire, or each thing in the vacuum hose, on its way to the
// unit, with what it is, what it should be and what happens without it.
#pragma once

#include <QString>
#include <vector>

#include "paint/picture.hpp"
#include "plumbing/supply_lines.hpp"

namespace yoke {

struct FeedDrawing {
  std::vector<FeedRow> rows;
  bool electric = false;
};
[[nodiscard]] FeedDrawing feed_drawing(const Job& job);
[[nodiscard]] Picture feed_picture(const FeedDrawing& drawing, const Style& style, QSizeF size);

}  // namespace yoke
