// After a fault was found: where it is mended, step by step, and which proofs that opens again.
// What mends which fault is common practice, no source; which gates a step opens is the same table
// that lets them lapse (proving/evidence.hpp).
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "document/finding.hpp"
#include "document/job.hpp"
#include "proving/hypotheses.hpp"

namespace yoke {

struct Redo {
  Cause cause = Cause::none;
  Message fault;               ///< "air in circuit 1, 1.4 cm³"
  double weight = 0;           ///< how likely
  Message what;                ///< what to do again
  Stage stage{};               ///< where
  std::string step;            ///< key of a step of Install; empty: none
  std::string nipple;          ///< key of the first nipple to bleed; empty: none
  std::optional<Param> look;   ///< a value to measure again
  std::vector<Message> opens;  ///< gates that stand open again after it
};
/// The causes that are likely enough to be mended, likeliest first; those that say that nothing is
/// wrong are left out. Empty without a diagnosis.
[[nodiscard]] std::vector<Redo> redo_for(const Job& job, const Diagnosis& diagnosis);
/// The job's own readings and pump test weighed.
[[nodiscard]] Diagnosis diagnosis_of(const Job& job);

}  // namespace yoke
