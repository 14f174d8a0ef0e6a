#include "assist/servo.hpp"

#include <algorithm>

#include "quantity/checks.hpp"

namespace yoke {

Pressure servo_max(Area diaphragm, Pressure difference, double efficiency, Length slave_bore) {
  return Pressure{vacuum_assist(diaphragm, difference, efficiency).value() /
                  circle_area(slave_bore).value()};
}

Expected<Servo> check_servo(const Servo& s) {
  const Check checks[] = {
      {"assist.servo_gain", "The servo's gain", s.gain, 1.05, 12, Kind::number,
       "Output pressure rise over input pressure rise while it works"},
      {"assist.servo_crack", "The pressure at which the servo opens", s.crack.value(), 0, 3e6,
       Kind::pressure, "Leave it unknown to use the typical figure"},
      {"assist.servo_slave", "The pressure the servo adds", s.max_assist.value(), 0, 1e9,
       Kind::pressure, "Measure its slave bore and the diaphragm"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  return s;
}

double servo_output_pa(const Servo& s, double in_pa) {
  const double crack_pa = s.crack.value();
  if (in_pa <= crack_pa) return in_pa;
  return std::min(in_pa + (s.gain - 1) * (in_pa - crack_pa), in_pa + s.max_assist.value());
}

double servo_input_pa(const Servo& s, double out_pa) {
  const double crack_pa = s.crack.value();
  if (out_pa <= crack_pa) return out_pa;
  return std::max((out_pa + (s.gain - 1) * crack_pa) / s.gain, out_pa - s.max_assist.value());
}

AssistState servo_state(const Servo& s, double in_pa, bool alive) {
  if (!alive) return AssistState::dead;
  if (in_pa <= s.crack.value()) return AssistState::cut_in;
  return (s.gain - 1) * (in_pa - s.crack.value()) > s.max_assist.value() ? AssistState::run_out
                                                                         : AssistState::working;
}

}  // namespace yoke
