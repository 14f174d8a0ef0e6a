// A pedal that is pressed by a made-up foot, with instruments on it: the stand-in for a bench, a
// car and a helper in tests, in practice and where no instrument is at hand. It presses the model
// of a job, with faults that only it knows, and tells what sensors would, with their noise, drift
// and drop-outs, as lines of the instrument's own text.
#pragma once

#include <cstdint>
#include <optional>
#include <random>
#include <string>
#include <vector>

#include "document/job.hpp"
#include "feel/feel.hpp"
#include "instrument/trace.hpp"

namespace yoke {

struct RigFaults {
  double air_first_m3 = 0, air_second_m3 = 0;
  double clearance_scale = 1;
  double hose_scale = 1;
  double bypass_m3_s_pa = 0;        ///< fluid past the cups for the pressure
  double cup_m3_s = 0;              ///< past a worn cup, below 1 MPa alone
  double stick_n = 0;               ///< of the booster's valve, to either side
  bool crossed = false;             ///< outlets swapped
  double preload_pa = 0;            ///< held in the lines by a rod that is too long
  std::optional<ChannelWhat> dead;  ///< this sensor gives nothing
};
/// Faults by name, as they are chosen: "none", "air1", "air2", "clearance", "hose", "bypass",
/// "cup", "stick", "crossed", "preload", "dead".
[[nodiscard]] std::vector<std::string> rig_fault_names();
/// Each as large as a careful builder must notice; nothing: no such name.
[[nodiscard]] std::optional<RigFaults> rig_fault(const std::string& name);

/// How good the sensors are, and the line.
struct RigSenses {
  std::string name{kStandInName};
  double rate_hz = 100;
  double noise_n = 1.0, noise_m = 0.0001, noise_pa = 20000;
  double drift_n_s = 0;      ///< of the force's zero
  double dropped_share = 0;  ///< of the samples never come
  double spoiled_share = 0;  ///< come with a letter changed
};

/// One press: rest, slowly down, hold, up.
struct RigPress {
  double push_n = 400;
  double rest_s = 1, rise_s = 4, hold_s = 3, fall_s = 1;
};

class Rig {
 public:
  /// Fails while the plan of the job cannot be pressed.
  static Expected<Rig> make(const Job& job, const RigFaults& faults, const RigSenses& senses,
                            const PressWay& way, std::uint64_t seed);

  /// The foot's presses, in turn and then from the first again.
  void press(std::vector<RigPress> presses) { foot_ = std::move(presses); }
  [[nodiscard]] InstrumentHead head() const;
  /// What its sensors told in the next seconds, as lines; the head first, and every five seconds.
  [[nodiscard]] std::string lines(double seconds);
  /// Samples so far, dropped ones too.
  [[nodiscard]] std::uint32_t number() const { return number_; }

  /// What nobody sees: push and travel at this moment.
  struct Truth {
    double force_n = 0, travel_m = 0, pressure_pa = 0;
  };
  [[nodiscard]] const Truth& truth() const { return truth_; }

 private:
  explicit Rig(const FeelModel& model) : model_(model) {}
  [[nodiscard]] double foot_n(double t_s) const;
  void step(double dt_s);
  [[nodiscard]] LineSample sample();

  FeelModel model_;
  RigFaults faults_;
  RigSenses senses_;
  std::vector<RigPress> foot_{RigPress{}};
  std::mt19937_64 draw_;
  double bore_m2_ = 1, t_s_ = 0, leaked_m3_ = 0, stuck_n_ = 0;
  std::uint32_t number_ = 0;
  Truth truth_;
};

}  // namespace yoke
