// Each joint of the net judged: whether thread goes with thread and seat with seat, what would join
// them, what it is turned with, what belongs on it, how tight, and whether it was proved by hand.
// Torques and minutes are common practice without a source; the maker's figure wins.
#pragma once

#include <vector>

#include "document/finding.hpp"
#include "lines/fittings.hpp"
#include "plumbing/net.hpp"

namespace yoke {

enum class JointVerdict {
  not_looked,  ///< a thread or a seat nobody looked at: nothing can be said
  fits,
  leaks,     ///< it screws in and does not seal
  strips,    ///< it starts, and strips
  no_thread  ///< it does not start
};
[[nodiscard]] std::string_view verdict_key(JointVerdict verdict);
[[nodiscard]] std::string_view verdict_words(JointVerdict verdict);

struct JudgedJoint {
  NetJoint joint;
  JointRecord seen;  ///< both sides; the unit's own ports as its values tell them
  JointVerdict verdict = JointVerdict::not_looked;
  Message words;        ///< why; of one not looked at what is to be looked at
  Message mends;        ///< what would join the two; empty when nothing is wrong
  Message spanner;      ///< what fits its nut; empty while thread or seat is unknown
  Message put;          ///< what belongs on it, and what never does
  Message tighten;      ///< by its maker's figure, or by small turns with a cap
  bool proved = false;  ///< by hand, on parts like those that are planned now
  /// It goes together, and what is new was screwed together by hand.
  [[nodiscard]] bool good() const {
    return verdict == JointVerdict::fits && (!joint.fresh || proved);
  }
  /// Both sides were looked at, and they do not.
  [[nodiscard]] bool wrong() const {
    return verdict != JointVerdict::fits && verdict != JointVerdict::not_looked;
  }
};
/// In the order of the net.
[[nodiscard]] std::vector<JudgedJoint> judged_joints(const Job& job, As which);

/// Says that a joint of the plan was screwed together by hand, or was not. It holds for the parts
/// and sides that it was said of: another unit, other brakes or another nut open it again.
void prove_joint(Job& job, const std::string& key, bool proved);

/// The unit's own port: its thread and seat are values of the unit.
struct PortParams {
  Param thread, seat;
};
[[nodiscard]] std::optional<PortParams> port_params(std::string_view joint);

/// Joints of the plan that do not go together, joints of new parts not proved, nuts that sit fast.
[[nodiscard]] std::vector<Finding> joint_findings(const Job& job);

/// What to do about a nut that sits fast, decided before the first turn.
struct SeizedPlan {
  double try_min = 0;     ///< minutes to try and save the line
  double chance = 0;      ///< that it works
  double remake_min = 0;  ///< minutes to cut and make the end or the line again
  bool cut_now = false;   ///< trying costs more than it can save
  Message decision;
  std::vector<Message> steps;
  std::vector<Message> buy;
};
/// `soaked_s`: since it was soaked. `length_m`: of the line that would be made anew; nothing: not
/// known.
[[nodiscard]] SeizedPlan seized_plan(JointGrip grip, std::optional<double> soaked_s,
                                     std::optional<double> length_m);
/// Tube that would be made anew behind a joint: all tube of its axle, or the clutch's; nothing:
/// not entered.
[[nodiscard]] std::optional<double> line_length(const Job& job, const NetJoint& joint);
/// A soak works this long.
inline constexpr double kSoak_s = 8 * 3600;

}  // namespace yoke
