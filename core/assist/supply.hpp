// Copper for an electric booster or pump: volt drop at the fuse's rating, and the smallest metric
// size that keeps it within a share of 12.0 V.
//   R = 1.15 rho 2 l / a: out and back; rho 1.724e-8 ohm m annealed copper (IEC 60028, from
//   memory); stranded cable up to 15 % worse (IEC 60228, from memory)
#pragma once

#include <optional>
#include <span>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

struct SupplyCheck {
  double ohm = 0;                ///< out and back
  double drop_v = 0;             ///< at the fuse's rating
  double drop_share = 0;         ///< of 12.0 V
  bool enough = false;           ///< within the allowed share
  std::optional<Area> smallest;  ///< smallest metric size within it; none of the sizes: nothing
};

/// Metric conductor sizes, 0.5 … 120 mm2 (IEC 60228, from memory).
[[nodiscard]] std::span<const double> cable_sizes_mm2();

/// `length` one way, 0 … 20 m; `area` of the conductor; fuse 1 … 500 A; `allowed` 0.03.
[[nodiscard]] Expected<SupplyCheck> supply_check(Length length, Area area, double fuse_a,
                                                 double allowed = 0.03);

}  // namespace yoke
