#include "paint/work_track.hpp"

#include <QPainterPath>
#include <algorithm>

#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kNames = 132;
constexpr double kFoot = 26;
constexpr double kMargin = 12;

QString place_words(WorkPlace p) {
  return words_of(words_of_value(p));
}

QString wait_words(long seconds) {
  return seconds >= 3600 ? Drawn::tr("%1 h").arg(seconds / 3600)
                         : Drawn::tr("%1 min").arg(seconds / 60);
}

/// Where lanes and stations lie.
struct Lay {
  QSizeF size;
  std::vector<WorkPlace> lanes;
  double column = 0;
  double lane = 0;

  Lay(const Track& t, QSizeF s) : size(s) {
    for (const WorkPlace p : kWorkPlaces)
      if (std::any_of(t.steps.begin(), t.steps.end(),
                      [p](const TrackStep& step) { return step.place == p; }))
        lanes.push_back(p);
    const double n = std::max<double>(1, static_cast<double>(t.steps.size()));
    column = (size.width() - kNames - kMargin) / n;
    lane =
        (size.height() - kMargin - kFoot) / std::max<double>(1, static_cast<double>(lanes.size()));
  }
  [[nodiscard]] double lane_y(std::size_t i) const {
    return kMargin + lane * (static_cast<double>(i) + 0.5);
  }
  [[nodiscard]] QPointF at(const TrackStep& s, std::size_t i) const {
    const auto it = std::find(lanes.begin(), lanes.end(), s.place);
    return {kNames + column * (static_cast<double>(i) + 0.5),
            lane_y(static_cast<std::size_t>(it - lanes.begin()))};
  }
  [[nodiscard]] double radius() const { return std::clamp(column * 0.42, 4.0, 13.0); }
  [[nodiscard]] QRectF column_of(std::size_t i) const {
    return {kNames + column * static_cast<double>(i), 0, column, size.height()};
  }
};

void draw_lanes(QPainter& p, const Lay& l) {
  p.setFont(theme::text(14));
  for (std::size_t i = 0; i < l.lanes.size(); ++i) {
    p.setPen(QPen(theme::kScribeFaint, 1, Qt::DotLine));
    p.drawLine(QPointF(kNames, l.lane_y(i)), QPointF(l.size.width() - kMargin, l.lane_y(i)));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(10, l.lane_y(i) - 12, kNames - 14, 24), Qt::AlignVCenter,
               theme::elided(p.font(), place_words(l.lanes[i]), kNames - 16));
  }
}

/// The way from station to station: drawn heavy as far as everything before it is done.
void draw_way(QPainter& p, const Track& t, const Lay& l) {
  for (std::size_t i = 1; i < t.steps.size(); ++i) {
    const QPointF a = l.at(t.steps[i - 1], i - 1);
    const QPointF b = l.at(t.steps[i], i);
    const bool done = t.steps[i - 1].state == TrackStep::State::done &&
                      t.steps[i].state == TrackStep::State::done;
    p.setPen(QPen(done ? theme::kScribe : theme::kScribeFaint, done ? 2.4 : 1.4));
    p.drawLine(a, b);
  }
}

void draw_needs(QPainter& p, const Track& t, const Lay& l) {
  if (!t.chosen || *t.chosen >= t.steps.size()) return;
  const QPointF to = l.at(t.steps[*t.chosen], *t.chosen);
  for (const std::size_t n : t.steps[*t.chosen].needs) {
    if (n >= t.steps.size()) continue;
    const QPointF from = l.at(t.steps[n], n);
    const bool open = t.steps[n].state != TrackStep::State::done;
    QPainterPath path(from);
    const double lift = std::min(from.y(), to.y()) - std::min(40.0, l.lane * 0.8);
    path.quadTo(QPointF((from.x() + to.x()) / 2, std::max(4.0, lift)), to);
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(open ? theme::kMarkOnDye : theme::kScribeSoft, open ? 2.4 : 1.6,
                  open ? Qt::SolidLine : Qt::DashLine));
    p.drawPath(path);
  }
}

void draw_station(QPainter& p, const TrackStep& s, QPointF at, double r, bool chosen) {
  const bool done = s.state == TrackStep::State::done;
  const bool ready = s.state == TrackStep::State::ready;
  p.setPen(QPen(ready || s.too_soon ? theme::kMarkOnDye : theme::kScribe, ready ? 2.6 : 1.6,
                s.state == TrackStep::State::waits ? Qt::DotLine : Qt::SolidLine));
  p.setBrush(done ? QBrush(theme::kScribe) : QBrush(theme::kDyeDeep));
  // Two pairs of hands: a square station.
  if (s.hands > 1)
    p.drawRect(QRectF(at.x() - r, at.y() - r, 2 * r, 2 * r));
  else
    p.drawEllipse(at, r, r);
  if (ready) {
    p.setPen(Qt::NoPen);
    p.setBrush(theme::kMarkOnDye);
    p.drawEllipse(at, r * 0.45, r * 0.45);
  }
  if (done && r >= 6) {
    p.setPen(QPen(theme::kDyeDeep, 1.8));
    p.drawPolyline(QPolygonF{QPointF(at.x() - r * 0.45, at.y()),
                             QPointF(at.x() - r * 0.1, at.y() + r * 0.4),
                             QPointF(at.x() + r * 0.5, at.y() - r * 0.4)});
  }
  if (!chosen) return;
  p.setBrush(Qt::NoBrush);
  p.setPen(QPen(theme::kMarkOnDye, 2));
  p.drawEllipse(at, r + 5, r + 5);
}

void draw_foot(QPainter& p, const Track& t, const Lay& l) {
  if (!t.chosen || *t.chosen >= t.steps.size()) return;
  const TrackStep& s = t.steps[*t.chosen];
  p.setFont(theme::text(14, true));
  p.setPen(theme::kScribe);
  QString words = Drawn::tr("%1. %2").arg(*t.chosen + 1).arg(s.name);
  if (s.wait_s > 0) words += Drawn::tr(" · then wait %1").arg(wait_words(s.wait_s));
  if (s.hands > 1) words += Drawn::tr(" · two people");
  const double width = l.size.width() - 24;
  p.drawText(QRectF(12, l.size.height() - kFoot, width, 22), Qt::AlignVCenter,
             theme::elided(p.font(), words, width));
}

QString said_of(const TrackStep& s, std::size_t i) {
  const QString state = s.state == TrackStep::State::done    ? Drawn::tr("done")
                        : s.state == TrackStep::State::ready ? Drawn::tr("can be done now")
                                                             : Drawn::tr("waits");
  return Drawn::tr("%1. %2, %3: %4").arg(i + 1).arg(s.name, place_words(s.place), state);
}

}  // namespace

Picture work_track(const Track& track, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  const Lay l(track, size);
  pic.layers.push_back([=](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
    p.setRenderHint(QPainter::Antialiasing);
    draw_lanes(p, l);
    draw_way(p, track, l);
    draw_needs(p, track, l);
    for (std::size_t i = 0; i < track.steps.size(); ++i)
      draw_station(p, track.steps[i], l.at(track.steps[i], i), l.radius(), track.chosen == i);
    draw_foot(p, track, l);
  });
  for (std::size_t i = 0; i < track.steps.size(); ++i) {
    const QString said = said_of(track.steps[i], i);
    pic.said << said;
    pic.spots.push_back({l.column_of(i), QStringLiteral("step:%1").arg(i), said});
  }
  return pic;
}

}  // namespace yoke
