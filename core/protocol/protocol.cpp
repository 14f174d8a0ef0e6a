#include "protocol/protocol.hpp"

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

constexpr double kFoot_m = 0.002;       // a foot is not still
constexpr double kMostSink_m = 0.002;   // of a light push, as of a firm one
constexpr double kEightInTen = 1.2816;  // standard uncertainties to either side

/// What the presses of the curve are held against.
struct CurveAsked {
  std::optional<FeelModel> once, again, clamped, first, second;
  std::optional<double> share;  ///< standard uncertainty of a travel over the travel
  const Job* job = nullptr;
  const std::vector<ConditionReport>* strip = nullptr;
  ProofBands bands = ProofBands::all;
  double floor_m = 1e9;  ///< pad travel that leaves too little
  bool boosted = false, hand = false;
};

Condition off_condition() {
  Condition c;
  c.assist_alive = false;
  return c;
}

std::optional<FeelModel> model_of(const System& s, bool second, bool clamped,
                                  ClampedHoses whose = ClampedHoses::all) {
  const ReadingRow row{0, 0, 0, false, second, clamped, whose};
  auto m = FeelModel::make(s, row_condition(off_condition(), row));
  return m ? std::optional(*m) : std::nullopt;
}

ConditionId off_id(bool boosted) {
  return boosted ? ConditionId::assist_lost : ConditionId::plan;
}

/// Pad travel that leaves too little before the floor; without a way that is known: none is told.
double floor_of(const Job& job, const std::vector<ConditionReport>& strip, bool boosted) {
  const ConditionReport* r = report_of(strip, off_id(boosted));
  if (!r || !r->target) r = report_of(strip, ConditionId::plan);
  if (!r || !r->target) return 1e9;
  const Limits l = limits_of(job);
  const double way = r->target->available_m;
  return way - std::max(l.reserve_failed_share * way, l.reserve_failed_m);
}

CurveAsked curve_of(const Job& job, const std::vector<ConditionReport>& strip) {
  CurveAsked e;
  e.job = &job;
  e.strip = &strip;
  const Assembly a = assemble(job, As::plan);
  e.boosted = has_assist(job, As::plan);
  e.floor_m = floor_of(job, strip, e.boosted);
  e.hand = pulled_by_hand(resolve(job, As::plan));
  if (!a.system || !a.system->wheels) return e;
  e.once = model_of(*a.system, false, false);
  e.again = model_of(*a.system, true, false);
  e.clamped = model_of(*a.system, false, true);
  const auto feeds = [&a](Outlet o) {
    return std::any_of(a.system->wheels->begin(), a.system->wheels->end(),
                       [o](const WheelBrake& w) { return w.fitted && w.outlet == o; });
  };
  if (!has_two_circuits(job, As::plan) || !feeds(Outlet::primary) || !feeds(Outlet::secondary))
    return e;
  e.first = model_of(*a.system, false, true, ClampedHoses::first);
  e.second = model_of(*a.system, false, true, ClampedHoses::second);
  return e;
}

double share_of(CurveAsked& e) {
  if (!e.share) e.share = proof_share(*e.job, *e.strip);
  return *e.share;
}

const FeelModel* model_for(const CurveAsked& e, ProofId id) {
  const auto& m = id == ProofId::second           ? e.again
                  : id == ProofId::clamped        ? e.clamped
                  : id == ProofId::clamped_first  ? e.first
                  : id == ProofId::clamped_second ? e.second
                                                  : e.once;
  return m ? &*m : nullptr;
}

/// A reading's own doubt in travel: the tape's, and the scale's by the slope there.
double doubt_m(const FeelModel& m, const Reading& r) {
  const double step = std::max(2.0, r.force_n * 0.02);
  const auto here = predicted_travel_m(m, r.force_n);
  const auto beside = predicted_travel_m(m, r.force_n + step);
  const double slope = here && beside ? (*beside - *here) / step : 0;
  return std::hypot(r.travel_uncertainty_m, slope * r.force_uncertainty_n);
}

