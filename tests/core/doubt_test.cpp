// Doubt: bands, ranking, and numbers that do not depend on the machine.
#include <algorithm>
#include <catch2/catch.hpp>
#include <cmath>

#include "document/param/arms.hpp"
#include "doubt/doubt.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void found(Job& job, Param p, double v, How how = How::stated) {
  job.found.set(p, measured(p, v, how));
}

}  // namespace

TEST_CASE(
    "doubt: same result on any number of cores, bands hold the figure, what matters ranks first") {
  Job job = known_job();
  found(job, param::control_pin_arm, 0.05, How::tape);
  DoubtRequest q;
  q.samples = 600;
  q.threads = 1;
  const auto one = doubt(job, ConditionId::plan, q);
  q.threads = 3;
  const auto three = doubt(job, ConditionId::plan, q);
  REQUIRE(one);
  CHECK(one->band(PressQuantity::effort).low == three->band(PressQuantity::effort).low);
  CHECK(one->band(PressQuantity::travel).high == three->band(PressQuantity::travel).high);
  const auto exact = condition_report(job, ConditionId::plan);
  CHECK(one->band(PressQuantity::effort).low < exact.target->at.pad_force_n);
  CHECK(one->band(PressQuantity::effort).high > exact.target->at.pad_force_n);
  CHECK(one->band(PressQuantity::effort).middle ==
        Approx(exact.target->at.pad_force_n).epsilon(0.03));
  CHECK(std::any_of(one->ranked.begin(), one->ranked.begin() + 4,
                    [](const Sensitivity& s) { return s.param == param::control_pin_arm; }));
  q.seed = 2;
  CHECK(doubt(job, ConditionId::plan, q)->band(PressQuantity::effort).low !=
        one->band(PressQuantity::effort).low);
  // Narrower measurements, narrower band.
  Job sure = job;
  for (const ParamInfo& p : all_params())
    if (const Value v = value_of(job, As::found, p.param); v.known() && p.kind != Kind::choice)
      sure.found.set(p.param, {v.si, How::stated, 0, {}});
  const auto none = doubt(sure, ConditionId::plan, q);
  CHECK(none->band(PressQuantity::effort).low == none->band(PressQuantity::effort).high);
  CHECK(none->ranked.empty());
}

TEST_CASE("doubt: every figure of a press has its band, the layers add up to the travel") {
  const Job job = known_job();
  DoubtRequest q;
  q.samples = 400;
  const auto r = doubt(job, ConditionId::plan, q);
  REQUIRE(r);
  const auto c = condition_report(job, ConditionId::plan);
  double sum = 0;
  for (std::size_t i = 0; i < kLayerCount; ++i) sum += r->band(layer_figure(i)).middle;
  // The middles of parts need not add up exactly to the middle of the whole.
  CHECK(sum == Approx(r->band(PressQuantity::travel).middle).epsilon(0.02));
  const auto holds = [&](PressQuantity f, double exact) {
    INFO(press_quantity_info(f).words);
    CHECK(r->band(f).low <= exact * 1.02);
    CHECK(r->band(f).high >= exact * 0.98);
  };
  holds(PressQuantity::piston1, c.target->at.piston1_m);
  holds(PressQuantity::piston2, c.target->at.piston2_m);
  holds(PressQuantity::front_pressure, c.target->at.front_pa);
  holds(PressQuantity::rear_pressure, c.target->at.rear_pa);
  holds(PressQuantity::stiffness, c.target->stiffness_n_m);
  for (std::size_t i = 0; i < kPressQuantityCount; ++i)
    for (std::size_t k = 0; k < i; ++k)
      CHECK(press_quantity_info(static_cast<PressQuantity>(i)).key !=
            press_quantity_info(static_cast<PressQuantity>(k)).key);
  // What is ranked first moves the effort or the travel at all.
  REQUIRE_FALSE(r->ranked.empty());
  CHECK(std::abs(r->ranked[0].of(PressQuantity::effort)) +
            std::abs(r->ranked[0].of(PressQuantity::travel)) >
        0);
}

TEST_CASE("doubt: refused, cancelled, unknown") {
  const Job job = known_job();
  DoubtRequest q;
  q.samples = 3;
  CHECK(doubt(job, ConditionId::plan, q).error().field == "samples");
  q.samples = 5000;
  double last = 0;
  q.progress = [&last](double share) {
    last = share;
    return share < 0.1;
  };
  CHECK(english(doubt(job, ConditionId::plan, q).error().reason).find("cancelled") !=
        std::string::npos);
  CHECK(last < 0.9);
  CHECK(english(doubt(Job{}, ConditionId::plan, {}).error().reason).find("not known") !=
        std::string::npos);
}

TEST_CASE("counter-based numbers are uniform and normal") {
  double sum = 0;
  double squares = 0;
  int low = 0;
  constexpr int n = 20000;
  for (int i = 0; i < n; ++i) {
    const double u = counter_uniform(7, 11, static_cast<std::uint64_t>(i));
    CHECK((u > 0 && u < 1));
    low += u < 0.1;
    const double z = counter_normal(7, 12, static_cast<std::uint64_t>(i));
    sum += z;
    squares += z * z;
  }
  CHECK(low / double(n) == Approx(0.1).margin(0.008));
  CHECK(sum / n == Approx(0).margin(0.03));
  CHECK(squares / n == Approx(0.99).margin(0.03));  // clipping at 3 takes a little
}
