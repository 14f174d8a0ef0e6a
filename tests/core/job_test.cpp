// The job as a value: where values come from, doubts, what is missing, what contradicts, status
// lines.
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
#include "document/param/limits.hpp"
#include "document/param/lines.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/valves.hpp"
#include "document/param/vehicle.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "sizing/sweep.hpp"
#include "support/work_done.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void found(Job& job, Param p, double v, How how = How::stated) {
  job.found.set(p, measured(p, v, how));
}

const Finding* finding(const std::vector<Finding>& all, FindingCode code) {
  for (const Finding& f : all)
    if (f.code == code) return &f;
  return nullptr;
}

std::vector<Finding> findings_of(const Job& job) {
  return find_all(job, foot_strip(job, 16));
}

}  // namespace

TEST_CASE("every way of measuring has a key, words and a doubt (common practice, no source)") {
  for (const How h : all_values<How>()) {
    CHECK(find_value<How>(key_of(h)) == h);
    CHECK_FALSE(words_of_value(h).empty());
  }
  CHECK_FALSE(find_value<How>("by eye"));
  CHECK(default_uncertainty_si(How::calliper, Kind::length, 0.02) == Approx(0.05e-3));
  CHECK(default_uncertainty_si(How::rule, Kind::length, 0.02) == Approx(0.5e-3));
  CHECK(default_uncertainty_si(How::tape, Kind::length, 0.02) == Approx(1.5e-3));
  CHECK(default_uncertainty_si(How::estimate, Kind::length, 0.02) == Approx(0.002));
  CHECK(default_uncertainty_si(How::estimate, Kind::force, -50) == Approx(5));
  CHECK(default_uncertainty_si(How::maker, Kind::length, 0.02) == 0);
  CHECK(default_uncertainty_si(How::calliper, Kind::choice, 2) == 0);
  const Value typical = value_of(Job{}, As::found, param::control_return_force);
  CHECK(typical.uncertainty_si == Approx(0.2 * 15));
}

TEST_CASE("where a value comes from is said") {
  Job job;
  CHECK(english(origin_words(job, As::found, param::master_bore)) == "unknown");
  CHECK(english(origin_words(job, As::found, param::control_pad_stop)) ==
        "typical: common practice, no source");
  found(job, param::master_bore, 0.0254, How::calliper);
  CHECK(english(origin_words(job, As::found, param::master_bore)) == "caliper");
  CHECK(english(origin_words(job, As::plan, param::master_bore)) == "caliper, as found");
  job.plan.set(param::master_bore, measured(param::master_bore, 0.0222, How::maker));
  CHECK(english(origin_words(job, As::plan, param::master_bore)) == "maker");
  job.built.set(param::master_bore, measured(param::master_bore, 0.02223, How::calliper));
  CHECK(english(origin_words(job, As::plan, param::master_bore)) == "caliper, as built");
  CHECK(english(origin_words(job, As::found, param::master_bore)) == "caliper");
}

TEST_CASE(
    "unknown on purpose: typical where there is a typical value, marked so, otherwise unknown") {
  Job job = known_job();
  found(job, param::control_efficiency, 0.8);
  job.plan.set(param::control_efficiency, Measured{});
  CHECK(value_of(job, As::plan, param::control_efficiency).origin == Origin::typical);
  CHECK(value_of(job, As::plan, param::control_efficiency).si == Approx(0.95));
  CHECK(assemble(job, As::plan).system->control.efficiency == Approx(0.95));
  job.plan.set(param::master_bore, Measured{});
  CHECK_FALSE(value_of(job, As::plan, param::master_bore).known());
  job.found.set(param::control_pad_stop, Measured{});
  CHECK(value_of(job, As::found, param::control_pad_stop).origin == Origin::typical);
  CHECK(value_of(job, As::plan, param::control_pad_stop).origin == Origin::typical);
}

TEST_CASE("wishes belong to the job, not to a system") {
  Job job;
  found(job, param::target_z, 0.7);
  job.plan.set(param::target_z, measured(param::target_z, 0.3, How::stated));
  CHECK(value_of(job, As::plan, param::target_z).si == Approx(0.7));
  CHECK(limits_of(job).z == Approx(0.7));
  CHECK(limits_of(Job{}).effort_failed_n == Approx(500));
}

