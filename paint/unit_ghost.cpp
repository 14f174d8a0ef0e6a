#include "paint/unit_ghost.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/bores.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/master.hpp"
#include "document/param/rod.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "fitting/pattern.hpp"
#include "paint/plate.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kDrawn = 182;
constexpr QPointF kFace{100, 96};  ///< middle of the view from the pedal
constexpr double kLeft = 200;      ///< the view from the side begins here
constexpr double kRight = 590;
constexpr double kAxis_y = 96;

/// One unit as far as it was told; metres.
struct Shape {
  std::optional<double> snout, length, width, bore, step, flange, pilot, stud, stud_size;
  std::optional<double> pad_arm, pin_arm, bolts;
  Pattern pattern;
};

Shape shape_of(const MeasuredSet& sheet, PartKind kind, const Job& job) {
  const auto at = [&](Param p) -> std::optional<double> {
    const auto& m = sheet.at(p);
    return m && m->known() ? std::optional(m->si) : std::nullopt;
  };
  Shape s;
  s.snout = at(param::rod_snout);
  s.length = at(param::unit_length);
  s.width = at(param::unit_body_width);
  s.bore = at(kind == PartKind::slave     ? param::clutch_slave_bore
              : kind == PartKind::booster ? param::assist_diaphragm1
                                          : param::master_bore);
  s.step = at(param::master_step_bore);
  s.flange = at(param::unit_flange);
  s.pilot = at(param::unit_pilot);
  s.stud = at(param::unit_stud_length);
  s.stud_size = at(param::unit_stud_size);
  s.pad_arm = at(param::control_pad_arm);
  s.pin_arm = at(param::control_pin_arm);
  s.bolts = at(param::unit_stud_pitch);
  Job alone = job;
  alone.found = sheet;
  s.pattern = pattern_of(resolve(alone, As::found), 0);
  return s;
}

/// What the drawing needs where neither unit was measured: a shape, never a number.
struct Drawn_as {
  double snout, length, half, flange, stud, pilot, across;
};

Drawn_as drawn_as(const Shape& own, const Shape& other, PartKind kind) {
  const auto pick = [](const std::optional<double>& a, const std::optional<double>& b,
                       double otherwise) { return a ? *a : b.value_or(otherwise); };
  Drawn_as d{};
  const bool drum = kind == PartKind::booster;
  d.snout = pick(own.snout, other.snout, 0.02);
  d.length = pick(own.length, other.length, 0.15);
  const double bore = pick(own.bore, other.bore, drum ? 0.2 : 0.022);
  d.half = drum ? bore / 2 : bore / 2 + 0.006;
  d.flange = pick(own.flange, other.flange, 0.008);
  d.stud = pick(own.stud, other.stud, 0.02);
  d.pilot = pick(own.pilot, other.pilot, 2 * d.half * (drum ? 0.3 : 1));
  d.across = pick(own.width, other.width, 2 * d.half);
  return d;
}

struct Frame {
  double scale = 1;  ///< pixels a metre
  double face_x = 260;
  [[nodiscard]] QPointF side(double x, double y) const {
    return {face_x + x * scale, kAxis_y - y * scale};
  }
  [[nodiscard]] QPointF face(double x, double y) const { return kFace + QPointF(x, -y) * scale; }
};

Frame frame_of(const Drawn_as& a, const Drawn_as& b, const Shape& fitted, const Shape& ghost) {
  const double behind = std::max({a.snout, b.snout, a.stud, b.stud, 0.01});
  const double before = std::max(a.length, b.length);
  double reach = std::max({a.half, b.half, a.across / 2, b.across / 2, a.pilot / 2, b.pilot / 2});
  for (const Shape* s : {&fitted, &ghost})
    for (const Hole& h : s->pattern.studs)
      reach = std::max({reach, std::abs(h.x_m) + 0.008, std::abs(h.z_m) + 0.008});
  Frame f;
  f.scale = std::min((kRight - kLeft) / (behind + before), 60 / reach);
  f.face_x = kLeft + behind * f.scale;
  return f;
}

/// The fitted one filled and dashed, as what goes is drawn everywhere; the ghost clear and drawn
/// out.
void pens(QPainter& p, bool ghost) {
  p.setPen(ghost ? QPen(theme::kScribe, 2) : QPen(theme::kScribeSoft, 1.5, Qt::DashLine));
  p.setBrush(ghost ? QColor(0xe8, 0xf0, 0xf7, 34) : theme::kDyeDeep);
}

