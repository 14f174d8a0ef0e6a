#include "survey/rules.hpp"

#include "assembly/assemble.hpp"
#include "document/param/age.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/brakes.hpp"
#include "document/param/changed.hpp"
#include "document/param/master.hpp"
#include "document/param/valves.hpp"
#include "plumbing/residual.hpp"

#include <fmt/format.h>

#include <algorithm>

namespace yoke {

namespace {

/// A state of one choice, or an age from a number of years on, and what follows.
struct AgeRule {
  Param param;
  Severity severity;
  double from;  ///< years, or the option
  FindingCode code;
  const char* what;
  const char* remedy;
  const char* order;
};

/// An option as the table holds it.
template <class Choice>
requires is_choice<Choice>
constexpr double option(Choice c) {
  return static_cast<double>(c);
}

constexpr AgeRule kAge[] = {
    {param::age_nuts, Severity::warning, option(choice::AgeNuts::rounded), FindingCode::ageing_nuts,
     "Line nuts are rounded", "Cut the tube and make it anew: cheaper than a sheared port",
     "tube, nuts, flaring tool"},
    {param::age_nuts, Severity::warning, option(choice::AgeNuts::rusted), FindingCode::ageing_nuts,
     "Line nuts are rusted to the tube: turning them twists it off",
     "Soak for days, heat with care, or plan the line as new", "tube and nuts for those lines"},
    {param::age_nipples, Severity::warning, option(choice::AgeNipples::broken),
     FindingCode::ageing_nipples, "A nipple is broken or blocked: that wheel cannot be bled",
     "Renew the nipple or the cylinder before bleeding", "nipples, perhaps a wheel cylinder"},
    {param::age_nipples, Severity::warning, option(choice::AgeNipples::stuck),
     FindingCode::ageing_nipples, "A nipple is stuck and will shear",
     "Soak and warm it before the fluid is out", "nipples"},
    {param::age_hoses, Severity::warning, 10, FindingCode::ageing_hoses,
     "Hoses over ten years: they swell inside and crack when bent aside",
     "Renew all of them with this job", "flexible hoses"},
    {param::age_hoses, Severity::note, 6, FindingCode::ageing_hoses, "Hoses past six years",
     "Bend them sharply and look for cracks", ""},
    {param::age_fluid, Severity::note, 2, FindingCode::ageing_fluid,
     "Fluid past two years holds water: a hot pedal sinks earlier", "Change all of it",
     "fluid of the same grade"},
    {param::age_check_valve, Severity::note, 10, FindingCode::ageing_check_valve,
     "An old check valve breaks out of its grommet when the hose is pulled",
     "Have one with its grommet in hand", "check valve, grommet, vacuum hose"},
    {param::age_shelf, Severity::warning, 8, FindingCode::ageing_shelf,
     "The new unit has lain on a shelf for years: its rubber is old, its bore may be stained",
     "Look into the bore, renew the rubber, or ask for a younger one", "seal kit"},
    {param::age_spacers, Severity::warning, option(choice::AgeSpacers::missing),
     FindingCode::ageing_spacers, "A spacer is missing: the studs pull on thin sheet",
     "Measure the stack before anything is ordered; see Fit", "spacer of the measured thickness"},
    {param::age_spacers, Severity::note, option(choice::AgeSpacers::cracked),
     FindingCode::ageing_spacers, "A cracked spacer changes the rod's clearance when it is renewed",
     "Measure its thickness before it breaks", "spacer, gasket"},
    {param::age_drain, Severity::note, option(choice::AgeDrain::blocked), FindingCode::ageing_drain,
     "A blocked drain stands water on the unit's face: the shell rusts through",
     "Clear it first; look at the shell's lower edge", ""},
    {param::age_sensor, Severity::note, option(choice::AgeSensor::brittle),
     FindingCode::ageing_sensor, "The switch will break when its plug is pulled",
     "Have one in hand", "level or pressure switch"},
    {param::age_boot, Severity::warning, option(choice::AgeBoot::torn), FindingCode::ageing_boot,
     "A torn boot let water in: expect rust at the bore's open end",
     "Gauge the bore before buying a kit", "boot"},
    {param::age_grommets, Severity::note, option(choice::AgeGrommets::hard),
     FindingCode::ageing_grommets, "Hard grommets tear when the reservoir is rocked out",
     "Have them in hand", "reservoir grommets"},
    {param::age_pitting, Severity::warning, option(choice::AgePitting::pitted),
     FindingCode::ageing_pitting, "A pitted bore cuts new cups in weeks",
     "Gauge it: sleeve or renew", "unit or sleeving"}};

struct ChangeRule {
  Param param;
  FindingCode code;
  const char* what;
  const char* remedy;
};
constexpr ChangeRule kChanges[] = {
    {param::changed_front, FindingCode::upstream_front,
     "Other front brakes: the fitted bore was chosen for other pistons",
     "Measure caliper and cylinder bores; size the master anew, do not renew it like for like"},
    {param::changed_rear, FindingCode::upstream_rear,
     "Other rear brakes: bore, rear valve and residual valve were chosen for the old ones",
     "Check the valve list below and the lock order; take a drum valve out of a disc line"},
    {param::changed_master, FindingCode::upstream_master,
     "The fitted unit is not the maker's: its bore proves nothing",
     "Measure it; compare against the brakes, not against the fitted unit"},
    {param::changed_engine, FindingCode::upstream_engine,
     "Another engine: vacuum, pump, mass and stall torque are not what the unit was made for",
     "Gauge the vacuum at idle; weigh the front axle; enter the stall torque"},
    {param::changed_cam, FindingCode::upstream_cam,
     "Less vacuum at idle: the booster runs out earlier",
     "Gauge it hot, in gear, at idle; see the assist options"},
    {param::changed_headers, FindingCode::upstream_headers,
     "Exhaust moved: lines, cable or unit may stand in its heat",
     "Choose the exhaust before the route of line or cable; shield or move"},
    {param::changed_tyres, FindingCode::upstream_tyres,
     "Other tyres: radius and grip change the pressure a stop needs and which axle locks first",
     "Enter the radius measured on the car and the grip"},
    {param::changed_mass, FindingCode::upstream_mass,
     "Another weight: every stop needs another pressure", "Weigh both axles"},
    {param::changed_pedal, FindingCode::upstream_pedal,
     "Another pedal: the ratio and the rod's line are not what they were",
     "Measure both arms and the rest height"},
    {param::changed_cover, FindingCode::upstream_cover,
     "Another clutch cover: clamp load and finger height moved",
     "Peak load and release travel from its sheet; stack height anew"}};

Consequence follows(FindingCode code, Message what, Message remedy,
                    Severity severity = Severity::note) {
  return {std::move(what), std::move(remedy), "", severity, code};
}

bool drums(const Values& plan, Axle axle) {
  return plan.is(of_axle(param::front_kind, axle), choice::BrakeKind::drum);
}

void axle_becomes_discs(std::vector<Consequence>& list, const Values& plan, Axle axle) {
  const Message words = axle == Axle::front ? "front" : "rear";
  if (!drums(plan, axle)) {
    list.push_back(follows(FindingCode::later_already, say("The {} has discs already", words),
                           "Take this reminder out"));
    return;
  }
  const bool inside = residual_of(plan, axle).inside.has_value();
  if (residual_of(plan, axle).any())
    list.push_back(
        follows(FindingCode::later_residual,
                inside ? say("The {} residual valve inside the master keeps disc pads on", words)
                       : say("The {} residual valve keeps disc pads on", words),
                "Take it out on that day", Severity::warning));
  list.push_back(follows(FindingCode::later_bore, say("The bore was sized for {} drums", words),
                         "Size it anew: discs need about twice the pressure and more fluid"));
  if (plan.is(choice::ValveKind::proportioning))
    list.push_back(follows(FindingCode::later_knee, "The rear valve's knee was set for drums",
                           "Set it anew; see the lock order"));
  if (plan.is(choice::ValveMetering::metering) && axle == Axle::rear)
    list.push_back(follows(FindingCode::later_metering,
                           "The metering valve waits for shoes that will be gone",
                           "Take it out with the drums", Severity::warning));
  if (plan.known(param::master_reservoir))
    list.push_back(follows(FindingCode::later_reservoir,
                           "Disc pads draw more fluid as they wear than shoes do",
                           "Check the chamber of that circuit"));
}

}  // namespace

std::vector<Consequence> ageing_consequences(const Values& v) {
  std::vector<Consequence> list;
  Param last = kNoParam;
  for (const AgeRule& r : kAge) {
    if (r.param == last || !v.known(r.param)) continue;  // the sharper rule stands first
    // A choice calls for its rule by its option alone, a quantity from a value on.
    const bool is_option = info(r.param).kind == Kind::choice;
    if (is_option ? v.si(r.param) != r.from : v.si(r.param) < r.from) continue;
    last = r.param;
    list.push_back({r.what, r.remedy, r.order, r.severity, r.code});
  }
  std::stable_sort(list.begin(), list.end(), [](const Consequence& a, const Consequence& b) {
    return a.severity > b.severity;
  });
  return list;
}

std::vector<Consequence> upstream_consequences(const Values& v) {
  std::vector<Consequence> list;
  for (const ChangeRule& r : kChanges)
    if (v.is(r.param, choice::Changed::yes))
      list.push_back(follows(r.code, r.what, r.remedy, Severity::warning));
  return list;
}

std::vector<Consequence> later_consequences(LaterKind what, const Values& plan) {
  std::vector<Consequence> list;
  const bool vacuum = plan.is(choice::AssistKind::vacuum) || plan.is(choice::AssistKind::remote);
  switch (what) {
    case LaterKind::front_discs:
      axle_becomes_discs(list, plan, Axle::front);
      break;
    case LaterKind::rear_discs:
      axle_becomes_discs(list, plan, Axle::rear);
      break;
    case LaterKind::booster:
      list.push_back(follows(FindingCode::later_rod,
                             "Rod length and output gap belong to this unit", "Measure both anew"));
      list.push_back(follows(FindingCode::later_bore, "The bore was sized for this assist",
                             "A larger bore may come back in reach; size it anew"));
      break;
    case LaterKind::electric_drive:
      if (vacuum)
        list.push_back(follows(
            FindingCode::later_vacuum, "No engine, no vacuum: the booster is dead",
            "Electric vacuum pump with a reservoir, or an electric unit", Severity::warning));
      if (plan.is(choice::AssistKind::hydraulic))
        list.push_back(follows(FindingCode::later_pump,
                               "No engine, no steering pump: the booster is dead",
                               "Electric pump, or an electric unit", Severity::warning));
      list.push_back(follows(FindingCode::later_mass,
                             "Battery mass moves the weight between the axles",
                             "Weigh both axles; lock order and holding change"));
      break;
    case LaterKind::axle_swap:
      list.push_back(follows(FindingCode::later_pistons,
                             "Other pistons ask for another bore and valve",
                             "Measure them before ordering; size the master anew"));
      break;
    case LaterKind::battery_move:
      if (plan.is(choice::AssistKind::electric))
        list.push_back(follows(FindingCode::later_cable, "The longer cable drops more voltage",
                               "Size the copper anew; see Install", Severity::warning));
      list.push_back(
          follows(FindingCode::later_mass, "Weight moves between the axles", "Weigh both axles"));
      break;
    case LaterKind::bigger_tyres:
      list.push_back(follows(FindingCode::later_tyres,
                             "A larger radius asks for more pressure for each stop",
                             "Enter the new radius and look at effort and lock order"));
      break;
  }
  return list;
}

namespace {

Consequence valve_rule(const Values& v, Axle axle) {
  const Message words = axle == Axle::front ? "Front" : "Rear";
  const Param kind = of_axle(param::front_kind, axle);
  if (!v.known(kind))
    return follows(FindingCode::valves_unknown, say("{}: cannot say, drums or discs?", words),
                   "Enter the brakes");
  const ResidualOfAxle residual = residual_of(v, axle);
  if (residual.two_in_series())
    return follows(FindingCode::valves_remove, say("{}: two residual valves in series", words),
                   "Take one out: the one in the line, or the one inside the outlet",
                   Severity::warning);
  if (residual.untraced && !residual.inside)
    return follows(FindingCode::valves_unknown,
                   say("{}: cannot say, an outlet holds a residual valve and the wheels are not "
                       "traced",
                       words),
                   "Trace them under Plumb");
  if (v.is(kind, choice::BrakeKind::drum))
    return residual.any()
               ? follows(FindingCode::valves_fits,
                         say("{} drums: a residual valve is right", words), "leave it")
               : follows(FindingCode::valves_drum, say("{} drums have no residual pressure", words),
                         "10 psi (0.07 MPa) is usual for cups without expanders");
  if (residual.of_a_drum())
    return follows(FindingCode::valves_remove,
                   say("{} discs are fed through a drum residual valve", words),
                   "Take it out: it keeps the pads on, they heat and may lock", Severity::warning);
  const Param above = of_axle(param::front_above, axle);
  if (!v.known(above))
    return follows(FindingCode::valves_height,
                   say("{} discs: do the calipers stand above the master?", words),
                   "Above: 2 psi (0.014 MPa); below: none");
  const bool stands_above = v.is(above, choice::BrakeAbove::above);
  if (stands_above && !residual.any())
    return follows(FindingCode::valves_add, say("{} calipers stand above the master", words),
                   "Fit 2 psi (0.014 MPa), or the pedal drops after a night", Severity::warning);
  if (!stands_above && residual.any())
    return follows(FindingCode::valves_remove, say("{} calipers stand below the master", words),
                   "Take the residual valve out: pads would drag", Severity::warning);
  return follows(FindingCode::valves_fits, say("{} discs: as it should be", words),
                 "nothing to fit, nothing to take out");
}

}  // namespace

std::vector<Consequence> residual_rules(const Values& v) {
  return {valve_rule(v, Axle::front), valve_rule(v, Axle::rear)};
}

}  // namespace yoke
