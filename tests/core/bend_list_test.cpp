// Lines from corners to straight, rotate, bend: rebuilt from the list, 10,000 random lines; hand
// calculations; refusals by name; pieces out of coils.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "plumbing/bend_list.hpp"
#include "quantity/units.hpp"

using namespace yoke;

namespace {

double apart(const Point3& a, const Point3& b) {
  return std::hypot(std::hypot(a.x - b.x, a.y - b.y), a.z - b.z);
}

std::vector<Point3> random_corners(std::mt19937& rng, std::size_t count) {
  std::uniform_real_distribution<double> step(-0.4, 0.4);
  std::vector<Point3> list{{step(rng), step(rng), step(rng)}};
  for (std::size_t i = 1; i < count; ++i) {
    const Point3& p = list.back();
    list.push_back({p.x + step(rng), p.y + step(rng), p.z + step(rng)});
  }
  return list;
}

}  // namespace

TEST_CASE("10,000 random lines: the corners come back from the bend list") {
  std::mt19937 rng(7);
  TubeLine tube;
  std::size_t made = 0;
  std::size_t refused = 0;
  double worst = 0;
  while (made < 10000) {
    const auto corners = random_corners(rng, 2 + rng() % 9);
    const auto list = bend_list(tube, corners);
    if (!list) {
      ++refused;
      continue;
    }
    ++made;
    const auto back = corners_of(*list, frame_of(corners));
    REQUIRE(back.size() == corners.size());
    for (std::size_t i = 0; i < corners.size(); ++i)
      worst = std::max(worst, apart(back[i], corners[i]));
    // The cut is what all parts add up to.
    double sum = list->start_flare_m;
    for (const BendStep& b : list->bends) {
      CHECK(b.mark_m == Approx(sum + b.straight_m));
      sum += b.straight_m + list->radius_m * b.angle_rad;
    }
    CHECK(list->cut_m == Approx(sum + list->last_straight_m + list->end_flare_m));
  }
  CHECK(worst < 1e-9);
  CHECK(refused < 2000);
}

TEST_CASE("a line by hand: two square bends, one of them turned up") {
  TubeLine tube;
  tube.radius_m = 0.015;
  tube.start = Flare::double_45;
  tube.end = Flare::bubble;
  // 200 along x, 100 to the right, 300 up.
  const auto list = bend_list(tube, {{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.1, 0}, {0.2, 0.1, 0.3}});
  REQUIRE(list);
  REQUIRE(list->bends.size() == 2);
  CHECK(list->bends[0].straight_m == Approx(0.185));
  CHECK(list->bends[0].angle_rad == Approx(kPi / 2));
  CHECK(list->bends[0].mark_m == Approx(0.190));  // 5 mm for the flare
  CHECK(list->bends[1].straight_m == Approx(0.070));
  CHECK(std::abs(list->bends[1].rotate_rad) == Approx(kPi / 2));
  CHECK(list->last_straight_m == Approx(0.285));
  CHECK(list->cut_m == Approx(0.005 + 0.185 + 0.070 + 0.285 + 0.003 + 2 * 0.015 * kPi / 2));
  // Down instead of up turns the other way.
  const auto down = bend_list(tube, {{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.1, 0}, {0.2, 0.1, -0.3}});
  REQUIRE(down);
  CHECK(down->bends[1].rotate_rad == Approx(-list->bends[1].rotate_rad));
  // In one plane nothing is turned; back over the same side it is turned by half.
  const auto flat = bend_list(tube, {{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.1, 0}, {0.4, 0.1, 0}});
  REQUIRE(flat);
  CHECK(std::abs(flat->bends[1].rotate_rad) == Approx(kPi));
  // A corner that does not bend is part of the straight.
  const auto straight = bend_list(tube, {{0, 0, 0}, {0.1, 0, 0}, {0.3, 0, 0}});
  REQUIRE(straight);
  CHECK(straight->bends.empty());
  CHECK(straight->cut_m == Approx(0.308));
}

