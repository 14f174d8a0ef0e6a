// A candidate as a ghost over the fitted unit, both to one scale from one mounting face: what
// differs, and what nobody compared, has a numbered point and a label; what is equal is counted.
#pragma once

#include <optional>

#include "paint/picture.hpp"
#include "parts/part.hpp"

namespace yoke {

struct GhostInput {
  Job job;
  PartKind kind = PartKind::master;
  MeasuredSet sheet;  ///< the candidate's, or the plan's own
  QString name;       ///< "Plan", "A"
  Style style;
  std::optional<Param> selected{};
};

/// Spots are "dim:<parameter>". As high as it came to be.
[[nodiscard]] Picture ghost_picture(const GhostInput& in, QSizeF size);
/// "≠ 25.40 mm (+3.2)", "= 22.23 mm", "NOT COMPARED": one cell of the matrix.
[[nodiscard]] QString verdict_words(const MatrixRow& row, const Style& style);
/// A dimension of a part, or a dash.
[[nodiscard]] QString dimension_words(Param param, const std::optional<double>& si,
                                      const Style& style);

}  // namespace yoke
