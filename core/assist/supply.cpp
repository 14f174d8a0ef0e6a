#include "assist/supply.hpp"

#include "quantity/checks.hpp"

namespace yoke {

namespace {
constexpr double kCopper_ohm_m = 1.724e-8;
constexpr double kStranded = 1.15;
constexpr double kSupply_v = 12.0;

double ohm_of(double length_m, double area_m2) {
  return kStranded * kCopper_ohm_m * 2 * length_m / area_m2;
}
}  // namespace

std::span<const double> cable_sizes_mm2() {
  static constexpr double sizes[] = {0.5, 0.75, 1, 1.5, 2.5, 4, 6, 10, 16, 25, 35, 50, 70, 95, 120};
  return sizes;
}

Expected<SupplyCheck> supply_check(Length length, Area area, double fuse_a, double allowed) {
  const Check checks[] = {
      {"supply.wire_length", "The cable's length", length.value(), 0.05, 20, Kind::length,
       "One way, from the battery to the unit"},
      {"supply.wire_area", "The conductor", area.value(), 1e-7, 2e-4, Kind::area,
       "Copper only, from the cable's marking"},
      {"supply.fuse", "The fuse", fuse_a, 1, 500, Kind::current, "Read it from the unit's sheet"},
      {"allowed", "The allowed drop", allowed, 0.001, 0.5, Kind::fraction,
       "3 % is usual for a motor feed"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  SupplyCheck s;
  s.ohm = ohm_of(length.value(), area.value());
  s.drop_v = s.ohm * fuse_a;
  s.drop_share = s.drop_v / kSupply_v;
  s.enough = s.drop_share <= allowed;
  for (const double mm2 : cable_sizes_mm2())
    if (ohm_of(length.value(), mm2 * 1e-6) * fuse_a <= allowed * kSupply_v) {
      s.smallest = Area{mm2 * 1e-6};
      break;
    }
  return s;
}

}  // namespace yoke
