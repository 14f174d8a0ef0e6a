// Prove and Record worked by the keyboard alone, in a small window and in a large one: what is
// keyed in arrives.
#include "document/param/bedding.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/limits.hpp"
#include "road/permits.hpp"
#include "support/work_done.hpp"
#include "ui/tables_window.hpp"
#include "ui/wet_entry.hpp"
#include "window/keys.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

const QSize kSizes[] = {{1280, 800}, {1920, 1080}};

const GateRecord* gate(const Bench& b, GateId id) {
  return record_of(b.session.job(), id);
}

}  // namespace

TEST_CASE("keys alone: a press is chosen along the path, typed and shown") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    b.session.take(known_job());
    k.key(Qt::Key_8, Qt::ControlModifier);
    REQUIRE(b.window->stage() == Stage::prove);
    k.walk("The presses in their order", "press:press_400");
    k.words("88 mm");
    k.key(Qt::Key_Return);
    REQUIRE(b.session.job().readings.size() == 1);
    CHECK(b.session.job().readings[0].force_n == Approx(400));
    // Holding and lamps are the last on the path: it is scrolled to them.
    k.walk("The presses in their order", "press:holds");
    k.words("180 N");
    k.type("Who", "A. Builder");
    REQUIRE(gate(b, GateId::holds));
    CHECK(gate(b, GateId::holds)->read == Approx(180));
    CHECK(gate(b, GateId::holds)->who == "A. Builder");
    k.walk("The presses in their order", "press:lamp");
    k.words("comes on at 6 mm, goes out at rest");
    k.key(Qt::Key_Return);
    REQUIRE(gate(b, GateId::lamp));
    CHECK(gate(b, GateId::lamp)->state == GateState::passed);
  }
}

TEST_CASE("keys alone: a clutch's bite and drag, a lever's full lock") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    b.session.take(known_clutch());
    k.key(Qt::Key_8, Qt::ControlModifier);
    k.walk("The presses in their order", "press:bite");
    k.words("60 mm");
    k.type("Who", "A. Builder");
    REQUIRE(gate(b, GateId::bite));
    CHECK(gate(b, GateId::bite)->read == Approx(0.060));
    k.walk("The presses in their order", "press:drag");
    k.words("reverse without noise, stands in first");
    k.key(Qt::Key_Return);
    REQUIRE(gate(b, GateId::drag));
    REQUIRE(b.window->open_path(demo(b.dir, "sidecar-outfit")));
    k.key(Qt::Key_8, Qt::ControlModifier);
    k.walk("The presses in their order", "press:full_lock");
    k.words("12 mm");
    k.type("Who", "A. Builder");
    REQUIRE(gate(b, GateId::full_lock));
    CHECK(gate(b, GateId::full_lock)->read == Approx(0.012));
    // Lock to lock, throttle, level and reach are ticked as steps.
    k.key(Qt::Key_6, Qt::ControlModifier);
    const auto snaps = [&] {
      const StepRecord* r = record_of(b.session.job(), StepId::lever_throttle);
      return r && r->done;
    };
    CHECK_FALSE(snaps());
    k.press("Throttle opened and let go");
    CHECK(snaps());
  }
}

TEST_CASE("keys alone: one circuit open, its nipple named, and the push without assist") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    REQUIRE(b.window->open_path(demo(b.dir)));
    b.session.edit("bled", [](Job& j) {
      ask_little_of_one_circuit(j);
      do_all_work(j);
      j.readings.clear();
    });
    k.key(Qt::Key_8, Qt::ControlModifier);
    const auto ask = gate_ask(b.session.job(), b.session.strip(), GateId::failed_circuit);
    REQUIRE(ask.predicted);
    k.walk("The presses in their order", "press:circuit");
    k.words(QString::number(std::max(*ask.predicted, ask.least.value_or(0)) * 1e3) + " mm");
    k.type("Who", "A. Builder", false);
    k.press("front left");
    k.tab_to("Take it");
    k.key(Qt::Key_Space);
    REQUIRE(gate(b, GateId::failed_circuit));
    CHECK_FALSE(gate(b, GateId::failed_circuit)->opened.empty());
    k.walk("The presses in their order", "press:no_assist");
    k.words("124 N");
    k.key(Qt::Key_Return);
    REQUIRE(gate(b, GateId::no_assist));
    CHECK(gate(b, GateId::no_assist)->read == Approx(124));
    // Presses after the engine stopped are counted against what the reserve holds.
    k.walk("The presses in their order", "press:after_stop");
    k.words("3");
    k.key(Qt::Key_Return);
    CHECK(value_of(b.session.job(), As::plan, param::bleed_presses).si == Approx(3));
  }
}

TEST_CASE("keys alone: what to do again leads to its place, the gates are answered") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    REQUIRE(b.window->open_path(demo(b.dir)));
    k.key(Qt::Key_8, Qt::ControlModifier);
    k.face("What to do again");
    k.walk("What to do again", "redo:0");
    CHECK(b.window->stage() == Stage::bleed);
    k.key(Qt::Key_8, Qt::ControlModifier);
    k.face("Readings and gates");
    const std::size_t before = b.session.job().readings.size();
    k.type("Pedal force", "200 N", false);
    k.type("Pedal travel", "85 mm", false);
    k.press("Add");
    CHECK(b.session.job().readings.size() == before + 1);
    k.press("Prove: The rod does not hold the piston on");
    k.type("Proved by", "A. Builder", false);
    CHECK(b.session.job().gates.size() <= 18);
  }
}

