#include "work/bleed_checks.hpp"

#include <numbers>

#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/bleed_kit.hpp"
#include "document/param/bores.hpp"
#include "document/param/circuits.hpp"
#include "document/param/limits.hpp"
#include "document/param/valves.hpp"
#include "document/values.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
#include "work/bleed_order.hpp"
#include "work/dead_stroke.hpp"
#include "work/facts.hpp"
#include "work/fluid_plan.hpp"
#include "work/reserve_check.hpp"
#include "work/wetness.hpp"

namespace yoke {

namespace {

using State = BleedCheckState;

/// Several things of one kind: one wrong is wrong, one open is open.
class Gathered {
 public:
  Gathered(FindingCode code, Severity severity) {
    check_.code = code;
    check_.severity = severity;
  }
  void wrong(const Message& says) { wrong_.push_back(says); }
  void open(const Message& says) { open_.push_back(says); }
  void good() { good_ = true; }
  /// A choice that is good in one way, wrong in another.
  template <class Choice>
  void choose(const Values& v, Param p, Choice bad, const Message& says) {
    if (!v.at(p).settled())
      open(Message::of_table(info(p).words));
    else if (v.is(p, bad))
      wrong(says);
    else
      good();
  }
  [[nodiscard]] BleedCheck result(const Message& remedy) {
    if (!wrong_.empty()) {
      check_.state = State::wrong;
      check_.says = joined(wrong_, "; ");
      check_.remedy = remedy;
    } else if (!open_.empty()) {
      check_.state = State::open;
      check_.says = say("Not said: {}", joined(open_, ", "));
      check_.remedy = remedy;
    } else if (good_) {
      check_.state = State::good;
    }
    return check_;
  }

