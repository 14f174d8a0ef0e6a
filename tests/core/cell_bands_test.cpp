// How sure each cell of the map is, and what the arms and holes of the pedal's ratio tool tell.
#include <catch2/catch.hpp>
#include <cmath>
#include <cstdlib>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "doubt/cell_bands.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "support/every_code.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// The known car within wide limits, so that cells pass.
Job easy_job() {
  Job job = known_job();
  set(job,
      "found:limit.effort=600 N; found:limit.travel=130 mm; found:limit.effort_failed=1500 N; "
      "found:limit.z_failed=0.05; found:limit.reserve=10 %; found:limit.reserve_failed=0 %; "
      "found:limit.reserve_failed_m=0 mm; found:air.left=0 ml; found:target.z=0.5");
  return job;
}

const Figure* figure(const FigureGroup& g, std::string_view words) {
  for (const Figure& f : g.figures)
    if (english(f.words).find(words) != std::string::npos) return &f;
  return nullptr;
}

}  // namespace

TEST_CASE("a cell's band: nothing in doubt passes always or never, and has no width") {
  Job job = easy_job();
  state_everything(job);
  const SweepRequest q = default_request(job);
  const auto map = sweep(job, q);
  REQUIRE(map);
  DoubtRequest draws;
  draws.samples = 10;
  const auto bands = cell_bands(job, q, *map, draws);
  REQUIRE(bands);
  REQUIRE(bands->size() == map->cells.size());
  for (std::size_t i = 0; i < bands->size(); ++i) {
    const CellBand& b = (*bands)[i];
    CHECK(b.draws == 10);
    CHECK(b.passes == (map->cells[i].fails == Limit::none ? 10U : 0U));
    CHECK(b.effort.low == Approx(map->cells[i].effort_n).margin(0.01));
    CHECK(b.effort.high == Approx(b.effort.low).margin(0.01));
  }
}

TEST_CASE("a cell's band: the plan's own cell is as sure as the doubt run says of all conditions") {
  Job job = easy_job();
  job.found.set(param::control_pin_arm, {0.050, How::tape, 0.002, {}});
  const SweepRequest q = default_request(job);
  const auto map = sweep(job, q);
  REQUIRE(map);
  DoubtRequest draws;
  draws.samples = 600;
  const auto bands = cell_bands(job, q, *map, draws);
  REQUIRE(bands);
  const auto alone = doubt(job, ConditionId::plan, draws);
  REQUIRE(alone);
  bool seen = false;
  for (std::size_t i = 0; i < map->cells.size(); ++i) {
    if (!map->cells[i].own) continue;
    seen = true;
    const CellBand& b = (*bands)[i];
    const Band& effort = alone->band(PressQuantity::effort);
    CHECK(b.effort.low == Approx(effort.low).epsilon(0.01));
    CHECK(b.effort.high == Approx(effort.high).epsilon(0.01));
    CHECK(b.travel.low == Approx(alone->band(PressQuantity::travel).low).epsilon(0.01));
    // All conditions pass less often than the plan alone.
    CHECK(static_cast<double>(b.passes) / static_cast<double>(b.draws) <= alone->pass_share + 0.01);
  }
  CHECK(seen);
  draws.samples = 5;
  CHECK_FALSE(cell_bands(job, q, *map, draws));
  draws.samples = 40;
  draws.progress = [](double) { return false; };
  CHECK_FALSE(cell_bands(job, q, *map, draws));
}

TEST_CASE("bores tried: inch, millimetre, both, or any") {
  Job job = known_job();
  const auto count = [&job](const char* sizes) {
    set(job, std::string("found:target.sizes=") + sizes);
    return default_request(job).bores_m.size();
  };
  const auto has = [&job](double bore) {
    for (const double b : default_request(job).bores_m)
      if (std::abs(b - bore) < 1e-6) return true;
    return false;
  };
  const auto inch = count("standard");
  CHECK(has(0.0254));
  CHECK_FALSE(has(0.024));
  const auto metric = count("metric");
  CHECK(has(0.024));
  CHECK_FALSE(has(0.0254));
  CHECK(has(0.022225));  // the plan's own bore stands in every map
  const auto both = count("both");
  CHECK(both + 1 == inch + metric);  // the own bore is one of the inch sizes
  CHECK(count("any") > both);
}

