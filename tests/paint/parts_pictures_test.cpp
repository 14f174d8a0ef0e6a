// Clutches, twin masters and bore pairs in pictures.
#include <QImage>
#include <QPainter>
#include <catch2/catch.hpp>

#include "assembly/assemble_clutch.hpp"
#include "document/param/arms.hpp"
#include "document/param/bolting.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/hang.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/squareness.hpp"
#include "document/param/unit.hpp"
#include "paint/budget.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/line_geometry.hpp"
#include "paint/line_of_force.hpp"
#include "paint/size_map.hpp"
#include "support/build.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

void set(Job& job, Param p, double v) {
  job.found.set(p, {v, How::stated, 0, {}});
}

Job clutch_job(int kind) {
  Job job;
  set(job, param::control_use, 1);
  set(job, param::control_pad_arm, 0.3);
  set(job, param::control_pin_arm, 0.055);
  set(job, param::master_bore, 0.01905);
  set(job, param::clutch_kind, kind);
  set(job, param::clutch_slave_bore, kind == 2 ? 0.05 : 0.0222);
  set(job, param::clutch_slave_inner, kind == 2 ? 0.04 : 0.008);
  set(job, param::clutch_fork_slave, 0.09);
  set(job, param::clutch_fork_bearing, 0.05);
  set(job, param::clutch_peak, 1400);
  return job;
}

LineInput pressed(const Job& job, double share) {
  LineInput in;
  in.job = job;
  in.title = "plan";
  const auto c = condition_report(job, ConditionId::plan, 64);
  REQUIRE(c.curve);
  if (const auto clutch = assemble_clutch(resolve(job, As::plan)); clutch.system)
    in.clutch = clutch.system->unit;
  in.point = point_at_travel(*c.curve, share * c.curve->points.back().pad_travel_m);
  return in;
}

QImage drawn(const Picture& p) {
  QImage image(p.size.toSize(), QImage::Format_RGB32);
  image.fill(Qt::magenta);
  QPainter painter(&image);
  p.paint(painter);
  return image;
}

}  // namespace

TEST_CASE(
    "a clutch's line of force: slave and bearing move, dimensions can be touched, no brakes") {
  for (const int kind : {0, 1, 2}) {
    const Job job = clutch_job(kind);
    const LineInput rest = pressed(job, 0.1);
    const LineInput down = pressed(job, 0.9);
    CHECK(line_geometry(down).slave.travel > line_geometry(rest).slave.travel);
    CHECK(line_geometry(down).slave.bearing > line_geometry(rest).slave.bearing);
    const Picture p = line_of_force_picture(down, {1040, 250});
    CHECK(drawn(p) != drawn(line_of_force_picture(rest, {1040, 250})));
    const QString said = p.said.join(QLatin1Char('\n'));
    CHECK(said.contains(kind == 2 ? "slave around the shaft" : "release bearing"));
    CHECK(said.contains("bearing: "));
    CHECK_FALSE(said.contains("front fed"));
    QStringList spots;
    for (const Spot& s : p.spots) spots << s.id;
    CHECK(spots.contains("param:clutch.slave_bore"));
    CHECK(spots.contains("param:clutch.fork_slave") == (kind != 2));
    CHECK_FALSE(spots.contains("param:front.radius"));
    CHECK(spots.contains("pad"));
  }
}

TEST_CASE("bearing travel and load under a clutch's line are the model's own") {
  const Job job = clutch_job(0);
  const auto c = condition_report(job, ConditionId::plan, 256);
  LineInput in;
  in.job = job;
  in.style.units = UnitStyle::metric;
  in.point = c.curve->points.back();
  const auto clutch = assemble_clutch(resolve(job, As::plan));
  REQUIRE(clutch.system);
  in.clutch = clutch.system->unit;
  const Picture p = stations_picture(in, {900, 66});
  QString bearing;
  for (const QString& s : p.said)
    if (s.startsWith("bearing")) bearing = s;
  REQUIRE_FALSE(bearing.isEmpty());
  // The line's own give is left out of the drawing: within a few tenths of a millimetre.
  const double shown =
      bearing.section(QLatin1Char(','), 1).section(QLatin1Char(' '), 1, 1).toDouble();
  CHECK(shown == Approx(c.clutch->end.bearing_m * 1e3).margin(0.4));
}

