#include "paint/net_places.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

constexpr double kReach = 20;    ///< from a part to its joint
constexpr double kHose = 112;    ///< from a wheel back to its hose
constexpr double kAcross = 172;  ///< from a wheel back to where its line goes across the car

constexpr double kAside = 46;  ///< the rear's lane beside the front's, behind a tee for both

double wheel_x(const Net& net, Axle axle, QSizeF s) {
  if (axle == Axle::rear) return s.width() - 74;
  const double share = has_split(net) ? 0.5 : 0.42;
  // What stands between outlet and front brakes needs its room, a joint on either side.
  const int parts = parts_before_front(net);
  const double needed = outlet_x(s) + kAcross + (has_split(net) ? 62 : 0) +
                        (parts > 0 ? kLanePart * (parts + 1) : 46);
  return std::max(outlet_x(s) + (s.width() - outlet_x(s)) * share, needed);
}
double wheel_y(Wheel w, QSizeF s) {
  const bool left = w == Wheel::front_left || w == Wheel::rear_left;
  return left ? s.height() - 66 : 82;
}
double lane_y(const Net& net, std::optional<Outlet> circuit, QSizeF s) {
  const double mid = s.height() / 2 + 8;
  return net.node("outlet2") ? mid + (circuit == Outlet::primary ? 26 : -26) : mid;
}

const NetRun* run_to(const Net& net, std::string_view key) {
  const auto it =
      std::find_if(net.runs.begin(), net.runs.end(), [&](const NetRun& r) { return r.to == key; });
  return it == net.runs.end() ? nullptr : &*it;
}
std::vector<std::string> behind(const Net& net, std::string_view key) {
  std::vector<std::string> list;
  for (const NetRun& r : net.runs)
    if (r.from == key) list.push_back(r.to);
  return list;
}

/// An outlet that feeds both axles goes straight on to the two front brakes: the rear's line has a
/// lane of its own.
bool rear_aside(const Net& net, std::optional<Outlet> circuit) {
  const auto has = [&](NetPart part, bool front) {
    return std::any_of(net.nodes.begin(), net.nodes.end(), [&](const NetNode& n) {
      return n.part == part && n.circuit == circuit && (!front || n.axle == Axle::front);
    });
  };
  return has(NetPart::split_tee, false) && has(NetPart::tee, true);
}

/// Wheels and slave stand where they stand, outlets at the master, an axle's tee before its wheels,
/// a wheel's hose beside it.
void place_ends(const Net& net, QSizeF s, Places& at) {
  for (const NetNode& n : net.nodes) {
    const bool aside = n.axle == Axle::rear && rear_aside(net, n.circuit);
    const double lane = lane_y(net, n.circuit, s) + (aside ? kAside : 0);
    if (n.part == NetPart::wheel)
      at[n.key] = {wheel_x(net, *n.axle, s), wheel_y(*n.wheel, s)};
    else if (n.part == NetPart::hose && n.wheel)
      at[n.key] = {wheel_x(net, *n.axle, s) - kHose, wheel_y(*n.wheel, s)};
    else if (n.part == NetPart::slave)
      at[n.key] = {s.width() - 80, lane};
    else if (n.part == NetPart::outlet)
      at[n.key] = {outlet_x(s), lane};
    else if (n.part == NetPart::reservoir)
      at[n.key] = {outlet_x(s) - 71, s.height() / 2 - 50};  // over the unit
    else if (n.part == NetPart::split_tee)
      at[n.key] = {outlet_x(s) + 62 + kLanePart * parts_before_front(net), lane};
    else if (n.part == NetPart::tee)
      at[n.key] = {wheel_x(net, *n.axle, s) - kAcross, lane};
  }
}

/// What stands in the line between two placed parts is spread along the lane of its circuit.
void place_chain(const Net& net, const std::string& from, Places& at) {
  for (const std::string& next : behind(net, from)) {
    std::vector<std::string> chain;
    std::string end = next;
    while (!at.count(end)) {
      chain.push_back(end);
      const auto more = behind(net, end);
      if (more.empty()) break;
      end = more.front();
    }
    const QPointF a = at[from];
    const NetNode* last = net.node(end);
    const NetNode* first = net.node(from);
    const bool aside = first->part == NetPart::split_tee && last && last->axle == Axle::rear &&
                       rear_aside(net, last->circuit);
    const bool goes_across = last && last->wheel;
    const double to_x = (at.count(end) ? at[end].x() : a.x() + 80) - (!goes_across ? 0
                                                                      : last->part == NetPart::hose
                                                                          ? kAcross - kHose
                                                                          : kAcross);
    for (std::size_t i = 0; i < chain.size(); ++i)
      at[chain[i]] = {a.x() + (to_x - a.x()) * (static_cast<double>(i) + 1) /
                                  (static_cast<double>(chain.size()) + 1),
                      a.y() + (aside ? kAside : 0)};
    if (at.count(end)) place_chain(net, end, at);
  }
}

}  // namespace

