// Days as a calendar takes them (iCalendar, RFC 5545): all-day events, each with a name of its own
// that stays the same, so that a second export replaces the first.
#pragma once

#include <string>
#include <string_view>
#include <vector>

namespace yoke {

struct CalendarDay {
  std::string uid;  ///< the same thing, the same name
  std::string day;  ///< ISO day; without one it is left out
  std::string what;
  std::string more;  ///< may have several lines
};
/// `stamp`: this moment in UTC, "20260531T140509Z". Lines end in CR LF and are folded at 75 bytes,
/// never within a letter.
[[nodiscard]] std::string calendar_text(const std::vector<CalendarDay>& days,
                                        std::string_view stamp);

}  // namespace yoke
