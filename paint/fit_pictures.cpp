#include "paint/fit_pictures.hpp"
#include "paint/lettering.hpp"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "document/param/bolting.hpp"
#include "document/param/rod.hpp"
#include "document/param/squareness.hpp"
#include "document/param/unit.hpp"
#include "fitting/pattern.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/words.hpp"
#include "quantity/drills.hpp"

namespace yoke {

namespace {

/// From metres around a centre to the picture, y up.
struct Face {
  QPointF centre;
  double scale = 1;
  [[nodiscard]] QPointF at(double x, double y) const { return centre + QPointF(x, -y) * scale; }
};

void draw_hole(QPainter& p, const Face& f, double x, double z, double d, bool old) {
  const QPointF c = f.at(x, z);
  const double r = std::max(3.0, d / 2 * f.scale);
  p.setPen(old ? QPen(theme::kScribeSoft, 1.6, Qt::DashLine) : QPen(theme::kScribe, 2));
  p.setBrush(Qt::NoBrush);
  p.drawEllipse(c, r, r);
  p.setPen(QPen(old ? theme::kScribeSoft : theme::kScribe, 1));
  p.drawLine(c - QPointF(r + 4, 0), c + QPointF(r + 4, 0));
  p.drawLine(c - QPointF(0, r + 4), c + QPointF(0, r + 4));
}

void draw_patterns(QPainter& p, const PatternReport& r, const Face& f, const Values& plan) {
  p.setRenderHint(QPainter::Antialiasing);
  if (r.plate && !r.plate_holes_meet) {
    p.setPen(QPen(theme::kScribeFaint, 1.6, Qt::DashDotLine));
    p.setBrush(theme::kDyeDeep);
    p.drawRect(QRectF(f.at(-r.plate_width_m / 2, r.plate_height_m / 2),
                      f.at(r.plate_width_m / 2, -r.plate_height_m / 2)));
  }
  p.setBrush(Qt::NoBrush);
  if (r.old_pattern.pilot_m) {
    p.setPen(QPen(theme::kScribeSoft, 1.4, Qt::DashLine));
    p.drawEllipse(f.centre, *r.old_pattern.pilot_m / 2 * f.scale,
                  *r.old_pattern.pilot_m / 2 * f.scale);
  }
  if (r.pilot_hole_m > 0) {
    p.setPen(QPen(theme::kScribe, 2));
    p.drawEllipse(f.centre, r.pilot_hole_m / 2 * f.scale, r.pilot_hole_m / 2 * f.scale);
  }
  for (const Hole& h : r.old_pattern.studs) draw_hole(p, f, h.x_m, h.z_m, h.diameter_m, true);
  for (std::size_t i = 0; i < r.new_pattern.studs.size(); ++i) {
    const Hole& h = r.new_pattern.studs[i];
    draw_hole(p, f, h.x_m, h.z_m, clearance_hole_m(h.diameter_m), false);
    // What serves and what does not, by shape.
    const QPointF c = f.at(h.x_m, h.z_m);
    if (!r.old_pattern.studs.empty())
      theme::draw_mark(p, QRectF(c.x() + 12, c.y() - 26, 16, 16),
                       r.matches[i].serves ? theme::Mark::tick : theme::Mark::cross,
                       r.matches[i].serves ? theme::kScribe : theme::kMark);
  }
  p.setPen(QPen(theme::kMarkOnDye, 1.6, Qt::DashLine));
  const double reach = 0.05;
  if (plan.known(param::fit_edge_left))
    p.drawLine(f.at(-plan.si(param::fit_edge_left), reach),
               f.at(-plan.si(param::fit_edge_left), -reach));
  if (plan.known(param::fit_edge_right))
    p.drawLine(f.at(plan.si(param::fit_edge_right), reach),
               f.at(plan.si(param::fit_edge_right), -reach));
  if (plan.known(param::fit_edge_up))
    p.drawLine(f.at(-reach, plan.si(param::fit_edge_up)), f.at(reach, plan.si(param::fit_edge_up)));
  if (plan.known(param::fit_edge_down))
    p.drawLine(f.at(-reach, -plan.si(param::fit_edge_down)),
               f.at(reach, -plan.si(param::fit_edge_down)));
}

Face face_of(const PatternReport& r, QSizeF size) {
  double reach = 0.02;
  for (const Pattern* p : {&r.old_pattern, &r.new_pattern}) {
    for (const Hole& h : p->studs) reach = std::max({reach, std::abs(h.x_m), std::abs(h.z_m)});
    reach = std::max(reach, p->pilot_m.value_or(0) / 2);
  }
  reach = std::max({reach, r.plate_width_m / 2, r.plate_height_m / 2}) * 1.12;
  return {{size.width() / 2, size.height() / 2 + 8},
          std::min(size.width() / 2 - 20, size.height() / 2 - 30) / reach};
}

/// Studs of the new unit turn it about its middle; an edge or crease is pushed to where it runs.
void add_grips(Picture& pic, const PatternReport& r, const Face& f, const Values& plan) {
  const auto grip = [&](QPointF at, const QString& id, const QString& tip) {
    pic.spots.push_back({QRectF(at.x() - 17, at.y() - 17, 34, 34), id, tip});
  };
  const auto edge = [&](Param p, double x, double z, const char* id) {
    if (plan.known(p))
      grip(f.at(x * plan.si(p), z * plan.si(p)), QStringLiteral("edge:") + QLatin1String(id),
           Drawn::tr("drag the edge to where it runs"));
  };
  edge(param::fit_edge_left, -1, 0, "left");
  edge(param::fit_edge_right, 1, 0, "right");
  edge(param::fit_edge_up, 0, 1, "up");
  edge(param::fit_edge_down, 0, -1, "down");
  for (std::size_t i = 0; i < r.new_pattern.studs.size(); ++i)
    grip(f.at(r.new_pattern.studs[i].x_m, r.new_pattern.studs[i].z_m),
         QStringLiteral("turn:%1").arg(i), Drawn::tr("drag it round: the new unit turns"));
}

}  // namespace

PatternFrame pattern_frame(const Job& job, QSizeF size) {
  const Face f = face_of(pattern_report(job), size);
  return {f.centre, f.scale};
}

Picture pattern_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Patterns seen from the pedal, to scale"));
  const PatternReport r = pattern_report(job);
  if (r.new_pattern.studs.empty() && r.old_pattern.studs.empty()) {
    say_missing(pic, Drawn::tr("Neither pattern is known: count the studs, measure stud to stud "
                               "and the stud's diameter."));
    return pic;
  }
  const Face f = face_of(r, size);
  const Values plan = resolve(job, As::plan);
  pic.layers.emplace_back([=](QPainter& p) { draw_patterns(p, r, f, plan); });
  QStringList key;
  if (!r.old_pattern.studs.empty()) key << Drawn::tr("dashed: old");
  if (!r.new_pattern.studs.empty()) key << Drawn::tr("drawn out: new");
  if (r.plate && !r.plate_holes_meet)
    key << Drawn::tr("plate %1 × %2")
               .arg(length_text(r.plate_width_m, style, 0),
                    length_text(r.plate_height_m, style, 0));
  if (plan.known(param::fit_edge_left) || plan.known(param::fit_edge_right) ||
      plan.known(param::fit_edge_up) || plan.known(param::fit_edge_down))
    key << Drawn::tr("broken: edge or crease");
  const QString words = key.join(QStringLiteral("   ·   "));
  pic.said << words;
  for (const auto& b : r.because) pic.said << text_of(b, style);
  pic.layers.emplace_back([=](QPainter& p) {
    p.setFont(theme::text(13));
    p.setPen(theme::kScribe);
    p.drawText(QRectF(14, size.height() - 26, size.width() - 28, 20), Qt::AlignLeft,
               theme::elided(p.font(), words, size.width() - 28));
  });
  pic.spots.push_back({QRectF(0, size.height() - 28, size.width(), 28), QString(), words});
  add_grips(pic, r, f, plan);
  return pic;
}