 private:
  BleedCheck check_;
  std::vector<Message> wrong_, open_;
  bool good_ = false;
};

BleedCheck way(const Job& job) {
  Gathered g(FindingCode::bleed_way, Severity::warning);
  bool bench = false, nipples = false;
  for (const WayChoice& c : way_choices(job)) {
    if (!c.chosen) continue;
    const BleedMethod& m = method_of(c.id);
    (m.bench ? bench : nipples) = true;
    if (c.state == WayState::ready)
      g.good();
    else if (c.state == WayState::lacking)
      g.wrong(say("{}: {}", m.words, c.says));
    else
      g.open(m.words);
  }
  if (!bench && work_facts(job).unit_on) g.open("how the master is bled first");
  if (!nipples) g.open("how it is bled at the nipples");
  return g.result("Choose a way for which everything is at hand");
}

BleedCheck limit(const Values& v, const Job& job) {
  Gathered g(FindingCode::bleed_limit, Severity::hard);
  const auto chosen = chosen_way(job);
  if (chosen == BleedWayId::pressure) {
    const Value& set = v.at(param::bleed_tank_set);
    const Value& bears = v.at(param::bleed_cap_limit);
    if (!set.settled() || !bears.settled())
      g.open("what the bottle is set to, and what reservoir and cap bear");
    else if (set.si > bears.si)
      g.wrong(say("The bottle is set to {}, reservoir and cap bear {}",
                  amount(set.si, Kind::pressure, 2), amount(bears.si, Kind::pressure, 2)));
    else
      g.good();
  }
  if (chosen == BleedWayId::reverse) {
    const Value& syringe = v.at(param::bleed_syringe);
    const Value& room = v.at(param::bleed_room);
    if (!syringe.settled() || !room.settled())
      g.open("what the syringe holds, and the room left in the reservoir");
    else if (syringe.si > room.si)
      g.wrong(say("The syringe holds {}, the reservoir has room for {}",
                  amount(syringe.si, Kind::volume, 0), amount(room.si, Kind::volume, 0)));
    else
      g.good();
  }
  return g.result(chosen == BleedWayId::reverse ? "Draw the reservoir down, or push in less"
                                                : "Let pressure off before the cap is opened");
}

BleedCheck screws(const Values& v) {
  Gathered g(FindingCode::bleed_screw, Severity::hard);
  const auto look = [&](Param p, const Message& says) {
    g.choose(v, p, choice::BleedScrew::low, says);
  };
  if (works_clutch(v)) {
    look(param::bleed_slave_screw, "The slave's nipple is not at its highest place");
  } else {
    if (works_axle(v, Axle::front))
      look(param::bleed_front_screw, "The front nipples are not at the highest place");
    if (works_axle(v, Axle::rear))
      look(param::bleed_rear_screw, "The rear nipples are not at the highest place");
  }
  return g.result(
      "Calipers left and right are changed over, or hung up so that the nipple is on top while it "
      "is "
      "bled, a block between the pads");
}

BleedCheck interlock(const Values& v, const Job& job) {
  Gathered g(FindingCode::bleed_interlock, Severity::hard);
  if (works_clutch(v)) {
    g.choose(v, param::bleed_preload, choice::BleedPreload::on,
             "The clutch rod is still preloaded: the return port is shut");
    const Value& c = v.at(param::bleed_connector);
    if (!c.settled()) {
      g.open(Message::of_table(info(param::bleed_connector).words));
    } else if (c.is(choice::BleedConnector::shut) && chosen_way(job) != BleedWayId::connector) {
      const auto press = shut_press(job);
      g.wrong(press
                  ? say("The line connector is shut: {} of foot would bring {} in the line and {} "
                        "on the rod",
                        amount(press->foot_n, Kind::force, 0),
                        amount(press->line_pa, Kind::pressure, 1),
                        amount(press->rod_n, Kind::force, 0))
                  : Message("The line connector is shut: a foot's press bursts the line"));
    } else {
      g.good();
    }
  } else if (!pulled_by_hand(v)) {
    g.choose(v, param::bleed_park, choice::BleedPark::on,
             "The parking brake is applied: it holds pistons out");
    if (v.is(choice::ValveShuttle::fitted))
      g.choose(v, param::bleed_shuttle, choice::BleedShuttle::free,
               "The warning valve's shuttle is free: it runs over and shuts a circuit");
  }
  return g.result("Put it right before the first stroke, and note what has to be set back");
}

BleedCheck tester(const Values& v) {
  Gathered g(FindingCode::bleed_tester, Severity::warning);
  if (!works_clutch(v) && v.is(choice::CircuitAntilock::fitted))
    g.choose(v, param::bleed_cycling, choice::BleedCycling::yes,
             "The anti-lock unit's maker wants his tester to cycle it");
  return g.result("That part is left to a workshop with the maker's tester; bleed again after it");
}

BleedCheck level(const Job& job, const BleedPlan& plan) {
  Gathered g(FindingCode::bleed_level, Severity::warning);
  for (const ChamberLevel& c : chamber_levels(job, plan)) {
    if (c.gone.value() <= 0) continue;
    const int outlet = c.outlet == Outlet::primary ? 1 : 2;
    if (c.rises) {
      if (c.bare())
        g.wrong("By the count the reservoir ran over: wash what it ran on");
      else if (c.warn())
        g.wrong(plural(c.strokes_left, "{} mark until the reservoir runs over",
                       "{} marks until the reservoir runs over"));
      else if (c.typical)
        g.open("the room left in the reservoir");
      else
        g.good();
    } else if (c.bare())
      g.wrong(say("By the count the port of outlet {} was bare: look whether it drew air", outlet));
    else if (c.warn())
      g.wrong(plural(c.strokes_left, "{} count until the port of outlet {} is bare",
                     "{} counts until the port of outlet {} is bare", {outlet}));
    else if (c.typical)
      g.open(say("the chamber of outlet {}, or what a count moves", outlet));
    else
      g.good();
  }
  return g.result(plan.way == BleedWayId::reverse ? "Draw the reservoir down before another mark"
                                                  : "Top up before another stroke");
}

BleedCheck dry(const Job& job, const BleedPlan& plan) {
  Gathered g(FindingCode::bleed_dry, Severity::warning);
  const auto places = dry_places(job, plan);
  if (!places.empty())
    g.wrong(plural(static_cast<long>(places.size()),
                   "A chamber drew air: {} place is to be bled again",
                   "A chamber drew air: {} places are to be bled again"));
  else if (!job.bleeding.empty())
    g.good();
  return g.result("Top up, bleed the master first, then that circuit from its first nipple");
}

/// What hides in a lever's banjo while it is bled comes up with the shaking of the first ride.
BleedCheck again(const Values& v, const Job& job) {
  Gathered g(FindingCode::bleed_again, Severity::warning);
  if (!pulled_by_hand(v) || works_clutch(v)) return g.result({});
  const StepRecord* done = record_of(job, StepId::lever_again);
  if (done && done->done)
    g.good();
  else if (job.state == JobState::proved && all_bled(job))
    g.wrong("Not bled again at the lever since it may be ridden");
  else
    g.open("the first ride");
  return g.result("After the first ride: slacken the banjo or nipple at the lever once more");
}

/// What the store still gave after the stop, as it was counted and timed.
BleedCheck reserve(const Values& v, const Job& job) {
  Gathered g(FindingCode::bleed_reserve, Severity::warning);
  const bool vacuum = v.is(choice::AssistKind::vacuum) || v.is(choice::AssistKind::remote);
  if (works_clutch(v) || (!vacuum && !v.is(choice::AssistKind::hydraulic))) return g.result({});
  const bool counted = v.at(param::bleed_presses).settled();
  const bool timed = v.at(param::bleed_refill).settled();
  if (!counted) g.open(Message::of_table(info(param::bleed_presses).words));
  if (vacuum && !timed) g.open(Message::of_table(info(param::bleed_refill).words));
  if (counted || timed) {
    const ReserveCheck c = reserve_check(job);
    if (c.counted && c.predicted && c.wrong)
      g.wrong(say("{} presses were helped after the stop, predicted {}", *c.counted, *c.predicted));
    else if (c.counted && c.predicted)
      g.good();
    else if (c.counted)
      g.open("how many presses the store should help");
    if (c.back_s && c.slow)
      g.wrong(say("The help was back after {}, {} at most", amount(*c.back_s, Kind::time, 0),
                  amount(*c.back_wanted_s, Kind::time, 0)));
    else if (c.back_s)
      g.good();
  }
  return g.result("Blow through the check valve, look at hose, clamps and grommet; then again");
}

BleedCheck dead(const Job& job) {
  Gathered g(FindingCode::bleed_dead, Severity::warning);
  const DeadStroke d = dead_stroke(job);
  if (d.state == DeadState::open)
    for (const Param p : d.missing) g.open(Message::of_table(info(p).words));
  else if (d.state == DeadState::healthy)
    g.good();
  else
    g.wrong(d.says);
  return g.result(
      "Try again, the other outlet shut; then look at return port, seals and springs. Neither keep "
      "nor throw the unit away on the order alone");
}

BleedCheck wet(const Job& job) {
  Gathered g(FindingCode::bleed_wet, Severity::hard);
  for (const WipedJoint& w : wipe_map(job))
    if (w.wet())
      g.wrong(say("{} is wet", w.joint.name));
    else if (!w.dry_through(WipeRound::driven))
      g.open(w.joint.name);
    else
      g.good();
  return g.result("Tighten it once by its figure or by small turns; still wet: make it again");
}

void add_fluid(const Job& job, std::vector<BleedCheck>& list) {
  const FluidPlan p = fluid_plan(job);
  const auto add = [&list](FindingCode code, Severity severity, FluidVerdict v, const Message& says,
                           const Message& remedy) {
    list.push_back({code, severity,
                    v == FluidVerdict::good    ? State::good
                    : v == FluidVerdict::wrong ? State::wrong
                                               : State::open,
                    says, remedy});
  };
  add(FindingCode::fluid_grade, Severity::hard, p.grade, p.grade_says,
      "One grade that every part bears; another kind only after all of it was stripped and dried");
  // Once strokes are counted, what is in it is no open question any more.
  const bool late = p.known == FluidVerdict::open && !job.bleeding.empty();
  add(FindingCode::fluid_unknown, Severity::warning, late ? FluidVerdict::wrong : p.known,
      p.goes_in
          ? late ? "It is bled, and nobody said which fluid was in it" : "the grade that is in it"
      : late ? "It is bled, and nobody said which fluid goes in"
             : "the grade that goes in",
      "Unknown fluid is not topped up: drain it, flush until it runs clear, sealed bottle of the "
      "planned grade");
  add(FindingCode::fluid_opened, Severity::warning, p.opened, p.opened_says, "A sealed bottle");
  add(FindingCode::fluid_short, Severity::warning, p.enough, p.enough_says,
      "Have it all at hand before the first line is opened");
}

/// Nothing is opened or filled: nothing is bled.
bool asked(const Job& job) {
  return work_facts(job).wet || !job.bleeding.empty();
}

}  // namespace

std::optional<ShutPress> shut_press(const Job& job) {
  const Values v = resolve(job, As::plan);
  const auto ratio = arm_ratio(v);
  const Value& bore = v.at(param::master_bore);
  if (!ratio || !bore.known()) return std::nullopt;
  ShutPress p;
  // A firm push of a foot that meets a stop. Common practice, no source.
  p.foot_n = 500;
  p.rod_n = p.foot_n * *ratio;
  p.line_pa = p.rod_n / (std::numbers::pi / 4 * bore.si * bore.si);
  return p;
}

std::vector<BleedCheck> bleed_checks(const Job& job) {
  using enum FindingCode;
  static constexpr FindingCode kAll[] = {bleed_again,     bleed_way,     bleed_limit, bleed_screw,
                                         bleed_interlock, bleed_tester,  bleed_level, bleed_dry,
                                         bleed_dead,      bleed_reserve, bleed_wet,   fluid_grade,
                                         fluid_unknown,   fluid_opened,  fluid_short};
  std::vector<BleedCheck> list;
  if (!asked(job)) {
    for (const FindingCode code : kAll) list.push_back({code, Severity::warning, {}, {}, {}});
    return list;
  }
  const Values v = resolve(job, As::plan);
  const BleedPlan plan = bleed_plan(job);
  list = {again(v, job),     way(job),        limit(v, job),    screws(v),
          interlock(v, job), tester(v),       level(job, plan), dry(job, plan),
          dead(job),         reserve(v, job), wet(job)};
  add_fluid(job, list);
  return list;
}

BleedCheck bleed_check(const Job& job, FindingCode code) {
  if (!asked(job)) return {code, Severity::warning, {}, {}, {}};
  if (code == FindingCode::bleed_dry) return dry(job, bleed_plan(job));
  const Values v = resolve(job, As::plan);
  if (code == FindingCode::bleed_screw) return screws(v);
  if (code == FindingCode::bleed_interlock) return interlock(v, job);
  for (BleedCheck& c : bleed_checks(job))
    if (c.code == code) return std::move(c);
  return {code, Severity::warning, {}, {}, {}};
}

std::vector<Finding> bleed_findings(const Job& job) {
  std::vector<Finding> list;
  for (const BleedCheck& c : bleed_checks(job))
    if (c.state == State::wrong)
      list.push_back({c.severity,
                      Stage::bleed,
                      c.code,
                      c.says,
                      {},
                      c.remedy,
                      "common practice, no source; the makers' books win"});
  return list;
}

}  // namespace yoke
