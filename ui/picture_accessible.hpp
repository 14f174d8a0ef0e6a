// What assistive programs see of a picture: the picture with all its numbers in words, and a child
// for every place that can be touched, with its own words, place and press.
#pragma once

namespace yoke {

/// Once, before the first picture is made; more often does no harm.
void make_pictures_accessible();

}  // namespace yoke
