#include "paint/bleed_pictures.hpp"

#include <QFontMetricsF>
#include <algorithm>
#include <cmath>

#include "document/param/lines.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

/// A chamber as a glass: the fluid, the port at its floor, the last two strokes marked.
struct Glass {
  QRectF box;
  double full = 1;    ///< share of what stands above the port
  double stroke = 0;  ///< share that one stroke takes
  QString number, left;
  bool fed = false, warn = false, typical = false;
  bool rises = false;  ///< filled from below: its brim counts, not its port
};

void draw_glass(QPainter& p, const Glass& g) {
  const QColor ink = g.warn ? theme::kMarkOnDye : theme::kScribe;
  const double fluid = g.box.height() * std::clamp(g.full, 0.0, 1.0);
  const QRectF wet(g.box.left(), g.box.bottom() - fluid, g.box.width(), fluid);
  p.fillRect(g.box, theme::kDyeDeep);
  p.fillRect(
      wet, g.warn ? QColor(theme::kMarkOnDye.red(), theme::kMarkOnDye.green(),
                           theme::kMarkOnDye.blue(), 90)
                  : QColor(theme::kSteel.red(), theme::kSteel.green(), theme::kSteel.blue(), 120));
  p.setPen(QPen(theme::kScribeFaint, 1));
  if (g.stroke > 0 && g.box.height() * g.stroke > 3)
    for (double y = g.box.bottom() - g.box.height() * g.stroke; y > g.box.top();
         y -= g.box.height() * g.stroke)
      p.drawLine(QPointF(g.box.left(), y), QPointF(g.box.left() + g.box.width() * 0.25, y));
  p.setPen(QPen(ink, g.fed ? 3 : 1.6, g.typical ? Qt::DashLine : Qt::SolidLine));
  p.setBrush(Qt::NoBrush);
  p.drawRect(g.box);
  p.setPen(QPen(ink, 1.6));
  // The port in its floor, and the way down to the bore.
  const QPointF port(g.box.center().x(), g.box.bottom());
  p.drawLine(port, port + QPointF(0, 16));
  theme::draw_arrow_head(p, port + QPointF(0, g.rises ? -2 : 18), g.rises ? 90 : -90, 9);
  p.setFont(theme::text(14, true));
  p.setPen(theme::kScribe);
  p.drawText(QRectF(g.box.left() - 30, g.box.top() - 24, g.box.width() + 60, 22), Qt::AlignCenter,
             g.number);
  p.setFont(theme::figure(30, true));
  p.setPen(ink);
  p.drawText(g.box, Qt::AlignCenter, g.left);
}

QString glass_said(const ChamberLevel& c, const Style& style) {
  const int outlet = c.outlet == Outlet::primary ? 1 : 2;
  const QString gone = text_of(say("{}", amount(c.gone.value(), Kind::volume, 0)), style);
  if (c.rises)
    return c.bare()
               ? Drawn::tr("reservoir: by the count it ran over")
               : Drawn::tr("reservoir: %1 in, %n marks until it runs over", nullptr, c.strokes_left)
                     .arg(gone);
  if (c.bare()) return Drawn::tr("chamber of outlet %1: by the count its port is bare").arg(outlet);
  const QString words = Drawn::tr("chamber of outlet %1: %2 gone, %n counts until its port is bare",
                                  nullptr, c.strokes_left)
                            .arg(outlet)
                            .arg(gone);
  return c.typical ? words + Drawn::tr(", by values that nobody measured") : words;
}

/// A row of the expected pedal: its bar as long as the pad travels, the stop at the right.
struct PedalRow {
  QString name, figure;
  double travel = 0;
  bool stop = false, now = false, known = true;
};

void draw_pedal_row(QPainter& p, const PedalRow& r, QRectF box, double full) {
  const QColor ink = r.now ? theme::kMarkOnDye : theme::kScribe;
  p.setFont(theme::text(15, r.now));
  p.setPen(ink);
  p.drawText(QRectF(box.left(), box.top(), box.width() * 0.7, 22), Qt::AlignVCenter, r.name);
  p.setFont(theme::figure(box.height() < 44 ? 16 : 20, true));
  p.drawText(QRectF(box.left(), box.top(), box.width(), 24), Qt::AlignRight | Qt::AlignVCenter,
             r.figure);
  const double top = std::min(27.0, box.height() - 13);
  const QRectF track(box.left(), box.top() + top, box.width(),
                     std::clamp(box.height() - top - 5, 7.0, 14.0));
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.drawRect(track);
  if (!r.known || full <= 0) return;
  QRectF bar = track;
  bar.setWidth(track.width() * std::clamp(r.travel / full, 0.0, 1.0));
  p.fillRect(bar, r.now ? theme::kMarkOnDye : r.stop ? theme::kScribeFaint : theme::kSteel);
  if (r.stop)
    for (double x = bar.left() + 6; x < bar.right(); x += 10) {
      p.setPen(QPen(theme::kDyeDeep, 2));
      p.drawLine(QPointF(x, bar.bottom()), QPointF(x + 8, bar.top()));
    }
}

