// What was measured while building against what the plan says: a miss is told at once, for strip
// and gates count with what was built. Tolerances are common practice, no source.
#pragma once

#include <optional>
#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"

namespace yoke {

struct AsBuiltCheck {
  Param param = kNoParam;
  double built_si = 0;
  std::optional<double> planned_si;  ///< nothing: the plan has no figure of its own
  double tolerance_si = 0;           ///< beside the ± of the measurement itself
  bool missed = false;
  Message words;  ///< "planned 148.0 mm: 4.3 mm more, 0.5 mm allowed"
};
/// Nothing while it was not measured as built.
[[nodiscard]] std::optional<AsBuiltCheck> as_built_check(const Job& job, Param param);
/// Of everything that was measured as built, in the order of the parameter table.
[[nodiscard]] std::vector<AsBuiltCheck> as_built_checks(const Job& job);
[[nodiscard]] std::vector<Finding> as_built_findings(const Job& job);

}  // namespace yoke
