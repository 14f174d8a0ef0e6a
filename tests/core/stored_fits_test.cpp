// What readings of many kinds tell, as it was stored: which of slack, air, clearance, flex and
// hoses are told apart, how well, and what is asked for where they are not.
#include <catch2/catch.hpp>
#include <cmath>
#include <sstream>

#include "proving/estimate.hpp"
#include "support/build.hpp"
#include "support/stored.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

/// How often each kind of press is read.
struct Presses {
  const char* name;
  int light = 0;
  int firm = 0;
  int second = 0;
  int clamped = 0;
  bool assisted = false;
};

struct Car {
  const char* name;
  Condition condition;
  double slack_m = 0;
};

void add(std::vector<Reading>& list, const System& s, const Car& of, double force_n, bool second,
         bool clamped, bool assisted) {
  Reading r;
  r.force_n = force_n;
  r.second_apply = second;
  r.hoses_clamped = clamped;
  r.assist_alive = assisted;
  r.force_uncertainty_n = 3;
  r.travel_uncertainty_m = 0.0005;
  ReadingRow row{force_n, 0, 0, assisted, second, clamped};
  const auto m = FeelModel::make(s, row_condition(of.condition, row));
  const auto t = m ? predicted_travel_m(*m, force_n) : std::nullopt;
  // Out of range is read too: what cannot be used is left out by the fit.
  r.travel_m = t ? std::round((*t + of.slack_m) * 10000) / 10000 : 0.05;
  list.push_back(r);
}

std::vector<Reading> read(const System& s, const Car& of, const Presses& p) {
  std::vector<Reading> list;
  for (int i = 0; i < p.light; ++i) add(list, s, of, 48.0 + 9 * i, false, false, p.assisted);
  for (int i = 0; i < p.firm; ++i) add(list, s, of, 190.0 + 60 * i, false, false, p.assisted);
  for (int i = 0; i < p.second; ++i) add(list, s, of, 70.0 + 80 * i, true, false, p.assisted);
  for (int i = 0; i < p.clamped; ++i) add(list, s, of, 75.0 + 70 * i, false, true, p.assisted);
  return list;
}

void write(std::ostream& out, const ReadingEstimate& r) {
  out << "  used " << r.used;
  for (std::size_t i = 0; i < kUnknownCount; ++i)
    if (const auto& e = r.of[i]) {
      // As a builder reads them: two figures.
      const double unit = i == 0 ? 1e-3 : i == 1 ? 1e-6 : 1;
      char text[80];
      std::snprintf(text, sizeof text, ", %s %.1f +- %.1f",
                    std::string(unknown_words(static_cast<Unknown>(i))).c_str(),
                    e->value / unit + 1e-9, e->uncertainty / unit);
      out << text;
    }
  out << "\n";
  for (const Message& m : {r.refusal, r.next_measurement})
    if (!m.empty()) out << "  " << english(m) << "\n";
  for (const Message& m : estimate_words(r)) out << "  " << english(m) << "\n";
}

}  // namespace

TEST_CASE("what readings tell is what was stored of them", "[golden]") {
  System s = car();
  s.control.pad_stop = Length{0.22};
  Condition air;
  air.assist_alive = false;
  air.air_m3 = 2.5e-6;
  Condition sound;
  sound.assist_alive = false;
  Condition swollen = sound;
  swollen.hose_scale = 3;
  Condition wide = sound;
  wide.take_up_scale = 3;
  const Car cars[] = {{"sound", sound, 0.002},
                      {"air", air, 0.004},
                      {"hoses", swollen, 0.001},
                      {"clearance", wide, 0.001}};
  static constexpr Presses kPresses[] = {
      {"none"},
      {"one light", 1},
      {"two light", 2},
      {"three light", 3},
      {"two firm", 0, 2},
      {"three light, one firm", 3, 1},
      {"three light, two firm", 3, 2},
      {"four light, three firm", 4, 3},
      {"three light, one second", 3, 0, 1},
      {"three light, two firm, two second", 3, 2, 2},
      {"all second", 0, 0, 4},
      {"three light, two clamped", 3, 0, 0, 2},
      {"five light, four firm, two second, three clamped", 5, 4, 2, 3},
      {"all clamped", 0, 0, 0, 4},
      {"three light, two firm, assisted", 3, 2, 0, 0, true}};
  std::ostringstream out;
  for (const Car& c : cars)
    for (const Presses& p : kPresses) {
      out << c.name << ", " << p.name << "\n";
      write(out, estimate_from_readings(s, read(s, c, p), p.assisted));
    }
  // The same presses read with a sleepy eye: nothing is told from them.
  for (const double doubt_m : {0.005, 0.050, 0.200}) {
    auto rough = read(s, cars[1], kPresses[7]);
    for (Reading& r : rough) r.travel_uncertainty_m = doubt_m;
    out << "read to " << doubt_m << " m\n";
    write(out, estimate_from_readings(s, rough, false));
  }
  System bare = s;
  bare.wheels.reset();
  out << "no brakes known\n";
  write(out, estimate_from_readings(bare, read(s, cars[0], kPresses[7]), false));
  out << "read without, asked with assist\n";
  write(out, estimate_from_readings(s, read(s, cars[0], kPresses[7]), true));
  compare_with_stored("every-fit.txt", out.str());
}
