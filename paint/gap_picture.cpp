// The booster's output rod before the master's piston: both depths, and the gap they leave.
#include <algorithm>

#include "document/param/rod_ends.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/fit_pictures.hpp"
#include "paint/words.hpp"
#include "rod/ends.hpp"

namespace yoke {

namespace {

/// Distances from the booster's face, along the bore.
struct Faces {
  double master = 0;  ///< the master's mounting face: the gasket's thickness away
  double seat = 0;    ///< bottom of the recess in its piston
  double rest = 0;    ///< the rod's end, engine off (running where only that is known)
};

struct Sight {
  Faces f;
  double x0 = 0;
  double px_per_m = 1;
  double mid_y = 0;
  [[nodiscard]] double x(double m) const { return x0 + m * px_per_m; }
};

Sight sight_of(const Faces& f, QSizeF size) {
  const double lo = std::min({0.0, f.seat, f.rest, f.master});
  const double hi = std::max({0.001, f.seat, f.rest, f.master});
  Sight s{f, 0, size.width() * 0.46 / (hi - lo), 34 + (size.height() - 34) / 2};
  s.x0 = size.width() * 0.27 - lo * s.px_per_m;
  return s;
}

void draw_metal(QPainter& p, const Sight& s, QSizeF size) {
  const double top = s.mid_y - 52;
  const double piston_top = s.mid_y - 30;
  p.setPen(QPen(theme::kScribe, 1.6));
  p.setBrush(theme::kDyeDeep);
  const double shell = std::min(s.x(0), s.x(s.f.rest)) - 80;
  p.drawRect(QRectF(QPointF(shell, top), QPointF(s.x(0), s.mid_y + 52)));
  // The master's wall above and below its piston, and the piston with its recess.
  for (const double y : {top, s.mid_y + 30.0})
    p.drawRect(QRectF(s.x(s.f.master), y, size.width() - 24 - s.x(s.f.master), 22));
  p.setBrush(QBrush(theme::kScribeFaint, Qt::BDiagPattern));
  p.drawRect(QRectF(QPointF(s.x(s.f.seat), piston_top), QPointF(size.width() - 24, s.mid_y + 30)));
  p.setBrush(theme::kSteel);
  p.drawRect(QRectF(QPointF(s.x(0) - 60, s.mid_y - 9), QPointF(s.x(s.f.rest), s.mid_y + 9)));
}

}  // namespace

Picture gap_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Output rod before the master's piston, length to scale"));
  const Values v = resolve(job, As::plan);
  const OutputGap g = output_gap(v);
  const auto stick = v.known(param::rod_stick_off)  ? std::optional(v.si(param::rod_stick_off))
                     : v.known(param::rod_stick_on) ? std::optional(v.si(param::rod_stick_on))
                                                    : std::nullopt;
  if (!stick || !v.known(param::rod_recess)) {
    say_missing(pic,
                Drawn::tr("Two depths decide the gap: from the master's face down to the seat in "
                          "its piston, and from the booster's face to the end of its rod."));
    return pic;
  }
  const Sight s = sight_of(
      {v.si(param::rod_gasket), v.si(param::rod_gasket) + v.si(param::rod_recess), *stick}, size);
  QStringList gaps;
  if (g.off_m) gaps << Drawn::tr("engine off %1").arg(length_text(*g.off_m, style, 2));
  if (g.on_m) gaps << Drawn::tr("running %1").arg(length_text(*g.on_m, style, 2));
  const QString said = Drawn::tr("gap: ") + gaps.join(QStringLiteral(", "));
  const QString recess = Drawn::tr("recess ") + length_text(v.si(param::rod_recess), style, 2);
  const QString out = Drawn::tr("stands out ") + length_text(*stick, style, 2);
  pic.said << said << recess << out;
  const bool bad = !g.findings.empty();
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    draw_metal(p, s, size);
    const double above = s.mid_y - 68;
    const double below = s.mid_y + 70;
    p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashLine));
    p.drawLine(QPointF(s.x(s.f.seat), above), QPointF(s.x(s.f.seat), s.mid_y));
    p.drawLine(QPointF(s.x(*stick), s.mid_y), QPointF(s.x(*stick), below));
    theme::draw_dimension(p, {s.x(s.f.master), above}, {s.x(s.f.seat), above}, recess,
                          theme::kScribe, false);
    theme::draw_dimension(p, {s.x(0), below}, {s.x(*stick), below}, out, theme::kScribe, false);
    p.setFont(theme::text(13));
    p.setPen(theme::kScribeSoft);
    p.drawText(QPointF(24, s.mid_y - 58), Drawn::tr("booster"));
    p.drawText(QRectF(0, s.mid_y - 76, size.width() - 24, 18), Qt::AlignRight, Drawn::tr("master"));
    p.setFont(theme::text(14, true));
    p.setPen(bad ? theme::kMarkOnDye : theme::kScribe);
    p.drawText(QRectF(14, size.height() - 28, size.width() - 28, 22), Qt::AlignCenter, said);
  });
  return pic;
}

}  // namespace yoke
