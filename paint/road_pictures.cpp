#include "paint/road_pictures.hpp"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "paint/drawing_ground.hpp"
#include "vehicle/vehicle.hpp"

namespace yoke {

namespace {

constexpr double kRow = 66;
constexpr double kTop = 36;
constexpr double kLane_x = 34;

QColor ink_of(RoadState s) {
  return s == RoadState::failed ? theme::kMarkOnDye
         : s == RoadState::shut ? theme::kScribeSoft
                                : theme::kScribe;
}

theme::Mark mark_of(RoadState s) {
  return s == RoadState::passed   ? theme::Mark::tick
         : s == RoadState::failed ? theme::Mark::cross
         : s == RoadState::open   ? theme::Mark::rests
                                  : theme::Mark::query;
}

struct Row {
  QRectF box;
  QString name, says;
  RoadState state{};
  int wanted = 0, done = 0;
  bool at = false, last = false;
};

/// The lane runs down beside the names: driven it is whole, ahead it is dashed.
void draw_row(QPainter& p, const Row& r) {
  p.setRenderHint(QPainter::Antialiasing);
  const QColor ink = ink_of(r.state);
  if (r.at) {
    p.setBrush(theme::kDyeDeep);
    p.setPen(QPen(theme::kMarkOnDye, 2.2));
    p.drawRoundedRect(r.box.adjusted(60, 2, -6, -2), 5, 5);
  }
  if (!r.last) {
    p.setPen(QPen(r.state == RoadState::passed ? theme::kScribe : theme::kScribeFaint, 3,
                  r.state == RoadState::passed ? Qt::SolidLine : Qt::DashLine, Qt::FlatCap));
    p.drawLine(QPointF(kLane_x, r.box.top() + 34), QPointF(kLane_x, r.box.bottom() + 12));
  }
  theme::draw_mark(p, QRectF(kLane_x - 11, r.box.top() + 12, 22, 22), mark_of(r.state), ink);
  p.setPen(ink);
  p.setFont(theme::text(16, r.at));
  const double x = 74;
  p.drawText(QRectF(x, r.box.top() + 8, r.box.width() - x - 110, 24), Qt::AlignVCenter,
             theme::elided(p.font(), r.name, r.box.width() - x - 110));
  // A stop is a bar across the lane; those that count are filled.
  for (int i = 0; i < r.wanted; ++i) {
    const QRectF bar(r.box.right() - 18 - 9.0 * (r.wanted - i), r.box.top() + 11, 5, 18);
    if (i < r.done)
      p.fillRect(bar, theme::kScribe);
    else
      p.setPen(QPen(theme::kScribeSoft, 1)), p.setBrush(Qt::NoBrush), p.drawRect(bar);
  }
  p.setPen(r.state == RoadState::failed ? theme::kMarkOnDye : theme::kScribeSoft);
  p.setFont(theme::text(13));
  p.drawText(QRectF(x, r.box.top() + 34, r.box.width() - x - 12, 20), Qt::AlignVCenter,
             theme::elided(p.font(), r.says, r.box.width() - x - 12));
}

struct Ground {
  double left = 0, right = 0, y = 0, full_m = 1;
  bool low = false;
  [[nodiscard]] double x(double m) const {
    return left + (right - left) * std::min(1.0, m / full_m);
  }
};

void draw_flag(QPainter& p, const Ground& g, double m, const QString& words, bool above,
               const QColor& ink) {
  const double x = g.x(m);
  p.setPen(QPen(ink, 2.2));
  p.drawLine(QPointF(x, g.y),
             QPointF(x, above ? g.y - (g.low ? 18 : 46) : g.y + (g.low ? 26 : 34)));
  p.setFont(theme::figure(above ? (g.low ? 19 : 24) : (g.low ? 13 : 17), above));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(words) + 6;
  const double up = g.low ? 42 : 82, down = g.low ? 26 : 34, high = g.low ? 24 : 34;
  QRectF at(x - w / 2, above ? g.y - up : g.y + down, w, high);
  at.moveLeft(std::clamp(at.left(), 6.0, std::max(6.0, g.right + 20 - w)));
  p.drawText(at, Qt::AlignCenter, words);
}

void draw_stop(QPainter& p, const RoadStop& s, double wanted_z, const Style& style, QSizeF size) {
  p.setRenderHint(QPainter::Antialiasing);
  const auto f = stop_figures(s);
  const double flat = wanted_z - std::sin(s.slope_rad);
  const double wanted_m =
      flat > 0.02 ? s.speed_m_s * s.speed_m_s / (2 * flat * kGravity_m_s2) : 0.0;
  Ground g{24, size.width() - 40, size.height() * 0.58,
           1.15 * std::max({1.0, s.distance_m, wanted_m}), size.height() < 190};
  p.setPen(QPen(theme::kScribe, 3));
  p.drawLine(QPointF(g.left, g.y), QPointF(g.right, g.y));
  p.setPen(QPen(theme::kScribeSoft, 1));
  for (const double m : round_ticks(0, g.full_m, 8)) {
    p.drawLine(QPointF(g.x(m), g.y), QPointF(g.x(m), g.y + 8));
    p.setFont(theme::figure(13));
    p.drawText(QRectF(g.x(m) - 24, g.y + 9, 48, 18), Qt::AlignCenter, QString::number(m));
  }
  theme::fill_hatched(p, QRectF(g.left, g.y - 14, g.x(s.distance_m) - g.left, 12),
                      theme::kScribeSoft);
  const bool weak = f && stop_is_weak(*f, wanted_z);
  const bool judged = s.stage == RoadStage::hard;  // a soft stop is no weak one
  draw_flag(p, g, s.distance_m, f ? text_of(stop_words(*f), style) : QStringLiteral("?"), true,
            weak && judged ? theme::kMarkOnDye : theme::kScribe);
  if (wanted_m > 0 && (judged || s.stage == RoadStage::fast))
    draw_flag(p, g, wanted_m, Drawn::tr("%1 g would stand here").arg(wanted_z, 0, 'f', 2), false,
              theme::kMarkOnDye);
  p.setPen(theme::kScribeSoft);
  p.setFont(theme::text(14));
  p.drawText(QRectF(16, 8, size.width() - 32, 22), Qt::AlignVCenter,
             Drawn::tr("The last stop: from %1, %2 of it")
                 .arg(q(format_quantity(s.speed_m_s, Kind::speed, 0, style)),
                      q(format_quantity(s.distance_m, Kind::altitude, 1, style))));
}

}  // namespace

Picture road_path_picture(const std::vector<RoadStep>& steps, std::size_t at, const Style& style,
                          QSizeF size) {
  Picture pic;
  pic.size = QSizeF(size.width(), kTop + kRow * static_cast<double>(steps.size()) + 8);
  pic.covers = true;
  pic.layers.emplace_back([whole = pic.size](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), whole), theme::kDye);
    p.setPen(theme::kScribe);
    p.setFont(theme::text(15, true));
    p.drawText(QRectF(14, 8, whole.width() - 28, 22), Qt::AlignVCenter,
               Drawn::tr("From the yard to the hard stop"));
  });
  for (std::size_t i = 0; i < steps.size(); ++i) {
    const RoadStep& s = steps[i];
    Row r;
    r.box = QRectF(0, kTop + kRow * static_cast<double>(i), size.width(), kRow);
    r.name = text_of(s.name, style);
    r.says = text_of(s.says, style);
    r.state = s.state;
    r.wanted = s.wanted;
    r.done = std::min(s.done, s.wanted);
    r.at = i == at;
    r.last = i + 1 == steps.size();
    pic.layers.emplace_back([r](QPainter& p) { draw_row(p, r); });
    pic.spots.push_back({r.box, QStringLiteral("stage:%1").arg(i),
                         r.name + QStringLiteral("\n") + text_of(s.how, style)});
    pic.said << r.name + QStringLiteral(": ") + r.says;
  }
  return pic;
}

