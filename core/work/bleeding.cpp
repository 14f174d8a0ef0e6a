#include "work/bleeding.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/vehicle.hpp"
#include "work/bleed_level.hpp"
#include "work/bleed_methods.hpp"
#include "work/bleed_order.hpp"
#include "work/facts.hpp"

namespace yoke {

namespace {

/// How far the rod goes before the pad's own stop, less what is lost before the pistons move; the
/// closed circuit's piston moves by about its cut-off only. Nothing: the pedal cannot be said.
std::optional<double> rod_left_m(const System& s) {
  const auto k = Kinematics::make(s.control);
  if (!k) return std::nullopt;
  const double before = std::max(0.0, s.control.rod_clearance.value()) +
                        assist_lost_travel(s.assist, false).value() +
                        std::max(0.0, assist_gap(s.assist).value());
  return k->rod_travel(k->limit()).value() - before - lost_stroke(s.master).value();
}

/// Fluid one full press moves through an open nipple of a circuit.
double per_stroke_m3(const System& s, Outlet outlet, const std::optional<double>& rod_left) {
  const Master& m = s.master;
  const bool first = outlet == Outlet::primary;
  const double stroke_m = first ? m.stroke1.value() : m.stroke2.value();
  const double cutoff_m = first ? primary_cutoff(m).value() : m.cutoff2.value();
  const double moved_m = std::min(stroke_m - cutoff_m, rod_left.value_or(stroke_m));
  return std::max(0.0, moved_m) * outlet_area(m, !first).value();
}

}  // namespace

namespace {

BleedPlan clutch_plan(const Values& v) {
  BleedPlan plan;
  plan.clutch = true;
  plan.rounds = 1;
  plan.order_reason =
      "One line, master to slave: take off whatever preloads the rod while bleeding, as the maker "
      "says; only hand pressure on a closed quick connector; set the rod back to its shortest";
  const ClutchAssembly a = assemble_clutch(v);
  double line_m3 = 0;
  if (a.system)
    line_m3 = (tube_content(a.system->tube) + hose_content(a.system->hose)).value() +
              a.system->unit.area.value() * 0.02;
  plan.fluid = Volume{2 * v.si(param::master_reservoir) + 3 * line_m3};
  return plan;
}

}  // namespace

BleedPlan bleed_plan(const Job& job) {
  const Values v = resolve(job, As::plan);
  if (works_clutch(v)) return clutch_plan(v);
  BleedPlan plan;
  const Assembly a = assemble(v);
  plan.missing = a.missing_system;
  plan.missing.insert(plan.missing.end(), a.missing_brakes.begin(), a.missing_brakes.end());
  if (a.system && !a.system->strokes_known) {
    plan.missing.push_back(param::master_stroke1);
    if (two_circuits(a.system->master)) plan.missing.push_back(param::master_stroke2);
  }
  const BleedOrder order = bleed_order(job);
  plan.missing.insert(plan.missing.end(), order.missing.begin(), order.missing.end());
  plan.order_reason = order.reason;
  plan.before = order.before;
  plan.after = order.after;
  plan.refused = order.refused;
  if (!plan.missing.empty() || plan.refused || !a.system || !a.system->wheels) return plan;

  for (const Param p : {param::front_tube, param::front_hose, param::rear_tube, param::rear_hose,
                        param::master_reservoir})
    if (value_of(job, As::plan, p).origin == Origin::typical) plan.typical.push_back(p);
  const System& s = *a.system;
  const double chamber_m3 = value_of(job, As::plan, param::master_reservoir).si;
  double total_m3 = 2 * chamber_m3;
  const auto rod_left = rod_left_m(s);
  std::vector<Param> moved{param::master_bore, param::master_stroke1};
  if (two_circuits(s.master)) moved.push_back(param::master_stroke2);
  // The pad's own stop decides only where it comes first.
  if (rod_left && *rod_left < s.master.stroke1.value()) moved.push_back(param::control_pad_stop);
  for (const Param p : moved)
    if (!value_of(job, As::plan, p).settled()) plan.stroke_rests_on.push_back(p);
  const double share = old_unit_stays(job) ? kOldUnitShare : 1;
  for (const Wheel w : order.wheels) {
    const WheelBrake& brake = (*s.wheels)[static_cast<size_t>(w)];
    if (!brake.fitted) continue;
    BleedWheel b;
    b.wheel = w;
    b.outlet = brake.outlet;
    b.branch = branch_content(brake);
    const double stroke_m3 = share * per_stroke_m3(s, brake.outlet, rod_left);
    b.per_stroke = Volume{stroke_m3};
    if (stroke_m3 > 1e-9) {
      b.strokes = static_cast<int>(std::ceil(1.5 * b.branch.value() / stroke_m3));
      // A quarter of the chamber stays: the level must never come near the port.
      b.refill_every = std::max(1, static_cast<int>(std::floor(0.75 * chamber_m3 / stroke_m3)));
      b.refills = (b.strokes - 1) / b.refill_every;
      total_m3 += plan.rounds * b.strokes * stroke_m3;
    }
    plan.wheels.push_back(b);
  }
  plan.fluid = Volume{total_m3};
  return plan;
}

namespace {

BleedRow row_of(const Job& job, std::string key) {
  BleedRow r;
  r.key = std::move(key);
  if (const auto it = job.bleeding.find(r.key); it != job.bleeding.end()) r.done = it->second;
  r.state = is_clear(job, r.key) ? BleedState::clear
            : r.done.strokes > 0 ? BleedState::counting
                                 : BleedState::not_begun;
  return r;
}

BleedRow wheel_row(const Job& job, Wheel wheel) {
  BleedRow r = row_of(job, std::string(wheel_key(wheel)));
  r.wheel = wheel;
  return r;
}

}  // namespace

std::vector<BleedRow> bleed_rows(const Job& job, const BleedPlan& plan) {
  std::vector<BleedRow> rows{row_of(job, "bench")};
  if (plan.clutch) {
    rows.push_back(row_of(job, "slave"));
    return rows;
  }
  if (plan.wheels.empty())
    for (const Wheel w : kWheels)
      if (const Values v = resolve(job, As::plan); works_axle(v, axle_of(w)))
        rows.push_back(wheel_row(job, w));
  const auto levels = chamber_levels(job, plan);
  for (const BleedWheel& w : plan.wheels) {
    BleedRow r = wheel_row(job, w.wheel);
    r.planned = w;
    if (const ChamberLevel* level = level_of(levels, r)) r.refill_due = level->warn();
    rows.push_back(std::move(r));
  }
  return rows;
}

bool is_clear(const Job& job, const std::string& key) {
  const auto it = job.bleeding.find(key);
  if (it == job.bleeding.end()) return false;
  const BleedRecord& r = it->second;
  if (key == "bench" && chosen_bench(job) == BleedWayId::plugs)
    return r.push_m && *r.push_m <= kPlugPush_m;
  return r.clear_strokes >= kClearStrokes;
}

bool bench_asked(const Job& job) {
  const auto it = job.bleeding.find("bench");
  return work_facts(job).unit_on || (it != job.bleeding.end() && it->second.ran_dry > 0);
}

bool all_bled(const Job& job) {
  // A master that drew air is bled again before anything counts.
  if (!dry_places(job).empty()) return false;
  const BleedPlan plan = bleed_plan(job);
  const auto rows = bleed_rows(job, plan);
  const auto nipples =
      std::count_if(rows.begin(), rows.end(), [](const BleedRow& r) { return r.key != "bench"; });
  return plan.missing.empty() && nipples > 0 &&
         clear_nipples(rows) == static_cast<std::size_t>(nipples);
}

std::size_t clear_nipples(const std::vector<BleedRow>& rows) {
  return static_cast<std::size_t>(std::count_if(rows.begin(), rows.end(), [](const BleedRow& r) {
    return r.key != "bench" && r.state == BleedState::clear;
  }));
}

namespace {
constexpr int kMostCounted = 99999;
void count(int& n) {
  n = std::min(n + 1, kMostCounted);
}
}  // namespace

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

}  // namespace yoke
