// Random jobs of the kind that the file reader accepts.
#pragma once

#include <cmath>
#include <random>

#include "support/build.hpp"

namespace yoke::test {

/// Values anywhere in the table's ranges: mostly absurd together, all of them legal one by one.
/// `wild` 0 … 1: how many leave the known job's values.
inline Job random_job(unsigned seed, double wild) {
  std::mt19937 rng(seed);
  std::uniform_real_distribution<double> u(0, 1);
  Job job = known_job();
  for (MeasuredSet* sheet : {&job.found, &job.plan, &job.built}) {
    for (const ParamInfo& p : all_params()) {
      if (u(rng) > wild * (sheet == &job.built ? 0.2 : 1.0)) continue;
      const double roll = u(rng);
      if (roll < 0.15) {
        sheet->set(p.param, Measured{});
      } else if (p.kind == Kind::choice) {
        sheet->set(p.param, {std::floor(u(rng) * (p.max_si + 0.999)), How::stated, 0, {}});
      } else {
        // The ends of the range are where arithmetic breaks: visit them often.
        const double t = roll < 0.3 ? 0.0 : roll < 0.45 ? 1.0 : u(rng);
        const double si = p.min_si + t * (p.max_si - p.min_si);
        sheet->set(p.param, measured(p.param, si, all_values<How>()[1 + rng() % 6]));
      }
    }
  }
  for (int i = 0; i < 5; ++i)
    job.readings.push_back({u(rng) * 800, u(rng) * 0.2, u(rng) * 20, u(rng) * 0.004, u(rng) < 0.5});
  job.pump = {u(rng) * 0.2, u(rng) * 0.2, u(rng) * 0.1, u(rng) * 120};
  return job;
}

}  // namespace yoke::test
