#include "job/assemble.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

/// Reads values of one system and notes what is missing.
class Reader {
 public:
  Reader(const Job& job, Which which) : job_(job), which_(which) {}
  [[nodiscard]] Value get(Param p) const { return value_of(job_, which_, p); }
  double need(Param p, std::vector<Param>& missing) const {
    const Value v = get(p);
    if (!v.known() && std::find(missing.begin(), missing.end(), p) == missing.end())
      missing.push_back(p);
    return v.si;
  }
  [[nodiscard]] double typical(Param p) const { return get(p).si; }
  [[nodiscard]] int option(Param p) const { return static_cast<int>(get(p).si); }

 private:
  const Job& job_;
  Which which_;
};

Control read_control(const Reader& r, std::vector<Param>& missing) {
  Control c;
  c.pad_arm = Length{r.need(Param::control_pad_arm, missing)};
  c.pin_arm = Length{r.need(Param::control_pin_arm, missing)};
  c.return_force = Force{r.typical(Param::control_return_force)};
  c.efficiency = r.typical(Param::control_efficiency);
  c.pad_stop = Length{r.typical(Param::control_pad_stop)};
  c.rod_clearance = Length{r.typical(Param::control_rod_clearance)};
  const Value h = r.get(Param::control_axis_height);
  const Value a0 = r.get(Param::control_rest_angle);
  const Value l = r.get(Param::control_rod_length);
  const Value d = r.get(Param::control_offset);
  if (h.known() && a0.known() && l.known() && d.known())
    c.geometry = RodGeometry{Length{h.si}, Length{d.si}, Angle{a0.si}, Length{l.si}};
  return c;
}

/// A typical figure that depends on the kind of booster; a measured one wins always.
double by_kind(const Reader& r, Param p, BoosterKind kind, double hydraulic, double electric) {
  const Value v = r.get(p);
  if (v.origin == Origin::measured || kind == BoosterKind::vacuum) return v.si;
  return kind == BoosterKind::hydraulic ? hydraulic : electric;
}

Force read_vacuum(const Reader& r, Assembly& a) {
  const Area diaphragm =
      effective_diaphragm(Length{r.need(Param::assist_diaphragm1, a.missing_system)},
                          Length{r.typical(Param::assist_diaphragm2)});
  const auto dp = vacuum_difference(Pressure{r.typical(Param::assist_vacuum)},
                                    r.typical(Param::assist_vacuum_altitude),
                                    r.typical(Param::vehicle_altitude));
  if (dp) return vacuum_assist(diaphragm, *dp, r.typical(Param::assist_efficiency));
  a.impossible.push_back(dp.error());
  return Force{0.0};
}

Assist read_assist(const Reader& r, Assembly& a) {
  const int option = static_cast<int>(r.need(Param::assist_kind, a.missing_system));
  if (option == 0) return NoAssist{};
  Booster b;
  b.kind = static_cast<BoosterKind>(option - 1);
  switch (b.kind) {
    case BoosterKind::vacuum:
      b.max_assist = read_vacuum(r, a);
      break;
    case BoosterKind::hydraulic:
      b.max_assist = hydraulic_assist(Pressure{r.typical(Param::assist_pump_pressure)},
                                      Area{r.typical(Param::assist_power_area)});
      break;
    case BoosterKind::electric:
      b.max_assist = Force{r.typical(Param::assist_electric_force)};
      break;
  }
  // Typical figures of the other kinds: common practice, no source.
  b.gain = by_kind(r, Param::assist_gain, b.kind, 6, 5);
  b.cut_in = Force{by_kind(r, Param::assist_cut_in, b.kind, 40, 15)};
  b.jump_in = Force{by_kind(r, Param::assist_jump_in, b.kind, 150, 0)};
  b.dead_force = Force{by_kind(r, Param::assist_dead_force, b.kind, 60, 60)};
  b.travel_working = Length{r.typical(Param::assist_travel_working)};
  b.travel_dead = Length{r.typical(Param::assist_travel_dead)};
  b.output_gap = Length{r.typical(Param::assist_output_gap)};
  return b;
}

