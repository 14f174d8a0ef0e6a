// Drills, patterns, templates, room, offsets; the rod's ends, gaps and heights. Hand-computed
// geometry beside each check.
#include <catch2/catch.hpp>
#include <cmath>
#include <sstream>

#include "document/param/assist_kind.hpp"
#include "document/param/bolting.hpp"
#include "document/param/hang.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/squareness.hpp"
#include "document/param/unit.hpp"
#include "figures/figures.hpp"
#include "fitting/envelope.hpp"
#include "fitting/pattern.hpp"
#include "fitting/template.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "quantity/drills.hpp"
#include "rod/ends.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr double kInch = 0.0254;

void found(Job& job, Param p, double si) {
  job.found.set(p, measured(p, si, How::calliper));
}
void plan(Job& job, Param p, double si) {
  job.plan.set(p, measured(p, si, How::calliper));
}
void two_studs(Job& job, As w, double pitch, double d) {
  for (const auto& [p, si] : {std::pair{param::unit_studs, 0.0},
                              {param::unit_stud_pitch, pitch},
                              {param::unit_stud_size, d}})
    (w == As::found ? job.found : job.plan).set(p, measured(p, si, How::calliper));
}
bool has(const std::vector<Finding>& list, FindingCode code) {
  return std::any_of(list.begin(), list.end(), [&](const Finding& f) { return f.code == code; });
}

}  // namespace

TEST_CASE("drills by fraction, number, letter and millimetre") {
  // 21/64 clears 5/16; No. 7 is 0.201 in, 13/64 is 0.2031 in: not the same (common practice, no
  // source).
  CHECK(clearance_hole_m(5.0 / 16 * kInch) <= 21.0 / 64 * kInch + 1e-6);
  CHECK(english(drills_for(clearance_hole_m(5.0 / 16 * kInch)).fraction.name) == "21/64 in");
  CHECK(*number_drill_m(7) == Approx(0.201 * kInch));
  CHECK(english(drills_for(0.2010 * kInch).gauge->name) == "No. 7");
  CHECK(english(drills_for(0.2011 * kInch).fraction.name) == "13/64 in");
  CHECK(english(drills_for(0.2011 * kInch).gauge->name) == "No. 6");
  // Letter gauge, from memory: A 0.234, H 0.266, Q 0.332, Z 0.413 in.
  CHECK(*letter_drill_m('A') == Approx(0.234 * kInch));
  CHECK(*letter_drill_m('H') == Approx(0.266 * kInch));
  CHECK(*letter_drill_m('Z') == Approx(0.413 * kInch));
  CHECK_FALSE(letter_drill_m('a'));
  CHECK(english(drills_for(0.331 * kInch).gauge->name) == "letter Q");
  CHECK_FALSE(drills_for(0.5 * kInch).gauge);
  CHECK(english(drills_for(8.4e-3).metric.name) == "8.4 mm");
  CHECK(english(drills_for(8.41e-3).metric.name) == "8.5 mm");
  CHECK(english(drills_for(34.9e-3).fraction.name) ==
        "1-3/8 in");  // for a master through a firewall
  for (char c = 'A'; c < 'Z'; ++c)
    CHECK(*letter_drill_m(c) < *letter_drill_m(static_cast<char>(c + 1)));
}

TEST_CASE("patterns: two, three and four studs, turned, against hand-computed places") {
  Job job;
  two_studs(job, As::plan, 0.080, 0.008);
  Values v = resolve(job, As::plan);
  Pattern p = pattern_of(v, 0);
  REQUIRE(p.studs.size() == 2);
  CHECK(p.studs[0].x_m == Approx(-0.040));
  p = pattern_of(v, kPi / 2);
  CHECK(p.studs[0].x_m == Approx(0).margin(1e-12));
  CHECK(std::abs(p.studs[0].z_m) == Approx(0.040));
  plan(job, param::unit_studs, 1);
  p = pattern_of(resolve(job, As::plan), 0);
  REQUIRE(p.studs.size() == 3);
  for (std::size_t i = 0; i < 3; ++i) {
    CHECK(std::hypot(p.studs[i].x_m, p.studs[i].z_m) == Approx(0.040));
    // Chords of a circle at 120 degrees: d sqrt(3)/2.
    const Hole& o = p.studs[(i + 1) % 3];
    CHECK(std::hypot(p.studs[i].x_m - o.x_m, p.studs[i].z_m - o.z_m) ==
          Approx(0.080 * std::sqrt(3.0) / 2));
  }
  plan(job, param::unit_studs, 2);
  CHECK_FALSE(pattern_of(resolve(job, As::plan), 0).missing.empty());
  plan(job, param::unit_stud_pitch2, 0.060);
  p = pattern_of(resolve(job, As::plan), 0);
  REQUIRE(p.studs.size() == 4);
  CHECK(std::hypot(p.studs[0].x_m, p.studs[0].z_m) == Approx(0.050));
}

