#include "paint/sections.hpp"

#include <QFontMetricsF>
#include <QPainterPath>
#include <QtMath>
#include <algorithm>
#include <cmath>

#include "document/param/arms.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

/// One unit in section: firewall, plates, snout behind the face, socket, ball.
struct UnitSection {
  Value snout, socket, stack;
  [[nodiscard]] bool known() const { return snout.known() && socket.known() && stack.known(); }
  [[nodiscard]] double n() const { return snout.known() ? snout.si * 1e3 : 20; }
  [[nodiscard]] double t() const { return socket.known() ? socket.si * 1e3 : 25; }
  [[nodiscard]] double g() const { return stack.known() ? stack.si * 1e3 : 2; }
};

UnitSection unit_of(const Job& job, As which) {
  return {value_of(job, which, param::rod_snout), value_of(job, which, param::rod_socket),
          value_of(job, which, param::rod_stack)};
}

void draw_unit(QPainter& p, const UnitSection& u, QPointF face, double s, double flatness,
               const QString& name, const Style& style) {
  const auto at = [&](double up) { return face.y() + up * flatness; };
  p.setRenderHint(QPainter::Antialiasing);
  const bool known = u.known();
  QPen line(known ? theme::kScribe : theme::kScribeSoft, 1.6, known ? Qt::SolidLine : Qt::DashLine);
  const double fw = face.x() - u.g() * s;  // firewall, pedal side to the left
  p.setPen(QPen(theme::kScribeSoft, 2));
  p.drawLine(QPointF(fw, at(-62)), QPointF(fw, at(-20)));
  p.drawLine(QPointF(fw, at(20)), QPointF(fw, at(62)));
  p.setPen(line);
  p.setBrush(QBrush(theme::kScribeFaint, Qt::BDiagPattern));
  p.drawRect(QRectF(fw, at(-50), u.g() * s, 30 * flatness));
  p.drawRect(QRectF(fw, at(20), u.g() * s, 30 * flatness));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(face.x(), at(-50), 10, 100 * flatness));      // flange
  p.drawRect(QRectF(face.x() + 10, at(-26), 60, 52 * flatness));  // body
  const double end = face.x() - u.n() * s;                        // snout's end
  p.drawRect(QRectF(QPointF(end, at(-17)), QPointF(face.x(), at(17))));
  const double seat = end + u.t() * s;
  p.setBrush(theme::kDye);
  p.drawRect(QRectF(QPointF(end, face.y() - 8), QPointF(seat, face.y() + 8)));
  p.setPen(QPen(theme::kScribe, 3));
  p.drawLine(QPointF(end - 46, face.y()), QPointF(seat - 5, face.y()));
  p.setBrush(theme::kScribe);
  p.drawEllipse(QPointF(seat - 5, face.y()), 5, 5);
  const auto label = [&](const QString& word, const Value& v) {
    return word + QStringLiteral(" ") +
           (v.known() ? q(format_value(param::rod_snout, v.si, style)) : QStringLiteral("?"));
  };
  const auto ink = [](const Value& v) { return v.known() ? theme::kScribe : theme::kMarkOnDye; };
  theme::draw_dimension(p, {end, at(-66)}, {face.x(), at(-66)}, label(Drawn::tr("nose"), u.snout),
                        ink(u.snout), !u.snout.known());
  theme::draw_dimension(p, {end, at(66)}, {seat, at(66)}, label(Drawn::tr("seat depth"), u.socket),
                        ink(u.socket), !u.socket.known());
  p.setFont(theme::text(13));
  p.setPen(ink(u.stack));
  const QString spacers = label(Drawn::tr("spacers"), u.stack);
  const double wide = p.fontMetrics().horizontalAdvance(spacers) + 2;
  p.drawText(QRectF(std::max(4.0, face.x() + 4 - wide), at(66) + 14, wide, 18), Qt::AlignRight,
             spacers);
  p.setFont(theme::text(14, true));
  p.setPen(theme::kScribe);
  const bool low = flatness < 1;  // then the name stands beside the spacers
  const double aside = low ? std::max(face.x() + 18, wide + 14) : face.x() + 18;
  p.drawText(QRectF(aside, low ? at(66) + 13 : at(40), 80, 20), Qt::AlignLeft, name);
}

