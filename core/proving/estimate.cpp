#include "proving/estimate.hpp"

#include <ceres/ceres.h>

#include <Eigen/Dense>
#include <algorithm>
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
constexpr double kChance = 0.9;
constexpr double kWorstCondition = 100.0;
constexpr double kFits = 4;          // chi squared a reading up to which readings fit
constexpr double kFitsNothing = 30;  // and beyond which no size of these unknowns makes them

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

struct Solution {
  bool ok = false;
  std::vector<double> x;
  Eigen::MatrixXd jacobian;
  Eigen::VectorXd residual;
  double condition = 1e9;
  double chi2 = 0;
  double spread = 1;               ///< by which variances were widened
  Eigen::VectorXd standard_error;  ///< in the unknowns' own units
};

void read_jacobian(ceres::Problem& problem, Solution& s) {
  ceres::CRSMatrix j;
  std::vector<double> residual;
  double cost = 0;
  ceres::Problem::EvaluateOptions all;
  if (!problem.Evaluate(all, &cost, &residual, nullptr, &j)) return;
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

/// From one place on; the search is local, and a pad near its stop makes hollows of its own.
Solution solve_from(const System& system, const std::vector<ReadingRow>& rows,
                    const std::vector<Unknown>& unknowns, double air_m3) {
  Solution s;
  if (rows.size() < unknowns.size()) return s;
  auto* cost = new ceres::DynamicNumericDiffCostFunction<Residuals, ceres::CENTRAL>(
      new Residuals{&system, &rows, unknowns});
  cost->AddParameterBlock(static_cast<int>(unknowns.size()));
  cost->SetNumResiduals(static_cast<int>(rows.size()));
  for (const Unknown u : unknowns)
    s.x.push_back(to_scaled(u, u == Unknown::air || u == Unknown::air_first
                                   ? air_m3
                                   : kNeutral[static_cast<std::size_t>(u)]));
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
  read_jacobian(problem, s);
  return s;
}

/// Chi squared for each reading beyond the unknowns.
double reduced(const Solution& s) {
  const auto spare = static_cast<double>(s.residual.size()) - static_cast<double>(s.x.size());
  return spare > 0 ? s.chi2 / spare : 0;
}

/// More is left over than in one of ten sets of readings that fit.
bool beyond_chance(const Solution& s) {
  const auto spare = static_cast<double>(s.residual.size()) - static_cast<double>(s.x.size());
  return spare > 0 && s.chi2 > boost::math::quantile(boost::math::chi_squared(spare), kChance);
}

/// What does not fit from where nothing is wrong is tried from air that a bad bleeding leaves.
Solution solve(const System& system, const std::vector<ReadingRow>& rows,
               const std::vector<Unknown>& unknowns) {
  Solution best = solve_from(system, rows, unknowns, 0);
  for (const double air_m3 : {1.5e-6, 4e-6}) {
    if (best.ok && reduced(best) < kFits) break;
    Solution next = solve_from(system, rows, unknowns, air_m3);
    if (next.ok && (!best.ok || next.chi2 < best.chi2)) best = std::move(next);
  }
  return best;
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

/// What these readings might tell, by where they lie and how they were taken.
std::vector<Unknown> candidates(const System& system, const std::vector<ReadingRow>& rows,
                                std::size_t low) {
  const auto count = [&rows](auto test) {
    return static_cast<std::size_t>(std::count_if(rows.begin(), rows.end(), test));
  };
  const std::size_t second = count([](const ReadingRow& r) { return r.second_apply; });
  const std::size_t clamped =
      count([](const ReadingRow& r) { return r.hoses_clamped && r.clamped == ClampedHoses::all; });
  const std::size_t one =
      count([](const ReadingRow& r) { return r.hoses_clamped && r.clamped != ClampedHoses::all; });
  std::vector<Unknown> list{Unknown::slack};
  if (low >= 3) list.push_back(Unknown::air);
  if (low >= 3 && one >= 1 && rows.size() > list.size()) list.push_back(Unknown::air_first);
  if (second >= 1 && second < rows.size()) list.push_back(Unknown::clearance);
  std::size_t firm = 0;
  RowModels models(system, {});
  for (const ReadingRow& r : rows) {
    const auto& m = models.of(r);
    if (m && m->at(m->drive_for_force(r.force_n)).pressure_pa > 2e6) ++firm;
  }
  if (firm >= 2 && rows.size() > list.size() + 1) list.push_back(Unknown::growth);
  if (clamped >= 1 && clamped < rows.size() && rows.size() > list.size())
    list.push_back(Unknown::hose);
  return list;
}

const char* help_for(Unknown dropped) {
  switch (dropped) {
    case Unknown::air:
      return "Read more light presses, just above where the pedal first resists";
    case Unknown::clearance:
      return "Press twice in a row and read the second press too";
    case Unknown::growth:
      return "Read two firm presses more, well apart";
    case Unknown::air_first:
      return "Clamp the hoses of one circuit and read the light presses again";
    case Unknown::hose:
      return "Clamp the hoses and read the same presses again";
    default:
      return "Read presses further apart";
  }
}

/// Told apart, the air that was fitted is outlet 2's: the whole is both, and their doubts hang
/// together.
void tell_apart(ReadingEstimate& r, const Solution& s, const std::vector<Unknown>& unknowns) {
  const auto place = [&unknowns](Unknown u) {
    return static_cast<Eigen::Index>(std::find(unknowns.begin(), unknowns.end(), u) -
                                     unknowns.begin());
  };
  const Eigen::Index second = place(Unknown::air), first = place(Unknown::air_first);
  const auto n = static_cast<Eigen::Index>(unknowns.size());
  if (second == n || first == n) return;
  if (!r.air_m3() || !r.at(Unknown::air_first)) {
    r.of[static_cast<std::size_t>(Unknown::air_first)].reset();
    return;
  }
  const Eigen::MatrixXd covariance = (s.jacobian.transpose() * s.jacobian).inverse();
  const double variance = covariance(second, second) + covariance(first, first) +
                          covariance(second, first) + covariance(first, second);
  r.air_second = *r.air_m3();
  r.of[static_cast<std::size_t>(Unknown::air)] =
      Estimate{r.air_second->value + r.at(Unknown::air_first)->value,
               kCoverage * std::sqrt(std::max(0.0, s.spread * variance)) *
                   kScale[static_cast<std::size_t>(Unknown::air)]};
}

void finish(ReadingEstimate& r, const Solution& s, const std::vector<Unknown>& unknowns,
            const std::vector<ReadingRow>& rows) {
  r.condition = s.condition;
  for (std::size_t i = 0; i < unknowns.size(); ++i) {
    const auto u = static_cast<std::size_t>(unknowns[i]);
    const Estimate e{from_scaled(unknowns[i], s.x[i]),
                     kCoverage * s.standard_error[static_cast<Eigen::Index>(i)] * kScale[u]};
    // What could be anything is not told.
    const Bounds b = unknown_bounds(unknowns[i]);
    if (e.uncertainty <= 0.5 * (b.most - b.least)) {
      r.of[u] = e;
    } else if (r.refusal.empty()) {
      r.refusal = say("These readings cannot tell {} from the rest: they lie too close together",
                      Message::of_table(unknown_words(unknowns[i])));
      r.next_measurement = help_for(unknowns[i]);
    }
  }
  tell_apart(r, s, unknowns);
  double sum = 0;
  for (std::size_t i = 0; i < rows.size(); ++i) {
    const double left = s.residual[static_cast<Eigen::Index>(i)] * rows[i].sigma_m;
    sum += left * left;
  }
  r.misfit_m = std::sqrt(sum / static_cast<double>(rows.size()));
}

}  // namespace

std::string_view unknown_words(Unknown u) {
  static constexpr std::string_view w[] = {
      "slack at the pedal",    "trapped air", "lining clearance",
      "caliper and drum flex", "hoses",       "air at outlet 1"};
  return w[static_cast<std::size_t>(u)];
}

Bounds unknown_bounds(Unknown u) {
  static constexpr Bounds b[] = {{-kMostSlack_m, kMostSlack_m},
                                 {0, kMostAir_m3},
                                 {0, 20},
                                 {0.1, 8},
                                 {0.1, 12},
                                 {0, kMostAir_m3}};
  return b[static_cast<std::size_t>(u)];
}

ReadingEstimate estimate_from_readings(const System& system, const std::vector<Reading>& readings,
                                       bool assist_alive) {
  ReadingEstimate r;
  Condition c;
  c.assist_alive = assist_alive;
  const auto m = FeelModel::make(system, c);
  if (!m) {
    r.refusal = "These readings cannot tell: the system is not known well enough to predict them";
    r.next_measurement = "Enter brakes and circuits first";
    return r;
  }
  std::size_t low = 0;
  const std::vector<ReadingRow> rows = usable_rows(system, readings, assist_alive, low);
  r.used = rows.size();
  if (rows.size() < 2) {
    r.refusal = "These readings cannot tell: fewer than two of them lie where fluid moves";
    r.next_measurement = "Press to three light and two firm forces, and read travel at each";
    return r;
  }
  if (low < 3) {
    r.refusal =
        "These readings cannot tell air: that takes three light presses, below 1 MPa in the lines";
    const double most = m->at_pressure(1e6).at.pad_force_n;
    r.next_measurement = say("Read three presses below {}", force(most));
  }
  std::vector<Unknown> unknowns = candidates(system, rows, low);
  Solution s = solve(system, rows, unknowns);
  bool any = s.ok;
  while (unknowns.size() > 1 && !told_apart(s, unknowns)) {
    const Unknown dropped = unknowns.back();
    unknowns.pop_back();
    s = solve(system, rows, unknowns);
    any = any || s.ok;
    // Growth is tried on the chance that the readings allow it: without it nothing is refused.
    if (dropped == Unknown::growth) continue;
    r.refusal = say("These readings cannot tell {} from the rest: they lie too close together",
                    Message::of_table(unknown_words(dropped)));
    r.next_measurement = help_for(dropped);
  }
  if (!told_apart(s, unknowns)) {
    r.refusal = any ? Message("These readings cannot tell anything: they lie too close together")
                    : "These readings cannot tell: they lie outside what this system can reach";
    r.next_measurement = "Check the bore and the ratio, then read again";
    return r;
  }
  if (reduced(s) > kFitsNothing) {
    r.refusal =
        "These readings fit no air, slack or flex: one of them is wrong, or something else is";
    r.next_measurement = "Read again what lies far off; then look at the causes";
    r.fits = false;
    return r;
  }
  // What is left over beyond the readings' own doubt makes every figure as much less sure (Birge),
  // where it is more than chance leaves over.
  s.spread = beyond_chance(s) ? reduced(s) : 1.0;
  s.standard_error *= std::sqrt(s.spread);
  finish(r, s, unknowns, rows);
  return r;
}

std::vector<Message> estimate_words(const ReadingEstimate& f) {
  std::vector<Message> parts;
  if (const auto& air = f.air_m3())
    parts.push_back(say("air {} ± {}", amount(air->value, Kind::volume, 1),
                        amount(air->uncertainty, Kind::volume, 1)));
  if (const auto& first = f.at(Unknown::air_first); first && f.air_second)
    parts.push_back(say(
        "of it {} ± {} at outlet 1, {} ± {} at outlet 2", amount(first->value, Kind::volume, 1),
        amount(first->uncertainty, Kind::volume, 1), amount(f.air_second->value, Kind::volume, 1),
        amount(f.air_second->uncertainty, Kind::volume, 1)));
  for (const Unknown u : {Unknown::clearance, Unknown::growth, Unknown::hose})
    if (const auto& e = f.at(u))
      parts.push_back(say("{} × {} ± {}", Message::of_table(unknown_words(u)), Plain{e->value, 2},
                          Plain{e->uncertainty, 2}));
  std::vector<Message> words;
  if (const auto& slack = f.slack_m()) {
    parts.push_back(say("slack {} ± {} at the pedal; readings within {}", length(slack->value, 1),
                        length(slack->uncertainty, 1), length(f.misfit_m, 1)));
    words.push_back(joined(parts, "; "));
  }
  if (!f.refusal.empty()) words.push_back(say("{}. {}.", f.refusal, f.next_measurement));
  return words;
}

}  // namespace yoke
