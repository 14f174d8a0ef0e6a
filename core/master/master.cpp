#include "master/master.hpp"

#include <algorithm>

namespace yoke {

Area bore_area(const Master& m) {
  return circle_area(m.bore);
}

Area step_area(const Master& m) {
  return m.kind == MasterKind::stepped ? circle_area(m.step_bore) : bore_area(m);
}

bool two_circuits(const Master& m) {
  return m.kind != MasterKind::single;
}

bool step_works(const Master& m, LostCircuit lost) {
  return m.kind == MasterKind::stepped && lost != LostCircuit::first;
}

Force piston_force(const Master& m, Pressure p, LostCircuit lost) {
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
  if (m.kind != MasterKind::stepped || f_m <= m.crack.value() * a_q) return Pressure{f_m / a_q};
  return Pressure{(f_m - m.crack.value() * (a_q - a)) / a};
}

Length primary_cutoff(const Master& m) {
  return m.springs == Springs::primary_caged && two_circuits(m) ? Length{0.0} : m.cutoff1;
}

Length lost_stroke(const Master& m) {
  if (m.kind == MasterKind::single) return m.cutoff1;
  if (m.springs == Springs::primary_caged) return m.cutoff2;
  return m.cutoff1 + m.cutoff2;
}

std::optional<Length> dead_stroke(const Master& m, LostCircuit lost) {
  if (lost == LostCircuit::none) return lost_stroke(m);
  if (m.kind == MasterKind::single) return std::nullopt;
  if (lost == LostCircuit::first) return m.stroke1 + m.cutoff2;
  return m.stroke2 + primary_cutoff(m);
}

Length whole_stroke(const Master& m) {
  return m.kind == MasterKind::single ? m.stroke1 : m.stroke1 + m.stroke2;
}

}  // namespace yoke
