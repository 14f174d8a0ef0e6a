// Kinds of quantity, reading them as people write them, and writing them back.
#pragma once

#include <string>
#include <string_view>
#include <vector>

#include "quantity/error.hpp"
#include "quantity/kind.hpp"

namespace yoke {

/// One written unit: SI = number * factor + offset.
struct UnitWord {
  std::string_view word;
  double factor;
  double offset = 0.0;
};

/// The words understood for a kind, first the metric unit shown, then the imperial one shown.
[[nodiscard]] const std::vector<UnitWord>& unit_words(Kind kind);

/// Reads a number as written: "3/16", "1 3/16", "1-3/16", "19,05", "0.020", "1½"; nothing else
/// may stand in the text. Two kinds of separator ("1,234.5") are refused as ambiguous.
[[nodiscard]] Expected<double> parse_number(std::string_view text);

/// Reads a quantity: a number and perhaps a unit. A bare number is taken in the unit that `style`
/// shows first for this kind, a bare fraction of a length in inches; "#7" is a number drill. The
/// result is SI. The text is bounded at 64 bytes. "1,200" can mean two things and is refused,
/// unless `style` says that a comma is the decimal sign.
[[nodiscard]] Expected<double> parse_quantity(std::string_view text, Kind kind, const Style& style);
[[nodiscard]] Expected<double> parse_quantity(std::string_view text, Kind kind, UnitStyle style);

/// "a ± b" in two: both with a unit where one of them has it. The second is empty without a ±.
struct WithDoubt {
  std::string value;
  std::string doubt;
};
[[nodiscard]] WithDoubt split_doubt(std::string_view text);

/// A comma with exactly three digits behind it: a group of thousands, or a decimal sign?
[[nodiscard]] bool may_be_grouped(std::string_view text);
/// The same as `parse_quantity` with any comma read as a decimal sign.
[[nodiscard]] Expected<double> read_quantity(std::string_view text, Kind kind, UnitStyle style);

/// Writes a number with a fixed count of decimals; a negative zero is written as zero.
[[nodiscard]] std::string format_number(double value, int decimals, const Style& style = {});

/// One unit only: the one that `style` shows first (for `both`: the metric one).
/// An inch length that is a whole 1/64 within 0.003 mm is written as the fraction.
/// `digits` counts decimals of the metric unit; the imperial unit gets a matching count.
[[nodiscard]] std::string format_quantity(double si, Kind kind, int digits, const Style& style);

/// The unit that `format_quantity` does not show; empty where both are the same.
[[nodiscard]] std::string format_other(double si, Kind kind, int digits, const Style& style);

/// "22.23 mm (7/8 in)" for `both`, otherwise one unit.
[[nodiscard]] std::string format_full(double si, Kind kind, int digits, const Style& style);

/// "7/8", "1 3/16" when the length is a whole 1/64 in within 0.003 mm, otherwise empty.
[[nodiscard]] std::string inch_fraction(double length_m);

}  // namespace yoke
