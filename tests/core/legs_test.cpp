// A line told by legs and angles: the corners it has, and what a bender is told of them again.
#include "plumbing/legs.hpp"

#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "plumbing/torque.hpp"

using namespace yoke;

namespace {

double far(const Point3& a, const Point3& b) {
  return std::hypot(a.x - b.x, a.y - b.y, a.z - b.z);
}

}  // namespace

TEST_CASE("legs are read as a bender says them, and refused by their number") {
  const auto legs = parse_legs("200 mm bend 90, 6 in turn -45 bend 30; 300", UnitStyle::metric);
  REQUIRE(legs);
  REQUIRE(legs->size() == 3);
  CHECK((*legs)[0].length_m == Approx(0.2));
  CHECK((*legs)[0].bend_rad == Approx(M_PI / 2));
  CHECK((*legs)[1].length_m == Approx(0.1524));
  CHECK((*legs)[1].turn_rad == Approx(-M_PI / 4));
  CHECK((*legs)[2].length_m == Approx(0.3));
  CHECK((*legs)[2].bend_rad == 0);
  for (const char* bad : {"", "200, 300", "200 bend 90,", "200 bend 90, x", "-5 bend 90, 200",
                          "200 bend, 300", "200 bend 180, 300", "20 m"}) {
    INFO(bad);
    CHECK_FALSE(parse_legs(bad, UnitStyle::metric));
  }
  CHECK(english(parse_legs("200 bend 90, oops, 300", UnitStyle::metric).error().reason)
            .find("Leg 2") == 0);
  std::string many;
  for (int i = 0; i < 60; ++i) many += "10 bend 20, ";
  CHECK_FALSE(parse_legs(many + "10", UnitStyle::metric));
}

TEST_CASE("a U by legs by hand: up the second leg, back beside the first") {
  const auto legs = parse_legs("200 bend 90, 100 bend 90, 200", UnitStyle::metric);
  REQUIRE(legs);
  const auto c = corners_of_legs(*legs);
  REQUIRE(c.size() == 4);
  CHECK(far(c[1], {0.2, 0, 0}) < 1e-12);
  CHECK(far(c[2], {0.2, 0.1, 0}) < 1e-12);
  CHECK(far(c[3], {0.0, 0.1, 0}) < 1e-12);
  // Turned by a quarter before the second bend it stands up out of the plane.
  const auto turned =
      corners_of_legs(*parse_legs("200 bend 90, 100 turn 90 bend 90, 200", UnitStyle::metric));
  CHECK(std::abs(turned[3].z) == Approx(0.2));
  CHECK(turned[3].x == Approx(0.2));
}

TEST_CASE("a crowfoot in line asks for less on the dial, square to it for the figure itself") {
  JointRecord joint;
  CHECK(dial_words(joint, 0.3, 0.04)->empty());  // no maker's figure: nothing is told
  joint.torque_nm = 15;
  // By hand: 15 x 300 / (300 + 40) = 13.2.
  CHECK(english(*dial_words(joint, 0.3, 0.04)).find("Dial 13.2 N·m") == 0);
  CHECK(english(*dial_words(joint, 0.3, 0.04)).find("15.0 N·m") != std::string::npos);
  CHECK_FALSE(dial_words(joint, 0, 0.04));
}

TEST_CASE("the bender's list of 2000 random lines by legs tells the same turns and bends") {
  std::mt19937 rng(31);
  const auto draw = [&](double lo, double hi) {
    return std::uniform_real_distribution<double>(lo, hi)(rng);
  };
  TubeLine tube;
  tube.radius_m = 0.015;
  for (int n = 0; n < 2000; ++n) {
    std::vector<Leg> legs;
    const int count = 2 + n % 8;
    for (int i = 0; i < count; ++i)
      legs.push_back({draw(0.15, 0.5), i > 0 ? draw(-3.0, 3.0) : 0.0, draw(0.1, 2.2)});
    legs.back().bend_rad = legs.back().turn_rad = 0;
    const auto list = bend_list(tube, corners_of_legs(legs));
    REQUIRE(list);
    REQUIRE(list->bends.size() == legs.size() - 1);
    for (std::size_t i = 0; i + 1 < legs.size(); ++i) {
      CHECK(list->bends[i].angle_rad == Approx(legs[i].bend_rad).margin(1e-9));
      if (i > 0) CHECK(list->bends[i].rotate_rad == Approx(legs[i].turn_rad).margin(1e-8));
    }
  }
}
