#include "ui/bench/instrument_matter.hpp"

#include <QHBoxLayout>
#include <QVBoxLayout>
#include <array>

#include "assembly/relevance.hpp"
#include "ui/curve_view.hpp"

namespace yoke {

namespace {

constexpr int kFrame_ms = 33;
constexpr std::array kSpeeds{115200, 57600, 38400, 19200, 9600, 230400};

QString words_of_way(const PressWay& w) {
  if (w.second_apply) return InstrumentMatter::tr("second press in a row");
  if (!w.hoses_clamped) return InstrumentMatter::tr("one press");
  switch (w.clamped) {
    case ClampedHoses::first:
      return InstrumentMatter::tr("one press, hoses of outlet 1 clamped");
    case ClampedHoses::second:
      return InstrumentMatter::tr("one press, hoses of outlet 2 clamped");
    default:
      return InstrumentMatter::tr("one press, all hoses clamped");
  }
}

}  // namespace

InstrumentMatter::InstrumentMatter(Session& session, QWidget* parent)
    : BenchMatter(session, parent), live_(LivePress::of(session)) {
  auto* box = new QVBoxLayout(this);
  box->setSpacing(8);
  line_ = bench_label("benchSoft", this);
  way_ = bench_label("bench", this);
  says_ = bench_label("bench", this);
  says_->setAccessibleName(tr("What was read"));
  box->addWidget(line_);
  box->addWidget(way_);
  auto* row = new QHBoxLayout;
  row->setSpacing(12);
  figures_ = new PictureView(tr("What the instrument tells"), this);
  figures_->set_maker(
      [this](QSizeF size) { return live_figures_picture(live_figures(session_, live_), size); });
  figures_->setMinimumSize(280, 160);
  row->addWidget(figures_, 5);
  press_ = new CurveView(
      tr("The press as it is pressed"), [this] { return live_.plot(); }, this);
  press_->setMinimumSize(280, 160);
  row->addWidget(press_, 6);
  box->addLayout(row, 1);
  box->addWidget(says_);
  frame_.setInterval(kFrame_ms);
  connect(&frame_, &QTimer::timeout, this, &InstrumentMatter::frame);
  connect(live_.link(), &InstrumentLink::came, this, [this] {
    dirty_ = true;
    if (isVisible() && !frame_.isActive()) frame_.start();
  });
  connect(&live_, &LivePress::line_changed, this, [this] {
    show_line();
    emit keys_changed();
  });
  connect(&live_, &LivePress::said, this, [this] { says_->setText(live_.says()); });
  connect(&live_, &LivePress::way_changed, this, &InstrumentMatter::show_way);
  says_->setText(live_.says());
  show_line();
  show_way();
}

std::vector<BenchKey> InstrumentMatter::keys() {
  using State = InstrumentLink::State;
  const State state = live_.link()->state();
  std::vector<BenchKey> list;
  if (state == State::off)
    list.push_back({Qt::Key_Return, tr("Open the line"), [this] { open_line(); }, true});
  else if (state == State::wrong_speed)
    list.push_back({Qt::Key_Return, tr("Try another speed"), [this] { open_line(); }, true});
  else
    list.push_back({Qt::Key_Return,
                    live_.link()->recording() ? tr("Stop and read it") : tr("Record a press"),
                    [this] { live_.record(); }, true});
  list.push_back({Qt::Key_F4, tr("Pressed otherwise"), [this] { next_way(); }});
  if (has_assist(session_.job(), As::plan))
    list.push_back(
        {Qt::Key_F5, live_.way().assist_alive ? tr("Assist off") : tr("Assist works"), [this] {
           PressWay w = live_.way();
           w.assist_alive = !w.assist_alive;
           live_.press_as(w);
         }});
  if (state == State::off)
    list.push_back(
        {Qt::Key_F2, tr("Practise"), [this] { live_.stand_in(QStringLiteral("hidden")); }});
  else
    list.push_back({Qt::Key_F2, tr("Shut the line"), [this] { live_.link()->shut(); }});
  list.push_back({Qt::Key_F12, tr("What is asked"), [this] { emit other_asked(); }});
  return list;
}

/// The line that was open last, or the first there is; what could not be read is tried faster and
/// slower in turn.
void InstrumentMatter::open_line() {
  const bool unread = live_.link()->state() == InstrumentLink::State::wrong_speed;
  speed_ = unread ? (speed_ + 1) % static_cast<int>(kSpeeds.size()) : 0;
  QString path = live_.link()->path();
  const auto ports = instrument_ports();
  if (path.isEmpty() && !ports.empty()) path = ports.front().path;
  if (path.isEmpty())
    return live_.tell(tr("No instrument is plugged in: plug it in, then open its line"));
  live_.open(path, kSpeeds[static_cast<std::size_t>(speed_)]);
}

void InstrumentMatter::next_way() {
  PressWay w = live_.way();
  if (w.second_apply) {
    w.second_apply = false;
    w.hoses_clamped = true;
    w.clamped = ClampedHoses::all;
  } else if (!w.hoses_clamped) {
    w.second_apply = true;
  } else if (w.clamped == ClampedHoses::all) {
    w.clamped = ClampedHoses::first;
  } else if (w.clamped == ClampedHoses::first) {
    w.clamped = ClampedHoses::second;
  } else {
    w = {.assist_alive = w.assist_alive};
  }
  live_.press_as(w);
}

void InstrumentMatter::show_line() {
  const QString words = live_.line_words();
  if (line_->text() != words) line_->setText(words);
}

void InstrumentMatter::show_way() {
  QString words = tr("Pressed as: %1").arg(words_of_way(live_.way()));
  if (has_assist(session_.job(), As::plan))
    words += live_.way().assist_alive ? tr(" · the assist works") : tr(" · without the assist");
  way_->setText(words);
  live_.lay_ground();
  press_->redraw();
  emit keys_changed();
}

void InstrumentMatter::frame() {
  if (!dirty_ || !isVisible()) return frame_.stop();
  dirty_ = false;
  if (const auto x = live_.told(ChannelWhat::travel)) session_.press(*x);
  figures_->redraw();
  press_->redraw();
  show_line();
}

void InstrumentMatter::refresh() {
  live_.lay_ground();
  figures_->redraw();
  press_->redraw();
}

}  // namespace yoke
