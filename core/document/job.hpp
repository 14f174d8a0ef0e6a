// The job: one value. Copying is the snapshot, comparing is the dirty check.
#pragma once

#include <map>
#include <optional>
#include <string>
#include <vector>

#include "document/choice.hpp"
#include "document/codes.hpp"
#include "document/enum_words.hpp"
#include "document/event.hpp"
#include "document/joint.hpp"
#include "document/measured.hpp"
#include "document/place.hpp"
#include "document/recording.hpp"
#include "document/road.hpp"
#include "document/tube.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// The job's three systems. `plan` is how it will stand: what was measured as built wins over what
/// was planned. `built` is what was measured as built alone.
enum class As { found, plan, built };

/// A step of the procedure that was done.
struct StepRecord {
  bool done = false;
  std::string date;  ///< ISO day, as the builder ticked it
  std::string note;
  std::string waits;    ///< when it was ticked: "2026-05-31T14:05:09", local; empty: not kept
  std::string photo{};  ///< name of a picture beside the job
  Unread unread{};
  bool operator==(const StepRecord&) const = default;
};

/// Bleeding of one wheel, or of the master on the bench ("bench").
struct BleedRecord {
  int strokes = 0;
  int refills = 0;
  int clear_strokes = 0;           ///< bubble-free strokes in a row, down and up
  int topped_at = 0;               ///< strokes counted when the reservoir was last refilled
  int ran_dry = 0;                 ///< how often its chamber drew air from an empty reservoir
  int began_at = 0;                ///< strokes counted when air was last drawn in: from here on
  std::string way{};               ///< how it was counted: "helper"; empty: not said
  std::optional<double> push_m{};  ///< the last push against plugs
  std::optional<double> push_then_m{};  ///< the push before it
  Unread unread{};
  bool operator==(const BleedRecord&) const = default;
};

/// Whose hoses a clamped press has off.
enum class ClampedHoses { all, first, second };
template <>
struct EnumWords<ClampedHoses> {
  static constexpr std::array all{EnumWord{"all", "all of them"},
                                  EnumWord{"first", "outlet 1's alone"},
                                  EnumWord{"second", "outlet 2's alone"}};
};

/// One reading of the pressed pedal.
struct Reading {
  double force_n = 0;
  double travel_m = 0;
  double force_uncertainty_n = 10;       ///< a bathroom scale read in a hurry
  double travel_uncertainty_m = 0.0015;  ///< a tape
  bool assist_alive = false;
  bool second_apply = false;   ///< right after another press: clearances are taken up
  bool hoses_clamped = false;  ///< flexible hoses clamped off: only the lines before them give
  ClampedHoses clamped = ClampedHoses::all;          ///< which of them, where they are
  std::optional<double> pressure_pa = std::nullopt;  ///< a gauge in the line, where one is fitted
  bool rejected = false;  ///< kept, and left out of what is computed: the scale slipped
  std::string note{};     ///< why, or what was seen
  Unread unread{};
  bool operator==(const Reading&) const = default;
};

/// Those that count: what was rejected stays in the job and in no figure.
[[nodiscard]] std::vector<Reading> kept_readings(const std::vector<Reading>& readings);

/// Pad depths of presses in a row at the same push, and the sink under a steady foot.
struct PumpTest {
  std::optional<double> first_m;
  std::optional<double> third_m;
  std::optional<double> sink_m;          ///< pad sink while held
  std::optional<double> hold_s;          ///< held for
  std::optional<double> light_sink_m{};  ///< the same under a light foot: a worn cup shows there
  /// What stands in the line with the foot off, by a gauge: more than nothing holds the linings on.
  std::optional<double> rest_pressure_pa{};
  Unread unread{};
  bool operator==(const PumpTest&) const = default;
};

enum class GateState { open, passed, failed };
template <>
struct EnumWords<GateState> {
  static constexpr std::array all{EnumWord{"open", "open"}, EnumWord{"passed", "passed"},
                                  EnumWord{"failed", "failed"}};
};
/// What a gate was passed on. A bare word is no proof: a number that was read, or what was seen,
/// and who saw it when.
struct GateRecord {
  GateState state = GateState::open;
  std::string date;            ///< ISO day of an older file; `when` tells the second
  std::string note;            ///< what was seen
  std::string who;             ///< the builder's own name for himself
  std::string when;            ///< "2026-05-31T14:05:09", local
  std::string instrument;      ///< what the number was read with
  std::optional<double> read;  ///< SI, of the gate's own kind
  double read_uncertainty = 0;
  std::string photo{};   ///< name of a picture beside the job
  std::string opened{};  ///< nipples that were opened for it, by their keys: "fl rr"
  /// The values, steps and parts that it rests on as they were, by their keys.
  std::map<std::string, std::string> rests_on;
  Unread unread{};
  bool operator==(const GateRecord&) const = default;
};

