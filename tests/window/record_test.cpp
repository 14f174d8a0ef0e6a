// Record: the logbook, open points, earlier versions, the folder: what is entered arrives, and what
// is said is what the job holds.
#include <QScrollBar>
#include "document/param/bores.hpp"

#include "files/store.hpp"
#include "support/work_done.hpp"
#include "window/bench.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

RecordPage* record_of(Bench& b, const char* face) {
  if (!b.session.has_path()) REQUIRE(b.window->open_path(demo(b.dir)));
  b.stage(Stage::record);
  auto* record = b.page<RecordPage>(Stage::record);
  record->show_face(face);
  QApplication::processEvents();
  return record;
}

void pick(QComboBox* c, const QString& words) {
  const int at = c->findText(words);
  REQUIRE(at >= 0);
  c->setCurrentIndex(at);
}

}  // namespace

TEST_CASE(
    "logbook in the window: edits write themselves, time and money are entered, undo tears "
    "nothing") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  const std::size_t before = b.session.job().events.size();
  b.session.set_value(As::plan, param::master_bore,
                      measured(param::master_bore, 0.0254, How::stated));
  CHECK(b.session.job().events.size() == before + 1);
  b.session.undo();
  CHECK(b.session.job().events.size() == before);
  CHECK_FALSE(b.session.dirty());
  b.session.redo();
  auto* log = record_of(b, "log")->logbook();
  REQUIRE(log->lines()->rowCount() == static_cast<int>(before) + 1);
  CHECK(log->lines()->item(0, 2)->text().contains("25.4"));
  pick(log->kind(), "time worked");
  b.type(log->amount(), "2 h 30");
  REQUIRE(b.session.job().events.size() == before + 2);
  CHECK(b.session.job().events.back().seconds == 9000);
  CHECK(log->time_line()->picture().said.join(' ').contains("worked 2 h 30 min"));
  pick(log->kind(), "money spent");
  log->amount()->setText("nothing");
  QTest::mouseClick(log->write(), Qt::LeftButton);
  CHECK(log->refusal()->isVisible());
  log->amount()->setText("48.50");
  QTest::mouseClick(log->write(), Qt::LeftButton);
  CHECK(b.session.job().events.back().money == 48.5);
  // Saved: from now on its lines stay, whatever is undone.
  b.window->action("save")->trigger();
  const std::size_t written = b.session.job().events.size();
  while (b.session.can_undo()) b.session.undo();
  CHECK(b.session.job().events.size() > written);
  CHECK(b.session.job().events.back().kind == EventKind::undone);
}

TEST_CASE("what was moved meanwhile opens its step and the gates that rest on it") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.session.edit("all", [](Job& j) {
    for (const Step& s : install_steps(j)) {
      record_for(j, s).done = true;
      record_for(j, s).waits = "2026-05-01T10:00:00";
    }
    pass_gate(j, GateId::preload);
  });
  const auto passed = [&] {
    for (const Gate& g : gates_of(b.session.job(), b.session.strip(), b.session.findings()))
      if (g.id == GateId::preload) return g.state == GateState::passed;
    return false;
  };
  REQUIRE(passed());
  // From where the job stands one is led there.
  b.stage(Stage::install);
  auto* install = b.page<InstallPage>(Stage::install);
  install->show_resume(true);
  QApplication::processEvents();
  REQUIRE(install->moved()->isVisible());
  QTest::mouseClick(install->moved(), Qt::LeftButton);
  QApplication::processEvents();
  auto* log = b.page<RecordPage>(Stage::record)->logbook();
  REQUIRE(log->isVisible());
  CHECK(log->kind()->currentText() == "moved by hand");
  auto* step = log->findChild<QComboBox*>(QString(), Qt::FindDirectChildrenOnly);
  for (auto* c : log->findChildren<QComboBox*>())
    if (c->accessibleName().startsWith("What was moved")) step = c;
  REQUIRE(step);
  const int at = step->findData(QString::fromStdString(std::string(key(StepId::rod_clearance))));
  REQUIRE(at > 0);
  step->setCurrentIndex(at);
  b.type(log->note(), "the rod was taken off to show it");
  CHECK_FALSE(record_of(b.session.job(), StepId::rod_clearance)->done);
  CHECK_FALSE(passed());
  CHECK(b.session.job().events.back().kind != EventKind::note);
}

