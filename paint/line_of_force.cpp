#include "paint/line_of_force.hpp"

#include <QFontMetricsF>
#include <QPainterPath>
#include <QtMath>
#include <algorithm>

#include "document/param/control.hpp"
#include "paint/callouts.hpp"
#include "paint/clutch_line.hpp"
#include "paint/line_geometry.hpp"
#include "paint/master_line.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

using View = WorldView;

/// Below the drawing stand the stations' figures, where there is room for both.
bool has_figures(QSizeF size) {
  return size.height() >= 300 && size.width() >= 780;
}

QSizeF drawing_of(QSizeF size) {
  return has_figures(size) ? QSizeF(size.width(), size.height() - 82) : size;
}

/// What is looked at: the whole, or the station whose dimensions are asked for.
QRectF looked_at(const LineGeometry& g, const LineInput& in) {
  const auto around = [](QPointF middle, double half) {
    return QRectF(middle - QPointF(half * 1.6, half), QSizeF(3.2 * half, 2 * half));
  };
  const double unit_end = g.master_x + g.master_length + 60;
  switch (in.focus.value_or(Group::vehicle)) {
    case Group::control: {
      const double left = std::min({-60.0, g.pad.x() - 40, g.pin.x() - 20});
      const double reach = std::max(g.down * g.pad.y(), g.down * g.axis_y) + 30;
      const double right = std::max(g.firewall_x + 30, g.pad.x() + 60);
      return {QPointF(left, g.down < 0 ? -reach : -50), QPointF(right, g.down < 0 ? 50 : reach)};
    }
    case Group::assist:
      if (!g.booster) return g.world;
      return around({g.firewall_x + g.booster_length / 2, g.axis_y}, g.booster_diameter * 0.62);
    case Group::master:
      return around({(g.master_x + unit_end) / 2, g.axis_y},
                    std::max({60.0, g.master_length * 0.45, g.apart + 50}));
    case Group::front:
    case Group::rear: {
      if (g.clutch) return g.world;
      const auto& b = in.focus == Group::front ? g.front : g.rear;
      return around(b.centre, b.radius * 1.2);
    }
    default:
      return g.world;
  }
}

/// A station is drawn larger than in the whole; what lies beyond it is left out.
bool is_near(const LineGeometry& g, const LineInput& in) {
  return looked_at(g, in) != g.world;
}

View view_of(const LineGeometry& g, const LineInput& in, QSizeF whole) {
  const QSizeF size = drawing_of(whole);
  const QRectF world = looked_at(g, in);
  View v;
  v.scale = std::min((size.width() - 24) / world.width(), (size.height() - 12) / world.height());
  const QSizeF drawn = world.size() * v.scale;
  v.shift = QPointF(12 + (size.width() - 24 - drawn.width()) / 2,
                    6 + (size.height() - 12 - drawn.height()) / 2) -
            world.topLeft() * v.scale;
  return v;
}

void draw_pedal(QPainter& p, const LineGeometry& g, const View& v) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(theme::kScribeFaint, 1.2));
  p.drawLine(v.at(g.firewall_x, g.world.top() + 6), v.at(g.firewall_x, g.world.bottom() - 6));
  for (double y = g.world.top() + 12; y < g.world.bottom() - 12; y += 26)
    p.drawLine(v.at(g.firewall_x, y), v.at(g.firewall_x - 7, y + 11));
  p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashDotLine));
  p.drawLine(v.at(g.pin.x() - 20, g.axis_y), v.at(g.master_x + g.master_length + 24, g.axis_y));

  p.setPen(scribe(4.5, g.arms_known));
  p.drawLine(v.at(0, 0), v.at(g.pad));
  p.setPen(scribe(2.6, g.geometry_known));
  p.drawLine(v.at(g.pin), v.at(g.ball));
  p.setPen(Qt::NoPen);
  p.setBrush(theme::kScribe);
  p.drawEllipse(v.at(g.ball), 4.2, 4.2);
  p.setBrush(theme::kDye);
  p.setPen(scribe(2));
  p.drawEllipse(v.at(0, 0), 7, 7);
  p.drawEllipse(v.at(g.pin), 4.5, 4.5);
  // The pad: a plate square to the foot's push.
  const QPointF along(std::sin(g.angle), g.down * std::cos(g.angle));
  p.setPen(QPen(theme::kMarkOnDye, 7, Qt::SolidLine, Qt::RoundCap));
  p.drawLine(v.at(g.pad - along * 24 + QPointF(-5, 0)), v.at(g.pad + along * 24 + QPointF(-5, 0)));
}

