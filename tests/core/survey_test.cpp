// Slack, identity, gauging, kits, rules of the trade, symptoms and what to measure next.
#include <catch2/catch.hpp>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/age.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/changed.hpp"
#include "document/param/gauge.hpp"
#include "document/param/kit.hpp"
#include "document/param/master.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"
#include "document/param/vehicle.hpp"
#include "doubt/measure_next.hpp"
#include "figures/figures.hpp"
#include "judge/findings.hpp"
#include "proving/hypotheses.hpp"
#include "support/build.hpp"
#include "support/pad_depth.hpp"
#include "survey/gauging.hpp"
#include "survey/identity.hpp"
#include "survey/kit.hpp"
#include "survey/rules.hpp"
#include "survey/slack.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void found(Job& job, Param p, double si, How how = How::calliper) {
  job.found.set(p, measured(p, si, how));
}
void plan(Job& job, Param p, double si) {
  job.plan.set(p, measured(p, si, How::calliper));
}
Values found_of(const Job& job) {
  return resolve(job, As::found);
}
bool has(const std::vector<Consequence>& list, FindingCode code) {
  return std::any_of(list.begin(), list.end(),
                     [&](const Consequence& c) { return c.code == code; });
}

}  // namespace

TEST_CASE("slack: plays at the rod count times the ratio, largest first") {
  Job job = known_job();  // ratio 6
  CHECK(slack_budget(found_of(job)).parts.empty());
  found(job, param::symptom_rod_play, 0.002);
  found(job, param::symptom_pivot_play, 0.015);
  found(job, param::symptom_pin_wear, 0.0005);
  found(job, param::symptom_first, 0.060);
  const SlackBudget b = slack_budget(found_of(job));
  REQUIRE(b.parts.size() == 3);
  CHECK(english(b.parts[0].words) == "worn pivot");
  CHECK(b.parts[1].pad_m == Approx(0.012));
  CHECK(b.parts[2].pad_m == Approx(0.003));
  CHECK(b.sum_m == Approx(0.030));
  CHECK(*b.share_of_first == Approx(0.5));
  Job blind;
  found(blind, param::symptom_rod_play, 0.002);
  const SlackBudget none = slack_budget(found_of(blind));
  CHECK(none.parts.empty());
  CHECK(english(none.missing.front()).find("both pedal arms") != std::string::npos);
}

TEST_CASE("two bores in one body: by cast mark, by step, or measured") {
  Job job = known_job();
  const auto two = [&] { return identify(job, found_of(job), nullptr).two_bores; };
  CHECK(two() == TwoBores::unknown);
  found(job, param::unit_cast_mark, 0.022225);
  CHECK(two() == TwoBores::no);
  found(job, param::unit_cast_mark, 0.0254);
  CHECK(two() == TwoBores::likely);
  job.found.clear(param::unit_cast_mark);
  found(job, param::unit_body_step, 1, How::stated);
  CHECK(two() == TwoBores::likely);
  found(job, param::master_kind, 2, How::stated);
  found(job, param::master_step_bore, 0.03175);
  CHECK(two() == TwoBores::measured);
}

TEST_CASE("identity: what is missing, and what speaks against this vehicle") {
  Job job = known_job();
  const ConditionReport r = condition_report(job, ConditionId::found, 0);
  Identity id = identify(job, found_of(job), &r);
  CHECK(english(id.name).find("7/8 in") != std::string::npos);
  CHECK(id.known >= 4);
  CHECK(id.known + id.missing.size() == id.asked);
  CHECK_FALSE(has(id.wrong, FindingCode::identity_front_outlet));
  found(job, param::unit_front_outlet, 1, How::stated);
  CHECK(has(identify(job, found_of(job), nullptr).wrong, FindingCode::identity_front_outlet));
  found(job, param::master_residual1, 1, How::stated);  // outlet 1 feeds the front discs
  CHECK(has(identify(job, found_of(job), nullptr).wrong, FindingCode::identity_drum_unit));
  found(job, param::front_kind, 2, How::stated);
  found(job, param::master_kind, 2, How::stated);
  CHECK(has(identify(job, found_of(job), nullptr).wrong, FindingCode::identity_take_up));
}

