// How right it was: what came, less what was foretold, in standard uncertainties, press by press;
// eight in ten of honest bands lie in the band that is drawn.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "paint/picture.hpp"

namespace yoke {

[[nodiscard]] Picture right_picture(const std::vector<Foretold>& list, QSizeF size);

}  // namespace yoke
