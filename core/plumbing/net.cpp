#include "plumbing/net.hpp"

#include <algorithm>

#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"

namespace yoke {

namespace {

Message axle_name(Axle axle) {
  return axle == Axle::front ? "front" : "rear";
}

Message part_name(NetPart part, const Message& where) {
  switch (part) {
    case NetPart::servo:
      return say("Servo, {}", where);
    case NetPart::antilock:
      return say("Anti-lock unit, {}", where);
    case NetPart::shuttle:
      return say("Failure switch, {}", where);
    case NetPart::lamp:
      return say("Brake-light switch, {}", where);
    case NetPart::split_tee:
      return say("Tee, {}", where);
    case NetPart::metering:
      return say("Metering valve, {}", where);
    case NetPart::proportioning:
      return say("Proportioning valve, {}", where);
    case NetPart::residual:
      return say("Residual valve, {}", where);
    case NetPart::tee:
      return say("Tee, {}", where);
    case NetPart::hose:
      return say("Hose, {}", where);
    default:
      return where;
  }
}

/// Builds the net of one system; the end of the line so far is carried along.
class Builder {
 public:
  Builder(const Job& job, As which)
      : v_(resolve(job, which)), single_(v_.is(choice::MasterKind::single)) {}

  Net brakes(const Job& job, As which) {
    for (const Wheel w : kWheels) {
      if (!works_axle(v_, axle_of(w)) || one_alone(w)) continue;
      const auto o = single_ ? std::optional(Outlet::primary) : outlet_of(job, which, w);
      if (!o) {
        net_.nodes.push_back(
            {NetPart::wheel, std::string(wheel_key(w)), wheel(w), {}, axle_of(w), w, false});
        continue;
      }
      (*o == Outlet::primary ? first_ : second_).push_back(w);
    }
    reservoir();
    circuit(Outlet::primary, first_);
    if (!single_) circuit(Outlet::secondary, second_);
    return std::move(net_);
  }

  Net clutch() {
    reservoir();
    const std::string out = outlet(Outlet::primary, "Master's outlet");
    std::string end = out;
    if (v_.known(param::clutch_hose) && v_.si(param::clutch_hose) > 0) {
      end = through(end, NetPart::hose, "hose_slave", "to the slave", {});
      net_.runs.back().length = param::clutch_tube;
    }
    put(NetPart::slave, "slave", "Slave", {});
    join(end, "slave",
         v_.si(param::clutch_hose) > 0 ? std::nullopt : std::optional(param::clutch_tube));
    joint("slave", "slave", say("Slave, in"));
    return std::move(net_);
  }

 private:
  [[nodiscard]] static Message wheel(Wheel w) { return Message::of_table(wheel_words(w)); }
  /// The second wheel of an axle that has one brake only.
  [[nodiscard]] bool one_alone(Wheel w) const {
    return (w == Wheel::front_right || w == Wheel::rear_right) &&
           v_.is(of_axle(param::front_wheels, axle_of(w)), choice::BrakeWheels::one);
  }

  void put(NetPart part, std::string key, Message name, std::optional<Wheel> w) {
    net_.nodes.push_back({part, std::move(key), std::move(name), circuit_, axle_, w, false});
    net_.nodes.back().elsewhere =
        part == NetPart::wheel && !single_ && v_.at(circuit_of(*w)).other_unit;
    wheel_ = w;
  }
  void join(const std::string& from, const std::string& to, std::optional<Param> length) {
    net_.runs.push_back({from, to, length});
  }
  void joint(std::string key, const std::string& node, Message name) {
    net_.joints.push_back({std::move(key), node, std::move(name), circuit_, wheel_, false});
  }
  /// Grommets or hose ends between the reservoir and the unit; none where it is cast on, none told
  /// while nobody looked.
  void reservoir() {
    const int inlets = v_.is(choice::UnitInlets::n1) ? 1 : v_.is(choice::UnitInlets::n2) ? 2 : 0;
    if (inlets == 0) return;
    put(NetPart::reservoir, "reservoir", "Reservoir", {});
    for (int i = 1; i <= inlets; ++i)
      joint("reservoir" + std::to_string(i), "reservoir",
            inlets == 1 ? Message("Reservoir, inlet") : say("Reservoir, inlet {}", i));
  }
  std::string outlet(Outlet o, Message name) {
    circuit_ = o;
    axle_.reset();
    std::string key = o == Outlet::primary ? "outlet1" : "outlet2";
    put(NetPart::outlet, key, name, {});
    joint(key, key, std::move(name));
    return key;
  }
  /// A part with one way in and one out; what it is returned is the end of the line behind it.
  std::string through(const std::string& from, NetPart part, const std::string& key,
                      const Message& where, std::optional<Wheel> w) {
    const Message name = part_name(part, where);
    put(part, key, name, w);
    join(from, key, length_of_axle());
    joint(key + ".in", key, say("{}: in", name));
    joint(key + ".out", key, say("{}: out", name));
    return key;
  }
  [[nodiscard]] std::optional<Param> length_of_axle() const {
    return axle_ ? std::optional(of_axle(param::front_tube, *axle_)) : std::nullopt;
  }

