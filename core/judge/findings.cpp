#include "judge/findings.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "document/ahead.hpp"
#include "document/as_built.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/room.hpp"
#include "document/param/supply.hpp"
#include "document/param/symptom.hpp"
#include "figures/figures.hpp"
#include "fitting/envelope.hpp"
#include "fitting/pattern.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/outlets.hpp"
#include "plumbing/supply_lines.hpp"
#include "protocol/protocol.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "road/permits.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"
#include "sizing/changes.hpp"
#include "sizing/relative.hpp"
#include "survey/identity.hpp"
#include "work/as_built_check.hpp"
#include "work/bleed_checks.hpp"
#include "work/lamps.hpp"
#include "work/parts_gate.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

void add(std::vector<Finding>& all, std::vector<Finding> more) {
  all.insert(all.end(), std::make_move_iterator(more.begin()), std::make_move_iterator(more.end()));
}

/// Why the car as it was found is not driven, whatever is planned for it; empty: nothing says so.
std::vector<Message> not_to_be_driven(const Job& job, const ConditionReport* found) {
  std::vector<Message> why;
  const Values v = resolve(job, As::found);
  const auto known = [&v](Param p) { return v.known(p); };
  constexpr double kTape_m = 2e-3;
  constexpr double kFar_m = 0.020;   // common practice, no source
  constexpr double kFloor_m = 5e-3;  // what a carpet takes
  if (known(param::symptom_sink) && v.si(param::symptom_sink) > kTape_m)
    why.push_back(say("the pedal sinks by {}", length(v.si(param::symptom_sink), 0)));
  if (known(param::symptom_leak) && !v.is(choice::SymptomLeak::none))
    why.emplace_back(v.is(choice::MasterKind::single) && !works_clutch(v)
                         ? "fluid is lost, and there is one circuit only"
                         : "fluid is lost");
  if (known(param::symptom_first) && known(param::symptom_third) &&
      v.si(param::symptom_first) - v.si(param::symptom_third) >= kFar_m)
    why.push_back(say("it pumps up by {}",
                      length(v.si(param::symptom_first) - v.si(param::symptom_third), 0)));
  const double floor_m = v.si(param::control_pad_stop) - kFloor_m;
  for (const Param p : {param::symptom_first, param::symptom_second, param::symptom_third})
    if (known(p) && v.si(p) >= floor_m) {
      why.emplace_back("the pedal reaches the floor");
      break;
    }
  if (v.is(choice::SymptomDrag::drag)) why.emplace_back("wheels keep dragging after a press");
  if (found && found->target && !found->by_pressure && !found->target->reached &&
      found->target->at.z < limits_of(job).z_failed)
    why.push_back(say("it stops with {} g at most", Plain{found->target->at.z, 2}));
  return why;
}

/// A pedal is longer than its arm: a pad arm that reaches from end to end was measured over all.
std::vector<Finding> overall_findings(const Job& job) {
  constexpr double kTape_m = 3e-3;
  for (const As which : {As::found, As::plan}) {
    const Value arm = value_of(job, which, param::control_pad_arm);
    const Value overall = value_of(job, which, param::control_overall);
    if (!arm.known() || !overall.known() || arm.si < overall.si - kTape_m) continue;
    return {{Severity::warning, Stage::survey, FindingCode::survey_overall,
             say("Pivot to pedal pad is given as {}, and the whole pedal is {} long",
                 length(arm.si, 0), length(overall.si, 0)),
             "the arm is shorter than the pedal",
             "Measure from the middle of the pivot bolt to the middle of the pedal pad",
             "geometry"}};
  }
  return {};
}

/// Wheels of one axle that brake unlike each other pull the car to one side.
std::vector<Finding> uneven_findings(const Job& job) {
  constexpr double kMost = 0.05;  // common practice, no source
  std::vector<Finding> f;
  const Assembly a = assemble(job, As::plan);
  if (!a.system || !a.system->wheels) return f;
  const auto& w = *a.system->wheels;
  for (const Axle axle : {Axle::front, Axle::rear}) {
    const std::size_t left = axle == Axle::front ? 0 : 2;
    if (!w[left].fitted || !w[left + 1].fitted) continue;
    const double more = wheel_torque_nm(w[left + 1], 5e6) / wheel_torque_nm(w[left], 5e6) - 1;
    if (!(std::abs(more) > kMost)) continue;
    f.push_back({Severity::warning, Stage::size, FindingCode::size_uneven,
                 axle == Axle::front
                     ? say("The right front wheel brakes {} % {} than the left: it pulls",
                           Plain{std::abs(more) * 100, 0}, more > 0 ? "harder" : "less")
                     : say("The right rear wheel brakes {} % {} than the left: it pulls",
                           Plain{std::abs(more) * 100, 0}, more > 0 ? "harder" : "less"),
                 "5 %", "The same size on both sides", "common practice, no source"});
  }
  return f;
}

