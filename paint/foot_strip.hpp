// The foot strip: one small pedal column for each condition.
#pragma once

#include <vector>

#include "paint/picture.hpp"
#include "paint/theme.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// Spots are "condition:<n>" with n the ConditionId.
[[nodiscard]] Picture foot_strip_picture(const std::vector<ConditionReport>& strip,
                                         ConditionId shown, const Style& style, QSizeF size);

/// A verdict's shape, and its reason in words: in full for a screen reader, else as short as can
/// be.
[[nodiscard]] theme::Mark mark_of(Verdict verdict);
[[nodiscard]] QString verdict_line(const ConditionReport& condition, bool full, const Style& style);

}  // namespace yoke
