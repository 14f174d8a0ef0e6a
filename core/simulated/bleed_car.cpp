#include "simulated/bleed_car.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/bleed_kit.hpp"
#include "document/param/master.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "work/bleed_count.hpp"

namespace yoke {

namespace {

/// Line of a branch, the rest of it is behind the pistons.
double line_of(const System& s, const BleedWheel& w) {
  const WheelBrake& b = (*s.wheels)[static_cast<std::size_t>(w.wheel)];
  return (tube_content(b.tube) + hose_content(b.hose)).value();
}

}  // namespace

double BleedCar::share(double least, double most) {
  return std::uniform_real_distribution<double>(least, most)(draw_);
}

Expected<BleedCar> BleedCar::make(const Job& job, const BleedFaults& faults, double air,
                                  double master_air, std::uint64_t seed) {
  const BleedPlan plan = bleed_plan(job);
  if (plan.wheels.empty() && !plan.slave)
    return fail(
        {"bleeding", "", "", "The bleeding of this job cannot be said", cannot_say(plan.missing)});
  BleedCar car;
  car.draw_.seed(seed);
  const Values v = resolve(job, As::plan);
  const Assembly a = assemble(v);
  const auto chamber = [&](double full_m3, double stroke_m3) {
    Chamber c;
    c.full_m3 = full_m3;
    c.level_m3 = full_m3 * faults.chamber_share;
    c.master_m3 = 1.2 * stroke_m3;
    c.master_air_m3 = master_air * c.master_m3;
    return c;
  };
  const auto branch = [&](const std::string& key, const BleedWheel& w, double line_m3) {
    Branch b;
    b.line_m3 = line_m3;
    b.content_m3 = w.branch.value();
    b.stroke_m3 = w.per_stroke.value() * (1 - faults.worn_cup);
    b.chamber = w.outlet == Outlet::primary ? 0 : 1;
    b.low = faults.upside_down == key;
    b.leak_m3 = faults.thread_leak == key ? 0.2e-6 : 0;
    // A parcel in each cubic centimetre, unlike ones.
    const int n = std::max(1, static_cast<int>(line_m3 * 1e6));
    for (int i = 0; i < n; ++i)
      b.parcels.push_back({line_m3 * (i + 0.5) / n, air * line_m3 / n * car.share(0.0, 2.0)});
    b.pool_m3 = air * (b.content_m3 - line_m3);
    car.branches_[key] = std::move(b);
    car.order_.push_back(key);
  };
  const double first = value_of(job, As::plan, param::master_reservoir).si;
  const Value second = value_of(job, As::plan, param::unit_chamber2);
  const auto stroke_of = [&](Outlet o) {
    for (const BleedWheel& w : plan.wheels)
      if (w.outlet == o) return w.per_stroke.value();
    return plan.slave ? plan.slave->per_stroke.value() : 0.0;
  };
  car.chambers_ = {chamber(first, stroke_of(Outlet::primary)),
                   chamber(second.known() ? second.si : first, stroke_of(Outlet::secondary))};
  for (const BleedWheel& w : plan.wheels)
    branch(std::string(wheel_key(w.wheel)), w, line_of(*a.system, w));
  if (plan.slave) branch("slave", *plan.slave, 0.6 * plan.slave->branch.value());
  car.room_m3_ = v.known(param::bleed_room) ? v.si(param::bleed_room) : 0;
  return car;
}

/// Fluid leaves a chamber for the master; what is missing is drawn as air.
double BleedCar::drawn(Chamber& c, double fluid_m3, SeenFlow& seen) {
  c.level_m3 -= fluid_m3;
  if (c.level_m3 < 0) {
    c.master_air_m3 += -c.level_m3;
    c.level_m3 = 0;
    seen.drew_air = true;
  }
  // What leaves the master takes of its air what stands in it.
  const double part = std::min(1.0, fluid_m3 / c.master_m3) * share(0.6, 1.0);
  const double air_m3 = c.master_air_m3 * part;
  c.master_air_m3 -= air_m3;
  return air_m3;
}

void BleedCar::carry(Branch& b, double fluid_m3) {
  for (Parcel& p : b.parcels) {
    p.before_end_m3 -= fluid_m3 * share(0.7, 1.0);
    if (p.before_end_m3 > 0) continue;
    b.pool_m3 += p.air_m3;
    p.air_m3 = 0;
  }
  std::erase_if(b.parcels, [](const Parcel& p) { return p.air_m3 <= 0; });
}

/// Of the pool at the nipple, what goes with the fluid; a low nipple leaves what stands above it.
double BleedCar::leave(Branch& b, double fluid_m3) {
  const double end_m3 = b.content_m3 - b.line_m3;
  const double above_m3 = b.low ? std::min(b.pool_m3, 0.3 * end_m3) : 0;
  double free_m3 = b.pool_m3 - above_m3;
  // More than what passes does not leave at once.
  double out_m3 = std::min(free_m3 * share(0.6, 0.9), fluid_m3);
  // The last of it is one bubble, and goes whole.
  if (free_m3 - out_m3 < 0.015e-6) out_m3 = std::min(free_m3, fluid_m3);
  b.pool_m3 -= out_m3;
  return out_m3;
}

SeenFlow BleedCar::down(Branch& b, double fluid_m3, bool vacuum) {
  SeenFlow seen;
  Chamber& c = chambers_[static_cast<std::size_t>(b.chamber)];
  const double air_m3 = drawn(c, fluid_m3, seen);
  carry(b, fluid_m3);
  // Strewn over what entered the line with this flow, so that part of it is one flow behind.
  constexpr int kStrewn = 4;
  if (air_m3 > 1e-12)
    for (int i = 0; i < kStrewn; ++i)
      b.parcels.push_back(
          {std::max(1e-9, b.line_m3 - fluid_m3 * (i + 0.5) / kStrewn), air_m3 / kStrewn});
  const double out_m3 = leave(b, fluid_m3);
  seen.out_m3 = fluid_m3;
  seen.bubbles = out_m3 > kSeen_m3 || (vacuum && b.leak_m3 > kSeen_m3);
  return seen;
}

/// Pushed in at the nipple: air goes up the line, through the master, into the reservoir.
SeenFlow BleedCar::up(Branch& b, double fluid_m3) {
  SeenFlow seen;
  Chamber& c = chambers_[static_cast<std::size_t>(b.chamber)];
  double out_m3 = 0;
  for (Parcel& p : b.parcels) {
    p.before_end_m3 += fluid_m3 * share(0.9, 1.0);
    if (p.before_end_m3 < b.line_m3) continue;
    out_m3 += p.air_m3;
    p.air_m3 = 0;
  }
  std::erase_if(b.parcels, [](const Parcel& p) { return p.air_m3 <= 0; });
  // What stands at the nipple is swept into the line, a share with each flow.
  double swept_m3 = std::min(b.pool_m3 * share(0.6, 0.9), fluid_m3);
  if (b.pool_m3 - swept_m3 < 0.015e-6) swept_m3 = std::min(b.pool_m3, fluid_m3);
  b.pool_m3 -= swept_m3;
  if (swept_m3 > 0) b.parcels.push_back({1e-9, swept_m3});
  const double part = std::min(1.0, fluid_m3 / c.master_m3) * share(0.6, 1.0);
  out_m3 += c.master_air_m3 * part;
  c.master_air_m3 *= 1 - part;
  room_m3_ -= fluid_m3;
  seen.ran_over = room_m3_ < -1e-12;
  seen.bubbles = out_m3 > kSeen_m3;
  seen.out_m3 = fluid_m3;
  return seen;
}

SeenFlow BleedCar::count(const std::string& key, BleedWayId way) {
  Branch& b = branches_.at(key);
  const double fluid_m3 = counts_marks(way) ? kMark_m3 : b.stroke_m3;
  if (way == BleedWayId::reverse) return up(b, fluid_m3);
  if (way == BleedWayId::pressure)
    chambers_[static_cast<std::size_t>(b.chamber)].level_m3 += fluid_m3;
  return down(b, fluid_m3, way == BleedWayId::vacuum);
}

BleedCar::SeenPush BleedCar::push_master(BleedWayId bench) {
  SeenPush seen;
  for (Chamber& c : chambers_) {
    const double part = bench == BleedWayId::finger ? share(0.1, 0.25) : share(0.2, 0.4);
    double out_m3 = c.master_air_m3 * part;
    if (c.master_air_m3 - out_m3 < 0.015e-6) out_m3 = c.master_air_m3;
    c.master_air_m3 -= out_m3;
    seen.bubbles = seen.bubbles || out_m3 > kSeen_m3;
    // Against a plug the piston goes in by the air that is left, pressed to a tenth, and a little.
    const double stroke_area = c.master_m3 / 0.02;
    seen.push_m = std::max(seen.push_m, 0.9 * c.master_air_m3 / stroke_area + 0.3e-3);
  }
  return seen;
}

void BleedCar::top_up(bool down) {
  if (down) {
    room_m3_ = 0;
    for (const Chamber& c : chambers_) room_m3_ = std::max(room_m3_, c.full_m3);
    return;
  }
  for (Chamber& c : chambers_) c.level_m3 = c.full_m3;
}

double BleedCar::air_m3(const std::string& key) const {
  const Branch& b = branches_.at(key);
  double sum = b.pool_m3;
  for (const Parcel& p : b.parcels) sum += p.air_m3;
  return sum;
}

double BleedCar::master_air_m3() const {
  double sum = 0;
  for (const Chamber& c : chambers_) sum += c.master_air_m3;
  return sum;
}

double BleedCar::all_air_m3() const {
  double sum = master_air_m3();
  for (const auto& [key, b] : branches_) sum += air_m3(key);
  return sum;
}

double BleedCar::level_m3() const {
  double least = chambers_.front().level_m3;
  for (const Chamber& c : chambers_) least = std::min(least, c.level_m3);
  return least;
}

std::vector<std::string> BleedCar::keys() const {
  return order_;
}

}  // namespace yoke
