#include "strip/press_rules.hpp"

#include <algorithm>

namespace yoke {

bool is_failure(ConditionId id) {
  return id == ConditionId::assist_lost || id == ConditionId::primary_lost ||
         id == ConditionId::secondary_lost;
}

namespace {

/// Judged for comfort too, not only for what must be left.
bool is_sound(ConditionId id) {
  return id == ConditionId::found || id == ConditionId::plan;
}
double effort_limit(ConditionId id, const Limits& l) {
  return is_failure(id) ? l.effort_failed_n : l.effort_n;
}

Amount in_g(double z) {
  return amount(z, Kind::number, 2);
}

Message stop_brief(Stop stop) {
  switch (stop) {
    case Stop::pad_stop:
      return "floor";
    case Stop::geometry:
      return "end of the linkage";
    case Stop::primary_stroke:
      return "first piston at its end";
    case Stop::secondary_stroke:
      return "far piston at its end";
    case Stop::booster_stroke:
      return "booster at its end";
    case Stop::locked:
      return "wheels locked";
    case Stop::pressure_limit:
      return "20 MPa";
  }
  return {};
}

PressFault not_reached(const TargetReport& r, bool by_pressure) {
  const Message stop = Message::of_table(stop_words(r.prevented_by));
  if (by_pressure)
    return {PressRule::reached, amount(r.wanted - r.at.pressure_pa, Kind::pressure, 2),
            say("only {}: {}", amount(r.at.pressure_pa, Kind::pressure, 2), stop), r.prevented_by,
            say("only {}: {}", amount(r.at.pressure_pa, Kind::pressure, 2),
                stop_brief(r.prevented_by))};
  return {PressRule::reached, in_g(r.wanted - r.at.z), say("only {} g: {}", Plain{r.at.z, 2}, stop),
          r.prevented_by, say("only {} g: {}", Plain{r.at.z, 2}, stop_brief(r.prevented_by))};
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

/// How much more of its grip the front uses than the rear, where the first axle locks or the press
/// ends; below 0: the rear locks first under hard braking, by the g that are missing.
/// Leaves the state there.
double lock_margin(const FeelModel& model, const std::optional<double>& lock, FeelPoint& at) {
  const double drive = lock ? *lock * (1 + 1e-6) : model.end_drive();
  at = model.at(drive);
  if (lock && at.lock == Lock::rear) return at.z - kRearLock_g;
  const Vehicle& car = *model.system().vehicle;
  const double weight_n = car.mass.value() * kGravity_m_s2;
  const double h = car.cg_height.value() / car.wheelbase.value();
  const WheelForces f = model.wheel_forces(drive);
  const auto used = [&](double force_n, double share, double load) {
    const double grip = car.tyre_mu * share * std::max(load, 1e-9);
    return grip > 0 ? force_n / weight_n / grip : 0.0;
  };
  const double more = used(f.front_n, f.front_share, car.front_share + at.z * h) -
                      used(f.rear_n, f.rear_share, 1 - car.front_share - at.z * h);
  return std::max(more, lock ? 0.0 : 1e-12);
}

PressFault rear_first(const System& system, const FeelPoint& at) {
  return {PressRule::lock_order, in_g(kRearLock_g - at.z),
          say("rear locks first, at {} g on tyres that grip {}", Plain{at.z, 2},
              Plain{system.vehicle ? system.vehicle->tyre_mu : 0.0, 2})};
}

PressFault too_long(const TargetReport& r, double limit_m) {
  const Amount by = length(r.at.pad_travel_m - limit_m, 0);
  return {PressRule::travel, by, say("{} too long", by)};
}

/// Below 0: less than what must be left, in metres at the pad.
double failed_margin(double left_m, double share, double available_m, const Limits& l) {
  if (left_m <= 0) return std::min(left_m, -1e-12);
  return std::min((share - l.reserve_failed_share) * std::max(available_m, 1e-12),
                  left_m - l.reserve_failed_m);
}

struct ClutchReserve {
  double left_m;
  double share;
};
ClutchReserve clutch_reserve(const ClutchReport& r) {
  const double left_m = r.end.pad_travel_m - r.release.pad_travel_m;
  return {left_m, r.end.pad_travel_m > 0 ? left_m / r.end.pad_travel_m : 0.0};
}

}  // namespace

TargetReport condition_target(ConditionId id, const FeelModel& model, const Limits& l,
                              Detail detail) {
  if (!model.system().vehicle) return model.at_pressure(l.pressure_pa, detail);
  return model.at_z(is_failure(id) ? l.z_failed : l.z, detail);
}

namespace {

/// Every rule but the order of locking.
PressMargins target_margins(ConditionId id, const FeelModel& model, const TargetReport& r,
                            const Limits& l) {
  PressMargins m;
  const bool vehicle = model.system().vehicle.has_value();
  const double missing = (vehicle ? r.at.z : r.at.pressure_pa) - r.wanted;
  m.set(PressRule::reached, r.reached ? std::max(r.room, 0.0) : std::min(missing, -1e-12));
  // With a circuit lost the bar leans by design.
  if (model.system().master.kind == MasterKind::dual && !is_failure(id))
    m.set(PressRule::bar, r.at.bar_binds ? -1.0 : 1.0);
  if (r.reached) {
    m.reach = {r.room, r.reserve_m, r.left1_m, r.left2_m};
    m.set(PressRule::returns, r.at.pad_force_n);
    m.set(PressRule::effort, effort_limit(id, l) - r.at.pad_force_n);
    if (is_sound(id)) {
      m.set(PressRule::travel, l.travel_m - r.at.pad_travel_m);
      m.set(PressRule::reserve, r.reserve_share - l.reserve_share);
    } else {
      m.set(PressRule::reserve_failed,
            failed_margin(r.reserve_m, r.reserve_share, r.available_m, l));
    }
  }
  return m;
}

void set_lock_order(JudgedPress& p, const FeelModel& model, const std::optional<double>& lock) {
  p.margins.set(PressRule::lock_order, lock_margin(model, lock, p.first_lock));
  p.margins.no_lock = !lock;
}

bool asks_lock_order(ConditionId id, const FeelModel& model) {
  return is_sound(id) && model.system().vehicle.has_value();
}

}  // namespace

JudgedPress judge_press(ConditionId id, const FeelModel& model, const TargetReport& r,
                        const Limits& l) {
  JudgedPress p{r, target_margins(id, model, r, l), {}};
  if (asks_lock_order(id, model)) set_lock_order(p, model, model.first_lock_drive());
  return p;
}

Expected<JudgedPress> judge_press(ConditionId id, const System& system, const Condition& condition,
                                  const Limits& l, Detail detail) {
  // A hair before a stop the stop itself is sought, so that both ways tell the same.
  constexpr double kHair = 1e-8;
  auto model = FeelModel::make(system, condition, Ends::open);
  if (!model) return fail(model.error());
  JudgedPress p;
  p.target = condition_target(id, *model, l, detail);
  const bool locks = asks_lock_order(id, *model);
  if (p.target.reached && p.target.room > kHair) {
    p.margins = target_margins(id, *model, p.target, l);
    if (!locks) return p;
    if (const auto lock = model->first_lock_drive(); lock && model->room(*lock) > kHair) {
      set_lock_order(p, *model, lock);
      // A press ends soon after the rear has lifted: that end is to be sought.
      if (!p.first_lock.rear_lifts) return p;
    }
  }
  model->find_end();
  return judge_press(id, *model, condition_target(id, *model, l, detail), l);
}

PressFault fault_of(PressRule rule, ConditionId id, const System& system, const JudgedPress& p,
                    const Limits& l) {
  const TargetReport& r = p.target;
  switch (rule) {
    case PressRule::reached:
      return not_reached(r, !system.vehicle);
    case PressRule::bar:
      return {rule, {}, "the balance bar leans on its limit"};
    case PressRule::returns:
      return {rule, {}, "the pedal would stay down"};
    case PressRule::effort:
      return too_hard(r, effort_limit(id, l));
    case PressRule::travel:
      return too_long(r, l.travel_m);
    case PressRule::reserve:
      return reserve_short(rule, r.reserve_share, l.reserve_share);
    case PressRule::reserve_failed:
      return failed_reserve(r.reserve_m, r.reserve_share, l);
    case PressRule::lock_order:
      return rear_first(system, p.first_lock);
    default:
      return {};
  }
}

std::vector<PressFault> press_faults(ConditionId id, const System& system, const JudgedPress& p,
                                     const Limits& l) {
  std::vector<PressFault> list;
  for (std::size_t i = 0; i < kPressRules; ++i)
    if (const auto rule = static_cast<PressRule>(i); p.margins.fails(rule))
      list.push_back(fault_of(rule, id, system, p, l));
  return list;
}

PressMargins clutch_margins(ConditionId id, const ClutchReport& r, const ClutchUnit& unit,
                            const Limits& l) {
  PressMargins m;
  const double beyond = r.end.bearing_m - unit.release.value();
  m.set(PressRule::release, r.releases ? std::max(beyond, 0.0) : std::min(beyond, -1e-12));
  m.reach = {beyond, r.end.pad_travel_m - r.release.pad_travel_m, r.master_left_m,
             r.slave_left_m.value_or(0)};
  // A cover can break, and a slave run out, on a clutch that does not release either.
  if (unit.limit) m.set(PressRule::over_travel, unit.limit->value() - r.end.bearing_m);
  if (r.wear_left_m) m.set(PressRule::wear, *r.wear_left_m - unit.wear.value());
  if (!r.releases) return m;
  m.set(PressRule::effort, l.effort_n - r.peak_n);
  if (id == ConditionId::hot || id == ConditionId::air_left) {
    const auto [left_m, share] = clutch_reserve(r);
    m.set(PressRule::reserve_failed, failed_margin(left_m, share, r.end.pad_travel_m, l));
  }
  return m;
}

PressFault clutch_fault_of(PressRule rule, const ClutchReport& r, const ClutchUnit& unit,
                           const Limits& l) {
  switch (rule) {
    case PressRule::release:
      return {rule, length(unit.release.value() - r.end.bearing_m, 1),
              say("only {} of {} at the bearing: {}", length(r.end.bearing_m, 1),
                  length(unit.release.value(), 1), Message::of_table(clutch_stop_words(r.stop)))};
    case PressRule::effort: {
      const Amount by = force(r.peak_n - l.effort_n);
      return {rule, by, say("{} too hard", by)};
    }
    case PressRule::over_travel: {
      const Amount by = length(r.over_travel_m.value_or(0), 1);
      return {rule, by, say("{} beyond the cover's limit", by)};
    }
    case PressRule::wear:
      return {rule, length(unit.wear.value() - r.wear_left_m.value_or(0), 1),
              say("room for {} of wear only", length(r.wear_left_m.value_or(0), 1))};
    case PressRule::reserve_failed: {
      const auto [left_m, share] = clutch_reserve(r);
      return failed_reserve(left_m, share, l);
    }
    default:
      return {};
  }
}

PressFault clutch_fault(ConditionId id, const ClutchReport& r, const ClutchUnit& unit,
                        const Limits& l) {
  // The order in which a clutch's rules are told is not the table's: release first.
  const PressMargins m = clutch_margins(id, r, unit, l);
  for (const PressRule rule : {PressRule::release, PressRule::effort, PressRule::over_travel,
                               PressRule::wear, PressRule::reserve_failed})
    if (m.fails(rule)) return clutch_fault_of(rule, r, unit, l);
  return {};
}

namespace {

Message wish() {
  return "the builder's wish";
}
RuleFigure share_figure(double share, double limit) {
  return {say("{} %", Plain{share * 100, 0}), say("{} % at least", Plain{limit * 100, 0}), wish()};
}

}  // namespace

RuleFigure rule_figure(PressRule rule, ConditionId id, const TargetReport& r, const Limits& l,
                       bool by_pressure) {
  switch (rule) {
    case PressRule::reached:
      if (by_pressure)
        return {say("{}", amount(r.at.pressure_pa, Kind::pressure, 2)),
                say("{}", amount(r.wanted, Kind::pressure, 2)),
                "stands in for a stop while the vehicle is unknown; common practice, no source"};
      return {say("{} g", Plain{r.at.z, 2}), say("{} g", Plain{r.wanted, 2}),
              is_failure(id)
                  ? Message("49 CFR 571.135, not checked against its text; local law rules")
                  : wish()};
    case PressRule::effort:
      return {say("{}", force(r.at.pad_force_n)), say("{} at most", force(effort_limit(id, l))),
              is_failure(id)
                  ? Message("49 CFR 571.135, not checked against its text; local law rules")
                  : wish()};
    case PressRule::travel:
      return {say("{}", length(r.at.pad_travel_m, 0)), say("{} at most", length(l.travel_m, 0)),
              wish()};
    case PressRule::reserve:
      return share_figure(r.reserve_share, l.reserve_share);
    case PressRule::reserve_failed:
      return {say("{} %, {}", Plain{r.reserve_share * 100, 0}, length(r.reserve_m, 0)),
              say("{} % and {} at least", Plain{l.reserve_failed_share * 100, 0},
                  length(l.reserve_failed_m, 0)),
              wish()};
    case PressRule::lock_order:
      return {{},
              say("front first up to {} g", Plain{kRearLock_g, 1}),
              "ECE R13-H, not checked against its text"};
    case PressRule::release:
    case PressRule::over_travel:
      return {{}, {}, "the cover's maker"};
    default:
      return {{}, {}, "common practice, no source"};
  }
}

}  // namespace yoke
