// The old parts laid out: how old and how worn; the bore and what runs in it; the kit beside it.
#include <QPainterPath>

#include "document/param/age.hpp"
#include "document/param/gauge.hpp"
#include "document/param/kit.hpp"
#include "document/values.hpp"
#include "paint/plate.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

QPen line(double width = 1.6) {
  return {theme::kScribe, width};
}

void small_words(QPainter& p, double x, double y, double w, const QString& words) {
  p.setFont(theme::text(12));
  p.setPen(theme::kScribeSoft);
  p.drawText(QRectF(x - w / 2, y, w, 16), Qt::AlignCenter, words);
}

void draw_hose(QPainter& p) {
  p.setPen(QPen(theme::kScribe, 9, Qt::SolidLine, Qt::RoundCap));
  p.setBrush(Qt::NoBrush);
  QPainterPath hose(QPointF(40, 150));
  hose.cubicTo(70, 60, 110, 190, 142, 96);
  p.drawPath(hose);
  p.setPen(QPen(theme::kDyeDeep, 5, Qt::SolidLine, Qt::RoundCap));
  p.drawPath(hose);
  p.setPen(line());
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(32, 146, 18, 16));  // its ends
  p.drawRect(QRectF(134, 82, 18, 16));
}

/// A tube with its nut, and a nipple beside it.
void draw_joint(QPainter& p) {
  p.setPen(line());
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(172, 66, 6, 110));  // the tube
  p.drawPolygon(QPolygonF({{164, 96}, {186, 96}, {186, 122}, {164, 122}}));
  p.drawLine(QPointF(171, 96), QPointF(171, 122));
  p.drawLine(QPointF(179, 96), QPointF(179, 122));
  p.drawPolygon(QPolygonF({{218, 92},
                           {236, 92},
                           {236, 118},
                           {232, 118},
                           {232, 150},
                           {227, 168},
                           {222, 150},
                           {222, 118},
                           {218, 118}}));
  p.drawEllipse(QPointF(227, 82), 6, 9);
}

/// The unit with its boot, grommets, switch, spacer, and the drain above it.
void draw_old_unit(QPainter& p) {
  p.setPen(QPen(theme::kScribeSoft, 2));
  p.drawLine(QPointF(330, 44), QPointF(330, 186));  // the firewall
  p.drawLine(QPointF(290, 44), QPointF(330, 44));
  p.setPen(line());
  p.setBrush(QBrush(theme::kScribeFaint, Qt::BDiagPattern));
  p.drawRect(QRectF(331, 88, 8, 62));  // spacer
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(339, 86, 8, 66));
  p.drawRect(QRectF(347, 102, 130, 34));
  p.drawRoundedRect(QRectF(366, 56, 92, 32), 5, 5);
  for (const double x : {384.0, 430.0}) p.drawRect(QRectF(x, 88, 12, 14));  // grommets
  QPainterPath boot(QPointF(330, 106));
  for (int i = 0; i < 4; ++i) {
    boot.lineTo(322 - 9 * i, 98);
    boot.lineTo(318 - 9 * i, 108);
  }
  for (int i = 3; i >= 0; --i) {
    boot.lineTo(318 - 9 * i, 130);
    boot.lineTo(322 - 9 * i, 140);
  }
  boot.lineTo(330, 132);
  p.drawPath(boot);
  p.drawLine(QPointF(250, 119), QPointF(300, 119));
  p.drawRect(QRectF(470, 62, 22, 18));  // the switch in the reservoir
  p.drawLine(QPointF(492, 71), QPointF(508, 71));
}

/// A vacuum valve and the box that a new unit lay in.
void draw_boxed(QPainter& p) {
  p.setPen(line());
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(524, 128, 56, 40));
  p.drawLine(QPointF(524, 128), QPointF(540, 116));
  p.drawLine(QPointF(580, 128), QPointF(592, 116));
  p.drawLine(QPointF(540, 116), QPointF(592, 116));
  p.drawEllipse(QPointF(552, 66), 15, 15);
  p.drawLine(QPointF(567, 66), QPointF(586, 66));
  p.drawLine(QPointF(537, 66), QPointF(526, 66));
}

void draw_bore(QPainter& p) {
  p.setPen(QPen(theme::kScribeFaint, 1, Qt::DashDotLine));
  p.drawLine(QPointF(20, 92), QPointF(420, 92));
  p.setPen(line());
  p.setBrush(QBrush(theme::kScribeFaint, Qt::BDiagPattern));
  p.drawRect(QRectF(40, 44, 340, 18));
  p.drawRect(QRectF(40, 122, 340, 18));
  p.drawRect(QRectF(366, 44, 16, 96));
  p.setPen(QPen(theme::kScribeSoft, 1, Qt::DashLine));
  for (const double x : {74.0, 200.0, 330.0}) p.drawLine(QPointF(x, 62), QPointF(x, 122));
  p.setPen(line());
  p.setBrush(theme::kMarkOnDye);
  p.drawPie(QRectF(254, 116, 14, 12), 0, 180 * 16);  // a pit
  small_words(p, 74, 142, 110, Drawn::tr("open end"));
  small_words(p, 200, 142, 110, Drawn::tr("middle"));
  small_words(p, 330, 142, 110, Drawn::tr("far end"));
}