/// Too low for names below the wheels.
bool flat(QSizeF size) {
  return size.height() < 240;
}

/// In a narrow drawing the wheel's place names it, and its count stands alone.
bool is_narrow(QSizeF size) {
  return size.width() < 560;
}

QRectF wheel_box(Wheel w, QSizeF size) {
  const bool front = axle_of(w) == Axle::front;
  const bool left = w == Wheel::front_left || w == Wheel::rear_left;
  if (flat(size)) {  // names go beside the wheels
    const double x = front ? size.width() * (is_narrow(size) ? 0.34 : 0.42)
                           : size.width() - (is_narrow(size) ? 116 : 200);
    return {x, left ? size.height() - 64 : 54, 52, 32};
  }
  const double x = front ? size.width() * (is_narrow(size) ? 0.36 : 0.46) : size.width() - 96;
  const double y = left ? size.height() - 92 : 54;
  return {x, y, 62, 40};
}

void draw_outlet_lines(QPainter& p, const Job& job, QSizeF size) {
  p.setRenderHint(QPainter::Antialiasing);
  const double mid = size.height() / 2 + 8;
  for (const Wheel w : kWheels) {
    const auto o = outlet_of(job, As::plan, w);
    const QRectF box = wheel_box(w, size);
    if (!o) continue;
    const bool first = *o == Outlet::primary;
    QPen pen(theme::kScribe, 2.4);
    if (!first) pen.setDashPattern({6, 3});
    p.setPen(pen);
    const double y0 = mid + (first ? 14 : -14);
    const double bend = box.center().x() - (first ? 44 : 54);
    QPainterPath path(QPointF(size.width() * 0.24, y0));
    path.lineTo(bend, y0);
    path.lineTo(bend, box.center().y());
    path.lineTo(box.left(), box.center().y());
    p.drawPath(path);
  }
}

/// A wheel with what is written in it, and its name.
void draw_wheel(QPainter& p, const QRectF& box, const QString& inside, bool known,
                const QString& name, bool beside) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setBrush(theme::kDyeDeep);
  const QColor ink = known ? theme::kScribe : theme::kMarkOnDye;
  p.setPen(QPen(ink, 2, known ? Qt::SolidLine : Qt::DashLine));
  p.drawRoundedRect(box, 8, 8);
  p.setFont(theme::figure(17, true));
  p.setPen(ink);
  p.drawText(box, Qt::AlignCenter, inside);
  p.setFont(theme::text(13));
  p.setPen(theme::kScribe);
  if (beside) {
    // A line may run behind it.
    const double w = QFontMetricsF(p.font()).horizontalAdvance(name) + 8;
    p.fillRect(QRectF(box.right() + 4, box.center().y() - 9, w, 18), theme::kDye);
    p.drawText(QRectF(box.right() + 8, box.top(), 150, box.height()), Qt::AlignVCenter, name);
  } else {
    const double w = QFontMetricsF(p.font()).horizontalAdvance(name) + 6;
    p.fillRect(QRectF(box.center().x() - w / 2, box.bottom() + 2, w, 18), theme::kDye);
    p.drawText(QRectF(box.left() - 30, box.bottom() + 2, box.width() + 60, 18), Qt::AlignCenter,
               name);
  }
}

}  // namespace

