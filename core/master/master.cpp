#include "master/master.hpp"

#include <algorithm>
#include <cmath>

#include "quantity/quantity.hpp"

namespace yoke {

Area bore_area(const Master& m) {
  return circle_area(m.bore);
}

Area step_area(const Master& m) {
  return m.kind == MasterKind::fast_fill ? circle_area(m.step_bore) : bore_area(m);
}

bool two_circuits(const Master& m) {
  return m.kind != MasterKind::single;
}

Area outlet_area(const Master& m, bool second) {
  return m.kind == MasterKind::dual && second ? circle_area(m.bore2) : bore_area(m);
}

double bar_share(const Master& m, bool second) {
  if (m.kind != MasterKind::dual) return 1.0;
  return (second ? m.bar_a : m.bar_b).value() / (m.bar_a + m.bar_b).value();
}

Length bar_lead(const Master& m) {
  return (m.bar_a + m.bar_b) * std::tan(m.bar_tilt.value());
}

Length bearing_travel(const Master& m, Length first, Length second) {
  if (m.kind != MasterKind::dual) return first;
  return first * bar_share(m, false) + second * bar_share(m, true);
}

Expected<Master> check_master(const Master& m) {
  const auto bad = [](const char* field, Length value, const char* reason, const char* remedy) {
    return fail({field, format_quantity(value.value(), Kind::length, 2, {}), "more than 0", reason,
                 remedy});
  };
  if (!(m.bore.value() > 0))
    return bad("master.bore", m.bore, "The master has no bore", "Measure the bore");
  if (m.kind == MasterKind::dual) {
    if (!(m.bore2.value() > 0))
      return bad("master.bore2", m.bore2, "The second master has no bore", "Measure the bore");
    if (!(m.bar_a.value() > 0 && m.bar_b.value() > 0))
      return bad("master.bar_a", std::min(m.bar_a, m.bar_b), "The bar needs both its arms",
                 "Measure from its bearing to either rod");
    if (!(m.bar_tilt.value() > 0 && m.bar_tilt.value() < 1.2))
      return fail({"master.bar_tilt", format_quantity(m.bar_tilt.value(), Kind::angle, 1, {}),
                   "more than 0°, less than 69°", "The bar must be able to lean",
                   "About 12° is usual"});
  }
  return m;
}

bool step_works(const Master& m, LostCircuit lost) {
  return m.kind == MasterKind::fast_fill && lost != LostCircuit::primary;
}

Force piston_force(const Master& m, Pressure p, LostCircuit lost) {
  if (m.kind == MasterKind::dual) {
    // The bar's force at which outlet 1 has that pressure.
    const double rod_n = p.value() * bore_area(m).value() / m.efficiency + m.spring_force.value();
    return Force{rod_n / bar_share(m, false)};
  }
  const double a = bore_area(m).value();
  double f_m = p.value() * a;
  if (step_works(m, lost)) f_m += std::min(p.value(), m.crack.value()) * (step_area(m).value() - a);
  return Force{f_m / m.efficiency} + m.spring_force;
}

Length volume_stroke(const Master& m, LostCircuit lost, Volume v, Volume v_crack) {
  if (!step_works(m, lost)) return Length{v.value() / bore_area(m).value()};
  const double first = std::min(v.value(), v_crack.value());
  return Length{first / step_area(m).value() + (v.value() - first) / bore_area(m).value()};
}

Pressure master_pressure(const Master& m, Force piston) {
  const double f_m = std::max(0.0, (piston - m.spring_force).value()) * m.efficiency;
  const double a = bore_area(m).value();
  const double a_q = step_area(m).value();
  if (m.kind != MasterKind::fast_fill || f_m <= m.crack.value() * a_q) return Pressure{f_m / a_q};
  return Pressure{(f_m - m.crack.value() * (a_q - a)) / a};
}

Length primary_cutoff(const Master& m) {
  const bool in_line = two_circuits(m) && m.kind != MasterKind::dual;
  return m.springs == Springs::primary_caged && in_line ? Length{0.0} : m.cutoff1;
}

Length lost_stroke(const Master& m) {
  if (m.kind == MasterKind::single) return m.cutoff1;
  if (m.kind == MasterKind::dual) return bearing_travel(m, m.cutoff1, m.cutoff2);
  if (m.springs == Springs::primary_caged) return m.cutoff2;
  return m.cutoff1 + m.cutoff2;
}

std::optional<Length> dead_stroke(const Master& m, LostCircuit lost) {
  if (lost == LostCircuit::none) return lost_stroke(m);
  if (m.kind == MasterKind::single) return std::nullopt;
  if (m.kind == MasterKind::dual) {
    const Length lead = bar_lead(m);
    return lost == LostCircuit::primary
               ? bearing_travel(m, std::min(m.cutoff2 + lead, m.stroke1), m.cutoff2)
               : bearing_travel(m, m.cutoff1, std::min(m.cutoff1 + lead, m.stroke2));
  }
  if (lost == LostCircuit::primary) return m.stroke1 + m.cutoff2;
  return m.stroke2 + primary_cutoff(m);
}

std::optional<Length> open_dead_stroke(const Master& m, bool second) {
  if (m.kind == MasterKind::single) return second ? std::nullopt : std::optional<Length>(m.cutoff1);
  if (m.kind == MasterKind::dual) return second ? m.cutoff2 : m.cutoff1;
  if (m.springs == Springs::unknown) return std::nullopt;
  if (m.springs == Springs::secondary_stronger) return second ? m.stroke1 + m.cutoff2 : m.cutoff1;
  return second ? m.cutoff2 : m.stroke2 + m.cutoff1;
}

Pressure take_up_difference(const Master& m, Force spring1, Force spring2, Force seal_friction) {
  return Pressure{(spring2 + seal_friction - spring1).value() / bore_area(m).value()};
}

Length whole_stroke(const Master& m) {
  if (m.kind == MasterKind::single) return m.stroke1;
  if (m.kind == MasterKind::dual) return bearing_travel(m, m.stroke1, m.stroke2);
  return m.stroke1 + m.stroke2;
}

}  // namespace yoke
