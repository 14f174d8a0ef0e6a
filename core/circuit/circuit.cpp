#include "circuit/circuit.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {
constexpr double kContactPressure_pa = 0.15e6;
constexpr double kSofteningPressure_pa = 1.5e6;
constexpr double kDiscC1_m3_pa = 110e-9 / 1e6;
constexpr double kDiscC2_m3_pa = 180e-9 / 1e6;
constexpr double kDiscReference_m2 = 2290e-6;
constexpr double kSpringLow_pa = 0.25e6;
constexpr double kSpringHigh_pa = 0.50e6;
constexpr double kDrumC1_m3_pa = 50e-9 / 1e6;
constexpr double kDrumReference_m2 = 570e-6;
constexpr double kPsi_pa = 6894.757293168361;
constexpr double kFoot_m = 0.3048;
constexpr double kHoseBore_m = 0.003175;
}  // namespace

VolumeParts& VolumeParts::operator+=(const VolumeParts& o) {
  take_up_m3 += o.take_up_m3;
  brake_m3 += o.brake_m3;
  hose_m3 += o.hose_m3;
  tube_m3 += o.tube_m3;
  fluid_m3 += o.fluid_m3;
  air_m3 += o.air_m3;
  return *this;
}

double smooth_step(double u) {
  u = std::clamp(u, 0.0, 1.0);
  return u * u * (3.0 - 2.0 * u);
}

VolumeParts disc_volume(const Disc& disc, double p_pa) {
  const double all_m2 = disc.side_area.value() * (disc.opposed ? 2.0 : 1.0);
  const double scale = all_m2 / kDiscReference_m2;
  VolumeParts v;
  v.take_up_m3 =
      disc.side_area.value() * disc.clearance.value() * smooth_step(p_pa / kContactPressure_pa);
  v.brake_m3 = scale * (kDiscC1_m3_pa * p_pa + kDiscC2_m3_pa * kSofteningPressure_pa *
                                                   -std::expm1(-p_pa / kSofteningPressure_pa));
  return v;
}

VolumeParts drum_volume(const Drum& drum, double p_pa) {
  const double all_m2 = drum.pistons * drum.cylinder_area.value();
  VolumeParts v;
  v.take_up_m3 = all_m2 * drum.shoe_clearance.value() *
                 smooth_step((p_pa - kSpringLow_pa) / (kSpringHigh_pa - kSpringLow_pa));
  v.brake_m3 = kDrumC1_m3_pa * all_m2 / kDrumReference_m2 * p_pa;
  return v;
}

double tube_volume_m3(const Tube& tube, double p_pa) {
  const double ro = tube.outside.value() / 2;
  const double ri = std::max(1e-4, ro - tube.wall.value());
  const bool steel = tube.material == TubeMaterial::steel;
  const double e_pa = steel ? 205e9 : 140e9;
  const double nu = steel ? 0.29 : 0.33;
  const double content_m3 = kPi * ri * ri * tube.length.value();
  return content_m3 * p_pa * (3 * (1 - 2 * nu) * ri * ri + 2 * (1 + nu) * ro * ro) /
         (e_pa * (ro * ro - ri * ri));
}

double hose_volume_m3(const Hose& hose, double p_pa) {
  constexpr double v1 = 0.66e-6 / kFoot_m;
  constexpr double v2 = 0.79e-6 / kFoot_m;
  constexpr double p1 = 1000 * kPsi_pa;
  constexpr double p2 = 1500 * kPsi_pa;
  const double per_m = p_pa <= p1 ? v1 * p_pa / p1 : v1 + (v2 - v1) * (p_pa - p1) / (p2 - p1);
  const double factor = hose.kind == HoseKind::rubber_new    ? 0.30
                        : hose.kind == HoseKind::rubber_aged ? 1.0
                                                             : 0.12;
  return per_m * factor * hose.length.value();
}

double bulk_modulus_pa(const Fluid& fluid) {
  const double k20_pa = fluid.silicone ? 1.0e9 : 1.7e9;
  return k20_pa * std::exp(-0.005 * std::max(0.0, fluid.temperature_c - 20.0));
}

double air_volume_m3(double free_m3, double p_pa, double ambient_pa, double exponent) {
  return free_m3 *
         (1.0 - std::pow(ambient_pa / (ambient_pa + std::max(0.0, p_pa)), 1.0 / exponent));
}

Volume tube_content(const Tube& tube) {
  const double ri = std::max(1e-4, tube.outside.value() / 2 - tube.wall.value());
  return Volume{kPi * ri * ri * tube.length.value()};
}

Volume hose_content(const Hose& hose) {
  return Volume{circle_area(Length{kHoseBore_m}).value() * hose.length.value()};
}

Volume brake_content(Area piston_area) {
  return Volume{piston_area.value() * 0.006};
}

double metered_pa(const Metering& valve, double p_pa) {
  const double hold_pa = valve.hold.value();
  const double blend_pa = valve.blend.value();
  if (p_pa <= hold_pa) return 0.0;
  if (p_pa >= blend_pa) return p_pa;
  return blend_pa * (p_pa - hold_pa) / (blend_pa - hold_pa);
}

double proportioned_pa(const Proportioning& valve, double p_pa) {
  const double knee_pa = valve.knee.value();
  return p_pa <= knee_pa ? p_pa : knee_pa + valve.slope * (p_pa - knee_pa);
}

}  // namespace yoke
