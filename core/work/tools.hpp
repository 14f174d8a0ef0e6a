// What lies ready before the work begins: tools of the steps, and a spanner for every fitting whose
// thread is known, with the sizes that look alike and do not fit.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// A size across flats, said in inches and millimetres with its near misses: the next smaller of
/// the other system does not go on, the next larger rounds the nut. Common practice, no source.
[[nodiscard]] Message spanner_words(double across_flats_m, bool metric);

struct ToolNeed {
  Message what;
  Message why;           ///< the fitting, or the first step that asks for it
  bool unknown = false;  ///< the fitting's thread is not known: no size can be said
};
/// For the steps of this job that are still open, and the fittings of the old and the new unit.
[[nodiscard]] std::vector<ToolNeed> tool_list(const Job& job);

}  // namespace yoke
