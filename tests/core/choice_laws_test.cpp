// Laws that units, patterns, templates, lines of equal feel and gaps keep, on generated values;
// drill gauges against GNU units.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "document/param/arms.hpp"
#include "document/param/bolting.hpp"
#include "document/param/bores.hpp"
#include "document/param/gauge.hpp"
#include "document/param/room.hpp"
#include "document/param/unit.hpp"
#include "document/param/vehicle.hpp"
#include "doubt/measure_next.hpp"
#include "figures/figures.hpp"
#include "fitting/envelope.hpp"
#include "fitting/pattern.hpp"
#include "fitting/template.hpp"
#include "judge/findings.hpp"
#include "parts/part.hpp"
#include "quantity/drills.hpp"
#include "sizing/assist_choice.hpp"
#include "sizing/equal_lines.hpp"
#include "support/build.hpp"
#include "support/gnu_units.hpp"
#include "survey/gauging.hpp"
#include "work/parts_gate.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Random {
  std::mt19937 rng;
  double operator()(double lo, double hi) {
    return std::uniform_real_distribution<double>(lo, hi)(rng);
  }
  bool coin() { return rng() % 2 == 0; }
};

/// A unit with some of its dimensions told.
MeasuredSet random_unit(Random& u) {
  MeasuredSet s;
  for (const PartDim& d : part_dims(PartKind::master)) {
    const ParamInfo& p = info(d.param);
    if (u.coin()) continue;
    const double si = p.kind == Kind::choice ? static_cast<double>(u.rng() % p.options.size())
                                             : u(p.min_si, p.max_si);
    s.set(d.param, measured(d.param, si, How::calliper));
  }
  return s;
}

}  // namespace

TEST_CASE("letter drills are what GNU units says", "[outside]") {
  for (char c = 'A'; c <= 'Z'; ++c)
    CHECK(*letter_drill_m(c) == Approx(gnu_units(std::string("drill") + c, "m")).epsilon(1e-9));
}

TEST_CASE(
    "a chosen drill is never below what is wanted, and no smaller one of its gauge would do") {
  Random u{std::mt19937(5)};
  for (int i = 0; i < 2000; ++i) {
    const double d = u(1.1e-3, 30e-3);
    const DrillChoice c = drills_for(d);
    CHECK(c.fraction.diameter_m >= d - 2e-6);
    CHECK(c.fraction.diameter_m < d + 1.6e-3);
    CHECK(c.metric.diameter_m >= d - 2e-6);
    CHECK(c.metric.diameter_m < d + 0.51e-3);
    if (c.gauge) CHECK(c.gauge->diameter_m >= d - 2e-6);
    CHECK(english(drill_words(d)).find("mm") != std::string::npos);
  }
}

TEST_CASE("the matrix is the same read from either side, and counts every row once") {
  Random u{std::mt19937(17)};
  for (int i = 0; i < 200; ++i) {
    Job a, b;
    a.found = random_unit(u);
    b.found = random_unit(u);
    const Matrix there = compare(a, PartKind::master, b.found);
    const Matrix back = compare(b, PartKind::master, a.found);
    CHECK(there.equal + there.differ + there.not_compared == there.rows.size());
    CHECK(there.equal == back.equal);
    CHECK(there.differ == back.differ);
    for (const MatrixRow& r : there.rows) {
      CHECK((r.sameness == Sameness::not_compared) == !(r.fitted && r.candidate));
      CHECK((r.sameness == Sameness::equal) == r.consequence.empty());
      for (const MatrixRow& o : back.rows)
        if (o.param == r.param) CHECK(o.by == Approx(-r.by).margin(1e-12));
    }
    // A unit against itself differs nowhere.
    CHECK(compare(a, PartKind::master, a.found).differ == 0);
  }
}

TEST_CASE("a candidate changes the plan alone, and taking it twice changes nothing more") {
  Random u{std::mt19937(23)};
  const Job job = known_job();
  for (int i = 0; i < 60; ++i) {
    Candidate c;
    c.name = "Generated";
    c.sheet = random_unit(u);
    const Job once = with_candidate(job, c);
    CHECK(once.found == job.found);
    CHECK(with_candidate(once, c) == once);
    const auto strip = foot_strip(once, 8);
    CHECK(strip.size() == foot_strip(job, 8).size());
    for (const auto& r : strip)
      if (r.target) CHECK(std::isfinite(r.target->at.pad_force_n));
  }
}

