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
           Param::front_clearance, Param::front_knock_back, Param::front_above}))
    return !is(job, which, kind, 2);
  if (any({Param::front_cylinder, Param::front_cylinder_pistons, Param::front_drum,
           Param::front_shoes, Param::front_brake_factor, Param::front_shoe_clearance,
           Param::front_lining_mu}))
    return !is(job, which, kind, 0) && !is(job, which, kind, 1);
  if (any({Param::front_shoe_push, Param::front_shoe_normal, Param::front_shoe_friction}))
    return is(job, which, kind, 2) && !is(job, which, of_axle(Param::front_shoes, axle), 2);
  return true;
}

bool one_of(Param p, std::initializer_list<Param> list) {
  return std::find(list.begin(), list.end(), p) != list.end();
}

bool assist_relevant(const Job& job, Which which, Param p) {
  const Value kind = value_of(job, which, Param::assist_kind);
  if (!kind.known())
    return !one_of(p, {Param::assist_servo_feeds, Param::assist_servo_gain,
                       Param::assist_servo_crack, Param::assist_servo_slave});
  const auto option = static_cast<int>(kind.si);
  const bool vacuum = option == 1 || option == 4;
  if (one_of(p, {Param::assist_diaphragm1, Param::assist_diaphragm2, Param::assist_efficiency,
                 Param::assist_vacuum, Param::assist_vacuum_altitude, Param::assist_manifold,
                 Param::supply_vacuum_volume, Param::supply_tank, Param::supply_pump_flow,
                 Param::supply_pump_ultimate}))
    return vacuum;
  if (one_of(p, {Param::assist_servo_feeds, Param::assist_servo_gain, Param::assist_servo_crack,
                 Param::assist_servo_slave}))
    return option == 4;
  if (one_of(p, {Param::assist_pump_pressure, Param::assist_power_area, Param::supply_accu}))
    return option == 2;
  if (one_of(p, {Param::supply_accu_precharge, Param::supply_accu_volume, Param::supply_accu_charge,
                 Param::supply_accu_exponent}))
    return option == 2 && is(job, which, Param::supply_accu, 1);
  if (one_of(p, {Param::assist_electric_force, Param::supply_wire_length, Param::supply_wire_area,
                 Param::supply_fuse}))
    return option == 3;
  return option != 0 && option != 4;
}

bool control_relevant(const Job& job, Which which, Param p) {
  if (one_of(p, {Param::control_mid_in, Param::control_mid_out}))
    return is(job, which, Param::control_mid, 1);
  if (one_of(p, {Param::control_helper_rate, Param::control_helper_free,
                 Param::control_helper_body_x, Param::control_helper_body_y,
                 Param::control_helper_arm_x, Param::control_helper_arm_y}))
    return is(job, which, Param::control_helper, 1);
  return true;
}

bool master_relevant(const Job& job, Which which, Param p) {
  const bool single = is(job, which, Param::master_kind, 0);
  const bool twin = is(job, which, Param::master_kind, 3);
  if (one_of(p, {Param::master_stroke2, Param::master_cutoff2, Param::master_residual2}))
    return !single;
  if (p == Param::master_springs) return !single && !twin;
  if (one_of(p, {Param::master_step_bore, Param::master_crack}))
    return is(job, which, Param::master_kind, 2);
  if (one_of(p, {Param::master_bore2, Param::master_bar_a, Param::master_bar_b,
                 Param::master_bar_tilt}))
    return twin;
  return true;
}

bool lines_relevant(const Job& job, Which which, Param p) {
  if (one_of(p, {Param::valve_knee, Param::valve_slope, Param::valve_bypass}))
    return is(job, which, Param::valve_kind, 1);
  if (one_of(p, {Param::valve_hold, Param::valve_blend}))
    return is(job, which, Param::valve_metering, 1);
  if (p == Param::valve_place)
    return is(job, which, Param::valve_kind, 1) || is(job, which, Param::valve_metering, 1);
  return true;
}