void draw_booster(QPainter& p, const LineGeometry& g, const View& v, bool dead) {
  if (!g.booster) return;
  p.setRenderHint(QPainter::Antialiasing);
  const double r = g.booster_diameter / 2;
  QPainterPath shell;
  shell.moveTo(v.at(g.firewall_x, g.axis_y - r * 0.55));
  shell.lineTo(v.at(g.firewall_x + 34, g.axis_y - r));
  shell.lineTo(v.at(g.firewall_x + g.booster_length - 26, g.axis_y - r));
  shell.lineTo(v.at(g.master_x, g.axis_y - r * 0.4));
  shell.lineTo(v.at(g.master_x, g.axis_y + r * 0.4));
  shell.lineTo(v.at(g.firewall_x + g.booster_length - 26, g.axis_y + r));
  shell.lineTo(v.at(g.firewall_x + 34, g.axis_y + r));
  shell.lineTo(v.at(g.firewall_x, g.axis_y + r * 0.55));
  shell.closeSubpath();
  p.setBrush(theme::kDyeDeep);
  p.setPen(scribe(1.6, !dead));
  p.drawPath(shell);
  const double wall = g.firewall_x + 40 + (g.ball.x() - (g.firewall_x - 4));
  p.setPen(scribe(1.4, !dead));
  p.drawLine(v.at(wall, g.axis_y - r * 0.88), v.at(wall, g.axis_y + r * 0.88));
  p.drawLine(v.at(g.ball), v.at(g.piston1_x - 12, g.axis_y));
}

void draw_brake(QPainter& p, const LineGeometry::Brake& b, const View& v) {
  p.setRenderHint(QPainter::Antialiasing);
  const QPointF c = v.at(b.centre);
  const double r = b.radius * v.scale;
  p.setPen(scribe(1.6, b.known));
  p.setBrush(theme::kDyeDeep);
  p.drawEllipse(c, r, r);
  p.setBrush(Qt::NoBrush);
  p.drawEllipse(c, r * 0.22, r * 0.22);
  QColor ink = theme::kScribe;
  if (b.pressed > 0.02) ink = theme::kMarkOnDye;
  if (b.drum) {
    const double gap = (1 - b.pressed) * 4 + 2;
    const QRectF shoe(c.x() - r + gap + 4, c.y() - r + gap + 4, 2 * (r - gap - 4),
                      2 * (r - gap - 4));
    p.setPen(QPen(ink, 5, Qt::SolidLine, Qt::FlatCap));
    p.drawArc(shoe, 115 * 16, 130 * 16);
    p.drawArc(shoe, -65 * 16, 130 * 16);
    p.setPen(scribe(1.4));
    p.drawRect(QRectF(c.x() - r * 0.18, c.y() - r * 0.80, r * 0.36, r * 0.15));
  } else {
    const double e = b.effective * v.scale;
    p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashLine));
    p.drawEllipse(c, e, e);
    const double gap = (1 - b.pressed) * 2;
    p.setPen(QPen(ink, 2));
    p.setBrush(theme::kDye);
    p.drawRoundedRect(QRectF(c.x() - e * 0.3, c.y() - r - 5 - gap, e * 0.6, r - e + 20), 4, 4);
  }
}

