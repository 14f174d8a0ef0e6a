#include "work/bleed_level.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/bleed_kit.hpp"
#include "document/param/master.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "work/bleed_count.hpp"

namespace yoke {

namespace {

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
  r.began_at = r.strokes;
  r.push_m.reset();
  r.push_then_m.reset();
  ++r.ran_dry;
}

/// Counts since it was topped up, by what each of them moved.
double gone_m3(const Job& job, const BleedWheel& at, const std::string& key) {
  const BleedRecord* r = record(job, key);
  if (!r) return 0;
  const BleedWayId way = way_of_word(r->way).value_or(BleedWayId::helper);
  return per_count(at, way).value() * std::max(0, r->strokes - r->topped_at);
}

void add_nipple(const Job& job, const BleedPlan& plan, const BleedWheel& at, const std::string& key,
                std::vector<ChamberLevel>& list) {
  Volume each = per_count(at, plan.way);
  // A helper's stroke at the end may take more than a mark.
  if (plan.way == BleedWayId::vacuum) each = std::max(each, at.per_stroke);
  if (each.value() <= 1e-9) return;
  auto it = std::find_if(list.begin(), list.end(),
                         [&](const ChamberLevel& c) { return c.rises || c.outlet == at.outlet; });
  if (it == list.end()) it = list.insert(list.end(), chamber(job, at.outlet));
  it->per_stroke = each;
  it->typical = it->typical || (!counts_marks(plan.way) && !plan.stroke_rests_on.empty());
  it->gone += Volume{gone_m3(job, at, key)};
}

}  // namespace

std::vector<ChamberLevel> chamber_levels(const Job& job, const BleedPlan& plan) {
  std::vector<ChamberLevel> list;
  if (plan.way == BleedWayId::pressure) return list;
  if (plan.way == BleedWayId::reverse) {
    const Value room = value_of(job, As::plan, param::bleed_room);
    if (!room.known()) return list;
    ChamberLevel c;
    c.rises = true;
    c.holds = Volume{room.si};
    c.typical = !room.settled();
    list.push_back(c);
  }
  for (const BleedWheel& w : plan.wheels)
    add_nipple(job, plan, w, std::string(wheel_key(w.wheel)), list);
  if (plan.slave) add_nipple(job, plan, *plan.slave, "slave", list);
  std::erase_if(list, [](const ChamberLevel& c) { return c.per_stroke.value() <= 0; });
  for (ChamberLevel& c : list) {
    const double left = (c.holds.value() - c.gone.value()) / c.per_stroke.value();
    c.strokes_left = static_cast<int>(std::floor(left + 1e-9));
  }
  return list;
}

const ChamberLevel* level_of(const std::vector<ChamberLevel>& levels, const BleedRow& row) {
  if (!row.planned) return nullptr;
  const auto it = std::find_if(levels.begin(), levels.end(), [&](const ChamberLevel& c) {
    return c.rises || c.outlet == row.planned->outlet;
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

std::vector<std::string> dry_places(const Job& job, const BleedPlan& plan) {
  std::vector<std::string> list;
  for (const auto& [key, r] : job.bleeding)
    if (r.ran_dry > 0 && !is_clear(job, plan, key)) list.push_back(key);
  return list;
}

}  // namespace yoke
