#include "instrument/trace.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

constexpr double kLeast_n = 30;     // a press is more than a foot that rests
constexpr double kStill_s = 0.5;    // of a pad at rest
constexpr double kWindow_s = 0.06;  // to either side of a push: what is read there is averaged
/// Of a reading, however still the sensor stands: its own steps and what it is bolted to.
constexpr double kLeastForceDoubt_n = 0.2, kLeastTravelDoubt_m = 3e-5;
constexpr double kBent = 1.5;      // of its own scatter: a bend beyond is one
constexpr double kAlive = 0.05;    // share of the samples in which a channel must tell
constexpr double kFast_n_s = 600;  // faster than this no travel belongs to a push

struct Point {
  double t_s, force_n, travel_m;
};

std::optional<Point> point_of(const LineSample& s, const TraceScale& scale) {
  const auto f = scale.si(s, ChannelWhat::force);
  const auto x = scale.si(s, ChannelWhat::travel);
  if (!f || !x) return std::nullopt;
  return Point{s.t_s, *f, *x};
}

struct Line {
  double at = 0, slope = 0, sigma = 0;
  double share = 0;       ///< standard deviation of `at`, over that of one sample
  double bend = 0;        ///< by which a parabola lies off the straight line at the moment
  double bend_share = 0;  ///< standard deviation of that bend, over that of one sample
  std::size_t n = 0;
};

/// The part of a parabola that is square to a straight line through the same moments.
template <class Get>
void read_bend(const std::vector<Point>& points, double t_s, Get&& get, Line& l) {
  double n = 0, mean = 0;
  for (const Point& p : points) n += 1, mean += p.t_s;
  mean /= n;
  double m2 = 0, m3 = 0;
  for (const Point& p : points)
    m2 += std::pow(p.t_s - mean, 2) / n, m3 += std::pow(p.t_s - mean, 3) / n;
  if (m2 <= 0) return;
  const auto square = [&](double t) {
    const double u = t - mean;
    return u * u - m2 - m3 / m2 * u;
  };
  double length = 0, along = 0;
  for (const Point& p : points) {
    length += std::pow(square(p.t_s), 2);
    along += square(p.t_s) * get(p);
  }
  if (length <= 0) return;
  l.bend = along / length * square(t_s);
  l.bend_share = std::abs(square(t_s)) / std::sqrt(length);
}

/// Straight through what lies near a moment.
template <class Get>
Line through(const std::vector<Point>& points, double t_s, Get&& get) {
  double n = 0, st = 0, sy = 0, stt = 0, sty = 0;
  for (const Point& p : points) {
    const double t = p.t_s - t_s, y = get(p);
    n += 1, st += t, sy += y, stt += t * t, sty += t * y;
  }
  Line l;
  l.n = static_cast<std::size_t>(n);
  if (n < 3) return l;
  const double det = n * stt - st * st;
  l.slope = det > 0 ? (n * sty - st * sy) / det : 0;
  l.at = (sy - l.slope * st) / n;
  l.share = std::sqrt(det > 0 ? stt / det : 1 / n);
  double left = 0;
  for (const Point& p : points) left += std::pow(get(p) - l.at - l.slope * (p.t_s - t_s), 2);
  l.sigma = std::sqrt(left / (n - 2) / n);
  read_bend(points, t_s, get, l);
  return l;
}

}  // namespace

TraceScale::TraceScale(const InstrumentHead& head, const std::vector<Calibration>& points) {
  for (const Channel& c : head.channels) {
    Line& l = lines_[static_cast<std::size_t>(c.what)];
    l.there = true;
    l.known = c.si > 0;
    l.gain = c.si;
    for (const Calibration& p : points) {
      if (p.channel != key_of(c.what) || !checked(p)) continue;
      l.gain = (p.high - p.low) / (p.high_raw - p.low_raw);
      l.at = p.low - l.gain * p.low_raw;
      l.low = p.low;
      l.high = p.high;
      l.doubt = p.plus_minus;
      l.known = true;
    }
  }
}

std::optional<double> TraceScale::si(const LineSample& s, ChannelWhat what) const {
  const Line& l = lines_[static_cast<std::size_t>(what)];
  const auto& told = s.told[static_cast<std::size_t>(what)];
  if (!l.there || !l.known || !told) return std::nullopt;
  return l.gain * *told + l.at;
}

double TraceScale::plus_minus(ChannelWhat what, double si) const {
  const Line& l = lines_[static_cast<std::size_t>(what)];
  if (l.doubt <= 0 || l.high == l.low) return 0;
  const double share = (si - l.low) / (l.high - l.low);
  return l.doubt * std::hypot(1 - share, share);
}

bool TraceScale::asks(ChannelWhat what) const {
  const Line& l = lines_[static_cast<std::size_t>(what)];
  return l.there && !l.known;
}

