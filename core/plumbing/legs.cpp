#include "plumbing/legs.hpp"

#include <cmath>

#include "quantity/quantity.hpp"
#include "quantity/text.hpp"

namespace yoke {

namespace {

constexpr double kDegree = M_PI / 180;
constexpr std::size_t kMostLegs = 39;

tl::unexpected<Error> wrong(std::size_t leg, std::string_view what, const Message& reason) {
  return fail({"legs", clipped(what, 48), "200 mm bend 90, 150 mm turn 45 bend 30, 300 mm",
               say("Leg {}: {}", leg + 1, reason),
               "A length, then turn and bend in degrees; a comma between legs"});
}

std::string_view trimmed(std::string_view s) {
  while (!s.empty() && s.front() == ' ') s.remove_prefix(1);
  while (!s.empty() && s.back() == ' ') s.remove_suffix(1);
  return s;
}

/// Takes "turn 45" or "bend 90" off the end of a leg.
Expected<double> take(std::string_view& text, std::string_view word, std::size_t leg) {
  const auto at = text.rfind(word);
  if (at == std::string_view::npos) return 0.0;
  const auto v =
      parse_quantity(trimmed(text.substr(at + word.size())), Kind::angle, UnitStyle::metric);
  if (!v) return wrong(leg, text.substr(at), v.error().reason);
  text = trimmed(text.substr(0, at));
  return *v;
}

}  // namespace

Expected<std::vector<Leg>> parse_legs(std::string_view text, UnitStyle style) {
  std::vector<Leg> legs;
  std::string_view rest = text;
  while (true) {
    // A comma followed by a digit and no space is a decimal sign.
    std::size_t end = 0;
    while (end < rest.size() &&
           !(rest[end] == ';' ||
             (rest[end] == ',' && (end + 1 >= rest.size() || rest[end + 1] == ' '))))
      ++end;
    std::string_view one = trimmed(rest.substr(0, end));
    if (legs.size() >= kMostLegs) return wrong(legs.size(), one, "39 legs are the most");
    Leg leg;
    const auto bend = take(one, "bend", legs.size());
    if (!bend) return fail(bend.error());
    const auto turn = take(one, "turn", legs.size());
    if (!turn) return fail(turn.error());
    const auto length = parse_quantity(one, Kind::length, style);
    if (!length) return wrong(legs.size(), one, length.error().reason);
    if (*length <= 0 || *length > 10) return wrong(legs.size(), one, "more than 0, 10 m at most");
    leg.length_m = *length;
    leg.turn_rad = *turn;
    leg.bend_rad = *bend;
    const bool last = end >= rest.size();
    if (!last && (std::abs(leg.bend_rad) < 0.5 * kDegree || std::abs(leg.bend_rad) > 175 * kDegree))
      return wrong(legs.size(), one, "a bend of 1 to 175 degrees ends each leg but the last");
    if (last) leg.bend_rad = leg.turn_rad = 0;
    legs.push_back(leg);
    if (last) return legs;
    rest.remove_prefix(end + 1);
  }
}

std::vector<Point3> corners_of_legs(const std::vector<Leg>& legs) {
  // A bender's list of a tube that bends in a point: no setback is taken off the legs.
  BendList list;
  for (std::size_t i = 0; i + 1 < legs.size(); ++i)
    list.bends.push_back({legs[i].length_m, legs[i].turn_rad, legs[i].bend_rad, 0, i + 1});
  list.last_straight_m = legs.empty() ? 0 : legs.back().length_m;
  return corners_of(list, {});
}

}  // namespace yoke
