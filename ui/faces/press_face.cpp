#include "ui/faces/press_face.hpp"

#include <QHBoxLayout>
#include <QShortcut>
#include <QVBoxLayout>

#include "document/param/pedal_rest.hpp"
#include "paint/proof_pictures.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "ui/gates_box.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

QLineEdit* entry(const QString& name, int most, QWidget* parent) {
  auto* e = new QLineEdit(parent);
  e->setObjectName(QStringLiteral("pressEntry"));
  e->setAccessibleName(name);
  e->setMaxLength(most);
  e->setMinimumHeight(52);
  return e;
}

/// Pad travel at its stop, where the plan's press is known.
double floor_of(const Session& session) {
  const ConditionReport* r = report_of(session.strip(), ConditionId::plan);
  return r && r->target ? r->target->available_m : 0;
}

}  // namespace

PressFace::PressFace(Session& session, QWidget* parent) : Face(parent), session_(session) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(14);
  path_ = new TallPicture(tr("The presses in their order"), this);
  path_->set_maker(
      [this](QSizeF size) { return proof_path_picture(presses_, at_, session_.style(), size); });
  path_->set_walkable();
  connect(path_, &PictureView::spot_clicked, this, [this](const QString& id) {
    for (const ProofPress& p : presses_)
      if (id == QStringLiteral("press:") + q(proof_key(p.id))) return go_to(p.id);
  });
  auto* area = moved_area(path_, this);
  area->setMinimumWidth(330);
  row->addWidget(area, 4);
  row->addWidget(build_side(), 7);
  connect(&session_, &Session::judged, this, &PressFace::press_bands);
}

QWidget* PressFace::build_side() {
  auto* side = new QWidget(this);
  auto* box = new QVBoxLayout(side);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(6);
  how_ = label({}, "answer", side);
  box->addWidget(how_);
  tells_ = label({}, "soft", side);
  box->addWidget(tells_);
  care_ = label({}, "caution", side);
  box->addWidget(care_);
  picture_ = new PictureView(tr("The press at hand"), side);
  picture_->set_maker([this](QSizeF size) {
    const ProofPress* p = now();
    return p ? press_picture(*p, pulled_by_hand(resolve(session_.job(), As::plan)),
                             floor_of(session_), session_.style(), size)
             : Picture{};
  });
  picture_->setMinimumSize(380, 180);
  box->addWidget(picture_, 1);
  says_ = label({}, "answer", side);
  box->addWidget(says_);
  refusal_ = label({}, "alarm", side);
  refusal_->hide();
  box->addWidget(refusal_);
  box->addWidget(build_entry());
  return side;
}

QWidget* PressFace::build_entry() {
  auto* all = new QWidget(this);
  auto* box = new QVBoxLayout(all);
  box->setContentsMargins(0, 0, 0, 0);
  box->setSpacing(6);
  auto* row = new QHBoxLayout;
  row->setSpacing(8);
  force_head_ = label(tr("Scale"), "question", all);
  row->addWidget(force_head_);
  force_ = entry(tr("What the scale read"), 24, all);
  row->addWidget(force_, 2);
  got_ = entry(tr("Got"), 200, all);
  row->addWidget(got_, 4);
  with_ = new Combo(all);
  with_->setAccessibleName(tr("Read with"));
  with_->setMinimumHeight(52);
  row->addWidget(with_, 2);
  who_head_ = label(tr("Who"), "question", all);
  row->addWidget(who_head_);
  who_ = entry(tr("Who"), 80, all);
  row->addWidget(who_, 3);
  for (int i = 0; i < 2; ++i) {
    options_[i] = new QPushButton(all);
    options_[i]->setMinimumHeight(52);
    connect(options_[i], &QPushButton::clicked, this, [this, i] { chosen(i); });
    row->addWidget(options_[i], 4);
  }
  box->addLayout(row);
  opened_ = new NippleRow(all);
  box->addWidget(opened_);
  auto* keys = new QHBoxLayout;
  take_ = new QPushButton(tr("Take it  Enter"), all);
  take_->setObjectName(QStringLiteral("main"));
  take_->setMinimumHeight(48);
  connect(take_, &QPushButton::clicked, this, [this] { entered(true); });
  keys->addWidget(take_, 3);
  fails_ = new QPushButton(tr("It fails"), all);
  fails_->setMinimumHeight(48);
  connect(fails_, &QPushButton::clicked, this, [this] { entered(false); });
  keys->addWidget(fails_, 2);
  reject_ = new QPushButton(tr("Does not count"), all);
  reject_->setMinimumHeight(48);
  reject_->setToolTip(
      plain_tip(tr("The scale slipped, the foot moved: what was got stays in the job, and counts "
                   "in nothing. A note beside says why.")));
  connect(reject_, &QPushButton::clicked, this, &PressFace::rejected);
  keys->addWidget(reject_, 2);
  note_ = entry(tr("Note"), 120, all);
  note_->setPlaceholderText(tr("a note"));
  keys->addWidget(note_, 3);
  auto* next = new QPushButton(tr("Next"), all);
  next->setMinimumHeight(48);
  connect(next, &QPushButton::clicked, this, [this] { step(1); });
  keys->addWidget(next, 2);
  box->addLayout(keys);
  for (QLineEdit* e : {force_, got_, who_, note_})
    connect(e, &QLineEdit::returnPressed, this, [this] { entered(true); });
  return all;
}

