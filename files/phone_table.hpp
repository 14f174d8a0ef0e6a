// A table of accelerations as a phone writes it: heads, then rows of numbers. Which column is
// which, and in what unit, is asked: nothing is guessed.
#pragma once

#include <filesystem>
#include <string>
#include <string_view>
#include <vector>

#include "quantity/error.hpp"

namespace yoke {

inline constexpr std::size_t kMostPhoneFile = 32u << 20;

struct PhoneTable {
  std::vector<std::string> heads;  ///< "1", "2" … where the file has none
  std::vector<std::vector<double>> rows;
};
/// Rows that are no numbers are passed over; a cell that is none is NaN to nobody: it is left out
/// with its row.
[[nodiscard]] Expected<PhoneTable> phone_table_of(std::string_view text);
[[nodiscard]] Expected<PhoneTable> phone_table(const std::filesystem::path& path);

}  // namespace yoke
