// The way of the fluid from an outlet to each brake or slave: its smallest hole, and what that
// costs on a quick press, cold and warm, with and without the joints. At a held pedal all bores see
// one pressure: a small bore only delays (lines/restriction.hpp).
#pragma once

#include <vector>

#include "document/job.hpp"
#include "lines/restriction.hpp"
#include "plumbing/net.hpp"

namespace yoke {

/// A quick press: 1 cm3 to one brake, 2 MPa behind it. Common practice, no source.
inline constexpr double kQuickMoved_m3 = 1e-6;
inline constexpr double kQuickBehind_pa = 2e6;
/// A hole through a joint counts as so long.
inline constexpr double kJointHole_m = 0.010;

struct LinePath {
  std::string end;  ///< key of the wheel or slave
  Message name;
  std::vector<PathPart> parts;
  std::vector<std::string> joints;  ///< keys of those whose hole was measured
  Message narrowest;                ///< where the smallest hole is
  double bore_m = 0;                ///< of that
  double mild_s = 0;                ///< at 20 degrees C
  double cold_s = 0;                ///< at -40
  double warm_s = 0;                ///< at 100
  double without_s = 0;             ///< at 20, were there no joint narrower than its line
  std::vector<Param> typical;       ///< lengths and bores of it that nobody measured
};
/// Of the plan's traced wheels, or its slave. The tube of an axle is counted whole, so that no path
/// comes out too short; joints count where their hole was measured.
[[nodiscard]] std::vector<LinePath> line_paths(const Job& job);

}  // namespace yoke
