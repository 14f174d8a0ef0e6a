// Twin masters with a balance bar.
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "figures/figures.hpp"
#include "sizing/sweep.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// Front discs on master 1, rear drums on master 2.
System twin() {
  System s = car();
  s.master.kind = MasterKind::dual;
  s.master.bore = Length{0.01905};
  s.master.bore2 = Length{0.0206375};
  s.master.bar_a = Length{0.030};
  s.master.bar_b = Length{0.034};
  s.master.stroke1 = s.master.stroke2 = Length{0.028};
  s.master.spring_force = Force{25.0};
  return s;
}

Job twin_job() {
  Job job = known_job();
  const auto set = [&job](Param p, double v) { job.found.set(p, {v, How::stated, 0, {}}); };
  set(param::master_kind, 3);
  set(param::master_bore, 0.01905);
  set(param::master_bore2, 0.0206375);
  set(param::master_bar_a, 0.030);
  set(param::master_bar_b, 0.034);
  set(param::master_stroke1, 0.028);
  set(param::master_stroke2, 0.028);
  return job;
}

}  // namespace

TEST_CASE("balance bar: forces by the lever, pressures by the bores") {
  const System s = twin();
  const auto m = FeelModel::make(s, {});
  REQUIRE(m);
  const Master& k = s.master;
  for (const double share : {0.2, 0.5, 0.9}) {
    const FeelPoint f = m->at(m->end_drive() * share);
    const double f1 = f.output_force_n * 34.0 / 64.0;
    const double f2 = f.output_force_n * 30.0 / 64.0;
    CHECK(f.front_pa == Approx(0.95 * (f1 - 25) / circle_area(k.bore).value()));
    CHECK(f.rear_pa == Approx(0.95 * (f2 - 25) / circle_area(k.bore2).value()));
    CHECK(f.stroke_m == Approx((f.piston1_m * 34 + f.piston2_m * 30) / 64));
  }
  // Moving the bearing towards rod 1 shortens a: the first master gets more.
  System front_heavy = s;
  front_heavy.master.bar_a = Length{0.024};
  const auto n = FeelModel::make(front_heavy, {});
  const auto at = [](const FeelModel& x) { return x.at(x.drive_for_force(200)); };
  CHECK(at(*n).front_pa > at(*m).front_pa);
  CHECK(at(*n).rear_pa < at(*m).rear_pa);
}

TEST_CASE("balance bar: the work at the bar is the work at both masters") {
  System s = twin();
  s.master.efficiency = 1;
  s.master.spring_force = Force{0.0};
  s.control.efficiency = 1;
  s.control.return_force = Force{0.0};
  s.control.rod_clearance = Length{0.0};
  const auto m = FeelModel::make(s, {});
  double foot = 0;
  double fluid = 0;
  const double a1 = circle_area(s.master.bore).value();
  const double a2 = circle_area(s.master.bore2).value();
  FeelPoint before = m->at(0);
  constexpr int n = 4000;
  for (int i = 1; i <= n; ++i) {
    const FeelPoint f = m->at(m->end_drive() * i / n);
    foot += 0.5 * (f.pad_force_n + before.pad_force_n) * (f.pad_travel_m - before.pad_travel_m);
    fluid += 0.5 * (f.front_pa + before.front_pa) * a1 * (f.piston1_m - before.piston1_m) +
             0.5 * (f.rear_pa + before.rear_pa) * a2 * (f.piston2_m - before.piston2_m);
    before = f;
  }
  CHECK(foot == Approx(fluid).epsilon(1e-4));
}

