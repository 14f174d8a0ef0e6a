// Which outlet feeds which wheels: entered, never assumed. Crossed and doubled outlets are
// findings.
#pragma once

#include <vector>

#include "assembly/assemble.hpp"
#include "document/finding.hpp"

namespace yoke {

/// Wheels of each outlet as traced, wheels not traced yet, and what is wrong.
struct OutletReport {
  std::vector<Wheel> first;
  std::vector<Wheel> second;
  std::vector<Wheel> untraced;
  bool retrace = false;    ///< traced on the unit that is replaced: open again, all of them
  bool separated = false;  ///< each outlet has at least one wheel
  std::vector<Finding> findings;
};
[[nodiscard]] OutletReport outlet_report(const Job& job, As which);

/// The other outlet for a wheel: the first one while it is not traced.
[[nodiscard]] Measured other_outlet(const Job& job, As which, Wheel wheel);

}  // namespace yoke
