// Fit of readings against GSL, and causes ranked by simulation.
#include <gsl/gsl_blas.h>
#include <gsl/gsl_cdf.h>
#include <gsl/gsl_multifit_nlinear.h>

#include <catch2/catch.hpp>
#include <cmath>

#include "doubt/doubt.hpp"
#include "proving/hypotheses.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// Readings of a faulty system, rounded as a tape and a scale would.
std::vector<Reading> readings_of(const System& s, Condition c, std::initializer_list<double> forces,
                                 double slack_m = 0) {
  std::vector<Reading> list;
  const auto m = FeelModel::make(s, c);
  for (const double f : forces) {
    const auto t = m ? predicted_travel_m(*m, f) : std::nullopt;
    if (!t) continue;
    Reading r;
    r.force_n = f;
    r.travel_m = std::round((*t + slack_m) * 2000) / 2000;
    r.force_uncertainty_n = 4;
    r.travel_uncertainty_m = 0.001;
    r.assist_alive = c.assist_alive;
    list.push_back(r);
  }
  return list;
}

constexpr std::initializer_list<double> kForces = {40, 55, 70, 100, 160, 240, 320};

struct Problem {
  System system;
  std::vector<ReadingRow> rows;
};

int residuals(const gsl_vector* x, void* data, gsl_vector* f) {
  const auto* p = static_cast<const Problem*>(data);
  Condition c;
  c.assist_alive = false;
  c.air_m3 = std::max(0.0, gsl_vector_get(x, 1)) * 1e-6;
  const auto m = FeelModel::make(p->system, c);
  for (std::size_t i = 0; i < p->rows.size(); ++i) {
    const auto t = predicted_travel_m(*m, p->rows[i].force_n);
    gsl_vector_set(
        f, i,
        (p->rows[i].travel_m - gsl_vector_get(x, 0) * 1e-3 - t.value_or(0)) / p->rows[i].sigma_m);
  }
  return GSL_SUCCESS;
}

}  // namespace

TEST_CASE("fit of readings agrees with GSL's nonlinear least squares") {
  const System s = car();
  Condition c;
  c.assist_alive = false;
  c.air_m3 = 2e-6;
  // Few firm presses: slack and air alone are asked for.
  const auto readings = readings_of(s, c, {45, 55, 65, 80, 100}, 0.006);
  const ReadingEstimate r = estimate_from_readings(s, readings, false);
  REQUIRE(r.slack_m());
  REQUIRE(r.air_m3());
  REQUIRE_FALSE(r.at(Unknown::growth));
  std::size_t low = 0;
  Problem p{s, usable_rows(s, readings, false, low)};
  // Weighed by the press with the air that was found, as the fit weighs them.
  Condition found = c;
  found.air_m3 = r.air_m3()->value;
  weigh(s, found, p.rows);
  gsl_multifit_nlinear_fdf fdf{};
  fdf.f = residuals;
  fdf.n = p.rows.size();
  fdf.p = 2;
  fdf.params = &p;
  auto parameters = gsl_multifit_nlinear_default_parameters();
  auto* w = gsl_multifit_nlinear_alloc(gsl_multifit_nlinear_trust, &parameters, p.rows.size(), 2);
  double start[2] = {0.0, 1.0};
  const gsl_vector_view x = gsl_vector_view_array(start, 2);
  gsl_multifit_nlinear_init(&x.vector, &fdf, w);
  int info = 0;
  gsl_multifit_nlinear_driver(100, 1e-10, 1e-10, 1e-10, nullptr, nullptr, &info, w);
  CHECK(r.slack_m()->value * 1e3 == Approx(gsl_vector_get(w->x, 0)).margin(0.02));
  CHECK(r.air_m3()->value * 1e6 == Approx(gsl_vector_get(w->x, 1)).margin(0.01));
  gsl_matrix* covariance = gsl_matrix_alloc(2, 2);
  gsl_multifit_nlinear_covar(gsl_multifit_nlinear_jac(w), 0.0, covariance);
  CHECK(r.slack_m()->uncertainty * 1e3 ==
        Approx(2 * std::sqrt(gsl_matrix_get(covariance, 0, 0))).epsilon(0.03));
  gsl_matrix_free(covariance);
  gsl_multifit_nlinear_free(w);
}

TEST_CASE("clearance needs a second apply, hoses a clamp") {
  const System s = car();
  Condition c;
  c.assist_alive = false;
  c.take_up_scale = 3;
  auto readings = readings_of(s, c, kForces);
  CHECK_FALSE(estimate_from_readings(s, readings, false).at(Unknown::clearance));
  Condition taken = c;
  taken.take_up_scale = 0;
  for (Reading r : readings_of(s, taken, kForces)) {
    r.second_apply = true;
    readings.push_back(r);
  }
  const ReadingEstimate told = estimate_from_readings(s, readings, false);
  REQUIRE(told.at(Unknown::clearance));
  CHECK(told.at(Unknown::clearance)->value ==
        Approx(3).margin(std::max(0.15, told.at(Unknown::clearance)->uncertainty)));
  CHECK(told.condition <= 100);
}

