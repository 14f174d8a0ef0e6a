// The pedal before anything was changed, by the shape a brake pedal has: a dead stroke, then what
// brakes, hoses and fluid take, soft at first and stiffening. Two numbers are fitted to the
// readings, travel against force: dead stroke d and the scale k of the elastic part,
//   s = d + k e(F), weighted linear least squares, textbook statistics
// e(F) is the found system's own where it can be pressed, else that of a caliper brake at the
// pressure that bore and arms make of the force (core/circuit). Readings without assist, first
// press, hoses free.
#pragma once

#include <optional>

#include "document/job.hpp"
#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {

struct BeforeCurve {
  Message because;        ///< why nothing can be said; empty when it can
  std::size_t used = 0;   ///< readings
  bool by_model = false;  ///< the shape is the found system's own
  double dead_m = 0;
  double dead_uncertainty_m = 0;  ///< expanded, k = 2
  double slope_n_m = 0;           ///< at the firmest reading
  double slope_uncertainty_n_m = 0;
  double misfit_m = 0;  ///< root mean square of what is left
};
[[nodiscard]] BeforeCurve before_curve(const Job& job, const StripInputs& inputs);

}  // namespace yoke
