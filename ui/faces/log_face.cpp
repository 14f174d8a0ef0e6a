#include "ui/faces/log_face.hpp"

#include <QHBoxLayout>
#include <QHeaderView>
#include <QScrollArea>
#include <QVBoxLayout>

#include "paint/time_line.hpp"
#include "session/log_edits.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/table_fill.hpp"

namespace yoke {

namespace {

constexpr EventKind kByHand[] = {EventKind::note,   EventKind::worked, EventKind::waited,
                                 EventKind::wasted, EventKind::cost,   EventKind::moved};
constexpr int kMostShown = 400;

Combo* combo(const QString& name, QWidget* parent) {
  auto* c = new Combo(parent);
  c->setAccessibleName(name);
  c->setMinimumHeight(38);
  return c;
}

}  // namespace

LogFace::LogFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->setSpacing(6);
  line_ = new PictureView(tr("The job's time by stage"), this);
  line_->set_maker([this](QSizeF size) {
    const Job& job = session_.job();
    return time_line_picture(job.events, time_by_stage(job), shown_, session_.style(), size);
  });
  line_->set_walkable();
  line_->setMinimumHeight(206);
  connect(line_, &PictureView::spot_clicked, this, [this](const QString& id) {
    const auto stage = static_cast<Stage>(id.mid(6).toInt());
    shown_ = shown_ == stage ? std::nullopt : std::optional(stage);
    refresh();
  });
  all->addWidget(line_, 5);
  all->addWidget(build_entry());
  refusal_ = label({}, "alarm", this);
  refusal_->hide();
  all->addWidget(refusal_);
  auto* row = new QHBoxLayout;
  lines_ = new QTableWidget(0, 3, this);
  lines_->setTabKeyNavigation(false);  // Tab goes on, the arrows walk the rows
  lines_->setHorizontalHeaderLabels({tr("when"), tr("stage"), tr("what")});
  lines_->horizontalHeader()->setSectionResizeMode(0, QHeaderView::ResizeToContents);
  lines_->horizontalHeader()->setSectionResizeMode(1, QHeaderView::ResizeToContents);
  lines_->horizontalHeader()->setSectionResizeMode(2, QHeaderView::Stretch);
  lines_->verticalHeader()->hide();
  lines_->setMinimumHeight(90);
  lines_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  lines_->setAccessibleName(tr("The logbook, the latest first"));
  row->addWidget(lines_, 7);
  auto* side = new QVBoxLayout;
  side->addWidget(plain_label(tr("What would have saved time"), "heading", this));
  savings_ = label({}, "plain", this);
  savings_->setAccessibleName(tr("What would have saved time"));
  auto* area = new QScrollArea(this);
  area->setWidgetResizable(true);
  area->setFrameShape(QFrame::NoFrame);
  savings_->setAlignment(Qt::AlignTop);
  area->setWidget(savings_);
  side->addWidget(area, 1);
  row->addLayout(side, 4);
  all->addLayout(row, 4);
}

QWidget* LogFace::build_entry() {
  auto* all = new QWidget(this);
  auto* row = new QHBoxLayout(all);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(6);
  kind_ = combo(tr("What to write down"), all);
  for (const EventKind k : kByHand) kind_->addItem(words_of(words_of_value(k)));
  row->addWidget(kind_);
  stage_ = combo(tr("Of which stage"), all);
  for (const Stage s : kStages) stage_->addItem(words_of(stage_words(s)));
  stage_->setCurrentIndex(static_cast<int>(Stage::install));
  row->addWidget(stage_);
  step_ = combo(tr("What was moved: the step that it undoes"), all);
  step_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  step_->setMinimumContentsLength(16);
  row->addWidget(step_, 2);
  amount_ = new QLineEdit(all);
  amount_->setAccessibleName(tr("Time or money"));
  amount_->setMaxLength(40);
  amount_->setMinimumHeight(38);
  row->addWidget(amount_, 1);
  note_ = new QLineEdit(all);
  note_->setAccessibleName(tr("What happened"));
  note_->setPlaceholderText(tr("what happened, and why"));
  note_->setMaxLength(300);
  note_->setMinimumHeight(38);
  row->addWidget(note_, 4);
  who_ = new QLineEdit(all);
  who_->setAccessibleName(tr("Who did it"));
  who_->setPlaceholderText(tr("who"));
  who_->setMaxLength(80);
  who_->setMinimumHeight(38);
  row->addWidget(who_, 1);
  write_ = new QPushButton(tr("Write it down"), all);
  write_->setObjectName(QStringLiteral("main"));
  write_->setMinimumHeight(38);
  row->addWidget(write_);
  connect(write_, &QPushButton::clicked, this, &LogFace::write_line);
  for (QLineEdit* e : {amount_, note_, who_})
    connect(e, &QLineEdit::returnPressed, this, &LogFace::write_line);
  connect(kind_, &QComboBox::currentIndexChanged, this, &LogFace::ask_amount);
  ask_amount();
  return all;
}