Picture stack_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Through the firewall, in section (thickness to scale)"));
  const Values v = resolve(job, As::plan);
  struct Layer2 {
    QString words;
    double m;
    bool known;
  };
  const std::vector<Layer2> layers{
      {Drawn::tr("unit's flange"), v.si(param::unit_flange), v.known(param::unit_flange)},
      {Drawn::tr("gasket, spacer"), v.si(param::rod_stack), v.known(param::rod_stack)},
      {Drawn::tr("adapter plate"), v.si(param::fit_plate), true},
      {Drawn::tr("firewall"), v.si(param::fit_panel), v.known(param::fit_panel)},
      {Drawn::tr("washer"), v.si(param::fit_washer), true}};
  const double stud = v.known(param::unit_stud_length) ? v.si(param::unit_stud_length) : 0;
  double whole = 0;
  for (const auto& l : layers) whole += l.known ? l.m : 0.004;
  whole = std::max(whole, v.si(param::unit_flange) + stud) + 0.014;
  const double scale = (size.width() - 80) / std::max(0.02, whole);
  const double mid = size.height() / 2;
  // Two rows of words above and below, the title and a line of warning.
  const double half = std::clamp(size.height() / 2 - 72, 14.0, 62.0);
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    double x = 40;
    p.setFont(theme::text(13));
    int n = 0;
    Lettering letters(QRectF(QPointF(0, 0), size));
    letters.keep_free(QRectF(0, 0, size.width(), 30));
    letters.keep_free(QRectF(0, size.height() - 30, size.width(), 30));
    letters.keep_free(QRectF(40, mid - half, size.width() - 80, 2 * half));
    for (const auto& l : layers) {
      const double w =
          std::max(l.known ? l.m * scale : 0.004 * scale, l.m > 0 || !l.known ? 3.0 : 0.0);
      if (w <= 0) continue;
      const QRectF box(x, mid - half, w, 2 * half);
      p.setPen(QPen(l.known ? theme::kScribe : theme::kMarkOnDye, 1.4,
                    l.known ? Qt::SolidLine : Qt::DashLine));
      p.setBrush(QBrush(theme::kScribeFaint, n % 2 == 0 ? Qt::BDiagPattern : Qt::FDiagPattern));
      p.drawRect(box);
      const QString words =
          l.words + QLatin1Char(' ') + (l.known ? length_text(l.m, style) : QStringLiteral("?"));
      const double ty = n % 2 == 0 ? box.top() - 12 : box.bottom() + 12;
      p.setPen(l.known ? theme::kScribe : theme::kMarkOnDye);
      letters.write(p, {box.center().x(), ty}, words);
      x += w;
      ++n;
    }
    if (stud <= 0) return;
    // The stud stands out of the flange's face; the nut sits behind the last layer.
    const double from = 40 + v.si(param::unit_flange) * scale;
    p.setPen(QPen(theme::kScribe, 1.6));
    p.setBrush(theme::kDyeDeep);
    p.drawRect(QRectF(40, mid - 7, from - 40 + stud * scale, 14));
    const double nut = 0.8 * v.si(param::unit_stud_size) * scale;
    p.drawRect(QRectF(x, mid - 15, std::max(8.0, nut), 30));
  });
  QStringList said;
  for (const auto& l : layers)
    said << l.words + QLatin1Char(' ') + (l.known ? length_text(l.m, style) : Drawn::tr("unknown"));
  said << (stud > 0 ? Drawn::tr("stud ") + length_text(stud, style) : Drawn::tr("stud unknown"));
  pic.said << said.join(QStringLiteral(", "));
  const QString why =
      Drawn::tr("The stud's length is not known: thread for the nut cannot be said.");
  if (stud <= 0)
    pic.spots.push_back({QRectF(0, size.height() - 28, size.width(), 28), QString(), why});
  if (stud <= 0)
    pic.layers.emplace_back([=](QPainter& p) {
      p.setFont(theme::text(14));
      p.setPen(theme::kMarkOnDye);
      p.drawText(QRectF(14, size.height() - 26, size.width() - 28, 20), Qt::AlignLeft,
                 theme::elided(p.font(), why, size.width() - 28));
    });
  return pic;
}

