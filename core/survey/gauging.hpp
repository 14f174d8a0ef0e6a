// Bore gauging for a rebuild: three depths, two directions.
//   ovality = largest difference of the two directions at one depth
//   taper = largest difference of the mean between two depths
//   clearance = largest bore - piston
// The limits are common practice, no source; the maker's figures win:
//   clearance 0.15 mm, taper and ovality 0.05 mm, growth by honing 0.10 mm, cup squeeze at least 3
//   % of its free lip.
#pragma once

#include <string>
#include <vector>

#include "document/values.hpp"
#include "quantity/message.hpp"

namespace yoke {

inline constexpr double kMostClearance_m = 0.15e-3;
inline constexpr double kMostTaper_m = 0.05e-3;
inline constexpr double kMostOvality_m = 0.05e-3;
inline constexpr double kMostHone_m = 0.10e-3;
inline constexpr double kLeastSqueeze = 0.03;

enum class RebuildVerdict { not_enough, rebuild, hone, sleeve, scrap };
[[nodiscard]] std::string_view rebuild_words(RebuildVerdict v);

struct GaugeReport {
  std::optional<double> largest_m;    ///< bore
  std::optional<double> ovality_m;    ///< needs both directions at one depth
  std::optional<double> taper_m;      ///< needs two depths
  std::optional<double> clearance_m;  ///< needs the piston
  std::optional<double> squeeze;      ///< of the cup's free lip, after honing
  std::optional<bool> pit_in_sweep;   ///< the cup passes over the pit
  RebuildVerdict verdict = RebuildVerdict::not_enough;
  std::vector<Message> because;
  std::vector<Message> missing;  ///< what to measure for a verdict
};
[[nodiscard]] GaugeReport gauge_report(const Values& found);

}  // namespace yoke
