#include "work/bleed_count.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/bleed_car.hpp"
#include "document/param/master.hpp"
#include "document/values.hpp"

namespace yoke {

namespace {

constexpr int kMostCounted = 99999;

struct Word {
  BleedWayId way;
  std::string_view word;
};
constexpr Word kWords[] = {
    {BleedWayId::tubes, "tubes"},       {BleedWayId::plugs, "plugs"},
    {BleedWayId::finger, "finger"},     {BleedWayId::car, "car"},
    {BleedWayId::helper, "helper"},     {BleedWayId::gravity, "gravity"},
    {BleedWayId::pressure, "pressure"}, {BleedWayId::vacuum, "vacuum"},
    {BleedWayId::reverse, "reverse"},   {BleedWayId::connector, "connector"}};

void count(int& n) {
  n = std::min(n + 1, kMostCounted);
}

BleedWayId counted_by(const BleedRecord& r) {
  return way_of_word(r.way).value_or(BleedWayId::helper);
}

/// Counts of another way become as many of this one as moved the same fluid: less of what went
/// through, more of what left the chamber. The row of clear ones begins anew.
void change_way(BleedRecord& r, const BleedWheel& at, BleedWayId way) {
  const double was_m3 = per_count(at, counted_by(r)).value();
  const double is_m3 = per_count(at, way).value();
  r.clear_strokes = 0;
  if (was_m3 <= 0 || is_m3 <= 0) return;
  const auto as_now = [&](int counts) { return std::max(0, counts) * was_m3 / is_m3; };
  const int through = static_cast<int>(std::floor(as_now(r.strokes - r.began_at) + 1e-9));
  const int gone = static_cast<int>(std::ceil(as_now(r.strokes - r.topped_at) - 1e-9));
  r.strokes = std::clamp(std::max({r.strokes, through, gone}), 0, kMostCounted);
  r.began_at = std::max(0, r.strokes - through);
  r.topped_at = std::max(0, r.strokes - gone);
}

ClearLack screw_lack(const Job& job, const std::string& key) {
  const Value v = value_of(job, As::plan, screw_of(key));
  if (!v.settled()) return ClearLack::screw_open;
  return v.as<choice::BleedScrew>() == choice::BleedScrew::low ? ClearLack::screw_low
                                                               : ClearLack::nothing;
}

}  // namespace

bool counts_marks(BleedWayId way) {
  return way == BleedWayId::gravity || way == BleedWayId::pressure || way == BleedWayId::vacuum ||
         way == BleedWayId::reverse;
}

std::string_view way_word(BleedWayId way) {
  return std::find_if(std::begin(kWords), std::end(kWords),
                      [way](const Word& w) { return w.way == way; })
      ->word;
}

std::optional<BleedWayId> way_of_word(std::string_view word) {
  for (const Word& w : kWords)
    if (w.word == word) return w.way;
  return std::nullopt;
}

Volume per_count(const BleedWheel& at, BleedWayId way) {
  return counts_marks(way) ? Volume{kMark_m3} : at.per_stroke;
}

Param screw_of(const std::string& key) {
  if (key == "slave") return param::bleed_slave_screw;
  return !key.empty() && key.front() == 'r' ? param::bleed_rear_screw : param::bleed_front_screw;
}

bool bench_clear(const Job& job) {
  const auto it = job.bleeding.find("bench");
  if (it == job.bleeding.end()) return false;
  const BleedRecord& r = it->second;
  if (chosen_bench(job) == BleedWayId::plugs) return r.push_m && *r.push_m <= kPlugPush_m;
  return r.clear_strokes >= kClearStrokes;
}

ClearState clear_state(const Job& job, const BleedPlan& plan, const std::string& key) {
  ClearState s;
  if (key == "bench") {
    const bool plugs = chosen_bench(job) == BleedWayId::plugs;
    s.lack = bench_clear(job) ? ClearLack::nothing : plugs ? ClearLack::push : ClearLack::bubbles;
    return s;
  }
  const auto it = job.bleeding.find(key);
  const BleedRecord r = it == job.bleeding.end() ? BleedRecord{} : it->second;
  const BleedWayId way = it == job.bleeding.end() ? plan.way : counted_by(r);
  s.counts = std::max(0, r.strokes - r.began_at);
  const BleedWheel* at = planned_at(plan, key);
  const double each_m3 = at ? per_count(*at, way).value() : 0;
  const bool told = at && each_m3 > 0 && at->branch.value() > 0;
  if (told) {
    s.typical = (!counts_marks(way) && !plan.stroke_rests_on.empty()) ||
                std::any_of(plan.typical.begin(), plan.typical.end(),
                            [](Param p) { return p != param::master_reservoir; });
    s.through = Volume{s.counts * each_m3};
    s.wanted = Volume{through_share(plan.way) * at->branch.value()};
    const double left_m3 = s.wanted.value() - s.through.value();
    s.counts_left = std::max(0, static_cast<int>(std::ceil(left_m3 / each_m3 - 1e-9)));
  }
  // The helper's strokes move fluid as well: they begin while the last of it is still in the line.
  const bool vacuum = plan.way == BleedWayId::vacuum && told;
  const double helped_m3 = vacuum ? kClearStrokes * at->per_stroke.value() : 0;
  const bool helper_now = vacuum && s.wanted.value() - s.through.value() <= helped_m3 + 1e-12;
  s.lack = r.clear_strokes < kClearStrokes ? (helper_now ? ClearLack::helper : ClearLack::bubbles)
           : !told                         ? ClearLack::unknown
           : s.counts_left > 0             ? ClearLack::content
           : way == BleedWayId::connector  ? ClearLack::beyond
           : way == BleedWayId::vacuum     ? ClearLack::helper
                                           : screw_lack(job, key);
  return s;
}

bool is_clear(const Job& job, const BleedPlan& plan, const std::string& key) {
  return clear_state(job, plan, key).lack == ClearLack::nothing;
}

void count_stroke(BleedRecord& record, bool bubbles) {
  count(record.strokes);
  if (bubbles)
    record.clear_strokes = 0;
  else
    count(record.clear_strokes);
}

void count_refill(BleedRecord& record) {
  count(record.refills);
  record.topped_at = record.strokes;
}

BleedWayId counted_way(const Job& job, const BleedPlan& plan, const std::string& key,
                       bool bubbles) {
  if (plan.way != BleedWayId::vacuum) return plan.way;
  const bool helper = !bubbles || clear_state(job, plan, key).lack == ClearLack::helper;
  return helper ? BleedWayId::helper : plan.way;
}

void count_at(Job& job, const BleedPlan& plan, const std::string& key, bool bubbles) {
  BleedRecord& r = job.bleeding[key];
  if (key != "bench") {
    const BleedWayId way = counted_way(job, plan, key, bubbles);
    const BleedWheel* at = planned_at(plan, key);
    if (at && counts_marks(way) != counts_marks(counted_by(r))) change_way(r, *at, way);
    r.way = way_word(way);
  }
  count_stroke(r, bubbles);
}

}  // namespace yoke
