// What a job is decides what it is asked: the facts that it implies at its beginning, and the
// stages and faces that it has. Nothing that was entered is ever left out.
#pragma once

#include <string_view>
#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"

namespace yoke {

namespace choice {
enum class TargetJob;
}

/// A new job of that kind, with the facts that the choice implies.
[[nodiscard]] Job begun_job(choice::TargetJob kind);
/// What to measure first; the system it belongs to.
struct FirstMeasure {
  As which = As::found;
  Param param = kNoParam;
};
[[nodiscard]] FirstMeasure first_measure(choice::TargetJob kind);

/// A stage that such a job does not have is shown all the same while a hard finding stands in it.
[[nodiscard]] bool has_stage(const Job& job, const std::vector<Finding>& findings, Stage stage);
/// Bench arithmetic that this job has a use for: no accelerator stands beside a hand lever.
[[nodiscard]] bool has_calculator(const Job& job, std::string_view id);
/// Faces by the ids of the pages: "wrong", "assist".
[[nodiscard]] bool has_face(const Job& job, Stage stage, std::string_view face);

}  // namespace yoke