void draw_measured(QPainter& p, QRectF tracks, double share, const QString& words) {
  const double x = tracks.left() + tracks.width() * std::clamp(share, 0.0, 1.0);
  p.setPen(QPen(theme::kScribe, 2, Qt::DashLine));
  p.drawLine(QPointF(x, tracks.top()), QPointF(x, tracks.bottom()));
  p.setFont(theme::text(13, true));
  const double w = QFontMetricsF(p.font()).horizontalAdvance(words) + 12;
  QRectF flag(x - w / 2, tracks.bottom() + 2, w, 20);
  flag.moveLeft(
      std::clamp(flag.left(), tracks.left(), std::max(tracks.left(), tracks.right() - w)));
  p.fillRect(flag, theme::kScribe);
  p.setPen(theme::kDye);
  p.drawText(flag, Qt::AlignCenter, words);
}

theme::Mark mark_of(FluidVerdict v) {
  return v == FluidVerdict::good    ? theme::Mark::tick
         : v == FluidVerdict::wrong ? theme::Mark::cross
                                    : theme::Mark::query;
}

void draw_ladder(QPainter& p, QRectF box, const FluidPlan& plan, const Style& style) {
  using choice::FluidGrade;
  constexpr double least = 100, most = 280;
  const auto y = [&](double c) {
    return box.bottom() - box.height() * (c - least) / (most - least);
  };
  struct Bar {
    FluidGrade grade;
    QString name;
    bool in;
  };
  const Bar bars[] = {{FluidGrade::n3, Drawn::tr("DOT 3"), plan.goes_in == FluidGrade::n3},
                      {FluidGrade::n4, Drawn::tr("DOT 4"), plan.goes_in == FluidGrade::n4},
                      {FluidGrade::n5_1, Drawn::tr("5.1 and 5"),
                       plan.goes_in == FluidGrade::n5_1 || plan.goes_in == FluidGrade::n5}};
  const double step = box.width() / 3;
  for (int i = 0; i < 3; ++i) {
    const BoilingPoints b = boiling_points(bars[i].grade);
    const QColor ink = bars[i].in ? theme::kMarkOnDye : theme::kScribe;
    const QRectF bar(box.left() + step * i + step * 0.25, y(b.dry_c), step * 0.5,
                     y(b.wet_c) - y(b.dry_c));
    p.setBrush(bars[i].in ? QBrush(theme::kSteel) : QBrush(theme::kDyeDeep));
    p.setPen(QPen(ink, bars[i].in ? 2.6 : 1.4));
    p.drawRect(bar);
    p.setFont(theme::figure(14, true));
    const auto figure = [&](double c, double top) {
      p.drawText(QRectF(box.left() + step * i, top, step, 20), Qt::AlignCenter,
                 text_of(say("{}", amount(c, Kind::temperature, 0)), style));
    };
    figure(b.dry_c, bar.top() - 22);
    figure(b.wet_c, bar.bottom() + 2);
    p.setFont(theme::text(14, bars[i].in));
    p.drawText(QRectF(box.left() + step * i, box.bottom() + 4, step, 22), Qt::AlignCenter,
               bars[i].name);
  }
}

/// What a cloth said is drawn with the verdicts of the net: dry as a joint that is good, wet as one
/// that is wrong, not seen as one that nobody looked at.
JudgedJoint shown(JudgedJoint j, const WipedJoint& w) {
  j.joint.fresh = false;
  j.proved = true;
  j.verdict = w.wet()                             ? JointVerdict::leaks
              : w.dry_through(WipeRound::pressed) ? JointVerdict::fits
                                                  : JointVerdict::not_looked;
  return j;
}

}  // namespace

