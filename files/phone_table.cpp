#include "files/phone_table.hpp"

#include <charconv>
#include <cmath>
#include <optional>

#include "files/csv.hpp"
#include "files/disk.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMostColumns = 64;
constexpr std::size_t kMostPhoneRows = 200000;

std::optional<double> number_in(std::string cell) {
  while (!cell.empty() && cell.back() == ' ') cell.pop_back();
  std::size_t from = 0;
  while (from < cell.size() && (cell[from] == ' ' || cell[from] == '+')) ++from;
  // A table with semicolons may have decimal commas.
  if (cell.find('.') == std::string::npos)
    if (const auto comma = cell.find(','); comma != std::string::npos) cell[comma] = '.';
  double v = 0;
  const auto [end, error] = std::from_chars(cell.data() + from, cell.data() + cell.size(), v);
  if (error != std::errc() || end != cell.data() + cell.size() || from == cell.size() ||
      !std::isfinite(v))
    return std::nullopt;
  return v;
}

std::optional<std::vector<double>> numbers(const CsvRow& row) {
  std::vector<double> list;
  for (const std::string& cell : row.cells) {
    if (list.size() >= kMostColumns) break;
    const auto v = number_in(cell);
    if (!v) return std::nullopt;
    list.push_back(*v);
  }
  return list.empty() ? std::nullopt : std::optional(list);
}

}  // namespace

Expected<PhoneTable> phone_table_of(std::string_view text) {
  PhoneTable t;
  CsvReader reader(text);
  while (const auto row = reader.next()) {
    if (const auto values = numbers(*row)) {
      if (t.rows.size() >= kMostPhoneRows) break;
      t.rows.push_back(*values);
    } else if (t.heads.empty() && t.rows.empty()) {
      for (const std::string& cell : row->cells) {
        if (t.heads.size() >= kMostColumns) break;
        t.heads.push_back(cell.substr(0, 60));
      }
    }
  }
  if (t.rows.empty())
    return fail({.field = "table",
                 .value = "",
                 .range = "",
                 .reason = "There is no row of numbers in it",
                 .remedy = "Have the phone write a table (CSV): time, accelerations"});
  for (std::size_t i = t.heads.size(); i < t.rows.front().size(); ++i)
    t.heads.push_back(std::to_string(i + 1));
  return t;
}

Expected<PhoneTable> phone_table(const std::filesystem::path& path) {
  const auto text = read_file(path, kMostPhoneFile, "table");
  if (!text) return fail(text.error());
  return phone_table_of(*text);
}

}  // namespace yoke
