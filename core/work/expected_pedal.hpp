// The pedal that this job should show at each stage of filling and bleeding, beside the one that is
// measured now: a good-looking bad pedal is caught before anybody trusts it.
//   brakes: pad travel at a push, with the air that each unbled branch still holds
//   a clutch: pad travel at which it is free, with that air
// The stages are those of work/work_stages.hpp; between filled and bled each nipple that does not
// run clear leaves its branch as it was filled. How much of a branch is air is a guess, and is
// called one.
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"

namespace yoke {

enum class PedalStage { dry, bench_bled, filled, part_bled, bled, assist_on };
[[nodiscard]] std::string_view stage_key(PedalStage stage);

struct ExpectedPedal {
  PedalStage stage{};
  Message name;
  double air_m3 = 0;               ///< in all circuits; a guess but for the bled ones
  std::optional<double> travel_m;  ///< pad travel at the push or when free; the stop's, if through
  bool to_the_stop = false;        ///< nothing holds it before floor or stop; never free
  bool now = false;                ///< where the job stands by what was counted
};
struct ExpectedPedals {
  Message title;  ///< what is compared: "The pedal, pressed with 150 N"
  bool clutch = false;
  double push_n = 0;                  ///< of brakes
  std::vector<ExpectedPedal> stages;  ///< empty while the pedal cannot be computed
  std::vector<Param> missing;
  std::vector<Param> rests_on;  ///< values of it that nobody measured
  /// The last press that was measured, and what its push should give now.
  std::optional<double> measured_m, measured_push_n, wanted_m;
  Message says;                  ///< match, or by how much it is off
  std::vector<Message> reasons;  ///< the likeliest first
};
[[nodiscard]] ExpectedPedals expected_pedals(const Job& job);

}  // namespace yoke