Picture offset_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("From above: the bore's line, the pedal's plane, and what closes the gap"));
  const Values v = resolve(job, As::plan);
  if (!v.known(param::fit_gap_side)) {
    say_missing(pic, Drawn::tr("Lay a straight edge along the bore to the pedal and measure how "
                               "far the pedal stands to one side."));
    return pic;
  }
  struct Step {
    QString words;
    double m;
  };
  const Step steps[] = {{Drawn::tr("unit moved"), v.si(param::fit_shift_unit)},
                        {Drawn::tr("pedal moved"), v.si(param::fit_shift_pedal)},
                        {Drawn::tr("lug"), v.si(param::fit_lug)}};
  double left = v.si(param::fit_gap_side);
  const double most = std::max(
      {0.02, std::abs(left), std::abs(steps[0].m) + std::abs(steps[1].m) + std::abs(steps[2].m)});
  const double scale = (size.height() / 2 - 50) / most;
  const double mid = size.height() / 2 + 4;
  std::vector<std::pair<QString, std::pair<double, double>>> bars;
  bars.push_back({Drawn::tr("gap ") + length_text(left, style), {0, left}});
  for (const Step& s : steps)
    if (std::abs(s.m) > 1e-6) {
      bars.push_back({s.words + QLatin1Char(' ') + length_text(s.m, style), {left, left - s.m}});
      left -= s.m;
    }
  bars.push_back({Drawn::tr("left ") + length_text(left, style), {0, left}});
  const bool closed = std::abs(left) <= 1e-4;
  for (const auto& b : bars) pic.said << b.first;
  pic.said << (closed ? Drawn::tr("closed to zero") : Drawn::tr("not closed"));
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::kScribeSoft, 1, Qt::DashDotLine));
    p.drawLine(QPointF(20, mid), QPointF(size.width() - 20, mid));
    p.setFont(theme::text(13));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(size.width() - 112, mid + 3, 96, 18), Qt::AlignRight,
               Drawn::tr("bore's line"));
    const double pitch = (size.width() - 80) / static_cast<double>(bars.size());
    for (std::size_t i = 0; i < bars.size(); ++i) {
      const double x = 40 + pitch * (static_cast<double>(i) + 0.5);
      const bool last = i + 1 == bars.size();
      const QColor ink = last && !closed ? theme::kMarkOnDye : theme::kScribe;
      const QPointF a(x, mid - bars[i].second.first * scale);
      const QPointF b(x, mid - bars[i].second.second * scale);
      p.setPen(QPen(ink, last ? 5 : 3));
      p.drawLine(a, b);
      p.setBrush(ink);
      p.drawEllipse(b, 4, 4);
      p.setPen(ink);
      p.drawText(QRectF(x - pitch / 2, size.height() - 30, pitch, 20), Qt::AlignCenter,
                 bars[i].first);
    }
  });
  return pic;
}

}  // namespace yoke
