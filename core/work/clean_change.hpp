// The unit changed with the least air let in: line by line from plug to tube, a cloth to catch, and
// what must be bled again after it. What runs out of an open line is told by its bore and length
// under the fluid that stands above it (Hagen-Poiseuille, textbook). Common practice, no source.
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"

namespace yoke {

/// Fluid stands so far above an open line end: reservoir or wheel over the other.
inline constexpr double kHead_m = 0.3;

struct ChangeStep {
  Message words;
  std::optional<double> loss_m3_s;  ///< while the line is open; nothing: its length is not known
  bool typical = false;             ///< by a length or a tube that nobody measured
};
struct CleanChange {
  std::vector<ChangeStep> steps;
  std::vector<Message> bleeds;  ///< what is bled again
};
/// Empty where no other unit comes, or where nothing was there before.
[[nodiscard]] CleanChange clean_change(const Job& job);

/// Fluid a second out of an open line under a head, at 20 degrees C.
[[nodiscard]] std::optional<double> open_line_loss(double bore_m, double length_m);

}  // namespace yoke
