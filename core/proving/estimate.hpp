// Measured against predicted: slack, trapped air, clearance, compliance and hoses from a few hand
// readings. Bounded weighted nonlinear least squares of travel against force (Ceres) for what the
// data can support: slack always; air with three readings below 1 MPa; clearance and compliance are
// told apart from slack and hoses only with a second apply or with hoses clamped; air of one
// circuit from that of the other only with the hoses of one of them clamped (the pressure is the
// same in both: no press on both can tell; the air is taken to stand behind the clamp). Refused
// when the condition number of the unit-column Jacobian exceeds 100 or a standard error exceeds
// half the allowed range. Pumping takes up clearance, air stays.
#pragma once

#include <string>
#include <vector>

#include "document/job.hpp"
#include "feel/feel.hpp"
#include "quantity/message.hpp"

namespace yoke {

struct EightInTen {
  double low = 0, high = 0;
};

struct Estimate {
  double value = 0;
  double uncertainty = 0;  ///< expanded, k = 2: twice the standard error
  /// Where eight in ten lie when a bound is near (no air is less than none); else to either side.
  std::optional<EightInTen> within;
};

/// What may be fitted, in the order in which it is tried.
enum class Unknown {
  slack,      ///< m at the pad, beyond the predicted free play; may be negative
  air,        ///< m3, free at ambient pressure
  clearance,  ///< lining clearances over the expected ones
  growth,     ///< what calipers and drums give over the expected
  hose,       ///< what hoses give over the expected
  air_first,  ///< m3 of the air that stands at outlet 1
  count_
};
inline constexpr std::size_t kUnknownCount = static_cast<std::size_t>(Unknown::count_);
[[nodiscard]] std::string_view unknown_words(Unknown u);
struct Bounds {
  double least = 0;
  double most = 0;
};
[[nodiscard]] Bounds unknown_bounds(Unknown u);

struct ReadingEstimate {
  Message refusal;           ///< why nothing, or not all, can be told; empty when all can
  Message next_measurement;  ///< what would help
  std::array<std::optional<Estimate>, kUnknownCount> of;
  std::optional<Estimate> air_second;  ///< m3 of it at outlet 2, where outlet 1's is told
  bool fits = true;      ///< false: no size of what is looked for makes these readings
  double misfit_m = 0;   ///< root mean square of what is left, at the pad
  double condition = 0;  ///< of the unit-column Jacobian
  std::size_t used = 0;  ///< readings within the model's range
  [[nodiscard]] const std::optional<Estimate>& slack_m() const { return at(Unknown::slack); }
  [[nodiscard]] const std::optional<Estimate>& air_m3() const { return at(Unknown::air); }
  [[nodiscard]] const std::optional<Estimate>& at(Unknown u) const {
    return of[static_cast<std::size_t>(u)];
  }
};

/// Largest free air and slack that are looked for.
inline constexpr double kMostAir_m3 = 20e-6;
inline constexpr double kMostSlack_m = 0.060;

/// Fits readings of one assist state to a system.
/// What was told and what could not be, a sentence each.
[[nodiscard]] std::vector<Message> estimate_words(const ReadingEstimate& report);
[[nodiscard]] ReadingEstimate estimate_from_readings(const System& system,
                                                     const std::vector<Reading>& readings,
                                                     bool assist_alive);

/// Pad travel the model predicts for a force, nothing when out of its range.
[[nodiscard]] std::optional<double> predicted_travel_m(const FeelModel& model, double pad_force_n);

/// A reading as least squares sees it.
struct ReadingRow {
  double force_n = 0;
  double travel_m = 0;
  double sigma_m = 0;  ///< standard uncertainty of the travel, the force's carried over
  bool assist_alive = false;
  bool second_apply = false;
  bool hoses_clamped = false;
  ClampedHoses clamped = ClampedHoses::all;
  double tape_sigma_m = 0;   ///< of the travel alone
  double force_sigma_n = 0;  ///< of the push
};
/// How a reading was taken; its standard uncertainty is left to the caller.
[[nodiscard]] ReadingRow row_of(const Reading& reading);
/// The readings that lie within the press of a model, with their standard uncertainty.
[[nodiscard]] std::vector<ReadingRow> usable_rows(const System& system,
                                                  const std::vector<Reading>& readings,
                                                  std::optional<bool> assist_alive,
                                                  std::size_t& below_1_mpa);
/// The same for a system with faults: a push that is little off matters where the pad goes far for
/// it, and where that is moves with air and clearance.
void weigh(const System& system, const Condition& base, std::vector<ReadingRow>& rows);
/// Weighted miss of a reading against a model. A force beyond the press counts as its end: the pad
/// goes no further, however hard it is pressed.
[[nodiscard]] double row_miss(const FeelModel& model, const ReadingRow& row, double slack_m);
/// The condition in which a reading was taken, on top of another.
[[nodiscard]] Condition row_condition(Condition base, const ReadingRow& row);

/// What the pump and sink test says.
struct PumpReport {
  std::optional<Volume> take_up;        ///< volume behind the pump gain
  std::optional<double> sink_m3_per_s;  ///< leak through the master or out of the system
  bool sinking = false;                 ///< beyond what a tape can mistake
  std::vector<Message> words;
};
/// `ratio` motion ratio; `bore` of the master: without both no volume is told.
[[nodiscard]] PumpReport pump_report(const PumpTest& test, std::optional<Length> bore,
                                     std::optional<double> ratio);

}  // namespace yoke
