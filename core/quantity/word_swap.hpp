// Whole words of a text put in place of others, capitals kept.
#pragma once

#include <span>
#include <string>
#include <string_view>
#include <utility>

namespace yoke {

using WordPair = std::pair<std::string_view, std::string_view>;

/// Every whole word of the list, small or with a capital, in place of its partner; the first of the
/// list that stands at a place is taken, so longer ones come first. A word after a full stop
/// without a space is part of an id and stays.
[[nodiscard]] std::string with_words(std::string_view text, std::span<const WordPair> words);

}  // namespace yoke