/// Outlets that feed an axle, as traced; nothing is assumed for a wheel that was not.
std::vector<Outlet> feeding(const LineInput& in, bool tandem, Axle axle) {
  if (!tandem) return {Outlet::primary};  // one circuit feeds all
  std::vector<Outlet> list;
  for (const Wheel w : kWheels) {
    const auto o = outlet_of(in.job, in.which, w);
    if (axle_of(w) == axle && o && std::find(list.begin(), list.end(), *o) == list.end())
      list.push_back(*o);
  }
  return list;
}

void draw_lines(QPainter& p, const LineGeometry& g, const View& v, const LineInput& in) {
  p.setRenderHint(QPainter::Antialiasing);
  const double bottom = g.axis_y + g.body / 2;
  const double low =
      std::max(g.front.centre.y() + g.front.radius, g.rear.centre.y() + g.rear.radius);
  const auto run = [&](Outlet o, const LineGeometry::Brake& b, double level, double aside) {
    QPen pen = scribe(1.8);
    if (o == Outlet::secondary) pen.setDashPattern({6, 3});
    p.setPen(pen);
    p.setBrush(Qt::NoBrush);
    const double x = o == Outlet::primary ? g.outlet1_x : g.outlet2_x;
    // The first of twin masters lies above the second: its line starts beside it.
    const bool beside = g.twin && o == Outlet::primary;
    QPainterPath path(beside ? v.at(g.master_x + g.master_length, g.axis_y - g.apart)
                             : v.at(x, g.twin ? g.axis_y + g.apart + g.bore2 / 2 + 6 : bottom));
    if (beside) path.lineTo(v.at(g.master_x + g.master_length + 12, g.axis_y - g.apart));
    const double down = beside ? g.master_x + g.master_length + 12 : x;
    path.lineTo(v.at(down, level));
    path.lineTo(v.at(b.centre.x() + aside, level));
    path.lineTo(v.at(b.centre.x() + aside, b.centre.y() + b.radius * 0.98));
    p.drawPath(path);
  };
  double level = low + 8;
  for (const Axle axle : {Axle::front, Axle::rear}) {
    const LineGeometry::Brake& b = axle == Axle::front ? g.front : g.rear;
    const auto outlets = feeding(in, g.tandem || g.twin, axle);
    for (size_t i = 0; i < outlets.size(); ++i) {
      const double aside = outlets.size() > 1 ? (i == 0 ? -8.0 : 8.0) : 0.0;
      run(outlets[i], b, level, aside);
      level += 9;
    }
    if (!outlets.empty()) continue;
    p.setFont(theme::text(13));
    p.setPen(theme::kMarkOnDye);
    const QPointF at = v.at(b.centre.x(), b.centre.y() + b.radius);
    p.drawText(QRectF(at.x() - 70, at.y() + 2, 140, 18), Qt::AlignCenter,
               Drawn::tr("line not traced"));
  }
}

void add_callouts(Picture& pic, const LineGeometry& g, const View& v, const LineInput& in,
                  double floor_y) {
  for (const Callout& c : callouts_of(in, g, v, pic.size, floor_y)) {
    const bool selected = in.selected == c.param;
    pic.layers.emplace_back([=](QPainter& p) { draw_callout(p, c, selected); });
    const QString said = callout_said(c, in);
    pic.said << said;
    // A finger in a glove needs 32 pixels.
    const double more = std::max(0.0, 32 - c.box.height()) / 2;
    pic.spots.push_back(
        {c.box.adjusted(-2, -more, 2, more), QStringLiteral("param:") + q(info(c.param).id), said});
  }
}

QString assist_words(AssistState s) {
  switch (s) {
    case AssistState::none:
      return Drawn::tr("no assist");
    case AssistState::cut_in:
      return Drawn::tr("not cut in");
    case AssistState::working:
      return Drawn::tr("assist works");
    case AssistState::run_out:
      return Drawn::tr("assist run out");
    case AssistState::dead:
      return Drawn::tr("assist dead");
  }
  return {};
}

