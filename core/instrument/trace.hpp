// A recorded press: raw samples, read by two known points a channel, and what readings they give.
#pragma once

#include <array>
#include <optional>
#include <vector>

#include "document/job.hpp"
#include "instrument/line.hpp"
#include "quantity/error.hpp"

namespace yoke {

/// How a press is pressed.
struct PressWay {
  bool assist_alive = false;
  bool second_apply = false;  ///< right after another
  bool hoses_clamped = false;
  ClampedHoses clamped = ClampedHoses::all;
  bool operator==(const PressWay&) const = default;
};

/// Ten minutes at a hundred samples a second.
inline constexpr std::size_t kMostTrace = 60000;

struct Trace {
  InstrumentHead head;
  std::vector<LineSample> samples;
};

/// How channels are read: by their units, or by two known points where the job has them.
class TraceScale {
 public:
  TraceScale(const InstrumentHead& head, const std::vector<Calibration>& points);
  /// Nothing: the channel is not there, gives nothing, or is raw and was never set by two points.
  [[nodiscard]] std::optional<double> si(const LineSample& s, ChannelWhat what) const;
  /// Doubt of the two points at a value, straight between them: it grows beyond them.
  [[nodiscard]] double plus_minus(ChannelWhat what, double si) const;
  /// Raw, and no two points were ever given.
  [[nodiscard]] bool asks(ChannelWhat what) const;

 private:
  struct Line {
    bool there = false, known = false;
    double gain = 1, at = 0;  ///< SI = gain x told + at
    double low = 0, high = 0, doubt = 0;
  };
  std::array<Line, kChannelKinds> lines_{};
};

/// What is wrong with two points: nothing, or the same twice.
[[nodiscard]] Expected<Calibration> checked(const Calibration& points);

/// A channel that the head names and that tells nothing, or hardly ever.
[[nodiscard]] bool is_dead(const Trace& trace, ChannelWhat what);

/// Where the channels stood before anything was pressed.
struct Rest {
  bool known = false;  ///< half a second of a still pad
  double until_s = 0;
  double force_n = 0;
  double travel_m = 0;
  double force_sd_n = 0;  ///< how the sensors scatter: standard deviation of one sample
  double travel_sd_m = 0;
  std::optional<double> pressure_pa;  ///< the higher of the gauges that tell one
};
/// From the beginning of a trace, or from `from_s` on.
[[nodiscard]] Rest rest_of(const Trace& trace, const TraceScale& scale, double from_s = 0);

/// One press in a trace: from rest to its firmest push.
struct TracePress {
  std::size_t from = 0, top = 0, to = 0;  ///< samples
  double most_n = 0;
};
/// Presses of at least 30 N; common practice, no source.
[[nodiscard]] std::vector<TracePress> presses_of(const Trace& trace, const TraceScale& scale);

/// Readings at these pushes on the way down of a press, slow enough to be read; each with the doubt
/// of its own scatter, the points and the rest. A push that was not reached gives none.
[[nodiscard]] std::vector<Reading> readings_of(const Trace& trace, const TraceScale& scale,
                                               const TracePress& press,
                                               const std::vector<double>& pushes_n);

/// How a held pedal sinks: m and seconds from the first second of the hold to its last.
struct TraceSink {
  double sink_m = 0;
  double hold_s = 0;
  double mean_n = 0;
};
[[nodiscard]] std::optional<TraceSink> sink_of(const Trace& trace, const TraceScale& scale,
                                               const TracePress& press);

}  // namespace yoke
