// What a map says when it is read: slices, ranking, words, and backward from the limits.
#include <algorithm>
#include <cmath>
#include <limits>

#include "sizing/sweep.hpp"

namespace yoke {

std::string_view limit_words(Limit limit) {
  switch (limit) {
    case Limit::none:
      return "within limits";
    case Limit::effort:
      return "too hard";
    case Limit::effort_no_assist:
      return "no assist";
    case Limit::travel:
      return "too long";
    case Limit::reserve:
      return "reserve";
    case Limit::primary_lost:
      return "outlet 1 lost";
    case Limit::secondary_lost:
      return "outlet 2 lost";
    case Limit::strokes:
      return "stroke ends";
    case Limit::lock_order:
      return "rear locks";
    case Limit::release:
      return "no release";
    case Limit::over_travel:
      return "over-travel or wear";
    case Limit::hot:
      return "hot";
    case Limit::air_left:
      return "air left";
    case Limit::impossible:
      return "impossible";
  }
  return "";
}

Sweep Sweep::slice(std::size_t assist) const {
  Sweep one{bores_m, bores2_m, ratios, {}, {}};
  const std::size_t n = bores_m.size() * columns();
  if (assist >= assists.size() || cells.size() < (assist + 1) * n) return one;
  one.assists = {assists[assist]};
  const auto from = cells.begin() + static_cast<std::ptrdiff_t>(assist * n);
  one.cells.assign(from, from + static_cast<std::ptrdiff_t>(n));
  return one;
}

std::vector<Cell> ranking(const Sweep& sweep) {
  std::vector<Cell> list;
  for (const Cell& c : sweep.cells)
    if (c.fails == Limit::none) list.push_back(c);
  std::stable_sort(list.begin(), list.end(),
                   [](const Cell& a, const Cell& b) { return a.score < b.score; });
  return list;
}

Message ranking_words(const std::vector<Cell>& ranked, Preference preference) {
  if (ranked.empty()) return "No cell is within limits: each says which limit it fails";
  const Cell& c = ranked.front();
  const char* wish = preference == Preference::light          ? "a light pedal"
                     : preference == Preference::short_travel ? "a short pedal"
                                                              : "a firm pedal";
  Message first = say("First for {}: {} at {}, {} over {}", wish, length(c.bore_m, 2),
                      Plain{c.ratio, 2}, force(c.effort_n), length(c.travel_m, 0));
  if (ranked.size() < 2) return first;
  const Cell& n = ranked[1];
  return say("{}; next {} at {}: {}, {}", first, length(n.bore_m, 2), Plain{n.ratio, 2},
             more_or_less(n.effort_n - c.effort_n, Kind::force, 0),
             more_or_less(n.travel_m - c.travel_m, Kind::length, 0));
}

std::string_view preference_words(Preference preference) {
  switch (preference) {
    case Preference::light:
      return "Effort counts most, then travel; each part to change counts against.";
    case Preference::short_travel:
      return "Travel counts most, then effort; each part to change counts against.";
    case Preference::firm:
      return "Stiffness counts most, then effort and travel; each part to change counts against.";
  }
  return "";
}

std::vector<Feasible> feasible(const Sweep& s) {
  std::vector<Feasible> list;
  const std::size_t columns = s.columns();
  for (std::size_t row = 0; columns > 0 && row < s.cells.size() / columns; ++row) {
    Feasible f;
    const Cell* closest = nullptr;
    for (std::size_t c = 0; c < columns; ++c) {
      const Cell& cell = s.cells[row * columns + c];
      f.assist = cell.assist;
      f.bore_m = cell.bore_m;
      if (cell.fails == Limit::none) {
        if (!f.any) f.least_ratio = cell.ratio;
        f.most_ratio = cell.ratio;
        f.any = true;
      }
      // The later a limit is tested, the closer the cell comes.
      if (!closest || cell.fails > closest->fails) closest = &cell;
    }
    if (!f.any && closest) f.nearest = say("at {}: {}", Plain{closest->ratio, 2}, closest->reason);
    list.push_back(f);
  }
  return list;
}

std::optional<double> least_ratio(const Control& control, const Assist& assist,
                                  const Master& master, Pressure wanted, Force limit) {
  const double in_n = assist_input(assist, piston_force(master, wanted)).value();
  const double net_n = (limit - control.return_force).value() * control.efficiency;
  if (net_n <= 0) return std::nullopt;
  const double ratio = in_n / net_n;
  if (ratio > 12) return std::nullopt;
  return std::max(1.0, ratio);
}

}  // namespace yoke
