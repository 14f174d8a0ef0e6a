// Measured against predicted: free travel (slack) and trapped air from a few hand readings.
// Bounded weighted least squares of travel against force with two unknowns; refused when the data
// cannot separate them (condition number of the unit-column Jacobian above 100, a standard error
// above half the allowed range, or fewer than three points below 1 MPa for the air).
#pragma once

#include <string>
#include <vector>

#include "feel/feel.hpp"
#include "job/job.hpp"

namespace yoke {

struct Estimate {
  double value = 0;
  double doubt = 0;  ///< twice the standard error
};

struct FitReport {
  std::string refusal;              ///< why nothing, or not all, can be told; empty when all can
  std::string next_measurement;     ///< what would help
  std::optional<Estimate> slack_m;  ///< at the pad, beyond the predicted free play; may be negative
  std::optional<Estimate> air_m3;   ///< free air at ambient pressure
  double misfit_m = 0;              ///< weighted root mean square of what is left, at the pad
  std::size_t used = 0;             ///< readings within the model's range
};

/// Largest free air and slack that are looked for.
inline constexpr double kMostAir_m3 = 20e-6;
inline constexpr double kMostSlack_m = 0.060;

/// Fits readings of one assist state to a system.
[[nodiscard]] FitReport fit_readings(const System& system, const std::vector<Reading>& readings,
                                     bool assist_alive);

/// Pad travel the model predicts for a force with some air, nothing when out of its range.
[[nodiscard]] std::optional<double> predicted_travel_m(const FeelModel& model, double pad_force_n);

/// What the pump and sink test says.
struct PumpReport {
  std::optional<Volume> take_up;        ///< volume behind the pump gain
  std::optional<double> sink_m3_per_s;  ///< leak through the master or out of the system
  bool sinking = false;                 ///< beyond what a tape can mistake
  std::vector<std::string> words;
};
/// `ratio` motion ratio; `bore` of the master.
[[nodiscard]] PumpReport pump_report(const PumpTest& test, Length bore, double ratio);

}  // namespace yoke
