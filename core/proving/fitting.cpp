#include "proving/fitting.hpp"

#include <ceres/ceres.h>

#include <boost/math/distributions/chi_squared.hpp>
#include <cmath>

#include "proving/row_models.hpp"

namespace yoke {

namespace {

/// What one step of a scaled unknown is: the five differ by four orders of magnitude. Offsets keep
/// numbers away from zero, where a relative step for derivatives would vanish.
constexpr double kScale[kUnknownCount] = {0.010, 1e-6, 1.0, 1.0, 1.0, 1e-6};
constexpr double kNeutral[kUnknownCount] = {0, 0, 1, 1, 1, 0};
constexpr double kOffset = 100.0;
constexpr int kReweighed = 2;
constexpr double kClear = 1e-3;  // scaled: further than a step for derivatives
constexpr double kChance = 0.9;
constexpr double kWorstCondition = 100.0;
constexpr double kFits = 4;  // chi squared a reading up to which readings fit

double to_scaled(Unknown u, double v) {
  return kOffset + v / kScale[static_cast<std::size_t>(u)];
}
double from_scaled(Unknown u, double x) {
  return (x - kOffset) * kScale[static_cast<std::size_t>(u)];
}

/// The slack is added afterwards: it is no part of the press.
Condition with_unknowns(const std::vector<Unknown>& unknowns, const double* x, double& slack_m) {
  Condition c;
  slack_m = 0;
  std::optional<double> first_m3;
  for (std::size_t i = 0; i < unknowns.size(); ++i) {
    const double v = from_scaled(unknowns[i], x[i]);
    switch (unknowns[i]) {
      case Unknown::slack:
        slack_m = v;
        break;
      case Unknown::air:
        c.air_m3 = std::max(0.0, v);
        break;
      case Unknown::clearance:
        c.take_up_scale = std::max(0.0, v);
        break;
      case Unknown::growth:
        c.growth_scale = std::max(0.0, v);
        break;
      case Unknown::hose:
        c.hose_scale = std::max(0.0, v);
        break;
      case Unknown::air_first:
        first_m3 = std::max(0.0, v);
        break;
      case Unknown::count_:
        break;
    }
  }
  if (!first_m3) return c;
  // Told apart, `air` is what is left: each is at least nothing, and neither hides the other.
  c.air_primary_m3 = *first_m3;
  c.air_secondary_m3 = c.air_m3;
  c.air_m3 = 0;
  return c;
}

/// Weighted residuals of all rows.
struct Residuals {
  const System* system;
  const std::vector<ReadingRow>* rows;
  std::vector<Unknown> unknowns;

