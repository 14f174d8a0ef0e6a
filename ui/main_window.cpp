#include "ui/main_window.hpp"

#include <QAccessible>
#include <QActionGroup>
#include <QApplication>
#include <QCloseEvent>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMenuBar>
#include <QSettings>
#include <QVBoxLayout>
#include <algorithm>

#include "assembly/relevance.hpp"
#include "document/codes.hpp"
#include "paint/foot_strip.hpp"
#include "session/choose.hpp"
#include "session/job_kind.hpp"
#include "session/shipped_jobs.hpp"
#include "session/stage_sentence.hpp"
#include "session/texts.hpp"
#include "ui/about.hpp"
#include "ui/calm_stack.hpp"
#include "ui/fields.hpp"
#include "ui/finder.hpp"
#include "ui/help_window.hpp"
#include "ui/plain.hpp"

namespace yoke {

MainWindow::MainWindow(Session& session, Dialogs dialogs)
    : session_(session), dialogs_(std::move(dialogs)) {
  whole_ = new CalmStack(this);
  auto* central = new QWidget(whole_);
  central->setObjectName(QStringLiteral("central"));
  auto* outer = new QVBoxLayout(central);
  outer->setContentsMargins(0, 0, 0, 0);
  outer->setSpacing(0);
  auto* middle = new QHBoxLayout;
  middle->setSpacing(0);
  rail_ = new StageRail(session_, this);
  middle->addWidget(rail_);
  auto* work = new QVBoxLayout;
  work->setSpacing(0);
  band_ = new LineView(session_, true, this);
  band_->setFixedHeight(66);
  work->addWidget(band_);
  stack_ = new CalmStack(this);
  work->addWidget(stack_, 1);
  middle->addLayout(work, 1);
  outer->addLayout(middle, 1);
  strip_ = new PictureView(tr("Foot strip"), this);
  strip_->setFixedHeight(140);
  strip_->set_walkable();
  strip_->set_maker([this](QSizeF size) {
    return foot_strip_picture(session_.strip(), session_.shown(), session_.style(), size);
  });
  outer->addWidget(strip_);
  whole_->addWidget(central);
  setCentralWidget(whole_);
  notice_ = label({}, "notice", this);
  notice_->setAccessibleName(tr("Refused"));
  notice_->hide();
  work->addWidget(notice_);
  connect(&session_, &Session::refused, this, [this](const QString& why) {
    notice_->setAccessibleName(tr("Refused"));
    notice_->setText(why);
    notice_->show();
    QAccessibleEvent alert(notice_, QAccessible::Alert);
    QAccessible::updateAccessibility(&alert);
  });
  connect(&session_, &Session::changed, notice_, &QLabel::hide);
  connect(rail_, &StageRail::chosen, this, &MainWindow::show_stage);
  connect(strip_, &PictureView::spot_clicked, this, [this](const QString& id) {
    session_.show_condition(static_cast<ConditionId>(id.section(QLatin1Char(':'), 1).toInt()));
  });
  for (auto signal : {&Session::changed, &Session::pressed, &Session::style_changed})
    connect(&session_, signal, strip_, &PictureView::redraw);
  // The survey shows the system whose condition is chosen.
  connect(&session_, &Session::pressed, this, [this] {
    if (stage_ == Stage::survey) survey()->follow_condition();
  });
  connect(&session_, &Session::changed, this, &MainWindow::announce_hard);
  status_ = plain_label({}, "onDye", this);
  build_menus();
  connect(&session_, &Session::file_changed, this, &MainWindow::refresh_title);
  connect(&session_, &Session::changed, this, &MainWindow::refresh_title);
  connect(&session_, &Session::style_changed, this, &MainWindow::refresh_title);
  press_timer_.setInterval(16);
  connect(&press_timer_, &QTimer::timeout, this, &MainWindow::press_tick);
  qApp->installEventFilter(this);
  resize(1280, 800);
  setMinimumSize(1100, 700);
  show_stage(Stage::survey);
  refresh_title();
}

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
      return new PlumbPage(session_, stack_);
    case Stage::install:
      return new InstallPage(session_, stack_);
    case Stage::bleed:
      return new BleedPage(session_, stack_);
    case Stage::prove:
      return new ProvePage(session_, stack_);
    case Stage::record:
      break;
  }
  auto* record = new RecordPage(session_, dialogs_, stack_);
  connect(record, &RecordPage::open_wanted, this, [this](const QString& path) {
    if (may_leave()) open_path(path);
  });
  return record;
}

