// The pedal at each stage of the work, so that a good-looking bad pedal is caught: dry, bench-bled,
// filled by gravity, bled with the engine off, bled with it on. Dry and unbled stages are air of
// the volume that is not filled yet.
#pragma once

#include <string>
#include <vector>

#include "strip/conditions.hpp"

namespace yoke {

enum class WorkStage { dry, bench_bled, filled, bled_off, bled_on };
inline constexpr WorkStage kWorkStages[] = {WorkStage::dry, WorkStage::bench_bled,
                                            WorkStage::filled, WorkStage::bled_off,
                                            WorkStage::bled_on};
[[nodiscard]] std::string_view work_stage_words(WorkStage stage);

/// Share of the lines that stays air when a system is only filled by gravity: common practice, no
/// source.
inline constexpr double kGravityAir = 0.05;
/// The press by which stages are compared: a firm push of the hand or a light foot.
inline constexpr double kStagePush_n = 150.0;

/// What the system is like at that stage.
[[nodiscard]] Condition stage_condition(const System& system, WorkStage stage);

struct StagePress {
  WorkStage stage = WorkStage::dry;
  double pad_travel_m = 0;  ///< at `kStagePush_n`, or at the stop
  double pad_force_n = 0;
  bool to_the_stop = false;
  Stop stop = Stop::pad_stop;
};
/// All stages of the plan; fails as the plan itself does.
[[nodiscard]] Expected<std::vector<StagePress>> stage_presses(const System& system);

}  // namespace yoke
