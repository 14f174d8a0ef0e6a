#include "proving/bounded.hpp"

#include <algorithm>
#include <boost/random/mersenne_twister.hpp>
#include <boost/random/normal_distribution.hpp>
#include <cmath>
#include <limits>

namespace yoke {

namespace {

constexpr double kNear = 4;  // standard uncertainties: nearer, a bound is felt
constexpr int kMade = 2000;  // finds; the ends then scatter by about a fortieth of their distance
constexpr unsigned kSeed = 8;

/// A bound that is felt.
struct Near {
  Eigen::Index of = 0;
  double at = 0;
  double inward = 1;  ///< +1: what was found lies above it
};

std::vector<Near> bounds_near(const BoundedFit& fit) {
  std::vector<Near> list;
  for (Eigen::Index i = 0; i < fit.found.size(); ++i) {
    const double reach = kNear * std::sqrt(fit.covariance(i, i));
    const double below = fit.found[i] - fit.least[i], above = fit.most[i] - fit.found[i];
    if (std::min(below, above) > reach) continue;
    list.push_back(below <= above ? Near{i, fit.least[i], 1} : Near{i, fit.most[i], -1});
  }
  return list;
}

/// The find nearest to a place beyond the bounds when some of them hold: where, and how far off.
class Held {
 public:
  Held(const Eigen::MatrixXd& precision, const std::vector<Near>& near, unsigned which) {
    const Eigen::Index n = precision.rows();
    std::vector<Eigen::Index> at, free;
    for (std::size_t k = 0; k < near.size(); ++k)
      if ((which >> k & 1U) != 0) at.push_back(near[k].of);
    for (Eigen::Index i = 0; i < n; ++i)
      if (std::find(at.begin(), at.end(), i) == at.end()) free.push_back(i);
    // What is held moves to its bound by d; the rest follows by what binds them.
    move_ = Eigen::MatrixXd::Zero(n, static_cast<Eigen::Index>(near.size()));
    if (at.empty()) return;
    Eigen::MatrixXd follow;
    if (!free.empty()) follow = -precision(free, free).ldlt().solve(precision(free, at));
    Eigen::Index column = 0;
    for (std::size_t k = 0; k < near.size(); ++k) {
      if ((which >> k & 1U) == 0) continue;
      move_(near[k].of, static_cast<Eigen::Index>(k)) = 1;
      for (std::size_t f = 0; f < free.size(); ++f)
        move_(free[f], static_cast<Eigen::Index>(k)) = follow(static_cast<Eigen::Index>(f), column);
      ++column;
    }
  }
  [[nodiscard]] Eigen::VectorXd move(const Eigen::VectorXd& to_bounds) const {
    return move_ * to_bounds;
  }

 private:
  Eigen::MatrixXd move_;
};

/// What a fit within the bounds makes of readings that point to a place.
Eigen::VectorXd within(const Eigen::VectorXd& place, const Eigen::MatrixXd& precision,
                       const std::vector<Near>& near, const std::vector<Held>& ways) {
  Eigen::VectorXd to_bounds(static_cast<Eigen::Index>(near.size()));
  for (std::size_t k = 0; k < near.size(); ++k)
    to_bounds[static_cast<Eigen::Index>(k)] = near[k].at - place[near[k].of];
  Eigen::VectorXd best = place;
  double least = std::numeric_limits<double>::max();
  for (const Held& way : ways) {
    const Eigen::VectorXd moved = way.move(to_bounds);
    const double off = moved.dot(precision * moved);
    if (off >= least) continue;
    const Eigen::VectorXd x = place + moved;
    const bool inside = std::all_of(near.begin(), near.end(), [&x](const Near& b) {
      return b.inward * (x[b.of] - b.at) >= -1e-9 * (1 + std::abs(b.at));
    });
    if (!inside) continue;
    least = off;
    best = x;
  }
  return best;
}

EightInTen ends_of(std::vector<double>& finds) {
  const auto at = [&finds](std::size_t i) {
    std::nth_element(finds.begin(), finds.begin() + static_cast<std::ptrdiff_t>(i), finds.end());
    return finds[i];
  };
  const double low = at(finds.size() / 10);
  return {low, at(finds.size() - 1 - finds.size() / 10)};
}

}  // namespace

std::vector<std::optional<EightInTen>> eight_in_ten_within(
    const BoundedFit& fit, const std::vector<Eigen::VectorXd>& sums) {
  std::vector<std::optional<EightInTen>> told(sums.size());
  const Eigen::LLT<Eigen::MatrixXd> root(fit.covariance);
  if (!fit.covariance.allFinite() || root.info() != Eigen::Success) return told;
  const std::vector<Near> near = bounds_near(fit);
  if (near.empty()) {
    for (std::size_t i = 0; i < sums.size(); ++i) {
      const double middle = sums[i].dot(fit.found);
      const double half = kEightInTen * std::sqrt(sums[i].dot(fit.covariance * sums[i]));
      told[i] = EightInTen{middle - half, middle + half};
    }
    return told;
  }
  const Eigen::MatrixXd precision =
      root.solve(Eigen::MatrixXd::Identity(fit.found.size(), fit.found.size()));
  std::vector<Held> ways;
  for (unsigned which = 0; which < (1U << near.size()); ++which)
    ways.emplace_back(precision, near, which);
  boost::random::mt19937_64 draw(kSeed);
  boost::random::normal_distribution<double> normal;
  std::vector<std::vector<double>> finds(sums.size());
  Eigen::VectorXd scatter(fit.found.size());
  for (int made = 0; made < kMade; ++made) {
    for (double& v : scatter) v = normal(draw);
    const Eigen::VectorXd x = within(fit.found + root.matrixL() * scatter, precision, near, ways);
    for (std::size_t i = 0; i < sums.size(); ++i) finds[i].push_back(sums[i].dot(x));
  }
  for (std::size_t i = 0; i < sums.size(); ++i) told[i] = ends_of(finds[i]);
  return told;
}

}  // namespace yoke