TEST_CASE("what is missing is asked in the order in which it matters") {
  const Assembly nothing = assemble(Job{}, As::found);
  CHECK_FALSE(nothing.system);
  CHECK(nothing.missing_system.front() == param::control_pad_arm);
  Job job = known_job();
  CHECK(assemble(job, As::found).missing_system.empty());
  CHECK(assemble(job, As::found).missing_brakes.empty());
  job.found.clear(param::circuit_rl);
  const Assembly a = assemble(job, As::plan);
  REQUIRE(a.system);
  CHECK_FALSE(a.system->wheels);
  CHECK(a.missing_brakes == std::vector<Param>{param::circuit_rl});
  found(job, param::master_kind, 0);
  CHECK(assemble(job, As::plan).missing_brakes.empty());  // one circuit: nothing to trace
  CHECK(english(param_list({param::master_bore, param::control_pad_arm})) ==
        "bore of the master, pivot to pedal pad");
  // What both systems lack is named once; beyond four they are counted.
  CHECK(english(param_list({param::front_mu, param::front_mu})) == "front pad friction");
  CHECK(english(param_list({param::front_mu, param::rear_mu, param::rod_snout, param::rod_socket,
                            param::rod_stack, param::vehicle_mass}))
            .find(" and 2 more") != std::string::npos);
}

TEST_CASE("pads, drums, hoses and valves of the job reach the system") {
  Job job = known_job();
  found(job, param::front_kind, 1);
  found(job, param::front_pistons, 2);
  found(job, param::front_hose_kind, 2);
  found(job, param::rear_shoes, 2);
  found(job, param::rear_brake_factor, 3.3);
  found(job, param::rear_cylinder_pistons, 1);
  found(job, param::valve_kind, 1);
  found(job, param::valve_knee, 2e6);
  found(job, param::fluid_grade, 2);
  found(job, param::lines_tube_material, 1);
  found(job, param::vehicle_altitude, 2000);
  const System s = *assemble(job, As::found).system;
  const auto& front = std::get<Disc>((*s.wheels)[0].brake);
  CHECK(front.opposed);
  CHECK(front.side_area.value() == Approx(2 * circle_area(Length{0.048}).value()));
  CHECK((*s.wheels)[0].hose.kind == HoseKind::braided);
  const auto& rear = std::get<Drum>((*s.wheels)[3].brake);
  CHECK(rear.factor == Approx(3.3));
  CHECK(rear.hot_exponent == Approx(2.2));
  CHECK(rear.pistons == 1);
  CHECK(s.rear_valve->knee.value() == Approx(2e6));
  CHECK(s.fluid.silicone);
  CHECK((*s.wheels)[1].tube.material == TubeMaterial::copper_nickel);
  CHECK(s.ambient.value() < 80000);
  // The tube and hose of an axle are shared by its two wheels.
  CHECK((*s.wheels)[0].tube.length.value() == Approx(2.0));
}

TEST_CASE("a rear valve lightens the rear above its knee and lengthens nothing below it") {
  System s = car();
  const auto plain = FeelModel::make(s, {});
  s.rear_valve = Proportioning{Pressure{2e6}, 0.3};
  const auto valved = FeelModel::make(s, {});
  CHECK(valved->at(1.5e6).rear_pa == Approx(1.5e6));
  CHECK(valved->at(4e6).rear_pa == Approx(2e6 + 0.3 * 2e6));
  CHECK(valved->at(4e6).front_pa == Approx(4e6));
  CHECK(valved->at(4e6).z < plain->at(4e6).z);
  CHECK(valved->at(1.5e6).pad_travel_m == Approx(plain->at(1.5e6).pad_travel_m));
  CHECK(valved->at(4e6).pad_travel_m < plain->at(4e6).pad_travel_m);
}

TEST_CASE("a diagonal split keeps half of each axle when a circuit is lost") {
  System s = car();
  (*s.wheels)[0].outlet = Outlet::primary;
  (*s.wheels)[1].outlet = Outlet::secondary;
  (*s.wheels)[2].outlet = Outlet::secondary;
  (*s.wheels)[3].outlet = Outlet::primary;
  Condition lost;
  lost.lost = LostCircuit::primary;
  const auto half = FeelModel::make(s, lost);
  const auto sound = FeelModel::make(s, {});
  REQUIRE(half);
  CHECK(half->at(2e6).z == Approx(sound->at(2e6).z / 2));
  CHECK(half->at(2e6).front_pa == Approx(2e6));
  CHECK(half->at(2e6).rear_pa == Approx(2e6));
}

TEST_CASE("hot and air conditions take more travel and more effort") {
  const System s = car();
  Condition hot;
  hot.hot = true;
  const auto cold = FeelModel::make(s, {});
  const auto warm = FeelModel::make(s, hot);
  CHECK(warm->at(3e6).z < 0.75 * cold->at(3e6).z);
  CHECK(warm->at(3e6).pad_travel_m > cold->at(3e6).pad_travel_m);
  CHECK(*warm->drive_for_z(0.3) > *cold->drive_for_z(0.3));
  Condition airy;
  airy.air_m3 = 2e-6;
  const auto soft = FeelModel::make(s, airy);
  const double air = soft->at(3e6).pad_travel_m - cold->at(3e6).pad_travel_m;
  CHECK(air == Approx(6 * air_volume_m3(2e-6, 3e6) / bore_area(s.master).value()));
  CHECK(soft->at_z(0.3).budget[static_cast<size_t>(TravelLayer::air)] > 0.02);
}

