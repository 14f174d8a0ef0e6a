// Pictures: every painted value is also said, spots answer where they are drawn, nothing depends on
// what is unknown.
#include <QImage>
#include <catch2/catch.hpp>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/pedal.hpp"
#include "files/store.hpp"
#include "paint/budget.hpp"
#include "paint/foot_strip.hpp"
#include "paint/line_of_force.hpp"
#include "paint/net_picture.hpp"
#include "paint/plot.hpp"
#include "paint/sections.hpp"
#include "paint/size_map.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QImage drawn(const Picture& p) {
  QImage image(p.size.toSize(), QImage::Format_RGB32);
  image.fill(Qt::magenta);
  QPainter painter(&image);
  p.paint(painter);
  return image;
}

/// Share of pixels the picture left untouched.
double untouched(const QImage& image) {
  int n = 0;
  for (int y = 0; y < image.height(); ++y)
    for (int x = 0; x < image.width(); ++x) n += image.pixel(x, y) == QColor(Qt::magenta).rgb();
  return n / double(image.width() * image.height());
}

LineInput line(const Job& job, double share) {
  LineInput in;
  in.job = job;
  in.title = "plan";
  in.cannot = "not known";
  const auto a = assemble(job, As::plan);
  in.vehicle_known = a.missing_vehicle.empty();
  if (!a.system) return in;
  const FeelCurve c = FeelModel::make(*a.system, {}).value().curve();
  in.point = point_at_travel(c, share * c.points.back().pad_travel_m);
  return in;
}

}  // namespace

TEST_CASE("scale maps both ways and ticks are round") {
  const Scale s{0, 200, 50, 450};
  CHECK(s.pixel(100) == Approx(250));
  CHECK(s.value(s.pixel(37)) == Approx(37));
  const auto t = round_ticks(0, 97, 5);
  CHECK(t == std::vector<double>{0, 20, 40, 60, 80});
  CHECK(round_ticks(1, 1, 5).empty());
  CHECK(round_end(93) >= 93);
}

TEST_CASE("the foot strip says and shows every condition") {
  const auto strip = foot_strip(known_job(), 16);
  const Picture p = foot_strip_picture(strip, ConditionId::plan, {}, {1280, 140});
  CHECK(p.said.size() == 7);
  CHECK(p.spots.size() == 7);
  CHECK(p.hit({300, 60})->id == "condition:1");
  CHECK(p.said[1].startsWith("plan: "));
  CHECK(untouched(drawn(p)) == 0);
  const auto unknown = foot_strip(Job{}, 16);
  CHECK(
      foot_strip_picture(unknown, ConditionId::plan, {}, {900, 140}).said[1].contains("not known"));
}

TEST_CASE("the line of force moves with the pedal and touches answer with parameters") {
  Job job = known_job();
  const Picture rest = line_of_force_picture(line(job, 0), {1000, 300});
  const Picture pressed = line_of_force_picture(line(job, 0.8), {1000, 300});
  CHECK(drawn(rest) != drawn(pressed));
  const auto spot = [](const Picture& p, const QString& id) {
    for (const Spot& s : p.spots)
      if (s.id == id) return s.area.center();
    return QPointF();
  };
  CHECK(spot(pressed, "pad").x() > spot(rest, "pad").x() + 5);
  CHECK(rest.hit(spot(rest, "param:master.bore"))->id == "param:master.bore");
  CHECK(rest.said.join(" ").contains("Pivot to pedal pad: 300.0 mm"));
  // A drag of the drawn distance is the travel of the pad, within the arc's curvature.
  const double mm = line_of_force_mm_per_pixel(line(job, 0), {1000, 300});
  const FeelModel model = FeelModel::make(*assemble(job, As::plan).system, {}).value();
  const double travel = 0.8 * model.curve().points.back().pad_travel_m * 1e3;
  CHECK((spot(pressed, "pad").x() - spot(rest, "pad").x()) * mm == Approx(travel).epsilon(0.06));
  job.found.clear(param::control_pad_arm);
  CHECK(line_of_force_picture(line(job, 0), {1000, 300})
            .said.join(" ")
            .contains("Pivot to pedal pad: unknown"));
  CHECK(untouched(drawn(line_of_force_picture(line(Job{}, 0), {1000, 300}))) == 0);
  CHECK(stations_picture(line(known_job(), 0.5), {1000, 66}).said.size() == 8);
}

TEST_CASE("the map: a spot for each cell, in words, where it is drawn") {
  Job job = known_job();
  const auto all = sweep(job, default_request(job));
  REQUIRE(all);
  const auto s = std::make_unique<Sweep>(all->slice(0));
  MapMarks m;
  m.plan_bore_m = 0.022225;
  m.plan_ratio = 6;
  const Picture p = size_map_picture(*s, m, {}, {600, 400});
  REQUIRE(p.spots.size() == s->cells.size() + 1);  // and the key
  for (size_t i = 0; i < p.spots.size(); i += 17)
    CHECK(p.hit(p.spots[i].area.center())->id == p.spots[i].id);
  CHECK(p.spots[0].words().contains(" at 3.00: "));
  // Large bores stand on top, large ratios to the right.
  const Spot& last = p.spots[s->cells.size() - 1];
  CHECK(p.spots.front().area.top() > last.area.top());
  CHECK(p.spots.front().area.left() < last.area.left());
  CHECK(untouched(drawn(p)) == 0);
}

