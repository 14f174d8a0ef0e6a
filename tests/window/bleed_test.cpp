// Bleed as a stranger uses it: the coach by keys, the way that is chosen, joints wiped on the net,
// the fluid; and that each thing said there reaches finding, gate, rail and sheet.
#include <QLabel>
#include <QLineEdit>

#include "document/param/bleed_car.hpp"
#include "document/param/bleed_kit.hpp"
#include "document/param/fluid_plan.hpp"
#include "document/param/lines.hpp"
#include "document/param/master.hpp"
#include "document/param/supply.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "session/sheet.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "ui/stages/pages.hpp"
#include "window/bench.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
#include "work/bleed_methods.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

BleedPage* bleed(Bench& b, std::size_t face) {
  b.stage(Stage::bleed);
  auto* page = static_cast<BleedPage*>(b.window->page(Stage::bleed));
  page->show_face(face);
  QApplication::processEvents();
  return page;
}

void press(QWidget* in, const char* name) {
  auto* button = in->findChild<QPushButton*>(QString::fromLatin1(name));
  REQUIRE(button);
  REQUIRE(button->isVisible());
  QTest::mouseClick(button, Qt::LeftButton);
}

bool shows(QWidget* in, const QString& words) {
  for (auto* l : in->findChildren<QLabel*>())
    if (l->isVisible() && l->text().contains(words)) return true;
  return false;
}

GateState gate(const Session& s, GateId id) {
  for (const Gate& g : gates_of(s.job(), s.strip(), find_all(s.job(), s.strip())))
    if (g.id == id) return g.state;
  FAIL("no such gate");
  return GateState::open;
}

bool found(const Session& s, FindingCode code) {
  for (const Finding& f : find_all(s.job(), s.strip()))
    if (f.code == code) return true;
  return false;
}

}  // namespace

TEST_CASE("the coach: keys count, the level is drawn, running dry sets the circuit back") {
  Bench b;
  b.session.take(known_job());
  auto* page = bleed(b, 0);
  CoachFace* coach = page->coach();
  CHECK(coach->at() == "bench");  // the first that is not clear
  coach->go_to("rr");
  for (int i = 0; i < 3; ++i) QTest::keyClick(QApplication::focusWidget(), Qt::Key_Space);
  CHECK(b.session.job().bleeding.at("rr").clear_strokes == 3);
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_B);
  CHECK(b.session.job().bleeding.at("rr").clear_strokes == 0);
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_U);  // a slip of the finger
  CHECK(b.session.job().bleeding.at("rr").clear_strokes == 3);
  const BleedPlan plan = bleed_plan(b.session.job());
  const int left = chamber_levels(b.session.job(), plan).front().strokes_left;
  CHECK(shows(coach, QString::number(left) + " counts until its port is bare"));
  CHECK(coach->chambers()->picture().said.join(QLatin1Char(' ')).contains(QString::number(left)));
  for (int i = 0; i < left - 2; ++i) press(coach, "bleed:bubbles");
  CHECK(shows(coach, "TOP UP NOW"));
  CHECK(found(b.session, FindingCode::bleed_level));
  press(coach, "bleed:refill");
  CHECK_FALSE(shows(coach, "TOP UP NOW"));
  for (int i = 0; i < kClearStrokes; ++i) press(coach, "bleed:clear");
  CHECK(shows(coach, "does its nipple stand at the highest place?"));
  CHECK_FALSE(shows(coach, "✓ clear"));
  REQUIRE(b.session.set_value(As::plan, param::bleed_rear_screw,
                              measured(param::bleed_rear_screw, 0, How::stated)));
  CHECK(shows(coach, "✓ clear"));
  press(coach, "bleed:dry");
  CHECK_FALSE(shows(coach, "✓ clear"));
  CHECK(found(b.session, FindingCode::bleed_dry));
  CHECK(gate(b.session, GateId::bled) == GateState::open);
}

TEST_CASE("the coach: a nipple is chosen on the drawing, the next one by its key") {
  Bench b;
  b.session.take(known_job());
  auto* page = bleed(b, 0);
  CoachFace* coach = page->coach();
  click_spot(coach->order(), "nipple:fl");
  CHECK(coach->at() == "fl");
  QTest::keyClick(QApplication::focusWidget(), Qt::Key_N);
  CHECK(coach->at() != "fl");
  click_spot(coach->order(), "nipple:bench");
  CHECK(coach->at() == "bench");
}

TEST_CASE("the coach: with plugs the push is typed, its words stand beside a refusal") {
  Bench b;
  Job job = known_job();
  set(job, "bleed.bench=plugs");
  b.session.take(job);
  CoachFace* coach = bleed(b, 0)->coach();
  coach->go_to("bench");
  REQUIRE(coach->push()->isVisible());
  const auto type = [&](const char* text) {
    coach->push()->setText(QString::fromLatin1(text));
    QTest::keyClick(coach->push(), Qt::Key_Return);
  };
  type("12 mm");
  CHECK(shows(coach, "last push"));
  CHECK_FALSE(bench_clear(b.session.job()));
  type("3 m");
  CHECK(shows(coach, "No piston is pushed that far"));
  CHECK(b.session.job().bleeding.at("bench").push_m == Approx(0.012));
  type("0.8 mm");
  CHECK(bench_clear(b.session.job()));
  CHECK(b.session.job().bleeding.at("bench").push_then_m == Approx(0.012));
}

