// What the figures say of the plan's press is what the foot strip says, of any job.
#include <catch2/catch.hpp>
#include <cstdlib>

#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "sizing/assist_choice.hpp"
#include "support/every_code.hpp"
#include "support/random_job.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

const ConditionReport& plan_of(const std::vector<ConditionReport>& strip) {
  return *std::find_if(strip.begin(), strip.end(),
                       [](const ConditionReport& c) { return c.id == ConditionId::plan; });
}

const Figure* of_rule(const std::vector<FigureGroup>& groups, PressRule rule) {
  for (const FigureGroup& g : groups)
    for (const Figure& f : g.figures)
      if (f.rule == rule) return &f;
  return nullptr;
}

/// The number of the strip that a rule's figure tells.
std::optional<double> told_by(const ConditionReport& c, PressRule rule) {
  const TargetReport& t = *c.target;
  switch (rule) {
    case PressRule::effort:
      return t.at.pad_force_n;
    case PressRule::travel:
      return t.at.pad_travel_m;
    case PressRule::reserve:
      return t.reserve_m;
    case PressRule::reached:
      return c.by_pressure ? t.at.pressure_pa : t.at.z;
    case PressRule::release:
      return c.clutch->end.bearing_m;
    case PressRule::over_travel:
      return c.clutch->over_travel_m;
    case PressRule::wear:
      return c.clutch->wear_left_m;
    default:
      return std::nullopt;
  }
}

bool has_figure(const ConditionReport& c, PressRule rule) {
  switch (rule) {
    case PressRule::returns:
      return false;  // told by the control's own figure, over the whole stroke
    case PressRule::reached:
      return !c.target->reached;
    default:
      return true;
  }
}

std::vector<FigureGroup> press_groups(const Job& job) {
  std::vector<FigureGroup> groups;
  for (const GroupId id : {GroupId::press, GroupId::balance, GroupId::bar, GroupId::clutch})
    groups.push_back(figure_group(job, id));
  return groups;
}

void check_rules(const ConditionReport& plan, const std::vector<FigureGroup>& groups,
                 std::size_t& compared) {
  for (const RuleVerdict& r : plan.rules) {
    if (!has_figure(plan, r.rule)) continue;
    INFO(key_of(r.rule));
    const Figure* f = of_rule(groups, r.rule);
    // A front that locks first, or nothing that locks, is told without a figure of its own.
    if (r.rule == PressRule::lock_order && f == nullptr && r.verdict != Verdict::fails) continue;
    REQUIRE(f != nullptr);
    ++compared;
    CHECK(f->verdict == r.verdict);
    CHECK(f->decided_by == r.decided_by);
    REQUIRE(f->si);
    if (const auto si = told_by(plan, r.rule)) CHECK(*f->si == Approx(*si).epsilon(1e-9));
  }
}

/// A figure that no rule of the strip stands behind is not one of the strip's.
void check_figures(const ConditionReport& plan, const std::vector<FigureGroup>& groups) {
  for (const FigureGroup& g : groups)
    for (const Figure& f : g.figures) {
      if (!f.rule) continue;
      INFO(english(f.words));
      CHECK(std::any_of(plan.rules.begin(), plan.rules.end(),
                        [&](const RuleVerdict& r) { return r.rule == *f.rule; }));
    }
}

bool has(const std::vector<Finding>& findings, FindingCode code) {
  return std::any_of(findings.begin(), findings.end(),
                     [code](const Finding& f) { return f.code == code; });
}

bool fails(const ConditionReport& c, PressRule rule) {
  return std::any_of(c.rules.begin(), c.rules.end(), [rule](const RuleVerdict& r) {
    return r.rule == rule && r.verdict == Verdict::fails;
  });
}

/// As the window takes a type into the plan: what another type was measured by is forgotten.
Job with_assist(Job job, const AssistChoice& c) {
  const bool same = value_of(job, As::plan, param::assist_kind).is(c.kind);
  for (const ParamInfo& p : all_params()) {
    const bool vacuum = p.param == param::assist_vacuum ||
                        p.param == param::assist_vacuum_altitude ||
                        p.param == param::assist_manifold;
    if (c.values.at(p.param))
      job.plan.set(p.param, *c.values.at(p.param));
    else if (!same && !vacuum && p.group == Group::assist)
      job.plan.set(p.param, Measured{});
    else
      continue;
    job.built.clear(p.param);
  }
  return job;
}

