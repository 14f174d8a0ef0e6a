// A type of assist drawn to scale in the room that was measured for it.
#pragma once

#include "document/values.hpp"
#include "paint/picture.hpp"
#include "sizing/assist_choice.hpp"

namespace yoke {

[[nodiscard]] Picture assist_room_picture(const AssistChoice& choice, const Values& plan,
                                          const Style& style, QSizeF size);

}  // namespace yoke
