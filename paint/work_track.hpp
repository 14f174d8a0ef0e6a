// The work as a way through the car: a lane for each place, a station for each step in its order,
// what is done, what can be done now, what waits and for what.
#pragma once

#include <optional>
#include <vector>

#include "document/place.hpp"
#include "paint/picture.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct TrackStep {
  enum class State { done, ready, waits };
  State state = State::waits;
  WorkPlace place = WorkPlace::bay;
  int hands = 1;
  long wait_s = 0;
  bool too_soon = false;           ///< ticked before what it needs
  QString name;                    ///< in the reader's language
  std::vector<std::size_t> needs;  ///< by their places in the order
};

struct Track {
  std::vector<TrackStep> steps;
  std::optional<std::size_t> chosen;  ///< its needs are drawn
};
/// Spots are "step:0", "step:1" … by the order.
[[nodiscard]] Picture work_track(const Track& track, QSizeF size);

}  // namespace yoke
