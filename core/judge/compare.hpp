// Two jobs, or one at two moments, side by side: what differs that the pedal feels, how the pedal
// comes out, and how it was proved.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct CompareRow {
  enum class Of { pedal, value, proof } of{};
  Message what;                             ///< "plan: effort", "Bore"
  Message a, b;                             ///< "unknown" where it is
  bool better_a = false, better_b = false;  ///< of what has a better side
  bool operator==(const CompareRow&) const = default;
};
/// What the pedal does first, then the values that differ and that a press hangs on, then proofs.
/// Equal values are left out; figures of the pedal are told even when they are equal.
[[nodiscard]] std::vector<CompareRow> compare_jobs(const Job& a, const Job& b);

}  // namespace yoke
