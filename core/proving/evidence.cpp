#include "proving/evidence.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/clutch.hpp"
#include "document/param/hold.hpp"
#include "document/param/pedal_rest.hpp"
#include "rod/rod.hpp"
#include "strip/holding.hpp"

namespace yoke {

namespace {

// Common practice, no source: what a tape at the pad can tell from nothing.
constexpr double kLeastFreePlay_m = 0.001;
constexpr double kMostSink_m = 0.002;
constexpr double kLeastDrop_m = 0.003;
constexpr double kLeastBite_m = 0.025;  // over the floor: a carpet, a worn lining
constexpr double kLeastGap_m = 0.005;   // of what moves past what stands

/// One that could be pressed.
const ConditionReport* pressed(const std::vector<ConditionReport>& strip, ConditionId id) {
  const ConditionReport* c = report_of(strip, id);
  return c && c->target ? c : nullptr;
}

/// What there is of the pad's way, as computed or as entered.
double available_m(const Job& job, const ConditionReport* c) {
  return c ? c->target->available_m : value_of(job, As::plan, param::control_pad_stop).si;
}

GateAsk length_ask(const char* words, std::optional<double> least, std::optional<double> most) {
  GateAsk a;
  a.number = true;
  a.words = words;
  a.least = least;
  a.most = most;
  return a;
}

GateAsk sight(const char* words, std::vector<Message> usual) {
  GateAsk a;
  a.words = words;
  a.usual = std::move(usual);
  return a;
}

GateAsk reserve_ask(const Job& job, const std::vector<ConditionReport>& strip) {
  const auto* plan = pressed(strip, ConditionId::plan);
  GateAsk a = length_ask("Pedal left before the floor, firm press",
                         limits_of(job).reserve_share * available_m(job, plan), {});
  if (plan) a.predicted = plan->target->reserve_m;
  return a;
}

GateAsk failed_ask(const Job& job, const std::vector<ConditionReport>& strip) {
  const Limits l = limits_of(job);
  GateAsk a = length_ask("Pedal left before the floor, the worse circuit open", {}, {});
  a.opens = true;
  double way = available_m(job, nullptr);
  for (const ConditionId id : {ConditionId::primary_lost, ConditionId::secondary_lost})
    if (const auto* c = pressed(strip, id)) {
      way = c->target->available_m;
      a.predicted = std::min(a.predicted.value_or(1e9), c->target->reserve_m);
    }
  a.least = std::max(l.reserve_failed_share * way, l.reserve_failed_m);
  return a;
}

GateAsk dead_ask(const Job& job, const std::vector<ConditionReport>& strip) {
  GateAsk a;
  a.number = true;
  a.kind = Kind::force;
  a.most = limits_of(job).effort_failed_n;
  a.words = "Scale at the pedal, assist dead, pedal as deep as for the stop that the law asks";
  if (const auto* c = pressed(strip, ConditionId::assist_lost)) {
    a.predicted = c->target->at.pad_force_n;
    a.words = say("Scale at the pedal, assist dead, pedal {} down",
                  length(c->target->at.pad_travel_m, 0));
  }
  return a;
}

/// Statics of the plan on the slope that was named, and against the engine where its torque is
/// told.
GateAsk hold_ask(const Job& job) {
  GateAsk a;
  a.number = true;
  a.kind = Kind::force;
  a.most = limits_of(job).effort_n;
  const Value slope = value_of(job, As::plan, param::hold_slope);
  a.words = say("Scale at the pedal when it just holds, on {}", amount(slope.si, Kind::angle, 1));
  const Assembly assembly = assemble(job, As::plan);
  if (!assembly.system) return a;
  const auto model = FeelModel::make(*assembly.system, {});
  if (!model) return a;
  if (const auto r = hold_on_slope(*model, Angle{slope.si}); r && r->holds)
    a.predicted = r->at.pad_force_n;
  const Value stall = value_of(job, As::plan, param::hold_stall_torque);
  const Value gears = value_of(job, As::plan, param::hold_gears);
  if (!stall.known() || !gears.known()) return a;
  const auto r = hold_engine(*model, Torque{stall.si}, gears.si);
  if (!r || !r->holds || r->at.pad_force_n <= a.predicted.value_or(0)) return a;
  a.predicted = r->at.pad_force_n;
  a.words = "Scale at the pedal when it just holds, in gear against the engine at stall";
  return a;
}

GateAsk bite_ask(const std::vector<ConditionReport>& strip) {
  GateAsk a = length_ask("Pedal above the floor where the car begins to pull", kLeastBite_m, {});
  const auto* plan = pressed(strip, ConditionId::plan);
  if (plan && plan->clutch)
    a.predicted = plan->target->available_m - plan->clutch->bite.pad_travel_up_m;
  return a;
}

GateAsk clutch_ask(const Job& job, const std::vector<ConditionReport>& strip, GateId id) {
  const auto* plan = pressed(strip, ConditionId::plan);
  const bool known = plan && plan->clutch;
  if (id == GateId::release) {
    GateAsk a = length_ask("Pedal above the floor where reverse goes in without noise",
                           limits_of(job).reserve_failed_m, {});
    if (plan) a.predicted = plan->target->reserve_m;
    return a;
  }
  const Value limit = value_of(job, As::plan, param::clutch_limit);
  if (id == GateId::over_travel && limit.known()) {
    GateAsk a = length_ask("Travel of the bearing, pedal on the floor", {}, limit.si);
    a.digits = 1;
    if (known) a.predicted = plan->clutch->end.bearing_m;
    return a;
  }
  if (id == GateId::over_travel)
    return sight("A stop that ends the pedal before the cover's limit",
                 {"Pedal stop set and locked, cover's limit from its maker"});
  return sight("The slave pushed back by hand at rest",
               {"Slave goes back by hand, room left for the lining's wear"});
}

GateAsk seen_ask(GateId id) {
  switch (id) {
    case GateId::circuits:
      return sight("Which chamber falls for which nipple",
                   {"One nipple at a time: each wheel falls in the chamber it should"});
    case GateId::residual:
      return sight("Outlets and lines that feed discs, looked into",
                   {"No drum valve in the outlet or the line of any disc; wheels free"});
    case GateId::weep:
      return sight("Every joint that was opened, wiped and pressed for a minute",
                   {"Every opened joint dry after a minute of hard press"});
    case GateId::lock_order:
      return sight("Which axle stops turning first", {"Front first, seen from beside the car"});
    case GateId::bar:
      return sight("The balance bar, firm press, and with each circuit open",
                   {"Free at its full tilt, either circuit open"});
    case GateId::single_signed:
    case GateId::deviation:
      return sight("Who signed it, and where the paper is", {});
    case GateId::retention:
      return sight("Clips, pins and washers", {"Count in equals count out"});
    case GateId::drag:
      return sight("Reverse after five seconds, and first with the pedal down",
                   {"Reverse went in without noise after five seconds; in first it stood still"});
    case GateId::lamp:
      return sight("Brake lamp and warning lamp",
                   {"Off at rest, on before pressure; warning lamp lights on test"});
    case GateId::fluid:
      return sight("Grade and bottle", {"Sealed bottle opened today, old fluid flushed out"});
    case GateId::lines:
      return sight(
          "Lines and hoses at full lock and full droop",
          {"Held every 300 mm, clear at full lock, full droop and with the engine rocked"});
    case GateId::firewall:
      return sight("Every hole the old unit left", {"No light through it with a lamp behind"});
    default:
      return sight("What was seen", {});
  }
}

/// Read far from what this job predicts: one of the two is wrong.
bool far_off(const GateAsk& a, const GateEvidence& e) {
  if (!a.predicted || !e.read) return false;
  const double least = a.kind == Kind::force ? 40.0 : 0.010;
  return std::abs(*e.read - *a.predicted) >
         std::max(0.25 * std::abs(*a.predicted), least) + e.uncertainty;
}

}  // namespace

GateAsk gate_ask(const Job& job, const std::vector<ConditionReport>& strip, GateId id) {
  switch (id) {
    case GateId::preload: {
      GateAsk a = length_ask("Free play at the pedal", kLeastFreePlay_m, {});
      a.digits = 1;
      if (const auto play = rod_report(job).free_play) a.predicted = play->value();
      return a;
    }
    case GateId::sink:
      return length_ask("Pedal sinks in 60 s under a steady firm foot", {}, kMostSink_m);
    case GateId::reserve:
      return reserve_ask(job, strip);
    case GateId::failed_circuit:
      return failed_ask(job, strip);
    case GateId::no_assist:
      return dead_ask(job, strip);
    case GateId::holds:
      return hold_ask(job);
    case GateId::bite:
      return bite_ask(strip);
    case GateId::full_lock:
      return length_ask("Smallest gap at full lock, either side", kLeastGap_m, {});
    case GateId::assist_drop:
      return length_ask("Pedal drops when the engine starts", kLeastDrop_m, {});
    case GateId::release:
    case GateId::over_travel:
    case GateId::wear_room:
      return clutch_ask(job, strip, id);
    default:
      return seen_ask(id);
  }
}

Message expectation_words(const GateAsk& a) {
  std::vector<Message> parts;
  const auto add = [&](const std::optional<double>& v, auto words) {
    if (v) parts.push_back(words(amount(*v, a.kind, a.digits)));
  };
  add(a.predicted, [](Amount v) { return say("predicted {}", v); });
  add(a.least, [](Amount v) { return say("at least {}", v); });
  add(a.most, [](Amount v) { return say("at most {}", v); });
  return joined(parts, ", ");
}

bool is_moment(std::string_view t) {
  if (t.size() != 19 || (t[10] != 'T' && t[10] != ' ') || t[13] != ':' || t[16] != ':')
    return false;
  const auto two = [t](std::size_t at, int most) {
    const char a = t[at];
    const char b = t[at + 1];
    return a >= '0' && a <= '9' && b >= '0' && b <= '9' && (a - '0') * 10 + (b - '0') <= most;
  };
  return is_day(t.substr(0, 10)) && two(11, 23) && two(14, 59) && two(17, 60);
}

GateEvidence evidence_of(const GateRecord& r) {
  return {r.read, r.read_uncertainty, r.instrument, r.note, r.who, r.when, r.opened, r.photo};
}

Message evidence_lacks(const GateAsk& a, const GateEvidence& e) {
  if (e.who.empty()) return "who proved it is not said";
  if (!is_moment(e.when)) return "when it was proved is not said";
  if (!a.number) return e.seen.empty() ? Message("what was seen is not said") : Message();
  if (!e.read) return "the number is not read";
  const Amount read = amount(*e.read, a.kind, a.digits);
  if (a.least && *e.read - e.uncertainty < *a.least)
    return say("{} read, ± counted; at least {} is asked", read,
               amount(*a.least, a.kind, a.digits));
  if (a.most && *e.read + e.uncertainty > *a.most)
    return say("{} read, ± counted; at most {} is asked", read, amount(*a.most, a.kind, a.digits));
  if (far_off(a, e))
    return say("{} read where {} is predicted: one of them is wrong, find out which", read,
               amount(*a.predicted, a.kind, a.digits));
  return {};
}

namespace {

/// Of keys with spaces between them.
bool among(const std::string& keys, const std::string& key) {
  return (" " + keys + " ").find(" " + key + " ") != std::string::npos;
}

}  // namespace

void open_nipples(Job& job, const std::string& keys) {
  for (auto& [key, record] : job.bleeding) {
    if (!among(keys, key)) continue;
    record.clear_strokes = 0;
    record.began_at = record.strokes;
    record.push_m.reset();
    record.push_then_m.reset();
  }
  // The brake's own joint stands beside its nipple and got as wet.
  for (auto& [key, joint] : job.joints)
    if (among(keys, key)) joint.filled = joint.pressed = Wiped::not_looked;
}

void answer_gate(Job& job, GateId id, GateState state, const GateEvidence& e) {
  GateRecord& r = record_for(job, id);
  r.state = state;
  r.read = e.read;
  r.read_uncertainty = e.uncertainty;
  r.instrument = e.instrument;
  r.note = e.seen;
  r.who = e.who;
  r.when = e.when;
  r.date = e.when.substr(0, 10);
  r.photo = e.photo;
  r.opened = e.opened;
  // What was opened for the proof let fluid out and air near: it is bled and wiped once more.
  open_nipples(job, e.opened);
  r.rests_on = state == GateState::passed ? rests_on(job, id) : decltype(r.rests_on){};
}

Message evidence_words(const GateAsk& a, const GateRecord& r) {
  std::vector<Message> parts;
  if (a.number && r.read) {
    const Amount read = amount(*r.read, a.kind, a.digits);
    const Amount doubt = amount(r.read_uncertainty, a.kind, a.digits + 1);
    parts.push_back(r.instrument.empty() ? say("{} ± {}", read, doubt)
                                         : say("{} ± {} by {}", read, doubt, r.instrument));
  }
  if (!r.note.empty()) parts.push_back(Message::data(r.note));
  if (!r.opened.empty()) parts.push_back(say("opened: {}", r.opened));
  if (!r.who.empty()) parts.push_back(Message::data(r.who));
  if (is_moment(r.when)) {
    std::string when = r.when;
    when[10] = ' ';
    parts.push_back(Message::data(when));
  }
  return joined(parts, "; ");
}

}  // namespace yoke