Master read_master(const Reader& r, Assembly& a, bool& strokes_known) {
  Master m;
  m.kind = static_cast<MasterKind>(static_cast<int>(r.need(Param::master_kind, a.missing_system)));
  if (m.kind == MasterKind::stepped) {
    m.step_bore = Length{r.need(Param::master_step_bore, a.missing_system)};
    m.crack = Pressure{r.typical(Param::master_crack)};
  }
  m.bore = Length{r.need(Param::master_bore, a.missing_system)};
  const Value s1 = r.get(Param::master_stroke1);
  const Value s2 = r.get(Param::master_stroke2);
  m.stroke1 = Length{s1.si};
  m.stroke2 = Length{s2.si};
  strokes_known = s1.known() && (m.kind == MasterKind::single || s2.known());
  m.cutoff1 = Length{r.typical(Param::master_cutoff1)};
  m.cutoff2 = Length{r.typical(Param::master_cutoff2)};
  m.springs = static_cast<Springs>(r.option(Param::master_springs));
  m.spring_force = Force{r.typical(Param::master_spring_force)};
  m.efficiency = r.typical(Param::master_efficiency);
  if (strokes_known && (m.cutoff1 >= m.stroke1 || (two_circuits(m) && m.cutoff2 >= m.stroke2)))
    a.impossible.push_back({.field = "master.cutoff1",
                            .value = "",
                            .range = "less than the stroke",
                            .reason = "A cut-off as long as the whole stroke delivers nothing",
                            .remedy = "Measure cut-off and stroke again"});
  return m;
}

Disc read_disc(const Reader& r, Axle axle, bool opposed, std::vector<Param>& missing) {
  Disc d;
  d.opposed = opposed;
  d.side_area = circle_area(Length{r.need(of_axle(Param::front_piston, axle), missing)}) *
                std::round(r.typical(of_axle(Param::front_pistons, axle)));
  d.clearance = Length{r.typical(of_axle(Param::front_clearance, axle))};
  d.effective_radius = Length{r.need(of_axle(Param::front_radius, axle), missing)};
  d.mu = r.typical(of_axle(Param::front_mu, axle));
  return d;
}

Drum read_drum(const Reader& r, Axle axle, std::vector<Param>& missing) {
  // Shoe factors and exponents by arrangement: common practice, no source; Limpert, from memory.
  static constexpr double kFactor[] = {2.15, 3.0, 4.2};
  static constexpr double kExponent[] = {1.45, 1.75, 2.2};
  Drum d;
  d.cylinder_area = circle_area(Length{r.need(of_axle(Param::front_cylinder, axle), missing)});
  d.pistons =
      static_cast<int>(std::lround(r.typical(of_axle(Param::front_cylinder_pistons, axle))));
  d.shoe_clearance = Length{r.typical(of_axle(Param::front_shoe_clearance, axle))};
  d.radius = Length{r.need(of_axle(Param::front_drum, axle), missing) / 2};
  const auto shoes = static_cast<size_t>(r.option(of_axle(Param::front_shoes, axle)));
  const Value factor = r.get(of_axle(Param::front_brake_factor, axle));
  d.factor = factor.known() ? factor.si : kFactor[shoes];
  d.hot_exponent = kExponent[shoes];
  return d;
}

WheelBrake read_wheel(const Reader& r, Axle axle, Assembly& a) {
  WheelBrake w;
  w.rear = axle == Axle::rear;
  const int kind = static_cast<int>(r.need(of_axle(Param::front_kind, axle), a.missing_brakes));
  if (kind == 2)
    w.brake = read_drum(r, axle, a.missing_brakes);
  else
    w.brake = read_disc(r, axle, kind == 1, a.missing_brakes);
  w.tyre_radius = Length{r.need(of_axle(Param::front_tyre, axle), a.missing_vehicle)};
  w.tube.outside = Length{r.typical(Param::lines_tube_outside)};
  w.tube.wall = Length{r.typical(Param::lines_tube_wall)};
  w.tube.material = static_cast<TubeMaterial>(r.option(Param::lines_tube_material));
  w.tube.length = Length{r.typical(of_axle(Param::front_tube, axle)) / 2};
  w.hose.length = Length{r.typical(of_axle(Param::front_hose, axle)) / 2};
  w.hose.kind = static_cast<HoseKind>(r.option(of_axle(Param::front_hose_kind, axle)));
  return w;
}

void read_circuits(const Job& job, Which which, MasterKind kind, Assembly& a,
                   std::array<WheelBrake, 4>& wheels) {
  for (const Wheel w : kWheels) {
    WheelBrake& brake = wheels[static_cast<size_t>(w)];
    if (kind == MasterKind::single) {
      brake.outlet = Outlet::first;
    } else if (const auto o = outlet_of(job, which, w)) {
      brake.outlet = *o;
    } else {
      a.missing_brakes.push_back(circuit_of(w));
    }
  }
}

std::optional<Vehicle> read_vehicle(const Reader& r, Assembly& a) {
  Vehicle v;
  v.mass = Mass{r.need(Param::vehicle_mass, a.missing_vehicle)};
  v.wheelbase = Length{r.need(Param::vehicle_wheelbase, a.missing_vehicle)};
  v.front_share = r.need(Param::vehicle_front_share, a.missing_vehicle);
  v.cg_height = Length{r.typical(Param::vehicle_cg_height)};
  v.tyre_mu = r.typical(Param::vehicle_tyre_mu);
  if (!a.missing_vehicle.empty()) return std::nullopt;
  return v;
}

}  // namespace

