#include "ui/faces/live_face.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>

#include "files/recording.hpp"
#include "session/entries.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "simulated/rig.hpp"
#include "ui/curve_view.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr int kFrame_ms = 33;

Combo* combo(const QString& name, QWidget* parent) {
  auto* c = new Combo(parent);
  c->setAccessibleName(name);
  c->setMinimumHeight(36);
  return c;
}

QString fault_words(const std::string& name) {
  if (name == "none") return LiveFace::tr("sound");
  if (name == "air1") return LiveFace::tr("air at outlet 1");
  if (name == "air2") return LiveFace::tr("air at outlet 2");
  if (name == "clearance") return LiveFace::tr("linings far away");
  if (name == "hose") return LiveFace::tr("soft hoses");
  if (name == "bypass") return LiveFace::tr("master lets past");
  if (name == "cup") return LiveFace::tr("worn cup");
  if (name == "stick") return LiveFace::tr("booster valve sticks");
  if (name == "crossed") return LiveFace::tr("lines crossed");
  if (name == "preload") return LiveFace::tr("rod too long");
  return LiveFace::tr("travel sensor dead");
}

}  // namespace

LiveFace::LiveFace(Session& session, Dialogs& dialogs, QWidget* parent)
    : Face(parent), session_(session), dialogs_(dialogs), live_(LivePress::of(session)) {
  auto* all = new QVBoxLayout(this);
  all->setContentsMargins(0, 0, 0, 0);
  all->setSpacing(6);
  all->addWidget(build_line());
  state_ = label({}, "answer", this);
  state_->setAccessibleName(tr("How the line stands"));
  all->addWidget(state_);
  auto* row = new QHBoxLayout;
  row->setSpacing(10);
  press_ = new CurveView(
      tr("The press as it is pressed"), [this] { return live_.plot(); }, this);
  press_->setMinimumSize(300, 170);
  row->addWidget(press_, 6);
  auto* right = new QVBoxLayout;
  figures_ = new PictureView(tr("What the instrument tells"), this);
  figures_->set_maker(
      [this](QSizeF size) { return live_figures_picture(live_figures(session_, live_), size); });
  figures_->setMinimumSize(200, 120);
  right->addWidget(figures_, 3);
  pressure_ = new CurveView(
      tr("Pressures of the last half minute"),
      [this] {
        return pressure_plot(session_, link()->reader().head().value_or(InstrumentHead{}),
                             link()->lately());
      },
      this);
  pressure_->setMinimumHeight(90);
  right->addWidget(pressure_, 2);
  row->addLayout(right, 4);
  all->addLayout(row, 1);
  says_ = label({}, "answer", this);
  says_->setAccessibleName(tr("What was read"));
  all->addWidget(says_);
  all->addWidget(build_keys());
  points_row_ = build_points();
  all->addWidget(points_row_);
  frame_.setInterval(kFrame_ms);
  connect(&frame_, &QTimer::timeout, this, &LiveFace::frame);
  connect(link(), &InstrumentLink::came, this, [this] {
    dirty_ = true;
    if (isVisible() && !frame_.isActive()) frame_.start();
  });
  connect(&live_, &LivePress::line_changed, this, &LiveFace::show_state);
  connect(&live_, &LivePress::said, this, [this] { says_->setText(live_.says()); });
  connect(&live_, &LivePress::way_changed, this, &LiveFace::show_way);
  says_->setText(live_.says());
  list_ports();
  show_state();
}

QWidget* LiveFace::build_line() {
  auto* all = new QWidget(this);
  auto* row = new QHBoxLayout(all);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  row->addWidget(plain_label(tr("Instrument at"), "question", all));
  line_ = combo(tr("Line of the instrument"), all);
  line_->setEditable(true);
  line_->setMinimumWidth(170);
  row->addWidget(line_, 3);
  speed_ = combo(tr("Speed of the line"), all);
  for (const int baud : {115200, 57600, 38400, 19200, 9600, 230400})
    speed_->addItem(QString::number(baud), baud);
  row->addWidget(speed_, 1);
  join_ = new QPushButton(tr("Open"), all);
  join_->setMinimumHeight(36);
  connect(join_, &QPushButton::clicked, this, [this] {
    if (link()->state() == InstrumentLink::State::off)
      join();
    else
      link()->shut();
  });
  row->addWidget(join_);
  row->addSpacing(16);
  row->addWidget(plain_label(tr("or practise on"), "question", all));
  fault_ = combo(tr("What is wrong with the stand-in"), all);
  fault_->addItem(tr("a pedal with a hidden fault"), QStringLiteral("hidden"));
  for (const std::string& name : rig_fault_names())
    fault_->addItem(fault_words(name), QString::fromStdString(name));
  row->addWidget(fault_, 3);
  start_ = new QPushButton(tr("Start"), all);
  start_->setMinimumHeight(36);
  start_->setAccessibleName(tr("Start the stand-in"));
  connect(start_, &QPushButton::clicked, this,
          [this] { live_.stand_in(fault_->currentData().toString()); });
  row->addWidget(start_);
  return all;
}

