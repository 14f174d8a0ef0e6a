#include "proving/telling.hpp"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "proving/fault.hpp"

namespace yoke {

namespace {

constexpr double kLeastWeight = 0.005;  // of a cause that is still thought of
constexpr double kFoot_m = 0.001;       // standard uncertainty of a foot that is not still
constexpr double kSteps = 5;            // of the integral, for each standard uncertainty

double travel_of(const Faulty& f, ReadingRow row) {
  if (row.assist_alive) row.force_n = std::max(0.0, row.force_n - f.stick_n);
  const auto m = FeelModel::make(f.system, row_condition(f.condition, row));
  if (!m) return 0;
  if (const auto t = predicted_travel_m(*m, row.force_n)) return *t + f.slack_m;
  const double end = m->end_drive();
  return (row.force_n <= m->at(0.0).pad_force_n ? 0.0 : m->at(end).pad_travel_m) + f.slack_m;
}

double foretold_of(const Faulty& f, const ToPress& p) {
  switch (p.what) {
    case ToPress::What::sink:
      return f.sink_m;
    case ToPress::What::light_sink:
      return std::max(f.light_sink_m, 0.5 * f.sink_m);
    case ToPress::What::travel:
      break;
  }
  return travel_of(f, p.row);
}

}  // namespace

double mixture_bits(const std::vector<double>& weights, const std::vector<double>& foretold,
                    double sigma) {
  if (weights.empty() || weights.size() != foretold.size() || !(sigma > 0)) return 0;
  const auto [lo, hi] = std::minmax_element(foretold.begin(), foretold.end());
  // Wider than this nothing more is told: far apart is far apart.
  const double from = *lo - 6 * sigma;
  const double to = std::min(*hi, *lo + 400 * sigma) + 6 * sigma;
  const double dx = sigma / kSteps;
  double entropy = 0;
  const auto steps = static_cast<int>((to - from) / dx);
  for (int step = 0; step <= steps; ++step) {
    const double x = from + step * dx;
    double density = 0;
    for (std::size_t i = 0; i < weights.size(); ++i) {
      const double z = (x - std::min(foretold[i], *lo + 400 * sigma)) / sigma;
      density += weights[i] * std::exp(-0.5 * z * z);
    }
    density /= sigma * std::sqrt(2 * std::numbers::pi);
    if (density > 0) entropy -= density * std::log2(density) * dx;
  }
  const double of_one = 0.5 * std::log2(2 * std::numbers::pi * std::numbers::e * sigma * sigma);
  return std::max(0.0, entropy - of_one);
}

double bits_left(const Diagnosis& d) {
  double bits = 0;
  for (const Hypothesis& h : d.ranked)
    if (h.weight > 0) bits -= h.weight * std::log2(h.weight);
  return bits;
}

std::vector<double> expected_bits(const System& system, const Diagnosis& d,
                                  const std::vector<ToPress>& presses) {
  std::vector<double> weights;
  std::vector<Faulty> faults;
  for (const Hypothesis& h : d.ranked) {
    if (h.weight < kLeastWeight) continue;
    weights.push_back(h.weight);
    faults.push_back(h.second ? faulty(system, h.cause, h.size, *h.second, h.second_size, {})
                              : faulty(system, h.cause, h.size));
  }
  double sum = 0;
  for (const double w : weights) sum += w;
  for (double& w : weights) w /= sum;
  std::vector<double> bits;
  for (const ToPress& p : presses) {
    std::vector<double> foretold;
    foretold.reserve(faults.size());
    for (const Faulty& f : faults) foretold.push_back(foretold_of(f, p));
    const double tape_m = kTape_m / kCoverage;
    bits.push_back(mixture_bits(
        weights, foretold, p.what == ToPress::What::travel ? std::hypot(tape_m, kFoot_m) : tape_m));
  }
  return bits;
}

}  // namespace yoke
