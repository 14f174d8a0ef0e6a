#include <QDate>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>

#include "proving/gates.hpp"
#include "session/curves.hpp"
#include "session/entries.hpp"
#include "session/texts.hpp"
#include "ui/plain.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

ProvePage::ProvePage(Session& session, QWidget* parent)
    : StagePage(session, Stage::prove, tr("Press it: is it air, clearance, or the wrong part?"),
                parent) {
  auto* line = new LineView(session, false, this);
  line->setMinimumHeight(228);
  body()->addWidget(line, 4);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  auto* left = new QVBoxLayout;
  left->setSpacing(4);
  readings_ = new ReadingsBox(session, &Job::readings,
                              tr("Readings: scale on the pad, tape to the seat"), this);
  left->addWidget(readings_, 1);
  build_pump(left);
  auto* left_box = new QWidget(this);
  left_box->setFixedWidth(352);
  left->setContentsMargins(0, 0, 0, 0);
  left_box->setLayout(left);
  row->addWidget(left_box);
  auto* middle = new QVBoxLayout;
  plot_ = new PictureView(tr("Measured against predicted"), this);
  plot_->set_maker([this](QSizeF size) { return plot(prove_plot(session_), size); });
  middle->addWidget(plot_, 1);
  verdict_ = label({}, "question", this);
  verdict_->setAccessibleName(tr("What the readings say"));
  middle->addWidget(verdict_);
  row->addLayout(middle, 5);
  auto* right = new QVBoxLayout;
  right->addWidget(label(tr("Gates: all must pass before a drive"), "heading", this));
  gates_ = new QScrollArea(this);
  gates_->setWidgetResizable(true);
  gates_->setFocusPolicy(Qt::NoFocus);
  right->addWidget(gates_, 1);
  row->addLayout(right, 5);
  body()->addLayout(row, 6);
}

void ProvePage::build_pump(QVBoxLayout* box) {
  auto* grid = new QGridLayout;
  grid->setVerticalSpacing(3);
  struct Line {
    QString words, hint;
    std::optional<double> PumpTest::*member;
    Kind kind;
    Range range;
  };
  const Line lines[] = {
      {tr("Travel, 1st press"), tr("62 mm"), &PumpTest::first_m, Kind::length, kPumpTravel},
      {tr("3rd press in a row"), tr("55 mm"), &PumpTest::third_m, Kind::length, kPumpTravel},
      {tr("Sink, steady foot"), tr("0 mm"), &PumpTest::sink_m, Kind::length, kPumpTravel},
      {tr("held for"), tr("60 s"), &PumpTest::hold_s, Kind::time, kPumpHold}};
  int i = 0;
  for (const Line& l : lines) {
    grid->addWidget(label(l.words, "question", this), i / 2, (i % 2) * 2);
    auto* e = figure_entry(l.words, l.hint, this);
    e->setMaximumWidth(84);
    grid->addWidget(e, i / 2, (i % 2) * 2 + 1);
    pump_.emplace_back(e, l.member);
    connect(e, &QLineEdit::editingFinished, this, [this, e, l] {
      if (!e->isModified()) return;
      e->setModified(false);
      const QString typed = e->text().trimmed();
      std::optional<double> v;
      if (!typed.isEmpty()) {
        const auto parsed =
            typed_quantity(typed.toStdString(), Message::data(l.words.toStdString()), l.kind,
                           l.range, session_.style());
        readings_->refuse(parsed ? QString() : error_text(parsed.error(), session_.style()));
        if (!parsed) return refresh();
        v = *parsed;
      }
      session_.edit(tr("%1 %2").arg(l.words, typed), [&](Job& j) { j.pump.*(l.member) = v; });
      refresh();
    });
    ++i;
  }
  box->addLayout(grid);
}

void ProvePage::refresh_gates() {
  const auto gates = gate_rows(session_.job(), session_.strip(), session_.findings());
  QStringList key;
  for (const GateRow& g : gates)
    key << text_of(yoke::key(g.id)) + QString::number(static_cast<int>(g.state)) +
               (g.held ? "h" : "") + text_of(g.remark, session_.style());
  if (key == gates_shown_) return;
  gates_shown_ = key;
  auto* inner = new QWidget;
  auto* list = new QGridLayout(inner);
  list->setContentsMargins(0, 0, 6, 0);
  list->setVerticalSpacing(6);
  int row = 0;
  for (const GateRow& g : gates) {
    auto* words = label(text_of(g.words, session_.style()), "plain", inner);
    words->setToolTip(plain_tip(text_of(g.how, session_.style())));
    list->addWidget(words, row, 0);
    if (g.held) {
      list->addWidget(label(tr("■ held shut"), "mark", inner), row, 1, 1, 2);
    } else if (g.by_facts) {
      const bool done = g.state == GateState::passed;
      list->addWidget(label(done ? tr("✓ done") : tr("□ not yet"), done ? "plain" : "mark", inner),
                      row, 1, 1, 2);
    } else {
      for (const GateState s : {GateState::passed, GateState::failed}) {
        auto* b = new QPushButton(words_of(words_of_value(s)), inner);
        b->setObjectName(QStringLiteral("small"));
        b->setCheckable(true);
        b->setChecked(g.state == s);
        b->setAccessibleName(text_of(g.words, session_.style()) + QStringLiteral(": ") + b->text());
        const GateId id = g.id;
        connect(
            b, &QPushButton::clicked, this,
            [this, id, s, name = text_of(g.words, session_.style()), on = b->text()](bool checked) {
              session_.edit(
                  tr("%1: %2").arg(name, checked ? on : words_of(words_of_value(GateState::open))),
                  [&](Job& j) {
                    record_for(j, id).state = checked ? s : GateState::open;
                    record_for(j, id).date =
                        QDate::currentDate().toString(Qt::ISODate).toStdString();
                  });
            });
        list->addWidget(b, row, s == GateState::passed ? 1 : 2);
      }
    }
    list->addWidget(label(text_of(g.remark, session_.style()), g.held ? "caution" : "soft", inner),
                    row + 1, 0, 1, 3);
    row += 2;
  }
  list->setColumnStretch(0, 1);
  list->setRowStretch(row, 1);
  replace_inner(gates_, inner);
}

void ProvePage::refresh() {
  readings_->refresh();
  for (auto& [e, member] : pump_) {
    if (e->hasFocus() && e->isModified()) continue;
    const auto& v = session_.job().pump.*member;
    const Kind kind = member == &PumpTest::hold_s ? Kind::time : Kind::length;
    e->setText(v ? quantity_text(*v, kind, 0, session_.style()) : QString());
  }
  QStringList said;
  for (const Message& m : prove_verdict(session_.job())) said << text_of(m, session_.style());
  verdict_->setText(said.join(QLatin1Char('\n')));
  plot_->redraw();
  refresh_gates();
}

}  // namespace yoke
