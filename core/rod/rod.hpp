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

#include "document/finding.hpp"
#include "document/job.hpp"
#include "document/values.hpp"
#include "quantity/message.hpp"
#include "quantity/units.hpp"
#include "strip/conditions.hpp"

namespace yoke {

/// Measurements of one unit at its mounting face; uncertainties are expanded with k = 2.
struct UnitFace {
  Length snout{};
  Length socket{};
  Length stack{};
  Length uncertainty{};  ///< of the sum of the three; expanded, k = 2
};

struct RodChange {
  Length change{};       ///< minus: shorten
  Length uncertainty{};  ///< expanded, k = 2
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
  std::vector<Param> missing_height;  ///< needed for the part of a wished pad height
  std::vector<Param> missing_turns;   ///< needed for the turns
  std::optional<RodChange> change;    ///< by the seats and the clearance: a part of the answer only
  Length clearance_more{};            ///< wanted increase of clearance, contained in `change`
  std::optional<double> ratio;        ///< at rest
  std::optional<Length> pad_uncertainty;  ///< the rod's doubt carried to the pad
  std::optional<Length> height_part;      ///< for the wished pad height; 0 without a wish
  std::optional<Length> total;         ///< change plus height part; nothing while one is not known
  std::optional<Length> per_turn;      ///< rod length a turn of the adjuster moves
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
/// The answer in words, made from the total, its parts named where there are several: "Lengthen by
/// 4.00 mm ± 0.12 mm: -2.00 mm for the other unit, +6.00 mm for the pad height".
[[nodiscard]] Message rod_words(const RodReport& r);
/// The same in a few words, without the parts: "shorten 29.7 mm".
[[nodiscard]] Message rod_status(const RodReport& r);

/// Less than this is not cut, turned or said: no calliper sees it.
inline constexpr double kLeastRodChange_m = 0.05e-3;
/// What a turn moves: pitch (fork), both pitches (left and right thread), their difference (same
/// hand). Below a micrometre a turn moves nothing. Nothing while a pitch is unknown.
[[nodiscard]] std::optional<Length> length_per_turn(const Values& v);

/// Rod angle over the working stroke, and the side force it makes.
struct AnglePoint {
  double pad_travel_m = 0;
  double angle_rad = 0;
  double side_force_n = 0;
};
struct AngleReport {
  std::vector<Param> missing;
  std::vector<AnglePoint> points;  ///< 0 ... the plan's travel at the target stop (or the limit)
  double largest_rad = 0;
  double largest_side_n = 0;
  bool force_known = false;
  std::vector<Finding> findings;
};
[[nodiscard]] AngleReport angle_report(const Job& job, As which);

}  // namespace yoke