TEST_CASE("first lock: pressure, axle and deceleration agree") {
  System s = car();
  s.vehicle->tyre_mu = 0.35;
  const auto m = FeelModel::make(s, {});
  REQUIRE(m->first_lock_drive());
  const double p = *m->first_lock_drive();
  CHECK(m->at(p * 0.999).lock == Lock::none);
  CHECK(m->at(p * 1.001).lock != Lock::none);
  CHECK(m->stop() == Stop::locked);
  CHECK_FALSE(m->at_z(0.6).reached);
  CHECK(m->at_z(0.6).prevented_by == Stop::locked);
}

TEST_CASE("contradictions are found as soon as they are known, and only new ones are objected to") {
  Job job;
  found(job, param::control_pad_arm, 0.3);
  found(job, param::control_pin_arm, 0.05);
  found(job, param::control_axis_height, 0.05);
  found(job, param::control_offset, 0.06);
  found(job, param::control_rest_angle, 0);
  Job with_rod = job;
  found(with_rod, param::control_rod_length, 0.05);
  const auto e = new_impossibility(job, with_rod);
  REQUIRE(e);
  CHECK(e->field == "control.rod_length");
  CHECK(english(e->range).find("60.0 mm") != std::string::npos);
  CHECK_FALSE(new_impossibility(with_rod, with_rod));
  CHECK(finding(findings_of(with_rod), FindingCode::survey_impossible));
  Job booster_job = known_job();
  found(booster_job, param::assist_kind, 1);
  found(booster_job, param::assist_diaphragm1, 0.2);
  Job odd = booster_job;
  found(odd, param::assist_cut_in, 300);
  CHECK(new_impossibility(booster_job, odd)->field == "assist.cut_in");
  Job vacuum = booster_job;
  found(vacuum, param::assist_vacuum, 100000);
  found(vacuum, param::assist_vacuum_altitude, 3000);
  CHECK(new_impossibility(booster_job, vacuum)->field == "assist.vacuum");
  Job tippy = known_job();
  found(tippy, param::vehicle_cg_height, 1.8);
  found(tippy, param::vehicle_wheelbase, 1.5);
  CHECK(new_impossibility(known_job(), tippy)->field == "vehicle.cg_height");
  Job short_stroke = known_job();
  found(short_stroke, param::master_cutoff1, 0.019);
  CHECK(new_impossibility(known_job(), short_stroke)->field == "master.cutoff1");
}

TEST_CASE("findings: doubt of the short arm, kept bore, failed conditions, unsafe jobs") {
  Job job = known_job();
  CHECK(finding(findings_of(job), FindingCode::size_bore_kept));
  CHECK_FALSE(finding(findings_of(job), FindingCode::survey_pin_doubt));
  found(job, param::control_pin_arm, 0.05, How::estimate);
  CHECK(english(finding(findings_of(job), FindingCode::survey_pin_doubt)->message).find("10 %") !=
        std::string::npos);
  found(job, param::limit_z_failed, 0.8);
  const auto all = findings_of(job);
  REQUIRE(finding(all, FindingCode::size_failed_circuit));
  CHECK(finding(all, FindingCode::size_failed_circuit)->severity == Severity::hard);
  CHECK(any_hard(all));
  job.state = JobState::left_unsafe;
  CHECK(finding(findings_of(job), FindingCode::job_unsafe)->severity == Severity::hard);
  job.gates["weep"] = claimed(GateState::failed, "", "left rear");
  CHECK(english(finding(findings_of(job), FindingCode::prove_gate_failed)->message)
            .find("left rear") != std::string::npos);
  job.pump.sink_m = 0.02;
  job.pump.hold_s = 60;
  CHECK(finding(findings_of(job), FindingCode::prove_sinking)->severity == Severity::hard);
}

