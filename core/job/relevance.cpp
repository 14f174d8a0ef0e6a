#include "job/relevance.hpp"

#include <algorithm>

#include "job/assemble.hpp"

namespace yoke {

namespace {

bool is(const Job& job, Which which, Param p, int option) {
  const Value v = value_of(job, which, p);
  return v.known() && static_cast<int>(v.si) == option;
}

bool axle_relevant(const Job& job, Which which, Param p, Axle axle) {
  const Param kind = of_axle(Param::front_kind, axle);
  const auto any = [&](std::initializer_list<Param> list) {
    return std::any_of(list.begin(), list.end(), [&](Param f) { return of_axle(f, axle) == p; });
  };
  if (any({Param::front_piston, Param::front_pistons, Param::front_radius, Param::front_mu,
           Param::front_clearance}))
    return !is(job, which, kind, 2);
  if (any({Param::front_cylinder, Param::front_cylinder_pistons, Param::front_drum,
           Param::front_shoes, Param::front_brake_factor, Param::front_shoe_clearance}))
    return !is(job, which, kind, 0) && !is(job, which, kind, 1);
  return true;
}

bool assist_relevant(const Job& job, Which which, Param p) {
  const Value kind = value_of(job, which, Param::assist_kind);
  if (!kind.known()) return true;
  const auto option = static_cast<int>(kind.si);
  switch (p) {
    case Param::assist_diaphragm1:
    case Param::assist_diaphragm2:
    case Param::assist_efficiency:
    case Param::assist_vacuum:
    case Param::assist_vacuum_altitude:
      return option == 1;
    case Param::assist_pump_pressure:
    case Param::assist_power_area:
      return option == 2;
    case Param::assist_electric_force:
      return option == 3;
    default:
      return option != 0;
  }
}

}  // namespace

bool relevant(const Job& job, Which which, Param p) {
  const Group g = info(p).group;
  if (g == Group::front) return axle_relevant(job, which, p, Axle::front);
  if (g == Group::rear) return axle_relevant(job, which, p, Axle::rear);
  if (g == Group::assist && p != Param::assist_kind) return assist_relevant(job, which, p);
  const bool single = is(job, which, Param::master_kind, 0);
  if (p == Param::master_stroke2 || p == Param::master_cutoff2 || p == Param::master_springs)
    return !single;
  if (g == Group::circuit) return !single;
  if (p == Param::master_step_bore || p == Param::master_crack)
    return is(job, which, Param::master_kind, 2);
  if (p == Param::valve_knee || p == Param::valve_slope || p == Param::valve_bypass)
    return is(job, which, Param::valve_kind, 1);
  if (p == Param::valve_hold || p == Param::valve_blend)
    return is(job, which, Param::valve_metering, 1);
  return true;
}

std::vector<Param> relevant_params(const Job& job, Which which, Group group) {
  std::vector<Param> list;
  for (const ParamInfo& p : all_params())
    if (p.group == group && relevant(job, which, p.param)) list.push_back(p.param);
  return list;
}

std::optional<Param> next_to_measure(const Job& job, Which which, std::optional<Param> after) {
  const Assembly a = assemble(job, which);
  std::vector<Param> list = a.missing_system;
  list.insert(list.end(), a.missing_brakes.begin(), a.missing_brakes.end());
  list.insert(list.end(), a.missing_vehicle.begin(), a.missing_vehicle.end());
  for (const ParamInfo& p : all_params()) {
    const Value v = value_of(job, which, p.param);
    const bool guess = v.origin == Origin::measured && v.how == How::estimate;
    if (guess && relevant(job, which, p.param) &&
        std::find(list.begin(), list.end(), p.param) == list.end())
      list.push_back(p.param);
  }
  if (list.empty()) return std::nullopt;
  if (after)
    if (const auto it = std::find(list.begin(), list.end(), *after);
        it != list.end() && it + 1 != list.end())
      return *(it + 1);
  return list.front();
}

}  // namespace yoke
