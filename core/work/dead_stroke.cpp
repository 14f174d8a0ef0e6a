#include "work/dead_stroke.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/bores.hpp"
#include "document/param/master.hpp"
#include "document/values.hpp"

namespace yoke {

namespace {

Message pushed(double m) {
  return say("{}", amount(m, Kind::length, 1));
}

void judge(DeadStroke& d) {
  if (!d.push_m[0] || (d.two && !d.push_m[1])) return;
  const double near = *d.push_m[0];
  const double far = d.push_m[1].value_or(near);
  const bool too_long = near > kDeadNear_m || (d.two && far > kDeadFar_m);
  d.state = too_long ? DeadState::too_long : DeadState::healthy;
  if (d.two)
    d.says = too_long ? say("Flows at {} and {}; {} and {} are usual at most", pushed(near),
                            pushed(far), pushed(kDeadNear_m), pushed(kDeadFar_m))
                      : say("Flows at {} and {}", pushed(near), pushed(far));
  else
    d.says = too_long ? say("Flows at {}; {} is usual at most", pushed(near), pushed(kDeadNear_m))
                      : say("Flows at {}", pushed(near));
}

}  // namespace

DeadStroke dead_stroke(const Job& job) {
  DeadStroke d;
  const Values v = resolve(job, As::plan);
  d.two = !works_clutch(v) && !v.is(choice::MasterKind::single);
  const auto ratio = arm_ratio(v);
  const Param pushes[2] = {param::bleed_dead1, param::bleed_dead2};
  for (int i = 0; i < (d.two ? 2 : 1); ++i) {
    // A guess is no measurement of a unit.
    if (!v.at(pushes[i]).settled()) {
      d.missing.push_back(pushes[i]);
      continue;
    }
    d.push_m[i] = v.si(pushes[i]);
    if (ratio) d.pad_m[i] = *d.push_m[i] * *ratio;
  }
  judge(d);
  return d;
}

bool take_dead_stroke(Job& job) {
  const DeadStroke d = dead_stroke(job);
  std::vector<Param> missing;
  bool strokes_known = false;
  const Values v = resolve(job, As::plan);
  const Master m = assemble_master(v, missing, strokes_known);
  const auto take = [&](Param to, Param from, double si) {
    const ParamInfo& p = info(to);
    Measured made;
    made.si = std::clamp(si, p.min_si, p.max_si);
    made.uncertainty_si = v.at(from).uncertainty_si;
    made.how = v.at(from).how;
    job.built.set(to, made);
  };
  if (d.push_m[0]) take(param::master_cutoff1, param::bleed_dead1, *d.push_m[0]);
  if (d.push_m[1]) {
    const bool sum = m.kind != MasterKind::dual && m.springs != Springs::primary_caged;
    if (sum && !d.push_m[0]) return false;
    take(param::master_cutoff2, param::bleed_dead2, *d.push_m[1] - (sum ? *d.push_m[0] : 0));
  }
  return d.push_m[0] || d.push_m[1];
}

}  // namespace yoke
