// The unit on the bench in three views: from the pedal, from the side, from above.
#include <algorithm>
#include <cmath>

#include "document/param/bores.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "paint/plate.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

constexpr double kDrawn = 206;
constexpr QPointF kFace{92, 122};  ///< middle of the view from the pedal
constexpr double kSide_y = 92;     ///< the bore's line in the view from the side
constexpr double kTop_y = 172;     ///< and from above
constexpr double kFlange_x = 262;  ///< the mounting face in both
constexpr double kEnd_x = 548;     ///< the far end of the body

struct Body {
  bool step = false;
  bool tandem = true;
  int studs = 4;
  int inlets = 2;
};

QPen line(double width = 1.6) {
  return {theme::kScribe, width};
}

void draw_face(QPainter& p, const Body& b) {
  p.setPen(line());
  p.setBrush(theme::kDyeDeep);
  p.drawRoundedRect(QRectF(kFace - QPointF(62, 52), QSizeF(124, 104)), 14, 14);
  p.setBrush(theme::kDye);
  p.drawEllipse(kFace, 27, 27);  // the pilot
  p.setBrush(theme::kDyeDeep);
  p.drawEllipse(kFace, 13, 13);  // the bore's open end
  std::vector<QPointF> studs;
  if (b.studs == 2) studs = {{-46, 0}, {46, 0}};
  if (b.studs == 3) studs = {{0, -40}, {-42, 26}, {42, 26}};
  if (b.studs == 4) studs = {{-46, -36}, {46, -36}, {-46, 36}, {46, 36}};
  p.setBrush(theme::kScribeFaint);
  for (const QPointF& s : studs) p.drawEllipse(kFace + s, 6, 6);
  p.setFont(theme::text(12));
  p.setPen(theme::kScribeSoft);
  p.drawText(QRectF(kFace.x() - 80, 184, 160, 16), Qt::AlignCenter, Drawn::tr("from the pedal"));
}

void draw_profile(QPainter& p, const Body& b, double y, bool above) {
  p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashDotLine));
  p.drawLine(QPointF(kFlange_x - 60, y), QPointF(kEnd_x + 18, y));
  p.setPen(line());
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(kFlange_x - 34, y - 9, 34, 18));  // the nose, towards the pedal
  p.drawRect(QRectF(kFlange_x, y - 30, 9, 60));       // the flange
  const double thick = 17;
  const double thin = b.step ? 13 : 17;
  const double step_x = kFlange_x + 110;
  p.drawRect(QRectF(kFlange_x + 9, y - thick, step_x - kFlange_x - 9, 2 * thick));
  p.drawRect(QRectF(step_x, y - thin, kEnd_x - step_x, 2 * thin));
  // Studs stand towards the pedal, through the firewall.
  p.setBrush(theme::kScribeFaint);
  for (const double s : {-24.0, 20.0}) p.drawRect(QRectF(kFlange_x - 26, y + s, 26, 5));
  if (above) return;
  // The reservoir on its inlets.
  p.setBrush(theme::kDye);
  p.drawRoundedRect(QRectF(kFlange_x + 40, y - 56, 180, 30), 5, 5);
  p.setBrush(theme::kDyeDeep);
  if (b.inlets > 0) p.drawRect(QRectF(kFlange_x + 66, y - 26, 12, 10));
  if (b.inlets > 1) p.drawRect(QRectF(kFlange_x + 178, y - 26, 12, 10));
}

/// The outlets, seen from above: where each points.
void draw_port(QPainter& p, double x, const Value& side) {
  const double way = side.is(choice::UnitPortSide::left) ? 1 : -1;
  p.setPen(side.known() ? line() : QPen(theme::kMarkOnDye, 1.4, Qt::DashLine));
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(x - 7, kTop_y + (way > 0 ? 17 : -30), 14, 13));
}

}  // namespace

Picture unit_plate(const PlateInput& in, QSizeF size) {
  Plate plate(in, Drawn::tr("The unit on the bench: touch a number and enter what it is"), size);
  const Values v = resolve(in.job, in.which);
  Body b;
  b.step = v.is(choice::UnitBodyStep::yes);
  b.tandem = !v.is(choice::MasterKind::single);
  b.studs = stud_count(v).value_or(4);
  b.inlets = v.is(choice::UnitInlets::n0) ? 0 : v.is(choice::UnitInlets::n1) ? 1 : 2;
  const Value side1 = plate.of(param::unit_port1_side);
  plate.draw([=](QPainter& p) {
    draw_face(p, b);
    draw_profile(p, b, kSide_y, false);
    draw_profile(p, b, kTop_y, true);
    draw_port(p, kFlange_x + 72, side1);
    if (b.tandem) draw_port(p, kFlange_x + 184, side1);
    p.setFont(theme::text(12));
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(kFlange_x + 20, kSide_y + 18, 240, 16), Qt::AlignCenter,
               Drawn::tr("from the side"));
    p.drawText(QRectF(kFlange_x + 236, kTop_y + 17, 90, 16), Qt::AlignCenter,
               Drawn::tr("from above"));
  });
  plate.value(param::unit_pilot, kFace + QPointF(0, -27));
  plate.value(param::unit_studs, kFace + QPointF(58, -46));
  plate.value(param::unit_stud_pitch, kFace + QPointF(0, 40));
  plate.value(param::unit_stud_pitch2, kFace + QPointF(-58, 0));
  plate.value(param::unit_stud_size, kFace + QPointF(-58, 44));
  plate.value(param::unit_stud_length, QPointF(kFlange_x - 44, kSide_y - 22));
  plate.value(param::unit_flange, QPointF(kFlange_x + 4, kSide_y - 40));
  plate.value(param::unit_length, QPointF(kEnd_x + 12, kSide_y - 14));
  plate.value(param::unit_body_width, QPointF(kFlange_x + 130, kTop_y));
  plate.value(param::unit_body_step, QPointF(kFlange_x + 110, kSide_y));
  plate.value(param::unit_cast_mark, QPointF(kFlange_x + 40, kSide_y));
  plate.value(param::unit_rod_kept, QPointF(kFlange_x - 46, kSide_y + 6));
  plate.value(param::unit_inlets, QPointF(kFlange_x + 92, kSide_y - 22));
  plate.value(param::unit_inlet_pitch, QPointF(kFlange_x + 128, kSide_y - 40));
  plate.value(param::unit_chamber2, QPointF(kFlange_x + 196, kSide_y - 42));
  plate.value(param::unit_switch, QPointF(kFlange_x + 240, kSide_y));
  plate.value(param::unit_port1_side, QPointF(kFlange_x + 52, kTop_y - 22));
  plate.value(param::unit_port1_thread, QPointF(kFlange_x + 72, kTop_y - 2));
  plate.value(param::unit_port1_seat, QPointF(kFlange_x + 94, kTop_y - 22));
  if (b.tandem) {
    plate.value(param::unit_port2_side, QPointF(kFlange_x + 164, kTop_y - 22));
    plate.value(param::unit_port2_thread, QPointF(kFlange_x + 184, kTop_y - 2));
    plate.value(param::unit_port2_seat, QPointF(kFlange_x + 206, kTop_y - 22));
  }
  plate.value(param::unit_front_outlet, std::nullopt);
  return std::move(plate).done(kDrawn);
}

}  // namespace yoke
