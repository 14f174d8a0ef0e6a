// Where the unit and the pedal come to lie: boxes, angles and heights.
#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "document/param/assist_kind.hpp"
#include "document/param/hang.hpp"
#include "document/param/rod_ends.hpp"
#include "fitting/envelope.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/lettering.hpp"
#include "paint/words.hpp"
#include "rod/ends.hpp"

namespace yoke {

namespace {

/// How the boxes lie in a picture of two views side by side.
struct RoomView {
  double scale = 1;  ///< pixels to the metre
  double low_x = 0;
};

RoomView room_view(const std::vector<Box>& boxes, QSizeF size) {
  double reach_x = 0.1, low_x = 0, reach = 0.1;
  for (const Box& b : boxes) {
    reach_x = std::max(reach_x, b.x_m + b.dx_m / 2 + b.swing_m);
    low_x = std::min(low_x, b.x_m - b.dx_m / 2 - b.swing_m);
    reach = std::max({reach, std::abs(b.y_m) + b.dy_m / 2 + b.swing_m,
                      std::abs(b.z_m) + b.dz_m / 2 + b.swing_m});
  }
  return {std::min((size.width() / 2 - 30) / (reach_x - low_x), (size.height() - 64) / (2 * reach)),
          low_x};
}

}  // namespace

double room_pixels_per_metre(const Job& job, QSizeF size) {
  return room_view(job.boxes, size).scale;
}

Picture room_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Room around the unit, the tightest gap marked"));
  const auto& boxes = job.boxes;
  if (boxes.empty()) {
    say_missing(pic, Drawn::tr("No boxes yet."));
    return pic;
  }
  const double half = size.width() / 2;
  const auto [scale, low_x] = room_view(boxes, size);
  const auto gaps = box_gaps(boxes);
  for (int view = 0; view < 2; ++view) {
    const double mid = 34 + (size.height() - 40) / 2;
    const double x0 = half * view + 14 - low_x * scale;
    const auto rect = [=, scale = scale](const Box& b, double more) {
      const double across = view == 0 ? b.y_m : -b.z_m;
      const double wide = (view == 0 ? b.dy_m : b.dz_m) / 2 + more;
      const double lon = b.dx_m / 2 + more;
      return QRectF(QPointF(x0 + (b.x_m - lon) * scale, mid + (across - wide) * scale),
                    QPointF(x0 + (b.x_m + lon) * scale, mid + (across + wide) * scale));
    };
    // Dragged in either view: forward and aside, or forward and up.
    for (std::size_t i = 0; i < boxes.size(); ++i)
      pic.spots.push_back({rect(boxes[i], 0),
                           QStringLiteral("box:%1:%2").arg(view == 0 ? "above" : "side").arg(i),
                           Drawn::tr("%1: drag it to its place").arg(q(boxes[i].name))});
    pic.layers.emplace_back([=](QPainter& p) {
      p.setRenderHint(QPainter::Antialiasing);
      p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashDotLine));
      p.drawLine(QPointF(half * view + 10, mid), QPointF(half * (view + 1) - 10, mid));
      p.setFont(theme::text(13));
      p.setPen(theme::kScribeSoft);
      p.drawText(QRectF(half * view + 14, size.height() - 24, half, 18), Qt::AlignLeft,
                 view == 0 ? Drawn::tr("from above") : Drawn::tr("from the right"));
      std::vector<std::pair<QPointF, QString>> names;
      for (const Box& b : boxes) {
        if (b.swing_m > 0) {
          p.setPen(QPen(theme::kScribeFaint, 1.2, Qt::DashLine));
          p.setBrush(Qt::NoBrush);
          p.drawRect(rect(b, b.swing_m));
        }
        const bool unit = b.kind == Box::Kind::unit;
        p.setPen(QPen(unit ? theme::kScribe : theme::kScribeSoft, unit ? 2 : 1.5));
        p.setBrush(b.kind == Box::Kind::hot ? QBrush(theme::kScribeFaint, Qt::DiagCrossPattern)
                   : unit                   ? QBrush(theme::kDyeDeep)
                                            : QBrush(theme::kScribeFaint, Qt::Dense6Pattern));
        const QRectF r = rect(b, 0);
        p.drawRect(r);
        p.setPen(theme::kScribe);
        const QString name = theme::elided(p.font(), q(b.name), 130);
        const double w = QFontMetricsF(p.font()).horizontalAdvance(name) + 6;
        // Inside where it fits, else above its box.
        const QPointF middle = r.width() > w && r.height() > 18
                                   ? QPointF(r.left() + 2 + w / 2, r.top() + 10)
                                   : QPointF(r.left() + w / 2, r.top() - 10);
        names.emplace_back(middle, name);
      }
      Lettering letters(QRectF(half * view, 0, half, size.height()));
      letters.keep_free(QRectF(half * view + 14, size.height() - 24, 140, 24));
      const auto write_names = [&] {
        p.setFont(theme::text(13));
        p.setPen(theme::kScribe);
        for (const auto& [middle, name] : names)
          letters.write(p, middle, name, QColor(0x0a, 0x1e, 0x38, 190));
      };
      if (gaps.empty()) return write_names();
      const QRectF a = rect(boxes[gaps[0].a], 0);
      const QRectF b = rect(boxes[gaps[0].b], 0);
      const auto between = [](double a0, double a1, double b0, double b1) {
        return a1 < b0   ? std::pair{a1, b0}
               : b1 < a0 ? std::pair{a0, b1}
                         : std::pair{(std::max(a0, b0) + std::min(a1, b1)) / 2,
                                     (std::max(a0, b0) + std::min(a1, b1)) / 2};
      };
      const auto [ax, bx] = between(a.left(), a.right(), b.left(), b.right());
      const auto [ay, by] = between(a.top(), a.bottom(), b.top(), b.bottom());
      // The tightest gap has its place, the names keep clear of it.
      const QPointF gap((ax + bx) / 2, (ay + by) / 2);
      letters.keep_free(QRectF(gap - QPointF(46, 11), QSizeF(92, 22)));
      write_names();
      theme::draw_dimension(p, {ax, ay}, {bx, by}, length_text(gaps[0].gap_m, style, 0),
                            gaps[0].enough ? theme::kScribe : theme::kMarkOnDye, false);
    });
  }
  for (const BoxGap& g : gaps)
    pic.said << Drawn::tr("%1 to %2: %3")
                    .arg(q(boxes[g.a].name), q(boxes[g.b].name), length_text(g.gap_m, style, 0));
  return pic;
}

