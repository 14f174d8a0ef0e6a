// Sizing, rod, outlets, steps, bleeding, proving, gates, findings.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "document/param/valves.hpp"
#include "document/param/vehicle.hpp"
#include "judge/findings.hpp"
#include "master/bores.hpp"
#include "plumbing/outlets.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"
#include "sizing/relative.hpp"
#include "sizing/sweep.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "work/bleed_count.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {
constexpr double kIn = 0.0254;
bool has(const std::vector<Finding>& f, FindingCode code) {
  return std::any_of(f.begin(), f.end(), [&](const Finding& x) { return x.code == code; });
}
bool has_step(const std::vector<Step>& s, StepId id) {
  return std::any_of(s.begin(), s.end(), [&](const Step& x) { return x.id == id; });
}
void plan(Job& job, Param p, double v, How how = How::calliper) {
  job.plan.set(p, measured(p, v, how));
}
void found(Job& job, Param p, double v, How how = How::calliper) {
  job.found.set(p, measured(p, v, how));
}
}  // namespace

TEST_CASE("old against new from two bores and two ratios (common practice, no source)") {
  const auto r = relative(Length{7.0 / 8 * kIn}, Length{kIn}, 6, 6);
  REQUIRE(r);
  CHECK(r->force_factor == Approx(1.306).margin(5e-4));
  CHECK(r->travel_factor == Approx(0.766).margin(5e-4));
  CHECK(r->equal_bore.value() == Approx(7.0 / 8 * kIn));
  CHECK(r->equal_ratio == Approx(6 * 64.0 / 49));
  CHECK(relative(Length{kIn}, Length{1.125 * kIn}, 6, 6)->area_factor ==
        Approx(1.266).margin(5e-4));
  CHECK(english(relative_words(*r)) == "31 % harder, 23 % shorter at the same pressure.");
  for (double ratio = 2; ratio < 9; ratio += 0.7) {
    const auto x = relative(Length{0.02}, Length{0.025}, 5, ratio);
    CHECK(x->force_factor * x->travel_factor == Approx(1));
    CHECK(relative(Length{0.02}, x->equal_bore, 5, ratio)->force_factor == Approx(1));
  }
  CHECK(relative(Length{0.0}, Length{0.025}, 5, 5).error().field == "bore-old");
  CHECK(relative(Length{0.02}, Length{0.025}, 5, 0.0).error().field == "ratio-new");
}

TEST_CASE("bores: aliases are inch sizes, sorted, and mm names are not") {
  CHECK(named_bore(Length{0.0222})->name == "7/8 in");
  CHECK(named_bore(Length{0.02857})->name == "1 1/8 in");
  CHECK(named_bore(Length{0.01587})->name == "5/8 in");
  CHECK(named_bore(Length{0.022})->name == "22 mm");
  CHECK(named_bore(Length{0.0235}) == nullptr);
  CHECK(standard_bores().size() == 37);
}

TEST_CASE("the map names the first failing limit of every cell") {
  const Job job = known_job();
  SweepRequest q = default_request(job);
  q.limits.effort_n = 450;
  q.limits.travel_m = 0.12;
  const auto s = sweep(job, q);
  REQUIRE(s);
  REQUIRE(s->assists.size() == 2);
  CHECK(s->cells.size() == 2 * s->bores_m.size() * s->ratios.size());
  const Assembly a = assemble(job, As::plan);
  for (size_t b = 0; b < s->bores_m.size(); b += 3)
    for (size_t r = 0; r < s->ratios.size(); r += 5) {
      const Cell& c = s->at(b, r);
      CHECK(c.bore_m == s->bores_m[b]);
      CHECK_FALSE(c.reason.empty());
      if (c.fails == Limit::none) {
        CHECK(c.effort_n <= 450);
        CHECK(c.travel_m <= 0.12);
        CHECK(c.reserve_share >= 0.25);
        CHECK(c.score > 0);
      }
      if (c.fails == Limit::effort) CHECK(c.by.si == Approx(c.effort_n - 450));
      if (c.fails == Limit::travel && c.by.si > 0.001) CHECK(c.by.si >= c.travel_m - 0.12 - 1e-9);
    }
  // More bore is harder, more ratio is longer: both kinds of refusal must be on the map.
  const auto any = [&](Limit l) {
    return std::any_of(s->cells.begin(), s->cells.end(),
                       [l](const Cell& c) { return c.fails == l; });
  };
  CHECK(any(Limit::effort));
  CHECK((any(Limit::travel) || any(Limit::primary_lost) || any(Limit::reserve)));
  // The plan's own and the fitted cell are always in the list.
  CHECK(std::any_of(s->ratios.begin(), s->ratios.end(),
                    [](double r) { return std::abs(r - 6.0) < 0.07; }));
  Job unknown = job;
  unknown.found.clear(param::vehicle_mass);
  CHECK(english(sweep(unknown, q).error().reason).find("mass") != std::string::npos);
}