Picture chambers_picture(const std::vector<ChamberLevel>& levels, int fed, const Style& style,
                         QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Fluid above the ports"));
  if (levels.empty()) {
    const QString words = Drawn::tr(
        "Watch the level: no stroke tells here how much has gone. Top up before the port "
        "in the reservoir's floor shows.");
    say_missing(pic, words);
    return pic;
  }
  const double step = size.width() / static_cast<double>(levels.size());
  std::vector<Glass> glasses;
  for (std::size_t i = 0; i < levels.size(); ++i) {
    const ChamberLevel& c = levels[i];
    const int outlet = c.outlet == Outlet::primary ? 1 : 2;
    Glass g;
    const double w = std::min(step * 0.62, 150.0);
    g.box = QRectF(step * static_cast<double>(i) + (step - w) / 2, 66, w,
                   std::max(40.0, size.height() - 66 - 34));
    const double gone = c.gone.value() / std::max(1e-9, c.holds.value());
    g.full = c.rises ? gone : 1 - gone;
    g.rises = c.rises;
    g.stroke = c.per_stroke.value() / std::max(1e-9, c.holds.value());
    g.number = c.rises ? Drawn::tr("reservoir") : Drawn::tr("outlet %1").arg(outlet);
    g.left = c.bare()
                 ? QStringLiteral("!")
                 : (c.typical ? QStringLiteral("≈") : QString()) + QString::number(c.strokes_left);
    g.fed = c.rises || outlet == fed;
    g.warn = c.warn();
    g.typical = c.typical;
    glasses.push_back(g);
    pic.said << glass_said(c, style);
    pic.spots.push_back({g.box, QString(), glass_said(c, style)});
  }
  pic.layers.emplace_back([glasses](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    for (const Glass& g : glasses) draw_glass(p, g);
  });
  return pic;
}

Picture expected_picture(const ExpectedPedals& e, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, text_of(e.title, style));
  if (e.stages.empty()) {
    say_missing(pic, text_of(e.missing.empty() ? Message("Cannot be pressed in numbers")
                                               : cannot_say(e.missing),
                             style));
    return pic;
  }
  double full = 0;
  std::vector<PedalRow> rows;
  for (const ExpectedPedal& s : e.stages) {
    PedalRow r;
    r.name = text_of(s.name, style);
    if (s.now) r.name = Drawn::tr("▶ %1: now").arg(r.name);
    r.now = s.now;
    r.known = s.travel_m.has_value();
    r.travel = s.travel_m.value_or(0);
    r.stop = s.to_the_stop;
    r.figure = !r.known ? Drawn::tr("cannot say")
               : r.stop ? Drawn::tr("to its stop")
                        : text_of(say("{}", amount(r.travel, Kind::length, 0)), style);
    full = std::max(full, r.travel);
    pic.said << r.name + QStringLiteral(": ") + r.figure;
    rows.push_back(std::move(r));
  }
  if (e.measured_m) full = std::max(full, *e.measured_m);
  full *= 1.05;
  const double room = size.height() - 56 - (e.measured_m ? 26 : 4);
  const double step = rows.empty() ? 0 : std::min(74.0, room / static_cast<double>(rows.size()));
  const QString measured =
      e.measured_m ? Drawn::tr("measured %1")
                         .arg(text_of(say("{}", amount(*e.measured_m, Kind::length, 0)), style))
                   : QString();
  if (!measured.isEmpty()) pic.said << measured;
  pic.layers.emplace_back([=](QPainter& p) {
    for (std::size_t i = 0; i < rows.size(); ++i)
      draw_pedal_row(p, rows[i],
                     QRectF(20, 48 + step * static_cast<double>(i), size.width() - 40, step), full);
    if (e.measured_m && full > 0)
      draw_measured(p,
                    QRectF(20, 48, size.width() - 40, step * static_cast<double>(rows.size()) - 6),
                    *e.measured_m / full, measured);
  });
  return pic;
}

