#include "document/moment.hpp"

#include <charconv>
#include <chrono>

#include "document/job.hpp"

namespace yoke {

namespace {

std::optional<int> two(std::string_view t, std::size_t at, int most) {
  int v = -1;
  const auto end = t.data() + at + 2;
  if (std::from_chars(t.data() + at, end, v).ptr != end || v < 0 || v > most) return std::nullopt;
  return v;
}

std::optional<std::chrono::sys_seconds> moment_of(std::string_view t) {
  if (t.size() != 19 || (t[10] != 'T' && t[10] != ' ') || t[13] != ':' || t[16] != ':' ||
      !is_day(t.substr(0, 10)))
    return std::nullopt;
  const auto hour = two(t, 11, 23), minute = two(t, 14, 59), second = two(t, 17, 60);
  if (!hour || !minute || !second) return std::nullopt;
  int year = 0;
  std::from_chars(t.data(), t.data() + 4, year);
  const std::chrono::sys_days day{std::chrono::year_month_day{
      std::chrono::year{year}, std::chrono::month{static_cast<unsigned>(*two(t, 5, 12))},
      std::chrono::day{static_cast<unsigned>(*two(t, 8, 31))}}};
  return day + std::chrono::hours{*hour} + std::chrono::minutes{*minute} +
         std::chrono::seconds{*second};
}

}  // namespace

std::optional<long long> seconds_between(std::string_view from, std::string_view to) {
  const auto a = moment_of(from);
  const auto b = moment_of(to);
  if (!a || !b) return std::nullopt;
  return static_cast<long long>((*b - *a).count());
}

}  // namespace yoke
