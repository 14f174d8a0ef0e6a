#include "plumbing/supply_lines.hpp"

#include "assist/supply.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/control.hpp"
#include "document/param/master.hpp"
#include "document/param/supply.hpp"
#include "document/values.hpp"

namespace yoke {

namespace {

/// Measured on the very thing: what is guessed, or taken over from a unit that goes, is open.
bool seen(const Values& v, Param p) {
  return v.at(p).settled();
}

Message option_of(const Values& v, Param p) {
  if (!v.known(p)) return "not known";
  const Message words = Message::of_table(option_words(p, v.si(p)));
  return seen(v, p) ? words : say("{}, not looked at on this unit", words);
}

/// A thing that was said in a word: good, or not.
FeedRow said_row(const Values& v, Param p, bool good, const Message& what, const Message& should,
                 const Message& without) {
  FeedRow r;
  r.what = what;
  r.is = option_of(v, p);
  r.should = should;
  r.without = without;
  if (seen(v, p)) r.state = good ? FeedState::good : FeedState::wrong;
  return r;
}

FeedRow motor_feed(const Values& v) {
  FeedRow r;
  r.what = "Motor feed, straight from the battery";
  r.should = "its own fuse, and cable for 3 % drop at that fuse";
  r.without = "no assist at all: the pedal of the “no assist” column";
  if (!v.known(param::supply_wire_length) || !v.known(param::supply_wire_area)) {
    r.is = "cable's length or copper not known";
    return r;
  }
  const auto s = supply_check(Length{v.si(param::supply_wire_length)},
                              Area{v.si(param::supply_wire_area)}, v.si(param::supply_fuse));
  if (!s) {
    r.is = s.error().reason;
    return r;
  }
  r.is = say("{} fuse, {} each way, {} V lost", amount(v.si(param::supply_fuse), Kind::current, 0),
             amount(v.si(param::supply_wire_length), Kind::length, 0), Plain{s->drop_v, 2});
  if (!s->enough)
    r.state = FeedState::wrong;
  else if (seen(v, param::supply_fuse) && seen(v, param::supply_wire_length) &&
           seen(v, param::supply_wire_area))
    r.state = FeedState::good;
  else
    r.is = say("{}; not all of it was measured on this car", r.is);
  return r;
}

/// It sits in the booster: with another booster comes another valve.
FeedRow valve(const Job& job, const Values& v) {
  FeedRow r;
  r.what = "Check valve";
  r.is = option_of(v, param::supply_valve_way);
  r.should = "air leaves the booster and never comes back: blow through it";
  r.without = "no stop is left when the engine dies, and fuel vapour reaches the booster";
  const bool goes = v.at(param::supply_valve_way).inherited &&
                    (replaced(job, param::assist_kind) || replaced(job, param::assist_diaphragm1));
  if (goes)
    r.is = say("{}, on the old booster", r.is);
  else if (seen(v, param::supply_valve_way))
    r.state = v.is(choice::SupplyValveWay::engine) ? FeedState::good : FeedState::wrong;
  return r;
}

FeedRow nipple(const Values& v) {
  FeedRow r;
  r.what = "Smallest hole to the manifold";
  r.should = say("{} or more", amount(kNarrowNipple_m, Kind::length, 1));
  r.without = "the booster fills slowly: the second of two quick stops has no help";
  if (!v.known(param::supply_nipple)) {
    r.is = "not measured";
    return r;
  }
  r.is = say("{}", amount(v.si(param::supply_nipple), Kind::length, 1));
  if (v.si(param::supply_nipple) < kNarrowNipple_m)
    r.state = FeedState::wrong;
  else if (seen(v, param::supply_nipple))
    r.state = FeedState::good;
  return r;
}

FeedRow wake(const Values& v) {
  return said_row(v, param::supply_wake, v.is(choice::SupplyWake::ignition), "Wake-up wire",
                  "live with the ignition, dead with the key out",
                  "missing: the unit sleeps, no assist. Always live: it empties the battery");
}

FeedRow ground(const Values& v) {
  return said_row(v, param::supply_ground, !v.is(choice::SupplyGround::mounting), "Ground",
                  "a cable of its own, as thick as the feed",
                  "paint and rust under the bolts: assist comes and goes");
}

FeedRow clamps(const Values& v) {
  return said_row(v, param::supply_clamps, v.is(choice::SupplyClamps::both), "Hose clamps",
                  "one at each end",
                  "a hose that slips off takes the assist with it, and the engine races");
}

FeedRow grease(const Values& v) {
  return said_row(v, param::supply_grease, !v.is(choice::SupplyGrease::oil),
                  "Hose and grommet pushed on with", "nothing, water, or rubber grease",
                  "oil and mineral grease swell the rubber until it slips off");
}

/// In and out changed over, a remote servo brakes by itself or not at all.
FeedRow servo_ports(const Values& v) {
  return said_row(v, param::assist_servo_ports, v.is(choice::AssistServoPorts::in),
                  "Servo's two ports", "the master's line at the inlet, the wheels' at the outlet",
                  "changed over it never helps, and holds the brakes on");
}

}  // namespace

std::vector<FeedRow> feed_rows(const Job& job) {
  const Values v = resolve(job, As::plan);
  if (v.is(choice::ControlUse::clutch)) return {};
  if (v.is(choice::AssistKind::electric)) return {motor_feed(v), wake(v), ground(v)};
  if (v.is(choice::AssistKind::vacuum)) return {valve(job, v), nipple(v), clamps(v), grease(v)};
  if (v.is(choice::AssistKind::remote))
    return {servo_ports(v), valve(job, v), nipple(v), clamps(v), grease(v)};
  return {};
}

std::vector<Finding> feed_findings(const Job& job) {
  const bool electric =
      value_of(job, As::plan, param::assist_kind).is(choice::AssistKind::electric);
  std::vector<Message> wrong, open, why;
  for (const FeedRow& r : feed_rows(job)) {
    if (r.state == FeedState::good) continue;
    (r.state == FeedState::wrong ? wrong : open).push_back(say("{}: {}", r.what, r.is));
    why.push_back(say("{}: {}", r.what, r.should));
  }
  if (wrong.empty() && open.empty()) return {};
  std::vector<Message> all = wrong;
  all.insert(all.end(), open.begin(), open.end());
  return {{Severity::warning, Stage::plumb,
           electric ? FindingCode::plumb_wiring : FindingCode::plumb_vacuum_line, joined(all, "; "),
           electric ? "feed, fuse, wake-up wire, ground"
                    : "a valve that closes, a wide nipple, clamps, no oil",
           joined(why, "; "), "common practice, no source"}};
}

}  // namespace yoke
