#include "doubt/draws.hpp"

#include <algorithm>
#include <boost/math/special_functions/erf.hpp>
#include <cmath>

namespace yoke {

namespace {

std::uint64_t split_mix(std::uint64_t x) {
  x += 0x9e3779b97f4a7c15ULL;
  x = (x ^ (x >> 30)) * 0xbf58476d1ce4e5b9ULL;
  x = (x ^ (x >> 27)) * 0x94d049bb133111ebULL;
  return x ^ (x >> 31);
}

std::vector<Doubtful> doubtful_values(const Values& values, bool plan) {
  std::vector<Doubtful> list;
  for (const ParamInfo& p : all_params()) {
    if (p.kind == Kind::choice || !pressed_by(p.group)) continue;
    const Value& v = values.at(p.param);
    if (!v.known() || v.uncertainty_si <= 0) continue;
    const bool own = plan && v.origin == Origin::measured && !v.inherited;
    list.push_back({p.param, v.si, v.uncertainty_si / kCoverage,
                    row_of(p.param) + (own ? all_params().size() : 0)});
  }
  return list;
}

}  // namespace

Drawn doubtful_job(const Job& job) {
  Drawn d;
  for (const As w : {As::found, As::plan}) {
    const auto i = static_cast<std::size_t>(w);
    d.values[i] = resolve(job, w);
    d.doubtful[i] = doubtful_values(d.values[i], w == As::plan);
  }
  return d;
}

double within_range(Param p, double si) {
  return std::clamp(si, info(p).min_si, info(p).max_si);
}

double counter_uniform(std::uint64_t seed, std::uint64_t stream, std::uint64_t sample) {
  const std::uint64_t bits = split_mix(split_mix(split_mix(seed) ^ stream) ^ sample);
  return (static_cast<double>(bits >> 11) + 0.5) * 0x1.0p-53;
}

double counter_normal(std::uint64_t seed, std::uint64_t stream, std::uint64_t sample) {
  const double u = std::clamp(counter_uniform(seed, stream, sample), 1e-12, 1 - 1e-12);
  return std::clamp(std::sqrt(2.0) * boost::math::erf_inv(2 * u - 1), -3.0, 3.0);
}

std::pair<Values, Values> drawn_values(const Drawn& d, std::uint64_t seed, std::size_t sample) {
  std::pair<Values, Values> v{d.values[0], d.values[1]};
  for (int w = 0; w < 2; ++w)
    for (const Doubtful& q : d.doubtful[w])
      (w == 0 ? v.first : v.second)
          .set_si(q.param,
                  within_range(q.param, q.si + counter_normal(seed, q.stream, sample) * q.sigma));
  return v;
}

Band band_of(std::vector<double>& v) {
  if (v.empty()) return {};
  const auto at = [&v](double share) {
    const auto k = static_cast<std::ptrdiff_t>(
        std::min(v.size() - 1, static_cast<std::size_t>(share * static_cast<double>(v.size()))));
    std::nth_element(v.begin(), v.begin() + k, v.end());
    return v[static_cast<std::size_t>(k)];
  };
  return {at(0.1), at(0.5), at(0.9), true};
}

}  // namespace yoke
