#include "paint/callouts.hpp"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/vehicle.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kLabelHeight = 20;

Surety surety_of(const Value& v) {
  if (!v.known()) return Surety::unknown;
  if (v.origin == Origin::typical) return Surety::typical;
  return v.how == How::estimate ? Surety::guess : Surety::measured;
}

/// A word or two for a question.
QString short_name(Param p) {
  switch (p) {
    case param::control_pad_arm:
      return Drawn::tr("to pad");
    case param::control_pin_arm:
      return Drawn::tr("to pin");
    case param::control_axis_height:
      return Drawn::tr("bore centreline");
    case param::assist_diaphragm1:
      return Drawn::tr("shell");
    case param::front_radius:
    case param::rear_radius:
      return Drawn::tr("radius");
    case param::front_drum:
    case param::rear_drum:
      return Drawn::tr("drum");
    default:
      return words_of(info(p).words).toLower();
  }
}

/// Collects callouts in the picture's own coordinates.
class Collector {
 public:
  Collector(const LineInput& in, const WorldView& v, std::vector<Callout>& list)
      : in_(in), v_(v), list_(list) {}
  /// `dx`, `dy`: where the label stands from the middle, in pixels.
  void add(Param p, QPointF a, QPointF b, const QString& name = {}, double dx = 0, double dy = 0) {
    if (!relevant(in_.job, in_.which, p)) return;
    for (const Callout& c : list_)
      if (c.param == p) return;
    Callout c;
    c.param = p;
    c.a = v_.at(a);
    c.b = v_.at(b);
    c.name = name;
    const Value value = value_of(in_.job, in_.which, p);
    c.surety = surety_of(value);
    const QString number = value.known() ? q(format_value(p, value.si, in_.style)) : QString();
    c.text = c.surety == Surety::unknown   ? QStringLiteral("?")
             : c.surety == Surety::typical ? QStringLiteral("≈ ") + number
                                           : number;
    // Where the drawing itself says what a known value is, a question still needs its name.
    if (c.surety == Surety::unknown && c.name.isEmpty()) c.name = short_name(p);
    const QString whole = c.name.isEmpty() ? c.text : c.name + QLatin1Char(' ') + c.text;
    const double w = QFontMetricsF(theme::figure(13)).horizontalAdvance(whole) + 12;
    const QPointF mid = (c.a + c.b) / 2 + QPointF(dx, dy);
    c.box = QRectF(mid.x() - w / 2, mid.y() - kLabelHeight / 2, w, kLabelHeight);
    list_.push_back(c);
  }
  void mark(Param p, QPointF at, const QString& name, double dx, double dy) {
    add(p, at, at, name, dx, dy);
  }

 private:
  const LineInput& in_;
  const WorldView& v_;
  std::vector<Callout>& list_;
};

void pedal(Collector& c, const LineGeometry& g) {
  const double cs = std::cos(g.angle);
  c.add(param::control_axis_height, {g.pin.x() + 26, 0}, {g.pin.x() + 26, g.axis_y}, {}, 34, -6);
  c.add(param::control_rod_length, {g.pin.x(), g.axis_y + 16 * g.down},
        {g.ball.x(), g.axis_y + 16 * g.down}, Drawn::tr("rod"), 0, 12);
  c.mark(param::control_offset, {g.ball.x() - 24, g.axis_y}, Drawn::tr("side offset"), -4, -24);
  c.mark(param::control_rod_clearance, g.ball, Drawn::tr("gap"), 4, 44);
  c.mark(param::control_rest_angle, {0, 0}, Drawn::tr("arm angle"), -62, -10);
  c.add(param::control_pad_stop, {g.pad.x() + 8, g.pad.y() + 10},
        {g.pad.x() + 96 * cs, g.pad.y() + 10}, Drawn::tr("to floor"), 40, 0);
  c.mark(param::control_rest_height, {g.pad.x() - 6, g.pad.y() + 24 * cs}, Drawn::tr("height"), -64,
         8);
}

/// Where the accelerator and the lamp's point lie beside the pad.
void beside_pad(Collector& c, const LineGeometry& g) {
  c.mark(param::rod_accelerator, {g.pad.x() + 60, g.pad.y() + 20}, Drawn::tr("accelerator"), 96,
         -44);
  c.mark(param::rod_lamp_travel, {g.pad.x() + 6, g.pad.y() - 14},
         Drawn::tr("brake-light switch point"), -150, -86);
}

