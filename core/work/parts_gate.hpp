// The parts-in-hand gate: what must be here and proved by hand before the car comes apart, and what
// the work waits for. Days are given, never asked of a clock.
#pragma once

#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// Days from one ISO day to another; nothing when one of them is none.
[[nodiscard]] std::optional<int> days_between(std::string_view from, std::string_view to);

struct PartState {
  std::size_t index = 0;
  bool ready = false;          ///< here, and proved by hand
  bool late = false;           ///< promised for a day that is past
  std::optional<int> days;     ///< until it is promised
  std::vector<Message> lacks;  ///< "not here", "thread not tried"
};
struct PartsGate {
  bool may_start = true;
  std::vector<Message> joints;          ///< looked at, and not yet good: they hold it up too
  std::vector<PartState> parts;         ///< those that hold it up first, the last promised first
  Message sentence;                     ///< what it waits for, and until when
  std::optional<std::size_t> critical;  ///< index of the part that is promised last
  std::optional<std::string> earliest;  ///< day the car can come apart, when all is promised
};
[[nodiscard]] PartsGate parts_gate(const Job& job, std::string_view today);

/// Reminders whose day has come within so many days.
[[nodiscard]] std::vector<std::size_t> due_reminders(const Job& job, std::string_view today,
                                                     int within_days);

}  // namespace yoke
