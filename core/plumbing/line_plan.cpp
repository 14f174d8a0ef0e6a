#include "plumbing/line_plan.hpp"

#include <cmath>

namespace yoke {

namespace {

constexpr double kNoTurn_rad = 0.0087;  ///< half a degree: nobody turns a tube finer

Amount degrees(double rad) {
  return amount(std::abs(rad), Kind::angle, 0);
}

}  // namespace

std::vector<PlannedLine> planned_lines(const Job& job) {
  std::vector<PlannedLine> list;
  for (const TubeLine& t : job.tubes) {
    std::vector<Point3> corners;
    for (const TubeCorner& c : job.tube_corners)
      if (c.line == t.name) corners.push_back({c.x_m, c.y_m, c.z_m});
    Expected<BendList> bends = bend_list(t, corners);
    list.push_back({&t, std::move(corners), std::move(bends)});
  }
  return list;
}

Message bend_words(const BendStep& b) {
  Message bend = say("bend {}", degrees(b.angle_rad));
  if (std::abs(b.rotate_rad) < kNoTurn_rad) return bend;
  return b.rotate_rad > 0 ? say("turn {} right, then {}", degrees(b.rotate_rad), bend)
                          : say("turn {} left, then {}", degrees(b.rotate_rad), bend);
}

Message typical_words(const BendList& list) {
  return list.typical.empty()
             ? Message()
             : say("rests on what nobody measured: {}", joined(list.typical, "; "));
}

std::vector<Message> making_steps(const TubeLine& tube, const BendList& list) {
  std::vector<Message> steps{
      say("Cut {} square, deburr inside and out.", in_full(list.cut_m, Kind::length, 0))};
  if (tube.start != Flare::none)
    steps.push_back(say("Nut on, open end to the flare; then the first end: {}.",
                        Message::of_table(words_of_value(tube.start))));
  int n = 0;
  for (const BendStep& b : list.bends)
    steps.push_back(say("{}. at {} from the cut end: {}.", ++n, in_full(b.mark_m, Kind::length, 0),
                        bend_words(b)));
  if (tube.end != Flare::none)
    steps.push_back(say("The other nut on, the other way round; last the second end: {}.",
                        Message::of_table(words_of_value(tube.end))));
  return steps;
}

std::vector<Message> cutting_words(const std::vector<PlannedLine>& lines) {
  std::vector<Message> words;
  std::vector<double> pieces;
  std::vector<std::size_t> of;
  for (std::size_t i = 0; i < lines.size(); ++i)
    if (lines[i].list) {
      pieces.push_back(lines[i].list->cut_m);
      of.push_back(i);
    } else {
      words.push_back(say("{} is left out: it cannot be bent so", lines[i].tube->name));
    }
  if (pieces.empty()) return words;
  for (const double coil : kCoil_m) {
    const auto list = cutting_list(pieces, coil);
    if (!list) {
      words.push_back(
          say("From coils of {}: {}", in_full(coil, Kind::length, 0), list.error().reason));
      continue;
    }
    std::vector<Message> coils;
    for (const Stock& s : *list) {
      std::vector<Message> names;
      for (const StockPiece& p : s.pieces)
        names.push_back(Message::data(lines[of[p.line]].tube->name));
      coils.push_back(say("{} ({} left)", joined(names, " + "), length(s.left_m, 0)));
    }
    words.push_back(
        say("From coils of {}: {}", in_full(coil, Kind::length, 0), joined(coils, "; ")));
  }
  return words;
}

}  // namespace yoke
