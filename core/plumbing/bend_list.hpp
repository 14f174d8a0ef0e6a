// A line from its corners in space to what a bender is told: straight, rotate, bend.
//   theta_i = angle between the straights that meet at corner i
//   setback_i = R tan(theta_i / 2);  straight_i = |P(i+1) - P(i)| - setback_i - setback_(i+1)
//   arc_i = R theta_i;  cut = sum(straights) + sum(arcs) + an allowance for each flare
//   rotation_i = signed angle between the planes of bends i-1 and i about the straight between
//   them, clockwise as seen along the tube from its start
// Textbook geometry. Allowances (5 mm a double flare on 3/16 in, 3 mm a bubble), the least radius
// of 2.5 to 3 tube diameters and 20 mm of straight before a flare are common practice, no source:
// try one on a scrap first.
#pragma once

#include <vector>

#include "document/tube.hpp"
#include "quantity/error.hpp"

namespace yoke {

struct Point3 {
  double x = 0, y = 0, z = 0;  ///< m
};

/// All lengths in m, angles in rad.
struct BendStep {
  double straight_m = 0;  ///< before the bend, between the ends of the bends
  double rotate_rad = 0;  ///< against the bend before; the first has none
  double angle_rad = 0;
  double mark_m = 0;       ///< where the bend begins, from the cut end
  std::size_t corner = 0;  ///< of the corners as they were entered
};
struct BendList {
  std::vector<BendStep> bends;
  double last_straight_m = 0;
  double cut_m = 0;  ///< to cut, flares included
  double start_flare_m = 0, end_flare_m = 0;
  double radius_m = 0, outside_m = 0;  ///< as counted with
  std::vector<Message> typical;        ///< what nobody measured and every mark rests on
  std::vector<Message> warnings;
};

/// 3/16 in, the usual brake tube, and three times the tube to its middle: common practice, no
/// source; the marks rest on them until tube and bender are measured.
inline constexpr double kUsualTube_m = 0.0047625;
inline constexpr double kUsualBend = 3.0;

/// Tube that a flare takes.
[[nodiscard]] double flare_allowance_m(Flare flare);
inline constexpr double kLeastBendRatio = 2.5;     ///< inside radius over the tube's outside
inline constexpr double kFlareStraight_m = 0.020;  ///< before a flare, for nut and clamp

/// Corners at least two, at most 40; errors name the corner: two at one place, a fold back,
/// setbacks that do not fit into the straight between them.
[[nodiscard]] Expected<BendList> bend_list(const TubeLine& tube,
                                           const std::vector<Point3>& corners);

/// Where the straights start: a corner, the way of the first straight, square to it the plane of
/// the first bend.
struct TubeFrame {
  Point3 at{};
  Point3 along{1, 0, 0};
  Point3 normal{0, 0, 1};  ///< the first bend turns about it
};
/// The corners of a list again.
[[nodiscard]] std::vector<Point3> corners_of(const BendList& list, const TubeFrame& frame);
/// The frame in which these corners stand.
[[nodiscard]] TubeFrame frame_of(const std::vector<Point3>& corners);

/// Pieces out of stock of one length.
struct StockPiece {
  std::size_t line = 0;
  double length_m = 0;
};
struct Stock {
  std::vector<StockPiece> pieces;
  double left_m = 0;
};
/// The longest first, each where it fits: `saw_m` is lost at every cut. A piece longer than the
/// stock is an error.
[[nodiscard]] Expected<std::vector<Stock>> cutting_list(const std::vector<double>& pieces_m,
                                                        double stock_m, double saw_m = 0.002);

}  // namespace yoke
