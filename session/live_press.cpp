#include "session/live_press.hpp"

#include <QCoreApplication>
#include <QFile>

#include "files/json_job.hpp"
#include "protocol/protocol.hpp"
#include "session/curves.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr std::size_t kGhosts = 3;
constexpr double kTrail_s = 15;  // of a press that is not recorded

}  // namespace

LivePress& LivePress::of(Session& session) {
  if (auto* there = session.findChild<LivePress*>(QString(), Qt::FindDirectChildrenOnly))
    return *there;
  return *new LivePress(session);
}

LivePress::LivePress(Session& session) : QObject(&session), session_(session), link_(this) {
  connect(&link_, &InstrumentLink::state_changed, this, &LivePress::line_changed);
  path_ = session_.path();
  connect(&session_, &Session::file_changed, this, &LivePress::look_whose);
}

/// Another pedal's presses are no ghosts of this one, and what its foot does is not read into it.
void LivePress::look_whose() {
  if (session_.path() == path_) return;
  path_ = session_.path();
  if (session_.can_undo()) return;  // the same job under another name
  ghosts_.clear();
  practice_.clear();
  band_.reset();
  if (!link_.recording()) return tell({});
  (void)link_.recorded();
  emit line_changed();
  tell(tr("Another job was opened: what was being recorded is dropped"));
}

void LivePress::tell(const QString& words) {
  says_ = words;
  emit said();
}

void LivePress::open(const QString& path, int baud) {
  const auto ok = link_.open(path, baud);
  tell(ok ? QString() : error_text(ok.error(), session_.style()));
}

void LivePress::stand_in(const QString& fault) {
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

void LivePress::press_as(const PressWay& way) {
  if (way == way_) return;
  way_ = way;
  emit way_changed();
}

void LivePress::record() {
  if (!link_.recording()) {
    if (!link_.reader().head())
      return tell(tr("Nothing comes yet: open the line, or start the stand-in"));
    link_.record();
    emit line_changed();
    return tell(
        tr("Foot off for a second; then slowly down, four seconds to the firmest push, "
           "hold, and up"));
  }
  const int lost = link_.lost_in_recording();
  const Trace trace = link_.recorded();
  emit line_changed();
  if (trace.samples.empty()) return tell(tr("Nothing came while it was recorded"));
  const auto taken = take_recording(session_, trace, way_, lost, wall_clock());
  if (!taken) return tell(error_text(taken.error(), session_.style()));
  ghosts_.push_back(trace);
  if (ghosts_.size() > kGhosts) ghosts_.erase(ghosts_.begin());
  std::vector<Message> words = taken->says;
  if (taken->practice) {
    practice_.insert(practice_.end(), taken->readings.begin(), taken->readings.end());
    for (const Message& m : practice_words(session_.job(), practice_)) words.push_back(m);
  }
  QStringList list;
  for (const Message& m : words) list << text_of(m, session_.style());
  tell(list.join(QStringLiteral(" · ")));
}

QString LivePress::line_words() const {
  using State = InstrumentLink::State;
  const LineCounts& c = link_.reader().counts();
  switch (link_.state()) {
    case State::off:
      return tr("No line is open: open one, or practise on a pedal that is not there");
    case State::silent:
      return tr("The line is open and silent: is the instrument on?");
    case State::unread:
      return tr("Something comes; the instrument has not said yet what it is");
    case State::wrong_speed:
      return tr("What comes cannot be read: try another speed of the line");
    case State::lost:
      return tr("The line went away: it is joined again when it comes back");
    case State::good:
      break;
  }
  return tr("%1: %2 samples, %3 lost, %4 spoiled")
      .arg(QString::fromStdString(link_.reader().head()->name))
      .arg(c.good)
      .arg(c.lost)
      .arg(c.spoiled);
}

Trace LivePress::trail() const {
  const auto& head = link_.reader().head();
  if (!head) return {};
  Trace t{*head, {}};
  for (const LineSample& s : link_.lately())
    if (link_.lately().back().t_s - s.t_s <= kTrail_s) t.samples.push_back(s);
  return t;
}

void LivePress::lay_ground() {
  base_ = prove_plot(session_);
  const Job& job = session_.job();
  const bool assist = way_.assist_alive;
  if (!band_ || band_->found != job.found || band_->plan != job.plan || band_->built != job.built ||
      band_->assist != assist)
    band_ =
        BandOf{job.found, job.plan, job.built, assist, proof_share(job, session_.strip(), assist)};
  if (const auto curve = curve_behind(job, base_, assist)) band_behind(base_, *curve, band_->share);
}

PlotInput LivePress::plot() const {
  return live_plot(session_, base_, now(), ghosts_);
}

std::optional<double> LivePress::told(ChannelWhat what) const {
  const auto& head = link_.reader().head();
  const auto now = link_.newest();
  if (!head || !now) return std::nullopt;
  return TraceScale(*head, session_.job().calibrations).si(*now, what);
}

std::vector<LiveFigure> live_figures(const Session& session, const LivePress& live) {
  std::vector<LiveFigure> list;
  const auto& head = live.link()->reader().head();
  if (!head) {
    for (const ChannelWhat w : {ChannelWhat::force, ChannelWhat::travel})
      list.push_back({words_of(words_of(w)), QStringLiteral("–"), true});
    return list;
  }
  const TraceScale scale(*head, session.job().calibrations);
  for (const Channel& c : head->channels) {
    const auto si = live.told(c.what);
    const Kind kind = kind_of(c.what);
    LiveFigure f{words_of(words_of(c.what)), QStringLiteral("–"), !si};
    if (si) f.value = quantity_text(*si, kind, kind == Kind::pressure ? 2 : 0, session.style());
    if (scale.asks(c.what)) f.value = LivePress::tr("set points");
    list.push_back(f);
  }
  return list;
}

}  // namespace yoke