TEST_CASE("an old hole serves, forgives, or meets the new one, a plate joins them") {
  Job job;
  two_studs(job, As::found, 0.0790, 5.0 / 16 * kInch);
  two_studs(job, As::plan, 0.079375, 5.0 / 16 * kInch);
  // Two 5/16 in holes 79 mm apart are not 3-1/8 in apart (79.375), but a clearance hole forgives it
  // (common practice, no source): 0.19 mm a side.
  PatternReport r = pattern_report(job);
  REQUIRE(r.matches.size() == 2);
  CHECK(r.matches[0].off_m == Approx(0.1875e-3));
  CHECK(r.bolts_on);
  two_studs(job, As::plan, 0.0825, 3.0 / 8 * kInch);
  r = pattern_report(job);
  CHECK_FALSE(r.bolts_on);
  CHECK(r.plate);
  CHECK(r.matches[0].meets);
  CHECK(has(r.findings, FindingCode::fit_holes_meet));
  // Half the pitch plus two diameters of the larger stud, both sides.
  CHECK(r.plate_width_m == Approx(2 * (0.04125 + 2 * 3.0 / 8 * kInch)));
  two_studs(job, As::plan, 0.140, 3.0 / 8 * kInch);
  r = pattern_report(job);
  CHECK_FALSE(r.matches[0].meets);
  plan(job, param::fit_edge_left, 0.080);
  CHECK(has(pattern_report(job).findings, FindingCode::fit_edge));
  plan(job, param::unit_pilot, 0.1199);
  plan(job, param::unit_stud_pitch, 0.100);
  CHECK(has(pattern_report(job).findings, FindingCode::fit_pattern_impossible));
  CHECK_FALSE(make_template(job, TemplateKind::drilling));
}

TEST_CASE("templates: only 1:1, every hole at its place, words and order with them") {
  Job job;
  job.title = "A <made-up> job & more";
  CHECK_FALSE(make_template(job, TemplateKind::drilling));
  two_studs(job, As::plan, 0.080, 5.0 / 16 * kInch);
  plan(job, param::unit_pilot, 0.040);
  CHECK_FALSE(make_template(job, TemplateKind::plate));
  const auto scaled = make_template(job, TemplateKind::drilling, 0.97);
  REQUIRE_FALSE(scaled);
  CHECK(english(scaled.error().remedy).find("100 %") != std::string::npos);
  CHECK_FALSE(make_template(job, TemplateKind::drilling, std::nan("")));
  const auto t = make_template(job, TemplateKind::drilling);
  REQUIRE(t);
  REQUIRE(t->circles.size() == 3);
  CHECK(t->circles[0].x == Approx(-40));
  CHECK(t->circles[0].diameter == Approx(5.0 / 16 * 25.4 + 0.39));
  CHECK(t->circles[2].diameter == Approx(40.3));
  CHECK(std::any_of(t->texts.begin(), t->texts.end(), [](const TemplateText& w) {
    return english(w.words).find("holes 1 to 2: 21/64 in") == 0;
  }));
  CHECK(t->order.size() >= 4);
  CHECK(english(t->order[1]).find("small first") != std::string::npos);
  for (const auto& c : t->circles) {
    CHECK(c.x - c.diameter / 2 > t->x0);
    CHECK(c.x + c.diameter / 2 < t->x1);
  }
  two_studs(job, As::found, 0.060, 0.008);
  const auto plate = make_template(job, TemplateKind::plate);
  REQUIRE(plate);
  CHECK(plate->circles.size() == 5);
  const auto says = [](const Template& of, const char* words) {
    return std::any_of(of.texts.begin(), of.texts.end(), [&](const TemplateText& w) {
      return english(w.words).find(words) != std::string::npos;
    });
  };
  CHECK(says(*plate, "thickness not entered"));
  // 80 mm over 76 mm: centres 2 mm apart, the holes run together in any plate; turned they do not.
  two_studs(job, As::found, 0.076, 0.008);
  plan(job, param::fit_plate, 0.006);
  CHECK(has(pattern_report(job).findings, FindingCode::fit_plate_holes));
  const auto joined = make_template(job, TemplateKind::plate);
  REQUIRE_FALSE(joined);
  CHECK(english(joined.error().reason).find("run into each other") != std::string::npos);
  plan(job, param::fit_turn, std::acos(0.0));
  CHECK_FALSE(has(pattern_report(job).findings, FindingCode::fit_plate_holes));
  const auto turned = make_template(job, TemplateKind::plate);
  REQUIRE(turned);
  CHECK(says(*turned, "6.0 mm thick"));
  two_studs(job, As::found, 0.040, 0.008);  // the old bolts would stand in the collar's hole
  CHECK_FALSE(make_template(job, TemplateKind::plate));
  two_studs(job, As::found, 0.060, 0.008);
  plan(job, param::fit_turn, 0);
  plan(job, param::fit_plate_width, 0.070);  // the patterns are larger than the blank
  CHECK(has(pattern_report(job).findings, FindingCode::fit_plate_small));
  const auto small = make_template(job, TemplateKind::plate);
  REQUIRE_FALSE(small);
  CHECK(english(small.error().reason).find("larger than the plate") != std::string::npos);
  CHECK(make_template(job, TemplateKind::drilling));
  plan(job, param::fit_plate, 0.010);
  plan(job, param::rod_stack, 0.001);
  CHECK(has(pattern_report(job).findings, FindingCode::fit_plate_uncounted));
  const std::string svg = template_svg(*t);
  CHECK(svg.find("&lt;made-up&gt; job &amp; more") != std::string::npos);
  CHECK(svg.find("mm\" viewBox=") != std::string::npos);
  const std::string dxf = template_dxf(*t);
  CHECK(dxf.find("AC1009") != std::string::npos);
  CHECK(dxf.substr(dxf.size() - 4) == "EOF\n");
}