Expected<Calibration> checked(const Calibration& p) {
  const auto wrong = [](Message reason, Message remedy) -> Expected<Calibration> {
    return fail({.field = "calibration",
                 .value = "",
                 .range = "",
                 .reason = std::move(reason),
                 .remedy = std::move(remedy)});
  };
  for (const double v : {p.low_raw, p.low, p.high_raw, p.high, p.plus_minus})
    if (!std::isfinite(v) || std::abs(v) > kMostTold)
      return wrong("A point is no number", "Enter both points again");
  if (std::abs(p.high_raw - p.low_raw) <= 1e-9 * (1 + std::abs(p.high_raw)))
    return wrong("Both points were told alike: the channel does not follow",
                 "Look at the sensor and its plug, then set two points well apart");
  if (p.high == p.low) return wrong("Both points are the same", "Set two points well apart");
  return p;
}

bool is_dead(const Trace& trace, ChannelWhat what) {
  const auto there = [what](const Channel& c) { return c.what == what; };
  if (std::none_of(trace.head.channels.begin(), trace.head.channels.end(), there)) return false;
  const auto told = std::count_if(
      trace.samples.begin(), trace.samples.end(),
      [what](const LineSample& s) { return s.told[static_cast<std::size_t>(what)].has_value(); });
  return static_cast<double>(told) < kAlive * static_cast<double>(trace.samples.size());
}

namespace {

/// Mean of what one gauge told between two moments.
std::optional<double> mean_of(const Trace& trace, const TraceScale& scale, ChannelWhat what,
                              double from_s, double to_s) {
  double sum = 0, n = 0;
  for (const LineSample& s : trace.samples) {
    if (s.t_s < from_s || s.t_s > to_s) continue;
    if (const auto v = scale.si(s, what)) sum += *v, n += 1;
  }
  return n >= 5 ? std::optional(sum / n) : std::nullopt;
}

void read_gauges(const Trace& trace, const TraceScale& scale, double from_s, Rest& r) {
  for (const ChannelWhat w : {ChannelWhat::pressure1, ChannelWhat::pressure2})
    if (const auto p = mean_of(trace, scale, w, from_s, r.until_s))
      r.pressure_pa = std::max(r.pressure_pa.value_or(*p), *p);
}

/// Sums over samples: mean and scatter of a channel.
struct Sums {
  double n = 0, first = 0, sum = 0, squares = 0;
  void add(double v) {
    if (n < 1) first = v;  // differences from it lose no digits
    n += 1;
    sum += v - first;
    squares += (v - first) * (v - first);
  }
  [[nodiscard]] double mean() const { return n > 0 ? first + sum / n : 0; }
  [[nodiscard]] double sd() const {
    return n > 1 ? std::sqrt(std::max(0.0, (squares - sum * sum / n) / (n - 1))) : 0;
  }
};

}  // namespace

Rest rest_of(const Trace& trace, const TraceScale& scale, double from_s) {
  Rest r;
  Sums force, travel;
  double since_s = from_s;
  for (const LineSample& s : trace.samples) {
    if (s.t_s < from_s) continue;
    const auto p = point_of(s, scale);
    if (!p) continue;
    if (force.n > 0 && std::abs(p->force_n - force.mean()) > kLeast_n / 2) force = travel = {};
    if (force.n < 1) since_s = p->t_s;
    force.add(p->force_n);
    travel.add(p->travel_m);
    r.until_s = p->t_s;
    r.known = p->t_s - since_s >= kStill_s;
    if (r.known) break;
  }
  r.force_n = force.mean();
  r.travel_m = travel.mean();
  r.force_sd_n = force.sd();
  r.travel_sd_m = travel.sd();
  if (r.known) read_gauges(trace, scale, since_s, r);
  return r;
}

std::vector<TracePress> presses_of(const Trace& trace, const TraceScale& scale) {
  std::vector<TracePress> list;
  const Rest rest = rest_of(trace, scale);
  std::optional<TracePress> now;
  for (std::size_t i = 0; i < trace.samples.size(); ++i) {
    const auto f = scale.si(trace.samples[i], ChannelWhat::force);
    if (!f) continue;
    const double push_n = *f - rest.force_n;
    if (!now && push_n > kLeast_n / 2) now = TracePress{i, i, i, push_n};
    if (!now) continue;
    now->to = i;
    if (push_n > now->most_n) {
      now->most_n = push_n;
      now->top = i;
    }
    if (push_n > kLeast_n / 3) continue;
    if (now->most_n >= kLeast_n) list.push_back(*now);
    now.reset();
  }
  if (now && now->most_n >= kLeast_n) list.push_back(*now);
  return list;
}

