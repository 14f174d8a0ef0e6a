// What the window makes of a report: findings on the page of their stage, the rail, gates with
// their day, nipples, the state of the job. Each is compared with the report, which was not asked
// of the window.
#include <QAccessible>
#include <QCheckBox>
#include <QDate>
#include <QTextBrowser>
#include <QTextDocumentFragment>

#include "document/param/bleed_car.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/pedal_rod.hpp"
#include "proving/gates.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "ui/findings_box.hpp"
#include "ui/gates_box.hpp"
#include "window/bench.hpp"
#include "work/bleeding.hpp"
#include "work/wetness.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

QString q(const std::string& s) {
  return QString::fromStdString(s);
}
[[maybe_unused]] QString q(std::string_view s) {
  return QString::fromUtf8(s.data(), static_cast<qsizetype>(s.size()));
}

void open(Bench& b, const Job& job) {
  b.session.edit("all of it", [&](Job& j) { j = job; });
  QApplication::processEvents();
}

/// What the page's findings say, unfolded, as plain text.
QString said_on(Bench& b, Stage s) {
  auto* box = qobject_cast<StagePage*>(b.window->page(s))->findings();
  box->unfold(true);
  return box->isVisibleTo(b.window->page(s))
             ? QTextDocumentFragment::fromHtml(box->text()).toPlainText()
             : QString();
}

QPushButton* gate_button(Bench& b, const char* name) {
  for (auto* p : b.window->page(Stage::prove)->findChildren<QPushButton*>())
    if (p->accessibleName() == name) return p;
  return nullptr;
}

}  // namespace

TEST_CASE("every finding stands on the page of its stage and on no other, with limit and remedy") {
  Bench b;
  for (const CodeRow& row : code_rows()) {
    INFO(key(row.code));
    open(b, job_with(row));
    Style style;
    style.hand = pulled_by_hand(b.session.job());
    const auto told = [&style](const Message& m) {
      return QString::fromStdString(english(m, style));
    };
    for (const Stage s : kStages) {
      const QString said = said_on(b, s);
      INFO(said.toStdString());
      const QStringList lines = said.split('\n');
      for (const Finding& f : b.session.findings()) {
        const bool says_so = told(f.message).startsWith("Do not drive");
        const QString mark = f.severity == Severity::hard ? says_so ? "■ " : "■ Do not drive: "
                             : f.severity == Severity::warning ? "▲ "
                                                               : "○ ";
        const bool here = std::any_of(lines.begin(), lines.end(), [&](const QString& line) {
          return line.startsWith(mark + told(f.message));
        });
        // What must not be driven is said on every page.
        CHECK(here == (f.stage == s || f.code == FindingCode::survey_do_not_drive));
        if (f.stage != s) continue;
        CHECK(said.contains(told(f.remedy)));
        if (f.severity != Severity::note) CHECK(said.contains(told(f.limit)));
      }
    }
  }
}

TEST_CASE("folded, the worst finding is shown, the others are counted and one touch away") {
  Bench b;
  Job job = known_job();
  set(job,
      "control.rod_clearance=0 mm; unit.rod_kept=captive; rod.staked=restaked; rod.pull=150 N");
  open(b, job);
  b.stage(Stage::rod);
  auto* box = qobject_cast<StagePage*>(b.window->page(Stage::rod))->findings();
  const auto said = [box] { return QTextDocumentFragment::fromHtml(box->text()).toPlainText(); };
  CHECK(said().startsWith("■ Do not drive:"));
  CHECK(said().contains("and 2 more here, 1 of them: do not drive"));
  CHECK_FALSE(said().contains("Pulled with 150 N only"));
  emit box->linkActivated("more");
  CHECK(said().contains("Pulled with 150 N only"));
  CHECK(said().contains("show the first alone"));
  emit box->linkActivated("more");
  CHECK_FALSE(said().contains("Pulled with 150 N only"));
}

TEST_CASE("a hard finding marks its stage on the rail, and only that one") {
  Bench b;
  Job job = known_job();
  set(job, "circuit.fr=2");
  open(b, job);
  for (const Stage s : kStages) {
    const bool hard =
        std::any_of(b.session.findings().begin(), b.session.findings().end(),
                    [s](const Finding& f) { return f.stage == s && f.severity == Severity::hard; });
    INFO(stage_words(s));
    CHECK(b.window->rail()->button(s)->accessibleDescription().contains(", do not drive") == hard);
    CHECK(b.window->rail()->button(s)->accessibleDescription().startsWith(b.session.status_of(s)));
  }
  CHECK(b.window->rail()->button(Stage::plumb)->accessibleDescription().contains(", do not drive"));
}

