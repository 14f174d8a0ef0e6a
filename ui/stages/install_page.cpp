#include "ui/stages/install_page.hpp"

#include <QDate>
#include <QHBoxLayout>
#include <QMenu>
#include <QScrollBar>
#include <QSignalBlocker>
#include <QTimer>
#include <QVBoxLayout>

#include "document/as_built.hpp"
#include "session/resume.hpp"
#include "session/texts.hpp"
#include "session/track.hpp"
#include "session/work_edits.hpp"
#include "session/work_sheet.hpp"
#include "ui/plain.hpp"
#include "ui/printing.hpp"

namespace yoke {

StepReasons::StepReasons(Session& session, QWidget* parent) : QFrame(parent), session_(session) {
  setObjectName(QStringLiteral("card"));
  setFixedWidth(400);
  box_ = new QVBoxLayout(this);
  box_->setContentsMargins(12, 8, 12, 8);
  title_ = label({}, "heading", this);
  box_->addWidget(title_);
  why_ = label({}, "plain", this);
  box_->addWidget(why_);
  call_ = label({}, "plain", this);
  box_->addWidget(call_);
  opens_ = label({}, "soft", this);
  box_->addWidget(opens_);
  box_->addStretch(1);
  build_entry();
}

void StepReasons::build_entry() {
  box_->addWidget(label(tr("Of this very car"), "heading", this));
  other_ = new QComboBox(this);
  other_->setAccessibleName(tr("What comes first, or a step of your own"));
  box_->addWidget(other_);
  own_ = new QLineEdit(this);
  own_->setMaxLength(80);
  box_->addWidget(own_);
  auto* row = new QHBoxLayout;
  place_ = new QComboBox(this);
  place_->setAccessibleName(tr("Where it is done"));
  for (const WorkPlace p : kWorkPlaces) place_->addItem(words_of(words_of_value(p)));
  row->addWidget(place_, 1);
  side_ = new QComboBox(this);
  side_->setAccessibleName(tr("Before or after the chosen step"));
  side_->addItems({tr("before this"), tr("after this")});
  row->addWidget(side_);
  auto* add = new QPushButton(tr("Add"), this);
  row->addWidget(add);
  box_->addLayout(row);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box_->addWidget(refusal_);
  const auto ask = [this] {
    const bool own = other_->currentIndex() <= 0;
    place_->setEnabled(own);
    own_->setPlaceholderText(own ? tr("your own step: radiator out")
                                 : tr("why: its nut is behind it"));
    own_->setAccessibleName(own ? tr("Your own step") : tr("Reason"));
  };
  connect(other_, qOverload<int>(&QComboBox::currentIndexChanged), this, ask);
  connect(add, &QPushButton::clicked, this, &StepReasons::add);
  connect(own_, &QLineEdit::returnPressed, this, &StepReasons::add);
  other_->addItem(tr("A step of my own"));
  ask();
}

void StepReasons::add() {
  OrderEdit e;
  const bool own = other_->currentIndex() <= 0;
  if (own)
    e.own = own_->text();
  else
    e.why = own_->text();
  e.place = kWorkPlaces[static_cast<std::size_t>(std::max(0, place_->currentIndex()))];
  e.other = other_->currentData().toString().toStdString();
  e.chosen = key_;
  e.before = side_->currentIndex() == 0;
  const auto done = add_to_order(session_, e);
  refusal_->setText(done ? QString() : error_text(done.error(), session_.style()));
  refusal_->setVisible(!done);
  if (!done) return;
  own_->clear();
  other_->setCurrentIndex(0);
}

void StepReasons::fill_others(const InstallView& view, std::size_t chosen) {
  QStringList words;
  for (std::size_t i = 0; i < view.steps.size(); ++i)
    if (i != chosen)
      words << tr("%1. %2").arg(i + 1).arg(
          text_of(view.steps[i].step.text, session_.style()).left(60));
  if (words == others_) return;
  others_ = words;
  const QString was = other_->currentData().toString();
  {
    const QSignalBlocker quiet(other_);
    other_->clear();
    other_->addItem(tr("A step of my own"));
    for (std::size_t i = 0, row = 0; i < view.steps.size(); ++i) {
      if (i == chosen) continue;
      const QString key = text_of(view.steps[i].step.key);
      other_->addItem(words[static_cast<int>(row++)], key);
      if (key == was && !was.isEmpty()) other_->setCurrentIndex(other_->count() - 1);
    }
  }
  // The chosen one may be gone: the fields beside it follow.
  emit other_->currentIndexChanged(other_->currentIndex());
}

void StepReasons::show_step(const InstallView& view, std::size_t chosen) {
  if (chosen >= view.steps.size()) return;
  const StepRow& row = view.steps[chosen];
  const Style& style = session_.style();
  if (key_ != row.step.key) refusal_->hide();
  key_ = row.step.key;
  title_->setText(tr("Why step %1 stands here").arg(chosen + 1));
  QStringList why;
  for (const NeedRow& n : row.needs) {
    const QString reason = text_of(n.why, style);
    QString step = text_of(view.steps[n.step].step.text, style);
    if (!reason.isEmpty() && step.endsWith(QLatin1Char('.'))) step.chop(1);
    why << (n.done ? QStringLiteral("✓ ") : QStringLiteral("□ ")) +
               tr("after %1. %2").arg(n.step + 1).arg(step) +
               (reason.isEmpty() ? QString() : QStringLiteral(": ") + reason);
  }
  if (why.isEmpty()) why << tr("It waits for nothing: it stands where the way is shortest.");
  why_->setText(why.join(QLatin1Char('\n')));
  call_->setText(row.step.call ? call_words(*row.step.call, style) : QString());
  call_->setVisible(row.step.call.has_value());
  QStringList opens;
  for (const Message& m : row.opens) opens << text_of(m, style);
  opens_->setText(opens.isEmpty() ? QString()
                                  : tr("Opens again: %1").arg(opens.join(QStringLiteral("; "))));
  opens_->setVisible(!opens.isEmpty());
  QStringList facts{row.step.id == StepId::own ? text_of(key_) : QString()};
  for (const NeedRow& n : row.needs)
    if (n.of_builder)
      facts << text_of(view.steps[n.step].step.key) << text_of(n.words, style) << text_of(key_);
  fill_others(view, chosen);
  if (back_ && facts == facts_) return;
  facts_ = facts;
  delete back_;
  back_ = new QWidget(this);
  auto* list = new QVBoxLayout(back_);
  list->setContentsMargins(0, 0, 0, 0);
  const auto button = [&](const QString& words, const std::function<void()>& fn) {
    auto* b = new QPushButton(words, back_);
    b->setObjectName(QStringLiteral("small"));
    // Queued: the button goes with what it takes back.
    connect(b, &QPushButton::clicked, this, fn, Qt::QueuedConnection);
    list->addWidget(b);
  };
  if (row.step.id == StepId::own)
    button(tr("Take this step out"), [this, key = key_] { remove_own_step(session_, key); });
  for (const NeedRow& n : row.needs)
    if (n.of_builder)
      button(tr("Take back: %1").arg(text_of(n.words, style).left(40)),
             [this, first = view.steps[n.step].step.key, then = key_] {
               remove_order_fact(session_, first, then);
             });
  box_->insertWidget(4, back_);
}

InstallPage::InstallPage(Session& session, Dialogs& dialogs, QWidget* parent)
    : StagePage(session, Stage::install, QString(), parent), dialogs_(dialogs) {
  progress_ = label({}, "question", this);
  heading()->addWidget(progress_);
  only_now_ = new QPushButton(tr("Only what is ready"), this);
  only_now_->setCheckable(true);
  heading()->addWidget(only_now_);
  counted_ = new QPushButton(tr("Counted out and in"), this);
  counted_->setCheckable(true);
  heading()->addWidget(counted_);
  stands_ = new QPushButton(tr("Where it stands"), this);
  stands_->setCheckable(true);
  heading()->addWidget(stands_);
  connect(stands_, &QPushButton::toggled, this, [this] { refresh(); });
  paper_ = new QPushButton(tr("Print…"), this);
  auto* menu = new QMenu(paper_);
  const auto sheet = [&](const QString& words, const std::function<QString()>& html) {
    connect(menu->addAction(words), &QAction::triggered, this,
            [this, words, html] { preview_html(window(), words, html()); });
  };
  sheet(tr("What is still to do, with boxes to tick"),
        [this] { return work_plan_html(session_.job(), session_.style(), true); });
  sheet(tr("All steps, with boxes to tick"),
        [this] { return work_plan_html(session_.job(), session_.style(), false); });
  sheet(tr("The calls for two people, large"),
        [this] { return call_sheet_html(session_.job(), session_.style()); });
  paper_->setMenu(menu);
  heading()->addWidget(paper_);
  clear_stale_ = new QPushButton(this);
  clear_stale_->setObjectName(QStringLiteral("small"));
  heading()->addWidget(clear_stale_);
  connect(clear_stale_, &QPushButton::clicked, this, [this] {
    session_.edit(tr("as-built values of the earlier plan cleared"), clear_stale_as_built);
  });
  connect(only_now_, &QPushButton::toggled, this, [this] { refresh(); });
  track_ = new PictureView(tr("The way of the work"), this);
  track_->set_walkable();
  track_->setFixedHeight(184);
  track_->set_maker([this](QSizeF size) {
    return work_track(track_of(view_, chosen(), session_.style()), size);
  });
  connect(track_, &PictureView::spot_clicked, this,
          [this](const QString& id) { choose(id.section(QLatin1Char(':'), 1).toUInt()); });
  body()->addWidget(track_);
  // What soaks is done soaking by the clock, not by an edit.
  auto* clock = new QTimer(this);
  clock->setInterval(30000);
  connect(clock, &QTimer::timeout, this, [this] {
    if (isVisible()) refresh();
  });
  clock->start();
  auto* below = new QHBoxLayout;
  scroll_ = new QScrollArea(this);
  scroll_->setWidgetResizable(true);
  scroll_->setFocusPolicy(Qt::NoFocus);
  below->addWidget(scroll_, 1);
  reasons_ = new StepReasons(session_, this);
  auto* side = new QScrollArea(this);
  side->setWidgetResizable(true);
  side->setFocusPolicy(Qt::NoFocus);
  side->setFixedWidth(420);
  auto* both = new QWidget(side);
  auto* column = new QVBoxLayout(both);
  column->setContentsMargins(0, 0, 0, 0);
  resume_ = label({}, "plain", both);
  resume_->setAccessibleName(tr("Where the job stands"));
  resume_->hide();
  taken_ = new TakenOffBox(session_, dialogs, both);
  taken_->hide();
  column->addWidget(resume_);
  moved_ = new QPushButton(tr("Something was moved…"), both);
  moved_->hide();
  connect(moved_, &QPushButton::clicked, this,
          [this] { emit wanted(Stage::record, QStringLiteral("moved")); });
  column->addWidget(moved_);
  column->addWidget(taken_);
  column->addWidget(reasons_, 1);
  side->setWidget(both);
  connect(counted_, &QPushButton::toggled, this, [this](bool on) {
    taken_->setVisible(on);
    refresh();
  });
  below->addWidget(side);
  body()->addLayout(below, 1);
}

std::size_t InstallPage::chosen() const {
  std::size_t first = 0;
  bool found = false;
  for (std::size_t i = 0; i < view_.steps.size(); ++i) {
    if (view_.steps[i].step.key == chosen_key_) return i;
    if (found || view_.steps[i].state != StepState::ready) continue;
    first = i;
    found = true;
  }
  return first;
}

bool InstallPage::go_to_place(const QString& place) {
  if (!place.startsWith(QLatin1String("step:"))) return StagePage::go_to_place(place);
  const std::string key = place.mid(5).toStdString();
  for (std::size_t i = 0; i < view_.steps.size(); ++i)
    if (view_.steps[i].step.key == key) {
      choose(i);
      return true;
    }
  return false;
}

void InstallPage::choose(std::size_t step) {
  if (step >= view_.steps.size()) return;
  chosen_key_ = view_.steps[step].step.key;
  refresh();
  show_chosen_card();
}

void InstallPage::show_chosen_card() {
  if (view_.steps.empty()) return;
  const std::string& key = view_.steps[chosen()].step.key;
  for (StepCard* card : cards_)
    if (card->key() == key) scroll_->verticalScrollBar()->setValue(card->y() - 30);
}

void InstallPage::resizeEvent(QResizeEvent* e) {
  StagePage::resizeEvent(e);
  constexpr int kTall = 760;
  track_->setFixedHeight(height() >= kTall ? 270 : 184);
}

void InstallPage::showEvent(QShowEvent* e) {
  StagePage::showEvent(e);
  // The cards have their places once the page is laid out.
  QTimer::singleShot(0, this, [this] { show_chosen_card(); });
}

void InstallPage::build(const InstallView& view) {
  QStringList key;
  const bool now = only_now_->isChecked();
  for (const StepRow& s : view.steps)
    if (!now || s.state == StepState::ready)
      key << text_of(s.step.key) + (s.step.measure ? QStringLiteral(" m") : QString()) +
                 QString::number(static_cast<int>(s.step.place));
  if (key == built_for_) return;
  built_for_ = key;
  cards_.clear();
  auto* inner = new QWidget;
  auto* list = new QVBoxLayout(inner);
  list->setContentsMargins(0, 0, 8, 0);
  list->setSpacing(4);
  std::optional<WorkPlace> place;
  for (std::size_t i = 0; i < view.steps.size(); ++i) {
    const StepRow& s = view.steps[i];
    if (now && s.state != StepState::ready) continue;
    if (place != s.step.place)
      list->addWidget(label(words_of(words_of_value(s.step.place)), "heading", inner));
    place = s.step.place;
    cards_.push_back(new StepCard(session_, dialogs_, s.step, inner));
    connect(cards_.back(), &StepCard::touched, this, [this, k = s.step.key] {
      if (chosen_key_ == k) return;
      chosen_key_ = k;
      refresh();
    });
    list->addWidget(cards_.back());
  }
  list->addStretch(1);
  replace_inner(scroll_, inner);
}

void InstallPage::show_resume(bool on) {
  stands_->setChecked(on);
}

void InstallPage::write_resume() {
  resume_->setVisible(stands_->isChecked());
  moved_->setVisible(stands_->isChecked());
  if (!stands_->isChecked()) return;
  QStringList lines;
  for (const Message& m :
       resume_of(session_, QDate::currentDate().toString(Qt::ISODate).toStdString()).lines)
    lines << QStringLiteral("• ") + text_of(m, session_.style());
  resume_->setText(lines.join(QLatin1Char('\n')));
}

void InstallPage::refresh() {
  write_resume();
  view_ = install_view(session_.job(), wall_clock());
  build(view_);
  const std::size_t mine = chosen();
  std::size_t at = 0;  // the cards stand in the order of the steps
  for (StepCard* card : cards_) {
    while (at < view_.steps.size() && view_.steps[at].step.key != card->key()) ++at;
    if (at == view_.steps.size()) break;
    card->show(view_.steps[at]);
    card->set_chosen(at == mine);
  }
  reasons_->show_step(view_, mine);
  track_->redraw();
  if (taken_->isVisibleTo(this)) taken_->refresh();
  progress_->setText(
      tr("%3 now, %1 of %2 done").arg(view_.done).arg(view_.steps.size()).arg(view_.ready));
  clear_stale_->setText(
      tr("Clear as-built values of the earlier plan: %1").arg(view_.stale_as_built));
  clear_stale_->setVisible(view_.stale_as_built > 0);
}

}  // namespace yoke