Job job_of(unsigned seed) {
  Job job = random_job(seed, 0.005 + 0.0002 * (seed % 200));
  if (seed % 4 == 1)
    set(job,
        "found:control.use=clutch; found:master.kind=single; found:master.bore=19.05 mm; "
        "found:master.stroke1=32 mm; found:clutch.kind=push; found:clutch.slave_bore=22.2 mm; "
        "found:clutch.slave_stroke=30 mm; found:clutch.fork_slave=90 mm; "
        "found:clutch.fork_bearing=50 mm; found:clutch.peak=1400 N; found:clutch.limit=14 mm; "
        "found:clutch.retraction=20 mm");
  if (seed % 4 == 2)
    set(job,
        "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=10 %; "
        "found:target.z=0.45");
  return job;
}

}  // namespace

TEST_CASE("random jobs: the figures of the plan's press say what the foot strip says") {
  // 300 each time; YOKE_RANDOM_JOBS sets how many.
  const char* wanted = std::getenv("YOKE_RANDOM_JOBS");
  const unsigned count = wanted ? static_cast<unsigned>(std::atoi(wanted)) : 300;
  std::size_t compared = 0;
  for (unsigned seed = 60000; seed < 60000 + count; ++seed) {
    const Job job = job_of(seed);
    INFO("seed " << seed);
    const auto strip = foot_strip(job, 0);
    const ConditionReport& plan = plan_of(strip);
    const auto groups = press_groups(job);
    check_figures(plan, groups);
    if (plan.target) check_rules(plan, groups, compared);
    const auto findings = find_all(job, strip);
    CHECK(has(findings, FindingCode::size_over_travel) == fails(plan, PressRule::over_travel));
    CHECK(has(findings, FindingCode::size_wear_room) == fails(plan, PressRule::wear));
    CHECK(has(findings, FindingCode::size_bar) == fails(plan, PressRule::bar));
  }
  CHECK(compared > count);
}

TEST_CASE(
    "a target stop of one's own is told among the three, with its limits and their verdicts") {
  Job job = known_job();
  set(job, "found:target.z=0.45; found:limit.effort=20 N");
  const FigureGroup g = figure_group(job, GroupId::press);
  std::vector<std::string> rows;
  for (const Figure& f : g.figures) rows.push_back(english(f.words));
  const auto at = [&rows](const char* words) {
    return std::find(rows.begin(), rows.end(), words) - rows.begin();
  };
  CHECK(at("0.30 g: effort") < at("0.45 g: effort"));
  CHECK(at("0.45 g: effort") < at("0.60 g: effort"));
  const Figure& effort = g.figures[static_cast<std::size_t>(at("0.45 g: effort"))];
  CHECK(effort.verdict == Verdict::fails);
  CHECK(english(effort.note) == "20 N at most");
  CHECK(g.figures[static_cast<std::size_t>(at("0.60 g: effort"))].verdict ==
        Verdict::not_applicable);
}

TEST_CASE("a type of assist says what the strip says once it is taken into the plan") {
  std::size_t compared = 0;
  std::size_t failing = 0;
  for (unsigned seed = 70000; seed < 70040; ++seed) {
    const Job job = job_of(seed * 4 + 2);
    INFO("seed " << seed);
    for (const AssistChoice& c : assist_choices(job)) {
      const Job taken = with_assist(job, c);
      Verdict all = Verdict::holds;
      std::string first;
      for (const ConditionReport& r : foot_strip(taken, 0)) {
        const bool circuit =
            r.id == ConditionId::primary_lost || r.id == ConditionId::secondary_lost;
        if (r.id == ConditionId::found || (circuit && !has_two_circuits(taken, As::plan))) continue;
        all = worst(all, r.verdict);
        if (r.verdict == Verdict::fails && first.empty()) first = english(r.title);
      }
      INFO(c.words);
      CHECK(c.verdict == all);
      CHECK(english(c.fails).rfind(first, 0) == 0);
      if (c.works) CHECK(all != Verdict::fails);
      ++compared;
      failing += all == Verdict::fails ? 1 : 0;
    }
  }
  CHECK(compared > 200);
  CHECK(failing > 50);
  CHECK(failing < compared);
}
