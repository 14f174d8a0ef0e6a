// A job that may be given away: nobody's name, no photo, no place, no words of the builder's own;
// every value, step, reading and proof stays.
#pragma once

#include "document/job.hpp"

namespace yoke {

[[nodiscard]] Job without_names(Job job);

}  // namespace yoke
