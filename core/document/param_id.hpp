// A parameter's id: a number of its own, named param::NAME in the header of its section,
// document/param/SECTION.hpp, which the build makes from the parameter table. A file includes the
// sections that it names, and is compiled again when one of these gets a new parameter.
#pragma once

#include "document/param/space.hpp"

namespace yoke {

enum class Param : int {};

/// No parameter at all.
inline constexpr Param kNoParam{-1};

[[nodiscard]] constexpr std::size_t number(Param p) {
  return static_cast<std::size_t>(p);
}

}  // namespace yoke
