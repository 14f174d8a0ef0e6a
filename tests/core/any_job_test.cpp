// Any job that the file reader accepts: every figure is finite, every refusal has words, nothing
// hangs.
#include <catch2/catch.hpp>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/control.hpp"
#include "doubt/doubt.hpp"
#include "doubt/measure_next.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "rod/rod.hpp"
#include "sizing/sweep.hpp"
#include "support/build.hpp"
#include "support/random_job.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void check_finite(const TargetReport& r) {
  const FeelPoint& f = r.at;
  for (const double v : {f.pad_travel_m, f.pad_force_n, f.rod_travel_m, f.input_force_n,
                         f.output_force_n, f.stroke_m, f.pressure_pa, f.front_pa, f.rear_pa, f.z,
                         r.available_m, r.reserve_m, r.reserve_share, r.stiffness_n_m})
    CHECK(std::isfinite(v));
  CHECK(f.pad_travel_m >= 0);
  for (const double layer : r.budget) CHECK(std::isfinite(layer));
}

void check_strip(const std::vector<ConditionReport>& strip) {
  for (const ConditionReport& c : strip) {
    INFO(c.title << ": " << c.reason);
    if (c.target) check_finite(*c.target);
    if (c.verdict != Verdict::holds) CHECK_FALSE(c.reason.empty());
    if (c.effort_only_n) CHECK(std::isfinite(*c.effort_only_n));
    if (!c.curve) continue;
    for (const FeelPoint& f : c.curve->points) {
      CHECK(std::isfinite(f.pad_force_n));
      CHECK(std::isfinite(f.pad_travel_m));
    }
  }
}

void check_rest(const Job& job, const std::vector<ConditionReport>& strip) {
  const auto findings = find_all(job, strip);
  for (const Finding& f : findings) {
    CHECK_FALSE(f.message.empty());
    CHECK(english(f.message).find("nan") == std::string::npos);
    CHECK(english(f.message).find("inf ") == std::string::npos);
  }
  for (const Stage s : kStages) CHECK_FALSE(stage_status(job, s, strip, findings).empty());
  const RodReport rod = rod_report(job);
  if (rod.total) CHECK(std::isfinite(rod.total->value()));
  if (rod.turns) CHECK(std::isfinite(*rod.turns));
  for (const AnglePoint& p : angle_report(job, As::plan).points) {
    CHECK(std::isfinite(p.angle_rad));
    CHECK(std::isfinite(p.side_force_n));
  }
  for (const BleedWheel& w : bleed_plan(job).wheels) {
    CHECK(w.strokes >= 0);
    CHECK(w.strokes < 100000000);
    CHECK(w.refills >= 0);
  }
  CHECK_FALSE(install_steps(job).empty());
  (void)may_be_proved(gates_of(job, strip, findings));
  (void)measure_next(job, As::plan);
}

}  // namespace

TEST_CASE("all values at once are those asked for one by one, whatever was entered") {
  for (unsigned seed = 0; seed < 200; ++seed) {
    const Job job = random_job(seed, seed % 2 == 0 ? 0.02 : 0.6);
    for (const As which : {As::found, As::plan, As::built}) {
      const Values all = resolve(job, which);
      for (const ParamInfo& p : all_params()) {
        const Value one = value_of(job, which, p.param);
        const Value& v = all.at(p.param);
        INFO("seed " << seed << " " << p.id);
        CHECK(v.origin == one.origin);
        CHECK(v.si == one.si);
        CHECK(v.uncertainty_si == one.uncertainty_si);
        CHECK(v.how == one.how);
        CHECK(v.inherited == one.inherited);
        CHECK(v.follows == one.follows);
        CHECK(v.other_unit == one.other_unit);
        CHECK(v.said_unknown == one.said_unknown);
      }
    }
  }
}

TEST_CASE("a thousand random jobs, from nearly sane to absurd") {
  int curves = 0;
  for (unsigned seed = 0; seed < 1000; ++seed) {
    INFO("seed " << seed);
    const Job job = random_job(seed, 0.01 + 0.6 * (seed % 10) / 10.0);
    const auto strip = foot_strip(job, 12);
    check_strip(strip);
    check_rest(job, strip);
    for (const auto& c : strip) curves += c.curve ? 1 : 0;
  }
  CHECK(curves > 1000);  // enough of them press a pedal
}

