// What must agree whatever the job: irrelevant answers change nothing, cores change nothing, one
// reading of the values is like another, the fast inverse is like the exact one.
#include <catch2/catch.hpp>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/linkage.hpp"
#include "document/param/master.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/supply.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"
#include "document/typical.hpp"
#include "sizing/sweep.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void set(Job& job, Param p, double v) {
  job.found.set(p, {v, How::stated, 0, {}});
}

/// Known jobs of every kind of assist, master, brake and use.
std::vector<Job> kinds_of_jobs() {
  std::vector<Job> list;
  for (int assist = 0; assist <= 4; ++assist)
    for (int master = 0; master <= 3; ++master)
      for (int front = 0; front <= 2; ++front) {
        Job job = known_job();
        set(job, param::assist_kind, assist);
        set(job, param::assist_diaphragm1, 0.203);
        set(job, param::assist_servo_slave, 0.016);
        set(job, param::master_kind, master);
        set(job, param::master_step_bore, 0.028);
        set(job, param::master_bore2, 0.0206);
        set(job, param::master_bar_a, 0.03);
        set(job, param::master_bar_b, 0.033);
        set(job, param::front_kind, front);
        set(job, param::front_cylinder, 0.022);
        set(job, param::front_drum, 0.25);
        list.push_back(job);
      }
  Job clutch = known_job();
  set(clutch, param::control_use, 1);
  for (int kind = 0; kind <= 2; ++kind) {
    set(clutch, param::clutch_kind, kind);
    set(clutch, param::clutch_slave_bore, 0.03);
    set(clutch, param::clutch_slave_inner, 0.012);
    set(clutch, param::clutch_fork_slave, 0.09);
    set(clutch, param::clutch_fork_bearing, 0.05);
    set(clutch, param::clutch_peak, 1500);
    list.push_back(clutch);
  }
  return list;
}

bool same(const std::vector<ConditionReport>& a, const std::vector<ConditionReport>& b) {
  if (a.size() != b.size()) return false;
  for (std::size_t i = 0; i < a.size(); ++i) {
    if (a[i].verdict != b[i].verdict || a[i].reason != b[i].reason) return false;
    if (a[i].target.has_value() != b[i].target.has_value()) return false;
    if (!a[i].target) continue;
    if (a[i].target->at.pad_force_n != b[i].target->at.pad_force_n) return false;
    if (a[i].target->at.pad_travel_m != b[i].target->at.pad_travel_m) return false;
    if (a[i].target->reserve_m != b[i].target->reserve_m) return false;
  }
  return true;
}

}  // namespace

TEST_CASE("an answer to a question that is not asked changes nothing") {
  std::mt19937 rng(5);
  std::uniform_real_distribution<double> u(0, 1);
  int tried = 0;
  for (const Job& job : kinds_of_jobs()) {
    const auto before = foot_strip(job, 0);
    for (const ParamInfo& p : all_params()) {
      if (relevant(job, As::found, p.param) || relevant(job, As::plan, p.param)) continue;
      Job other = job;
      const double si = p.kind == Kind::choice ? std::floor(u(rng) * (p.max_si + 0.999))
                                               : p.min_si + u(rng) * (p.max_si - p.min_si);
      set(other, p.param, si);
      INFO(p.id << " = " << si << ", assist " << value_of(job, As::plan, param::assist_kind).si
                << ", master " << value_of(job, As::plan, param::master_kind).si << ", front "
                << value_of(job, As::plan, param::front_kind).si << ", use "
                << value_of(job, As::plan, param::control_use).si);
      CHECK(same(before, foot_strip(other, 0)));
      ++tried;
    }
  }
  CHECK(tried > 2000);
}

TEST_CASE("every question is asked somewhere, and every kind of job can be pressed") {
  std::vector<bool> asked(all_params().size(), false);
  for (Job job : kinds_of_jobs()) {
    const auto plan = condition_report(job, ConditionId::plan);
    INFO(plan.reason);
    CHECK(plan.target);
    // Answers that open further questions.
    for (const Param p :
         {param::control_mid, param::control_helper, param::valve_kind, param::valve_metering,
          param::supply_accu, param::circuit_antilock, param::valve_shuttle})
      set(job, p, 1);
    for (const Param p : {param::unit_studs, param::unit_inlets}) set(job, p, 2);
    for (const Param p : {param::front_pistons2, param::rear_pistons2}) set(job, p, 1);
    for (const ParamInfo& p : all_params())
      if (relevant(job, As::plan, p.param) || relevant(job, As::found, p.param))
        asked[row_of(p.param)] = true;
  }
  Job rear_drum = known_job();
  set(rear_drum, param::rear_kind, 0);
  set(rear_drum, param::lamp_switch, 0);
  Job line_switch = known_job();
  set(line_switch, param::lamp_switch, 1);
  Job lever = known_job();
  set(lever, param::control_kind, 1);
  for (const ParamInfo& p : all_params()) {
    if (relevant(lever, As::plan, p.param)) asked[row_of(p.param)] = true;
    if (relevant(rear_drum, As::plan, p.param) || relevant(line_switch, As::plan, p.param))
      asked[row_of(p.param)] = true;
    INFO(p.id);
    CHECK(asked[row_of(p.param)]);
  }
}

