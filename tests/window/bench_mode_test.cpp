// The first page, what a kind of job leaves out, the sentence of a stage, and the bench mode.
#include <QPushButton>
#include <QSettings>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "session/job_kind.hpp"
#include "session/stage_sentence.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "support/work_done.hpp"
#include "ui/bench/press_matter.hpp"
#include "ui/bench/walk_matter.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QStringList face_names(StagePage* page) {
  QStringList names;
  for (auto* b : page->findChildren<QPushButton*>(QStringLiteral("face")))
    if (b->isVisible()) names << b->text();
  return names;
}

Sentence said(Bench& b, Stage stage) {
  return stage_sentence(b.session, stage);
}

}  // namespace

TEST_CASE("a new job asks what it is: the choice sets its facts and asks for the first measure") {
  Bench b;
  b.window->action("new")->trigger();
  REQUIRE(b.window->begins());
  CHECK(b.window->begin()->kinds()->hasFocus());
  click_spot(b.window->begin()->kinds(),
             "kind:" + std::to_string(static_cast<int>(choice::TargetJob::circuits)));
  CHECK_FALSE(b.window->begins());
  CHECK(is(b.session.job(), As::found, choice::MasterKind::single));
  CHECK(is(b.session.job(), As::plan, choice::MasterKind::tandem));
  CHECK(b.window->stage() == Stage::survey);
  auto* focus = qobject_cast<QLineEdit*>(QApplication::focusWidget());
  REQUIRE(focus);
  CHECK(focus->accessibleName() == "Pivot to pedal pad");
}

TEST_CASE("a first hydraulic clutch asks nothing about an old unit, and shows no boosters") {
  Bench b;
  b.window->show_begin();
  click_spot(b.window->begin()->kinds(),
             "kind:" + std::to_string(static_cast<int>(choice::TargetJob::cable)));
  CHECK(is(b.session.job(), As::plan, choice::ControlUse::clutch));
  const QStringList survey = face_names(b.window->page(Stage::survey));
  CHECK_FALSE(survey.contains("What is wrong"));
  CHECK_FALSE(survey.contains("Age and rebuild"));
  b.stage(Stage::size);
  CHECK_FALSE(face_names(b.window->page(Stage::size)).contains("Assist"));
  // Said otherwise later: all is there again.
  b.session.edit("any job", [](Job& j) { j.found.clear(param::target_job); });
  b.stage(Stage::survey);
  CHECK(face_names(b.window->page(Stage::survey)).contains("What is wrong"));
}

TEST_CASE("only two bores: three stages, and the first answer from four numbers") {
  Bench b;
  b.window->show_begin();
  click_spot(b.window->begin()->kinds(),
             "kind:" + std::to_string(static_cast<int>(choice::TargetJob::bores)));
  CHECK(b.window->stage() == Stage::size);
  int shown = 0;
  for (const Stage s : kStages) shown += b.window->rail()->button(s)->isVisible() ? 1 : 0;
  CHECK(shown == 3);
  auto* page = b.page<SizePage>(Stage::size);
  ParamPanel* panel = page->map_face()->panel();
  b.type(b.entry(panel, As::found, param::master_bore), "3/4");
  b.type(b.entry(panel, As::plan, param::master_bore), "1 in");
  b.type(b.entry(panel, As::found, param::control_pad_arm), "300 mm");
  b.type(b.entry(panel, As::found, param::control_pin_arm), "50 mm");
  // (1/0.75)² = 1.78
  CHECK(page->decision()->text().startsWith("78 % harder, 44 % shorter"));
}

TEST_CASE("a stage that the kind leaves out comes back while something hard stands in it") {
  Job job = begun_job(choice::TargetJob::bores);
  CHECK_FALSE(has_stage(job, {}, Stage::plumb));
  Finding hard;
  hard.severity = Severity::hard;
  hard.stage = Stage::plumb;
  CHECK(has_stage(job, {hard}, Stage::plumb));
  hard.severity = Severity::warning;
  CHECK_FALSE(has_stage(job, {hard}, Stage::plumb));
  CHECK(has_stage(blank_job(), {}, Stage::plumb));  // not said: everything
}

TEST_CASE("what was worked on last and the shipped jobs open from the first page") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.window->show_begin();
  click_spot(b.window->begin()->recent(), "recent:0");
  CHECK_FALSE(b.window->begins());
  CHECK(b.session.path().endsWith("estate-discs.yoke"));
  b.window->show_begin();
  click_spot(b.window->begin()->practice(), ":/demo/fire-tender.yoke");
  CHECK_FALSE(b.window->begins());
  CHECK_FALSE(b.session.has_path());  // a copy: the shipped one is never written
  CHECK(text_of(b.session.job().title).startsWith("Fire tender"));
}

