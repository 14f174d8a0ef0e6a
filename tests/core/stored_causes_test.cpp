// Each cause hidden in one car and read back, as it was stored: what is told, how sure, how large,
// what it says of money, and the test that separates. That the answers are right is what
// simulated_jobs_test holds; here none of their words and sizes moves unseen.
#include <catch2/catch.hpp>
#include <sstream>

#include "document/param/symptom.hpp"
#include "proving/fault.hpp"
#include "support/build.hpp"
#include "support/pad_depth.hpp"
#include "support/stored.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

System assisted_car() {
  System s = car();
  s.assist = booster();
  s.residual_rear = Pressure{70e3};
  s.control.pad_stop = Length{0.19};
  return s;
}

/// Presses light and firm, engine on and off, once and again, as the faulty pedal gives them.
std::vector<Reading> readings_of(const Faulty& f) {
  std::vector<Reading> all;
  for (const bool alive : {false, true})
    for (const bool again : {false, true})
      for (const double push_n : {40.0, 70.0, 110.0, 200.0, 320.0}) {
        ReadingRow row{push_n, 0, 0, alive, again, false};
        const auto m = FeelModel::make(f.system, row_condition(f.condition, row));
        if (!m) continue;
        const auto t = predicted_travel_m(*m, push_n);
        if (!t) continue;
        Reading r;
        r.force_n = push_n;
        r.travel_m = *t + f.slack_m;
        r.force_uncertainty_n = 3;
        r.travel_uncertainty_m = 1e-3;
        r.assist_alive = alive;
        r.second_apply = again;
        all.push_back(r);
      }
  return all;
}

void write(std::ostream& out, const Diagnosis& d) {
  if (!d.refusal.empty()) out << "  " << english(d.refusal) << "\n";
  out << "  " << (d.unexplained ? "nothing explains it; " : "") << english(d.next_test) << "\n";
  std::size_t shown = 0;
  for (const Hypothesis& h : d.ranked) {
    if (h.weight < 0.005 && shown > 2) continue;
    ++shown;
    out << "  " << std::lround(h.weight * 100) << " % " << english(h.words) << " | "
        << english(sized_advice(h)) << "\n";
  }
}

bool assist_whole(const System& s) {
  const auto* b = std::get_if<Booster>(&s.assist);
  return b && b->max_assist >= booster().max_assist;
}

Symptoms symptoms_with(const Faulty& f) {
  Symptoms s;
  s.push_n = 120;
  s.first_m = depth(f.system, s.push_n, false, f.condition) + f.slack_m;
  s.third_m = depth(f.system, s.push_n, true, f.condition) + f.slack_m;
  s.sink_m = f.sink_m;
  s.rod_play_m = f.system.control.rod_clearance.value();
  s.pivot_play_m = f.slack_m;
  s.ratio = 6;
  // The pad's drop as the engine starts tells of the assist alone.
  s.engine_m = f.condition.assist_alive && assist_whole(f.system) ? 0.012 : 0.001;
  return s;
}

}  // namespace

TEST_CASE("every cause is told as was stored", "[golden]") {
  std::ostringstream out;
  const System sound = assisted_car();
  for (std::size_t i = 0; i < kCauses; ++i) {
    const auto cause = static_cast<Cause>(i);
    const Faulty f = faulty(sound, cause, 0.3 * cause_info(cause).most);
    PumpTest pump;
    pump.sink_m = f.sink_m;
    out << cause_words(cause) << ", by readings\n";
    write(out, diagnose(sound, readings_of(f), pump, false));
    out << cause_words(cause) << ", by readings alone, the bore known\n";
    write(out, diagnose(sound, readings_of(f), {}, true));
    out << cause_words(cause) << ", by what is felt alone\n";
    write(out, diagnose_symptoms(nullptr, {}, symptoms_with(f)));
    out << cause_words(cause) << ", felt in a known car\n";
    write(out, diagnose_symptoms(&sound, {}, symptoms_with(f)));
    out << cause_words(cause) << ", by its own size\n";
    for (const bool alive : {false, true})
      for (const Message& m : estimate_words(estimate_from_readings(sound, readings_of(f), alive)))
        out << "  " << english(m) << "\n";
  }
  compare_with_stored("every-cause.txt", out.str());
}

TEST_CASE("between every two causes stands the test that was stored", "[golden]") {
  std::ostringstream out;
  Symptoms all = symptoms_with({car(), {}, 0, 0, 0});
  all.leak = choice::SymptomLeak::none;
  all.level = choice::SymptomLevel::stays;
  all.engine_m = 0.01;
  Symptoms third_only;
  third_only.first_m = 0.06;
  third_only.third_m = 0.05;
  const Symptoms* const known_before[] = {nullptr, &all, &third_only};
  for (const Symptoms* known : known_before)
    for (std::size_t a = 0; a < kCauses; ++a)
      for (std::size_t b = a + 1; b < kCauses; ++b)
        out << cause_words(static_cast<Cause>(a)) << " / " << cause_words(static_cast<Cause>(b))
            << ": " << english(test_between(static_cast<Cause>(a), static_cast<Cause>(b), known))
            << "\n";
  compare_with_stored("every-test.txt", out.str());
}
