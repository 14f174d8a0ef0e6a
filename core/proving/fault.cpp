#include "proving/fault.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

constexpr double kFinger_m = 0.7e-3;    // what is felt at a rod by hand
constexpr double kMuchPlay_m = 4.0e-3;  // at the pad; common practice, no source

constexpr CauseInfo kInfo[kCauses] = {
    {"nothing beyond the prediction", "Nothing to buy.", 0, "", {}},
    {"air in circuit 1",
     "Bleed that circuit again: fluid and time. A new master would not help.",
     20e-6,
     "{}",
     {.kind = Kind::volume, .digits = 1}},
    {"air in circuit 2",
     "Bleed that circuit again: fluid and time. A new master would not help.",
     20e-6,
     "{}",
     {.kind = Kind::volume, .digits = 1}},
    {"shoes out of adjustment",
     "Adjust the shoes: nothing to buy. Bleeding would not help.",
     4e-3,
     "{} more at each piston",
     {.kind = Kind::length, .digits = 1}},
    {"pads knocked back",
     "A wobbling disc or loose bearing: true the disc. Bleeding would not help.",
     2e-3,
     "{} more clearance",
     {.kind = Kind::length, .digits = 2}},
    {"soft hoses",
     "Renew the hoses. A larger bore would only hide them.",
     15,
     "{} times the give",
     {.kind = Kind::number, .digits = 1}},
    {"rod too short",
     "Lengthen the rod: nothing to buy. Bleeding would not help.",
     12e-3,
     "{} at the rod",
     {.kind = Kind::length, .digits = 1}},
    {"rod too long",
     "Shorten the rod before driving: it covers the return port.",
     5e-3,
     "{} at the rod",
     {.kind = Kind::length, .digits = 1}},
    {"fluid passing inside the master",
     "Rebuild or renew the master. Bleeding would not help.",
     0.15,
     "{} of sink",
     {.kind = Kind::length, .digits = 0}},
    {"a leak to the outside",
     "Find it and renew the part. The level falls.",
     0.15,
     "{} of sink",
     {.kind = Kind::length, .digits = 0}},
    {"assist weak or short of vacuum",
     "Gauge the vacuum, try the check valve. A new master would not help.",
     1.0,
     "{} of it missing",
     {.kind = Kind::fraction}},
    {"another bore than stated",
     "Measure the bore. If it is wrong, the master is.",
     0.35,
     "{} of the diameter",
     {.kind = Kind::fraction, .digits = 1, .sign = true}},
    {"residual valve missing", "Fit the valve, or adjust the shoes closer.", 1.0, "", {}},
    {"front line blocked", "Find the crushed tube or swollen hose before driving.", 1.0, "", {}},
    {"rear line blocked", "Find the crushed tube or swollen hose before driving.", 1.0, "", {}},
    {"worn pivot or pin",
     "Bush the pivot, renew the pin: small money. A new master would not help.",
     0.06,
     "{} at the pedal",
     {.kind = Kind::length, .digits = 0}},
    {"dead stroke inside the master",
     "Its cup passes the port late: rebuild or renew the master. Bleeding would not help.",
     10e-3,
     "{} of the piston",
     {.kind = Kind::length, .digits = 1}},
    {"the booster's valve sticks",
     "It follows the foot late and lets go late: overhaul or renew the booster. Bleeding would not "
     "help.",
     60,
     "{} behind the foot",
     {.kind = Kind::force}},
    {"lines crossed at the master",
     "Each outlet feeds the other's wheels: swap the lines and bleed both circuits. Nothing to "
     "buy.",
     1.0,
     "",
     {}},
    {"a worn cup in the master",
     "It passes fluid under a light foot and seals under a firm one: rebuild or renew the master. "
     "Bleeding would not help.",
     0.15,
     "{} of sink under a light foot",
     {.kind = Kind::length, .digits = 0}}};

