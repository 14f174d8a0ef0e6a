#include "work/expected_pedal.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "assembly/assemble_clutch.hpp"
#include "document/param/symptom.hpp"
#include "feel/feel.hpp"
#include "strip/conditions.hpp"
#include "work/bleed_count.hpp"
#include "work/work_stages.hpp"

namespace yoke {

namespace {

/// A tape and a bathroom scale tell no less.
constexpr double kAlike_m = 0.008;

/// Bled so far: what was not reached is as it was filled.
Condition part_bled(const Job& job, const BleedPlan& plan) {
  Condition c;
  c.assist_alive = false;
  for (const BleedWheel& w : plan.wheels)
    if (!is_clear(job, plan, std::string(wheel_key(w.wheel))))
      (w.outlet == Outlet::primary ? c.air_primary_m3 : c.air_secondary_m3) +=
          kGravityAir * w.branch.value();
  return c;
}

struct Press {
  double travel_m = 0;
  bool to_the_stop = false;
};

std::optional<Press> press(const System& s, const Condition& c, double push_n) {
  const auto model = FeelModel::make(s, c);
  if (!model) return std::nullopt;
  const FeelPoint end = model->at(model->end_drive());
  if (end.pad_force_n < push_n) return Press{end.pad_travel_m, true};
  return Press{model->at(model->drive_for_force(push_n)).pad_travel_m, false};
}

void add(ExpectedPedals& e, const System& s, PedalStage stage, const Message& name,
         const Condition& c) {
  ExpectedPedal p;
  p.stage = stage;
  p.name = name;
  p.air_m3 = c.air_m3 + c.air_primary_m3 + c.air_secondary_m3;
  if (const auto at = press(s, c, e.push_n)) {
    p.travel_m = at->travel_m;
    p.to_the_stop = at->to_the_stop;
  }
  e.stages.push_back(std::move(p));
}

PedalStage stands_at(const Job& job, const BleedPlan& plan) {
  const auto clear = static_cast<std::size_t>(std::count_if(
      plan.wheels.begin(), plan.wheels.end(),
      [&](const BleedWheel& w) { return is_clear(job, plan, std::string(wheel_key(w.wheel))); }));
  if (!plan.wheels.empty() && clear == plan.wheels.size()) return PedalStage::bled;
  if (clear > 0) return PedalStage::part_bled;
  const StepRecord* filled = record_of(job, StepId::fill_fluid);
  if (filled && filled->done) return PedalStage::filled;
  return bench_clear(job) ? PedalStage::bench_bled : PedalStage::dry;
}

void explain_clutch(bool far, bool bled, ExpectedPedals& e) {
  if (far) {
    if (!bled) e.reasons.emplace_back("More air than is usual at this stage: go on bleeding");
    e.reasons.emplace_back("A nipple that is not at the highest place");
    e.reasons.emplace_back("A hose that swells: press again with it clamped off");
    e.reasons.emplace_back("The rod's clearance is larger than set");
  } else {
    e.reasons.emplace_back("The rod is still preloaded, or set too long: the return port is shut");
    e.reasons.emplace_back("The bearing already stands on the fingers: less way than was planned");
  }
}

/// Air that would explain a travel, told only as more or less; the rest in the order of how often
/// it is that. Common practice, no source.
void explain(const Job& job, const ExpectedPedal& now, ExpectedPedals& e) {
  const double off = *e.measured_m - *e.wanted_m;
  if (std::abs(off) <= kAlike_m) {
    const Amount measured = amount(*e.measured_m, Kind::length, 0);
    const Amount wanted = amount(*e.wanted_m, Kind::length, 0);
    e.says = e.rests_on.empty()
                 ? say("Measured {}, expected {}: as it should be", measured, wanted)
                 : say("Measured {}, expected {} by values that nobody measured", measured, wanted);
    return;
  }
  e.says = say("Measured {}, expected {}", amount(*e.measured_m, Kind::length, 0),
               amount(*e.wanted_m, Kind::length, 0));
  const bool bled = now.stage == PedalStage::bled || now.stage == PedalStage::assist_on;
  if (e.clutch) return explain_clutch(off > 0, bled, e);
  if (off > 0) {
    if (!bled) e.reasons.emplace_back("More air than is usual at this stage: go on bleeding");
    if (bled && !bench_clear(job))
      e.reasons.emplace_back("The master was never bled by itself: its air goes through no nipple");
    e.reasons.emplace_back("A nipple that is not at the highest place");
    e.reasons.emplace_back("Drum shoes or pads that stand too far away");
    e.reasons.emplace_back("A flexible hose that swells: clamp it off and press again");
    e.reasons.emplace_back("The rod's clearance or the booster's gap is larger than set");
  } else {
    if (!bled)
      e.reasons.emplace_back(
          "A high pedal before it is bled proves nothing: a large bore stands "
          "high on air as well");
    e.reasons.emplace_back("The engine was off: without vacuum every pedal feels hard and high");
    e.reasons.emplace_back("The return port is shut: the rod holds the piston on");
    e.reasons.emplace_back("A parking brake or a residual valve holds the linings on");
  }
}

void compare(const Job& job, const System& s, Condition now, ExpectedPedals& e) {
  const auto kept = kept_readings(job.readings);
  if (kept.empty()) return;
  const Reading& r = kept.back();
  const auto stage =
      std::find_if(e.stages.begin(), e.stages.end(), [](const ExpectedPedal& p) { return p.now; });
  if (stage == e.stages.end()) return;
  now.assist_alive = r.assist_alive;
  const auto want = press(s, now, r.force_n);
  if (!want) return;
  e.measured_m = r.travel_m;
  e.measured_push_n = r.force_n;
  e.wanted_m = want->travel_m;
  explain(job, *stage, e);
}

/// Pad travel of a clutch at a push on the way down; nothing: it never takes so much.
std::optional<double> clutch_travel(const ClutchSystem& s, double push_n) {
  const auto model = ClutchModel::make(s);
  if (!model) return std::nullopt;
  for (const ClutchPoint& p : model->curve())
    if (p.pad_force_n >= push_n) return p.pad_travel_m;
  return std::nullopt;
}

ExpectedPedal clutch_stage(const Job& job, PedalStage stage, const Message& name, double air_m3) {
  ExpectedPedal p;
  p.stage = stage;
  p.name = name;
  p.air_m3 = air_m3;
  const ClutchAssembly a = assemble_clutch(resolve(job, As::plan), air_m3);
  if (!a.system) return p;
  if (const auto r = clutch_report(*a.system)) {
    p.to_the_stop = !r->releases;
    p.travel_m = r->releases ? r->release.pad_travel_m : r->end.pad_travel_m;
  }
  return p;
}

PedalStage clutch_stands_at(const Job& job, const BleedPlan& plan) {
  if (is_clear(job, plan, "slave")) return PedalStage::bled;
  const StepRecord* filled = record_of(job, StepId::fill_fluid);
  if (filled && filled->done) return PedalStage::filled;
  return bench_clear(job) ? PedalStage::bench_bled : PedalStage::dry;
}

ExpectedPedals expected_clutch(const Job& job, const BleedPlan& plan) {
  ExpectedPedals e;
  e.clutch = true;
  e.title = "How far the pedal goes until the clutch is free";
  e.missing = plan.missing;
  e.rests_on = plan.typical;
  e.rests_on.insert(e.rests_on.end(), plan.stroke_rests_on.begin(), plan.stroke_rests_on.end());
  const ClutchAssembly sound = assemble_clutch(resolve(job, As::plan));
  e.missing.insert(e.missing.end(), sound.missing.begin(), sound.missing.end());
  if (!e.missing.empty() || !sound.system || !plan.slave) return e;
  const double line_m3 = plan.slave->branch.value();
  const Master& m = sound.system->master;
  const double master_m3 = outlet_area(m, false).value() * m.stroke1.value();
  const PedalStage stand = clutch_stands_at(job, plan);
  e.stages = {clutch_stage(job, PedalStage::dry, "Dry", line_m3 + master_m3),
              clutch_stage(job, PedalStage::bench_bled, "Master bled, line dry", line_m3),
              clutch_stage(job, PedalStage::filled, "Filled, not bled", kGravityAir * line_m3),
              clutch_stage(job, PedalStage::bled, "Bled", 0)};
  double air_m3 = 0;
  for (ExpectedPedal& p : e.stages) {
    p.now = p.stage == stand;
    if (p.now) air_m3 = p.air_m3;
  }
  const auto kept = kept_readings(job.readings);
  if (kept.empty()) return e;
  const Reading& r = kept.back();
  const ClutchAssembly now = assemble_clutch(resolve(job, As::plan), air_m3);
  const auto want = now.system ? clutch_travel(*now.system, r.force_n) : std::nullopt;
  if (!want) return e;
  e.measured_m = r.travel_m;
  e.measured_push_n = r.force_n;
  e.wanted_m = *want;
  const auto at =
      std::find_if(e.stages.begin(), e.stages.end(), [](const ExpectedPedal& p) { return p.now; });
  explain(job, *at, e);
  return e;
}

}  // namespace

std::string_view stage_key(PedalStage stage) {
  static constexpr std::string_view keys[] = {"dry",       "bench_bled", "filled",
                                              "part_bled", "bled",       "assist_on"};
  return keys[static_cast<std::size_t>(stage)];
}

ExpectedPedals expected_pedals(const Job& job) {
  ExpectedPedals e;
  e.push_n = value_of(job, As::plan, param::symptom_push).si;
  const BleedPlan plan = bleed_plan(job);
  if (plan.clutch) return expected_clutch(job, plan);
  e.title = say("How far the pedal goes, pressed with {}", amount(e.push_n, Kind::force, 0));
  e.missing = plan.missing;
  e.rests_on = plan.typical;
  e.rests_on.insert(e.rests_on.end(), plan.stroke_rests_on.begin(), plan.stroke_rests_on.end());
  const Assembly a = assemble(job, As::plan);
  if (!e.missing.empty() || plan.refused || !a.system || plan.wheels.empty()) return e;
  const System& s = *a.system;
  const bool boosted = has_assist(job, As::plan);
  const auto of = [&s](WorkStage stage) { return stage_condition(s, stage); };
  const PedalStage stand = stands_at(job, plan);
  const Condition part = part_bled(job, plan);
  add(e, s, PedalStage::dry, "Dry", of(WorkStage::dry));
  add(e, s, PedalStage::bench_bled, "Master bled, lines dry", of(WorkStage::bench_bled));
  add(e, s, PedalStage::filled, "Filled, not bled", of(WorkStage::filled));
  if (stand == PedalStage::part_bled) add(e, s, PedalStage::part_bled, "Bled so far", part);
  add(e, s, PedalStage::bled, boosted ? "Bled, assist used up" : "Bled", of(WorkStage::bled_off));
  if (boosted) add(e, s, PedalStage::assist_on, "Bled, assist working", of(WorkStage::bled_on));
  for (ExpectedPedal& p : e.stages) p.now = p.stage == stand;
  compare(job, s,
          stand == PedalStage::part_bled    ? part
          : stand == PedalStage::dry        ? of(WorkStage::dry)
          : stand == PedalStage::bench_bled ? of(WorkStage::bench_bled)
          : stand == PedalStage::filled     ? of(WorkStage::filled)
                                            : of(WorkStage::bled_off),
          e);
  return e;
}

}  // namespace yoke
