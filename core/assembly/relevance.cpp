#include "assembly/relevance.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"

namespace yoke {

namespace {

bool axle_relevant(const Job& job, As which, Param p, Axle axle) {
  if (is(job, which,
         axle == Axle::front ? choice::ControlAxles::rear : choice::ControlAxles::front))
    return false;
  const Param kind = of_axle(Param::front_kind, axle);
  const auto any = [&](std::initializer_list<Param> list) {
    return std::any_of(list.begin(), list.end(), [&](Param f) { return of_axle(f, axle) == p; });
  };
  // One brake has no right and left.
  if (any({Param::front_right_piston, Param::front_right_cylinder}) &&
      is(job, which, of_axle(Param::front_wheels, axle), choice::BrakeWheels::one))
    return false;
  if (any({Param::front_piston2}))
    return value_of(job, which, of_axle(Param::front_pistons2, axle)).si > 0;
  if (any({Param::front_piston, Param::front_pistons, Param::front_pistons2, Param::front_radius,
           Param::front_mu, Param::front_clearance, Param::front_knock_back, Param::front_above,
           Param::front_right_piston}))
    return !is(job, which, kind, choice::BrakeKind::drum);
  if (any({Param::front_cylinder, Param::front_right_cylinder, Param::front_cylinder_pistons,
           Param::front_drum, Param::front_shoes, Param::front_brake_factor,
           Param::front_shoe_clearance, Param::front_lining_mu}))
    return !is(job, which, kind, choice::BrakeKind::sliding) &&
           !is(job, which, kind, choice::BrakeKind::opposed);
  if (any({Param::front_shoe_push, Param::front_shoe_normal, Param::front_shoe_friction}))
    return is(job, which, kind, choice::BrakeKind::drum) &&
           !is(job, which, of_axle(Param::front_shoes, axle), choice::BrakeShoes::duo_servo);
  return true;
}

bool one_of(Param p, std::initializer_list<Param> list) {
  return std::find(list.begin(), list.end(), p) != list.end();
}

bool assist_relevant(const Job& job, As which, Param p) {
  const Value kind = value_of(job, which, Param::assist_kind);
  if (!kind.known())
    return !one_of(p, {Param::assist_servo_feeds, Param::assist_servo_gain,
                       Param::assist_servo_crack, Param::assist_servo_slave});
  using choice::AssistKind;
  const auto fitted = [&kind](AssistKind k) { return kind.is(k); };
  const bool vacuum = fitted(AssistKind::vacuum) || fitted(AssistKind::remote);
  if (one_of(p, {Param::assist_diaphragm1, Param::assist_diaphragm2, Param::assist_efficiency,
                 Param::assist_vacuum, Param::assist_vacuum_altitude, Param::assist_manifold,
                 Param::supply_vacuum_volume, Param::supply_tank, Param::supply_pump_flow,
                 Param::supply_pump_ultimate}))
    return vacuum;
  if (one_of(p, {Param::assist_servo_feeds, Param::assist_servo_gain, Param::assist_servo_crack,
                 Param::assist_servo_slave}))
    return fitted(AssistKind::remote);
  if (one_of(p, {Param::assist_pump_pressure, Param::assist_power_area, Param::supply_accu}))
    return fitted(AssistKind::hydraulic);
  if (one_of(p, {Param::supply_accu_precharge, Param::supply_accu_volume, Param::supply_accu_charge,
                 Param::supply_accu_exponent}))
    return fitted(AssistKind::hydraulic) && is(job, which, choice::SupplyAccu::gas);
  if (one_of(p, {Param::assist_electric_force, Param::supply_wire_length, Param::supply_wire_area,
                 Param::supply_fuse}))
    return fitted(AssistKind::electric);
  return !fitted(AssistKind::none) && !fitted(AssistKind::remote);
}

bool control_relevant(const Job& job, As which, Param p) {
  if (one_of(p, {Param::control_mid_in, Param::control_mid_out}))
    return is(job, which, choice::ControlMid::lever);
  if (one_of(p, {Param::control_helper_rate, Param::control_helper_free,
                 Param::control_helper_body_x, Param::control_helper_body_y,
                 Param::control_helper_arm_x, Param::control_helper_arm_y}))
    return is(job, which, choice::ControlHelper::spring);
  return true;
}

bool master_relevant(const Job& job, As which, Param p) {
  const bool single = is(job, which, choice::MasterKind::single);
  const bool twin = is(job, which, choice::MasterKind::twin);
  if (one_of(p, {Param::master_stroke2, Param::master_cutoff2, Param::master_residual2}))
    return !single;
  if (p == Param::master_springs) return !single && !twin;
  if (one_of(p, {Param::master_step_bore, Param::master_crack}))
    return is(job, which, choice::MasterKind::stepped);
  if (one_of(p, {Param::master_bore2, Param::master_bar_a, Param::master_bar_b,
                 Param::master_bar_tilt}))
    return twin;
  return true;
}

bool lines_relevant(const Job& job, As which, Param p) {
  if (one_of(p, {Param::valve_knee, Param::valve_slope, Param::valve_bypass}))
    return is(job, which, choice::ValveKind::proportioning);
  if (one_of(p, {Param::valve_hold, Param::valve_blend}))
    return is(job, which, choice::ValveMetering::metering);
  if (p == Param::valve_place)
    return is(job, which, choice::ValveKind::proportioning) ||
           is(job, which, choice::ValveMetering::metering);
  return true;
}

bool clutch_param_relevant(const Job& job, As which, Param p) {
  const bool concentric = is(job, which, choice::ClutchKind::concentric);
  if (one_of(p, {Param::clutch_fork_slave, Param::clutch_fork_bearing, Param::clutch_cable_pull,
                 Param::clutch_cable_force}))
    return !concentric;
  if (one_of(p, {Param::clutch_bell, Param::clutch_stack_a, Param::clutch_stack_b,
                 Param::clutch_between, Param::clutch_spacer}))
    return concentric;
  if (p == Param::clutch_slave_inner) return !is(job, which, choice::ClutchKind::push);
  return true;
}

bool unit_relevant(const Job& job, As which, Param p) {
  const bool single =
      is(job, which, choice::MasterKind::single) || is(job, which, choice::ControlUse::clutch);
  if (one_of(p, {Param::unit_front_outlet, Param::unit_port2_side, Param::unit_port2_thread,
                 Param::unit_port2_seat, Param::unit_chamber2}))
    return !single;
  if (p == Param::unit_stud_pitch2) return is(job, which, choice::UnitStuds::n4);
  if (p == Param::unit_inlet_pitch) return is(job, which, choice::UnitInlets::n2);
  return true;
}

/// With a clutch only one piston, its line and its own questions are left.
bool asked_of_clutch(const Job& job, As which, Param p) {
  switch (info(p).group) {
    case Group::control:
      return p != Param::control_axles && control_relevant(job, which, p);
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
                        Param::limit_reserve_failed, Param::limit_reserve_failed_m,
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

bool relevant(const Job& job, As which, Param p) {
  if (found_only(info(p).group) && which != As::found) return false;
  // No floor under a hand lever, and no accelerator beside it.
  if (one_of(p, {Param::control_rest_height, Param::rod_accelerator}) && pulled_by_hand(job))
    return false;
  if (is(job, which, choice::ControlUse::clutch)) return asked_of_clutch(job, which, p);
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
      return !is(job, which, choice::MasterKind::single);
    case Group::lines:
      return lines_relevant(job, which, p);
    case Group::unit:
      return unit_relevant(job, which, p);
    case Group::changed:
      return p != Param::changed_cover;
    case Group::fit:
      return !one_of(p, {Param::fit_servo_nose, Param::fit_breather}) ||
             is(job, which, choice::AssistKind::remote);
    case Group::clutch:
      return false;
    default:
      return true;
  }
}

std::vector<Param> relevant_params(const Job& job, As which, Group group) {
  std::vector<Param> list;
  for (const ParamInfo& p : all_params())
    if (p.group == group && relevant(job, which, p.param)) list.push_back(p.param);
  return list;
}

}  // namespace yoke
