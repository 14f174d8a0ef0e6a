#include "calc/bench_tables.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numbers>
#include <numeric>

#include "lines/threads.hpp"
#include "quantity/drills.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

namespace {

constexpr double kInch_m = 0.0254;
constexpr double kTight_m = 0.15e-3;  // a spanner this much larger still turns the nut
constexpr double kSlips_m = 0.6e-3;   // one up to this much larger goes on, and rounds it

std::string fraction(int n, int d) {
  const int g = std::gcd(n, d);
  n /= g;
  d /= g;
  if (d == 1) return fmt::format("{} in", n);
  return n > d ? fmt::format("{}-{}/{} in", n / d, n % d, d) : fmt::format("{}/{} in", n, d);
}

BenchCell text(std::string words) {
  return {std::move(words), std::nullopt};
}
BenchCell figure(double si) {
  return {{}, si};
}

/// All four gauges in one list by size: a hole is found whatever its drill is called.
BenchTable drills() {
  BenchTable t{"drills",
               "Drills: fractions, numbers, letters, millimetres",
               "number and letter gauges as GNU units has them",
               {{"drill", std::nullopt},
                {"series", std::nullopt},
                {"mm", Kind::length, 2, false},
                {"inch", Kind::length, 4, true}},
               {}};
  const auto add = [&t](std::string name, const char* series, double m) {
    t.rows.push_back({text(std::move(name)), text(series), figure(m), figure(m)});
  };
  for (int n = 1; n <= 32; ++n) add(fraction(n, 64), "fraction", n * kInch_m / 64);
  for (int n = 17; n <= 32; ++n) add(fraction(n, 32), "fraction", n * kInch_m / 32);
  for (int n = 1; n <= 60; ++n)
    if (const auto m = number_drill_m(n)) add(fmt::format("No. {}", n), "number", *m);
  for (char c = 'A'; c <= 'Z'; ++c)
    if (const auto m = letter_drill_m(c)) add(std::string(1, c), "letter", *m);
  for (int n = 10; n <= 140; ++n) add(fmt::format("{:.1f} mm", n / 10.0), "millimetre", n * 1e-4);
  for (int n = 29; n <= 50; ++n) add(fmt::format("{:.1f} mm", n / 2.0), "millimetre", n * 0.5e-3);
  std::stable_sort(t.rows.begin(), t.rows.end(),
                   [](const auto& a, const auto& b) { return *a[2].si < *b[2].si; });
  return t;
}

struct Spanner {
  std::string name;
  double m;
};

std::vector<Spanner> spanner_sizes() {
  std::vector<Spanner> list;
  for (int n = 8; n <= 40; ++n)
    if (n <= 32 || n % 2 == 0) list.push_back({fraction(n, 32), n * kInch_m / 32});
  for (int mm = 6; mm <= 32; ++mm) list.push_back({fmt::format("{} mm", mm), mm * 1e-3});
  std::sort(list.begin(), list.end(), [](const Spanner& a, const Spanner& b) { return a.m < b.m; });
  return list;
}

BenchTable spanners() {
  BenchTable t{"spanners",
               "Spanners: what nearly fits, and rounds the nut",
               "across flats by their names; near misses: common practice, no source",
               {{"spanner", std::nullopt},
                {"mm", Kind::length, 2, false},
                {"inch", Kind::length, 4, true},
                {"will do for it", std::nullopt},
                {"goes on and rounds it", std::nullopt}},
               {}};
  const auto all = spanner_sizes();
  for (const Spanner& s : all) {
    std::string good, bad;
    for (const Spanner& o : all) {
      const double over = o.m - s.m;
      if (o.name == s.name || over < -1e-9) continue;
      if (over <= kTight_m)
        good += (good.empty() ? "" : ", ") + o.name;
      else if (over <= kSlips_m)
        bad += (bad.empty() ? "" : ", ") + o.name;
    }
    t.rows.push_back({text(s.name), figure(s.m), figure(s.m), text(good), text(bad)});
  }
  return t;
}

BenchTable threads() {
  BenchTable t{"threads",
               "Line threads: outside, pitch, threads to the inch",
               "ISO 261 and ASME B1.1 designations, from memory",
               {{"thread", std::nullopt},
                {"outside, mm", Kind::length, 2, false},
                {"outside, inch", Kind::length, 4, true},
                {"pitch, mm", Kind::length, 3, false},
                {"to the inch", Kind::number, 2}},
               {}};
  for (const Thread& th : line_threads())
    t.rows.push_back({text(std::string(th.name)), figure(th.outside.value()),
                      figure(th.outside.value()), figure(th.pitch.value()),
                      figure(kInch_m / th.pitch.value())});
  return t;
}

BenchTable torques() {
  BenchTable t{"torque",
               "Torque: newton metres, pound feet, pound inches",
               "exact units; the figure itself is the maker's",
               {{"N·m", Kind::torque, 0}, {"lbf·ft", std::nullopt}, {"lbf·in", std::nullopt}},
               {}};
  constexpr double kLbfFt = 1.3558179483314004;
  for (int n = 1; n <= 150; n += n < 30 ? 1 : n < 60 ? 2 : 5)
    t.rows.push_back({figure(n), text(fmt::format("{:.1f}", n / kLbfFt)),
                      text(fmt::format("{:.0f}", 12 * n / kLbfFt))});
  return t;
}

BenchTable tubes() {
  BenchTable t{"tubes",
               "Tube: outside, wall, what a metre holds",
               "sizes: common practice, no source; contents by geometry",
               {{"tube", std::nullopt},
                {"outside, mm", Kind::length, 2, false},
                {"outside, inch", Kind::length, 4, true},
                {"wall, mm", Kind::length, 2, false},
                {"a metre holds, cm³", std::nullopt},
                {"least bend inside, mm", Kind::length, 0}},
               {}};
  struct Tube {
    const char* name;
    double outside_m, wall_m;
  };
  constexpr Tube kTubes[] = {{"1/8 in", kInch_m / 8, 0.71e-3},
                             {"3/16 in", 3 * kInch_m / 16, 0.71e-3},
                             {"4.75 mm", 4.75e-3, 0.71e-3},
                             {"6 mm", 6e-3, 0.9e-3},
                             {"1/4 in", kInch_m / 4, 0.71e-3},
                             {"5/16 in", 5 * kInch_m / 16, 0.71e-3},
                             {"8 mm", 8e-3, 1e-3},
                             {"3/8 in", 3 * kInch_m / 8, 0.89e-3}};
  for (const Tube& b : kTubes) {
    const double in_m = b.outside_m - 2 * b.wall_m;
    t.rows.push_back({text(b.name), figure(b.outside_m), figure(b.outside_m), figure(b.wall_m),
                      text(fmt::format("{:.1f}", std::numbers::pi / 4 * in_m * in_m * 1e6)),
                      figure(3 * b.outside_m)});
  }
  return t;
}

BenchTable angles() {
  BenchTable t{"angles",
               "Angles: as a slope, and over a hand's length",
               "trigonometry",
               {{"degrees", std::nullopt},
                {"slope in %", std::nullopt},
                {"rise over 100 mm, mm", Kind::length, 1, false},
                {"one in", std::nullopt}},
               {}};
  for (int half = 1; half <= 90; half += half < 20 ? 1 : 2) {
    const double deg = half / 2.0;
    const double slope = std::tan(deg * std::numbers::pi / 180);
    t.rows.push_back({text(fmt::format("{:.1f}°", deg)), text(fmt::format("{:.1f}", 100 * slope)),
                      figure(0.1 * slope), text(fmt::format("{:.1f}", 1 / slope))});
  }
  return t;
}

/// Bores that masters are made in, each against the one before: what a step costs and gives.
BenchTable bores() {
  BenchTable t{"bores",
               "Bores: each step in area, effort and travel",
               "area by geometry; effort follows it, travel against it, all else the same",
               {{"bore", std::nullopt},
                {"mm", Kind::length, 2, false},
                {"inch", Kind::length, 4, true},
                {"area, mm²", std::nullopt},
                {"step in area", std::nullopt},
                {"travel becomes", std::nullopt}},
               {}};
  struct Bore {
    std::string name;
    double m;
  };
  std::vector<Bore> list;
  for (int n = 18; n <= 44; n += 2) list.push_back({fraction(n, 32), n * kInch_m / 32});
  for (const double mm : {12.7, 14.0, 15.87, 17.0, 19.0, 20.0, 22.0, 23.0, 24.0, 25.0, 26.0, 28.0})
    list.push_back({fmt::format("{:g} mm", mm), mm * 1e-3});
  std::sort(list.begin(), list.end(), [](const Bore& a, const Bore& b) { return a.m < b.m; });
  double before = 0;
  for (const Bore& b : list) {
    const double share = before > 0 ? b.m * b.m / (before * before) : 0;
    t.rows.push_back(
        {text(b.name), figure(b.m), figure(b.m),
         text(fmt::format("{:.0f}", std::numbers::pi / 4 * b.m * b.m * 1e6)),
         text(before > 0 ? fmt::format("{:+.1f} %", 100 * (share - 1)) : std::string("–")),
         text(before > 0 ? fmt::format("{:.1f} %", 100 / share) : std::string("–"))});
    before = b.m;
  }
  return t;
}

std::string lower(std::string_view s) {
  std::string out(s);
  std::transform(out.begin(), out.end(), out.begin(),
                 [](unsigned char c) { return static_cast<char>(std::tolower(c)); });
  return out;
}

/// The length column by which a table is looked through; none: it has no sizes.
std::optional<std::size_t> size_column(const BenchTable& t) {
  for (std::size_t i = 0; i < t.columns.size(); ++i)
    if (t.columns[i].kind == Kind::length) return i;
  return std::nullopt;
}

bool holds(const BenchTable& t, std::size_t row, const std::vector<std::string>& words) {
  std::string all;
  for (std::size_t c = 0; c < t.columns.size(); ++c)
    all += lower(bench_text(t.columns[c], t.rows[row][c])) + ' ';
  return std::all_of(words.begin(), words.end(),
                     [&](const std::string& w) { return all.find(w) != std::string::npos; });
}

}  // namespace