TEST_CASE("each stage says one sentence, taken from the judgement, and the key it names does it") {
  Bench b;
  b.session.take(known_job());
  b.stage(Stage::size);
  auto* page = b.page<SizePage>(Stage::size);
  const ConditionReport& plan = b.session.strip()[1];
  const QString decision = page->decision()->text();
  CHECK(decision.startsWith("7/8 in at 6.00: "));
  CHECK(decision.contains(
      text_of(say("{} at {}", force(plan.target->at.pad_force_n), plan.at), b.session.style())));
  // The plan fails: its own verdict is in it, never praise.
  CHECK(plan.verdict == Verdict::fails);
  CHECK(
      decision.contains(text_of(plan.brief.empty() ? plan.reason : plan.brief, b.session.style())));
  CHECK_FALSE(decision.contains("passes in all"));
  // Wishes that some cell keeps: the key takes it.
  b.session.edit("wishes", [](Job& j) {
    for (const auto& [p, v] : {std::pair(param::limit_effort, 500.0),
                               {param::limit_reserve, 0.1},
                               {param::limit_travel, 0.15},
                               {param::limit_effort_failed, 1500.0},
                               {param::limit_z_failed, 0.05},
                               {param::target_z, 0.4},
                               {param::limit_reserve_failed, 0.0},
                               {param::limit_reserve_failed_m, 0.0}})
      j.found.set(p, {v, How::stated, 0, {}});
    j.plan.set(param::master_bore, {0.030, How::stated, 0, {}});
  });
  const auto better = better_cell(b.session);
  if (better) {
    QApplication::processEvents();  // words around the work come behind the painting
    CHECK(page->next_step()->text().startsWith("Ctrl+B takes "));
    b.window->action("take_better")->trigger();
    CHECK(value_of(b.session.job(), As::plan, param::master_bore).si == Approx(better->bore_m));
    CHECK_FALSE(better_cell(b.session));
  } else {
    CHECK_FALSE(page->next_step()->text().contains("Ctrl+B"));
  }
  for (const Stage s : kStages) {
    b.stage(s);
    INFO(stage_words(s));
    CHECK_FALSE(said(b, s).decision.empty());
    CHECK(b.window->page(s)->decision()->text() == text_of(said(b, s).decision, b.session.style()));
    CHECK(b.window->page(s)->next_step()->text() == text_of(said(b, s).next, b.session.style()));
  }
}

TEST_CASE("a clutch's sentence tells the heaviest effort, never as that of its release") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir, "roadster-clutch")));
  const ConditionReport& plan = b.session.strip()[1];
  REQUIRE(plan.clutch);
  CHECK(plan.clutch->peak_n > plan.clutch->release.pad_force_n + 1);
  CHECK(english(said(b, Stage::size).decision)
            .find(english(say("{} at the heaviest", force(plan.clutch->peak_n)))) !=
        std::string::npos);
}

TEST_CASE("bench: the walk asks, takes what is typed with its tool, skips, and leaves unknown") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::survey);
  QTest::keyClick(b.window.get(), Qt::Key_F11);
  REQUIRE(b.window->at_bench());
  auto* walk = qobject_cast<WalkMatter*>(b.window->bench()->matter());
  REQUIRE(walk);
  REQUIRE(walk->asked());
  const NextMeasure first = *walk->asked();
  CHECK(first == *next_to_measure(b.session.job(), as_of(b.session.shown()), std::nullopt));
  // Rubbish is refused, and it stays.
  QTest::keyClicks(walk->entry(), "many");
  QTest::keyClick(walk->entry(), Qt::Key_Return);
  CHECK(*walk->asked() == first);
  walk->entry()->clear();
  const ParamInfo& p = info(first.param);
  const Value before = value_of(b.session.job(), first.which, first.param);
  const double wanted = std::clamp(before.si * 1.01, p.min_si, p.max_si);
  QTest::keyClick(walk->entry(), Qt::Key_F4);
  QTest::keyClicks(walk->entry(), shown_value(first.param, wanted, b.session.style()));
  QTest::keyClick(walk->entry(), Qt::Key_Return);
  const Value now = value_of(b.session.job(), first.which, first.param);
  CHECK(now.si == Approx(wanted).epsilon(0.01));
  // The tool is the one that was chosen; a friction or a mass is read with none of them.
  CHECK((now.how == How::tape) == (p.kind == Kind::length));
  REQUIRE(walk->asked());
  CHECK_FALSE(*walk->asked() == first);
  const NextMeasure second = *walk->asked();
  QTest::keyClick(walk->entry(), Qt::Key_PageDown);
  CHECK_FALSE(*walk->asked() == second);
  QTest::keyClick(walk->entry(), Qt::Key_PageUp);
  CHECK(*walk->asked() == second);
  // The same session and undo.
  b.session.undo();
  CHECK(value_of(b.session.job(), first.which, first.param).si == before.si);
  for (auto* button : b.window->bench()->buttons()) CHECK(button->height() >= 64);
  QTest::keyClick(walk->entry(), Qt::Key_F11);
  CHECK_FALSE(b.window->at_bench());
}

