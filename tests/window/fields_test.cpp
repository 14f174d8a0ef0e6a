// Every parameter can be entered in the window, by the mouse's fields and in any unit.
#include <span>

#include "assembly/relevance.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/linkage.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/symptom.hpp"
#include "document/param/vehicle.hpp"
#include "proving/gates.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "support/work_done.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

constexpr Group kGroups[] = {Group::control, Group::assist,  Group::supply, Group::master,
                             Group::front,   Group::rear,    Group::lines,  Group::circuit,
                             Group::clutch,  Group::vehicle, Group::target};

/// A value in the middle of the range that does not contradict the known job.
double plausible(const Job& job, Param p) {
  const ParamInfo& i = info(p);
  const Value now = value_of(job, As::found, p);
  if (now.known() && now.si != 0) return std::clamp(now.si * 1.01, i.min_si, i.max_si);
  // Load readings must rise in travel.
  const double share = p == param::clutch_at2 ? 0.3 : p == param::clutch_at3 ? 0.4 : 0.2;
  return i.min_si + share * (i.max_si - i.min_si);
}

}  // namespace

namespace {

/// Types a value into every field that is asked of the fitted system; how many.
int enter_all(Bench& b, std::span<const Group> groups) {
  auto* survey = b.page<SurveyPage>(Stage::survey);
  b.stage(Stage::survey);
  survey->show_system(As::found);
  int entered = 0;
  for (const Group g : groups) {
    survey->show_group(g);
    QApplication::processEvents();
    for (const Param p : relevant_params(b.session.job(), As::found, g)) {
      if (info(p).kind == Kind::choice) continue;
      auto* f = qobject_cast<QuantityField*>(survey->panel()->field(As::found, p));
      INFO(info(p).id);
      REQUIRE(f);
      const double si = plausible(b.session.job(), p);
      const QString typed = QString::fromStdString(format_value(p, si, b.session.style()));
      const Value before = value_of(b.session.job(), As::found, p);
      b.type(f->entry(), typed);
      INFO(typed.toStdString() << " " << f->refusal().toStdString());
      CHECK(f->refusal().isEmpty());
      const Value after = value_of(b.session.job(), As::found, p);
      CHECK(QString::fromStdString(format_value(p, after.si, b.session.style())) == typed);
      CHECK(after.origin == Origin::measured);
      // How it was measured is kept, and a new value gets one.
      CHECK(f->how()->currentIndex() == static_cast<int>(after.how));
      if (before.origin == Origin::measured && before.how != How::unknown)
        CHECK(after.how == before.how);
      ++entered;
    }
  }
  return entered;
}

}  // namespace

TEST_CASE("each relevant parameter of the fitted system takes a value in its own field") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  CHECK(enter_all(b, kGroups) > 45);
}

namespace {

/// Types into every field of what is fitted.
void fit_and_enter(const std::vector<std::pair<Param, double>>& options,
                   const std::vector<Group>& groups, int least) {
  Bench b;
  REQUIRE(b.session.edit("fitted", [&](Job& j) {
    for (const auto& [p, v] : options) j.found.set(p, {v, How::stated, 0, {}});
  }));
  CHECK(enter_all(b, groups) >= least);
}

}  // namespace

TEST_CASE("each parameter of a clutch with a slave beside it has its field") {
  fit_and_enter({{param::control_use, 1}, {param::clutch_kind, 0}}, {Group::clutch}, 18);
}

TEST_CASE("each parameter of a clutch with a concentric slave has its field") {
  fit_and_enter({{param::control_use, 1}, {param::clutch_kind, 2}}, {Group::clutch}, 18);
}

TEST_CASE("each parameter of a remote servo, an intermediate lever and a helper has its field") {
  fit_and_enter({{param::assist_kind, 4}, {param::control_mid, 1}, {param::control_helper, 1}},
                {Group::control, Group::assist, Group::supply}, 25);
}

TEST_CASE("each parameter of a steering-fed booster and twin masters has its field") {
  fit_and_enter({{param::assist_kind, 2}, {param::master_kind, 3}},
                {Group::assist, Group::supply, Group::master}, 22);
}

