#include "plumbing/bend_list.hpp"

#include <algorithm>
#include <cmath>
#include <numeric>

#include "quantity/quantity.hpp"

namespace yoke {

namespace {

constexpr double kSame_m = 1e-5;
constexpr double kStraight_rad = 1e-6;
constexpr double kFold_rad = 3.0;  ///< 172 degrees: the tube comes back along itself
constexpr std::size_t kMostCorners = 40;

Point3 minus(const Point3& a, const Point3& b) {
  return {a.x - b.x, a.y - b.y, a.z - b.z};
}
Point3 plus(const Point3& a, const Point3& b, double times) {
  return {a.x + times * b.x, a.y + times * b.y, a.z + times * b.z};
}
double dot(const Point3& a, const Point3& b) {
  return a.x * b.x + a.y * b.y + a.z * b.z;
}
Point3 cross(const Point3& a, const Point3& b) {
  return {a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x};
}
double norm(const Point3& a) {
  return std::sqrt(dot(a, a));
}
Point3 unit(const Point3& a) {
  const double n = norm(a);
  return n > 0 ? Point3{a.x / n, a.y / n, a.z / n} : Point3{1, 0, 0};
}
/// Turned about a unit axis (Rodrigues).
Point3 turned(const Point3& v, const Point3& axis, double angle) {
  const double c = std::cos(angle);
  const Point3 k = cross(axis, v);
  return plus(plus({v.x * c, v.y * c, v.z * c}, k, std::sin(angle)), axis, dot(axis, v) * (1 - c));
}
/// Some way square to another.
Point3 square_to(const Point3& a) {
  return unit(cross(a, std::abs(a.z) < 0.9 ? Point3{0, 0, 1} : Point3{1, 0, 0}));
}

double angle_between(const Point3& a, const Point3& b) {
  return std::atan2(norm(cross(a, b)), dot(a, b));
}

tl::unexpected<Error> wrong(const Message& reason, const Message& remedy) {
  return fail({"corners", "", "", reason, remedy});
}

bool finite(const Point3& p) {
  return std::isfinite(p.x) && std::isfinite(p.y) && std::isfinite(p.z);
}

/// A straight of the line, from one corner that bends to the next.
struct Leg {
  Point3 way{};
  double length_m = 0;
  std::size_t to = 0;  ///< corner at its end
};

/// Corners in one line with their neighbours bend nothing: their straights become one.
Expected<std::vector<Leg>> legs_of(const std::vector<Point3>& corners) {
  std::vector<Leg> legs;
  for (std::size_t i = 1; i < corners.size(); ++i) {
    const Point3 way = minus(corners[i], corners[i - 1]);
    if (norm(way) < kSame_m)
      return wrong(say("Corners {} and {} are at one place", i, i + 1), "Take one of them out");
    if (!legs.empty() && angle_between(legs.back().way, way) > kFold_rad)
      return wrong(say("At corner {} the line folds back on itself", i),
                   "Lead it round by another corner");
    if (!legs.empty() && angle_between(legs.back().way, way) < kStraight_rad) {
      legs.back().length_m += norm(way);
      legs.back().to = i;
    } else {
      legs.push_back({unit(way), norm(way), i});
    }
  }
  return legs;
}

/// What the marks rest on and nobody measured.
void tell_typical(const TubeLine& tube, BendList& list) {
  if (!tube.outside_m)
    list.typical.push_back(say("tube of {}, not measured", length(list.outside_m, 2)));
  if (!tube.radius_m && !list.bends.empty())
    list.typical.push_back(
        say("bend radius {}, not measured: bend a scrap and measure it", length(list.radius_m, 1)));
  if (list.start_flare_m + list.end_flare_m > 0)
    list.typical.push_back(say("flares taking {} and {} of tube: try one on a scrap",
                               length(list.start_flare_m, 0), length(list.end_flare_m, 0)));
}

void warn(const TubeLine& tube, BendList& list) {
  const double inside = list.radius_m - list.outside_m / 2;
  if (!list.bends.empty() && inside < kLeastBendRatio * list.outside_m)
    list.warnings.push_back(say("inside radius {}: the tube kinks below {}", length(inside, 1),
                                length(kLeastBendRatio * list.outside_m, 1)));
  const auto end = [&](Flare flare, double straight, const char* words) {
    if (flare != Flare::none && straight < kFlareStraight_m)
      list.warnings.push_back(say("{}: {} of straight, nut and flaring clamp want {}", words,
                                  length(straight, 0), length(kFlareStraight_m, 0)));
  };
  if (list.bends.empty()) return;
  end(tube.start, list.bends.front().straight_m, "start");
  end(tube.end, list.last_straight_m, "end");
}

}  // namespace

double flare_allowance_m(Flare flare) {
  return flare == Flare::double_45 ? 0.005 : flare == Flare::none ? 0 : 0.003;
}

Expected<BendList> bend_list(const TubeLine& tube, const std::vector<Point3>& corners) {
  if (corners.size() < 2) return wrong("A line has two ends at least", "Enter its corners");
  if (corners.size() > kMostCorners)
    return wrong(say("A line has {} corners at most", kMostCorners), "Make it of two lines");
  if (!std::all_of(corners.begin(), corners.end(), finite))
    return wrong("A corner is not a number", "Enter it again");
  BendList list;
  list.outside_m = tube.outside_m.value_or(kUsualTube_m);
  list.radius_m = tube.radius_m.value_or(kUsualBend * list.outside_m);
  if (!(list.radius_m > 0) || !(list.outside_m > 0) || list.radius_m <= list.outside_m / 2)
    return fail({"radius", "", "", "The bend radius is smaller than the tube itself",
                 "Measure the bender's radius to the middle of the tube"});
  const auto legs = legs_of(corners);
  if (!legs) return tl::unexpected(legs.error());
  list.start_flare_m = flare_allowance_m(tube.start);
  list.end_flare_m = flare_allowance_m(tube.end);
  double along = list.start_flare_m;
  double setback = 0;
  for (std::size_t i = 0; i < legs->size(); ++i) {
    const Leg& leg = (*legs)[i];
    const bool last = i + 1 == legs->size();
    const double angle = last ? 0 : angle_between(leg.way, (*legs)[i + 1].way);
    const double next = last ? 0 : list.radius_m * std::tan(angle / 2);
    const double straight = leg.length_m - setback - next;
    if (straight < -1e-9)
      return wrong(say("Before corner {} the bends need {} and have {}", leg.to + 1,
                       length(setback + next, 1), length(leg.length_m, 1)),
                   "Move the corners apart, or bend with a smaller radius");
    if (last) {
      list.last_straight_m = std::max(0.0, straight);
      along += list.last_straight_m;
      break;
    }
    BendStep b;
    b.straight_m = std::max(0.0, straight);
    b.angle_rad = angle;
    b.corner = leg.to;
    if (i > 0) {
      const Point3 n1 = cross((*legs)[i - 1].way, leg.way);
      const Point3 n2 = cross(leg.way, (*legs)[i + 1].way);
      b.rotate_rad = std::atan2(dot(leg.way, cross(n1, n2)), dot(n1, n2));
    }
    along += b.straight_m;
    b.mark_m = along;
    along += list.radius_m * angle;
    setback = next;
    list.bends.push_back(b);
  }
  list.cut_m = along + list.end_flare_m;
  tell_typical(tube, list);
  warn(tube, list);
  return list;
}

std::vector<Point3> corners_of(const BendList& list, const TubeFrame& frame) {
  std::vector<Point3> corners{frame.at};
  Point3 way = unit(frame.along);
  Point3 normal = unit(frame.normal);
  double setback = 0;
  for (const BendStep& b : list.bends) {
    const double next = list.radius_m * std::tan(b.angle_rad / 2);
    corners.push_back(plus(corners.back(), way, setback + b.straight_m + next));
    normal = turned(normal, way, b.rotate_rad);
    way = turned(way, normal, b.angle_rad);
    setback = next;
  }
  corners.push_back(plus(corners.back(), way, setback + list.last_straight_m));
  return corners;
}

TubeFrame frame_of(const std::vector<Point3>& corners) {
  TubeFrame f;
  if (corners.size() < 2) return f;
  f.at = corners[0];
  f.along = unit(minus(corners[1], corners[0]));
  f.normal = square_to(f.along);
  for (std::size_t i = 2; i < corners.size(); ++i) {
    const Point3 n = cross(f.along, minus(corners[i], corners[i - 1]));
    if (norm(n) > kStraight_rad * norm(minus(corners[i], corners[i - 1]))) {
      f.normal = unit(n);
      break;
    }
  }
  return f;
}

Expected<std::vector<Stock>> cutting_list(const std::vector<double>& pieces_m, double stock_m,
                                          double saw_m) {
  std::vector<std::size_t> order(pieces_m.size());
  std::iota(order.begin(), order.end(), std::size_t{0});
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return pieces_m[a] > pieces_m[b]; });
  std::vector<Stock> list;
  for (const std::size_t i : order) {
    const double piece = pieces_m[i];
    if (!(piece > 0) || !(piece <= stock_m))
      return fail(
          {"stock", "", "",
           say("Line {} needs {}, the stock has {}", i + 1, length(piece, 0), length(stock_m, 0)),
           "Take longer stock, or make it of two lines with a joint"});
    const auto it = std::find_if(list.begin(), list.end(),
                                 [&](const Stock& s) { return s.left_m >= piece + saw_m; });
    Stock& s = it == list.end() ? list.emplace_back(Stock{{}, stock_m}) : *it;
    s.left_m -= piece + (s.pieces.empty() ? 0 : saw_m);
    s.pieces.push_back({i, piece});
  }
  return list;
}

}  // namespace yoke
