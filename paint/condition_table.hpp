// The conditions as large rows: name, effort, travel, what is left, and the verdict by shape and
// word.
#pragma once

#include <vector>

#include "paint/picture.hpp"
#include "strip/conditions.hpp"

namespace yoke {

[[nodiscard]] Picture condition_table_picture(const std::vector<ConditionReport>& strip,
                                              const Style& style, QSizeF size);

}  // namespace yoke
