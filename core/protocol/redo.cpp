#include "protocol/redo.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/bores.hpp"
#include "proving/fault.hpp"
#include "proving/gates.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

constexpr double kLikely = 0.1;
constexpr std::size_t kMost = 3;

struct Mending {
  Cause cause;
  Stage stage;
  StepId steps[3];  ///< the first that this job has
  const char* what;
};
/// `own` stands for no step.
constexpr Mending kMendings[] = {
    {Cause::air_primary, Stage::bleed, {StepId::own}, "Bleed outlet 1's nipples again"},
    {Cause::air_secondary, Stage::bleed, {StepId::own}, "Bleed outlet 2's nipples again"},
    {Cause::drums_out,
     Stage::install,
     {StepId::wheels_rear, StepId::wheels_front, StepId::own},
     "Adjust the shoes until they just drag, then back off"},
    {Cause::knock_back,
     Stage::install,
     {StepId::wheels_front, StepId::wheels_rear, StepId::own},
     "Look at disc and bearing by a dial gauge; true what wobbles"},
    {Cause::soft_hoses,
     Stage::install,
     {StepId::lines_hoses, StepId::own},
     "Renew the hoses, and bleed what was opened"},
    {Cause::rod_short,
     Stage::install,
     {StepId::rod_clearance, StepId::rod_length, StepId::own},
     "Set the rod to its play"},
    {Cause::rod_long,
     Stage::install,
     {StepId::rod_clearance, StepId::rod_length, StepId::own},
     "Shorten the rod until it has its play"},
    {Cause::bypass,
     Stage::install,
     {StepId::rebuild_cups, StepId::mount_unit, StepId::own},
     "Rebuild the master or fit a good one, then bleed all of it"},
    {Cause::leak,
     Stage::install,
     {StepId::fill_weep, StepId::lines_tight, StepId::own},
     "Find the wet joint, make it again, then bleed what was opened"},
    {Cause::weak_assist,
     Stage::install,
     {StepId::assist_hose, StepId::assist_vacuum, StepId::own},
     "Gauge the vacuum at the booster; look at check valve and hose"},
    {Cause::wrong_bore, Stage::survey, {StepId::own}, "Measure the bore of the master again"},
    {Cause::residual_missing,
     Stage::install,
     {StepId::lines_valve, StepId::own},
     "Fit the residual valve, and bleed that line"},
    {Cause::front_blocked,
     Stage::install,
     {StepId::lines_trace, StepId::lines_hoses, StepId::own},
     "Open the front line piece by piece until fluid runs"},
    {Cause::rear_blocked,
     Stage::install,
     {StepId::lines_trace, StepId::lines_hoses, StepId::own},
     "Open the rear line piece by piece until fluid runs"},
    {Cause::pivot_wear,
     Stage::install,
     {StepId::out_bushes, StepId::mount_pedal, StepId::own},
     "Bush the pivot, renew the pin"},
    {Cause::dead_stroke,
     Stage::install,
     {StepId::rebuild_cups, StepId::mount_unit, StepId::own},
     "Rebuild the master or fit a good one, then bleed all of it"},
    {Cause::valve_sticks,
     Stage::install,
     {StepId::mount_booster, StepId::assist_hose, StepId::own},
     "Overhaul or renew the booster"},
    {Cause::crossed,
     Stage::install,
     {StepId::lines_start, StepId::lines_join, StepId::own},
     "Swap the lines at the master, then bleed both circuits"},
    {Cause::worn_cup,
     Stage::install,
     {StepId::rebuild_cups, StepId::mount_unit, StepId::own},
     "Rebuild the master or fit a good one, then bleed all of it"}};

/// Gates that rest on what was bled.
bool rests_on_fluid(const Job& job, GateId id) {
  Job bled;
  bled.bleeding = job.bleeding;
  bled.bleeding["fl"];
  const auto rests = rests_on(bled, id);
  return std::any_of(rests.begin(), rests.end(),
                     [](const auto& r) { return r.first.rfind("bled:", 0) == 0; });
}

void add_opened(const Job& job, const std::vector<GateId>& touched, bool wet, Redo& r) {
  std::vector<GateId> gates = touched;
  if (wet) {
    gates.push_back(GateId::bled);
    for (const GateId id : all_ids<GateId>())
      if (rests_on_fluid(job, id)) gates.push_back(id);
  }
  std::sort(gates.begin(), gates.end());
  gates.erase(std::unique(gates.begin(), gates.end()), gates.end());
  for (const Gate& g : gates_of(job, {}, {}))
    if (std::binary_search(gates.begin(), gates.end(), g.id)) r.opens.push_back(g.words);
}

std::string first_nipple(const Job& job, Cause cause) {
  const Outlet outlet = cause == Cause::air_primary ? Outlet::primary : Outlet::secondary;
  const BleedPlan plan = bleed_plan(job);
  if (plan.clutch) return "slave";
  for (const BleedWheel& w : plan.wheels)
    if (w.outlet == outlet) return std::string(wheel_key(w.wheel));
  return {};
}

bool is_air(Cause c) {
  return c == Cause::air_primary || c == Cause::air_secondary;
}

Redo redo_of(const Job& job, const std::vector<Step>& steps, const Hypothesis& h, Cause cause) {
  Redo r;
  r.cause = cause;
  r.weight = h.weight;
  const bool first = cause == h.cause;
  const Message& size = first ? h.size_words : h.second_words;
  const Message words = Message::of_table(cause_words(cause));
  r.fault = size.empty() ? words : say("{}, {}", words, size);
  const auto m = std::find_if(std::begin(kMendings), std::end(kMendings),
                              [cause](const Mending& x) { return x.cause == cause; });
  if (m == std::end(kMendings)) return r;
  r.what = m->what;
  r.stage = m->stage;
  if (is_air(cause)) r.nipple = first_nipple(job, cause);
  if (cause == Cause::wrong_bore) r.look = param::master_bore;
  std::vector<GateId> touched;
  for (const StepId id : m->steps) {
    if (id == StepId::own || !r.step.empty()) break;
    for (const Step& s : steps)
      if (s.id == id) {
        r.step = s.key;
        touched = s.touches;
      }
  }
  const bool dry = cause == Cause::rod_short || cause == Cause::pivot_wear ||
                   cause == Cause::wrong_bore || cause == Cause::weak_assist ||
                   cause == Cause::valve_sticks || cause == Cause::drums_out ||
                   cause == Cause::rod_long || cause == Cause::knock_back;
  add_opened(job, touched, !dry, r);
  return r;
}

}  // namespace

Diagnosis diagnosis_of(const Job& job) {
  const Assembly a = assemble(job, As::plan);
  Diagnosis d;
  if (!a.system) {
    d.refusal = cannot_say(a.missing_system);
    return d;
  }
  return diagnose(*a.system, kept_readings(job.readings), job.pump,
                  bore_is_known(resolve(job, As::plan)));
}

std::vector<Redo> redo_for(const Job& job, const Diagnosis& d) {
  std::vector<Redo> list;
  if (!d.refusal.empty()) return list;
  const std::vector<Step> steps = install_steps(job);
  const auto has = [&list](Cause c) {
    return std::any_of(list.begin(), list.end(), [c](const Redo& r) { return r.cause == c; });
  };
  for (const Hypothesis& h : d.ranked) {
    if (h.weight < kLikely) break;
    for (const Cause c : {h.cause, h.second.value_or(Cause::none)})
      if (c != Cause::none && !has(c) && list.size() < kMost)
        list.push_back(redo_of(job, steps, h, c));
  }
  return list;
}

}  // namespace yoke
