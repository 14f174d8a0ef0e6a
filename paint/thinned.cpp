#include "paint/thinned.hpp"

#include <algorithm>
#include <cmath>
#include <utility>
#include <vector>

namespace yoke {

namespace {

double off_chord(QPointF at, QPointF from, QPointF to) {
  const QPointF along = to - from;
  const double length2 = QPointF::dotProduct(along, along);
  const auto length = [](QPointF v) { return std::sqrt(QPointF::dotProduct(v, v)); };
  if (length2 <= 0) return length(at - from);
  const double share = std::clamp(QPointF::dotProduct(at - from, along) / length2, 0.0, 1.0);
  return length(at - (from + share * along));
}

}  // namespace

QPolygonF thinned(const QPolygonF& line, double off) {
  const auto n = line.size();
  if (n < 3) return line;
  std::vector<bool> kept(static_cast<std::size_t>(n));
  kept.front() = kept.back() = true;
  // A list of our own instead of recursion: a line may have any number of points.
  std::vector<std::pair<qsizetype, qsizetype>> open{{0, n - 1}};
  while (!open.empty()) {
    const auto [first, last] = open.back();
    open.pop_back();
    qsizetype furthest = first;
    double most = off;
    for (qsizetype i = first + 1; i < last; ++i) {
      const double d = off_chord(line[i], line[first], line[last]);
      if (d > most) {
        most = d;
        furthest = i;
      }
    }
    if (furthest == first) continue;
    kept[static_cast<std::size_t>(furthest)] = true;
    open.emplace_back(first, furthest);
    open.emplace_back(furthest, last);
  }
  QPolygonF few;
  for (qsizetype i = 0; i < n; ++i)
    if (kept[static_cast<std::size_t>(i)]) few << line[i];
  return few;
}

}  // namespace yoke
