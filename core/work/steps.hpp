// The generated procedure: only the steps this very job needs, from the facts of the job.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct Step {
  StepId id{};
  Message part;  ///< "Before", "Out", "Rod" …
  Message text;
  Message caution;               ///< shown at the point of use; empty for none
  std::optional<Param> measure;  ///< as-built value to enter
  Message because;               ///< the fact of the job that calls for it; empty for every job
};
[[nodiscard]] std::vector<Step> install_steps(const Job& job);

}  // namespace yoke
