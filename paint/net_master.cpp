#include "paint/net_master.hpp"

#include "document/param/bores.hpp"
#include "document/param/unit.hpp"
#include "document/values.hpp"
#include "paint/theme.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

std::optional<PortWay> way_of(const Value& v) {
  if (!v.known()) return std::nullopt;
  using choice::UnitPortSide;
  if (v.is(UnitPortSide::left)) return PortWay::left;
  if (v.is(UnitPortSide::right)) return PortWay::right;
  if (v.is(UnitPortSide::top)) return PortWay::top;
  if (v.is(UnitPortSide::bottom)) return PortWay::below;
  return PortWay::end;
}

QString way_words(const std::optional<PortWay>& w) {
  if (!w) return Drawn::tr("not looked at");
  switch (*w) {
    case PortWay::left:
      return Drawn::tr("left");
    case PortWay::right:
      return Drawn::tr("right");
    case PortWay::top:
      return Drawn::tr("up");
    case PortWay::below:
      return Drawn::tr("down");
    case PortWay::end:
      return Drawn::tr("out of the far end");
  }
  return {};
}

QPen pen(bool known, bool soft, double width) {
  const QColor ink = soft ? theme::kScribeSoft : known ? theme::kScribe : theme::kMarkOnDye;
  return {ink, width, known ? Qt::SolidLine : Qt::DashLine};
}

void draw_port(QPainter& p, QPointF at, const std::optional<PortWay>& way, bool soft) {
  p.setPen(pen(way.has_value(), soft, 1.6));
  p.setBrush(theme::kDyeDeep);
  const double r = soft ? 3.5 : 5;
  p.drawEllipse(at, r, r);
  if (way == PortWay::top) {
    p.setBrush(p.pen().color());
    p.drawEllipse(at, r * 0.4, r * 0.4);  // it points at whoever looks
  } else if (way == PortWay::below) {
    p.drawLine(at - QPointF(r * 0.7, r * 0.7), at + QPointF(r * 0.7, r * 0.7));
    p.drawLine(at - QPointF(r * 0.7, -r * 0.7), at + QPointF(r * 0.7, -r * 0.7));
  }
}

}  // namespace

UnitLook unit_look(const Job& job, As which) {
  UnitLook look;
  const Values v = resolve(job, which);
  // A single master has one outlet; a kind that nobody told is drawn with two.
  look.two = !v.is(choice::MasterKind::single);
  look.way[0] = way_of(v.at(param::unit_port1_side));
  look.way[1] = way_of(v.at(param::unit_port2_side));
  if (v.known(param::unit_inlets))
    look.inlets = v.is(choice::UnitInlets::n0) ? 0 : v.is(choice::UnitInlets::n1) ? 1 : 2;
  if (v.known(param::unit_switch)) look.has_switch = !v.is(choice::UnitSwitch::none);
  return look;
}

QPointF port_point(const QRectF& body, const UnitLook& look, int outlet) {
  // The rod comes from the right: outlet 1 is the one nearest to it.
  const double x =
      look.two ? body.left() + body.width() * (outlet == 0 ? 0.72 : 0.3) : body.center().x();
  switch (look.way[outlet].value_or(PortWay::left)) {
    case PortWay::left:
      return {x, body.bottom()};
    case PortWay::right:
      return {x, body.top()};
    case PortWay::top:
    case PortWay::below:
      return {x, body.center().y()};
    case PortWay::end:
      return {body.left(), body.center().y()};
  }
  return body.center();
}

void draw_unit_look(QPainter& p, const QRectF& body, const UnitLook& look, bool soft) {
  p.setBrush(soft ? QBrush(Qt::NoBrush) : QBrush(theme::kDyeDeep));
  p.setPen(soft ? QPen(theme::kScribeSoft, 1.4, Qt::DashLine) : QPen(theme::kScribe, 1.8));
  p.drawRect(body);
  p.drawLine(QPointF(body.right(), body.center().y()),
             QPointF(body.right() + (soft ? 6 : 12), body.center().y()));  // the rod
  if (!soft) {
    // The reservoir over it: cast on square, else on one or two inlets.
    const QRectF bottle = body.adjusted(6, 7, -6, -7);
    p.setBrush(Qt::NoBrush);
    p.setPen(pen(look.inlets.has_value(), false, 1.2));
    p.drawRoundedRect(bottle, look.inlets == 0 ? 1 : 6, look.inlets == 0 ? 1 : 6);
    for (int i = 0; i < look.inlets.value_or(0); ++i)
      p.drawEllipse(
          QPointF(bottle.left() + bottle.width() * (look.inlets == 1 ? 0.5 : 0.2 + 0.6 * i),
                  bottle.center().y()),
          2.5, 2.5);
    if (look.has_switch.value_or(false)) {
      p.setPen(pen(true, false, 1.4));
      p.setBrush(theme::kDyeDeep);
      p.drawRect(QRectF(body.left() - 9, body.center().y() - 5, 9, 10));
    }
  }
  for (int i = 0; i < (look.two ? 2 : 1); ++i)
    draw_port(p, port_point(body, look, i), look.way[i], soft);
}

void add_unit_spots(Picture& pic, const QRectF& body, const UnitLook& look) {
  const auto spot = [&](QPointF at, Param param, const QString& words) {
    pic.spots.push_back({QRectF(at - QPointF(11, 11), QSizeF(22, 22)),
                         QStringLiteral("value:") + q(std::string(info(param).id)), words});
    pic.said << words;
  };
  spot(body.center() - QPointF(0, 1), param::unit_inlets,
       !look.inlets        ? Drawn::tr("reservoir: not looked at")
       : *look.inlets == 0 ? Drawn::tr("reservoir cast on")
                           : Drawn::tr("reservoir on %n inlets", nullptr, *look.inlets));
  spot(QPointF(body.left() - 6, body.center().y() + 2), param::unit_switch,
       !look.has_switch   ? Drawn::tr("switch in the unit: not looked at")
       : *look.has_switch ? Drawn::tr("a switch in the unit")
                          : Drawn::tr("no switch in the unit"));
  for (int i = 0; i < (look.two ? 2 : 1); ++i)
    spot(port_point(body, look, i), i == 0 ? param::unit_port1_side : param::unit_port2_side,
         Drawn::tr("outlet %1 points: %2").arg(i + 1).arg(way_words(look.way[i])));
}

}  // namespace yoke
