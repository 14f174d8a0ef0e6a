// The record of being right: honest bands are called so, narrow ones too, by the binomial's own
// interval. Check value: 81 of 263, Wilson 95 %: 0.255 to 0.366 (Newcombe 1998, Stat. Med. 17,
// 857-872, table I, score method; from memory).
#include <catch2/catch.hpp>
#include <random>

#include "protocol/right.hpp"
#include "support/build.hpp"
#include "support/work_done.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

std::vector<Foretold> drawn(int n, double truth_over_told, double bias, unsigned seed) {
  std::mt19937 draw(seed);
  std::normal_distribution<double> normal;
  std::vector<Foretold> list;
  for (int i = 0; i < n; ++i) {
    Foretold f;
    f.foretold = 0.06;
    f.sigma = 0.002;
    f.came = 0.06 + 0.002 * (bias + truth_over_told * normal(draw));
    list.push_back(f);
  }
  return list;
}

}  // namespace

TEST_CASE("being right: the interval of a share is the published one") {
  std::vector<Foretold> list;
  for (int i = 0; i < 263; ++i) {
    Foretold f;
    f.sigma = 1;
    f.came = i < 81 ? 0 : 9;
    list.push_back(f);
  }
  const RightRecord r = right_record(list);
  CHECK(r.held == 81);
  CHECK(r.low == Approx(0.2553).margin(0.0005));
  CHECK(r.high == Approx(0.3662).margin(0.0005));
}

TEST_CASE("being right: honest bands hold, narrow ones are called narrow, few say nothing") {
  CHECK(right_record({}).says.empty());
  CHECK(english(right_record(drawn(8, 1, 0, 2)).says).find("too few") != std::string::npos);
  const RightRecord honest = right_record(drawn(200, 1, 0, 3));
  CHECK(english(honest.says).find("hold what they say") != std::string::npos);
  CHECK(honest.spread == Approx(1).margin(0.15));
  CHECK(std::abs(honest.bias) < 0.25);
  CHECK(english(right_record(drawn(60, 3, 0, 4)).says).find("too narrow") != std::string::npos);
  CHECK(english(right_record(drawn(60, 0.3, 0, 5)).says).find("wider") != std::string::npos);
  CHECK(right_record(drawn(60, 1, 2, 6)).bias > 1.5);
}

TEST_CASE("being right: what is kept is what was foretold and what came") {
  Job job = known_job();
  const auto strip = foot_strip(job, 0);
  auto list = proof_protocol(job, strip, find_all(job, strip));
  CHECK(foretold_of(job, list, "2026-05-31T10:00:00").empty());
  const auto press = std::find_if(list.begin(), list.end(),
                                  [](const ProofPress& p) { return p.id == ProofId::press_150; });
  REQUIRE(press != list.end());
  job.readings.push_back(proof_reading(*press, *press->push_n, *press->expect + 0.001));
  list = proof_protocol(job, strip, find_all(job, strip));
  const auto kept = foretold_of(job, list, "2026-05-31T10:00:00");
  REQUIRE(kept.size() == 1);
  CHECK(kept[0].what == "press_150");
  CHECK(kept[0].came - kept[0].foretold == Approx(0.001).margin(1e-6));
  CHECK(kept[0].sigma > 0.0005);
  CHECK(kept[0].came_sigma == Approx(0.00075));
}