TEST_CASE("keys alone: on the road from the first answer to a stop") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    REQUIRE(b.window->open_path(demo(b.dir)));
    b.session.edit("ready", [&](Job& job) {
      ask_little_of_one_circuit(job);
      do_all_work(job);
      job.readings.clear();
      pass_all_gates(job);
    });
    k.key(Qt::Key_8, Qt::ControlModifier);
    k.face("On the road");
    k.type("Who drives", "A. Builder");
    k.type("The place", "the yard");
    k.type("Weather and surface", "dry");
    for (const char* answer : {"closed ground", "belts on", "nobody else", "parking brake"})
      k.press(answer);
    k.type("Speed", "6 km/h", false);
    k.type("Distance", "1 m");
    REQUIRE(b.session.job().stops.size() == 1);
    CHECK(b.session.job().stops[0].distance_m == Approx(1));
    CHECK(b.session.job().permits.at("walking").who == "A. Builder");
    k.press("Take the last one out");
    CHECK(b.session.job().stops.empty());
    // A phone's table, with what its columns are said by keys.
    b.next_file = b.dir.filePath("phone.csv");
    {
      QFile out(b.next_file);
      REQUIRE(out.open(QIODevice::WriteOnly));
      out.write("t,forward\n");
      for (int i = 0; i < 800; ++i)
        out.write(
            QStringLiteral("%1,%2\n").arg(0.01 * i).arg(i > 100 && i < 220 ? -3 : 0).toUtf8());
    }
    k.walk("The stages of the road", "stage:4");
    k.press("From a phone's table");
    k.pick("Column of the time", "t");
    k.pick("Unit of the time", "s");
    k.pick("Column along the car", "forward");
    k.pick("Unit and way of braking", "less than 0, in m/s²");
    CHECK(b.page<ProvePage>(Stage::prove)->road()->phone()->says()->text().contains("0.31 g"));
    k.walk("The stages of the road", "stage:3");
    k.type("Bedding stops, by the linings' maker", "12");
    CHECK(value_of(b.session.job(), As::plan, param::bed_stops).si == Approx(12));
  }
}

TEST_CASE("keys alone: the logbook, open points, versions and the folder") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    REQUIRE(b.window->open_path(demo(b.dir)));
    k.key(Qt::Key_9, Qt::ControlModifier);
    k.face("Logbook");
    k.pick("What to write down", "time worked");
    k.type("Time or money", "1 h 15", false);
    k.type("Who did it", "A. Helper");
    REQUIRE_FALSE(b.session.job().events.empty());
    CHECK(b.session.job().events.back().seconds == 4500);
    CHECK(b.session.job().events.back().who == "A. Helper");
    k.face("Open and due");
    k.type("Open point", "the clip on the rear hose");
    REQUIRE(b.session.job().points.size() == 1);
    const auto& spots = b.page<RecordPage>(Stage::record)->open_points()->cards()->picture().spots;
    const auto card = std::find_if(spots.begin(), spots.end(),
                                   [](const Spot& s) { return s.words().contains("rear hose"); });
    REQUIRE(card != spots.end());
    k.walk("What is open and what falls due", card->id);
    k.type("Who signs it off", "A. Builder", false);
    k.type("Why it may stay", "a strap holds it", false);
    k.press("Sign");
    CHECK_FALSE(is_open(b.session.job().points[0]));
    k.face("Earlier");
    k.type("Name of the version", "before the bore");
    k.tab_to("Versions, the latest first");
    k.key(Qt::Key_Down);
    k.key(Qt::Key_Up);
    CHECK(QApplication::focusWidget()->accessibleName().startsWith("Versions"));
    k.face("Folder");
    k.type("Search the jobs", "estate", false);
    k.tab_to("Jobs in the folder");
  }
}

TEST_CASE("keys alone: the pack, the sheet typed back, the bench tables, where it stands") {
  for (const QSize size : kSizes) {
    Bench b;
    const Keys k{b};
    b.window->resize(size);
    REQUIRE(b.window->open_path(demo(b.dir)));
    k.key(Qt::Key_9, Qt::ControlModifier);
    k.tab_to("Certifier's pack as PDF");
    if (size == kSizes[0]) {
      b.next_file = b.dir.filePath("pack.pdf");
      k.key(Qt::Key_Space);
      CHECK(QFile(b.next_file).size() > 10000);
    }
    // Where it stands, and what was moved meanwhile.
    k.key(Qt::Key_6, Qt::ControlModifier);
    k.press("Where it stands");
    k.press("Something was moved");
    CHECK(b.window->stage() == Stage::record);
    CHECK(b.page<RecordPage>(Stage::record)->logbook()->kind()->currentText() == "moved by hand");
    // What was written on paper is typed in one pass: Enter goes to the next box.
    b.session.take(blank_job());
    k.key(Qt::Key_1, Qt::ControlModifier);
    b.window->action("wet_back")->trigger();
    auto* entry = b.window->findChild<WetEntry*>();
    REQUIRE(entry);
    REQUIRE(QTest::qWaitForWindowActive(entry->window()));
    REQUIRE(entry->entries().size() > 2);
    k.type(entry->entries()[1]->accessibleName(), "20 mm");
    CHECK(entry->refusal()->isHidden() == !entry->entries()[1]->isEnabled());
    entry->window()->close();
    b.window->activateWindow();
    REQUIRE(QTest::qWaitForWindowActive(b.window.get()));
    k.key(Qt::Key_T, Qt::ControlModifier);
    auto* tables = b.window->findChild<TablesWindow*>();
    REQUIRE(tables);
    REQUIRE(QTest::qWaitForWindowActive(tables));
    k.type("Search the table", "letter p", false);
    CHECK(tables->table()->rowCount() == 1);
    k.tab_to("The table");
  }
}
