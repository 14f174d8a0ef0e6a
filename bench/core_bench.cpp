// One foot strip, one sweep of the map, the doubt draws, and how their cost grows.
#include <benchmark/benchmark.h>

#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "doubt/doubt.hpp"
#include "judge/findings.hpp"
#include "master/bores.hpp"
#include "plumbing/bend_list.hpp"
#include "protocol/protocol.hpp"
#include "sizing/sweep.hpp"
#include "support/build.hpp"
#include "work/steps.hpp"

namespace {

using namespace yoke;

/// A job with a booster, measured arms and a rod geometry: nothing is left out of the press.
Job whole_job() {
  Job job = test::known_job();
  const auto set = [&job](Param p, double si, How how) { job.found.set(p, measured(p, si, how)); };
  set(param::control_axis_height, 0.049, How::rule);
  set(param::control_offset, 0.002, How::rule);
  set(param::control_rest_angle, -0.25, How::estimate);
  set(param::control_rod_length, 0.150, How::rule);
  set(param::control_pad_arm, 0.300, How::tape);
  set(param::control_pin_arm, 0.075, How::calliper);
  set(param::assist_kind, 1, How::stated);
  set(param::assist_diaphragm1, 0.203, How::rule);
  set(param::master_bore, 0.022225, How::calliper);
  return job;
}

void one_foot_strip(benchmark::State& state) {
  const Job job = whole_job();
  for (auto _ : state) benchmark::DoNotOptimize(foot_strip(job, 256));
}
BENCHMARK(one_foot_strip)->Unit(benchmark::kMicrosecond);

void all_findings(benchmark::State& state) {
  const Job job = whole_job();
  const auto strip = foot_strip(job, 0);
  for (auto _ : state) benchmark::DoNotOptimize(find_all(job, strip));
}
BENCHMARK(all_findings)->Unit(benchmark::kMicrosecond);

void the_proof_press_by_press(benchmark::State& state) {
  const Job job = whole_job();
  const auto strip = foot_strip(job, 0);
  for (auto _ : state) benchmark::DoNotOptimize(proof_protocol(job, strip, {}, ProofBands::needed));
}
BENCHMARK(the_proof_press_by_press)->Unit(benchmark::kMicrosecond);

void one_curve_by_points(benchmark::State& state) {
  const Assembly a = assemble(whole_job(), As::plan);
  const auto model = FeelModel::make(*a.system, {});
  const auto points = static_cast<std::size_t>(state.range(0));
  for (auto _ : state) benchmark::DoNotOptimize(model->curve(points));
  state.SetComplexityN(state.range(0));
}
BENCHMARK(one_curve_by_points)
    ->RangeMultiplier(4)
    ->Range(64, 16384)
    ->Complexity(benchmark::oN)
    ->Unit(benchmark::kMicrosecond);

void one_model_from_a_system(benchmark::State& state) {
  const Assembly a = assemble(whole_job(), As::plan);
  for (auto _ : state) benchmark::DoNotOptimize(FeelModel::make(*a.system, {}));
}
BENCHMARK(one_model_from_a_system)->Unit(benchmark::kMicrosecond);

void one_system_from_a_job(benchmark::State& state) {
  const Job job = whole_job();
  for (auto _ : state) benchmark::DoNotOptimize(strip_inputs(job));
}
BENCHMARK(one_system_from_a_job)->Unit(benchmark::kMicrosecond);

/// A long job's steps with a hundred and more of the builder's own among them, each with a fact.
void order_of_150_steps(benchmark::State& state) {
  Job job = test::known_job();
  for (int i = 0; i < 121; ++i) {
    OwnStep own;
    own.name = "own " + std::to_string(i);
    own.place = kWorkPlaces[static_cast<std::size_t>(i) % std::size(kWorkPlaces)];
    job.own_steps.push_back(own);
    job.order_facts.push_back({own_key(own), i % 2 == 0 ? "out.unit" : "fill.fluid", "", {}});
  }
  std::size_t steps = 0;
  for (auto _ : state) steps = work_order(job).steps.size();
  state.counters["steps"] = static_cast<double>(steps);
}
BENCHMARK(order_of_150_steps)->Unit(benchmark::kMicrosecond);

/// A line of forty corners.
void bend_list_of_40_corners(benchmark::State& state) {
  std::vector<Point3> corners;
  for (int i = 0; i < 40; ++i) corners.push_back({0.1 * i, 0.05 * (i % 2), 0.05 * (i % 3)});
  for (auto _ : state) benchmark::DoNotOptimize(bend_list(TubeLine{}, corners));
}
BENCHMARK(bend_list_of_40_corners)->Unit(benchmark::kMicrosecond);

void sweep_of_18_bores_61_ratios_3_assists(benchmark::State& state) {
  const Job job = whole_job();
  SweepRequest q = default_request(job);
  q.bores_m.clear();
  q.ratios.clear();
  for (const auto& b : standard_bores())
    if (b.inch && q.bores_m.size() < 18) q.bores_m.push_back(b.bore_m);
  for (int i = 0; i < 61; ++i) q.ratios.push_back(3.0 + 0.1 * i);
  Booster small = test::booster(50e3, 0.178);
  q.assists.push_back(
      {"vacuum, 7 in", choice::AssistKind::vacuum, small, std::nullopt, std::nullopt});
  q.threads = static_cast<unsigned>(state.range(0));
  for (auto _ : state) benchmark::DoNotOptimize(sweep(job, q));
  state.counters["cells"] =
      static_cast<double>(q.bores_m.size() * q.ratios.size() * q.assists.size());
}
BENCHMARK(sweep_of_18_bores_61_ratios_3_assists)
    ->Arg(1)
    ->Arg(2)
    ->UseRealTime()
    ->Unit(benchmark::kMillisecond);

void doubt_draws_of_the_whole_strip(benchmark::State& state) {
  const Job job = whole_job();
  DoubtRequest q;
  q.samples = static_cast<std::size_t>(state.range(0));
  q.threads = 2;
  for (auto _ : state) benchmark::DoNotOptimize(doubt(job, conditions_for(false), q));
  state.SetComplexityN(state.range(0));
}
BENCHMARK(doubt_draws_of_the_whole_strip)
    ->Arg(2500)
    ->Arg(5000)
    ->Arg(10000)
    ->UseRealTime()
    ->Complexity(benchmark::oN)
    ->Unit(benchmark::kMillisecond);

}  // namespace
