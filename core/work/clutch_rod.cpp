#include "work/clutch_rod.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"

namespace yoke {

namespace {

/// Turns in halves, as they are counted at a jam nut.
double half_turns_up(double turns) {
  return std::ceil(2 * turns - 1e-6) / 2;
}

void say_turns(ClutchRodStart& r) {
  const Message cover =
      r.cover_said ? Message() : Message("; the cover's travel limit is not known");
  // A stop, a bore or a pitch that nobody measured moves the window.
  const Message typical = r.typical ? Message(", by values that nobody measured") : Message();
  r.says = say("Begin {} turns shorter than planned; free after {} turns out, {} at most{}{}",
               Plain{*r.start_turns, 1}, Plain{*r.free_turns, 1}, Plain{*r.most_turns, 1}, cover,
               typical);
}

}  // namespace

ClutchRodStart clutch_rod_start(const Job& job) {
  ClutchRodStart r;
  const Values v = resolve(job, As::plan);
  if (!works_clutch(v)) return r;
  const ClutchAssembly a = assemble_clutch(v);
  r.missing = a.missing;
  if (!a.system) return r;
  const auto k = Kinematics::make(a.system->control);
  const auto report = clutch_report(*a.system);
  const auto model = ClutchModel::make(*a.system);
  if (!k || !report || !model) return r;
  r.asked = true;
  r.planned_m = a.system->control.rod_clearance.value();
  const double at_stop_m = k->rod_travel(k->limit()).value();
  const ClutchUnit& unit = a.system->unit;
  const auto behind = [&](double bearing_m) {
    return model->at(bearing_m).rod_travel_m - r.planned_m;
  };
  r.free_m = at_stop_m - behind(unit.release.value());
  r.least_m = kLeastClutchClearance_m;
  for (const Param p :
       {param::control_pad_arm, param::control_pin_arm, param::master_bore,
        param::clutch_slave_bore, param::clutch_release, param::control_pad_stop, param::rod_pitch})
    r.typical = r.typical || !value_of(job, As::plan, p).settled();
  r.cover_said = unit.limit.has_value();
  if (unit.limit) r.least_m = std::max(r.least_m, at_stop_m - behind(unit.limit->value()));
  r.none = r.free_m < r.least_m;
  if (r.none) {
    r.says = say("No rod length does it: free at {} of clearance and less, at least {} is needed",
                 amount(r.free_m, Kind::length, 1), amount(r.least_m, Kind::length, 1));
    return r;
  }
  const EndsReport ends = ends_report(job, rod_report(job));
  r.per_turn_m = ends.per_turn_m;
  if (!r.per_turn_m || *r.per_turn_m <= 0) {
    r.missing.push_back(param::rod_pitch);
    r.says = say("Free at {} of clearance and less, at least {}", amount(r.free_m, Kind::length, 1),
                 amount(r.least_m, Kind::length, 1));
    return r;
  }
  // A turn shorter than where it comes free; no further than the thread goes.
  double start = std::max(0.0, half_turns_up((r.free_m - r.planned_m) / *r.per_turn_m + 1));
  if (ends.turns_shorter) start = std::min(start, std::floor(2 * *ends.turns_shorter) / 2);
  r.start_turns = start;
  const double begin_m = r.planned_m + start * *r.per_turn_m;
  r.free_turns = std::max(0.0, half_turns_up((begin_m - r.free_m) / *r.per_turn_m));
  r.most_turns = std::floor(2 * (begin_m - r.least_m) / *r.per_turn_m + 1e-6) / 2;
  say_turns(r);
  return r;
}

}  // namespace yoke
