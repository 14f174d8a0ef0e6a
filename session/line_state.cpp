#include "session/line_state.hpp"

#include "assembly/assemble.hpp"
#include "assembly/assemble_clutch.hpp"
#include "session/texts.hpp"

namespace yoke {

LineInput line_input(const Session& s) {
  LineInput in;
  in.job = s.job();
  in.which = as_of(s.shown());
  const ConditionReport& report = s.shown_report();
  in.title = QObject::tr("Shown: ") + text_of(report.title, s.style());
  in.point = s.pressed_point();
  in.cannot = text_of(report.reason, s.style());
  if (!in.point && report.effort_only_n)
    in.cannot += QObject::tr(". Effort at the wanted pressure: ") +
                 full_text(*report.effort_only_n, Kind::force, 0, s.style());
  in.vehicle_known = assemble(s.job(), in.which).missing_vehicle.empty();
  if (const Values v = resolve(s.job(), in.which); works_clutch(v))
    if (const ClutchAssembly a = assemble_clutch(v); a.system) in.clutch = a.system->unit;
  in.style = s.style();
  return in;
}

}  // namespace yoke
