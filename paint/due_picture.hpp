// What is open and what falls due: one card a thing, its day and how far off it is, what it makes
// wrong.
#pragma once

#include <vector>

#include "paint/picture.hpp"
#include "road/due.hpp"

namespace yoke {

/// Spots "due:<n>"; as high as its cards ask for. `chosen`: its card is marked.
[[nodiscard]] Picture due_picture(const std::vector<DueThing>& list, const std::string& chosen,
                                  const Style& style, QSizeF size);
/// "in 12 days", "3 days ago", "open for 40 days".
[[nodiscard]] QString due_words(const DueThing& due);

}  // namespace yoke
