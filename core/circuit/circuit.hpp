// Circuits: how much fluid a pressure takes. Every term is 0 at p = 0 and never falls.
// All pressures gauge, SI. smooth(u) = 3u^2 - 2u^3 on [0, 1], clamped.
#pragma once

#include <algorithm>
#include <cmath>

#include "quantity/units.hpp"

namespace yoke {

/// Disc brake, one wheel. V = A_s d smooth(p/p_t) + c1 p + c2 p_s (1 - exp(-p/p_s)).
/// p_t 0.15 MPa, p_s 1.5 MPa, c1 110 and c2 180 mm3/MPa at 2290 mm2 of all pistons, scaled with
/// the area (common practice, no source).
struct Disc {
  Area side_area{};          ///< A_s: pistons on one side
  bool opposed = false;      ///< pistons on both sides
  Length clearance{0.0002};  ///< d: both pads together, knock-back included
  Length effective_radius{};
  double mu = 0.40;
  bool operator==(const Disc&) const = default;
};

/// Drum brake, one wheel. V = n A_w d_w smooth((p - p_lo)/(p_hi - p_lo)) + c1 p, spring band
/// 0.25 ... 0.50 MPa, c1 50 mm3/MPa x n A_w / 570 mm2 (common practice, no source).
struct Drum {
  Area cylinder_area{};  ///< A_w: one piston
  int pistons = 2;
  Length shoe_clearance{0.0006};  ///< per piston
  Length radius{};
  double factor = 2.15;        ///< total drag over the force of one piston
  double hot_exponent = 1.45;  ///< factor ~ (mu/mu0)^this: 1.45, 1.75 two leading, 2.2 duo-servo
  bool operator==(const Drum&) const = default;
};

enum class TubeMaterial { steel, copper_nickel };

/// Metal tube, thick wall with closed ends (Lame, in Timoshenko, Strength of Materials, from
/// memory).
struct Tube {
  Length length{};
  Length outside{0.0047625};
  Length wall{0.00071};
  TubeMaterial material = TubeMaterial::steel;
  bool operator==(const Tube&) const = default;
};

enum class HoseKind { rubber_new, rubber_aged, braided };

enum class HoseSize { eighth, three_sixteenths, quarter };
enum class HoseGrade { regular, low_expansion };

/// Flexible hose: expansion per length by straight lines through 0, 1000 and 1500 psi, the last
/// slope continued. Regulatory maxima in cm3 per foot at both pressures (49 CFR 571.106, from
/// memory): 1/8 in 0.66, 0.79 (low expansion 0.33, 0.42); 3/16 in 0.86, 1.02 (0.55, 0.72); 1/4 in
/// 1.04, 1.30 (0.82, 1.17). Times a factor: new rubber 0.30, aged 1.0, braided 0.12 (common
/// practice, no source).
struct Hose {
  Length length{};
  HoseKind kind = HoseKind::rubber_new;
  HoseSize size = HoseSize::eighth;
  HoseGrade grade = HoseGrade::regular;
  bool operator==(const Hose&) const = default;
};

/// Fluid column. V = V0 p / K(T), K20 1.7 GPa glycol, 1.0 GPa silicone,
/// K(T) = K20 exp(-0.005 (T - 20)) above 20 C (common practice, no source).
struct Fluid {
  bool silicone = false;
  double temperature_c = 20.0;
  bool operator==(const Fluid&) const = default;
};

/// Parts of a circuit's volume at a pressure [m3].
struct VolumeParts {
  double take_up_m3 = 0;  ///< linings to contact
  double brake_m3 = 0;    ///< calipers, drums
  double hose_m3 = 0;
  double tube_m3 = 0;
  double fluid_m3 = 0;
  double air_m3 = 0;
  [[nodiscard]] double total_m3() const {
    return take_up_m3 + brake_m3 + hose_m3 + tube_m3 + fluid_m3 + air_m3;
  }
  VolumeParts& operator+=(const VolumeParts& o) {
    take_up_m3 += o.take_up_m3;
    brake_m3 += o.brake_m3;
    hose_m3 += o.hose_m3;
    tube_m3 += o.tube_m3;
    fluid_m3 += o.fluid_m3;
    air_m3 += o.air_m3;
    return *this;
  }
  bool operator==(const VolumeParts&) const = default;
};

// Short and called for every point of a press: kept where they can be inlined.
[[nodiscard]] inline double smooth_step(double u) {
  u = std::clamp(u, 0.0, 1.0);
  return u * u * (3.0 - 2.0 * u);
}
/// What a brake adds to its circuit, apart from the shapes over pressure below.
struct DiscSums {
  double take_up_m3 = 0;  ///< times disc_contact
  double linear_m3_pa = 0;
  double soft_m3 = 0;  ///< times disc_softness
};
struct DrumSums {
  double take_up_m3 = 0;  ///< times drum_contact
  double linear_m3_pa = 0;
};
[[nodiscard]] DiscSums disc_sums(const Disc& disc);
[[nodiscard]] DrumSums drum_sums(const Drum& drum);
/// 0 … 1 over pressure: pads to contact, shoes to contact, growth that levels off.
inline constexpr double kDiscContact_pa = 0.15e6;
inline constexpr double kDiscSoftening_pa = 1.5e6;
/// Pressures at which the shoe springs begin to give, and have given way.
inline constexpr double kDrumSpringLow_pa = 0.25e6;
inline constexpr double kDrumSpringHigh_pa = 0.50e6;
[[nodiscard]] inline double disc_contact(double p_pa) {
  return p_pa >= kDiscContact_pa ? 1.0 : smooth_step(p_pa / kDiscContact_pa);
}
[[nodiscard]] inline double drum_contact(double p_pa) {
  if (p_pa >= kDrumSpringHigh_pa) return 1.0;
  return smooth_step((p_pa - kDrumSpringLow_pa) / (kDrumSpringHigh_pa - kDrumSpringLow_pa));
}
[[nodiscard]] inline double disc_softness(double p_pa) {
  return 1.0 - std::exp(-p_pa * (1.0 / kDiscSoftening_pa));
}
/// Volumes of one brake: take-up and growth.
[[nodiscard]] VolumeParts disc_volume(const Disc& disc, double p_pa);
[[nodiscard]] VolumeParts drum_volume(const Drum& drum, double p_pa);
[[nodiscard]] double tube_volume_m3(const Tube& tube, double p_pa);
[[nodiscard]] double hose_volume_m3(const Hose& hose, double p_pa);
/// Expansion of a hose as two slopes: m3/Pa up to the knee at 1000 psi, and beyond it.
struct HoseSlopes {
  double first_m3_pa = 0;
  double then_m3_pa = 0;
};
inline constexpr double kHoseKnee_pa = 1000 * 6894.757293168361;
[[nodiscard]] HoseSlopes hose_slopes(const Hose& hose);
/// Volume of a tube for each pascal.
[[nodiscard]] double tube_m3_pa(const Tube& tube);
[[nodiscard]] double bulk_modulus_pa(const Fluid& fluid);
/// Volume given up by air that was `free_m3` at ambient pressure; polytropic exponent 1 (slow) to
/// 1.4 (fast). Ideal gas.
[[nodiscard]] double air_volume_m3(double free_m3, double p_pa, double ambient_pa = 101325.0,
                                   double exponent = 1.0);
/// Bore of the tube times its length: the fluid it holds.
[[nodiscard]] Volume tube_content(const Tube& tube);
/// A hose's bore times its length.
[[nodiscard]] Volume hose_content(const Hose& hose);
/// Something is left between its walls.
[[nodiscard]] inline bool tube_has_bore(const Tube& tube) {
  return 2 * tube.wall < tube.outside;
}
/// Fluid inside one brake at rest: behind its pistons, as far as they stand out.
[[nodiscard]] Volume brake_content(Area piston_area, Length depth);

/// Pressure limiting of the rear: p up to the knee, then knee + slope (p - knee).
struct Proportioning {
  Pressure knee{};
  double slope = 0.4;
  bool operator==(const Proportioning&) const = default;
};
/// Front held at 0 up to `hold`, rising to the full pressure at `blend`.
struct Metering {
  Pressure hold{600000.0};
  Pressure blend{1200000.0};
  bool operator==(const Metering&) const = default;
};
[[nodiscard]] inline double metered_pa(const Metering& valve, double p_pa) {
  const double hold_pa = valve.hold.value();
  const double blend_pa = valve.blend.value();
  if (p_pa <= hold_pa) return 0.0;
  if (p_pa >= blend_pa) return p_pa;
  return blend_pa * (p_pa - hold_pa) / (blend_pa - hold_pa);
}

[[nodiscard]] inline double proportioned_pa(const Proportioning& valve, double p_pa) {
  const double knee_pa = valve.knee.value();
  return p_pa <= knee_pa ? p_pa : knee_pa + valve.slope * (p_pa - knee_pa);
}

}  // namespace yoke
