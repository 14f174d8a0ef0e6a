// A line told as a bender hears it: legs from corner to corner, and between them how far the tube
// is turned and bent. "200 mm bend 90, 150 mm turn 45 bend 30, 300 mm".
#pragma once

#include <string_view>
#include <vector>

#include "plumbing/bend_list.hpp"
#include "quantity/kind.hpp"

namespace yoke {

struct Leg {
  double length_m = 0;  ///< corner to corner: where the straights would meet
  double turn_rad = 0;  ///< before the bend, against the bend before; clockwise along the tube
  double bend_rad = 0;  ///< at its end; the last leg has none
};
/// One to 39 legs; an error names the leg and what was not read in it. Angles in degrees.
[[nodiscard]] Expected<std::vector<Leg>> parse_legs(std::string_view text, UnitStyle style);
/// Its corners from the start at 0, the first leg forward, the first bend to the right.
[[nodiscard]] std::vector<Point3> corners_of_legs(const std::vector<Leg>& legs);

}  // namespace yoke
