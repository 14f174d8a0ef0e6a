#include "ui/faces/readings_face.hpp"

#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>

#include "session/curves.hpp"
#include "session/entries.hpp"
#include "session/texts.hpp"
#include "ui/stage_page.hpp"

namespace yoke {

ReadingsFace::ReadingsFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session) {
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->setSpacing(8);
  connect(&reckoner_, &Reckoner::made, this, &ReadingsFace::say_verdict);
  line_ = new LineView(session, false, this);
  line_->setMinimumHeight(228);
  all->addWidget(line_, 4);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  auto* left = new QVBoxLayout;
  left->setSpacing(4);
  readings_ = new ReadingsBox(session, &Job::readings,
                              tr("Readings: scale on the pedal pad, tape to the seat"), this);
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
  gates_ = new GatesBox(session, dialogs, this);
  right->addWidget(gates_, 1);
  row->addLayout(right, 5);
  all->addLayout(row, 6);
}

/// In a low window readings and gates need the room; the pedal stands in the band.
void ReadingsFace::resizeEvent(QResizeEvent* e) {
  Face::resizeEvent(e);
  line_->setVisible(window()->height() >= kTallWindow);
}

void ReadingsFace::build_pump(QVBoxLayout* box) {
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

/// A handful of readings is reckoned at once, hundreds of them beside the window.
void ReadingsFace::show_verdict() {
  constexpr std::size_t kAtOnce = 40;
  const Job& job = session_.job();
  if (job.readings.size() <= kAtOnce) {
    reckoner_.forget();
    return say_verdict(prove_verdict(job));
  }
  if (job == reckoned_) return;
  reckoned_ = job;
  verdict_->setText(tr("Working out %1 readings…").arg(job.readings.size()));
  reckoner_.ask([job] { return prove_verdict(job); });
}

void ReadingsFace::say_verdict(const std::vector<Message>& words) {
  QStringList said;
  for (const Message& m : words) said << text_of(m, session_.style());
  verdict_->setText(said.join(QLatin1Char('\n')));
}

void ReadingsFace::refresh() {
  readings_->refresh();
  for (auto& [e, member] : pump_) {
    if (e->hasFocus() && e->isModified()) continue;
    const auto& v = session_.job().pump.*member;
    const Kind kind = member == &PumpTest::hold_s ? Kind::time : Kind::length;
    e->setText(v ? quantity_text(*v, kind, 0, session_.style()) : QString());
  }
  show_verdict();
  plot_->redraw();
  gates_->refresh();
}

}  // namespace yoke
