#include "sizing/equal_lines.hpp"

namespace yoke {

namespace {

std::optional<double> figure_of(const Cell& c, MapFigure figure) {
  const double v = figure == MapFigure::effort ? c.effort_n : c.travel_m;
  if (c.fails == Limit::impossible || v <= 0) return std::nullopt;
  return v;
}

std::optional<double> crossing(const Sweep& s, std::size_t bore, MapFigure figure, double value) {
  const std::vector<double>& columns = s.pairs() ? s.bores2_m : s.ratios;
  for (std::size_t c = 0; c + 1 < columns.size(); ++c) {
    const auto a = figure_of(s.at(bore, c), figure);
    const auto b = figure_of(s.at(bore, c + 1), figure);
    if (!a || !b || (*a - value) * (*b - value) > 0 || *a == *b) continue;
    return columns[c] + (columns[c + 1] - columns[c]) * (value - *a) / (*b - *a);
  }
  return std::nullopt;
}

}  // namespace

EqualLine equal_line(const Sweep& s, MapFigure figure, double value) {
  EqualLine line;
  if (s.cells.empty() || value <= 0) return line;
  bool open = false;
  for (std::size_t b = 0; b < s.bores_m.size(); ++b) {
    const auto at = crossing(s, b, figure, value);
    if (!at) {
      open = false;
      continue;
    }
    if (!open) line.pieces.emplace_back();
    open = true;
    line.pieces.back().emplace_back(s.bores_m[b], *at);
  }
  return line;
}

}  // namespace yoke