bool clutch_param_relevant(const Job& job, Which which, Param p) {
  const bool concentric = is(job, which, Param::clutch_kind, 2);
  if (one_of(p, {Param::clutch_fork_slave, Param::clutch_fork_bearing, Param::clutch_cable_pull,
                 Param::clutch_cable_force}))
    return !concentric;
  if (one_of(p, {Param::clutch_bell, Param::clutch_stack_a, Param::clutch_stack_b,
                 Param::clutch_between, Param::clutch_spacer}))
    return concentric;
  if (p == Param::clutch_slave_inner) return !is(job, which, Param::clutch_kind, 0);
  return true;
}

bool unit_relevant(const Job& job, Which which, Param p) {
  const bool single =
      is(job, which, Param::master_kind, 0) || is(job, which, Param::control_use, 1);
  if (one_of(p, {Param::unit_front_outlet, Param::unit_port2_side, Param::unit_port2_thread,
                 Param::unit_port2_seat, Param::unit_chamber2}))
    return !single;
  if (p == Param::unit_stud_pitch2) return is(job, which, Param::unit_studs, 2);
  if (p == Param::unit_inlet_pitch) return is(job, which, Param::unit_inlets, 2);
  return true;
}

/// With a clutch only one piston, its line and its own questions are left.
bool asked_of_clutch(const Job& job, Which which, Param p) {
  switch (info(p).group) {
    case Group::control:
      return control_relevant(job, which, p);
    case Group::clutch:
      return clutch_param_relevant(job, which, p);
    case Group::rod:
      return true;
    case Group::master:
      return one_of(p, {Param::master_bore, Param::master_stroke1, Param::master_cutoff1,
                        Param::master_spring_force, Param::master_efficiency,
                        Param::master_reservoir, Param::master_bellows});
    case Group::lines:
      return one_of(p, {Param::lines_tube_outside, Param::lines_tube_wall,
                        Param::lines_tube_material, Param::lines_hose_bore, Param::lines_hose_grade,
                        Param::fluid_grade, Param::fluid_temperature, Param::air_left});
    case Group::target:
      return one_of(p, {Param::limit_effort, Param::limit_travel, Param::limit_reserve,
                        Param::target_preference, Param::target_sizes});
    case Group::vehicle:
      return one_of(p, {Param::vehicle_altitude, Param::vehicle_steering});
    case Group::unit:
      return unit_relevant(job, which, p) && !one_of(p, {Param::unit_front_outlet});
    case Group::symptom:
      return !one_of(p, {Param::symptom_engine, Param::symptom_lamp, Param::symptom_creep,
                         Param::symptom_drag});
    case Group::ageing:
      return p != Param::age_check_valve;
    case Group::changed:
      return one_of(p, {Param::changed_master, Param::changed_engine, Param::changed_headers,
                        Param::changed_pedal, Param::changed_cover});
    case Group::kit:
    case Group::gauge:
      return true;
    case Group::fit:
      return !one_of(p, {Param::fit_servo_nose, Param::fit_breather});
    default:
      return false;
  }
}

}  // namespace

bool relevant(const Job& job, Which which, Param p) {
  if (found_only(info(p).group) && which != Which::found) return false;
  if (is(job, which, Param::control_use, 1)) return asked_of_clutch(job, which, p);
  switch (info(p).group) {
    case Group::control:
      return control_relevant(job, which, p);
    case Group::front:
      return axle_relevant(job, which, p, Axle::front);
    case Group::rear:
      return axle_relevant(job, which, p, Axle::rear);
    case Group::assist:
    case Group::supply:
      return p == Param::assist_kind || assist_relevant(job, which, p);
    case Group::master:
      return master_relevant(job, which, p);
    case Group::circuit:
      return !is(job, which, Param::master_kind, 0);
    case Group::lines:
      return lines_relevant(job, which, p);
    case Group::unit:
      return unit_relevant(job, which, p);
    case Group::changed:
      return p != Param::changed_cover;
    case Group::fit:
      return !one_of(p, {Param::fit_servo_nose, Param::fit_breather}) ||
             is(job, which, Param::assist_kind, 4);
    case Group::clutch:
      return false;
    default:
      return true;
  }
}

std::vector<Param> relevant_params(const Job& job, Which which, Group group) {
  std::vector<Param> list;
  for (const ParamInfo& p : all_params())
    if (p.group == group && relevant(job, which, p.param)) list.push_back(p.param);
  return list;
}

}  // namespace yoke
