#include "sizing/changes.hpp"

#include <algorithm>
#include <cmath>

#include "lines/lines.hpp"

namespace yoke {

namespace {

/// Volume per pad travel: bore area over ratio.
std::optional<double> volume_per_pad(const Values& v) {
  const auto bore = equivalent_bore(v);
  const auto ratio = arm_ratio(v);
  if (!bore || !ratio || *ratio <= 0) return std::nullopt;
  return circle_area(*bore).value() / *ratio;
}

}  // namespace

ConcealReport concealed_faults(const Values& found, const Values& plan) {
  ConcealReport r;
  const auto before = volume_per_pad(found);
  const auto after = volume_per_pad(plan);
  if (!before || !after) {
    r.because = "two bores and two ratios are needed";
    return r;
  }
  r.shorter_by_geometry = 1 - *before / *after;
  const auto add = [&](Message fault, double pad_m) {
    if (pad_m < 3e-3) return;  // what a tape can mistake
    const double volume = pad_m * *before;
    r.faults.push_back({std::move(fault), volume, pad_m, volume / *after});
  };
  if (found.known(Param::symptom_first) && found.known(Param::symptom_third))
    add("what pumping takes up", found.si(Param::symptom_first) - found.si(Param::symptom_third));
  if (found.known(Param::symptom_sink))
    add("what sinks under a steady foot", found.si(Param::symptom_sink));
  if (r.faults.empty() && !found.known(Param::symptom_first) && !found.known(Param::symptom_sink))
    r.because = "no pump or sink test was entered in Survey";
  return r;
}

PlainBore plain_for_take_up(const StripInputs& in) {
  PlainBore r;
  if (!in.found.is(choice::MasterKind::stepped) || !in.plan.known(Param::master_kind) ||
      in.plan.is(choice::MasterKind::stepped))
    return r;
  r.applies = true;
  const auto& big = in.found_system.system;
  if (!big || !in.plan_system.system || !big->wheels) {
    r.because = cannot_say(!big           ? in.found_system.missing_system
                           : !big->wheels ? in.found_system.missing_brakes
                                          : in.plan_system.missing_system);
    return r;
  }
  const auto model = FeelModel::make(*big, {});
  const auto after = volume_per_pad(in.plan);
  if (!model || !after) {
    r.because = model ? Message("the plan's bore and ratio are needed") : model.error().reason;
    return r;
  }
  // Up to the take-up's end the large bore delivers; the small one alone would need more stroke.
  const FeelPoint end = model->at(big->master.crack.value());
  const double small = circle_area(*equivalent_bore(in.plan)).value();
  const double large = circle_area(big->master.step_bore).value();
  const double delivered = end.volume.total_m3();
  r.volume_m3 = delivered * std::max(0.0, 1 - small / large);
  r.extra_m = r.volume_m3 / *after;
  r.clearance_m3 = end.volume.take_up_m3;
  r.calipers_too = r.clearance_m3 > 0.5 * delivered;
  return r;
}

ChamberReport chamber_report(const StripInputs& in) {
  ChamberReport r;
  const Assembly& a = in.plan_system;
  if (in.clutch || !a.system || !a.system->wheels) {
    r.because = cannot_say(a.missing_system.empty() ? a.missing_brakes : a.missing_system);
    return r;
  }
  const double first = in.plan.si(Param::master_reservoir);
  const double second =
      in.plan.known(Param::unit_chamber2) ? in.plan.si(Param::unit_chamber2) : first;
  const double bellows = in.plan.si(Param::master_bellows);
  for (const Axle axle : {Axle::front, Axle::rear}) {
    ChamberUse u;
    u.axle = axle;
    double pistons = 0;
    std::optional<Outlet> outlet;
    for (const Wheel w : kWheels) {
      if (axle_of(w) != axle) continue;
      pistons += displacing_area((*a.system->wheels)[static_cast<std::size_t>(w)]).value();
      outlet = (*a.system->wheels)[static_cast<std::size_t>(w)].outlet;
    }
    const bool sliding = in.plan.is(of_axle(Param::front_kind, axle), choice::BrakeKind::sliding);
    const double wear = in.plan.si(of_axle(Param::front_wear, axle)) * (sliding ? 2 : 1);
    u.drawn_m3 = wear_volume(Area{pistons}, Length{wear}).value();
    u.chamber_m3 = outlet == Outlet::secondary ? second : first;
    u.enough = reservoir_check(Volume{u.chamber_m3}, Volume{bellows}, Volume{u.drawn_m3}).enough;
    r.needs_m3 += u.drawn_m3;
    r.axles.push_back(u);
  }
  r.needs_m3 = 1.25 * r.needs_m3 + bellows;  // a quarter more: the car leans and brakes
  const ChamberUse& front = r.axles[0];
  const ChamberUse& rear = r.axles[1];
  const bool front_draws_more = front.drawn_m3 >= rear.drawn_m3;
  const auto cm3 = [](const ChamberUse& u) { return amount(u.drawn_m3, Kind::volume, 0); };
  r.advice =
      front_draws_more
          ? say("the larger chamber to the front: it draws {}, the rear {}", cm3(front), cm3(rear))
          : say("the larger chamber to the rear: it draws {}, the front {}", cm3(rear), cm3(front));
  r.swap = std::abs(first - second) > 1e-9 &&
           (front.chamber_m3 < rear.chamber_m3) == front_draws_more &&
           front.chamber_m3 != rear.chamber_m3;
  return r;
}

}  // namespace yoke