TEST_CASE("open points: kept, done, signed off with a reason, and days go to a calendar") {
  Bench b;
  auto* open = record_of(b, "open")->open_points();
  b.type(open->what(), "the clip on the rear hose");
  REQUIRE(b.session.job().points.size() == 1);
  const auto gate_open = [&] {
    for (const Gate& g : gates_of(b.session.job(), b.session.strip(), b.session.findings()))
      if (g.id == GateId::points) return g.state != GateState::passed;
    return false;
  };
  CHECK(gate_open());
  CHECK_FALSE(open->done()->isEnabled());
  for (const Spot& s : open->cards()->picture().spots)
    if (s.words().contains("rear hose")) {
      QTest::mouseClick(open->cards(), Qt::LeftButton, Qt::NoModifier, s.area.center().toPoint());
      break;
    }
  QApplication::processEvents();
  REQUIRE(open->done()->isEnabled());
  QTest::mouseClick(open->sign(), Qt::LeftButton);
  CHECK(open->refusal()->isVisible());
  open->who()->setText("A. Builder");
  open->reason()->setText("a strap holds it");
  QTest::mouseClick(open->sign(), Qt::LeftButton);
  CHECK_FALSE(gate_open());
  b.session.edit("later", [](Job& j) { j.later = {{LaterKind::rear_discs, "2027-04-01", {}}}; });
  b.next_file = b.dir.filePath("days.ics");
  open->export_days();
  QFile f(b.next_file);
  REQUIRE(f.open(QIODevice::ReadOnly));
  const QByteArray text = f.readAll();
  CHECK(text.contains("DTSTART;VALUE=DATE:20270401"));
  CHECK(text.contains("Rear discs"));
}

TEST_CASE("earlier versions: kept, laid beside the job, brought back as an edit") {
  Bench b;
  auto* versions = record_of(b, "versions")->versions();
  const double bore = value_of(b.session.job(), As::plan, param::master_bore).si;
  b.type(versions->name(), "before the bore");
  REQUIRE(versions->list()->count() >= 1);
  b.session.set_value(As::plan, param::master_bore,
                      measured(param::master_bore, 0.0286, How::stated));
  for (int i = 0; i < versions->list()->count(); ++i)
    if (versions->list()->item(i)->text().contains("before the bore"))
      versions->list()->setCurrentRow(i);
  QApplication::processEvents();
  CHECK(versions->words()->text().contains("Bore"));
  CHECK(versions->compared()->rowCount() > 3);
  QTest::mouseClick(versions->restore(), Qt::LeftButton);
  CHECK(value_of(b.session.job(), As::plan, param::master_bore).si == Approx(bore));
  CHECK_FALSE(b.session.job().events.empty());
  b.session.undo();
  CHECK(value_of(b.session.job(), As::plan, param::master_bore).si == Approx(0.0286));
}

TEST_CASE("the folder: searched by word and value, laid beside the open job, out as a table") {
  Bench b;
  (void)demo(b.dir, "pickup-two-bores");
  auto* folder = record_of(b, "folder")->folder();
  folder->list().set_cache(b.dir.filePath("cache"));
  REQUIRE(QTest::qWaitFor([&] { return folder->jobs()->rowCount() == 2; }, 5000));
  folder->search()->setText("pick");
  CHECK(folder->jobs()->rowCount() == 1);
  folder->set_columns({param::master_bore});
  CHECK(folder->jobs()->columnCount() == 5);
  folder->jobs()->selectRow(0);
  QApplication::processEvents();
  CHECK(folder->compared()->rowCount() > 0);
  CHECK(folder->compared()->horizontalHeaderItem(1)->text() == "this job, now");
  folder->search()->clear();
  folder->jobs()->selectAll();
  QApplication::processEvents();
  CHECK(folder->compared()->horizontalHeaderItem(1)->text() != "this job, now");
  folder->search()->setText("pick");
  b.next_file = b.dir.filePath("list.csv");
  folder->export_table();
  QFile f(b.next_file);
  REQUIRE(f.open(QIODevice::ReadOnly));
  const QByteArray text = f.readAll();
  CHECK(text.startsWith("file,title,vehicle,state,kind,last,master.bore"));
  CHECK(text.contains("pickup-two-bores.yoke"));
  CHECK(folder->right()->picture().said.join(' ').contains("Nothing was foretold"));
}

TEST_CASE("a copy without names is written beside, the job stays as it is") {
  Bench b;
  REQUIRE(b.window->open_path(demo(b.dir)));
  b.session.edit("x", [](Job& j) { j.vehicle = "SECRET"; });
  b.next_file = b.dir.filePath("given.yoke");
  b.window->action("nameless")->trigger();
  const auto given = open_job(b.next_file.toStdString());
  REQUIRE(given);
  CHECK(given->job.vehicle.empty());
  CHECK(value_of(given->job, As::plan, param::master_bore).si ==
        value_of(b.session.job(), As::plan, param::master_bore).si);
  CHECK(b.session.job().vehicle == "SECRET");
}

TEST_CASE("the sheet in a small window is read without shifting it sideways") {
  for (const char* job : {"estate-discs", "airfield-tug", "fire-tender", "sidecar-outfit",
                          "trials-special", "pickup-two-bores"}) {
    Bench b;
    b.window->resize(1280, 800);
    REQUIRE(b.window->open_path(demo(b.dir, job)));
    auto* sheet = record_of(b, "sheet")->findChild<SheetView*>();
    REQUIRE(sheet);
    QTest::qWait(50);
    INFO(job << ": " << sheet->document()->size().width() << " of " << sheet->viewport()->width());
    CHECK_FALSE(sheet->horizontalScrollBar()->isVisible());
  }
}
