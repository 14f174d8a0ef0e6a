// One judgement of a press: strip, map, findings, gates and the stage's line say the same of any
// job.
#include <catch2/catch.hpp>
#include <cstdlib>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/valves.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "sizing/sweep.hpp"
#include "strip/settle.hpp"
#include "support/every_code.hpp"
#include "support/random_job.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// The map of the plan's own bore and ratio alone.
std::optional<Cell> own_cell(const Job& job) {
  const Values plan = resolve(job, As::plan);
  const auto ratio = arm_ratio(plan);
  if (!ratio) return std::nullopt;
  SweepRequest q;
  q.limits = limits_of(plan);
  q.bores_m = {plan.si(param::master_bore)};
  if (plan.is(choice::MasterKind::twin)) q.bores2_m = {plan.si(param::master_bore2)};
  q.ratios = {*ratio};
  const auto map = sweep(job, q);
  if (!map || map->cells.empty()) return std::nullopt;
  return map->cells.front();
}

PressFault first(ConditionId id, const FeelModel& m, const TargetReport& r, const Limits& l) {
  const auto faults = press_faults(id, m.system(), judge_press(id, m, r, l), l);
  return faults.empty() ? PressFault{} : faults.front();
}

bool lost_of_a_single(const Job& job, ConditionId id) {
  return (id == ConditionId::primary_lost || id == ConditionId::secondary_lost) &&
         !has_two_circuits(job, As::plan);
}

/// The strip's verdicts: looked into, they cost more than the rules.
void check_verdict(const Job& job, const Cell& cell) {
  Verdict all = Verdict::holds;
  for (const ConditionReport& c : foot_strip(job, 0))
    if (c.id != ConditionId::found && !lost_of_a_single(job, c.id)) all = worst(all, c.verdict);
  CHECK(cell.verdict == all);
}

void check_cell(const Job& job, const std::vector<ConditionReport>& strip, const Cell& cell) {
  bool fails = false;
  bool told = false;
  std::size_t unsaid = 0;
  for (const ConditionReport& c : strip) {
    if (c.id == ConditionId::found || lost_of_a_single(job, c.id)) continue;
    fails = fails || c.verdict == Verdict::fails;
    unsaid += c.verdict == Verdict::cannot_say ? 1 : 0;
    const std::string said = english(cell.reason);
    const std::string reason = english(c.reason);
    if (c.verdict == Verdict::fails && said.size() >= reason.size() &&
        said.compare(said.size() - reason.size(), reason.size(), reason) == 0)
      told = true;
  }
  INFO(cell.reason);
  CHECK(cell.own);
  CHECK((cell.fails != Limit::none) == fails);
  if (fails)
    CHECK(told);
  else
    CHECK(cell.cannot_say == unsaid);
}

bool one_brake_of_two(const Job& job) {
  const Values v = resolve(job, As::plan);
  return !v.is(choice::ControlKind::pedal) || !works_axle(v, Axle::front) ||
         !works_axle(v, Axle::rear);
}

std::string wanted_of(const ConditionReport& c) {
  return english(say("{}: {}", c.title, c.reason));
}

/// What findings, gates and the line of Size say of the strip's verdicts.
void check_words(const Job& job, const std::vector<ConditionReport>& strip) {
  const auto findings = find_all(job, strip);
  bool all_pass = true;
  for (const ConditionReport& c : strip) {
    if (c.id == ConditionId::found) continue;
    all_pass = all_pass && c.verdict == Verdict::holds;
    const auto unsaid = std::count_if(findings.begin(), findings.end(), [&](const Finding& f) {
      return f.code == FindingCode::size_unsaid && english(f.message) == wanted_of(c);
    });
    CHECK(unsaid == (c.verdict == Verdict::cannot_say && c.target ? 1 : 0));
    // A single circuit of one brake of two is told once, in words of its own.
    INFO(wanted_of(c));
    if (lost_of_a_single(job, c.id) && one_brake_of_two(job) && c.verdict == Verdict::fails) {
      CHECK(std::any_of(findings.begin(), findings.end(), [](const Finding& f) {
        return f.code == FindingCode::size_failed_circuit;
      }));
      continue;
    }
    const std::string wanted = wanted_of(c);
    const auto n = std::count_if(findings.begin(), findings.end(), [&](const Finding& f) {
      return f.stage == Stage::size && f.code != FindingCode::size_unsaid &&
             english(f.message) == wanted;
    });
    CHECK(n == (c.verdict == Verdict::fails ? 1 : 0));
  }
  const std::string status = english(stage_status(job, Stage::size, strip, findings));
  CHECK((status == "passes in all conditions") == all_pass);
  const auto hard = [&](FindingCode code) {
    return std::any_of(findings.begin(), findings.end(), [code](const Finding& f) {
      return f.code == code && f.severity == Severity::hard;
    });
  };
  for (const Gate& g : gates_of(job, strip, findings))
    if (g.id == GateId::lock_order) CHECK(g.held == hard(FindingCode::size_rear_locks));
}

}  // namespace

