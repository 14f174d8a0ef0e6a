// The brake lamp's switch by numbers, and what was built against what was planned.
#include "work/lamps.hpp"

#include <catch2/catch.hpp>

#include "assembly/relevance.hpp"
#include "document/as_built.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod_ends.hpp"
#include "figures/figures.hpp"
#include "judge/rule_book.hpp"
#include "plumbing/net.hpp"
#include "rod/ends.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/as_built_check.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

LampReport lamp(const Job& job) {
  const ConditionReport plan = condition_report(job, ConditionId::plan, 256);
  return lamp_report(job, &plan);
}

bool says(const std::vector<Finding>& list, FindingCode code, const char* words) {
  return std::any_of(list.begin(), list.end(), [&](const Finding& f) {
    return f.code == code && english(f.message).find(words) != std::string::npos;
  });
}

Verdict rule_of(const Job& job, const char* id) {
  for (const JudgedRule& r : rule_book(job))
    if (r.id == id) return r.verdict;
  FAIL("no rule " << id);
  return Verdict::cannot_say;
}

}  // namespace

TEST_CASE(
    "the brake lamp lights between flutter and pressure, and the switch is turned by numbers") {
  Job job = known_job();
  // Nobody looked: it is not said to light.
  CHECK(lamp(job).missing.front() == param::lamp_switch);
  CHECK(rule_of(job, "rod.lamp") == Verdict::cannot_say);
  set(job, "lamp.switch=pedal; rod.lamp_travel=5 mm; lamp.arm=100 mm; lamp.pitch=1 mm");
  const LampReport r = lamp(job);
  REQUIRE(r.pressure_from_m);
  // Pressure cannot build before free play and cut-off are used up, times the ratio.
  const ConditionReport plan = condition_report(job, ConditionId::plan, 256);
  const auto first = std::find_if(plan.curve->points.begin(), plan.curve->points.end(),
                                  [](const FeelPoint& p) { return p.pressure_pa > 1e3; });
  CHECK(*r.pressure_from_m <= first->pad_travel_m + 1e-6);
  // By hand: from where it lights to where it should, at the switch's arm, by its own thread.
  const double arm = value_of(job, As::plan, param::control_pad_arm).si;
  CHECK(*r.turns == Approx((0.005 - *r.wanted_m) * 0.100 / arm / 0.001));
  CHECK(*r.wanted_m >= kLampFlutter_m);
  set(job, "rod.lamp_travel=1 mm");
  CHECK(says(lamp(job).findings, FindingCode::rod_lamp, "flickers"));
  set(job, "rod.lamp_travel=90 mm");
  CHECK(says(lamp(job).findings, FindingCode::rod_lamp, "90 mm only"));
  CHECK(*lamp(job).turns > 0);
  // Height taken from the pedal is taken from the lamp.
  set(job, "rod.lamp_travel=8 mm; rod.height_wish=-20 mm");
  CHECK(says(lamp(job).findings, FindingCode::rod_lamp, "stay on at rest"));
  CHECK(rule_of(job, "rod.lamp") == Verdict::fails);
}

TEST_CASE("a lamp that lights just before pressure holds only when nobody guessed where that is") {
  Job job = known_job();
  set(job, "lamp.switch=pedal; rod.lamp_travel=5 mm");
  const double from = *lamp(job).pressure_from_m;
  job.plan.set(param::rod_lamp_travel,
               measured(param::rod_lamp_travel, from - 2e-4, How::calliper));
  REQUIRE(lamp(job).findings.empty());
  CHECK(rule_of(job, "rod.lamp") == Verdict::if_typical);
  const FigureGroup g = figure_group(job, GroupId::lamps);
  CHECK(g.figures.front().verdict == Verdict::if_typical);
  // Without the kind of switch no tick at all, in the rule and in the figures.
  job.plan.clear(param::lamp_switch);
  CHECK(rule_of(job, "rod.lamp") == Verdict::cannot_say);
  CHECK(figure_group(job, GroupId::lamps).figures.front().verdict == Verdict::not_applicable);
  // A switch in a line is not moved by the pedal: what was read of another one says nothing.
  set(job, "lamp.switch=two; rod.lamp_travel=90 mm; lamp.closes=0.4 MPa");
  CHECK_FALSE(lamp(job).lights_m);
  CHECK_FALSE(relevant(job, As::plan, param::rod_lamp_travel));
  CHECK_FALSE(heights_report(job).lamp_after_m);
}