StagePage* MainWindow::page(Stage stage) {
  StagePage*& page = pages_[static_cast<std::size_t>(stage)];
  if (!page) {
    page = make_page(stage);
    stack_->addWidget(page);
  }
  return page;
}

SurveyPage* MainWindow::survey() {
  return static_cast<SurveyPage*>(page(Stage::survey));
}

QAction* MainWindow::add(QMenu* menu, const char* name, const QString& words,
                         const QKeySequence& keys, const std::function<void()>& fn) {
  auto* a = menu->addAction(words);
  a->setObjectName(QString::fromLatin1(name));
  a->setShortcut(keys);
  connect(a, &QAction::triggered, this, [fn] { fn(); });
  addAction(a);
  named_.insert(a->objectName(), a);
  return a;
}

QAction* MainWindow::action(const QString& name) const {
  return named_.value(name);
}

void MainWindow::build_menus() {
  auto* job = menuBar()->addMenu(tr("&Job"));
  add(job, "new", tr("&New job"), QKeySequence::New, [this] {
    if (!may_leave()) return;
    session_.new_job();
    show_begin();
  });
  add(job, "open", tr("&Open…"), QKeySequence::Open, [this] {
    if (!may_leave()) return;
    if (const QString f = dialogs_.open_file(this, tr("Open a job")); !f.isEmpty()) open_path(f);
  });
  recent_ = job->addMenu(tr("Open &recent"));
  add(job, "save", tr("&Save"), QKeySequence::Save, [this] { save(); });
  add(job, "save_as", tr("Save &as…"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_S),
      [this] { save_as(); });
  add(job, "unsaved", tr("&Unsaved work left behind…"), QKeySequence(), [this] { offer_again(); });
  job->addSeparator();
  add(job, "sheet", tr("Job sheet as &PDF…"), QKeySequence::Print,
      [this] { static_cast<RecordPage*>(page(Stage::record))->save_sheet(); });
  job->addSeparator();
  add(job, "quit", tr("&Quit"), QKeySequence::Quit, [this] { close(); });

  auto* edit = menuBar()->addMenu(tr("&Edit"));
  add(edit, "undo", tr("Undo"), QKeySequence::Undo, [this] { session_.undo(); });
  add(edit, "redo", tr("Redo"), QKeySequence(Qt::CTRL | Qt::SHIFT | Qt::Key_Z),
      [this] { session_.redo(); });
  edit->addSeparator();
  add(edit, "next_measurement", tr("Next &measurement"), QKeySequence(Qt::Key_F9),
      [this] { next_measurement(); });
  add(edit, "figures", tr("Fi&gures of this stage"), QKeySequence(Qt::CTRL | Qt::Key_G), [this] {
    if (auto* p = qobject_cast<StagePage*>(stack_->currentWidget()); p && p->figures_button())
      p->show_figures(!p->figures_button()->isChecked());
  });
  add(edit, "find_value", tr("Find a &value…"), QKeySequence::Find, [this] { find_value(); });
  add(edit, "find_action", tr("&Find an action…"), QKeySequence(Qt::CTRL | Qt::Key_K),
      [this] { find_action(); });

  auto* stages = menuBar()->addMenu(tr("&Stage"));
  for (const Stage s : kStages) {
    const int n = static_cast<int>(s);
    add(stages, qPrintable(QStringLiteral("stage%1").arg(n)), words_of(stage_words(s)),
        QKeySequence(Qt::CTRL | static_cast<Qt::Key>(Qt::Key_1 + n)), [this, s] { show_stage(s); });
  }
  stages->addSeparator();
  add(stages, "bench", tr("&Bench mode: one thing at a time, large"), QKeySequence(Qt::Key_F11),
      [this] { show_bench(!at_bench()); });
  const auto face = [this](int by) {
    if (auto* p = qobject_cast<StagePage*>(stack_->currentWidget())) {
      const auto n = static_cast<int>(p->face_count());
      p->show_face(static_cast<std::size_t>((static_cast<int>(p->face()) + by + n) % n));
    }
  };
  add(stages, "face_after", tr("Next &face of this stage"),
      QKeySequence(Qt::CTRL | Qt::Key_PageDown), [face] { face(1); });
  add(stages, "face_before", tr("&Previous face"), QKeySequence(Qt::CTRL | Qt::Key_PageUp),
      [face] { face(-1); });
  auto* pedal = menuBar()->addMenu(tr("&Pedal"));
  add(pedal, "condition_before", tr("Condition to the left"), QKeySequence(Qt::Key_F6),
      [this] { step_condition(-1); });
  add(pedal, "condition_after", tr("Condition to the right"), QKeySequence(Qt::Key_F7),
      [this] { step_condition(1); });
  add(pedal, "press_more", tr("Press further"), QKeySequence(Qt::CTRL | Qt::Key_Down),
      [this] { session_.press(session_.pressed_m() + 0.005); });
  add(pedal, "press_less", tr("Let up"), QKeySequence(Qt::CTRL | Qt::Key_Up),
      [this] { session_.press(session_.pressed_m() - 0.005); });
  add(pedal, "take_better", tr("Take the cell that passes"), QKeySequence(Qt::CTRL | Qt::Key_B),
      [this] {
        if (const auto cell = better_cell(session_)) choose_cell(session_, *cell, nullptr, {});
      });
  auto* hold = pedal->addAction(tr("Hold F8 to press the pad"));
  hold->setEnabled(false);

  auto* view = menuBar()->addMenu(tr("&Units"));
  auto* units = new QActionGroup(this);
  const std::pair<const char*, UnitStyle> kinds[] = {
      {"metric", UnitStyle::metric}, {"imperial", UnitStyle::imperial}, {"both", UnitStyle::both}};
  const QString words[] = {tr("&mm, N, MPa"), tr("&in, lbf, psi"), tr("&Both")};
  for (size_t i = 0; i < 3; ++i) {
    auto* a = add(view, kinds[i].first, words[i], QKeySequence(),
                  [this, u = kinds[i].second] { set_units(u); });
    a->setCheckable(true);
    a->setChecked(session_.style().units == kinds[i].second);
    units->addAction(a);
  }
  add(view, "units", tr("&Change units"), QKeySequence(Qt::CTRL | Qt::Key_U), [this] {
    set_units(static_cast<UnitStyle>((static_cast<int>(session_.style().units) + 1) % 3));
  });
  auto* help = menuBar()->addMenu(tr("&Help"));
  add(help, "help", tr("&Help for what is shown"), QKeySequence::HelpContents,
      [this] { show_help(); });
  add(help, "about", tr("&About Yoke Step"), QKeySequence(), [this] { about_yoke_step(this); });
  menuBar()->setCornerWidget(status_);
  refresh_recent();
}

