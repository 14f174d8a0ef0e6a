#include "ui/gates_box.hpp"

#include <QDateTime>
#include <QFrame>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QScrollBar>
#include <QTimer>

#include "session/entries.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/fields.hpp"
#include "ui/plain.hpp"
#include "ui/readings_box.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

namespace {

QString state_mark(const GateRow& g) {
  if (g.held) return GatesBox::tr("■ held shut");
  if (g.state == GateState::passed) return GatesBox::tr("✓ passed");
  if (g.state == GateState::failed) return GatesBox::tr("■ failed");
  return GatesBox::tr("□ open");
}

}  // namespace

GatesBox::GatesBox(Session& session, Dialogs& dialogs, QWidget* parent)
    : QScrollArea(parent), session_(session), dialogs_(dialogs) {
  setWidgetResizable(true);
  setFocusPolicy(Qt::NoFocus);
  setAccessibleName(tr("Gates"));
}

void GatesBox::work_on(GateId id) {
  open_ = open_ == id ? std::nullopt : std::optional(id);
  shown_.clear();
  refresh();
  if (read_) read_->setFocus();
  if (!card_) return;
  // Once it has its place the whole of it is brought into view, its head at the top.
  QTimer::singleShot(0, this, [this, card = card_] {
    if (card != card_ || !card) return;
    ensureWidgetVisible(card, 0, card->height());
    verticalScrollBar()->setValue(card->y() - 60);
  });
}

void GatesBox::refresh() {
  const auto gates = gate_rows(session_.job(), session_.strip(), session_.findings());
  const Style& style = session_.style();
  QStringList key;
  for (const GateRow& g : gates) {
    const bool opened = open_ == g.id;
    key << text_of(yoke::key(g.id)) + text_of(g.words, style) + text_of(g.how, style) +
               QString::number(static_cast<int>(g.state)) + (g.held ? "h" : "") +
               (opened ? "o" + text_of(g.expected, style) : QString());
  }
  if (key == shown_) {
    // The same rows: only their words are new.
    for (std::size_t i = 0; i < gates.size(); ++i)
      remarks_[i]->setText(text_of(gates[i].remark, style));
    return;
  }
  // What is being typed is not thrown away because a number elsewhere changed.
  const QString typed = read_ && read_->isModified() ? read_->text() : QString();
  shown_ = key;
  remarks_.clear();
  read_ = who_ = nullptr;
  card_ = nullptr;
  seen_ = instrument_ = nullptr;
  opened_ = nullptr;
  photo_ = nullptr;
  refusal_ = nullptr;
  auto* inner = new QWidget;
  auto* list = new QGridLayout(inner);
  list->setContentsMargins(0, 0, 6, 0);
  list->setVerticalSpacing(4);
  int row = 0;
  for (const GateRow& g : gates) {
    add_row(list, row, g);
    row += 3;
  }
  list->setColumnStretch(0, 1);
  list->setRowStretch(row, 1);
  replace_inner(this, inner);
  if (read_ && !typed.isEmpty()) {
    read_->setText(typed);
    read_->setModified(true);
  }
}

void GatesBox::add_row(QGridLayout* list, int row, const GateRow& g) {
  QWidget* inner = list->parentWidget();
  const Style& style = session_.style();
  auto* words = label(text_of(g.words, style), "plain", inner);
  words->setToolTip(plain_tip(text_of(g.how, style)));
  list->addWidget(words, row, 0);
  const bool bad = g.held || g.state == GateState::failed;
  auto* state = label(state_mark(g), bad ? "mark" : "plain", inner);
  state->setWordWrap(false);
  list->addWidget(state, row, 1);
  if (!g.held && !g.by_facts) {
    const bool opened = open_ == g.id;
    auto* b = new QPushButton(opened ? tr("Close") : tr("Prove"), inner);
    b->setObjectName(QStringLiteral("small"));
    b->setAccessibleName(tr("Prove: %1").arg(words->text()));
    // The button goes with the list it stands in: not while it is being clicked.
    connect(b, &QPushButton::clicked, this,
            [this, id = g.id] { QTimer::singleShot(0, this, [this, id] { work_on(id); }); });
    list->addWidget(b, row, 2);
  }
  remarks_.push_back(label(text_of(g.remark, style), bad ? "caution" : "soft", inner));
  list->addWidget(remarks_.back(), row + 1, 0, 1, 3);
  if (open_ == g.id && !g.held && !g.by_facts)
    list->addWidget(evidence_card(g, inner), row + 2, 0, 1, 3);
}