QString lock_words(const FeelPoint& f) {
  if (f.rear_lifts) return Drawn::tr("rear lifts");
  switch (f.lock) {
    case Lock::none:
      return Drawn::tr("rolling");
    case Lock::front:
      return Drawn::tr("front locked");
    case Lock::rear:
      return Drawn::tr("REAR LOCKED");
    case Lock::both:
      return Drawn::tr("all locked");
  }
  return {};
}

std::vector<Station> stations_of(const LineInput& in) {
  if (!in.point) return {};
  if (value_of(in.job, in.which, param::control_use).is(choice::ControlUse::clutch))
    return clutch_stations(in);
  const FeelPoint& f = *in.point;
  const auto n = [&](double v, Kind k, int d) { return q(format_quantity(v, k, d, in.style)); };
  const bool vehicle = in.vehicle_known;
  return {
      {Drawn::tr("pedal"), n(f.pad_force_n, Kind::force, 0), n(f.pad_travel_m, Kind::length, 1)},
      {Drawn::tr("rod"), n(f.input_force_n, Kind::force, 0), n(f.rod_travel_m, Kind::length, 1)},
      {Drawn::tr("assist"), n(f.output_force_n, Kind::force, 0), assist_words(f.assist)},
      {Drawn::tr("master"), n(f.pressure_pa, Kind::pressure, 2), n(f.stroke_m, Kind::length, 1)},
      {Drawn::tr("front"), n(f.front_pa, Kind::pressure, 2),
       f.front_pa > 0 ? Drawn::tr("at wheels") : Drawn::tr("no pressure")},
      {Drawn::tr("rear"), n(f.rear_pa, Kind::pressure, 2),
       f.rear_pa > 0 ? Drawn::tr("at wheels") : Drawn::tr("no pressure")},
      {Drawn::tr("car"), vehicle ? QStringLiteral("%1 g").arg(f.z, 0, 'f', 2) : QStringLiteral("?"),
       vehicle ? lock_words(f) : Drawn::tr("mass unknown")}};
}

void draw_station(QPainter& p, const QRectF& box, const Station& s, int big_px) {
  p.setPen(theme::kScribeSoft);
  p.setFont(theme::text(13));
  p.drawText(QRectF(box.left(), box.top(), box.width(), 17), Qt::AlignLeft, s.name);
  p.setPen(theme::kScribe);
  const QFont big = theme::figure(big_px, true);
  p.setFont(big);
  p.drawText(QRectF(box.left(), box.top() + 16, box.width(), big_px + 8), Qt::AlignLeft,
             theme::elided(big, s.big, box.width()));
  const bool number = !s.small.isEmpty() && s.small.front().isDigit();
  p.setFont(number ? theme::figure(13) : theme::text(13));
  p.drawText(QRectF(box.left(), box.top() + big_px + 22, box.width(), 18), Qt::AlignLeft,
             theme::elided(p.font(), s.small, box.width() + 6));
}

void add_stations(Picture& pic, const LineInput& in, const QRectF& area, int big_px) {
  const auto stations = stations_of(in);
  const double w = area.width() / std::max<double>(1, static_cast<double>(stations.size()));
  for (size_t i = 0; i < stations.size(); ++i) {
    const QRectF box(area.left() + w * static_cast<double>(i), area.top(), w - 6, area.height());
    const Station s = stations[i];
    pic.layers.emplace_back([=](QPainter& p) { draw_station(p, box, s, big_px); });
    pic.said << QStringLiteral("%1: %2, %3").arg(s.name, s.big, s.small);
  }
  if (stations.empty()) {
    pic.layers.emplace_back([area, in](QPainter& p) {
      p.setFont(theme::text(14));
      p.setPen(theme::kMarkOnDye);
      p.drawText(area, Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap, in.cannot);
    });
    pic.said << in.cannot;
  }
}

}  // namespace

