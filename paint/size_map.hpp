// The map: bore by ratio; each cell inside, or the first limit that fails, by shape and word.
#pragma once

#include <optional>

#include "paint/picture.hpp"
#include "quantity/quantity.hpp"
#include "sizing/sweep.hpp"

namespace yoke {

/// A pinned candidate on the map.
struct MapPin {
  QString name;
  double bore_m = 0;
  double ratio = 0;
};

/// How sure a cell is: over draws of all that is not known exactly.
struct CellDoubt {
  double passes = 0;        ///< share of the draws within every limit
  double effort_low_n = 0;  ///< 8 of 10 lie between
  double effort_high_n = 0;
  double travel_low_m = 0;
  double travel_high_m = 0;
};

struct MapMarks {
  std::vector<CellDoubt> doubts;  ///< one a cell of the map that is shown; empty: not known yet
  std::vector<MapPin> pins;
  /// Figures as found: lines of equal effort and equal travel run where cells give the same. 0:
  /// none.
  double found_effort_n = 0;
  double found_travel_m = 0;
  double plan_bore_m = 0;
  double plan_ratio = 0;
  double found_bore_m = 0;  ///< 0: not known
  double found_ratio = 0;
  double plan_bore2_m = 0;  ///< twin masters only
  double found_bore2_m = 0;
  std::optional<std::pair<size_t, size_t>> cursor;  ///< cell under the keyboard's cursor
};

/// Spots are "cell:<bore index>:<ratio index>".
[[nodiscard]] Picture size_map_picture(const Sweep& sweep, const MapMarks& marks,
                                       const Style& style, QSizeF size);
/// "15/16 in at 6.50: 6 mm too long".
[[nodiscard]] QString cell_words(const Cell& cell, const Style& style,
                                 const CellDoubt* doubt = nullptr);

}  // namespace yoke
