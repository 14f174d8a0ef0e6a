// Install in the window: the way is touched, a step is ticked, what waits says for what, the
// builder's own steps and facts move the order, a circle is refused by name.
#include <QComboBox>
#include <QDir>
#include <QLineEdit>

#include "session/job_pictures.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "support/every_code.hpp"
#include "support/work_done.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

struct Page {
  Bench& b;
  InstallPage* page;
  explicit Page(Bench& bench) : b(bench) {
    b.stage(Stage::install);
    page = qobject_cast<InstallPage*>(b.window->page(Stage::install));
    REQUIRE(page);
    QApplication::processEvents();
  }
  [[nodiscard]] std::size_t place(std::string_view key) const {
    const InstallView v = install_view(b.session.job());
    for (std::size_t i = 0; i < v.steps.size(); ++i)
      if (v.steps[i].step.key == key) return i;
    FAIL("no step " << key);
    return 0;
  }
  void touch(std::string_view key) const {
    const QString id = QStringLiteral("step:%1").arg(place(key));
    for (const Spot& s : page->track()->picture().spots)
      if (s.id == id) {
        QTest::mouseClick(page->track(), Qt::LeftButton, {}, s.area.center().toPoint());
        QApplication::processEvents();
        return;
      }
    FAIL("no station " << key);
  }
  [[nodiscard]] StepCard* card(std::string_view key) const {
    for (auto* c : page->findChildren<StepCard*>())
      if (c->key() == key) return c;
    return nullptr;
  }
  [[nodiscard]] QString words(QWidget* w) const {
    QStringList all;
    for (auto* l : w->findChildren<QLabel*>())
      if (l->isVisibleTo(w)) all << l->text();
    return all.join(QLatin1Char('\n'));
  }
  template <class W>
  W* part(const char* name) const {
    for (auto* w : page->reasons()->findChildren<W*>())
      if (w->accessibleName() == QLatin1String(name)) return w;
    FAIL("no " << name);
    return nullptr;
  }
  QPushButton* button(const char* words) const {
    for (auto* w : page->reasons()->findChildren<QPushButton*>())
      if (w->text().startsWith(QLatin1String(words))) return w;
    return nullptr;
  }
};

}  // namespace

TEST_CASE("the way of the work: touched, ticked out of order, and its reasons told") {
  Bench b;
  b.session.take(known_job());
  const Page p(b);
  p.touch("out.unit");
  // Why here, and what it opens, beside the list; the card is the chosen one.
  const QString why = p.words(p.page->reasons());
  CHECK(why.contains("only a bolted master holds against the spanner"));
  CHECK(p.card("out.unit")->objectName() == "chosenCard");
  CHECK(p.words(p.card("out.unit")).contains("waits for"));
  // Ticked before its needs: allowed, and it says what that costs, here and on the command line's
  // own list of notes (see the core's test).
  auto* box = p.card("out.rod")->findChild<QCheckBox*>();
  REQUIRE(box);
  box->click();
  QApplication::processEvents();
  CHECK(b.session.job().steps.at("out.rod").done);
  CHECK(p.words(p.card("out.rod")).contains("the order of washers is lost"));
  CHECK(p.words(p.page->reasons()).contains("Brake lamp and warning switch work"));
  for (const char* key : {"before.photos", "before.measure", "before.parts"})
    p.card(key)->findChild<QCheckBox*>()->click();
  QApplication::processEvents();
  CHECK_FALSE(p.words(p.card("out.rod")).contains("done before"));
  CHECK(p.words(p.card("out.bushes")).contains("waits for") == false);
}

TEST_CASE("only what can be done now is listed when that is asked for") {
  Bench b;
  b.session.take(known_job());
  const Page p(b);
  for (auto* w : p.page->findChildren<QPushButton*>())
    if (w->text() == "Only what is ready") w->click();
  QApplication::processEvents();
  const InstallView v = install_view(b.session.job());
  CHECK(p.page->findChildren<StepCard*>().size() == static_cast<int>(v.ready));
  CHECK(p.card("before.measure"));
  CHECK_FALSE(p.card("out.unit"));
}

