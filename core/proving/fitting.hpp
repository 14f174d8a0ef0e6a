// Bounded weighted least squares of pad travel against push for one list of unknowns (Ceres), each
// unknown in a scale of its own. Readings are weighed by what was found and fitted again, since a
// push that is little off matters where the pad goes far for it.
#pragma once

#include <Eigen/Dense>
#include <vector>

#include "proving/estimate.hpp"

namespace yoke {

struct Solution {
  bool ok = false;
  std::vector<double> x;
  Eigen::MatrixXd jacobian;
  Eigen::VectorXd residual;
  double condition = 1e9;
  double chi2 = 0;
  double spread = 1;               ///< by which variances were widened
  Eigen::VectorXd standard_error;  ///< in scaled units, nothing left over in it
};
/// From a few starts; the rows carry the weights of what was found.
[[nodiscard]] Solution solve(const System& system, std::vector<ReadingRow>& rows,
                             const std::vector<Unknown>& unknowns);
/// Chi squared for each reading beyond the unknowns.
[[nodiscard]] double reduced(const Solution& s);
/// More is left over than in nine of ten sets of readings that fit.
[[nodiscard]] bool beyond_chance(const Solution& s);
/// The readings tell each unknown from the others, and each better than anything.
[[nodiscard]] bool told_apart(const Solution& s, const std::vector<Unknown>& unknowns);
/// SI, or a share of what is expected.
[[nodiscard]] double found_of(const Solution& s, const std::vector<Unknown>& unknowns,
                              std::size_t i);
/// In the unknowns' own units, widened by what is left over.
[[nodiscard]] Eigen::MatrixXd covariance_of(const Solution& s,
                                            const std::vector<Unknown>& unknowns);

}  // namespace yoke