void master(Collector& c, const LineGeometry& g) {
  const double top = g.axis_y - g.body / 2 - 14;
  const double rest1 = g.master_x + 16;
  c.add(param::master_stroke1, {rest1, top}, {rest1 + g.stroke1, top}, Drawn::tr("stroke"), -14,
        -16);
  if (g.tandem || g.twin)
    c.add(param::master_stroke2, {rest1 + g.stroke1 + 22, top},
          {rest1 + g.stroke1 + 22 + std::max(10.0, g.stroke2), top}, Drawn::tr("stroke 2"), 26,
          -38);
  c.mark(param::master_cutoff1, {rest1, g.axis_y + g.body / 2}, Drawn::tr("cut-off"), -10, 26);
  c.mark(param::master_spring_force, {rest1 + 30, g.axis_y + g.body / 2}, Drawn::tr("spring"), 10,
         48);
  c.mark(param::master_reservoir, {g.outlet1_x, g.axis_y - g.body / 2 - 20}, Drawn::tr("fluid"), 40,
         -44);
  c.mark(param::master_step_bore, {g.master_x + 10, g.axis_y - g.body / 2}, Drawn::tr("take-up"),
         -30, -52);
  c.mark(param::master_bore2, {g.master_x + g.master_length, g.axis_y + g.apart},
         Drawn::tr("bore 2"), 60, 10);
}

void booster(Collector& c, const LineGeometry& g) {
  if (!g.booster) return;
  c.mark(param::assist_output_gap, {g.master_x, g.axis_y}, Drawn::tr("gap"), 20, 40);
  c.mark(param::assist_diaphragm2, {g.firewall_x + 60, g.axis_y - g.booster_diameter / 2},
         Drawn::tr("second"), 30, -14);
  c.mark(param::assist_stroke, {g.firewall_x + 50, g.axis_y + g.booster_diameter / 2},
         Drawn::tr("stroke"), 40, 14);
  c.mark(param::assist_vacuum, {g.firewall_x + 30, g.axis_y + g.booster_diameter / 2},
         Drawn::tr("vacuum"), -70, 24);
}

void brake(Collector& c, const LineGeometry::Brake& b, Axle axle) {
  const auto p = [axle](Param front) { return of_axle(front, axle); };
  const QPointF top(b.centre.x(), b.centre.y() - b.radius);
  if (b.drum) {
    c.mark(p(param::front_cylinder), {top.x(), top.y() + b.radius * 0.28}, Drawn::tr("cylinder"),
           86, -34);
    c.mark(p(param::front_shoe_clearance), {b.centre.x() + b.radius * 0.8, b.centre.y()},
           Drawn::tr("gap"), 62, 26);
  } else {
    c.mark(p(param::front_piston), {top.x(), top.y() + 6}, Drawn::tr("piston"), 84, -6);
    c.mark(p(param::front_clearance), {top.x() - 12, top.y() + 14}, Drawn::tr("gap"), -74, 0);
    c.mark(p(param::front_mu), {b.centre.x() - b.radius * 0.6, b.centre.y() + 20},
           Drawn::tr("friction"), -30, 24);
  }
  c.add(p(param::front_tyre), b.centre, {b.centre.x(), b.centre.y() + b.radius}, Drawn::tr("tyre"),
        -50, 6);
}

void vehicle(Collector& c, const LineGeometry& g) {
  const double y = g.front.centre.y() - std::max(g.front.radius, g.rear.radius) - 6;
  c.add(param::vehicle_wheelbase, {g.front.centre.x(), y}, {g.rear.centre.x(), y},
        Drawn::tr("wheelbase"), 0, 0);
  const QPointF mid = (g.front.centre + g.rear.centre) / 2;
  c.mark(param::vehicle_mass, mid, Drawn::tr("mass"), 0, -24);
  c.mark(param::vehicle_cg_height, mid, Drawn::tr("centre's height"), 0, 4);
  c.mark(param::vehicle_front_share, {g.front.centre.x(), g.front.centre.y() + g.front.radius},
         Drawn::tr("front carries"), -30, -8);
}

void always(Collector& c, const LineGeometry& g, const WorldView& v) {
  const double cs = std::cos(g.angle);
  const double sn = std::sin(g.angle);
  const QPointF left(-cs, g.down * sn);
  c.add(param::control_pad_arm, left * 40, g.pad + left * 40);
  c.add(param::control_pin_arm, -left * 26, g.pin - left * 26);
  if (g.booster) {
    const double x = g.firewall_x + 22;
    c.add(param::assist_diaphragm1, {x, g.axis_y - g.booster_diameter / 2},
          {x, g.axis_y + g.booster_diameter / 2});
  }
  const double end = g.master_x + g.master_length + 26;
  const double aside = g.twin ? -g.apart : 0;
  c.add(param::master_bore, {end, g.axis_y + aside - g.bore / 2},
        {end, g.axis_y + aside + g.bore / 2}, Drawn::tr("bore"), 30, 0);
  if (g.clutch) {
    const WorldView plain{1, {}};
    for (const Dimension& d : clutch_dimensions(g, plain)) c.add(d.param, d.a, d.b);
    return;
  }
  (void)v;
  const auto main = [&](const LineGeometry::Brake& b, Axle axle) {
    if (b.drum)
      c.add(of_axle(param::front_drum, axle), b.centre - QPointF(b.radius, 0),
            b.centre + QPointF(b.radius, 0), {}, 0, 0);
    else
      c.add(of_axle(param::front_radius, axle), b.centre, b.centre + QPointF(b.effective, 0));
  };
  main(g.front, Axle::front);
  main(g.rear, Axle::rear);
}