TEST_CASE("plots, budgets and sections draw with and without numbers") {
  PlotInput in;
  in.title = "t";
  in.empty = "nothing yet";
  CHECK(plot(in, {300, 200}).said.contains("nothing yet"));
  in.curves.push_back({"c", {{0, 0}, {1, 1}}, Stroke::dashed, Qt::white, 2});
  CHECK(untouched(drawn(plot(in, {300, 200}))) == 0);
  auto strip = foot_strip(known_job(), 16);
  const Picture b = budget_picture({strip[0], strip[1]}, {}, {500, 140});
  CHECK(b.said.size() == 2);
  CHECK(b.said[0].contains("lining take-up"));
  for (const Job& job : {Job{}, known_job()}) {
    CHECK(untouched(drawn(rod_section_picture(job, rod_report(job), {}, {600, 240}))) == 0);
    CHECK(untouched(drawn(rod_angle_picture(job, angle_report(job, As::plan), {}, {600, 240}))) ==
          0);
    const NetDrawing net = net_drawing(job, {});
    const Picture o = net_picture(net_drawing(job, {}), {600, 320});
    // A wheel each, and each joint; the title tells itself and does nothing.
    CHECK(std::count_if(o.spots.begin(), o.spots.end(), [](const Spot& s) {
            return !s.id.isEmpty() && !s.id.startsWith("value:");
          }) == 4 + static_cast<long>(net.joints.size()));
    const BleedPlan bleed = bleed_plan(job);
    CHECK(bleed_picture(job, bleed, {600, 200}).said.size() ==
          1 + static_cast<qsizetype>(bleed.wheels.size()));
    CHECK(untouched(drawn(o)) == 0);
  }
  CHECK(net_picture(net_drawing(known_job(), {}), {600, 320})
            .said.join(" ")
            .contains("rear left: outlet 2"));
}

TEST_CASE("curves are read out straight between their points, or said not to be reached") {
  PlotInput in;
  in.x = {"pedal travel, mm", 0, 100};
  in.y = {"pedal force, N", 0, 200};
  in.curves.push_back({"plan", {{0, 0}, {50, 100}}, Stroke::solid, Qt::white});
  CHECK(read_out(in).isEmpty());
  in.cursor = 25;
  REQUIRE(read_out(in).size() == 2);
  CHECK(read_out(in)[0] == "at 25 mm");
  CHECK(read_out(in)[1] == "plan: 50 N");
  in.cursor = 80;
  CHECK(read_out(in)[1] == "plan: not reached");
  CHECK(plot_x(in, {400, 300}, -50) == 0);
  CHECK(plot_x(in, {400, 300}, 4000) == 100);
  const QImage bare = drawn(plot(in, {400, 300}));
  in.bands.push_back({{{0, 0}, {40, 100}}, {{5, 0}, {60, 100}}, Qt::white});
  CHECK(drawn(plot(in, {400, 300})) != bare);
}

TEST_CASE("callouts: unknown, guess and typical look different, labels keep apart") {
  Job job = known_job();
  LineInput in = line(job, 0);
  in.focus = Group::control;
  const Picture known = line_of_force_picture(in, {1040, 300});
  CHECK(known.said.join(";").contains("Pivot to pedal pad: 300.0 mm"));
  CHECK(known.said.join(";").contains("≈"));
  job.found.clear(param::control_pin_arm);
  LineInput less = line(job, 0);
  less.focus = Group::control;
  CHECK(line_of_force_picture(less, {1040, 300})
            .said.join(";")
            .contains("Pivot to rod pin: unknown"));
  const auto params = callout_params(in, {1040, 300});
  CHECK(params.size() > 8);
  CHECK(std::find(params.begin(), params.end(), param::control_rest_angle) != params.end());
  in.focus = Group::master;
  const auto other = callout_params(in, {1040, 300});
  CHECK(std::find(other.begin(), other.end(), param::master_stroke1) != other.end());
  CHECK(std::find(other.begin(), other.end(), param::control_rest_angle) == other.end());
}

TEST_CASE("the map shows where it feels as today, and names what shares a cell") {
  const Job job = known_job();
  const auto s = sweep(job, default_request(job));
  REQUIRE(s);
  const Sweep one = s->slice(0);
  MapMarks m;
  m.plan_bore_m = m.found_bore_m = 0.022225;
  m.plan_ratio = m.found_ratio = 6;
  const QImage bare = drawn(size_map_picture(one, m, {}, {600, 400}));
  m.found_effort_n = 200;
  m.found_travel_m = 0.07;
  m.pins.push_back({"A", 0.022225, 6});
  m.pins.push_back({"B", 0.0254, 0});  // no ratio: not on the map
  const Picture p = size_map_picture(one, m, {}, {600, 400});
  CHECK(drawn(p) != bare);
  CHECK(p.said.join(";").contains("A: 7/8 in at 6.00"));
  CHECK_FALSE(p.said.join(";").contains("B: "));
  CHECK(p.said.join(";").contains("as hard as today"));
}
