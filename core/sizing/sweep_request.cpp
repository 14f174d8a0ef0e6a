#include <algorithm>
#include <cmath>

#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/limits.hpp"
#include "document/param/master.hpp"
#include "master/bores.hpp"
#include "sizing/sweep.hpp"

namespace yoke {

namespace {

/// A usual single vacuum booster of 9 in: common practice, no source.
Booster usual_booster(const Values& v) {
  Booster b;
  const Pressure dp = assemble_vacuum(v).value_or(Pressure{65000.0});
  b.max_assist =
      vacuum_assist(effective_diaphragm(Length{kUsualDiaphragm_m}, Length{0.0}), dp, 0.95);
  return b;
}

std::vector<AssistOption> assist_options(const Job& job) {
  const Values v = resolve(job, As::plan);
  const Assembly a = assemble(v);
  if (!a.system || works_clutch(v)) return {};
  using choice::AssistKind;
  const AssistKind kind = v.choice<param::assist_kind>().value_or(AssistKind::none);
  std::vector<AssistOption> list{
      {"as planned", kind, a.system->assist, a.system->servo, a.system->booster_stroke}};
  const Values found = resolve(job, As::found);
  const auto before = found.choice<param::assist_kind>();
  if (const Assembly f = assemble(found);
      f.system && before && *before != kind && *before != AssistKind::none)
    list.push_back(
        {"as found", *before, f.system->assist, f.system->servo, f.system->booster_stroke});
  if (kind != AssistKind::none)
    list.push_back({"no assist", AssistKind::none, NoAssist{}, std::nullopt, std::nullopt});
  else
    list.push_back(
        {"vacuum, 9 in", AssistKind::vacuum, usual_booster(v), std::nullopt, std::nullopt});
  return list;
}

}  // namespace

SweepRequest default_request(const Job& job) {
  SweepRequest q;
  q.limits = limits_of(job);
  q.assists = assist_options(job);
  const double bore = value_of(job, As::plan, param::master_bore).si;
  const double fitted = value_of(job, As::found, param::master_bore).si;
  // Centred on the fitted bore: the map must stand still while the plan is dragged through it.
  const double centre = fitted > 0                                         ? fitted
                        : bore > 0 && works_clutch(resolve(job, As::plan)) ? bore
                                                                           : 0.0238;
  const auto add_unique = [](std::vector<double>& list, double v, double gap) {
    if (v <= 0) return;
    for (const double o : list)
      if (std::abs(o - v) < gap) return;
    list.push_back(v);
  };
  const Values wishes = resolve(job, As::plan);
  q.preference = wishes.is(choice::TargetPreference::short_) ? Preference::short_travel
                 : wishes.is(choice::TargetPreference::firm) ? Preference::firm
                                                             : Preference::light;
  const auto tried = wishes.choice<param::target_sizes>().value_or(choice::TargetSizes::standard);
  const auto sold = [tried](const BoreSize& b) {
    return tried == choice::TargetSizes::both || b.inch == (tried != choice::TargetSizes::metric);
  };
  if (tried == choice::TargetSizes::any) {
    // Half millimetres: finer than any measurable difference of feel.
    for (int half = static_cast<int>(std::ceil(0.68 * centre / 0.5e-3));
         half * 0.5e-3 < 1.25 * centre; ++half)
      q.bores_m.push_back(half * 0.5e-3);
  } else {
    for (const auto& b : standard_bores())
      if (sold(b) && b.bore_m > 0.68 * centre && b.bore_m < 1.25 * centre)
        q.bores_m.push_back(b.bore_m);
  }
  add_unique(q.bores_m, bore, 3e-5);
  add_unique(q.bores_m, fitted, 3e-5);
  for (int i = 0; i <= 20; ++i) q.ratios.push_back(3.0 + 0.25 * i);
  for (const As w : {As::plan, As::found})
    if (const auto ratio = arm_ratio(job, w)) add_unique(q.ratios, *ratio, 0.06);
  std::sort(q.bores_m.begin(), q.bores_m.end());
  const Value kind = value_of(job, As::plan, param::master_kind);
  const auto plan_ratio = arm_ratio(job, As::plan);
  if (kind.is(choice::MasterKind::twin) && plan_ratio) {
    for (const auto& b : standard_bores())
      if (sold(b) && b.bore_m > 0.55 * centre && b.bore_m < 1.45 * centre)
        q.bores2_m.push_back(b.bore_m);
    add_unique(q.bores2_m, value_of(job, As::plan, param::master_bore2).si, 3e-5);
    std::sort(q.bores2_m.begin(), q.bores2_m.end());
    q.ratios = {*plan_ratio};
  }
  std::sort(q.ratios.begin(), q.ratios.end());
  return q;
}

}  // namespace yoke
