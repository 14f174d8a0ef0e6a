// Every finding code there is, raised by a job and cleared again by mending it. A code that no row
// raises fails the last test: a finding that nothing can raise warns of nothing.
#include <catch2/catch.hpp>
#include <set>

#include "fitting/pattern.hpp"
#include "judge/findings.hpp"
#include "plumbing/outlets.hpp"
#include "proving/gates.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "survey/identity.hpp"
#include "survey/rules.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void collect(std::set<FindingCode>& all, const std::vector<Finding>& list) {
  for (const Finding& f : list) all.insert(f.code);
}
void collect(std::set<FindingCode>& all, const std::vector<Consequence>& list) {
  for (const Consequence& c : list) all.insert(c.code);
}

/// All that a job is told: findings, and the consequences that are notes only.
std::set<FindingCode> codes_of(const Job& job) {
  std::set<FindingCode> all;
  const auto strip = foot_strip(job, 12);
  collect(all, find_all(job, strip));
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  collect(all, ageing_consequences(found));
  collect(all, upstream_consequences(found));
  collect(all, residual_rules(plan));
  for (const Later& l : job.later) collect(all, later_consequences(l.what, plan));
  return all;
}

}  // namespace

TEST_CASE("every row raises its finding, and mending clears it") {
  for (const CodeRow& row : code_rows()) {
    INFO(key(row.code) << ": " << row.raise);
    Job job = known_job();
    const auto mend = [&] {
      set(job, row.clear);
      if (row.also_clear) row.also_clear(job);
    };
    // Some stand in the plain job already; the others do not while all is well.
    if (!std::string_view(row.raise).empty() || row.also_raise) {
      if (!std::string_view(row.clear).empty()) mend();
      CHECK_FALSE(codes_of(job).count(row.code));
    }
    set(job, row.raise);
    if (row.also_raise) row.also_raise(job);
    CHECK(codes_of(job).count(row.code));
    mend();
    CHECK_FALSE(codes_of(job).count(row.code));
  }
}

TEST_CASE("no code is there that nothing raises") {
  std::set<FindingCode> raised;
  for (const CodeRow& row : code_rows()) raised.insert(row.code);
  for (const FindingCode code : all_ids<FindingCode>()) {
    INFO(key(code));
    CHECK(raised.count(code));
  }
}

namespace {

struct Hold {
  FindingCode code;
  GateId gate;
};
/// The findings that must hold a gate shut: said here again, on purpose.
using enum FindingCode;
constexpr Hold kHeld[] = {
    {plumb_residual_disc, GateId::residual},
    {plumb_residual_twice, GateId::residual},
    {rod_preload, GateId::preload},
    {rod_output_preload, GateId::preload},
    {plumb_crossed, GateId::circuits},
    {plumb_no_separation, GateId::circuits},
    {prove_sinking, GateId::sink},
    {prove_press, GateId::sink},
    {prove_road_rear, GateId::lock_order},
    {prove_rest_pressure, GateId::preload},
    {size_reserve, GateId::reserve},
    {size_failed_circuit, GateId::failed_circuit},
    {size_no_assist, GateId::no_assist},
    {size_bar, GateId::bar},
    {size_over_travel, GateId::over_travel},
    {size_wear_room, GateId::wear_room},
    {rod_deviation, GateId::deviation},
    {bleed_wet, GateId::weep},
    {fluid_grade, GateId::fluid},
};

Gate gate_of(const Job& job, GateId id) {
  const auto strip = foot_strip(job, 12);
  for (const Gate& g : gates_of(job, strip, find_all(job, strip)))
    if (g.id == id) return g;
  Gate none;
  none.id = id;
  none.why = "does not apply";
  return none;
}

}  // namespace

TEST_CASE(
    "what is dangerous holds its gate shut, whatever the builder ticked, until it is mended") {
  for (const Hold& hold : kHeld) {
    INFO(key(hold.code) << " holds " << key(hold.gate));
    const CodeRow* row = nullptr;
    for (const CodeRow& r : code_rows())
      if (r.code == hold.code) row = &r;
    REQUIRE(row);
    Job job = job_with(*row);
    pass_gate(job, hold.gate);
    Gate g = gate_of(job, hold.gate);
    CHECK(g.state == GateState::failed);
    CHECK(g.held);
    CHECK_FALSE(g.why.empty());
    const auto strip = foot_strip(job, 12);
    CHECK_FALSE(may_be_proved(gates_of(job, strip, find_all(job, strip))));
    set(job, row->clear);
    if (row->also_clear) row->also_clear(job);
    g = gate_of(job, hold.gate);
    CHECK_FALSE(g.held);
    CHECK(english(g.why) != "does not apply");
    pass_gate(job, hold.gate);
    CHECK(gate_of(job, hold.gate).state == GateState::passed);
  }
}

TEST_CASE("every gate applies to some job, opens, and is passed by its own record") {
  std::set<GateId> seen;
  for (const char* kind :
       {"", "master.kind=single", "master.kind=twin; master.bore2=22 mm",
        "assist.kind=vacuum; assist.diaphragm1=200 mm", "rod.staked=restaked", kClutchJob,
        "found:control.kind=lever_axial; control.kind=lever_axial; found:control.axles=front; "
        "control.axles=front; found:master.kind=single; master.kind=single; hold.slope=3 deg"}) {
    Job job = known_job();
    set(job, kind);
    job.points.push_back({"a clip", Stage::install, "2026-05-01", "", "", "", {}});
    const auto strip = foot_strip(job, 12);
    const auto findings = find_all(job, strip);
    for (const Gate& g : gates_of(job, strip, findings)) {
      INFO(key(g.id));
      if (g.held) continue;
      seen.insert(g.id);
      CHECK(g.state == GateState::open);
      if (g.by_facts) continue;
      Job passed = job;
      record_for(passed, g.id) = claimed(GateState::passed, "2026-05-31", "seen");
      // A bare word, as older files hold it, is a claim.
      for (const Gate& h : gates_of(passed, strip, findings)) {
        CHECK(h.state != GateState::passed);
        if (h.id == g.id) CHECK(english(h.why).rfind("Claimed on 2026-05-31", 0) == 0);
      }
      pass_gate(passed, g.id);
      for (const Gate& h : gates_of(passed, strip, findings))
        CHECK((h.state == GateState::passed) == (h.id == g.id));
    }
  }
  CHECK(seen.size() == all_ids<GateId>().size());
}
