#include "work/line_template.hpp"

#include <algorithm>

namespace yoke {

Template line_template(const TubeLine& tube, const BendList& list) {
  Template t;
  const double cut = list.cut_m * 1e3;
  const double half = list.outside_m * 500;
  t.title =
      say("{}: {} to cut, tube {}, bend radius {}", tube.name, in_full(list.cut_m, Kind::length, 0),
          length(list.outside_m, 2), length(list.radius_m, 1));
  t.lines.push_back({0, half, cut, half});
  t.lines.push_back({0, -half, cut, -half});
  t.lines.push_back({0, -half - 6, 0, half + 6});
  t.lines.push_back({cut, -half - 6, cut, half + 6});
  const auto flare = [&](double from, double to) {
    if (to > from) t.lines.push_back({to, -half, to, half, true});
  };
  flare(0, list.start_flare_m * 1e3);
  if (list.end_flare_m > 0)
    t.lines.push_back(
        {cut - list.end_flare_m * 1e3, -half, cut - list.end_flare_m * 1e3, half, true});
  int n = 0;
  double high = 0;
  for (const BendStep& b : list.bends) {
    const double at = b.mark_m * 1e3;
    const double end = at + list.radius_m * b.angle_rad * 1e3;
    t.lines.push_back({at, -half - 8, at, half + 8});
    t.lines.push_back({end, -half, end, half, true});
    // Words of neighbours stand one above the other.
    const double up = half + 10 + 6 * (n % 3);
    high = std::max(high, up + 5);
    t.texts.push_back(
        {at, up, 3, say("{}. {} from the cut end: {}", n + 1, length(b.mark_m, 1), bend_words(b))});
    ++n;
  }
  t.texts.push_back({0, -half - 14, 3, t.title});
  if (const Message rests = typical_words(list); !rests.empty())
    t.texts.push_back({0, -half - 20, 3, rests});
  t.x0 = -6;
  t.x1 = std::max(cut, list.bends.empty() ? cut : list.bends.back().mark_m * 1e3 + 110) + 6;
  t.y0 = -half - 24;
  t.y1 = std::max(high, half + 10) + 4;
  t.order = making_steps(tube, list);
  return t;
}

}  // namespace yoke