TEST_CASE("outlets: entered, not assumed, crossed and doubled are findings") {
  Job job = known_job();
  CHECK(outlet_report(job, As::plan).findings.empty());
  plan(job, param::circuit_fr, 1, How::stated);
  CHECK(has(outlet_report(job, As::plan).findings, FindingCode::plumb_crossed));
  plan(job, param::circuit_fl, 1, How::stated);
  CHECK(has(outlet_report(job, As::plan).findings, FindingCode::plumb_no_separation));
  plan(job, param::circuit_split, 1, How::stated);
  plan(job, param::circuit_fl, 0, How::stated);
  plan(job, param::circuit_rr, 0, How::stated);
  CHECK(outlet_report(job, As::plan).findings.empty());
  job.plan.set(param::circuit_rl, Measured{});
  CHECK(outlet_report(job, As::plan).untraced.size() == 1);
  plan(job, param::master_kind, 0, How::stated);
  CHECK(has(outlet_report(job, As::plan).findings, FindingCode::plumb_single));
}

TEST_CASE("steps follow the facts of the job") {
  Job job = known_job();
  const auto plain = install_steps(job);
  CHECK_FALSE(has_step(plain, StepId::out_residual));
  CHECK_FALSE(has_step(plain, StepId::assist_hose));
  CHECK_FALSE(has_step(plain, StepId::lines_new));
  found(job, param::front_kind, 2, How::stated);
  plan(job, param::front_kind, 0, How::stated);
  found(job, param::master_kind, 0, How::stated);
  plan(job, param::master_kind, 1, How::stated);
  plan(job, param::assist_kind, 1, How::stated);
  plan(job, param::valve_kind, 1, How::stated);
  const auto full = install_steps(job);
  for (const StepId id : {StepId::out_residual, StepId::out_tee, StepId::assist_hose,
                          StepId::lines_trace, StepId::lines_valve, StepId::mount_template})
    CHECK(has_step(full, id));
  CHECK(std::count_if(full.begin(), full.end(), [](const Step& s) { return !s.caution.empty(); }) >=
        7);
  std::vector<StepId> ids;
  for (const auto& s : full) ids.push_back(s.id);
  std::sort(ids.begin(), ids.end());
  CHECK(std::adjacent_find(ids.begin(), ids.end()) == ids.end());
}

TEST_CASE("bleeding order (common practice, no source) and strokes") {
  Job job = known_job();
  const BleedPlan p = bleed_plan(job);
  REQUIRE(p.wheels.size() == 4);
  using enum Wheel;
  CHECK(p.wheels[0].wheel == rear_right);
  CHECK(p.wheels[1].wheel == rear_left);
  CHECK(p.wheels[2].wheel == front_right);
  CHECK(p.wheels[3].wheel == front_left);
  for (const auto& w : p.wheels) {
    const double per = w.per_stroke.value();
    CHECK(per > 0);
    CHECK(w.strokes * per >= 1.5 * w.branch.value());
    CHECK((w.strokes - 1) * per < 1.5 * w.branch.value());
    // The level never reaches the port between refills.
    CHECK(w.refill_every * per <= value_of(job, As::plan, param::master_reservoir).si);
  }
  found(job, param::vehicle_steering, 1, How::stated);
  CHECK(bleed_plan(job).wheels[0].wheel == rear_left);
  found(job, param::circuit_split, 1, How::stated);
  found(job, param::circuit_fr, 1, How::stated);
  found(job, param::circuit_rr, 0, How::stated);
  CHECK(bleed_plan(job).wheels[1].wheel == front_right);
  job.found.clear(param::vehicle_steering);
  CHECK(bleed_plan(job).missing.front() == param::vehicle_steering);
}

