// The proof standing still, press by press in its order: what is pressed and with what, what this
// job expects, what was got, and what that means. It reads readings, pump test and gates; it keeps
// nothing of its own. Order and what each press tells: common practice, no source.
//   band of a press of the curve: 8 in 10, travel x sigma/travel at the target stop, first order;
//   it is good within the band, the reading's own doubt and 2 mm of a foot that is not still; with
//   the assist working what the same push was off without it is taken off first, and half the band
//   is left for the assist itself
#pragma once

#include <optional>
#include <vector>

#include "document/finding.hpp"
#include "proving/gates.hpp"

namespace yoke {

enum class ProofId {
  free_play,
  returns,
  returns_hot,
  rest_pressure,
  press_50,
  press_100,
  press_150,
  press_250,
  press_400,
  second,
  clamped,
  clamped_first,
  clamped_second,
  helped_100,
  helped_250,
  light_sink,
  sink,
  assist_drop,
  after_stop,
  no_assist,
  circuit,
  reserve,
  release,
  bite,
  drag,
  over_travel,
  wear_room,
  holds,
  full_lock,
  lamp,
  joints,
  count_
};
[[nodiscard]] std::string_view proof_key(ProofId id);

enum class ProofState {
  open,      ///< not pressed yet
  good,      ///< as expected, within its limit
  off,       ///< not as expected: find out why before going on
  stop,      ///< do not drive
  not_asked  ///< nothing is left to tell
};

/// Where what was got is kept.
enum class ProofWhere { gate, reading, pump, value };

struct ProofPress {
  ProofId id{};
  ProofWhere where = ProofWhere::gate;
  std::optional<GateId> gate;
  std::optional<Param> param;
  Message name;   ///< "Press with 100 N"
  Message how;    ///< where scale, tape, gauge go, and what the foot does
  Message tells;  ///< what it tells
  Message care;
  bool number = true;  ///< else something seen
  Kind kind = Kind::length;
  int digits = 0;
  std::optional<double> push_n;  ///< of a press of the curve
  bool assist_on = false;
  bool assisted = false;  ///< an assist is fitted: whether it worked tells presses apart
  bool opens = false;     ///< nipples are opened for it: which of them is told
  double bits = 0;        ///< what it is expected to tell about which cause it is
  bool most = false;      ///< none that is open tells more
  bool held = false;      ///< a gate that is shut by the numbers: nothing to answer
  std::optional<double> expect;
  std::optional<double> low, high;       ///< 8 in 10 of what this job allows lie between
  std::optional<double> least, largest;  ///< limits
  std::optional<double> got;
  Message seen;  ///< of what is no number
  ProofState state = ProofState::open;
  Message says;  ///< what the state means here
};

/// Forces of the curve on the way down.
inline constexpr double kProofForces_n[] = {50, 100, 150, 250, 400};

/// Bands take a press for each doubtful value: drawn for all, or where a press hangs on them.
enum class ProofBands { all, needed };
/// Standard uncertainty of the travel over the travel, at the target stop, assist off; `helped`:
/// with its help.
[[nodiscard]] double proof_share(const Job& job, const std::vector<ConditionReport>& strip,
                                 bool helped = false);
/// `findings` of the job hold gates shut; `share` where it was worked out before.
[[nodiscard]] std::vector<ProofPress> proof_protocol(const Job& job,
                                                     const std::vector<ConditionReport>& strip,
                                                     const std::vector<Finding>& findings,
                                                     ProofBands bands = ProofBands::all,
                                                     std::optional<double> share = std::nullopt);
/// What is off, or forbids to drive.
[[nodiscard]] std::vector<Finding> proof_findings(const Job& job,
                                                  const std::vector<ConditionReport>& strip);
/// What stands in the lines with the foot off.
struct RestPressure {
  double expected_pa = 0;  ///< what a residual valve keeps on purpose
  double most_pa = 0;
  std::optional<double> read_pa;
  [[nodiscard]] bool held() const { return read_pa && *read_pa > most_pa; }
};
[[nodiscard]] RestPressure rest_pressure(const Job& job);
/// A hand pulls less: the same shares of it.
inline constexpr double kHandShare = 0.4;
/// The first that is open and asked; the number of them when none is.
[[nodiscard]] std::size_t next_press(const std::vector<ProofPress>& list);

/// A scale is not met to the newton: how far off the push that is asked may be.
[[nodiscard]] double near_push_n(const ProofPress& press);
/// Whether hoses are clamped off at a press, and whose.
[[nodiscard]] bool is_clamped(ProofId id);
[[nodiscard]] ClampedHoses clamped_of(ProofId id);
/// A reading of a press of the curve as it is entered.
[[nodiscard]] Reading proof_reading(const ProofPress& press, double force_n, double travel_m);
/// The reading that a press of the curve is judged by; nothing: none yet.
[[nodiscard]] std::optional<std::size_t> reading_of(const Job& job, const ProofPress& press);

}  // namespace yoke