void draw_unit(QPainter& p, const Frame& f, const Shape& s, const Drawn_as& d, bool ghost) {
  pens(p, ghost);
  const auto box = [&](double x0, double x1, double half) {
    p.drawRect(QRectF(f.side(x0, half), f.side(x1, -half)));
  };
  box(-d.snout, 0, d.pilot / 2);
  box(0, d.flange, std::max(d.half, d.pilot / 2) + 0.006);
  box(d.flange, d.length, d.half);
  if (s.step) box(d.flange, d.flange + 0.3 * (d.length - d.flange), *s.step / 2 + 0.006);
  if (s.bore && d.half > *s.bore / 2)
    p.drawRect(QRectF(f.side(0, *s.bore / 2), f.side(0.92 * d.length, -*s.bore / 2)));
  double z = d.half * 0.8;
  if (!s.pattern.studs.empty()) z = std::abs(s.pattern.studs.front().z_m);
  const double stud = s.stud_size.value_or(0.008) / 2;
  for (const double side : {-1.0, 1.0})
    p.drawRect(QRectF(f.side(-d.stud, side * z + stud), f.side(0, side * z - stud)));
  p.setBrush(Qt::NoBrush);
  p.drawEllipse(kFace, d.across / 2 * f.scale, d.across / 2 * f.scale);
  p.drawEllipse(kFace, d.pilot / 2 * f.scale, d.pilot / 2 * f.scale);
  for (const Hole& h : s.pattern.studs)
    p.drawEllipse(f.face(h.x_m, h.z_m), std::max(3.0, h.diameter_m / 2 * f.scale),
                  std::max(3.0, h.diameter_m / 2 * f.scale));
}

/// A hand lever from above: from its hinge to where the fingers pull, and to the push point.
void draw_lever(QPainter& p, const Shape& s, const Shape& other, double scale, bool ghost) {
  const auto pick = [](const std::optional<double>& a, const std::optional<double>& b, double o) {
    return a ? *a : b.value_or(o);
  };
  pens(p, ghost);
  const QPointF hinge{kLeft + 30, kAxis_y - 36};
  const double pad = pick(s.pad_arm, other.pad_arm, 0.12) * scale;
  const double pin = pick(s.pin_arm, other.pin_arm, 0.025) * scale;
  p.drawPolygon(QPolygonF{hinge + QPointF(-6, -6), hinge + QPointF(pad, -4),
                          hinge + QPointF(pad, 8), hinge + QPointF(20, 10), hinge + QPointF(6, pin),
                          hinge + QPointF(-8, pin)});
  p.drawEllipse(hinge, 5, 5);
  // The bar in its clamp, seen along it.
  const double bar = pick(s.pilot, other.pilot, 0.022) / 2 * scale;
  p.drawEllipse(kFace, bar + 8, bar + 8);
  p.drawEllipse(kFace, bar, bar);
  const double bolt = pick(s.bolts, other.bolts, 0.03) / 2 * scale;
  for (const double side : {-bolt, bolt}) p.drawEllipse(kFace + QPointF(0, side), 4, 4);
  const double bore = pick(s.bore, other.bore, 0.014) * scale;
  p.drawRect(QRectF(hinge.x() + 8, hinge.y() + pin - bore / 2, 60, bore));
}

