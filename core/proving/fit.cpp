#include "proving/fit.hpp"

#include <fmt/format.h>

#include <Eigen/Dense>
#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

struct Row {
  double force_n = 0;
  double travel_m = 0;
  double sigma_m = 0;  ///< standard uncertainty of the travel, the force's carried over
};

std::optional<FeelModel> model_with(const System& s, bool alive, double air_m3) {
  Condition c;
  c.assist_alive = alive;
  c.air_m3 = air_m3;
  auto m = FeelModel::make(s, c);
  if (!m) return std::nullopt;
  return *m;
}

/// Predicted travel of every row, or nothing when a row lies outside the model's range.
std::optional<Eigen::VectorXd> predict(const System& s, bool alive, double air_m3,
                                       const std::vector<Row>& rows) {
  const auto m = model_with(s, alive, air_m3);
  if (!m) return std::nullopt;
  Eigen::VectorXd v(static_cast<Eigen::Index>(rows.size()));
  for (size_t i = 0; i < rows.size(); ++i) {
    const auto t = predicted_travel_m(*m, rows[i].force_n);
    if (!t) return std::nullopt;
    v[static_cast<Eigen::Index>(i)] = *t;
  }
  return v;
}

std::vector<Row> usable_rows(const FeelModel& m, const std::vector<Reading>& readings, bool alive,
                             size_t& low) {
  std::vector<Row> rows;
  low = 0;
  for (const Reading& r : readings) {
    if (r.assist_alive != alive) continue;
    const auto t = predicted_travel_m(m, r.force_n);
    if (!t) continue;
    const double p = m.pressure_for_force(r.force_n);
    if (p < 1e6) ++low;
    const double step = std::max(2.0, r.force_n * 0.02);
    const auto beside = predicted_travel_m(m, r.force_n + step);
    const double slope = beside ? (*beside - *t) / step : 0.0;
    // A doubt is twice the standard uncertainty.
    rows.push_back({r.force_n, r.travel_m,
                    std::hypot(std::max(1e-4, r.travel_doubt_m) / 2, slope * r.force_doubt_n / 2)});
  }
  return rows;
}

struct Solution {
  Eigen::Vector2d x{0, 0};  ///< slack [m], air [m3]
  Eigen::MatrixXd jacobian;
  Eigen::VectorXd residual;
  bool ok = false;
};

/// Gauss-Newton with bounds; the problem is nearly linear in both unknowns.
Solution solve(const System& s, bool alive, const std::vector<Row>& rows, bool with_air) {
  Solution sol;
  const auto n = static_cast<Eigen::Index>(rows.size());
  Eigen::VectorXd weight(n);
  Eigen::VectorXd measured(n);
  for (Eigen::Index i = 0; i < n; ++i) {
    weight[i] = 1 / rows[static_cast<size_t>(i)].sigma_m;
    measured[i] = rows[static_cast<size_t>(i)].travel_m;
  }
  for (int round = 0; round < 30; ++round) {
    const auto base = predict(s, alive, sol.x[1], rows);
    const double step = 0.05e-6;
    const auto more = predict(s, alive, sol.x[1] + step, rows);
    if (!base || !more) return sol;
    sol.jacobian.resize(n, with_air ? 2 : 1);
    sol.jacobian.col(0) = weight;
    if (with_air) sol.jacobian.col(1) = (*more - *base).cwiseProduct(weight) / step;
    sol.residual = (measured - *base).cwiseProduct(weight) - weight * sol.x[0];
    // Columns are scaled to unit length: the unknowns differ by four orders of magnitude.
    const Eigen::VectorXd scale = sol.jacobian.colwise().norm().transpose();
    const Eigen::MatrixXd unit = sol.jacobian * scale.cwiseInverse().asDiagonal();
    const Eigen::VectorXd d = unit.colPivHouseholderQr().solve(sol.residual).cwiseQuotient(scale);
    Eigen::Vector2d next = sol.x;
    next[0] = std::clamp(sol.x[0] + d[0], -kMostSlack_m, kMostSlack_m);
    if (with_air) next[1] = std::clamp(sol.x[1] + d[1], 0.0, kMostAir_m3);
    const Eigen::Vector2d moved = next - sol.x;
    sol.x = next;
    if (std::abs(moved[0]) < 1e-8 && std::abs(moved[1]) < 1e-12) break;
  }
  sol.ok = true;
  return sol;
}

double condition_number(const Eigen::MatrixXd& jacobian) {
  const Eigen::VectorXd scale = jacobian.colwise().norm().transpose();
  if (scale.minCoeff() <= 0) return 1e9;
  const Eigen::MatrixXd unit = jacobian * scale.cwiseInverse().asDiagonal();
  const Eigen::JacobiSVD<Eigen::MatrixXd> svd(unit);
  const auto& v = svd.singularValues();
  return v[v.size() - 1] > 0 ? v[0] / v[v.size() - 1] : 1e9;
}