  void circuit(Outlet o, const std::vector<Wheel>& wheels) {
    const bool first = o == Outlet::primary;
    std::string end = outlet(o, first ? "Outlet 1" : "Outlet 2");
    if (wheels.empty()) return;
    const std::string number = first ? "1" : "2";
    const Message where = first ? "circuit 1" : "circuit 2";
    const auto feeds = v_.choice<param::assist_servo_feeds>();
    using choice::AssistServoFeeds;
    if (v_.is(choice::AssistKind::remote) &&
        feeds != (first ? AssistServoFeeds::n2 : AssistServoFeeds::n1))
      end = through(end, NetPart::servo, "servo" + number, where, {});
    if (v_.is(choice::LampSwitch::two) ||
        v_.is(first ? choice::LampSwitch::line1 : choice::LampSwitch::line2))
      end = through(end, NetPart::lamp, "lamp" + number, where, {});
    if (v_.is(choice::ValveShuttle::fitted))
      end = through(end, NetPart::shuttle, "shuttle" + number, where, {});
    if (v_.is(choice::CircuitAntilock::fitted))
      end = through(end, NetPart::antilock, "antilock" + number, where, {});
    std::vector<Wheel> axles[2];
    for (const Wheel w : wheels) axles[axle_of(w) == Axle::rear].push_back(w);
    if (!axles[0].empty() && !axles[1].empty()) end = split(end, "split" + number, where);
    for (const Axle axle : {Axle::front, Axle::rear})
      if (const auto& list = axles[axle == Axle::rear]; !list.empty()) side(end, axle, list);
  }

  std::string split(const std::string& from, const std::string& key, const Message& where) {
    const Message name = part_name(NetPart::split_tee, where);
    put(NetPart::split_tee, key, name, {});
    join(from, key, {});
    joint(key + ".in", key, say("{}: in", name));
    joint(key + ".front", key, say("{}: to the front", name));
    joint(key + ".rear", key, say("{}: to the rear", name));
    return key;
  }

  /// The wheels of one axle that hang on one outlet.
  void side(std::string end, Axle axle, const std::vector<Wheel>& wheels) {
    axle_ = axle;
    const bool both = wheels.size() == 2;
    const std::string key = both || one_on_axle(axle) ? (axle == Axle::front ? "front" : "rear")
                                                      : std::string(wheel_key(wheels[0]));
    const Message where = both || one_on_axle(axle) ? axle_name(axle) : wheel(wheels[0]);
    if (axle == Axle::front && v_.is(choice::ValveMetering::metering))
      end = through(end, NetPart::metering, "metering_" + key, where, {});
    if (axle == Axle::rear && v_.is(choice::ValveKind::proportioning))
      end = through(end, NetPart::proportioning, "valve_" + key, where, {});
    if (v_.si(axle == Axle::front ? param::valve_residual_front : param::valve_residual_rear) > 0)
      end = through(end, NetPart::residual, "residual_" + key, where, {});
    const bool hose =
        !v_.known(of_axle(param::front_hose, axle)) || v_.si(of_axle(param::front_hose, axle)) > 0;
    const bool middle =
        both && v_.is(of_axle(param::front_hoses, axle), choice::BrakeHoses::middle);
    if (hose && middle) end = through(end, NetPart::hose, "hose_" + key, where, {});
    if (both) end = tee(end, "tee_" + key, where);
    for (const Wheel w : wheels) {
      std::string last = end;
      if (hose && !middle)
        last = through(last, NetPart::hose, "hose_" + std::string(wheel_key(w)), wheel(w), w);
      put(NetPart::wheel, std::string(wheel_key(w)), wheel(w), w);
      join(last, std::string(wheel_key(w)), hose && !middle ? std::nullopt : length_of_axle());
      joint(std::string(wheel_key(w)), std::string(wheel_key(w)), say("Brake, {}", wheel(w)));
    }
    axle_.reset();
  }
  [[nodiscard]] bool one_on_axle(Axle axle) const {
    return v_.is(of_axle(param::front_wheels, axle), choice::BrakeWheels::one);
  }

