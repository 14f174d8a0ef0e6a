#include "files/csv.hpp"

#include <algorithm>
#include <charconv>
#include <system_error>

namespace yoke {

namespace {
constexpr std::size_t kMostCells = 400;
}

CsvReader::CsvReader(std::string_view text) : text_(text) {
  const std::string_view first = text.substr(0, text.find('\n'));
  std::ptrdiff_t most = 0;
  for (const char c : {',', ';', '\t'})
    if (const auto n = std::count(first.begin(), first.end(), c); n > most) {
      most = n;
      separator_ = c;
    }
}

/// Inside quotes, up to the closing one.
std::string CsvReader::quoted(bool& broken) {
  std::string cell;
  ++at_;
  while (at_ < text_.size()) {
    const char c = text_[at_++];
    if (c == '\n') ++line_;
    if (c != '"') {
      cell += c;
    } else if (at_ < text_.size() && text_[at_] == '"') {
      cell += '"';
      ++at_;
    } else {
      return cell;
    }
  }
  broken = true;
  return cell;
}

std::optional<CsvRow> CsvReader::next() {
  if (at_ >= text_.size()) return std::nullopt;
  CsvRow row;
  row.line = line_;
  std::string cell;
  while (true) {
    const bool end = at_ >= text_.size();
    const char c = end ? '\n' : text_[at_];
    if (!end && c == '"' && cell.empty()) {
      cell = quoted(row.broken);
      if (row.broken) return row;
      continue;
    }
    if (c == separator_ || c == '\n') {
      if (!end) ++at_;
      if (c == '\n' && !cell.empty() && cell.back() == '\r') cell.pop_back();
      if (row.cells.size() < kMostCells) row.cells.push_back(std::move(cell));
      cell.clear();
      if (c != '\n') continue;
      ++line_;
      return row;
    }
    cell += c;
    ++at_;
  }
}

namespace {

/// What a spreadsheet would run as a formula; a plain number with its sign stays a number.
bool is_formula(const std::string& cell) {
  if (cell.empty() || std::string_view("=+-@\t\r").find(cell[0]) == std::string_view::npos)
    return false;
  double number = 0;
  const char* from = cell.data() + (cell[0] == '+' ? 1 : 0);
  const auto [end, code] = std::from_chars(from, cell.data() + cell.size(), number);
  return code != std::errc{} || end != cell.data() + cell.size() ||
         (cell[0] == '+' && cell.size() > 1 && cell[1] == '-');
}

}  // namespace

std::string csv_line(const std::vector<std::string>& cells) {
  std::string line;
  for (const std::string& raw : cells) {
    if (&raw != &cells.front()) line += ',';
    std::string cell = raw;
    if (is_formula(cell)) cell.insert(0, "'");
    if (cell.find_first_of(",;\t\"\n\r") == std::string::npos) {
      line += cell;
      continue;
    }
    line += '"';
    for (const char c : cell) line += c == '"' ? std::string("\"\"") : std::string(1, c);
    line += '"';
  }
  return line + "\n";
}

}  // namespace yoke
