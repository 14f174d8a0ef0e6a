// The logbook: lines are read from what an edit changed, joined while they are fresh, and never
// changed once they were written to a file. Time and money by stage, and what would have saved some
// of it, are read from the lines alone.
#pragma once

#include <string>
#include <vector>

#include "document/job.hpp"
#include "quantity/message.hpp"

namespace yoke {

/// As many as a file holds.
inline constexpr std::size_t kMostLogged = 4000;
/// What an edit was, line by line; `when`: "2026-05-31T14:05:09". The logbook itself is not looked
/// at.
[[nodiscard]] std::vector<Event> events_between(const Job& before, const Job& after,
                                                const std::string& when);
/// Appends lines. Of those that no file holds yet (from `written` on) a line of the same kind and
/// subject within ten minutes takes the new one up. A full book loses its oldest lines that were
/// read from edits, and says how many; what was entered by hand stays as long as it can.
void log_events(Job& job, std::vector<Event> events, std::size_t written);
/// Undone to `older`: lines that a file holds stay, and one says what was undone.
void log_undone(Job& older, const Job& now, std::size_t written, const std::string& what,
                const std::string& when);

/// Entered by hand: time, money, what was moved, a note.
[[nodiscard]] bool entered_by_hand(EventKind kind);
/// "Bore: 22.23 mm → 20.64 mm", "“Crack the line nuts” done".
[[nodiscard]] Message event_words(const Job& job, const Event& event);

/// "20 min", "3 h 30 min", "2 days".
[[nodiscard]] Message time_words(double seconds);

struct StageTime {
  Stage stage{};
  int lines = 0;
  double worked_s = 0, waited_s = 0, wasted_s = 0, money = 0;
  std::string first, last;  ///< moments; empty: nothing happened
};
/// All nine, in their order.
[[nodiscard]] std::vector<StageTime> time_by_stage(const Job& job);

/// What cost time twice, and what would have saved it: parts that came when the car was apart, what
/// was measured again after work had begun, steps and proofs done over, time that was called
/// wasted.
struct Saving {
  Message what;
  Message instead;
  double seconds = 0;  ///< 0: not told
};
[[nodiscard]] std::vector<Saving> would_have_saved(const Job& job);

}  // namespace yoke
