// Prove on the road: what is answered and entered arrives in the job, opens the next stage, and
// findings follow.
#include <QDate>

#include "document/param/limits.hpp"
#include "road/permits.hpp"
#include "session/sheet.hpp"
#include "support/work_done.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

RoadFace* road_of(Bench& b) {
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::prove);
  b.window->page(Stage::prove)->show_face("road");
  QApplication::processEvents();
  auto* road = b.page<ProvePage>(Stage::prove)->road();
  REQUIRE(road);
  return road;
}

RoadState state(RoadFace* road, RoadStage stage) {
  for (const RoadStep& s : road->steps())
    if (s.stage == stage) return s.state;
  return RoadState::shut;
}

bool stands(const Session& s, FindingCode code) {
  for (const Finding& f : s.findings())
    if (f.code == code) return true;
  return false;
}

}  // namespace

TEST_CASE("on the road: shut until the gates are passed, and says how many are not") {
  Bench b;
  RoadFace* road = road_of(b);
  CHECK(road->at() == 0);
  CHECK(road->steps()[0].state == RoadState::open);
  road->go_to(RoadStage::walking);
  CHECK_FALSE(road->take()->isEnabled());
}

TEST_CASE("on the road: answered, driven, refused when too fast, the rear first is a stop") {
  Bench b;
  RoadFace* road = road_of(b);
  b.session.edit("ready", [&](Job& job) {
    ask_little_of_one_circuit(job);
    do_all_work(job);
    job.readings.clear();
    pass_all_gates(job);
  });
  QApplication::processEvents();
  REQUIRE(state(road, RoadStage::standing) == RoadState::passed);
  CHECK(road->steps()[road->at()].stage == RoadStage::walking);
  CHECK_FALSE(road->take()->isEnabled());
  for (QLineEdit* e : road->findChildren<QLineEdit*>()) {
    if (e->accessibleName() == "Who drives") b.type(e, "A. Builder");
    if (e->accessibleName() == "The place") b.type(e, "the yard");
    if (e->accessibleName() == "Weather and surface") b.type(e, "dry");
  }
  for (int i = 0; i < 4; ++i)
    QTest::mouseClick(road->answers()[static_cast<std::size_t>(i)], Qt::LeftButton);
  QApplication::processEvents();
  CHECK(b.session.job().permits.at("walking").place == "the yard");
  REQUIRE(road->take()->isEnabled());
  road->speed()->setText("20 km/h");
  QTest::mouseClick(road->take(), Qt::LeftButton);
  CHECK(road->refusal()->text().contains("faster"));
  CHECK(b.session.job().stops.empty());
  for (int i = 0; i < 3; ++i) {
    road->go_to(RoadStage::walking);
    road->speed()->setText("6 km/h");
    b.type(road->distance(), "1 m");
    QApplication::processEvents();
  }
  CHECK(b.session.job().stops.size() == 3);
  CHECK(state(road, RoadStage::walking) == RoadState::passed);
  // Nobody told the ± of a stop: picture and sheet say so.
  CHECK(road->ground()->picture().said.join(' ').contains("the ± taken, not told"));
  CHECK(sheet_html(b.session.job(), b.session.strip(), b.session.findings(), {}, b.session.style(),
                   QDate(2026, 12, 1), SheetPart::appendix)
            .contains("the ± taken, not told"));
  b.session.edit("rear", [](Job& j) {
    j.stops.push_back(j.stops.back());
    j.stops.back().stage = RoadStage::hard;
    j.stops.back().locked = LockSeen::rear;
  });
  QApplication::processEvents();
  CHECK(stands(b.session, FindingCode::prove_road_rear));
  QTest::mouseClick(road->remove(), Qt::LeftButton);
  QApplication::processEvents();
  CHECK_FALSE(stands(b.session, FindingCode::prove_road_rear));
}

TEST_CASE("on the road: what is due afterwards is ticked there") {
  Bench b;
  RoadFace* road = road_of(b);
  b.session.edit("driven", [](Job& j) {
    RoadStop s;
    s.stage = RoadStage::slow;
    s.speed_m_s = 8;
    s.distance_m = 6;
    s.when = "2026-05-31T10:00:00";
    j.stops.push_back(s);
  });
  QApplication::processEvents();
  CHECK(stands(b.session, FindingCode::prove_road_after));
  road->go_after();
  for (QCheckBox* c : road->after()) {
    REQUIRE(c->isVisible());
    QTest::mouseClick(c, Qt::LeftButton, {}, QPoint(8, c->height() / 2));
  }
  QApplication::processEvents();
  CHECK_FALSE(stands(b.session, FindingCode::prove_road_after));
  CHECK(b.session.job().steps.at("after:level").done);
}
