#include "ui/main_window.hpp"

#include <QAccessible>
#include <QApplication>
#include <QCloseEvent>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QMenuBar>
#include <QScrollArea>
#include <QVBoxLayout>
#include <algorithm>

#include "document/codes.hpp"
#include "paint/foot_strip.hpp"
#include "session/texts.hpp"
#include "ui/calm_stack.hpp"
#include "ui/plain.hpp"

namespace yoke {

MainWindow::MainWindow(Session& session, Dialogs dialogs)
    : session_(session), dialogs_(std::move(dialogs)) {
  speech_.set_spoken(pulled_by_hand(session_.job()));
  connect(&session_, &Session::changed, this, &MainWindow::speak_of_job);
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
  strip_->setFixedHeight(kStrip);
  strip_->set_walkable();
  strip_->set_maker([this](QSizeF size) {
    return foot_strip_picture(session_.strip(), session_.shown(), session_.style(), size);
  });
  outer->addWidget(strip_);
  whole_->addWidget(central);
  setCentralWidget(whole_);
  connect(qApp, &QApplication::focusChanged, this,
          [this](QWidget*, QWidget* now) { bring_into_sight(now); });
  notice_ = label({}, "notice", central);
  notice_->setAccessibleName(tr("Refused"));
  notice_->hide();
  connect(&session_, &Session::refused, this, [this](const QString& why) {
    notice_->setAccessibleName(tr("Refused"));
    notice_->setText(why);
    show_notice();
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
  connect(&session_, &Session::judged, this, &MainWindow::announce_hard);
  status_ = plain_label({}, "onDye", this);
  build_menus();
  connect(&session_, &Session::file_changed, this, &MainWindow::refresh_title);
  connect(&session_, &Session::changed, this, &MainWindow::refresh_title);
  connect(&session_, &Session::style_changed, this, &MainWindow::refresh_title);
  press_timer_.setInterval(16);
  connect(&press_timer_, &QTimer::timeout, this, &MainWindow::press_tick);
  qApp->installEventFilter(this);
  resize(1280, 800);
  setMinimumSize(960, 560);
  show_stage(Stage::survey);
  refresh_title();
}

/// Over the foot of the page: what is worked on does not move under the pointer.
/// Tab may lead to what is scrolled away: whoever works by keys sees where they are.
void MainWindow::bring_into_sight(QWidget* now) {
  if (!now || !isAncestorOf(now) || !now->isVisible() || in_sight(now)) return;
  for (QWidget* w = now->parentWidget(); w && w != this; w = w->parentWidget())
    if (auto* area = qobject_cast<QScrollArea*>(w)) area->ensureWidgetVisible(now, 8, 24);
}

void MainWindow::show_notice() {
  const int wide = stack_->width();
  const int high = notice_->heightForWidth(wide);
  const QPoint foot = stack_->mapTo(notice_->parentWidget(), QPoint(0, stack_->height() - high));
  notice_->setGeometry(QRect(foot, QSize(wide, high)));
  notice_->show();
  notice_->raise();
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
  notice_->setAccessibleName(tr("New: do not drive"));
  notice_->setText(
      tr("■ Do not drive, new: %1").arg(one_line(fresh.join(QStringLiteral("; ")), 160)));
  show_notice();
  QAccessibleEvent alert(notice_, QAccessible::Alert);
  QAccessible::updateAccessibility(&alert);
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
  if (watched == notice_ && e->type() == QEvent::MouseButtonPress) notice_->hide();
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

}  // namespace yoke
