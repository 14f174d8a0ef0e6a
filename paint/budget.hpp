// The travel budget: what eats the pad's travel, as layers side by side for two designs.
#pragma once

#include "paint/picture.hpp"
#include "strip/conditions.hpp"

namespace yoke {

[[nodiscard]] Picture budget_picture(const std::vector<ConditionReport>& reports,
                                     const Style& style, QSizeF size);

}  // namespace yoke
