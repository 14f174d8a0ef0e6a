// A joint's torque on a wrench that carries a crowfoot.
#pragma once

#include "document/joint.hpp"
#include "quantity/error.hpp"

namespace yoke {

/// What the dial is set to, with the crowfoot in line and square to the wrench; nothing while the
/// joint has no maker's figure. An error for tools that cannot be.
[[nodiscard]] Expected<Message> dial_words(const JointRecord& joint, double wrench_m,
                                           double crowfoot_m);

}  // namespace yoke
