#include <QDate>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>

#include "proving/gates.hpp"
#include "session/curves.hpp"
#include "session/texts.hpp"
#include "ui/stages/pages.hpp"

namespace yoke {

namespace {

QLineEdit* entry(const QString& name, const QString& hint, QWidget* parent) {
  auto* e = new QLineEdit(parent);
  e->setObjectName(QStringLiteral("figure"));
  e->setPlaceholderText(hint);
  e->setAccessibleName(name);
  e->setMaxLength(40);
  return e;
}

}  // namespace

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
  build_readings(left);
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

void ProvePage::build_readings(QVBoxLayout* box) {
  box->addWidget(label(tr("Readings: scale on the pad, tape to the seat"), "heading", this));
  table_ = new QTableWidget(0, 3, this);
  table_->setHorizontalHeaderLabels({tr("force"), tr("travel"), tr("assist")});
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  table_->horizontalHeader()->setSectionResizeMode(2, QHeaderView::ResizeToContents);
  table_->verticalHeader()->hide();
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setAccessibleName(tr("Readings"));
  table_->setMinimumHeight(64);
  box->addWidget(table_, 1);
  auto* row = new QHBoxLayout;
  force_ = entry(tr("Pad force"), tr("20 kg"), this);
  travel_ = entry(tr("Pad travel"), tr("48 mm"), this);
  assist_ = new QCheckBox(tr("assist"), this);
  second_ = new QCheckBox(tr("2nd in a row"), this);
  second_->setToolTip(tr("Clearances are taken up then: it tells them from slack and air"));
  clamped_ = new QCheckBox(tr("hoses clamped"), this);
  clamped_->setToolTip(tr("With clamps made for hoses, never on braided ones"));
  auto* add = new QPushButton(tr("Add"), this);
  add->setObjectName(QStringLiteral("main"));
  row->addWidget(force_);
  row->addWidget(travel_);
  row->addWidget(assist_);
  row->addWidget(add);
  box->addLayout(row);
  auto* taken = new QHBoxLayout;
  taken->addWidget(second_);
  taken->addWidget(clamped_);
  auto* remove = new QPushButton(tr("Remove"), this);
  remove->setObjectName(QStringLiteral("small"));
  remove->setToolTip(tr("Removes the chosen reading"));
  remove->setAccessibleName(tr("Remove the chosen reading"));
  taken->addWidget(remove);
  box->addLayout(taken);
  refusal_ = label({}, "caution", this);
  refusal_->hide();
  box->addWidget(refusal_);
  connect(add, &QPushButton::clicked, this, &ProvePage::add_reading);
  connect(travel_, &QLineEdit::returnPressed, this, &ProvePage::add_reading);
  connect(remove, &QPushButton::clicked, this, [this] {
    const int row_at = table_->currentRow();
    if (row_at < 0) return;
    session_.edit(tr("remove a reading"), [&](Job& j) {
      if (static_cast<size_t>(row_at) < j.readings.size())
        j.readings.erase(j.readings.begin() + row_at);
    });
  });
}

void ProvePage::build_pump(QVBoxLayout* box) {
  auto* grid = new QGridLayout;
  grid->setVerticalSpacing(3);
  struct Line {
    QString words, hint;
    std::optional<double> PumpTest::*member;
    Kind kind;
    double most;
  };
  const Line lines[] = {
      {tr("Travel, 1st press"), tr("62 mm"), &PumpTest::first_m, Kind::length, 1.0},
      {tr("3rd press in a row"), tr("55 mm"), &PumpTest::third_m, Kind::length, 1.0},
      {tr("Sink, steady foot"), tr("0 mm"), &PumpTest::sink_m, Kind::length, 1.0},
      {tr("held for"), tr("60 s"), &PumpTest::hold_s, Kind::time, 86400.0}};
  int i = 0;
  for (const Line& l : lines) {
    grid->addWidget(label(l.words, "question", this), i / 2, (i % 2) * 2);
    auto* e = entry(l.words, l.hint, this);
    e->setMaximumWidth(84);
    grid->addWidget(e, i / 2, (i % 2) * 2 + 1);
    pump_.emplace_back(e, l.member);
    connect(e, &QLineEdit::editingFinished, this, [this, e, l] {
      if (!e->isModified()) return;
      e->setModified(false);
      const QString typed = e->text().trimmed();
      std::optional<double> v;
      if (!typed.isEmpty()) {
        const auto parsed = parse_quantity(typed.toStdString(), l.kind, session_.style().units);
        const bool ok = parsed && *parsed >= 0 && *parsed <= l.most;
        refusal_->setText(ok       ? QString()
                          : parsed ? tr("%1 cannot be %2").arg(l.words, typed)
                                   : error_text(parsed.error()));
        refusal_->setVisible(!ok);
        if (!ok) return refresh();
        v = *parsed;
      }
      session_.edit(tr("%1 %2").arg(l.words, typed), [&](Job& j) { j.pump.*(l.member) = v; });
      refresh();
    });
    ++i;
  }
  box->addLayout(grid);
}

void ProvePage::add_reading() {
  const auto f = parse_quantity(force_->text().toStdString(), Kind::force, session_.style().units);
  const auto t =
      parse_quantity(travel_->text().toStdString(), Kind::length, session_.style().units);
  QString why;
  if (!f)
    why = tr("Force: ") + error_text(f.error());
  else if (*f < 1 || *f > 3000)
    why = tr("A pad force of %1 cannot be; allowed: 1 N to 3000 N").arg(force_->text());
  else if (!t)
    why = tr("Travel: ") + error_text(t.error());
  else if (*t < 0 || *t > 0.4)
    why = tr("A pad travel of %1 cannot be; allowed: 0 mm to 400 mm").arg(travel_->text());
  refusal_->setText(why);
  refusal_->setVisible(!why.isEmpty());
  if (!why.isEmpty()) return;
  Reading r;
  r.force_n = *f;
  r.travel_m = *t;
  r.assist_alive = assist_->isChecked();
  r.second_apply = second_->isChecked();
  r.hoses_clamped = clamped_->isChecked();
  session_.edit(tr("reading %1 at %2").arg(force_->text(), travel_->text()), [&](Job& j) {
    if (j.readings.size() < 2000) j.readings.push_back(r);
  });
  force_->clear();
  travel_->clear();
  force_->setFocus();
}

void ProvePage::refresh_gates() {
  const auto gates = gates_of(session_.job(), session_.strip(), session_.findings());
  QStringList key;
  for (const Gate& g : gates)
    key << text_of(g.id) + QString::number(static_cast<int>(g.state)) + (g.held ? "h" : "") +
               text_of(g.why);
  if (key == gates_shown_) return;
  gates_shown_ = key;
  auto* inner = new QWidget;
  auto* list = new QGridLayout(inner);
  list->setContentsMargins(0, 0, 6, 0);
  list->setVerticalSpacing(6);
  int row = 0;
  for (const Gate& g : gates) {
    auto* words = label(text_of(g.words), "plain", inner);
    words->setToolTip(text_of(g.how));
    list->addWidget(words, row, 0);
    if (g.held) {
      list->addWidget(label(tr("■ held shut"), "mark", inner), row, 1, 1, 2);
    } else {
      for (const GateState s : {GateState::passed, GateState::failed}) {
        auto* b = new QPushButton(s == GateState::passed ? tr("passed") : tr("failed"), inner);
        b->setObjectName(QStringLiteral("small"));
        b->setCheckable(true);
        b->setChecked(g.state == s);
        b->setAccessibleName(text_of(g.words) + QStringLiteral(": ") + b->text());
        const std::string id = g.id;
        connect(b, &QPushButton::clicked, this,
                [this, id, s, name = text_of(g.words), on = b->text()](bool checked) {
                  session_.edit(tr("%1: %2").arg(name, checked ? on : tr("open")), [&](Job& j) {
                    j.gates[id].state = checked ? s : GateState::open;
                    j.gates[id].date = QDate::currentDate().toString(Qt::ISODate).toStdString();
                  });
                });
        list->addWidget(b, row, s == GateState::passed ? 1 : 2);
      }
    }
    list->addWidget(label(text_of(g.held ? g.why : g.how), g.held ? "caution" : "soft", inner),
                    row + 1, 0, 1, 3);
    row += 2;
  }
  list->setColumnStretch(0, 1);
  list->setRowStretch(row, 1);
  replace_inner(gates_, inner);
}

namespace {
/// How a reading was taken, short: "off, 2nd, clamped".
QString taken_words(const Reading& r) {
  QString w = r.assist_alive ? QObject::tr("on") : QObject::tr("off");
  if (r.second_apply) w += QObject::tr(", 2nd");
  if (r.hoses_clamped) w += QObject::tr(", clamped");
  return w;
}
}  // namespace

void ProvePage::refresh() {
  const auto& readings = session_.job().readings;
  table_->setRowCount(static_cast<int>(readings.size()));
  for (size_t i = 0; i < readings.size(); ++i) {
    const int row = static_cast<int>(i);
    const Reading& r = readings[i];
    const Style& style = session_.style();
    const auto cell = [&](double si, double doubt_si, Kind kind, int digits) {
      return new QTableWidgetItem(quantity_text(si, kind, digits, style) + QStringLiteral(" ± ") +
                                  quantity_text(doubt_si, kind, digits, style));
    };
    table_->setItem(row, 0, cell(r.force_n, r.force_doubt_n, Kind::force, 0));
    table_->setItem(row, 1, cell(r.travel_m, r.travel_doubt_m, Kind::length, 1));
    table_->setItem(row, 2, new QTableWidgetItem(taken_words(r)));
  }
  for (auto& [e, member] : pump_) {
    if (e->hasFocus() && e->isModified()) continue;
    const auto& v = session_.job().pump.*member;
    const Kind kind = member == &PumpTest::hold_s ? Kind::time : Kind::length;
    e->setText(v ? quantity_text(*v, kind, 0, session_.style()) : QString());
  }
  verdict_->setText(prove_words(session_).join(QLatin1Char('\n')));
  plot_->redraw();
  refresh_gates();
}

}  // namespace yoke