QStringList instruments(Kind kind) {
  return kind == Kind::force
             ? QStringList{GatesBox::tr("bathroom scale"), GatesBox::tr("luggage scale")}
             : QStringList{GatesBox::tr("tape"), GatesBox::tr("rule"), GatesBox::tr("caliper")};
}

QWidget* GatesBox::evidence_card(const GateRow& g, QWidget* parent) {
  const Style& style = session_.style();
  auto* card = new QFrame(parent);
  card->setObjectName(QStringLiteral("card"));
  card_ = card;
  auto* box = new QGridLayout(card);
  box->setContentsMargins(8, 6, 8, 6);
  box->setVerticalSpacing(4);
  box->addWidget(label(text_of(g.how, style), "soft", card), 0, 0, 1, 3);
  const QString asked = text_of(g.ask.words, style);
  if (g.ask.number) {
    box->addWidget(label(asked, "question", card), 1, 0, 1, 3);
    read_ = figure_entry(asked, g.ask.kind == Kind::force ? tr("320 N ± 10 N") : tr("62 mm ± 2 mm"),
                         card);
    box->addWidget(read_, 2, 0, 1, 2);
    instrument_ = new Combo(card);
    instrument_->setAccessibleName(tr("Read with"));
    instrument_->addItems(instruments(g.ask.kind));
    box->addWidget(instrument_, 2, 2);
    box->addWidget(label(text_of(g.expected, style), "soft", card), 3, 0, 1, 3);
  } else {
    box->addWidget(label(tr("Seen: %1").arg(asked), "question", card), 1, 0, 1, 3);
    seen_ = new Combo(card);
    seen_->setEditable(true);
    seen_->setInsertPolicy(QComboBox::NoInsert);
    seen_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    seen_->setAccessibleName(asked);
    seen_->addItem(QString());
    for (const Message& m : g.ask.usual) seen_->addItem(text_of(m, style));
    box->addWidget(seen_, 2, 0, 1, 3);
  }
  box->addWidget(label(tr("Proved by"), "question", card), 4, 0);
  who_ = new QLineEdit(text_of(last_prover(session_.job())), card);
  who_->setPlaceholderText(tr("your name"));
  who_->setAccessibleName(tr("Proved by"));
  who_->setMaxLength(80);
  box->addWidget(who_, 4, 1);
  photo_ = new PhotoButton(session_, dialogs_, text_of(g.words, style), card);
  if (const GateRecord* r = record_of(session_.job(), g.id)) photo_->show_photo(r->photo);
  connect(photo_, &PhotoButton::refused, this, &GatesBox::tell);
  box->addWidget(photo_, 4, 2);
  if (g.ask.opens) {
    opened_ = new NippleRow(card);
    opened_->show_job(session_.job());
    box->addWidget(opened_, 5, 0, 1, 3);
  }
  auto* row = new QHBoxLayout;
  for (const GateState s : {GateState::passed, GateState::failed, GateState::open}) {
    auto* b = new QPushButton(s == GateState::passed   ? tr("It passes")
                              : s == GateState::failed ? tr("It fails")
                                                       : tr("Open again"),
                              card);
    b->setObjectName(s == GateState::passed ? QStringLiteral("main") : QStringLiteral("small"));
    b->setAccessibleName(text_of(g.words, style) + QStringLiteral(": ") + b->text());
    connect(b, &QPushButton::clicked, this,
            [this, g, s] { QTimer::singleShot(0, this, [this, g, s] { answer(g, s); }); });
    row->addWidget(b);
  }
  row->addStretch(1);
  box->addLayout(row, 6, 0, 1, 3);
  refusal_ = label({}, "caution", card);
  refusal_->hide();
  box->addWidget(refusal_, 7, 0, 1, 3);
  box->setColumnStretch(0, 1);
  return card;
}

void GatesBox::tell(const QString& why) {
  if (!refusal_) return;
  refusal_->setText(why);
  refusal_->show();
  ensureWidgetVisible(refusal_);
}

void GatesBox::answer(const GateRow& g, GateState state) {
  if (open_ != g.id || !who_) return;
  GateEntry typed;
  if (read_) typed.read = read_->text().trimmed().toStdString();
  if (instrument_) typed.instrument = instrument_->currentText().toStdString();
  if (seen_) typed.seen = seen_->currentText().trimmed().toStdString();
  typed.who = who_->text().trimmed().toStdString();
  if (opened_) typed.opened = opened_->keys();
  if (photo_) typed.photo = photo_->photo();
  if (const auto ok = answer_now(session_, g, typed, state); !ok)
    return tell(error_text(ok.error(), session_.style()));
  open_.reset();
  shown_.clear();
  refresh();
}

}  // namespace yoke
