// The push rod: length, turns, ends, angle; and a pad that sinks.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/arms.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {
constexpr double kIn = 0.0254;
bool has(const std::vector<Finding>& f, FindingCode code) {
  return std::any_of(f.begin(), f.end(), [&](const Finding& x) { return x.code == code; });
}
void plan(Job& job, Param p, double v, How how = How::calliper) {
  job.plan.set(p, measured(p, v, how));
}
void found(Job& job, Param p, double v, How how = How::calliper) {
  job.found.set(p, measured(p, v, how));
}
}  // namespace

TEST_CASE("rod: snouts of 0.560 and 1.730 in with equal sockets (common practice, no source)") {
  const UnitFace old_unit{Length{0.560 * kIn}, Length{1.010 * kIn}, Length{0.001}, Length{0.0}};
  const UnitFace new_unit{Length{1.730 * kIn}, Length{1.010 * kIn}, Length{0.001}, Length{0.0}};
  const RodChange c = rod_change(old_unit, new_unit, Length{0.0});
  CHECK(c.change.value() / kIn == Approx(-1.170));
  // Neither 1-1/4 nor 1.2: the two mistakes are 0.40 and 0.15 in at the pad at 5:1.
  CHECK((1.25 - 1.170) * 5 == Approx(0.40));
  CHECK((1.2 - 1.170) * 5 == Approx(0.15));
  // Nose longer by 1/4 in: rod shorter by 1/4 in.
  UnitFace nose = old_unit;
  nose.snout += Length{0.25 * kIn};
  CHECK(rod_change(old_unit, nose, Length{0.0}).change.value() / kIn == Approx(-0.25));
  // A spacer moves the seat away: longer rod. More clearance: shorter rod.
  UnitFace spaced = old_unit;
  spaced.stack += Length{0.005};
  CHECK(rod_change(old_unit, spaced, Length{0.0005}).change.value() == Approx(0.0045));
}

TEST_CASE("turns for a pedal height (common practice, no source)") {
  const Length rod = rod_for_height(Length{kIn}, 6);
  CHECK(rod.value() / kIn == Approx(0.167).margin(5e-4));
  CHECK(turns_for(rod, Length{kIn / 24}, 1) == Approx(4.0).margin(0.05));
  CHECK(turns_for(rod, Length{kIn / 20}, 1) == Approx(3.3).margin(0.05));
  CHECK(turns_for(rod, Length{kIn / 16}, 1) == Approx(2.7).margin(0.05));
  CHECK(turns_for(rod_for_height(Length{kIn}, 5), Length{kIn / 24}, 1) == Approx(4.8));
  CHECK(turns_for(rod, Length{kIn / 24}, 2) == Approx(2.0).margin(0.05));
  CHECK(0.5 / 24 * 6 == Approx(1.0 / 8));  // half a turn moves the pad 1/8 in
}

TEST_CASE("rod report: unknown says what is missing, doubt reaches the pedal, thread is checked") {
  Job job = known_job();
  CHECK(rod_report(job).missing_change.size() == 6);
  found(job, param::rod_snout, 0.560 * kIn);
  found(job, param::rod_socket, 1.010 * kIn);
  found(job, param::rod_stack, 0.001);
  CHECK(rod_report(job).missing_change.size() == 3);  // the new unit never inherits
  plan(job, param::rod_snout, 1.730 * kIn);
  plan(job, param::rod_socket, 1.010 * kIn);
  plan(job, param::rod_stack, 0.001);
  found(job, param::control_rod_length, 0.152);
  plan(job, param::rod_pitch, kIn / 24, How::stated);
  const RodReport r = rod_report(job);
  REQUIRE(r.change);
  CHECK(r.change->uncertainty.value() == Approx(0.05e-3 * std::sqrt(6)).epsilon(1e-9));
  CHECK(r.pad_uncertainty->value() == Approx(r.change->uncertainty.value() * 6));
  CHECK(*r.turns == Approx(-1.170 * 24).margin(1e-6));
  CHECK(r.new_length->value() == Approx(0.152 - 1.170 * kIn));
  CHECK(r.free_play->value() == Approx(0.0045));
  CHECK(english(rod_words(r)) == "Shorten by 29.72 mm (1.170 in) ± 0.12 mm");

  plan(job, param::control_rod_clearance, -0.0002);
  CHECK(has(rod_report(job).findings, FindingCode::rod_preload));
  plan(job, param::rod_snout, 0.560 * kIn - 0.01);  // now 10 mm longer
  plan(job, param::rod_diameter, 0.008);
  plan(job, param::rod_engaged, 0.012);
  CHECK(has(rod_report(job).findings, FindingCode::rod_thread_short));
  plan(job, param::rod_snout, 1.730 * kIn);
  plan(job, param::rod_thread_spare, 0.020);
  CHECK(has(rod_report(job).findings, FindingCode::rod_thread_bottoms));
  found(job, param::control_rod_length, 0.025);
  CHECK(has(rod_report(job).findings, FindingCode::rod_inside_out));
}

