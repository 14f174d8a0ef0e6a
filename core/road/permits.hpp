// The road, stage by stage: what opens each, how many stops it takes, what was seen, and what is
// due when it is back. Everything rests on the proof standing still: a gate that opens again shuts
// the road. Speeds, counts of stops and the list after the run: common practice, no source.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "document/finding.hpp"
#include "proving/gates.hpp"
#include "road/stops.hpp"

namespace yoke {

enum class RoadState {
  shut,  ///< something before it is open
  asks,  ///< may be begun when what it asks is answered for
  open,  ///< may be driven
  passed,
  failed  ///< do not drive
};

struct RoadStep {
  RoadStage stage{};
  Message name;
  Message how;
  Message care;
  double most_m_s = 0;  ///< not faster than this
  int wanted = 0;       ///< stops
  int done = 0;         ///< that count: slow enough, straight, no rear wheel locked
  RoadState state = RoadState::shut;
  std::vector<Message> asks;
  Message says;
};
/// In their order. `gates` and `findings` of the job.
[[nodiscard]] std::vector<RoadStep> road_steps(const Job& job, const std::vector<Gate>& gates);
/// The first that is not passed.
[[nodiscard]] std::size_t next_stage(const std::vector<RoadStep>& steps);

/// Whether a stop may be entered for a stage: the stage is open, the speed within it.
/// what was answered for was answered on the stop's day: weather, people and place are of a day.
[[nodiscard]] Expected<bool> may_count(const Job& job, const std::vector<RoadStep>& steps,
                                       const RoadStop& stop);

/// Which axle locks first by the model; nothing while it cannot be said.
[[nodiscard]] std::optional<LockSeen> lock_foretold(const Job& job);

/// The day so many days later; what is no day stays as it is.
[[nodiscard]] std::string day_after(const std::string& day, int days);

/// Due after the first run: on the day, and a week later.
struct AfterRun {
  std::string key;  ///< of its record among the steps: "after:joints"
  Message words;
  Message why;
  std::string due;  ///< ISO day
  bool done = false;
};
/// Empty before the first stop above walking pace.
[[nodiscard]] std::vector<AfterRun> after_run(const Job& job);

/// The list as the last row of the road.
[[nodiscard]] RoadStep after_step(const std::vector<AfterRun>& due);

/// Both wheels of an axle after a run.
struct HeatPair {
  Axle axle = Axle::front;
  double left_c = 0, right_c = 0;
  double plus_minus = 0;  ///< of their difference, expanded
  bool uneven = false;    ///< further apart than their doubt and what is usual
  bool even = false;      ///< surely not; neither: the doubt is too large to say
};
[[nodiscard]] std::vector<HeatPair> heat_pairs(const Job& job);

/// Rear wheels that locked first, wheels that are not as warm on both sides, a car that pulled, a
/// stop that was weak, a list that is open.
[[nodiscard]] std::vector<Finding> road_findings(const Job& job);

}  // namespace yoke