/// A piston and the cup that goes on it.
void draw_piston(QPainter& p, double x, double y) {
  p.setPen(line());
  p.setBrush(theme::kDyeDeep);
  p.drawRect(QRectF(x, y - 27, 20, 54));
  p.drawRect(QRectF(x + 20, y - 14, 34, 28));
  p.drawRect(QRectF(x + 54, y - 27, 16, 54));
}

void draw_cup(QPainter& p, double x, double y) {
  p.setPen(line());
  p.setBrush(theme::kScribeFaint);
  p.drawPolygon(QPolygonF({{x, y - 29},
                           {x + 14, y - 31},
                           {x + 9, y - 14},
                           {x + 9, y + 14},
                           {x + 14, y + 31},
                           {x, y + 29}}));
}

void draw_spring(QPainter& p, double x, double y) {
  p.setPen(QPen(theme::kScribe, 2));
  p.setBrush(Qt::NoBrush);
  QPolygonF coil;
  for (int i = 0; i <= 12; ++i) coil << QPointF(x + i * 9, y + (i % 2 == 0 ? -22 : 22));
  p.drawPolyline(coil);
}

}  // namespace

Picture ageing_plate(const PlateInput& in, QSizeF size) {
  Plate plate(in, Drawn::tr("The old parts: what breaks when they are disturbed"), size);
  plate.draw([](QPainter& p) {
    draw_hose(p);
    draw_joint(p);
    draw_old_unit(p);
    draw_boxed(p);
  });
  plate.value(param::age_hoses, QPointF(96, 116));
  plate.value(param::age_nuts, QPointF(175, 84));
  plate.value(param::age_nipples, QPointF(227, 106));
  plate.value(param::age_drain, QPointF(310, 44));
  plate.value(param::age_boot, QPointF(300, 96));
  plate.value(param::age_spacers, QPointF(335, 164));
  plate.value(param::age_grommets, QPointF(414, 95));
  plate.value(param::age_fluid, QPointF(404, 68));
  plate.value(param::age_sensor, QPointF(482, 52));
  plate.value(param::age_pitting, QPointF(412, 119));
  plate.value(param::age_check_valve, QPointF(552, 66));
  plate.value(param::age_shelf, QPointF(552, 148));
  return std::move(plate).done(194);
}

Picture gauge_plate(const PlateInput& in, QSizeF size) {
  Plate plate(in, Drawn::tr("The bore in section: gauged at three depths, two ways each"), size);
  plate.draw([](QPainter& p) {
    draw_bore(p);
    draw_piston(p, 436, 92);
    draw_cup(p, 530, 92);
  });
  plate.value(param::gauge_a1, QPointF(74, 76));
  plate.value(param::gauge_a2, QPointF(74, 106));
  plate.value(param::gauge_b1, QPointF(200, 76));
  plate.value(param::gauge_b2, QPointF(200, 106));
  plate.value(param::gauge_c1, QPointF(330, 76));
  plate.value(param::gauge_c2, QPointF(330, 106));
  plate.value(param::gauge_piston, QPointF(446, 54));
  plate.value(param::gauge_cup, QPointF(537, 50));
  plate.value(param::gauge_cup_rest, QPointF(146, 132));
  plate.value(param::gauge_pit, QPointF(261, 112));
  plate.value(param::gauge_pit_depth, QPointF(281, 132));
  plate.value(param::gauge_hone, QPointF(140, 52));
  return std::move(plate).done(164);
}

Picture kit_plate(const PlateInput& in, QSizeF size) {
  Plate plate(in, Drawn::tr("In the unit, then in the kit: laid out in the order they come apart"),
              size);
  plate.draw([](QPainter& p) {
    draw_piston(p, 70, 92);
    draw_cup(p, 172, 92);
    draw_cup(p, 214, 92);
    draw_spring(p, 270, 92);
    p.setPen(line());
    p.setBrush(theme::kDyeDeep);
    p.drawRect(QRectF(418, 70, 10, 44));
    p.drawEllipse(QPointF(446, 92), 9, 20);
    p.drawLine(QPointF(24, 92), QPointF(76, 92));  // the rod in its socket
  });
  const auto both = [&plate](As which) {
    const bool first = which == As::found;
    const auto at = [first](double x, double y) {
      return first ? std::optional(QPointF(x, y)) : std::nullopt;
    };
    plate.value(param::kit_piston, at(104, 56), which);
    plate.value(param::kit_socket, at(80, 110), which);
    plate.value(param::kit_cups, at(196, 50), which);
    plate.value(param::kit_facing, at(224, 132), which);
    plate.value(param::kit_spring, at(324, 60), which);
    plate.value(param::kit_valve, at(432, 56), which);
  };
  plate.part(Drawn::tr("In the unit"));
  both(As::found);
  plate.part(Drawn::tr("In the kit"));
  both(As::plan);
  return std::move(plate).done(150);
}

}  // namespace yoke
