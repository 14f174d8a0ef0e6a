#include "quantity/checks.hpp"

#include <cmath>

namespace yoke {

Expected<bool> check_all(std::span<const Check> checks) {
  const Style both;
  for (const Check& c : checks) {
    if (std::isfinite(c.si) && c.si >= c.lo && c.si <= c.hi) continue;
    const std::string value =
        std::isfinite(c.si) ? format_quantity(c.si, c.kind, 2, both) : std::string("not a number");
    return fail({.field = c.field,
                 .value = value,
                 .range = format_quantity(c.lo, c.kind, 2, both) + " to " +
                          format_quantity(c.hi, c.kind, 2, both),
                 .reason = std::string(c.words) + " cannot be " + value,
                 .remedy = c.remedy});
  }
  return true;
}

}  // namespace yoke