TEST_CASE("gates that rest on work have nothing to click: they follow the strokes and the steps") {
  Bench b;
  open(b, known_job());
  b.prove_all();
  CHECK_FALSE(gate_button(b, "Prove: Every nipple runs clear"));
  auto* page = b.window->page(Stage::prove);
  const auto shown = [page](const QString& words) {
    for (auto* l : page->findChildren<QLabel*>())
      if (l->isVisibleTo(page) && l->text().contains(words)) return true;
    return false;
  };
  CHECK(shown("0 of 4 nipples run clear"));
  CHECK(shown("□ open"));
  b.session.edit("work", [](Job& j) { do_all_work(j); });
  QApplication::processEvents();
  CHECK_FALSE(shown("nipples run clear"));
  CHECK(shown("✓ passed"));
}

TEST_CASE("a gate takes evidence, lapses when what it rests on changes, and is held by a finding") {
  Bench b;
  Job wiped = known_job();
  for (const WipedJoint& w : wipe_map(wiped))
    for (const WipeRound r : kWipeRounds) wipe(wiped, w.joint.key, r, Wiped::dry);
  open(b, wiped);
  b.prove_all();
  const auto click = [&b](const char* name) {
    auto* button = gate_button(b, name);
    INFO(name);
    REQUIRE(button);
    QTest::mouseClick(button, Qt::LeftButton);
    QApplication::processEvents();
  };
  auto* gates = b.window->page(Stage::prove)->findChild<GatesBox*>();
  const auto record = [&b] { return record_of(b.session.job(), GateId::weep); };
  click("Prove: No joint weeps");
  // A bare click is no pass: what was seen, and by whom.
  click("No joint weeps: It passes");
  CHECK_FALSE(record());
  CHECK(gates->refusal()->text().contains("who proved it is not said"));
  gates->who()->setText("A. Builder");
  click("No joint weeps: It passes");
  CHECK(gates->refusal()->text().contains("what was seen is not said"));
  gates->seen()->setEditText("all five joints dry");
  click("No joint weeps: It passes");
  const std::string today = QDate::currentDate().toString(Qt::ISODate).toStdString();
  REQUIRE(record());
  CHECK(record()->state == GateState::passed);
  CHECK(record()->note == "all five joints dry");
  CHECK(record()->who == "A. Builder");
  CHECK(record()->when.rfind(today, 0) == 0);
  CHECK(is_moment(record()->when));
  CHECK_FALSE(record()->rests_on.empty());
  b.stage(Stage::record);
  const auto sheet = [&b] {
    return b.window->page(Stage::record)->findChild<QTextBrowser*>()->toPlainText();
  };
  CHECK(sheet().contains("passed " + q(today)));
  CHECK(sheet().contains("all five joints dry; A. Builder"));
  // Something under it changes, the same second: it stands open again and says what changed.
  b.session.edit("hose", [](Job& j) { set(j, "lines.tube_wall=0.9 mm"); });
  CHECK(QTest::qWaitFor([&] { return sheet().contains("Tube wall was"); }));
  b.prove_all();
  click("Prove: No joint weeps");
  CHECK(gates->who()->text() == "A. Builder");  // who proved the last one is not asked again
  gates->seen()->setEditText("front left weeps");
  click("No joint weeps: It fails");
  CHECK(record()->state == GateState::failed);
  CHECK(said_on(b, Stage::prove).contains("A gate stands failed: No joint weeps"));
  click("Prove: No joint weeps");
  click("No joint weeps: Open again");
  CHECK(record()->state == GateState::open);
  // Held shut: there is nothing to answer.
  REQUIRE(gate_button(b, "Prove: Each outlet feeds the wheels it should"));
  Job crossed = b.session.job();
  set(crossed, "circuit.fr=2");
  open(b, crossed);
  CHECK_FALSE(gate_button(b, "Prove: Each outlet feeds the wheels it should"));
}

TEST_CASE("a gate that asks for a number holds it against its limit and the prediction") {
  Bench b;
  open(b, known_job());
  b.prove_all();
  const auto click = [&b](const char* name) {
    auto* button = gate_button(b, name);
    REQUIRE(button);
    QTest::mouseClick(button, Qt::LeftButton);
    QApplication::processEvents();
  };
  auto* gates = b.window->page(Stage::prove)->findChild<GatesBox*>();
  click("Prove: The pedal does not sink");
  REQUIRE(gates->read());
  gates->who()->setText("A. Builder");
  gates->read()->setText("3 mm ± 0.5 mm");
  click("The pedal does not sink: It passes");
  CHECK(gates->refusal()->text().contains("at most 2 mm"));
  CHECK_FALSE(record_of(b.session.job(), GateId::sink));
  gates->read()->setText("0 mm ± 1 mm");
  click("The pedal does not sink: It passes");
  const GateRecord* r = record_of(b.session.job(), GateId::sink);
  REQUIRE(r);
  CHECK(r->state == GateState::passed);
  CHECK(*r->read == 0);
  CHECK(r->read_uncertainty == Approx(0.001));
  CHECK(r->instrument == "tape");
}

