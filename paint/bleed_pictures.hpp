// Bleeding drawn: the two chambers of the reservoir with their level above the port, the pedal that
// is expected at each stage beside the one that was measured, the fluid by its boiling points, and
// the net with what a cloth said of each joint.
#pragma once

#include "paint/net_picture.hpp"
#include "work/bleed_level.hpp"
#include "work/expected_pedal.hpp"
#include "work/fluid_plan.hpp"
#include "work/purge.hpp"
#include "work/wetness.hpp"

namespace yoke {

/// `fed`: the outlet whose chamber feeds the nipple at hand; 0: none.
[[nodiscard]] Picture chambers_picture(const std::vector<ChamberLevel>& levels, int fed,
                                       const Style& style, QSizeF size);
[[nodiscard]] Picture expected_picture(const ExpectedPedals& pedals, const Style& style,
                                       QSizeF size);
[[nodiscard]] Picture fluid_picture(const FluidPlan& plan, const Style& style, QSizeF size);
/// Each sweep from the middle to either side, as long as it is at the rim.
[[nodiscard]] Picture purge_picture(const PurgeState& state, const Style& style, QSizeF size);
/// Spots "joint:<key>".
[[nodiscard]] Picture wipe_picture(const Job& job, const std::string& selected, QSizeF size);

}  // namespace yoke