TEST_CASE("what cannot be bent is refused by its corner") {
  TubeLine tube;
  tube.radius_m = 0.015;
  const auto why = [&tube](const std::vector<Point3>& corners) {
    const auto list = bend_list(tube, corners);
    return list ? std::string() : english(list.error().text());
  };
  CHECK(why({{0, 0, 0}}).find("two ends") != std::string::npos);
  CHECK(why({{0, 0, 0}, {0, 0, 0}}).find("Corners 1 and 2 are at one place") != std::string::npos);
  CHECK(why({{0, 0, 0}, {0.2, 0, 0}, {0.1, 0, 0}}).find("corner 2 the line folds back") !=
        std::string::npos);
  // Two square bends need 30 mm between their corners.
  CHECK(why({{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.03, 0}, {0.2, 0.03, 0.2}}).empty());
  CHECK(why({{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.0299, 0}, {0.2, 0.0299, 0.2}})
            .find("Before corner 3 the bends need") != std::string::npos);
  CHECK(why({{0, 0, 0}, {std::nan(""), 0, 0}}).find("not a number") != std::string::npos);
  CHECK(why(std::vector<Point3>(41)).find("40 corners at most") != std::string::npos);
  tube.radius_m = 0.002;
  CHECK(why({{0, 0, 0}, {0.2, 0, 0}}).find("smaller than the tube") != std::string::npos);
}

TEST_CASE("a tight bend and a short end warn") {
  TubeLine tube;
  tube.outside_m = 0.0047625;
  tube.radius_m = 0.0142;
  CHECK(bend_list(tube, {{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.2, 0}})->warnings.size() == 1);
  tube.radius_m = 0.0143;  // inside 11.92 mm, 2.5 times the tube is 11.91
  CHECK(bend_list(tube, {{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.2, 0}})->warnings.empty());
  const auto tight = bend_list(tube, {{0, 0, 0}, {0.03, 0, 0}, {0.03, 0.2, 0}});
  REQUIRE(tight->warnings.size() == 1);
  CHECK(english(tight->warnings.front()).find("start") == 0);
  tube.start = Flare::none;
  CHECK(bend_list(tube, {{0, 0, 0}, {0.03, 0, 0}, {0.03, 0.2, 0}})->warnings.empty());
}

TEST_CASE("pieces come out of coils, the longest first, and the waste is told") {
  const auto list = cutting_list({1.0, 3.0, 0.5, 2.5}, 5.0, 0.0);
  REQUIRE(list);
  REQUIRE(list->size() == 2);
  CHECK((*list)[0].pieces.front().line == 1);
  CHECK((*list)[0].left_m == Approx(0.5).margin(1e-9));
  CHECK((*list)[1].left_m == Approx(2.5).margin(1e-9));
  // The saw's cuts count.
  CHECK(cutting_list({2.5, 2.5}, 5.0, 0.0)->size() == 1);
  CHECK(cutting_list({2.5, 2.5}, 5.0, 0.002)->size() == 2);
  const auto tooLong = cutting_list({1.0, 6.0}, 5.0);
  REQUIRE_FALSE(tooLong);
  CHECK(english(tooLong.error().text()).find("Line 2 needs") != std::string::npos);
  CHECK(cutting_list({}, 5.0)->empty());
}

TEST_CASE(
    "a tube and a bender that nobody measured are told, on the list, in print and nowhere else") {
  TubeLine tube;
  const std::vector<Point3> bent{{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.2, 0}};
  auto list = bend_list(tube, bent);
  REQUIRE(list);
  CHECK(list->outside_m == Approx(0.1875 * 0.0254));  // 3/16 in, common practice, no source
  CHECK(list->radius_m == Approx(3 * list->outside_m));
  REQUIRE(list->typical.size() == 3);
  CHECK(english(list->typical[1]).find("bend radius") == 0);
  tube.outside_m = 0.00476;
  tube.radius_m = 0.016;
  list = bend_list(tube, bent);
  REQUIRE(list->typical.size() == 1);  // the flares' allowance stays common practice
  CHECK(english(list->typical[0]).find("try one on a scrap") != std::string::npos);
  tube.start = tube.end = Flare::none;
  CHECK(bend_list(tube, bent)->typical.empty());
  // A straight line rests on no bender.
  tube.radius_m.reset();
  CHECK(bend_list(tube, {{0, 0, 0}, {0.3, 0, 0}})->typical.empty());
}
