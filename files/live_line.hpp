// An instrument's line read where it stands: a serial device, a pipe, or "-" for what is piped in.
#pragma once

#include <string>

#include "instrument/trace.hpp"
#include "quantity/error.hpp"

namespace yoke {

/// What comes within so many seconds, or until the line ends. A serial device is set to `baud`,
/// eight bits, no parity; an error where it cannot be opened, or nothing in what came is a sample.
[[nodiscard]] Expected<Trace> listen(const std::string& device, double seconds, int baud,
                                     LineCounts* counts = nullptr);

}  // namespace yoke