TEST_CASE("10,000 random jobs: the map's own cell and the foot strip say the same") {
  std::size_t compared = 0;
  std::size_t inside = 0;
  for (unsigned seed = 0; seed < 10000; ++seed) {
    Job job = random_job(seed, 0.005 + 0.0001 * (seed % 400));
    // Half of them with limits that many pass.
    if (seed % 2 == 1)
      set(job,
          "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=10 %; "
          "found:limit.reserve_failed=0 %; found:limit.reserve_failed_m=0 mm; "
          "found:limit.effort_failed=1500 N; found:limit.z_failed=0.1; found:target.z=0.4");
    const auto cell = own_cell(job);
    if (!cell) continue;
    INFO("seed " << seed);
    check_cell(job, unsettled_strip(job), *cell);
    if (seed % 4 < 2) check_verdict(job, *cell);
    ++compared;
    if (cell->fails == Limit::none) ++inside;
  }
  CHECK(compared > 2000);
  CHECK(inside > 300);
}

TEST_CASE("random jobs: findings, gates and the line of Size follow the foot strip") {
  // 600 each time; YOKE_RANDOM_JOBS sets how many.
  const char* wanted = std::getenv("YOKE_RANDOM_JOBS");
  const unsigned count = wanted ? static_cast<unsigned>(std::atoi(wanted)) : 600;
  for (unsigned seed = 20000; seed < 20000 + count; ++seed) {
    const Job job = random_job(seed, 0.005 + 0.0002 * (seed % 200));
    INFO("seed " << seed);
    check_words(job, foot_strip(job, 0));
  }
}

TEST_CASE("nothing is said to hold while a value that nobody measured decides it") {
  std::size_t held = 0;
  std::size_t rests = 0;
  for (unsigned seed = 40000; seed < 40250; ++seed) {
    Job job = random_job(seed, 0.02);
    set(job,
        "found:limit.effort=700 N; found:limit.travel=200 mm; found:limit.effort_failed=1500 N; "
        "found:limit.z_failed=0.1; found:target.z=0.4; found:limit.reserve=10 %");
    const auto strip = foot_strip(job, 0);
    const auto all = [](Group) { return true; };
    for (const Unmeasured& u : unmeasured(resolve(job, As::found), resolve(job, As::plan), all))
      for (const double si : u.tries) {
        const auto other = unsettled_strip(with_value(job, u, si));
        REQUIRE(other.size() == strip.size());
        for (std::size_t i = 0; i < strip.size(); ++i)
          for (const RuleVerdict& r : strip[i].rules) {
            if (r.verdict != Verdict::holds) continue;
            ++held;
            for (const RuleVerdict& o : other[i].rules)
              if (o.rule == r.rule) {
                INFO("seed " << seed << ", " << info(u.param).id << " = " << si << ", "
                             << key_of(r.rule));
                CHECK(o.verdict != Verdict::fails);
              }
          }
      }
    for (const ConditionReport& c : strip)
      for (const RuleVerdict& r : c.rules)
        if (r.verdict == Verdict::if_typical) {
          ++rests;
          CHECK_FALSE(r.decided_by.empty());
        }
  }
  CHECK(held > 10000);
  CHECK(rests > 50);
}

