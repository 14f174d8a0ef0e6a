#include "files/readings_csv.hpp"

#include <algorithm>
#include <array>

#include "files/csv.hpp"
#include "files/disk.hpp"
#include "files/limits.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

namespace {

enum Column { force, travel, gauge, assist, second, clamped, note, columns };
constexpr std::string_view kHeads[columns] = {"force",  "travel",  "gauge", "assist",
                                              "second", "clamped", "note"};

tl::unexpected<Error> wrong(std::size_t line, const std::string& value, const Message& reason,
                            const Message& remedy) {
  return fail({"readings", value, {}, say("Line {}: {}", static_cast<long>(line), reason), remedy});
}

Expected<std::array<int, columns>> columns_of(const CsvRow& heads) {
  std::array<int, columns> at{};
  at.fill(-1);
  for (std::size_t i = 0; i < heads.cells.size(); ++i)
    for (int c = 0; c < columns; ++c)
      if (heads.cells[i] == kHeads[c]) at[c] = static_cast<int>(i);
  if (at[force] < 0 || at[travel] < 0)
    return wrong(heads.line, heads.cells.empty() ? "" : heads.cells.front(),
                 "no heads “force” and “travel”", "Name the columns in the first line");
  return at;
}

Expected<double> number_in(const CsvRow& row, const std::string& cell, Kind kind,
                           const Range& range, const Style& style) {
  const auto v = parse_quantity(cell, kind, style);
  if (!v) return wrong(row.line, cell, v.error().reason, v.error().remedy);
  if (!range.holds(*v))
    return wrong(row.line, cell, "out of its range",
                 say("{} to {}", amount(range.least, kind, 0), amount(range.most, kind, 0)));
  return *v;
}

Expected<bool> flag_in(const CsvRow& row, const std::string& cell) {
  if (cell.empty() || cell == "no" || cell == "0") return false;
  if (cell == "yes" || cell == "1") return true;
  return wrong(row.line, cell, "neither yes nor no", "yes, no, 1 or 0");
}

Expected<Reading> reading_in(const CsvRow& row, const std::array<int, columns>& at,
                             const Style& style) {
  const auto cell = [&](Column c) {
    const int i = at[c];
    return i >= 0 && static_cast<std::size_t>(i) < row.cells.size()
               ? row.cells[static_cast<std::size_t>(i)]
               : std::string();
  };
  Reading r;
  const auto f = number_in(row, cell(force), Kind::force, kReadingForce, style);
  if (!f) return fail(f.error());
  r.force_n = *f;
  const auto t = number_in(row, cell(travel), Kind::length, kReadingTravel, style);
  if (!t) return fail(t.error());
  r.travel_m = *t;
  if (const std::string g = cell(gauge); !g.empty()) {
    const auto p = number_in(row, g, Kind::pressure, kReadingPressure, style);
    if (!p) return fail(p.error());
    r.pressure_pa = *p;
  }
  const std::pair<Column, bool Reading::*> flags[] = {{assist, &Reading::assist_alive},
                                                      {second, &Reading::second_apply},
                                                      {clamped, &Reading::hoses_clamped}};
  for (const auto& [c, member] : flags) {
    if (c == clamped && (cell(c) == "first" || cell(c) == "second")) continue;  // below
    const auto v = flag_in(row, cell(c));
    if (!v) return fail(v.error());
    r.*member = *v;
  }
  if (const std::string whose = cell(clamped); whose == "first" || whose == "second") {
    r.hoses_clamped = true;
    r.clamped = whose == "first" ? ClampedHoses::first : ClampedHoses::second;
  }
  r.note = cell(note).substr(0, 200);
  return r;
}

}  // namespace

Expected<std::vector<Reading>> readings_of_csv(std::string_view text, const Style& style) {
  CsvReader reader(text);
  const auto heads = reader.next();
  if (!heads) return wrong(1, "", "the file is empty", "A line of heads, then a reading a line");
  const auto at = columns_of(*heads);
  if (!at) return fail(at.error());
  std::vector<Reading> list;
  while (const auto row = reader.next()) {
    if (row->broken) return wrong(row->line, "", "a quote is never closed", "Close it");
    const bool blank = std::all_of(row->cells.begin(), row->cells.end(),
                                   [](const std::string& c) { return c.empty(); });
    if (blank) continue;
    if (list.size() >= kMostReadings)
      return wrong(row->line, "", "too many readings", say("{} at most", kMostReadings));
    const auto r = reading_in(*row, *at, style);
    if (!r) return fail(r.error());
    list.push_back(*r);
  }
  return list;
}

Expected<std::vector<Reading>> readings_file(const std::filesystem::path& path,
                                             const Style& style) {
  const auto text = read_file(path, kMostReadingsFile);
  if (!text) return fail(text.error());
  return readings_of_csv(*text, style);
}

}  // namespace yoke
