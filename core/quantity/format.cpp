#include <fmt/format.h>

#include <algorithm>
#include <cmath>
#include <numeric>

#include "quantity/quantity.hpp"

namespace yoke {

namespace {

/// How near a length must be to a 1/64 in to be written as a fraction.
constexpr double kFractionTolerance_m = 3e-6;
/// US customary: 1/128 gallon of 231 cubic inches, and sixteen of them.
constexpr double kFluidOunce_m3 = 231 * 0.0254 * 0.0254 * 0.0254 / 128;
constexpr double kPint_m3 = 16 * kFluidOunce_m3;

/// Decimals of the imperial unit that carry about the same resolution as the metric ones.
int imperial_digits(Kind kind, int digits) {
  switch (kind) {
    case Kind::length:
      return digits + 1;
    case Kind::area:
      return std::max(digits, 3);
    case Kind::volume:
      return digits + 1;
    case Kind::force:
      return std::max(digits, 0);
    case Kind::pressure:
      return std::max(digits - 2, 0);
    default:
      return digits;
  }
}

bool same_units(Kind kind) {
  const auto& words = unit_words(kind);
  return words[0].word == words[1].word;
}

/// Fluid as it is bought: from a pint on in litres, or in fluid ounces.
std::string bought(double si, bool metric, const Style& style) {
  return metric ? format_number(si / 1e-3, 2, style) + " l"
                : format_number(si / kFluidOunce_m3, 0, style) + " fl oz";
}

std::string in_unit(double si, Kind kind, int digits, const UnitWord& unit, const Style& style) {
  if (kind == Kind::volume && std::abs(si) >= kPint_m3)
    return bought(si, unit.word == "cm³", style);
  if (kind == Kind::pitch && unit.word == "tpi") {
    const double tpi = si > 0 ? unit.factor / si : 0;
    const bool whole = std::abs(tpi - std::round(tpi)) < 0.01;
    return format_number(tpi, whole ? 0 : 1, style) + " tpi";
  }
  if (kind == Kind::length && unit.word == "in") {
    if (const auto fraction = inch_fraction(si); !fraction.empty()) return fraction + " in";
  }
  std::string number = format_number((si - unit.offset) / unit.factor, digits, style);
  if (unit.word.empty()) return number;
  return number + (unit.word == "°" ? "" : " ") + std::string(unit.word);
}

}  // namespace

std::string format_number(double value, int decimals, const Style& style) {
  if (!std::isfinite(value)) return "–";
  std::string s = fmt::format("{:.{}f}", value, std::clamp(decimals, 0, 9));
  if (s.find_first_not_of("-0.") == std::string::npos && s.front() == '-') s.erase(0, 1);
  if (style.decimal_comma) std::replace(s.begin(), s.end(), '.', ',');
  return s;
}

std::string inch_fraction(double length_m) {
  const double inches = length_m / 0.0254;
  if (!std::isfinite(inches) || std::abs(inches) > 1000 || inches == 0) return {};
  const long sixtyfourths = std::lround(inches * 64);
  if (std::abs(length_m - static_cast<double>(sixtyfourths) / 64 * 0.0254) > kFractionTolerance_m)
    return {};
  const long n = std::labs(sixtyfourths);
  if (n == 0) return {};
  const long whole = n / 64;
  const long rest = n % 64;
  std::string s = sixtyfourths < 0 ? "-" : "";
  if (rest == 0) return s + std::to_string(whole);
  const long g = std::gcd(rest, 64L);
  if (whole > 0) s += std::to_string(whole) + " ";
  return s + std::to_string(rest / g) + "/" + std::to_string(64 / g);
}

std::string format_quantity(double si, Kind kind, int digits, const Style& style) {
  const auto& words = unit_words(kind);
  const bool imperial = style.units == UnitStyle::imperial;
  return in_unit(si, kind, imperial ? imperial_digits(kind, digits) : digits,
                 words[imperial ? 1 : 0], style);
}

std::string format_other(double si, Kind kind, int digits, const Style& style) {
  if (same_units(kind)) return {};
  const auto& words = unit_words(kind);
  const bool imperial = style.units == UnitStyle::imperial;
  return in_unit(si, kind, imperial ? digits : imperial_digits(kind, digits),
                 words[imperial ? 0 : 1], style);
}

std::string format_full(double si, Kind kind, int digits, const Style& style) {
  std::string s = format_quantity(si, kind, digits, style);
  if (style.units == UnitStyle::both && !same_units(kind))
    s += " (" + format_other(si, kind, digits, style) + ")";
  return s;
}

}  // namespace yoke