/// Where a dimension is seen in the drawing; nothing: it stands beside it.
std::optional<QPointF> point_of(Param p, PartKind kind, const Frame& f, const Drawn_as& d) {
  if (kind == PartKind::lever) {
    const double s = f.scale;
    const QPointF hinge{kLeft + 30, kAxis_y - 36};
    if (p == param::control_pad_arm) return hinge + QPointF(0.09 * s, -14);
    if (p == param::control_pin_arm) return hinge + QPointF(-22, 0.012 * s);
    if (p == param::master_bore) return hinge + QPointF(80, 0.03 * s);
    if (p == param::master_stroke1) return hinge + QPointF(104, 0.03 * s);
    if (p == param::unit_port1_side) return hinge + QPointF(132, 0.03 * s);
    if (p == param::unit_port1_thread) return hinge + QPointF(158, 0.03 * s);
    if (p == param::unit_port1_seat) return hinge + QPointF(184, 0.03 * s);
  }
  const double far = d.length;
  if (p == param::master_bore || p == param::clutch_slave_bore || p == param::assist_diaphragm1)
    return f.side(0.55 * far, 0);
  if (p == param::master_step_bore) return f.side(0.2 * far, 0);
  if (p == param::master_stroke1) return f.side(0.32 * far, -d.half) + QPointF(0, 14);
  if (p == param::master_stroke2) return f.side(0.75 * far, -d.half) + QPointF(0, 14);
  if (p == param::rod_snout) return f.side(-d.snout, d.pilot / 2) + QPointF(0, -14);
  if (p == param::rod_socket) return f.side(-d.snout, 0) + QPointF(-14, 0);
  if (p == param::unit_rod_kept) return f.side(-d.snout, -d.pilot / 2) + QPointF(-10, 14);
  if (p == param::unit_flange) return f.side(d.flange / 2, d.half + 0.006) + QPointF(0, -28);
  if (p == param::unit_length) return f.side(far, 0) + QPointF(-12, 0);
  if (p == param::unit_stud_length) return f.side(-d.stud / 2, -d.half) + QPointF(0, 34);
  if (p == param::unit_body_width)
    return kFace + QPointF(-d.across / 2 * f.scale * 0.7, -d.across / 2 * f.scale * 0.7);
  if (p == param::unit_pilot) return kFace + QPointF(0, -d.pilot / 2 * f.scale);
  if (p == param::unit_studs) return kFace + QPointF(66, -50);
  if (p == param::unit_stud_pitch) return kFace + QPointF(0, 54);
  if (p == param::unit_stud_pitch2) return kFace + QPointF(-70, 10);
  if (p == param::unit_stud_size) return kFace + QPointF(72, 40);
  if (p == param::unit_port1_side) return f.side(0.36 * far, d.half) + QPointF(-10, -14);
  if (p == param::unit_port1_thread) return f.side(0.36 * far, d.half) + QPointF(12, -14);
  if (p == param::unit_port1_seat) return f.side(0.36 * far, d.half) + QPointF(2, -36);
  if (p == param::unit_port2_side) return f.side(0.78 * far, d.half) + QPointF(-10, -14);
  if (p == param::unit_port2_thread) return f.side(0.78 * far, d.half) + QPointF(12, -14);
  if (p == param::unit_port2_seat) return f.side(0.78 * far, d.half) + QPointF(2, -36);
  return std::nullopt;
}

/// In one unit, so that two of them stand side by side.
QString short_words(Param p, const std::optional<double>& si, Style style) {
  if (!si) return QStringLiteral("?");
  if (style.units == UnitStyle::both) style.units = UnitStyle::metric;
  return dimension_words(p, si, style);
}

/// "31.75 → 25.40 mm": a unit that both have stands once.
QString from_to(const QString& a, const QString& b) {
  const QString unit = b.section(QLatin1Char(' '), -1);
  const bool same = b.contains(QLatin1Char(' ')) && a.endsWith(QLatin1Char(' ') + unit);
  return (same ? a.chopped(unit.size() + 1) : a) + QStringLiteral(" → ") + b;
}

Told label_of(const MatrixRow& r, const GhostInput& in) {
  Told t;
  t.id = QStringLiteral("dim:") + q(std::string(info(r.param).id));
  t.words = words_of(info(r.param).words);
  const bool choice = info(r.param).kind == Kind::choice;
  const QString was = short_words(r.param, r.fitted, in.style);
  const QString is = short_words(r.param, r.candidate, in.style);
  t.text = choice ? was + QStringLiteral(" → ") + is : from_to(was, is);
  t.said = t.words + QStringLiteral(": ") + verdict_words(r, in.style) + QStringLiteral(", ") +
           text_of(r.consequence, in.style);
  t.tip = t.said;
  t.sure = false;
  t.asks = r.sameness == Sameness::not_compared;
  t.ink = theme::kMarkOnDye;
  t.selected = in.selected == r.param;
  return t;
}

/// A numbered point within the drawing and beside those that stand there already.
QPointF free_place(QPointF at, std::vector<QPointF>& taken) {
  constexpr double kStep = 22;
  constexpr double kEdge = 586;
  for (int tries = 0; tries < 60; ++tries) {
    at = {std::clamp(at.x(), 14.0, kEdge), std::clamp(at.y(), 40.0, kDrawn - 30)};
    const bool free = std::none_of(taken.begin(), taken.end(), [&](QPointF t) {
      return std::hypot(t.x() - at.x(), t.y() - at.y()) < kStep - 1;
    });
    if (free) break;
    at.rx() += kStep;
    if (at.x() > kEdge) at = {14, at.y() + kStep};
  }
  taken.push_back(at);
  return at;
}

