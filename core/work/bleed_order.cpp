#include "work/bleed_order.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bleed_car.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/circuits.hpp"
#include "document/param/control.hpp"
#include "document/param/vehicle.hpp"
#include "document/values.hpp"
#include "work/facts.hpp"

namespace yoke {

namespace {

constexpr Param kTurns[] = {param::bleed_turn1, param::bleed_turn2, param::bleed_turn3,
                            param::bleed_turn4};

std::vector<Wheel> fitted(const Values& v) {
  std::vector<Wheel> list;
  for (const Wheel w : kWheels) {
    const Axle a = axle_of(w);
    const bool second = w == Wheel::front_right || w == Wheel::rear_right;
    if (!works_axle(v, a) ||
        (second && v.is(of_axle(param::front_wheels, a), choice::BrakeWheels::one)))
      continue;
    list.push_back(w);
  }
  return list;
}

/// The book's order: all of the wheels, each once. Nothing while it was not entered.
std::optional<std::vector<Wheel>> by_book(const Values& v, const std::vector<Wheel>& wheels,
                                          BleedOrder& order) {
  std::vector<Wheel> list;
  for (const Param p : kTurns) {
    const auto turn = v.at(p).as<choice::BleedTurn>();
    if (!turn) continue;
    const auto w = static_cast<Wheel>(static_cast<int>(*turn));
    if (std::find(wheels.begin(), wheels.end(), w) == wheels.end()) continue;
    if (std::find(list.begin(), list.end(), w) != list.end()) {
      order.refused = true;
      order.reason = say("The book's order names {} twice", Message::of_table(wheel_words(w)));
      return std::nullopt;
    }
    list.push_back(w);
  }
  if (list.empty()) return std::nullopt;
  if (list.size() < wheels.size()) {
    for (std::size_t i = list.size(); i < wheels.size(); ++i) order.missing.push_back(kTurns[i]);
    return std::nullopt;
  }
  return list;
}

bool is_left(Wheel w) {
  return w == Wheel::front_left || w == Wheel::rear_left;
}

/// The axle whose line is longer goes first. Lengths that are not both measured say nothing: the
/// master stands in front.
Axle far_axle(const Values& v) {
  const Value& f = v.at(param::front_tube);
  const Value& r = v.at(param::rear_tube);
  return f.settled() && r.settled() && f.si > r.si ? Axle::front : Axle::rear;
}

std::vector<Wheel> by_length(const std::vector<Wheel>& wheels, Axle far, bool master_left) {
  std::vector<Wheel> list = wheels;
  std::stable_sort(list.begin(), list.end(), [&](Wheel a, Wheel b) {
    if (axle_of(a) != axle_of(b)) return axle_of(a) == far;
    return is_left(a) != is_left(b) && (is_left(a) != master_left);
  });
  return list;
}

/// One circuit after the other, its far wheel first.
std::vector<Wheel> by_diagonal(const Values& v, const std::vector<Wheel>& sorted) {
  std::vector<Wheel> list;
  for (const Wheel first : sorted) {
    if (std::find(list.begin(), list.end(), first) != list.end()) continue;
    for (const Wheel w : sorted)
      if (outlet_of(v, w) == outlet_of(v, first)) list.push_back(w);
  }
  return list;
}

void add_around(const Job& job, const Values& v, BleedOrder& order) {
  const bool hand = pulled_by_hand(v);
  if (v.is(choice::AssistKind::remote))
    order.before.emplace_back("The servo's own nipples first, the one at its slave piston last");
  if (hand) {
    order.after.emplace_back("The nipple or banjo at the lever last: the highest place of all");
    order.after.emplace_back(
        "Once more at the lever after the first ride: the last step of Install");
  }
  if (v.is(choice::MasterKind::twin))
    order.before.emplace_back(
        "Two masters: one nipple of each at the same time, so that the bar stays square");
  if (v.is(choice::CircuitAntilock::fitted) && v.is(choice::BleedCycling::yes))
    order.after.emplace_back("The anti-lock unit with its maker's tester, then all wheels again");
  if (work_facts(job).unit_on && !hand)
    order.after.emplace_back("The master's outlets once more, line nuts slackened by a turn");
}

}  // namespace

BleedOrder bleed_order(const Job& job) {
  BleedOrder order;
  const Values v = resolve(job, As::plan);
  if (works_clutch(v)) return order;
  const auto wheels = fitted(v);
  add_around(job, v, order);
  if (auto book = by_book(v, wheels, order)) {
    order.wheels = std::move(*book);
    order.by_maker = true;
    order.reason = "By the car's own book";
    return order;
  }
  if (order.refused || !order.missing.empty()) return order;
  if (wheels.size() == 1) {
    order.wheels = wheels;
    order.reason = "One brake, one nipple";
    return order;
  }
  const Value steering = v.at(param::vehicle_steering);
  if (!steering.known()) order.missing.push_back(param::vehicle_steering);
  const bool diagonal = !v.is(choice::MasterKind::single) && !v.is(choice::MasterKind::twin) &&
                        v.is(choice::CircuitSplit::diagonal);
  if (diagonal)
    for (const Wheel w : wheels)
      if (!outlet_of(v, w)) order.missing.push_back(circuit_of(w));
  if (!order.missing.empty()) return order;
  const bool left = steering.is(choice::VehicleSteering::left);
  const Axle far = far_axle(v);
  const auto sorted = by_length(wheels, far, left);
  order.wheels = diagonal ? by_diagonal(v, sorted) : sorted;
  order.reason =
      diagonal             ? far == Axle::rear ? Message(
                                                     "Diagonal split: one circuit after the other, its rear "
                                                                 "wheel first")
                                               : Message(
                                                     "Diagonal split: one circuit after the other, its front "
                                                                 "wheel first: its line is the longer one")
                  : far == Axle::front ? Message("Farthest first: the front's lines are the longer ones")
      : left               ? Message("Farthest first, master at the front left")
                           : Message("Farthest first, master at the front right");
  return order;
}

}  // namespace yoke
