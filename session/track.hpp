// The work's view as the drawn way shows it.
#pragma once

#include <optional>

#include "paint/work_track.hpp"
#include "session/stage_views.hpp"

namespace yoke {

[[nodiscard]] Track track_of(const InstallView& view, std::optional<std::size_t> chosen,
                             const Style& style);

}  // namespace yoke