Eigen::VectorXd standard_errors(const Eigen::MatrixXd& jacobian) {
  const Eigen::MatrixXd normal = jacobian.transpose() * jacobian;
  return normal.inverse().diagonal().cwiseMax(0).cwiseSqrt();
}

void finish(FitReport& r, const Solution& sol, const std::vector<Row>& rows, bool with_air) {
  const Eigen::VectorXd se = standard_errors(sol.jacobian);
  r.slack_m = Estimate{sol.x[0], 2 * se[0]};
  if (with_air) r.air_m3 = Estimate{sol.x[1], 2 * se[1]};
  double sum = 0;
  for (size_t i = 0; i < rows.size(); ++i) {
    const double left = sol.residual[static_cast<Eigen::Index>(i)] * rows[i].sigma_m;
    sum += left * left;
  }
  r.misfit_m = std::sqrt(sum / static_cast<double>(rows.size()));
}

}  // namespace

std::optional<double> predicted_travel_m(const FeelModel& model, double pad_force_n) {
  const double lowest = model.at(0.0).pad_force_n;
  const double highest = model.at(model.end_pressure_pa()).pad_force_n;
  if (pad_force_n <= lowest || pad_force_n > highest) return std::nullopt;
  return model.at(model.pressure_for_force(pad_force_n)).pad_travel_m;
}

FitReport fit_readings(const System& system, const std::vector<Reading>& readings,
                       bool assist_alive) {
  FitReport r;
  const auto m = model_with(system, assist_alive, 0.0);
  if (!m) {
    r.refusal = "These readings cannot tell: the system is not known well enough to predict them";
    r.next_measurement = "Enter brakes and circuits first";
    return r;
  }
  size_t low = 0;
  const std::vector<Row> rows = usable_rows(*m, readings, assist_alive, low);
  r.used = rows.size();
  if (rows.size() < 2) {
    r.refusal = "These readings cannot tell: fewer than two of them lie where fluid moves";
    r.next_measurement = "Press to three light and two firm forces, and read travel at each";
    return r;
  }
  const bool try_air = low >= 3;
  Solution both = solve(system, assist_alive, rows, try_air);
  if (!both.ok) {
    r.refusal = "These readings cannot tell: they lie outside what this system can reach";
    r.next_measurement = "Check the bore and the ratio, then read again";
    return r;
  }
  if (try_air) {
    const Eigen::VectorXd se = standard_errors(both.jacobian);
    const bool separate = condition_number(both.jacobian) <= 100;
    if (separate && se[1] <= kMostAir_m3 / 2 && se[0] <= kMostSlack_m / 2) {
      finish(r, both, rows, true);
      return r;
    }
    r.refusal = "These readings cannot tell air from slack: they lie too close together";
    r.next_measurement = "Read more light presses, just above where the pad first resists";
  } else {
    r.refusal =
        "These readings cannot tell air: that takes three light presses, below 1 MPa in the lines";
    r.next_measurement = fmt::format("Read three presses below {:.0f} N",
                                     m->at(std::min(1e6, m->end_pressure_pa())).pad_force_n);
  }
  const Solution one = solve(system, assist_alive, rows, false);
  if (one.ok) finish(r, one, rows, false);
  return r;
}

PumpReport pump_report(const PumpTest& test, Length bore, double ratio) {
  PumpReport r;
  const double area_m2 = circle_area(bore).value();
  if (test.first_m && test.third_m) {
    const double gain_m = *test.first_m - *test.third_m;
    constexpr double kTape_m = 0.003;
    if (gain_m > kTape_m) {
      r.take_up = Volume{gain_m / ratio * area_m2};
      r.words.push_back(
          fmt::format("Pumping raises the pad by {:.0f} mm: {:.1f} cm³ is taken up by clearance. "
                      "Air would stay.",
                      gain_m * 1e3, r.take_up->value() * 1e6));
    } else {
      r.words.push_back(
          "Pumping does not raise the pad: no clearance to take up. What is soft is air or "
          "stretch.");
    }
  }
  if (test.sink_m && test.hold_s && *test.hold_s > 0) {
    r.sink_m3_per_s = *test.sink_m / ratio * area_m2 / *test.hold_s;
    constexpr double kTape_m = 0.002;
    r.sinking = *test.sink_m > kTape_m;
    r.words.push_back(
        r.sinking
            ? fmt::format("The pad sinks {:.0f} mm in {:.0f} s: {:.2f} cm³ a minute pass a cup or "
                          "leak out. Do not drive.",
                          *test.sink_m * 1e3, *test.hold_s, *r.sink_m3_per_s * 60e6)
            : std::string("The pad holds under a steady foot."));
  }
  return r;
}

}  // namespace yoke