TEST_CASE("random jobs: every figure is finite or says why, doubt and causes end") {
  int said = 0;
  for (unsigned seed = 0; seed < 60; ++seed) {
    INFO("seed " << seed);
    Job job = random_job(seed * 7 + 3, seed % 6 * 0.2);
    if (seed % 4 == 0) job.found.set(param::control_use, {1, How::stated, 0, {}});
    for (const FigureGroup& g : figure_groups(job))
      for (const Figure& f : g.figures) {
        INFO(key(g.id) << ": " << f.words);
        CHECK_FALSE(f.words.empty());
        CHECK((f.si || !f.note.empty()));
        if (!f.si) continue;
        CHECK(std::isfinite(*f.si));
        ++said;
        const std::string text = figure_text(f, {});
        CHECK(text.find("nan") == std::string::npos);
        CHECK(text.find("inf") == std::string::npos);
      }
    for (const Finding& f : figure_findings(job)) CHECK_FALSE(f.remedy.empty());
    DoubtRequest q;
    q.samples = 100;
    const auto r = doubt(job, conditions_for(strip_inputs(job).clutch), q);
    if (!r) {
      CHECK_FALSE(r.error().reason.empty());
      continue;
    }
    for (const ConditionDoubt& c : r->conditions)
      for (const Band& b : c.bands) {
        CHECK(std::isfinite(b.low + b.middle + b.high));
        CHECK(b.low <= b.high);
      }
  }
  CHECK(said > 500);
}

TEST_CASE("random jobs: cells and readings end in a figure or in words") {
  int cells = 0;
  for (unsigned seed = 0; seed < 120; ++seed) {
    INFO("seed " << seed);
    const Job job = random_job(seed, 0.05);
    SweepRequest q;
    q.limits = limits_of(job);
    q.bores_m = {0.010, 0.022, 0.050};
    q.ratios = {1.2, 5.0, 11.0};
    if (const auto s = sweep(job, q)) {
      for (const Cell& c : s->cells) {
        ++cells;
        CHECK_FALSE(c.reason.empty());
        CHECK(std::isfinite(c.by.si));
        CHECK(std::isfinite(c.score));
        CHECK(std::isfinite(c.effort_n + c.travel_m + c.reserve_share));
      }
    } else {
      CHECK_FALSE(s.error().reason.empty());
    }
    const Assembly a = assemble(job, As::plan);
    if (!a.system) continue;
    for (const bool alive : {false, true}) {
      const ReadingEstimate f = estimate_from_readings(*a.system, job.readings, alive);
      if (f.slack_m()) CHECK(std::isfinite(f.slack_m()->value + f.slack_m()->uncertainty));
      if (f.air_m3()) CHECK(std::isfinite(f.air_m3()->value + f.air_m3()->uncertainty));
      if (!f.slack_m()) CHECK_FALSE(f.refusal.empty());
    }
  }
  CHECK(cells > 200);
}

TEST_CASE("every parameter is written and read back in every style", "[comma]") {
  for (const ParamInfo& p : all_params())
    for (const UnitStyle units : {UnitStyle::metric, UnitStyle::imperial, UnitStyle::both})
      for (const bool comma : {false, true})
        for (const double t : {0.03, 0.31, 0.5, 0.77, 0.96}) {
          const Style style{units, comma};
          const double si = p.kind == Kind::choice ? std::floor(t * (p.max_si + 0.999))
                                                   : p.min_si + t * (p.max_si - p.min_si);
          const std::string text = format_value(p.param, si, style);
          INFO(p.id << " as " << text);
          const auto back = parse_value(p.param, text, style);
          REQUIRE(back);
          // Rounded once for the screen, it stays there: entering what is shown drifts no further
          // (an inch length may snap to its 1/64 within 0.003 mm).
          const auto again = parse_value(p.param, format_value(p.param, *back, style), style);
          REQUIRE(again);
          CHECK(*again == Approx(*back).epsilon(1e-9).margin(4e-6));
          CHECK(format_value(p.param, *again, style) == format_value(p.param, *back, style));
        }
}

TEST_CASE("every unit word of every kind is understood, with and without a blank") {
  for (int k = 0; k <= static_cast<int>(Kind::choice); ++k) {
    const auto kind = static_cast<Kind>(k);
    for (const UnitWord& w : unit_words(kind)) {
      if (w.word.empty()) continue;
      for (const std::string& text : {"3" + std::string(w.word), "3 " + std::string(w.word)}) {
        INFO(text);
        const auto v = parse_quantity(text, kind, UnitStyle::metric);
        REQUIRE(v);
        const double expected =
            kind == Kind::pitch && w.word == "tpi" ? w.factor / 3 : 3 * w.factor + w.offset;
        CHECK(*v == Approx(expected));
      }
    }
  }
}
