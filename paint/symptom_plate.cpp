// The pedal and what it does wrong: six drawings, each with what is measured or seen of it.
#include <QLineF>
#include <QPainterPath>

#include "document/param/symptom.hpp"
#include "paint/plate.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kTop = 34;
constexpr double kTile = 97;  ///< apart
constexpr double kFloor = 126;

/// A hanging pedal with its pad, at so many degrees.
void draw_pedal(QPainter& p, double x, double degrees, const QColor& ink, bool ghost) {
  p.save();
  p.translate(x, kTop + 26);
  p.rotate(-degrees);
  p.setPen(QPen(ink, ghost ? 1.2 : 2.6, ghost ? Qt::DashLine : Qt::SolidLine));
  p.setBrush(ghost ? QBrush(Qt::NoBrush) : QBrush(theme::kDyeDeep));
  p.drawLine(QPointF(0, 0), QPointF(0, 56));
  p.drawRoundedRect(QRectF(-4, 52, 26, 8), 3, 3);
  p.setBrush(ink);
  if (!ghost) p.drawEllipse(QPointF(0, 0), 3.4, 3.4);
  p.restore();
}

void draw_arrow(QPainter& p, QPointF from, QPointF to) {
  p.setPen(QPen(theme::kMarkOnDye, 2));
  p.drawLine(from, to);
  const double angle = QLineF(from, to).angle();
  theme::draw_arrow_head(p, to, angle, 9);
}

void draw_drop(QPainter& p, QPointF at) {
  QPainterPath drop(at);
  drop.cubicTo(at.x() - 7, at.y() + 12, at.x() + 7, at.y() + 12, at.x(), at.y());
  p.fillPath(drop, theme::kMarkOnDye);
}

void draw_tile(QPainter& p, int tile) {
  const double x = 14 + tile * kTile;
  const double pivot = x + 26;
  p.setPen(QPen(theme::kScribeFaint, 1));
  p.drawLine(QPointF(x, kFloor), QPointF(x + 84, kFloor));
  switch (tile) {
    case 0:  // comes up when it is pumped
      draw_pedal(p, pivot, 46, theme::kScribeSoft, true);
      draw_pedal(p, pivot, 14, theme::kScribe, false);
      draw_arrow(p, {x + 80, kTop + 62}, {x + 62, kTop + 88});
      break;
    case 1:  // sinks under a steady foot
      draw_pedal(p, pivot, 16, theme::kScribeSoft, true);
      draw_pedal(p, pivot, 44, theme::kScribe, false);
      draw_arrow(p, {x + 56, kTop + 84}, {x + 78, kTop + 62});
      break;
    case 2:  // hard: no help
      draw_pedal(p, pivot, 18, theme::kScribe, false);
      p.setPen(QPen(theme::kMarkOnDye, 5));
      p.drawLine(QPointF(x + 74, kTop + 44), QPointF(x + 74, kTop + 92));
      break;
    case 3:  // hangs, drags
      draw_pedal(p, pivot, 30, theme::kScribe, false);
      p.setPen(QPen(theme::kMarkOnDye, 2, Qt::DashLine));
      p.setBrush(Qt::NoBrush);
      p.drawArc(QRectF(x + 4, kTop + 8, 60, 60), 200 * 16, 90 * 16);
      break;
    case 4:  // loose
      draw_pedal(p, pivot, 14, theme::kScribeSoft, true);
      draw_pedal(p, pivot, 24, theme::kScribe, false);
      draw_arrow(p, {x + 40, kTop + 34}, {x + 12, kTop + 34});
      draw_arrow(p, {x + 12, kTop + 42}, {x + 40, kTop + 42});
      break;
    default:  // wet
      draw_pedal(p, pivot, 18, theme::kScribe, false);
      for (const QPointF& d :
           {QPointF(x + 64, kTop + 20), QPointF(x + 76, kTop + 40), QPointF(x + 60, kTop + 54)})
        draw_drop(p, d);
      break;
  }
}

}  // namespace

Picture symptom_plate(const PlateInput& in, QSizeF size) {
  Plate plate(in, Drawn::tr("Press the pedal as it is: what does it do?"), size);
  plate.draw([](QPainter& p) {
    const QString words[] = {Drawn::tr("pumps up"), Drawn::tr("sinks"), Drawn::tr("hard"),
                             Drawn::tr("hangs"),    Drawn::tr("loose"), Drawn::tr("wet")};
    for (int i = 0; i < 6; ++i) {
      draw_tile(p, i);
      p.setFont(theme::text(13, true));
      p.setPen(theme::kScribe);
      p.drawText(QRectF(8 + i * kTile, kFloor + 2, kTile, 18), Qt::AlignCenter, words[i]);
    }
  });
  const auto tile = [](int i, double dx, double y) { return QPointF(14 + i * kTile + dx, y); };
  plate.value(param::symptom_push, std::nullopt);
  plate.value(param::symptom_first, tile(0, 66, kTop + 48));
  plate.value(param::symptom_second, tile(0, 54, kTop + 70));
  plate.value(param::symptom_third, tile(0, 36, kTop + 90));
  plate.value(param::symptom_sink, tile(1, 70, kTop + 82));
  plate.value(param::symptom_hold, std::nullopt);
  plate.value(param::symptom_creep, tile(1, 14, kTop + 78));
  plate.value(param::symptom_engine, tile(2, 58, kTop + 34));
  plate.value(param::symptom_drag, tile(3, 66, kTop + 40));
  plate.value(param::symptom_rod_play, tile(4, 62, kTop + 30));
  plate.value(param::symptom_pivot_play, tile(4, 26, kTop + 14));
  plate.value(param::symptom_side_play, tile(4, 62, kTop + 84));
  plate.value(param::symptom_pin_wear, tile(4, 12, kTop + 62));
  plate.value(param::symptom_leak, tile(5, 76, kTop + 64));
  plate.value(param::symptom_level, tile(5, 58, kTop + 6));
  plate.value(param::symptom_lamp, tile(5, 12, kTop + 74));
  return std::move(plate).done(150);
}

}  // namespace yoke
