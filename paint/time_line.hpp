// The job's time, drawn: a lane for each stage from the first day to the last, a mark for each
// thing that happened, and beside the lane hours worked, waited, wasted and the money.
#pragma once

#include <optional>
#include <vector>

#include "logbook/log.hpp"
#include "paint/picture.hpp"

namespace yoke {

/// Spots "stage:<n>". `chosen`: the stage whose lines are listed.
[[nodiscard]] Picture time_line_picture(const std::vector<Event>& events,
                                        const std::vector<StageTime>& stages,
                                        std::optional<Stage> chosen, const Style& style,
                                        QSizeF size);

}  // namespace yoke
