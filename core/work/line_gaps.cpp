#include "work/line_gaps.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

constexpr double kStep_m = 0.002;

double wanted(const Box& b) {
  return b.kind == Box::Kind::hot      ? kHotGap_m
         : b.kind == Box::Kind::moving ? kMovingGap_m
                                       : kStillGap_m;
}

double from_box_m(const Box& b, double x, double y, double z) {
  const double dx = std::max(0.0, std::abs(x - b.x_m) - b.dx_m / 2);
  const double dy = std::max(0.0, std::abs(y - b.y_m) - b.dy_m / 2);
  const double dz = std::max(0.0, std::abs(z - b.z_m) - b.dz_m / 2);
  return std::sqrt(dx * dx + dy * dy + dz * dz);
}

/// Straights between the corners, walked in small steps: the bends cut corners and lie within.
double nearest_m(const Box& b, const std::vector<Point3>& corners) {
  double least = 1e9;
  for (std::size_t i = 0; i + 1 < corners.size(); ++i) {
    const Point3& p = corners[i];
    const Point3& q = corners[i + 1];
    const double length = std::hypot(q.x - p.x, q.y - p.y, q.z - p.z);
    const int n = std::max(1, static_cast<int>(std::ceil(length / kStep_m)));
    for (int k = 0; k <= n; ++k) {
      const double t = static_cast<double>(k) / n;
      least = std::min(least, from_box_m(b, p.x + t * (q.x - p.x), p.y + t * (q.y - p.y),
                                         p.z + t * (q.z - p.z)));
    }
  }
  return least;
}

}  // namespace

std::vector<LineGap> line_gaps(const Job& job, const PlannedLine& line) {
  std::vector<LineGap> list;
  if (!line.tube->from_face || line.corners.size() < 2) return list;
  const double half = line.tube->outside_m.value_or(kUsualTube_m) / 2;
  for (std::size_t i = 0; i < job.boxes.size(); ++i) {
    const Box& b = job.boxes[i];
    if (b.kind == Box::Kind::unit) continue;  // the line ends at it
    LineGap g{i, nearest_m(b, line.corners) - half - b.swing_m, wanted(b), false};
    g.enough = g.gap_m >= g.wanted_m;
    list.push_back(g);
  }
  std::sort(list.begin(), list.end(), [](const LineGap& a, const LineGap& b) {
    return a.gap_m - a.wanted_m < b.gap_m - b.wanted_m;
  });
  return list;
}

int clips(const TubeLine& tube, double length_m) {
  const double spacing = tube.support_m.value_or(kSupport_m);
  return std::max(1, static_cast<int>(std::ceil(length_m / spacing)) - 1);
}

std::vector<Message> hold_words(const Job& job, const PlannedLine& line) {
  std::vector<Message> words;
  if (!line.list) return words;
  const TubeLine& tube = *line.tube;
  const double spacing = tube.support_m.value_or(kSupport_m);
  const int n = clips(tube, line.list->cut_m);
  words.push_back(
      tube.support_m ? say("Clips: {}, no more than {} apart.", n, length(spacing, 0))
                     : say("Clips: {}, no more than {} apart (the usual spacing; local rules win).",
                           n, length(spacing, 0)));
  if (job.boxes.empty()) return words;
  if (!tube.from_face) {
    words.emplace_back(
        "Heat and what moves: not known while its corners are not measured from the mounting "
        "face.");
    return words;
  }
  for (const LineGap& g : line_gaps(job, line))
    if (!g.enough) {
      const std::string& name = job.boxes[g.box].name;
      words.push_back(g.gap_m < 0
                          ? say("Too near: it runs {} into {}, clear of it by {} is wanted.",
                                length(-g.gap_m, 0), name, length(g.wanted_m, 0))
                          : say("Too near: {} from {}, {} wanted.", length(g.gap_m, 0), name,
                                length(g.wanted_m, 0)));
    }
  return words;
}

}  // namespace yoke