TEST_CASE("bore gauging: not enough, good, tapered, oval, pitted") {
  Job job;
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::not_enough);
  for (const Param p : {param::gauge_a1, param::gauge_a2, param::gauge_b1, param::gauge_b2,
                        param::gauge_c1, param::gauge_c2})
    found(job, p, 0.022225);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::not_enough);
  found(job, param::gauge_piston, 0.022150);
  GaugeReport r = gauge_report(found_of(job));
  // Neither the cup's squeeze nor the surface is known: nothing is called good.
  CHECK(r.verdict == RebuildVerdict::not_enough);
  found(job, param::gauge_cup, 0.0235);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::not_enough);
  found(job, param::age_pitting, 0, How::stated);
  // A piston that measures more than its bore cannot be: one of them is read again.
  found(job, param::gauge_piston, 0.022300);
  r = gauge_report(found_of(job));
  CHECK(r.verdict == RebuildVerdict::not_enough);
  CHECK(english(r.missing.front()).find("bore or piston again") == 0);
  found(job, param::gauge_piston, 0.022150);
  r = gauge_report(found_of(job));
  CHECK(r.verdict == RebuildVerdict::rebuild);
  CHECK(*r.clearance_m == Approx(75e-6));
  CHECK(*r.taper_m == Approx(0).margin(1e-9));
  found(job, param::gauge_b2, 0.022300);
  r = gauge_report(found_of(job));
  CHECK(*r.ovality_m == Approx(75e-6));
  CHECK(r.verdict == RebuildVerdict::sleeve);
  found(job, param::gauge_b2, 0.022225);
  found(job, param::gauge_c1, 0.022300);
  found(job, param::gauge_c2, 0.022300);
  r = gauge_report(found_of(job));
  CHECK(*r.taper_m == Approx(75e-6));
  CHECK(*r.ovality_m == Approx(0).margin(1e-9));
  found(job, param::gauge_c1, 0.022225);
  found(job, param::gauge_c2, 0.022225);
  // A pit where the cup runs; beyond its run it does not matter.
  found(job, param::gauge_pit, 0.040);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::not_enough);
  found(job, param::gauge_cup_rest, 0.030);
  found(job, param::master_stroke1, 0.018);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::sleeve);
  found(job, param::gauge_pit_depth, 0.002);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::scrap);
  found(job, param::gauge_pit, 0.060);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::rebuild);
  job.found.clear(param::gauge_pit_depth);
  found(job, param::gauge_hone, 0.00005);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::hone);
  found(job, param::gauge_hone, 0.0002);
  CHECK(gauge_report(found_of(job)).verdict == RebuildVerdict::sleeve);
  found(job, param::gauge_hone, 0.00005);
  found(job, param::gauge_cup, 0.0224);
  r = gauge_report(found_of(job));
  CHECK(*r.squeeze < kLeastSqueeze);
  CHECK(r.verdict == RebuildVerdict::sleeve);
}

TEST_CASE("kit cross-match: the socket's depth is the rod's length") {
  Job job;
  const auto report = [&] { return kit_report(found_of(job), resolve(job, As::plan)); };
  CHECK(report().verdict == KitVerdict::not_enough);
  const auto both = [&](Param p, double a, double b) {
    found(job, p, a);
    plan(job, p, b);
  };
  both(param::kit_piston, 0.0400, 0.0401);
  both(param::kit_socket, 0.0100, 0.0115);
  both(param::kit_cups, 1, 1);
  both(param::kit_facing, 0, 0);
  both(param::kit_valve, 0, 0);
  both(param::kit_spring, 0.060, 0.061);
  CHECK(report().verdict == KitVerdict::usable);
  CHECK(*report().rod_change_m == Approx(0.0015));
  both(param::kit_piston, 0.0400, 0.0412);
  CHECK(report().verdict == KitVerdict::with_work);
  both(param::kit_piston, 0.0400, 0.0392);
  CHECK(report().verdict == KitVerdict::no);
  both(param::kit_piston, 0.0400, 0.0400);
  both(param::kit_facing, 0, 1);
  CHECK(report().verdict == KitVerdict::no);
}

