#include "document/values.hpp"
#include "document/ahead.hpp"
#include "document/param/arms.hpp"
#include "document/param/control.hpp"
#include "document/param/linkage.hpp"
#include "document/param/unit.hpp"
#include "document/typical.hpp"

#include <cmath>
#include <vector>

namespace yoke {

namespace {

/// Most parameters of a job were never touched, and what they then are depends on nothing: those
/// values are made once, and only the others are asked for.
struct Untouched {
  Values values;
  std::vector<Param> asked;  ///< whose value depends on others, whether touched or not
  std::vector<Param> alone;
};

Untouched untouched(As which) {
  Untouched u;
  const Job none;
  for (const ParamInfo& p : all_params()) {
    u.values.set(p.param, value_of(none, which, p.param));
    (typical_by_kind(p.param) || may_follow(p.param) ? u.asked : u.alone).push_back(p.param);
  }
  return u;
}

const Untouched& untouched_of(As which) {
  static const Untouched found = untouched(As::found);
  static const Untouched plan = untouched(As::plan);
  static const Untouched built = untouched(As::built);
  return which == As::found ? found : which == As::plan ? plan : built;
}

}  // namespace

Values resolve(const Job& job, As which) {
  const Untouched& u = untouched_of(which);
  Values v = u.values;
  for (const Param p : u.alone)
    if (job.found.at(p) || job.plan.at(p) || job.built.at(p)) v.set(p, value_of(job, which, p));
  for (const Param p : u.asked) v.set(p, value_of(job, which, p));
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
