// The enums that stand in files and on the screen are each described once, beside the enum: the key
// that files and the command line use, and the words on the screen. Reader, writer, schema, command
// line and window read that description; an enum without one does not compile as a member of a
// record.
#pragma once

#include <array>
#include <cstddef>
#include <optional>
#include <string_view>

namespace yoke {

struct EnumWord {
  std::string_view key;
  std::string_view words;
};

/// One entry for each value, in the order of the values.
template <class Enum>
struct EnumWords;

/// Key of files and of the command line.
template <class Enum>
[[nodiscard]] constexpr std::string_view key_of(Enum value) {
  return EnumWords<Enum>::all[static_cast<std::size_t>(value)].key;
}
/// On the screen.
template <class Enum>
[[nodiscard]] constexpr std::string_view words_of_value(Enum value) {
  return EnumWords<Enum>::all[static_cast<std::size_t>(value)].words;
}
/// Every value, in order.
template <class Enum>
[[nodiscard]] constexpr auto all_values() {
  std::array<Enum, EnumWords<Enum>::all.size()> values{};
  for (std::size_t i = 0; i < values.size(); ++i) values[i] = static_cast<Enum>(i);
  return values;
}
template <class Enum>
[[nodiscard]] constexpr std::optional<Enum> find_value(std::string_view key) {
  for (std::size_t i = 0; i < EnumWords<Enum>::all.size(); ++i)
    if (EnumWords<Enum>::all[i].key == key) return static_cast<Enum>(i);
  return std::nullopt;
}

}  // namespace yoke