TEST_CASE("bench: a stroke by the space bar, bubbles, topped up, the next nipple") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::bleed);
  b.window->show_bench(true);
  QWidget* matter = b.window->bench()->matter();
  const BleedView view = bleed_view(b.session.job());
  REQUIRE(view.lines.size() > 1);
  const std::string bench = std::string(view.lines[0].key);
  const std::string wheel = std::string(view.lines[1].key);
  const int were =
      b.session.job().bleeding.count(bench) ? b.session.job().bleeding.at(bench).strokes : 0;
  b.window->bench()->setFocus();
  // It opens where the work is; the master stands before the first nipple.
  for (std::size_t i = 0; i < view.next; ++i) QTest::keyClick(b.window->bench(), Qt::Key_PageUp);
  QTest::keyClick(b.window->bench(), Qt::Key_Space);
  CHECK(b.session.job().bleeding.at(bench).strokes == were + 1);
  const int clear = b.session.job().bleeding.at(bench).clear_strokes;
  CHECK(clear >= 1);
  QTest::keyClick(b.window->bench(), Qt::Key_B);
  CHECK(b.session.job().bleeding.at(bench).clear_strokes == 0);
  QTest::keyClick(b.window->bench(), Qt::Key_PageDown);
  QTest::keyClick(b.window->bench(), Qt::Key_Space);
  CHECK(b.session.job().bleeding.count(wheel) == 1);
  QTest::keyClick(b.window->bench(), Qt::Key_R);
  CHECK(b.session.job().bleeding.at(wheel).topped_at == b.session.job().bleeding.at(wheel).strokes);
  CHECK(matter->isVisible());
}

TEST_CASE("bench: a step is ticked by Enter, and the next one comes") {
  Bench b;
  b.session.take(known_job());
  b.stage(Stage::install);
  b.window->show_bench(true);
  const auto steps = install_view(b.session.job()).steps;
  b.window->bench()->setFocus();
  QTest::keyClick(b.window->bench(), Qt::Key_Return);
  CHECK(record_of(b.session.job(), steps[0].step.id)->done);
  CHECK_FALSE(record_of(b.session.job(), steps[0].step.id)->date.empty());
  QTest::keyClick(b.window->bench(), Qt::Key_PageUp);
  QTest::keyClick(b.window->bench(), Qt::Key_F12);
  CHECK_FALSE(record_of(b.session.job(), steps[0].step.id));
}

TEST_CASE("bench: a press to prove takes what was got against what is expected, and who") {
  Bench b;
  b.session.take(known_job());
  b.stage(Stage::prove);
  b.window->show_bench(true);
  auto* press = qobject_cast<PressMatter*>(b.window->bench()->matter());
  REQUIRE(press);
  const auto rows = gate_rows(b.session.job(), b.session.strip(), b.session.findings());
  const auto preload = std::find_if(rows.begin(), rows.end(),
                                    [](const GateRow& g) { return g.id == GateId::preload; });
  REQUIRE(preload != rows.end());
  REQUIRE(preload->ask.number);
  // It begins at the first that is open and asks: the rod's free play.
  QTest::keyClicks(press->entry(), "0 mm");
  press->who()->setText("A. Builder");
  QTest::keyClick(press->entry(), Qt::Key_Return);
  const GateRecord* none = record_of(b.session.job(), GateId::preload);
  CHECK((!none || none->state != GateState::passed));
  press->entry()->clear();
  QTest::keyClicks(press->entry(), "4.5 ±0.5 mm");
  QTest::keyClick(press->entry(), Qt::Key_Return);
  const GateRecord* r = record_of(b.session.job(), GateId::preload);
  REQUIRE(r);
  CHECK(r->state == GateState::passed);
  CHECK(r->who == "A. Builder");
  CHECK(r->read == Approx(0.0045));
  CHECK(r->instrument == "tape");  // what the screen showed
}