/// What kind of thing a part is; decides which dimensions describe it.
enum class PartKind { master, booster, slave, lever };
template <>
struct EnumWords<PartKind> {
  static constexpr std::array all{EnumWord{"master", "Master"}, EnumWord{"booster", "Booster"},
                                  EnumWord{"slave", "Slave"}, EnumWord{"lever", "Hand lever"}};
};

/// Another unit that is thought about: its own values, laid over the plan's.
struct Candidate {
  std::string name;
  std::string maker;
  PartKind kind = PartKind::master;
  MeasuredSet sheet;
  Unread unread{};
  bool operator==(const Candidate&) const = default;
};

/// A later conversion that this one must not forget.
enum class LaterKind {
  front_discs,
  rear_discs,
  booster,
  electric_drive,
  axle_swap,
  battery_move,
  bigger_tyres
};
template <>
struct EnumWords<LaterKind> {
  static constexpr std::array all{EnumWord{"front_discs", "Front discs"},
                                  EnumWord{"rear_discs", "Rear discs"},
                                  EnumWord{"booster", "Another booster"},
                                  EnumWord{"electric_drive", "Electric drive"},
                                  EnumWord{"axle_swap", "Another axle or calipers"},
                                  EnumWord{"battery_move", "Battery moved away"},
                                  EnumWord{"bigger_tyres", "Bigger tyres"}};
};
struct Later {
  LaterKind what = LaterKind::front_discs;
  std::string date;  ///< ISO day it is planned for; empty: some day
  Unread unread{};
  bool operator==(const Later&) const = default;
};

/// A box in the engine bay, for the room around the unit. x forward, y to the right, z up, from the
/// middle of the mounting face.
struct Box {
  enum class Kind { unit, fixed, moving, hot };
  std::string name;
  Kind kind = Kind::fixed;
  double x_m = 0, y_m = 0, z_m = 0;     ///< its middle
  double dx_m = 0, dy_m = 0, dz_m = 0;  ///< whole lengths
  double swing_m = 0;                   ///< how far it moves each way
  Unread unread{};
  bool operator==(const Box&) const = default;
};

template <>
struct EnumWords<Box::Kind> {
  static constexpr std::array all{EnumWord{"unit", "the unit"}, EnumWord{"fixed", "stands still"},
                                  EnumWord{"moving", "moves"}, EnumWord{"hot", "is hot"}};
};

/// A part that is waited for, and what was proved on it by hand.
struct PartInHand {
  std::string name;
  std::string promised;  ///< ISO day; empty: not promised
  bool here = false;
  bool thread = false;       ///< its thread was screwed together by hand with its mate
  bool seat = false;         ///< its seat was looked at against its mate
  bool place = false;        ///< it was held where it goes
  bool before_apart = true;  ///< needed before the car comes apart
  std::string note;
  Unread unread{};
  bool operator==(const PartInHand&) const = default;
};

enum class JobState { in_work, proved, left_unsafe };
template <>
struct EnumWords<JobState> {
  static constexpr std::array all{EnumWord{"in_work", "In work"}, EnumWord{"proved", "Proved"},
                                  EnumWord{"left_unsafe", "Left unsafe"}};
};

