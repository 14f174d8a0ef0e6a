// Line fittings: thread and seat must both match. What starts and strips, what screws in and leaks.
// The list of near misses is common practice, no source; thread sizes are ISO 261 and ASME B1.1
// designations, from memory.
#pragma once

#include <span>
#include <string>
#include <string_view>

#include "quantity/error.hpp"
#include "quantity/message.hpp"
#include "quantity/units.hpp"

namespace yoke {

enum class Seat { inverted_45, bubble, cone_37, banjo };
[[nodiscard]] std::string_view seat_words(Seat seat);
/// "inverted", "bubble", "37", "banjo"
[[nodiscard]] Expected<Seat> parse_seat(std::string_view text);

struct Thread {
  std::string_view name;  ///< "3/8-24", "M10×1"
  Length outside{};       ///< nominal
  Length pitch{};
};
[[nodiscard]] std::span<const Thread> line_threads();
/// By name, "m10 x 1.0" and "3/8-24 UNF" included; -3 and -4 AN by their thread.
[[nodiscard]] Expected<Thread> find_thread(std::string_view text);

enum class Mating {
  fits,        ///< thread and seat
  wrong_seat,  ///< it screws in and does not seal
  strips,      ///< it starts, and strips
  no_thread,   ///< it does not start
};
struct MatingReport {
  Mating mating = Mating::no_thread;
  Message words;
};
[[nodiscard]] MatingReport mate(const Thread& nut, Seat nut_seat, const Thread& port,
                                Seat port_seat);

}  // namespace yoke
