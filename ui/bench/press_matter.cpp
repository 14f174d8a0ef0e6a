#include "ui/bench/press_matter.hpp"

#include <QGridLayout>
#include <QVBoxLayout>
#include <algorithm>

#include "session/texts.hpp"
#include "session/work_edits.hpp"
#include "ui/fields.hpp"
#include "ui/gates_box.hpp"

namespace yoke {

PressMatter::PressMatter(Session& session, QWidget* parent) : BenchMatter(session, parent) {
  auto* box = new QVBoxLayout(this);
  box->setSpacing(10);
  words_ = bench_label("benchBig", this);
  how_ = bench_label("bench", this);
  state_ = bench_label("benchSoft", this);
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(24);
  auto* expect_head = bench_label("benchSoft", this);
  expect_head->setText(tr("Expect"));
  asked_ = bench_label("benchSoft", this);
  expect_ = bench_label("benchFigure", this);
  got_ = new QLineEdit(this);
  got_->setObjectName(QStringLiteral("benchEntry"));
  got_->setMaxLength(200);
  got_->setMinimumHeight(76);
  got_->setAccessibleName(tr("Got"));
  auto* who_head = bench_label("benchSoft", this);
  who_head->setText(tr("Who"));
  who_ = new QLineEdit(this);
  who_->setObjectName(QStringLiteral("benchName"));
  who_->setMaxLength(80);
  who_->setMinimumHeight(64);
  who_->setAccessibleName(tr("Who"));
  with_ = new Combo(this);
  with_->setObjectName(QStringLiteral("benchWith"));
  with_->setMinimumHeight(64);
  with_->setAccessibleName(tr("Read with"));
  grid->addWidget(with_, 2, 1);
  grid->addWidget(expect_head, 0, 0);
  grid->addWidget(asked_, 0, 1);
  grid->addWidget(who_head, 0, 2);
  grid->addWidget(expect_, 1, 0);
  grid->addWidget(got_, 1, 1);
  grid->addWidget(who_, 1, 2);
  for (int i = 0; i < 3; ++i) grid->setColumnStretch(i, i == 1 ? 4 : 3);
  refusal_ = bench_label("benchCaution", this);
  opened_ = new NippleRow(this);
  box->addWidget(words_);
  box->addWidget(how_);
  box->addLayout(grid);
  box->addWidget(opened_);
  box->addWidget(refusal_);
  box->addWidget(state_);
  box->addStretch(1);
  gates_ = gate_rows(session_.job(), session_.strip(), session_.findings());
  const auto open = std::find_if(gates_.begin(), gates_.end(), [](const GateRow& g) {
    return g.state == GateState::open && !g.by_facts;
  });
  if (open != gates_.end()) at_ = static_cast<std::size_t>(open - gates_.begin());
  who_->setText(text_of(last_prover(session_.job())));
  show_gate();
}

std::vector<BenchKey> PressMatter::keys() {
  return {{Qt::Key_Return, tr("Holds, next"), [this] { answer(GateState::passed); }, true},
          {Qt::Key_F4, tr("Fails"), [this] { answer(GateState::failed); }},
          {Qt::Key_PageDown, tr("Next"), [this] { step(1); }},
          {Qt::Key_PageUp, tr("Back"), [this] { step(-1); }},
          {Qt::Key_F12, tr("At the instrument"), [this] { emit other_asked(); }}};
}

const GateRow* PressMatter::now() const {
  return at_ < gates_.size() ? &gates_[at_] : nullptr;
}

void PressMatter::answer(GateState state) {
  const GateRow* g = now();
  if (!g || g->held || g->by_facts) return step(1);
  GateEntry typed;
  const std::string text = got_->text().trimmed().toStdString();
  (g->ask.number ? typed.read : typed.seen) = text;
  if (g->ask.number) typed.instrument = with_->currentText().toStdString();
  typed.who = who_->text().trimmed().toStdString();
  if (g->ask.opens) typed.opened = opened_->keys();
  const GateRow row = *g;
  if (const auto ok = answer_now(session_, row, typed, state); !ok) {
    refusal_->setText(error_text(ok.error(), session_.style()));
    refusal_->show();
    return;
  }
  step(1);
}

void PressMatter::step(int by) {
  const auto n = static_cast<int>(gates_.size());
  if (n == 0) return;
  at_ = static_cast<std::size_t>((static_cast<int>(at_) + by + n) % n);
  show_gate();
}

void PressMatter::refresh() {
  gates_ = gate_rows(session_.job(), session_.strip(), session_.findings());
  if (at_ >= gates_.size()) at_ = 0;
  if (!got_->isModified()) show_gate();
}

void PressMatter::show_gate() {
  const GateRow* g = now();
  refusal_->hide();
  got_->clear();
  got_->setModified(false);
  if (!g) return;
  const Style& style = session_.style();
  words_->setText(text_of(g->words, style));
  how_->setText(text_of(g->how, style));
  const bool asks = !g->held && !g->by_facts;
  got_->setEnabled(asks);
  who_->setEnabled(asks);
  asked_->setText(g->ask.number ? tr("Got: %1").arg(text_of(g->ask.words, style))
                                : tr("Seen: %1").arg(text_of(g->ask.words, style)));
  expect_->setText(g->ask.number && g->ask.predicted
                       ? quantity_text(*g->ask.predicted, g->ask.kind, g->ask.digits, style)
                       : QStringLiteral("–"));
  // The usual sentence is offered, never taken unasked.
  got_->setPlaceholderText(g->ask.usual.empty() ? QString() : text_of(g->ask.usual.front(), style));
  with_->setVisible(g->ask.number && asks);
  opened_->setVisible(g->ask.opens && asks);
  opened_->clear();
  if (g->ask.opens) opened_->show_job(session_.job());
  if (g->ask.number) {
    const QStringList tools = instruments(g->ask.kind);
    if (with_->count() == 0 || with_->itemText(0) != tools.front()) {
      with_->clear();
      with_->addItems(tools);
    }
  }
  const QString limit = text_of(g->expected, style);
  const QString remark = text_of(g->remark, style);
  state_->setText(tr("%1 of %2 · %3%4%5")
                      .arg(at_ + 1)
                      .arg(gates_.size())
                      .arg(words_of(words_of_value(g->state)),
                           limit.isEmpty() ? QString() : QStringLiteral(" · ") + limit,
                           g->state == GateState::open && !g->held && !g->by_facts
                               ? QString()
                               : QStringLiteral(" · ") + remark));
  if (asks) got_->setFocus();
}

}  // namespace yoke
