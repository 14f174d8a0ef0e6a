// The ways of bleeding and the order of the nipples. Common practice, no source, unless named.
#include <catch2/catch.hpp>
#include <set>

#include "document/param/bleed_car.hpp"
#include "document/param/bleed_kit.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/bleed_methods.hpp"
#include "work/bleed_order.hpp"
#include "work/bleeding.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

WayChoice way(const Job& job, BleedWayId id) {
  for (const WayChoice& c : way_choices(job))
    if (c.id == id) return c;
  FAIL("not asked for");
  return {};
}
bool asked(const Job& job, BleedWayId id) {
  for (const WayChoice& c : way_choices(job))
    if (c.id == id) return true;
  return false;
}
std::vector<std::string> order(const Job& job) {
  std::vector<std::string> keys;
  for (const Wheel w : bleed_order(job).wheels) keys.emplace_back(wheel_key(w));
  return keys;
}
using Keys = std::vector<std::string>;

}  // namespace

TEST_CASE("every way of bleeding says what it takes, what passes, what it cannot do") {
  std::set<std::string> names;
  for (const BleedMethod& m : bleed_methods()) {
    const std::string name = english(m.words);
    INFO(name);
    CHECK(names.insert(name).second);
    CHECK(&method_of(m.id) == &m);
    CHECK_FALSE(m.tools.empty());
    CHECK(m.steps.size() >= 2);
    CHECK_FALSE(m.why.empty());
    CHECK_FALSE(m.pass.empty());
    CHECK_FALSE(m.cannot.empty());
    CHECK_FALSE(m.care.empty());
    if (m.safer) CHECK(*m.safer != m.id);
  }
  CHECK(bleed_methods().size() == 10);
}

TEST_CASE("a way is ready only with what it needs at hand - what nobody said stays open") {
  Job job = known_job();
  CHECK(way(job, BleedWayId::helper).state == WayState::open);
  set(job, "bleed.helper=no");
  CHECK(way(job, BleedWayId::helper).state == WayState::lacking);
  set(job, "bleed.helper=yes");
  CHECK(way(job, BleedWayId::helper).state == WayState::ready);
  CHECK(way(job, BleedWayId::pressure).state == WayState::open);
  set(job, "bleed.tank=yes; bleed.tank_set=0.05 MPa");
  CHECK(way(job, BleedWayId::pressure).state == WayState::open);
  CHECK(english(way(job, BleedWayId::pressure).says).find("bear") != std::string::npos);
  set(job, "bleed.cap_limit=0.1 MPa");
  CHECK(way(job, BleedWayId::pressure).state == WayState::ready);
  // Nothing flows by gravity past a residual valve, nor through an anti-lock unit.
  CHECK(way(job, BleedWayId::gravity).state == WayState::ready);
  set(job, "valve.residual_rear=0.07 MPa");
  CHECK(way(job, BleedWayId::gravity).state == WayState::lacking);
  set(job, "valve.residual_rear=0 MPa; circuit.antilock=fitted");
  CHECK(way(job, BleedWayId::gravity).state == WayState::lacking);
  CHECK_FALSE(asked(job, BleedWayId::connector));
  set(job, kClutchJob);
  CHECK(way(job, BleedWayId::connector).state == WayState::open);
  set(job, "bleed.connector=none");
  CHECK_FALSE(asked(job, BleedWayId::connector));
}

TEST_CASE("what is chosen is offered - else the first way that is ready") {
  Job job = known_job();
  set(job, "bleed.helper=no; bleed.tubes=no; bleed.plugs=yes");
  CHECK(offered_bench(job) == BleedWayId::plugs);
  CHECK(offered_way(job) == BleedWayId::gravity);
  set(job, "bleed.bench=finger; bleed.way=vacuum");
  CHECK(offered_bench(job) == BleedWayId::finger);
  CHECK(offered_way(job) == BleedWayId::vacuum);
  CHECK(method_of(BleedWayId::finger).safer == BleedWayId::tubes);
}

TEST_CASE("order: the book wins - then the longer lines - nothing while it cannot be known") {
  Job job = known_job();
  set(job, "vehicle.steering=left");
  CHECK(order(job) == Keys{"rr", "rl", "fr", "fl"});
  set(job, "vehicle.steering=right");
  CHECK(order(job) == Keys{"rl", "rr", "fl", "fr"});
  // An engine in the tail, the master beside it: the front's lines are the longer ones.
  set(job, "front.tube=5 m; rear.tube=2 m");
  CHECK(order(job) == Keys{"fl", "fr", "rl", "rr"});
  set(job, "bleed.turn1=fl; bleed.turn2=fr; bleed.turn3=rl");
  CHECK(order(job).empty());  // a book that was read halfway says nothing
  CHECK(bleed_order(job).missing == std::vector{param::bleed_turn4});
  set(job, "bleed.turn4=rr");
  CHECK(order(job) == Keys{"fl", "fr", "rl", "rr"});
  CHECK(bleed_order(job).by_maker);
  set(job, "bleed.turn4=fl");
  CHECK(order(job).empty());
  CHECK(bleed_order(job).refused);
  CHECK(bleed_plan(job).wheels.empty());
}

TEST_CASE("order: a diagonal split goes circuit by circuit, and not before it is traced") {
  Job job = known_job();
  set(job,
      "vehicle.steering=left; circuit.split=diagonal; circuit.fl=1; circuit.rr=1; circuit.fr=2; "
      "circuit.rl=2");
  CHECK(order(job) == Keys{"rr", "fl", "rl", "fr"});
  set(job, "circuit.rl=?");
  CHECK(order(job).empty());
  CHECK_FALSE(bleed_order(job).missing.empty());
}

TEST_CASE("an old unit is pressed by half: its seals never ran at the end of the bore") {
  Job job = known_job();
  set(job, "master.bore=25.4 mm");
  REQUIRE_FALSE(old_unit_stays(job));
  Job same = known_job();
  set(same, "found:target.job=feel; found:master.bore=25.4 mm; master.bore=25.4 mm");
  REQUIRE(old_unit_stays(same));
  const BleedPlan full = bleed_plan(job);
  const BleedPlan half = bleed_plan(same);
  REQUIRE(full.wheels.size() == half.wheels.size());
  for (std::size_t i = 0; i < full.wheels.size(); ++i)
    CHECK(half.wheels[i].per_stroke.value() ==
          Approx(kOldUnitShare * full.wheels[i].per_stroke.value()));
}