  bool operator()(double const* const* parameters, double* residuals) const {
    double slack_m = 0;
    const Condition base = with_unknowns(unknowns, parameters[0], slack_m);
    RowModels models(*system, base);
    for (std::size_t i = 0; i < rows->size(); ++i) {
      const ReadingRow& row = (*rows)[i];
      const auto& m = models.of(row);
      if (!m) return false;
      residuals[i] = row_miss(*m, row, slack_m);
    }
    return true;
  }
};

void read_jacobian(ceres::Problem& problem, Solution& s, const std::vector<Unknown>& unknowns) {
  std::vector<double> residual;
  double cost = 0;
  ceres::Problem::EvaluateOptions all;
  if (!problem.Evaluate(all, &cost, &residual, nullptr, nullptr)) return;
  // At a bound half of a central difference would lie beyond it, where nothing changes any more.
  const std::vector<double> found = s.x;
  for (std::size_t i = 0; i < unknowns.size(); ++i)
    s.x[i] = std::max(s.x[i], to_scaled(unknowns[i], unknown_bounds(unknowns[i]).least) + kClear);
  ceres::CRSMatrix j;
  const bool evaluated = problem.Evaluate(all, &cost, nullptr, nullptr, &j);
  s.x = found;
  if (!evaluated) return;
  s.jacobian = Eigen::MatrixXd::Zero(j.num_rows, j.num_cols);
  for (int r = 0; r < j.num_rows; ++r)
    for (int k = j.rows[static_cast<std::size_t>(r)]; k < j.rows[static_cast<std::size_t>(r) + 1];
         ++k)
      s.jacobian(r, j.cols[static_cast<std::size_t>(k)]) = j.values[static_cast<std::size_t>(k)];
  s.residual =
      Eigen::Map<Eigen::VectorXd>(residual.data(), static_cast<Eigen::Index>(residual.size()));
  const Eigen::VectorXd length = s.jacobian.colwise().norm().transpose();
  if (length.minCoeff() <= 0) return;
  const Eigen::MatrixXd unit = s.jacobian * length.cwiseInverse().asDiagonal();
  const Eigen::JacobiSVD<Eigen::MatrixXd> svd(unit);
  const auto& v = svd.singularValues();
  if (v[v.size() - 1] <= 0) return;
  s.condition = v[0] / v[v.size() - 1];
  const Eigen::MatrixXd normal = s.jacobian.transpose() * s.jacobian;
  s.standard_error = normal.inverse().diagonal().cwiseMax(0).cwiseSqrt();
  s.ok = s.standard_error.allFinite();
}

std::vector<double> start_of(const std::vector<Unknown>& unknowns, double air_m3) {
  std::vector<double> x;
  x.reserve(unknowns.size());
  for (const Unknown u : unknowns)
    x.push_back(to_scaled(u, u == Unknown::air || u == Unknown::air_first
                                 ? air_m3
                                 : kNeutral[static_cast<std::size_t>(u)]));
  return x;
}

/// From one place on; the search is local, and a pad near its stop makes hollows of its own.
Solution solve_from(const System& system, const std::vector<ReadingRow>& rows,
                    const std::vector<Unknown>& unknowns, std::vector<double> start) {
  Solution s;
  s.x = std::move(start);
  if (rows.size() < unknowns.size()) return s;
  auto* cost = new ceres::DynamicNumericDiffCostFunction<Residuals, ceres::CENTRAL>(
      new Residuals{&system, &rows, unknowns});
  cost->AddParameterBlock(static_cast<int>(unknowns.size()));
  cost->SetNumResiduals(static_cast<int>(rows.size()));
  ceres::Problem problem;
  problem.AddResidualBlock(cost, nullptr, s.x.data());
  for (std::size_t i = 0; i < unknowns.size(); ++i) {
    const Bounds b = unknown_bounds(unknowns[i]);
    problem.SetParameterLowerBound(s.x.data(), static_cast<int>(i),
                                   to_scaled(unknowns[i], b.least));
    problem.SetParameterUpperBound(s.x.data(), static_cast<int>(i), to_scaled(unknowns[i], b.most));
  }
  ceres::Solver::Options options;
  options.linear_solver_type = ceres::DENSE_QR;
  options.logging_type = ceres::SILENT;
  options.max_num_iterations = 60;
  options.function_tolerance = 1e-12;
  options.parameter_tolerance = 1e-12;
  ceres::Solver::Summary summary;
  ceres::Solve(options, &problem, &summary);
  if (!summary.IsSolutionUsable()) return s;
  s.chi2 = 2 * summary.final_cost;
  read_jacobian(problem, s, unknowns);
  return s;
}

}  // namespace

double reduced(const Solution& s) {
  const auto spare = static_cast<double>(s.residual.size()) - static_cast<double>(s.x.size());
  return spare > 0 ? s.chi2 / spare : 0;
}

bool beyond_chance(const Solution& s) {
  const auto spare = static_cast<double>(s.residual.size()) - static_cast<double>(s.x.size());
  return spare > 0 && s.chi2 > boost::math::quantile(boost::math::chi_squared(spare), kChance);
}

namespace {

/// What does not fit from where nothing is wrong is tried from air that a bad bleeding leaves.
Solution solve_once(const System& system, const std::vector<ReadingRow>& rows,
                    const std::vector<Unknown>& unknowns) {
  Solution best = solve_from(system, rows, unknowns, start_of(unknowns, 0));
  for (const double air_m3 : {1.5e-6, 4e-6}) {
    if (best.ok && reduced(best) < kFits) break;
    Solution next = solve_from(system, rows, unknowns, start_of(unknowns, air_m3));
    if (next.ok && (!best.ok || next.chi2 < best.chi2)) best = std::move(next);
  }
  return best;
}

}  // namespace

/// How much a reading weighs hangs on what is found: found, weighed, found again.
Solution solve(const System& system, std::vector<ReadingRow>& rows,
               const std::vector<Unknown>& unknowns) {
  weigh(system, {}, rows);
  Solution s = solve_once(system, rows, unknowns);
  for (int again = 0; s.ok && again < kReweighed; ++again) {
    double slack_m = 0;
    weigh(system, with_unknowns(unknowns, s.x.data(), slack_m), rows);
    Solution next = solve_from(system, rows, unknowns, s.x);
    if (!next.ok) break;
    s = std::move(next);
  }
  return s;
}

bool told_apart(const Solution& s, const std::vector<Unknown>& unknowns) {
  if (!s.ok || s.condition > kWorstCondition) return false;
  for (std::size_t i = 0; i < unknowns.size(); ++i) {
    const Bounds b = unknown_bounds(unknowns[i]);
    const double error = s.standard_error[static_cast<Eigen::Index>(i)] *
                         kScale[static_cast<std::size_t>(unknowns[i])];
    if (error > 0.5 * (b.most - b.least)) return false;
  }
  return true;
}

double found_of(const Solution& s, const std::vector<Unknown>& unknowns, std::size_t i) {
  return from_scaled(unknowns[i], s.x[i]);
}

Eigen::MatrixXd covariance_of(const Solution& s, const std::vector<Unknown>& unknowns) {
  Eigen::VectorXd scale(static_cast<Eigen::Index>(unknowns.size()));
  for (std::size_t i = 0; i < unknowns.size(); ++i)
    scale[static_cast<Eigen::Index>(i)] = kScale[static_cast<std::size_t>(unknowns[i])];
  const Eigen::MatrixXd unit = (s.jacobian.transpose() * s.jacobian).inverse();
  return s.spread * (scale.asDiagonal() * unit * scale.asDiagonal());
}

}  // namespace yoke