const std::vector<BenchTable>& bench_tables() {
  static const std::vector<BenchTable> all{drills(), spanners(), threads(), torques(),
                                           tubes(),  angles(),   bores()};
  return all;
}

std::string bench_text(const BenchColumn& column, const BenchCell& cell) {
  if (!cell.si) return cell.text;
  const double shown =
      column.kind == Kind::length ? *cell.si / (column.inch ? kInch_m : 1e-3) : *cell.si;
  return fmt::format("{:.{}f}", shown, column.digits);
}

std::vector<std::size_t> bench_rows(const BenchTable& t, std::string_view wanted) {
  std::vector<std::size_t> rows(t.rows.size());
  std::iota(rows.begin(), rows.end(), std::size_t{0});
  const std::string typed = lower(wanted);
  std::vector<std::string> words(1);
  for (const char c : typed) {
    if (c != ' ')
      words.back() += c;
    else if (!words.back().empty())
      words.emplace_back();
  }
  if (words.back().empty()) words.pop_back();
  if (words.empty()) return rows;
  // A size first: what is typed as a length is looked for by its size, whatever it is called.
  const auto column = size_column(t);
  const auto size = parse_quantity(typed, Kind::length, UnitStyle::metric);
  if (column && size && *size > 0) {
    std::stable_sort(rows.begin(), rows.end(), [&](std::size_t a, std::size_t b) {
      const auto off = [&](std::size_t r) { return std::abs(*t.rows[r][*column].si - *size); };
      return off(a) < off(b);
    });
    rows.resize(std::min<std::size_t>(rows.size(), 8));
    return rows;
  }
  std::erase_if(rows, [&](std::size_t r) { return !holds(t, r, words); });
  return rows;
}

}  // namespace yoke
