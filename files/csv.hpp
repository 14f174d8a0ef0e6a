// Comma-separated text as spreadsheets write it (RFC 4180), also with semicolons or tabs: quotes,
// doubled quotes, line breaks inside quotes, CRLF.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <vector>

namespace yoke {

struct CsvRow {
  std::vector<std::string> cells;
  std::size_t line = 1;  ///< on which it begins
  bool broken = false;   ///< a quote was never closed
};

class CsvReader {
 public:
  /// The separator is the one of , ; tab that the first line holds most of.
  explicit CsvReader(std::string_view text);
  /// The next row, or nothing at the end. At most 400 cells; more are left out.
  [[nodiscard]] std::optional<CsvRow> next();
  [[nodiscard]] char separator() const { return separator_; }

 private:
  std::string quoted(bool& broken);
  std::string_view text_;
  std::size_t at_ = 0;
  std::size_t line_ = 1;
  char separator_ = ',';
};

/// One line with its end; cells are quoted where they must be. A cell that a spreadsheet would take
/// for a formula is written with a quote mark before it.
[[nodiscard]] std::string csv_line(const std::vector<std::string>& cells);

}  // namespace yoke