TEST_CASE(
    "with one failure, hot or with air, a tenth of the travel and 10 mm stay before the floor") {
  Limits l;
  const auto m = FeelModel::make(car(), {});
  REQUIRE(m);
  TargetReport r = m->at_z(0.2);
  REQUIRE(r.reached);
  r.at.pad_force_n = 100;
  r.reserve_m = 0.012;
  r.reserve_share = 0.11;
  for (const ConditionId id :
       {ConditionId::assist_lost, ConditionId::primary_lost, ConditionId::secondary_lost,
        ConditionId::hot, ConditionId::air_left})
    CHECK(first(id, *m, r, l).none());
  r.reserve_share = 0.0999;
  CHECK(english(first(ConditionId::hot, *m, r, l).says) == "reserve 10.0 %, wanted 10.0 %");
  r.reserve_share = 0.04;
  CHECK(english(first(ConditionId::primary_lost, *m, r, l).says) == "reserve 4 %, wanted 10 %");
  r.reserve_share = 0.2;
  r.reserve_m = 0.009;
  const PressFault short_of = first(ConditionId::air_left, *m, r, l);
  CHECK(short_of.rule == PressRule::reserve_failed);
  CHECK(short_of.by.si == Approx(0.001));
  r.reserve_m = 0;
  CHECK(english(first(ConditionId::assist_lost, *m, r, l).says) == "on the floor");
  l.reserve_failed_m = 0;
  l.reserve_failed_share = 0;
  r.reserve_m = 8e-6;
  CHECK(first(ConditionId::assist_lost, *m, r, l).none());
  // The effort of a hot press is held to the sound limit, of a failure to its own.
  r.at.pad_force_n = 400;
  CHECK(first(ConditionId::hot, *m, r, l).rule == PressRule::effort);
  CHECK(first(ConditionId::assist_lost, *m, r, l).none());
}

TEST_CASE("a target stop on the plateau of grip is read where it is first reached") {
  System s = car();
  s.vehicle->tyre_mu = 0.9;
  const auto m = FeelModel::make(s, {});
  REQUIRE(m);
  if (m->stop() != Stop::locked) return;
  const auto drive = m->drive_for_z(0.9);
  REQUIRE(drive);
  CHECK(m->at(*drive * 1.0001).z == Approx(0.9));
  CHECK(m->at(*drive * 0.99).z < 0.9 - 1e-6);
  CHECK(*drive < 0.9 * m->end_drive());  // the press ends at 1.2 times that
}

TEST_CASE("a drum valve inside the outlet of discs is a hard finding, wherever it is looked at") {
  Job job = known_job();
  set(job,
      "front.kind=sliding; front.above=below; valve.residual_front=0 MPa; "
      "master.residual1=none; master.residual2=none");
  const auto outlet = outlet_of(job, As::plan, Wheel::front_left);
  REQUIRE(outlet);
  const auto codes = [](const Job& j) {
    std::vector<FindingCode> list;
    for (const Finding& f : find_all(j, foot_strip(j, 0))) list.push_back(f.code);
    return list;
  };
  const auto has = [](const std::vector<FindingCode>& list, FindingCode code) {
    return std::find(list.begin(), list.end(), code) != list.end();
  };
  CHECK_FALSE(has(codes(job), FindingCode::plumb_residual_disc));
  set(job, *outlet == Outlet::primary ? "master.residual1=residual" : "master.residual2=residual");
  CHECK(has(codes(job), FindingCode::plumb_residual_disc));
  CHECK(has(codes(job), FindingCode::valves_remove));
  const auto strip = foot_strip(job, 0);
  for (const Gate& g : gates_of(job, strip, find_all(job, strip)))
    if (g.id == GateId::residual) CHECK(g.held);
}

TEST_CASE("a choice that nobody looked at decides like any other value") {
  Job job = known_job();
  set(job,
      "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0; "
      "found:limit.reserve_failed=0 %; found:limit.reserve_failed_m=0 mm; "
      "found:limit.effort_failed=1500 N; found:limit.z_failed=0.05; found:target.z=0.3");
  state_everything(job);
  const auto plan = [&job] { return foot_strip(job, 0)[1]; };
  REQUIRE(plan().verdict == Verdict::holds);
  // Aged hoses take more fluid: with a travel limit just above what new ones need they decide.
  job.found.set(param::limit_travel,
                measured(param::limit_travel, plan().target->at.pad_travel_m * 1.01, How::stated));
  REQUIRE(plan().verdict == Verdict::holds);
  job.found.clear(param::front_hose_kind);
  job.plan.clear(param::front_hose_kind);
  REQUIRE(value_of(job, As::plan, param::front_hose_kind).known());
  const ConditionReport c = plan();
  CHECK(c.verdict == Verdict::if_typical);
  CHECK(english(c.reason).find("front hoses") != std::string::npos);
  CHECK(english(stage_status(job, Stage::size, foot_strip(job, 0), {})).find("nobody measured") !=
        std::string::npos);
  // What makes the job the one it is is no guess, and neither is a valve that nobody spoke of.
  job.found.set(param::front_hose_kind, {0, How::stated, 0, {}});
  for (const Param p : {param::control_use, param::valve_kind, param::valve_metering}) {
    job.found.clear(p);
    job.plan.clear(p);
  }
  CHECK(plan().verdict == Verdict::holds);
}

