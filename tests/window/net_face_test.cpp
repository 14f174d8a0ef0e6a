// The plumbing in the window: a joint is touched, looked at, judged, and told in every place.
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/hoses.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"
#include "judge/findings.hpp"
#include "session/texts.hpp"
#include "support/every_code.hpp"
#include "window/bench.hpp"
#include "work/parts_gate.hpp"
#include "work/tools.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct NetFace {
  Bench b;
  OutletsFace* face = nullptr;
  explicit NetFace(Job job) {
    b.window->resize(1280, 800);
    b.session.take(std::move(job));
    b.stage(Stage::plumb);
    face = b.page<PlumbPage>(Stage::plumb)->outlets();
    QApplication::processEvents();
  }
  void touch(const QString& id) const {
    for (const Spot& s : face->drawing()->picture().spots)
      if (s.id == id) {
        QTest::mouseClick(face->drawing(), Qt::LeftButton, {}, s.area.center().toPoint());
        QApplication::processEvents();
        return;
      }
    FAIL("no spot " << id.toStdString());
  }
  [[nodiscard]] bool drawn(const QString& id) const {
    for (const Spot& s : face->drawing()->picture().spots)
      if (s.id == id) return true;
    return false;
  }
  void choose(const char* name, int row) const {
    for (auto* box : face->joint()->findChildren<QComboBox*>())
      if (box->accessibleName() == QLatin1String(name)) {
        box->setCurrentIndex(row);
        emit box->activated(row);
        QApplication::processEvents();
        return;
      }
    FAIL("no list " << name);
  }
  template <class Widget>
  [[nodiscard]] Widget* named(const char* name) const {
    for (auto* w : face->joint()->findChildren<Widget*>())
      if (w->accessibleName() == QLatin1String(name)) return w;
    FAIL("no entry " << name);
    return nullptr;
  }
  [[nodiscard]] const Job& job() const { return b.session.job(); }
  [[nodiscard]] bool finds(FindingCode code) const {
    for (const Finding& f : find_all(job(), foot_strip(job(), 8)))
      if (f.code == code) return true;
    return false;
  }
};

}  // namespace

TEST_CASE("a joint is touched and looked at: both sides arrive, and its verdict is told") {
  NetFace n(known_job());
  n.touch("joint:outlet1");
  CHECK(n.face->joint()->key() == "outlet1");
  CHECK(n.face->joint()->said().contains("Not looked at"));
  n.choose("Thread of the port", static_cast<int>(JointThread::m10x1));
  n.choose("Seat in the port", static_cast<int>(JointSeat::bubble));
  // The port is a value of the unit, and is kept there alone.
  CHECK(value_of(n.job(), As::plan, param::unit_port1_thread).is(choice::UnitPortThread::M10x1));
  CHECK(n.job().joints.empty());
  n.choose("Thread of the nut", static_cast<int>(JointThread::n3_8_24));
  n.choose("Seat on the line", static_cast<int>(JointSeat::inverted));
  CHECK(n.job().joints.at("outlet1").line_thread == JointThread::n3_8_24);
  CHECK(n.face->joint()->said().contains("Starts, then strips"));
  CHECK(n.finds(FindingCode::plumb_joint));
  CHECK(n.face->drawing()->picture().said.join(" ").contains("Starts, then strips"));
  n.choose("Thread of the nut", static_cast<int>(JointThread::m10x1));
  CHECK(n.face->joint()->said().contains("Leaks"));
  n.choose("Seat on the line", static_cast<int>(JointSeat::bubble));
  CHECK(n.face->joint()->said().contains("Goes together"));
  CHECK_FALSE(n.finds(FindingCode::plumb_joint));
  for (int i = 0; i < 6; ++i) n.b.session.undo();
  QApplication::processEvents();
  CHECK(n.job() == known_job());
  CHECK(n.face->joint()->said().contains("Not looked at"));
}

TEST_CASE("a new unit's joint is open until it was screwed together by hand") {
  Job job = known_job();
  set(job, "master.bore=25.4 mm; unit.port1_thread=3/8-24; unit.port1_seat=inverted");
  NetFace n(job);
  CHECK(n.finds(FindingCode::plumb_joint_open));
  n.touch("joint:outlet1");
  n.choose("Thread of the nut", static_cast<int>(JointThread::n3_8_24));
  n.choose("Seat on the line", static_cast<int>(JointSeat::inverted));
  auto* proved = n.face->joint()->findChild<QCheckBox*>();
  REQUIRE(proved);
  proved->click();
  CHECK(n.job().joints.at("outlet1").proved);
  CHECK(n.face->drawing()->picture().said.join(" ").contains("Outlet 1: Goes together, proved"));
  auto* torque = n.named<QLineEdit>("Maker's torque");
  n.b.type(torque, "12 lbf ft");
  CHECK(*n.job().joints.at("outlet1").torque_nm == Approx(16.27).margin(0.01));
  n.b.type(torque, "5000 N m");
  CHECK(*n.job().joints.at("outlet1").torque_nm == Approx(16.27).margin(0.01));
  auto* hole = n.named<QLineEdit>("Smallest hole");
  n.b.type(hole, "1/32 in");
  CHECK(*n.job().joints.at("outlet1").bore_m == Approx(0.00079375));
  QString told;
  for (auto* l : n.face->joint()->findChildren<QLabel*>()) told += l->text();
  CHECK(told.contains("a quick press takes"));
  CHECK(told.contains("Rests on what nobody measured"));
  hole->setFocus();
  hole->selectAll();
  QTest::keyClick(hole, Qt::Key_Delete);
  QTest::keyClick(hole, Qt::Key_Return);
  CHECK_FALSE(n.job().joints.at("outlet1").bore_m);
}