std::optional<Outlet> outlet_of(const Job& job, Which which, Wheel wheel) {
  const Value v = value_of(job, which, circuit_of(wheel));
  if (!v.known()) return std::nullopt;
  return v.si == 0 ? Outlet::first : Outlet::second;
}

Assembly assemble(const Job& job, Which which) {
  Assembly a;
  const Reader r(job, which);
  System s;
  s.control = read_control(r, a.missing_system);
  s.assist = read_assist(r, a);
  s.master = read_master(r, a, s.strokes_known);
  if (const Value stroke = r.get(Param::assist_stroke); stroke.known())
    s.booster_stroke = Length{stroke.si};
  if (r.option(Param::valve_kind) == 1)
    s.rear_valve = Proportioning{Pressure{r.need(Param::valve_knee, a.missing_brakes)},
                                 r.typical(Param::valve_slope)};
  s.rear_valve_opens = r.option(Param::valve_bypass) == 1;
  if (r.option(Param::valve_metering) == 1)
    s.front_valve =
        Metering{Pressure{r.typical(Param::valve_hold)}, Pressure{r.typical(Param::valve_blend)}};
  s.residual_front = Pressure{r.typical(Param::valve_residual_front)};
  s.residual_rear = Pressure{r.typical(Param::valve_residual_rear)};
  if (s.front_valve && s.front_valve->hold >= s.front_valve->blend)
    a.impossible.push_back({"valve.blend", "", "above the holding pressure",
                            "A metering valve must open above the pressure it holds",
                            "Read both pressures again"});
  s.fluid = {r.option(Param::fluid_grade) == 2, r.typical(Param::fluid_temperature)};
  if (const auto p = ambient_pressure(r.typical(Param::vehicle_altitude))) s.ambient = *p;
  std::array<WheelBrake, 4> wheels;
  for (const Wheel w : kWheels) wheels[static_cast<size_t>(w)] = read_wheel(r, axle_of(w), a);
  read_circuits(job, which, s.master.kind, a, wheels);
  s.vehicle = read_vehicle(r, a);
  if (a.missing_brakes.empty()) s.wheels = wheels;
  // The geometry is judged as soon as it is known, whatever else is missing.
  if (s.control.pad_arm.value() > 0 && s.control.pin_arm.value() > 0)
    if (const auto k = Kinematics::make(s.control); !k) a.impossible.push_back(k.error());
  if (!a.missing_system.empty()) return a;
  if (s.master.kind == MasterKind::stepped && s.master.step_bore <= s.master.bore)
    a.impossible.push_back({"master.step_bore", "", "larger than the plain bore",
                            "The take-up bore is not larger than the plain one",
                            "Measure both bores; without a step it is a plain tandem"});
  if (const auto b = check_assist(s.assist); !b) a.impossible.push_back(b.error());
  if (s.vehicle)
    if (const auto v = check_vehicle(*s.vehicle); !v) a.impossible.push_back(v.error());
  if (a.impossible.empty()) a.system = s;
  return a;
}

std::optional<double> arm_ratio(const Job& job, Which which) {
  const Value pad = value_of(job, which, Param::control_pad_arm);
  const Value pin = value_of(job, which, Param::control_pin_arm);
  if (!pad.known() || !pin.known() || pin.si <= 0) return std::nullopt;
  return pad.si / pin.si;
}

bool has_assist(const Job& job, Which which) {
  const Value v = value_of(job, which, Param::assist_kind);
  return v.known() && v.si >= 1;
}

bool has_two_circuits(const Job& job, Which which) {
  const Value v = value_of(job, which, Param::master_kind);
  return v.known() && v.si >= 1;
}

std::optional<Error> new_impossibility(const Job& before, const Job& after) {
  for (const Which w : {Which::found, Which::plan}) {
    const auto old = assemble(before, w).impossible;
    for (const Error& e : assemble(after, w).impossible)
      if (std::none_of(old.begin(), old.end(),
                       [&](const Error& o) { return o.reason == e.reason; }))
        return e;
  }
  return std::nullopt;
}

std::string param_list(const std::vector<Param>& params) {
  std::string list;
  constexpr size_t kNamed = 4;
  for (size_t i = 0; i < params.size() && i < kNamed; ++i) {
    std::string words{info(params[i]).words};
    if (info(params[i]).group != Group::master || words != "Bore")
      words[0] = static_cast<char>(words[0] >= 'A' && words[0] <= 'Z' ? words[0] + 32 : words[0]);
    else
      words = "bore of the master";
    list += (list.empty() ? "" : ", ") + words;
  }
  if (params.size() > kNamed) list += " and " + std::to_string(params.size() - kNamed) + " more";
  return list;
}

std::string cannot_say(const std::vector<Param>& missing) {
  return "Cannot say yet: " + param_list(missing) + " not known";
}

}  // namespace yoke
