// Figures of a job: holding, benchmarks, balance, backward, stages of the work, reservoirs.
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/brakes.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "document/param/valves.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "sizing/sweep.hpp"
#include "strip/benchmarks.hpp"
#include "strip/holding.hpp"
#include "support/build.hpp"
#include "work/work_stages.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void set(Job& job, Param p, double v) {
  job.found.set(p, {v, How::stated, 0, {}});
}

const Figure* find(const FigureGroup& g, const std::string& words) {
  for (const Figure& f : g.figures)
    if (english(f.words).rfind(words, 0) == 0) return &f;
  return nullptr;
}

}  // namespace

TEST_CASE("holding: weight times the sine of the slope, or the stall torque times the gears") {
  const auto m = FeelModel::make(car(), {});
  const Angle slope{std::atan(0.20)};
  const auto r = hold_on_slope(*m, slope);
  REQUIRE(r);
  CHECK(r->holds);
  const double needed = 1260 * kGravity_m_s2 * std::sin(slope.value()) * 0.298;
  CHECK(r->needed_nm == Approx(needed));
  // The sum of the four torques at that press, wheel by wheel.
  double torque = 0;
  for (const WheelBrake& w : *m->system().wheels)
    torque += wheel_torque_nm(w, w.rear ? r->at.rear_pa : r->at.front_pa);
  CHECK(torque == Approx(needed).epsilon(1e-6));
  const auto engine = hold_engine(*m, Torque{250.0}, 10);
  REQUIRE(engine);
  CHECK(engine->needed_nm == Approx(2500));
  CHECK(engine->at.pad_force_n > r->at.pad_force_n);
  CHECK_FALSE(hold_engine(*m, Torque{2900.0}, 20)->holds);
  System icy = car();
  icy.vehicle->tyre_mu = 0.15;
  CHECK(hold_on_slope(*FeelModel::make(icy, {}), slope)->slides);
  CHECK(hold_on_slope(*m, Angle{1.0}).error().field == "hold.slope");
  System unweighed = car();
  unweighed.vehicle.reset();
  CHECK(hold_on_slope(*FeelModel::make(unweighed, {}), slope).error().field == "vehicle.mass");
}

TEST_CASE("benchmarks: the rules' distances are their mean decelerations (from memory)") {
  // v^2/(2 a) is the second term of each rule: 6.43, 2.44, 4.4 and 2.9 m/s2.
  const double v = 100 / 3.6;
  CHECK(rule_distance_m(100, kCarSound) == Approx(70));
  CHECK(rule_distance_m(100, kCarFailed) == Approx(168));
  const auto mean = [v](double factor) { return v * v / (2 * factor * 100 * 100); };
  CHECK(mean(kCarSound) == Approx(6.43).margin(0.01));
  CHECK(mean(kCarFailed) == Approx(2.44).margin(0.01));
  CHECK(mean(kCycleFront) == Approx(4.4).margin(0.05));
  CHECK(mean(kCycleRear) == Approx(2.9).margin(0.01));
  const auto list = benchmarks_of(known_job());
  REQUIRE(list.size() == 5);
  CHECK(list[0].z == Approx(0.656).margin(0.001));
  CHECK(list[1].z == Approx(0.249).margin(0.001));
  for (const Benchmark& b : list) {
    CHECK(b.verdict != Verdict::cannot_say);
    CHECK((b.verdict == Verdict::holds) == (b.effort_n <= b.limit_n && b.reached_z >= b.z - 1e-6));
  }
  Job lever = known_job();
  set(lever, param::control_kind, 1);
  CHECK(benchmarks_of(lever)[0].limit_n == 200);
  CHECK(benchmarks_of(Job{})[0].verdict == Verdict::cannot_say);
  CHECK_FALSE(benchmarks_of(Job{})[0].why.empty());
}

TEST_CASE("stages of the work: from the floor to the finished pedal") {
  System s = car();
  s.assist = booster();
  const auto presses = stage_presses(s);
  REQUIRE(presses);
  REQUIRE(presses->size() == 5);
  // Each stage fills more: the pad comes up, and the engine then takes the effort away.
  CHECK((*presses)[0].to_the_stop);
  CHECK((*presses)[1].to_the_stop);
  CHECK((*presses)[2].pad_travel_m < (*presses)[1].pad_travel_m);
  CHECK((*presses)[3].pad_travel_m < (*presses)[2].pad_travel_m);
  for (const StagePress& p : *presses) CHECK_FALSE(work_stage_words(p.stage).empty());
  const Condition dry = stage_condition(s, WorkStage::dry);
  const Condition bench = stage_condition(s, WorkStage::bench_bled);
  double lines = 0;
  for (const WheelBrake& w : *s.wheels) lines += branch_content(w).value();
  CHECK(bench.air_m3 == Approx(lines));
  CHECK(dry.air_m3 - bench.air_m3 ==
        Approx(bore_area(s.master).value() * (s.master.stroke1 + s.master.stroke2).value()));
  System bare = s;
  bare.wheels.reset();
  CHECK_FALSE(stage_presses(bare));
}

