// Remote (in-line) servo: raises the pressure of the circuits it feeds; volume passes one to one.
//   p_o = p_i up to p_crk, else min( p_i + (g - 1)(p_i - p_crk), p_i + p_max )
//   p_i = p_o up to p_crk, else max( (p_o + (g - 1) p_crk)/g, p_o - p_max );  dead: p_o = p_i
//   p_max = dp A_e eta / A_slave, eta 0.9 (common practice, no source)
#pragma once

#include "assist/assist.hpp"

namespace yoke {

struct Servo {
  Pressure crack{3e5};       ///< p_crk: the control valve opens
  double gain = 3.0;         ///< g, above 1
  Pressure max_assist{};     ///< p_max: what it can add
  bool feeds_first = true;   ///< outlet 1 runs through it
  bool feeds_second = true;  ///< outlet 2 runs through it
  bool operator==(const Servo&) const = default;
};

/// Largest pressure a servo adds.
[[nodiscard]] Pressure servo_max(Area diaphragm, Pressure difference, double efficiency,
                                 Length slave_bore);
/// Checks gain above 1 and pressures that are not negative.
[[nodiscard]] Expected<Servo> check_servo(const Servo& servo);
[[nodiscard]] double servo_output_pa(const Servo& servo, double in_pa);
/// Smallest input for an output; exact inverse.
[[nodiscard]] double servo_input_pa(const Servo& servo, double out_pa);
[[nodiscard]] AssistState servo_state(const Servo& servo, double in_pa, bool alive);

}  // namespace yoke
