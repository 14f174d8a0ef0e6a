// Every opened joint is wiped and looked at three times: filled, after the hard press, after the
// drive. What nobody looked at is not dry. Common practice, no source.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "plumbing/joints.hpp"

namespace yoke {

enum class WipeRound { filled, pressed, driven };
inline constexpr WipeRound kWipeRounds[] = {WipeRound::filled, WipeRound::pressed,
                                            WipeRound::driven};
[[nodiscard]] Wiped& wiped_in(JointRecord& record, WipeRound round);
[[nodiscard]] Wiped wiped_in(const JointRecord& record, WipeRound round);
[[nodiscard]] std::string_view round_words(WipeRound round);

struct WipedJoint {
  NetJoint joint;
  Wiped seen[3]{};  ///< by round
  bool left_shut = false;
  Message mend;  ///< what a wet one asks for; empty of a dry one
  [[nodiscard]] bool wet() const;
  /// Dry in that round and in all before it.
  [[nodiscard]] bool dry_through(WipeRound round) const;
};
/// The joints of the plan, in the order of the net.
[[nodiscard]] std::vector<WipedJoint> wipe_map(const Job& job);
/// Opened joints that were not seen dry in a round, or one before it.
[[nodiscard]] std::vector<Message> not_dry(const Job& job, WipeRound round);

/// What was seen; a joint that was wet and is made again is looked at from the first round on.
void wipe(Job& job, const std::string& key, WipeRound round, Wiped seen);
/// It was tightened or remade: its rounds begin anew.
void made_again(Job& job, const std::string& key);

}  // namespace yoke
