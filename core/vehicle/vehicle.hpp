// Vehicle: axle loads, lock states, deceleration, stopping distance.
// b = B/(m g) brake force of an axle over the weight, H = centre-of-mass height / wheelbase,
// X = static front share, mu = tyre grip. Loads: N_f/(m g) = X + z H, N_r/(m g) = 1 - X - z H.
//   no lock z = b_f + b_r; front locked z = (mu X + b_r)/(1 - mu H);
//   rear locked z = (mu (1 - X) + b_f)/(1 + mu H); both z = mu.
// Exactly one of the four agrees with its own loads. Textbook mechanics.
#pragma once

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct Vehicle {
  Mass mass{};
  Length wheelbase{};
  Length cg_height{};
  double front_share = 0.5;  ///< X, 0 ... 1
  double tyre_mu = 0.9;
  bool operator==(const Vehicle&) const = default;
};

enum class Lock { none, front, rear, both };

struct Braking {
  double z = 0;  ///< deceleration in g
  Lock lock = Lock::none;
  bool rear_lifts = false;
};

/// One axle's brake force over the vehicle's weight, and the share of its wheels that is braked
/// (1 both, 0.5 one wheel of a diagonal split with a circuit lost, 0 none).
struct AxleBraking {
  double b = 0;
  double live_share = 1;
};

[[nodiscard]] Expected<Vehicle> check_vehicle(const Vehicle& vehicle);
[[nodiscard]] Braking braking(const Vehicle& vehicle, AxleBraking front, AxleBraking rear);
/// How far a first axle is beyond its grip (of the weight); below 0: none locks.
[[nodiscard]] double beyond_first_lock(const Vehicle& vehicle, AxleBraking front, AxleBraking rear);
/// How far the last axle that brakes is beyond its grip, or the deceleration beyond lifting the
/// rear; below 0: something still turns and stands on the road.
[[nodiscard]] double beyond_all_locked(const Vehicle& vehicle, AxleBraking front, AxleBraking rear);
/// Deceleration at which the rear wheels lift: (1 - X)/H.
[[nodiscard]] double lift_limit(const Vehicle& vehicle);
/// s = v t + v^2/(2 z g).
[[nodiscard]] Length stopping_distance(Speed speed, double z, Time reaction);

}  // namespace yoke
