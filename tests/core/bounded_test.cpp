// Where eight in ten lie for what cannot pass a bound.
#include "proving/bounded.hpp"

#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>
#include <limits>
#include <random>

using namespace yoke;

namespace {

constexpr double kNone = std::numeric_limits<double>::infinity();

/// Two things that hang together by `r`; the first cannot be less than nothing.
BoundedFit pair(double first, double second, double r) {
  BoundedFit f{Eigen::Vector2d(first, second), Eigen::MatrixXd(2, 2), Eigen::Vector2d(0, -kNone),
               Eigen::Vector2d(kNone, kNone)};
  f.covariance << 1, r * 2, r * 2, 4;
  return f;
}

const std::vector<Eigen::VectorXd> kEach{Eigen::Vector2d(1, 0), Eigen::Vector2d(0, 1)};

}  // namespace

TEST_CASE("8 in 10: far from every bound it is 1.2816 standard uncertainties to either side") {
  const auto told = eight_in_ten_within(pair(20, 5, 0.6), kEach);
  // Table of the standard normal distribution: 90 % lie below 1.2816.
  REQUIRE((told[0] && told[1]));
  CHECK(told[0]->low == Approx(20 - 1.2816).margin(1e-4));
  CHECK(told[0]->high == Approx(20 + 1.2816).margin(1e-4));
  CHECK(told[1]->low == Approx(5 - 2 * 1.2816).margin(1e-4));
  CHECK(told[1]->high == Approx(5 + 2 * 1.2816).margin(1e-4));
}

TEST_CASE("8 in 10: no air is less than none, and what hangs on it is told closer") {
  const auto told = eight_in_ten_within(pair(0, 5, -0.9), kEach);
  REQUIRE((told[0] && told[1]));
  CHECK(told[0]->low == 0.0);
  CHECK(told[0]->high == Approx(1.2816).margin(0.08));
  // By counting draws of our own: beyond the bound the first is put on it, the second follows.
  std::mt19937 draw(3);
  std::normal_distribution<double> normal;
  std::vector<double> seconds;
  for (int i = 0; i < 200000; ++i) {
    const double a = normal(draw);
    const double b = 2 * (-0.9 * a + std::sqrt(1 - 0.81) * normal(draw));
    seconds.push_back(5 + (a < 0 ? b + 0.9 * 2 * a : b));
  }
  std::sort(seconds.begin(), seconds.end());
  CHECK(told[1]->low == Approx(seconds[seconds.size() / 10]).margin(0.12));
  CHECK(told[1]->high == Approx(seconds[seconds.size() * 9 / 10]).margin(0.12));
  CHECK(told[1]->high - told[1]->low < 0.8 * 2 * 2 * 1.2816);
}

TEST_CASE("8 in 10: an upper bound mirrors a lower one, and both may be felt") {
  BoundedFit f = pair(0, 5, -0.9);
  const auto lower = eight_in_ten_within(f, kEach);
  f.least[0] = -kNone, f.most[0] = 0;
  const auto upper = eight_in_ten_within(f, kEach);
  REQUIRE((lower[0] && upper[0] && lower[1] && upper[1]));
  CHECK(upper[0]->high == 0.0);
  CHECK(upper[0]->low == Approx(-lower[0]->high).margin(0.1));
  CHECK(upper[1]->low == Approx(10 - lower[1]->high).margin(0.2));
  f.least = Eigen::Vector2d(0, 5), f.most = Eigen::Vector2d(kNone, kNone);
  const auto both = eight_in_ten_within(f, kEach);
  REQUIRE((both[0] && both[1]));
  CHECK(both[0]->low == 0.0);
  CHECK(both[1]->low == 5.0);
}

TEST_CASE("8 in 10: the same fit always tells the same, and of no covariance nothing is told") {
  const auto once = eight_in_ten_within(pair(0.5, 5, 0.5), kEach);
  const auto again = eight_in_ten_within(pair(0.5, 5, 0.5), kEach);
  REQUIRE((once[1] && again[1]));
  CHECK(once[1]->low == again[1]->low);
  BoundedFit f = pair(0, 5, 0);
  f.covariance(0, 0) = -1;
  CHECK_FALSE(eight_in_ten_within(f, kEach)[0]);
  f.covariance(0, 0) = std::nan("");
  CHECK_FALSE(eight_in_ten_within(f, kEach)[1]);
}
