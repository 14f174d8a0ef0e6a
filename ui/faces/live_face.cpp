#include "ui/faces/live_face.hpp"

#include <QCoreApplication>
#include <QHBoxLayout>
#include <QVBoxLayout>

#include "files/json_job.hpp"
#include "files/recording.hpp"
#include "protocol/protocol.hpp"
#include "session/curves.hpp"
#include "session/entries.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "simulated/rig.hpp"
#include "ui/curve_view.hpp"
#include "ui/plain.hpp"

namespace yoke {

namespace {

constexpr int kFrame_ms = 33;
constexpr std::size_t kGhosts = 3;
constexpr double kTrail_s = 15;  // of a press that is not recorded

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
    : Face(parent), session_(session), dialogs_(dialogs), link_(this) {
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
      tr("The press as it is pressed"),
      [this] {
        return link_.recording() ? live_plot(session_, base_, link_.trace(), ghosts_)
                                 : live_plot(session_, base_, trail(), ghosts_);
      },
      this);
  press_->setMinimumSize(300, 170);
  row->addWidget(press_, 6);
  auto* right = new QVBoxLayout;
  figures_ = new PictureView(tr("What the instrument tells"), this);
  figures_->set_maker([this](QSizeF size) { return live_figures_picture(live_figures(), size); });
  figures_->setMinimumSize(200, 120);
  right->addWidget(figures_, 3);
  pressure_ = new CurveView(
      tr("Pressures of the last half minute"),
      [this] {
        return pressure_plot(session_, link_.reader().head().value_or(InstrumentHead{}),
                             link_.lately());
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
  connect(&link_, &InstrumentLink::came, this, [this] {
    dirty_ = true;
    if (isVisible() && !frame_.isActive()) frame_.start();
  });
  connect(&link_, &InstrumentLink::state_changed, this, &LiveFace::show_state);
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
    if (link_.state() == InstrumentLink::State::off)
      join();
    else
      link_.shut();
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
          [this] { stand_in(fault_->currentData().toString()); });
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
  connect(record_, &QPushButton::clicked, this, &LiveFace::record);
  row->addWidget(record_);
  how_ = combo(tr("How it is pressed"), all);
  how_->addItems({tr("one press"), tr("second in a row"), tr("hoses clamped"),
                  tr("outlet 1 clamped"), tr("outlet 2 clamped")});
  row->addWidget(how_);
  assist_ = new QCheckBox(tr("assist works"), all);
  connect(assist_, &QCheckBox::toggled, this, &LiveFace::press_band);
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
  const auto ok = link_.open(line_->currentText().trimmed(), speed_->currentData().toInt());
  tell(ok ? QString() : error_text(ok.error(), session_.style()));
}

void LiveFace::stand_in(const QString& fault) {
  practice_.clear();
  lent_ = std::make_unique<QTemporaryDir>();
  const QString file = lent_->filePath(QStringLiteral("pressed.yoke"));
  QFile out(file);
  const std::string job = write_job(session_.job());
  if (!out.open(QIODevice::WriteOnly) ||
      out.write(job.data(), static_cast<qint64>(job.size())) != static_cast<qint64>(job.size()))
    return tell(tr("There is no room for the stand-in's copy of the job"));
  out.close();
  const auto ok = link_.start_rig(
      QCoreApplication::applicationDirPath() + QStringLiteral("/yokestep-rig"), file, fault);
  tell(ok ? QString() : error_text(ok.error(), session_.style()));
}

PressWay LiveFace::pressed_how() const {
  PressWay h;
  h.assist_alive = assist_->isChecked();
  h.second_apply = how_->currentIndex() == 1;
  h.hoses_clamped = how_->currentIndex() >= 2;
  h.clamped = static_cast<ClampedHoses>(std::max(0, how_->currentIndex() - 2));
  return h;
}

void LiveFace::record() {
  if (!link_.recording()) {
    if (!link_.reader().head())
      return tell(tr("Nothing comes yet: open the line, or start the stand-in"));
    link_.record();
    return tell(
        tr("Foot off for a second; then slowly down, four seconds to the firmest push, "
           "hold, and up"));
  }
  const int lost = link_.lost_in_recording();
  const Trace trace = link_.recorded();
  if (trace.samples.empty()) return tell(tr("Nothing came while it was recorded"));
  const auto taken = take_recording(session_, trace, pressed_how(), lost, wall_clock());
  if (!taken) return tell(error_text(taken.error(), session_.style()));
  ghosts_.push_back(trace);
  if (ghosts_.size() > kGhosts) ghosts_.erase(ghosts_.begin());
  std::vector<Message> words = taken->says;
  if (taken->practice) {
    practice_.insert(practice_.end(), taken->readings.begin(), taken->readings.end());
    for (const Message& m : practice_words(session_.job(), practice_)) words.push_back(m);
  }
  QStringList said;
  for (const Message& m : words) said << text_of(m, session_.style());
  tell(said.join(QStringLiteral(" · ")));
  refresh();
}

void LiveFace::export_samples() {
  if (ghosts_.empty()) return tell(tr("Record a press first"));
  const QString path = dialogs_.save_file(this, tr("Samples as a table"),
                                          QStringLiteral("press.csv"), tr("Tables (*.csv)"));
  if (path.isEmpty()) return;
  const Trace& last = ghosts_.back();
  QFile out(path);
  const std::string csv = trace_csv(last, TraceScale(last.head, session_.job().calibrations));
  const bool ok =
      out.open(QIODevice::WriteOnly) &&
      out.write(csv.data(), static_cast<qint64>(csv.size())) == static_cast<qint64>(csv.size());
  tell(ok ? tr("%1 samples written").arg(last.samples.size())
          : tr("It cannot be written there: %1").arg(out.errorString()));
}

void LiveFace::tell(const QString& words) {
  says_->setText(words);
}

void LiveFace::show_state() {
  using State = InstrumentLink::State;
  const LineCounts& c = link_.reader().counts();
  QString words;
  switch (link_.state()) {
    case State::off:
      words = tr("No line is open: open one, or practise on a pedal that is not there");
      break;
    case State::silent:
      words = tr("The line is open and silent: is the instrument on?");
      break;
    case State::unread:
      words = tr("Something comes; the instrument has not said yet what it is");
      break;
    case State::wrong_speed:
      words = tr("What comes cannot be read: try another speed of the line");
      break;
    case State::lost:
      words = tr("The line went away: it is joined again when it comes back");
      break;
    case State::good:
      words = tr("%1: %2 samples, %3 lost, %4 spoiled")
                  .arg(QString::fromStdString(link_.reader().head()->name))
                  .arg(c.good)
                  .arg(c.lost)
                  .arg(c.spoiled);
      break;
  }
  if (state_->text() != words) state_->setText(words);
  join_->setText(link_.state() == State::off ? tr("Open") : tr("Shut"));
  record_->setText(link_.recording() ? tr("Stop and read it  R") : tr("Record a press  R"));
  record_->setShortcut(QKeySequence(Qt::Key_R));
}

std::vector<LiveFigure> LiveFace::live_figures() const {
  std::vector<LiveFigure> list;
  const auto& head = link_.reader().head();
  if (!head) {
    list.push_back({tr("Push on the pad"), QStringLiteral("–"), true});
    list.push_back({tr("Travel of the pad"), QStringLiteral("–"), true});
    return list;
  }
  const TraceScale scale(*head, session_.job().calibrations);
  const auto now = link_.newest();
  for (const Channel& c : head->channels) {
    const auto si = now ? scale.si(*now, c.what) : std::nullopt;
    const Kind kind = kind_of(c.what);
    LiveFigure f{words_of(words_of(c.what)), QStringLiteral("–"), !si};
    if (si) f.value = quantity_text(*si, kind, kind == Kind::pressure ? 2 : 0, session_.style());
    if (scale.asks(c.what)) f.value = tr("set points");
    list.push_back(f);
  }
  return list;
}

Trace LiveFace::trail() const {
  const auto& head = link_.reader().head();
  if (!head) return {};
  Trace t{*head, {}};
  for (const LineSample& s : link_.lately())
    if (link_.lately().back().t_s - s.t_s <= kTrail_s) t.samples.push_back(s);
  return t;
}

void LiveFace::frame() {
  if (!dirty_ || !isVisible()) {
    frame_.stop();
    return;
  }
  dirty_ = false;
  ++frames_;
  if (const auto now = link_.newest(); now && link_.reader().head()) {
    const TraceScale scale(*link_.reader().head(), session_.job().calibrations);
    // The stations above move with the pad.
    if (const auto x = scale.si(*now, ChannelWhat::travel)) session_.press(*x);
  }
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

void LiveFace::press_band() {
  if (!isVisible()) return;
  const Job& job = session_.job();
  const bool assist = assist_->isChecked();
  if (!band_ || band_->found != job.found || band_->plan != job.plan || band_->built != job.built ||
      band_->assist != assist)
    band_ =
        BandOf{job.found, job.plan, job.built, assist, proof_share(job, session_.strip(), assist)};
  if (const auto curve = curve_behind(job, base_, assist)) band_behind(base_, *curve, band_->share);
  press_->redraw();
}

void LiveFace::refresh() {
  base_ = prove_plot(session_);
  press_band();
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
