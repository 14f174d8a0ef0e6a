// The unrolled print of a line: edges, flares, a mark for each bend, words that stay on the sheet.
#include <catch2/catch.hpp>

#include "work/line_template.hpp"

using namespace yoke;

TEST_CASE("a line unrolled: every edge and mark stands where the list says, in millimetres") {
  TubeLine tube;
  tube.name = "rear";
  tube.outside_m = 0.005;
  tube.radius_m = 0.015;
  tube.end = Flare::bubble;
  const auto list = bend_list(tube, {{0, 0, 0}, {0.2, 0, 0}, {0.2, 0.1, 0}, {0.2, 0.1, 0.3}});
  REQUIRE(list);
  const Template t = line_template(tube, *list);
  const double cut = list->cut_m * 1e3;
  const auto has = [&t](double x0, double y0, double x1, double y1, bool thin) {
    for (const TemplateLine& l : t.lines)
      if (l.x0 == Approx(x0).margin(1e-9) && l.y0 == Approx(y0).margin(1e-9) &&
          l.x1 == Approx(x1).margin(1e-9) && l.y1 == Approx(y1).margin(1e-9) && l.thin == thin)
        return true;
    return false;
  };
  // Both edges of the tube, the cuts across it, and where the flares begin.
  CHECK(has(0, 2.5, cut, 2.5, false));
  CHECK(has(0, -2.5, cut, -2.5, false));
  CHECK(has(0, -8.5, 0, 8.5, false));
  CHECK(has(cut, -8.5, cut, 8.5, false));
  CHECK(has(5, -2.5, 5, 2.5, true));
  CHECK(has(cut - 3, -2.5, cut - 3, 2.5, true));
  for (const BendStep& b : list->bends) {
    const double at = b.mark_m * 1e3;
    const double end = at + 15 * b.angle_rad;
    CHECK(has(at, -10.5, at, 10.5, false));
    CHECK(has(end, -2.5, end, 2.5, true));
  }
  CHECK(t.lines.size() == 10);
  // The words of each bend stand at its mark, above the tube, neighbours above each other; the
  // title below. All of it on the sheet.
  REQUIRE(t.texts.size() == 4);
  CHECK(t.texts[0].x == Approx(list->bends[0].mark_m * 1e3));
  CHECK(t.texts[0].y == Approx(12.5));
  CHECK(t.texts[1].y == Approx(18.5));
  CHECK(english(t.texts[0].words).find("1. ") == 0);
  CHECK(english(t.texts[1].words).find("2. ") == 0);
  CHECK(t.texts[2].y == Approx(-16.5));
  CHECK(t.texts[3].y == Approx(-22.5));
  CHECK(english(t.texts[3].words).find("rests on what nobody measured") == 0);
  CHECK(english(t.title).find("rear") == 0);
  for (const TemplateLine& l : t.lines) {
    CHECK(std::min(l.x0, l.x1) > t.x0);
    CHECK(std::max(l.x0, l.x1) < t.x1);
    CHECK(std::min(l.y0, l.y1) > t.y0);
    CHECK(std::max(l.y0, l.y1) < t.y1);
  }
  for (const TemplateText& w : t.texts) {
    CHECK(w.y > t.y0);
    CHECK(w.y + w.height < t.y1);
  }
  CHECK(t.x1 >= list->bends[1].mark_m * 1e3 + 110);
  CHECK(t.order.size() == making_steps(tube, *list).size());
  // Without flares no flare is marked; a straight line has its cut and its words alone.
  tube.start = tube.end = Flare::none;
  const auto straight = bend_list(tube, {{0, 0, 0}, {0.3, 0, 0}});
  const Template s = line_template(tube, *straight);
  CHECK(s.lines.size() == 4);
  CHECK(s.texts.size() == 1);
  CHECK(s.x1 == Approx(306));
  CHECK(making_steps(tube, *straight).size() == 1);
}

TEST_CASE("lines of a job: corners by name, turns by their side, coils and what is left out") {
  Job job;
  job.tubes = {{"a", 0.0047625, 0.015, Flare::none, Flare::none, {}},
               {"b", 0.0047625, 0.015, Flare::none, Flare::none, {}}};
  job.tube_corners = {{"a", 0, 0, 0, {}},   {"b", 0, 0, 0, {}},      {"a", 3, 0, 0, {}},
                      {"b", 0.2, 0, 0, {}}, {"b", 0.2, 0.01, 0, {}}, {"b", 0.5, 0.01, 0, {}}};
  auto lines = planned_lines(job);
  REQUIRE(lines.size() == 2);
  CHECK(lines[0].corners.size() == 2);
  REQUIRE(lines[0].list);
  CHECK(lines[0].list->cut_m == Approx(3.0));
  CHECK_FALSE(lines[1].list);
  auto words = cutting_words(lines);
  REQUIRE(words.size() == 3);
  CHECK(english(words[0]) == "b is left out: it cannot be bent so");
  CHECK(english(words[1]).find("a (4620.00 mm left)") == std::string::npos);
  CHECK(english(words[1]).find("a (4620 mm") != std::string::npos);
  // Longer than a coil of 5 m: said for that coil alone.
  job.tube_corners[2].x_m = 6;
  words = cutting_words(planned_lines(job));
  CHECK(english(words[1]).find("left)") != std::string::npos);
  CHECK(english(words[2]).find("needs") != std::string::npos);
  CHECK(english(bend_words({0.1, 1.5707963, 1.5707963, 0.1, 1})) ==
        "turn 90° right, then bend 90°");
  CHECK(english(bend_words({0.1, -0.7853982, 0.5, 0.1, 1})).find("turn 45° left") == 0);
  CHECK(english(bend_words({0.1, 0.001, 1.5707963, 0.1, 1})) == "bend 90°");
}
