// Pinned candidates, the map that is kept while the plan moves through it, the band of the curve.
#include <QDate>
#include <QFile>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <catch2/catch.hpp>

#include "document/param/bores.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/vehicle.hpp"
#include "session/candidates.hpp"
#include "session/choose.hpp"
#include "session/curves.hpp"
#include "session/doubt_runner.hpp"
#include "session/sheet.hpp"

using namespace yoke;

namespace {

QString demo(const QTemporaryDir& dir, const QString& name = "estate-discs") {
  const QString path = dir.filePath(name + ".yoke");
  REQUIRE(QFile::copy(QStringLiteral(YOKE_SOURCE_DIR "/tests/fixtures/%1.yoke").arg(name), path));
  return path;
}

}  // namespace

TEST_CASE("a plan that only moves through the map keeps its cells, and ranks them anew") {
  const auto* name = GENERATE("estate-discs", "roadster-clutch");
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir, name)));
  // A measured lever: the plan's own cell is judged with it, wherever the plan moves.
  for (const auto& [p, si] : {std::pair{param::control_axis_height, 0.052},
                              {param::control_offset, 0.012},
                              {param::control_rest_angle, -0.25},
                              {param::control_rod_length, 0.150}})
    s.set_value(As::found, p, measured(p, si, How::rule));
  REQUIRE(s.map());
  const Sweep first = *s.map();
  // Away from the plan: one that passes where there is one.
  auto to = std::find_if(first.cells.begin(), first.cells.end(),
                         [](const Cell& c) { return c.fails == Limit::none && !c.own; });
  if (to == first.cells.end())
    to = std::find_if(first.cells.begin(), first.cells.end(),
                      [](const Cell& c) { return c.fails != Limit::impossible && !c.own; });
  REQUIRE(to != first.cells.end());
  choose_cell(s, *to, nullptr, {});
  const Sweep kept = *s.map();
  const auto fresh = sweep(s.job(), default_request(s.job()));
  REQUIRE(fresh);
  REQUIRE(kept.cells.size() == fresh->cells.size());
  for (std::size_t i = 0; i < kept.cells.size(); ++i) {
    CHECK(kept.cells[i].fails == fresh->cells[i].fails);
    CHECK(kept.cells[i].effort_n == fresh->cells[i].effort_n);
    CHECK(kept.cells[i].travel_m == fresh->cells[i].travel_m);
    CHECK(kept.cells[i].own == fresh->cells[i].own);
    CHECK(kept.cells[i].score == fresh->cells[i].score);
  }
  CHECK(std::count_if(kept.cells.begin(), kept.cells.end(), [](auto& c) { return c.own; }) == 1);
  // The cells of before, ranked for the plan of now.
  Sweep again = first;
  REQUIRE(score_again(s.job(), default_request(s.job()), again));
  std::size_t same = 0;
  for (const Cell& c : again.cells)
    for (const Cell& f : fresh->cells)
      if (c.assist == f.assist && c.bore_m == f.bore_m && c.ratio == f.ratio) {
        ++same;
        CHECK(c.own == f.own);
        CHECK(c.fails == f.fails);
        CHECK(c.travel_m == f.travel_m);
      }
  CHECK(same > 20);  // a clutch without a fitted bore moves its map along
  // Anything else judges them anew.
  if (works_clutch(resolve(s.job(), As::plan))) return;
  s.set_value(As::plan, param::vehicle_mass, measured(param::vehicle_mass, 1900, How::stated));
  CHECK(s.map()->cells[0].effort_n != kept.cells[0].effort_n);
}

TEST_CASE(
    "pinned candidates: three at most, never twice, named A to C, pressed in the plan's place") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  s.edit("none", [](Job& j) { j.candidates.clear(); });
  Part p;
  p.name = "First";
  p.dims = {{param::master_kind, 1}, {param::master_bore, 0.0254}};
  CHECK(pin_part(s, p));
  CHECK_FALSE(pin_part(s, p));
  p.name = "Second";
  CHECK(pin_part(s, p));
  p.name = "Third";
  CHECK(pin_part(s, p));
  p.name = "Fourth";
  const auto full = pin_part(s, p);
  REQUIRE_FALSE(full);
  CHECK(english(full.error().range) == "3 at most");
  CHECK(pin_letter(2) == "C");
  const auto views = candidate_views(s.job(), 16);
  REQUIRE(views.size() == 3);
  CHECK(views[0].bore_m == 0.0254);
  REQUIRE(views[0].report.target);
  CHECK(views[0].report.target->at.pad_travel_m < s.strip()[1].target->at.pad_travel_m);
  unpin(s, 1);
  unpin(s, 9);
  CHECK(s.job().candidates.size() == 2);
  s.undo();
  CHECK(s.job().candidates.size() == 3);
}

TEST_CASE("the band of the plan's curve comes with the doubt, and lies around the curve") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  DoubtRunner runner;
  QSignalSpy done(&runner, &DoubtRunner::finished);
  runner.ask(s.job(), ConditionId::plan, band_forces(s));
  REQUIRE(done.wait(30000));
  REQUIRE(runner.bands().size() == 2 + s.job().candidates.size());
  CHECK(runner.bands()[0].force_n.size() > 10);
  const PlotInput in = feel_plot(s, runner.bands());
  REQUIRE(in.bands.size() == runner.bands().size());
  CHECK(in.bands[0].low.size() == in.bands[0].high.size());
  for (std::size_t i = 0; i < in.bands[0].low.size(); ++i)
    CHECK(in.bands[0].low[i].x() <= in.bands[0].high[i].x());
}

TEST_CASE(
    "the sheet tells how it was found, what was compared, what is waited for and what expires") {
  QTemporaryDir dir;
  Session s;
  REQUIRE(s.open(demo(dir)));
  const QString html =
      sheet_html(s.job(), s.strip(), s.findings(), {}, s.style(), QDate(2026, 11, 26));
  for (const char* part :
       {"As it was found", "shoes out of adjustment", "Units compared", "NOT COMPARED",
        "Parts in hand", "Do not take it apart yet", "Later", "Rear discs", "2027-05-01"}) {
    INFO(part);
    CHECK(html.contains(QString::fromUtf8(part)));
  }
}
