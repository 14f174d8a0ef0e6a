#include "work/bleeding.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble_clutch.hpp"
#include "assembly/choice_map.hpp"
#include "clutch/clutch.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/vehicle.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
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

/// Counts and refills of a nipple in the plan's way, of a chamber that holds so much.
void count_out(BleedWheel& b, BleedWayId way, double chamber_m3) {
  const double count_m3 = per_count(b, way).value();
  if (count_m3 <= 1e-9) return;
  b.strokes = static_cast<int>(std::ceil(through_share(way) * b.branch.value() / count_m3));
  // A quarter of the chamber stays: the level must never come near the port.
  b.refill_every = std::max(1, static_cast<int>(std::floor(0.75 * chamber_m3 / count_m3)));
  b.refills = (b.strokes - 1) / b.refill_every;
}

/// Of values that a press moves by, those that nobody measured.
void rest_on(const Job& job, std::initializer_list<Param> moved, BleedPlan& plan) {
  for (const Param p : moved)
    if (!value_of(job, As::plan, p).settled()) plan.stroke_rests_on.push_back(p);
}

/// Fluid behind a slave's piston, as it is bled: it stands half out. Common practice, no source.
constexpr double kSlaveDepth_m = 0.02;

std::optional<BleedWheel> slave_nipple(const Values& v, BleedPlan& plan) {
  std::vector<Param> control_missing;
  const Control control = assemble_control(v, control_missing);
  bool stroke_known = false;
  const Master m = assemble_master(v, plan.missing, stroke_known);
  if (!stroke_known) plan.missing.push_back(param::master_stroke1);
  for (const Param p : {param::clutch_kind, param::clutch_slave_bore})
    if (!v.known(p)) plan.missing.push_back(p);
  const bool push = v.is(choice::ClutchKind::push);
  if (!push && v.known(param::clutch_kind) && !v.known(param::clutch_slave_inner))
    plan.missing.push_back(param::clutch_slave_inner);
  if (!plan.missing.empty()) return std::nullopt;
  double moved_m = m.stroke1.value() - primary_cutoff(m).value();
  if (control_missing.empty())
    if (const auto k = Kinematics::make(control))
      moved_m = std::min(moved_m, k->rod_travel(k->limit()).value() -
                                      std::max(0.0, control.rod_clearance.value()) -
                                      lost_stroke(m).value());
  const Area area =
      slave_area(slave_kind(v.choice<param::clutch_kind>()), Length{v.si(param::clutch_slave_bore)},
                 Length{push ? 0.0 : v.si(param::clutch_slave_inner)});
  const auto [tube, hose] = clutch_line(v);
  BleedWheel b;
  b.branch = tube_content(tube) + hose_content(hose) + Volume{area.value() * kSlaveDepth_m};
  b.per_stroke = Volume{std::max(0.0, moved_m) * outlet_area(m, false).value()};
  return b;
}

BleedPlan clutch_plan(const Job& job, const Values& v) {
  BleedPlan plan;
  plan.clutch = true;
  plan.rounds = 1;
  plan.way = chosen_way(job).value_or(BleedWayId::helper);
  plan.order_reason =
      "One line, master to slave: take off whatever preloads the rod while bleeding, as the maker "
      "says; only hand pressure on a closed quick connector; set the rod back to its shortest";
  plan.slave = slave_nipple(v, plan);
  const double chamber_m3 = v.si(param::master_reservoir);
  plan.fluid = Volume{2 * chamber_m3};
  if (!plan.slave) return plan;
  for (const Param p : {param::clutch_tube, param::clutch_hose, param::master_reservoir})
    if (value_of(job, As::plan, p).origin == Origin::typical) plan.typical.push_back(p);
  rest_on(job, {param::master_bore, param::master_stroke1}, plan);
  count_out(*plan.slave, plan.way, chamber_m3);
  plan.fluid += plan.slave->branch * (2 * through_share(plan.way));
  return plan;
}

}  // namespace

