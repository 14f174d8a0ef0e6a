// Typical values that depend on what is fitted: a hand lever, a clutch, a booster of another kind.
#pragma once

#include <optional>

#include "document/job.hpp"

namespace yoke {

/// The typical value of a parameter for this very system, SI; nothing where only a measurement can
/// tell. All are common practice without a source unless the table names one.
/// Its typical value is another one for a lever, a clutch, another kind of assist or brake.
[[nodiscard]] bool typical_by_kind(Param param);
[[nodiscard]] std::optional<double> typical_of(const Job& job, As which, Param param);

}  // namespace yoke
