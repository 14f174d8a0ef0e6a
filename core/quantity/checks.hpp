// Range checks for arguments that are not parameters of a job: one way to refuse them.
#pragma once

#include <span>

#include "quantity/error.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

/// One argument and what it may be; bounds are SI and inclusive.
struct Check {
  const char* field;  ///< id, as on the command line
  const char* words;  ///< "The old bore"
  double si;
  double lo;
  double hi;
  Kind kind;
  const char* remedy;
};

/// Whether every argument is finite and within its bounds; the first that is not is named with its
/// value, its range and what to do.
[[nodiscard]] Expected<bool> check_all(std::span<const Check> checks);

}  // namespace yoke