TEST_CASE("the way that is touched is drawn out, and choosing it reaches plan, work and level") {
  Bench b;
  Job job = known_job();
  set(job, "master.bore=25.4 mm; bleed.tubes=yes; bleed.reach=yes");
  b.session.take(job);
  WayFace* way = bleed(b, 1)->way();
  const auto touch = [&](BleedWayId id) {
    click_spot(way->ways(), "way:" + std::to_string(static_cast<int>(id)));
  };
  touch(BleedWayId::vacuum);
  CHECK(way->steps()->picture().said.join(QLatin1Char(' ')).contains("never looks clear"));
  QTest::mouseClick(way->choose(), Qt::LeftButton);
  CHECK(chosen_way(b.session.job()) == BleedWayId::vacuum);
  CHECK_FALSE(way->choose()->isEnabled());
  // Marks of the bottle are counted then, and the last ones are a helper's strokes.
  CHECK(chamber_levels(b.session.job(), bleed_plan(b.session.job())).front().per_stroke.value() >=
        kMark_m3);
  BleedPage* page = bleed(b, 0);
  page->coach()->go_to("rr");
  CHECK(page->coach()->findChild<QPushButton*>("bleed:bubbles")->text().contains("drawn off"));
  CHECK(page->coach()->findChild<QPushButton*>("bleed:clear")->text().contains("Helper's stroke"));
  press(page->coach(), "bleed:bubbles");
  CHECK(b.session.job().bleeding.at("rr").way == "vacuum");
  // From below the reservoir rises: every place says draw down, not top up.
  Job from_below = b.session.job();
  set(from_below, "bleed.way=reverse; bleed.room=10 ml; bleed.syringe=10 ml; bleed.bench=tubes");
  bleed_clear(from_below, "bench");
  for (int i = 0; i < 2; ++i) count_at(from_below, bleed_plan(from_below), "rr", true);
  b.session.take(from_below);
  QApplication::processEvents();
  CHECK(page->next_step()->text().contains("Draw the reservoir down"));
  page->coach()->go_to("rr");
  CHECK(shows(page->coach(), "DRAW IT DOWN NOW"));
  CHECK(found(b.session, FindingCode::bleed_level));
  CHECK(page->coach()->chambers()->picture().said.join(' ').contains("runs over"));
  set(job, "bleed.way=vacuum");
  b.session.take(job);
  page->show_face(1);
  touch(BleedWayId::car);
  QTest::mouseClick(way->choose(), Qt::LeftButton);
  CHECK(chosen_bench(b.session.job()) == BleedWayId::car);
  // On the car: the step moves behind the unit's nuts, and the one on the bench is gone.
  std::vector<StepId> order;
  for (const Step& s : install_steps(b.session.job())) order.push_back(s.id);
  const auto at = [&](StepId id) { return std::find(order.begin(), order.end(), id); };
  CHECK(at(StepId::bench_bleed) == order.end());
  REQUIRE(at(StepId::car_bleed) != order.end());
  CHECK(at(StepId::mount_tight) < at(StepId::car_bleed));
  CHECK(at(StepId::car_bleed) < at(StepId::fill_bleed));
}

TEST_CASE("joints wiped on the net: each round its button, a wet one shuts the gate and says so") {
  Bench b;
  Job job = known_job();
  do_all_work(job);
  pass_gate(job, GateId::weep);
  for (auto& [key, r] : job.joints) r = JointRecord{};
  b.session.take(job);
  auto* page = bleed(b, 6);
  WipeFace* wipe = page->wiped();
  CHECK(gate(b.session, GateId::weep) == GateState::open);
  click_spot(wipe->drawing(), "joint:outlet1");
  CHECK(wipe->key() == "outlet1");
  const auto button = [&](const char* name) {
    for (auto* p : wipe->findChildren<QPushButton*>())
      if (p->accessibleName() == QLatin1String(name)) return p;
    FAIL(name);
    return static_cast<QPushButton*>(nullptr);
  };
  // After the press is looked at only what was dry before it.
  CHECK_FALSE(button("Dry, after the hard press")->isEnabled());
  QTest::mouseClick(button("Dry, filled"), Qt::LeftButton);
  CHECK(b.session.job().joints.at("outlet1").filled == Wiped::dry);
  CHECK(wipe->key() != "outlet1");  // the next one is shown
  wipe->show_joint("outlet1");
  QTest::mouseClick(button("Wet, after the hard press"), Qt::LeftButton);
  CHECK(gate(b.session, GateId::weep) == GateState::failed);
  CHECK(found(b.session, FindingCode::bleed_wet));
  CHECK(shows(wipe, "joints are wet") != shows(wipe, "joint is wet"));
  CHECK(wipe->drawing()->picture().said.join(QLatin1Char(' ')).contains("wet"));
  for (auto* p : wipe->findChildren<QPushButton*>())
    if (p->text() == "Tightened or made again") QTest::mouseClick(p, Qt::LeftButton);
  CHECK(gate(b.session, GateId::weep) == GateState::open);
}

