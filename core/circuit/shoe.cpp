#include "circuit/shoe.hpp"

#include <fmt/format.h>

#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

Expected<double> shoe_factor(const ShoeGeometry& g, double mu, Shoes shoes) {
  const char* remedy = "Measure from the shoe's pivot, square to each force";
  const Check checks[] = {
      {"shoe_push", "Pivot to push", g.push.value(), 0.02, 0.6, Kind::length, remedy},
      {"shoe_normal", "Pivot to normal force", g.normal.value(), 0.01, 0.4, Kind::length, remedy},
      {"shoe_friction", "Pivot to friction force", g.friction.value(), 0.01, 0.4, Kind::length,
       remedy},
      {"lining_mu", "The lining's friction", mu, 0.1, 0.8, Kind::number, "0.35 to 0.45 is usual"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double e = g.push.value();
  const double m = g.normal.value();
  const double n = g.friction.value();
  if (shoes == Shoes::linked)
    return fail({"shoes", "", "leading and trailing, or two leading",
                 "The factor of linked shoes does not follow from these three lengths",
                 "Give the shoe factor itself, or leave it unknown"});
  if (mu * n >= m)
    return fail({"lining_mu", fmt::format("{:.2f}", mu), say("below {}", Plain{m / n, 2}),
                 "The leading shoe grabs: it would pull itself on", "Measure the shoe again"});
  const double leading = mu * e / (m - mu * n);
  const double trailing = mu * e / (m + mu * n);
  return shoes == Shoes::two_leading ? 2 * leading : leading + trailing;
}

double factor_at(double factor, double mu, double mu0, double exponent) {
  return factor * std::pow(mu / mu0, exponent);
}

}  // namespace yoke
