// A PDF with an outline: what a reader shows beside the pages, each entry leading to its page.
#pragma once

#include <string>
#include <utility>
#include <vector>

#include "quantity/error.hpp"

namespace yoke {

/// `entries`: title in UTF-8, and the page it begins on, from 0. What is in the PDF stays as it is;
/// no streams of objects are made, which PDF/A-1 forbids. An error where it is no PDF.
[[nodiscard]] Expected<std::string> with_outline(
    const std::string& pdf, const std::vector<std::pair<std::string, int>>& entries);

}  // namespace yoke