std::vector<Finding> prove_findings(const Job& job) {
  std::vector<Finding> f;
  const Value bore = value_of(job, As::plan, param::master_bore);
  // That it sinks is seen, whatever is known of bore and ratio.
  const PumpReport p =
      pump_report(job.pump, bore.known() ? std::optional(Length{bore.si}) : std::nullopt,
                  arm_ratio(job, As::plan));
  if (p.sinking)
    f.push_back({Severity::hard, Stage::prove, FindingCode::prove_sinking, p.words.back(),
                 "no more than a tape can mistake, 2 mm a minute",
                 "Look for a leak outside first; if all is dry, the master's cups pass fluid",
                 "common practice, no source"});
  for (const auto& [id, gate] : job.gates)
    if (gate.state == GateState::failed)
      f.push_back({Severity::hard, Stage::prove, FindingCode::prove_gate_failed,
                   gate.note.empty()
                       ? say("A gate stands failed: {}", gate_words(id))
                       : say("A gate stands failed: {} ({})", gate_words(id), gate.note),
                   "passed", "Put it right, then prove it again", "the builder"});
  if (job.state == JobState::left_unsafe)
    f.push_back({Severity::hard, Stage::record, FindingCode::job_unsafe,
                 "Marked: left unsafe, do not drive", "", "Finish and prove the job",
                 "the builder"});
  return f;
}

FindingCode failure_code(ConditionId id) {
  switch (id) {
    case ConditionId::assist_lost:
      return FindingCode::size_no_assist;
    case ConditionId::primary_lost:
    case ConditionId::secondary_lost:
      return FindingCode::size_failed_circuit;
    case ConditionId::plan:
      return FindingCode::size_plan;
    case ConditionId::hot:
      return FindingCode::size_hot;
    case ConditionId::air_left:
      return FindingCode::size_air_left;
    case ConditionId::found:  // judged under Survey
      break;
  }
  return FindingCode::size_plan;
}

}  // namespace

std::vector<Finding> survey_findings(const Job& job) {
  std::vector<Finding> f;
  for (const As which : {As::found, As::plan}) {
    const Assembly a = assemble(job, which);
    const Message who = which == As::found ? "As found" : "Plan";
    if (!a.missing_system.empty())
      f.push_back({Severity::warning, Stage::survey, FindingCode::survey_missing,
                   say("{}: {} not known", who, param_list(a.missing_system)),
                   "needed for any force",
                   "Measure it, or leave it: two bores and two ratios already say how much harder "
                   "and shorter",
                   ""});
    for (const Error& e : a.impossible)
      f.push_back({Severity::hard, Stage::survey, FindingCode::survey_impossible,
                   say("{}: {}", who, e.reason), e.range, e.remedy, "geometry"});
  }
  if (const Assembly plan = assemble(job, As::plan);
      plan.system && !plan.system->strokes_known && plan.missing_brakes.empty())
    f.push_back(
        {Severity::warning, Stage::survey, FindingCode::survey_strokes_unknown,
         "Plan: piston strokes not known, so the end of the bore is not checked",
         "both strokes measured",
         "Push each piston to its end with a rod and measure; reserve counts to the floor only",
         ""});
  const Value pin = value_of(job, As::plan, param::control_pin_arm);
  if (pin.known() && pin.si > 0 && pin.uncertainty_si / pin.si > 0.03)
    f.push_back({Severity::note, Stage::survey, FindingCode::survey_pin_doubt,
                 say("Pivot to pin is known to ±{} only: ±{} % of every force",
                     length(pin.uncertainty_si, 1), Plain{pin.uncertainty_si / pin.si * 100, 0}),
                 "±3 %", "Measure the short arm with a caliper", "first-order propagation"});
  add(f, overall_findings(job));
  if (value_of(job, As::plan, param::master_bore).inherited)
    f.push_back({Severity::note, Stage::size, FindingCode::size_bore_kept,
                 "The plan keeps the fitted bore", "", "Choose a cell of the map to change it",
                 ""});
  return f;
}