bool any_drum(const System& s) {
  return std::any_of(s.wheels->begin(), s.wheels->end(),
                     [](const WheelBrake& w) { return std::holds_alternative<Drum>(w.brake); });
}
bool any_disc(const System& s) {
  return std::any_of(s.wheels->begin(), s.wheels->end(),
                     [](const WheelBrake& w) { return std::holds_alternative<Disc>(w.brake); });
}

void block_axle(System& s, bool rear) {
  for (WheelBrake& w : *s.wheels) {
    if (w.rear != rear) continue;
    w.hose.length = Length{0.0};
    if (auto* d = std::get_if<Disc>(&w.brake)) d->side_area = Area{1e-12};
    if (auto* d = std::get_if<Drum>(&w.brake)) d->cylinder_area = Area{1e-12};
  }
}

/// Pad rise that taking up extra clearance gives: pumped up, the linings no longer fall back.
double pump_gain_m(const System& now, const System& sound) {
  const auto end = [](const System& s) {
    const auto m = FeelModel::make(s, {});
    return m ? m->at(std::min(m->end_drive(), 1e6)).pad_travel_m : 0.0;
  };
  return std::max(0.0, end(now) - end(sound));
}

/// Travel at a push; beyond the press its end.
double pad_depth(const FeelModel& m, double push_n) {
  if (const auto t = predicted_travel_m(m, push_n)) return *t;
  return m.at(m.end_drive()).pad_travel_m;
}

/// A test a builder can make, and for each cause what it would show; causes with the same letter
/// look alike. In order of trouble.
struct Trial {
  std::string_view words;
  std::string_view shows;  ///< one letter a cause, in their order
};
constexpr Trial kTrials[] = {
    // none air air drum knock hose short long bypass leak weak bore resid front rear pivot dead
    // valve crossed cup
    {"Pump three times at the same push: clearance rises, air and stretch do not",
     "nnnrrnnnnnnnrnnnnnnn"},
    {"Hold a steady push for 60 s and watch the pedal: it sinks only when fluid passes",
     "nnnnnnnnssnnnnnnnnnn"},
    {"Look under every joint and at the level: a leak wets, a bypass does not",
     "nnnnnnnnnwnnnnnnnnnn"},
    {"Engine off, exhaust the assist, hold, start: the pedal must drop", "nnnnnnnnnnxnnnnnnjnn"},
    {"Feel the free play at the rod by hand, then the pedal's play with the rod held still",
     "nnnnnnslnnnnnnnpnnnn"},
    {"Rest the foot lightly for a minute: a worn cup sinks there, and holds under a firm foot",
     "nnnnnnnnssnnnnnnnnnc"},
    {"Lift each axle, press and let go: do all wheels turn freely, and do all of them brake",
     "nnnnnnndnnnnnfrnndnn"},
    {"Clamp the flexible hoses off one by one: soft hoses and air behind them go away",
     "n12nnhnnnnnnnnnnnncn"},
    {"Open one nipple of each circuit: bubbles show which one holds air, the chamber that falls "
     "which lines are crossed",
     "n12nnnnnnnnnnnnnnncn"},
    {"Take off the wheels: shoe clearance by feeler, disc by dial gauge", "nnndknnnnnnnnnnnnnnn"},
    {"Take the rod off and push the piston by hand until the port flows: a healthy one needs 1 to "
     "2 mm",
     "nnnnnnnnnnnnnnnndnnn"},
    {"Measure the bore with a caliper", "nnnnnnnnnnnbnnnnnnnn"}};

static_assert(std::all_of(std::begin(kTrials), std::end(kTrials),
                          [](const Trial& t) { return t.shows.size() == kCauses; }));

}  // namespace

const CauseInfo& cause_info(Cause cause) {
  return kInfo[static_cast<std::size_t>(cause)];
}

std::string_view cause_words(Cause cause) {
  return cause_info(cause).words;
}

std::string_view cause_advice(Cause cause) {
  return cause_info(cause).advice;
}