BleedPlan bleed_plan(const Job& job) {
  const Values v = resolve(job, As::plan);
  if (works_clutch(v)) return clutch_plan(job, v);
  BleedPlan plan;
  const Assembly a = assemble(v);
  plan.missing = a.missing_system;
  plan.missing.insert(plan.missing.end(), a.missing_brakes.begin(), a.missing_brakes.end());
  if (a.system && !a.system->strokes_known) {
    plan.missing.push_back(param::master_stroke1);
    if (two_circuits(a.system->master)) plan.missing.push_back(param::master_stroke2);
  }
  plan.way = chosen_way(job).value_or(BleedWayId::helper);
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
  rest_on(job, {param::master_bore, param::master_stroke1}, plan);
  if (two_circuits(s.master)) rest_on(job, {param::master_stroke2}, plan);
  // The pad's own stop decides only where it comes first.
  if (rod_left && *rod_left < s.master.stroke1.value())
    rest_on(job, {param::control_pad_stop}, plan);
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
    count_out(b, plan.way, chamber_m3);
    total_m3 += plan.rounds * b.strokes * per_count(b, plan.way).value();
    plan.wheels.push_back(b);
  }
  plan.fluid = Volume{total_m3};
  return plan;
}

namespace {

BleedRow row_of(const Job& job, const BleedPlan& plan, std::string key) {
  BleedRow r;
  r.key = std::move(key);
  if (const auto it = job.bleeding.find(r.key); it != job.bleeding.end()) r.done = it->second;
  const ClearState clear = clear_state(job, plan, r.key);
  r.typical = clear.typical;
  r.state = clear.lack == ClearLack::nothing ? BleedState::clear
            : r.done.strokes > 0             ? BleedState::counting
                                             : BleedState::not_begun;
  return r;
}

BleedRow wheel_row(const Job& job, const BleedPlan& plan, Wheel wheel) {
  BleedRow r = row_of(job, plan, std::string(wheel_key(wheel)));
  r.wheel = wheel;
  return r;
}

}  // namespace

std::vector<BleedRow> bleed_rows(const Job& job, const BleedPlan& plan) {
  std::vector<BleedRow> rows{row_of(job, plan, "bench")};
  const auto levels = chamber_levels(job, plan);
  const auto plan_row = [&](BleedRow r, const BleedWheel& w) {
    r.planned = w;
    if (const ChamberLevel* level = level_of(levels, r)) r.refill_due = level->warn();
    rows.push_back(std::move(r));
  };
  if (plan.clutch) {
    BleedRow r = row_of(job, plan, "slave");
    if (plan.slave)
      plan_row(std::move(r), *plan.slave);
    else
      rows.push_back(std::move(r));
    return rows;
  }
  if (plan.wheels.empty())
    for (const Wheel w : kWheels)
      if (const Values v = resolve(job, As::plan); works_axle(v, axle_of(w)))
        rows.push_back(wheel_row(job, plan, w));
  for (const BleedWheel& w : plan.wheels) plan_row(wheel_row(job, plan, w.wheel), w);
  return rows;
}

const BleedWheel* planned_at(const BleedPlan& plan, const std::string& key) {
  if (key == "slave") return plan.slave ? &*plan.slave : nullptr;
  const auto it = std::find_if(plan.wheels.begin(), plan.wheels.end(),
                               [&](const BleedWheel& w) { return wheel_key(w.wheel) == key; });
  return it == plan.wheels.end() ? nullptr : &*it;
}

bool bench_asked(const Job& job) {
  const auto it = job.bleeding.find("bench");
  return work_facts(job).unit_on || (it != job.bleeding.end() && it->second.ran_dry > 0);
}

bool all_bled(const Job& job) {
  // A master that drew air is bled again before anything counts.
  const BleedPlan plan = bleed_plan(job);
  if (!dry_places(job, plan).empty()) return false;
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

}  // namespace yoke