TEST_CASE("tiles cover a large template with their overlap, and an endless one is refused") {
  Job job;
  two_studs(job, As::plan, 0.29, 0.010);
  plan(job, param::unit_pilot, 0.040);
  const auto t = make_template(job, TemplateKind::drilling);
  REQUIRE(t);
  const Paper a4;
  const auto tiles = tile_template(*t, a4);
  REQUIRE(tiles);
  CHECK(tiles->size() >= 2);
  double covered = t->x0;
  for (const Tile& tile : *tiles) {
    CHECK(tile.x1 - tile.x0 == Approx(a4.width_mm - 24));
    if (tile.column > 0) CHECK(tile.x0 == Approx(covered - kTileOverlap_mm));
    covered = tile.x1;
  }
  CHECK(tiles->back().x1 >= t->x1 - 1e-9);
  Template large = *t;
  large.x1 = 1e5;
  CHECK_FALSE(tile_template(large, a4));
  CHECK_FALSE(tile_template(*t, Paper{80, 80, 12}));
}

TEST_CASE("room: distances of boxes by hand, swings, and what is hot") {
  Box unit{"unit", Box::Kind::unit, 0.1, 0, 0, 0.2, 0.2, 0.2, 0};
  Box far{"cover", Box::Kind::moving, 0.1, 0.34, 0.24, 0.2, 0.08, 0.08, 0.02};
  // 0.34 - 0.14 = 0.20 aside, 0.24 - 0.14 = 0.10 above: hypot 0.2236.
  CHECK(box_distance_m(unit, far) == Approx(std::hypot(0.20, 0.10)));
  auto gaps = box_gaps({unit, far});
  REQUIRE(gaps.size() == 1);
  CHECK(gaps[0].gap_m == Approx(std::hypot(0.20, 0.10) - 0.02));
  CHECK(gaps[0].enough);
  Box pipe{"pipe", Box::Kind::hot, 0.1, 0.145, 0, 0.2, 0.01, 0.01, 0};
  gaps = box_gaps({unit, far, pipe});
  CHECK(gaps[0].b == 2);
  CHECK(gaps[0].gap_m == Approx(0.040));
  CHECK_FALSE(gaps[0].enough);
  Box inside{"in", Box::Kind::fixed, 0.1, 0, 0, 0.02, 0.02, 0.02, 0};
  CHECK(box_gaps({unit, inside})[0].gap_m == Approx(-0.11));
  Job job = known_job();
  job.boxes = {unit, pipe};
  CHECK(has(find_all(job, foot_strip(job, 8)), FindingCode::fit_gap));
  CHECK(box_gaps({pipe}).empty());
}

