#include "assembly/assemble_clutch.hpp"

#include <tuple>

#include "assembly/assemble.hpp"
#include "assembly/choice_map.hpp"
#include "document/param/clutch.hpp"
#include "document/param/lines.hpp"
#include "document/param/vehicle.hpp"

namespace yoke {

namespace {

double need(const Values& v, Param p, std::vector<Param>& missing) {
  if (!v.known(p)) missing.push_back(p);
  return v.si(p);
}

std::optional<Length> known_length(const Values& v, Param p) {
  return v.known(p) ? std::optional(Length{v.si(p)}) : std::nullopt;
}

void read_points(const Values& v, ClutchUnit& u, ClutchAssembly& a) {
  static constexpr Param kPoints[3][2] = {{param::clutch_at1, param::clutch_load1},
                                          {param::clutch_at2, param::clutch_load2},
                                          {param::clutch_at3, param::clutch_load3}};
  for (const auto& [at, load] : kPoints)
    if (v.known(at) && v.known(load)) u.points.emplace_back(v.si(at), v.si(load));
  if (u.points.size() < 2) u.points.clear();
  for (std::size_t i = 1; i < u.points.size(); ++i)
    if (u.points[i].first <= u.points[i - 1].first)
      a.impossible.push_back({"clutch.at2", format_quantity(u.points[i].first, Kind::length, 1, {}),
                              "more than the reading before",
                              "The load readings must rise in bearing travel",
                              "Sort them by travel"});
}

ClutchUnit read_unit(const Values& v, ClutchAssembly& a) {
  ClutchUnit u;
  need(v, param::clutch_kind, a.missing);
  u.kind = slave_kind(v.choice<param::clutch_kind>());
  const Length bore{need(v, param::clutch_slave_bore, a.missing)};
  Length inner{0.0};
  if (u.kind != SlaveKind::push) inner = Length{need(v, param::clutch_slave_inner, a.missing)};
  if (bore.value() > 0 && inner >= bore)
    a.impossible.push_back({"clutch.slave_inner",
                            format_quantity(inner.value(), Kind::length, 2, {}),
                            "less than the slave's bore",
                            "The slave's rod or inner diameter is not smaller than its bore",
                            "Measure both diameters again"});
  u.area = slave_area(u.kind, bore, inner);
  if (u.kind != SlaveKind::concentric) {
    const double slave = need(v, param::clutch_fork_slave, a.missing);
    const double bearing = need(v, param::clutch_fork_bearing, a.missing);
    if (bearing > 0) u.fork = slave / bearing;
  }
  u.efficiency = v.si(param::clutch_efficiency);
  read_points(v, u, a);
  if (u.points.empty()) u.peak = Force{need(v, param::clutch_peak, a.missing)};
  u.release = Length{v.si(param::clutch_release)};
  u.bite_share = v.si(param::clutch_bite);
  u.gap = Length{v.si(param::clutch_gap)};
  u.slave_stroke = known_length(v, param::clutch_slave_stroke);
  u.limit = known_length(v, param::clutch_limit);
  u.retraction = known_length(v, param::clutch_retraction);
  u.wear = Length{v.si(param::clutch_wear)};
  u.finger = v.si(param::clutch_finger);
  return u;
}

}  // namespace

std::pair<Tube, Hose> clutch_line(const Values& v) {
  std::pair<Tube, Hose> line;
  auto& [tube, hose] = line;
  tube.length = Length{v.si(param::clutch_tube)};
  tube.outside = Length{v.si(param::lines_tube_outside)};
  tube.wall = Length{v.si(param::lines_tube_wall)};
  tube.material = tube_material(v);
  hose.length = Length{v.si(param::clutch_hose)};
  hose.size = hose_size(v);
  hose.grade = hose_grade(v);
  hose.kind = hose_kind(v.choice<param::clutch_hose_kind>());
  return line;
}

ClutchAssembly assemble_clutch(const Values& v, double air_m3,
                               std::optional<double> temperature_c) {
  ClutchAssembly a;
  ClutchSystem s;
  std::vector<Param> shared;  // control and master are asked for by the system's own assembly
  s.control = assemble_control(v, shared);
  s.master = assemble_master(v, shared, s.stroke_known);
  s.unit = read_unit(v, a);
  std::tie(s.tube, s.hose) = clutch_line(v);
  s.fluid = {v.is(choice::FluidGrade::n5), temperature_c.value_or(v.si(param::fluid_temperature))};
  if (const auto p = ambient_pressure(v.si(param::vehicle_altitude))) s.ambient = *p;
  s.air_m3 = air_m3;
  if (!tube_has_bore(s.tube))
    a.impossible.push_back({"lines.tube_wall",
                            format_quantity(s.tube.wall.value(), Kind::length, 2, {}),
                            "less than half of the outside diameter",
                            "A tube with such a wall has no bore", "Measure tube and wall again"});
  if (!shared.empty() || !a.missing.empty() || !a.impossible.empty()) return a;
  if (const auto ok = ClutchModel::make(s); !ok)
    a.impossible.push_back(ok.error());
  else
    a.system = s;
  return a;
}

std::optional<Length> stack_gap(const Values& v, Length spacer) {
  if (!v.known(param::clutch_stack_a) || !v.known(param::clutch_stack_b)) return std::nullopt;
  return concentric_gap(v.is(choice::ClutchBell::gearbox), Length{v.si(param::clutch_stack_a)},
                        Length{v.si(param::clutch_stack_b)}, Length{v.si(param::clutch_between)},
                        spacer);
}

}  // namespace yoke
