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
  Param param = kNoParam;
  bool found = false;  ///< of the fitted system
  bool plan = false;   ///< of the plan; of both: one value, taken over
  /// SI: the two ends of its range; of a choice every other option that it may turn out to be.
  std::vector<double> tries;
};
/// Of the parameters for which `counts` is true. Of the choices those that say what a thing is like
/// (its hoses, shoes, springs); never what makes the system the one it is (its use, the kinds of
/// master, assist and brakes), nor whether a part is there of which nobody spoke.
[[nodiscard]] std::vector<Unmeasured> unmeasured(const Values& found, const Values& plan,
                                                 bool (*counts)(Group));
/// The same job with one of them at an end of its range.
[[nodiscard]] Job with_value(const Job& job, const Unmeasured& u, double si);

/// A value is tried at one end; at the other where the first says that it may matter: a change
/// three times as large the other way would break a rule. Reports that say "holds if typical"
/// without a name: either the value that decides is named, or nothing decides and they hold.
void settle(const StripInputs& inputs, std::vector<ConditionReport>& strip);

}  // namespace yoke