TEST_CASE("a corner's words come from the count: strokes alone never say clear") {
  Bench b;
  open(b, known_job());
  b.stage(Stage::bleed);
  auto* page = b.window->page(Stage::bleed);
  const auto press = [&](const char* what, int times) {
    auto* button = page->findChild<QPushButton*>(QString("bleed:%1").arg(what));
    REQUIRE(button);
    for (int i = 0; i < times; ++i) QTest::mouseClick(button, Qt::LeftButton);
  };
  const auto says = [&](const QString& words) {
    for (auto* l : page->findChildren<QLabel*>())
      if (l->text().contains(words)) return true;
    return false;
  };
  static_cast<BleedPage*>(page)->coach()->go_to("rr");
  press("bubbles", 30);
  CHECK_FALSE(says("✓ clear"));
  CHECK(b.session.job().bleeding.at("rr").strokes == 30);
  press("clear", 2);
  CHECK(says("2 of 3 clear in a row"));
  press("clear", 3);
  CHECK(says("does its nipple stand at the highest place?"));
  CHECK(b.session.status_of(Stage::bleed) == "0 of 4 nipples done");
  REQUIRE(b.session.set_value(As::plan, param::bleed_rear_screw,
                              measured(param::bleed_rear_screw, 0, How::stated)));
  int every = 0;
  for (const BleedWheel& w : bleed_plan(b.session.job()).wheels)
    if (w.wheel == Wheel::rear_right) every = w.refill_every;
  REQUIRE(every > 0);
  REQUIRE(every < 35);
  CHECK(says("■ TOP UP NOW\n✓ clear"));
  press("refill", 1);
  CHECK_FALSE(says("■ TOP UP NOW"));
  CHECK(says("✓ clear"));
  CHECK(b.session.status_of(Stage::bleed) == "1 of 4 nipples done");
  press("bubbles", 1);
  CHECK_FALSE(says("✓ clear"));
  CHECK(b.session.status_of(Stage::bleed) == "0 of 4 nipples done");
}

TEST_CASE(
    "an as-built value of an earlier plan says so on every place, and is cleared by one touch") {
  Bench b;
  open(b, known_job());
  b.stage(Stage::install);
  auto* page = b.window->page(Stage::install);
  QLineEdit* entry = nullptr;
  for (auto* e : page->findChildren<QLineEdit*>())
    if (e->accessibleName() == "As built: Rod clearance") entry = e;
  // The plan changes the master, so the rod is measured again.
  Job job = b.session.job();
  set(job, "master.bore=25.4 mm");
  open(b, job);
  for (auto* e : page->findChildren<QLineEdit*>())
    if (e->accessibleName() == "As built: Rod clearance") entry = e;
  REQUIRE(entry);
  b.type(entry, "0.9 mm");
  CHECK(value_of(b.session.job(), As::plan, param::control_rod_clearance).as_built);
  CHECK(stale_as_built(b.session.job()).empty());
  const auto button = [page] {
    for (auto* p : page->findChildren<QPushButton*>())
      if (p->text() == "Clear as-built values of the earlier plan: 1" && p->isVisible()) return p;
    return static_cast<QPushButton*>(nullptr);
  };
  CHECK_FALSE(button());
  // Other brakes do not move the rod; another unit does.
  b.session.set_value(As::plan, param::front_mu, {0.42, How::stated, 0, {}});
  CHECK(stale_as_built(b.session.job()).empty());
  b.session.set_value(As::plan, param::master_bore, {0.0238, How::stated, 0, {}});
  CHECK(stale_as_built(b.session.job()) == std::vector{param::control_rod_clearance});
  QApplication::processEvents();
  CHECK(said_on(b, Stage::install).contains("Measured as built before the plan was changed"));
  REQUIRE(button());
  CHECK(button()->isVisible());
  QTest::mouseClick(button(), Qt::LeftButton);
  CHECK_FALSE(value_of(b.session.job(), As::plan, param::control_rod_clearance).as_built);
  CHECK_FALSE(said_on(b, Stage::install).contains("Measured as built"));
  b.session.undo();
  CHECK(value_of(b.session.job(), As::plan, param::control_rod_clearance).as_built);
}

