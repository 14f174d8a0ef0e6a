// How far the fluid stands above the ports while it is bled: what left a chamber since it was last
// topped up, and how many strokes are left until air is drawn.
//   gone = sum over the nipples of a circuit of counts x fluid per count
// Pushed in from below the fluid rises instead, and what is told is when it runs over.
#pragma once

#include <optional>
#include <vector>

#include "document/job.hpp"
#include "quantity/units.hpp"
#include "work/bleeding.hpp"

namespace yoke {

/// It is said so many counts before the port is bare, not after.
inline constexpr int kWarnStrokes = 2;

struct ChamberLevel {
  Outlet outlet = Outlet::primary;
  bool rises = false;    ///< fed from below: room instead of fluid, for all outlets together
  Volume holds{};        ///< above its port when full; the room when it was drawn down
  Volume gone{};         ///< since it was topped up; pushed in since it was drawn down
  Volume per_stroke{};   ///< of one count
  int strokes_left = 0;  ///< before the port is bare or it runs over; below 0: by the count it was
  bool typical = false;  ///< the chamber, or what a count moves, was not measured
  [[nodiscard]] bool warn() const { return gone.value() > 0 && strokes_left <= kWarnStrokes; }
  [[nodiscard]] bool bare() const { return strokes_left < 0; }
};
/// Of the chambers that feed nipples of the plan; empty under a pressure bottle, where the level
/// never falls, and while fluid per count or the room is not known.
[[nodiscard]] std::vector<ChamberLevel> chamber_levels(const Job& job, const BleedPlan& plan);
/// The chamber that feeds a row of the plan; nullptr: none is told.
[[nodiscard]] const ChamberLevel* level_of(const std::vector<ChamberLevel>& levels,
                                           const BleedRow& row);

/// The reservoir is topped up, or drawn down: all chambers of it, so the level begins anew at every
/// nipple.
void top_up(Job& job, const std::string& key);
/// Air was drawn at this nipple: its circuit and the master are unbled again.
void ran_dry(Job& job, const BleedPlan& plan, const std::string& key);
/// Nipples, or the master, that are not clear since a chamber ran dry; by their keys.
[[nodiscard]] std::vector<std::string> dry_places(const Job& job, const BleedPlan& plan);

}  // namespace yoke
