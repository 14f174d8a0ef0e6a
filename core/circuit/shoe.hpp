// Shoe factor of a drum from its geometry: total drag on the drum over the force of one cylinder
// piston (Gillespie, Fundamentals of Vehicle Dynamics, from memory).
//   e distance from the shoe's pivot to the cylinder's push, m to the lining's normal force, n to
//   its friction force:  leading mu e/(m - mu n), trailing mu e/(m + mu n)
// mu n >= m is a shoe that grabs: an error. With a known factor C at mu0 it follows friction as
// C (mu/mu0)^g, g 1.45 leading/trailing, 1.75 two leading, 2.2 linked (common practice, no source).
#pragma once

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

enum class Shoes { leading_trailing, two_leading, linked };

struct ShoeGeometry {
  Length push{};      ///< e
  Length normal{};    ///< m
  Length friction{};  ///< n
};

/// Factor of a pair of shoes; linked shoes cannot be had from these three lengths.
[[nodiscard]] Expected<double> shoe_factor(const ShoeGeometry& g, double mu, Shoes shoes);
/// Factor at another friction.
[[nodiscard]] double factor_at(double factor, double mu, double mu0, double exponent);
/// Friction at which typical factors are stated.
inline constexpr double kLiningMu0 = 0.38;

}  // namespace yoke
