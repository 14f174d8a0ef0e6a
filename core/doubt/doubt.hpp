// How sure a figure is: every measured or typical value is drawn within its doubt, and the bands of
// every reported figure are told. First-order sensitivities rank which measurement to improve next.
//   doubt = twice the standard uncertainty; normal, clipped at 3 standard uncertainties and at the
//   parameter's range. Random numbers are counter-based (SplitMix64 of seed, stream and sample), so
//   the result is the same on any number of cores.
#pragma once

#include <array>
#include <cstdint>
#include <functional>
#include <span>
#include <string>
#include <vector>

#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// Every figure that a condition reports at its target.
enum class PressQuantity {
  effort,         ///< N at the pad; of a clutch the peak
  travel,         ///< m at the pad
  reserve_share,  ///< of the available travel
  reserve,        ///< m at the pad
  stiffness,      ///< N/m at the pad
  pressure,       ///< Pa in the line
  rod_force,      ///< N
  stroke,         ///< m of the master
  left1,          ///< m of the first piston's stroke
  left2,
  deceleration,  ///< g reached
  bite_travel,   ///< m at the pad where 0.05 g begins; of a clutch where it bites
  lock_z,        ///< g at which a first axle locks; what is reached when none does
  piston1,       ///< m of the first piston's stroke used
  piston2,
  front_pressure,  ///< Pa at the wheels
  rear_pressure,
  layers,  ///< first of the travel budget's layers, m at the pad; `layer_figure` names the others
  count_ = layers + static_cast<int>(kLayerCount)
};
inline constexpr std::size_t kPressQuantityCount = static_cast<std::size_t>(PressQuantity::count_);
[[nodiscard]] constexpr PressQuantity layer_figure(std::size_t layer) {
  return static_cast<PressQuantity>(static_cast<std::size_t>(PressQuantity::layers) + layer);
}
struct PressQuantityInfo {
  std::string key;  ///< "effort_N"
  Message words;    ///< "Effort"
  Kind kind;
  int digits;
};
[[nodiscard]] const PressQuantityInfo& press_quantity_info(PressQuantity id);

struct Band {
  double low = 0;     ///< 10 % of the samples lie below
  double middle = 0;  ///< half
  double high = 0;    ///< 90 %
  bool said = true;   ///< false: over a tenth of the draws have no such figure
};

struct Sensitivity {
  Param param = kNoParam;
  /// Change of each figure for one standard uncertainty of the parameter.
  std::array<double, kPressQuantityCount> change{};
  [[nodiscard]] double of(PressQuantity id) const { return change[static_cast<std::size_t>(id)]; }
};

struct DoubtRequest {
  std::size_t samples = 4000;  ///< 100 … 50000
  std::uint64_t seed = 1;
  unsigned threads = 0;  ///< 0: as many as the machine has
  /// Called now and then with the share done, from one of the threads; false cancels.
  std::function<bool(double)> progress;
};

struct ConditionDoubt {
  ConditionId id = ConditionId::plan;
  Message because;             ///< why nothing can be said; empty when it can
  std::size_t impossible = 0;  ///< draws that contradict themselves; left out
  double pass_share = 0;       ///< of the draws, within the condition's limits
  /// Of the draws, those that fail each rule.
  std::array<double, kPressRules> fail_share{};
  std::array<Band, kPressQuantityCount> bands{};
  std::vector<Sensitivity> ranked;  ///< largest influence first, by effort and travel together
  [[nodiscard]] const Band& band(PressQuantity f) const {
    return bands[static_cast<std::size_t>(f)];
  }
};

struct DoubtReport {
  std::size_t samples = 0;
  std::vector<ConditionDoubt> conditions;  ///< in the order asked for
};

/// A uniform number in (0, 1) that depends on its three counters alone.
[[nodiscard]] double counter_uniform(std::uint64_t seed, std::uint64_t stream,
                                     std::uint64_t sample);
/// Standard normal by the inverse of its distribution, clipped at ±3.
[[nodiscard]] double counter_normal(std::uint64_t seed, std::uint64_t stream, std::uint64_t sample);

/// Draws all conditions together: one draw of the values presses each of them. An error says that
/// nothing can be said of any, or that it was cancelled.
[[nodiscard]] Expected<DoubtReport> doubt(const Job& job, std::span<const ConditionId> ids,
                                          const DoubtRequest& request);
/// One condition.
[[nodiscard]] Expected<ConditionDoubt> doubt(const Job& job, ConditionId id,
                                             const DoubtRequest& request);

/// First-order sensitivities alone, unranked draws left out: fast. Empty while the condition cannot
/// be pressed.
[[nodiscard]] std::vector<Sensitivity> sensitivities(const Job& job, ConditionId id);

/// 8 of 10 curves lie between: bands of pad travel at given pad forces. A force that over a tenth
/// of the draws cannot reach ends the band.
struct CurveBand {
  std::vector<double> force_n;
  std::vector<Band> travel_m;
};
[[nodiscard]] Expected<CurveBand> curve_band(const Job& job, ConditionId id,
                                             std::span<const double> forces_n,
                                             const DoubtRequest& request);

}  // namespace yoke
