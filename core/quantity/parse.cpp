#include <algorithm>
#include <array>
#include <charconv>
#include <cmath>
#include <optional>
#include <utility>

#include "quantity/drills.hpp"
#include "quantity/quantity.hpp"

namespace yoke {

namespace {

constexpr size_t kMaxText = 64;

Error bad_number(std::string_view text, Message reason) {
  return {.field = "",
          .value = std::string(text),
          .range = "",
          .reason = std::move(reason),
          .remedy = "Write a number such as 19.05, 7/8 or 1 3/16, and a unit"};
}

std::string replace_all(std::string s, std::string_view from, std::string_view to) {
  for (size_t at = s.find(from); at != std::string::npos; at = s.find(from, at + to.size()))
    s.replace(at, from.size(), to);
  return s;
}

/// Turns typographic marks into plain ones; a fraction sign after a digit gets a space before it.
std::string plain(std::string_view text) {
  static constexpr std::array<std::pair<std::string_view, std::string_view>, 18> marks{
      {{"½", " 1/2"},
       {"¼", " 1/4"},
       {"¾", " 3/4"},
       {"⅛", " 1/8"},
       {"⅜", " 3/8"},
       {"⅝", " 5/8"},
       {"⅞", " 7/8"},
       {"⅓", " 1/3"},
       {"⅔", " 2/3"},
       {"⁄", "/"},
       {"−", "-"},
       {"–", "-"},
       {"\u00a0", " "},
       {"\u202f", " "},
       {"\t", " "},
       {"''", "\""},
       {"’", "'"},
       {"′", "'"}}};
  std::string s(text);
  const auto typographic = [](char c) {
    return static_cast<unsigned char>(c) >= 0x80 || c == '\t';
  };
  if (std::none_of(s.begin(), s.end(), typographic) && s.find("''") == std::string::npos) return s;
  for (const auto& [from, to] : marks) s = replace_all(std::move(s), from, to);
  return s;
}

std::string_view trim(std::string_view s) {
  while (!s.empty() && s.front() == ' ') s.remove_prefix(1);
  while (!s.empty() && s.back() == ' ') s.remove_suffix(1);
  return s;
}

bool is_digit(char c) {
  return c >= '0' && c <= '9';
}

/// A whole unsigned number of at most 6 digits.
std::optional<double> whole(std::string_view s) {
  if (s.empty() || s.size() > 6) return std::nullopt;
  double v = 0;
  for (const char c : s) {
    if (!is_digit(c)) return std::nullopt;
    v = v * 10 + (c - '0');
  }
  return v;
}

std::optional<double> decimal(std::string_view s) {
  std::string t;
  int separators = 0;
  bool digit = false;
  for (const char c : s) {
    if (c == '.' || c == ',') {
      ++separators;
      t += '.';
    } else if (is_digit(c)) {
      digit = true;
      t += c;
    } else {
      return std::nullopt;
    }
  }
  if (!digit || separators > 1 || t.size() > 20) return std::nullopt;
  if (t.front() == '.') t.insert(t.begin(), '0');
  if (t.back() == '.') t += '0';
  double v = 0;
  const auto [end, code] = std::from_chars(t.data(), t.data() + t.size(), v);
  if (code != std::errc{} || end != t.data() + t.size() || !std::isfinite(v)) return std::nullopt;
  return v;
}

/// "a/b" or "w a/b" or "w-a/b".
Expected<double> mixed(std::string_view s, std::string_view all) {
  const size_t slash = s.find('/');
  std::string_view head = trim(s.substr(0, slash));
  const auto denominator = whole(trim(s.substr(slash + 1)));
  double units = 0;
  if (const size_t gap = head.find_first_of(" -"); gap != std::string_view::npos) {
    const auto w = whole(trim(head.substr(0, gap)));
    if (!w) return fail(bad_number(all, "The whole part of the fraction is not a number"));
    units = *w;
    head = trim(head.substr(gap + 1));
  }
  const auto numerator = whole(head);
  if (!numerator || !denominator)
    return fail(bad_number(all, "A fraction needs a whole number above and below the line"));
  if (*denominator == 0) return fail(bad_number(all, "A fraction cannot be divided by 0"));
  return units + *numerator / *denominator;
}

/// Where the number ends and the unit begins.
size_t number_end(std::string_view s) {
  size_t i = 0;
  while (i < s.size() &&
         (is_digit(s[i]) || std::string_view("+-./, ").find(s[i]) != std::string_view::npos))
    ++i;
  return i;
}

std::string known_units(Kind kind) {
  std::string list;
  std::string last;
  for (const auto& w : unit_words(kind)) {
    if (w.word.empty() || w.word == last) continue;
    last = w.word;
    list += (list.empty() ? "" : ", ") + last;
  }
  return list;
}

std::string lower(std::string_view s) {
  std::string t(s);
  for (char& c : t)
    if (c >= 'A' && c <= 'Z') c = static_cast<char>(c - 'A' + 'a');
  return t;
}

const UnitWord* find_unit(Kind kind, std::string_view word) {
  for (const auto& w : unit_words(kind))
    if (w.word == word) return &w;
  const UnitWord* found = nullptr;  // a wrong case is forgiven only where one unit can be meant
  for (const auto& w : unit_words(kind)) {
    if (lower(w.word) != lower(word)) continue;
    if (found && found->factor != w.factor) return nullptr;
    found = &w;
  }
  return found;
}

/// "#7": a number drill's diameter.
Expected<double> drill(std::string_view number, std::string_view all) {
  const auto n = whole(trim(number));
  const auto d = n ? number_drill_m(static_cast<int>(*n)) : std::nullopt;
  if (!d) return fail(bad_number(all, "There is no such number drill; they run from #1 to #60"));
  return *d;
}

}  // namespace

Expected<double> parse_number(std::string_view text) {
  if (text.size() > kMaxText) return fail(bad_number("…", "That is too long for a number"));
  const std::string cleaned = plain(text);
  std::string_view s = trim(cleaned);
  if (s.empty()) return fail(bad_number(text, "There is no number"));
  double sign = 1;
  if (s.front() == '-' || s.front() == '+') {
    sign = s.front() == '-' ? -1 : 1;
    s = trim(s.substr(1));
  }
  if (s.find('/') != std::string_view::npos) {
    auto v = mixed(s, text);
    if (!v) return v;
    return sign * *v;
  }
  if (s.find('.') != std::string_view::npos && s.find(',') != std::string_view::npos)
    return fail(bad_number(text, "Point and comma in one number: which is the decimal sign?"));
  const auto v = decimal(s);
  if (!v) return fail(bad_number(text, say("“{}” is not a number", std::string(text))));
  return sign * *v;
}

bool may_be_grouped(std::string_view text) {
  // "1,200": one to three digits, not a leading zero, then a comma and exactly three.
  const std::string cleaned = plain(text);
  std::string_view s = trim(cleaned);
  if (!s.empty() && (s.front() == '-' || s.front() == '+')) s = trim(s.substr(1));
  const std::size_t comma = s.find(',');
  if (comma == std::string_view::npos || comma == 0 || comma > 3 || s[0] == '0') return false;
  std::size_t i = 0;
  while (i < s.size() && (is_digit(s[i]) || i == comma)) ++i;
  return i == comma + 4 && (i == s.size() || (s[i] != '.' && s[i] != ',' && s[i] != '/'));
}

Expected<double> parse_quantity(std::string_view text, Kind kind, UnitStyle style) {
  return parse_quantity(text, kind, Style{style, false});
}

Expected<double> parse_quantity(std::string_view text, Kind kind, const Style& style) {
  if (!style.decimal_comma && text.size() <= kMaxText && may_be_grouped(text)) {
    const std::string_view shown = text;
    std::string grouped(text);
    grouped.erase(grouped.find(','), 1);
    std::string point(text);
    point.replace(point.find(','), 1, ".");
    return fail({.field = "",
                 .value = std::string(shown),
                 .range = "",
                 .reason = say("“{}” can be read in two ways", std::string(shown)),
                 .remedy = say("Write {} or {}", grouped, point)});
  }
  return read_quantity(text, kind, style.units);
}

Expected<double> read_quantity(std::string_view text, Kind kind, UnitStyle style) {
  if (text.size() > kMaxText) return fail(bad_number("…", "That is too long for a quantity"));
  const std::string cleaned = plain(text);
  const std::string_view s = trim(cleaned);
  if (kind == Kind::length && !s.empty() && s.front() == '#') return drill(s.substr(1), text);
  const size_t end = number_end(s);
  const std::string_view word = trim(s.substr(end));
  auto number = parse_number(s.substr(0, end));
  if (!number) {
    // A text without any digit is reported whole: the builder typed a word where a number belongs.
    if (end == 0) return fail(bad_number(text, say("“{}” is not a number", std::string(text))));
    return number;
  }
  const auto& words = unit_words(kind);
  // A bare fraction is one of an inch, whatever unit is shown: nobody writes 15/16 of a millimetre.
  const bool inches = kind == Kind::length && s.substr(0, end).find('/') != std::string_view::npos;
  const UnitWord* unit =
      word.empty() ? &words[style == UnitStyle::imperial || inches ? 1 : 0] : find_unit(kind, word);
  if (!unit)
    return fail({.field = "",
                 .value = std::string(text),
                 .range = "",
                 .reason = say("“{}” is not a unit that fits here", std::string(word)),
                 .remedy = known_units(kind).empty()
                               ? Message("This is a plain number without a unit")
                               : say("Use one of: {}", known_units(kind))});
  if (kind == Kind::pitch && unit->word == "tpi") {
    if (*number <= 0) return fail(bad_number(text, "Threads per inch must be more than 0"));
    return unit->factor / *number;
  }
  return *number * unit->factor + unit->offset;
}

WithDoubt split_doubt(std::string_view text) {
  for (const std::string_view mark :
       {std::string_view("±"), std::string_view("+/-"), std::string_view("+-")}) {
    const std::size_t at = text.find(mark);
    if (at == std::string_view::npos) continue;
    WithDoubt w{std::string(text.substr(0, at)), std::string(text.substr(at + mark.size()))};
    const auto unit_of = [](const std::string& t) {
      const std::size_t end = t.find_last_of("0123456789");
      return end == std::string::npos ? std::string() : t.substr(end + 1);
    };
    const auto bare = [](const std::string& unit) {
      return unit.find_first_not_of(" .,") == std::string::npos;
    };
    const std::string first = unit_of(w.value);
    const std::string second = unit_of(w.doubt);
    if (bare(first) && !bare(second)) w.value += second;
    if (!bare(first) && bare(second)) w.doubt += first;
    return w;
  }
  return {std::string(text), {}};
}

}  // namespace yoke
