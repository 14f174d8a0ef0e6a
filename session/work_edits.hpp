// Edits that are made in more than one place of the window: a value typed, a step ticked, a stroke
// counted, a gate answered. Each one undo step, each with a name.
#pragma once

#include <QString>
#include <optional>

#include "session/entries.hpp"
#include "session/session.hpp"
#include "session/stage_views.hpp"

namespace yoke {

/// Enters what was typed: a value with or without ±, "?" for unknown, nothing to clear it. `tool`:
/// how it was measured; none: as before, else as the session thinks. Refused: the job stays.
[[nodiscard]] Expected<bool> type_value(Session& session, As which, Param param,
                                        const QString& typed,
                                        std::optional<How> tool = std::nullopt);

void tick_step(Session& session, const Step& step, bool done);

enum class BleedCount { clear, bubbles, refill };
/// At a nipple by its record's key; `name` as the page calls it.
void count_at(Session& session, const std::string& key, const QString& name, BleedCount what);

/// Answers a gate now. What lacks for a pass is the error.
[[nodiscard]] Expected<bool> answer_now(Session& session, const GateRow& gate,
                                        const GateEntry& typed, GateState state);

}  // namespace yoke
