// The written units. Factors are exact by definition: 1 in = 25.4 mm, 1 lb = 0.45359237 kg (the
// international yard and pound agreement of 1959), g = 9.80665 m/s2; inHg is conventional (0 C).
#include "quantity/quantity.hpp"

namespace yoke {

namespace {
constexpr double kInch = 0.0254;
constexpr double kPound = 0.45359237;
constexpr double kLbf = kPound * 9.80665;
constexpr double kPsi = kLbf / (kInch * kInch);
constexpr double kDegree = 3.14159265358979323846 / 180.0;
constexpr double kInHg = 3386.389;
}  // namespace

const std::vector<UnitWord>& unit_words(Kind kind) {
  static const std::vector<UnitWord> length{
      {"mm", 1e-3},    {"in", kInch},          {"\"", kInch},        {"″", kInch}, {"”", kInch},
      {"inch", kInch}, {"inches", kInch},      {"cm", 1e-2},         {"m", 1.0},   {"ft", 0.3048},
      {"'", 0.3048},   {"thou", kInch / 1000}, {"mil", kInch / 1000}};
  static const std::vector<UnitWord> area{{"mm²", 1e-6},
                                          {"in²", kInch * kInch},
                                          {"mm2", 1e-6},
                                          {"in2", kInch * kInch},
                                          {"sq in", kInch * kInch},
                                          {"cm2", 1e-4},
                                          {"cm²", 1e-4},
                                          {"m2", 1.0}};
  static const std::vector<UnitWord> volume{{"cm³", 1e-6},
                                            {"in³", kInch * kInch * kInch},
                                            {"cm3", 1e-6},
                                            {"cc", 1e-6},
                                            {"ml", 1e-6},
                                            {"mm³", 1e-9},
                                            {"mm3", 1e-9},
                                            {"in3", kInch * kInch * kInch},
                                            {"cu in", kInch * kInch * kInch},
                                            {"l", 1e-3},
                                            {"fl oz", 231 * kInch * kInch * kInch / 128},
                                            {"m3", 1.0}};
  static const std::vector<UnitWord> force{{"N", 1.0},      {"lbf", kLbf},   {"lb", kLbf},
                                           {"lbs", kLbf},   {"kN", 1000.0},  {"kgf", 9.80665},
                                           {"kp", 9.80665}, {"kg", 9.80665}, {"dN", 10.0}};
  static const std::vector<UnitWord> pressure{{"MPa", 1e6},    {"psi", kPsi},    {"bar", 1e5},
                                              {"kPa", 1e3},    {"Pa", 1.0},      {"inHg", kInHg},
                                              {"mbar", 100.0}, {"atm", 101325.0}};
  static const std::vector<UnitWord> mass{
      {"kg", 1.0}, {"lb", kPound}, {"lbs", kPound}, {"t", 1000.0}, {"g", 1e-3}};
  static const std::vector<UnitWord> angle{
      {"°", kDegree}, {"°", kDegree}, {"deg", kDegree}, {"degrees", kDegree}, {"rad", 1.0}};
  static const std::vector<UnitWord> temperature{{"°C", 1.0},   {"°F", 5.0 / 9.0, -160.0 / 9.0},
                                                 {"C", 1.0},    {"F", 5.0 / 9.0, -160.0 / 9.0},
                                                 {"degC", 1.0}, {"degF", 5.0 / 9.0, -160.0 / 9.0}};
  static const std::vector<UnitWord> altitude{{"m", 1.0}, {"ft", 0.3048}, {"km", 1000.0}};
  static const std::vector<UnitWord> pitch{{"mm", 1e-3}, {"tpi", kInch}, {"in", kInch}};
  static const std::vector<UnitWord> fraction{{"%", 0.01}, {"%", 0.01}, {"percent", 0.01}};
  static const std::vector<UnitWord> time{
      {"s", 1.0}, {"s", 1.0}, {"sec", 1.0}, {"min", 60.0}, {"h", 3600.0}};
  static const std::vector<UnitWord> flow{
      {"l/min", 1e-3 / 60}, {"cfm", 0.3048 * 0.3048 * 0.3048 / 60}, {"m3/s", 1.0}};
  static const std::vector<UnitWord> spring_rate{
      {"N/mm", 1e3}, {"lbf/in", kLbf / kInch}, {"lb/in", kLbf / kInch}, {"N/m", 1.0}};
  static const std::vector<UnitWord> torque{{"N·m", 1.0},
                                            {"lbf·ft", kLbf * 0.3048},
                                            {"Nm", 1.0},
                                            {"N m", 1.0},
                                            {"lbf ft", kLbf * 0.3048},
                                            {"lbft", kLbf * 0.3048},
                                            {"lb ft", kLbf * 0.3048},
                                            {"ft lb", kLbf * 0.3048},
                                            {"lb-ft", kLbf * 0.3048},
                                            {"ft-lb", kLbf * 0.3048},
                                            {"lbf·in", kLbf * kInch},
                                            {"lbf in", kLbf * kInch},
                                            {"in lb", kLbf * kInch}};
  static const std::vector<UnitWord> speed{
      {"km/h", 1 / 3.6}, {"mph", 1609.344 / 3600}, {"m/s", 1.0}};
  static const std::vector<UnitWord> current{{"A", 1.0}, {"A", 1.0}};
  static const std::vector<UnitWord> number{
      {"", 1.0}, {"", 1.0}, {":1", 1.0}, {"x", 1.0}, {"g", 1.0}};
  switch (kind) {
    case Kind::length:
      return length;
    case Kind::area:
      return area;
    case Kind::volume:
      return volume;
    case Kind::force:
      return force;
    case Kind::pressure:
      return pressure;
    case Kind::mass:
      return mass;
    case Kind::angle:
      return angle;
    case Kind::temperature:
      return temperature;
    case Kind::altitude:
      return altitude;
    case Kind::pitch:
      return pitch;
    case Kind::fraction:
      return fraction;
    case Kind::time:
      return time;
    case Kind::flow:
      return flow;
    case Kind::spring_rate:
      return spring_rate;
    case Kind::torque:
      return torque;
    case Kind::speed:
      return speed;
    case Kind::current:
      return current;
    case Kind::number:
    case Kind::choice:
      return number;
  }
  return number;
}

}  // namespace yoke
