#include "calc/runs.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cmath>

#include "assist/reserve.hpp"
#include "assist/supply.hpp"
#include "circuit/shoe.hpp"
#include "fitting/off_axis.hpp"
#include "lines/fittings.hpp"
#include "lines/lines.hpp"
#include "lines/restriction.hpp"
#include "lines/threads.hpp"
#include "quantity/checks.hpp"
#include "rod/rod.hpp"
#include "work/pacing.hpp"

namespace yoke::calc {

Result crowfoot(In v) {
  const auto dial = crowfoot_dial(Torque{v[0]}, Length{v[1]}, Length{v[2]}, Angle{v[3]});
  if (!dial) return fail(dial.error());
  return std::vector{told("Set the wrench to", dial->value(), Kind::torque, 1)};
}

Result line(In v) {
  const auto volume = line_volume(Length{v[0]}, Length{v[1]});
  if (!volume) return fail(volume.error());
  return std::vector{told("Fluid in the line", volume->value(), Kind::volume, 1)};
}

Result cut_length(In v) {
  const Check checks[] = {{"bends", "The bends", v[3], 0, 40, Kind::number, "Count them"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const std::vector<Bend> bends(static_cast<std::size_t>(std::lround(v[3])),
                                Bend{Length{v[1]}, Angle{v[2]}});
  const auto length =
      developed_length(Length{v[0]}, bends, static_cast<int>(std::lround(v[4])), Length{v[5]});
  if (!length) return fail(length.error());
  return std::vector{told("Cut the tube to", length->value(), Kind::length, 0),
                     words_only("Order", "nut on first, cut square, deburr, flare, bend")};
}

Result thread_match(In v) {
  const auto threads = line_threads();
  const auto at = [&](double i) {
    return threads[std::min(threads.size() - 1, static_cast<std::size_t>(i))];
  };
  const MatingReport r = mate(at(v[0]), static_cast<Seat>(static_cast<int>(v[1])), at(v[2]),
                              static_cast<Seat>(static_cast<int>(v[3])));
  Figure f = words_only("Verdict", r.words);
  f.verdict = r.mating == Mating::fits ? Verdict::holds : Verdict::fails;
  return std::vector{f};
}

Result off_axis_sum(In v) {
  const OffAxis o{Length{v[0]}, Length{v[1]}, Length{v[2]}, Length{v[3]},
                  Length{v[4]}, Length{v[5]}, Length{v[6]}};
  const auto r = off_axis(o);
  if (!r) return fail(r.error());
  std::vector<Figure> f;
  f.push_back(judged("Left over sideways", r->side_left.value(), Kind::length, 1,
                     std::abs(r->side_left.value()) <= 1e-4, "the sum must come to 0"));
  f.push_back(judged("Left over in height", r->height_left.value(), Kind::length, 1,
                     std::abs(r->height_left.value()) <= 1e-4, "the sum must come to 0"));
  f.push_back(judged("Rod angle", r->angle.value(), Kind::angle, 1,
                     r->angle.value() <= 5 * kPi / 180, "3° good, 5° the most"));
  f.push_back(told("Side force a 1000 N push makes", 1000 * r->side_share, Kind::force, 0));
  f.push_back(told("Twist at the pivot a 1000 N push makes", 1000 * r->twist_m, Kind::torque, 1));
  f.push_back(told("Lug that would close it", lug_to_close(o).value(), Kind::length, 1));
  return f;
}

Result flange(In v) {
  const FlangeStack s{Length{v[0]}, Length{v[1]}, Length{v[2]}, Length{v[3]},
                      Length{v[4]}, v[5] == 1,    v[6] >= 1,    v[6] == 2};
  const auto r = flange_stack(s);
  if (!r) return fail(r.error());
  std::vector<Figure> f;
  f.push_back(judged("Thread left for the nut", r->engaged.value(), Kind::length, 1, r->enough,
                     say("{} wanted", length(r->wanted.value(), 1))));
  Figure crush = words_only("Panel", r->crushes ? "the box would be crushed: a sleeve is missing"
                                                : "the clamp load has a solid way");
  crush.verdict = r->crushes ? Verdict::fails : Verdict::holds;
  f.push_back(crush);
  f.push_back(told("Spacers move the unit: rod longer by", r->rod_longer.value(), Kind::length, 1));
  return f;
}

Result steering(In v) {
  const auto p = sweep_pace(v[0], Length{v[1]}, Length{v[2]}, Time{v[3]});
  if (!p) return fail(p.error());
  return std::vector{told("Rim distance lock to lock", p->rim.value(), Kind::length, 0),
                     told("Growing steps", p->steps, Kind::number, 0),
                     told("Time for each step", p->each.value(), Kind::time, 1),
                     words_only("With froth", "rest an hour, then again; up to three times")};
}

Result fitting_find(In v) {
  const Check checks[] = {{"outside", "The outside diameter", v[0], 0.005, 0.03, Kind::length,
                           "Over the crests, by caliper"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const int counted = static_cast<int>(std::lround(v[2]));
  Length pitch{v[1]};
  if (counted > 0) {
    const auto p = counted_pitch(counted, Length{v[3]});
    if (!p) return fail(p.error());
    pitch = *p;
  }
  const auto look = static_cast<SeatLook>(static_cast<int>(v[4]));
  const auto list = find_fittings(Length{v[0]}, pitch, look);
  std::vector<Figure> f{told("Pitch", pitch.value(), Kind::pitch, 2)};
  for (const Fitting& one : list)
    f.push_back(words_only(
        say("{}: {}", Message::data(std::string(one.thread)), Message::of_table(one.seat)),
        say("{}; spanner {}", Message::of_table(one.tube), Message::of_table(one.spanner))));
  if (list.empty())
    f.push_back(unsaid("No usual brake fitting", "measure again, with a known nut beside it"));
  else if (list.size() > 1)
    f.push_back(
        unsaid(plural(static_cast<long>(list.size()), "{} row fits", "{} rows fit"),
               look == SeatLook::not_looked
                   ? Message("look into the port with a lamp: the thread does not tell the seat")
                   : Message("measure again, and try a known nut by hand: it must run in whole")));
  return f;
}

Result joint_check(In v) {
  const JointRule r = joint_rule(static_cast<Joint>(static_cast<int>(v[0])),
                                 static_cast<Substance>(static_cast<int>(v[1])));
  Figure f = words_only(r.allowed ? "It belongs there" : "It does not belong there", r.why);
  f.verdict = r.allowed ? Verdict::holds : Verdict::fails;
  return std::vector{f};
}

Result restriction(In v) {
  const PathPart line{Length{v[0]}, Length{v[1]}};
  const PathPart narrow{Length{v[2]}, Length{v[3]}};
  const PathPart path[] = {line, narrow};
  const PathPart* const least = v[2] < v[0] ? &narrow : &line;
  std::vector<Figure> f;
  static constexpr std::pair<FluidState, const char*> kStates[] = {
      {FluidState::mild, "Delay at 20 °C"},
      {FluidState::warm, "Delay hot, 100 °C"},
      {FluidState::cold, "Delay in deep frost, −40 °C"}};
  for (const auto& [state, words] : kStates) {
    const auto with = path_delay(path, Volume{v[4]}, Pressure{v[5]}, state);
    if (!with) return fail(with.error());
    const auto without = path_delay({&line, 1}, Volume{v[4]}, Pressure{v[5]}, state);
    const Message plain =
        say("{} without the narrow place", amount(without->time_s, Kind::time, 3));
    f.push_back(told(words, with->time_s, Kind::time, 3,
                     with->reynolds > kLaminarReynolds
                         ? say("{}; it rushes, so longer than that", plain)
                         : plain));
  }
  f.push_back(told("Smallest bore", least->bore.value(), Kind::length, 2,
                   least == &narrow ? say("as hard to push through as {} of the line",
                                          length(as_long_as(line.bore, narrow).value(), 2))
                                    : Message("the line itself")));
  f.push_back(words_only("Held", "at a held pedal every wheel has the same pressure all the same"));
  return f;
}

Result copper(In v) {
  const auto s = supply_check(Length{v[0]}, Area{v[1]}, v[2], v[3]);
  if (!s) return fail(s.error());
  std::vector<Figure> f{judged("Volt drop", s->drop_share, Kind::fraction, 1, s->enough,
                               say("{} V of 12.0 V", Plain{s->drop_v, 2}))};
  if (s->smallest)
    f.push_back(told("Smallest metric size", s->smallest->value(), Kind::area, 1));
  else
    f.push_back(unsaid("Smallest metric size", "none up to 120 mm²"));
  return f;
}

Result vacuum_force(In v) {
  const Check checks[] = {
      {"first", "The diaphragm", v[0], 0.08, 0.35, Kind::length, "Shell less its rolled edge"},
      {"second", "The second diaphragm", v[1], 0, 0.35, Kind::length, "0 for a single booster"},
      {"vacuum", "The vacuum", v[2], 0, 101325, Kind::pressure, "Gauge reading at idle"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const Area a = effective_diaphragm(Length{v[0]}, Length{v[1]});
  return std::vector{told("Working area", a.value(), Kind::area, 0),
                     told("Largest assist", vacuum_assist(a, Pressure{v[2]}, 0.95).value(),
                          Kind::force, 0, "95 % of area times pressure")};
}

Result pump_time(In v) {
  const VacuumPump pump{v[0], Pressure{v[1]}};
  const auto t = pump_down_time(pump, Volume{v[2]}, Pressure{101325.0}, Pressure{101325.0 - v[3]},
                                Pressure{101325.0});
  if (!t) return fail(t.error());
  if (!*t) return std::vector{unsaid("Time", "never: the pump's end pressure lies above it")};
  return std::vector{told("Time to that vacuum", (*t)->value(), Kind::time, 1)};
}

Result stopping(In v) {
  const Check checks[] = {
      {"speed", "The speed", v[0], 0.3, 90, Kind::speed, "From the speedometer"},
      {"distance", "The distance", v[1], 0.1, 2000, Kind::altitude,
       "From the first braking to the stop"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double g = v[0] * v[0] / (2 * v[1]) / kGravity_m_s2;
  return std::vector{told("Mean deceleration", g, Kind::number, 3, "in g")};
}

Result shoe(In v) {
  const auto f = shoe_factor({Length{v[0]}, Length{v[1]}, Length{v[2]}}, v[3],
                             v[4] == 1 ? Shoes::two_leading : Shoes::leading_trailing);
  if (!f) return fail(f.error());
  return std::vector{told("Shoe factor", *f, Kind::number, 2)};
}

Result turns(In v) {
  const Check checks[] = {
      {"height", "The height", v[0], -0.3, 0.3, Kind::length, "At the pedal"},
      {"ratio", "The ratio", v[1], 1, 12, Kind::number, "From both arms"},
      {"pitch", "The pitch", v[2], 0.0005, 0.003, Kind::pitch, "24 tpi is usual"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const Length rod = rod_for_height(Length{v[0]}, v[1]);
  return std::vector{
      told("At the rod", rod.value(), Kind::length, 2),
      told("Turns", turns_for(rod, Length{v[2]}, v[3] == 1 ? 2 : 1), Kind::number, 1)};
}

Result head(In v) {
  const Length left = head_when_leaning(Length{v[0]}, Length{v[1]}, Angle{v[2]});
  return std::vector{judged("Head when leaning", left.value(), Kind::length, 0, left.value() > 0,
                            "below 0 the port draws air")};
}

Result air(In v) {
  const Check checks[] = {
      {"air", "The air", v[0], 0, 1e-3, Kind::volume, "At the ambient pressure"},
      {"pressure", "The pressure", v[1], 0, 2e7, Kind::pressure, "In the line"},
      {"bore", "The bore", v[2], 0.008, 0.06, Kind::length, "Caliper"},
      {"ratio", "The ratio", v[3], 1, 12, Kind::number, "From both arms"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double gone = air_volume_m3(v[0], v[1]);
  return std::vector{
      told("Gives up", v[0] > 0 ? gone / v[0] : 0.0, Kind::fraction, 1, "of its volume"),
      told("Pedal travel it takes", gone / circle_area(Length{v[2]}).value() * v[3], Kind::length,
           1)};
}

Result usual_torque(In v) {
  constexpr double kFootPound = 1.3558179483314004;
  struct Usual {
    double least, most;
    const char* note;
  };
  static constexpr Usual table[] = {{12 * kFootPound, 12 * kFootPound, "flare spanner, joint dry"},
                                    {20 * kFootPound, 25 * kFootPound, "new washer"},
                                    {15, 15, "two new washers"},
                                    {2, 2, "6 mm spanner: it shears easily"}};
  const Usual& u = table[std::min(std::size(table) - 1, static_cast<std::size_t>(v[0]))];
  std::vector<Figure> f{told("Usual torque", u.least, Kind::torque, 1, u.note)};
  if (u.most > u.least) f.push_back(told("Up to", u.most, Kind::torque, 1));
  f.push_back(words_only("The maker's figure", "wins always"));
  return f;
}

Result pedal_height(In v) {
  const Check checks[] = {{"above", "The height", v[0], -0.1, 0.4, Kind::length,
                           "Pedal pad's face over the accelerator's, both at rest"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  constexpr double kInch = 0.0254;
  const char* words = v[0] <= 2.25 * kInch   ? "about what many builders aim for, 2 in"
                      : v[0] <= 3.25 * kInch ? "usable; 2 in is the common wish"
                      : v[0] < 5 * kInch     ? "high: the foot must lift from the accelerator"
                                             : "dangerously high";
  return std::vector{
      judged("Pedal above the accelerator", v[0], Kind::length, 0, v[0] < 5 * kInch, words)};
}

Result hone(In v) {
  const Check checks[] = {
      {"bore", "The bore", v[0], 0.005, 0.1, Kind::length, "Caliper, two directions"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  constexpr double kInch = 0.0254;
  return std::vector{judged("Bore", v[0], Kind::length, 2,
                            v[0] >= 0.75 * kInch && v[0] <= 2 * kInch,
                            "common hones span 3/4 to 2 in; only brake fluid on stones and cups")};
}

}  // namespace yoke::calc