Picture rod_section_picture(const Job& job, const RodReport& rod, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  // What is to be done stands beside the title, which gives way.
  const QString status = text_of(rod_status(rod), style);
  const QFont loud = theme::text(15, true);
  const double asked = QFontMetricsF(loud).horizontalAdvance(status) + 34;
  const double share = std::clamp(1 - asked / std::max(1.0, size.width()), 0.25, 0.7);
  ground(pic, Drawn::tr("Where the rod's ball end finds its seat"), share);
  pic.spots.push_back(
      {QRectF(size.width() * share, 0, size.width() * (1 - share), 30), QString(), status});
  const UnitSection units[] = {unit_of(job, As::found), unit_of(job, As::plan)};
  const QString names[] = {Drawn::tr("as found"), Drawn::tr("plan")};
  // Drawn for a small place and enlarged with it; one scale for both, to be compared by eye.
  const double zoom = std::clamp(std::min(size.width() / 574, size.height() / 233), 1.0, 2.0);
  const QSizeF place = size / zoom;
  const double longest = std::max({units[0].n() + units[0].g(), units[1].n() + units[1].g(), 30.0});
  const double scale = std::min(4.0, (place.width() / 2 - 170) / longest);
  // In a low picture the height is drawn shorter, the lengths are not.
  const double flatness = std::clamp((place.height() - 100) / 148, 0.3, 1.0);
  for (int i = 0; i < 2; ++i) {
    const QPointF face(place.width() * (i == 0 ? 0.5 : 1.0) - 96,
                       place.height() / 2 + (flatness < 1 ? 10 : 4));
    const UnitSection u = units[i];
    const QString name = names[i];
    pic.layers.emplace_back([=](QPainter& p) {
      p.scale(zoom, zoom);
      draw_unit(p, u, face, scale, flatness, name, style);
    });
    const double seat_m = (u.t() - u.n()) * 1e-3;
    pic.said << name + (u.known() ? Drawn::tr(": seat ") +
                                        q(format_full(seat_m, Kind::length, 2, style)) +
                                        Drawn::tr(" in front of the face")
                                  : Drawn::tr(": not all measured"));
  }
  pic.layers.emplace_back([=](QPainter& p) {
    p.setFont(loud);
    p.setPen(theme::kScribe);
    const QRectF room(size.width() * share, 7, size.width() * (1 - share) - 16, 22);
    p.drawText(room, Qt::AlignRight | Qt::AlignVCenter, theme::elided(loud, status, room.width()));
  });
  const QString answer = text_of(rod_words(rod), style);
  pic.said << answer;
  return pic;
}

Picture bleed_picture(const Job& job, const BleedPlan& plan, QSizeF size, const std::string& at) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("The order on the car, from above"));
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::kScribeFaint, 1.4, Qt::DashLine));
    p.drawRoundedRect(QRectF(24, 46, size.width() - 44, size.height() - 66), 40, 40);
    draw_outlet_lines(p, job, size);
    p.setPen(QPen(theme::kScribe, 1.8));
    p.setBrush(theme::kDyeDeep);
    p.drawRect(QRectF(size.width() * 0.12, size.height() / 2 - 20, size.width() * 0.12, 56));
    p.setFont(theme::text(13));
    p.drawText(QRectF(size.width() * 0.12, size.height() / 2 - 20, size.width() * 0.12, 56),
               Qt::AlignCenter, Drawn::tr("master"));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(40, 54, 200, 18), Qt::AlignLeft, Drawn::tr("front"));
  });
  const QRectF master(size.width() * 0.12, size.height() / 2 - 20, size.width() * 0.12, 56);
  pic.spots.push_back({master, QStringLiteral("nipple:bench"), Drawn::tr("the master by itself")});
  if (at == "bench")
    pic.layers.emplace_back([=](QPainter& p) {
      p.setPen(QPen(theme::kMarkOnDye, 2.4));
      p.drawRoundedRect(master.adjusted(-6, -6, 6, 6), 7, 7);
    });
  int order = 0;
  for (const BleedRow& row : bleed_rows(job, plan)) {
    if (!row.planned) continue;
    ++order;
    const BleedWheel& w = *row.planned;
    const bool clear = row.state == BleedState::clear;
    const QRectF box = wheel_box(w.wheel, size);
    const QString name = Drawn::tr("%1, %2 of %3")
                             .arg(words_of(wheel_words(w.wheel)))
                             .arg(row.done.strokes)
                             .arg(w.strokes);
    const bool here = at == row.key;
    pic.spots.push_back({box, QStringLiteral("nipple:") + QString::fromStdString(row.key), name});
    pic.layers.emplace_back([=](QPainter& p) {
      if (here) {
        p.setBrush(Qt::NoBrush);
        p.setPen(QPen(theme::kMarkOnDye, 2.4));
        p.drawRoundedRect(box.adjusted(-7, -7, 7, 7), 9, 9);
      }
      const QString words =
          is_narrow(size) ? Drawn::tr("%1 of %2").arg(row.done.strokes).arg(w.strokes) : name;
      draw_wheel(p, box, QString::number(order), true, words, flat(size));
      if (clear)
        theme::draw_mark(p, QRectF(box.right() - 20, box.center().y() - 9, 18, 18),
                         theme::Mark::tick, theme::kScribe);
    });
    pic.said << QStringLiteral("%1. %2%3")
                    .arg(order)
                    .arg(name, clear ? Drawn::tr(", clear") : QString());
  }
  return pic;
}

