// A stop on the road in figures: from speed and distance, or from a phone's trace, with its doubt.
//   z = v^2 / (2 d g) + sin(slope), downhill more than 0 (textbook mechanics): what the brakes did,
//   the hill taken out
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "document/job.hpp"
#include "quantity/error.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct StopFigures {
  double z = 0;           ///< mean braking, g
  double plus_minus = 0;  ///< expanded (k = 2), g
  bool taken = false;     ///< nobody told the ± of speed or distance: a tenth, 0.3 m at least
};
/// Nothing while speed or distance is not known.
[[nodiscard]] std::optional<StopFigures> stop_figures(const RoadStop& stop);
/// "0.61 g ± 0.05"; a ± that nobody told is said to be taken.
[[nodiscard]] Message stop_words(const StopFigures& figures);
/// Whether a stop is less than was wanted, g. Only a ± that somebody told excuses it.
[[nodiscard]] bool stop_is_weak(const StopFigures& figures, double wanted_z);

/// How a phone's table of accelerations is read; nothing of it is guessed.
struct PhoneColumns {
  std::size_t time = 0, along = 1;  ///< columns, from 0
  double time_s = 1;                ///< seconds for one of the time column: 1, 0.001, 1e-9
  double along_m_s2 = 1;            ///< m/s2 for one of the other: 1, 9.80665; less than 0: turned
};
struct PhoneStop {
  double z_mean = 0, z_most = 0;  ///< over the stop, g
  double speed_m_s = 0;           ///< at its beginning, from the trace
  double distance_m = 0;
  double seconds = 0;
  double zero_g = 0;  ///< of the phone standing before or after: taken out
  std::size_t samples = 0;
};
inline constexpr std::size_t kMostPhoneRows = 200000;
/// Rows of numbers, as a table gives them. The longest run of braking above 0.1 g that ends at a
/// standstill; the zero is the mean of the last second. Errors name what is wrong.
[[nodiscard]] Expected<PhoneStop> phone_stop(const std::vector<std::vector<double>>& rows,
                                             const PhoneColumns& columns);

}  // namespace yoke
