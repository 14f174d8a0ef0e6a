#include "proving/gates.hpp"

#include "work/bleed_checks.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"
#include "work/wetness.hpp"

#include <algorithm>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/control.hpp"
#include "document/param/lines.hpp"
#include "document/param/rod_ends.hpp"
#include "proving/estimate.hpp"

namespace yoke {

namespace {

struct GateText {
  GateId id;
  const char* words;
  const char* how;
  bool (*applies)(const Job&);
  /// What is lacking of it by what was done; none: the builder's own check.
  Message (*lacks)(const Job&) = nullptr;
};

bool always(const Job&) {
  return true;
}
bool clutch(const Job& job) {
  return value_of(job, As::plan, param::control_use).is(choice::ControlUse::clutch);
}
bool brakes(const Job& job) {
  return !clutch(job);
}
bool twin(const Job& job) {
  return brakes(job) && value_of(job, As::plan, param::master_kind).is(choice::MasterKind::twin);
}
/// A hand lever works one brake of two: the order of its axles is not its own.
bool two_axles(const Job& job) {
  const Values v = resolve(job, As::plan);
  return works_axle(v, Axle::front) && works_axle(v, Axle::rear) && v.known(param::front_kind) &&
         v.known(param::rear_kind);
}
bool tandem(const Job& job) {
  return has_two_circuits(job, As::plan);
}
bool single(const Job& job) {
  const Value v = value_of(job, As::plan, param::master_kind);
  return brakes(job) && v.is(choice::MasterKind::single);
}
bool deviates(const Job& job) {
  const Value v = value_of(job, As::plan, param::rod_staked);
  return v.known() && !v.is(choice::RodStaked::maker);
}
bool keeps_points(const Job& job) {
  return !job.points.empty();
}
bool by_hand(const Job& job) {
  return pulled_by_hand(resolve(job, As::plan));
}
bool boosted(const Job& job) {
  return has_assist(job, As::plan);
}

Message steps_open(const Job& job) {
  long open = 0;
  for (const Step& s : install_steps(job)) {
    // What is bled stands behind a gate of its own.
    open += s.by_bleeding || s.after_drive || is_done(job, s) ? 0 : 1;
  }
  return open == 0 ? Message() : plural(open, "{} step is not done", "{} steps are not done");
}

/// More air than the job allows, by its own readings; empty: no, or they cannot tell.
Message air_by_readings(const Job& job) {
  const Assembly a = assemble(job, As::plan);
  if (!a.system || job.readings.empty()) return {};
  const ReadingEstimate r = estimate_from_readings(*a.system, job.readings, false);
  // What nothing explains is no proof that there is no air.
  if (!r.fits) return "the readings fit nothing that is known: read again, or find what it is";
  const Value limit = value_of(job, As::plan, param::air_left);
  if (!r.air_m3() || r.air_m3()->value - r.air_m3()->uncertainty <= limit.si) return {};
  return say("the readings tell {} of air, {} is the limit",
             amount(r.air_m3()->value, Kind::volume, 1), amount(limit.si, Kind::volume, 1));
}

/// A wet system with air in it is no brake, whatever else was looked at.
Message nipples_open(const Job& job) {
  for (const FindingCode code :
       {FindingCode::bleed_interlock, FindingCode::bleed_screw, FindingCode::bleed_dry})
    if (const BleedCheck c = bleed_check(job, code); c.state == BleedCheckState::wrong)
      return c.says;
  const auto rows = bleed_rows(job, bleed_plan(job));
  const auto all = static_cast<std::size_t>(
      std::count_if(rows.begin(), rows.end(), [](const BleedRow& r) { return r.key != "bench"; }));
  const std::size_t clear = clear_nipples(rows);
  if (clear == all && all > 0) return air_by_readings(job);
  return say("{} of {} nipples run clear", clear, all);
}

/// Points that are neither done nor signed off.
Message points_open(const Job& job) {
  long open = 0;
  const OpenPoint* first = nullptr;
  for (const OpenPoint& p : job.points)
    if (is_open(p) && open++ == 0) first = &p;
  return open == 0 ? Message()
                   : plural(open, "{} open point: {}", "{} open points, the first of them: {}",
                            {first->what});
}

/// What stands beside "every nipple runs clear" when lengths or strokes were not measured.
Message bled_by(const Job& job) {
  const auto rows = bleed_rows(job, bleed_plan(job));
  const bool typical =
      std::any_of(rows.begin(), rows.end(), [](const BleedRow& r) { return r.typical; });
  return typical ? Message("by lengths or strokes that nobody measured") : Message();
}

constexpr GateText kGates[] = {
    {GateId::steps, "Every step of the work is done",
     "Tick them under Install; one that this car does not have is ticked with a note", always,
     steps_open},
    {GateId::bled, "Every nipple runs clear",
     "Bubble-free strokes in a row at each of them, counted under Bleed", always, nipples_open},
    {GateId::preload, "The rod does not hold the piston on",
     "Free play at the pedal; fluid returns; wheels free a minute after release, cold and hot",
     always},
    {GateId::circuits, "Each outlet feeds the wheels it should",
     "Open one nipple at a time, press lightly, watch which chamber falls", tandem},
    {GateId::residual, "No drum residual valve feeds a disc",
     "Wheels free a minute after release; the outlet and its line looked into", brakes},
    {GateId::weep, "No joint weeps",
     "Wipe, press hard for a minute, look and feel at every opened joint", always},
    {GateId::sink, "The pedal does not sink", "Steady firm foot for 60 s, engine off and on",
     always},
    {GateId::reserve, "Reserve is kept, sound", "Firm press: what is left before the floor",
     brakes},
    {GateId::lock_order, "The rear axle does not lock first",
     "First by the figures of Size; then, when every other gate has passed, on loose ground at "
     "walking pace, clear of people: somebody beside the car watches the wheels",
     two_axles},
    {GateId::bar, "The balance bar does not bind",
     "Firm press, then with either circuit open: look at it", twin},
    {GateId::release, "The clutch releases cleanly",
     "Reverse goes in without noise, engine idling, wheels chocked; bite well off the floor",
     clutch},
    {GateId::bite, "The bite is well off the floor",
     "On level ground, first gear, engine idling: let the pedal up slowly; where the car begins to "
     "pull, read the pedal's height over the floor. Room ahead, nobody before the car",
     clutch},
    {GateId::drag, "The clutch does not drag",
     "Engine idling, pedal down for five seconds, then reverse: no noise. Then first, pedal down: "
     "on level ground it stands still by itself",
     clutch},
    {GateId::over_travel, "The pedal cannot push the cover beyond its limit",
     "Pedal to the floor: bearing travel within the cover's figure, or a stop that ends it",
     clutch},
    {GateId::wear_room, "The slave can follow the lining as it wears",
     "Push the slave back by hand at rest: the room left counts", clutch},
    {GateId::failed_circuit, "With one circuit open the other still stops the car",
     "Standing still, wheels chocked: open one circuit's nipple, press, note force and pedal "
     "height; close "
     "and bleed again",
     tandem},
    {GateId::no_assist, "Without assist the force stays within the driver's limit",
     "Engine off, empty the booster, press with the scale", boosted},
    {GateId::assist_drop, "The booster helps",
     "Engine off: empty it, hold the pedal, start: the pedal must drop", boosted},
    {GateId::single_signed, "A single circuit is kept on purpose",
     "A deviation: have it signed where local rules allow it at all", single},
    {GateId::deviation, "Every deviation is signed",
     "A rod kept in another way than its maker's: signed where local rules allow it at all",
     deviates},
    {GateId::retention, "Every clip, pin and washer is back", "Count in equals count out", always},
    {GateId::holds, "It holds at a steady push",
     "On the slope, or an automatic in gear: the push that just holds it; clear of people", brakes},
    {GateId::full_lock, "Nothing touches at full lock",
     "Bars from stop to stop: read the smallest gap of lever, hose and reservoir to tank, screen "
     "and bars; the throttle snaps shut at both ends, the reservoir stands level, the hose is not "
     "pulled",
     by_hand},
    {GateId::lamp, "Brake lamp and warning switch work", "Off at rest, on before pressure", brakes},
    {GateId::fluid, "One known fluid, fresh", "Grade read from a sealed bottle; old fluid flushed",
     always},
    {GateId::lines, "Lines are held, and clear of heat and movement",
     "Full lock, full droop, engine rocking", always},
    {GateId::firewall, "No opening is left in the firewall", "A lamp behind it in the dark",
     always},
    {GateId::points, "No open point is left",
     "Under Record: each is done, or signed off with a reason", keeps_points, points_open}};

/// Codes of findings that hold a gate shut.
constexpr std::pair<FindingCode, GateId> kHolds[] = {
    {FindingCode::plumb_residual_disc, GateId::residual},
    {FindingCode::plumb_joint, GateId::weep},
    {FindingCode::bleed_wet, GateId::weep},
    {FindingCode::fluid_grade, GateId::fluid},
    {FindingCode::rod_preload, GateId::preload},
    {FindingCode::rod_output_preload, GateId::preload},
    {FindingCode::plumb_crossed, GateId::circuits},
    {FindingCode::plumb_no_separation, GateId::circuits},
    {FindingCode::prove_sinking, GateId::sink},
    {FindingCode::prove_press, GateId::sink},
    {FindingCode::prove_rest_pressure, GateId::preload},
    {FindingCode::size_reserve, GateId::reserve},
    {FindingCode::size_rear_locks, GateId::lock_order},
    {FindingCode::prove_road_rear, GateId::lock_order},
    {FindingCode::size_failed_circuit, GateId::failed_circuit},
    {FindingCode::size_no_assist, GateId::no_assist},
    {FindingCode::plumb_residual_twice, GateId::residual},
    {FindingCode::size_bar, GateId::bar},
    {FindingCode::size_over_travel, GateId::over_travel},
    {FindingCode::rod_deviation, GateId::deviation},
    {FindingCode::size_wear_room, GateId::wear_room}};

/// What was counted out and not counted in again; empty: nothing.
Message left_over(const Job& job) {
  std::vector<Message> names;
  for (const TakenOff& t : job.taken_off)
    if (t.back < t.out) names.push_back(say("{} of {}", Plain{t.out - t.back, 0}, t.name));
  return names.empty() ? Message() : say("counted out and not back: {}", joined(names, ", "));
}

/// Opened joints that nobody saw dry, filled and after the hard press; empty: none.
Message unwiped(const Job& job) {
  const auto open = not_dry(job, WipeRound::pressed);
  if (open.empty()) return {};
  return plural(static_cast<long>(open.size()), "{} opened joint was not seen dry: {}",
                "{} opened joints were not seen dry, the first of them: {}", {open.front()});
}

/// A pass stands while its evidence does and nothing under it has changed.
void read_record(const Job& job, const GateRecord& r, Gate& g) {
  g.state = r.state;
  if (r.state == GateState::open) return;
  g.date = r.date;
  g.why = Message::data(r.note);
  g.evidence = evidence_words(g.ask, r);
  if (r.state != GateState::passed) return;
  Message against;
  if (!is_moment(r.when))
    against = r.date.empty() ? Message("Claimed, no evidence: prove it here")
                             : say("Claimed on {}, no evidence: prove it here", r.date);
  else if (const Message lacks = evidence_lacks(g.ask, evidence_of(r)); !lacks.empty())
    against = say("Not passed: {}", lacks);
  else
    against = lapsed(job, g.id);
  if (against.empty()) return;
  g.state = GateState::open;
  g.date.clear();
  g.why = against;
}

}  // namespace

std::vector<Gate> gates_of(const Job& job, const std::vector<ConditionReport>& strip,
                           const std::vector<Finding>& findings) {
  std::vector<Gate> gates;
  for (const auto& t : kGates) {
    if (!t.applies(job)) continue;
    Gate g;
    g.id = t.id;
    g.words = t.words;
    g.how = t.how;
    g.by_facts = t.lacks != nullptr;
    if (t.lacks) {
      g.why = t.lacks(job);
      g.state = g.why.empty() ? GateState::passed : GateState::open;
      if (t.id == GateId::bled && g.why.empty()) g.evidence = bled_by(job);
      gates.push_back(std::move(g));
      continue;
    }
    g.ask = gate_ask(job, strip, t.id);
    if (const GateRecord* r = record_of(job, t.id)) read_record(job, *r, g);
    for (const auto& [code, gate] : kHolds) {
      if (g.id != gate) continue;
      for (const Finding& f : findings)
        if (f.code == code && f.severity == Severity::hard) {
          g.state = GateState::failed;
          g.held = true;
          g.date.clear();
          g.why = f.message;
        }
    }
    if (g.id == GateId::weep && g.state == GateState::passed)
      if (const Message open = unwiped(job); !open.empty()) {
        g.state = GateState::open;
        g.date.clear();
        g.why = open;
      }
    if (const Message left = left_over(job); g.id == GateId::retention && !left.empty()) {
      g.state = GateState::failed;
      g.held = true;
      g.date.clear();
      g.why = left;
    }
    gates.push_back(std::move(g));
  }
  return gates;
}

Message gate_words(std::string_view key) {
  const auto id = find_gate(key);
  for (const auto& t : kGates)
    if (id == t.id) return t.words;
  return Message::data(std::string(key));
}

Expected<bool> may_be_proved(const std::vector<Gate>& gates) {
  std::vector<Message> standing;
  int count = 0;
  for (const Gate& g : gates) {
    if (g.state == GateState::passed) continue;
    ++count;
    if (count <= 3) standing.push_back(g.words);
  }
  if (count == 0) return true;
  return fail({.field = "job.state",
               .value = "proved",
               .range = "every gate passed",
               .reason = plural(count, "{} gate still stands open or failed: {}{}",
                                "{} gates still stand open or failed: {}{}",
                                {joined(standing, "; "), std::string(count > 3 ? " …" : "")}),
               .remedy = "Pass them under Prove, or mark the job “left unsafe, do not drive”"});
}

}  // namespace yoke
