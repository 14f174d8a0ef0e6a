// A catalogue of parts in an open format: CSV (one line a part, columns by parameter id) or JSON.
// What is wrong is told by row and column; the good rows are kept. docs/format/catalogue.md.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "parts/part.hpp"

namespace yoke {

/// Larger files are refused unread.
inline constexpr std::size_t kMostCatalogueBytes = 32u << 20;
inline constexpr std::size_t kMostCatalogueParts = 100000;
/// Problems told one by one; the rest is counted.
inline constexpr std::size_t kMostProblems = 200;

struct RowProblem {
  std::size_t row = 0;  ///< line of the file, from 1; in JSON the number of the part
  std::string column;   ///< name of the column; empty: the row as a whole
  std::string value;
  Message reason;
  bool row_dropped = false;  ///< the part was left out; otherwise only this value
  bool kept = false;         ///< nothing was left out: a warning only
  [[nodiscard]] Message text() const;
};
struct Catalogue {
  std::vector<Part> parts;
  std::vector<RowProblem> problems;
  std::size_t more_problems = 0;  ///< beyond those told
};

/// Reads CSV or JSON, told by the first character. The separator of a CSV (comma, semicolon or
/// tab), quotes, CRLF and a byte order mark are understood; a length may be written "7/8 in" or
/// "22,2 mm", a bare number is in the unit the column names ("master.bore [mm]", "[in]", "[SI]";
/// SI without a name). An error says why nothing could be read.
[[nodiscard]] Expected<Catalogue> read_catalogue(std::string_view text);
/// Every column that a part of the list uses, SI in the key, one line a part.
[[nodiscard]] std::string write_catalogue_csv(const std::vector<Part>& parts);
[[nodiscard]] std::string write_catalogue_json(const std::vector<Part>& parts);

/// What a catalogue is narrowed by: kind, words anywhere, bore within a distance.
struct PartFilter {
  std::optional<PartKind> kind;
  std::string words;             ///< each word must occur in name, maker, id or note
  std::optional<double> bore_m;  ///< master or slave bore
  double bore_within_m = 0.02e-3;
};
/// Indices in the order of the catalogue.
[[nodiscard]] std::vector<std::size_t> filter_parts(const std::vector<Part>& parts,
                                                    const PartFilter& filter);

}  // namespace yoke
