// What is left when the engine stops: vacuum reserve, electric vacuum pump, hydraulic accumulator.
// All pressures absolute here, SI.
//   vacuum:  dp_k = max(0, p_amb - p_k V_s/(V_s - V_a)),  p_k+1 = min(p_amb, p_k + p_amb V_a/V_s)
//            isothermal, rear dead volume neglected (textbook gas law)
//   pump:    p(t) = p_u + (p_0 - p_u) exp(-S t/V_s); p_u scales with the ambient pressure
//   accumulator: V_0 = V_g p_g/p_chg, V_k = V_0 + k V_a, p_k = p_g (V_g/V_k)^n; spent when V_k >
//   V_g
#pragma once

#include <optional>
#include <vector>

#include "quantity/error.hpp"
#include "quantity/units.hpp"

namespace yoke {

/// A shut-off vacuum store: both chambers, hose and any reservoir.
struct VacuumStore {
  Volume volume{0.0035};       ///< V_s, 0.0002 … 0.05 m3
  Volume swept{};              ///< V_a = diaphragm area x booster stroke, below V_s
  Pressure start{};            ///< absolute, pedal released
  Pressure ambient{101325.0};  ///< absolute
};

/// Pressure difference that each push in a row finds, `pushes` of them (1 … 50).
[[nodiscard]] Expected<std::vector<Pressure>> vacuum_pushes(const VacuumStore& store, int pushes);

/// How many pushes in a row find at least a pressure difference; counts up to `most`.
[[nodiscard]] Expected<int> pushes_above(const VacuumStore& store, Pressure wanted, int most = 50);

struct VacuumPump {
  double flow_m3_s = 0;        ///< volume flow at the inlet
  Pressure ultimate{15000.0};  ///< absolute, at sea level: common practice, no source
};
/// Time from one absolute pressure to a lower one; nothing when the pump never gets there.
[[nodiscard]] Expected<std::optional<Time>> pump_down_time(const VacuumPump& pump, Volume store,
                                                           Pressure from, Pressure to,
                                                           Pressure ambient);

struct Accumulator {
  Pressure precharge{4.1e6};  ///< absolute, fluid side empty
  Volume gas{75e-6};          ///< V_g at the precharge
  Pressure charged{};         ///< absolute
  Volume per_stop{};          ///< V_a = power piston area x stroke
  double exponent = 1.0;      ///< 1 slow … 1.4 fast
};
/// Absolute pressure at each application in a row while fluid is left (at most 50).
[[nodiscard]] Expected<std::vector<Pressure>> accumulator_stops(const Accumulator& a);

}  // namespace yoke
