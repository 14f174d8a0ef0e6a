// Fittings by what is measured and seen; what belongs on a joint.
#include <catch2/catch.hpp>

#include "calc/calculators.hpp"
#include "lines/fittings.hpp"

using namespace yoke;

namespace {

std::string found(double outside_mm, double pitch_mm, SeatLook look) {
  std::string all;
  for (const Fitting& f : find_fittings(Length{outside_mm * 1e-3}, Length{pitch_mm * 1e-3}, look))
    all += std::string(f.thread) + " " + std::string(f.seat) + "; ";
  return all;
}

}  // namespace

TEST_CASE("never one fitting where two fit what was measured (common practice, no source)") {
  // M10x1 carries a bubble flare, an inverted flare or a banjo: the seat tells.
  const std::string any = found(9.9, 1.0, SeatLook::not_looked);
  CHECK(any.find("metric bubble") != std::string::npos);
  CHECK(any.find("45° inverted") != std::string::npos);
  CHECK(any.find("banjo") != std::string::npos);
  CHECK(found(9.9, 1.0, SeatLook::cone_in) == "M10×1 metric bubble flare; ");
  // 3/8-24 is met with two seats, and is no M10x1 although it nearly is one.
  CHECK(found(9.45, 25.4 / 24, SeatLook::cone_out) == "3/8-24 45° inverted double flare; ");
  CHECK(found(9.45, 25.4 / 24, SeatLook::cone_outside) == "3/8-24 37° single flare; ");
  CHECK(found(9.45, 25.4 / 24, SeatLook::not_looked).find("M10") == std::string::npos);
  // The pitch decides between M10x1 and M10x1.25.
  CHECK(found(9.95, 1.25, SeatLook::flat) == "M10×1.25 banjo with two washers; ");
  CHECK(found(20, 1, SeatLook::not_looked).empty());
  // Every row is found by its own figures.
  for (const Fitting& f : fittings()) {
    bool there = false;
    for (const Fitting& g : find_fittings(f.outside, f.pitch, f.look))
      there = there || (g.thread == f.thread && g.seat == f.seat);
    CHECK(there);
  }
}

TEST_CASE("threads counted over a length give the pitch, and nonsense is refused") {
  CHECK(counted_pitch(12, Length{0.0127})->value() == Approx(0.0254 / 24));
  CHECK_FALSE(counted_pitch(2, Length{0.01}));
  CHECK_FALSE(counted_pitch(10, Length{0.5}));
}

TEST_CASE(
    "every forbidden pair of joint and substance says why, every joint has what belongs there") {
  for (int j = 0; j < kJoints; ++j) {
    int allowed = 0;
    for (int s = 0; s < kSubstances; ++s) {
      const JointRule r = joint_rule(static_cast<Joint>(j), static_cast<Substance>(s));
      INFO(joint_words(static_cast<Joint>(j))
           << ", " << substance_words(static_cast<Substance>(s)));
      CHECK_FALSE(r.why.empty());
      allowed += r.allowed ? 1 : 0;
    }
    CHECK(allowed >= 1);
  }
  const auto may = [](Joint j, Substance s) { return joint_rule(j, s).allowed; };
  // Flares dry, always; no locker or sealant on flare or banjo; no mineral oil near brake rubber
  // (common practice, no source).
  CHECK(may(Joint::flare, Substance::dry));
  for (const Substance s :
       {Substance::tape, Substance::locker, Substance::sealant, Substance::oil_or_grease}) {
    CHECK_FALSE(may(Joint::flare, s));
    CHECK_FALSE(may(Joint::banjo, s));
  }
  for (int j = 0; j < kJoints; ++j)
    CHECK_FALSE(may(static_cast<Joint>(j), Substance::oil_or_grease));
  CHECK(may(Joint::banjo, Substance::new_washers));
  CHECK(may(Joint::bleed_thread, Substance::tape));
  CHECK_FALSE(may(Joint::bleed_seat, Substance::tape));
  CHECK(may(Joint::cups, Substance::kit_paste));
  CHECK_FALSE(may(Joint::cups, Substance::dry));
  CHECK(may(Joint::reservoir_barb, Substance::clamp));
}

TEST_CASE("the bench cards show all rows that fit and ask for a look, a forbidden pair fails") {
  const auto run = [](const char* id, std::vector<double> v) {
    const auto c = find_calculator(id);
    REQUIRE(c);
    const auto f = (*c)->run(v);
    REQUIRE(f);
    return *f;
  };
  const auto open = run("fitting", {0.0099, 0.001, 0, 0.01, 0});
  CHECK(open.size() == 5);  // the pitch, three rows, and the question
  CHECK(open.back().verdict == Verdict::cannot_say);
  CHECK(english(open.back().note).find("lamp") != std::string::npos);
  const auto one = run("fitting", {0.0099, 0.0005, 10, 0.01, 2});
  CHECK(one.size() == 2);
  CHECK(english(one.back().words) == "M10×1: metric bubble flare");
  CHECK(run("fitting", {0.02, 0.001, 0, 0.01, 0}).back().verdict == Verdict::cannot_say);
  CHECK(run("joint", {0, 3}).front().verdict == Verdict::fails);
  CHECK(run("joint", {0, 0}).front().verdict == Verdict::holds);
}