TEST_CASE("a right wheel unlike the left arrives in the model, and pulls") {
  Job job = known_job();
  set(job, "front.right_piston=51 mm");
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  const auto area = [&a](std::size_t wheel) {
    return std::get<Disc>((*a.system->wheels)[wheel].brake).side_area.value();
  };
  CHECK(area(0) == Approx(circle_area(Length{0.048}).value()));
  CHECK(area(1) == Approx(circle_area(Length{0.051}).value()));
  // (51/48)² - 1 = 12.9 %
  for (const Finding& f : find_all(job, foot_strip(job, 12)))
    if (f.code == FindingCode::size_uneven)
      CHECK(english(f.message).find("13 % harder") != std::string::npos);
  // One press, two unlike sides: the sums of both.
  const auto one = FeelModel::make(*a.system, {});
  const auto even = FeelModel::make(*assemble(known_job(), As::plan).system, {});
  REQUIRE(one);
  const double ratio = one->wheel_forces(2e6).front_n / even->wheel_forces(2e6).front_n;
  CHECK(ratio == Approx((48.0 * 48 + 51.0 * 51) / (2 * 48 * 48)));
  const auto pulls = [&job](const char* words) {
    for (const Finding& f : find_all(job, foot_strip(job, 12)))
      if (f.code == FindingCode::size_uneven && english(f.message).find(words) != std::string::npos)
        return true;
    return false;
  };
  CHECK(pulls("right front wheel brakes 13 % harder"));
  CHECK_FALSE(pulls("right rear"));
  set(job, "rear.right_cylinder=17.46 mm");
  CHECK(pulls("right rear wheel brakes 16 % less"));
  const Assembly b = assemble(job, As::plan);
  CHECK(std::get<Drum>((*b.system->wheels)[3].brake).cylinder_area.value() ==
        Approx(circle_area(Length{0.01746}).value()));
}

TEST_CASE("the ratio with its error bar is the short arm's first") {
  Job job = easy_job();
  job.found.set(param::control_pad_arm, {0.300, How::tape, 0.0015, {}});
  job.found.set(param::control_pin_arm, {0.050, How::rule, 0.0005, {}});
  const FigureGroup g = figure_group(job, GroupId::ratio);
  const Figure* ratio = figure(g, "Ratio");
  REQUIRE(ratio);
  CHECK(*ratio->si == Approx(6));
  // 1.5/300 = 0.5 %, 0.5/50 = 1 %: together 1.118 % of 6.
  CHECK(english(ratio->note) == "±0.07: ±1.0 % by the short arm, ±0.5 % by the long one");
}

TEST_CASE("a hole by its tolerance: at either end of it every limit is kept, beyond it none is") {
  Job job = easy_job();
  state_everything(job);
  const FigureGroup g = figure_group(job, GroupId::ratio);
  const Figure* hole = figure(g, "Hole that keeps every limit");
  REQUIRE(hole);
  REQUIRE(hole->si);
  const auto passes = [&job](double pin_m) {
    SweepRequest q;
    q.limits = limits_of(job);
    q.bores_m = {value_of(job, As::plan, param::master_bore).si};
    q.ratios = {0.300 / pin_m};
    const auto s = sweep(job, q);
    REQUIRE(s);
    return s->cells.front().fails == Limit::none;
  };
  CHECK(passes(*hole->si));
  // "from the pivot, ±3.9 mm: 47.1 mm to 55.0 mm, …"
  const std::string note = english(hole->note);
  const std::size_t at = note.find("±");
  REQUIRE(at != std::string::npos);
  const double half = std::strtod(note.c_str() + at + 2, nullptr);
  REQUIRE(half > 0.2);
  CHECK(passes(*hole->si + half * 1e-3 - 0.0002));
  CHECK(passes(*hole->si - half * 1e-3 + 0.0002));
  CHECK_FALSE(passes(*hole->si + half * 1e-3 + 0.002));
  CHECK_FALSE(passes(*hole->si - half * 1e-3 - 0.002));
}

TEST_CASE("another hole is told with its ratio, what it would give, and whether that passes") {
  Job job = easy_job();
  set(job, "control.hole1=60 mm; control.overall=330 mm");
  const FigureGroup g = figure_group(job, GroupId::ratio);
  const Figure* hole = figure(g, "Hole at 60.0 mm");
  REQUIRE(hole);
  CHECK(english(hole->note).find("ratio 5.00 ±") != std::string::npos);
  SweepRequest q;
  q.limits = limits_of(job);
  q.bores_m = {value_of(job, As::plan, param::master_bore).si};
  q.ratios = {5.0};
  const auto s = sweep(job, q);
  REQUIRE(s);
  CHECK(*hole->si == Approx(s->cells.front().effort_n));
  CHECK(hole->verdict == s->cells.front().verdict);
  CHECK(figure(g, "whole length")->si == Approx(6.6));
}
