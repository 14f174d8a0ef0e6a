// The foot strip: one small pedal column for each condition.
#pragma once

#include <vector>

#include "paint/picture.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// Spots are "condition:<n>" with n the ConditionId.
[[nodiscard]] Picture foot_strip_picture(const std::vector<ConditionReport>& strip,
                                         ConditionId shown, const Style& style, QSizeF size);

}  // namespace yoke
