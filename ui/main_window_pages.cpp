// What the window shows: the stages' pages, made when they are visited, the first page, the bench.
#include <QApplication>
#include <QMenu>
#include <QTimer>

#include "document/param/bores.hpp"
#include "document/param/limits.hpp"
#include "session/job_kind.hpp"
#include "session/live_press.hpp"
#include "session/shipped_jobs.hpp"
#include "session/texts.hpp"
#include "ui/main_window.hpp"

namespace yoke {

StagePage* MainWindow::make_page(Stage stage) {
  switch (stage) {
    case Stage::survey:
      return new SurveyPage(session_, stack_);
    case Stage::size:
      return new SizePage(session_, dialogs_, stack_);
    case Stage::fit:
      return new FitPage(session_, dialogs_, stack_);
    case Stage::rod:
      return new RodPage(session_, stack_);
    case Stage::plumb:
      return new PlumbPage(session_, dialogs_, stack_);
    case Stage::install:
      return new InstallPage(session_, dialogs_, stack_);
    case Stage::bleed:
      return new BleedPage(session_, stack_);
    case Stage::prove:
      return new ProvePage(session_, dialogs_, stack_);
    case Stage::record:
      break;
  }
  auto* record = new RecordPage(session_, dialogs_, stack_);
  connect(record, &RecordPage::open_wanted, this, [this](const QString& path) {
    if (may_leave()) open_path(path);
  });
  return record;
}

void MainWindow::stand_in() {
  show_stage(Stage::prove);
  auto* prove = static_cast<ProvePage*>(page(Stage::prove));
  prove->show_face("live");
  LivePress::of(session_).stand_in(QStringLiteral("hidden"));
}

void MainWindow::lead_to(Stage stage, const QString& place) {
  if (place.startsWith(QLatin1String("value:"))) {
    if (const auto p = find_param(place.mid(6).toStdString())) (void)go_to(As::plan, *p);
    return;
  }
  show_stage(stage);
  (void)page(stage)->go_to_place(place);
}

StagePage* MainWindow::page(Stage stage) {
  StagePage*& page = pages_[static_cast<std::size_t>(stage)];
  if (!page) {
    page = make_page(stage);
    connect(page, &StagePage::wanted, this, &MainWindow::lead_to);
    stack_->addWidget(page);
  }
  return page;
}

SurveyPage* MainWindow::survey() {
  return static_cast<SurveyPage*>(page(Stage::survey));
}

bool MainWindow::begins() const {
  return begin_ && whole_->currentWidget() == begin_;
}

bool MainWindow::at_bench() const {
  return bench_ && whole_->currentWidget() == bench_;
}

void MainWindow::show_bench(bool on) {
  if (!on) {
    show_stage(stage_);
    return;
  }
  if (begins()) return;
  if (!bench_) {
    bench_ = new BenchMode(session_, whole_);
    whole_->addWidget(bench_);
    connect(bench_, &BenchMode::ended, this, [this] { show_bench(false); });
  }
  // What is typed in a field is entered before the field goes away.
  if (QWidget* w = QApplication::focusWidget()) w->clearFocus();
  whole_->setCurrentWidget(bench_);
  bench_->show_stage(stage_);
}

void MainWindow::show_begin() {
  if (!begin_) {
    begin_ = new BeginPage(whole_);
    whole_->addWidget(begin_);
    connect(begin_, &BeginPage::begun, this, &MainWindow::begin_job);
    connect(begin_, &BeginPage::practice_wanted, this, &MainWindow::practise);
    connect(begin_, &BeginPage::skipped, this, [this] { show_stage(Stage::survey); });
    connect(begin_, &BeginPage::open_wanted, this, [this](const QString& path) {
      if (may_leave()) open_path(path);
    });
  }
  begin_->refresh();
  whole_->setCurrentWidget(begin_);
  begin_->kinds()->setFocus();
}

void MainWindow::begin_job(choice::TargetJob kind) {
  session_.take(begun_job(kind));
  make_anew();
  if (kind == choice::TargetJob::bores) {
    show_stage(Stage::size);
    if (auto* size = qobject_cast<SizePage*>(page(Stage::size)))
      if (auto* bore = size->map_face()->panel()->field(As::found, param::master_bore))
        bore->focus_entry();
    return;
  }
  show_stage(Stage::survey);
  const FirstMeasure first = first_measure(kind);
  survey()->focus_param(first.which, first.param);
}

void MainWindow::practise(const QString& resource) {
  const auto job = shipped_job(resource);
  if (!job) {
    dialogs_.tell(this, error_text(job.error(), session_.style()));
    return;
  }
  session_.take(*job);
  make_anew();
  show_stage(Stage::survey);
}

void MainWindow::speak_of_job() {
  if (!speech_.set_spoken(pulled_by_hand(session_.job()))) return;
  pedal_menu_->setTitle(tr("&Pedal"));
  strip_->rename(tr("Foot strip"));
  band_->rename(tr("Stations from pedal to car"));
  press_hint_->setText(tr("Hold F8 to press the pedal"));
  spoken_anew_ = true;
  // Queued: the field whose edit this is must not go while it speaks.
  QTimer::singleShot(0, this, [this] { make_anew(); });
}

void MainWindow::make_anew() {
  if (!spoken_anew_) return;
  spoken_anew_ = false;
  const bool bench = at_bench();
  const bool begin = begins();
  const std::size_t face = pages_[static_cast<std::size_t>(stage_)]
                               ? pages_[static_cast<std::size_t>(stage_)]->face()
                               : 0;
  for (StagePage*& page : pages_) {
    if (page) page->deleteLater();
    page = nullptr;
  }
  if (bench_) bench_->deleteLater();
  bench_ = nullptr;
  if (begin) return;
  show_stage(stage_);
  page(stage_)->show_face(face);
  if (bench) show_bench(true);
}

void MainWindow::show_work() {
  whole_->setCurrentIndex(0);
}

void MainWindow::show_stage(Stage stage) {
  if (at_bench() && stage != stage_) {  // the keys of the stages lead on at the bench too
    stage_ = stage;
    rail_->select(stage);
    bench_->show_stage(stage);
    return;
  }
  show_work();
  stage_ = stage;
  rail_->select(stage);
  show_band();
  stack_->setCurrentWidget(page(stage));
}

/// Survey shows the line of force in full, and Prove where it is tall enough; elsewhere it folds
/// into the band.
void MainWindow::show_band() {
  const bool drawn = stage_ == Stage::survey || (stage_ == Stage::prove && height() >= kTallWindow);
  // A small window keeps its height for the work: the strip alone says how it stands.
  band_->setVisible(!drawn && height() >= kLowWindow);
}

void MainWindow::resizeEvent(QResizeEvent* e) {
  QMainWindow::resizeEvent(e);
  rail_->set_narrow(width() < kNarrowWindow);
  strip_->setFixedHeight(height() < kLowWindow ? kLowStrip : kStrip);
  show_band();
  if (notice_->isVisible()) show_notice();
}

}  // namespace yoke
