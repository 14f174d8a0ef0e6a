#include "lines/threads.hpp"
#include "quantity/text.hpp"

#include <fmt/format.h>

#include <algorithm>
#include <cctype>
#include <cmath>

namespace yoke {

namespace {

constexpr double kInch_m = 0.0254;

constexpr Thread inch(std::string_view name, double diameter_in, double per_inch) {
  return {name, Length{diameter_in * kInch_m}, Length{kInch_m / per_inch}};
}
constexpr Thread metric(std::string_view name, double diameter_mm, double pitch_mm) {
  return {name, Length{diameter_mm * 1e-3}, Length{pitch_mm * 1e-3}};
}

constexpr Thread kThreads[] = {inch("3/8-24", 0.375, 24),    inch("7/16-24", 0.4375, 24),
                               inch("7/16-20", 0.4375, 20),  inch("1/2-20", 0.5, 20),
                               inch("9/16-18", 0.5625, 18),  metric("M10×1", 10, 1),
                               metric("M10×1.25", 10, 1.25), metric("M12×1", 12, 1),
                               metric("M12×1.25", 12, 1.25), metric("M14×1.5", 14, 1.5)};

struct Pair {
  std::string_view a, b;
};
/// Pairs that start and then strip. Common practice, no source.
constexpr Pair kNearMisses[] = {{"M10×1", "3/8-24"},    {"M10×1", "M10×1.25"},
                                {"M12×1.25", "1/2-20"}, {"M14×1.5", "9/16-18"},
                                {"M12×1", "M12×1.25"},  {"7/16-24", "7/16-20"}};

std::string plain(std::string_view text) {
  std::string s;
  constexpr std::string_view times = "×";  // a keyboard has an x
  for (std::size_t i = 0; i < text.size() && s.size() < 48; ++i) {
    const char c = text[i];
    if (c == ' ') continue;
    if (text.substr(i).starts_with(times)) {
      s += 'x';
      i += times.size() - 1;
      continue;
    }
    s += static_cast<char>(std::tolower(static_cast<unsigned char>(c)));
  }
  for (const std::string_view tail : {"unf", "uns", "unc", "an"})
    if (s.size() > tail.size() && s.ends_with(tail)) s.resize(s.size() - tail.size());
  if (s.size() > 4 && s.front() == 'm' && s.ends_with(".0")) s.resize(s.size() - 2);
  return s;
}

}  // namespace

std::string_view seat_words(Seat seat) {
  static constexpr std::string_view w[] = {"45° inverted double flare", "metric bubble flare",
                                           "37° single flare", "banjo with two washers"};
  return w[static_cast<size_t>(seat)];
}

Expected<Seat> parse_seat(std::string_view text) {
  static constexpr std::string_view keys[] = {"inverted", "bubble", "37", "banjo"};
  const std::string s = plain(text);
  for (size_t i = 0; i < std::size(keys); ++i)
    if (s == keys[i] || s == plain(seat_words(static_cast<Seat>(i)))) return static_cast<Seat>(i);
  return fail({"seat", clipped(text, 48), "inverted, bubble, 37 or banjo",
               say("There is no seat “{}”", clipped(text, 48)),
               "Look into the port: a cone that points out, a cup, or a flat face"});
}

std::span<const Thread> line_threads() {
  return kThreads;
}

Expected<Thread> find_thread(std::string_view text) {
  std::string s = plain(text);
  if (s == "-3") s = "3/8-24";
  if (s == "-4") s = "7/16-20";
  for (const Thread& t : kThreads)
    if (plain(t.name) == s) return t;
  std::string known;
  for (const Thread& t : kThreads) known += (known.empty() ? "" : ", ") + std::string(t.name);
  return fail({"thread", clipped(text, 48), Message::data(known),
               say("“{}” is no brake line thread", clipped(text, 48)),
               "Measure outside diameter and pitch, then compare with a known part"});
}

MatingReport mate(const Thread& nut, Seat nut_seat, const Thread& port, Seat port_seat) {
  const Message both = say("{} into {}", std::string(nut.name), std::string(port.name));
  if (nut.name == port.name) {
    if (nut_seat == port_seat)
      return {Mating::fits, say("{}: thread and seat match. Start it by hand all the same.", both)};
    return {Mating::wrong_seat,
            say("{}: the thread fits, the seat does not ({} on {}). It screws in and leaks.", both,
                Message::of_table(seat_words(nut_seat)), Message::of_table(seat_words(port_seat)))};
  }
  const bool near = std::any_of(std::begin(kNearMisses), std::end(kNearMisses), [&](const Pair& p) {
    return (p.a == nut.name && p.b == port.name) || (p.b == nut.name && p.a == port.name);
  });
  if (near) return {Mating::strips, say("{}: starts by hand, then strips. Never force it.", both)};
  return {Mating::no_thread, say("{}: other threads; it does not start.", both)};
}

}  // namespace yoke
