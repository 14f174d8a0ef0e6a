// From the job's values to a clutch that can be pressed, and what is missing for it.
#pragma once

#include <utility>
#include <vector>

#include "clutch/clutch.hpp"
#include "document/values.hpp"

namespace yoke {

struct ClutchAssembly {
  std::optional<ClutchSystem> system;
  std::vector<Param> missing;     ///< of the clutch itself
  std::vector<Error> impossible;  ///< readings that contradict each other
};
/// `air_m3` free air in the line; `temperature` of the fluid when it is not the stated one.
[[nodiscard]] ClutchAssembly assemble_clutch(const Values& values, double air_m3 = 0,
                                             std::optional<double> temperature_c = std::nullopt);

/// Line from master to slave, what was not measured as it is typical.
[[nodiscard]] std::pair<Tube, Hose> clutch_line(const Values& values);

/// Gap of a concentric slave by its stack, for a spacer; nothing while a depth is unknown.
[[nodiscard]] std::optional<Length> stack_gap(const Values& values, Length spacer);

}  // namespace yoke
