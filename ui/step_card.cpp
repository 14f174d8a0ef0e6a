#include "ui/step_card.hpp"

#include <QDate>
#include <QDateTime>
#include <QHBoxLayout>

#include "assembly/assemble.hpp"
#include "document/as_built.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/plain.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

StepCard::StepCard(Session& session, Dialogs& dialogs, const Step& step, QWidget* parent)
    : QFrame(parent), session_(session), step_(step), words_(text_of(step.text, session.style())) {
  setObjectName(QStringLiteral("card"));
  grid_ = new QGridLayout(this);
  grid_->setContentsMargins(10, 4, 10, 4);
  grid_->setVerticalSpacing(1);
  grid_->setColumnStretch(1, 1);
  box_ = new QCheckBox(this);
  box_->setAccessibleName(words_);
  box_->setObjectName(QStringLiteral("step:") + text_of(step_.key));
  grid_->addWidget(box_, 0, 0, Qt::AlignTop);
  text_ = label({}, "plain", this);
  text_->setTextFormat(Qt::RichText);  // of our own: the words in it are escaped
  text_->setMinimumHeight(30);
  grid_->addWidget(text_, 0, 1);
  caution_ = label({}, "caution", this);
  grid_->addWidget(caution_, 1, 1, 1, 3);
  show_words();
  build_note();
  build_photo(dialogs);
  if (step.measure) build_measure(*step.measure);
  state_ = label({}, "soft", this);
  grid_->addWidget(state_, 3, 1, 1, 3);
  too_soon_ = label({}, "caution", this);
  grid_->addWidget(too_soon_, 4, 1, 1, 3);
  for (QWidget* w : std::initializer_list<QWidget*>{box_, note_, entry_})
    if (w) w->installEventFilter(this);
  if (step.by_bleeding) box_->setEnabled(false);  // counted under Bleed
  connect(box_, &QCheckBox::clicked, this, [this, step](bool done) {
    tick_step(session_, step, done);
    emit touched();
  });
}

/// A step may say figures of the job: its words change with them.
void StepCard::show_words() {
  words_ = text_of(step_.text, session_.style());
  box_->setAccessibleName(words_);
  QString html = words_.toHtmlEscaped();
  if (!step_.because.empty())
    html += QStringLiteral("  <span style='color:#575b60'>(%1)</span>")
                .arg(text_of(step_.because, session_.style()).toHtmlEscaped());
  text_->setText(html);
  caution_->setText(QStringLiteral("▲ ") + text_of(step_.caution, session_.style()));
  caution_->setVisible(!step_.caution.empty());
}

void StepCard::build_note() {
  note_ = new QLineEdit(this);
  note_->setPlaceholderText(tr("note"));
  note_->setAccessibleName(tr("Note: %1").arg(words_));
  note_->setFixedWidth(130);
  grid_->addWidget(note_, 0, 2, Qt::AlignTop);
  connect(note_, &QLineEdit::editingFinished, this, [this] {
    if (!note_->isModified()) return;
    const auto ok = session_.edit(tr("note on “%1”").arg(words_.left(40)), [&](Job& j) {
      record_for(j, step_).note = note_->text().toStdString();
    });
    if (ok) note_->setModified(false);  // what was refused stays typed
  });
}

void StepCard::build_photo(Dialogs& dialogs) {
  photo_ = new PhotoButton(session_, dialogs, words_, this);
  grid_->addWidget(photo_, 0, 3, Qt::AlignTop);
  connect(photo_, &PhotoButton::taken, this, [this](const QString& name) {
    session_.edit(tr("photo of “%1”").arg(words_.left(40)),
                  [&](Job& j) { record_for(j, step_).photo = name.toStdString(); });
  });
  connect(photo_, &PhotoButton::refused, this, [this](const QString& why) {
    too_soon_->setText(why);
    too_soon_->show();
  });
}

void StepCard::build_measure(Param param) {
  measure_ = param;
  const QString name = tr("As built: %1").arg(words_of(info(param).words));
  auto* row = new QHBoxLayout;
  row->setSpacing(10);
  row->addWidget(plain_label(name, "question", this));
  entry_ = new QLineEdit(this);
  entry_->setObjectName(QStringLiteral("figure"));
  entry_->setFixedWidth(130);
  entry_->setAccessibleName(name);
  refusal_ = label({}, "caution", this);
  row->addWidget(entry_);
  held_ = label({}, "soft", this);
  missed_ = label({}, "caution", this);
  row->addWidget(held_, 2);
  row->addWidget(missed_, 2);
  row->addWidget(refusal_, 2);
  grid_->addLayout(row, 2, 1, 1, 3);
  connect(entry_, &QLineEdit::editingFinished, this, &StepCard::commit_measure);
  show_measure();
}