TEST_CASE("steps and facts of this very car go into the order, and out again") {
  Bench b;
  b.session.take(known_job());
  const Page p(b);
  p.touch("out.crack");
  auto* own = p.part<QLineEdit>("Your own step");
  QTest::keyClicks(own, "Radiator out");
  QTest::keyClick(own, Qt::Key_Return);
  QApplication::processEvents();
  REQUIRE(b.session.job().own_steps.size() == 1);
  CHECK(p.place("own:Radiator out") < p.place("out.crack"));
  CHECK(p.card("own:Radiator out"));
  // The circle: what it waits for cannot wait for the unit that waits for it.
  p.touch("own:Radiator out");
  auto* first = p.part<QComboBox>("What comes first, or a step of your own");
  first->setCurrentIndex(first->findData(QStringLiteral("out.unit")));
  CHECK(first->currentData() == "out.unit");
  p.button("Add")->click();
  QApplication::processEvents();
  CHECK(b.session.job().order_facts.size() == 1);
  CHECK(p.words(p.page->reasons()).contains("wait for each other"));
  // A fact that holds, with its reason, and taken back.
  p.touch("out.rod");
  first->setCurrentIndex(first->findData(QStringLiteral("out.reservoir")));
  QTest::keyClicks(p.part<QLineEdit>("Reason"), "it drips on the pedal");
  p.button("Add")->click();
  QApplication::processEvents();
  CHECK(p.place("out.reservoir") < p.place("out.rod"));
  CHECK(p.words(p.page->reasons()).contains("it drips on the pedal"));
  REQUIRE(p.button("Take back"));
  p.button("Take back")->click();
  REQUIRE(QTest::qWaitFor([&] { return b.session.job().order_facts.size() == 1; }));
  // Saved and opened, it is there; undo takes the step out.
  const QString path = b.dir.filePath("own.yoke");
  REQUIRE(b.session.save_as(path));
  Session again;
  REQUIRE(again.open(path));
  CHECK(again.job() == b.session.job());
  p.touch("own:Radiator out");
  p.button("Take this step out")->click();
  REQUIRE(QTest::qWaitFor([&] { return b.session.job().own_steps.empty(); }));
  CHECK(b.session.job().order_facts.empty());
  b.session.undo();
  CHECK(b.session.job().own_steps.size() == 1);
}

TEST_CASE("bleeding is ticked by its counts, and the bench goes on to what can be done now") {
  Bench b;
  b.session.take(known_job());
  const Page p(b);
  auto* box = p.card("fill.bleed")->findChild<QCheckBox*>();
  CHECK_FALSE(box->isEnabled());
  const auto bleed = bleed_plan(b.session.job());
  b.session.edit("bled", [&](Job& j) {
    for (const BleedRow& row : bleed_rows(j, bleed)) bleed_clear(j, row.key);
  });
  QApplication::processEvents();
  CHECK(p.card("fill.bleed")->findChild<QCheckBox*>()->isChecked());
  b.window->show_bench(true);
  QApplication::processEvents();
  const auto shown = [&b] {
    QStringList all;
    for (auto* l : b.window->bench()->findChildren<QLabel*>())
      if (l->isVisible()) all << l->text();
    return all.join(QLatin1Char('\n'));
  };
  CHECK(shown().contains("Measure pedal height"));
  b.window->bench()->setFocus();
  QTest::keyClick(b.window->bench(), Qt::Key_Return);
  QApplication::processEvents();
  CHECK(b.session.job().steps.at("before.measure").done);
  CHECK(shown().contains("can be done now"));
}