TEST_CASE("fit of readings: planted air and slack come back within their doubt") {
  const System s = car();
  Condition c;
  c.assist_alive = false;
  c.air_m3 = 1.5e-6;
  const auto truth = FeelModel::make(s, c);
  REQUIRE(truth);
  std::vector<Reading> readings;
  for (const double f : {40.0, 55.0, 70.0, 90.0, 140.0, 240.0, 380.0}) {
    const auto t = predicted_travel_m(*truth, f);
    REQUIRE(t);
    readings.push_back({f, *t + 0.006, 3, 0.001, false});
  }
  const ReadingEstimate exact = estimate_from_readings(s, readings, false);
  REQUIRE(exact.air_m3());
  REQUIRE(exact.slack_m());
  CHECK(exact.refusal.empty());
  CHECK(exact.air_m3()->value == Approx(1.5e-6).epsilon(1e-3));
  CHECK(exact.slack_m()->value == Approx(0.006).epsilon(1e-3));
  CHECK(exact.misfit_m < 1e-5);
  // Honest scatter: truth within twice the doubt in at least 90 of 100 draws.
  std::mt19937 rng(7);
  std::normal_distribution<double> noise(0, 0.0005);
  int inside = 0;
  for (int k = 0; k < 100; ++k) {
    auto noisy = readings;
    for (auto& r : noisy) r.travel_m += noise(rng);
    const ReadingEstimate f = estimate_from_readings(s, noisy, false);
    if (f.air_m3() && std::abs(f.air_m3()->value - 1.5e-6) <= f.air_m3()->uncertainty) ++inside;
  }
  CHECK(inside >= 90);
}

TEST_CASE("fit of readings: what they cannot tell is refused, with the measurement that would") {
  const System s = car();
  const ReadingEstimate none = estimate_from_readings(s, {}, false);
  CHECK(english(none.refusal).find("cannot tell") != std::string::npos);
  CHECK_FALSE(none.next_measurement.empty());
  std::vector<Reading> firm;
  const auto m = FeelModel::make(s, {});
  for (const double f : {200.0, 300.0, 400.0})
    firm.push_back({f, *predicted_travel_m(*m, f) + 0.004, 5, 0.0015, false});
  const ReadingEstimate r = estimate_from_readings(s, firm, false);
  CHECK_FALSE(r.air_m3());
  REQUIRE(r.slack_m());
  CHECK(r.slack_m()->value == Approx(0.004).margin(1e-5));
  CHECK(english(r.refusal).find("cannot tell air") != std::string::npos);
  System unknown = s;
  unknown.wheels.reset();
  CHECK_FALSE(estimate_from_readings(unknown, firm, false).slack_m());
  CHECK(estimate_from_readings(s, firm, true).used == 0);
}

TEST_CASE("a job cannot be proved while a gate stands open or failed") {
  Job job = known_job();
  const auto gates = [&job] {
    const auto strip = foot_strip(job, 16);
    return gates_of(job, strip, find_all(job, strip));
  };
  CHECK_FALSE(may_be_proved(gates()));
  pass_all_gates(job);
  // Whatever was ticked: with steps open and nothing bled no pedal is proved.
  CHECK_FALSE(may_be_proved(gates()));
  const auto lacks = [&](GateId id) {
    for (const Gate& g : gates())
      if (g.id == id) return english(g.why);
    return std::string("no such gate");
  };
  CHECK(lacks(GateId::steps).find("steps are not done") != std::string::npos);
  CHECK(lacks(GateId::bled) == "0 of 4 nipples run clear");
  do_all_work(job);
  CHECK(lacks(GateId::bled).empty());
  count_stroke(job.bleeding["rl"], true);
  CHECK(lacks(GateId::bled) == "3 of 4 nipples run clear");
  CHECK_FALSE(may_be_proved(gates()));
  do_all_work(job);
  const StepId step = install_steps(job).front().id;
  record_for(job, step).done = false;
  CHECK(lacks(GateId::steps) == "1 step is not done");
  CHECK_FALSE(may_be_proved(gates()));
  do_all_work(job);
  found(job, param::limit_effort_failed, 1500, How::stated);
  found(job, param::limit_z_failed, 0.05, How::stated);
  found(job, param::limit_reserve, 0.0, How::stated);
  pass_all_gates(job);  // it was bled again since
  for (const Gate& g : gates()) {
    INFO(key(g.id) << " " << g.why);
    CHECK(g.state == GateState::passed);
  }
  CHECK(may_be_proved(gates()));
  job.gates["weep"].state = GateState::open;  // one that nobody has looked at is enough
  CHECK_FALSE(may_be_proved(gates()));
  pass_gate(job, GateId::weep);
  CHECK(may_be_proved(gates()));
  plan(job, param::circuit_fr, 1, How::stated);
  CHECK_FALSE(may_be_proved(gates()));
  const auto held = gates();
  CHECK(std::any_of(held.begin(), held.end(),
                    [](const Gate& g) { return g.held && g.id == GateId::circuits; }));
}

