#include "paint/time_line.hpp"

#include <QDateTime>
#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "paint/drawing_ground.hpp"

namespace yoke {

namespace {

constexpr double kTop = 56, kNames = 96, kRight = 232;

double moment(const std::string& when) {
  return static_cast<double>(
      QDateTime::fromString(QString::fromStdString(when), Qt::ISODate).toSecsSinceEpoch());
}

enum class Shape { dot, square, tick, cross };

Shape shape_of(const Event& e) {
  switch (e.kind) {
    case EventKind::proof:
    case EventKind::state:
      return e.is == "failed" ? Shape::cross : Shape::tick;
    case EventKind::worked:
    case EventKind::waited:
    case EventKind::wasted:
    case EventKind::cost:
      return Shape::square;
    case EventKind::undone:
      return Shape::cross;
    default:
      return Shape::dot;
  }
}

struct Mark {
  QPointF at;
  Shape shape{};
  bool bad = false;
};

struct Lane {
  QRectF box;
  QString name, sums;
  bool at = false, empty = true;
};

void draw_mark(QPainter& p, const Mark& m) {
  const QColor ink = m.bad ? theme::kMarkOnDye : theme::kScribe;
  p.setPen(QPen(ink, 2));
  p.setBrush(m.shape == Shape::dot ? QBrush(ink) : QBrush(Qt::NoBrush));
  const double x = m.at.x(), y = m.at.y();
  switch (m.shape) {
    case Shape::dot:
      p.drawEllipse(m.at, 2.5, 2.5);
      break;
    case Shape::square:
      p.drawRect(QRectF(x - 4, y - 4, 8, 8));
      break;
    case Shape::tick:
      p.drawPolyline(QPolygonF{{x - 5, y}, {x - 1, y + 5}, {x + 6, y - 6}});
      break;
    case Shape::cross:
      p.drawLine(QPointF(x - 5, y - 5), QPointF(x + 5, y + 5));
      p.drawLine(QPointF(x - 5, y + 5), QPointF(x + 5, y - 5));
      break;
  }
}

void draw_lane(QPainter& p, const Lane& l, double right) {
  if (l.at) {
    p.setBrush(theme::kDyeDeep);
    p.setPen(QPen(theme::kMarkOnDye, 2));
    p.drawRoundedRect(l.box.adjusted(3, 1, -3, -1), 4, 4);
  }
  p.setPen(l.empty ? theme::kScribeSoft : theme::kScribe);
  p.setFont(theme::text(15, l.at));
  p.drawText(QRectF(14, l.box.top(), kNames - 16, l.box.height()), Qt::AlignVCenter, l.name);
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.drawLine(QPointF(kNames, l.box.center().y()), QPointF(right, l.box.center().y()));
  p.setPen(theme::kScribe);
  p.setFont(theme::text(13));
  p.drawText(QRectF(right + 12, l.box.top(), kRight - 20, l.box.height()), Qt::AlignVCenter,
             theme::elided(p.font(), l.sums, kRight - 20));
}

QString sums_of(const StageTime& t, const Style& style) {
  QStringList parts;
  if (t.worked_s > 0) parts << Drawn::tr("worked %1").arg(text_of(time_words(t.worked_s), style));
  if (t.waited_s > 0) parts << Drawn::tr("waited %1").arg(text_of(time_words(t.waited_s), style));
  if (t.wasted_s > 0) parts << Drawn::tr("wasted %1").arg(text_of(time_words(t.wasted_s), style));
  if (t.money != 0) parts << Drawn::tr("money %1").arg(t.money, 0, 'f', 2);
  return parts.join(QStringLiteral(", "));
}

/// Days along the top, as many as have room.
void add_days(Picture& pic, const Scale& x, double bottom) {
  struct Day {
    double at;
    QString words;
  };
  std::vector<Day> days;
  const double span = x.value1 - x.value0;
  constexpr double kDay = 86400;
  const double room = std::max(1.0, (x.pixel1 - x.pixel0) / 96);
  const double step = kDay * std::max(1.0, std::ceil(span / kDay / room));
  QDateTime at(QDateTime::fromSecsSinceEpoch(static_cast<qint64>(x.value0)).date(), QTime(0, 0));
  for (int i = 0; i < 40; ++i, at = at.addSecs(static_cast<qint64>(step))) {
    const double v = static_cast<double>(at.toSecsSinceEpoch());
    if (v > x.value1) break;
    if (v >= x.value0) days.push_back({x.pixel(v), at.date().toString(Qt::ISODate)});
  }
  if (days.empty())
    days.push_back({x.pixel0, QDateTime::fromSecsSinceEpoch(static_cast<qint64>(x.value0))
                                  .date()
                                  .toString(Qt::ISODate)});
  pic.layers.emplace_back([days, bottom](QPainter& p) {
    p.setFont(theme::text(12));
    for (const Day& d : days) {
      p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashLine));
      p.drawLine(QPointF(d.at, kTop - 6), QPointF(d.at, bottom));
      p.setPen(theme::kScribeSoft);
      p.drawText(QRectF(d.at + 4, kTop - 26, 92, 18), Qt::AlignVCenter, d.words);
    }
  });
}

}  // namespace

Picture time_line_picture(const std::vector<Event>& events, const std::vector<StageTime>& stages,
                          std::optional<Stage> chosen, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("The job's time"));
  if (events.empty()) {
    say_missing(pic, Drawn::tr("Nothing is written yet: every edit, step and proof writes its line "
                               "here by itself"));
    return pic;
  }
  const double right = std::max(kNames + 120, size.width() - kRight);
  Scale x{moment(events.front().when), moment(events.front().when), kNames + 10, right - 10};
  for (const Event& e : events) {
    x.value0 = std::min(x.value0, moment(e.when));
    x.value1 = std::max(x.value1, moment(e.when));
  }
  if (x.value1 - x.value0 < 3600) x.value1 = x.value0 + 3600;
  const double high =
      std::max(16.0, (size.height() - kTop - 6) / static_cast<double>(stages.size()));
  std::vector<Lane> lanes;
  for (std::size_t i = 0; i < stages.size(); ++i) {
    Lane l;
    l.box = QRectF(0, kTop + high * static_cast<double>(i), size.width(), high);
    l.name = words_of(stage_words(stages[i].stage));
    l.sums = sums_of(stages[i], style);
    l.at = chosen == stages[i].stage;
    l.empty = stages[i].lines == 0;
    const QString said = Drawn::tr("%1: %2 lines").arg(l.name).arg(stages[i].lines) +
                         (l.sums.isEmpty() ? QString() : QStringLiteral(", ") + l.sums);
    pic.said << said;
    pic.spots.push_back({l.box, QStringLiteral("stage:%1").arg(i), said});
    lanes.push_back(std::move(l));
  }
  std::vector<Mark> marks;
  for (const Event& e : events) {
    const QRectF& box = lanes[static_cast<std::size_t>(e.stage)].box;
    marks.push_back({QPointF(x.pixel(moment(e.when)), box.center().y()), shape_of(e),
                     e.kind == EventKind::wasted || e.is == "failed"});
  }
  pic.layers.emplace_back([lanes, right](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Lane& l : lanes) draw_lane(p, l, right);
  });
  add_days(pic, x, size.height() - 6);
  pic.layers.emplace_back([marks](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Mark& m : marks) draw_mark(p, m);
  });
  return pic;
}

}  // namespace yoke
