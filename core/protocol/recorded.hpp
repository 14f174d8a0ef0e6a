// What a press recorded at an instrument gives the proof: readings at its pushes, and how a held
// pedal sinks.
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"
#include "instrument/trace.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// What a recording gives.
struct LiveTaken {
  bool practice = false;                   ///< of the stand-in: it proves nothing
  std::vector<Reading> readings;           ///< of its firmest press, at the pushes of the proof
  std::optional<TraceSink> sink;           ///< where it was held for long
  std::optional<double> rest_pressure_pa;  ///< by a gauge, foot off
  std::vector<Message> says;               ///< what was read, what was not, and why
};
[[nodiscard]] LiveTaken taken_of(const Job& job, const Trace& trace, const PressWay& how);

}  // namespace yoke
