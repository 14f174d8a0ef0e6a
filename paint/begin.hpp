// What a job can be, each drawn in a few strokes on a plate: what was on the left, what comes on
// the right.
#pragma once

#include <vector>

#include "document/values.hpp"
#include "paint/picture.hpp"

namespace yoke {

namespace choice {
enum class TargetJob;
}

struct BeginPlate {
  QString id;  ///< of its spot
  choice::TargetJob kind{};
  QString title;
  QString line;  ///< what it leads to, or how it stands
};

/// Plates in rows; `columns` of them side by side.
[[nodiscard]] Picture begin_picture(const std::vector<BeginPlate>& plates, int columns,
                                    QSizeF size);

}  // namespace yoke