TEST_CASE("a clutch's budget: the slave takes nearly all of the pedal's way") {
  const auto c = condition_report(clutch_job(0), ConditionId::plan, 64);
  double sum = 0;
  for (const double layer : c.target->budget) sum += layer;
  CHECK(sum == Approx(c.clutch->release.pad_travel_m).epsilon(1e-6));
  CHECK(c.target->budget[static_cast<std::size_t>(TravelLayer::slave)] > 0.8 * sum);
  const Picture p = budget_picture({c, c}, {}, {460, 132});
  CHECK(p.said.join(QLatin1Char(' ')).contains("slave"));
}

TEST_CASE("twin masters are drawn as two, with their bar, the map is bore by bore") {
  Job job = known_job();
  set(job, param::master_kind, 3);
  set(job, param::master_bore, 0.01905);
  set(job, param::master_bore2, 0.0206375);
  set(job, param::master_bar_a, 0.03);
  set(job, param::master_bar_b, 0.032);
  set(job, param::master_stroke1, 0.028);
  set(job, param::master_stroke2, 0.028);
  const LineInput in = pressed(job, 0.6);
  const LineGeometry g = line_geometry(in);
  CHECK(g.twin);
  CHECK_FALSE(g.tandem);
  CHECK(g.apart > 10);
  Job tandem = job;
  set(tandem, param::master_kind, 1);
  CHECK(drawn(line_of_force_picture(in, {1040, 250})) !=
        drawn(line_of_force_picture(pressed(tandem, 0.6), {1040, 250})));
  const auto all = sweep(job, default_request(job));
  REQUIRE(all);
  const Sweep s = all->slice(0);
  MapMarks marks;
  marks.plan_bore_m = 0.01905;
  marks.plan_bore2_m = 0.0206375;
  const Picture p = size_map_picture(s, marks, {}, {560, 260});
  CHECK(p.spots.size() == s.cells.size() + 1);  // and the key
  CHECK(p.spots.front().words().contains(" and "));
  CHECK(p.said.join(QLatin1Char('\n')).contains("plan: 3/4 in and 13/16 in"));
}

TEST_CASE("pictures of Fit and Rod: say what is missing, then what is drawn") {
  Job job;
  job.title = "Pictures";
  const QSizeF size(500, 260);
  using Make = Picture (*)(const Job&, const Style&, QSizeF);
  const Make all[] = {pattern_picture,  stack_picture, offset_picture, room_picture,
                      attitude_picture, gap_picture,   heights_picture};
  std::vector<QImage> bare;
  for (const Make m : all) {
    const Picture p = m(job, {}, size);
    CHECK(p.said.size() >= 2);
    bare.push_back(drawn(p));
  }
  for (const auto& [p, si] : {std::pair{param::unit_studs, 0.0},
                              {param::unit_stud_pitch, 0.08},
                              {param::unit_stud_size, 0.008},
                              {param::unit_stud_length, 0.03},
                              {param::fit_panel, 0.0012},
                              {param::fit_gap_side, 0.012},
                              {param::fit_shift_unit, 0.01},
                              {param::fit_master_nose, 0.05},
                              {param::rod_recess, 0.0118},
                              {param::rod_stick_off, 0.011},
                              {param::rod_accelerator, 0.11}})
    job.plan.set(p, measured(p, si, How::calliper));
  job.found.set(param::control_rest_height, measured(param::control_rest_height, 0.17, How::tape));
  job.boxes = {{"unit", Box::Kind::unit, 0.1, 0, 0, 0.2, 0.1, 0.1, 0},
               {"pipe", Box::Kind::hot, 0.1, 0.12, 0, 0.3, 0.05, 0.05, 0.01}};
  for (std::size_t i = 0; i < std::size(all); ++i) CHECK(drawn(all[i](job, {}, size)) != bare[i]);
  CHECK(offset_picture(job, {}, size).said.join(";").contains("left 2.0 mm"));
  CHECK(room_picture(job, {}, size).said.join(";").contains("unit to pipe: 35 mm"));
  CHECK(heights_picture(job, {}, size).said.join(";").contains("accelerator 110 mm"));
  CHECK(gap_picture(job, {}, size).said.join(";").contains("gap: engine off 0.80 mm"));
}