TEST_CASE("what stands in the lines is chosen beside the net and drawn in it at once") {
  NetFace n(known_job());
  CHECK(n.drawn("joint:hose_rl.in"));
  CHECK_FALSE(n.drawn("joint:valve_rear.in"));
  auto* panel = n.face->lines();
  // The lengths feed the model: the strip moves with the hose.
  const double before = foot_strip(n.job(), 0)[1].target->at.pad_travel_m;
  n.b.type(n.b.entry(panel, As::plan, param::front_hose), "3 m");
  CHECK(foot_strip(n.job(), 0)[1].target->at.pad_travel_m > before + 1e-4);
  n.b.choose(panel, As::plan, param::rear_hoses, 1);
  CHECK_FALSE(n.drawn("joint:hose_rl.in"));
  CHECK(n.drawn("joint:hose_rear.in"));
  n.b.choose(panel, As::plan, param::valve_kind, 1);
  CHECK(n.drawn("joint:valve_rear.in"));
  n.touch("wheel:0");
  CHECK(value_of(n.job(), As::plan, param::circuit_fl).is(choice::WheelOutlet::n2));
}

TEST_CASE("a nut that sits fast: soaked, timed by the clock, and decided with its parts") {
  NetFace n(known_job());
  n.touch("joint:fl");
  n.choose("How the old nut sits", static_cast<int>(JointGrip::rusted));
  CHECK(n.finds(FindingCode::plumb_seized));
  QString all;
  const auto texts = [&] {
    all.clear();
    for (auto* l : n.face->joint()->findChildren<QLabel*>()) all += l->text() + "\n";
    return all;
  };
  CHECK(texts().contains("Have ready"));
  const auto press = [&](const char* words) {
    for (auto* p : n.face->joint()->findChildren<QPushButton*>())
      if (p->text() == QLatin1String(words)) p->click();
    QApplication::processEvents();
  };
  press("Soaked now");
  CHECK(n.job().joints.at("fl").soaked.size() == 19);
  CHECK(texts().contains("leave it 480 min more"));
  // What must be at hand goes into the parts list, once, and holds the car together.
  press("Into the parts list");
  press("Into the parts list");
  REQUIRE(n.job().parts.size() == 2);
  CHECK(n.job().parts[0].name.find("Brake, front left") == 0);
  CHECK_FALSE(parts_gate(n.job(), "").may_start);
  // It goes on while nobody looks: the moment is kept, not a count.
  n.b.session.edit("clock", [](Job& j) { j.joints["fl"].soaked = "2026-01-01T08:00:00"; });
  QApplication::processEvents();
  CHECK_FALSE(texts().contains("min more"));
  CHECK(texts().contains("Try it"));
}

TEST_CASE("a clutch has its one line drawn, joints and all") {
  Job job;
  set(job, kClutchJob);
  NetFace n(job);
  CHECK(n.drawn("joint:slave"));
  n.touch("joint:slave");
  CHECK(n.face->joint()->key() == "slave");
}

TEST_CASE("the hose at a hand lever is asked beside the lines, and what is entered is ordered") {
  Bench b;
  Job job = known_job();
  set(job,
      "found:control.kind=lever_axial; control.kind=lever_radial; found:control.axles=front; "
      "control.axles=front; found:master.kind=single; master.kind=single; "
      "found:master.bore=12.7 mm; master.bore=14 mm");
  b.session.take(job);
  b.stage(Stage::plumb);
  auto* lines = b.page<PlumbPage>(Stage::plumb)->outlets()->lines();
  b.type(b.entry(lines, As::found, param::lever_hose), "700 mm");
  const auto told = [&b](const char* words) {
    for (const ToolNeed& t : tool_list(b.session.job()))
      if (english(t.what).find(words) != std::string::npos) return true;
    return false;
  };
  CHECK(told("730 mm"));  // the lever is of the other kind
  b.type(b.entry(lines, As::plan, param::lever_hose), "745 mm");
  CHECK(told("745 mm"));
  b.session.take(known_job());
  CHECK_FALSE(lines->field(As::plan, param::lever_hose));
}