TEST_CASE("values read once are the values asked one by one") {
  const Job job = known_job();
  for (const As w : {As::found, As::plan}) {
    const Values v = resolve(job, w);
    for (const ParamInfo& p : all_params()) {
      const Value one = value_of(job, w, p.param);
      CHECK(v.known(p.param) == one.known());
      CHECK(v.si(p.param) == one.si);
      CHECK(v.at(p.param).uncertainty_si == one.uncertainty_si);
    }
  }
  const StripInputs in = strip_inputs(job);
  for (const ConditionId id : conditions_for(false)) {
    const auto a = condition_report(in, id, 16);
    const auto b = condition_report(job, id, 16);
    CHECK(a.title == b.title);
    CHECK(a.target->at.pad_force_n == b.target->at.pad_force_n);
    CHECK(a.curve->points.size() == b.curve->points.size());
  }
}

TEST_CASE("typical values stay within their ranges whatever is fitted") {
  for (const Job& job : kinds_of_jobs())
    for (const ParamInfo& p : all_params()) {
      const auto v = typical_of(job, As::plan, p.param);
      if (!v) continue;
      INFO(p.id << " typical " << *v);
      CHECK(check_range(p.param, *v));
    }
}

TEST_CASE("the map is the same on any number of cores") {
  const Job job = known_job();
  SweepRequest q = default_request(job);
  q.threads = 1;
  const auto one = sweep(job, q);
  q.threads = 4;
  const auto four = sweep(job, q);
  REQUIRE(one);
  REQUIRE(one->cells.size() == four->cells.size());
  for (std::size_t i = 0; i < one->cells.size(); ++i) {
    CHECK(one->cells[i].fails == four->cells[i].fails);
    CHECK(one->cells[i].effort_n == four->cells[i].effort_n);
    CHECK(one->cells[i].reason == four->cells[i].reason);
  }
}

TEST_CASE("near dead centre the press falls back to the exact inverse") {
  Control c;
  c.pad_arm = Length{0.300};
  c.pin_arm = Length{0.060};
  c.pad_stop = Length{0.40};
  c.geometry = RodGeometry{Length{0.055}, Length{0.0}, Angle{-0.2}, Length{0.050}};
  const auto k = Kinematics::make(c);
  REQUIRE(k);
  CHECK(k->limited_by_geometry());
  const double most = k->rod_limit().value();
  for (int i = 1; i < 200; ++i) {
    const double rod = most * i / 200;
    const PadState s = k->pad_state(Length{rod});
    CHECK(k->rod_travel(Length{s.pad_m}).value() == Approx(rod).margin(2e-9));
    CHECK(s.ratio > 0);
    CHECK(std::isfinite(s.ratio));
  }
  CHECK(k->pad_state(Length{most * 2}).pad_m == Approx(k->limit().value()));
  CHECK(k->pad_state(Length{-1.0}).pad_m == 0);
}

TEST_CASE("a system pressed with a lever of another control makes its own") {
  const Assembly a = assemble(known_job(), As::plan);
  REQUIRE(a.system);
  REQUIRE(a.system->kinematics);
  System other = *a.system;
  other.control.pin_arm = Length{0.040};
  const auto m = FeelModel::make(other, {});
  System fresh = other;
  fresh.kinematics.reset();
  const auto n = FeelModel::make(fresh, {});
  CHECK(m->at(2e6).pad_force_n == n->at(2e6).pad_force_n);
  CHECK(m->at(2e6).pad_force_n < FeelModel::make(*a.system, {})->at(2e6).pad_force_n);
}

TEST_CASE("what cannot be names its field, its value, its range and a remedy") {
  std::vector<Error> errors;
  const auto of_system = [&errors](auto change) {
    System s = car();
    change(s);
    const auto m = FeelModel::make(s, {});
    REQUIRE_FALSE(m);
    errors.push_back(m.error());
  };
  of_system([](System& s) { s.control.pad_arm = Length{0.0}; });
  of_system([](System& s) { s.control.pin_arm = Length{-0.01}; });
  of_system([](System& s) { s.control.mid = MidLever{Length{0.1}, Length{0.0}}; });
  of_system([](System& s) {
    s.control.geometry = RodGeometry{Length{0.2}, Length{0.0}, Angle{0.0}, Length{0.05}};
  });
  of_system([](System& s) {
    s.control.geometry = RodGeometry{Length{0.049}, Length{0.0}, Angle{1.7}, Length{0.15}};
  });
  of_system([](System& s) { s.master.bore = Length{0.0}; });
  of_system([](System& s) { s.master.kind = MasterKind::dual; });
  of_system([](System& s) { s.vehicle->mass = Mass{0.0}; });
  of_system([](System& s) { s.vehicle->front_share = 1.0; });
  of_system([](System& s) { s.vehicle->cg_height = Length{9.0}; });
  of_system([](System& s) {
    Booster b = booster();
    b.cut_in = Force{300.0};
    s.assist = b;
  });
  of_system([](System& s) {
    Booster b = booster();
    b.gain = 0.5;
    s.assist = b;
  });
  const auto of_job = [&errors](Param p, double v, Param q, double w) {
    Job job = known_job();
    set(job, p, v);
    set(job, q, w);
    const auto all = assemble(job, As::plan).impossible;
    REQUIRE_FALSE(all.empty());
    errors.push_back(all.front());
  };
  of_job(param::master_cutoff1, 0.02, param::master_stroke1, 0.015);
  of_job(param::valve_metering, 1, param::valve_blend, 3e5);
  of_job(param::master_kind, 2, param::master_step_bore, 0.02);
  errors.push_back(ambient_pressure(20000).error());
  errors.push_back(vacuum_difference(Pressure{2e5}, 0, 0).error());
  for (const Error& e : errors) {
    INFO(e.text());
    CHECK_FALSE(e.field.empty());
    CHECK_FALSE(e.value.empty());
    CHECK_FALSE(e.range.empty());
    CHECK_FALSE(e.reason.empty());
    CHECK_FALSE(e.remedy.empty());
  }
}
