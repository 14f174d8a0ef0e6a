#include "session/live_edits.hpp"

#include <QDir>
#include <QFileInfo>
#include <algorithm>
#include <cmath>

#include "files/limits.hpp"
#include "files/recording.hpp"
#include "paint/theme.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

constexpr double kLight_n = 60;  // below: a light foot
constexpr double kShown_s = 30;  // of pressures
constexpr std::size_t kGhosts = 3;
constexpr std::size_t kMostDrawn = 2500;

QString folder_of(const QString& job_path) {
  const QFileInfo job(job_path);
  return job.absolutePath() + QLatin1Char('/') + job.completeBaseName() +
         QStringLiteral(".recordings");
}

/// The file's name, from the moment: digits alone.
std::string name_of(const std::string& when) {
  std::string digits;
  for (const char c : when)
    if (c >= '0' && c <= '9') digits += c;
  return "press-" + digits + ".line.gz";
}

double unit_of(Kind kind, const Style& style) {
  const bool inch = style.units == UnitStyle::imperial;
  if (kind == Kind::force) return inch ? 1 / 4.4482216152605 : 1;
  if (kind == Kind::pressure) return inch ? 1 / 6894.757293168361 : 1e-6;
  return inch ? 1 / 0.0254 : 1e3;
}

}  // namespace

QString recording_path(const QString& job_path, const QString& name) {
  if (name.isEmpty() || QFileInfo(name).fileName() != name || name.startsWith(QLatin1Char('.')))
    return {};
  return folder_of(job_path) + QLatin1Char('/') + name;
}

int carry_recordings(const QString& from_job, const QString& to_job, const Job& job) {
  int left = 0;
  for (const Recording& r : job.recordings) {
    const QString from = recording_path(from_job, QString::fromStdString(r.file));
    const QString to = recording_path(to_job, QString::fromStdString(r.file));
    if (from.isEmpty() || from == to || QFile::exists(to)) continue;
    if (!QDir().mkpath(folder_of(to_job)) || !QFile::copy(from, to)) ++left;
  }
  return left;
}

Expected<LiveTaken> take_recording(Session& session, const Trace& trace, const PressWay& how,
                                   int lost, const std::string& when) {
  LiveTaken t = taken_of(session.job(), trace, how);
  if (t.practice || (t.readings.empty() && !t.sink && !t.rest_pressure_pa)) return t;
  Recording r;
  r.when = when;
  r.seconds = trace.samples.back().t_s - trace.samples.front().t_s;
  r.samples = static_cast<int>(trace.samples.size());
  r.lost = std::clamp(lost, 0, kMostCount);
  if (session.has_path() && session.job().recordings.size() < kMostRecordings) {
    r.file = name_of(when);
    const QString path = recording_path(session.path(), QString::fromStdString(r.file));
    QDir().mkpath(QFileInfo(path).absolutePath());
    if (const auto ok = save_trace(path.toStdString(), trace); !ok) {
      t.says.push_back(say("The samples could not be kept: {}", ok.error().reason));
      r.file.clear();
    }
  } else if (!session.has_path()) {
    t.says.emplace_back("The samples are not kept: save the job first, they stand beside it");
  }
  const auto ok = session.edit(QObject::tr("a press from the instrument"), [&](Job& j) {
    for (const Reading& reading : t.readings)
      if (j.readings.size() < kMostReadings) j.readings.push_back(reading);
    // A press right after another begins before the fluid is back.
    if (t.rest_pressure_pa && !how.second_apply)
      j.pump.rest_pressure_pa =
          std::clamp(*t.rest_pressure_pa, kReadingPressure.least, kReadingPressure.most);
    if (t.sink) {
      const double sank = std::max(0.0, t.sink->sink_m);
      if (t.sink->mean_n < kLight_n) {
        j.pump.light_sink_m = sank;
      } else {
        j.pump.sink_m = sank;
        j.pump.hold_s = t.sink->hold_s;
      }
    }
    if (!r.file.empty()) j.recordings.push_back(r);
  });
  if (!ok) return fail(ok.error());
  return t;
}

std::vector<Message> practice_words(const Job& job, const std::vector<Reading>& readings) {
  Job pressed = job;
  pressed.readings = readings;
  pressed.pump = {};
  return prove_verdict(pressed);
}

const Calibration* points_of(const Job& job, ChannelWhat what) {
  const Calibration* last = nullptr;
  for (const Calibration& c : job.calibrations)
    if (c.channel == key_of(what)) last = &c;
  return last;
}