QWidget* LiveFace::build_keys() {
  auto* all = new QWidget(this);
  auto* row = new QHBoxLayout(all);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  record_ = new QPushButton(all);
  record_->setObjectName(QStringLiteral("main"));
  record_->setMinimumHeight(48);
  record_->setMinimumWidth(230);
  connect(record_, &QPushButton::clicked, &live_, &LivePress::record);
  row->addWidget(record_);
  how_ = combo(tr("How it is pressed"), all);
  how_->addItems({tr("one press"), tr("second in a row"), tr("hoses clamped"),
                  tr("outlet 1 clamped"), tr("outlet 2 clamped")});
  connect(how_, &QComboBox::currentIndexChanged, this, &LiveFace::take_way);
  row->addWidget(how_);
  assist_ = new QCheckBox(tr("assist works"), all);
  connect(assist_, &QCheckBox::toggled, this, &LiveFace::take_way);
  row->addWidget(assist_);
  row->addStretch(1);
  export_ = new QPushButton(tr("Samples as a table…"), all);
  export_->setMinimumHeight(36);
  connect(export_, &QPushButton::clicked, this, &LiveFace::export_samples);
  row->addWidget(export_);
  return all;
}

void LiveFace::list_ports() {
  const QString kept = line_->currentText();
  line_->clear();
  for (const InstrumentPort& p : instrument_ports()) line_->addItem(p.path);
  line_->setCurrentText(kept);
}

void LiveFace::join() {
  live_.open(line_->currentText().trimmed(), speed_->currentData().toInt());
}

void LiveFace::take_way() {
  PressWay h;
  h.assist_alive = assist_->isChecked();
  h.second_apply = how_->currentIndex() == 1;
  h.hoses_clamped = how_->currentIndex() >= 2;
  h.clamped = static_cast<ClampedHoses>(std::max(0, how_->currentIndex() - 2));
  live_.press_as(h);
}

/// The bench may have chosen another.
void LiveFace::show_way() {
  const PressWay& h = live_.way();
  const QSignalBlocker quiet(how_), still(assist_);
  how_->setCurrentIndex(h.hoses_clamped ? 2 + static_cast<int>(h.clamped) : h.second_apply ? 1 : 0);
  assist_->setChecked(h.assist_alive);
  if (!isVisible()) return;
  live_.lay_ground();
  press_->redraw();
}

void LiveFace::export_samples() {
  if (live_.ghosts().empty()) return live_.tell(tr("Record a press first"));
  const QString path = dialogs_.save_file(this, tr("Samples as a table"),
                                          QStringLiteral("press.csv"), tr("Tables (*.csv)"));
  if (path.isEmpty()) return;
  const Trace& last = live_.ghosts().back();
  QFile out(path);
  const std::string csv = trace_csv(last, TraceScale(last.head, session_.job().calibrations));
  const bool ok =
      out.open(QIODevice::WriteOnly) &&
      out.write(csv.data(), static_cast<qint64>(csv.size())) == static_cast<qint64>(csv.size());
  live_.tell(ok ? tr("%1 samples written").arg(last.samples.size())
                : tr("It cannot be written there: %1").arg(out.errorString()));
}

void LiveFace::show_state() {
  const QString words = live_.line_words();
  if (state_->text() != words) state_->setText(words);
  join_->setText(link()->state() == InstrumentLink::State::off ? tr("Open") : tr("Shut"));
  record_->setText(link()->recording() ? tr("Stop and read it  R") : tr("Record a press  R"));
  record_->setShortcut(QKeySequence(Qt::Key_R));
}

void LiveFace::frame() {
  if (!dirty_ || !isVisible()) {
    frame_.stop();
    return;
  }
  dirty_ = false;
  ++frames_;
  // The stations above move with the pad.
  if (const auto x = live_.told(ChannelWhat::travel)) session_.press(*x);
  figures_->redraw();
  press_->redraw();
  pressure_->redraw();
  if (frames_ % 10 == 0) show_state();
}

/// In a low window the press needs the room; points are set in a higher one.
void LiveFace::resizeEvent(QResizeEvent* e) {
  Face::resizeEvent(e);
  constexpr int kRoomy = 700;
  const bool tall = window()->height() >= kRoomy;
  points_row_->setVisible(tall);
  pressure_->setVisible(tall);
}

void LiveFace::hideEvent(QHideEvent* e) {
  Face::hideEvent(e);
  frame_.stop();
}

void LiveFace::refresh() {
  live_.lay_ground();
  assist_->setVisible(has_assist(session_.job(), As::plan));
  const auto what = static_cast<ChannelWhat>(std::max(0, channel_->currentIndex()));
  const Calibration* c = points_of(session_.job(), what);
  const Kind kind = kind_of(what);
  points_->setText(c ? tr("%1 and %2, ± %3, set %4")
                           .arg(quantity_text(c->low, kind, 1, session_.style()),
                                quantity_text(c->high, kind, 1, session_.style()),
                                quantity_text(c->plus_minus, kind, 1, session_.style()),
                                QString::fromStdString(c->when).left(10))
                     : tr("no points set: read as the instrument tells it"));
  press_->redraw();
  figures_->redraw();
}

}  // namespace yoke