TEST_CASE("turns: fork, left and right, and both the same hand, limits at both ends") {
  Job job = known_job();  // ratio 6
  for (const auto& [p, si] :
       {std::pair{param::rod_snout, 0.010}, {param::rod_socket, 0.020}, {param::rod_stack, 0.0}}) {
    found(job, p, si);
    plan(job, p, si);
  }
  plan(job, param::rod_socket, 0.023);  // 3 mm longer
  plan(job, param::rod_pitch, kInch / 24);
  const auto report = [&] { return ends_report(job, rod_report(job)); };
  CHECK(*report().per_turn_m == Approx(kInch / 24));
  CHECK(*report().turns == Approx(0.003 / (kInch / 24)));
  CHECK(*report().pad_per_turn_m == Approx(6 * kInch / 24));
  CHECK(*report().pad_for_tenth_m == Approx(0.6e-3));
  CHECK_FALSE(report().turns_longer);
  plan(job, param::rod_coupling, 1);
  CHECK(*report().per_turn_m == Approx(2 * kInch / 24));
  plan(job, param::rod_pitch2, kInch / 20);
  CHECK(*report().per_turn_m == Approx(kInch / 24 + kInch / 20));
  plan(job, param::rod_coupling, 2);
  CHECK(*report().per_turn_m == Approx(kInch / 20 - kInch / 24));
  plan(job, param::rod_pitch2, kInch / 24);
  CHECK(has(report().findings, FindingCode::rod_no_adjustment));
  plan(job, param::rod_coupling, 0);
  plan(job, param::rod_diameter, 0.008);
  plan(job, param::rod_engaged, 0.010);  // 2 mm to give: 1.9 turns of 24 tpi
  CHECK(*report().turns_longer == Approx(0.002 / (kInch / 24)));
  CHECK(has(report().findings, FindingCode::rod_out_of_thread));
  plan(job, param::rod_engaged, 0.016);
  CHECK_FALSE(has(report().findings, FindingCode::rod_out_of_thread));
  plan(job, param::rod_thread_spare, 0.012);
  plan(job, param::rod_jam, 0.005);
  CHECK(*report().turns_shorter == Approx(0.007 / (kInch / 24)));
  plan(job, param::rod_coupling, 1);
  plan(job, param::rod_engaged2, 0.030);
  CHECK(has(report().findings, FindingCode::rod_uneven));
}

TEST_CASE("which end is cut: never the ball, never the eye") {
  Job job = known_job();
  for (const auto& [p, si] : {std::pair{param::rod_snout, 0.560 * kInch},
                              {param::rod_socket, 1.0 * kInch},
                              {param::rod_stack, 0.0}}) {
    found(job, p, si);
    plan(job, p, si);
  }
  plan(job, param::rod_snout, 1.730 * kInch);
  const auto cut = [&] { return english(ends_report(job, rod_report(job)).cut); };
  CHECK(cut().find("29.72 mm") != std::string::npos);  // 1.170 in, neither 1-1/4 nor 1.2
  CHECK(cut().find("cannot be said") != std::string::npos);
  plan(job, param::rod_end, 0);
  CHECK(cut().find("threaded end at the pedal") != std::string::npos);
  plan(job, param::rod_end, 2);
  CHECK(cut().find("not cut and welded") != std::string::npos);
}

TEST_CASE("output-rod gap from both sides, engine off and running") {
  Job job = known_job();
  plan(job, param::assist_kind, 1);
  CHECK(output_gap(resolve(job, As::plan)).missing.size() >= 2);
  plan(job, param::rod_recess, 0.0120);
  plan(job, param::rod_gasket, 0.0005);
  plan(job, param::rod_stick_off, 0.0118);
  OutputGap g = output_gap(resolve(job, As::plan));
  CHECK(*g.off_m == Approx(0.0007));
  CHECK(*g.adjust_m == Approx(-0.0002));
  CHECK(g.findings.empty());
  plan(job, param::rod_stick_on, 0.0126);  // the shell breathes: it pushes the piston
  g = output_gap(resolve(job, As::plan));
  CHECK(*g.on_m == Approx(-0.0001));
  CHECK(has(g.findings, FindingCode::rod_output_preload));
  CHECK(any_hard(g.findings));
}

