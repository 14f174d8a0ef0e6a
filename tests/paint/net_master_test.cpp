// The unit of the plumbing net from above, and what feeds the assist.
#include "paint/net_master.hpp"

#include <catch2/catch.hpp>
#include <cmath>

#include "paint/feed_picture.hpp"
#include "paint/net_picture.hpp"
#include "paint/words.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("outlets stand where they point, the one nearest the rod first, unknown ones ask") {
  Job job = known_job();
  UnitLook look = unit_look(job, As::plan);
  CHECK_FALSE(look.way[0]);
  CHECK_FALSE(look.inlets);
  set(job, "unit.port1_side=left; unit.port2_side=right; unit.inlets=2; unit.switch=level");
  look = unit_look(job, As::plan);
  const QRectF body(100, 100, 60, 40);
  const QPointF one = port_point(body, look, 0);
  const QPointF two = port_point(body, look, 1);
  CHECK(one.y() == body.bottom());  // left of a car that drives to the left of the picture
  CHECK(two.y() == body.top());
  CHECK(one.x() > two.x());  // the rod comes from the right
  set(job, "unit.port2_side=end");
  CHECK(port_point(body, unit_look(job, As::plan), 1).x() == body.left());
  // What is said, and what a touch asks.
  const Picture pic = net_picture(net_drawing(job, {}), {900, 500});
  const QString said = pic.said.join("; ");
  CHECK(said.contains("outlet 1 points: left"));
  CHECK(said.contains("outlet 2 points: out of the far end"));
  CHECK(said.contains("reservoir on"));
  CHECK(said.contains("a switch in the unit"));
  for (const char* id :
       {"value:unit.port1_side", "value:unit.port2_side", "value:unit.inlets", "value:unit.switch"})
    CHECK(std::any_of(pic.spots.begin(), pic.spots.end(),
                      [&](const Spot& s) { return s.id == QLatin1String(id); }));
  set(job, "master.kind=single");
  CHECK_FALSE(unit_look(job, As::plan).two);
}

TEST_CASE("joints of the net never stand over each other, whatever stands in the lines") {
  for (const char* in_lines :
       {"", "lamp.switch=two", "lamp.switch=two; valve.shuttle=fitted; circuit.antilock=fitted",
        "valve.metering=metering; valve.kind=proportioning; lamp.switch=line1",
        "circuit.split=diagonal; circuit.fr=2; circuit.rl=2; circuit.rr=1; lamp.switch=two"})
    for (const QSizeF size : {QSizeF(662, 367), QSizeF(1300, 660)}) {
      Job job = known_job();
      set(job, in_lines);
      INFO(in_lines << " " << size.width());
      const Picture pic = net_picture(net_drawing(job, {}), size);
      std::vector<Spot> joints;
      for (const Spot& s : pic.spots)
        if (s.id.startsWith("joint:")) joints.push_back(s);
      // A nut is drawn 22 wide where its place to touch is 32.
      QStringList over;
      for (std::size_t i = 0; i < joints.size(); ++i)
        for (std::size_t k = 0; k < i; ++k) {
          const QPointF d = joints[i].area.center() - joints[k].area.center();
          if (std::hypot(d.x(), d.y()) < joints[i].area.width() * 22 / 32)
            over << joints[i].id + QStringLiteral(" over ") + joints[k].id;
        }
      INFO(over.join(", ").toStdString());
      CHECK(over.empty());
    }
}

TEST_CASE("each feed is drawn with what it is, what it should be and what happens without") {
  Job job = known_job();
  set(job, "assist.kind=electric; supply.wake=always; supply.fuse=40 A");
  const FeedDrawing d = feed_drawing(job);
  CHECK(d.electric);
  REQUIRE(d.rows.size() == 3);
  const Picture pic = feed_picture(d, {}, {800, 460});
  CHECK(pic.said.size() == static_cast<qsizetype>(d.rows.size()) + 1);
  for (std::size_t i = 0; i < d.rows.size(); ++i) {
    const QString& said = pic.said[static_cast<qsizetype>(i) + 1];
    CHECK(said.contains(text_of(d.rows[i].what, {})));
    CHECK(said.contains(text_of(d.rows[i].without, {})));
  }
  set(job, "assist.kind=none");
  CHECK(feed_picture(feed_drawing(job), {}, {800, 460}).said.join(" ").contains("Nothing feeds"));
}