std::vector<Param> callout_params(const LineInput& in, QSizeF size) {
  const LineGeometry g = line_geometry(in);
  std::vector<Param> list;
  for (const Callout& c : callouts_of(in, g, view_of(g, in, size), size, drawing_of(size).height()))
    list.push_back(c.param);
  return list;
}

double line_of_force_mm_per_pixel(const LineInput& in, QSizeF size) {
  return 1.0 / view_of(line_geometry(in), in, size).scale;
}

Picture line_of_force_picture(const LineInput& in, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  const LineGeometry g = line_geometry(in);
  const View v = view_of(g, in, size);
  const QRectF drawing(QPointF(0, 0), drawing_of(size));
  const bool dead = in.point && in.point->assist == AssistState::dead;
  pic.layers.emplace_back([=](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
    p.setFont(theme::text(15, true));
    p.setPen(theme::kScribe);
    p.drawText(QRectF(14, 8, size.width() - 28, 22), Qt::AlignLeft, in.title);
    if (!has_figures(size)) return;  // a low drawing needs its room for dimensions
    p.setFont(theme::text(13));
    p.setPen(theme::kScribeSoft);
    p.drawText(
        QRectF(14, 32, 140, 80), Qt::AlignLeft | Qt::TextWordWrap,
        in.point ? Drawn::tr(
                       "Drag the pedal pad, or hold F8, to press it. Touch a dimension to type it.")
                 : Drawn::tr("Touch a dimension to type it."));
  });
  pic.layers.emplace_back([=](QPainter& p) {
    p.setClipRect(drawing);
    if (g.clutch)
      draw_clutch(p, g, v);
    else
      draw_lines(p, g, v, in);
    draw_booster(p, g, v, dead);
    draw_master(p, g, v, in);
    if (!g.clutch) {
      draw_brake(p, g.front, v);
      draw_brake(p, g.rear, v);
    }
    draw_pedal(p, g, v);
  });
  pic.said << in.title;
  if (g.clutch) pic.said << clutch_said(g);
  for (const Axle axle : {Axle::front, Axle::rear}) {
    if (g.clutch) break;
    QStringList outlets;
    for (const Outlet o : feeding(in, g.tandem || g.twin, axle))
      outlets << (o == Outlet::primary ? QStringLiteral("1") : QStringLiteral("2"));
    pic.said << (axle == Axle::front ? Drawn::tr("front fed by outlet ")
                                     : Drawn::tr("rear fed by outlet ")) +
                    (outlets.isEmpty() ? Drawn::tr("not traced")
                                       : outlets.join(Drawn::tr(" and ")));
  }
  add_callouts(pic, g, v, in, drawing_of(size).height());
  const double x = is_near(g, in) ? 180 : v.at(g.firewall_x, 0).x() + 22;
  // A low drawing leaves them out; a screen reader is told them all the same.
  Picture told;
  add_stations(has_figures(size) ? pic : told, in,
               QRectF(x, size.height() - 76, size.width() - x - 10, 70), 17);
  pic.said << told.said;
  const QPointF pad = v.at(g.pad);
  pic.spots.push_back({QRectF(pad.x() - 30, pad.y() - 34, 60, 68), QStringLiteral("pad"),
                       Drawn::tr("Drag the pedal pad to press it, or hold F8")});
  return pic;
}

Picture stations_picture(const LineInput& in, QSizeF size) {
  Picture pic;
  pic.size = size;
  pic.covers = true;
  pic.layers.emplace_back([=](QPainter& p) {
    p.fillRect(QRectF(QPointF(0, 0), size), theme::kDye);
    p.setRenderHint(QPainter::Antialiasing);
    const QFont font = theme::text(14, true);
    p.setFont(font);
    p.setPen(theme::kScribe);
    p.drawText(QRectF(14, 8, 96, size.height() - 16),
               Qt::AlignLeft | Qt::AlignVCenter | Qt::TextWordWrap, in.title);
  });
  pic.said << in.title;
  add_stations(pic, in, {124, 4, size.width() - 136, size.height() - 8}, 18);
  return pic;
}

}  // namespace yoke
