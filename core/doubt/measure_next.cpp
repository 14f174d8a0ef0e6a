#include "doubt/measure_next.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/arms.hpp"
#include "document/param/bores.hpp"

namespace yoke {

namespace {

constexpr std::size_t kMost = 20;

/// Standard uncertainty that a good measurement leaves.
double best_sigma(Param p, double si) {
  return default_uncertainty_si(How::calliper, info(p).kind, si) / kCoverage;
}

/// The sheet in which a value would be entered: the plan's own, or the fitted one it took.
As sheet_of(const Job& job, As which, Param p) {
  return which == As::plan && value_of(job, which, p).inherited ? As::found : which;
}

void add_blocking(const Job& job, As which, std::vector<NextMeasure>& list) {
  const Assembly a = assemble(job, which);
  const auto add = [&](const std::vector<Param>& missing, const char* buys) {
    for (const Param p : missing) {
      NextMeasure n;
      n.which = which;
      n.param = p;
      n.blocks = true;
      n.buys = missing.size() == 1 ? say("with it: {}", buys)
                                   : say("with it and {} more: {}", missing.size() - 1, buys);
      list.push_back(std::move(n));
    }
  };
  add(a.missing_system, "effort at a pressure");
  add(a.missing_brakes, "travel, reserve, circuits lost");
  add(a.missing_vehicle, "deceleration, lock order, holding");
  if (a.system && !a.system->strokes_known && a.missing_brakes.empty())
    add({param::master_stroke1, param::master_stroke2}, "whether the bore's end is reached");
}

void add_narrowing(const Job& job, As which, std::vector<NextMeasure>& list) {
  const ConditionId id = which == As::found ? ConditionId::found : ConditionId::plan;
  const Values values = resolve(job, which);
  std::vector<NextMeasure> mine;
  double most = 0;
  for (const Sensitivity& s : sensitivities(job, id)) {
    const Value& v = values.at(s.param);
    const double sigma = v.uncertainty_si / kCoverage;
    const double best = best_sigma(s.param, v.si);
    if (sigma <= best || !relevant(job, which, s.param)) continue;
    const double share = std::sqrt(1 - best * best / (sigma * sigma));
    NextMeasure n;
    n.which = sheet_of(job, which, s.param);
    n.param = s.param;
    n.effort_n = std::abs(s.of(PressQuantity::effort)) * share;
    n.travel_m = std::abs(s.of(PressQuantity::travel)) * share;
    n.buys = say("narrows effort by ±{}, travel by ±{}", force(2 * n.effort_n),
                 length(2 * n.travel_m, 1));
    most = std::max(most, n.effort_n);
    mine.push_back(std::move(n));
  }
  const ConditionReport r = condition_report(job, id, 0);
  const double effort = r.target ? std::max(1.0, r.target->at.pad_force_n) : 1;
  const double travel = r.target ? std::max(1e-3, r.target->at.pad_travel_m) : 1e-3;
  const auto weight = [&](const NextMeasure& n) {
    return n.effort_n / effort + n.travel_m / travel;
  };
  std::erase_if(mine, [&](const NextMeasure& n) { return weight(n) < 0.002; });
  std::stable_sort(mine.begin(), mine.end(), [&](const NextMeasure& x, const NextMeasure& y) {
    return weight(x) > weight(y);
  });
  list.insert(list.end(), mine.begin(), mine.end());
}

/// With two bores and two ratios alone: what the force factor hangs on.
void add_factor(const Job& job, std::vector<NextMeasure>& list) {
  struct Term {
    Param param;
    double power;
  };
  constexpr Term kTerms[] = {
      {param::master_bore, 2}, {param::control_pad_arm, 1}, {param::control_pin_arm, 1}};
  std::vector<std::pair<double, NextMeasure>> mine;
  for (const As w : {As::found, As::plan})
    for (const Term& t : kTerms) {
      const Value v = value_of(job, w, t.param);
      // An arm that both share cancels out.
      if (!v.known() || v.si <= 0 || (w == As::plan && v.inherited)) continue;
      if (t.param != param::master_bore && value_of(job, As::plan, t.param).inherited) continue;
      const double sigma = v.uncertainty_si / kCoverage;
      const double best = best_sigma(t.param, v.si);
      if (sigma <= best) continue;
      const double share = t.power * std::sqrt(sigma * sigma - best * best) / v.si;
      NextMeasure n;
      n.which = w;
      n.param = t.param;
      n.buys = say("narrows the force factor by ±{} %", Plain{200 * share, 1});
      mine.emplace_back(share, std::move(n));
    }
  std::stable_sort(mine.begin(), mine.end(),
                   [](const auto& a, const auto& b) { return a.first > b.first; });
  for (auto& [share, n] : mine) list.push_back(std::move(n));
}

}  // namespace

std::vector<NextMeasure> measure_next(const Job& job, As which) {
  std::vector<NextMeasure> list;
  add_blocking(job, which, list);
  const std::size_t blocked = list.size();
  add_narrowing(job, which, list);
  if (list.size() == blocked) {
    std::vector<NextMeasure> factor;
    add_factor(job, factor);
    // What sharpens the only answer there is stands before what opens another.
    list.insert(list.begin(), factor.begin(), factor.end());
  }
  if (list.size() > kMost) list.resize(kMost);
  return list;
}

std::optional<NextMeasure> next_to_measure(const Job& job, As which, std::optional<Param> after) {
  const auto list = measure_next(job, which);
  if (list.empty()) return std::nullopt;
  const auto it = std::find_if(list.begin(), list.end(),
                               [&](const NextMeasure& n) { return after && n.param == *after; });
  if (it == list.end() || it + 1 == list.end()) return list.front();
  return *(it + 1);
}

}  // namespace yoke
