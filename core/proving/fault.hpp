// One fault of some size put into a sound system: what the ranking of causes simulates.
#pragma once

#include <string>
#include <string_view>

#include "proving/hypotheses.hpp"
#include "quantity/message.hpp"

namespace yoke {

inline constexpr std::size_t kCauses = static_cast<std::size_t>(Cause::count_);
inline constexpr double kTape_m = 0.0015;
inline constexpr double kImpossible = 100.0;  ///< miss of a reading this fault could not produce

/// A system with a fault of some size, and what the pump test would show.
struct Faulty {
  System system;
  Condition condition;
  double slack_m = 0;
  double sink_m = 0;
  double gain_m = 0;        ///< pad rise from the first press to the third
  double light_sink_m = 0;  ///< under a light foot alone
  double stick_n = 0;       ///< by which the assist lags behind the foot
};

/// What was felt by hand beside the readings: true of every cause but the one that claims it.
struct Felt {
  const Symptoms* signs = nullptr;
  double pivot_m = 0;  ///< at the pad
  double pin_m = 0;    ///< at the pad
  std::optional<double> rod_m;
};

struct CauseInfo {
  std::string_view words;
  std::string_view advice;
  double most = 1;        ///< largest size looked for
  std::string_view form;  ///< how the size is told; empty: it has none
  Amount shown;           ///< what kind of quantity the size is
};

[[nodiscard]] const CauseInfo& cause_info(Cause cause);

/// `felt`: slack was looked for by hand, so that a worn pivot and a short rod can be told apart.
/// `one_clamped`: read with the hoses of one outlet clamped off, so that crossed lines show.
[[nodiscard]] bool possible(const System& s, Cause c, bool assisted_reading, const PumpTest& pump,
                            bool felt, bool one_clamped = false);
[[nodiscard]] Faulty faulty(const System& sound, Cause cause, double size, const Felt& felt = {});
/// Misses of the depth tests and the plays felt by hand.
[[nodiscard]] double signs_miss(const Faulty& fault, const Felt& felt);
/// The cheapest test whose outcome differs between two causes.
/// Those that `signs` tells of already are left out.
[[nodiscard]] Message test_between(Cause a, Cause b, const Symptoms* signs = nullptr);
/// Two faults at once.
[[nodiscard]] Faulty faulty(const System& sound, Cause first, double first_size, Cause second,
                            double second_size, const Felt& felt);

/// What was read and felt of a system, and `count` of it.
struct Evidence {
  const System& system;
  const std::vector<ReadingRow>& rows;
  const PumpTest& pump;
  double count = 0;
  Felt felt;
};
/// The best size of a cause and how well it explains the evidence.
[[nodiscard]] Hypothesis fitted(const Evidence& evidence, Cause cause);
/// The best sizes of two causes at once.
[[nodiscard]] Hypothesis fitted(const Evidence& evidence, const Hypothesis& first,
                                const Hypothesis& second);
/// Whether a misfit is no more than chance: chi2 below its 95 % quantile.
[[nodiscard]] bool explains(const Hypothesis& hypothesis, double count);
/// Where no single cause explains the evidence: the likeliest of them two by two, added to the
/// list.
void add_pairs(const Evidence& evidence, Diagnosis& d);
/// Sorts by AICc, shares the weights out, names the next test.
void weigh(Diagnosis& d, const Symptoms* signs = nullptr);

}  // namespace yoke
