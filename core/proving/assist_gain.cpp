#include "proving/assist_gain.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

constexpr double kLeastPush_n = 5;

/// The push at a pad travel; nothing beyond the press.
std::optional<double> push_at(const FeelModel& m, double travel_m) {
  double low = 0, high = m.end_drive();
  if (travel_m <= m.at(low).pad_travel_m || travel_m >= m.at(high).pad_travel_m)
    return std::nullopt;
  // Travel rises with the drive: halved until nothing is left.
  for (int i = 0; i < 60; ++i) {
    const double mid = 0.5 * (low + high);
    (m.at(mid).pad_travel_m < travel_m ? low : high) = mid;
  }
  return m.at(0.5 * (low + high)).pad_force_n;
}

/// What the readings without the assist were off, in the middle.
double off_without(const FeelModel& dead, const std::vector<Reading>& readings) {
  std::vector<double> off;
  for (const Reading& r : readings) {
    if (r.assist_alive || r.second_apply || r.hoses_clamped || r.rejected) continue;
    if (const auto t = predicted_travel_m(dead, r.force_n)) off.push_back(r.travel_m - *t);
  }
  if (off.empty()) return 0;
  std::nth_element(off.begin(), off.begin() + static_cast<std::ptrdiff_t>(off.size() / 2),
                   off.end());
  return off[off.size() / 2];
}

}  // namespace

std::vector<AssistGain> assist_gains(const System& system, const std::vector<Reading>& readings) {
  std::vector<AssistGain> list;
  if (std::holds_alternative<NoAssist>(system.assist) && !system.servo) return list;
  Condition off;
  off.assist_alive = false;
  const auto dead = FeelModel::make(system, off);
  const auto alive = FeelModel::make(system, {});
  if (!dead || !alive) return list;
  const double common_m = off_without(*dead, readings);
  for (const Reading& r : readings) {
    if (!r.assist_alive || r.second_apply || r.hoses_clamped || r.rejected) continue;
    if (r.force_n < kLeastPush_n) continue;
    const auto push = push_at(*dead, r.travel_m - common_m);
    const auto beside = push_at(*dead, r.travel_m - common_m + 0.5e-3);
    const auto travel = predicted_travel_m(*alive, r.force_n);
    const auto told = travel ? push_at(*dead, *travel) : std::nullopt;
    if (!push || !beside || !told) continue;
    const double slope = (*beside - *push) / 0.5e-3;
    AssistGain g;
    g.force_n = r.force_n;
    g.gain.value = *push / r.force_n;
    g.gain.uncertainty = std::hypot(slope * r.travel_uncertainty_m / r.force_n,
                                    g.gain.value * r.force_uncertainty_n / r.force_n);
    g.foretold = *told / r.force_n;
    list.push_back(g);
  }
  std::sort(list.begin(), list.end(),
            [](const AssistGain& a, const AssistGain& b) { return a.force_n < b.force_n; });
  return list;
}

EightInTen eight_in_ten(const Estimate& e) {
  if (e.within) return *e.within;
  const double half = kEightInTen * e.uncertainty / kCoverage;
  return {e.value - half, e.value + half};
}

}  // namespace yoke