TEST_CASE("rod: one answer, the total, everywhere: words, status, cut, turns, new length") {
  Job job = known_job();
  for (const As w : {As::found, As::plan})
    for (const Param p : {param::rod_snout, param::rod_socket})
      (w == As::found ? job.found : job.plan).set(p, {0.010, How::calliper, 0.05e-3, {}});
  found(job, param::rod_stack, 0);
  plan(job, param::rod_stack, 0);
  plan(job, param::rod_snout, 0.012);
  found(job, param::control_rod_length, 0.150);
  plan(job, param::rod_end, 0, How::stated);
  plan(job, param::rod_height_wish, 0.036);
  RodReport r = rod_report(job);
  REQUIRE(r.total);
  CHECK(r.total->value() == Approx(0.004));  // 2 mm shorter for the unit, 6 mm for the pad height
  CHECK(
      english(rod_words(r), {UnitStyle::metric}) ==
      "Lengthen by 4.00 mm ± 0.12 mm: −2.00 mm for the other unit, +6.00 mm for the pedal height");
  CHECK(english(rod_status(r)) == "lengthen 4.0 mm");
  CHECK(english(ends_report(job, r).cut).find("Lengthen by 4.00 mm") == 0);
  CHECK(r.new_length->value() == Approx(0.154));
  CHECK(english(stage_status(job, Stage::rod, foot_strip(job, 4), {})) == "lengthen 4.0 mm");
  // A left and right thread of two pitches, and one of the same hand: one function, one answer.
  plan(job, param::rod_pitch, 0.00125, How::stated);
  plan(job, param::rod_pitch2, 0.001, How::stated);
  for (const auto& [coupling, turns] : {std::pair(0, 3.2), {1, 4.0 / 2.25}, {2, 16.0}}) {
    plan(job, param::rod_coupling, coupling, How::stated);
    r = rod_report(job);
    REQUIRE(r.turns);
    CHECK(*r.turns == Approx(turns));
    CHECK(*ends_report(job, r).turns == *r.turns);
  }
  // Nearly the same pitch twice moves nothing: never a count of turns without end.
  plan(job, param::rod_pitch2, 0.00125 + 1e-18, How::stated);
  r = rod_report(job);
  CHECK_FALSE(r.turns);
  CHECK(has(ends_report(job, r).findings, FindingCode::rod_no_adjustment));
  // A wish that needs an arm nobody measured: no part of the answer passes for the whole.
  job.found.clear(param::control_pin_arm);
  r = rod_report(job);
  CHECK_FALSE(r.total);
  CHECK_FALSE(r.new_length);
  CHECK(english(rod_words(r)).find("Cannot say") == 0);
  CHECK(english(rod_words(r)).find("without it −2.00 mm for the other unit") != std::string::npos);
  CHECK(english(ends_report(job, r).cut).find("Cannot say") == 0);
  plan(job, param::rod_height_wish, 0, How::stated);
  CHECK(english(rod_words(rod_report(job)), {UnitStyle::metric}) == "Shorten by 2.00 mm ± 0.12 mm");
}

TEST_CASE("a foot held for no time at all tells nothing, and no figure without end") {
  PumpTest t;
  for (const double hold_s : {0.0, 5e-324, 1e-9, 1.0}) {
    t.hold_s = hold_s;
    t.sink_m = 0.001;
    const PumpReport still = pump_report(t, Length{0.0222}, 6);
    CHECK_FALSE(still.sinking);
    REQUIRE(still.words.size() == 1);
    CHECK(english(still.words[0]).find("too short") != std::string::npos);
    // A pad that went down in that moment sinks all the same.
    t.sink_m = 0.01;
    const PumpReport sank = pump_report(t, Length{0.0222}, 6);
    CHECK(sank.sinking);
    CHECK_FALSE(sank.sink_m3_per_s);
    CHECK(english(sank.words[0]).find("Do not drive") != std::string::npos);
  }
  t.hold_s = 60;
  CHECK(pump_report(t, Length{0.0222}, 6).sinking);
}

TEST_CASE("rod angle: unknown without geometry, warned above 5 degrees") {
  Job job = known_job();
  CHECK(angle_report(job, As::plan).missing.size() == 4);
  plan(job, param::control_axis_height, 0.0495);
  plan(job, param::control_offset, 0.0127);
  plan(job, param::control_rest_angle, -0.15, How::estimate);
  plan(job, param::control_rod_length, 0.127);
  const AngleReport r = angle_report(job, As::plan);
  REQUIRE(r.missing.empty());
  CHECK(r.largest_rad * 180 / kPi > 5.7);  // 0.5 in on a 5 in rod is 5.7 degrees sideways alone
  CHECK(has(r.findings, FindingCode::fit_rod_angle));
  CHECK(r.force_known);
  // Side force is the axial force times the tangent.
  const auto& last = r.points.back();
  CHECK(last.side_force_n ==
        Approx(condition_report(job, ConditionId::plan).target->at.input_force_n *
               std::tan(last.angle_rad))
            .epsilon(0.01));
  plan(job, param::control_rod_length, 0.0205);
  plan(job, param::control_offset, 0.03);
  CHECK(has(angle_report(job, As::plan).findings, FindingCode::fit_geometry));
}