TEST_CASE("findings carry code, message and remedy, status lines say the most useful thing") {
  Job job = known_job();
  const auto strip = foot_strip(job, 16);
  for (const Finding& f : find_all(job, strip)) {
    CHECK(find_finding_code(key(f.code)) == f.code);
    CHECK_FALSE(f.message.empty());
    CHECK_FALSE(f.remedy.empty());
  }
  const auto status = [&](Stage s) {
    return english(stage_status(job, s, strip, find_all(job, strip)));
  };
  for (const Stage s : kStages) CHECK_FALSE(status(s).empty());
  CHECK(status(Stage::rod) == "nose behind the mounting flange unknown");
  CHECK(status(Stage::bleed) == "0 of 4 nipples done");
  found(job, param::control_pin_arm, 0.05, How::estimate);
  CHECK(status(Stage::survey) == "pin radius is a guess");
  CHECK(english(stage_status(Job{}, Stage::survey, foot_strip(Job{}, 8), {})) ==
        "pivot to pedal pad unknown");
}

TEST_CASE("only what matters is asked, and the next measurement is what is missing first") {
  Job job = known_job();
  CHECK_FALSE(relevant(job, As::plan, param::front_drum));
  CHECK(relevant(job, As::plan, param::rear_drum));
  CHECK_FALSE(relevant(job, As::plan, param::assist_gain));
  CHECK(relevant(Job{}, As::plan, param::assist_gain));
}

TEST_CASE("a nipple is clear by clear strokes in a row alone, and a refill is asked for in time") {
  Job job = known_job();
  set(job, "bleed.front_screw=top");
  set(job, "bleed.rear_screw=top");
  const BleedPlan p = bleed_plan(job);
  REQUIRE(p.wheels.size() == 4);
  const auto row = [&job](const std::string& key) {
    for (const BleedRow& r : bleed_rows(job, bleed_plan(job)))
      if (r.key == key) return r;
    FAIL("no row " << key);
    return BleedRow{};
  };
  REQUIRE(bleed_rows(job, p).size() == 5);
  CHECK(bleed_rows(job, p)[0].key == "bench");
  CHECK_FALSE(bleed_rows(job, p)[0].planned);
  CHECK(bleed_rows(job, p)[1].key == wheel_key(p.wheels[0].wheel));  // the plan's order
  CHECK(row("rr").state == BleedState::not_begun);
  BleedRecord& rr = job.bleeding["rr"];
  for (int i = 0; i < 200; ++i) count_stroke(rr, true);
  CHECK(rr.strokes == 200);
  CHECK(row("rr").state == BleedState::counting);  // any number of strokes is no pass
  for (int i = 1; i < kClearStrokes; ++i) count_stroke(rr, false);
  CHECK(row("rr").state == BleedState::counting);
  count_stroke(rr, true);  // bubbles again: the row begins anew
  for (int i = 1; i < kClearStrokes; ++i) count_stroke(rr, false);
  CHECK(row("rr").state == BleedState::counting);
  CHECK(clear_nipples(bleed_rows(job, p)) == 0);
  count_stroke(rr, false);
  CHECK(row("rr").state == BleedState::clear);
  CHECK(rr.clear_strokes == kClearStrokes);
  CHECK(rr.strokes == 200 + 2 * kClearStrokes);
  CHECK(clear_nipples(bleed_rows(job, p)) == 1);
  job.bleeding["bench"] = {9, 0, 9, {}};
  CHECK(clear_nipples(bleed_rows(job, p)) == 1);  // the bench is no corner

  BleedRecord& fl = job.bleeding["fl"];
  // Two strokes before its port is bare: the chamber's fluid by what a stroke takes.
  const double stroke = row("fl").planned->per_stroke.value();
  const int full =
      static_cast<int>(value_of(job, As::plan, param::master_reservoir).si / stroke + 1e-9);
  REQUIRE(full > 3);
  for (int i = 0; i < full - 3; ++i) count_stroke(fl, true);
  CHECK_FALSE(row("fl").refill_due);
  count_stroke(fl, true);
  CHECK(row("fl").refill_due);
  for (int i = 0; i < 9; ++i) count_stroke(fl, false);
  CHECK(row("fl").refill_due);  // clear or not, the level is as low
  count_refill(fl);
  CHECK(fl.refills == 1);
  CHECK_FALSE(row("fl").refill_due);

  found(job, param::vehicle_steering, 0, How::unknown);
  const auto blind = bleed_rows(job, bleed_plan(job));
  REQUIRE(blind.size() == 5);
  for (const BleedRow& r : blind) {
    CHECK_FALSE(r.planned);
    CHECK_FALSE(r.refill_due);
  }
  found(job, param::control_use, 1, How::stated);
  const auto clutch = bleed_rows(job, bleed_plan(job));
  REQUIRE(clutch.size() == 2);
  CHECK(clutch[1].key == "slave");
}
