#include "cli/table.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <nlohmann/json.hpp>

#include "files/csv.hpp"
#include "quantity/text.hpp"

namespace yoke::cli {

namespace {

/// Characters, not bytes: the words hold degree and superscript signs.
size_t width(const std::string& s) {
  return static_cast<size_t>(
      std::count_if(s.begin(), s.end(), [](char c) { return (c & 0xC0) != 0x80; }));
}

/// A column's head for people: its cells write their own units.
std::string head(const std::string& key) {
  static constexpr std::string_view kUnits[] = {"_SI", "_N", "_m", "_Pa", "_s", "_m3"};
  std::string words = key;
  for (const std::string_view unit : kUnits)
    if (words.size() > unit.size() && words.ends_with(unit)) {
      words.resize(words.size() - unit.size());
      break;
    }
  std::replace(words.begin(), words.end(), '_', ' ');
  return words;
}

std::string as_text(const Table& t) {
  std::vector<std::string> heads;
  for (const auto& k : t.keys) heads.push_back(head(k));
  std::vector<size_t> widths;
  for (const auto& k : heads) widths.push_back(width(k));
  for (const auto& row : t.rows)
    for (size_t i = 0; i < row.size(); ++i) widths[i] = std::max(widths[i], width(row[i].words));
  std::string out;
  const auto line = [&](const auto& cells, const auto& words) {
    std::string l;
    for (size_t i = 0; i < cells.size(); ++i) {
      const std::string& w = words(cells[i]);
      l += w + std::string(widths[i] - std::min(widths[i], width(w)) + 2, ' ');
    }
    while (!l.empty() && l.back() == ' ') l.pop_back();
    out += l + "\n";
  };
  if (!t.rows.empty()) line(heads, [](const std::string& k) -> const std::string& { return k; });
  for (const auto& row : t.rows)
    line(row, [](const Cell& c) -> const std::string& { return c.words; });
  for (const auto& n : t.notes) out += n + "\n";
  return out;
}

std::string as_csv(const Table& t) {
  std::string out = csv_line(t.keys);
  for (const auto& row : t.rows) {
    std::vector<std::string> cells;
    cells.reserve(row.size());
    for (const Cell& c : row)
      cells.push_back(c.numeric ? fmt::format("{:.9g}", c.number) : as_utf8(c.words));
    out += csv_line(cells);
  }
  return out;
}

std::string as_json(const Table& t) {
  nlohmann::json root;
  root["rows"] = nlohmann::json::array();
  for (const auto& row : t.rows) {
    nlohmann::json o;
    for (size_t i = 0; i < row.size(); ++i) {
      if (row[i].numeric)
        o[t.keys[i]] = row[i].number;
      else
        o[t.keys[i]] = row[i].words;
    }
    root["rows"].push_back(o);
  }
  root["notes"] = t.notes;
  // Words may come from a file name or a file of others: what is no UTF-8 is shown as such.
  return root.dump(1, ' ', false, nlohmann::json::error_handler_t::replace) + "\n";
}

}  // namespace

Cell text(std::string words) {
  return {std::move(words), 0, false};
}
Cell text(const Message& words, const Style& style) {
  return text(english(words, style));
}
Cell number(double si, std::string words) {
  return {std::move(words), si, true};
}

std::string print(const Table& table, Format format) {
  switch (format) {
    case Format::text:
      return as_text(table);
    case Format::csv:
      return as_csv(table);
    case Format::json:
      return as_json(table);
  }
  return {};
}

}  // namespace yoke::cli
