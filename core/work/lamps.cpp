#include "work/lamps.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/arms.hpp"
#include "document/param/rod_ends.hpp"
#include "document/values.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"

namespace yoke {

namespace {

const char* const kPractice = "common practice, no source; local law on lamps wins";
constexpr double kWanted_m = 6e-3;

/// What a press uses up before anything pushes back.
std::optional<double> pressure_from(const ConditionReport* plan) {
  if (!plan || !plan->target || plan->clutch) return std::nullopt;
  const TravelBudget& b = plan->target->budget;
  const auto of = [&](TravelLayer l) { return b[static_cast<std::size_t>(l)]; };
  const double before = of(TravelLayer::free_play) + of(TravelLayer::booster) +
                        of(TravelLayer::gap) + of(TravelLayer::cut_off);
  // A report without its travel budget does not tell.
  return before > 0 ? std::optional(before) : std::nullopt;
}

void judge_pedal_switch(const Job& job, const Values& v, LampReport& r) {
  r.lights_m = heights_report(job).lamp_after_m;
  if (!r.lights_m) r.missing.push_back(param::rod_lamp_travel);
  if (r.pressure_from_m)
    r.wanted_m =
        std::clamp(kWanted_m, kLampFlutter_m, std::max(kLampFlutter_m, *r.pressure_from_m));
  if (!r.lights_m) return;
  const auto found = [&](const Message& what, const Message& limit) {
    r.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_lamp, what, limit,
                          "Set its switch after the pedal height; the turns stand under Rod",
                          kPractice});
  };
  if (*r.lights_m <= 0)
    found("The brake lamp would stay on at rest", "off at rest");
  else if (*r.lights_m < kLampFlutter_m)
    found(say("The brake lamp lights after {} already: it flickers on a rough road",
              length(*r.lights_m, 1)),
          say("{} at least", length(kLampFlutter_m, 0)));
  else if (r.pressure_from_m && *r.lights_m > std::max(kLampFlutter_m, *r.pressure_from_m))
    found(say("The brake lamp lights after {} only: pressure builds from {}",
              length(*r.lights_m, 0), length(*r.pressure_from_m, 0)),
          "before pressure builds");
  if (r.wanted_m && v.known(param::lamp_arm) && v.known(param::lamp_pitch) &&
      v.known(param::control_pad_arm) && v.si(param::control_pad_arm) > 0 &&
      v.si(param::lamp_pitch) > 0)
    r.turns = (*r.lights_m - *r.wanted_m) * v.si(param::lamp_arm) / v.si(param::control_pad_arm) /
              v.si(param::lamp_pitch);
}

void judge_line_switch(const Job& job, const Values& v, const ConditionReport* plan,
                       LampReport& r) {
  if (!v.is(choice::LampSwitch::two) && has_two_circuits(job, As::plan))
    r.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_lamp_circuits,
                          "One switch in one line: with that circuit lost no brake lamp lights",
                          "a switch in each circuit, or one at the pedal",
                          "A second one in the other line, the two wired side by side", kPractice});
  if (!v.known(param::lamp_closes)) {
    r.missing.push_back(param::lamp_closes);
    return;
  }
  if (!plan || !plan->curve) return;
  const double closes = v.si(param::lamp_closes);
  for (const FeelPoint& p : plan->curve->points)
    if (p.pressure_pa >= closes) {
      r.closes_travel_m = p.pad_travel_m;
      r.closes_force_n = p.pad_force_n;
      return;
    }
}

}  // namespace

LampReport lamp_report(const Job& job, const ConditionReport* plan) {
  LampReport r;
  const Values v = resolve(job, As::plan);
  if (works_clutch(v)) return r;
  r.asked = true;
  r.pressure_from_m = pressure_from(plan);
  using choice::LampSwitch;
  const bool in_line = v.is(LampSwitch::line1) || v.is(LampSwitch::line2) || v.is(LampSwitch::two);
  // A travel that was measured tells of a switch that is moved by the pedal.
  const bool at_pedal = v.is(LampSwitch::pedal) || (!in_line && v.known(param::rod_lamp_travel));
  if (!in_line && !v.is(LampSwitch::pedal)) r.missing.push_back(param::lamp_switch);
  if (at_pedal) judge_pedal_switch(job, v, r);
  if (in_line) judge_line_switch(job, v, plan, r);
  return r;
}

}  // namespace yoke