bool possible(const System& s, Cause c, bool assisted_reading, const PumpTest& pump, bool felt,
              bool one_clamped) {
  switch (c) {
    case Cause::air_secondary:
      return two_circuits(s.master);
    case Cause::drums_out:
      return any_drum(s);
    case Cause::knock_back:
      return any_disc(s);
    case Cause::weak_assist:
      return assisted_reading && std::holds_alternative<Booster>(s.assist);
    case Cause::bypass:
    case Cause::leak:
      return felt || pump.sink_m.has_value();
    case Cause::dead_stroke:
    case Cause::pivot_wear:
      return felt;
    case Cause::valve_sticks:
      return assisted_reading && !felt && std::holds_alternative<Booster>(s.assist);
    case Cause::crossed:
      // On both circuits at once one pressure rules: only with one of them clamped it shows.
      return one_clamped && two_circuits(s.master);
    case Cause::worn_cup:
      return pump.light_sink_m.has_value();
    case Cause::residual_missing:
      return s.residual_front.value() > 0 || s.residual_rear.value() > 0;
    default:
      return true;
  }
}

Faulty faulty(const System& sound, Cause cause, double size, const Felt& felt) {
  // A play that is no more than a finger's or a tape's doubt belongs to any pedal; more of it is a
  // fault of its own, and only the cause that makes it may claim it.
  const double pivot_m = felt.pivot_m <= kMuchPlay_m ? felt.pivot_m : 0.0;
  Faulty f{sound, {}, pivot_m + felt.pin_m, 0, 0};
  if (felt.rod_m && std::abs(*felt.rod_m - sound.control.rod_clearance.value()) <= 2 * kFinger_m)
    f.system.control.rod_clearance = Length{*felt.rod_m};
  switch (cause) {
    case Cause::air_primary:
      f.condition.air_primary_m3 = size;
      break;
    case Cause::air_secondary:
      f.condition.air_secondary_m3 = size;
      break;
    case Cause::drums_out:
    case Cause::knock_back:
      for (WheelBrake& w : *f.system.wheels) {
        if (auto* d = std::get_if<Drum>(&w.brake); d && cause == Cause::drums_out)
          d->shoe_clearance += Length{size};
        if (auto* d = std::get_if<Disc>(&w.brake); d && cause == Cause::knock_back)
          d->clearance += Length{size};
      }
      f.gain_m = pump_gain_m(f.system, sound);
      break;
    case Cause::soft_hoses:
      f.condition.hose_scale = 1 + size;
      break;
    case Cause::rod_short:
      f.system.control.rod_clearance = sound.control.rod_clearance + Length{size};
      break;
    case Cause::rod_long: {
      // The free play goes first, then the cut-off that the cups have already passed.
      const double kept = sound.control.rod_clearance.value() - size;
      f.system.control.rod_clearance = Length{std::max(0.0, kept)};
      const double beyond = std::max(0.0, -kept);
      f.system.master.cutoff1 = Length{std::max(0.0, sound.master.cutoff1.value() - beyond)};
      break;
    }
    case Cause::bypass:
    case Cause::leak:
      f.sink_m = size;
      break;
    case Cause::weak_assist:
      if (auto* b = std::get_if<Booster>(&f.system.assist)) b->max_assist *= 1 - size;
      break;
    case Cause::wrong_bore:
      f.system.master.bore *= 1 + size;
      break;
    case Cause::residual_missing:
      f.system.residual_front = f.system.residual_rear = Pressure{0.0};
      break;
    case Cause::front_blocked:
      block_axle(f.system, false);
      break;
    case Cause::rear_blocked:
      block_axle(f.system, true);
      break;
    case Cause::pivot_wear:
      f.slack_m = felt.pin_m + size;
      break;
    case Cause::dead_stroke:
      f.system.master.cutoff1 += Length{size};
      break;
    case Cause::valve_sticks:
      f.stick_n = size;
      break;
    case Cause::crossed:
      for (WheelBrake& w : *f.system.wheels)
        w.outlet = w.outlet == Outlet::primary ? Outlet::secondary : Outlet::primary;
      break;
    case Cause::worn_cup:
      f.light_sink_m = size;
      break;
    case Cause::none:
    case Cause::count_:
      break;
  }
  return f;
}

