// What a stored assist still gives after the engine or its pump stopped: press by press.
//   vacuum: each push lets air in, isothermal (assist/reserve.hpp); hydraulic: each takes fluid
//   from the gas store; without one it is dead at once a press counts as helped while at least a
//   third of the first assist is left (common practice, no source); a stop as assisted while the
//   run-out line lies above what the target stop needs
#pragma once

#include <optional>
#include <vector>

#include "strip/conditions.hpp"

namespace yoke {

inline constexpr double kHelpedShare = 1.0 / 3;

struct ReserveStops {
  bool stored = false;  ///< vacuum, or a hydraulic unit: there is something to store
  Message refusal;      ///< why nothing can be said; empty when it can
  std::optional<int>
      assisted;                ///< target stops in a row; nothing while the stop cannot be computed
  std::optional<int> helped;   ///< full presses that feel helped
  std::vector<Pressure> left;  ///< difference (vacuum) or pressure (store, absolute) a press finds
  std::size_t strokes = 0;     ///< fluid for so many, of a hydraulic store
  std::optional<Pressure> difference;  ///< of vacuum, engine running
  std::optional<Pressure> ambient;
  Volume volume{};  ///< of the vacuum store
};
[[nodiscard]] ReserveStops reserve_stops(const StripInputs& in);

}  // namespace yoke
