// The ways of bleeding: as tiles with what each lacks, and one of them step by step.
#pragma once

#include <optional>

#include "paint/picture.hpp"
#include "work/bleed_methods.hpp"
#include "work/clean_change.hpp"

namespace yoke {

/// Spots "way:<number>".
[[nodiscard]] Picture ways_picture(const std::vector<WayChoice>& choices,
                                   std::optional<BleedWayId> looked_at, const Style& style,
                                   QSizeF size);
/// As high as its words ask for, whatever `size` says.
[[nodiscard]] Picture way_picture(std::optional<BleedWayId> way, const Style& style, QSizeF size);

/// The unit changed with the least air let in, step by step, with what an open line loses.
[[nodiscard]] Picture change_picture(const CleanChange& change, const Style& style, QSizeF size);

}  // namespace yoke
