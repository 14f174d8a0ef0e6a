// A reading that an instrument gives, and what the fit makes of its doubt: neither too sure where
// the pad turns from easy to firm, nor too unsure of all the rest for it.
#include <catch2/catch.hpp>
#include <cmath>
#include <functional>
#include <random>

#include "instrument/trace.hpp"
#include "proving/estimate.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr double kRise_n_s = 80;

/// Foot off for a second, then down for five; the pad's way by the push.
Trace pressed(unsigned seed, const std::function<double(double)>& way_mm, double noise_mm,
              double rate_hz = 50) {
  std::mt19937 draw(seed);
  std::normal_distribution<double> normal;
  Trace t{{"Box", rate_hz, {{ChannelWhat::force, "N", 1}, {ChannelWhat::travel, "mm", 1e-3}}}, {}};
  for (std::uint32_t i = 0; i < 6 * rate_hz; ++i) {
    LineSample s;
    s.number = i;
    s.t_s = i / rate_hz;
    const double push_n = std::max(0.0, kRise_n_s * (s.t_s - 1));
    s.told[0] = push_n + normal(draw);
    s.told[1] = way_mm(push_n) + noise_mm * normal(draw);
    t.samples.push_back(s);
  }
  return t;
}

std::optional<Reading> read_at(const Trace& t, double push_n) {
  const TraceScale scale(t.head, {});
  const auto presses = presses_of(t, scale);
  if (presses.empty()) return std::nullopt;
  const auto list = readings_of(t, scale, presses.front(), {push_n});
  return list.empty() ? std::nullopt : std::optional(list.front());
}

}  // namespace

TEST_CASE("reading doubt: which sample told the push first does not shift it") {
  const auto way_mm = [](double push_n) { return 0.2 * push_n; };
  double sum = 0;
  int n = 0;
  for (unsigned seed = 1; seed <= 300; ++seed)
    if (const auto r = read_at(pressed(seed, way_mm, 0), 150)) {
      sum += r->force_n - 1e3 * r->travel_m / 0.2;
      ++n;
    }
  REQUIRE(n == 300);
  // Of 1 N of scatter a reading keeps 0.6 N; the mean of 300 lies within 0.14 N by chance (4 sd).
  CHECK(std::abs(sum / n) < 0.14);
}

TEST_CASE("reading doubt: where the pad turns firm the bend is in the doubt") {
  const auto way_mm = [](double push_n) { return push_n < 50 ? push_n : 50 + 0.1 * (push_n - 50); };
  int held = 0, n = 0;
  double at_turn_m = 0, beyond_m = 0;
  for (unsigned seed = 1; seed <= 300; ++seed) {
    const Trace t = pressed(seed, way_mm, 0.1);
    const auto r = read_at(t, 50);
    const auto firm = read_at(t, 200);
    REQUIRE((r && firm));
    // The push's doubt is one of the way, at the steeper side.
    const double doubt_mm = std::hypot(1e3 * r->travel_uncertainty_m, r->force_uncertainty_n);
    held += std::abs(1e3 * r->travel_m - way_mm(r->force_n)) <= doubt_mm ? 1 : 0;
    at_turn_m += r->travel_uncertainty_m;
    beyond_m += firm->travel_uncertainty_m;
    ++n;
  }
  CHECK(held >= 0.9 * n);
  CHECK(at_turn_m > 2 * beyond_m);
}

TEST_CASE("reading doubt: a hole in the line loses no reading, and is no surer for it") {
  const auto way_mm = [](double push_n) { return 0.2 * push_n; };
  Trace t = pressed(5, way_mm, 0.1, 100);
  const auto whole = read_at(t, 150);
  std::erase_if(t.samples, [](const LineSample& s) {
    return s.t_s > 1 + 150 / kRise_n_s - 0.25 && s.t_s < 1.05 + 150 / kRise_n_s;
  });
  const auto holed = read_at(t, 150);
  REQUIRE((whole && holed));
  CHECK(1e3 * holed->travel_m == Approx(0.2 * holed->force_n).margin(0.6));
  CHECK(holed->travel_uncertainty_m >= whole->travel_uncertainty_m);
}

TEST_CASE("fit doubt: sound readings at the turn do not widen what the rest tell") {
  const System s = car();
  double squares = 0;
  int n = 0;
  for (unsigned seed = 1; seed <= 40; ++seed) {
    std::mt19937 draw(seed);
    std::normal_distribution<double> normal;
    std::vector<Reading> list;
    for (const int way : {0, 1, 2})
      for (const double push_n : {48.0, 49.0, 50.0, 52.0, 90.0, 150.0, 250.0, 380.0}) {
        Reading r;
        r.force_n = push_n;
        r.second_apply = way == 1;
        r.hoses_clamped = way == 2;
        r.clamped = ClampedHoses::first;
        r.force_uncertainty_n = 1;
        r.travel_uncertainty_m = 1e-4;
        Condition c;
        c.assist_alive = false;
        c.take_up_scale = 3;
        const auto m = FeelModel::make(s, row_condition(c, row_of(r)));
        const auto travel = predicted_travel_m(*m, push_n + 0.5 * normal(draw));
        if (!travel) continue;
        r.travel_m = *travel + 5e-5 * normal(draw);
        list.push_back(r);
      }
    const ReadingEstimate r = estimate_from_readings(s, list, false);
    REQUIRE(r.at(Unknown::clearance));
    const auto& e = *r.at(Unknown::clearance);
    squares += std::pow((e.value - 3) / (e.uncertainty / 2), 2);
    ++n;
  }
  // It scatters by its own standard uncertainty; of 40 that is told within a tenth.
  CHECK(std::sqrt(squares / n) > 0.85);
  CHECK(std::sqrt(squares / n) < 1.35);
}

TEST_CASE("fit doubt: air found at none is doubted as a little of it is") {
  const System s = car();
  const auto doubt = [&](double air_m3) {
    std::vector<Reading> list;
    for (const double push_n : {45.0, 55.0, 65.0, 80.0, 100.0}) {
      Condition c;
      c.assist_alive = false;
      c.air_m3 = air_m3;
      Reading r;
      r.force_n = push_n;
      r.travel_m = predicted_travel_m(*FeelModel::make(s, c), push_n).value_or(0);
      r.force_uncertainty_n = 1;
      r.travel_uncertainty_m = 5e-4;
      list.push_back(r);
    }
    const ReadingEstimate r = estimate_from_readings(s, list, false);
    REQUIRE(r.air_m3());
    return r.air_m3()->uncertainty;
  };
  CHECK(doubt(0) == Approx(doubt(1e-7)).epsilon(0.25));
}