Picture attitude_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("From the right: lay a phone's level where the marks are"));
  const Values v = resolve(job, As::plan);
  struct Line {
    QString words;
    Param param;
    double x;
  };
  std::vector<Line> lines{{Drawn::tr("master's nose"), param::fit_master_nose, 0.3}};
  if (v.is(choice::AssistKind::remote)) {
    lines.push_back({Drawn::tr("servo's nose"), param::fit_servo_nose, 0.62});
    lines.push_back({Drawn::tr("breather"), param::fit_breather, 0.85});
  }
  for (const Line& l : lines) {
    const bool known = v.known(l.param);
    const double a = known ? v.si(l.param) : 0;
    const QString words =
        l.words + QLatin1Char(' ') +
        (known ? q(format_quantity(a, Kind::angle, 1, style)) : QStringLiteral("?"));
    pic.said << words;
    const bool down = l.param == param::fit_breather;
    const QPointF c(size.width() * l.x, size.height() * 0.52);
    pic.layers.emplace_back([=](QPainter& p) {
      p.setRenderHint(QPainter::Antialiasing);
      const double reach = down ? 50 : 80;
      p.setPen(QPen(theme::kScribeSoft, 1, Qt::DashDotLine));
      const QPointF level = down ? QPointF(0, reach) : QPointF(reach, 0);
      p.drawLine(c - (down ? QPointF() : level), c + level);
      p.save();
      p.translate(c);
      p.rotate(down ? -a * 180 / kPi : -a * 180 / kPi);
      p.setPen(QPen(known ? theme::kScribe : theme::kMarkOnDye, 1.8,
                    known ? Qt::SolidLine : Qt::DashLine));
      p.setBrush(theme::kDyeDeep);
      if (down) {
        p.drawRect(QRectF(-7, 0, 14, reach * 0.8));
      } else {
        p.drawRoundedRect(QRectF(-70, -18, 150, 36), 6, 6);  // the body, nose to the right
        p.drawRect(QRectF(-34, -44, 78, 26));                // what stands on it
        p.drawRect(QRectF(-82, -30, 12, 60));                // its flange
        p.setPen(QPen(theme::kMarkOnDye, 3));
        p.drawLine(QPointF(-40, 24), QPointF(40, 24));  // where the phone is laid
      }
      p.restore();
      p.setPen(known ? theme::kScribe : theme::kMarkOnDye);
      p.setFont(theme::figure(15, true));
      p.drawText(QRectF(c.x() - 110, size.height() - 48, 220, 24), Qt::AlignCenter, words);
    });
  }
  return pic;
}

