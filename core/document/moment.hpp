// Moments as job files hold them: "2026-05-31T14:05:09", the clock on the wall.
#pragma once

#include <optional>
#include <string_view>

namespace yoke {

/// Seconds from one moment to the other; minus when it lies before. Nothing unless both are moments
/// of a calendar that exists.
[[nodiscard]] std::optional<long long> seconds_between(std::string_view from, std::string_view to);

}  // namespace yoke
