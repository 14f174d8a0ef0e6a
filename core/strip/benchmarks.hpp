// Figures of published rules to hold a plan against. From memory; local law rules.
//   passenger car (49 CFR 571.135; ECE R13-H): from 100 km/h within 0.1 v + 0.0060 v^2, one circuit
//   or the assist lost 0.1 v + 0.0158 v^2, pedal 65 ... 500 N; mean 6.43 and 2.44 m/s2
//   motorcycle, one brake alone (ECE R78): front 0.1 v + 0.0087 v^2 (4.4 m/s2) by 200 N of hand,
//   rear 0.1 v + 0.0133 v^2 (2.9 m/s2) by 350 N of foot
//   comfort, common practice, no source: unassisted 0.7 g at 330 N, assisted 180 N, hand lever 0.8
//   g at 120 N, clutch 150 N
#pragma once

#include <string>
#include <vector>

#include "strip/conditions.hpp"

namespace yoke {

/// v km/h -> m; the rule's own form.
[[nodiscard]] constexpr double rule_distance_m(double v_kmh, double factor) {
  return 0.1 * v_kmh + factor * v_kmh * v_kmh;
}
inline constexpr double kCarSound = 0.0060;
inline constexpr double kCarFailed = 0.0158;
inline constexpr double kCycleFront = 0.0087;
inline constexpr double kCycleRear = 0.0133;

struct Benchmark {
  Message words;  ///< "Stop of 0.656 g"
  Message source;
  double z = 0;         ///< deceleration it asks for
  double limit_n = 0;   ///< effort it allows
  double effort_n = 0;  ///< effort of the plan there
  double reached_z = 0;
  Verdict verdict = Verdict::cannot_say;
  Message why;  ///< why it fails or cannot be said
};
/// The benchmarks that apply to this job's control, judged on the plan.
[[nodiscard]] std::vector<Benchmark> benchmarks_of(const Job& job);

}  // namespace yoke
