#include "fitting/envelope.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

double box_distance_m(const Box& a, const Box& b) {
  const double apart[3] = {std::abs(a.x_m - b.x_m) - (a.dx_m + b.dx_m) / 2,
                           std::abs(a.y_m - b.y_m) - (a.dy_m + b.dy_m) / 2,
                           std::abs(a.z_m - b.z_m) - (a.dz_m + b.dz_m) / 2};
  const double nearest = std::max({apart[0], apart[1], apart[2]});
  if (nearest <= 0) return nearest;
  double sum = 0;
  for (const double d : apart) sum += d > 0 ? d * d : 0;
  return std::sqrt(sum);
}

std::vector<BoxGap> box_gaps(const std::vector<Box>& boxes) {
  std::vector<BoxGap> list;
  for (std::size_t i = 0; i < boxes.size(); ++i) {
    if (boxes[i].kind != Box::Kind::unit) continue;
    for (std::size_t k = 0; k < boxes.size(); ++k) {
      if (k == i || boxes[k].kind == Box::Kind::unit) continue;
      BoxGap g;
      g.a = i;
      g.b = k;
      g.gap_m = box_distance_m(boxes[i], boxes[k]) - boxes[i].swing_m - boxes[k].swing_m;
      g.wanted_m = boxes[k].kind == Box::Kind::hot      ? kHotGap_m
                   : boxes[k].kind == Box::Kind::moving ? kMovingGap_m
                                                        : kStillGap_m;
      g.enough = g.gap_m >= g.wanted_m - 1e-6;
      list.push_back(g);
    }
  }
  std::stable_sort(list.begin(), list.end(), [](const BoxGap& x, const BoxGap& y) {
    return x.gap_m - x.wanted_m < y.gap_m - y.wanted_m;
  });
  return list;
}

}  // namespace yoke