void judge_press(const Job& job, CurveAsked& e, ProofPress& p) {
  const FeelModel* m = model_for(e, p.id);
  if (!m) {
    p.says = "cannot be predicted: the brakes are not known well enough";
    return;
  }
  const auto at = reading_of(job, p);
  // Before anything is predicted: a pad on the floor stops it, whatever the model makes of it.
  if (at && job.readings[*at].travel_m >= e.floor_m) {
    p.got = job.readings[*at].travel_m;
    p.expect = predicted_travel_m(*m, job.readings[*at].force_n);
    p.state = ProofState::stop;
    p.says = "Do not drive: the pad is nearly on the floor";
    return;
  }
  const double push_n = at ? job.readings[*at].force_n : *p.push_n;
  const auto expect = predicted_travel_m(*m, push_n);
  if (!expect) {
    p.says = "cannot be predicted at this push";
    if (at) p.got = job.readings[*at].travel_m;
    return;
  }
  p.expect = *expect;
  const auto half_m = [&] { return kEightInTen * share_of(e) * *expect; };
  if (e.bands == ProofBands::all || e.share) {
    p.low = std::max(0.0, *expect - half_m());
    p.high = *expect + half_m();
  }
  if (!at) return;
  const Reading& r = job.readings[*at];
  p.got = r.travel_m;
  const double off_m = r.travel_m - *expect;
  const double own_m = doubt_m(*m, r) + kFoot_m;
  if (std::abs(off_m) <= own_m || std::abs(off_m) <= own_m + half_m()) {
    p.state = ProofState::good;
    p.says = "as expected";
  } else {
    p.state = ProofState::off;
    const Amount by = amount(std::abs(off_m), Kind::length, 0);
    p.says = off_m > 0 ? say("{} further than expected: air, slack or clearance", by)
                       : say("{} less than expected: is the assist off, is the port open?", by);
  }
}

ProofPress press(ProofId id, const Message& name, const Message& how, const Message& tells) {
  ProofPress p;
  p.id = id;
  p.name = name;
  p.how = how;
  p.tells = tells;
  return p;
}

void add_curve(const Job& job, CurveAsked e, std::vector<ProofPress>& list) {
  static constexpr ProofId kIds[] = {ProofId::press_50, ProofId::press_100, ProofId::press_150,
                                     ProofId::press_250, ProofId::press_400};
  const double share = e.hand ? kHandShare : 1;
  const auto add = [&](ProofPress p, double push_n) {
    p.where = ProofWhere::reading;
    p.push_n = push_n;
    p.assisted = e.boosted;
    judge_press(job, e, p);
    list.push_back(std::move(p));
  };
  const Message off =
      e.boosted ? Message("Engine off, assist emptied by four presses. ") : Message();
  bool all_good = true;
  for (std::size_t i = 0; i < std::size(kIds); ++i) {
    const double push_n = share * kProofForces_n[i];
    add(press(kIds[i], say("Press with {}", amount(push_n, Kind::force, 0)),
              say("{}Scale between foot and pad, tape from the seat to the pad; press slowly to {} "
                  "and read the tape",
                  off, amount(push_n, Kind::force, 0)),
              push_n < 0.3 * share * 400 ? Message("slack and air: they show at a light push")
                                         : Message("what gives: hoses, calipers, drums")),
        push_n);
    all_good = all_good && list.back().state == ProofState::good;
  }
  const double firm_n = share * kProofForces_n[2];
  add(press(ProofId::second, "The second press in a row",
            say("{}Press with {}, let up, press again at once, and read the second", off,
                amount(firm_n, Kind::force, 0)),
            "clearance: pumping takes it up, air stays"),
      firm_n);
  add(press(ProofId::clamped, "With the hoses clamped",
            say("{}Clamp the flexible hoses, press with {} and read", off,
                amount(firm_n, Kind::force, 0)),
            "hoses and what lies behind them, from the master and its tubes"),
      firm_n);
  const char* care = "Clamps made for hoses; never on braided ones, never with pliers";
  list.back().care = care;
  if (e.first && e.second) {
    const double light_n = share * kProofForces_n[1];
    const auto one = [&](ProofId id, const Message& outlet) {
      add(press(id, say("With {}'s hoses clamped", outlet),
                say("{}Clamp the hoses of {} alone, press lightly with {} and read", off, outlet,
                    amount(light_n, Kind::force, 0)),
                "air: it stands in the circuit that is left"),
          light_n);
      list.back().care = care;
    };
    one(ProofId::clamped_first, "outlet 1");
    one(ProofId::clamped_second, "outlet 2");
  }
  // When the curve is as it should be nothing is left that these could tell apart.
  if (!all_good) return;
  for (std::size_t i = std::size(kIds); i < list.size(); ++i)
    if (list[i].state == ProofState::open) {
      list[i].state = ProofState::not_asked;
      list[i].says = "the curve is as expected: nothing is left to tell apart";
    }
}

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
  ProofPress p = press(ProofId::light_sink, "Sink under a light foot",
                       "Rest the foot lightly on the pedal for a minute, engine off; read how far "
                       "it sinks",
                       "a worn cup: under a firm foot it seals again");
  p.where = ProofWhere::pump;
  p.expect = 0;
  p.most = kMostSink_m;
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

