#include "document/values.hpp"
#include "document/param/arms.hpp"
#include "document/param/control.hpp"
#include "document/param/linkage.hpp"
#include "document/param/unit.hpp"

#include <cmath>

namespace yoke {

Values resolve(const Job& job, As which) {
  Values v;
  for (const ParamInfo& p : all_params()) v.set(p.param, value_of(job, which, p.param));
  return v;
}

std::optional<double> arm_ratio(const Values& v) {
  if (!v.known(param::control_pad_arm) || !v.known(param::control_pin_arm) ||
      v.si(param::control_pin_arm) <= 0)
    return std::nullopt;
  double ratio = v.si(param::control_pad_arm) / v.si(param::control_pin_arm);
  if (v.is(choice::ControlMid::lever)) {
    if (!v.known(param::control_mid_in) || !v.known(param::control_mid_out) ||
        v.si(param::control_mid_out) <= 0)
      return std::nullopt;
    ratio *= v.si(param::control_mid_in) / v.si(param::control_mid_out);
  }
  return ratio;
}

std::optional<int> stud_count(const Values& v) {
  if (v.is(choice::UnitStuds::n2)) return 2;
  if (v.is(choice::UnitStuds::n3)) return 3;
  if (v.is(choice::UnitStuds::n4)) return 4;
  return std::nullopt;
}

bool works_clutch(const Values& v) {
  return v.is(choice::ControlUse::clutch);
}

bool pulled_by_hand(const Values& v) {
  return v.is(choice::ControlKind::lever_radial) || v.is(choice::ControlKind::lever_axial);
}

bool pulled_by_hand(const Job& job) {
  return is(job, As::plan, choice::ControlKind::lever_radial) ||
         is(job, As::plan, choice::ControlKind::lever_axial);
}

bool works_axle(const Values& v, Axle axle) {
  if (works_clutch(v)) return false;
  return !v.is(axle == Axle::front ? choice::ControlAxles::rear : choice::ControlAxles::front);
}

}  // namespace yoke
