// Tables for the bench: drills of all four series, spanners with what nearly fits, line threads,
// torque in three units, tubes, angles as slopes, bores by their step in area. Numbers are SI; how
// a table came to be stands with it.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "quantity/kind.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct BenchCell {
  std::string text;          ///< names and fractions: "13/32", "F", "9/16 in"
  std::optional<double> si;  ///< a figure, in the column's kind
};
struct BenchColumn {
  std::string_view words;
  std::optional<Kind> kind;  ///< of its figures; none: text
  int digits = 2;
  bool inch = false;  ///< of a length: shown in inches, else in millimetres
};
struct BenchTable {
  std::string_view key;  ///< "drills"
  std::string_view title;
  std::string_view source;
  std::vector<BenchColumn> columns;
  std::vector<std::vector<BenchCell>> rows;
};
[[nodiscard]] const std::vector<BenchTable>& bench_tables();
/// One cell as it is written: the figure in its column's own unit, or the text.
[[nodiscard]] std::string bench_text(const BenchColumn& column, const BenchCell& cell);
/// Rows that hold all of these words; or, when a length is looked for, the nearest rows by size,
/// nearest first. Row numbers of a table.
[[nodiscard]] std::vector<std::size_t> bench_rows(const BenchTable& table, std::string_view wanted);

}  // namespace yoke