TEST_CASE(
    "what comes off is counted out and in, with a photo beside the job, and one left over is a "
    "gate") {
  Bench b;
  b.session.take(known_job());
  const Page p(b);
  for (auto* w : p.page->findChildren<QPushButton*>())
    if (w->text() == "Counted out and in") w->click();
  QApplication::processEvents();
  TakenOffBox* box = p.page->taken();
  REQUIRE(box->isVisible());
  box->add();
  QApplication::processEvents();
  box->table()->item(0, 0)->setText("washer");
  box->table()->item(0, 1)->setText("3");
  box->table()->item(0, 2)->setText("2");
  box->table()->item(0, 3)->setText("thick one outside");
  QApplication::processEvents();
  const auto gate = [&b] {
    for (const GateRow& g : gate_rows(b.session.job(), b.session.strip(), b.session.findings()))
      if (g.id == GateId::retention) return g;
    FAIL("no gate");
    return GateRow{};
  };
  CHECK(gate().held);
  CHECK(text_of(gate().remark, b.session.style()).contains("1 of washer"));
  CHECK(p.words(box).contains("Not back yet: washer"));
  box->table()->item(0, 2)->setText("some");
  CHECK(b.session.job().taken_off[0].back == 2);
  CHECK(box->refusal().contains("whole number"));
  box->table()->item(0, 2)->setText("3");
  QApplication::processEvents();
  CHECK_FALSE(gate().held);
  // The photo is copied beside the job; before it is saved there is no beside.
  QImage picture(40, 30, QImage::Format_RGB32);
  picture.fill(Qt::red);
  const QString from = b.dir.filePath("how it sat.png");
  REQUIRE(picture.save(from));
  b.next_file = from;
  box->table()->setCurrentCell(0, 0);
  box->add_photo();
  CHECK(box->refusal().contains("Save the job first"));
  REQUIRE(b.session.save_as(b.dir.filePath("clips.yoke")));
  box->add_photo();
  CHECK(b.filters.last().contains("*.jpg"));  // pictures are offered, not jobs
  CHECK(b.session.job().taken_off[0].photo == "how it sat.png");
  CHECK(QFile::exists(b.dir.filePath("clips.pictures/how it sat.png")));
  // Saved elsewhere it takes its photo along.
  REQUIRE(QDir(b.dir.path()).mkpath("away"));
  b.next_file = b.dir.filePath("away/other.yoke");
  b.window->action(QStringLiteral("save_as"))->trigger();
  QApplication::processEvents();
  CHECK(b.session.path().endsWith("away/other.yoke"));
  CHECK(QFile::exists(b.dir.filePath("away/other.pictures/how it sat.png")));
  // No picture, no copy; a name that leads out of the folder leads nowhere.
  QFile text(b.dir.filePath("words.png"));
  REQUIRE(text.open(QIODevice::WriteOnly));
  text.write("no picture");
  text.close();
  CHECK_FALSE(keep_picture(b.session.path(), text.fileName()));
  CHECK(picture_path(b.session.path(), "../clips.yoke").isEmpty());
  REQUIRE(b.session.save());
  Session again;
  REQUIRE(again.open(b.session.path()));
  CHECK(again.job().taken_off == b.session.job().taken_off);
}

TEST_CASE(
    "a step that must rest tells what is left by the clock, after the window was closed too") {
  Bench b;
  Job job = known_job();
  test::set(job, "assist.kind=hydraulic; master.bore=25.4 mm");
  b.session.take(job);
  const Page p(b);
  auto* card = p.card("assist.purge");
  REQUIRE(card);
  CHECK(p.words(card).contains("then wait 1 h"));
  card->findChild<QCheckBox*>()->click();
  QApplication::processEvents();
  CHECK(b.session.job().steps.at("assist.purge").waits.size() == 19);
  CHECK(p.words(p.card("assist.purge")).contains("rests: "));
  b.session.edit("clock", [](Job& j) { j.steps["assist.purge"].waits = "2026-01-01T08:00:00"; });
  QApplication::processEvents();
  CHECK_FALSE(p.words(p.card("assist.purge")).contains("rests: "));
  p.card("assist.purge")->findChild<QCheckBox*>()->click();
  QApplication::processEvents();
  CHECK(b.session.job().steps.count("assist.purge") == 0);
}
