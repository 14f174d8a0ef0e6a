// What could be wrong: each cause simulated with its own fitted size, ranked by how well it
// explains the readings (AICc = chi2 + 2k + 2k(k+1)/(n-k-1)), and the cheapest test that tells the
// first two apart. Textbook statistics; which test shows what is common practice, no source.
#pragma once

#include <span>
#include <string>
#include <vector>

#include "document/param/symptom.hpp"
#include "document/values.hpp"
#include "proving/estimate.hpp"
#include "quantity/message.hpp"

namespace yoke {

enum class Cause {
  none,
  air_primary,
  air_secondary,
  drums_out,
  knock_back,
  soft_hoses,
  rod_short,
  rod_long,
  bypass,
  leak,
  weak_assist,
  wrong_bore,
  residual_missing,
  front_blocked,
  rear_blocked,
  pivot_wear,
  dead_stroke,
  valve_sticks,  ///< of the booster: it follows the foot a fixed push behind
  crossed,       ///< each outlet feeds the other's wheels
  worn_cup,      ///< passes fluid under a light foot, seals under a firm one
  count_
};
[[nodiscard]] std::string_view cause_words(Cause cause);
/// What it would cost to mend, and what would not help.
[[nodiscard]] std::string_view cause_advice(Cause cause);
struct Hypothesis;
/// "1.4 cm³. Bleed that circuit again …": its size where it has one, then what to do.
[[nodiscard]] Message sized_advice(const Hypothesis& hypothesis);

/// One cause, or two at once, each at its best size.
struct Hypothesis {
  Cause cause = Cause::none;
  double size = 0;     ///< SI
  Message size_words;  ///< "1.4 cm³", "0.4 mm more clearance"; empty for none
  std::optional<Cause> second;
  double second_size = 0;
  Message second_words;
  Message words;    ///< "air in circuit 1"; two causes are joined
  double chi2 = 0;  ///< weighted sum of squares left
  double aicc = 0;
  double weight = 0;  ///< share of all weights exp(-dAICc/2)
};

struct Diagnosis {
  Message refusal;                 ///< why nothing is ranked
  std::vector<Hypothesis> ranked;  ///< likeliest first
  /// No cause, alone or with another, explains what was read and felt within its doubt.
  bool unexplained = false;
  Message next_test;  ///< separates the first two
};
/// What was seen and felt before anything was taken apart: evidence beside force readings.
struct Symptoms {
  double push_n = 150;             ///< of the depth tests, assist exhausted
  std::optional<double> first_m;   ///< pad depth, rested
  std::optional<double> second_m;  ///< after one pump
  std::optional<double> third_m;   ///< after three
  std::optional<double> sink_m;
  double hold_s = 60;
  std::optional<double> engine_m;      ///< pad drop at engine start
  std::optional<double> rod_play_m;    ///< at the rod
  std::optional<double> pivot_play_m;  ///< at the pad
  std::optional<double> pin_wear_m;    ///< at the rod
  double ratio = 0;                    ///< that brings it to the pad
  bool bore_known = false;             ///< measured too well for another bore to be the cause
  bool clutch = false;                 ///< no shoes, no discs, one line
  std::optional<choice::SymptomLamp> lamp;
  std::optional<choice::SymptomLeak> leak;
  std::optional<choice::SymptomLevel> level;
  std::optional<choice::SymptomCreep> creep;
  std::optional<choice::SymptomDrag> drag;
  [[nodiscard]] bool any() const;
};
[[nodiscard]] Symptoms symptoms_of(const Values& found);

/// Ranks causes by symptoms and by readings of the fitted system; without a system that can be
/// pressed (null) by what each symptom speaks for and against alone (common practice, no source).
[[nodiscard]] Diagnosis diagnose_symptoms(const System* system,
                                          const std::vector<Reading>& readings,
                                          const Symptoms& symptoms);

/// Ranks causes by the job's readings and pump test; those that cannot occur in this system are
/// left out. Needs three usable readings.
[[nodiscard]] Diagnosis diagnose(const System& system, const std::vector<Reading>& readings,
                                 const PumpTest& pump, bool bore_known = false);
/// Whether the bore was measured, or stated by its maker, to 2 %.
[[nodiscard]] bool bore_is_known(const Values& values);

}  // namespace yoke
