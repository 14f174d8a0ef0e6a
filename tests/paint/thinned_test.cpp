// A line drawn with few points is the same line to the eye.
#include <QLineF>
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "paint/thinned.hpp"

using namespace yoke;

namespace {

/// How far a point stands off a broken line.
double off_line(QPointF p, const QPolygonF& line) {
  double least = 1e9;
  for (qsizetype i = 1; i < line.size(); ++i) {
    const QPointF a = line[i - 1];
    const QPointF ab = line[i] - a;
    const double l2 = QPointF::dotProduct(ab, ab);
    const double t = l2 > 0 ? std::clamp(QPointF::dotProduct(p - a, ab) / l2, 0.0, 1.0) : 0;
    least = std::min(least, QLineF(p, a + t * ab).length());
  }
  return least;
}

}  // namespace

TEST_CASE("a thinned line stays within its allowance, keeps its ends and its knees") {
  std::mt19937 draw(7);
  std::normal_distribution<double> step(0, 0.4);
  for (int round = 0; round < 50; ++round) {
    QPolygonF line;
    double y = 100;
    for (int i = 0; i < 400; ++i) {
      y += i == 200 ? 30 : 0.3 * step(draw);  // a knee in the midst
      line << QPointF(i, y);
    }
    const QPolygonF few = thinned(line, 0.5);
    REQUIRE(few.size() >= 2);
    CHECK(few.front() == line.front());
    CHECK(few.back() == line.back());
    CHECK(few.contains(line[199]));
    CHECK(few.contains(line[200]));
    CHECK(few.size() < line.size());
    for (const QPointF& p : line) CHECK(off_line(p, few) <= 0.5 + 1e-9);
  }
}

TEST_CASE("a straight line is two points, a line that turns back keeps its turn") {
  QPolygonF straight;
  for (int i = 0; i <= 100; ++i) straight << QPointF(i, 2 * i);
  CHECK(thinned(straight, 0.1) == QPolygonF({straight.front(), straight.back()}));
  const QPolygonF there_and_back{{0, 0}, {10, 0}, {0, 0}};
  CHECK(thinned(there_and_back, 0.1) == there_and_back);
  const QPolygonF point{{3, 4}};
  CHECK(thinned(point, 0.1) == point);
  CHECK(thinned({}, 0.1).isEmpty());
}
