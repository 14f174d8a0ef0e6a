// What an instrument tells, in figures that are read from two metres.
#pragma once

#include <vector>

#include "paint/picture.hpp"

namespace yoke {

struct LiveFigure {
  QString name;       ///< "Push"
  QString value;      ///< "212 N"; "–" where nothing comes
  bool asks = false;  ///< told in counts, or silent
};
/// One below the other, as large as the room allows.
[[nodiscard]] Picture live_figures_picture(const std::vector<LiveFigure>& figures, QSizeF size);

}  // namespace yoke