TEST_CASE("backward: feasible bands hold what is inside, the least ratio gives the effort") {
  Job job = known_job();
  set(job, param::limit_effort, 450);
  set(job, param::limit_travel, 0.13);
  const auto s = sweep(job, default_request(job));
  REQUIRE(s);
  for (const Feasible& f : feasible(*s)) {
    for (const Cell& c : s->cells) {
      if (c.bore_m != f.bore_m || c.assist != f.assist) continue;
      if (c.fails == Limit::none) {
        CHECK(f.any);
        CHECK(c.ratio >= f.least_ratio);
        CHECK(c.ratio <= f.most_ratio);
      }
    }
    if (!f.any) CHECK_FALSE(f.nearest.empty());
  }
  const auto ranked = ranking(*s);
  for (std::size_t i = 1; i < ranked.size(); ++i) CHECK(ranked[i - 1].score <= ranked[i].score);
  CHECK(
      english(ranking_words(ranked, Preference::firm)).find(ranked.empty() ? "No cell" : "firm") !=
      std::string::npos);
  const System c = car();
  const auto least = least_ratio(c.control, c.assist, c.master, Pressure{3e6}, Force{330.0});
  REQUIRE(least);
  Control at = c.control;
  at.pin_arm = at.pad_arm / *least;
  CHECK(effort_at_pressure(at, c.assist, c.master, Pressure{3e6}, true)->value() == Approx(330));
  CHECK_FALSE(least_ratio(c.control, c.assist, c.master, Pressure{15e6}, Force{50.0}));
  // Without brakes the figures still say that much.
  Job bores = known_job();
  bores.found.clear(param::front_kind);
  const auto g = figure_group(bores, "backward");
  CHECK(find(*g, "Least ratio"));
}

TEST_CASE("figures of a known job: every group speaks, its values agree with the strip") {
  Job job = known_job();
  const auto strip = foot_strip(job, 32);
  const auto groups = figure_groups(job);
  CHECK(groups.size() >= 8);
  for (const FigureGroup& g : groups) {
    INFO(key(g.id));
    CHECK_FALSE(g.title.empty());
    CHECK_FALSE(g.source.empty());
    for (const Figure& f : g.figures) {
      INFO(f.words);
      CHECK_FALSE(f.words.empty());
      CHECK_FALSE(figure_text(f, {}).empty());
      if (f.si) CHECK(std::isfinite(*f.si));
      if (!f.si) CHECK_FALSE(f.note.empty());
    }
  }
  const auto press = figure_group(job, "press");
  const Figure* effort = find(*press, "0.60 g: effort");
  REQUIRE(effort);
  CHECK(*effort->si == Approx(strip[1].target->at.pad_force_n));
  CHECK(find(*press, "Travel to bite"));
  CHECK(find(*press, "First lock"));
  const Figure* distance = find(*press, "Stopping distance");
  REQUIRE(distance);
  const double v = 100 / 3.6;
  CHECK(*distance->si == Approx(v * 1 + v * v / (2 * 0.6 * kGravity_m_s2)));
  const auto reservoir = figure_group(job, "reservoir");
  // Two sliding calipers of 48 mm, 8 mm of lining on each pad.
  CHECK(*find(*reservoir, "Front linings draw")->si == Approx(2 * kPi / 4 * 0.048 * 0.048 * 0.016));
  CHECK(find(*reservoir, "Rear linings draw"));
  CHECK(english(figure_group(job, "nothing").error().range).find("holding") != std::string::npos);
  CHECK(figure_group_ids().size() == 50);
  CHECK(figure_groups(job, Stage::record).empty());
  // Nothing known: every group says so in words.
  for (const FigureGroup& g : figure_groups(Job{}))
    for (const Figure& f : g.figures) CHECK((f.si || !f.note.empty()));
}

TEST_CASE("knee: a valve that is not needed, one that is, and one that cannot help") {
  Job job = known_job();
  const auto words = [](const Job& j) {
    const auto g = figure_group(j, "balance");
    std::string all;
    for (const Figure& f : g->figures) all += english(f.words) + ": " + figure_text(f, {}) + "\n";
    return all;
  };
  set(job, param::rear_cylinder, 0.0143);
  CHECK(words(job).find("not needed") != std::string::npos);
  set(job, param::rear_cylinder, 0.028);
  set(job, param::rear_shoes, 2);
  const std::string strong = words(job);
  CHECK((strong.find("Highest knee") != std::string::npos ||
         strong.find("smaller rear cylinders") != std::string::npos));
}

TEST_CASE("two residual valves in series are a hard finding") {
  Job job = known_job();
  set(job, param::valve_residual_rear, 69e3);
  const auto has = [](const Job& j) {
    const auto all = find_all(j, foot_strip(j, 16));
    return std::any_of(all.begin(), all.end(), [](const Finding& f) {
      return f.code == FindingCode::plumb_residual_twice;
    });
  };
  CHECK_FALSE(has(job));
  set(job, param::master_residual2, 1);
  CHECK(has(job));
}

TEST_CASE("tubes before a valve see the full pressure, behind it what the valve lets through") {
  System s = car();
  s.rear_valve = Proportioning{Pressure{1e6}, 0.3};
  const auto at_master = FeelModel::make(s, {});
  s.valves_at_axle = true;
  const auto at_axle = FeelModel::make(s, {});
  const double p = 6e6;
  CHECK(at_axle->at(p).rear_pa == at_master->at(p).rear_pa);
  const double extra = at_axle->at(p).volume.tube_m3 - at_master->at(p).volume.tube_m3;
  Tube both = (*s.wheels)[2].tube;
  both.length *= 2.0;
  CHECK(extra == Approx(tube_volume_m3(both, p) - tube_volume_m3(both, at_axle->at(p).rear_pa)));
}

TEST_CASE("knock-back lengthens the pedal's way by its volume") {
  Job job = known_job();
  const double before = condition_report(job, ConditionId::plan).target->at.pad_travel_m;
  set(job, param::front_knock_back, 0.0005);
  const double after = condition_report(job, ConditionId::plan).target->at.pad_travel_m;
  const double volume = 2 * kPi / 4 * 0.048 * 0.048 * 0.0005;
  CHECK(after - before == Approx(6 * volume / (kPi / 4 * 0.022225 * 0.022225)).epsilon(1e-6));
}