void LogFace::ask_amount() {
  const EventKind kind = kByHand[std::max(0, kind_->currentIndex())];
  const bool time =
      kind == EventKind::worked || kind == EventKind::waited || kind == EventKind::wasted;
  amount_->setVisible(time || kind == EventKind::cost);
  amount_->setPlaceholderText(time ? tr("2 h 30") : tr("48.50"));
  step_->setVisible(kind == EventKind::moved);
}

void LogFace::ask_moved() {
  kind_->setCurrentIndex(kind_->findText(words_of(words_of_value(EventKind::moved))));
  step_->setFocus();
}

void LogFace::write_line() {
  LogEntry e;
  e.kind = kByHand[std::max(0, kind_->currentIndex())];
  e.stage = static_cast<Stage>(std::max(0, stage_->currentIndex()));
  e.amount = amount_->text().trimmed().toStdString();
  e.note = note_->text().trimmed().toStdString();
  e.who = who_->text().trimmed().toStdString();
  if (e.kind == EventKind::moved) e.step = step_->currentData().toString().toStdString();
  const auto ok = add_line(session_, e, wall_clock());
  refusal_->setVisible(!ok);
  if (!ok) return refusal_->setText(error_text(ok.error(), session_.style()));
  amount_->clear();
  note_->clear();
  refresh();
}

/// Steps that are done: what was moved undoes one of them, or none.
void LogFace::fill_steps() {
  const QString kept = step_->currentData().toString();
  step_->clear();
  step_->addItem(tr("undoes no step"), QString());
  for (const StepRow& s : install_view(session_.job()).steps)
    if (s.done && !s.step.by_bleeding)
      step_->addItem(one_line(text_of(s.step.text, session_.style()), 60), q(s.step.key));
  step_->setCurrentIndex(std::max(0, step_->findData(kept)));
}

void LogFace::fill_lines() {
  const Job& job = session_.job();
  std::vector<const Event*> shown;
  for (auto it = job.events.rbegin(); it != job.events.rend(); ++it)
    if ((!shown_ || it->stage == *shown_) && shown.size() < kMostShown) shown.push_back(&*it);
  TableFill fill(lines_, static_cast<int>(shown.size()));
  for (std::size_t i = 0; i < shown.size(); ++i) {
    const int row = static_cast<int>(i);
    fill.text(row, 0,
              QString::fromStdString(shown[i]->when)
                  .left(16)
                  .replace(QLatin1Char('T'), QLatin1Char(' ')));
    fill.text(row, 1, words_of(stage_words(shown[i]->stage)));
    fill.text(row, 2, text_of(event_words(job, *shown[i]), session_.style()));
  }
}

void LogFace::refresh() {
  if (who_->text().isEmpty()) who_->setText(q(last_writer(session_.job())));
  line_->redraw();
  fill_lines();
  fill_steps();
  QStringList said;
  for (const Saving& s : would_have_saved(session_.job())) {
    if (said.size() >= 6) break;
    said << QStringLiteral("▲ %1. %2.")
                .arg(text_of(s.what, session_.style()), text_of(s.instead, session_.style()));
  }
  savings_->setText(said.isEmpty() ? tr("Nothing in the book so far.")
                                   : said.join(QStringLiteral("\n\n")));
}

}  // namespace yoke
