// A type of assist to scale in the room that was measured for it.
#include <QFontMetricsF>
#include <algorithm>

#include "document/param/room.hpp"
#include "paint/drawing_ground.hpp"
#include "paint/lettering.hpp"
#include "paint/place_assist.hpp"

namespace yoke {

Picture assist_room_picture(const AssistChoice& choice, const Values& plan, const Style& style,
                            QSizeF size) {
  Picture pic;
  pic.size = size;
  ground(pic, Drawn::tr("In its room, to scale"));
  if (choice.needs_depth_m <= 0) {
    say_missing(pic, Drawn::tr("It takes no room."));
    return pic;
  }
  const Value depth = plan.at(param::room_depth);
  const Value across = plan.at(param::room_across);
  const double room_w = depth.known() ? depth.si : choice.needs_depth_m * 1.2;
  const double room_h = across.known() ? across.si : choice.needs_across_m * 1.2;
  const double most_w = std::max(room_w, choice.needs_depth_m);
  const double most_h = std::max(room_h, choice.needs_across_m);
  const double scale = std::min((size.width() - 250) / most_w, (size.height() - 44) / most_h);
  const double mid = 30 + (size.height() - 36) / 2;
  const double wall = 34;
  const QRectF room(wall, mid - room_h * scale / 2, room_w * scale, room_h * scale);
  const QRectF unit(wall, mid - choice.needs_across_m * scale / 2, choice.needs_depth_m * scale,
                    choice.needs_across_m * scale);
  const bool fits = choice.needs_depth_m <= room_w && choice.needs_across_m <= room_h;
  const bool known = depth.known() && across.known();
  const QString said_room =
      known ? Drawn::tr("room %1 deep, %2 across")
                  .arg(length_text(room_w, style, 0), length_text(room_h, style, 0))
            : Drawn::tr("the room is not measured");
  const QString said_unit = Drawn::tr("needs about %1, %2")
                                .arg(length_text(choice.needs_depth_m, style, 0),
                                     length_text(choice.needs_across_m, style, 0));
  pic.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::kScribeSoft, 3));
    p.drawLine(QPointF(wall, 32), QPointF(wall, size.height() - 6));
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(known ? theme::kScribeSoft : theme::kMarkOnDye, 1.4, Qt::DashLine));
    p.drawRect(room);
    const bool bad = known && !fits;
    p.setPen(QPen(bad ? theme::kMarkOnDye : theme::kScribe, 2));
    p.setBrush(QBrush(bad ? theme::kMarkOnDye : theme::kScribeFaint, Qt::BDiagPattern));
    p.drawRoundedRect(unit, std::min(18.0, unit.height() / 4), std::min(18.0, unit.height() / 4));
    const double x = std::max(room.right(), unit.right()) + 14;
    const auto line = [&](double y, const QString& text, const QColor& ink) {
      p.setPen(ink);
      p.drawText(QRectF(x, y, size.width() - x - 6, 18), Qt::AlignVCenter,
                 theme::elided(p.font(), text, size.width() - x - 8));
    };
    p.setFont(theme::text(13));
    line(mid - 20, said_room, known ? theme::kScribeSoft : theme::kMarkOnDye);
    line(mid + 2, said_unit, bad ? theme::kMarkOnDye : theme::kScribe);
  });
  pic.spots.push_back({QRectF(QPointF(0, 0), size), QString(), said_room + "; " + said_unit});
  pic.said << said_room << said_unit;
  return pic;
}

}  // namespace yoke