namespace {

/// What lies near a moment of a press.
std::vector<Point> around(const Trace& trace, const TraceScale& scale, std::size_t from,
                          std::size_t to, double t_s) {
  std::vector<Point> near;
  for (std::size_t i = from; i <= to && i < trace.samples.size(); ++i)
    if (std::abs(trace.samples[i].t_s - t_s) <= kWindow_s)
      if (const auto p = point_of(trace.samples[i], scale)) near.push_back(*p);
  return near;
}

double push_of(const Point& p) {
  return p.force_n;
}
double way_of(const Point& p) {
  return p.travel_m;
}

/// When a push was reached: midway between the first sample that told it, which is one that
/// scattered high, and the last that did not, which scattered low.
std::optional<double> reached_s(const Trace& trace, const TraceScale& scale, std::size_t from,
                                const TracePress& press, double force_n) {
  std::optional<double> first_s, last_s;
  for (std::size_t i = from; i <= press.top && i < trace.samples.size(); ++i) {
    const auto p = point_of(trace.samples[i], scale);
    if (!p) continue;
    if (first_s && p->t_s > *first_s + 2 * kWindow_s) break;  // a foot that let up and came again
    if (p->force_n < force_n) last_s = p->t_s;
    if (p->force_n >= force_n && !first_s) first_s = p->t_s;
  }
  if (!first_s) return std::nullopt;
  // Between them the line may have told nothing: there nothing was seen.
  return last_s && *last_s > *first_s - kWindow_s ? (*first_s + *last_s) / 2 : *first_s;
}

/// Few samples tell their own scatter badly; what the sensor scatters at rest tells it better.
double doubt_of(double rest_sd, double rest_n, const Line& l, double least, double points) {
  const double sd = rest_sd > 0 ? rest_sd : l.sigma * std::sqrt(static_cast<double>(l.n));
  const double scatter = std::hypot(sd * l.share, sd * l.bend_share,
                                    rest_sd > 0 ? sd / std::sqrt(std::max(1.0, rest_n)) : 0);
  // Where the pad turns from easy to firm between two samples, nobody saw where.
  const double bent = std::abs(l.bend) > kBent * sd * l.bend_share ? std::abs(l.bend) : 0;
  return std::max(least, std::hypot(kCoverage * scatter, kCoverage * bent, points));
}

}  // namespace

std::vector<Reading> readings_of(const Trace& trace, const TraceScale& scale,
                                 const TracePress& press, const std::vector<double>& pushes_n) {
  std::vector<Reading> list;
  const Rest rest = rest_of(trace, scale);
  if (!rest.known) return list;
  // The first samples of a press lie before its push was felt.
  std::size_t from = press.from;
  while (from > 0 && trace.samples[press.from].t_s - trace.samples[from].t_s < kStill_s) --from;
  const double still = kStill_s * trace.head.rate_hz;
  for (const double push_n : pushes_n) {
    if (push_n > press.most_n) continue;
    const auto at_s = reached_s(trace, scale, from, press, push_n + rest.force_n);
    if (!at_s) continue;
    const std::vector<Point> near = around(trace, scale, from, press.to, *at_s);
    const Line force = through(near, *at_s, push_of);
    const Line travel = through(near, *at_s, way_of);
    if (force.n < 5 || std::abs(force.slope) > kFast_n_s) continue;
    Reading r;
    r.force_n = std::max(0.0, force.at + force.bend - rest.force_n);
    r.travel_m = std::max(0.0, travel.at + travel.bend - rest.travel_m);
    r.force_uncertainty_n = doubt_of(rest.force_sd_n, still, force, kLeastForceDoubt_n,
                                     scale.plus_minus(ChannelWhat::force, force.at));
    r.travel_uncertainty_m = doubt_of(rest.travel_sd_m, still, travel, kLeastTravelDoubt_m,
                                      scale.plus_minus(ChannelWhat::travel, travel.at));
    list.push_back(r);
  }
  return list;
}

std::optional<TraceSink> sink_of(const Trace& trace, const TraceScale& scale,
                                 const TracePress& press) {
  // Held: from where nine tenths of the push were reached to where they were left.
  const Rest rest = rest_of(trace, scale);
  std::vector<Point> held;
  for (std::size_t i = press.from; i <= press.to && i < trace.samples.size(); ++i)
    if (const auto p = point_of(trace.samples[i], scale);
        p && p->force_n - rest.force_n >= 0.9 * press.most_n)
      held.push_back(*p);
  if (held.size() < 20) return std::nullopt;
  const double begin = held.front().t_s, end = held.back().t_s;
  if (end - begin < 5) return std::nullopt;
  const auto mean = [&held](double from, double to) {
    double n = 0, sum = 0;
    for (const Point& p : held)
      if (p.t_s >= from && p.t_s <= to) n += 1, sum += p.travel_m;
    return n > 0 ? sum / n : 0;
  };
  // The pad is still finding its place in the first second.
  TraceSink s;
  s.sink_m = mean(end - 1, end) - mean(begin + 1, begin + 2);
  s.hold_s = end - begin - 2;
  double sum = 0;
  for (const Point& p : held) sum += p.force_n - rest.force_n;
  s.mean_n = sum / static_cast<double>(held.size());
  return s;
}

}  // namespace yoke