TEST_CASE("each parameter of an electric booster and of drums in front has its field") {
  fit_and_enter({{param::assist_kind, 3}, {param::front_kind, 2}}, {Group::supply, Group::front},
                12);
}

TEST_CASE("how it was measured sets the doubt, and unknown empties the value") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  auto* f = qobject_cast<QuantityField*>(survey->panel()->field(As::found, param::control_pin_arm));
  REQUIRE(f);
  const auto pick = [&](How how) {
    f->how()->setCurrentIndex(static_cast<int>(how));
    emit f->how()->activated(static_cast<int>(how));
  };
  pick(How::calliper);
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).uncertainty_si ==
        Approx(0.05e-3));
  pick(How::estimate);
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).uncertainty_si ==
        Approx(0.00582));
  b.session.edit("it is cured", [](Job& j) { j.found.clear(param::symptom_first); });
  CHECK(b.session.status_of(Stage::survey).contains("guess"));
  b.session.undo();
  pick(How::unknown);
  CHECK_FALSE(value_of(b.session.job(), As::found, param::control_pin_arm).known());
  CHECK(b.session.strip()[0].verdict == Verdict::cannot_say);
  b.window->action("undo")->trigger();
  CHECK(value_of(b.session.job(), As::found, param::control_pin_arm).si == Approx(0.0582));
}

TEST_CASE("a plan's field shows where its value comes from, and emptying it returns to that") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::plan);
  survey->show_group(Group::control);
  QApplication::processEvents();
  auto* f = qobject_cast<QuantityField*>(survey->panel()->field(As::plan, param::control_pad_arm));
  REQUIRE(f);
  CHECK(f->entry()->text().isEmpty());
  CHECK(f->entry()->placeholderText() == "334.0 mm");
  CHECK(f->how()->currentText() == "as found");
  b.type(f->entry(), "300");
  CHECK(value_of(b.session.job(), As::plan, param::control_pad_arm).si == Approx(0.3));
  CHECK(value_of(b.session.job(), As::found, param::control_pad_arm).si == Approx(0.334));
  f->entry()->selectAll();
  QTest::keyClick(f->entry(), Qt::Key_Delete);
  QTest::keyClick(f->entry(), Qt::Key_Return);
  CHECK(value_of(b.session.job(), As::plan, param::control_pad_arm).inherited);
  CHECK(f->entry()->placeholderText() == "334.0 mm");
}

TEST_CASE("Tab goes from field to field down the columns") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  auto* survey = b.page<SurveyPage>(Stage::survey);
  survey->show_system(As::found);
  survey->show_group(Group::vehicle);
  QApplication::processEvents();
  b.entry(survey->panel(), As::found, param::vehicle_mass)->setFocus();
  QStringList walked;
  for (int i = 0; i < 40 && walked.size() < 4; ++i) {
    QTest::keyClick(QApplication::focusWidget(), Qt::Key_Tab);
    if (auto* e = qobject_cast<QLineEdit*>(QApplication::focusWidget()))
      walked << e->accessibleName();
  }
  CHECK(walked == QStringList{"Wheelbase", "Height of the centre of mass",
                              "Weight on the front axle", "Tyre grip"});
}

TEST_CASE("a click on the map is one undo step, a drag is one, and they do not merge") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::size);
  auto* map = b.page<SizePage>(Stage::size)->map_face()->map();
  const Job start = b.session.job();
  const auto at = [&](int i) {
    return map->picture().spots[static_cast<size_t>(i)].area.center().toPoint();
  };
  QTest::mouseClick(map, Qt::LeftButton, {}, at(30));
  const Job clicked = b.session.job();
  QTest::mousePress(map, Qt::LeftButton, {}, at(33));
  for (const int i : {34, 35, 36}) QTest::mouseMove(map, at(i));
  QTest::mouseRelease(map, Qt::LeftButton, {}, at(36));
  CHECK(b.session.job() != clicked);
  b.window->action("undo")->trigger();
  CHECK(b.session.job() == clicked);
  b.window->action("undo")->trigger();
  CHECK(b.session.job() == start);
}

