// How far the fluid stands above the ports while it is bled: what left a chamber since it was last
// topped up, and how many strokes are left until air is drawn.
//   gone = sum over the wheels of a circuit of strokes x fluid per stroke
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"
#include "quantity/units.hpp"
#include "work/bleeding.hpp"

namespace yoke {

/// It is said so many strokes before the port is bare, not after.
inline constexpr int kWarnStrokes = 2;

struct ChamberLevel {
  Outlet outlet = Outlet::primary;
  Volume holds{};  ///< above its port when full
  Volume gone{};   ///< since it was topped up
  Volume per_stroke{};
  int strokes_left = 0;  ///< before the port is bare; below 0: by the count it was bare
  bool typical = false;  ///< the chamber, or what a stroke moves, was not measured
  [[nodiscard]] bool warn() const { return gone.value() > 0 && strokes_left <= kWarnStrokes; }
  [[nodiscard]] bool bare() const { return strokes_left < 0; }
};
/// Of the chambers that feed wheels of the plan; empty where a stroke tells no volume: by gravity,
/// vacuum, a pressure bottle or from below, and while fluid per stroke is not known.
[[nodiscard]] std::vector<ChamberLevel> chamber_levels(const Job& job, const BleedPlan& plan);
/// The chamber that feeds a row of the plan; nullptr: none is told.
[[nodiscard]] const ChamberLevel* level_of(const std::vector<ChamberLevel>& levels,
                                           const BleedRow& row);

/// The reservoir is topped up: all chambers of it, so the count begins anew at every nipple.
void top_up(Job& job, const std::string& key);
/// Air was drawn at this nipple: its circuit and the master are unbled again.
void ran_dry(Job& job, const BleedPlan& plan, const std::string& key);
/// Nipples, or the master, that are not clear since a chamber ran dry; by their keys.
[[nodiscard]] std::vector<std::string> dry_places(const Job& job);

}  // namespace yoke