std::vector<Finding> choice_findings(const Job& job, const std::vector<ConditionReport>& strip) {
  std::vector<Finding> f;
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  const bool clutch = works_clutch(plan);
  const char* source = "common practice, no source";
  const auto tell = [&](const std::vector<Consequence>& list, Stage stage) {
    for (const Consequence& c : list)
      if (c.severity != Severity::note)
        f.push_back({c.severity, stage, c.code, c.what, "", c.remedy, source});
  };
  tell(ageing_consequences(found), Stage::survey);
  tell(upstream_consequences(found), Stage::survey);
  if (!clutch) {
    tell(identify(job, found, report_of(strip, ConditionId::found)).wrong, Stage::survey);
    tell(residual_rules(plan), Stage::size);
  }
  for (const Concealed& c : concealed_faults(found, plan).faults)
    if (c.hidden_m() >= 3e-3)
      f.push_back({Severity::warning, Stage::size, FindingCode::size_concealed,
                   say("An unsolved fault is only concealed: {} eats {} now and {} with the plan",
                       c.fault, length(c.before_m, 0), length(c.after_m, 0)),
                   "the cause found and cured", "Cure it first; see the causes in Survey", source});
  const PlainBore plain = plain_for_take_up(strip_inputs(found, plan));
  if (plain.applies && plain.because.empty() && plain.calipers_too)
    f.push_back(
        {Severity::warning, Stage::size, FindingCode::size_plain_bore,
         say("Plain master in place of a take-up one: {} more travel", length(plain.extra_m, 0)),
         "calipers that run close", "Change the calipers too, or keep the take-up master", source});
  for (const Later& l : job.later)
    for (const Consequence& c : later_consequences(l.what, plan))
      if (c.severity != Severity::note)
        f.push_back(
            {Severity::note, Stage::size, c.code,
             l.date.empty()
                 ? say("{}, some day: {}", Message::of_table(words_of_value(l.what)), c.what)
                 : say("{}, {}: {}", Message::of_table(words_of_value(l.what)), l.date, c.what),
             "", c.remedy, source});
  if (const auto stale = stale_as_built(job); !stale.empty())
    f.push_back({Severity::warning, Stage::install, FindingCode::install_as_built,
                 say("Measured as built before the plan was changed, and still counting: {}",
                     param_list(stale)),
                 "measured on this plan", "Measure again, or clear them under Install", source});
  add(f, as_built_findings(job));
  if (const PartsGate g = parts_gate(job, ""); !g.may_start)
    f.push_back({Severity::warning, Stage::install, FindingCode::install_parts, g.sentence,
                 "every part needed first proved by hand",
                 "Try thread and seat on the real part; see Size, Later and parts", source});
  return f;
}

namespace {

bool engine_leaves_no_vacuum(const Values& v) {
  return v.is(choice::RoomEngine::goes) && v.si(param::supply_pump_flow) <= 0 &&
         (v.is(choice::AssistKind::vacuum) || v.is(choice::AssistKind::remote));
}

/// The plan keeps a rod that was measured for another unit's seat.
bool keeps_old_rod(const Job& job) {
  const Value rod = value_of(job, As::plan, param::control_rod_length);
  return rod.known() && rod.inherited && !seat_moves(job);
}

}  // namespace

std::vector<Finding> fit_findings(const Job& job, const RodReport& rod) {
  std::vector<Finding> f = pattern_report(job).findings;
  for (const BoxGap& g : box_gaps(job.boxes))
    if (!g.enough)
      f.push_back({Severity::warning, Stage::fit, FindingCode::fit_gap,
                   say("{} stands {} from {}", job.boxes[g.a].name, length(g.gap_m, 0),
                       job.boxes[g.b].name),
                   say("{}", length(g.wanted_m, 0)), "Move it, or shield what is hot",
                   "common practice, no source"});
  const Values plan = resolve(job, As::plan);
  add(f, ends_report(job, rod).findings);
  if (keeps_old_rod(job))
    f.push_back({Severity::warning, Stage::rod, FindingCode::rod_as_found,
                 "The plan still counts with the old rod's length: how far the new unit's seat "
                 "stands from it is not known",
                 "nose and seat depth of both units",
                 "Measure both under Rod before the rod is cut or set", "geometry"});
  if (has_assist(job, As::plan)) add(f, output_gap(plan).findings);
  add(f, heights_report(job).findings);
  add(f, retained_report(job).findings);
  add(f, return_findings(plan));
  return f;
}

namespace {

bool one_of_two_brakes(const Job& job) {
  const Values v = resolve(job, As::plan);
  return v.is(choice::MasterKind::single) &&
         (!v.is(choice::ControlKind::pedal) || !works_axle(v, Axle::front) ||
          !works_axle(v, Axle::rear));
}

}  // namespace

