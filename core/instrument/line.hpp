// An instrument on a serial line: force and travel of a pad, pressures, vacuum, speed. The text it
// speaks is ours (docs/format/instrument.md): a head with name, rate and channels, then a sample a
// line with number, time and values, each line with its CRC-32 (ISO-HDLC, as in zlib and IEEE
// 802.3; check value 0xCBF43926 of "123456789"). A reader takes bytes as they come, whatever they
// are: it never throws, keeps no more than one line, and gives no value of a line that was spoiled.
#pragma once

#include <array>
#include <cstdint>
#include <optional>
#include <string>
#include <string_view>
#include <vector>

#include "quantity/kind.hpp"

namespace yoke {

enum class ChannelWhat { force, travel, pressure1, pressure2, vacuum, speed, count_ };
inline constexpr std::size_t kChannelKinds = static_cast<std::size_t>(ChannelWhat::count_);
[[nodiscard]] std::string_view key_of(ChannelWhat what);
[[nodiscard]] std::optional<ChannelWhat> channel_of(std::string_view key);
[[nodiscard]] std::string_view words_of(ChannelWhat what);
[[nodiscard]] Kind kind_of(ChannelWhat what);

/// A unit that a channel may be told in; `raw`: counts, which mean nothing without a calibration.
struct ChannelUnit {
  std::string_view name;
  double si = 1;
};
/// SI for one unit of it, where this channel may be told so; 0 for "raw".
[[nodiscard]] std::optional<double> unit_si(ChannelWhat what, std::string_view unit);

struct Channel {
  ChannelWhat what = ChannelWhat::force;
  std::string unit;
  double si = 1;  ///< for one unit; 0: raw
  bool operator==(const Channel&) const = default;
};

struct InstrumentHead {
  std::string name;
  double rate_hz = 100;
  std::vector<Channel> channels;
  bool operator==(const InstrumentHead&) const = default;
};

/// What the stand-in calls itself: what it tells is practice and goes into no job.
inline constexpr std::string_view kStandInName = "Yoke Step stand-in";
[[nodiscard]] bool is_stand_in(const InstrumentHead& head);

/// A sample as it was told, in the channel's own unit; nothing where a sensor gives nothing.
struct LineSample {
  double t_s = 0;  ///< from the first sample on, clock jumps and restarts taken out
  std::uint32_t number = 0;
  std::array<std::optional<double>, kChannelKinds> told{};
};

/// What came off a line so far.
struct LineCounts {
  std::size_t good = 0;  ///< samples
  std::size_t spoiled =
      0;                   ///< lines that are not whole: checksum, length, letters, count of values
  std::size_t lost = 0;    ///< samples that never came, by their numbers
  std::size_t jumps = 0;   ///< the instrument's clock leapt
  std::size_t starts = 0;  ///< it began anew, or was plugged in again
  std::size_t unasked = 0;  ///< samples before a head
};

inline constexpr std::size_t kMostLine = 200;  ///< letters, its end not counted
inline constexpr double kMostTold = 1e9;
inline constexpr double kMostRate_hz = 1000;

class LineReader {
 public:
  /// `host_s`: seconds by the host's clock, for what lies between two plugs.
  void take(std::string_view bytes, double host_s);
  /// The line went away: what comes next is a new start.
  void unplugged();
  /// Samples since the last call.
  [[nodiscard]] std::vector<LineSample> drain();
  [[nodiscard]] const std::optional<InstrumentHead>& head() const { return head_; }
  [[nodiscard]] const LineCounts& counts() const { return counts_; }
  /// Much came and none of it can be read: the line's speed is another.
  [[nodiscard]] bool wrong_speed() const { return unread_bytes_ > 600; }

 private:
  void line(std::string_view text, double host_s);
  bool head_line(std::string_view text);
  bool sample_line(std::string_view text, double host_s);
  void place(LineSample& s, std::uint32_t ms, double host_s);

  std::string kept_;       ///< of a line that is not whole yet
  bool too_long_ = false;  ///< its rest is passed over
  std::size_t unread_bytes_ = 0;
  std::optional<InstrumentHead> head_;
  std::optional<InstrumentHead> coming_;
  std::vector<LineSample> samples_;
  LineCounts counts_;
  struct Last {
    std::uint32_t number = 0, ms = 0;
    double t_s = 0, host_s = 0;
  };
  std::optional<Last> last_;
  bool fresh_ = true;  ///< nothing came since the line was joined
};

[[nodiscard]] std::uint32_t crc32_of(std::string_view text);
/// "text*1A2B3C4D\n", as an instrument sends it.
[[nodiscard]] std::string line_of(std::string_view text);
[[nodiscard]] std::string head_lines(const InstrumentHead& head);
/// `ms`: of the instrument's own clock.
[[nodiscard]] std::string sample_line(const InstrumentHead& head, const LineSample& sample,
                                      std::uint32_t ms);

}  // namespace yoke