void add_labels(Plate& plate, const GhostInput& in, const Matrix& m, const Frame& f,
                const Drawn_as& d) {
  std::vector<QPointF> taken;
  const auto rows = [&](Sameness which, const QString& heading) {
    bool any = false;
    for (const MatrixRow& r : m.rows) {
      if (r.sameness != which) continue;
      if (!any) plate.part(heading);
      any = true;
      const auto at = point_of(r.param, in.kind, f, d);
      plate.told(label_of(r, in), at ? std::optional(free_place(*at, taken)) : std::nullopt);
    }
  };
  rows(Sameness::differs, Drawn::tr("Differs: fitted → %1").arg(in.name));
  rows(Sameness::not_compared, Drawn::tr("NOT COMPARED: each may be the one that does not fit"));
  QStringList same;
  for (const MatrixRow& r : m.rows)
    if (r.sameness == Sameness::equal) same << words_of(info(r.param).words);
  if (!same.isEmpty()) plate.part(Drawn::tr("Equal: %1").arg(same.join(QStringLiteral(" · "))));
}

}  // namespace

QString dimension_words(Param p, const std::optional<double>& v, const Style& style) {
  if (!v) return QStringLiteral("–");
  if (info(p).kind != Kind::choice)
    return q(format_quantity(*v, info(p).kind, info(p).digits, style));
  const auto& options = info(p).options;
  const auto at = std::clamp<double>(*v, 0, static_cast<double>(options.size()) - 1);
  return words_of(options[static_cast<std::size_t>(at)].words);
}

QString verdict_words(const MatrixRow& r, const Style& style) {
  switch (r.sameness) {
    case Sameness::not_compared:
      return Drawn::tr("NOT COMPARED");
    case Sameness::equal:
      return QStringLiteral("=  ") + dimension_words(r.param, r.candidate, style);
    case Sameness::differs:
      break;
  }
  QString t = QStringLiteral("≠  ") + dimension_words(r.param, r.candidate, style);
  if (info(r.param).kind != Kind::choice)
    t += QStringLiteral("  (%1%2)")
             .arg(r.by > 0 ? QStringLiteral("+") : QString(),
                  q(format_quantity(r.by, info(r.param).kind, std::max(1, info(r.param).digits),
                                    style))
                      .section(QLatin1Char(' '), 0, 0));
  return t;
}

Picture ghost_picture(const GhostInput& in, QSizeF size) {
  PlateInput base{in.job, As::found, in.style, in.selected};
  Plate plate(
      base, Drawn::tr("Fitted (dashed) and %1 (drawn out), one scale, from one face").arg(in.name),
      size);
  const Shape fitted = shape_of(in.job.found, in.kind, in.job);
  const Shape ghost = shape_of(in.sheet, in.kind, in.job);
  const Drawn_as a = drawn_as(fitted, ghost, in.kind);
  const Drawn_as b = drawn_as(ghost, fitted, in.kind);
  Frame f = frame_of(a, b, fitted, ghost);
  const bool lever = in.kind == PartKind::lever;
  if (lever)
    f.scale = 330 / std::max({fitted.pad_arm.value_or(0.12), ghost.pad_arm.value_or(0.12), 0.05});
  plate.draw([=](QPainter& p) {
    if (lever) {
      draw_lever(p, fitted, ghost, f.scale, false);
      draw_lever(p, ghost, fitted, f.scale, true);
      return;
    }
    p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashDotLine));
    p.drawLine(QPointF(kLeft - 6, kAxis_y), QPointF(kRight + 6, kAxis_y));
    draw_unit(p, f, fitted, a, false);
    draw_unit(p, f, ghost, b, true);
    p.setFont(theme::text(12));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(kFace.x() - 90, kDrawn - 17, 180, 16), Qt::AlignCenter,
               Drawn::tr("from the pedal"));
    p.drawText(QRectF(kLeft, kDrawn - 17, kRight - kLeft, 16), Qt::AlignCenter,
               Drawn::tr("from the side"));
  });
  add_labels(plate, in, compare(in.job, in.kind, in.sheet), f, b);
  return std::move(plate).done(kDrawn);
}

}  // namespace yoke
