// Ports open to air, take-up, and the ideal brake distribution.
#include <catch2/catch.hpp>

#include "document/param/assist_kind.hpp"
#include "document/param/master.hpp"
#include "figures/figures.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("open ports: the weaker spring goes first, order alone is no fault (common practice)") {
  Master m = car().master;
  CHECK_FALSE(open_dead_stroke(m, false));
  m.springs = Springs::secondary_stronger;
  CHECK(open_dead_stroke(m, false)->value() == Approx(0.001));
  CHECK(open_dead_stroke(m, true)->value() == Approx(0.018 + 0.001));
  m.springs = Springs::primary_caged;
  CHECK(open_dead_stroke(m, true)->value() == Approx(0.001));
  CHECK(open_dead_stroke(m, false)->value() == Approx(0.017 + 0.001));
  m.kind = MasterKind::single;
  CHECK_FALSE(open_dead_stroke(m, true));
  // 3/8 in at the piston before a port delivers is 2.25 in of pad at 6:1 (common practice, no
  // source).
  Control c = car().control;
  c.pad_stop = Length{0.2};
  const auto k = Kinematics::make(c);
  CHECK(k->pad_travel(Length{0.375 * 0.0254})->value() / 0.0254 == Approx(2.25));
  Job job = known_job();
  job.found.set(param::master_springs, {1, How::stated, 0, {}});
  const auto g = figure_group(job, "ports");
  REQUIRE(g->figures.size() == 2);
  CHECK(*g->figures[1].si == Approx(0.019));
  CHECK(english(g->figures[0].note).find("6 mm at the pedal") != std::string::npos);
}

TEST_CASE("take-up: springs and seal friction part the pressures") {
  const Master m = car().master;
  const double a = bore_area(m).value();
  CHECK(take_up_difference(m, Force{60.0}, Force{80.0}, Force{12.0}).value() ==
        Approx((80 + 12 - 60) / a));
  CHECK(take_up_difference(m, Force{90.0}, Force{60.0}, Force{10.0}).value() < 0);
}

TEST_CASE("both axles lock together at the ideal split (textbook: front share X + mu H)") {
  const Vehicle v = *car().vehicle;
  const double h = v.cg_height / v.wheelbase;
  for (const double mu : {0.3, 0.6, 0.9}) {
    Vehicle on = v;
    on.tyre_mu = mu;
    const double front = mu * (v.front_share + mu * h);
    const double rear = mu * (1 - v.front_share - mu * h);
    const Braking just = braking(on, {front * 0.9999, 1}, {rear * 0.9999, 1});
    CHECK(just.lock == Lock::none);
    CHECK(just.z == Approx(mu).epsilon(1e-3));
    CHECK(braking(on, {front * 1.001, 1}, {rear * 0.999, 1}).lock == Lock::front);
    CHECK(braking(on, {front * 0.999, 1}, {rear * 1.001, 1}).lock == Lock::rear);
    CHECK(braking(on, {front * 1.01, 1}, {rear * 1.01, 1}).lock == Lock::both);
  }
}

TEST_CASE("a found assist of another kind is an option of its own on the map") {
  Job job = known_job();
  job.found.set(param::assist_kind, {2, How::stated, 0, {}});
  job.plan.set(param::assist_kind, {0, How::stated, 0, {}});
  const auto bands = figure_group(job, "bands");
  CHECK(bands->figures.size() >= 10);
  for (const Figure& f : bands->figures)
    if (f.si) CHECK(english(f.note).find(" to ") != std::string::npos);
}
