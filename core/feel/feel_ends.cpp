// What ends a press, and where axles lock along it.
#include <algorithm>
#include <cmath>

#include "feel/feel.hpp"
#include "feel/roots.hpp"

namespace yoke {

std::optional<Stop> FeelModel::stopped(double drive) const {
  if (locked_pa_ > 0 && drive > locked_pa_ * 1.2) return Stop::locked;
  const Delivery d = deliver(drive);
  const Strokes s = strokes(d);
  const Master& m = system_.master;
  constexpr double kHair_m = 1e-12;
  if (rod_before_stroke_m() + s.stroke_m > kinematics_.rod_limit().value() * (1 + 1e-12))
    return kinematics_.limited_by_geometry() ? Stop::geometry : Stop::pad_stop;
  if (system_.strokes_known) {
    if (!lost(0) && s.first_m > m.stroke1.value() + kHair_m) return Stop::primary_stroke;
    if (two_circuits(m) && !lost(1) && s.second_m > m.stroke2.value() + kHair_m)
      return Stop::secondary_stroke;
  }
  if (system_.booster_stroke && gap_m() + s.stroke_m > system_.booster_stroke->value())
    return Stop::booster_stroke;
  if (std::max(d.line_pa[0], d.line_pa[1]) > kPressureLimit_pa * (1 + 1e-9))
    return Stop::pressure_limit;
  return std::nullopt;
}

double FeelModel::beyond_stop(double drive) const {
  const Delivery d = deliver(drive);
  const Strokes s = strokes(d);
  const Master& m = system_.master;
  const auto over = [](double value, double limit) {
    return limit > 0 ? value / limit - 1 : value - limit;
  };
  double beyond = over(rod_before_stroke_m() + s.stroke_m, kinematics_.rod_limit().value());
  beyond = std::max(beyond, over(std::max(d.line_pa[0], d.line_pa[1]), kPressureLimit_pa));
  if (system_.strokes_known) {
    if (!lost(0)) beyond = std::max(beyond, over(s.first_m, m.stroke1.value()));
    if (two_circuits(m) && !lost(1)) beyond = std::max(beyond, over(s.second_m, m.stroke2.value()));
  }
  if (system_.booster_stroke)
    beyond = std::max(beyond, over(gap_m() + s.stroke_m, system_.booster_stroke->value()));
  return beyond;
}

bool FeelModel::all_locked(double drive) const {
  const Delivery d = deliver(drive);
  const Braking b = braking_of(d);
  if (b.rear_lifts || b.lock == Lock::both) return true;
  const bool front = branches_[0][0].live || branches_[1][0].live;
  const bool rear = branches_[0][1].live || branches_[1][1].live;
  return (!rear && b.lock == Lock::front) || (!front && b.lock == Lock::rear);
}

void FeelModel::find_end() {
  const auto locks = [this](double p) { return all_locked(p); };
  const auto beyond_lock = [this](double p) {
    const Axles a = axles(deliver(p));
    return beyond_all_locked(*system_.vehicle, a.front, a.rear);
  };
  if (system_.vehicle && locks(most_drive_))
    locked_pa_ = first_true(0.0, most_drive_, locks, beyond_lock);
  if (const auto s = stopped(0.0)) {
    stop_ = *s;
    end_drive_ = 0;
    return;
  }
  if (!stopped(most_drive_)) {
    stop_ = Stop::pressure_limit;
    end_drive_ = most_drive_;
    return;
  }
  const double beyond = first_true(
      0.0, most_drive_, [this](double p) { return stopped(p).has_value(); },
      [this](double p) {
        return locked_pa_ > 0 ? std::max(beyond_stop(p), p / (locked_pa_ * 1.2) - 1)
                              : beyond_stop(p);
      });
  stop_ = stopped(beyond).value_or(Stop::pad_stop);
  end_drive_ = beyond * (1 - 2e-9);
}

std::optional<double> FeelModel::first_lock_drive() const {
  if (!system_.vehicle || braking_at(end_drive_).lock == Lock::none) return std::nullopt;
  // As in drive_for_z: whether the end is known changes nothing.
  return first_true(
      0.0, most_drive_, [this](double p) { return braking_at(p).lock != Lock::none; },
      [this](double p) {
        const Axles a = axles(deliver(p));
        return beyond_first_lock(*system_.vehicle, a.front, a.rear);
      });
}

}  // namespace yoke
