#include "work/reserve_check.hpp"

#include <algorithm>
#include <cmath>

#include "assist/reserve.hpp"
#include "document/param/assist.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/supply.hpp"
#include "document/values.hpp"

namespace yoke {

namespace {

/// A pump's own time with a third on top; an engine's by what is usual.
double wanted_back_s(const Values& v, const ReserveStops& r) {
  const VacuumPump pump{v.si(param::supply_pump_flow), Pressure{v.si(param::supply_pump_ultimate)}};
  if (pump.flow_m3_s <= 0 || !r.difference || !r.ambient) return kBackByEngine_s;
  const auto time =
      pump_down_time(pump, r.volume, *r.ambient, *r.ambient - *r.difference, *r.ambient);
  return time && *time ? (*time)->value() * 4 / 3 : kBackByEngine_s;
}

bool rests_on_typical(const Job& job, const ReserveStops& r) {
  const auto open = [&job](std::initializer_list<Param> list) {
    return std::any_of(list.begin(), list.end(),
                       [&job](Param p) { return !value_of(job, As::plan, p).settled(); });
  };
  return r.difference ? open({param::assist_diaphragm1, param::supply_vacuum_volume})
                      : open({param::supply_accu_precharge, param::supply_accu_volume,
                              param::supply_accu_charge, param::assist_power_area});
}

}  // namespace

ReserveCheck reserve_check(const Job& job, const ReserveStops& r) {
  ReserveCheck c;
  if (!r.stored) return c;
  c.predicted = r.helped;
  c.typical = rests_on_typical(job, r);
  const Value counted = value_of(job, As::plan, param::bleed_presses);
  if (counted.settled()) {
    c.counted = static_cast<int>(std::lround(counted.si));
    c.wrong = c.predicted && *c.counted < *c.predicted - kCountDoubt;
    c.says = !c.predicted ? Message("cannot be predicted yet")
             : c.wrong    ? say("predicted {}: valve, hose or store leaks", *c.predicted)
             : c.typical  ? say("predicted {} by values that nobody measured", *c.predicted)
                          : say("predicted {}", *c.predicted);
  }
  const Value back = value_of(job, As::plan, param::bleed_refill);
  if (back.settled() && r.difference) {
    c.back_s = back.si;
    c.back_wanted_s = wanted_back_s(resolve(job, As::plan), r);
    c.slow = back.si > *c.back_wanted_s;
    const Amount wanted = amount(*c.back_wanted_s, Kind::time, 0);
    c.back_says =
        c.slow ? say("{} at most: look for the smallest hole in hose, nipple and valve", wanted)
               : say("{} at most", wanted);
  }
  return c;
}

ReserveCheck reserve_check(const Job& job) {
  return reserve_check(job, reserve_stops(strip_inputs(job)));
}

}  // namespace yoke
