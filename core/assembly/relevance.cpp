#include "assembly/relevance.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/age.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/bleed_kit.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/changed.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/fluid_plan.hpp"
#include "document/param/hang.hpp"
#include "document/param/hoses.hpp"
#include "document/param/limits.hpp"
#include "document/param/lines.hpp"
#include "document/param/linkage.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/supply.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"
#include "document/param/vehicle.hpp"

namespace yoke {

namespace {

bool axle_relevant(const Job& job, As which, Param p, Axle axle) {
  if (is(job, which,
         axle == Axle::front ? choice::ControlAxles::rear : choice::ControlAxles::front))
    return false;
  const Param kind = of_axle(param::front_kind, axle);
  const auto any = [&](std::initializer_list<Param> list) {
    return std::any_of(list.begin(), list.end(), [&](Param f) { return of_axle(f, axle) == p; });
  };
  // One brake has no right and left.
  if (any({param::front_right_piston, param::front_right_cylinder}) &&
      is(job, which, of_axle(param::front_wheels, axle), choice::BrakeWheels::one))
    return false;
  if (any({param::front_piston2}))
    return value_of(job, which, of_axle(param::front_pistons2, axle)).si > 0;
  if (any({param::front_piston, param::front_pistons, param::front_pistons2, param::front_radius,
           param::front_mu, param::front_clearance, param::front_knock_back, param::front_above,
           param::front_right_piston}))
    return !is(job, which, kind, choice::BrakeKind::drum);
  if (any({param::front_cylinder, param::front_right_cylinder, param::front_cylinder_pistons,
           param::front_drum, param::front_shoes, param::front_brake_factor,
           param::front_shoe_clearance, param::front_lining_mu}))
    return !is(job, which, kind, choice::BrakeKind::sliding) &&
           !is(job, which, kind, choice::BrakeKind::opposed);
  if (any({param::front_shoe_push, param::front_shoe_normal, param::front_shoe_friction}))
    return is(job, which, kind, choice::BrakeKind::drum) &&
           !is(job, which, of_axle(param::front_shoes, axle), choice::BrakeShoes::duo_servo);
  return true;
}

bool one_of(Param p, std::initializer_list<Param> list) {
  return std::find(list.begin(), list.end(), p) != list.end();
}

bool assist_relevant(const Job& job, As which, Param p) {
  const Value kind = value_of(job, which, param::assist_kind);
  if (!kind.known())
    return !one_of(p,
                   {param::assist_servo_feeds, param::assist_servo_gain, param::assist_servo_crack,
                    param::assist_servo_slave, param::assist_servo_ports});
  using choice::AssistKind;
  const auto fitted = [&kind](AssistKind k) { return kind.is(k); };
  const bool vacuum = fitted(AssistKind::vacuum) || fitted(AssistKind::remote);
  if (one_of(p, {param::assist_diaphragm1, param::assist_diaphragm2, param::assist_efficiency,
                 param::assist_vacuum, param::assist_vacuum_altitude, param::assist_manifold,
                 param::supply_vacuum_volume, param::supply_tank, param::supply_pump_flow,
                 param::supply_pump_ultimate, param::supply_nipple, param::supply_valve_way,
                 param::supply_clamps, param::supply_grease}))
    return vacuum;
  if (one_of(p, {param::assist_servo_feeds, param::assist_servo_gain, param::assist_servo_crack,
                 param::assist_servo_slave, param::assist_servo_ports}))
    return fitted(AssistKind::remote);
  if (one_of(p, {param::assist_pump_pressure, param::assist_power_area, param::supply_accu,
                 param::supply_turns, param::supply_wheel}))
    return fitted(AssistKind::hydraulic);
  if (one_of(p, {param::supply_accu_precharge, param::supply_accu_volume, param::supply_accu_charge,
                 param::supply_accu_exponent}))
    return fitted(AssistKind::hydraulic) && is(job, which, choice::SupplyAccu::gas);
  if (one_of(p, {param::assist_electric_force, param::supply_wire_length, param::supply_wire_area,
                 param::supply_fuse, param::supply_wake, param::supply_ground}))
    return fitted(AssistKind::electric);
  return !fitted(AssistKind::none) && !fitted(AssistKind::remote);
}

bool control_relevant(const Job& job, As which, Param p) {
  if (one_of(p, {param::control_mid_in, param::control_mid_out}))
    return is(job, which, choice::ControlMid::lever);
  if (one_of(p, {param::control_helper_rate, param::control_helper_free,
                 param::control_helper_body_x, param::control_helper_body_y,
                 param::control_helper_arm_x, param::control_helper_arm_y}))
    return is(job, which, choice::ControlHelper::spring);
  return true;
}

bool master_relevant(const Job& job, As which, Param p) {
  const bool single = is(job, which, choice::MasterKind::single);
  const bool twin = is(job, which, choice::MasterKind::twin);
  if (one_of(p, {param::master_stroke2, param::master_cutoff2, param::master_residual2}))
    return !single;
  if (p == param::master_springs) return !single && !twin;
  if (one_of(p, {param::master_step_bore, param::master_crack}))
    return is(job, which, choice::MasterKind::stepped);
  if (one_of(p, {param::master_bore2, param::master_bar_a, param::master_bar_b,
                 param::master_bar_tilt}))
    return twin;
  return true;
}

bool lines_relevant(const Job& job, As which, Param p) {
  if (one_of(p, {param::lever_hose, param::lever_eye})) return pulled_by_hand(job);
  if (one_of(p, {param::valve_knee, param::valve_slope, param::valve_bypass}))
    return is(job, which, choice::ValveKind::proportioning);
  if (one_of(p, {param::valve_hold, param::valve_blend}))
    return is(job, which, choice::ValveMetering::metering);
  if (p == param::valve_place)
    return is(job, which, choice::ValveKind::proportioning) ||
           is(job, which, choice::ValveMetering::metering);
  return true;
}

/// What bleeding asks depends on what hangs on the lines.
bool bleed_relevant(const Job& job, As which, Param p) {
  const bool clutch = is(job, which, choice::ControlUse::clutch);
  if (one_of(p, {param::bleed_preload, param::bleed_connector, param::bleed_slave_screw}))
    return clutch;
  if (p == param::fluid_clutch) return clutch;
  if (one_of(p, {param::bleed_cycling, param::fluid_antilock}))
    return !clutch && is(job, which, choice::CircuitAntilock::fitted);
  if (p == param::bleed_shuttle) return !clutch && is(job, which, choice::ValveShuttle::fitted);
  if (one_of(p, {param::bleed_turn1, param::bleed_turn2, param::bleed_turn3, param::bleed_turn4}))
    return !clutch && !pulled_by_hand(job);
  if (p == param::bleed_park) return !clutch && !pulled_by_hand(job);
  const Values v = resolve(job, which);
  const bool vacuum = v.is(choice::AssistKind::vacuum) || v.is(choice::AssistKind::remote);
  if (p == param::bleed_refill) return !clutch && vacuum;
  if (p == param::bleed_presses) return !clutch && (vacuum || v.is(choice::AssistKind::hydraulic));
  if (p == param::bleed_front_screw) return !clutch && works_axle(v, Axle::front);
  if (p == param::bleed_rear_screw) return !clutch && works_axle(v, Axle::rear);
  if (p == param::bleed_dead2) return !clutch && !v.is(choice::MasterKind::single);
  return true;
}

bool clutch_param_relevant(const Job& job, As which, Param p) {
  const bool concentric = is(job, which, choice::ClutchKind::concentric);
  if (one_of(p, {param::clutch_fork_slave, param::clutch_fork_bearing, param::clutch_cable_pull,
                 param::clutch_cable_force}))
    return !concentric;
  if (one_of(p, {param::clutch_bell, param::clutch_stack_a, param::clutch_stack_b,
                 param::clutch_between, param::clutch_spacer}))
    return concentric;
  if (p == param::clutch_slave_inner) return !is(job, which, choice::ClutchKind::push);
  return true;
}

bool unit_relevant(const Job& job, As which, Param p) {
  const bool single =
      is(job, which, choice::MasterKind::single) || is(job, which, choice::ControlUse::clutch);
  if (one_of(p, {param::unit_front_outlet, param::unit_port2_side, param::unit_port2_thread,
                 param::unit_port2_seat, param::unit_chamber2}))
    return !single;
  if (p == param::unit_stud_pitch2) return is(job, which, choice::UnitStuds::n4);
  if (p == param::unit_inlet_pitch) return is(job, which, choice::UnitInlets::n2);
  return true;
}

/// With a clutch only one piston, its line and its own questions are left.
bool asked_of_clutch(const Job& job, As which, Param p) {
  switch (info(p).group) {
    case Group::control:
      return p != param::control_axles && control_relevant(job, which, p);
    case Group::clutch:
      return clutch_param_relevant(job, which, p);
    case Group::rod:
      return true;
    case Group::master:
      return one_of(p, {param::master_bore, param::master_stroke1, param::master_cutoff1,
                        param::master_spring_force, param::master_efficiency,
                        param::master_reservoir, param::master_bellows});
    case Group::lines:
      return one_of(p, {param::lines_tube_outside, param::lines_tube_wall,
                        param::lines_tube_material, param::lines_hose_bore, param::lines_hose_grade,
                        param::fluid_grade, param::fluid_temperature, param::air_left});
    case Group::target:
      return one_of(p, {param::limit_effort, param::limit_travel, param::limit_reserve,
                        param::limit_reserve_failed, param::limit_reserve_failed_m,
                        param::target_preference, param::target_sizes});
    case Group::vehicle:
      return one_of(p, {param::vehicle_altitude, param::vehicle_steering});
    case Group::unit:
      return unit_relevant(job, which, p) && !one_of(p, {param::unit_front_outlet});
    case Group::symptom:
      return !one_of(p, {param::symptom_engine, param::symptom_lamp, param::symptom_creep,
                         param::symptom_drag});
    case Group::ageing:
      return p != param::age_check_valve;
    case Group::changed:
      return one_of(p, {param::changed_master, param::changed_engine, param::changed_headers,
                        param::changed_pedal, param::changed_cover});
    case Group::kit:
    case Group::gauge:
      return true;
    case Group::bleed:
      return bleed_relevant(job, which, p);
    case Group::fit:
      return !one_of(p, {param::fit_servo_nose, param::fit_breather});
    default:
      return false;
  }
}

}  // namespace

bool relevant(const Job& job, As which, Param p) {
  if (found_only(info(p).group) && which != As::found) return false;
  if (plan_only(info(p).group) && which == As::found) return false;
  // No floor under a hand lever, and no accelerator beside it.
  if (one_of(p, {param::lamp_switch, param::lamp_arm, param::lamp_pitch, param::lamp_closes,
                 param::rod_lamp_travel})) {
    if (is(job, which, choice::ControlUse::clutch)) return false;
    const Value kind = value_of(job, which, param::lamp_switch);
    if (one_of(p, {param::lamp_arm, param::lamp_pitch})) return kind.is(choice::LampSwitch::pedal);
    if (p == param::rod_lamp_travel) return !kind.known() || kind.is(choice::LampSwitch::pedal);
    if (p == param::lamp_closes) return kind.known() && !kind.is(choice::LampSwitch::pedal);
  }
  if (one_of(p, {param::control_rest_height, param::rod_accelerator}) && pulled_by_hand(job))
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
      return p == param::assist_kind || assist_relevant(job, which, p);
    case Group::master:
      return master_relevant(job, which, p);
    case Group::circuit:
      return !is(job, which, choice::MasterKind::single);
    case Group::lines:
      return lines_relevant(job, which, p);
    case Group::unit:
      return unit_relevant(job, which, p);
    case Group::changed:
      return p != param::changed_cover;
    case Group::fit:
      return !one_of(p, {param::fit_servo_nose, param::fit_breather}) ||
             is(job, which, choice::AssistKind::remote);
    case Group::clutch:
      return false;
    case Group::bleed:
      return bleed_relevant(job, which, p);
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