void StepCard::show_measure() {
  if (!measure_ || entry_->isModified()) return;
  const auto& m = session_.job().built.at(*measure_);
  entry_->setText(m ? shown_value(*measure_, m->si, session_.style()) : QString());
  entry_->setPlaceholderText(
      tr("plan %1").arg(value_text(session_.job(), As::plan, *measure_, session_.style())));
}

void StepCard::commit_measure() {
  if (!entry_->isModified()) return;
  entry_->setModified(false);
  const Param p = *measure_;
  const QString typed = entry_->text().trimmed();
  refusal_->clear();
  if (typed.isEmpty()) {
    session_.edit(tr("as-built %1 cleared").arg(words_of(info(p).words)),
                  [p](Job& j) { j.built.clear(p); });
  } else if (const auto v = parse_with_doubt(p, typed.toStdString(), session_.style())) {
    Measured value = measured(p, v->si, session_.tool_for(p, v->si));
    if (v->uncertainty_si) value.uncertainty_si = *v->uncertainty_si;
    const auto put = [&](Job& j) { set_as_built(j, p, value); };
    Job after = session_.job();
    put(after);
    if (const auto e = new_impossibility(session_.job(), after))
      refusal_->setText(error_text(*e, session_.style()));
    else
      session_.edit(tr("as-built %1 %2").arg(words_of(info(p).words), typed), put);
  } else {
    refusal_->setText(error_text(v.error(), session_.style()));
  }
  show_measure();
}

void StepCard::set_chosen(bool on) {
  const QString name = on ? QStringLiteral("chosenCard") : QStringLiteral("card");
  if (objectName() == name) return;
  setObjectName(name);  // the name decides the frame
  update();
}

void StepCard::mousePressEvent(QMouseEvent* e) {
  QFrame::mousePressEvent(e);
  emit touched();
}

bool StepCard::eventFilter(QObject* watched, QEvent* e) {
  if (e->type() == QEvent::FocusIn) emit touched();
  return QFrame::eventFilter(watched, e);
}

QString StepCard::state_words(const StepRow& now) const {
  QStringList words;
  if (step_.hands > 1) words << tr("two people");
  if (const auto left = wait_left(session_.job(), step_, wall_clock())) {
    words << tr("rests: %1 h %2 min more").arg(*left / 3600).arg((*left % 3600 + 59) / 60);
  } else if (step_.wait_s >= 3600)
    words << tr("then wait %1 h").arg(step_.wait_s / 3600);
  else if (step_.wait_s > 0)
    words << tr("then wait %1 min").arg(step_.wait_s / 60);
  QStringList tools;
  for (const Message& m : step_.tools) tools << text_of(m, session_.style());
  if (!tools.isEmpty() && !now.done) words << tools.join(QStringLiteral(", "));
  if (step_.by_bleeding && !now.done) words << tr("ticked by the counts under Bleed");
  QStringList waits;
  for (const NeedRow& n : now.needs) {
    if (!n.done) waits << text_of(n.words, session_.style());
    if (n.done && n.rests_s > 0)
      waits << tr("%1, %2 h %3 min more")
                   .arg(text_of(n.words, session_.style()))
                   .arg(n.rests_s / 3600)
                   .arg((n.rests_s % 3600 + 59) / 60);
  }
  if (!now.done && !waits.isEmpty())
    words << tr("waits for %1").arg(waits.first()) +
                 (waits.size() > 1 ? tr(" and %1 more").arg(waits.size() - 1) : QString());
  return words.join(QStringLiteral(" · "));
}

void StepCard::show(const StepRow& now) {
  const bool same = now.step.text == step_.text && now.step.because == step_.because &&
                    now.step.caution == step_.caution && style_ == session_.style();
  step_ = now.step;
  style_ = session_.style();
  if (!same) show_words();
  const QString state = state_words(now);
  state_->setText(state);
  state_->setVisible(!state.isEmpty());
  QStringList costs;
  for (const Message& m : now.too_soon) costs << text_of(m, session_.style());
  too_soon_->setText(costs.isEmpty() ? QString()
                                     : QStringLiteral("▲ ") + costs.join(QStringLiteral("; ")));
  too_soon_->setVisible(!costs.isEmpty());
  box_->setChecked(now.done);
  box_->setText(now.done ? text_of(now.date) : QString());
  const QString note = text_of(now.note);
  if (!note_->isModified() && note_->text() != note) {
    note_->setText(note);
    note_->setToolTip(plain_tip(note));
    note_->setCursorPosition(0);
  }
  const StepRecord* kept = record_of(session_.job(), step_);
  photo_->show_photo(kept ? kept->photo : std::string());
  show_measure();
  if (!measure_) return;
  const bool missed = now.as_built && now.as_built->missed;
  const QString held = now.as_built ? text_of(now.as_built->words, style_) : QString();
  held_->setText(missed ? QString() : held);
  missed_->setText(missed ? QStringLiteral("▲ ") + held : QString());
}

}  // namespace yoke
