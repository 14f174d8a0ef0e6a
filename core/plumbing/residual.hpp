// Residual valves between master and wheels: in the line, and inside an outlet of the master.
#pragma once

#include <optional>

#include "assembly/assemble.hpp"

namespace yoke {

/// 2 psi holds a high-mounted caliper's fluid back; more keeps its pads on. Common practice, no
/// source.
inline constexpr double kDiscResidual_pa = 20e3;

struct ResidualOfAxle {
  double line_pa = 0;            ///< of the valve in the line; 0: none
  std::optional<Outlet> inside;  ///< the outlet that feeds the axle and holds a valve
  bool untraced = false;  ///< an outlet holds a valve, and a wheel of the axle is not traced yet
  [[nodiscard]] bool any() const { return line_pa > 0 || inside; }
  [[nodiscard]] bool two_in_series() const { return line_pa > 0 && inside; }
  /// More than discs bear: a valve inside a master is always a drum's.
  [[nodiscard]] bool of_a_drum() const { return line_pa > kDiscResidual_pa || inside; }
};
[[nodiscard]] ResidualOfAxle residual_of(const Values& values, Axle axle);

}  // namespace yoke
