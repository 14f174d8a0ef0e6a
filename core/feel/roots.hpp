// Bracketed searches along a press.
#pragma once

#include <algorithm>
#include <boost/math/tools/toms748_solve.hpp>
#include <cstdint>

namespace yoke {

/// First value in [lo, hi] at which a predicate that turns once from false to true is true.
template <class Predicate>
double first_true(double lo, double hi, Predicate predicate) {
  for (int i = 0; i < 48 && hi - lo > 1e-9 * hi; ++i) {
    const double mid = 0.5 * (lo + hi);
    (predicate(mid) ? hi : lo) = mid;
  }
  return hi;
}

/// The same where a measure tells how far a value is from it: below 0 before, above 0 behind, and
/// never falling. The measure finds it in a few steps; the predicate has the last word.
template <class Predicate, class Excess>
double first_true(double lo, double hi, Predicate predicate, Excess excess) {
  const double flo = excess(lo);
  const double fhi = excess(hi);
  if (flo < 0 && fhi > 0) {
    constexpr double kSame = 4e-10;
    std::uintmax_t tries = 24;
    const auto near = [](double a, double b) { return b - a <= kSame * b; };
    const auto [a, b] = boost::math::tools::toms748_solve(excess, lo, hi, flo, fhi, near, tries);
    const double before = a * (1 - kSame);
    const double behind = std::min(b * (1 + kSame), hi);
    if (behind - before <= 2e-9 * behind && predicate(behind) && !predicate(before)) return behind;
  }
  return first_true(lo, hi, predicate);
}

/// Root of a non-decreasing function with f(lo) <= 0 <= f(hi).
template <class F>
double rising_root(double lo, double hi, F f) {
  const double flo = f(lo);
  const double fhi = f(hi);
  if (flo >= 0) return lo;
  if (fhi <= 0) return hi;
  std::uintmax_t tries = 80;
  const auto [a, b] = boost::math::tools::toms748_solve(
      f, lo, hi, flo, fhi, boost::math::tools::eps_tolerance<double>(40), tries);
  return 0.5 * (a + b);
}

}  // namespace yoke
