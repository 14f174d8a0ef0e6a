#include "road/stops.hpp"

#include <algorithm>
#include <cmath>

#include "vehicle/vehicle.hpp"

namespace yoke {

namespace {

constexpr double kBraking_g = 0.1;
constexpr double kGap_s = 0.3;  // a foot that eases is still the same stop
constexpr double kStill_s = 1.0;

tl::unexpected<Error> wrong(Message reason, Message remedy) {
  return fail({.field = "trace",
               .value = "",
               .range = "",
               .reason = std::move(reason),
               .remedy = std::move(remedy)});
}

struct Row {
  double t_s, a_m_s2;
};

}  // namespace

std::optional<StopFigures> stop_figures(const RoadStop& s) {
  if (!(s.speed_m_s > 0) || !(s.distance_m > 0)) return std::nullopt;
  StopFigures f;
  const double flat = s.speed_m_s * s.speed_m_s / (2 * s.distance_m * kGravity_m_s2);
  f.z = flat + std::sin(s.slope_rad);
  // A speedometer and a pace: what nobody said about them. Common practice, no source.
  const bool speed_told = s.speed_plus_minus > 0;
  const bool distance_told = s.distance_plus_minus > 0;
  const double speed = speed_told ? s.speed_plus_minus : 0.1 * s.speed_m_s;
  const double distance = distance_told ? s.distance_plus_minus : std::max(0.3, 0.1 * s.distance_m);
  f.taken = !speed_told || !distance_told;
  f.plus_minus = flat * std::hypot(2 * speed / s.speed_m_s, distance / s.distance_m);
  return f;
}

Message stop_words(const StopFigures& f) {
  return f.taken ? say("{} g ± {}, the ± taken, not told", Plain{f.z, 2}, Plain{f.plus_minus, 2})
                 : say("{} g ± {}", Plain{f.z, 2}, Plain{f.plus_minus, 2});
}

bool stop_is_weak(const StopFigures& f, double wanted_z) {
  return f.z + (f.taken ? 0 : f.plus_minus) < wanted_z;
}

Expected<PhoneStop> phone_stop(const std::vector<std::vector<double>>& rows,
                               const PhoneColumns& c) {
  if (rows.size() > kMostPhoneRows) return wrong("The table is too long", "Cut it to one stop");
  std::vector<Row> list;
  for (const auto& r : rows) {
    if (std::max(c.time, c.along) >= r.size()) continue;
    const double t = r[c.time] * c.time_s, a = r[c.along] * c.along_m_s2;
    if (!std::isfinite(t) || !std::isfinite(a)) continue;
    if (!list.empty() && t < list.back().t_s)
      return wrong("Its times run backward", "Choose the column that tells the time");
    list.push_back({t, a});
  }
  if (list.size() < 20 || list.back().t_s - list.front().t_s < 2)
    return wrong("There are not two seconds of samples in it",
                 "Choose the columns; the stop and a second of standing belong to it");
  // Standing at the end: what the phone tells then is its zero, tilt and hill included.
  double zero = 0, n = 0;
  for (const Row& r : list)
    if (r.t_s > list.back().t_s - kStill_s) zero += r.a_m_s2, n += 1;
  zero /= n;
  double spread = 0;
  for (const Row& r : list)
    if (r.t_s > list.back().t_s - kStill_s) spread += std::pow(r.a_m_s2 - zero, 2);
  if (std::sqrt(spread / n) > 0.1 * kGravity_m_s2)
    return wrong("It does not end with a second of standing", "Let it run on until the car rests");
  PhoneStop best;
  for (std::size_t i = 0; i < list.size(); ++i) {
    if (list[i].a_m_s2 - zero < kBraking_g * kGravity_m_s2) continue;
    std::size_t last = i;
    double v = 0, most = 0;
    std::vector<double> speed_from_begin{0};
    for (std::size_t k = i + 1; k < list.size(); ++k) {
      const double a = list[k].a_m_s2 - zero;
      if (a >= kBraking_g * kGravity_m_s2) last = k;
      if (list[k].t_s - list[last].t_s > kGap_s) break;
    }
    for (std::size_t k = i; k < last; ++k) {
      const double dt = list[k + 1].t_s - list[k].t_s;
      v += 0.5 * (list[k].a_m_s2 + list[k + 1].a_m_s2 - 2 * zero) * dt;
      most = std::max(most, list[k + 1].a_m_s2 - zero);
      speed_from_begin.push_back(v);
    }
    const double seconds = list[last].t_s - list[i].t_s;
    if (seconds > best.seconds) {
      best.seconds = seconds;
      best.speed_m_s = v;
      best.z_mean = v / seconds / kGravity_m_s2;
      best.z_most = most / kGravity_m_s2;
      best.samples = last - i + 1;
      best.distance_m = 0;
      for (std::size_t k = i; k < last; ++k)
        best.distance_m += (v - 0.5 * (speed_from_begin[k - i] + speed_from_begin[k - i + 1])) *
                           (list[k + 1].t_s - list[k].t_s);
    }
    i = last;
  }
  best.zero_g = zero / kGravity_m_s2;
  if (best.seconds < 0.3)
    return wrong("No stop is in it: nothing brakes by a tenth of a g",
                 "Turn the sign, or choose the column along the car");
  return best;
}

}  // namespace yoke
