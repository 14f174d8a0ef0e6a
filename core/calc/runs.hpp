// What each bench calculation computes from its inputs, in their order; only the table reads this.
#pragma once

#include <span>
#include <vector>

#include "figures/figures.hpp"

namespace yoke::calc {

using Result = Expected<std::vector<Figure>>;
using In = std::span<const double>;

[[nodiscard]] Result crowfoot(In v);
[[nodiscard]] Result line(In v);
[[nodiscard]] Result cut_length(In v);
[[nodiscard]] Result restriction(In v);
[[nodiscard]] Result fitting_find(In v);
[[nodiscard]] Result joint_check(In v);
[[nodiscard]] Result thread_match(In v);
[[nodiscard]] Result off_axis_sum(In v);
[[nodiscard]] Result flange(In v);
[[nodiscard]] Result steering(In v);
[[nodiscard]] Result copper(In v);
[[nodiscard]] Result vacuum_force(In v);
[[nodiscard]] Result pump_time(In v);
[[nodiscard]] Result stopping(In v);
[[nodiscard]] Result shoe(In v);
[[nodiscard]] Result turns(In v);
[[nodiscard]] Result head(In v);
[[nodiscard]] Result air(In v);
[[nodiscard]] Result usual_torque(In v);
[[nodiscard]] Result pedal_height(In v);
[[nodiscard]] Result hone(In v);

}  // namespace yoke::calc
