#include "quantity/drills.hpp"

#include <fmt/format.h>

#include <array>
#include <cmath>
#include <numeric>

namespace yoke {

std::optional<double> number_drill_m(int number) {
  static constexpr std::array<double, 60> inches{
      0.2280, 0.2210, 0.2130, 0.2090, 0.2055, 0.2040, 0.2010, 0.1990, 0.1960, 0.1935,
      0.1910, 0.1890, 0.1850, 0.1820, 0.1800, 0.1770, 0.1730, 0.1695, 0.1660, 0.1610,
      0.1590, 0.1570, 0.1540, 0.1520, 0.1495, 0.1470, 0.1440, 0.1405, 0.1360, 0.1285,
      0.1200, 0.1160, 0.1130, 0.1110, 0.1100, 0.1065, 0.1040, 0.1015, 0.0995, 0.0980,
      0.0960, 0.0935, 0.0890, 0.0860, 0.0820, 0.0810, 0.0785, 0.0760, 0.0730, 0.0700,
      0.0670, 0.0635, 0.0595, 0.0550, 0.0520, 0.0465, 0.0430, 0.0420, 0.0410, 0.0400};
  if (number < 1 || number > 60) return std::nullopt;
  return inches[static_cast<size_t>(number - 1)] * 0.0254;
}

std::optional<double> letter_drill_m(char letter) {
  static constexpr std::array<double, 26> inches{
      0.234, 0.238, 0.242, 0.246, 0.250, 0.257, 0.261, 0.266, 0.272, 0.277, 0.281, 0.290, 0.295,
      0.302, 0.316, 0.323, 0.332, 0.339, 0.348, 0.358, 0.368, 0.377, 0.386, 0.397, 0.404, 0.413};
  if (letter < 'A' || letter > 'Z') return std::nullopt;
  return inches[static_cast<size_t>(letter - 'A')] * 0.0254;
}

namespace {

constexpr double kInch_m = 0.0254;
constexpr double kSame_m = 1e-6;  // a drill of exactly that size is not below it

Drill fraction_drill(double least_m) {
  const double inches = least_m / kInch_m;
  const int per_inch = inches <= 0.5 ? 64 : inches <= 1 ? 32 : 16;
  int n = static_cast<int>(std::ceil((least_m - kSame_m) / kInch_m * per_inch));
  const double size = n * kInch_m / per_inch;
  int d = per_inch;
  const int g = std::gcd(n, d);
  n /= g;
  d /= g;
  // A drill's name is stamped on it: the same in every language.
  std::string name = d == 1  ? fmt::format("{} in", n)
                     : n > d ? fmt::format("{}-{}/{} in", n / d, n % d, d)
                             : fmt::format("{}/{} in", n, d);
  return {Message::data(std::move(name)), size};
}

std::optional<Drill> gauge_drill(double least_m) {
  for (int n = 60; n >= 1; --n)
    if (*number_drill_m(n) >= least_m - kSame_m) return Drill{say("No. {}", n), *number_drill_m(n)};
  for (char c = 'A'; c <= 'Z'; ++c)
    if (*letter_drill_m(c) >= least_m - kSame_m)
      return Drill{say("letter {}", std::string(1, c)), *letter_drill_m(c)};
  return std::nullopt;
}

Drill metric_drill(double least_m) {
  const double step = least_m <= 14e-3 ? 0.1e-3 : 0.5e-3;
  const double size = std::ceil((least_m - kSame_m) / step) * step;
  return {Message::data(fmt::format("{:.1f} mm", size * 1e3)), size};
}

}  // namespace

DrillChoice drills_for(double least_m) {
  return {fraction_drill(least_m), gauge_drill(least_m), metric_drill(least_m)};
}

Message drill_words(double least_m) {
  const DrillChoice d = drills_for(least_m);
  const Message fraction =
      say("{} ({})", d.fraction.name,
          Message::data(fmt::format("{:.2f} mm", d.fraction.diameter_m * 1e3)));
  return d.gauge ? joined({fraction, d.gauge->name, d.metric.name}, ", ")
                 : joined({fraction, d.metric.name}, ", ");
}

double clearance_hole_m(double stud_m) {
  return stud_m + 0.39e-3;
}

double pilot_hole_m(double hole_m) {
  return hole_m < 9e-3 ? hole_m / 3 : 3e-3;
}

}  // namespace yoke