TEST_CASE("rules: age, earlier changes, valves, later conversions") {
  Job job = known_job();
  CHECK(ageing_consequences(found_of(job)).empty());
  found(job, param::age_hoses, 7);
  CHECK(ageing_consequences(found_of(job)).front().severity == Severity::note);
  found(job, param::age_hoses, 12);
  found(job, param::age_sensor, 2, How::stated);
  const auto old = ageing_consequences(found_of(job));
  REQUIRE(old.size() == 2);
  CHECK(old[0].code == FindingCode::ageing_hoses);
  CHECK(old[0].severity == Severity::warning);
  CHECK(english(old[1].order).find("switch") != std::string::npos);
  found(job, param::changed_cam, 1, How::stated);
  CHECK(has(upstream_consequences(found_of(job)), FindingCode::upstream_cam));
  // Valves by practice: 10 psi for drums, 2 psi for calipers above the master, none below (common
  // practice, no source).
  auto valves = residual_rules(resolve(job, As::plan));
  CHECK(has(valves, FindingCode::valves_height));
  CHECK(has(valves, FindingCode::valves_drum));
  found(job, param::front_above, 1, How::stated);
  CHECK(has(residual_rules(resolve(job, As::plan)), FindingCode::valves_add));
  found(job, param::front_above, 0, How::stated);
  plan(job, param::valve_residual_front, 13.8e3);
  CHECK(has(residual_rules(resolve(job, As::plan)), FindingCode::valves_remove));
  plan(job, param::valve_residual_rear, 69e3);
  CHECK(has(later_consequences(LaterKind::rear_discs, resolve(job, As::plan)),
            FindingCode::later_residual));
  CHECK(has(later_consequences(LaterKind::front_discs, resolve(job, As::plan)),
            FindingCode::later_already));
  plan(job, param::assist_kind, 1);
  CHECK(has(later_consequences(LaterKind::electric_drive, resolve(job, As::plan)),
            FindingCode::later_vacuum));
  for (int k = 0; k <= static_cast<int>(LaterKind::bigger_tyres); ++k)
    CHECK_FALSE(later_consequences(static_cast<LaterKind>(k), resolve(Job{}, As::plan)).empty());
  job.later = {{LaterKind::rear_discs, "2027-04-01"}};
  const auto findings = find_all(job, foot_strip(job, 8));
  CHECK(std::any_of(findings.begin(), findings.end(), [](const Finding& f) {
    return f.code == FindingCode::later_residual &&
           english(f.message).find("2027-04-01") != std::string::npos;
  }));
}

TEST_CASE("symptoms without known brakes: pumped up is clearance, sinking is a bypass or a leak") {
  Symptoms s;
  CHECK_FALSE(diagnose_symptoms(nullptr, {}, s).refusal.empty());
  s.first_m = 0.110;
  s.third_m = 0.060;
  s.sink_m = 0;
  Diagnosis d = diagnose_symptoms(nullptr, {}, s);
  REQUIRE(d.refusal.empty());
  CHECK((d.ranked[0].cause == Cause::drums_out || d.ranked[0].cause == Cause::knock_back));
  CHECK_FALSE(d.next_test.empty());
  s.third_m = 0.109;
  s.sink_m = 0.040;
  s.leak = choice::SymptomLeak::none;
  s.creep = choice::SymptomCreep::creeps;
  d = diagnose_symptoms(nullptr, {}, s);
  CHECK(d.ranked[0].cause == Cause::bypass);
  CHECK(std::string(cause_advice(d.ranked[0].cause)).find("would not help") != std::string::npos);
  s.leak = choice::SymptomLeak::wheel;
  d = diagnose_symptoms(nullptr, {}, s);
  CHECK(d.ranked[0].cause == Cause::leak);
  double sum = 0;
  for (const Hypothesis& h : d.ranked) sum += h.weight;
  CHECK(sum == Approx(1));
}

TEST_CASE("symptoms of a known car: the simulated cause explains its own signs") {
  const System sound = car();
  const double push = 200;
  const auto signs = [&](const System& s, Condition c = {}, double slack_m = 0) {
    Symptoms out;
    out.push_n = push;
    out.first_m = depth(s, push, false, c) + slack_m;
    out.third_m = depth(s, push, true, c) + slack_m;
    out.sink_m = 0;
    out.rod_play_m = 0.001;
    out.pivot_play_m = slack_m;
    out.leak = choice::SymptomLeak::none;
    return out;
  };
  System loose = sound;
  for (WheelBrake& w : *loose.wheels)
    if (auto* d = std::get_if<Drum>(&w.brake)) d->shoe_clearance += Length{0.0015};
  const Diagnosis shoes = diagnose_symptoms(&sound, {}, signs(loose));
  CHECK(shoes.ranked[0].cause == Cause::drums_out);
  CHECK(shoes.ranked[0].size == Approx(0.0015).epsilon(0.1));
  Condition air;
  air.air_primary_m3 = 4e-6;
  const Diagnosis soft = diagnose_symptoms(&sound, {}, signs(sound, air));
  CHECK(
      (soft.ranked[0].cause == Cause::air_primary || soft.ranked[0].cause == Cause::air_secondary));
  const Diagnosis pivot = diagnose_symptoms(&sound, {}, signs(sound, {}, 0.020));
  CHECK(pivot.ranked[0].cause == Cause::pivot_wear);
  const Diagnosis fine = diagnose_symptoms(&sound, {}, signs(sound));
  CHECK(fine.ranked[0].cause == Cause::none);
}

