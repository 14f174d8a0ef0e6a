// Push rod: how much to shorten or lengthen, turns for a pedal height, thread left.
//   q = socket depth - snout (seat from the mounting face, positive forwards into the bore)
//   dl = (q_new + g_new) - (q_old + g_old) - wanted increase of rod clearance
//   free play at the pad = clearance x i;  turns = dl / pitch (two pitches for a left/right
//   coupling)
// Textbook geometry; engagement at least 1.0 x diameter in steel (common practice, no source).
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "feel/conditions.hpp"
#include "job/finding.hpp"
#include "job/job.hpp"
#include "quantity/units.hpp"

namespace yoke {

/// Measurements of one unit at its mounting face; doubts are twice the standard uncertainty.
struct UnitFace {
  Length snout{};
  Length socket{};
  Length stack{};
  Length doubt{};  ///< of the sum of the three
};

struct RodChange {
  Length change{};  ///< minus: shorten
  Length doubt{};
};
/// Signed change of the rod's length; nothing is rounded.
[[nodiscard]] RodChange rod_change(const UnitFace& old_unit, const UnitFace& new_unit,
                                   Length clearance_increase);

/// Turns of the adjuster for a change of rod length; `pitches_per_turn` 1 or 2.
[[nodiscard]] double turns_for(Length change, Length pitch, int pitches_per_turn);
/// Rod change that moves the pad by a height.
[[nodiscard]] Length rod_for_height(Length height, double ratio);

struct RodReport {
  std::vector<Param> missing_change;  ///< needed for the length
  std::vector<Param> missing_turns;   ///< needed for the turns
  std::optional<RodChange> change;
  std::optional<double> ratio;         ///< at rest
  std::optional<Length> pad_doubt;     ///< the rod's doubt carried to the pad
  std::optional<Length> height_part;   ///< rod change for the wished pad height
  std::optional<Length> total;         ///< change plus height part
  std::optional<double> turns;         ///< of the total, plus: unscrew (lengthen)
  std::optional<double> height_turns;  ///< of the height part alone
  std::optional<Length> new_length;
  std::optional<Length> engaged_after;
  std::optional<Length> engaged_wanted;
  std::optional<Length> spare_after;
  std::optional<Length> free_play;  ///< at the pad
  std::vector<Finding> findings;
};
[[nodiscard]] RodReport rod_report(const Job& job);
/// The answer in words: "Shorten by 29.7 mm (1.170 in)".
[[nodiscard]] std::string rod_words(const RodReport& r, const Style& style);

/// Rod angle over the working stroke, and the side force it makes.
struct AnglePoint {
  double pad_travel_m = 0;
  double angle_rad = 0;
  double side_force_n = 0;
};
struct AngleReport {
  std::vector<Param> missing;
  std::vector<AnglePoint> points;  ///< 0 ... the plan's travel at the wanted stop (or the limit)
  double largest_rad = 0;
  double largest_side_n = 0;
  bool force_known = false;
  std::vector<Finding> findings;
};
[[nodiscard]] AngleReport angle_report(const Job& job, Which which);

}  // namespace yoke
