// Words and numbers as the screen shows them.
#pragma once

#include <QString>
#include <string_view>

#include "document/job.hpp"
#include "paint/words.hpp"

namespace yoke {

[[nodiscard]] inline QString text_of(std::string_view s) {
  return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size()));
}
/// The value in one unit, or "unknown".
[[nodiscard]] QString value_text(const Job& job, As which, Param param, const Style& style);
/// A value of this parameter in one unit, or the words of its option.
[[nodiscard]] QString shown_value(Param param, double si, const Style& style);
[[nodiscard]] QString quantity_text(double si, Kind kind, int digits, const Style& style);
[[nodiscard]] QString full_text(double si, Kind kind, int digits, const Style& style);
/// "±0.5 mm": with as many decimals as it takes to show that it is not nothing.
[[nodiscard]] QString doubt_text(double si, Kind kind, int digits, const Style& style);
/// An error for the screen: reason, allowed range, remedy.
[[nodiscard]] QString error_text(const Error& error, const Style& style);

}  // namespace yoke
