// Edits that are made in more than one place of the window: a value typed, a step ticked, a stroke
// counted, a gate answered. Each one undo step, each with a name.
#pragma once

#include <QString>
#include <optional>

#include "session/entries.hpp"
#include "session/session.hpp"
#include "session/stage_views.hpp"
#include "work/wetness.hpp"

namespace yoke {

/// Enters what was typed: a value with or without ±, "?" for unknown, nothing to clear it. `tool`:
/// how it was measured; none: as before, else as the session thinks. Refused: the job stays.
[[nodiscard]] Expected<bool> type_value(Session& session, As which, Param param,
                                        const QString& typed,
                                        std::optional<How> tool = std::nullopt);

void tick_step(Session& session, const Step& step, bool done);

/// A step of the builder's own, before or after another; or, without a name, a fact of the very
/// car: `first` before `then`. What would close a circle is refused by name, and the job stays.
struct OrderEdit {
  QString own;  ///< name of an own step; empty: a fact between two steps
  WorkPlace place = WorkPlace::bay;
  bool helper = false;
  std::string other;   ///< the step that must come first, for a fact
  std::string chosen;  ///< the step it is about
  bool before = true;  ///< before the chosen step, or after it
  QString why;
};
[[nodiscard]] Expected<bool> add_to_order(Session& session, const OrderEdit& edit);
/// Takes an own step out, with all facts about it.
void remove_own_step(Session& session, const std::string& key);
void remove_order_fact(Session& session, const std::string& first, const std::string& then);

/// At a nipple by its record's key; `name` as the page calls it.
void count_at(Session& session, const std::string& key, const QString& name, BleedCount what);
/// A push against plugs, as it was typed. What is no length, or is longer than any push, is the
/// error.
[[nodiscard]] Expected<bool> note_push(Session& session, const QString& typed);
/// What a cloth said of a joint; `made` again: its rounds begin anew.
void wipe_joint(Session& session, const std::string& key, WipeRound round, Wiped seen);
void joint_made_again(Session& session, const std::string& key);
/// This job never opened it, or it did.
void leave_joint_shut(Session& session, const std::string& key, bool shut);

/// Answers a gate now. What lacks for a pass is the error.
[[nodiscard]] Expected<bool> answer_now(Session& session, const GateRow& gate,
                                        const GateEntry& typed, GateState state);

}  // namespace yoke
