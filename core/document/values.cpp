#include "document/values.hpp"

#include <cmath>

namespace yoke {

Values resolve(const Job& job, As which) {
  Values v;
  for (std::size_t i = 0; i < kParamCount; ++i) {
    const auto p = static_cast<Param>(i);
    v.set(p, value_of(job, which, p));
  }
  return v;
}

std::optional<double> arm_ratio(const Values& v) {
  if (!v.known(Param::control_pad_arm) || !v.known(Param::control_pin_arm) ||
      v.si(Param::control_pin_arm) <= 0)
    return std::nullopt;
  double ratio = v.si(Param::control_pad_arm) / v.si(Param::control_pin_arm);
  if (v.is(choice::ControlMid::lever)) {
    if (!v.known(Param::control_mid_in) || !v.known(Param::control_mid_out) ||
        v.si(Param::control_mid_out) <= 0)
      return std::nullopt;
    ratio *= v.si(Param::control_mid_in) / v.si(Param::control_mid_out);
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