struct Job {
  std::string title;
  std::string vehicle;  ///< the builder's own words
  std::string notes;
  JobState state = JobState::in_work;
  MeasuredSet found;
  MeasuredSet plan;
  MeasuredSet built;  ///< as-built measurements; where present they replace the planned value
  std::map<std::string, StepRecord> steps;
  std::map<std::string, BleedRecord> bleeding;
  std::vector<Reading> readings;
  std::vector<Reading> before;  ///< of the system as found, kept for comparison
  std::vector<Candidate> candidates;
  std::vector<Later> later;
  std::vector<PartInHand> parts;
  std::vector<Box> boxes;
  std::vector<OwnStep> own_steps;
  std::vector<OrderFact> order_facts;
  std::vector<TubeLine> tubes;
  std::vector<TubeCorner> tube_corners;
  std::vector<TakenOff> taken_off;
  std::vector<Calibration> calibrations;  ///< of instruments, the latest of a channel counts
  std::vector<Recording> recordings;
  std::vector<RoadStop> stops;
  std::map<std::string, RoadPermit> permits;  ///< by the keys of the stages
  std::vector<Foretold> foretold;             ///< as it stood when the job was proved
  std::map<std::string, WheelHeat> heat;      ///< after a run, by the keys of the wheels
  std::vector<Event> events;                  ///< the logbook, in its order
  std::vector<OpenPoint> points;
  PumpTest pump;
  std::map<std::string, GateRecord> gates;
  std::map<std::string, JointRecord> joints;  ///< by their keys in the net
  Unread unread{};
  bool operator==(const Job&) const = default;
};

/// The plan replaces the thing that this parameter was measured on: a master of another bore or
/// kind, another booster, other brakes, another rod.
[[nodiscard]] bool replaced(const Job& job, Param param);

/// What is recorded of a step or a gate; nullptr: nothing. Records whose step or gate this version
/// does not know stay in the maps.
[[nodiscard]] const StepRecord* record_of(const Job& job, StepId id);
[[nodiscard]] const GateRecord* record_of(const Job& job, GateId id);
/// The record to write into.
[[nodiscard]] StepRecord& record_for(Job& job, StepId id);
[[nodiscard]] GateRecord& record_for(Job& job, GateId id);

enum class Origin { measured, typical, unknown };

/// A value as the computation uses it.
struct Value {
  Origin origin = Origin::unknown;
  double si = 0;
  double uncertainty_si = 0;
  How how = How::unknown;
  bool inherited = false;  ///< a plan that took the fitted system's value
  bool as_built = false;
  bool other_unit = false;    ///< inherited, but measured on a unit that the plan replaces
  bool follows = false;       ///< inherited, and worked out for the plan from other values
  bool said_unknown = false;  ///< somebody said "unknown": the typical value stands in for it
  [[nodiscard]] bool known() const { return origin != Origin::unknown; }
  /// Measured on the very thing, or stated by its maker: what rests on it may be said to hold.
  [[nodiscard]] bool settled() const {
    return origin == Origin::measured && how != How::estimate && !other_unit;
  }
  /// The option of a choice; nothing while it is unknown. A choice is never compared with a number.
  template <class Choice>
  requires is_choice<Choice>
  [[nodiscard]] std::optional<Choice> as() const {
    return known() ? std::optional(static_cast<Choice>(static_cast<int>(si))) : std::nullopt;
  }
  template <class Choice>
  requires is_choice<Choice>
  [[nodiscard]] bool is(Choice wanted) const { return as<Choice>() == wanted; }
};

/// The value of a parameter: as built, planned, as found, typical, or unknown, in that order for a
/// plan; as found, typical, unknown for the fitted system. What is said to be unknown falls back to
/// the typical value where there is one, so that no figure is ever computed from an empty value.
/// Typical values carry 20 %, an efficiency no more than its distance from 1; so does what a plan
/// takes over from a unit that it replaces.
[[nodiscard]] Value value_of(const Job& job, As which, Param param);
/// The values that were entered for one of the systems.
[[nodiscard]] const MeasuredSet& entered(const Job& job, As which);
[[nodiscard]] MeasuredSet& entered(Job& job, As which);

/// Whether a system has this option of a choice that one parameter alone has.
template <class Choice>
[[nodiscard]] bool is(const Job& job, As which, Choice wanted) {
  return value_of(job, which, ParamOf<Choice>::value).is(wanted);
}

/// The same where several parameters are alike: both axles, both outlets, the wheels.
template <class Choice>
[[nodiscard]] bool is(const Job& job, As which, Param p, Choice wanted) {
  return value_of(job, which, p).is(wanted);
}

/// Where a value comes from, in words for the sheet: "calliper", "typical (common practice, …)".
[[nodiscard]] Message origin_words(const Job& job, As which, Param param);

/// "2026-05-31": a day that exists.
[[nodiscard]] bool is_day(std::string_view text);

}  // namespace yoke