TEST_CASE("causes: the planted one ranks first, and the next test tells the first two apart") {
  System s = car();
  s.assist = booster();
  struct Plant {
    Cause cause;
    Condition condition;
    System system;
  };
  std::vector<Plant> plants;
  Condition off;
  off.assist_alive = false;
  {
    Plant p{Cause::air_primary, off, s};
    p.condition.air_primary_m3 = 4e-6;
    plants.push_back(p);
  }
  {
    Plant p{Cause::soft_hoses, off, s};
    p.condition.hose_scale = 8;
    plants.push_back(p);
  }
  {
    Plant p{Cause::rod_short, off, s};
    p.system.control.rod_clearance += Length{0.004};
    plants.push_back(p);
  }
  {
    Plant p{Cause::wrong_bore, off, s};
    p.system.master.bore *= 0.85;
    plants.push_back(p);
  }
  for (const Plant& p : plants) {
    INFO(cause_words(p.cause));
    const Diagnosis d =
        diagnose(s, readings_of(p.system, p.condition, {150, 170, 190, 230, 300, 380, 460}), {});
    REQUIRE(d.refusal.empty());
    const auto rank = std::find_if(d.ranked.begin(), d.ranked.end(),
                                   [&](const Hypothesis& h) { return h.cause == p.cause; });
    REQUIRE(rank != d.ranked.end());
    // What looks alike on a tape may tie: the planted cause is never far from the first.
    CHECK(rank->aicc <= d.ranked.front().aicc + 2);
    CHECK(d.ranked.front().weight >= d.ranked.back().weight);
    CHECK_FALSE(d.next_test.empty());
  }
  // Nothing wrong: the simplest cause wins.
  const Diagnosis sound = diagnose(s, readings_of(s, off, {150, 170, 190, 230, 300, 380, 460}), {});
  CHECK(sound.ranked.front().cause == Cause::none);
  double sum = 0;
  for (const Hypothesis& h : sound.ranked) sum += h.weight;
  CHECK(sum == Approx(1));
}

TEST_CASE("a reading without a force or without a travel says nothing of the causes") {
  const System s = car();
  Condition off;
  off.assist_alive = false;
  const auto rows = readings_of(s, off, {150, 170, 190, 230, 300, 380, 460});
  const Diagnosis with = diagnose(s, rows, {});
  for (const auto& [force_n, travel_m] : {std::pair(0.0, 0.03), std::pair(200.0, 0.0)}) {
    auto more = rows;
    more.push_back(rows.front());
    more.back().force_n = force_n;
    more.back().travel_m = travel_m;
    const Diagnosis d = diagnose(s, more, {});
    REQUIRE(d.ranked.size() == with.ranked.size());
    for (std::size_t i = 0; i < d.ranked.size(); ++i)
      CHECK(d.ranked[i].aicc == Approx(with.ranked[i].aicc));
    more.resize(2);
    more.push_back(more.front());
    more.back().force_n = force_n;
    more.back().travel_m = travel_m;
    CHECK_FALSE(diagnose(s, more, {}).refusal.empty());
  }
}

TEST_CASE("two presses tell the slack and nothing else, one tells nothing") {
  const System s = car();
  Condition off;
  off.assist_alive = false;
  const auto two = readings_of(s, off, {150, 300}, 0.006);
  REQUIRE(two.size() == 2);
  const ReadingEstimate r = estimate_from_readings(s, two, false);
  CHECK(r.used == 2);
  REQUIRE(r.slack_m());
  CHECK(r.slack_m()->value == Approx(0.006).margin(0.001));
  CHECK_FALSE(r.air_m3());
  CHECK_FALSE(estimate_from_readings(s, {two.front()}, false).slack_m());
}

TEST_CASE(
    "causes: a sinking pad is a bypass or a leak, a pumped one clearance, too little refused") {
  const System s = car();
  Condition off;
  off.assist_alive = false;
  PumpTest pump;
  pump.sink_m = 0.030;
  pump.hold_s = 60;
  const Diagnosis sink = diagnose(s, readings_of(s, off, kForces), pump);
  CHECK((sink.ranked[0].cause == Cause::bypass || sink.ranked[0].cause == Cause::leak));
  CHECK((sink.ranked[1].cause == Cause::bypass || sink.ranked[1].cause == Cause::leak));
  CHECK(english(sink.next_test).find("joint") != std::string::npos);
  System loose = s;
  for (WheelBrake& w : *loose.wheels)
    if (auto* d = std::get_if<Drum>(&w.brake)) d->shoe_clearance += Length{0.0015};
  PumpTest rises;
  const auto a = FeelModel::make(loose, off);
  const auto b = FeelModel::make(s, off);
  rises.first_m = 0.080;
  rises.third_m = 0.080 - (a->at(1e6).pad_travel_m - b->at(1e6).pad_travel_m);
  const Diagnosis drums = diagnose(loose.wheels ? s : s, readings_of(loose, off, kForces), rises);
  CHECK(drums.ranked.front().cause == Cause::drums_out);
  CHECK(english(diagnose(s, {}, {}).refusal).find("Three readings") != std::string::npos);
  System bare = s;
  bare.wheels.reset();
  CHECK_FALSE(diagnose(bare, {}, {}).refusal.empty());
  for (int i = 0; i < static_cast<int>(Cause::count_); ++i) {
    CHECK_FALSE(cause_words(static_cast<Cause>(i)).empty());
    CHECK_FALSE(cause_advice(static_cast<Cause>(i)).empty());
  }
}

TEST_CASE("drawn normals have GSL's quantiles") {
  std::vector<double> z;
  constexpr int n = 40000;
  for (int i = 0; i < n; ++i) z.push_back(counter_normal(3, 5, static_cast<std::uint64_t>(i)));
  std::sort(z.begin(), z.end());
  for (const double p : {0.01, 0.1, 0.25, 0.5, 0.75, 0.9, 0.99})
    CHECK(z[static_cast<std::size_t>(p * n)] == Approx(gsl_cdf_ugaussian_Pinv(p)).margin(0.04));
}
