#include "master/master.hpp"

#include <algorithm>

namespace yoke {

Area bore_area(const Master& m) {
  return circle_area(m.bore);
}

Force piston_force(const Master& m, Pressure p) {
  return Force{p.value() * bore_area(m).value() / m.efficiency} + m.spring_force;
}

Pressure master_pressure(const Master& m, Force piston) {
  const double net = std::max(0.0, (piston - m.spring_force).value());
  return Pressure{m.efficiency * net / bore_area(m).value()};
}

Length primary_cutoff(const Master& m) {
  return m.springs == Springs::primary_caged && m.kind == MasterKind::tandem ? Length{0.0}
                                                                             : m.cutoff1;
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