/// Labels that lie on one another move down, then up, by the height of a label.
void move_apart(std::vector<Callout>& list, QSizeF size, double floor_y) {
  for (std::size_t i = 0; i < list.size(); ++i) {
    QRectF& box = list[i].box;
    const auto keep_in = [&] {
      box.moveLeft(std::clamp(box.left(), 4.0, std::max(4.0, size.width() - box.width() - 4)));
      box.moveTop(std::clamp(box.top(), 4.0, std::max(4.0, floor_y - box.height())));
    };
    keep_in();
    const QPointF home = box.center();
    const auto clear = [&] {
      // The picture's own words stand in its corner.
      return !QRectF(0, 0, 170, 30).intersects(box) &&
             std::none_of(list.begin(), list.begin() + static_cast<std::ptrdiff_t>(i),
                          [&](const Callout& o) { return o.box.intersects(box); });
    };
    // Below, above, further; then the same beside its place.
    for (const double aside : {0.0, box.width() * 0.8, -box.width() * 0.8, box.width() * 1.6})
      for (int step = 0; step <= 10 && !clear(); ++step) {
        const double by = (kLabelHeight + 3) * ((step + 1) / 2) * (step % 2 == 1 ? 1 : -1);
        box.moveCenter(home + QPointF(aside, by));
        keep_in();
      }
  }
}

}  // namespace

std::vector<Callout> callouts_of(const LineInput& in, const LineGeometry& g, const WorldView& v,
                                 QSizeF size, double floor_y) {
  std::vector<Callout> list;
  Collector c(in, v, list);
  // Near a station its own dimensions stand alone: those of the others lie outside.
  const bool own = in.focus == Group::control || in.focus == Group::master ||
                   (in.focus == Group::assist && g.booster) ||
                   ((in.focus == Group::front || in.focus == Group::rear) && !g.clutch);
  always(c, g, v);
  if (own) std::erase_if(list, [&](const Callout& o) { return info(o.param).group != *in.focus; });
  if (in.focus) {
    switch (*in.focus) {
      case Group::control:
        pedal(c, g);
        beside_pad(c, g);
        break;
      case Group::master:
        master(c, g);
        break;
      case Group::assist:
        booster(c, g);
        break;
      case Group::front:
      case Group::rear:
        if (!g.clutch)
          brake(c, *in.focus == Group::front ? g.front : g.rear,
                *in.focus == Group::front ? Axle::front : Axle::rear);
        break;
      case Group::vehicle:
        if (!g.clutch) vehicle(c, g);
        break;
      default:
        break;
    }
  }
  move_apart(list, size, floor_y);
  return list;
}

void draw_callout(QPainter& p, const Callout& c, bool selected) {
  const bool unknown = c.surety == Surety::unknown;
  const QColor ink = c.surety == Surety::measured  ? theme::kScribe
                     : c.surety == Surety::typical ? theme::kScribeSoft
                                                   : theme::kMarkOnDye;
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(ink, 1.0, unknown ? Qt::DashLine : Qt::SolidLine));
  p.drawLine(c.a, c.b);
  const QPointF mid = (c.a + c.b) / 2;
  if (!c.box.adjusted(-2, -2, 2, 2).contains(mid)) {
    // A leader to the nearest edge of the label.
    const QPointF to(std::clamp(mid.x(), c.box.left(), c.box.right()),
                     std::clamp(mid.y(), c.box.top(), c.box.bottom()));
    p.drawLine(mid, to);
  }
  p.setBrush(ink);
  p.setPen(Qt::NoPen);
  p.drawEllipse(c.a, 2.6, 2.6);
  if (c.a != c.b) p.drawEllipse(c.b, 2.6, 2.6);
  p.setBrush(unknown ? theme::kMarkOnDye : theme::kDye);
  p.setPen(selected                    ? QPen(theme::kScribe, 2.2)
           : c.surety == Surety::guess ? QPen(ink, 1.2, Qt::DashLine)
                                       : QPen(theme::kScribeFaint, 1.0));
  p.drawRoundedRect(c.box, 3, 3);
  p.setPen(unknown ? theme::kDyeDeep : ink);
  p.setFont(theme::figure(13, unknown));
  p.drawText(c.box, Qt::AlignCenter,
             c.name.isEmpty() ? c.text : c.name + QLatin1Char(' ') + c.text);
}

QString callout_said(const Callout& c, const LineInput& in) {
  const QString words = words_of(info(c.param).words);
  if (c.surety == Surety::unknown) return words + Drawn::tr(": unknown");
  return words + QStringLiteral(": ") + c.text + QStringLiteral(", ") +
         text_of(origin_words(in.job, in.which, c.param), in.style);
}

}  // namespace yoke