TEST_CASE("the symptoms group tells volumes behind each pump and the sink in cm3 a minute") {
  Job job = known_job();  // 7/8 in at 6: 64.66 mm2 of bore a pad metre
  found(job, param::symptom_first, 0.100);
  found(job, param::symptom_second, 0.070);
  found(job, param::symptom_third, 0.064);
  found(job, param::symptom_sink, 0.012);
  const auto g = figure_group(job, "symptoms");
  REQUIRE(g);
  const double area = 3.14159265358979 / 4 * 0.022225 * 0.022225;
  CHECK(*g->figures[0].si == Approx(0.030 / 6 * area));
  CHECK(*g->figures[1].si == Approx(0.006 / 6 * area));
  CHECK(*g->figures[2].si == Approx(0.012 / 6 * area));  // held 60 s: a minute
  CHECK(g->figures[2].verdict == Verdict::fails);
  CHECK(english(g->figures.back().words) == "Cheapest next test");
}

TEST_CASE("measure next: what blocks first, then what narrows most, the key walks the list") {
  Job job = known_job();
  CHECK(measure_next(job, As::plan).size() < 20);
  job.found.clear(param::vehicle_mass);
  job.found.clear(param::master_bore);
  const auto list = measure_next(job, As::plan);
  REQUIRE(list.size() >= 2);
  CHECK(list[0].param == param::master_bore);
  CHECK(list[0].blocks);
  CHECK(english(list[0].buys) == "with it: effort at a pressure");
  auto next = next_to_measure(job, As::plan, std::nullopt);
  REQUIRE(next);
  CHECK(next->param == param::master_bore);
  next = next_to_measure(job, As::plan, next->param);
  CHECK(next->param == list[1].param);
  CHECK(next_to_measure(job, As::plan, list.back().param)->param == list[0].param);
  // A guessed pin radius stands before a ruled pad arm.
  job = known_job();
  found(job, param::control_pin_arm, 0.050, How::estimate);
  found(job, param::control_pad_arm, 0.300, How::tape);
  const auto narrow = measure_next(job, As::plan);
  REQUIRE_FALSE(narrow.empty());
  CHECK(narrow[0].param == param::control_pin_arm);
  CHECK(narrow[0].which == As::found);
  CHECK(english(narrow[0].buys).find("narrows effort") == 0);
}

TEST_CASE("two bores and two ratios alone: what one better measurement buys") {
  Job job;
  found(job, param::master_bore, 0.0254);
  found(job, param::control_pad_arm, 0.3302, How::tape);
  found(job, param::control_pin_arm, 0.0508, How::rule);
  plan(job, param::master_bore, 0.028575);
  plan(job, param::control_pad_arm, 0.3302);
  plan(job, param::control_pin_arm, 0.060);
  const auto list = measure_next(job, As::plan);
  REQUIRE_FALSE(list.empty());
  CHECK(list[0].param == param::control_pin_arm);
  CHECK(list[0].which == As::found);
  CHECK(english(list[0].buys).find("force factor") != std::string::npos);
  CHECK(std::any_of(list.begin(), list.end(), [](const NextMeasure& n) { return n.blocks; }));
}

TEST_CASE("symptoms, age and gauging are asked of the fitted system only") {
  const Job job;
  CHECK(relevant(job, As::found, param::symptom_first));
  CHECK_FALSE(relevant(job, As::plan, param::symptom_first));
  CHECK_FALSE(relevant(job, As::plan, param::gauge_a1));
  CHECK(relevant(job, As::plan, param::kit_piston));
  CHECK_FALSE(pressed_by(Group::symptom));
  CHECK(pressed_by(Group::vehicle));
}
