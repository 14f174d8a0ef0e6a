#include "doubt/doubt.hpp"

#include <algorithm>
#include <atomic>
#include <cmath>

#include "doubt/draws.hpp"
#include "proving/estimate.hpp"
#include "quantity/workers.hpp"

namespace yoke {

namespace {

struct Figures {
  bool ok = false;
  bool pass = false;
  PressMargins margins;
  std::array<double, kPressQuantityCount> of{};
  std::array<bool, kPressQuantityCount> unsaid{};
  void cannot_say(PressQuantity f) { unsaid[static_cast<std::size_t>(f)] = true; }
  double& operator[](PressQuantity f) { return of[static_cast<std::size_t>(f)]; }
  double operator[](PressQuantity f) const { return of[static_cast<std::size_t>(f)]; }
};

void add_layers(Figures& f, const TravelBudget& budget) {
  for (std::size_t i = 0; i < kLayerCount; ++i) f[layer_figure(i)] = budget[i];
}

Figures press_figures(const StripInputs& in, ConditionId id) {
  Figures f;
  const Assembly& a = in.assembly(id);
  if (!a.system) return f;
  const auto model = FeelModel::make(*a.system, condition_of(in.plan, id));
  if (!model) return f;
  const TargetReport r = condition_target(id, *model, in.limits);
  f.ok = true;
  f.margins = judge_press(id, *model, r, in.limits).margins;
  f.pass = f.margins.first_failing() == PressRule::none;
  f[PressQuantity::effort] = r.at.pad_force_n;
  f[PressQuantity::travel] = r.at.pad_travel_m;
  f[PressQuantity::reserve_share] = r.reserve_share;
  f[PressQuantity::reserve] = r.reserve_m;
  f[PressQuantity::stiffness] = r.stiffness_n_m;
  f[PressQuantity::pressure] = r.at.pressure_pa;
  f[PressQuantity::rod_force] = r.at.input_force_n;
  f[PressQuantity::stroke] = r.at.stroke_m;
  f[PressQuantity::left1] = r.left1_m;
  f[PressQuantity::left2] = r.left2_m;
  f[PressQuantity::deceleration] = r.at.z;
  f[PressQuantity::piston1] = r.at.piston1_m;
  f[PressQuantity::piston2] = r.at.piston2_m;
  f[PressQuantity::front_pressure] = r.at.front_pa;
  f[PressQuantity::rear_pressure] = r.at.rear_pa;
  add_layers(f, r.budget);
  if (const auto bite = model->drive_for_z(kBite_g))
    f[PressQuantity::bite_travel] = model->at(*bite).pad_travel_m;
  else
    f.cannot_say(PressQuantity::bite_travel);
  const auto lock = model->first_lock_drive();
  f[PressQuantity::lock_z] = model->at(lock.value_or(model->end_drive())).z;
  if (!lock) f.cannot_say(PressQuantity::lock_z);
  if (!a.system->strokes_known)
    for (const auto q : {PressQuantity::left1, PressQuantity::left2}) f.cannot_say(q);
  if (!two_circuits(a.system->master))
    for (const auto q : {PressQuantity::left2, PressQuantity::piston2}) f.cannot_say(q);
  if (!a.system->vehicle) f.cannot_say(PressQuantity::deceleration);
  return f;
}

Figures clutch_figures(const StripInputs& in, ConditionId id) {
  Figures f;
  const ConditionReport c = condition_report(in, id, 0);
  if (!c.target || !c.clutch) return f;
  f.ok = true;
  f.pass = c.faults.empty();
  for (const RuleVerdict& v : c.rules) f.margins.set(v.rule, v.verdict == Verdict::fails ? -1 : 1);
  f[PressQuantity::effort] = c.target->at.pad_force_n;
  f[PressQuantity::travel] = c.target->at.pad_travel_m;
  f[PressQuantity::reserve_share] = c.target->reserve_share;
  f[PressQuantity::reserve] = c.target->reserve_m;
  f[PressQuantity::pressure] = c.target->at.pressure_pa;
  f[PressQuantity::rod_force] = c.target->at.input_force_n;
  f[PressQuantity::stroke] = c.target->at.stroke_m;
  f[PressQuantity::left1] = c.target->left1_m;
  f[PressQuantity::piston1] = c.target->at.piston1_m;
  add_layers(f, c.target->budget);
  f[PressQuantity::bite_travel] = c.clutch->bite.pad_travel_up_m;
  return f;
}

Figures figures_of(const StripInputs& in, ConditionId id) {
  return in.clutch ? clutch_figures(in, id) : press_figures(in, id);
}

std::vector<Sensitivity> sensitivities(const Drawn& d, ConditionId id, const Figures& middle) {
  std::vector<Sensitivity> list;
  const auto w = static_cast<std::size_t>(as_of(id));
  for (const Doubtful& q : d.doubtful[w]) {
    Figures side[2];
    for (int k = 0; k < 2; ++k) {
      Values v[2] = {d.values[0], d.values[1]};
      v[w].set_si(q.param, within_range(q.param, q.si + (k == 0 ? -q.sigma : q.sigma)));
      side[k] = figures_of(strip_inputs(v[0], v[1]), id);
    }
    if (!side[0].ok || !side[1].ok) continue;
    Sensitivity s;
    s.param = q.param;
    for (std::size_t f = 0; f < kPressQuantityCount; ++f)
      s.change[f] = (side[1].of[f] - side[0].of[f]) / 2;
    list.push_back(s);
  }
  const auto weight = [&middle](const Sensitivity& s) {
    return std::abs(s.of(PressQuantity::effort)) / std::max(1.0, middle[PressQuantity::effort]) +
           std::abs(s.of(PressQuantity::travel)) / std::max(1e-3, middle[PressQuantity::travel]);
  };
  std::stable_sort(list.begin(), list.end(), [&](const Sensitivity& a, const Sensitivity& b) {
    return weight(a) > weight(b);
  });
  return list;
}

/// One draw, all conditions pressed with it; written to `out`, one place a condition.
void draw(const Drawn& d, std::span<const ConditionId> ids, std::uint64_t seed, std::size_t sample,
          Figures* out) {
  const auto [found, plan] = drawn_values(d, seed, sample);
  const StripInputs in = strip_inputs(found, plan);
  for (std::size_t c = 0; c < ids.size(); ++c) out[c] = figures_of(in, ids[c]);
}

ConditionDoubt collect(const std::vector<Figures>& all, std::size_t column, std::size_t columns) {
  ConditionDoubt r;
  std::array<std::vector<double>, kPressQuantityCount> figures;
  std::size_t passed = 0;
  std::size_t good = 0;
  for (std::size_t i = column; i < all.size(); i += columns) {
    if (!all[i].ok) {
      ++r.impossible;
      continue;
    }
    ++good;
    passed += all[i].pass ? 1 : 0;
    for (std::size_t k = 0; k < kPressRules; ++k)
      r.fail_share[k] += all[i].margins.fails(static_cast<PressRule>(k)) ? 1.0 : 0.0;
    for (std::size_t f = 0; f < kPressQuantityCount; ++f)
      if (!all[i].unsaid[f]) figures[f].push_back(all[i].of[f]);
  }
  if (good > 0) r.pass_share = static_cast<double>(passed) / static_cast<double>(good);
  for (double& share : r.fail_share) share /= std::max(1.0, static_cast<double>(good));
  for (std::size_t f = 0; f < kPressQuantityCount; ++f) {
    r.bands[f] = band_of(figures[f]);
    r.bands[f].said = 10 * figures[f].size() >= 9 * good && good > 0;
  }
  return r;
}

/// Runs all draws on a pool; false when cancelled.
bool run_draws(const Drawn& d, std::span<const ConditionId> ids, const DoubtRequest& q,
               std::vector<Figures>& all) {
  std::atomic<std::size_t> next{0};
  std::atomic<bool> cancelled{false};
  const auto work = [&](bool tells) {
    constexpr std::size_t kBlock = 50;
    for (std::size_t from = next.fetch_add(kBlock); from < q.samples && !cancelled;
         from = next.fetch_add(kBlock)) {
      for (std::size_t i = from; i < std::min(from + kBlock, q.samples); ++i)
        draw(d, ids, q.seed, i, &all[i * ids.size()]);
      if (tells && q.progress &&
          !q.progress(static_cast<double>(std::min(next.load(), q.samples)) /
                      static_cast<double>(q.samples)))
        cancelled = true;
    }
  };
  return run_workers(q.threads, work) && !cancelled;
}

}  // namespace

const PressQuantityInfo& press_quantity_info(PressQuantity id) {
  static const std::vector<PressQuantityInfo> table = [] {
    std::vector<PressQuantityInfo> t{
        {"effort_N", "Effort", Kind::force, 0},
        {"travel_m", "Travel", Kind::length, 1},
        {"reserve", "Reserve", Kind::fraction, 0},
        {"reserve_m", "Reserve at the pedal", Kind::length, 1},
        {"stiffness_N_m", "Stiffness at the pedal", Kind::spring_rate, 1},
        {"pressure_Pa", "Line pressure", Kind::pressure, 2},
        {"rod_force_N", "Rod force", Kind::force, 0},
        {"stroke_m", "Master stroke", Kind::length, 1},
        {"left1_m", "First piston's stroke left", Kind::length, 1},
        {"left2_m", "Second piston's stroke left", Kind::length, 1},
        {"z_g", "Deceleration", Kind::number, 3},
        {"bite_m", "Travel to bite", Kind::length, 1},
        {"lock_g", "First lock at", Kind::number, 2},
        {"piston1_m", "First piston's stroke used", Kind::length, 1},
        {"piston2_m", "Second piston's stroke used", Kind::length, 1},
        {"front_Pa", "Front wheel pressure", Kind::pressure, 2},
        {"rear_Pa", "Rear wheel pressure", Kind::pressure, 2}};
    for (std::size_t i = 0; i < kLayerCount; ++i) {
      // Keys never change with the words.
      static constexpr const char* kKeys[] = {
          "free_play", "booster", "output_gap", "cut-off", "lining_take-up", "brake_growth",
          "hoses",     "tubes",   "fluid",      "air",     "slave"};
      static_assert(std::size(kKeys) == kLayerCount);
      t.push_back(
          {std::string("layer_") + kKeys[i] + "_m",
           say("Travel eaten by {}", Message::of_table(layer_words(static_cast<TravelLayer>(i)))),
           Kind::length, 1});
    }
    return t;
  }();
  return table[static_cast<std::size_t>(id)];
}

Expected<DoubtReport> doubt(const Job& job, std::span<const ConditionId> ids,
                            const DoubtRequest& q) {
  if (q.samples < 100 || q.samples > 50000)
    return fail({"samples", std::to_string(q.samples), "100 to 50000",
                 "That many draws cannot be made", "4000 are enough for two figures"});
  const Drawn d = doubtful_job(job);
  const StripInputs in = strip_inputs(d.values[0], d.values[1]);
  std::vector<ConditionId> possible;
  std::vector<Figures> middle;
  DoubtReport r;
  r.samples = q.samples;
  for (const ConditionId id : ids) {
    ConditionDoubt c;
    c.id = id;
    const Figures f = figures_of(in, id);
    if (f.ok) {
      possible.push_back(id);
      middle.push_back(f);
    } else {
      c.because = condition_report(in, id, 0).reason;
      if (c.because.empty()) c.because = "Cannot say yet";
    }
    r.conditions.push_back(c);
  }
  if (possible.empty())
    return fail({"job", "", "",
                 r.conditions.empty() ? Message("No condition") : r.conditions[0].because,
                 "Enter what is missing in Survey"});
  std::vector<Figures> all(q.samples * possible.size());
  if (!run_draws(d, possible, q, all))
    return fail({"samples", "", "", "The run was cancelled, or found no memory",
                 "Start it again when you like"});
  std::size_t column = 0;
  for (ConditionDoubt& c : r.conditions) {
    if (!c.because.empty()) continue;
    const ConditionId id = c.id;
    c = collect(all, column, possible.size());
    c.id = id;
    c.ranked = sensitivities(d, id, middle[column]);
    ++column;
  }
  return r;
}

Expected<ConditionDoubt> doubt(const Job& job, ConditionId id, const DoubtRequest& q) {
  auto r = doubt(job, std::span(&id, 1), q);
  if (!r) return fail(r.error());
  return std::move(r->conditions.front());
}

std::vector<Sensitivity> sensitivities(const Job& job, ConditionId id) {
  const Drawn d = doubtful_job(job);
  const Figures middle = figures_of(strip_inputs(d.values[0], d.values[1]), id);
  return middle.ok ? sensitivities(d, id, middle) : std::vector<Sensitivity>{};
}

Expected<CurveBand> curve_band(const Job& job, ConditionId id, std::span<const double> forces_n,
                               const DoubtRequest& q) {
  const Drawn d = doubtful_job(job);
  const auto w = static_cast<std::size_t>(as_of(id));
  std::vector<std::vector<double>> travels(forces_n.size());
  std::size_t made = 0;
  for (std::size_t i = 0; i < q.samples; ++i) {
    Values v = d.values[w];
    for (const Doubtful& f : d.doubtful[w])
      v.set_si(f.param,
               within_range(f.param, f.si + counter_normal(q.seed, f.stream, i) * f.sigma));
    const Assembly a = assemble(v);
    if (!a.system) continue;
    const auto model = FeelModel::make(*a.system, condition_of(v, id));
    if (!model) continue;
    ++made;
    for (std::size_t k = 0; k < forces_n.size(); ++k)
      if (const auto t = predicted_travel_m(*model, forces_n[k])) travels[k].push_back(*t);
    if (q.progress && !q.progress(static_cast<double>(i) / static_cast<double>(q.samples)))
      return fail({"samples", "", "", "The run was cancelled, or found no memory",
                   "Start it again when you like"});
  }
  CurveBand band;
  for (std::size_t k = 0; k < forces_n.size(); ++k) {
    if (travels[k].size() * 10 < made * 9 || travels[k].empty()) {
      if (band.force_n.empty()) continue;  // still below what moves the pedal
      break;
    }
    band.force_n.push_back(forces_n[k]);
    band.travel_m.push_back(band_of(travels[k]));
  }
  if (band.force_n.empty())
    return fail({"job", "", "", "No press can be computed", "Enter what is missing in Survey"});
  return band;
}

}  // namespace yoke