std::vector<Finding> strip_findings(const Job& job, const std::vector<ConditionReport>& strip) {
  std::vector<Finding> f;
  // What is said of the car as it stands is over when it is proved.
  if (job.state != JobState::proved)
    if (const auto why = not_to_be_driven(job, report_of(strip, ConditionId::found)); !why.empty())
      f.push_back({Severity::hard, Stage::survey, FindingCode::survey_do_not_drive,
                   say("Do not drive it as it is: {}", joined(why, "; ")), "none of these",
                   "Finish and prove the job; until then it is moved on a trailer",
                   "common practice, no source"});
  if (engine_leaves_no_vacuum(resolve(job, As::plan)))
    f.push_back({Severity::hard, Stage::size, FindingCode::size_vacuum_gone,
                 "The engine goes, and nothing else makes vacuum for the planned booster",
                 "a vacuum source",
                 "An electric vacuum pump with its reservoir, or another kind of assist",
                 "common practice, no source"});
  add(f, lamp_report(job, report_of(strip, ConditionId::plan)).findings);
  for (const auto& c : strip) {
    if (c.verdict == Verdict::cannot_say && c.target && c.id != ConditionId::found)
      f.push_back({Severity::warning, Stage::size, FindingCode::size_unsaid,
                   say("{}: {}", c.title, c.reason), "the limits under Size",
                   "Measure what is missing", ""});
    if (c.verdict != Verdict::fails || c.id == ConditionId::found) continue;
    // However hard the pedal is: the order in which the axles lock stands on its own.
    for (const PressFault& fault : c.faults)
      if (fault.rule == PressRule::lock_order)
        f.push_back({Severity::hard, Stage::size, FindingCode::size_rear_locks,
                     say("{}: {}", c.title, fault.says),
                     say("front first up to {} g", Plain{kRearLock_g, 1}),
                     "A knee in the rear line, other rear cylinders, or front brakes that do more",
                     "ECE R13-H, not checked against its text"});
    if (!c.faults.empty() && c.faults.front().rule == PressRule::lock_order) continue;
    // A lever, or a control of one axle alone, is never the only brake: the other must stop it.
    const bool circuit = c.id == ConditionId::primary_lost || c.id == ConditionId::secondary_lost;
    if (circuit && one_of_two_brakes(job)) {
      if (c.id == ConditionId::primary_lost)
        f.push_back({Severity::warning, Stage::size, FindingCode::size_failed_circuit,
                     "One circuit: with it lost this control brakes nothing", "another control",
                     "Prove the other brake by itself before a drive",
                     "common practice, no source"});
      continue;
    }
    // A plan short of its comfort wishes is a warning; one that cannot stop the car is hard.
    const bool hard = c.id == ConditionId::primary_lost || c.id == ConditionId::secondary_lost ||
                      c.id == ConditionId::assist_lost || (c.target && !c.target->reached) ||
                      (c.target && c.target->reserve_m <= 0);
    f.push_back({hard ? Severity::hard : Severity::warning, Stage::size, failure_code(c.id),
                 say("{}: {}", c.title, c.reason), "the limits under Size",
                 "Change bore, ratio or assist; the map shows which cells pass", ""});
    if (c.id == ConditionId::plan && c.target &&
        c.target->reserve_share < limits_of(job).reserve_share)
      f.push_back(
          {Severity::hard, Stage::size, FindingCode::size_reserve,
           say("plan: {} % of the pedal's travel is left", Plain{c.target->reserve_share * 100, 0}),
           say("{} %", Plain{limits_of(job).reserve_share * 100, 0}),
           "A larger bore or a smaller ratio", "common practice, no source"});
  }
  return f;
}

std::vector<Finding> find_all(const Job& job, const std::vector<ConditionReport>& strip) {
  std::vector<Finding> all = survey_findings(job);
  add(all, strip_findings(job, strip));
  add(all, choice_findings(job, strip));
  if (!works_clutch(resolve(job, As::plan))) add(all, uneven_findings(job));
  add(all, angle_report(job, As::plan).findings);
  const RodReport rod = rod_report(job);
  add(all, rod.findings);
  add(all, fit_findings(job, rod));
  add(all, outlet_report(job, As::plan).findings);
  add(all, joint_findings(job));
  add(all, feed_findings(job));
  add(all, bleed_findings(job));
  add(all, prove_findings(job));
  add(all, proof_findings(job, strip));
  add(all, road_findings(job));
  add(all, figure_findings(job));
  // "Proved" was said of another state of the job: an edit since then can undo it.
  if (job.state == JobState::proved)
    if (const auto ok = may_be_proved(gates_of(job, strip, all)); !ok)
      all.push_back({Severity::hard, Stage::record, FindingCode::record_lapsed,
                     say("Marked proved, but that no longer holds: {}", ok.error().reason),
                     ok.error().range, "Pass the gates again; do not drive until then", ""});
  return all;
}

bool proved_now(const Job& job, const std::vector<Finding>& findings) {
  return job.state == JobState::proved &&
         std::none_of(findings.begin(), findings.end(),
                      [](const Finding& f) { return f.code == FindingCode::record_lapsed; });
}

bool any_hard(const std::vector<Finding>& findings) {
  return std::any_of(findings.begin(), findings.end(),
                     [](const Finding& f) { return f.severity == Severity::hard; });
}

}  // namespace yoke