TEST_CASE("generated patterns: templates hold every hole, tiles cover them, words are finite") {
  Random u{std::mt19937(31)};
  int made = 0;
  for (int i = 0; i < 150; ++i) {
    Job job;
    job.title = "Generated";
    for (const As w : {As::found, As::plan}) {
      MeasuredSet& s = w == As::found ? job.found : job.plan;
      const auto set = [&](Param p, double si) { s.set(p, measured(p, si, How::calliper)); };
      set(param::unit_studs, static_cast<double>(u.rng() % 3));
      set(param::unit_stud_pitch, u(0.04, 0.29));
      set(param::unit_stud_pitch2, u(0.04, 0.29));
      set(param::unit_stud_size, u(0.005, 0.015));
      if (u.coin()) set(param::unit_pilot, u(0.012, 0.06));
    }
    job.plan.set(param::fit_turn, measured(param::fit_turn, u(-3, 3), How::stated));
    const PatternReport r = pattern_report(job);
    REQUIRE(r.matches.size() == r.new_pattern.studs.size());
    for (const StudMatch& m : r.matches) CHECK_FALSE((m.serves && m.meets));
    for (const Pattern* p : {&r.old_pattern, &r.new_pattern})
      for (const Hole& h : p->studs) {
        CHECK(std::abs(h.x_m) + h.diameter_m / 2 < r.plate_width_m / 2);
        CHECK(std::abs(h.z_m) + h.diameter_m / 2 < r.plate_height_m / 2);
      }
    for (const TemplateKind kind : {TemplateKind::drilling, TemplateKind::plate}) {
      const auto t = make_template(job, kind);
      if (!t) {
        CHECK_FALSE(t.error().remedy.empty());
        continue;
      }
      ++made;
      if (kind == TemplateKind::plate)  // holes either coincide or stand clear of each other
        for (const StudMatch& m : r.matches) CHECK_FALSE(m.overlaps);
      CHECK(t->circles.size() >= r.new_pattern.studs.size());
      CHECK(template_svg(*t).find("nan") == std::string::npos);
      CHECK(template_dxf(*t).find("inf") == std::string::npos);
      const auto tiles = tile_template(*t, {});
      REQUIRE(tiles);
      for (const auto& c : t->circles) {
        const bool covered = std::any_of(tiles->begin(), tiles->end(), [&](const Tile& tile) {
          return c.x >= tile.x0 && c.x <= tile.x1 && c.y >= tile.y0 && c.y <= tile.y1;
        });
        CHECK(covered);
      }
    }
  }
  CHECK(made > 100);
}

TEST_CASE("gaps: the same from either box, moving a box away never narrows the gap") {
  Random u{std::mt19937(41)};
  for (int i = 0; i < 2000; ++i) {
    const auto box = [&] {
      return Box{"b",       Box::Kind::unit, u(-1, 1),  u(-1, 1), u(-1, 1),
                 u(0, 0.5), u(0, 0.5),       u(0, 0.5), 0};
    };
    const Box a = box();
    Box b = box();
    const double gap = box_distance_m(a, b);
    CHECK(gap == Approx(box_distance_m(b, a)).margin(1e-12));
    const double away = u(0, 0.5);
    b.x_m += b.x_m >= a.x_m ? away : -away;
    CHECK(box_distance_m(a, b) >= gap - 1e-12);
  }
}

TEST_CASE("lines of equal feel pass between cells on either side of the figure") {
  const Job job = known_job();
  const auto s = sweep(job, default_request(job));
  REQUIRE(s);
  const Sweep one = s->slice(0);
  Random u{std::mt19937(53)};
  for (int i = 0; i < 100; ++i) {
    const double value = u(80, 500);
    for (const auto& piece : equal_line(one, MapFigure::effort, value).pieces) {
      double before = 0;
      for (const auto& [bore, ratio] : piece) {
        CHECK(bore > before);  // bores ascend
        before = bore;
        CHECK(ratio >= one.ratios.front());
        CHECK(ratio <= one.ratios.back());
        // A larger ratio is lighter: left of the line harder, right of it lighter.
        for (const Cell& c : one.cells) {
          if (c.bore_m != bore || c.fails == Limit::impossible || c.effort_n <= 0) continue;
          if (c.ratio < ratio - 0.26) CHECK(c.effort_n >= value * 0.999);
          if (c.ratio > ratio + 0.26) CHECK(c.effort_n <= value * 1.001);
        }
      }
    }
  }
}