Faulty faulty(const System& sound, Cause first, double first_size, Cause second, double second_size,
              const Felt& felt) {
  Faulty f = faulty(sound, first, first_size, felt);
  Felt rest = felt;
  rest.rod_m.reset();  // felt once, by the first
  const Faulty g = faulty(f.system, second, second_size, rest);
  f.system = g.system;
  f.condition.air_primary_m3 += g.condition.air_primary_m3;
  f.condition.air_secondary_m3 += g.condition.air_secondary_m3;
  f.condition.hose_scale *= g.condition.hose_scale;
  if (second == Cause::pivot_wear) f.slack_m = g.slack_m;
  f.sink_m = std::max(f.sink_m, g.sink_m);
  f.gain_m += g.gain_m;
  f.light_sink_m = std::max(f.light_sink_m, g.light_sink_m);
  f.stick_n = std::max(f.stick_n, g.stick_n);
  return f;
}

/// Misses of the depth tests. The model's own doubt (8 % of a depth, 3 mm at least: what typical
/// values leave open) lies on the pumped-up depth; the rise by pumping is a difference of two
/// presses of the same pedal and stands by the tape alone.
double signs_miss(const Faulty& f, const Felt& felt) {
  const Symptoms& s = *felt.signs;
  double sum = 0;
  const auto miss = [&sum](double seen, double said, double sigma) {
    sum += std::min(kImpossible, std::pow((seen - said) / sigma, 2));
  };
  if (s.rod_play_m) miss(*s.rod_play_m, f.system.control.rod_clearance.value(), kFinger_m);
  if (s.pivot_play_m) miss(*s.pivot_play_m, f.slack_m - felt.pin_m, 2 * kTape_m);
  if (!s.first_m && !s.second_m && !s.third_m) return sum;
  Condition c = f.condition;
  c.assist_alive = false;
  ReadingRow again;
  again.second_apply = true;
  const auto rested = FeelModel::make(f.system, c);
  const auto pumped = FeelModel::make(f.system, row_condition(c, again));
  if (!rested || !pumped) return sum + kImpossible;
  const double deep = pad_depth(*rested, s.push_n) + f.slack_m;
  const double high = pad_depth(*pumped, s.push_n) + f.slack_m;
  const auto own = [](double depth) { return std::max(3e-3, 0.08 * depth); };
  const auto pumped_m = s.third_m ? s.third_m : s.second_m;
  if (pumped_m) miss(*pumped_m, high, own(*pumped_m));
  if (s.first_m && pumped_m) miss(*s.first_m - *pumped_m, deep - high, std::sqrt(2.0) * kTape_m);
  if (s.first_m && !pumped_m) miss(*s.first_m, deep, own(*s.first_m));
  return sum;
}

Message test_between(Cause a, Cause b, const Symptoms* signs) {
  // In the order of the trials: what the first five would show is known when it was entered.
  const bool known[] = {signs && signs->first_m && (signs->third_m || signs->second_m),
                        signs && signs->sink_m, signs && signs->leak && signs->level,
                        signs && signs->engine_m,
                        signs && signs->rod_play_m && signs->pivot_play_m};
  for (const Trial& t : kTrials) {
    const auto at = static_cast<std::size_t>(&t - std::begin(kTrials));
    if (at < std::size(known) && known[at]) continue;
    if (t.shows[static_cast<std::size_t>(a)] != t.shows[static_cast<std::size_t>(b)])
      return Message::of_table(t.words);
  }
  return "Read more presses: three light ones, two firm ones, engine off and on";
}

}  // namespace yoke
