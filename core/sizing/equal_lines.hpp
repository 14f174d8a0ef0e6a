// Lines through the map along which a figure stays what it is as found: equal effort, equal travel.
// Where both cross, the pedal feels as before. Found between cells by straight interpolation.
#pragma once

#include <utility>
#include <vector>

#include "sizing/sweep.hpp"

namespace yoke {

enum class MapFigure { effort, travel };

/// One point a bore: the column value (ratio, or second bore) at which the figure crosses `value`;
/// bores without a crossing break the line. Bores ascend.
struct EqualLine {
  std::vector<std::vector<std::pair<double, double>>> pieces;  ///< bore [m], column value
};
/// `slice`: one assist option. Cells whose press is not possible are left out.
[[nodiscard]] EqualLine equal_line(const Sweep& slice, MapFigure figure, double value);

}  // namespace yoke
