// Builders with defaults: a whole system, a job that knows everything, random valid systems.
#pragma once

#include <ostream>

#include "document/job.hpp"
#include "quantity/message.hpp"
#include "strip/conditions.hpp"

namespace yoke {
/// For a test's own words: a message in English.
inline std::ostream& operator<<(std::ostream& out, const Message& message) {
  return out << english(message);
}
}  // namespace yoke

namespace yoke::test {

WheelBrake disc_wheel(double piston_mm = 48, double radius_mm = 101, double mu = 0.38);
WheelBrake drum_wheel(double cylinder_mm = 19.05, double drum_mm = 228.6);
/// Front discs on outlet 1, rear drums on outlet 2, tandem 7/8 in, ratio 6, no assist.
System car();
Booster booster(double dp_pa = 65000, double diameter_m = 0.203);
/// A job in which everything the model needs is stated, equal to car().
Job known_job();
/// The same of a clutch.
Job known_clutch();
/// A random valid system; the same seed gives the same system.
System random_system(unsigned seed);

}  // namespace yoke::test