Picture stop_picture(const std::optional<RoadStop>& stop, double wanted_z, const Style& style,
                     QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  pic.layers.emplace_back(
      [size](QPainter& p) { p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye); });
  if (!stop || stop->distance_m <= 0) {
    const QString words = Drawn::tr(
        "No stop with its distance yet. Mark where the brake was "
        "pressed and where it stood, and pace or tape between");
    pic.layers.emplace_back([words, size](QPainter& p) {
      p.setPen(theme::kScribeSoft);
      p.setFont(theme::text(15));
      p.drawText(QRectF(20, 8, size.width() - 40, size.height() - 16),
                 Qt::AlignCenter | Qt::TextWordWrap, words);
    });
    pic.said << words;
    return pic;
  }
  pic.layers.emplace_back([=, s = *stop](QPainter& p) { draw_stop(p, s, wanted_z, style, size); });
  if (const auto f = stop_figures(*stop))
    pic.said << Drawn::tr("%1; the target stop is %2 g")
                    .arg(text_of(stop_words(*f), style))
                    .arg(wanted_z, 0, 'f', 2);
  return pic;
}

namespace {

struct DrawnWheel {
  QRectF box;
  QString heat;
  bool marked = false;
};

void draw_wheel(QPainter& p, const DrawnWheel& w) {
  const QColor ink = w.marked ? theme::kMarkOnDye : theme::kScribe;
  p.setPen(QPen(ink, w.marked ? 3 : 1.8));
  p.setBrush(theme::kDyeDeep);
  p.drawRoundedRect(w.box, 5, 5);
  p.setPen(ink);
  p.setFont(theme::figure(24, true));
  const bool left = w.box.left() < w.box.width() * 3;
  const QRectF at(left ? w.box.right() + 8 : w.box.left() - 8 - 150, w.box.center().y() - 18, 150,
                  36);
  p.drawText(at, (left ? Qt::AlignLeft : Qt::AlignRight) | Qt::AlignVCenter, w.heat);
}

}  // namespace

Picture heat_picture(const std::map<std::string, WheelHeat>& heat,
                     const std::vector<HeatPair>& pairs, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("After the run"));
  std::vector<DrawnWheel> wheels;
  const double high = std::max(24.0, (size.height() - 60) / 2 - 10);
  const double wide = std::clamp(high * 0.4, 16.0, 34.0);
  for (const Wheel w :
       {Wheel::front_left, Wheel::front_right, Wheel::rear_left, Wheel::rear_right}) {
    const bool left = w == Wheel::front_left || w == Wheel::rear_left;
    const bool front = w == Wheel::front_left || w == Wheel::front_right;
    DrawnWheel d;
    d.box = QRectF(left ? 20 : size.width() - 20 - wide, front ? 36 : 36 + high + 20, wide, high);
    const auto it = heat.find(std::string(wheel_key(w)));
    d.heat = it == heat.end()
                 ? QStringLiteral("?")
                 : text_of(say("{}", amount(it->second.celsius, Kind::temperature, 0)), style);
    for (const HeatPair& pair : pairs)
      d.marked = d.marked || (pair.uneven && (pair.axle == Axle::front) == front &&
                              (pair.left_c > pair.right_c) == left);
    pic.said << QStringLiteral("%1: %2").arg(words_of(wheel_words(w)), d.heat);
    wheels.push_back(d);
  }
  pic.layers.emplace_back([wheels](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const DrawnWheel& w : wheels) draw_wheel(p, w);
  });
  return pic;
}

}  // namespace yoke
