// What the work disturbs must be checked again: gates passed before a later step touched what they
// prove, and parts that come off on the way. As step touches what is common practice, no source.
#pragma once

#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// The steps that may undo what a gate proved.
[[nodiscard]] std::vector<StepId> steps_touching(GateId gate);

struct DisturbedPart {
  Message part;   ///< "Brake lamp switch"
  Message by;     ///< what takes it off or moves it
  Message check;  ///< how it is proved again
};
/// Parts of this very job that its steps move, whether or not they are changed.
[[nodiscard]] std::vector<DisturbedPart> disturbed_parts(const Job& job);

}  // namespace yoke