Picture fluid_picture(const FluidPlan& plan, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Where each grade boils: fresh above, with water in it below"));
  struct Said {
    FluidVerdict verdict;
    QString words;
  };
  std::vector<Said> said{
      {plan.grade, text_of(plan.grade_says, style)},
      {plan.known,
       plan.is_in
           ? Drawn::tr("In it now: %1")
                 .arg(words_of(option_words(param::fluid_grade, static_cast<double>(*plan.is_in))))
       : plan.known == FluidVerdict::good
           ? Drawn::tr("Nothing was in it before")
           : Drawn::tr("What is in it now is not known: it is flushed out, not topped up")},
      {plan.opened, text_of(plan.opened_says, style)},
      {plan.enough, text_of(plan.enough_says, style)}};
  for (const Said& s : said) pic.said << s.words;
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    const double middle = size.width() * 0.54;
    draw_ladder(p, QRectF(12, 64, middle - 20, size.height() - 64 - 30), plan, style);
    double y = 48;
    for (const Said& s : said) {
      const QColor ink = s.verdict == FluidVerdict::good ? theme::kScribe : theme::kMarkOnDye;
      p.setFont(theme::text(14));
      const QRectF room(middle + 34, y, size.width() - middle - 46, size.height() - y);
      const double h =
          QFontMetricsF(p.font()).boundingRect(room, Qt::TextWordWrap, s.words).height();
      if (y + h > size.height() - 4) break;  // it stands among the figures as well
      theme::draw_mark(p, QRectF(middle + 6, y, 20, 20), mark_of(s.verdict), ink);
      p.setPen(ink);
      p.drawText(room, Qt::AlignLeft | Qt::AlignTop | Qt::TextWordWrap, s.words);
      y += std::max(22.0, h) + 6;
    }
  });
  return pic;
}

Picture purge_picture(const PurgeState& s, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("Sweeps of the steering, each a little longer"));
  if (!s.pace) {
    say_missing(pic, Drawn::tr("The sweeps are drawn once the steering was measured."));
    return pic;
  }
  const int steps = s.pace->steps;
  const int done = s.done;
  const double rim = s.pace->rim.value();
  const QString words = Drawn::tr("%1 of %2 sweeps; lock to lock is %3 at the rim")
                            .arg(done)
                            .arg(steps)
                            .arg(text_of(say("{}", amount(rim, Kind::length, 0)), style));
  pic.said << words;
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    const QRectF room(24, 52, size.width() - 48, size.height() - 92);
    p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashLine));
    p.drawLine(QPointF(room.center().x(), room.top()), QPointF(room.center().x(), room.bottom()));
    for (int i = 0; i < steps; ++i) {
      const double share = std::min(1.0, kSweepStep_m * (i + 1) / rim);
      const double y = room.top() + room.height() * (i + 0.5) / steps;
      const double half = room.width() / 2 * share;
      const bool next = i == done;
      p.setPen(QPen(next       ? theme::kMarkOnDye
                    : i < done ? theme::kScribe
                               : theme::kScribeFaint,
                    next ? 4 : std::clamp(room.height() / steps * 0.5, 1.0, 3.0)));
      p.drawLine(QPointF(room.center().x() - half, y), QPointF(room.center().x() + half, y));
    }
    p.setFont(theme::text(15));
    p.setPen(theme::kScribe);
    p.drawText(QRectF(room.left(), room.bottom() + 8, room.width(), 24), Qt::AlignCenter, words);
  });
  return pic;
}

Picture wipe_picture(const Job& job, const std::string& selected, QSizeF size) {
  NetDrawing d = net_drawing(job, selected);
  const auto wiped = wipe_map(job);
  d.ports = {};
  d.wiping = true;
  for (JudgedJoint& j : d.joints) {
    const auto it = std::find_if(wiped.begin(), wiped.end(),
                                 [&](const WipedJoint& w) { return w.joint.key == j.joint.key; });
    if (it != wiped.end()) j = shown(std::move(j), *it);
  }
  Picture pic = net_picture(d, size);
  std::erase_if(pic.spots, [](const Spot& s) { return !s.id.startsWith(QLatin1String("joint:")); });
  pic.said.clear();
  for (const WipedJoint& w : wiped) {
    const QString words =
        text_of(w.joint.name, {}) + QStringLiteral(": ") +
        (w.left_shut                         ? Drawn::tr("not opened")
         : w.wet()                           ? Drawn::tr("wet")
         : w.dry_through(WipeRound::driven)  ? Drawn::tr("dry, three times")
         : w.dry_through(WipeRound::pressed) ? Drawn::tr("dry, still to look at after the drive")
         : w.dry_through(WipeRound::filled)  ? Drawn::tr("dry when filled, still to press")
                                             : Drawn::tr("not looked at"));
    pic.said << words;
    for (Spot& s : pic.spots)
      if (s.id == QStringLiteral("joint:") + QString::fromStdString(w.joint.key)) s.tip = words;
  }
  return pic;
}

}  // namespace yoke
