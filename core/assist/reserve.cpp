#include "assist/reserve.hpp"

#include <algorithm>
#include <cmath>

#include "quantity/checks.hpp"

namespace yoke {

namespace {

constexpr double kHighest_pa = 1.2e5;  // ambient pressure in the deepest mine

Expected<bool> check_store(const VacuumStore& s) {
  const Check checks[] = {
      {"supply.vacuum_volume", "The vacuum store", s.volume.value(), 2e-4, 0.05, Kind::volume,
       "Booster, hose and reservoir together"},
      {"assist.stroke", "The volume swept by the diaphragm", s.swept.value(), 0,
       0.98 * s.volume.value(), Kind::volume, "It must stay below the store it is drawn from"},
      {"vehicle.altitude", "The ambient pressure", s.ambient.value(), 2e4, kHighest_pa,
       Kind::pressure, "Give the altitude of use"},
      {"assist.vacuum", "The absolute pressure in the store", s.start.value(), 0, s.ambient.value(),
       Kind::pressure, "Read the vacuum gauge again"}};
  return check_all(checks);
}

}  // namespace

Expected<std::vector<Pressure>> vacuum_pushes(const VacuumStore& s, int pushes) {
  if (const auto ok = check_store(s); !ok) return fail(ok.error());
  const double v_s = s.volume.value();
  const double v_a = s.swept.value();
  const double amb = s.ambient.value();
  double p = s.start.value();
  std::vector<Pressure> found;
  for (int k = 0; k < std::clamp(pushes, 1, 50); ++k) {
    found.emplace_back(std::max(0.0, amb - p * v_s / (v_s - v_a)));
    p = std::min(amb, p + amb * v_a / v_s);
  }
  return found;
}

Expected<int> pushes_above(const VacuumStore& s, Pressure wanted, int most) {
  const auto found = vacuum_pushes(s, most);
  if (!found) return fail(found.error());
  const auto first_short =
      std::find_if(found->begin(), found->end(), [&](Pressure dp) { return dp < wanted; });
  return static_cast<int>(first_short - found->begin());
}

Expected<std::optional<Time>> pump_down_time(const VacuumPump& pump, Volume store, Pressure from,
                                             Pressure to, Pressure ambient) {
  const double amb = ambient.value();
  const Check checks[] = {{"supply.pump_flow", "The pump's flow", pump.flow_m3_s, 1e-6, 0.05,
                           Kind::flow, "Read it from the pump's sheet, at its inlet"},
                          {"supply.vacuum_volume", "The vacuum store", store.value(), 2e-4, 0.05,
                           Kind::volume, "Booster, hose and reservoir together"},
                          {"vehicle.altitude", "The ambient pressure", amb, 2e4, kHighest_pa,
                           Kind::pressure, "Give the altitude of use"},
                          {"pump.from", "The pressure at the start", from.value(), 0, amb,
                           Kind::pressure, "Absolute, at most the ambient pressure"},
                          {"pump.to", "The pressure wanted", to.value(), 0, amb, Kind::pressure,
                           "Absolute, at most the ambient pressure"},
                          {"supply.pump_ultimate", "The pump's end pressure", pump.ultimate.value(),
                           0, 101325, Kind::pressure, "Absolute, from the pump's sheet"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double end = pump.ultimate.value() * amb / 101325.0;
  if (to >= from) return std::optional<Time>(Time{0.0});
  if (to.value() <= end) return std::optional<Time>();
  const double t =
      store.value() / pump.flow_m3_s * std::log((from.value() - end) / (to.value() - end));
  return std::optional<Time>(Time{t});
}

Expected<std::vector<Pressure>> accumulator_stops(const Accumulator& a) {
  const Check checks[] = {
      {"supply.accu_precharge", "The precharge", a.precharge.value(), 1e5, 3e7, Kind::pressure,
       "Absolute, fluid side empty"},
      {"supply.accu_volume", "The gas volume", a.gas.value(), 1e-6, 5e-3, Kind::volume,
       "From the unit's sheet"},
      {"supply.accu_charge", "The charge", a.charged.value(), a.precharge.value(), 4e7,
       Kind::pressure, "It must lie above the precharge, or nothing is stored"},
      {"assist.power_area", "The fluid of one stop", a.per_stop.value(), 1e-9, 1e-2, Kind::volume,
       "Power piston area times its stroke"},
      {"supply.accu_exponent", "The gas exponent", a.exponent, 1, 1.4, Kind::number,
       "1 for slow, 1.4 for quick stops"}};
  if (const auto ok = check_all(checks); !ok) return fail(ok.error());
  const double v0 = a.gas.value() * std::pow(a.precharge / a.charged, 1.0 / a.exponent);
  std::vector<Pressure> stops;
  for (int k = 1; k <= 50; ++k) {
    const double v = v0 + k * a.per_stop.value();
    if (v > a.gas.value()) break;
    stops.emplace_back(a.precharge.value() * std::pow(a.gas.value() / v, a.exponent));
  }
  return stops;
}

}  // namespace yoke