void MainWindow::set_units(UnitStyle u) {
  Style s = session_.style();
  s.units = u;
  session_.set_style(s);
  QSettings().setValue(QStringLiteral("units"), static_cast<int>(u));
  const char* names[] = {"metric", "imperial", "both"};
  if (auto* a = action(QString::fromLatin1(names[static_cast<int>(u)]))) a->setChecked(true);
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
  if (kind == choice::TargetJob::bores) {
    show_stage(Stage::size);
    if (auto* size = qobject_cast<SizePage*>(page(Stage::size)))
      if (auto* bore = size->map_face()->panel()->field(As::found, Param::master_bore))
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
  show_stage(Stage::survey);
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
  band_->setVisible(!drawn);
}

void MainWindow::resizeEvent(QResizeEvent* e) {
  QMainWindow::resizeEvent(e);
  show_band();
}

void MainWindow::refresh_title() {
  const QString name =
      session_.has_path() ? one_line(QFileInfo(session_.path()).fileName(), 40) : tr("no file yet");
  const bool typed = !session_.dirty() && !typed_entries().isEmpty();  // looked for when it matters
  QString state = session_.dirty() || typed ? tr("● not saved") : tr("saved");
  if (!session_.has_path() && !session_.dirty() && !typed) state = tr("empty");
  if (session_.recovered()) state += tr(", brought back after a crash");
  if (session_.worked_on_elsewhere()) state += tr(", open in another window as well");
  if (const auto problem = session_.journal_problem(); problem && session_.dirty())
    state = tr("▲ NOT PROTECTED, SAVE NOW: %1")
                .arg(one_line(text_of(problem->reason, session_.style()), 90));
  const QString title = one_line(text_of(session_.job().title), 60);
  const QString words = QStringLiteral("%1   ·   %2   %3   ").arg(title, name, state);
  setWindowTitle(QStringLiteral("%1 – Yoke Step%2")
                     .arg(title, session_.journal_problem() && session_.dirty()
                                     ? tr(" – ▲ not protected, save now")
                                     : QString()));
  if (auto* a = action(QStringLiteral("undo"))) {
    a->setEnabled(session_.can_undo());
    a->setText(session_.can_undo() ? tr("Undo %1").arg(plain_action(one_line(session_.undo_name())))
                                   : tr("Undo"));
  }
  if (auto* a = action(QStringLiteral("redo"))) {
    a->setEnabled(session_.can_redo());
    a->setText(session_.can_redo() ? tr("Redo %1").arg(plain_action(one_line(session_.redo_name())))
                                   : tr("Redo"));
  }
  if (words == status_->text()) return;  // the bar is laid out anew only for a new text
  status_->setText(words);
  menuBar()->adjustSize();
}

void MainWindow::announce_hard() {
  QStringList now;
  QStringList fresh;
  for (const Finding& f : session_.findings()) {
    if (f.severity != Severity::hard) continue;
    now << text_of(key(f.code));
    if (!hard_known_.contains(now.last()) && !fresh.contains(text_of(f.message, session_.style())))
      fresh << text_of(f.message, session_.style());
  }
  hard_known_ = now;
  if (session_.path() != hard_known_in_) {  // another job: its findings are no news of an edit
    hard_known_in_ = session_.path();
    return;
  }
  if (fresh.isEmpty()) return;
  notice_->setAccessibleName(tr("New hard finding"));
  notice_->setText(
      tr("■ Do not drive, new: %1").arg(one_line(fresh.join(QStringLiteral("; ")), 160)));
  notice_->show();
  QAccessibleEvent alert(notice_, QAccessible::Alert);
  QAccessible::updateAccessibility(&alert);
}

void MainWindow::refresh_recent() {
  recent_->clear();
  const QStringList list = QSettings().value(QStringLiteral("recent")).toStringList();
  for (const QString& path : list)
    recent_
        ->addAction(plain_action(QFileInfo(path).fileName()), this,
                    [this, path] {
                      if (may_leave()) open_path(path);
                    })
        ->setToolTip(plain_tip(path));
  recent_->setEnabled(!list.isEmpty());
}

void MainWindow::remember(const QString& path) {
  QStringList list = QSettings().value(QStringLiteral("recent")).toStringList();
  const QString full = QFileInfo(path).absoluteFilePath();
  list.removeAll(full);
  list.prepend(full);
  while (list.size() > 8) list.removeLast();
  QSettings().setValue(QStringLiteral("recent"), list);
  refresh_recent();
}

void MainWindow::closeEvent(QCloseEvent* e) {
  if (may_leave())
    e->accept();
  else
    e->ignore();
}

void MainWindow::next_measurement() {
  const As which = as_of(session_.shown());
  const auto p = next_to_measure(session_.job(), which, measured_last_);
  if (!p) return;
  measured_last_ = p->param;
  show_stage(Stage::survey);
  survey()->focus_param(p->which, p->param);
}

void MainWindow::step_condition(int by) {
  const int n = static_cast<int>(session_.shown()) + by;
  if (n >= 0 && n < static_cast<int>(std::size(kConditions)))
    session_.show_condition(static_cast<ConditionId>(n));
}

void MainWindow::press_tick() {
  constexpr double kDown_m_s = 0.100;  // a brisk foot, slow enough to read
  constexpr double kUp_m_s = 0.250;
  // By the clock, not by ticks: a busy machine must not slow the foot. A long gap counts as one
  // frame.
  const double gone_s = std::min(0.1, static_cast<double>(press_clock_.restart()) * 1e-3);
  session_.press(session_.pressed_m() + gone_s * (pressing_ ? kDown_m_s : -kUp_m_s));
  if (!pressing_ && session_.pressed_m() <= 0) press_timer_.stop();
}

namespace {

bool leaves_undo(const QKeyEvent& key) {
  return key.matches(QKeySequence::Undo) || key.matches(QKeySequence::Redo);
}

}  // namespace

bool MainWindow::eventFilter(QObject* watched, QEvent* e) {
  // The field would keep these keys for itself: not asked, the menu's shortcut gets them.
  if (e->type() == QEvent::ShortcutOverride)
    if (auto* entry = qobject_cast<QLineEdit*>(watched); entry && !entry->isModified() &&
                                                         entry->window() == this &&
                                                         leaves_undo(*static_cast<QKeyEvent*>(e))) {
      e->ignore();
      return true;
    }
  if (e->type() == QEvent::KeyPress || e->type() == QEvent::KeyRelease) {
    auto* key = static_cast<QKeyEvent*>(e);
    if (key->key() == Qt::Key_F8 && isActiveWindow()) {
      if (!key->isAutoRepeat()) {
        pressing_ = e->type() == QEvent::KeyPress;
        press_clock_.restart();
        press_timer_.start();
      }
      return true;
    }
    // A letter typed makes work that is not saved: the title says so.
    if (qobject_cast<QLineEdit*>(watched)) QTimer::singleShot(0, this, [this] { refresh_title(); });
  }
  return QMainWindow::eventFilter(watched, e);
}

void MainWindow::find_action() {
  std::vector<FinderEntry> entries;
  for (QAction* a : actions())
    entries.push_back({a->text().remove(QLatin1Char('&')),
                       a->shortcut().toString(QKeySequence::NativeText), [a] { a->trigger(); }});
  Finder(tr("Find an action"), std::move(entries), this).exec();
}

void MainWindow::find_value() {
  std::vector<FinderEntry> entries;
  for (const As which : {As::found, As::plan})
    for (const ParamInfo& p : all_params()) {
      if (!relevant(session_.job(), which, p.param)) continue;
      const Param param = p.param;
      entries.push_back(
          {(which == As::found ? tr("As found: %1") : tr("Plan: %1")).arg(words_of(p.words)),
           value_text(session_.job(), which, param, session_.style()),
           [this, which, param] { go_to(which, param); }});
    }
  Finder(tr("Find a value"), std::move(entries), this).exec();
}

bool MainWindow::go_to(As which, Param param) {
  const QString name =
      QStringLiteral("field:%1:%2")
          .arg(which == As::found ? QStringLiteral("found") : QStringLiteral("plan"),
               text_of(info(param).id));
  show_stage(Stage::survey);
  survey()->focus_param(which, param);
  if (auto* f = survey()->findChild<ParamField*>(name); f && f->isVisible()) return true;
  for (const Stage s : {Stage::size, Stage::fit, Stage::rod, Stage::plumb}) {
    StagePage* p = page(s);
    for (std::size_t face = 0; face < p->face_count(); ++face) {
      show_stage(s);
      p->show_face(face);
      for (auto* f : p->findChildren<ParamField*>(name))
        if (f->isVisible()) {
          f->focus_entry();
          return true;
        }
    }
  }
  show_stage(Stage::survey);
  return false;
}

void MainWindow::show_help() {
  const QString topic = begins()     ? QStringLiteral("begin")
                        : at_bench() ? QStringLiteral("bench")
                                     : text_of(stage_words(stage_)).toLower();
  if (!help_) help_ = new HelpWindow(this);
  help_->show_topic(topic);
  help_->show();
  help_->raise();
}

}  // namespace yoke