Picture rod_angle_picture(const Job& job, const AngleReport& report, const Style& style,
                          QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Rod and bore, drawn to scale"));
  if (report.points.empty()) {
    const QString why = report.missing.empty()
                            ? Drawn::tr("This geometry cannot be: see the finding")
                            : Drawn::tr("The rod's angle is unknown, not zero. Measure: ") +
                                  text_of(param_list(report.missing), style);
    pic.said << why;
    pic.layers.emplace_back([=](QPainter& p) {
      p.setPen(theme::kMarkOnDye);
      p.setFont(theme::text(15));
      p.drawText(QRectF(30, 40, size.width() - 60, size.height() - 60),
                 Qt::AlignCenter | Qt::TextWordWrap, why);
    });
    return pic;
  }
  const auto get = [&](Param p) { return value_of(job, As::plan, p).si * 1e3; };
  const double r = get(param::control_pin_arm);
  const double h = get(param::control_axis_height);
  const double l = get(param::control_rod_length);
  const double arm = get(param::control_pad_arm);
  const double a0 = value_of(job, As::plan, param::control_rest_angle).si;
  const double a1 = a0 + report.points.back().pad_travel_m * 1e3 / arm;
  const double scale =
      std::min((size.width() - 120) / (l + r * 0.5 + 30), (size.height() - 110) / (h + 6));
  const QPointF pivot(70 + r * scale * 0.4, 60);
  const auto draw = [=](QPainter& p, double a, const QColor& ink, Qt::PenStyle pen_style) {
    const double e = r * std::cos(a) - h;
    const QPointF pin = pivot + QPointF(r * std::sin(a), r * std::cos(a)) * scale;
    const QPointF ball =
        pivot + QPointF(r * std::sin(a) + std::sqrt(std::max(0.0, l * l - e * e)), h) * scale;
    p.setPen(QPen(ink, 3, pen_style));
    p.drawLine(pivot, pin);
    p.drawLine(pin, ball);
    p.setBrush(theme::kDye);
    p.drawEllipse(pin, 4, 4);
    p.setBrush(ink);
    p.drawEllipse(ball, 4, 4);
  };
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::kScribeSoft, 1, Qt::DashDotLine));
    p.drawLine(QPointF(20, pivot.y() + h * scale),
               QPointF(size.width() - 20, pivot.y() + h * scale));
    p.setFont(theme::text(13));
    p.drawText(QRectF(size.width() - 100, pivot.y() + h * scale + 4, 86, 18), Qt::AlignRight,
               Drawn::tr("bore centreline"));
    draw(p, a0, theme::kScribeSoft, Qt::DashLine);
    draw(p, a1, theme::kScribe, Qt::SolidLine);
    p.setPen(QPen(theme::kScribe, 2));
    p.setBrush(theme::kDye);
    p.drawEllipse(pivot, 6, 6);
    p.setFont(theme::text(13));
    p.drawText(QRectF(pivot.x() + 12, pivot.y() - 14, 200, 18), Qt::AlignLeft, Drawn::tr("pivot"));
  });
  const QString words =
      Drawn::tr("at rest %1°, pressed %2°, sideways offset %3")
          .arg(report.points.front().angle_rad * 180 / M_PI, 0, 'f', 1)
          .arg(report.points.back().angle_rad * 180 / M_PI, 0, 'f', 1)
          .arg(q(format_value(param::control_offset,
                              value_of(job, As::plan, param::control_offset).si, style)));
  pic.said << words;
  pic.layers.emplace_back([=](QPainter& p) {
    p.setFont(theme::text(14));
    p.setPen(theme::kScribe);
    p.drawText(QRectF(14, size.height() - 30, size.width() - 28, 22), Qt::AlignLeft, words);
  });
  return pic;
}

}  // namespace yoke
