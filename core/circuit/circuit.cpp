#include "circuit/circuit.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {
constexpr double kDiscC1_m3_pa = 110e-9 / 1e6;
constexpr double kDiscC2_m3_pa = 180e-9 / 1e6;
constexpr double kDiscReference_m2 = 2290e-6;
constexpr double kDrumC1_m3_pa = 50e-9 / 1e6;
constexpr double kDrumReference_m2 = 570e-6;
constexpr double kFoot_m = 0.3048;
}  // namespace

DiscSums disc_sums(const Disc& disc) {
  const double all_m2 = disc.side_area.value() * (disc.opposed ? 2.0 : 1.0);
  const double scale = all_m2 / kDiscReference_m2;
  return {disc.side_area.value() * disc.clearance.value(), scale * kDiscC1_m3_pa,
          scale * kDiscC2_m3_pa * kDiscSoftening_pa};
}

DrumSums drum_sums(const Drum& drum) {
  const double all_m2 = drum.pistons * drum.cylinder_area.value();
  return {all_m2 * drum.shoe_clearance.value(), kDrumC1_m3_pa * all_m2 / kDrumReference_m2};
}

VolumeParts disc_volume(const Disc& disc, double p_pa) {
  const DiscSums s = disc_sums(disc);
  VolumeParts v;
  v.take_up_m3 = s.take_up_m3 * disc_contact(p_pa);
  v.brake_m3 = s.linear_m3_pa * p_pa + s.soft_m3 * disc_softness(p_pa);
  return v;
}

VolumeParts drum_volume(const Drum& drum, double p_pa) {
  const DrumSums s = drum_sums(drum);
  VolumeParts v;
  v.take_up_m3 = s.take_up_m3 * drum_contact(p_pa);
  v.brake_m3 = s.linear_m3_pa * p_pa;
  return v;
}

double tube_m3_pa(const Tube& tube) {
  const double ro = tube.outside.value() / 2;
  const double ri = std::max(1e-4, ro - tube.wall.value());
  const bool steel = tube.material == TubeMaterial::steel;
  const double e_pa = steel ? 205e9 : 140e9;
  const double nu = steel ? 0.29 : 0.33;
  const double content_m3 = kPi * ri * ri * tube.length.value();
  return content_m3 * (3 * (1 - 2 * nu) * ri * ri + 2 * (1 + nu) * ro * ro) /
         (e_pa * (ro * ro - ri * ri));
}

double tube_volume_m3(const Tube& tube, double p_pa) {
  return tube_m3_pa(tube) * p_pa;
}

HoseSlopes hose_slopes(const Hose& hose) {
  // cm3 per foot at 1000 and 1500 psi, by size; regular, then low expansion.
  static constexpr double kMost[2][3][2] = {{{0.66, 0.79}, {0.86, 1.02}, {1.04, 1.30}},
                                            {{0.33, 0.42}, {0.55, 0.72}, {0.82, 1.17}}};
  const auto& most = kMost[static_cast<size_t>(hose.grade)][static_cast<size_t>(hose.size)];
  const double factor = hose.kind == HoseKind::rubber_new    ? 0.30
                        : hose.kind == HoseKind::rubber_aged ? 1.0
                                                             : 0.12;
  const double scale = 1e-6 / kFoot_m * factor * hose.length.value();
  return {most[0] * scale / kHoseKnee_pa, (most[1] - most[0]) * scale / (0.5 * kHoseKnee_pa)};
}

double hose_volume_m3(const Hose& hose, double p_pa) {
  const HoseSlopes s = hose_slopes(hose);
  return s.first_m3_pa * std::min(p_pa, kHoseKnee_pa) +
         s.then_m3_pa * std::max(0.0, p_pa - kHoseKnee_pa);
}

double bulk_modulus_pa(const Fluid& fluid) {
  const double k20_pa = fluid.silicone ? 1.0e9 : 1.7e9;
  return k20_pa * std::exp(-0.005 * std::max(0.0, fluid.temperature_c - 20.0));
}

double air_volume_m3(double free_m3, double p_pa, double ambient_pa, double exponent) {
  const double squeezed = ambient_pa / (ambient_pa + std::max(0.0, p_pa));
  return free_m3 * (1.0 - (exponent == 1.0 ? squeezed : std::pow(squeezed, 1.0 / exponent)));
}

Volume tube_content(const Tube& tube) {
  const double ri = std::max(1e-4, tube.outside.value() / 2 - tube.wall.value());
  return Volume{kPi * ri * ri * tube.length.value()};
}

Volume hose_content(const Hose& hose) {
  static constexpr double kBore_m[] = {0.003175, 0.0047625, 0.00635};
  return Volume{circle_area(Length{kBore_m[static_cast<size_t>(hose.size)]}).value() *
                hose.length.value()};
}

Volume brake_content(Area piston_area, Length depth) {
  return piston_area * depth;
}

}  // namespace yoke
