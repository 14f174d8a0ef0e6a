// How a system is bled: first the master, then at the nipples. The ways are data
// (bleed_methods.def); which of them can be gone is told by what is at hand and by what stands in
// the lines. Common practice without a source; the maker's book wins.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "document/job.hpp"

namespace yoke {

/// In the order of the two questions "Master bled first" and "Then at the nipples".
enum class BleedWayId {
  tubes,
  plugs,
  finger,
  car,
  helper,
  gravity,
  pressure,
  vacuum,
  reverse,
  connector
};

struct BleedMethod {
  BleedWayId id{};
  bool bench = false;  ///< of the master alone, before the nipples
  Message words;
  Message why;
  std::vector<Message> tools;
  std::vector<Message> steps;
  Message pass;
  Message cannot;
  std::optional<BleedWayId> safer;
  Message care;
};
/// All of them, in the order of the file.
[[nodiscard]] const std::vector<BleedMethod>& bleed_methods();
[[nodiscard]] const BleedMethod& method_of(BleedWayId id);

enum class WayState {
  ready,    ///< everything for it is at hand
  open,     ///< something it needs was not said
  lacking,  ///< something it needs is not there, or stands against it
};
struct WayChoice {
  BleedWayId id{};
  WayState state = WayState::open;
  Message says;  ///< what is lacking or not said; empty when ready
  bool chosen = false;
};
/// Of this job: a clutch has no anti-lock unit, brakes have no line connector.
[[nodiscard]] std::vector<WayChoice> way_choices(const Job& job);
[[nodiscard]] std::optional<BleedWayId> chosen_bench(const Job& job);
[[nodiscard]] std::optional<BleedWayId> chosen_way(const Job& job);
/// The chosen one, or the first that is ready, or else the first that may be.
[[nodiscard]] std::optional<BleedWayId> offered_bench(const Job& job);
[[nodiscard]] std::optional<BleedWayId> offered_way(const Job& job);

/// With plugs a master is bled when a push moves it no further than this.
inline constexpr double kPlugPush_m = 1e-3;
/// A pressure bottle that nobody's sheet allows more.
inline constexpr double kUsualBottle_pa = 1e5;

/// The unit in the car is the one that was in it, not rebuilt: its seals never ran at the end of
/// the bore.
[[nodiscard]] bool old_unit_stays(const Job& job);
/// Of a full stroke, what is pressed with such a unit: a block of wood stands under the pedal.
inline constexpr double kOldUnitShare = 0.5;

}  // namespace yoke
