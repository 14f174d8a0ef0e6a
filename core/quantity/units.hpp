// Strong unit types used in every interface of the core. All are SI underneath:
// m, m2, m3, N, Pa, kg, rad, s. Pressures are gauge unless a name says "absolute".
#pragma once

// Only the families of units that are used: the whole header costs every file 4 s instead of 2.
#define UNIT_LIB_DISABLE_IOSTREAM
#define DISABLE_PREDEFINED_UNITS
#define ENABLE_PREDEFINED_LENGTH_UNITS
#define ENABLE_PREDEFINED_TIME_UNITS
#define ENABLE_PREDEFINED_MASS_UNITS
#define ENABLE_PREDEFINED_ACCELERATION_UNITS
#define ENABLE_PREDEFINED_ENERGY_UNITS
#define ENABLE_PREDEFINED_AREA_UNITS
#define ENABLE_PREDEFINED_VOLUME_UNITS
#define ENABLE_PREDEFINED_FORCE_UNITS
#define ENABLE_PREDEFINED_PRESSURE_UNITS
#define ENABLE_PREDEFINED_ANGLE_UNITS
#define ENABLE_PREDEFINED_VELOCITY_UNITS
#define ENABLE_PREDEFINED_TORQUE_UNITS
#include <units.h>

namespace yoke {

using Length = units::length::meter_t;
using Area = units::area::square_meter_t;
using Volume = units::volume::cubic_meter_t;
using Force = units::force::newton_t;
using Pressure = units::pressure::pascal_t;
using Mass = units::mass::kilogram_t;
using Angle = units::angle::radian_t;
using Torque = units::torque::newton_meter_t;
using Speed = units::velocity::meters_per_second_t;
using Time = units::time::second_t;

/// Standard gravity, exact by definition (ISO 80000-3).
inline constexpr double kGravity_m_s2 = 9.80665;
inline constexpr double kPi = 3.14159265358979323846;

/// Area of a circle from its diameter.
constexpr Area circle_area(Length diameter) {
  return Area{kPi / 4.0 * diameter.value() * diameter.value()};
}

}  // namespace yoke
