#include "protocol/right.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

constexpr std::size_t kEnough = 10;

}  // namespace

std::vector<Foretold> foretold_of(const Job& job, const std::vector<ProofPress>& presses,
                                  const std::string& when) {
  std::vector<Foretold> list;
  for (const ProofPress& p : presses) {
    if (!p.got || !p.expect || !p.low || !p.high) continue;
    Foretold f;
    f.what = std::string(proof_key(p.id));
    f.foretold = *p.expect;
    // A band cut off at nothing is as wide as its upper half.
    f.sigma = std::max(*p.high - *p.expect, *p.expect - *p.low) / kEightInTen;
    f.came = *p.got;
    if (const auto at = reading_of(job, p))
      f.came_sigma = job.readings[*at].travel_uncertainty_m / 2;
    f.when = when;
    list.push_back(std::move(f));
  }
  return list;
}

double residual(const Foretold& f) {
  const double sigma = std::hypot(f.sigma, f.came_sigma);
  return sigma > 0 ? (f.came - f.foretold) / sigma : 0;
}

bool within(const Foretold& f) {
  return std::abs(residual(f)) <= kEightInTen;
}

RightRecord right_record(const std::vector<Foretold>& list) {
  RightRecord r;
  double sum = 0, square = 0;
  for (const Foretold& f : list) {
    if (!(std::hypot(f.sigma, f.came_sigma) > 0)) continue;
    ++r.told;
    r.held += within(f) ? 1 : 0;
    sum += residual(f);
    square += residual(f) * residual(f);
  }
  if (r.told == 0) return r;
  const auto n = static_cast<double>(r.told);
  r.share = static_cast<double>(r.held) / n;
  r.bias = sum / n;
  r.spread = std::sqrt(square / n);
  constexpr double z = 1.96;
  const double middle = (r.share + z * z / (2 * n)) / (1 + z * z / n);
  const double half =
      z * std::sqrt(r.share * (1 - r.share) / n + z * z / (4 * n * n)) / (1 + z * z / n);
  r.low = std::max(0.0, middle - half);
  r.high = std::min(1.0, middle + half);
  const Message held =
      say("{} of {} presses came within what was foretold 8 in 10", r.held, r.told);
  if (r.told < kEnough)
    r.says = say("{}: too few to judge the bands", held);
  else if (r.high < 0.8)
    r.says =
        say("{}: the bands are too narrow for these jobs; take every ± of your own readings "
            "larger, or measure what is typical",
            held);
  else if (r.low > 0.8)
    r.says = say("{}: the bands are wider than they need be", held);
  else
    r.says = say("{}: the bands hold what they say", held);
  return r;
}

}  // namespace yoke
