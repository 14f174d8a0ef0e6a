// The one line a stage shows in the rail.
#include <algorithm>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "judge/findings.hpp"
#include "plumbing/outlets.hpp"
#include "proving/gates.hpp"
#include "sizing/relative.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

const ConditionReport* plan_of(const std::vector<ConditionReport>& strip) {
  for (const auto& c : strip)
    if (c.id == ConditionId::plan) return &c;
  return nullptr;
}

Message survey_status(const Job& job, const std::vector<Finding>& findings) {
  for (const Finding& f : findings)
    if (f.code == FindingCode::survey_do_not_drive) return "DO NOT DRIVE AS IT IS";
  const Assembly a = assemble(job, As::found);
  std::vector<Param> missing = a.missing_system;
  if (missing.empty()) missing = a.missing_brakes;
  if (missing.empty()) missing = a.missing_vehicle;
  if (!missing.empty()) return say("{} unknown", param_list({missing.front()}));
  const Value pin = value_of(job, As::plan, param::control_pin_arm);
  if (pin.how == How::estimate) return "pin radius is a guess";
  return "all that is needed is known";
}

Message size_status(const Job& job, const std::vector<ConditionReport>& strip) {
  const auto* plan = plan_of(strip);
  if (plan && plan->target && plan->verdict != Verdict::fails) {
    const auto counted = [&strip](Verdict v) {
      return std::count_if(strip.begin(), strip.end(), [v](const auto& c) {
        return c.verdict == v && c.id != ConditionId::found;
      });
    };
    // The worst of them is said.
    if (const auto failing = counted(Verdict::fails); failing > 0)
      return plural(failing, "{} condition fails", "{} conditions fail");
    if (const auto unsaid = counted(Verdict::cannot_say); unsaid > 0)
      return plural(unsaid, "{} condition cannot be said", "{} conditions cannot be said");
    if (const auto open = counted(Verdict::if_typical); open > 0)
      return plural(open, "{} condition rests on what nobody measured",
                    "{} conditions rest on what nobody measured");
    return "passes in all conditions";
  }
  if (plan && plan->target) return say("plan {}", plan->reason);
  const Values found = resolve(job, As::found);
  const Values planned = resolve(job, As::plan);
  const Length none{0.0};
  const auto rel =
      relative(equivalent_bore(found).value_or(none), equivalent_bore(planned).value_or(none),
               arm_ratio(found).value_or(0.0), arm_ratio(planned).value_or(0.0));
  if (rel)
    return say("force ×{}, travel ×{}", Plain{rel->force_factor, 2}, Plain{rel->travel_factor, 2});
  return "two bores and two ratios needed";
}

Message bleed_status(const Job& job) {
  const BleedPlan plan = bleed_plan(job);
  const auto rows = bleed_rows(job, plan);
  const std::size_t clear = clear_nipples(rows);
  const auto nipples = static_cast<std::size_t>(
      std::count_if(rows.begin(), rows.end(), [](const BleedRow& r) { return r.key != "bench"; }));
  if (plan.clutch) return clear > 0 ? "line bled" : "line to bleed";
  if (!plan.missing.empty()) return say("{} unknown", param_list({plan.missing.front()}));
  return say("{} of {} nipples done", clear, nipples);
}

Message install_status(const Job& job) {
  const auto steps = install_steps(job);
  size_t done = 0;
  size_t all = 0;
  for (const auto& s : steps) {
    if (s.after_drive) continue;
    ++all;
    if (is_done(job, s)) ++done;
  }
  return say("{} of {} steps done", done, all);
}

}  // namespace

Message stage_status(const Job& job, Stage stage, const std::vector<ConditionReport>& strip,
                     const std::vector<Finding>& findings) {
  switch (stage) {
    case Stage::survey:
      return survey_status(job, findings);
    case Stage::size:
      return size_status(job, strip);
    case Stage::fit: {
      const AngleReport r = angle_report(job, As::plan);
      if (!r.missing.empty()) return say("{} unknown", param_list({r.missing.front()}));
      if (r.points.empty()) return "geometry impossible";
      return say("rod up to {}° off", Plain{r.largest_rad * 180 / kPi, 1});
    }
    case Stage::rod:
      return rod_status(rod_report(job));
    case Stage::plumb: {
      const auto raised = [&findings](FindingCode code) {
        return std::any_of(findings.begin(), findings.end(),
                           [code](const Finding& f) { return f.code == code; });
      };
      if (raised(FindingCode::plumb_joint)) return "a joint does not go together";
      if (value_of(job, As::plan, param::control_use).is(choice::ControlUse::clutch))
        return "one line";
      const OutletReport r = outlet_report(job, As::plan);
      const bool single = is(job, As::plan, choice::MasterKind::single);
      const auto has = [&r](FindingCode code) {
        return std::any_of(r.findings.begin(), r.findings.end(),
                           [code](const Finding& f) { return f.code == code; });
      };
      if (has(FindingCode::plumb_crossed)) return "outlets crossed";
      if (has(FindingCode::plumb_no_separation)) return "no separation";
      if (any_hard(r.findings)) return "a residual valve is wrong";
      if (single) return "one circuit feeds them all";
      if (r.retrace) return "to be traced on the new unit";
      if (const std::size_t traced = r.first.size() + r.second.size(); !r.untraced.empty())
        return say("{} of {} wheels traced", traced, traced + r.untraced.size());
      return raised(FindingCode::plumb_joint_open) ? Message("new joints to prove by hand")
                                                   : Message("outlets as intended");
    }
    case Stage::install:
      return install_status(job);
    case Stage::bleed:
      return bleed_status(job);
    case Stage::prove: {
      const auto gates = gates_of(job, strip, findings);
      const auto passed = std::count_if(gates.begin(), gates.end(),
                                        [](const Gate& g) { return g.state == GateState::passed; });
      return say("{} of {} gates passed", passed, gates.size());
    }
    case Stage::record:
      if (job.state == JobState::proved)
        return proved_now(job, findings) ? "proved" : "PROVED NO LONGER";
      if (job.state == JobState::left_unsafe) return "LEFT UNSAFE";
      return any_hard(findings) ? "do not drive yet" : "in work";
  }
  return "";
}

}  // namespace yoke
