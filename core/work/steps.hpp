// The generated procedure: only the steps this very job needs, from the facts of the job.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "document/job.hpp"

namespace yoke {

struct Step {
  StepId id{};
  std::string part;  ///< "Before", "Out", "Rod" …
  std::string text;
  std::string caution;           ///< shown at the point of use; empty for none
  std::optional<Param> measure;  ///< as-built value to enter
  std::string because;           ///< the fact of the job that calls for it; empty for every job
};
[[nodiscard]] std::vector<Step> install_steps(const Job& job);

}  // namespace yoke
