// Presses after the stop, as they were counted, beside what is predicted, and how long the help
// takes to come back: a check valve, a hose or a store that leaks shows in both. Common practice,
// no source.
#pragma once

#include <optional>

#include "document/job.hpp"
#include "strip/reserve_stops.hpp"

namespace yoke {

/// A press fewer than predicted is the counting's own doubt.
inline constexpr int kCountDoubt = 1;
/// An engine empties a booster in seconds; more is a narrow hole or a leak. Common practice, no
/// source.
inline constexpr double kBackByEngine_s = 10;

struct ReserveCheck {
  std::optional<int> counted, predicted;
  bool wrong = false;    ///< fewer than predicted
  bool typical = false;  ///< what is predicted rests on values that nobody measured
  Message says;          ///< "predicted 4", why
  std::optional<double> back_s, back_wanted_s;
  bool slow = false;
  Message back_says;
};
[[nodiscard]] ReserveCheck reserve_check(const Job& job, const ReserveStops& stops);
[[nodiscard]] ReserveCheck reserve_check(const Job& job);

}  // namespace yoke
