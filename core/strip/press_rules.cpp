#include "strip/press_rules.hpp"

namespace yoke {

namespace {

bool is_failure(ConditionId id) {
  return id == ConditionId::assist_lost || id == ConditionId::primary_lost ||
         id == ConditionId::secondary_lost;
}

Amount in_g(double z) {
  return amount(z, Kind::number, 2);
}

PressFault not_reached(const TargetReport& r, bool by_pressure) {
  const Message stop = Message::of_table(stop_words(r.prevented_by));
  if (by_pressure)
    return {PressRule::reached, amount(r.wanted - r.at.pressure_pa, Kind::pressure, 2),
            say("only {}: {}", amount(r.at.pressure_pa, Kind::pressure, 2), stop), r.prevented_by};
  return {PressRule::reached, in_g(r.wanted - r.at.z), say("only {} g: {}", Plain{r.at.z, 2}, stop),
          r.prevented_by};
}

PressFault too_hard(const TargetReport& r, double limit_n) {
  const Amount by = force(r.at.pad_force_n - limit_n);
  return {PressRule::effort, by, say("{} too hard", by)};
}

PressFault reserve_short(PressRule rule, double share, double wanted) {
  const int digits = wanted - share < 0.01 ? 1 : 0;  // never "10 %, wanted 10 %"
  return {
      rule, amount(wanted - share, Kind::fraction, digits),
      say("reserve {} %, wanted {} %", Plain{share * 100, digits}, Plain{wanted * 100, digits})};
}

/// One failure, hot, or air: what is left must serve the second press too.
PressFault failed_reserve(double left_m, double share, const Limits& l) {
  if (left_m <= 0) return {PressRule::reserve_failed, length(-left_m, 0), "on the floor"};
  if (share < l.reserve_failed_share)
    return reserve_short(PressRule::reserve_failed, share, l.reserve_failed_share);
  if (left_m < l.reserve_failed_m)
    return {
        PressRule::reserve_failed, length(l.reserve_failed_m - left_m, 0),
        say("{} before the floor, wanted {}", length(left_m, 0), length(l.reserve_failed_m, 0))};
  return {};
}

/// With both axles' loads at the moment of locking: surface and load are those of the vehicle.
PressFault lock_order(const FeelModel& model) {
  const auto drive = model.first_lock_drive();
  if (!drive) return {};
  const FeelPoint at = model.at(*drive * (1 + 1e-6));
  if (at.lock != Lock::rear || at.z >= kRearLock_g) return {};
  return {PressRule::lock_order, in_g(kRearLock_g - at.z),
          say("rear locks first, at {} g on tyres that grip {}", Plain{at.z, 2},
              Plain{model.system().vehicle->tyre_mu, 2})};
}

PressFault too_long(const TargetReport& r, double limit_m) {
  const Amount by = length(r.at.pad_travel_m - limit_m, 0);
  return {PressRule::travel, by, say("{} too long", by)};
}

}  // namespace

TargetReport condition_target(ConditionId id, const FeelModel& model, const Limits& l) {
  if (!model.system().vehicle) return model.at_pressure(l.pressure_pa);
  return model.at_z(is_failure(id) ? l.z_failed : l.z);
}

PressFault clutch_fault(ConditionId id, const ClutchReport& r, const ClutchUnit& unit,
                        const Limits& l) {
  if (!r.releases)
    return {PressRule::release, length(unit.release.value() - r.end.bearing_m, 1),
            say("only {} of {} at the bearing: {}", length(r.end.bearing_m, 1),
                length(unit.release.value(), 1), Message::of_table(clutch_stop_words(r.stop)))};
  if (r.peak_n > l.effort_n) {
    const Amount by = force(r.peak_n - l.effort_n);
    return {PressRule::effort, by, say("{} too hard", by)};
  }
  if (r.over_travel_m && *r.over_travel_m > 0)
    return {PressRule::over_travel, length(*r.over_travel_m, 1),
            say("{} beyond the cover's limit", length(*r.over_travel_m, 1))};
  if (r.wear_left_m && *r.wear_left_m < unit.wear.value())
    return {PressRule::wear, length(unit.wear.value() - *r.wear_left_m, 1),
            say("room for {} of wear only", length(*r.wear_left_m, 1))};
  if (id != ConditionId::hot && id != ConditionId::air_left) return {};
  const double left_m = r.end.pad_travel_m - r.release.pad_travel_m;
  return failed_reserve(left_m, r.end.pad_travel_m > 0 ? left_m / r.end.pad_travel_m : 0, l);
}

std::vector<PressFault> press_faults(ConditionId id, const FeelModel& model, const TargetReport& r,
                                     const Limits& l) {
  std::vector<PressFault> list;
  const bool failure = is_failure(id);
  const bool sound = id == ConditionId::found || id == ConditionId::plan;
  if (!r.reached) {
    list.push_back(not_reached(r, !model.system().vehicle));
  } else {
    // With a circuit lost the bar leans by design.
    if (!failure && r.at.bar_binds)
      list.push_back({PressRule::bar, {}, "the balance bar leans on its limit"});
    if (r.at.pad_force_n < 0) list.push_back({PressRule::returns, {}, "the pedal would stay down"});
    const double effort_n = failure ? l.effort_failed_n : l.effort_n;
    if (r.at.pad_force_n > effort_n) list.push_back(too_hard(r, effort_n));
    if (sound && r.at.pad_travel_m > l.travel_m) list.push_back(too_long(r, l.travel_m));
    if (sound && r.reserve_share < l.reserve_share)
      list.push_back(reserve_short(PressRule::reserve, r.reserve_share, l.reserve_share));
    if (!sound)
      if (PressFault f = failed_reserve(r.reserve_m, r.reserve_share, l); !f.none())
        list.push_back(std::move(f));
  }
  if (sound)
    if (PressFault f = lock_order(model); !f.none()) list.push_back(std::move(f));
  return list;
}

}  // namespace yoke
