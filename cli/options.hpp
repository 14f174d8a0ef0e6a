// Quantities given as options: read as people write them, each within a range.
#pragma once

#include "cli/commands.hpp"

namespace yoke::cli {

/// A pedal's ratio, pad arm over pin arm.
inline constexpr double kLeastRatio = 1;
inline constexpr double kMostRatio = 12;

/// A quantity within least … most (SI). Not given: `fallback`, or an error when there is none.
[[nodiscard]] Expected<double> option_in(const Arguments& a, const std::string& name, Kind kind,
                                         double least, double most, std::optional<double> fallback);
/// A quantity with the kind and range of a parameter.
[[nodiscard]] Expected<double> option_like(const Arguments& a, const std::string& name, Param like,
                                           std::optional<double> fallback = std::nullopt);
[[nodiscard]] inline bool given(const Arguments& a, const char* name) {
  return a.options.count(name) > 0;
}
[[nodiscard]] Cell quantity(double si, Kind kind, int digits, const Style& style);

/// The keys that a choice may have, for an error's range.
template <class Enum>
[[nodiscard]] Message keys_listed() {
  std::vector<Message> keys;
  keys.reserve(EnumWords<Enum>::all.size());
  for (const EnumWord& w : EnumWords<Enum>::all) keys.push_back(Message::data(std::string(w.key)));
  return joined(keys, ", ");
}

/// The text of an option; empty: not given.
[[nodiscard]] std::string option_of(const Arguments& a, const char* name);

}  // namespace yoke::cli