TEST_CASE("gauging: a bore that was honed has more clearance and squeezes its cup less") {
  Random u{std::mt19937(61)};
  for (int i = 0; i < 300; ++i) {
    Values v;
    const auto set = [&](Param p, double si) {
      v.set(p, {Origin::measured, si, 0, How::calliper, false, false});
    };
    const double bore = u(0.016, 0.032);
    for (const Param p : {param::gauge_a1, param::gauge_a2, param::gauge_b1, param::gauge_b2,
                          param::gauge_c1, param::gauge_c2})
      set(p, bore + u(-20e-6, 20e-6));
    set(param::gauge_piston, bore - u(20e-6, 200e-6));
    set(param::gauge_cup, bore * u(1.01, 1.1));
    const GaugeReport before = gauge_report(v);
    set(param::gauge_hone, u(5e-6, 150e-6));
    const GaugeReport after = gauge_report(v);
    CHECK(*after.clearance_m > *before.clearance_m);
    CHECK(*after.squeeze < *before.squeeze);
    CHECK(*after.ovality_m == *before.ovality_m);
    // What was beyond honing is not mended by it.
    if (before.verdict == RebuildVerdict::sleeve) CHECK(after.verdict == RebuildVerdict::sleeve);
  }
}

TEST_CASE("measuring what is named first narrows the answer by what it promised") {
  Job job = known_job();
  job.found.set(param::control_pin_arm, measured(param::control_pin_arm, 0.050, How::estimate));
  const auto list = measure_next(job, As::plan);
  REQUIRE_FALSE(list.empty());
  const NextMeasure first = list.front();
  REQUIRE(first.param == param::control_pin_arm);
  const auto spread = [&job] {
    DoubtRequest q;
    q.samples = 3000;
    const Band b = doubt(job, ConditionId::plan, q)->band(PressQuantity::effort);
    return b.high - b.low;
  };
  const double wide = spread();
  job.found.set(param::control_pin_arm, measured(param::control_pin_arm, 0.050, How::calliper));
  const double narrow = spread();
  CHECK(narrow < wide);
  // Variances add: what was taken away is close to the promise (8 of 10 lie within 2.563 sigma).
  const double taken = std::sqrt(wide * wide - narrow * narrow) / 2.563;
  CHECK(taken == Approx(first.effort_n).epsilon(0.15));
}

TEST_CASE("assist types of generated cars: finite or with a reason, the order is stable") {
  for (unsigned seed = 1; seed <= 12; ++seed) {
    Random u{std::mt19937(seed)};
    Job job = known_job();
    const auto set = [&](Param p, double si) { job.found.set(p, measured(p, si, How::stated)); };
    set(param::master_bore, u(0.017, 0.030));
    set(param::vehicle_mass, u(700, 2600));
    set(param::vehicle_altitude, u(0, 3000));
    if (u.coin()) set(param::room_depth, u(0.15, 0.5));
    if (u.coin()) set(param::room_engine, 1);
    const auto first = assist_choices(job);
    const auto again = assist_choices(job);
    REQUIRE(first.size() == again.size());
    bool impossible_seen = false;
    for (std::size_t i = 0; i < first.size(); ++i) {
      CHECK(first[i].words == again[i].words);
      CHECK((first[i].effort_n || !first[i].because.empty()));
      if (first[i].effort_n) CHECK(std::isfinite(*first[i].effort_n));
      impossible_seen = impossible_seen || !first[i].possible;
      // What is possible never stands behind what is not.
      if (impossible_seen) CHECK_FALSE(first[i].possible);
    }
  }
}

TEST_CASE("the parts gate opens only when every part needed first is here and tried") {
  Random u{std::mt19937(71)};
  for (int i = 0; i < 300; ++i) {
    Job job;
    const auto count = u.rng() % 6;
    for (unsigned k = 0; k < count; ++k)
      job.parts.push_back({"p" + std::to_string(k),
                           u.coin() ? "2026-12-0" + std::to_string(k + 1) : "", u.coin(), u.coin(),
                           u.coin(), u.coin(), u.coin(), ""});
    const PartsGate g = parts_gate(job, "2026-11-26");
    const bool all = std::all_of(job.parts.begin(), job.parts.end(), [](const PartInHand& p) {
      return !p.before_apart || (p.here && p.thread && p.seat && p.place);
    });
    CHECK(g.may_start == all);
    CHECK(g.parts.size() == job.parts.size());
    if (g.earliest) CHECK(*g.earliest >= "2026-11-26");
    if (g.critical) CHECK_FALSE(job.parts[*g.critical].here);
  }
}
