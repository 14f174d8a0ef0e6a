// How much of each list a job file may hold: larger ones are refused by the reader and the window.
#pragma once

#include <cstddef>

namespace yoke {

inline constexpr std::size_t kMostCandidates = 24;
inline constexpr std::size_t kMostLater = 50;
inline constexpr std::size_t kMostParts = 200;

inline constexpr std::size_t kMostBoxes = 60;

}  // namespace yoke
