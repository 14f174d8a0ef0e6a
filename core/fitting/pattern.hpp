// Bolt patterns of the old and the new unit, one over the other, seen from the pedal: which studs
// serve, which holes would meet, and the adapter plate that joins them. x to the right, z up, from
// the common centre. Two studs stand apart by their pitch, three on a circle of that diameter, four
// on a rectangle. Webs and edges of one hole diameter: common practice, no source.
#pragma once

#include <string>
#include <vector>

#include "document/finding.hpp"
#include "document/values.hpp"

namespace yoke {

struct Hole {
  double x_m = 0;
  double z_m = 0;
  double diameter_m = 0;  ///< of the stud; a hole is larger by its clearance
};
struct Pattern {
  std::vector<Hole> studs;
  std::optional<double> pilot_m;
  std::vector<Param> missing;  ///< why there are no studs
};
/// The pattern of one unit, turned by an angle.
[[nodiscard]] Pattern pattern_of(const Values& unit, double turned_rad);

/// A new stud against the old ones.
struct StudMatch {
  double off_m = 0;       ///< to the nearest old stud
  bool serves = false;    ///< that old hole takes it, within its clearance
  bool meets = false;     ///< too near for two holes: the web between them is under a diameter
  bool overlaps = false;  ///< the drilled holes would run into each other, in any sheet or plate
};
struct PatternReport {
  Pattern old_pattern;
  Pattern new_pattern;
  std::vector<StudMatch> matches;  ///< one a new stud
  bool bolts_on = false;           ///< every new stud finds its old hole
  bool plate = false;              ///< an adapter plate joins them
  bool plate_holes_meet = false;   ///< one plate cannot carry both: its holes run together
  double plate_width_m = 0;        ///< smallest plate that holds both, a diameter and a half beyond
  double plate_height_m = 0;
  double pilot_hole_m = 0;  ///< hole for the new unit's collar
  std::vector<Message> because;
  std::vector<Finding> findings;
};
[[nodiscard]] PatternReport pattern_report(const Job& job);

}  // namespace yoke
