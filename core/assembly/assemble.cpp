#include "assembly/assemble.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "assembly/choice_map.hpp"
#include "circuit/shoe.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/lines.hpp"
#include "document/param/linkage.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/valves.hpp"
#include "document/param/vehicle.hpp"

namespace yoke {

namespace {

using Missing = std::vector<Param>;

double need(const Values& v, Param p, Missing& missing) {
  if (!v.known(p) && std::find(missing.begin(), missing.end(), p) == missing.end())
    missing.push_back(p);
  return v.si(p);
}

Length need_length(const Values& v, Param p, Missing& missing) {
  return Length{need(v, p, missing)};
}

void read_links(const Values& v, Control& c, Missing& missing) {
  if (v.is(choice::ControlMid::lever))
    c.mid = MidLever{need_length(v, param::control_mid_in, missing),
                     need_length(v, param::control_mid_out, missing)};
  if (v.is(choice::ControlHelper::spring)) {
    HelperSpring h;
    h.rate_n_m = need(v, param::control_helper_rate, missing);
    h.free_length = need_length(v, param::control_helper_free, missing);
    h.body_x = need_length(v, param::control_helper_body_x, missing);
    h.body_y = need_length(v, param::control_helper_body_y, missing);
    h.pedal_x = need_length(v, param::control_helper_arm_x, missing);
    h.pedal_y = need_length(v, param::control_helper_arm_y, missing);
    c.helper = h;
  }
}

}  // namespace

Control assemble_control(const Values& v, Missing& missing) {
  Control c;
  c.pad_arm = need_length(v, param::control_pad_arm, missing);
  c.pin_arm = need_length(v, param::control_pin_arm, missing);
  c.return_force = Force{v.si(param::control_return_force)};
  c.efficiency = v.si(param::control_efficiency);
  c.pad_stop = Length{v.si(param::control_pad_stop)};
  c.rod_clearance = Length{v.si(param::control_rod_clearance)};
  if (v.known(param::control_axis_height) && v.known(param::control_rest_angle) &&
      v.known(param::control_rod_length) && v.known(param::control_offset))
    c.geometry = RodGeometry{
        Length{v.si(param::control_axis_height)}, Length{v.si(param::control_offset)},
        Angle{v.si(param::control_rest_angle)}, Length{v.si(param::control_rod_length)}};
  read_links(v, c, missing);
  return c;
}

Expected<Pressure> assemble_vacuum(const Values& v) {
  if (!v.known(param::assist_manifold))
    return vacuum_difference(Pressure{v.si(param::assist_vacuum)},
                             v.si(param::assist_vacuum_altitude), v.si(param::vehicle_altitude));
  auto ambient = ambient_pressure(v.si(param::vehicle_altitude));
  if (!ambient) return ambient;
  return Pressure{std::max(0.0, ambient->value() - v.si(param::assist_manifold))};
}

namespace {

Pressure vacuum_or_impossible(const Values& v, Assembly& a) {
  const auto dp = assemble_vacuum(v);
  if (dp) return *dp;
  a.impossible.push_back(dp.error());
  return Pressure{0.0};
}

Area read_diaphragm(const Values& v, Assembly& a) {
  return effective_diaphragm(need_length(v, param::assist_diaphragm1, a.missing_system),
                             Length{v.si(param::assist_diaphragm2)});
}

Servo read_servo(const Values& v, Assembly& a) {
  Servo s;
  s.crack = Pressure{v.si(param::assist_servo_crack)};
  s.gain = v.si(param::assist_servo_gain);
  const Length slave = need_length(v, param::assist_servo_slave, a.missing_system);
  if (slave.value() > 0)
    s.max_assist = servo_max(read_diaphragm(v, a), vacuum_or_impossible(v, a),
                             v.si(param::assist_efficiency), slave);
  else
    static_cast<void>(read_diaphragm(v, a));
  s.feeds_first = !v.is(choice::AssistServoFeeds::n2);
  s.feeds_second = !v.is(choice::AssistServoFeeds::n1);
  return s;
}

std::optional<BoosterKind> booster_kind(const Values& v) {
  if (v.is(choice::AssistKind::vacuum)) return BoosterKind::vacuum;
  if (v.is(choice::AssistKind::hydraulic)) return BoosterKind::hydraulic;
  if (v.is(choice::AssistKind::electric)) return BoosterKind::electric;
  return std::nullopt;
}

void read_assist(const Values& v, System& s, Assembly& a) {
  s.assist = NoAssist{};
  if (works_clutch(v)) return;
  need(v, param::assist_kind, a.missing_system);
  const auto kind = booster_kind(v);
  if (v.is(choice::AssistKind::remote)) s.servo = read_servo(v, a);
  if (!kind) return;
  Booster b;
  b.kind = *kind;
  switch (b.kind) {
    case BoosterKind::vacuum:
      b.max_assist = vacuum_assist(read_diaphragm(v, a), vacuum_or_impossible(v, a),
                                   v.si(param::assist_efficiency));
      break;
    case BoosterKind::hydraulic:
      b.max_assist = hydraulic_assist(Pressure{v.si(param::assist_pump_pressure)},
                                      Area{v.si(param::assist_power_area)});
      break;
    case BoosterKind::electric:
      b.max_assist = Force{v.si(param::assist_electric_force)};
      break;
  }
  b.gain = v.si(param::assist_gain);
  b.cut_in = Force{v.si(param::assist_cut_in)};
  b.jump_in = Force{v.si(param::assist_jump_in)};
  b.dead_force = Force{v.si(param::assist_dead_force)};
  b.travel_working = Length{v.si(param::assist_travel_working)};
  b.travel_dead = Length{v.si(param::assist_travel_dead)};
  b.output_gap = Length{v.si(param::assist_output_gap)};
  s.assist = b;
  if (v.known(param::assist_stroke)) s.booster_stroke = Length{v.si(param::assist_stroke)};
}

}  // namespace

Master assemble_master(const Values& v, Missing& missing, bool& strokes_known) {
  Master m;
  // A clutch has one piston: what is not asked is not missing.
  const bool clutch = works_clutch(v);
  if (!clutch) need(v, param::master_kind, missing);
  m.kind = clutch ? MasterKind::single : master_kind(v);
  if (m.kind == MasterKind::fast_fill) {
    m.step_bore = need_length(v, param::master_step_bore, missing);
    m.crack = Pressure{v.si(param::master_crack)};
  }
  if (m.kind == MasterKind::dual) {
    m.bore2 = need_length(v, param::master_bore2, missing);
    m.bar_a = need_length(v, param::master_bar_a, missing);
    m.bar_b = need_length(v, param::master_bar_b, missing);
    m.bar_tilt = Angle{v.si(param::master_bar_tilt)};
  }
  m.bore = need_length(v, param::master_bore, missing);
  m.stroke1 = Length{v.si(param::master_stroke1)};
  m.stroke2 = Length{v.si(param::master_stroke2)};
  strokes_known = v.known(param::master_stroke1) &&
                  (m.kind == MasterKind::single || v.known(param::master_stroke2));
  m.cutoff1 = Length{v.si(param::master_cutoff1)};
  m.cutoff2 = Length{v.si(param::master_cutoff2)};
  m.springs = springs_of(v);
  m.spring_force = Force{v.si(param::master_spring_force)};
  m.efficiency = v.si(param::master_efficiency);
  return m;
}

namespace {

/// The right wheel's own size where it is unlike the left's.
Param of_side(const Values& v, Axle axle, Param left, Param right, bool is_right) {
  const Param own = of_axle(right, axle);
  return is_right && v.known(own) ? own : of_axle(left, axle);
}

Disc read_disc(const Values& v, Axle axle, bool right, std::vector<Param>& missing) {
  Disc d;
  d.opposed = v.is(of_axle(param::front_kind, axle), choice::BrakeKind::opposed);
  const Param piston = of_side(v, axle, param::front_piston, param::front_right_piston, right);
  d.side_area = circle_area(Length{need(v, piston, missing)}) *
                std::round(v.si(of_axle(param::front_pistons, axle)));
  if (const double others = std::round(v.si(of_axle(param::front_pistons2, axle))); others > 0)
    d.side_area +=
        circle_area(Length{need(v, of_axle(param::front_piston2, axle), missing)}) * others;
  d.clearance = Length{v.si(of_axle(param::front_clearance, axle)) +
                       v.si(of_axle(param::front_knock_back, axle))};
  d.effective_radius = Length{need(v, of_axle(param::front_radius, axle), missing)};
  d.mu = v.si(of_axle(param::front_mu, axle));
  return d;
}

Drum read_drum(const Values& v, Axle axle, bool right, Assembly& a) {
  Missing& missing = a.missing_brakes;
  // Shoe factors and exponents by arrangement: common practice, no source; Limpert, from memory.
  static constexpr double kFactor[] = {2.15, 3.0, 4.2};
  static constexpr double kExponent[] = {1.45, 1.75, 2.2};
  Drum d;
  const Param cylinder =
      of_side(v, axle, param::front_cylinder, param::front_right_cylinder, right);
  d.cylinder_area = circle_area(Length{need(v, cylinder, missing)});
  d.pistons = static_cast<int>(std::lround(v.si(of_axle(param::front_cylinder_pistons, axle))));
  d.shoe_clearance = Length{v.si(of_axle(param::front_shoe_clearance, axle))};
  d.radius = Length{need(v, of_axle(param::front_drum, axle), missing) / 2};
  const Shoes arrangement = shoes_of(v, axle);
  const auto shoes = static_cast<size_t>(arrangement);
  d.hot_exponent = kExponent[shoes];
  const double mu = v.si(of_axle(param::front_lining_mu, axle));
  d.factor = factor_at(kFactor[shoes], mu, kLiningMu0, d.hot_exponent);
  const ShoeGeometry g{Length{v.si(of_axle(param::front_shoe_push, axle))},
                       Length{v.si(of_axle(param::front_shoe_normal, axle))},
                       Length{v.si(of_axle(param::front_shoe_friction, axle))}};
  const bool measured = g.push.value() > 0 && g.normal.value() > 0 && g.friction.value() > 0;
  if (const Value& stated = v.at(of_axle(param::front_brake_factor, axle)); stated.known()) {
    d.factor = stated.si;
  } else if (measured && arrangement != Shoes::linked) {
    if (const auto f = shoe_factor(g, mu, arrangement))
      d.factor = *f;
    else
      a.impossible.push_back(f.error());
  }
  return d;
}

WheelBrake read_wheel(const Values& v, Wheel wheel, Assembly& a) {
  const Axle axle = axle_of(wheel);
  WheelBrake w;
  w.rear = axle == Axle::rear;
  const bool one = v.is(of_axle(param::front_wheels, axle), choice::BrakeWheels::one);
  const bool left = wheel == Wheel::front_left || wheel == Wheel::rear_left;
  w.fitted = works_axle(v, axle) && (left || !one);
  if (!w.fitted) return w;
  if (one) w.axle_share = 1.0;
  w.fluid_depth_m = v.si(of_axle(param::front_fluid_depth, axle));
  const Param kind = of_axle(param::front_kind, axle);
  need(v, kind, a.missing_brakes);
  if (v.is(kind, choice::BrakeKind::drum))
    w.brake = read_drum(v, axle, !left, a);
  else
    w.brake = read_disc(v, axle, !left, a.missing_brakes);
  w.tyre_radius = Length{need(v, of_axle(param::front_tyre, axle), a.missing_vehicle)};
  w.tube.outside = Length{v.si(param::lines_tube_outside)};
  w.tube.wall = Length{v.si(param::lines_tube_wall)};
  w.tube.material = tube_material(v);
  const double brakes = one ? 1.0 : 2.0;
  w.tube.length = Length{v.si(of_axle(param::front_tube, axle)) / brakes};
  w.hose.length = Length{v.si(of_axle(param::front_hose, axle)) / brakes};
  w.hose.size = hose_size(v);
  w.hose.grade = hose_grade(v);
  w.hose.kind = hose_kind(v.at(of_axle(param::front_hose_kind, axle)).as<choice::BrakeHoseKind>());
  return w;
}

void read_circuits(const Values& v, MasterKind kind, Assembly& a,
                   std::array<WheelBrake, 4>& wheels) {
  for (const Wheel w : kWheels) {
    WheelBrake& brake = wheels[static_cast<size_t>(w)];
    if (!brake.fitted) continue;
    if (kind == MasterKind::single) {
      brake.outlet = Outlet::primary;
    } else if (const auto o = outlet_of(v, w)) {
      brake.outlet = *o;
    } else {
      a.missing_brakes.push_back(circuit_of(w));
    }
  }
}

std::optional<Vehicle> read_vehicle(const Values& v, Assembly& a) {
  Vehicle car;
  car.mass = Mass{need(v, param::vehicle_mass, a.missing_vehicle)};
  car.wheelbase = Length{need(v, param::vehicle_wheelbase, a.missing_vehicle)};
  car.front_share = need(v, param::vehicle_front_share, a.missing_vehicle);
  car.cg_height = Length{v.si(param::vehicle_cg_height)};
  car.tyre_mu = v.si(param::vehicle_tyre_mu);
  if (!a.missing_vehicle.empty()) return std::nullopt;
  return car;
}

}  // namespace

namespace {

void read_valves(const Values& v, System& s, Assembly& a) {
  if (v.is(choice::ValveKind::proportioning))
    s.rear_valve = Proportioning{Pressure{need(v, param::valve_knee, a.missing_brakes)},
                                 v.si(param::valve_slope)};
  s.rear_valve_opens = v.is(choice::ValveBypass::yes);
  if (v.is(choice::ValveMetering::metering))
    s.front_valve = Metering{Pressure{v.si(param::valve_hold)}, Pressure{v.si(param::valve_blend)}};
  s.valves_at_axle = v.is(choice::ValvePlace::axle);
  s.residual_front = Pressure{v.si(param::valve_residual_front)};
  s.residual_rear = Pressure{v.si(param::valve_residual_rear)};
  if (s.front_valve && s.front_valve->hold >= s.front_valve->blend)
    a.impossible.push_back(
        {"valve.blend", format_quantity(s.front_valve->blend.value(), Kind::pressure, 2, {}),
         "above the holding pressure", "A metering valve must open above the pressure it holds",
         "Read both pressures again"});
}

/// How values go together that are each within their range.
void check_together(System& s, Assembly& a, const System* like) {
  const Master& m = s.master;
  if (s.strokes_known && (m.cutoff1 >= m.stroke1 || (two_circuits(m) && m.cutoff2 >= m.stroke2)))
    a.impossible.push_back({.field = "master.cutoff1",
                            .value = format_quantity(m.cutoff1.value(), Kind::length, 2, {}),
                            .range = "less than the stroke",
                            .reason = "A cut-off as long as the whole stroke delivers nothing",
                            .remedy = "Measure cut-off and stroke again"});
  if (s.wheels)
    for (const WheelBrake& w : *s.wheels)
      if (w.fitted && !tube_has_bore(w.tube)) {
        a.impossible.push_back(
            {"lines.tube_wall", format_quantity(w.tube.wall.value(), Kind::length, 2, {}),
             "less than half of the outside diameter", "A tube with such a wall has no bore",
             "Measure tube and wall again; 0.7 mm of 4.75 mm is usual"});
        break;
      }
  // The geometry is judged as soon as it is known, whatever else is missing.
  const Control& c = s.control;
  const bool arms = c.pad_arm.value() > 0 && c.pin_arm.value() > 0 &&
                    (!c.mid || (c.mid->input.value() > 0 && c.mid->output.value() > 0));
  if (arms && like && like->kinematics) s.kinematics = like->kinematics->with(c);
  if (arms && !s.kinematics) {
    if (const auto k = Kinematics::make(c))
      s.kinematics = *k;
    else
      a.impossible.push_back(k.error());
  }
  if (!a.missing_system.empty()) return;
  if (m.kind == MasterKind::fast_fill && m.step_bore <= m.bore)
    a.impossible.push_back(
        {"master.step_bore", format_quantity(m.step_bore.value(), Kind::length, 2, {}),
         "larger than the plain bore", "The take-up bore is not larger than the plain one",
         "Measure both bores; without a step it is a plain tandem"});
  if (const auto ok = check_master(m); !ok) a.impossible.push_back(ok.error());
  if (const auto ok = check_assist(s.assist); !ok) a.impossible.push_back(ok.error());
  if (s.servo)
    if (const auto ok = check_servo(*s.servo); !ok) a.impossible.push_back(ok.error());
  if (s.vehicle)
    if (const auto ok = check_vehicle(*s.vehicle); !ok) a.impossible.push_back(ok.error());
}

}  // namespace

namespace {

Assembly assembled(const Values& v, const System* like) {
  Assembly a;
  System s;
  s.control = assemble_control(v, a.missing_system);
  read_assist(v, s, a);
  s.master = assemble_master(v, a.missing_system, s.strokes_known);
  read_valves(v, s, a);
  s.fluid = {v.is(choice::FluidGrade::n5), v.si(param::fluid_temperature)};
  if (const auto p = ambient_pressure(v.si(param::vehicle_altitude))) s.ambient = *p;
  std::array<WheelBrake, 4> wheels;
  for (const Wheel w : kWheels) wheels[static_cast<size_t>(w)] = read_wheel(v, w, a);
  read_circuits(v, s.master.kind, a, wheels);
  s.vehicle = read_vehicle(v, a);
  if (works_clutch(v)) {
    ClutchAssembly clutch = assemble_clutch(v);
    a.missing_brakes = std::move(clutch.missing);
    a.missing_vehicle.clear();
    a.impossible.insert(a.impossible.end(), clutch.impossible.begin(), clutch.impossible.end());
    s.vehicle.reset();
  } else if (a.missing_brakes.empty()) {
    s.wheels = wheels;
  }
  check_together(s, a, like);
  if (a.missing_system.empty() && a.impossible.empty()) a.system = s;
  return a;
}

}  // namespace

Assembly assemble(const Values& v) {
  return assembled(v, nullptr);
}

Assembly assemble(const Values& v, const System& like) {
  return assembled(v, &like);
}

}  // namespace yoke
