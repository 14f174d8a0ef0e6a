// The window: its start, an edit on each face, a drag through the map, for three sizes of job. Read
// them as ratios: to the trivial window, or to an edit of an empty job.
#include <benchmark/benchmark.h>

#include <QApplication>
#include <QMouseEvent>
#include <QSettings>
#include <QTemporaryDir>
#include <QWidget>
#include <algorithm>
#include <ctime>
#include <memory>

#include "document/param/bores.hpp"
#include "files/store.hpp"
#include "session/texts.hpp"
#include "simulated/rig.hpp"
#include "support/build.hpp"
#include "ui/look.hpp"
#include "ui/main_window.hpp"

using namespace yoke;

namespace {

enum Size { empty, demo, largest };

/// As large as a file may be.
Job largest_job() {
  Job job = test::known_job();
  for (int i = 0; i < 2000; ++i) {
    Reading r;
    r.force_n = 60 + (i % 400);
    r.travel_m = 0.03 + 1e-4 * (i % 400);
    r.second_apply = i % 3 == 0;
    job.readings.push_back(r);
  }
  for (int i = 0; i < 200; ++i) {
    PartInHand part;
    part.name = "part " + std::to_string(i);
    job.parts.push_back(part);
  }
  for (int i = 0; i < 60; ++i) {
    Box box;
    box.name = "box " + std::to_string(i);
    box.x_m = 0.01 * i;
    job.boxes.push_back(box);
  }
  for (int i = 0; i < 8; ++i) {
    Candidate c;
    c.name = "unit " + std::to_string(i);
    c.sheet.set(param::master_bore, measured(param::master_bore, 0.019 + 0.001 * i, How::maker));
    job.candidates.push_back(c);
  }
  return job;
}

Job job_of(Size size) {
  if (size == empty) return {};
  if (size == largest) return largest_job();
  const auto opened = open_job(YOKE_SOURCE_DIR "/data/demo/fire-tender.yoke");
  return opened ? opened->job : Job{};
}

Dialogs silent() {
  Dialogs d;
  d.open_file = [](QWidget*, const QString&, const QString&) { return QString(); };
  d.save_file = [](QWidget*, const QString&, const QString&, const QString&) { return QString(); };
  d.pick_folder = [](QWidget*, const QString&) { return QString(); };
  d.ask = [](QWidget*, const QString&, const QStringList&, const QString&) { return -1; };
  d.tell = [](QWidget*, const QString&) {};
  return d;
}

void trivial_window(benchmark::State& state) {
  for (auto _ : state) {
    QWidget w;
    w.resize(1280, 800);
    w.show();
    QApplication::processEvents();
  }
}

void first_page(benchmark::State& state) {
  for (auto _ : state) {
    Session session;
    MainWindow window(session, silent());
    window.show();
    window.show_begin();
    QApplication::processEvents();
  }
}

void window_with(benchmark::State& state, Size size) {
  const Job job = job_of(size);
  for (auto _ : state) {
    Session session;
    session.take(job);
    MainWindow window(session, silent());
    window.show();
    QApplication::processEvents();
  }
}

double cpu_s() {
  timespec t{};
  clock_gettime(CLOCK_THREAD_CPUTIME_ID, &t);
  return static_cast<double>(t.tv_sec) + 1e-9 * static_cast<double>(t.tv_nsec);
}

/// One value of the plan is changed, and the face painted: timed until strip and face stand on the
/// screen. The words around them follow in the next turn: "whole" has them in it.
void edit(benchmark::State& state, Size size, Stage stage, std::size_t face) {
  Session session;
  session.take(job_of(size));
  MainWindow window(session, silent());
  window.resize(1280, 800);
  window.show();
  window.show_stage(stage);
  window.page(stage)->show_face(face);
  QApplication::processEvents();
  bool larger = false;
  double whole_s = 0;
  for (auto _ : state) {
    larger = !larger;
    const double before = cpu_s();
    session.set_value(As::plan, param::master_bore,
                      measured(param::master_bore, larger ? 0.0254 : 0.02381, How::maker));
    for (const int what : {QEvent::MetaCall, QEvent::LayoutRequest, QEvent::UpdateRequest})
      QCoreApplication::sendPostedEvents(nullptr, what);
    state.SetIterationTime(cpu_s() - before);
    QApplication::processEvents();
    whole_s += cpu_s() - before;
  }
  state.counters["whole_ms"] =
      1e3 * whole_s /
      static_cast<double>(std::max<benchmark::IterationCount>(1, state.iterations()));
}

/// The hand is drawn through the map from cell to cell, on a large screen.
void drag_map(benchmark::State& state) {
  Session session;
  session.take(job_of(demo));
  MainWindow window(session, silent());
  window.resize(QSize(2560, 1440) / window.devicePixelRatioF());  // of the screen, at any scale
  window.show();
  window.show_stage(Stage::size);
  QApplication::processEvents();
  MapView* map = static_cast<SizePage*>(window.page(Stage::size))->map_face()->map();
  std::vector<QPointF> cells;
  for (const Spot& s : map->picture().spots)
    if (s.id.startsWith(QStringLiteral("cell:"))) cells.push_back(s.area.center());
  const auto mouse = [&](QEvent::Type what, QPointF at) {
    QMouseEvent e(what, at, map->mapToGlobal(at), Qt::LeftButton, Qt::LeftButton, {});
    QCoreApplication::sendEvent(map, &e);
  };
  mouse(QEvent::MouseButtonPress, cells[cells.size() / 2]);
  QApplication::processEvents();
  std::size_t n = 0;
  for (auto _ : state) {
    const double before = cpu_s();
    mouse(QEvent::MouseMove, cells[cells.size() / 2 + n++ % 12]);
    for (const int what : {QEvent::MetaCall, QEvent::LayoutRequest, QEvent::UpdateRequest})
      QCoreApplication::sendPostedEvents(nullptr, what);
    state.SetIterationTime(cpu_s() - before);
    QApplication::processEvents();
  }
}

/// A frame of the press as it is recorded, after ten minutes at a hundred samples a second.
void live_frame(benchmark::State& state) {
  Session session;
  session.take(job_of(demo));
  MainWindow window(session, silent());
  window.resize(1280, 800);
  window.show();
  window.show_stage(Stage::prove);
  auto* page = static_cast<ProvePage*>(window.page(Stage::prove));
  page->show_face("live");
  LiveFace* live = page->live();
  auto rig = Rig::make(session.job(), *rig_fault("none"), {}, {}, 1);
  if (!rig) return state.SkipWithError("no rig");
  live->link()->take(QByteArray::fromStdString(rig->lines(1)));
  live->link()->record();
  for (int i = 0; i < 600; ++i) live->link()->take(QByteArray::fromStdString(rig->lines(1)));
  QApplication::processEvents();
  for (auto _ : state) {
    live->link()->take(QByteArray::fromStdString(rig->lines(0.03)));
    for (PictureView* v : live->findChildren<PictureView*>()) v->redraw();
    QCoreApplication::sendPostedEvents(nullptr, QEvent::UpdateRequest);
  }
}

const char* name_of(Size size) {
  return size == empty ? "empty" : size == demo ? "demo" : "largest";
}

void register_edits() {
  struct Place {
    const char* name;
    Stage stage;
    std::size_t face;
  };
  static constexpr Place kPlaces[] = {
      {"survey", Stage::survey, 0},   {"survey_unit", Stage::survey, 2},
      {"size", Stage::size, 0},       {"size_units", Stage::size, 1},
      {"size_later", Stage::size, 3}, {"fit_room", Stage::fit, 4},
      {"rod", Stage::rod, 0},         {"plumb", Stage::plumb, 0},
      {"install", Stage::install, 0}, {"bleed", Stage::bleed, 0},
      {"prove", Stage::prove, 0},     {"record", Stage::record, 0}};
  for (const Size size : {empty, demo, largest})
    for (const Place& p : kPlaces)
      benchmark::RegisterBenchmark(
          (std::string("edit/") + p.name + "/" + name_of(size)).c_str(),
          [size, p](benchmark::State& state) { edit(state, size, p.stage, p.face); })
          ->Unit(benchmark::kMillisecond)
          ->UseManualTime();
}

}  // namespace

int main(int argc, char** argv) {
  qputenv("QT_QPA_PLATFORM", "offscreen");
  QTemporaryDir settings;  // what the builder chose is left alone
  qputenv("XDG_CONFIG_HOME", settings.path().toLocal8Bit());
  QApplication app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("Yoke Step bench"));
  QApplication::setOrganizationName(QStringLiteral("yokestep-bench"));
  apply_look(app);
  benchmark::Initialize(&argc, argv);
  const auto ms = benchmark::kMillisecond;
  benchmark::RegisterBenchmark("start/trivial", trivial_window)->Unit(ms);
  benchmark::RegisterBenchmark("start/first_page", first_page)->Unit(ms);
  for (const Size size : {empty, demo, largest})
    benchmark::RegisterBenchmark((std::string("start/") + name_of(size)).c_str(),
                                 [size](benchmark::State& state) { window_with(state, size); })
        ->Unit(ms);
  benchmark::RegisterBenchmark("drag/map_2560x1440", drag_map)->Unit(ms)->UseManualTime();
  benchmark::RegisterBenchmark("live/frame_after_ten_minutes", live_frame)->Unit(ms);
  register_edits();
  benchmark::RunSpecifiedBenchmarks();
  return 0;
}
