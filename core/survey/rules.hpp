// Rules of the trade that need no arithmetic: what age breaks, what a change before this one upset,
// what a later conversion will upset. All common practice, no source.
#pragma once

#include <string>
#include <vector>

#include "document/finding.hpp"
#include "document/values.hpp"

namespace yoke {

/// One consequence: what is the matter, and what to do about it.
struct Consequence {
  Message what;
  Message remedy;
  Message order;  ///< part to have in hand before starting; empty: none
  Severity severity = Severity::note;
  FindingCode code{};
};

/// Disturbed, it breaks: what age and state mean for the work, worst first.
[[nodiscard]] std::vector<Consequence> ageing_consequences(const Values& found);
/// What was changed before, and which assumption of the old system that broke.
[[nodiscard]] std::vector<Consequence> upstream_consequences(const Values& found);
/// Settings of the plan that a later conversion makes wrong.
[[nodiscard]] std::vector<Consequence> later_consequences(LaterKind what, const Values& plan);

/// Valves to fit and to remove now, axle by axle, by the brakes and the height of the calipers.
[[nodiscard]] std::vector<Consequence> residual_rules(const Values& plan);

}  // namespace yoke
