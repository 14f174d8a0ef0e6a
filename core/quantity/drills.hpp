// Drills by number (1 ... 60), letter (A ... Z), inch fraction (1/64 steps to 1/2, 1/32 above to 1
// in, 1/16 above) and millimetre (0.1 steps to 14, 0.5 above): the common drill gauges.
#pragma once

#include <optional>
#include <string>

#include "quantity/message.hpp"

namespace yoke {

/// Diameter in metres of a number drill; nothing outside 1 ... 60.
[[nodiscard]] std::optional<double> number_drill_m(int number);
/// Of a letter drill; nothing outside A ... Z.
[[nodiscard]] std::optional<double> letter_drill_m(char letter);

struct Drill {
  Message name;  ///< "21/64 in", "No. 7", "letter P", "8.5 mm"
  double diameter_m = 0;
};
/// The smallest drill of each gauge that is not below a diameter: fraction, number or letter (up to
/// 10.49 mm), millimetre.
struct DrillChoice {
  Drill fraction;
  std::optional<Drill> gauge;
  Drill metric;
};
[[nodiscard]] DrillChoice drills_for(double least_m);
/// "21/64 in (8.33 mm), letter P, 8.4 mm"
[[nodiscard]] Message drill_words(double least_m);

/// Clearance hole for a stud: 0.4 mm more, which is 21/64 for 5/16 in (common practice, no source).
[[nodiscard]] double clearance_hole_m(double stud_m);
/// Pilot drill to begin with: 3 mm, or a third of small holes (common practice, no source).
[[nodiscard]] double pilot_hole_m(double hole_m);

}  // namespace yoke
