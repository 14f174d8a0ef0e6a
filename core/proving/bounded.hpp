// Where eight in ten lie for what cannot pass a bound: no air is less than none. Readings as those
// at hand, scattered as they are doubted, are made around what was found; each is fitted within the
// bounds as the readings were; the tenth and the ninetieth of a hundred of such finds are the ends
// (percentile interval of a parametric bootstrap, B. Efron, "Bootstrap methods: another look at the
// jackknife", 1979, from memory). The fit is taken as straight around what was found. Far from
// every bound that is 1.2816 standard uncertainties to either side, and told as such.
#pragma once

#include <Eigen/Dense>
#include <vector>

#include "proving/estimate.hpp"

namespace yoke {

struct BoundedFit {
  Eigen::VectorXd found;  ///< in any units, within the bounds
  Eigen::MatrixXd covariance;
  Eigen::VectorXd least, most;  ///< bounds
};
/// Of each weighted sum of what was found. Always the same for the same fit; of a covariance that
/// is no such thing nothing is told.
[[nodiscard]] std::vector<std::optional<EightInTen>> eight_in_ten_within(
    const BoundedFit& fit, const std::vector<Eigen::VectorXd>& sums);

}  // namespace yoke
