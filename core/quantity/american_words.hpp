// The program's English as it is said and spelled in North America.
#pragma once

#include <string>
#include <string_view>

namespace yoke {

/// "Tyre" to "Tire", "flare spanner" to "flare-nut wrench"; a text without such words comes back as
/// it is.
[[nodiscard]] std::string for_america(std::string_view english);

}  // namespace yoke