TEST_CASE("heights: pad, accelerator and lamp after the change") {
  Job job = known_job();
  CHECK_FALSE(heights_report(job).pad_after_m);
  found(job, param::control_rest_height, 0.180);
  plan(job, param::rod_height_wish, -0.020);
  plan(job, param::rod_accelerator, 0.110);
  plan(job, param::rod_lamp_travel, 0.008);
  HeightsReport h = heights_report(job);
  CHECK(*h.pad_after_m == Approx(0.160));
  CHECK(*h.above_accelerator_m == Approx(0.050));
  CHECK(*h.lamp_after_m == Approx(-0.012));
  plan(job, param::rod_height_wish, 0.070);  // 5-1/2 in above: dangerously high
  h = heights_report(job);
  CHECK(has(h.findings, FindingCode::rod_accelerator));
}

TEST_CASE("a rod that stays in: try the length first, a re-staked one must be signed") {
  Job job = known_job();
  CHECK_FALSE(retained_report(job).applies);
  plan(job, param::unit_rod_kept, 3);
  RetainedReport r = retained_report(job);
  REQUIRE(r.applies);
  CHECK(english(r.steps.front().text).find("Try the length first") == 0);
  CHECK(english(r.steps[2].text).find("cannot come out again") != std::string::npos);
  plan(job, param::rod_staked, 1);
  r = retained_report(job);
  CHECK(has(r.findings, FindingCode::rod_deviation));
  const auto gate = [&] {
    const auto strip = foot_strip(job, 8);
    const auto findings = find_all(job, strip);
    for (const Gate& g : gates_of(job, strip, findings))
      if (g.id == GateId::deviation) return g;
    return Gate{};
  };
  CHECK(gate().held);
  plan(job, param::rod_signed, 1);
  CHECK_FALSE(gate().held);
  plan(job, param::unit_rod_kept, 1);
  CHECK(has(retained_report(job).findings, FindingCode::rod_not_captive));
  plan(job, param::rod_returns, 1);
  CHECK(has(find_all(job, foot_strip(job, 8)), FindingCode::rod_preload));
}

TEST_CASE("fit figures: stack, offset to zero, angles, openings") {
  Job job = known_job();
  plan(job, param::unit_stud_length, 0.020);
  plan(job, param::unit_stud_size, 0.008);
  plan(job, param::fit_panel, 0.0012);
  plan(job, param::fit_plate, 0.010);
  const auto value = [&](const char* group, const std::string& words) {
    const auto g = figure_group(job, group);
    REQUIRE(g);
    for (const Figure& f : g->figures)
      if (english(f.words) == words) return f;
    FAIL("no figure " << words);
    return Figure{};
  };
  // 20 - 10 plate - 1.2 panel - 1.6 washer = 7.2 mm, 8 wanted.
  CHECK(*value("flange", "Thread left for the nut").si == Approx(0.0072));
  CHECK(value("flange", "Thread left for the nut").verdict == Verdict::fails);
  CHECK(*value("flange", "Studs longer by").si == Approx(0.0008));
  CHECK(has(find_all(job, foot_strip(job, 8)), FindingCode::fit_stud_short));
  plan(job, param::fit_gap_side, 0.025);
  plan(job, param::fit_gap_up, 0);
  plan(job, param::fit_shift_unit, 0.015);
  plan(job, param::control_rod_length, 0.150);
  CHECK(*value("offset", "Left to the side").si == Approx(0.010));
  CHECK(*value("offset", "Lug that would close it").si == Approx(0.010));
  CHECK(*value("offset", "Rod angle from what is left").si == Approx(std::asin(0.010 / 0.150)));
  plan(job, param::fit_lug, 0.010);
  CHECK(value("offset", "Left to the side").verdict == Verdict::holds);
  plan(job, param::assist_kind, 4);
  plan(job, param::fit_servo_nose, 17 * kPi / 180);
  plan(job, param::fit_breather, 40 * kPi / 180);
  CHECK(value("attitude", "Servo's nose, up").verdict == Verdict::holds);
  CHECK(value("attitude", "Breather off straight down").verdict == Verdict::fails);
  plan(job, param::fit_opening, 0.060);
  plan(job, param::unit_pilot, 0.0413);
  CHECK(*value("openings", "Old opening wider by").si == Approx(0.060 - 0.0416));
  CHECK(has(find_all(job, foot_strip(job, 8)), FindingCode::fit_opening));
}