Picture heights_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Heights above the floor, to scale"));
  const HeightsReport h = heights_report(job);
  const Values v = resolve(job, As::plan);
  struct Level {
    QString words;
    double m;
    double x;
    bool mark;
  };
  std::vector<Level> levels;
  if (h.pad_before_m)
    levels.push_back({Drawn::tr("pedal before ") + length_text(*h.pad_before_m, style, 0),
                      *h.pad_before_m, 0.2, false});
  if (h.pad_after_m)
    levels.push_back({Drawn::tr("pedal after ") + length_text(*h.pad_after_m, style, 0),
                      *h.pad_after_m, 0.45, false});
  if (h.pad_after_m && h.lamp_after_m)
    levels.push_back(
        {Drawn::tr("lamp lights"), *h.pad_after_m - *h.lamp_after_m, 0.6, *h.lamp_after_m <= 0});
  if (v.known(param::rod_accelerator))
    levels.push_back(
        {Drawn::tr("accelerator ") + length_text(v.si(param::rod_accelerator), style, 0),
         v.si(param::rod_accelerator), 0.85, false});
  if (levels.empty()) {
    say_missing(pic, Drawn::tr("The pedal's height at rest is not known: floor to the middle of "
                               "the pedal pad, carpet out."));
    return pic;
  }
  double most = 0.05;
  for (const Level& l : levels) most = std::max(most, l.m);
  const double floor_y = size.height() - 26;
  const double scale = (floor_y - 56) / most;
  for (const Level& l : levels) pic.said << l.words;
  pic.said << text_of(h.said, style);
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::kScribe, 2));
    p.drawLine(QPointF(20, floor_y), QPointF(size.width() - 20, floor_y));
    p.setFont(theme::text(13));
    p.drawText(QRectF(22, floor_y + 3, 100, 18), Qt::AlignLeft, Drawn::tr("floor"));
    Lettering letters(QRectF(QPointF(0, 0), size));
    letters.keep_free(QRectF(0, 0, size.width(), 30));
    for (const Level& l : levels)
      letters.keep_free(QRectF(size.width() * l.x - 28, floor_y - l.m * scale - 4, 56, 8));
    for (const Level& l : levels) {
      const double y = floor_y - l.m * scale;
      const double x = size.width() * l.x;
      const QColor ink = l.mark ? theme::kMarkOnDye : theme::kScribe;
      p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashLine));
      p.drawLine(QPointF(x, y), QPointF(x, floor_y));
      p.setPen(QPen(ink, 6, Qt::SolidLine, Qt::RoundCap));
      p.drawLine(QPointF(x - 26, y), QPointF(x + 26, y));
      p.setPen(ink);
      letters.write(p, {x, y - 16}, l.words);
    }
  });
  return pic;
}

}  // namespace yoke
