// The coach against simulated vehicles: it never calls a nipple clear that holds air, never lets a
// reservoir run below its port unwarned, and takes not many strokes more than somebody who sees
// through the tubes.
#include <catch2/catch.hpp>
#include <cmath>
#include <random>

#include "simulated/bleed_car.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr double kLeft_m3 = 0.3e-6;  // what a clear nipple may hold
constexpr int kMost = 600;

/// A builder who does what the coach says, and tells it what he sees.
struct Bleeder {
  Job job;
  BleedPlan plan;
  BleedWayId way{};
  BleedWayId bench{};
  bool obeys = true;  ///< tops up when he is told to
  int counts = 0;
  int unwarned = 0;  ///< times air was drawn, or it ran over, and nothing had been said
  int drawn = 0;
  std::string wrong;  ///< a nipple called clear that holds air

  bool bleed_master(BleedCar& car) {
    for (int i = 0; i < kMost; ++i) {
      if (bench_clear(job)) return true;
      const auto seen = car.push_master(bench);
      BleedRecord& r = job.bleeding["bench"];
      count_stroke(r, seen.bubbles);
      r.push_m = seen.push_m;
      ++counts;
    }
    return false;
  }

  bool warned(const std::string& key) const {
    const auto levels = chamber_levels(job, plan);
    for (const BleedRow& r : bleed_rows(job, plan))
      if (r.key == key)
        if (const ChamberLevel* l = level_of(levels, r)) return l->warn() || l->bare();
    return false;
  }

  /// One count; false: air was drawn, all begins anew.
  bool count_once(BleedCar& car, const std::string& key) {
    const bool told = warned(key);
    if (told && obeys) {
      top_up(job, key);
      car.top_up(way == BleedWayId::reverse);
    }
    // By vacuum the last five are a helper's strokes.
    const ClearState state = clear_state(job, plan, key);
    const bool helped = state.lack == ClearLack::helper;
    const SeenFlow seen = car.count(key, helped ? BleedWayId::helper : way);
    count_at(job, plan, key, seen.bubbles || (way == BleedWayId::vacuum && !helped));
    ++counts;
    if (seen.ran_over && !told) ++unwarned;
    if (!seen.drew_air) return true;
    ++drawn;
    unwarned += told ? 0 : 1;
    ran_dry(job, plan, key);
    top_up(job, key);
    car.top_up();
    obeys = true;  // once is enough
    return false;
  }

  bool bleed(BleedCar& car) {
    car.top_up(way == BleedWayId::reverse);
    for (int rounds = 0; rounds < 5; ++rounds) {
      if (!bleed_master(car)) return false;
      bool again = false;
      for (const std::string& key : car.keys()) {
        for (int i = 0; !again && i < kMost && !is_clear(job, plan, key); ++i)
          again = !count_once(car, key);
        if (again) break;
        if (!is_clear(job, plan, key)) return false;
        if (car.air_m3(key) > kLeft_m3) wrong = key;
      }
      if (!again) return all_bled(job);
    }
    return false;
  }
};

/// Sees through every tube: stops when no bubble is left that could be seen.
int all_knowing(BleedCar car, BleedWayId way, BleedWayId bench) {
  int n = 0;
  car.top_up(way == BleedWayId::reverse);
  while (car.master_air_m3() > BleedCar::kSeen_m3 && n < kMost) {
    (void)car.push_master(bench);
    ++n;
  }
  for (const std::string& key : car.keys())
    for (int i = 0; i < kMost && car.air_m3(key) > BleedCar::kSeen_m3; ++i) {
      car.top_up(way == BleedWayId::reverse);
      (void)car.count(key, way);
      ++n;
    }
  return n;
}

Job diagonal_job() {
  Job job = known_job();
  set(job, "circuit.split=diagonal");
  set(job, "circuit.fl=1");
  set(job, "circuit.rr=1");
  set(job, "circuit.fr=2");
  set(job, "circuit.rl=2");
  return job;
}

/// One of the jobs, its nipples looked at, everything for the way said.
Job made_job(unsigned n, BleedWayId way, BleedWayId bench) {
  Job job = n % 3 == 0 ? known_job() : n % 3 == 1 ? diagonal_job() : known_clutch();
  for (const char* s : {"bleed.front_screw=top", "bleed.rear_screw=top", "bleed.slave_screw=top",
                        "bleed.room=60 ml", "bleed.syringe=50 ml"})
    set(job, s);
  set(job, "bleed.way=" + std::string(way_word(way)));
  set(job, "bleed.bench=" + std::string(way_word(bench)));
  return job;
}

struct Tried {
  int finished = 0, wrong = 0, unwarned = 0, held = 0;
  double worst = 0, sum = 0;
  int n = 0, kept = 0;  ///< `kept`: by builders who top up when told
};

Tried try_way(BleedWayId way, BleedWayId bench, unsigned seeds) {
  Tried t;
  for (unsigned jobs = 0; jobs < 3; ++jobs) {
    const Job job = made_job(jobs, way, bench);
    const BleedPlan plan = bleed_plan(job);
    REQUIRE((!plan.wheels.empty() || plan.slave));
    for (unsigned seed = jobs; seed < seeds; seed += 3) {
      std::mt19937_64 rng(seed * 7919 + static_cast<unsigned>(way) * 104729 +
                          static_cast<unsigned>(bench));
      const auto u = [&](double a, double b) {
        return std::uniform_real_distribution<double>(a, b)(rng);
      };
      BleedFaults faults;
      faults.worn_cup = rng() % 4 == 0 ? u(0, 0.25) : 0;
      faults.chamber_share = u(0.2, 1.0);
      const double air = rng() % 3 == 0 ? 1.0 : u(0.05, 0.4);
      const auto car = BleedCar::make(job, faults, air, u(0.1, 1.0), seed);
      REQUIRE(car);
      BleedCar mine = *car;
      Bleeder b;
      b.job = job;
      b.plan = plan;
      b.way = way;
      b.bench = bench;
      b.obeys = seed % 5 != 0;
      const bool obeyed = b.obeys;
      t.finished += b.bleed(mine) ? 1 : 0;
      t.wrong += b.wrong.empty() ? 0 : 1;
      t.unwarned += b.unwarned;
      ++t.n;
      if (!obeyed) continue;
      const double ratio = b.counts / std::max(1.0, double(all_knowing(*car, way, bench)));
      t.worst = std::max(t.worst, ratio);
      t.sum += ratio;
      ++t.kept;
    }
  }
  return t;
}

}  // namespace

TEST_CASE(
    "the coach bleeds simulated vehicles clear, in few strokes more than one who sees it all") {
  struct Ways {
    BleedWayId way, bench;
  };
  using enum BleedWayId;
  for (const Ways& w : {Ways{helper, tubes}, Ways{helper, plugs}, Ways{gravity, tubes},
                        Ways{pressure, finger}, Ways{vacuum, car}, Ways{reverse, plugs}}) {
    const Tried t = try_way(w.way, w.bench, 1000);
    CAPTURE(way_word(w.way), way_word(w.bench), t.worst, t.sum / t.kept);
    CHECK(t.n == 1000);
    CHECK(t.finished == t.n);
    CHECK(t.wrong == 0);
    CHECK(t.unwarned == 0);
    CHECK(t.worst <= 1.5);
    CHECK(t.sum / t.kept <= 1.35);
  }
}
