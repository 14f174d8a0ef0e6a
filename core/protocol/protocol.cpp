#include "protocol/protocol.hpp"
#include "protocol/curve.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/rod_ends.hpp"
#include "doubt/doubt.hpp"
#include "proving/estimate.hpp"
#include "proving/fault.hpp"
#include "work/reserve_check.hpp"

namespace yoke {

namespace {

constexpr double kMostRest_pa =
    5e4;  // what a gauge and a return spring leave; common practice, no source
constexpr double kMostSink_m = 0.002;  // of a light push, as of a firm one

template <class Choice>
void add_choice(const Job& job, ProofPress p, Param param, Choice good, const Message& bad,
                std::vector<ProofPress>& list) {
  p.where = ProofWhere::value;
  p.param = param;
  p.number = false;
  const Value v = value_of(job, As::plan, param);
  // What was seen before the work proves nothing after it.
  if (v.settled() && !v.inherited) {
    p.seen = Message::of_table(option_words(param, v.si));
    p.state = v.as<Choice>() == good ? ProofState::good : ProofState::stop;
    p.says = p.state == ProofState::good ? Message("as it should be") : bad;
  }
  list.push_back(std::move(p));
}

void add_light_sink(const Job& job, std::vector<ProofPress>& list) {
  ProofPress p =
      press_of(ProofId::light_sink, "Sink under a light foot",
               "Rest the foot lightly on the pedal for a minute, engine off; read how far "
               "it sinks",
               "a worn cup: under a firm foot it seals again");
  p.where = ProofWhere::pump;
  p.expect = 0;
  p.largest = kMostSink_m;
  p.digits = 0;
  if (const auto got = job.pump.light_sink_m) {
    p.got = *got;
    const bool sinks = *got - kTape_m > kMostSink_m;
    const bool stays = *got + kTape_m <= kMostSink_m + 1e-9;
    p.state = sinks ? ProofState::stop : stays ? ProofState::good : ProofState::off;
    p.says = sinks   ? Message("Do not drive: the master lets fluid past, or a joint leaks")
             : stays ? Message("it stays")
                     : Message(
                           "too near its limit for a tape: read it with a dial or a caliper, "
                           "or hold it for longer");
  }
  list.push_back(std::move(p));
}

/// Only a gauge tells it: where none is fitted the fountain in the reservoir and free wheels must
/// do.
void add_rest_pressure(const Job& job, std::vector<ProofPress>& list) {
  ProofPress p = press_of(ProofId::rest_pressure, "Pressure with the foot off",
                          "Gauge in a bleed port, press once, let up, wait a minute, read it",
                          "whether something holds the linings on: a rod too long, a shut port");
  p.care = "Standing still, wheels chocked";
  p.where = ProofWhere::pump;
  p.kind = Kind::pressure;
  p.digits = 2;
  const RestPressure r = rest_pressure(job);
  p.expect = r.expected_pa;
  p.largest = r.most_pa;
  if (r.read_pa) {
    p.got = *r.read_pa;
    p.state = r.held() ? ProofState::stop : ProofState::good;
    p.says = r.held() ? Message("Do not drive: something holds the brakes on")
                      : Message("nothing is held in the lines");
  } else {
    p.state = ProofState::not_asked;
    p.says = "with a gauge only; without one: the fountain, and wheels that turn freely";
  }
  list.push_back(std::move(p));
}

void add_after_stop(const Job& job, std::vector<ProofPress>& list) {
  const ReserveStops stops = reserve_stops(strip_inputs(job));
  if (!stops.stored) return;
  ProofPress p = press_of(ProofId::after_stop, "Presses after the engine stopped",
                          "Engine off, full firm presses a few seconds apart: count those that are "
                          "helped, until the pedal is hard",
                          "check valve, hose and store");
  p.where = ProofWhere::value;
  p.param = param::bleed_presses;
  p.kind = Kind::number;
  const ReserveCheck c = reserve_check(job, stops);
  if (c.predicted) {
    p.expect = *c.predicted;
    p.least = std::max(0, *c.predicted - kCountDoubt);
  }
  if (c.counted) {
    p.got = *c.counted;
    p.state = !c.predicted ? ProofState::open : c.wrong ? ProofState::off : ProofState::good;
    p.says = c.says;
  }
  list.push_back(std::move(p));
}

/// What a gate asks stands where it belongs in the order; how it stands is the gate's own.
void add_gate(const std::vector<Gate>& gates, ProofId id, GateId gate, const Message& tells,
              const Message& care, std::vector<ProofPress>& list) {
  const auto g =
      std::find_if(gates.begin(), gates.end(), [gate](const Gate& x) { return x.id == gate; });
  if (g == gates.end()) return;
  ProofPress p = press_of(id, g->words, g->how, tells);
  p.gate = gate;
  p.care = care;
  p.number = g->ask.number;
  p.kind = g->ask.kind;
  p.digits = g->ask.digits;
  p.expect = g->ask.predicted;
  p.least = g->ask.least;
  p.largest = g->ask.most;
  p.held = g->held;
  p.opens = g->ask.opens;
  p.state = g->state == GateState::passed   ? ProofState::good
            : g->state == GateState::failed ? ProofState::stop
                                            : ProofState::open;
  p.seen = g->evidence;
  p.says = !g->why.empty() ? g->why : g->evidence;
  list.push_back(std::move(p));
}

void add_gate_read(const Job& job, std::vector<ProofPress>& list) {
  for (ProofPress& p : list)
    if (p.gate && p.number)
      if (const GateRecord* r = record_of(job, *p.gate); r && r->state != GateState::open)
        p.got = r->read;
}

}  // namespace

RestPressure rest_pressure(const Job& job) {
  RestPressure r;
  const Assembly a = assemble(job, As::plan);
  if (a.system)
    r.expected_pa = std::max(a.system->residual_front.value(), a.system->residual_rear.value());
  r.most_pa = r.expected_pa + kMostRest_pa;
  if (!works_clutch(resolve(job, As::plan))) r.read_pa = job.pump.rest_pressure_pa;
  return r;
}

std::vector<ProofPress> proof_protocol(const Job& job, const std::vector<ConditionReport>& strip,
                                       const std::vector<Finding>& findings, ProofBands bands,
                                       std::optional<double> share) {
  std::vector<ProofPress> list;
  const std::vector<Gate> gates = gates_of(job, strip, findings);
  const bool clutch = works_clutch(resolve(job, As::plan));
  const auto gate = [&](ProofId id, GateId g, const Message& tells, const Message& care = {}) {
    add_gate(gates, id, g, tells, care, list);
  };
  gate(ProofId::free_play, GateId::preload, "whether the rod holds the piston on");
  add_choice(job,
             press_of(ProofId::returns, "Fluid returns at rest, cold",
                      "Cap off, tap the pedal, look for a small fountain in the reservoir",
                      "whether the return port is open"),
             param::rod_returns, choice::RodReturns::yes,
             "Do not drive: the return port is shut, brakes would stay on", list);
  if (!clutch) {
    add_rest_pressure(job, list);
    CurveAsked curve = curve_of(job, strip);
    curve.bands = bands;
    curve.share = share;
    curve.shorten = bands == ProofBands::all;
    add_curve(job, curve, list);
  }
  add_light_sink(job, list);
  gate(ProofId::sink, GateId::sink, "leaks, and a cup that lets fluid past");
  gate(ProofId::assist_drop, GateId::assist_drop, "whether the booster helps",
       "In neutral, parking brake on, wheels chocked; never run it in a closed room");
  if (!clutch) add_after_stop(job, list);
  gate(ProofId::no_assist, GateId::no_assist, "what the driver must push with the assist dead");
  gate(ProofId::reserve, GateId::reserve, "what is left before the floor");
  gate(ProofId::circuit, GateId::failed_circuit, "whether half of the brakes still stop it",
       "Standing still, chocked. Goggles: fluid runs out of the open nipple; bleed it again after");
  gate(ProofId::release, GateId::release, "clean release");
  gate(ProofId::bite, GateId::bite, "room before the clutch lets go, and for wear",
       "Room ahead; nobody before the car; parking brake to hand");
  gate(ProofId::drag, GateId::drag, "whether it lets go wholly: air, a short stroke, a bent disc",
       "Room before and behind; nobody near");
  gate(ProofId::over_travel, GateId::over_travel, "whether the cover can be overdone");
  gate(ProofId::wear_room, GateId::wear_room, "room for the lining's wear");
  gate(ProofId::holds, GateId::holds, "whether it holds as it should: linings, booster, radius",
       "Chocks at hand; nobody before or behind the car");
  gate(ProofId::full_lock, GateId::full_lock, "what touches, pulls or sticks when it is steered");
  gate(ProofId::lamp, GateId::lamp, "lamps");
  gate(ProofId::joints, GateId::weep, "joints");
  add_choice(job,
             press_of(ProofId::returns_hot, "Fluid returns at rest, hot",
                      "After a run, pedal let up for a minute: lift and turn each wheel",
                      "whether heat shuts the return port"),
             param::rod_returns_hot, choice::RodReturnsHot::yes, "Do not drive: hot brakes stay on",
             list);
  add_gate_read(job, list);
  return list;
}

namespace {

/// What is kept nowhere else: the curve, and the light foot. Gates speak for themselves.
std::vector<ProofPress> pressed_here(const Job& job, const std::vector<ConditionReport>& strip) {
  std::vector<ProofPress> list;
  if (!works_clutch(resolve(job, As::plan))) {
    CurveAsked curve = curve_of(job, strip);
    curve.bands = ProofBands::needed;
    add_curve(job, curve, list);
  }
  add_light_sink(job, list);
  return list;
}

std::vector<Finding> rest_findings(const Job& job) {
  const RestPressure r = rest_pressure(job);
  if (!r.held()) return {};
  return {{Severity::hard, Stage::prove, FindingCode::prove_rest_pressure,
           say("With the foot off {} stand in the line: the brakes stay on",
               amount(*r.read_pa, Kind::pressure, 2)),
           say("{} at most", amount(r.most_pa, Kind::pressure, 2)),
           "Do not drive. Shorten the rod until it has its play; is the return port clear, is a "
           "residual valve in the wrong line?",
           "common practice, no source"}};
}

}  // namespace

std::vector<Finding> proof_findings(const Job& job, const std::vector<ConditionReport>& strip) {
  std::vector<Finding> found = rest_findings(job);
  const bool pressed = job.pump.light_sink_m || !kept_readings(job.readings).empty();
  if (!pressed) return found;
  std::vector<Message> off;
  bool stop = false;
  for (const ProofPress& p : pressed_here(job, strip)) {
    if (p.state != ProofState::off && p.state != ProofState::stop) continue;
    // What forbids to drive is said first.
    const bool stops = p.state == ProofState::stop;
    off.insert(stops && !stop ? off.begin() : off.end(), say("{}: {}", p.name, p.says));
    stop = stop || stops;
  }
  if (off.empty()) return found;
  const Message more = off.size() == 1 ? Message()
                                       : plural(static_cast<long>(off.size()) - 1,
                                                "; and {} press more", "; and {} presses more");
  found.push_back(
      {stop ? Severity::hard : Severity::warning, Stage::prove, FindingCode::prove_press,
       say("{}{}", off.front(), more),
       "within the band of this job's own figures, the reading's doubt and 2 mm",
       "Press once more; the same again: find out which under What is wrong, mend it, press "
       "anew",
       "this job's own figures; common practice, no source"});
  return found;
}

}  // namespace yoke