  std::string tee(const std::string& from, const std::string& key, const Message& where) {
    const Message name = part_name(NetPart::tee, where);
    put(NetPart::tee, key, name, {});
    join(from, key, length_of_axle());
    joint(key + ".in", key, say("{}: in", name));
    joint(key + ".left", key, say("{}: to the left", name));
    joint(key + ".right", key, say("{}: to the right", name));
    return key;
  }

  Values v_;
  bool single_ = false;
  Net net_;
  std::vector<Wheel> first_, second_;
  std::optional<Outlet> circuit_;
  std::optional<Axle> axle_;
  std::optional<Wheel> wheel_;
};

Net bare_net(const Job& job, As which) {
  Builder b(job, which);
  return is(job, which, choice::ControlUse::clutch) ? b.clutch() : b.brakes(job, which);
}

/// Nothing was fitted, or another one is planned.
bool brought(const Job& job, Param param) {
  return replaced(job, param) ||
         (!value_of(job, As::found, param).known() && value_of(job, As::plan, param).known());
}

/// The old lines of that axle were traced; of any, where it stands before both.
bool was_traced(const Net& found, std::optional<Axle> axle) {
  return std::any_of(found.nodes.begin(), found.nodes.end(), [&](const NetNode& n) {
    return n.part == NetPart::wheel && n.circuit && (!axle || n.axle == axle);
  });
}

/// A joint of the plan was never together before: its part was not there, or is another one. What
/// stood in lines that nobody traced cannot be told from what comes.
bool is_fresh(const Job& job, const Net& found, const NetJoint& j, const NetNode& node) {
  const bool absent = !found.node(j.node);
  switch (node.part) {
    case NetPart::reservoir:
    case NetPart::outlet:
      return absent || brought(job, param::master_bore);
    case NetPart::slave:
      return absent || brought(job, param::clutch_slave_bore);
    case NetPart::wheel:
    case NetPart::hose:
      if (!node.axle) return absent || brought(job, param::clutch_slave_bore);
      return brought(job, of_axle(param::front_kind, *node.axle)) ||
             (absent && was_traced(found, node.axle));
    default:
      return absent && was_traced(found, node.axle);
  }
}

}  // namespace

const NetNode* Net::node(std::string_view key) const {
  const auto it =
      std::find_if(nodes.begin(), nodes.end(), [&](const auto& n) { return n.key == key; });
  return it == nodes.end() ? nullptr : &*it;
}

const NetJoint* Net::joint(std::string_view key) const {
  const auto it =
      std::find_if(joints.begin(), joints.end(), [&](const auto& j) { return j.key == key; });
  return it == joints.end() ? nullptr : &*it;
}

Net plumbing_net(const Job& job, As which) {
  Net net = bare_net(job, which);
  if (which == As::found) return net;
  const Net found = bare_net(job, As::found);
  for (NetJoint& j : net.joints)
    if (const NetNode* n = net.node(j.node)) j.fresh = is_fresh(job, found, j, *n);
  return net;
}

PortMatching port_matching(const Job& job) {
  PortMatching m;
  if (is(job, As::plan, choice::ControlUse::clutch) ||
      is(job, As::plan, choice::MasterKind::single))
    return m;
  const Values v = resolve(job, As::plan);
  for (const Wheel w : kWheels) {
    if (!works_axle(v, axle_of(w))) continue;
    const auto was = outlet_of(job, As::found, w);
    const auto is_now = outlet_of(job, As::plan, w);
    if (!was || !is_now || value_of(job, As::plan, circuit_of(w)).other_unit) {
      m.open.push_back(w);
      continue;
    }
    auto it = std::find_if(m.lines.begin(), m.lines.end(), [&](const PortMatch& p) {
      return p.old_outlet == *was && p.new_outlet == *is_now;
    });
    if (it == m.lines.end()) it = m.lines.insert(it, {*was, *is_now, {}});
    it->wheels.push_back(w);
    m.crossed = m.crossed || *was != *is_now;
  }
  m.sides_known = true;
  for (const Param p : {param::unit_port1_side, param::unit_port2_side}) {
    const Value was = value_of(job, As::found, p);
    const Value now = value_of(job, As::plan, p);
    if (!was.known() || !now.known())
      m.sides_known = false;
    else
      m.sides_change = m.sides_change || was.si != now.si;
  }
  return m;
}

}  // namespace yoke
