// The push rod with both its ends: how much thread holds, how much is free, and the turns that make
// the change.
#include <algorithm>
#include <cmath>

#include "document/param/rod.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/lettering.hpp"
#include "paint/sections.hpp"
#include "rod/ends.hpp"

namespace yoke {

namespace {

struct RodEnds {
  double left = 0;     ///< of the rod's threaded end
  double right = 0;    ///< of its ball
  double engaged = 0;  ///< pixels of thread inside the fork
  double spare = 0;    ///< and free behind it
  bool known = false;
};

void draw_thread(QPainter& p, double x, double y, double length, double half) {
  p.setPen(QPen(theme::kScribeSoft, 1));
  for (double at = x; at < x + length; at += 5)
    p.drawLine(QPointF(at, y - half), QPointF(at + 3, y + half));
}

void draw_rod(QPainter& p, const RodEnds& e, double y) {
  p.setRenderHint(QPainter::Antialiasing);
  p.setPen(QPen(theme::kScribe, 1.6));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(e.left, y - 8, e.right - e.left, 16));
  draw_thread(p, e.left, y, e.engaged + e.spare, 8);
  // The fork, cut open, around the thread that holds.
  p.setPen(QPen(theme::kScribe, 1.6, e.known ? Qt::SolidLine : Qt::DashLine));
  p.setBrush(QBrush(theme::kScribeFaint, Qt::BDiagPattern));
  for (const double side : {-1.0, 1.0})
    p.drawRect(QRectF(e.left - 26, side < 0 ? y - 24 : y + 8, e.engaged + 26, 16));
  p.setBrush(theme::kDye);
  p.drawEllipse(QPointF(e.left - 40, y), 12, 12);  // its pin
  // The lock nut, and the ball.
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(e.left + e.engaged + 4, y - 15, 11, 30));
  p.setBrush(theme::kScribe);
  p.drawEllipse(QPointF(e.right, y), 11, 11);
}

/// A turned arrow around the rod.
void draw_turn(QPainter& p, QPointF at, bool in) {
  p.setPen(QPen(theme::kMarkOnDye, 2.4));
  p.setBrush(Qt::NoBrush);
  const QRectF ring(at.x() - 13, at.y() - 30, 26, 60);
  p.drawArc(ring, 60 * 16, 240 * 16);
  theme::draw_arrow_head(p, at + QPointF(7, in ? -26 : 26), in ? 20 : -20, 11);
}

QString turns_text(double turns) {
  return turns < 0 ? Drawn::tr("%1 turns in (shorter)").arg(-turns, 0, 'f', 1)
                   : Drawn::tr("%1 turns out (longer)").arg(turns, 0, 'f', 1);
}

}  // namespace

Picture rod_ends_picture(const Job& job, const Style& style, QSizeF size) {
  Picture pic;
  pic.size = size;
  const RodReport rod = rod_report(job);
  const EndsReport ends = ends_report(job, rod);
  ground(pic, Drawn::tr("The rod and its thread, cut open at the fork"));
  const Values v = resolve(job, As::plan);
  const double y = size.height() / 2 + 6;
  RodEnds e;
  e.left = 92;
  e.right = size.width() - 60;
  e.known = v.known(param::rod_engaged) && v.known(param::rod_thread_spare);
  const double engaged_mm = v.known(param::rod_engaged) ? v.si(param::rod_engaged) * 1e3 : 15;
  const double spare_mm =
      v.known(param::rod_thread_spare) ? v.si(param::rod_thread_spare) * 1e3 : 25;
  const double scale =
      std::min(4.0, (e.right - e.left) * 0.62 / std::max(20.0, engaged_mm + spare_mm));
  e.engaged = engaged_mm * scale;
  e.spare = spare_mm * scale;
  const auto value = [&](Param p, const QString& name) {
    return v.known(p) ? name + QLatin1Char(' ') + q(format_value(p, v.si(p), style))
                      : name + QStringLiteral(" ?");
  };
  struct Word {
    Param param;
    QString text;
    QPointF at;
  };
  const std::vector<Word> words{{param::rod_engaged,
                                 value(param::rod_engaged, Drawn::tr("holds")),
                                 {e.left + e.engaged / 2, y - 38}},
                                {param::rod_thread_spare,
                                 value(param::rod_thread_spare, Drawn::tr("free")),
                                 {e.left + e.engaged + e.spare / 2 + 16, y - 26}},
                                {param::rod_diameter,
                                 value(param::rod_diameter, Drawn::tr("thread")),
                                 {e.left + e.engaged + e.spare + 46, y + 26}},
                                {param::rod_pitch,
                                 value(param::rod_pitch, Drawn::tr("pitch")),
                                 {e.left + e.engaged / 2, y + 40}}};
  const QString turns =
      ends.turns ? turns_text(*ends.turns) : Drawn::tr("turns: pitch and change are needed");
  QString limits;
  if (ends.turns_shorter && ends.turns_longer)
    // Rounded down: the last part of a turn is not there.
    limits = Drawn::tr("may turn %1 in, %2 out")
                 .arg(std::max(0.0, std::floor(*ends.turns_shorter)), 0, 'f', 0)
                 .arg(std::max(0.0, std::floor(*ends.turns_longer)), 0, 'f', 0);
  pic.layers.emplace_back([=](QPainter& p) {
    draw_rod(p, e, y);
    if (ends.turns) draw_turn(p, {e.left + e.engaged + e.spare + 30, y}, *ends.turns < 0);
    Lettering letters(QRectF(QPointF(0, 0), size));
    letters.keep_free(QRectF(0, 0, size.width(), 30));
    letters.keep_free(QRectF(40, y - 26, size.width() - 90, 52));
    p.setFont(theme::text(15, true));
    p.setPen(theme::kMarkOnDye);
    letters.write(p, {size.width() - 150, y - 44}, turns);
    p.setFont(theme::text(13));
    for (const Word& w : words) {
      p.setPen(v.known(w.param) ? theme::kScribe : theme::kMarkOnDye);
      letters.write(p, w.at, w.text);
    }
    p.setPen(theme::kScribeSoft);
    if (!limits.isEmpty()) letters.write(p, {size.width() - 130, y + 46}, limits);
  });
  // Touched where it is measured: the field beside opens.
  const auto spot = [&](Param p, const QRectF& area, const QString& tip) {
    pic.spots.push_back({area, QStringLiteral("param:") + q(std::string(info(p).id)), tip});
  };
  spot(param::rod_engaged, QRectF(e.left - 26, y - 52, e.engaged + 20, 50), words[0].text);
  spot(param::rod_thread_spare, QRectF(e.left + e.engaged, y - 40, e.spare + 20, 50),
       words[1].text);
  spot(param::rod_pitch, QRectF(e.left - 26, y + 4, e.engaged + 20, 50), words[3].text);
  spot(param::rod_diameter, QRectF(e.left + e.engaged, y + 10, e.spare + 60, 40), words[2].text);
  for (const Word& w : words) pic.said << w.text;
  pic.said << turns;
  if (!limits.isEmpty()) pic.said << limits;
  return pic;
}

}  // namespace yoke