TEST_CASE("status lines follow the work") {
  Job job = known_job();
  const auto status = [&job](Stage s) {
    const auto strip = foot_strip(job, 16);
    return english(stage_status(job, s, strip, find_all(job, strip)));
  };
  CHECK(status(Stage::survey) == "all that is needed is known");
  CHECK(status(Stage::plumb) == "outlets as intended");
  CHECK(status(Stage::fit) == "pivot to bore centreline unknown");
  found(job, param::circuit_fr, 1);
  CHECK(status(Stage::plumb) == "outlets crossed");
  job.found.clear(param::circuit_fr);
  CHECK(status(Stage::plumb) == "3 of 4 wheels traced");
  found(job, param::circuit_fr, 0);
  bleed_clear(job, "rr");
  job.bleeding["rl"] = {9, 0, kClearStrokes - 1};
  CHECK(status(Stage::bleed) == "1 of 4 nipples done");
  pass_gate(job, GateId::weep);
  CHECK(status(Stage::prove).rfind("1 of ", 0) == 0);
  job.state = JobState::proved;
  CHECK(status(Stage::record) == "PROVED NO LONGER");  // gates stand open
  job.state = JobState::left_unsafe;
  CHECK(status(Stage::record) == "LEFT UNSAFE");
  Job two_bores;
  found(two_bores, param::master_bore, 0.0254);
  two_bores.plan.set(param::master_bore, measured(param::master_bore, 0.028575, How::maker));
  CHECK(english(stage_status(two_bores, Stage::size, {}, {})) == "two bores and two ratios needed");
  found(two_bores, param::control_pad_arm, 0.33);
  found(two_bores, param::control_pin_arm, 0.055);
  CHECK(english(stage_status(two_bores, Stage::size, {}, {})) == "force ×1.27, travel ×0.79");
}

TEST_CASE("preference changes the ranking of cells that pass") {
  const Job job = known_job();
  SweepRequest q = default_request(job);
  q.limits.effort_n = 600;
  q.limits.travel_m = 0.13;
  q.limits.z_failed = 0.1;
  const auto best = [&](Preference p) {
    q.preference = p;
    const auto s = sweep(job, q);
    const Cell* c = nullptr;
    for (const Cell& x : s->cells)
      if (x.fails == Limit::none && (!c || x.score < c->score)) c = &x;
    REQUIRE(c);
    return *c;
  };
  CHECK(best(Preference::light).effort_n <= best(Preference::short_travel).effort_n);
  CHECK(best(Preference::short_travel).travel_m <= best(Preference::light).travel_m);
  SweepRequest too_many = q;
  too_many.bores_m.assign(3000, 0.02);
  CHECK_FALSE(sweep(job, too_many));
  for (const Limit l : {Limit::none, Limit::effort, Limit::effort_no_assist, Limit::travel,
                        Limit::reserve, Limit::primary_lost, Limit::secondary_lost, Limit::strokes,
                        Limit::lock_order, Limit::impossible})
    CHECK_FALSE(limit_words(l).empty());
}

TEST_CASE("hydraulic and electric boosters with their own typical figures") {
  Job job = known_job();
  found(job, param::assist_kind, 2);
  const auto hydraulic = std::get<Booster>(assemble(job, As::found).system->assist);
  CHECK(hydraulic.max_assist.value() == Approx(1e7 * 0.0011));
  CHECK(hydraulic.gain == Approx(6));
  CHECK(hydraulic.jump_in.value() == Approx(150));
  found(job, param::assist_kind, 3);
  const auto electric = std::get<Booster>(assemble(job, As::found).system->assist);
  CHECK(electric.max_assist.value() == Approx(4500));
  CHECK(electric.cut_in.value() == Approx(15));
  CHECK(electric.jump_in.value() == 0);
  found(job, param::assist_gain, 8);
  CHECK(std::get<Booster>(assemble(job, As::found).system->assist).gain == Approx(8));
  CHECK_FALSE(relevant(job, As::found, param::assist_vacuum));
  CHECK(relevant(job, As::found, param::assist_electric_force));
  CHECK(has_assist(job, As::plan));
  const auto steps = install_steps(job);
  CHECK(std::any_of(steps.begin(), steps.end(),
                    [](const Step& s) { return s.id == StepId::assist_unpowered; }));
  CHECK(std::none_of(steps.begin(), steps.end(),
                     [](const Step& s) { return s.id == StepId::assist_hose; }));
}

TEST_CASE("a drum residual valve left on discs is a hard finding and holds its gate") {
  Job job = known_job();
  found(job, param::valve_residual_rear, 69e3);
  CHECK_FALSE(finding(findings_of(job), FindingCode::plumb_residual_disc));  // drums want it
  found(job, param::valve_residual_front, 13.8e3);
  CHECK_FALSE(
      finding(findings_of(job), FindingCode::plumb_residual_disc));  // 2 psi for a low master
  found(job, param::valve_residual_front, 69e3);
  REQUIRE(finding(findings_of(job), FindingCode::plumb_residual_disc));
  const auto strip = foot_strip(job, 8);
  const auto gates = gates_of(job, strip, find_all(job, strip));
  CHECK(std::any_of(gates.begin(), gates.end(),
                    [](const Gate& g) { return g.id == GateId::residual && g.held; }));
  Job step = known_job();
  found(step, param::master_kind, 2);
  CHECK(assemble(step, As::found).missing_system == std::vector<Param>{param::master_step_bore});
  found(step, param::master_step_bore, 0.020);
  CHECK(assemble(step, As::found).impossible.front().field == "master.step_bore");
}
