#include "plumbing/residual.hpp"
#include "document/param/bores.hpp"
#include "document/param/master.hpp"
#include "document/param/valves.hpp"

namespace yoke {

ResidualOfAxle residual_of(const Values& v, Axle axle) {
  ResidualOfAxle r;
  r.line_pa = v.si(axle == Axle::front ? param::valve_residual_front : param::valve_residual_rear);
  const bool first = v.is(param::master_residual1, choice::MasterResidual::residual);
  const bool second = v.is(param::master_residual2, choice::MasterResidual::residual);
  for (const Wheel w : kWheels) {
    if (axle_of(w) != axle) continue;
    // One circuit: nothing to trace.
    const auto o =
        v.is(choice::MasterKind::single) ? std::optional(Outlet::primary) : outlet_of(v, w);
    if (!o)
      r.untraced = r.untraced || first || second;
    else if (*o == Outlet::primary ? first : second)
      r.inside = *o;
  }
  return r;
}

}  // namespace yoke
