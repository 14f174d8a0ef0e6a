#include "files/icalendar.hpp"

#include <algorithm>

namespace yoke {

namespace {

constexpr std::size_t kFold = 75;  // bytes of a line, its end not counted (RFC 5545, 3.1)

/// Commas, semicolons, backslashes and line ends mean something there (3.3.11).
std::string escaped(std::string_view text) {
  std::string out;
  for (const char c : text) {
    if (c == '\r') continue;
    if (c == '\n') {
      out += "\\n";
      continue;
    }
    if (c == ',' || c == ';' || c == '\\') out += '\\';
    // No other control sign belongs in a text.
    if (static_cast<unsigned char>(c) >= 0x20 || c == '\t') out += c;
  }
  return out;
}

bool continues(char c) {
  return (static_cast<unsigned char>(c) & 0xC0U) == 0x80U;
}

void line(std::string& out, const std::string& text) {
  std::size_t at = 0;
  bool first = true;
  while (at < text.size() || first) {
    std::size_t n = std::min(text.size() - at, first ? kFold : kFold - 1);
    while (at + n < text.size() && n > 1 && continues(text[at + n])) --n;
    if (!first) out += ' ';
    out.append(text, at, n);
    out += "\r\n";
    at += n;
    first = false;
  }
}

std::string digits(std::string_view day) {
  std::string out;
  std::copy_if(day.begin(), day.end(), std::back_inserter(out),
               [](char c) { return c >= '0' && c <= '9'; });
  return out;
}

}  // namespace

std::string calendar_text(const std::vector<CalendarDay>& days, std::string_view stamp) {
  std::string out;
  line(out, "BEGIN:VCALENDAR");
  line(out, "VERSION:2.0");
  line(out, "PRODID:-//Yoke Step//Yoke Step//EN");
  line(out, "CALSCALE:GREGORIAN");
  for (const CalendarDay& d : days) {
    const std::string day = digits(d.day);
    if (day.size() != 8) continue;
    line(out, "BEGIN:VEVENT");
    line(out, "UID:" + escaped(d.uid));
    line(out, "DTSTAMP:" + std::string(stamp));
    line(out, "DTSTART;VALUE=DATE:" + day);
    line(out, "SUMMARY:" + escaped(d.what));
    if (!d.more.empty()) line(out, "DESCRIPTION:" + escaped(d.more));
    line(out, "TRANSP:TRANSPARENT");
    line(out, "END:VEVENT");
  }
  line(out, "END:VCALENDAR");
  return out;
}

}  // namespace yoke
