// Figures of the trade that stand nowhere else in the tests: common practice, no source.
#include <catch2/catch.hpp>

#include "calc/calculators.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/supply.hpp"
#include "document/param/valves.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "quantity/quantity.hpp"
#include "rod/rod.hpp"
#include "support/build.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {
double length_of(const char* text) {
  const auto v = parse_quantity(text, Kind::length, UnitStyle::metric);
  REQUIRE(v);
  return *v;
}
}  // namespace

TEST_CASE("spanners and drills that look alike and are not (common practice, no source)") {
  CHECK(length_of("9/16 in") * 1e3 == Approx(14.29).margin(0.005));
  CHECK(length_of("15 mm") - length_of("9/16 in") > 0.0007);
  CHECK(length_of("21/64 in") > length_of("5/16 in"));
  CHECK(length_of("#7") / 0.0254 == Approx(0.201).margin(0.0001));
  CHECK(length_of("13/64 in") / 0.0254 == Approx(0.2031).margin(0.0001));
  CHECK(length_of("#7") != length_of("13/64 in"));
  // Two 5/16 in holes 79 mm apart are not 3-1/8 in apart, but a clearance hole forgives it.
  const double off = length_of("3-1/8 in") - length_of("79 mm");
  CHECK(off == Approx(0.000375));
  CHECK(off < length_of("21/64 in") - length_of("5/16 in"));
}

TEST_CASE("pedal heights by turns (common practice, no source)") {
  const Length rod = rod_for_height(Length{0.0254}, 6);
  CHECK(rod.value() / 0.0254 == Approx(0.167).margin(0.0005));
  for (const auto& [tpi, turns] : {std::pair(24, 4.0), {20, 3.3}, {16, 2.7}})
    CHECK(turns_for(rod, Length{0.0254 / tpi}, 1) == Approx(turns).margin(0.05));
  // "Half a turn" moves the pad 1/8 in at 24 threads.
  CHECK(0.5 / 24 * 6 == Approx(1.0 / 8));
  CHECK(turns_for(rod, Length{0.0254 / 24}, 2) == Approx(2.0));
}

TEST_CASE(
    "residual valves: 10 psi for drums, 2 psi at most for discs (common practice, no source)") {
  constexpr double kPsi = 6894.757293168361;
  const auto told = [](double front_psi, double rear_psi) {
    Job job = known_job();
    job.found.set(param::valve_residual_front, {front_psi * kPsi, How::stated, 0, {}});
    job.found.set(param::valve_residual_rear, {rear_psi * kPsi, How::stated, 0, {}});
    for (const Finding& f : find_all(job, foot_strip(job, 8)))
      if (f.code == FindingCode::plumb_residual_disc) return true;
    return false;
  };
  CHECK_FALSE(told(0, 10));
  CHECK_FALSE(told(2, 10));
  CHECK(told(10, 10));
}

TEST_CASE("usual feeds and fills (common practice, no source)") {
  CHECK(value_of(Job{}, As::plan, param::supply_fuse).si == 40);
  Job electric = known_job();
  electric.found.set(param::assist_kind, {3, How::stated, 0, {}});
  const auto g = figure_group(electric, "supply");
  CHECK(english(g->figures.back().note).find("5 A") != std::string::npos);
  // 19 inHg at idle is the usual vacuum, under 15 is short.
  CHECK(value_of(Job{}, As::plan, param::assist_vacuum).si / 3386.389 == Approx(19).margin(0.3));
}

TEST_CASE("usual torques, pedal heights, hones, servo angles (common practice, no source)") {
  constexpr double kFootPound = 1.3558179483314004;
  const auto first = [](const char* id, double v) {
    const auto f = calculate(**find_calculator(id), std::vector<double>{v});
    REQUIRE(f);
    return f->front();
  };
  CHECK(*first("torque", 0).si == Approx(12 * kFootPound));
  CHECK(*first("torque", 1).si == Approx(20 * kFootPound));
  CHECK(*first("torque", 2).si == 15);
  CHECK(*first("torque", 3).si == 2);
  CHECK(english(first("torque", 3).note).find("6 mm") != std::string::npos);
  CHECK(first("height", 2 * 0.0254).verdict == Verdict::holds);
  CHECK(english(first("height", 3 * 0.0254).note).find("usable") != std::string::npos);
  CHECK(first("height", 5.5 * 0.0254).verdict == Verdict::fails);
  CHECK(first("hone", 0.75 * 0.0254).verdict == Verdict::holds);
  CHECK(first("hone", 2 * 0.0254).verdict == Verdict::holds);
  CHECK(first("hone", 0.7 * 0.0254).verdict == Verdict::fails);
  Job job = known_job();
  job.plan.set(param::assist_kind, {4, How::stated, 0, {}});
  bool angles = false;
  for (const Step& s : install_steps(job))
    if (s.id == StepId::assist_servo_angle)
      angles = english(s.text).find("15 to 20°") != std::string::npos &&
               english(s.text).find("10 to 20°") != std::string::npos &&
               english(s.text).find("30°") != std::string::npos;
  CHECK(angles);
}