double outlet_x(QSizeF s) {
  return std::max(176.0, s.width() * 0.2);
}

int parts_before_front(const Net& net) {
  int most = 0;
  for (const Outlet o : {Outlet::primary, Outlet::secondary}) {
    const bool front = std::any_of(net.nodes.begin(), net.nodes.end(), [&](const NetNode& n) {
      return n.part == NetPart::wheel && n.axle == Axle::front && n.circuit == o;
    });
    if (!front) continue;
    most = std::max(
        most,
        static_cast<int>(std::count_if(net.nodes.begin(), net.nodes.end(), [&](const NetNode& n) {
          return n.circuit == o && n.axle != Axle::rear && !n.wheel && n.part != NetPart::outlet &&
                 n.part != NetPart::split_tee && n.part != NetPart::tee && n.part != NetPart::hose;
        })));
  }
  return most;
}

bool has_split(const Net& net) {
  return std::any_of(net.nodes.begin(), net.nodes.end(),
                     [](const NetNode& n) { return n.part == NetPart::split_tee; });
}

Places places_of(const Net& net, QSizeF s) {
  Places at;
  place_ends(net, s, at);
  for (const char* outlet : {"outlet1", "outlet2"})
    if (net.node(outlet)) place_chain(net, outlet, at);
  return at;
}

/// The way a line takes: from a tee straight across the car, else along it first.
QPainterPath way(const Net& net, const NetRun& r, QPointF a, QPointF b) {
  const NetNode* from = net.node(r.from);
  const NetNode* to = net.node(r.to);
  const bool front = to->axle == Axle::front;
  const bool aside = from->part == NetPart::split_tee && !front && rear_aside(net, from->circuit);
  const bool tee =
      from->part == NetPart::tee || (from->part == NetPart::split_tee && front && to->wheel);
  double x = b.x();
  if (tee)
    x = a.x();
  else if (to->wheel)
    x = b.x() - (to->part == NetPart::hose ? kAcross - kHose : kAcross);
  QPainterPath path(a);
  if (aside) {
    a.ry() += kAside;
    path.lineTo(a);
  }
  if (std::abs(a.y() - b.y()) > 1) {
    path.lineTo(x, a.y());
    path.lineTo(x, b.y());
  }
  path.lineTo(b);
  return path;
}

/// Where a joint stands: beside its part, on the side of the line that comes or goes.
QPointF joint_place(const Net& net, const NetJoint& j, const Places& at) {
  const auto own = at.find(j.node);
  if (own == at.end()) return {};
  const QPointF here = own->second;
  const NetNode* node = net.node(j.node);
  const auto ends = [&](std::string_view tail) {
    return j.key.size() > tail.size() && j.key.ends_with(tail);
  };
  if (node->part == NetPart::outlet) return here;
  if (node->part == NetPart::reservoir)
    return net.joint("reservoir2") ? here + QPointF(ends("1") ? 20 : -20, 0) : here;
  std::optional<QPointF> to;
  const auto look = [&](const std::string& key) {
    if (const auto it = at.find(key); it != at.end()) to = it->second;
  };
  if (ends(".in") || node->part == NetPart::wheel || node->part == NetPart::slave) {
    if (const NetRun* r = run_to(net, j.node)) look(r->from);
  } else if (ends(".out")) {
    if (const auto list = behind(net, j.node); !list.empty()) look(list.front());
  } else {
    for (const std::string& next : behind(net, j.node)) {
      const NetNode* n = net.node(next);
      const bool left = n->wheel == Wheel::front_left || n->wheel == Wheel::rear_left;
      if ((ends(".left") && left) || (ends(".right") && !left)) look(next);
      if (n->axle && ((ends(".front") && *n->axle == Axle::front) ||
                      (ends(".rear") && *n->axle == Axle::rear)))
        look(next);
    }
  }
  if (node->part == NetPart::wheel || node->part == NetPart::slave) return here - QPointF(46, 0);
  if (!to) return here + QPointF(ends(".in") ? -27 : 27, 0);
  const QPointF d = *to - here;
  const bool aside = node->part == NetPart::split_tee && rear_aside(net, node->circuit);
  if (aside && (ends(".front") || ends(".rear")))
    return here + (ends(".front") ? QPointF(kReach, 0) : QPointF(0, kReach));
  if (ends(".left") || ends(".right") || ends(".front"))
    return here + QPointF(0, d.y() > 0 ? kReach : -kReach);
  const double reach = node->part == NetPart::tee || node->part == NetPart::split_tee ? kReach : 27;
  return here + QPointF(d.x() > 0 ? reach : -reach, 0);
}

}  // namespace yoke
