// The cells of a catalogue, whether they came as CSV or as JSON: what a column holds, what a cell
// says, what is wrong with it.
#pragma once

#include "files/catalogue.hpp"

namespace yoke {

/// What a column holds.
struct Column {
  enum class Role { unknown, kind, id, maker, name, note, dimension } role = Role::unknown;
  Param param = kNoParam;
  std::string heading;
  double factor = 1;  ///< SI per bare number
  double offset = 0;
};
/// "master.bore [mm]": the id and the unit of bare numbers.
[[nodiscard]] Expected<Column> column_of(const std::string& heading);
[[nodiscard]] std::string trimmed(std::string_view t);
/// Without an exponent: people and spreadsheets read it, and so does the quantity reader.
[[nodiscard]] std::string plain_number(double v);

/// Tells a problem, or counts it when there are too many.
void tell(Catalogue& c, RowProblem p);
/// A file in which nearly nothing is right is no catalogue: it is not read to its end.
[[nodiscard]] bool too_bad(Catalogue& c, std::size_t row);
/// A cell as text; `text` is not read where the column is not known.
void read_cell(Catalogue& out, Part& part, const Column& c, const std::string& cell,
               std::size_t row);
/// A value that was read, or why it was not.
void keep_value(Catalogue& out, Part& part, const Column& c, const Expected<double>& v,
                const std::string& text, std::size_t row);
/// Adds a part that has a name and something to compare.
void finish(Catalogue& out, Part part, std::size_t row);

[[nodiscard]] Expected<Catalogue> read_json_catalogue(std::string_view text);

}  // namespace yoke