TEST_CASE("the fluid: what was in it and what goes in are entered, and a clash holds its gate") {
  Bench b;
  Job job = known_job();
  set(job, "master.bore=25.4 mm");
  b.session.take(job);
  DrawnFace* fluid = bleed(b, 3)->fluid();
  QApplication::processEvents();
  b.choose(fluid->panel(), As::found, param::fluid_grade, 1);
  b.choose(fluid->panel(), As::plan, param::fluid_grade, 2);
  CHECK(found(b.session, FindingCode::fluid_grade));
  CHECK(gate(b.session, GateId::fluid) == GateState::failed);
  CHECK(fluid->drawing()->picture().said.join(QLatin1Char(' ')).contains("stripped"));
  b.choose(fluid->panel(), As::plan, param::fluid_grade, 1);
  CHECK_FALSE(found(b.session, FindingCode::fluid_grade));
}

TEST_CASE("the push until it delivers is taken over, and the strip's pedal goes with it") {
  Bench b;
  b.session.take(known_job());
  auto* page = bleed(b, 2);
  DrawnFace* pedal = page->pedal();
  QApplication::processEvents();
  const auto travel = [&] { return b.session.strip()[1].target->at.pad_travel_m; };
  const double before = travel();
  b.type(b.entry(pedal->panel(), As::plan, param::bleed_dead1), "1.9 mm");
  b.type(b.entry(pedal->panel(), As::plan, param::bleed_dead2), "3.4 mm");
  CHECK(travel() == before);  // measured, not taken over yet
  press(page, "bleed:take_dead");
  CHECK(value_of(b.session.job(), As::plan, param::master_cutoff1).as_built);
  CHECK(travel() > before);
  CHECK(pedal->drawing()->picture().said.join(QLatin1Char(' ')).contains("now"));
}

TEST_CASE("the purge is paced: sweeps by the clock, froth rests, and it goes on where it was") {
  Bench b;
  Job job = known_job();
  set(job, "assist.kind=hydraulic");
  b.session.take(job);
  PurgeFace* purge = bleed(b, 5)->purge();
  CHECK_FALSE(purge->swept()->isEnabled());  // nothing was measured
  b.type(b.entry(purge->panel(), As::plan, param::supply_turns), "3");
  b.type(b.entry(purge->panel(), As::plan, param::supply_wheel), "400 mm");
  REQUIRE(purge->swept()->isEnabled());
  CHECK(purge->says()->text().contains("Sweep 1 of 297"));
  QTest::mouseClick(purge->swept(), Qt::LeftButton);
  CHECK(b.session.job().bleeding.at("purge").strokes == 1);
  CHECK_FALSE(purge->swept()->isEnabled());  // its time first
  // A minute later, in another run of the program.
  Job later = b.session.job();
  record_for(later, StepId::assist_purge).waits = "2026-01-01T10:00:00";
  b.session.take(later);
  bleed(b, 5);
  CHECK(purge->says()->text().contains("Sweep 2 of 297"));
  QTest::mouseClick(purge->froth(), Qt::LeftButton);
  CHECK(purge->says()->text().contains("Froth rests"));
  CHECK_FALSE(purge->swept()->isEnabled());
}

TEST_CASE("the pedal of a clutch is told stage by stage, and presses after the stop are judged") {
  Bench b;
  b.session.take(known_clutch());
  b.stage(Stage::bleed);
  StagePage* page = b.window->page(Stage::bleed);
  page->show_face("pedal");
  QApplication::processEvents();
  const auto drawn = [&] {
    QString all;
    for (auto* v : page->findChildren<PictureView*>())
      if (v->isVisible()) all += v->picture().said.join('\n') + QLatin1Char('\n');
    return all;
  };
  CHECK(drawn().contains("until the clutch is free"));
  CHECK(drawn().contains("Dry"));
  Job job = known_job();
  set(job, "assist.kind=vacuum; assist.diaphragm1=200 mm; master.bore=22.2 mm");
  b.session.take(job);
  page = b.window->page(Stage::bleed);
  page->show_face("pedal");
  QApplication::processEvents();
  ParamPanel* panel = nullptr;
  for (auto* p : page->findChildren<ParamPanel*>())
    if (p->isVisible() && p->field(As::plan, param::bleed_presses)) panel = p;
  REQUIRE(panel);
  REQUIRE(panel->field(As::plan, param::bleed_refill));
  REQUIRE(b.session.set_value(As::plan, param::bleed_presses,
                              measured(param::bleed_presses, 0, How::stated)));
  CHECK(found(b.session, FindingCode::bleed_reserve));
}