TEST_CASE("balance bar: one circuit lost leans on the limit, then on the dead piston") {
  const System s = twin();
  Condition c;
  c.lost = LostCircuit::primary;
  const auto m = FeelModel::make(s, c);
  REQUIRE(m);
  const double lead = 0.064 * std::tan(s.master.bar_tilt.value());
  CHECK(bar_lead(s.master).value() == Approx(lead));
  double before = -1;
  bool leaning = false;
  bool home = false;
  for (int i = 0; i <= 400; ++i) {
    const FeelPoint f = m->at(m->end_drive() * i / 400);
    CHECK(f.front_pa == 0);
    CHECK(f.rear_pa >= before - 1e-6);
    before = f.rear_pa;
    const double rod2 = f.rear_pa * circle_area(s.master.bore2).value() / 0.95 + 25;
    if (f.piston1_m < 0.028 - 1e-9) {
      leaning = true;
      CHECK(f.piston1_m == Approx(f.piston2_m + lead));
      CHECK(rod2 == Approx(f.output_force_n - 25));
    } else if (f.output_force_n * 30 / 64 > rod2 + 1e-6) {
      FAIL("the live rod gets less than the bar gives");
    } else {
      home = true;
    }
  }
  CHECK(leaning);
  // The sound press is shorter than either failed one. It need not be easier: the bar hands its
  // whole force to the circuit that is left.
  const auto sound = FeelModel::make(s, {});
  for (const LostCircuit l : {LostCircuit::primary, LostCircuit::secondary}) {
    Condition lost;
    lost.lost = l;
    const auto f = FeelModel::make(s, lost);
    REQUIRE(f);
    const double z = std::min(0.2, f->at(f->end_drive()).z);
    CHECK(f->at_z(z).at.pad_travel_m > sound->at_z(z).at.pad_travel_m);
  }
  // A short first master meets its end within the press: then its rod holds.
  System brief = s;
  brief.master.stroke1 = Length{0.020};
  brief.master.bar_tilt = Angle{0.25};
  const auto stopped = FeelModel::make(brief, c);
  REQUIRE(stopped);
  const FeelPoint end = stopped->at(stopped->end_drive());
  home = home || end.piston1_m >= 0.020 - 1e-9;
  CHECK(home);
}

TEST_CASE("balance bar: leaning too far with all sound is a fault with its finding") {
  Job job = twin_job();
  const auto plan = condition_report(job, ConditionId::plan);
  REQUIRE(plan.target);
  const auto group = figure_group(job, "bar");
  REQUIRE(group);
  CHECK_FALSE(group->figures.empty());
  job.found.set(param::master_bore2, {0.013, How::stated, 0, {}});
  job.found.set(param::rear_shoe_clearance, {0.004, How::stated, 0, {}});
  job.found.set(param::master_bar_tilt, {0.03, How::stated, 0, {}});
  job.found.set(param::target_z, {0.3, How::stated, 0, {}});
  const auto lean = condition_report(job, ConditionId::plan);
  REQUIRE(lean.target);
  CHECK(lean.target->at.bar_binds);
  const auto findings = figure_findings(job);
  CHECK(std::any_of(findings.begin(), findings.end(),
                    [](const Finding& f) { return f.code == FindingCode::size_bar; }));
  job.found.set(param::master_bar_a, Measured{});
  CHECK(english(condition_report(job, ConditionId::plan).reason).find("bar: pivot to rod 1") !=
        std::string::npos);
}

TEST_CASE("old against new with a bar: the rod force meets a wider bore") {
  const Job job = twin_job();
  const Values v = resolve(job, As::plan);
  const double share = 0.034 / 0.064;
  CHECK(equivalent_bore(v)->value() == Approx(0.01905 / std::sqrt(share)));
  // The pressure a bar force makes in line 1 is what that bore would make alone.
  const Master m = twin().master;
  const double force = 2000;
  CHECK(force / circle_area(*equivalent_bore(v)).value() ==
        Approx(force * share / circle_area(m.bore).value()));
  Job unknown = job;
  unknown.found.set(param::master_bar_b, Measured{});
  CHECK_FALSE(equivalent_bore(resolve(unknown, As::plan)));
  CHECK(equivalent_bore(resolve(known_job(), As::plan))->value() == Approx(0.022225));
}

TEST_CASE("the map of twin masters is bore by bore at the plan's ratio") {
  const Job job = twin_job();
  SweepRequest q = default_request(job);
  q.limits.effort_n = 600;
  q.limits.travel_m = 0.14;
  q.limits.reserve_share = 0.05;
  REQUIRE(q.bores2_m.size() > 5);
  CHECK(q.ratios.size() == 1);
  const auto s = sweep(job, q);
  REQUIRE(s);
  CHECK(s->pairs());
  CHECK(s->cells.size() == s->assists.size() * s->bores_m.size() * s->bores2_m.size());
  for (const Cell& c : s->cells) {
    CHECK(c.bore2_m > 0);
    CHECK(c.ratio == Approx(6));
    CHECK_FALSE(c.reason.empty());
  }
  const Sweep one = s->slice(1);
  CHECK(one.cells.size() == s->bores_m.size() * s->bores2_m.size());
  CHECK(one.at(0, 0).assist == 1);
  CHECK(s->slice(9).cells.empty());
}
