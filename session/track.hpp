// The work's view as the drawn way shows it.
#pragma once

#include <optional>

#include "paint/work_track.hpp"
#include "session/stage_views.hpp"

namespace yoke {

[[nodiscard]] Track track_of(const InstallView& view, std::optional<std::size_t> chosen,
                             const Style& style);

/// "You: … Helper: … Call: … Alone: …", a line each.
[[nodiscard]] QString call_words(const Call& call, const Style& style);

}  // namespace yoke
