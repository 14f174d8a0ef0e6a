#include "sizing/changes.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/master.hpp"
#include "document/param/symptom.hpp"
#include "document/param/unit.hpp"
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
  if (found.known(param::symptom_first) && found.known(param::symptom_third))
    add("what pumping takes up", found.si(param::symptom_first) - found.si(param::symptom_third));
  if (found.known(param::symptom_sink))
    add("what sinks under a steady foot", found.si(param::symptom_sink));
  if (r.faults.empty() && !found.known(param::symptom_first) && !found.known(param::symptom_sink))
    r.because = "no pump or sink test was entered in Survey";
  return r;
}

PlainBore plain_for_take_up(const StripInputs& in) {
  PlainBore r;
  if (!in.found.is(choice::MasterKind::stepped) || !in.plan.known(param::master_kind) ||
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

namespace {

/// From new to worn. A sliding caliper's piston follows both pads, an opposed pair one pad each:
/// the area counts the same way.
double drawn_m3(const Values& v, const WheelBrake& w) {
  const Axle axle = w.rear ? Axle::rear : Axle::front;
  const bool sliding = v.is(of_axle(param::front_kind, axle), choice::BrakeKind::sliding);
  const double wear = v.si(of_axle(param::front_wear, axle)) * (sliding ? 2 : 1);
  return wear_volume(displacing_area(w), Length{wear}).value();
}

ChamberUse chamber_use(const Values& v, const System& s, Outlet outlet) {
  ChamberUse u;
  u.outlet = outlet;
  for (const WheelBrake& w : *s.wheels) {
    if (!w.fitted || w.outlet != outlet) continue;
    (w.rear ? u.rear : u.front) = true;
    u.drawn_m3 += drawn_m3(v, w);
  }
  const bool own = outlet == Outlet::secondary && v.known(param::unit_chamber2);
  const Value& chamber = v.at(own ? param::unit_chamber2 : param::master_reservoir);
  u.chamber_m3 = chamber.si;
  u.measured = chamber.settled();
  const ReservoirCheck check = reservoir_check(
      Volume{u.chamber_m3}, Volume{v.si(param::master_bellows)}, Volume{u.drawn_m3});
  u.left_m3 = check.left.value();
  u.enough = check.enough;
  return u;
}

/// Which chamber is better for which axle; a diagonal split draws the same from both.
void say_advice(ChamberReport& r) {
  const auto cm3 = [](double m3) { return amount(m3, Kind::volume, 0); };
  const bool by_axle = r.chambers.size() == 2 && r.chambers[0].front != r.chambers[1].front &&
                       r.chambers[0].rear != r.chambers[1].rear;
  if (!by_axle) {
    r.advice = r.chambers.size() == 2 ? "both chambers draw alike: neither is the larger's place"
                                      : "one chamber feeds them all";
    return;
  }
  const bool front_more = r.front_m3 >= r.rear_m3;
  r.advice = front_more ? say("the larger chamber to the front: it draws {}, the rear {}",
                              cm3(r.front_m3), cm3(r.rear_m3))
                        : say("the larger chamber to the rear: it draws {}, the front {}",
                              cm3(r.rear_m3), cm3(r.front_m3));
  const ChamberUse& front = r.chambers[r.chambers[0].front ? 0 : 1];
  const ChamberUse& rear = r.chambers[r.chambers[0].front ? 1 : 0];
  r.swap = front.measured && rear.measured && std::abs(front.chamber_m3 - rear.chamber_m3) > 1e-9 &&
           (front.chamber_m3 < rear.chamber_m3) == front_more;
}

}  // namespace

ChamberReport chamber_report(const StripInputs& in) {
  ChamberReport r;
  const Assembly& a = in.plan_system;
  if (in.clutch || !a.system || !a.system->wheels) {
    r.because = cannot_say(a.missing_system.empty() ? a.missing_brakes : a.missing_system);
    return r;
  }
  for (const Outlet outlet : {Outlet::primary, Outlet::secondary}) {
    const ChamberUse u = chamber_use(in.plan, *a.system, outlet);
    if (u.front || u.rear) r.chambers.push_back(u);
  }
  for (const Axle axle : {Axle::front, Axle::rear})
    for (const WheelBrake& w : *a.system->wheels)
      if (w.fitted && w.rear == (axle == Axle::rear))
        (w.rear ? r.rear_m3 : r.front_m3) += drawn_m3(in.plan, w);
  // A quarter more: the car leans and brakes.
  r.needs_m3 = 1.25 * (r.front_m3 + r.rear_m3) + in.plan.si(param::master_bellows);
  say_advice(r);
  return r;
}

}  // namespace yoke
