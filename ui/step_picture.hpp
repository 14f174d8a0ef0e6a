// The drawing of this very job that shows what a step of the work is about.
#pragma once

#include "paint/picture.hpp"
#include "work/steps.hpp"

namespace yoke {

[[nodiscard]] Picture step_picture(const Job& job, StepPicture which, const Style& style,
                                   QSizeF size);

}  // namespace yoke
