// Readings of the pedal as a spreadsheet writes them: a line of heads, then a reading a line.
//   force,travel[,gauge][,assist][,second][,clamped][,note]   in any order
// Each cell as people write it, with its unit ("20 kg", "48 mm"); yes or no (1 or 0) for the last
// ones. A file is a stranger's: it is bounded, and what cannot be read is named by its line.
#pragma once

#include <filesystem>
#include <vector>

#include "document/job.hpp"
#include "quantity/error.hpp"

namespace yoke {

inline constexpr std::size_t kMostReadingsFile = 1U << 20U;  ///< bytes

[[nodiscard]] Expected<std::vector<Reading>> readings_of_csv(std::string_view text,
                                                             const Style& style);
[[nodiscard]] Expected<std::vector<Reading>> readings_file(const std::filesystem::path& path,
                                                           const Style& style);

}  // namespace yoke
