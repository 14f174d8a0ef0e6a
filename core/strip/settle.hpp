// Whether what passes may be said to hold: a rule holds only when no value that nobody measured on
// the very thing decides it. Such a value decides when the rule would fail with it at an end of its
// typical range, or of its ±; one at a time.
#pragma once

#include <vector>

#include "strip/conditions.hpp"

namespace yoke {

/// A value that the numbers rest on and nobody measured on the very thing: typical, guessed, or
/// taken over from a unit that the plan replaces.
struct Unmeasured {
  Param param = Param::count_;
  bool found = false;  ///< of the fitted system
  bool plan = false;   ///< of the plan; of both: one value, taken over
  double low = 0;      ///< SI
  double high = 0;
};
/// Of the parameters for which `counts` is true; choices never.
[[nodiscard]] std::vector<Unmeasured> unmeasured(const Values& found, const Values& plan,
                                                 bool (*counts)(Group));
/// The same job with one of them at an end of its range.
[[nodiscard]] Job with_value(const Job& job, const Unmeasured& u, double si);

/// A value is tried at one end; at the other where the first says that it may matter: a change
/// three times as large the other way would break a rule. Reports that say "holds if typical"
/// without a name: either the value that decides is named, or nothing decides and they hold.
void settle(const StripInputs& inputs, std::vector<ConditionReport>& strip);

}  // namespace yoke