TEST_CASE("pictures are walked with the keys and read by assistive programs, place by place") {
  Bench b;
  open(b, known_job());
  b.stage(Stage::plumb);
  PictureView* outlets = nullptr;
  PictureView* strip = nullptr;
  for (auto* p : b.window->findChildren<PictureView*>()) {
    if (p->accessibleName() == "The plumbing, from outlet to wheel") outlets = p;
    if (p->accessibleName() == "Foot strip") strip = p;
  }
  REQUIRE(outlets);
  REQUIRE(strip);
  for (PictureView* p : {outlets, strip}) {
    INFO(p->accessibleName().toStdString());
    CHECK(p->focusPolicy() != Qt::NoFocus);
    QAccessibleInterface* seen = QAccessible::queryAccessibleInterface(p);
    REQUIRE(seen);
    REQUIRE(seen->childCount() == static_cast<int>(p->picture().spots.size()));
    CHECK_FALSE(seen->text(QAccessible::Description).isEmpty());
    for (int i = 0; i < seen->childCount(); ++i) {
      QAccessibleInterface* spot = seen->child(i);
      REQUIRE(spot);
      CHECK(spot->isValid());
      CHECK(spot->text(QAccessible::Name) ==
            p->picture().spots[static_cast<std::size_t>(i)].words());
      CHECK_FALSE(spot->text(QAccessible::Name).isEmpty());
      CHECK(spot->rect().isValid());
      CHECK(seen->indexOfChild(spot) == i);
    }
  }
  // The keys walk the wheels; Enter moves one to its other outlet.
  outlets->setFocus(Qt::TabFocusReason);
  CHECK_FALSE(outlets->walked());
  QTest::keyClick(outlets, Qt::Key_Right);
  REQUIRE(outlets->walked());
  for (int i = 0; i < 60 && !outlets->walked()->id.startsWith("wheel:"); ++i)
    QTest::keyClick(outlets, Qt::Key_Right);
  const auto wheel = static_cast<Wheel>(outlets->walked()->id.section(':', 1).toInt());
  const double before = value_of(b.session.job(), As::plan, circuit_of(wheel)).si;
  QTest::keyClick(outlets, Qt::Key_Return);
  CHECK(value_of(b.session.job(), As::plan, circuit_of(wheel)).si != before);
  QTest::keyClick(outlets, Qt::Key_Space);
  CHECK(value_of(b.session.job(), As::plan, circuit_of(wheel)).si == before);
  while (outlets->walked() != &outlets->picture().spots[0]) QTest::keyClick(outlets, Qt::Key_Left);
  QTest::keyClick(outlets, Qt::Key_Left);  // around the end
  REQUIRE(outlets->walked());
  CHECK(outlets->walked()->id == outlets->picture().spots.back().id);
  // A press by an assistive program does what a touch does.
  QAccessibleInterface* hot = QAccessible::queryAccessibleInterface(strip)->child(5);
  REQUIRE(hot->actionInterface());
  hot->actionInterface()->doAction(QAccessibleActionInterface::pressAction());
  CHECK(b.session.shown() == b.session.strip()[5].id);
  QTest::keyClick(strip, Qt::Key_Right);
  QTest::keyClick(strip, Qt::Key_Return);
  CHECK(b.session.shown() == b.session.strip()[0].id);
}

TEST_CASE("what becomes dangerous by an edit is announced, what was dangerous before is not") {
  Bench b;
  open(b, known_job());
  b.session.set_value(As::plan, param::circuit_fr, chosen(choice::WheelOutlet::n2));
  QApplication::processEvents();  // words around the work come behind the painting
  QLabel* notice = nullptr;
  for (auto* l : b.window->findChildren<QLabel*>())
    if (l->accessibleName() == "New: do not drive") notice = l;
  REQUIRE(notice);
  CHECK(notice->isVisible());
  CHECK(notice->text().contains("front right are on different outlets"));
  b.session.set_value(As::plan, param::front_mu, {0.4, How::stated, 0, {}});
  QApplication::processEvents();
  CHECK_FALSE(notice->isVisible());
  b.session.undo();
  b.session.undo();
  QApplication::processEvents();
  CHECK_FALSE(notice->isVisible());  // mended
}

TEST_CASE("the rail counts in words that fit the count") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  QApplication::processEvents();
  CHECK(b.window->rail()
            ->button(Stage::size)
            ->accessibleDescription()
            .startsWith("3 conditions fail"));
}