TEST_CASE("conditions that cannot be said are counted, never passed over") {
  Job job = known_job();
  set(job,
      "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0; "
      "found:limit.reserve_failed=0 %; found:limit.reserve_failed_m=0 mm; "
      "found:limit.effort_failed=1500 N; found:limit.z_failed=0.05; found:target.z=0.3");
  const auto says = [&job] {
    const auto strip = foot_strip(job, 0);
    return english(stage_status(job, Stage::size, strip, find_all(job, strip)));
  };
  state_everything(job);
  CHECK(says() == "passes in all conditions");
  // One that nobody measured, near a limit: it decides, by name, and the tick goes.
  const auto strip = foot_strip(job, 0);
  std::size_t hardest = 1;
  for (std::size_t i = 2; i < strip.size(); ++i)
    if (!is_failure(strip[i].id) &&
        strip[i].target->at.pad_force_n > strip[hardest].target->at.pad_force_n)
      hardest = i;
  const double effort = strip[hardest].target->at.pad_force_n;
  job.found.set(param::limit_effort, measured(param::limit_effort, effort * 1.01, How::stated));
  CHECK(says().find("fail") == std::string::npos);
  job.found.set(param::control_efficiency,
                measured(param::control_efficiency,
                         value_of(job, As::plan, param::control_efficiency).si, How::estimate));
  CHECK(says().find("on what nobody measured") != std::string::npos);
  const auto resting = foot_strip(job, 0);
  CHECK(resting[hardest].verdict == Verdict::if_typical);
  bool named = false;
  for (const RuleVerdict& r : resting[hardest].rules)
    if (r.rule == PressRule::effort)
      named = r.verdict == Verdict::if_typical &&
              r.decided_by == std::vector<Param>{param::control_efficiency};
  CHECK(named);
  CHECK(english(resting[hardest].reason).find("efficiency") != std::string::npos);
  // Measured, it decides still, and may be said to hold.
  job.found.set(param::control_efficiency,
                measured(param::control_efficiency,
                         value_of(job, As::plan, param::control_efficiency).si, How::stated));
  CHECK(foot_strip(job, 0)[hardest].verdict == Verdict::holds);
  set(job, "found:limit.effort=900 N; master.stroke1=?; master.stroke2=?");
  CHECK(says() == "6 conditions cannot be said");
  const auto cell = own_cell(job);
  REQUIRE(cell);
  CHECK(cell->fails == Limit::none);
  CHECK(cell->cannot_say == 6);
  CHECK(english(cell->reason) == "within limits, 6 conditions cannot be said");
}

TEST_CASE("a press judged without its end tells what the whole press tells") {
  // 3000 systems in every condition: the same target, the same rules, the same margins.
  int judged = 0;
  const Limits l;
  for (unsigned seed = 0; seed < 3000; ++seed) {
    const System s = random_system(seed);
    for (const ConditionId id : kConditions) {
      Condition c;
      c.assist_alive = id != ConditionId::assist_lost;
      if (id == ConditionId::primary_lost) c.lost = LostCircuit::primary;
      if (id == ConditionId::secondary_lost) c.lost = LostCircuit::secondary;
      c.hot = id == ConditionId::hot;
      c.air_m3 = id == ConditionId::air_left ? 2e-6 : 0;
      const auto quick = judge_press(id, s, c, l);
      const auto model = FeelModel::make(s, c);
      REQUIRE(quick.has_value() == model.has_value());
      if (!quick) continue;
      const JudgedPress whole = judge_press(id, *model, condition_target(id, *model, l), l);
      ++judged;
      INFO("seed " << seed << ", " << key_of(id));
      CHECK(quick->target.reached == whole.target.reached);
      for (std::size_t i = 0; i < kPressRules; ++i) {
        const auto rule = static_cast<PressRule>(i);
        INFO(key_of(rule));
        REQUIRE(quick->margins.applies(rule) == whole.margins.applies(rule));
        if (!whole.margins.applies(rule)) continue;
        CHECK(quick->margins.fails(rule) == whole.margins.fails(rule));
        CHECK(quick->margins.of(rule) == Approx(whole.margins.of(rule)).epsilon(1e-5).margin(1e-7));
      }
      CHECK(quick->target.at.pad_travel_m == Approx(whole.target.at.pad_travel_m).margin(1e-8));
    }
  }
  CHECK(judged > 15000);
}
