// What is entered into the logbook by hand, open points, and days for a calendar.
#pragma once

#include <QString>

#include "logbook/log.hpp"
#include "road/due.hpp"
#include "session/session.hpp"

namespace yoke {

/// A line as typed. `amount`: "2 h 30", "90 min", "3 days" of time; a number of money.
struct LogEntry {
  EventKind kind = EventKind::note;
  Stage stage = Stage::install;
  std::string amount, note, who;
  std::string step;  ///< of what was moved: key of the step that it undoes; empty: none
};
[[nodiscard]] Expected<double> typed_time(const std::string& text);
/// `when`: this moment.
[[nodiscard]] Expected<bool> add_line(Session& session, const LogEntry& entry,
                                      const std::string& when);

/// Who wrote the last line by hand, or answered a gate last; empty: nobody yet.
[[nodiscard]] std::string last_writer(const Job& job);

[[nodiscard]] Expected<bool> add_point(Session& session, const std::string& what, Stage stage,
                                       const std::string& day);
/// Done on a day; empty: open again.
[[nodiscard]] Expected<bool> close_point(Session& session, std::size_t at, const std::string& day);
/// It may stay: both name and reason are asked.
[[nodiscard]] Expected<bool> sign_point(Session& session, std::size_t at, const std::string& who,
                                        const std::string& reason);

/// What falls due as a calendar file's text; `stamp` in UTC.
[[nodiscard]] std::string calendar_of(const Session& session, std::string_view today,
                                      std::string_view stamp);

}  // namespace yoke
