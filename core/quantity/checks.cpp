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
                 .range = say("{} to {}", amount(c.lo, c.kind, 2), amount(c.hi, c.kind, 2)),
                 .reason = std::isfinite(c.si)
                               ? say("{} cannot be {}", c.words, amount(c.si, c.kind, 2))
                               : say("{} is not a number", c.words),
                 .remedy = c.remedy});
  }
  return true;
}

}  // namespace yoke