TEST_CASE("a switch in one line of two leaves the lamp dark with that circuit lost") {
  Job job = known_job();
  set(job, "lamp.switch=line1; lamp.closes=0.4 MPa");
  CHECK(says(lamp(job).findings, FindingCode::rod_lamp_circuits, "One switch in one line"));
  CHECK(rule_of(job, "rod.lamp_circuits") == Verdict::fails);
  const LampReport r = lamp(job);
  REQUIRE(r.closes_travel_m);
  CHECK(*r.closes_travel_m > *r.pressure_from_m);
  const FigureGroup g = figure_group(job, GroupId::lamps);
  CHECK(std::any_of(g.figures.begin(), g.figures.end(),
                    [](const Figure& f) { return f.verdict == Verdict::fails; }));
  set(job, "lamp.switch=two");
  CHECK(lamp(job).findings.empty());
  CHECK(rule_of(job, "rod.lamp_circuits") == Verdict::holds);
  set(job, "lamp.switch=line1; master.kind=single");
  CHECK(lamp(job).findings.empty());
  // In the net it stands where it was said to, with joints of its own.
  set(job, "lamp.switch=line2; master.kind=tandem");
  const Net net = plumbing_net(job, As::plan);
  CHECK(net.node("lamp2") != nullptr);
  CHECK(net.node("lamp1") == nullptr);
  CHECK(std::any_of(net.joints.begin(), net.joints.end(),
                    [](const NetJoint& j) { return j.key == "lamp2.in" && j.fresh; }));
  // A clutch has no brake lamp.
  set(job, "control.use=clutch");
  CHECK_FALSE(lamp(job).asked);
}

TEST_CASE("what was built is held against the plan within what a hand can set") {
  Job job = known_job();
  CHECK(as_built_checks(job).empty());
  const auto build = [&](Param p, double si, double doubt) {
    Measured m = measured(p, si, How::calliper);
    m.uncertainty_si = doubt;
    set_as_built(job, p, m);
    return *as_built_check(job, p);
  };
  set(job, "control.rod_length=148 mm");
  // 0.5 mm a hand, and the calliper's own ±.
  CHECK_FALSE(build(param::control_rod_length, 0.14855, 0.1e-3).missed);
  const AsBuiltCheck miss = build(param::control_rod_length, 0.1470, 0.1e-3);
  CHECK(miss.missed);
  CHECK(english(miss.words) ==
        "planned 148.0 mm (5.83 in): 1.0 mm (0.04 in) less, 0.6 mm "
        "(0.02 in) allowed");
  CHECK(says(as_built_findings(job), FindingCode::install_off_plan, "Push rod length"));
  CHECK(rule_of(job, "install.off_plan") == Verdict::fails);
  build(param::control_rod_length, 0.148, 0.1e-3);
  CHECK(as_built_findings(job).empty());
  // More pull than planned, or more vacuum, is no miss; less is.
  set(job, "assist.vacuum=60 kPa");
  CHECK_FALSE(build(param::assist_vacuum, 67e3, 1e3).missed);
  CHECK(build(param::assist_vacuum, 50e3, 1e3).missed);
  // A plan that only counts with the usual figure says nothing to hold it against.
  job.built.clear(param::assist_vacuum);
  job.plan.clear(param::control_rest_height);
  job.found.clear(param::control_rest_height);
  const AsBuiltCheck none = build(param::control_rest_height, 0.180, 1e-3);
  CHECK_FALSE(none.missed);
  CHECK_FALSE(none.planned_si);
  // What the old unit had is no plan for the new one.
  Job other = known_job();
  other.plan.clear(param::control_rod_clearance);
  set(other, "found:control.rod_clearance=0.8 mm; master.bore=25.4 mm");
  REQUIRE(value_of(other, As::plan, param::control_rod_clearance).other_unit);
  set_as_built(other, param::control_rod_clearance,
               measured(param::control_rod_clearance, 0.0002, How::calliper));
  CHECK_FALSE(as_built_check(other, param::control_rod_clearance)->planned_si);
  // A pedal wished lower is held against where it was to stand, not where it stood.
  set(job, "found:control.rest_height=186 mm; rod.height_wish=-20 mm");
  CHECK_FALSE(build(param::control_rest_height, 0.166, 1e-3).missed);
  CHECK(build(param::control_rest_height, 0.186, 1e-3).missed);
}
