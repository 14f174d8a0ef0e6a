// One sentence a stage: what it has come to, and what to do next, with the key that does it. Taken
// from the judgement, with the condition and the stop that it speaks of.
#pragma once

#include <optional>

#include "document/finding.hpp"
#include "quantity/message.hpp"
#include "sizing/sweep.hpp"

namespace yoke {

class Session;

struct Sentence {
  Message decision;
  Message next;  ///< empty: nothing is left to do here
};
[[nodiscard]] Sentence stage_sentence(const Session& session, Stage stage);

/// The cell of the map that a builder would take: of those that pass the first in rank. Nothing
/// while the plan's own passes, or no cell does.
[[nodiscard]] std::optional<Cell> better_cell(const Session& session);

}  // namespace yoke