void add_after_stop(const Job& job, std::vector<ProofPress>& list) {
  const ReserveStops stops = reserve_stops(strip_inputs(job));
  if (!stops.stored) return;
  ProofPress p = press(ProofId::after_stop, "Presses after the engine stopped",
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
  ProofPress p = press(id, g->words, g->how, tells);
  p.gate = gate;
  p.care = care;
  p.number = g->ask.number;
  p.kind = g->ask.kind;
  p.digits = g->ask.digits;
  p.expect = g->ask.predicted;
  p.least = g->ask.least;
  p.most = g->ask.most;
  p.held = g->held;
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

double proof_share(const Job& job, const std::vector<ConditionReport>& strip) {
  const ConditionId id = off_id(has_assist(job, As::plan));
  const ConditionReport* r = report_of(strip, id);
  if (!r || !r->target || r->target->at.pad_travel_m <= 0) return 0;
  double sum = 0;
  for (const Sensitivity& s : sensitivities(job, id))
    sum += std::pow(s.of(PressQuantity::travel), 2);
  return std::sqrt(sum) / r->target->at.pad_travel_m;
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
             press(ProofId::returns, "Fluid returns at rest, cold",
                   "Cap off, tap the pedal, look for a small fountain in the reservoir",
                   "whether the return port is open"),
             param::rod_returns, choice::RodReturns::yes,
             "Do not drive: the return port is shut, brakes would stay on", list);
  if (!clutch) {
    CurveAsked curve = curve_of(job, strip);
    curve.bands = bands;
    curve.share = share;
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
  gate(ProofId::over_travel, GateId::over_travel, "whether the cover can be overdone");
  gate(ProofId::wear_room, GateId::wear_room, "room for the lining's wear");
  gate(ProofId::lamp, GateId::lamp, "lamps");
  gate(ProofId::joints, GateId::weep, "joints");
  add_choice(job,
             press(ProofId::returns_hot, "Fluid returns at rest, hot",
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

}  // namespace

std::vector<Finding> proof_findings(const Job& job, const std::vector<ConditionReport>& strip) {
  const bool pressed = job.pump.light_sink_m || !kept_readings(job.readings).empty();
  if (!pressed) return {};
  std::vector<Message> off;
  bool stop = false;
  for (const ProofPress& p : pressed_here(job, strip)) {
    if (p.state != ProofState::off && p.state != ProofState::stop) continue;
    // What forbids to drive is said first.
    const bool stops = p.state == ProofState::stop;
    off.insert(stops && !stop ? off.begin() : off.end(), say("{}: {}", p.name, p.says));
    stop = stop || stops;
  }
  if (off.empty()) return {};
  const Message more = off.size() == 1 ? Message()
                                       : plural(static_cast<long>(off.size()) - 1,
                                                "; and {} press more", "; and {} presses more");
  return {{stop ? Severity::hard : Severity::warning, Stage::prove, FindingCode::prove_press,
           say("{}{}", off.front(), more),
           "within the band of this job's own figures, the reading's doubt and 2 mm",
           "Press once more; the same again: find out which under What is wrong, mend it, press "
           "anew",
           "this job's own figures; common practice, no source"}};
}

}  // namespace yoke
