#include "support/every_code.hpp"

#include <catch2/catch.hpp>

#include "document/as_built.hpp"
#include "document/param/arms.hpp"
#include "document/param/rod.hpp"
#include "plumbing/joints.hpp"
#include "support/job_changes.hpp"

namespace yoke::test {

void set(Job& job, std::string_view text) {
  while (!text.empty()) {
    const std::size_t end = text.find(';');
    std::string_view one = text.substr(0, end);
    text = end == std::string_view::npos ? std::string_view{} : text.substr(end + 1);
    while (!one.empty() && one.front() == ' ') one.remove_prefix(1);
    const bool found = one.rfind("found:", 0) == 0;
    if (found) one.remove_prefix(6);
    const std::size_t at = one.find('=');
    REQUIRE(at != std::string_view::npos);
    const auto p = find_param(one.substr(0, at));
    INFO(one);
    REQUIRE(p);
    MeasuredSet& sheet = found || found_only(info(*p).group) ? job.found : job.plan;
    if (one.substr(at + 1) == "?") {
      job.found.clear(*p);
      job.plan.clear(*p);
      continue;
    }
    const auto v = parse_value(*p, one.substr(at + 1), {});
    if (!v) UNSCOPED_INFO(v.error().text());
    REQUIRE(v);
    sheet.set(*p, {*v, How::stated, 0, {}});
  }
}

void state_everything(Job& job) {
  for (const As which : {As::found, As::plan})
    for (const ParamInfo& p : all_params()) {
      const Value v = value_of(job, which, p.param);
      if (!pressed_by(p.group) || !v.known() || v.settled()) continue;
      entered(job, which).set(p.param, {v.si, How::stated, 0, {}});
    }
}

void wants(Job& job, LaterKind what) {
  job.later = {{what, "", {}}};
}

namespace {

const CodeRow kCodeRows[] = {
    {FindingCode::survey_impossible, "master.cutoff1=19 mm", "master.cutoff1=1 mm"},
    {FindingCode::survey_missing, "master.bore=?", "found:master.bore=22.2 mm"},
    {FindingCode::survey_pin_doubt, "", "",
     [](Job& j) {
       j.plan.set(param::control_pin_arm, {0.05, How::tape, 0.003, {}});
     },
     [](Job& j) {
       j.plan.set(param::control_pin_arm, {0.05, How::calliper, 0.0001, {}});
     }},
    {FindingCode::survey_overall, "found:control.overall=301 mm", "found:control.overall=340 mm"},
    {FindingCode::survey_strokes_unknown, "master.stroke1=?", "found:master.stroke1=18 mm"},
    {FindingCode::survey_do_not_drive, "symptom.sink=12 mm", "symptom.sink=0 mm"},
    {FindingCode::identity_drum_unit, "found:master.residual1=residual",
     "found:master.residual1=none"},
    {FindingCode::identity_feel, "found:limit.effort=100 N",
     "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0"},
    {FindingCode::identity_short,
     "found:master.stroke1=5 mm; found:master.stroke2=5 mm; found:control.pad_stop=60 mm",
     "found:master.stroke1=18 mm; found:master.stroke2=17 mm; found:control.pad_stop=150 mm"},
    {FindingCode::identity_front_outlet, "found:unit.front_outlet=2", "found:unit.front_outlet=1"},
    {FindingCode::identity_single, "found:master.kind=single", "found:master.kind=tandem"},
    {FindingCode::identity_take_up,
     "found:master.kind=stepped; found:master.step_bore=30 mm; found:front.kind=drum; "
     "found:rear.kind=drum",
     "found:master.kind=tandem"},
    {FindingCode::ageing_boot, "found:age.boot=torn", "found:age.boot=sound"},
    {FindingCode::ageing_check_valve, "found:age.check_valve=12", "found:age.check_valve=3"},
    {FindingCode::ageing_drain, "found:age.drain=blocked", "found:age.drain=clear"},
    {FindingCode::ageing_fluid, "found:age.fluid=2", "found:age.fluid=1"},
    {FindingCode::ageing_grommets, "found:age.grommets=hard", "found:age.grommets=sound"},
    {FindingCode::ageing_hoses, "found:age.hoses=10", "found:age.hoses=5"},
    {FindingCode::ageing_nipples, "found:age.nipples=stuck", "found:age.nipples=free"},
    {FindingCode::ageing_nuts, "found:age.nuts=rusted", "found:age.nuts=clean"},
    {FindingCode::ageing_pitting, "found:age.pitting=pitted", "found:age.pitting=smooth"},
    {FindingCode::ageing_sensor, "found:age.sensor=brittle", "found:age.sensor=sound"},
    {FindingCode::ageing_shelf, "found:age.shelf=8", "found:age.shelf=7"},
    {FindingCode::ageing_spacers, "found:age.spacers=missing", "found:age.spacers=sound"},
    {FindingCode::upstream_cam, "found:changed.cam=yes", "found:changed.cam=no"},
    {FindingCode::upstream_cover, "found:changed.cover=yes", "found:changed.cover=no"},
    {FindingCode::upstream_engine, "found:changed.engine=yes", "found:changed.engine=no"},
    {FindingCode::upstream_front, "found:changed.front=yes", "found:changed.front=no"},
    {FindingCode::upstream_headers, "found:changed.headers=yes", "found:changed.headers=no"},
    {FindingCode::upstream_mass, "found:changed.mass=yes", "found:changed.mass=no"},
    {FindingCode::upstream_master, "found:changed.master=yes", "found:changed.master=no"},
    {FindingCode::upstream_pedal, "found:changed.pedal=yes", "found:changed.pedal=no"},
    {FindingCode::upstream_rear, "found:changed.rear=yes", "found:changed.rear=no"},
    {FindingCode::upstream_tyres, "found:changed.tyres=yes", "found:changed.tyres=no"},
    {FindingCode::size_air_left, "found:air.left=20 ml",
     "found:air.left=0 ml; found:limit.effort=900 N; found:limit.travel=300 mm; "
     "found:limit.reserve=0"},
    {FindingCode::size_bar,
     "master.kind=twin; master.bore2=32 mm; master.bar_a=30 mm; master.bar_b=30 mm; "
     "master.bar_tilt=2 deg",
     "master.bar_tilt=40 deg"},
    {FindingCode::size_bore_kept, "", "master.bore=25.4 mm"},
    {FindingCode::size_concealed, "found:symptom.sink=20 mm; master.bore=28 mm",
     "found:symptom.sink=0 mm; master.bore=28 mm"},
    {FindingCode::size_engine, "hold.stall_torque=400; hold.gears=12",
     "hold.stall_torque=40; hold.gears=5"},
    {FindingCode::size_failed_circuit, "found:limit.effort_failed=50 N",
     "found:limit.effort_failed=1500 N; found:limit.z_failed=0.05; found:limit.reserve=0"},
    {FindingCode::size_hot, "found:limit.effort=100 N; found:target.z=0.6",
     "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0; "
     "found:target.z=0.2"},
    {FindingCode::size_no_assist, "found:limit.effort_failed=50 N",
     "assist.kind=vacuum; assist.diaphragm1=200 mm; found:limit.effort_failed=1500 N; "
     "found:limit.z_failed=0.05; found:limit.reserve=0"},
    {FindingCode::size_over_travel, kClutchJob, "clutch.limit=40 mm",
     [](Job& j) { set(j, "clutch.limit=3 mm; clutch.retraction=20 mm"); }},
    {FindingCode::size_plain_bore,
     "found:master.kind=stepped; found:master.step_bore=30 mm; master.kind=tandem; "
     "found:front.clearance=0.5 mm",
     "master.kind=?; found:master.kind=tandem"},
    {FindingCode::size_plan, "found:limit.effort=50 N",
     "found:limit.effort=900 N; found:limit.travel=300 mm; found:limit.reserve=0"},
    {FindingCode::size_rear_locks, "rear.cylinder=28.6 mm; vehicle.cg_height=700 mm",
     "rear.cylinder=12.7 mm"},
    {FindingCode::size_reserve, "found:limit.reserve=80 %",
     "found:limit.reserve=1 %; found:limit.effort=900 N"},
    {FindingCode::size_reserve_stops, "supply.accu=none",
     "assist.kind=hydraulic; supply.accu=gas; supply.accu_volume=900 ml"},
    {FindingCode::size_slope, "hold.slope=30 deg; limit.effort=60 N", "hold.slope=2 deg"},
    {FindingCode::size_uneven, "front.right_piston=51 mm", "front.right_piston=48.5 mm"},
    {FindingCode::size_unsaid, "master.stroke1=?", "found:master.stroke1=18 mm"},
    {FindingCode::size_vacuum_gone,
     "assist.kind=vacuum; assist.diaphragm1=200 mm; room.engine=goes; supply.pump_flow=0 l/min",
     "supply.pump_flow=30 l/min"},
    {FindingCode::size_wear_room, kClutchJob, "clutch.retraction=30 mm",
     [](Job& j) { set(j, "clutch.limit=40 mm; clutch.retraction=0.5 mm"); }},
    {FindingCode::valves_add, "front.above=above", "front.above=below"},
    {FindingCode::valves_drum, "", "valve.residual_rear=0.07 MPa"},
    {FindingCode::valves_fits, "valve.residual_rear=0.07 MPa", "valve.residual_rear=0 MPa"},
    {FindingCode::valves_height, "", "front.above=below"},
    {FindingCode::valves_remove, "front.above=below; valve.residual_front=0.014 MPa",
     "valve.residual_front=0 MPa"},
    {FindingCode::valves_unknown, "front.kind=?", "found:front.kind=sliding"},
    {FindingCode::later_already, "", "", later<LaterKind::front_discs>, never},
    {FindingCode::later_bore, "", "", later<LaterKind::rear_discs>, never},
    {FindingCode::later_cable, "assist.kind=electric", "assist.kind=none",
     later<LaterKind::battery_move>},
    {FindingCode::later_knee, "valve.kind=proportioning; valve.knee=3 MPa", "valve.kind=none",
     later<LaterKind::rear_discs>},
    {FindingCode::later_mass, "", "", later<LaterKind::battery_move>, never},
    {FindingCode::later_metering, "valve.metering=metering", "valve.metering=none",
     later<LaterKind::rear_discs>},
    {FindingCode::later_pistons, "", "", later<LaterKind::axle_swap>, never},
    {FindingCode::later_pump, "assist.kind=hydraulic", "assist.kind=none",
     later<LaterKind::electric_drive>},
    {FindingCode::later_reservoir, "found:master.reservoir=60 ml", "", later<LaterKind::rear_discs>,
     never},
    {FindingCode::later_residual, "valve.residual_rear=0.07 MPa", "valve.residual_rear=0 MPa",
     later<LaterKind::rear_discs>},
    {FindingCode::later_rod, "", "", later<LaterKind::booster>, never},
    {FindingCode::later_tyres, "", "", later<LaterKind::bigger_tyres>, never},
    {FindingCode::later_vacuum, "assist.kind=vacuum; assist.diaphragm1=200 mm", "assist.kind=none",
     later<LaterKind::electric_drive>},
    {FindingCode::fit_breather, "assist.kind=remote; fit.breather=40 deg", "fit.breather=10 deg"},
    {FindingCode::fit_crush,
     "unit.stud_length=40 mm; unit.stud_size=8 mm; fit.panel=20 mm; fit.boxed=box",
     "fit.boxed=sleeved"},
    {FindingCode::fit_edge,
     "unit.studs=2; unit.stud_pitch=80 mm; unit.stud_size=8 mm; fit.edge_left=42 mm",
     "fit.edge_left=200 mm"},
    {FindingCode::fit_gap, "", "", boxes_close, boxes_apart},
    {FindingCode::fit_geometry,
     "control.axis_height=300 mm; control.offset=0 mm; control.rest_angle=0 deg; "
     "control.rod_length=150 mm",
     "control.axis_height=48 mm; control.rest_angle=-10 deg; control.rod_length=150 mm; "
     "control.offset=0 mm"},
    {FindingCode::fit_head,
     "assist.kind=remote; fit.head=10 mm; fit.head_side=500 mm; fit.lean=30 deg",
     "fit.head=600 mm"},
    {FindingCode::fit_holes_meet,
     "found:unit.studs=2; found:unit.stud_pitch=80 mm; found:unit.stud_size=8 mm; unit.studs=2; "
     "unit.stud_pitch=82.5 mm; unit.stud_size=9.5 mm",
     "unit.stud_pitch=140 mm"},
    {FindingCode::fit_nose, "fit.master_nose=-20 deg", "fit.master_nose=0 deg"},
    {FindingCode::fit_offset, "fit.lug=0 mm",
     "fit.gap_side=25 mm; fit.gap_up=0 mm; control.rod_length=100 mm; fit.lug=25 mm"},
    {FindingCode::fit_opening, "fit.opening=90 mm; unit.pilot=41.3 mm", "fit.opening=41.3 mm"},
    {FindingCode::fit_pattern_impossible,
     "unit.studs=2; unit.stud_pitch=100 mm; unit.stud_size=8 mm; unit.pilot=119.9 mm",
     "unit.pilot=60 mm"},
    {FindingCode::fit_plate_holes,
     "found:unit.studs=2; found:unit.stud_pitch=76 mm; found:unit.stud_size=8 mm; unit.studs=2; "
     "unit.stud_pitch=80 mm; unit.stud_size=8 mm; fit.plate=12 mm",
     "unit.stud_pitch=140 mm"},
    {FindingCode::fit_plate_small,
     "found:unit.studs=2; found:unit.stud_pitch=60 mm; found:unit.stud_size=8 mm; unit.studs=2; "
     "unit.stud_pitch=90 mm; unit.stud_size=8 mm; fit.plate=12 mm; fit.plate_width=70 mm",
     "fit.plate_width=200 mm"},
    {FindingCode::fit_plate_thin,
     "found:unit.studs=2; found:unit.stud_pitch=60 mm; found:unit.stud_size=8 mm; unit.studs=2; "
     "unit.stud_pitch=90 mm; unit.stud_size=8 mm; fit.plate=4 mm",
     "fit.plate=14 mm"},
    {FindingCode::fit_plate_uncounted,
     "found:unit.studs=2; found:unit.stud_pitch=60 mm; found:unit.stud_size=8 mm; unit.studs=2; "
     "unit.stud_pitch=90 mm; unit.stud_size=8 mm; fit.plate=10 mm; rod.stack=2 mm",
     "rod.stack=10 mm"},
    {FindingCode::fit_rod_angle,
     "control.axis_height=30 mm; control.offset=40 mm; control.rest_angle=0 deg; "
     "control.rod_length=100 mm",
     "control.axis_height=50 mm; control.offset=0 mm; control.rod_length=600 mm"},
    {FindingCode::fit_servo, "assist.kind=remote; fit.servo_nose=45 deg", "fit.servo_nose=17 deg"},
    {FindingCode::fit_stud_short,
     "unit.stud_length=20 mm; unit.stud_size=8 mm; fit.panel=1.2 mm; fit.plate=10 mm",
     "fit.plate=0 mm"},
    {FindingCode::rod_accelerator, "found:control.rest_height=200 mm; rod.accelerator=50 mm",
     "found:control.rest_height=200 mm; rod.accelerator=150 mm"},
    {FindingCode::rod_as_found, "found:control.rod_length=140 mm; master.bore=25.4 mm",
     "found:rod.snout=0 mm; found:rod.socket=20 mm; found:rod.stack=0 mm; rod.snout=0 mm; "
     "rod.socket=24 mm; rod.stack=0 mm",
     [](Job& j) {
       for (const Param p : {param::rod_snout, param::rod_socket, param::rod_stack})
         j.plan.clear(p);
     }},
    {FindingCode::rod_deviation, "unit.rod_kept=captive; rod.staked=restaked; rod.signed=no",
     "rod.signed=yes"},
    {FindingCode::rod_inside_out, "rod.snout=80 mm",
     "found:rod.snout=0 mm; found:rod.socket=20 mm; found:rod.stack=0 mm; rod.snout=0 mm; "
     "rod.socket=20 mm; rod.stack=0 mm; found:control.rod_length=50 mm"},
    {FindingCode::rod_lamp, "rod.lamp_travel=80 mm",
     "found:control.rest_height=200 mm; rod.lamp_travel=5 mm"},
    {FindingCode::rod_lamp_circuits, "lamp.switch=line1", "lamp.switch=two"},
    {FindingCode::rod_no_adjustment, "rod.coupling=same; rod.pitch=1 mm; rod.pitch2=1 mm",
     "rod.coupling=fork"},
    {FindingCode::rod_not_captive, "unit.rod_kept=loose", "unit.rod_kept=captive"},
    {FindingCode::rod_out_of_thread, "rod.snout=-40 mm",
     "found:rod.snout=0 mm; found:rod.socket=20 mm; found:rod.stack=0 mm; rod.snout=-1 mm; "
     "rod.socket=20 mm; rod.stack=0 mm; rod.coupling=coupling; rod.diameter=8 mm; rod.pitch=1.25 "
     "mm; rod.pitch2=1.25 mm; rod.engaged=20 mm; rod.engaged2=20 mm; rod.thread_spare=10 mm; "
     "rod.thread_spare2=10 mm"},
    {FindingCode::rod_output_gap,
     "assist.kind=vacuum; assist.diaphragm1=200 mm; rod.recess=20 mm; rod.stick_off=17 mm; "
     "rod.stick_on=17 mm",
     "rod.stick_off=19.5 mm; rod.stick_on=19.5 mm"},
    {FindingCode::rod_output_preload,
     "assist.kind=vacuum; assist.diaphragm1=200 mm; assist.output_gap=0 mm",
     "assist.output_gap=0.5 mm"},
    {FindingCode::rod_preload, "control.rod_clearance=0 mm", "control.rod_clearance=0.75 mm"},
    {FindingCode::rod_pull, "unit.rod_kept=captive; rod.pull=150 N", "rod.pull=200 N"},
    {FindingCode::rod_thread_bottoms, "rod.thread_spare=2 mm",
     "found:rod.snout=0 mm; found:rod.socket=20 mm; found:rod.stack=0 mm; rod.snout=5 mm; "
     "rod.socket=20 mm; rod.stack=0 mm; rod.thread_spare=20 mm"},
    {FindingCode::rod_thread_short, "rod.engaged=8 mm",
     "found:rod.snout=0 mm; found:rod.socket=20 mm; found:rod.stack=0 mm; rod.snout=-5 mm; "
     "rod.socket=20 mm; rod.stack=0 mm; rod.diameter=8 mm; rod.engaged=20 mm"},
    {FindingCode::rod_uneven,
     "rod.coupling=coupling; rod.diameter=8 mm; rod.pitch=1.25 mm; rod.pitch2=1.25 mm; "
     "rod.engaged=20 mm; rod.engaged2=6 mm",
     "rod.engaged2=18 mm"},
    {FindingCode::plumb_chamber_front, "front.wear=12 mm; master.reservoir=10 ml",
     "master.reservoir=300 ml"},
    {FindingCode::plumb_chamber_rear, "rear.wear=5 mm; master.reservoir=2 ml",
     "master.reservoir=300 ml"},
    {FindingCode::plumb_crossed, "circuit.fr=2", "circuit.fr=1"},
    {FindingCode::plumb_no_separation, "circuit.rl=1; circuit.rr=1", "circuit.rl=2; circuit.rr=2"},
    {FindingCode::plumb_residual_disc, "valve.residual_front=0.07 MPa",
     "valve.residual_front=0 MPa"},
    {FindingCode::plumb_residual_untraced, "master.residual1=residual; circuit.fl=?; circuit.fr=?",
     "circuit.fl=1; circuit.fr=1; master.residual1=none"},
    {FindingCode::plumb_residual_twice, "valve.residual_rear=0.07 MPa; master.residual2=residual",
     "master.residual2=none"},
    {FindingCode::plumb_single, "master.kind=single", "master.kind=tandem"},
    {FindingCode::plumb_split_unknown, "circuit.split=?", "found:circuit.split=axle"},
    {FindingCode::plumb_untraced, "circuit.fl=?", "found:circuit.fl=1"},
    {FindingCode::plumb_retrace, "master.bore=25.4 mm",
     "circuit.fl=1; circuit.fr=1; circuit.rl=2; circuit.rr=2",
     [](Job& j) {
       for (const Wheel w : kWheels) j.plan.clear(circuit_of(w));
     }},
    {FindingCode::plumb_valve_diagonal,
     "circuit.split=diagonal; circuit.fr=2; circuit.rl=2; circuit.rr=1; valve.kind=proportioning; "
     "valve.knee=3 MPa",
     "valve.kind=none"},
    {FindingCode::plumb_joint, "", "", joint_leaks, joint_seals},
    {FindingCode::plumb_joint_open, "master.bore=25.4 mm",
     "unit.port1_thread=3/8-24; unit.port1_seat=inverted; unit.port2_thread=3/8-24; "
     "unit.port2_seat=inverted",
     nullptr, joints_proved},
    {FindingCode::plumb_seized, "", "", joint_fast, joint_turns},
    {FindingCode::plumb_wiring, "assist.kind=electric; supply.wake=none",
     "supply.wire_length=2 m; supply.wire_area=25 mm2; supply.fuse=40 A; supply.wake=ignition; "
     "supply.ground=battery"},
    {FindingCode::plumb_vacuum_line,
     "assist.kind=vacuum; assist.diaphragm1=200 mm; supply.nipple=8 mm; supply.valve_way=unit",
     "supply.valve_way=engine; supply.clamps=both; supply.grease=dry"},
    {FindingCode::install_as_built, "", "", built_earlier, built_again},
    {FindingCode::install_off_plan, "", "", built_off, built_on},
    {FindingCode::install_copper,
     "assist.kind=electric; supply.wire_length=10 m; supply.wire_area=2.5 mm2; supply.fuse=60 A",
     "supply.wire_area=70 mm2"},
    {FindingCode::install_parts, "", "", part_missing, part_here},
    {FindingCode::bleed_again,
     "found:control.kind=lever_axial; control.kind=lever_axial; found:control.axles=front; "
     "control.axles=front; found:master.kind=single; master.kind=single; "
     "found:master.bore=12.7 mm; master.bore=14 mm",
     "", ridden, lever_bled_again},
    {FindingCode::bleed_dead, "master.bore=25.4 mm; bleed.dead1=4 mm; bleed.dead2=6 mm",
     "bleed.dead1=1 mm; bleed.dead2=2 mm"},
    {FindingCode::bleed_dry, "", "", drew_air, bled_again},
    {FindingCode::bleed_interlock, "master.bore=25.4 mm; bleed.park=on", "bleed.park=off"},
    {FindingCode::bleed_reserve,
     "assist.kind=vacuum; assist.diaphragm1=200 mm; master.bore=25.4 mm; bleed.presses=0",
     "bleed.presses=20"},
    {FindingCode::bleed_level, "", "", level_low, level_full},
    {FindingCode::bleed_limit,
     "master.bore=25.4 mm; bleed.way=pressure; bleed.tank_set=0.2 MPa; bleed.cap_limit=0.1 MPa",
     "bleed.tank_set=0.05 MPa"},
    {FindingCode::bleed_screw, "master.bore=25.4 mm; bleed.front_screw=low",
     "bleed.front_screw=top; bleed.rear_screw=top"},
    {FindingCode::bleed_tester, "master.bore=25.4 mm; circuit.antilock=fitted; bleed.cycling=yes",
     "bleed.cycling=no"},
    {FindingCode::bleed_way, "master.bore=25.4 mm; bleed.way=helper; bleed.helper=no",
     "bleed.helper=yes"},
    {FindingCode::bleed_wet, "master.bore=25.4 mm", "", joint_wet, joint_dry},
    {FindingCode::fluid_grade, "master.bore=25.4 mm; found:fluid.grade=4; fluid.grade=5",
     "fluid.grade=4"},
    {FindingCode::fluid_opened, "master.bore=25.4 mm; fluid.opened=24", "fluid.opened=0"},
    {FindingCode::fluid_short, "master.bore=25.4 mm; fluid.bottle=10 ml", "fluid.bottle=5 l"},
    {FindingCode::fluid_unknown, "", "found:fluid.grade=4; fluid.grade=4", strokes_counted},
    {FindingCode::prove_gate_failed, "", "", failed_gate, open_gate},
    {FindingCode::prove_press, "", "", sinks_lightly, stays_lightly},
    {FindingCode::prove_road_after, "", "", driven, looked_after},
    {FindingCode::prove_rest_pressure, "", "", [](Job& j) { j.pump.rest_pressure_pa = 4e5; },
     [](Job& j) { j.pump.rest_pressure_pa = 1e4; }},
    {FindingCode::prove_road_heat, "", "",
     [](Job& j) {
       j.heat = {{"fl", {120, 5, "", {}}}, {"fr", {60, 5, "", {}}}};
     },
     [](Job& j) {
       j.heat = {{"fl", {82, 5, "", {}}}, {"fr", {80, 5, "", {}}}};
     }},
    {FindingCode::prove_road_pull, "", "", driven_pulling, driven},
    {FindingCode::prove_road_rear, "", "", rear_locked, front_locked},
    {FindingCode::prove_road_weak, "target.z=0.6", "", stopped_weakly, stopped_well},
    {FindingCode::prove_sinking, "", "", sinks, holds},
    {FindingCode::job_unsafe, "", "", unsafe, in_work},
    {FindingCode::record_lapsed, "", "", proved, in_work},
};

}  // namespace

std::span<const CodeRow> code_rows() {
  return kCodeRows;
}

Job job_with(const CodeRow& row) {
  Job job = known_job();
  if (!std::string_view(row.clear).empty()) set(job, row.clear);
  set(job, row.raise);
  if (row.also_raise) row.also_raise(job);
  return job;
}

}  // namespace yoke::test