TEST_CASE("a drag paints what moved on the map: nothing of where it was stays behind") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::size);
  auto* map = b.page<SizePage>(Stage::size)->map_face()->map();
  QTest::qWait(50);
  const auto shown = [&] {
    const QRect on(map->mapTo(b.window.get(), QPoint(0, 0)), map->size());
    return b.window->screen()->grabWindow(b.window->winId()).copy(on).toImage();
  };
  const auto at = [&](int i) {
    return map->picture().spots[static_cast<size_t>(i)].area.center().toPoint();
  };
  const QImage before = shown();
  REQUIRE(before.size() == map->size());
  QTest::mousePress(map, Qt::LeftButton, {}, at(30));
  for (const int i : {31, 33, 48, 52}) {
    QTest::mouseMove(map, at(i));
    QApplication::processEvents();
  }
  QTest::mouseRelease(map, Qt::LeftButton, {}, at(52));
  QApplication::processEvents();
  const QImage moved = shown();
  CHECK(moved != before);
  map->update();
  QApplication::processEvents();
  CHECK(moved == shown());
}

TEST_CASE("notes follow undo, and as-built values that cannot be together are refused") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::install);
  auto* page = b.window->page(Stage::install);
  const auto find = [&](const QString& name) {
    for (auto* e : page->findChildren<QLineEdit*>())
      if (e->accessibleName().startsWith(name)) return e;
    return static_cast<QLineEdit*>(nullptr);
  };
  auto* note = find("Note: Cap every open line");
  REQUIRE(note);
  b.type(note, "red caps");
  CHECK(b.session.job().steps.at("out.cap").note == "red caps");
  b.window->action("undo")->trigger();
  CHECK(note->text().isEmpty());
  b.window->action("redo")->trigger();
  CHECK(note->text() == "red caps");
  b.session.set_value(As::plan, param::control_offset,
                      measured(param::control_offset, 0.05, How::rule));
  auto* rod = find("As built: Push rod length");
  REQUIRE(rod);
  b.type(rod, "40 mm");
  CHECK_FALSE(b.session.job().built.at(param::control_rod_length));
  b.type(rod, "121 mm");
  CHECK(b.session.job().built.at(param::control_rod_length)->si == Approx(0.121));
}

TEST_CASE("proved lapses when something is changed afterwards") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.session.edit("ready", [&](Job& j) {
    ask_little_of_one_circuit(j);
    do_all_work(j);
    j.readings.clear();  // those of the job tell of more air than it allows
    pass_all_gates(j);
  });
  b.stage(Stage::record);
  auto* record = b.window->page(Stage::record);
  for (auto* p : record->findChildren<QPushButton*>())
    if (p->text() == "Proved") QTest::mouseClick(p, Qt::LeftButton);
  REQUIRE(b.session.job().state == JobState::proved);
  CHECK(b.session.status_of(Stage::record) == "proved");
  b.session.set_value(As::plan, param::circuit_fr, Measured{1, How::stated, 0, {}});
  CHECK(b.session.status_of(Stage::record) == "PROVED NO LONGER");
  CHECK(QTest::qWaitFor([record] {
    return record->findChild<QTextBrowser*>()->toPlainText().contains("PROVED NO LONGER");
  }));
  b.window->action("undo")->trigger();
  CHECK(b.session.status_of(Stage::record) == "proved");
}

TEST_CASE("the front axle's weight is typed as the scale reads it, and kept as a share") {
  Bench b;
  b.session.take(known_job());
  const auto typed = [&b](const char* text) {
    return type_value(b.session, As::found, param::vehicle_front_share, text);
  };
  const auto share = [&b] {
    return value_of(b.session.job(), As::found, param::vehicle_front_share).si;
  };
  REQUIRE(typed("630 kg"));
  CHECK(share() == Approx(630.0 / 1260));
  REQUIRE(typed("1250 lb"));
  CHECK(share() == Approx(1250 * 0.45359237 / 1260));
  REQUIRE(typed("54"));
  CHECK(share() == Approx(0.54));
  REQUIRE(typed("52 %"));
  CHECK(share() == Approx(0.52));
  CHECK_FALSE(typed("1300 kg"));  // more than the whole car
  CHECK(share() == Approx(0.52));
  b.session.set_value(As::found, param::vehicle_mass, Measured{});
  const auto refused = typed("630 kg");
  REQUIRE_FALSE(refused);
  CHECK(english(refused.error().reason).find("mass is not known") != std::string::npos);
}