const ProofPress* PressFace::now() const {
  return at_ < presses_.size() ? &presses_[at_] : nullptr;
}

void PressFace::go_to(ProofId id) {
  for (std::size_t i = 0; i < presses_.size(); ++i)
    if (presses_[i].id == id) at_ = i;
  chosen_ = true;
  show_press();
  if (got_->isVisible()) got_->setFocus();
}

void PressFace::step(int by) {
  const auto n = static_cast<int>(presses_.size());
  if (n == 0) return;
  at_ = static_cast<std::size_t>((static_cast<int>(at_) + by + n) % n);
  chosen_ = true;
  show_press();
}

void PressFace::told(const Expected<bool>& done) {
  refusal_->setVisible(!done);
  if (!done) {
    refusal_->setText(error_text(done.error(), session_.style()));
    got_->selectAll();
    return;
  }
  got_->clear();
  opened_->clear();
  note_->clear();
  force_->clear();
}

/// What was got is shown beside what was expected before the next one is asked for.
void PressFace::entered(bool holds) {
  const ProofPress* p = now();
  if (!p || (!p->number && p->where == ProofWhere::value)) return;
  PressEntry e;
  e.force = force_->text().toStdString();
  e.got = got_->text().trimmed().toStdString();
  e.who = who_->text().trimmed().toStdString();
  e.note = note_->text().trimmed().toStdString();
  if (p->opens) e.opened = opened_->keys();
  if (p->number && p->where == ProofWhere::gate) e.instrument = with_->currentText().toStdString();
  chosen_ = true;
  const ProofPress press = *p;
  told(take_press(session_, press, e, holds));
}

void PressFace::chosen(int option) {
  const ProofPress* p = now();
  if (!p) return;
  chosen_ = true;
  const ProofPress press = *p;
  told(choose_press(session_, press, option));
}

void PressFace::rejected() {
  const ProofPress* p = now();
  if (!p) return;
  chosen_ = true;
  const ProofPress press = *p;
  told(reject_press(session_, press, note_->text().trimmed().toStdString()));
}

/// What the bands rest on is pressed again when a value was changed, behind the painting.
void PressFace::press_bands() {
  if (share_ && !isVisible()) return;
  const Job& job = session_.job();
  if (share_ && job.found == values_.found && job.plan == values_.plan &&
      job.built == values_.built)
    return;
  const double share = proof_share(job, session_.strip());
  values_.found = job.found;
  values_.plan = job.plan;
  values_.built = job.built;
  if (share_ == share) return;
  share_ = share;
  refresh();
}

void PressFace::refresh() {
  const Job& job = session_.job();
  if (!share_) return press_bands();
  presses_ = proof_protocol(job, session_.strip(), session_.findings(), ProofBands::all, share_);
  if (!chosen_ || at_ >= presses_.size()) at_ = next_press(presses_);
  if (at_ >= presses_.size()) at_ = 0;
  if (who_->text().isEmpty()) who_->setText(q(last_prover(session_.job())));
  show_press();
}

void PressFace::show_press() {
  path_->renew();
  picture_->redraw();
  const ProofPress* p = now();
  if (!p) return;
  const Style& style = session_.style();
  const bool gate = p->where == ProofWhere::gate;
  const bool choice = p->where == ProofWhere::value && !p->number;
  how_->setText(text_of(p->how, style));
  tells_->setText(tr("It tells: %1").arg(text_of(p->tells, style)));
  care_->setText(QStringLiteral("▲ ") + text_of(p->care, style));
  care_->setVisible(!p->care.empty());
  says_->setText(text_of(p->says, style));
  says_->setVisible(!p->says.empty());
  force_head_->setVisible(p->push_n.has_value());
  force_->setVisible(p->push_n.has_value());
  force_->setPlaceholderText(p->push_n ? quantity_text(*p->push_n, Kind::force, 0, style)
                                       : QString());
  got_->setVisible(!choice);
  got_->setPlaceholderText(p->number ? tr("got") : tr("what was seen"));
  who_head_->setVisible(gate);
  who_->setVisible(gate);
  opened_->setVisible(p->opens && !p->held);
  // The row of nipples takes its room from the picture, not from what is typed.
  picture_->setMinimumHeight(opened_->isHidden() ? 180 : 110);
  if (p->opens) opened_->show_job(session_.job());
  with_->setVisible(gate && p->number);
  if (gate && p->number) {
    const QStringList tools = instruments(p->kind);
    if (with_->count() == 0 || with_->itemText(0) != tools.front()) {
      with_->clear();
      with_->addItems(tools);
    }
  }
  for (int i = 0; i < 2; ++i) {
    options_[i]->setVisible(choice);
    if (choice) options_[i]->setText(words_of(option_words(*p->param, i)));
  }
  take_->setVisible(!choice && !p->held);
  fails_->setVisible(gate && !p->held);
  got_->setEnabled(!p->held);
  reject_->setEnabled(p->got.has_value() || !p->seen.empty());
}

}  // namespace yoke
