// A job whose steps are all ticked and whose nipples all run clear.
#pragma once

#include "support/build.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke::test {

inline void do_all_work(Job& job) {
  for (const Step& s : install_steps(job)) record_for(job, s.id).done = true;
  for (const BleedRow& row : bleed_rows(job, bleed_plan(job)))
    for (int i = 0; i < kClearStrokes; ++i) count_stroke(job.bleeding[row.key], false);
}

}  // namespace yoke::test