Expected<bool> set_points(Session& session, const Calibration& points) {
  const auto good = checked(points);
  if (!good) return fail(good.error());
  return session.edit(QObject::tr("two known points of a channel"), [&](Job& j) {
    std::erase_if(j.calibrations,
                  [&](const Calibration& c) { return c.channel == points.channel; });
    j.calibrations.push_back(*good);
  });
}

void band_behind(PlotInput& in, std::size_t curve, double share) {
  in.bands.clear();
  if (curve >= in.curves.size() || !(share > 0)) return;
  PlotBand band;
  band.colour = theme::kSteel;
  const double half = kEightInTen * share;
  for (const QPointF& p : in.curves[curve].points) {
    band.low.emplace_back(p.x() * std::max(0.0, 1 - half), p.y());
    band.high.emplace_back(p.x() * (1 + half), p.y());
    in.x.hi = p.y() <= in.y.hi ? std::max(in.x.hi, band.high.back().x()) : in.x.hi;
  }
  in.bands.push_back(std::move(band));
}

std::optional<std::size_t> curve_behind(const Job& job, const PlotInput& in, bool assist) {
  const std::size_t at = has_assist(job, As::plan) && !assist ? 1 : 0;
  return at < in.curves.size() ? std::optional(at) : std::nullopt;
}

PlotInput live_plot(const Session& s, PlotInput in, const Trace& now,
                    const std::vector<Trace>& ghosts) {
  const double mm = unit_of(Kind::length, s.style()), n = unit_of(Kind::force, s.style());
  in.title = QObject::tr("As it is pressed");
  const auto add = [&](const Trace& t, const QString& name, Stroke stroke, const QColor& colour) {
    const TraceScale scale(t.head, s.job().calibrations);
    PlotCurve c{name, {}, stroke, colour, 2.4};
    Rest rest = rest_of(t, scale);
    if (!rest.known) rest = {};
    // More points than a screen has columns are seen by nobody.
    const std::size_t stride = 1 + t.samples.size() / kMostDrawn;
    for (std::size_t i = 0; i < t.samples.size(); i += stride) {
      const LineSample& q = t.samples[i];
      const auto f = scale.si(q, ChannelWhat::force), x = scale.si(q, ChannelWhat::travel);
      if (!f || !x) continue;
      c.points.emplace_back((*x - rest.travel_m) * mm, (*f - rest.force_n) * n);
      in.x.hi = std::max(in.x.hi, 1.02 * c.points.back().x());
      in.y.hi = std::max(in.y.hi, 1.02 * c.points.back().y());
    }
    in.curves.push_back(std::move(c));
  };
  const std::size_t first = ghosts.size() > kGhosts ? ghosts.size() - kGhosts : 0;
  for (std::size_t i = first; i < ghosts.size(); ++i)
    add(ghosts[i], QObject::tr("earlier"), Stroke::dashed, theme::kMarkOnDye);
  add(now, QObject::tr("now"), Stroke::solid, theme::kMarkOnDye);
  return in;
}

PlotInput pressure_plot(const Session& s, const InstrumentHead& head,
                        const std::deque<LineSample>& lately) {
  const bool inch = s.style().units == UnitStyle::imperial;
  const double unit = unit_of(Kind::pressure, s.style());
  PlotInput in;
  in.title = QObject::tr("Pressure");
  in.x.words = QObject::tr("seconds ago");
  in.y.words = inch ? QStringLiteral("psi") : QStringLiteral("MPa");
  in.empty = QObject::tr("No gauge tells a pressure");
  in.x.lo = -kShown_s;
  in.x.hi = 0;
  in.y.hi = 1e6 * unit;
  const TraceScale scale(head, s.job().calibrations);
  const std::pair<ChannelWhat, QString> gauges[] = {
      {ChannelWhat::pressure1, QObject::tr("outlet 1")},
      {ChannelWhat::pressure2, QObject::tr("outlet 2")}};
  for (const auto& [what, name] : gauges) {
    PlotCurve c{name,
                {},
                what == ChannelWhat::pressure1 ? Stroke::solid : Stroke::dashed,
                theme::kScribe,
                2.0};
    for (const LineSample& q : lately) {
      const double ago = q.t_s - lately.back().t_s;
      const auto p = scale.si(q, what);
      if (!p || ago < -kShown_s) continue;
      c.points.emplace_back(ago, *p * unit);
      in.y.hi = std::max(in.y.hi, 1.05 * *p * unit);
    }
    if (!c.points.empty()) in.curves.push_back(std::move(c));
  }
  return in;
}

}  // namespace yoke
