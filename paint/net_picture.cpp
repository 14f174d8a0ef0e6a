#include "paint/net_picture.hpp"

#include <algorithm>
#include <cmath>
#include <map>

#include "paint/drawing_ground.hpp"
#include "paint/lettering.hpp"
#include "paint/net_places.hpp"
#include "paint/words.hpp"

namespace yoke {

namespace {

/// What the drawing needs; in a smaller place it is drawn smaller, its letters are not. In a larger
/// one both grow.
constexpr double kLeastWidth = 720;
constexpr double kSplitWidth = 820;
constexpr double kLeastHeight = 300;
constexpr double kMostEnlarged = 1.5;

QFont letters(int px, double k) {
  return theme::text(qRound(px / std::min(1.0, k)));
}

constexpr double kNut = 11;  ///< half a nut's width

QPolygonF nut(QPointF c, double r) {
  QPolygonF hex;
  for (int i = 0; i < 6; ++i)
    hex << c + QPointF(r * std::cos(i * M_PI / 3), r * std::sin(i * M_PI / 3));
  return hex;
}

void draw_joint(QPainter& p, QPointF c, const JudgedJoint& j, bool selected, double k) {
  const bool wrong = j.wrong();
  const bool open = j.verdict == JointVerdict::not_looked;
  const bool asks = wrong || (j.joint.fresh && !j.good());
  const QColor ink = asks ? theme::kMarkOnDye : theme::kScribe;
  p.setPen(QPen(ink, wrong ? 2.6 : 1.8, open ? Qt::DashLine : Qt::SolidLine));
  p.setBrush(j.good() && !open ? theme::kScribe : theme::kDyeDeep);
  p.drawPolygon(nut(c, kNut));
  if (wrong) {
    p.drawLine(c - QPointF(5, 5), c + QPointF(5, 5));
    p.drawLine(c - QPointF(5, -5), c + QPointF(5, -5));
  } else if (!j.good() || open) {
    p.setFont(theme::figure(qRound(std::min(20.0, 14 / std::min(1.0, k))), true));
    p.drawText(QRectF(c.x() - 10, c.y() - 10, 20, 20), Qt::AlignCenter,
               open ? QStringLiteral("?") : QStringLiteral("·"));
  }
  if (selected) {
    p.setBrush(Qt::NoBrush);
    p.setPen(QPen(theme::kMarkOnDye, 2));
    p.drawEllipse(c, kNut + 6, kNut + 6);
  }
}

void draw_part(QPainter& p, QPointF c, const NetNode& n) {
  p.setBrush(theme::kDyeDeep);
  p.setPen(QPen(theme::kScribe, 1.6));
  switch (n.part) {
    case NetPart::wheel:
    case NetPart::slave:
      p.drawRoundedRect(QRectF(c.x() - 32, c.y() - 20, 64, 40), 8, 8);
      break;
    case NetPart::hose: {
      // A hose is drawn as one: ribs across it.
      p.drawRoundedRect(QRectF(c.x() - 14, c.y() - 8, 28, 16), 8, 8);
      for (int i = -1; i < 2; ++i) p.drawLine(c + QPointF(i * 7, -8), c + QPointF(i * 7, 8));
      break;
    }
    case NetPart::tee:
    case NetPart::split_tee:
      p.drawRect(QRectF(c.x() - 7, c.y() - 7, 14, 14));
      break;
    case NetPart::outlet:
      break;
    case NetPart::reservoir:
      p.drawRoundedRect(QRectF(c.x() - 34, c.y() - 34, 68, 18), 6, 6);
      break;
    default:
      p.drawRect(QRectF(c.x() - 14, c.y() - 12, 28, 24));
  }
}

QString short_name(const NetNode& n) {
  switch (n.part) {
    case NetPart::servo:
      return Drawn::tr("servo");
    case NetPart::antilock:
      return Drawn::tr("anti-lock");
    case NetPart::shuttle:
      return Drawn::tr("failure switch");
    case NetPart::lamp:
      return Drawn::tr("lamp switch");
    case NetPart::metering:
      return Drawn::tr("metering");
    case NetPart::proportioning:
      return Drawn::tr("proportioning");
    case NetPart::residual:
      return Drawn::tr("residual");
    default:
      return {};
  }
}

void draw_runs(QPainter& p, const Net& net, const Places& at) {
  for (const NetRun& r : net.runs) {
    const auto a = at.find(r.from);
    const auto b = at.find(r.to);
    if (a == at.end() || b == at.end()) continue;
    const NetNode* n = net.node(r.to);
    QPen pen(theme::kScribe, 2.4);
    if (n && n->circuit == Outlet::secondary) pen.setDashPattern({6, 3});
    p.setBrush(Qt::NoBrush);
    const QPainterPath path = way(net, r, a->second, b->second);
    // Where lines cross the later one goes over the other.
    p.setPen(QPen(theme::kDye, 9));
    p.drawPath(path);
    p.setPen(pen);
    p.drawPath(path);
  }
}

QRectF body_of(QSizeF s) {
  const double x = outlet_x(s);
  return {x - 104, s.height() / 2 - 12, 66, 40};
}

/// The unit from above, a pipe from each outlet to where its line begins; the old one's outlets
/// beside it, a cord for each line that moves from one to the other.
void draw_master(QPainter& p, const NetDrawing& d, QSizeF s, double k) {
  const double mid = s.height() / 2 + 8;
  const double x = outlet_x(s);
  const bool two = d.net.node("outlet2") != nullptr;
  const QRectF body = body_of(s);
  for (int i = 0; i < (two ? 2 : 1); ++i) {
    const QPointF from = port_point(body, d.unit, i);
    const QPointF to{x, two ? mid + (i == 0 ? 26 : -26) : mid};
    QPen pen(theme::kScribe, 2.4);
    if (i == 1) pen.setDashPattern({6, 3});
    QPainterPath path(from);
    // Out of the side it points to, then round the body to its lane.
    const double lane = to.y() > mid ? body.bottom() + 14 : to.y() < mid ? body.top() - 14 : mid;
    path.lineTo(from.x(), lane);
    path.lineTo(body.right() + 20, lane);
    path.lineTo(to);
    p.setBrush(Qt::NoBrush);
    p.setPen(pen);
    p.drawPath(path);
  }
  // A hose or grommet from the bottle down to each inlet.
  const Places at = places_of(d.net, s);
  for (const NetJoint& j : d.net.joints)
    if (j.node == "reservoir") {
      const double inlet = joint_place(d.net, j, at).x();
      p.setPen(QPen(theme::kScribe, 1.6));
      p.drawLine(QPointF(inlet, at.find(j.node)->second.y() - 16), QPointF(inlet, body.top() + 8));
    }
  draw_unit_look(p, body, d.unit, false);
  p.setFont(letters(13, k));
  p.setPen(theme::kScribe);
  p.drawText(QRectF(body.left() - 20, body.bottom() + (two ? 20 : 6), 100, 20), Qt::AlignCenter,
             Drawn::tr("master"));
  if (two) {
    p.setFont(theme::figure(qRound(16 / std::min(1.0, k)), true));
    p.drawText(QRectF(x - 34, mid + 36, 20, 22), Qt::AlignCenter, QStringLiteral("1"));
    p.drawText(QRectF(x - 34, mid - 58, 20, 22), Qt::AlignCenter, QStringLiteral("2"));
  }
  if (!two || (d.ports.lines.empty() && d.ports.open.empty())) return;
  const QRectF old(16, mid - 46 - 60, 44, 28);
  draw_unit_look(p, old, d.old_unit, true);
  p.setFont(letters(13, k));
  p.setPen(theme::kScribeSoft);
  p.drawText(QRectF(old.left(), old.top() - 22, 90, 18), Qt::AlignLeft, Drawn::tr("old one"));
  for (const PortMatch& m : d.ports.lines) {
    const bool crossed = m.old_outlet != m.new_outlet;
    p.setPen(QPen(crossed ? theme::kMarkOnDye : theme::kScribeSoft, 2, Qt::DotLine));
    p.drawLine(port_point(old, d.old_unit, m.old_outlet == Outlet::primary ? 0 : 1),
               port_point(body, d.unit, m.new_outlet == Outlet::primary ? 0 : 1));
  }
}

QString joint_said(const JudgedJoint& j) {
  QString s = text_of(j.joint.name, {}) + QStringLiteral(": ") + words_of(verdict_words(j.verdict));
  if (j.joint.fresh)
    s += j.proved ? Drawn::tr(", proved by hand") : Drawn::tr(", not proved by hand");
  return s;
}

/// What is written into a wheel or the slave.
QString inside_of(const NetNode& n) {
  if (n.part == NetPart::slave) return Drawn::tr("slave");
  if (!n.circuit) return QStringLiteral("?");
  const QString outlet = *n.circuit == Outlet::primary ? QStringLiteral("1") : QStringLiteral("2");
  return n.elsewhere ? outlet + QLatin1Char('?') : outlet;
}

void add_end(Picture& pic, const NetNode& n, QPointF c, double k) {
  const QString name = text_of(n.name, {});
  const QString inside = inside_of(n);
  const bool slave = n.part == NetPart::slave;
  pic.layers.emplace_back([=](QPainter& p) {
    p.setPen(inside.endsWith(QLatin1Char('?')) ? theme::kMarkOnDye : theme::kScribe);
    p.setFont(slave ? letters(14, k) : theme::figure(qRound(17 / std::min(1.0, k)), true));
    p.drawText(QRectF(c.x() - 32, c.y() - 20, 64, 40), Qt::AlignCenter, inside);
    if (slave) return;
    p.setFont(letters(13, k));
    p.setPen(theme::kScribe);
    const bool above = c.y() < 120;
    p.drawText(QRectF(c.x() - 100, above ? c.y() - 46 : c.y() + 20, 174, 26), Qt::AlignCenter,
               name);
  });
  QString said = name + (slave                           ? QString()
                         : !n.circuit                    ? Drawn::tr(": not traced")
                         : *n.circuit == Outlet::primary ? Drawn::tr(": outlet 1")
                                                         : Drawn::tr(": outlet 2"));
  if (n.elsewhere) said += Drawn::tr(", traced on the old unit: trace it again");
  if (n.wheel)
    pic.spots.push_back({QRectF(c.x() - 29, c.y() - 20, 61, 40),
                         QStringLiteral("wheel:%1").arg(static_cast<int>(*n.wheel)), said});
  pic.said << said;
}

void add_names(Picture& pic, const NetDrawing& d, const Places& at, double k) {
  const QSizeF size = pic.size;
  Lettering places(QRectF(QPointF(0, 30), QSizeF(size.width(), size.height() - 30)));
  for (const auto& [key, c] : at) places.keep_free(QRectF(c.x() - 36, c.y() - 22, 72, 44));
  pic.layers.emplace_back([=](QPainter& p) mutable {
    Lettering free = places;
    p.setFont(letters(13, k));
    p.setPen(theme::kScribe);
    for (const NetNode& n : d.net.nodes)
      if (const QString name = short_name(n); !name.isEmpty() && at.count(n.key))
        free.write(p, at.find(n.key)->second + QPointF(0, 34), name, theme::kDye);
    p.setPen(theme::kScribeSoft);
    p.drawText(QRectF(26, 40, 200, 26), Qt::AlignLeft, Drawn::tr("front of the car"));
  });
}

QString title_of(const NetDrawing& d) {
  if (d.paper) return Drawn::tr("From outlet to wheel, with what is known of each joint");
  if (d.wiping) return Drawn::tr("Touch a joint: dry or wet?");
  if (d.net.node("slave")) return Drawn::tr("Touch a joint to say what is there");
  return Drawn::tr(
      "Touch a joint to say what is there; touch a wheel to hang it on the other outlet");
}

/// Under its title, drawn `k` times as large.
Picture scaled(const Picture& inner, QSizeF size, double k, const QString& title) {
  Picture pic;
  pic.size = size;
  ground(pic, title);
  for (const Layer& layer : inner.layers)
    pic.layers.emplace_back([layer, k](QPainter& p) {
      p.scale(k, k);
      layer(p);
    });
  for (Spot s : inner.spots) {
    s.area = QRectF(s.area.topLeft() * k, s.area.size() * k);
    pic.spots.push_back(std::move(s));
  }
  pic.said << inner.said;
  return pic;
}

}  // namespace

NetDrawing net_drawing(const Job& job, std::string selected) {
  NetDrawing d{plumbing_net(job, As::plan),
               judged_joints(job, As::plan),
               port_matching(job),
               unit_look(job, As::plan),
               unit_look(job, As::found),
               std::move(selected),
               false};
  d.unit.two = d.net.node("outlet2") != nullptr;
  return d;
}

Picture net_picture(const NetDrawing& d, QSizeF size) {
  const int parts = parts_before_front(d.net);
  const double k = std::min({kMostEnlarged,
                             size.width() / ((has_split(d.net) ? kSplitWidth : kLeastWidth) +
                                             kLanePart * (parts > 0 ? parts + 0.5 : 0)),
                             size.height() / kLeastHeight});
  Picture inner;
  inner.size = size / k;
  const QSizeF room = inner.size;
  const Places at = places_of(d.net, room);
  inner.layers.emplace_back([=](QPainter& p) {
    p.setRenderHint(QPainter::Antialiasing);
    p.setPen(QPen(theme::kScribeFaint, 1.4, Qt::DashLine));
    p.drawRoundedRect(QRectF(8, 34, room.width() - 16, room.height() - 42), 40, 40);
    draw_runs(p, d.net, at);
    draw_master(p, d, room, k);
    for (const NetNode& n : d.net.nodes)
      if (const auto it = at.find(n.key); it != at.end()) draw_part(p, it->second, n);
    for (const JudgedJoint& j : d.joints)
      if (at.count(j.joint.node))
        draw_joint(p, joint_place(d.net, j.joint, at), j, j.joint.key == d.selected, k);
  });
  add_names(inner, d, at, k);
  add_unit_spots(inner, body_of(room), d.unit);
  // Always in the same order: whoever walks them with the keys stays where he is.
  for (const Wheel w : kWheels)
    if (const NetNode* n = d.net.node(wheel_key(w))) add_end(inner, *n, at.find(n->key)->second, k);
  if (const NetNode* n = d.net.node("slave")) add_end(inner, *n, at.find(n->key)->second, k);
  for (const JudgedJoint& j : d.joints) {
    if (!at.count(j.joint.node)) continue;
    const QPointF c = joint_place(d.net, j.joint, at);
    inner.said << joint_said(j);
    inner.spots.push_back({QRectF(c.x() - 16, c.y() - 16, 32, 32),
                           QStringLiteral("joint:") + QString::fromStdString(j.joint.key),
                           joint_said(j)});
  }
  if (d.ports.crossed)
    inner.said << Drawn::tr(
        "A line of the old outlet 1 goes to the new outlet 2, or the other way.");
  return scaled(inner, size, k, title_of(d));
}

}  // namespace yoke
