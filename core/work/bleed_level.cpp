#include "work/bleed_level.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/master.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "work/bleed_methods.hpp"

namespace yoke {

namespace {

bool by_strokes(const Job& job) {
  const auto way = chosen_way(job);
  return !way || way == BleedWayId::helper || way == BleedWayId::connector;
}

const BleedRecord* record(const Job& job, const std::string& key) {
  const auto it = job.bleeding.find(key);
  return it == job.bleeding.end() ? nullptr : &it->second;
}

ChamberLevel chamber(const Job& job, Outlet o) {
  ChamberLevel c;
  c.outlet = o;
  const Value second = value_of(job, As::plan, param::unit_chamber2);
  const Value first = value_of(job, As::plan, param::master_reservoir);
  const Value& v = o == Outlet::secondary && second.known() ? second : first;
  c.holds = Volume{v.si};
  c.typical = !v.settled();
  return c;
}

void draw_air(Job& job, const std::string& key) {
  BleedRecord& r = job.bleeding[key];
  r.clear_strokes = 0;
  r.push_m.reset();
  r.push_then_m.reset();
  ++r.ran_dry;
}

}  // namespace

std::vector<ChamberLevel> chamber_levels(const Job& job, const BleedPlan& plan) {
  std::vector<ChamberLevel> list;
  if (plan.clutch || !by_strokes(job)) return list;
  for (const BleedWheel& w : plan.wheels) {
    if (w.per_stroke.value() <= 1e-9) continue;
    auto it = std::find_if(list.begin(), list.end(),
                           [&](const ChamberLevel& c) { return c.outlet == w.outlet; });
    if (it == list.end()) it = list.insert(list.end(), chamber(job, w.outlet));
    it->per_stroke = w.per_stroke;
    it->typical = it->typical || !plan.stroke_rests_on.empty();
    if (const BleedRecord* r = record(job, std::string(wheel_key(w.wheel))))
      it->gone += w.per_stroke * static_cast<double>(std::max(0, r->strokes - r->topped_at));
  }
  for (ChamberLevel& c : list) {
    const double left = (c.holds.value() - c.gone.value()) / c.per_stroke.value();
    c.strokes_left = static_cast<int>(std::floor(left + 1e-9));
  }
  return list;
}

const ChamberLevel* level_of(const std::vector<ChamberLevel>& levels, const BleedRow& row) {
  if (!row.planned) return nullptr;
  const auto it = std::find_if(levels.begin(), levels.end(), [&](const ChamberLevel& c) {
    return c.outlet == row.planned->outlet;
  });
  return it == levels.end() ? nullptr : &*it;
}

void top_up(Job& job, const std::string& key) {
  for (auto& [place, r] : job.bleeding) r.topped_at = r.strokes;
  count_refill(job.bleeding[key]);
}

void ran_dry(Job& job, const BleedPlan& plan, const std::string& key) {
  std::vector<std::string> places{"bench", key};
  const auto at = std::find_if(plan.wheels.begin(), plan.wheels.end(),
                               [&](const BleedWheel& w) { return wheel_key(w.wheel) == key; });
  for (const BleedWheel& w : plan.wheels)
    if (at != plan.wheels.end() && w.outlet == at->outlet && w.wheel != at->wheel)
      places.emplace_back(wheel_key(w.wheel));
  std::sort(places.begin(), places.end());
  places.erase(std::unique(places.begin(), places.end()), places.end());
  for (const std::string& p : places) draw_air(job, p);
}

std::vector<std::string> dry_places(const Job& job) {
  std::vector<std::string> list;
  for (const auto& [key, r] : job.bleeding)
    if (r.ran_dry > 0 && !is_clear(job, key)) list.push_back(key);
  return list;
}

}  // namespace yoke
