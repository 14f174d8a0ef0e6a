// What the line of force shows of the session: the pressed state of the shown condition.
#pragma once

#include "paint/line_of_force.hpp"
#include "session/session.hpp"

namespace yoke {

[[nodiscard]] LineInput line_input(const Session& session);

}  // namespace yoke
