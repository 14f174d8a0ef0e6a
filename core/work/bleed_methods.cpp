#include "work/bleed_methods.hpp"

#include <algorithm>

#include "document/param/bleed_car.hpp"
#include "document/param/bleed_kit.hpp"
#include "document/param/circuits.hpp"
#include "document/param/control.hpp"
#include "document/values.hpp"
#include "plumbing/residual.hpp"
#include "work/facts.hpp"

namespace yoke {

namespace {

BleedMethod& made(std::vector<BleedMethod>& list, BleedWayId id) {
  return *std::find_if(list.begin(), list.end(), [id](const BleedMethod& m) { return m.id == id; });
}

std::vector<BleedMethod> read_methods() {
  std::vector<BleedMethod> list;
  constexpr bool bench = true, nipples = false;
#define WAY(name, where, words_, why_) \
  list.push_back({});                  \
  list.back().id = BleedWayId::name;   \
  list.back().bench = where;           \
  list.back().words = words_;          \
  list.back().why = why_;
#define TOOL(id, text) made(list, BleedWayId::id).tools.emplace_back(text);
#define STEP(id, text) made(list, BleedWayId::id).steps.emplace_back(text);
#define PASS(id, text) made(list, BleedWayId::id).pass = text;
#define CANNOT(id, text) made(list, BleedWayId::id).cannot = text;
#define SAFER(id, other) made(list, BleedWayId::id).safer = BleedWayId::other;
#define CARE(id, text) made(list, BleedWayId::id).care = text;
#include "work/bleed_methods.def"
  return list;
}

/// What a way needs, as it was said.
class Needs {
 public:
  explicit Needs(const Values& v) : v_(v) {}
  /// A choice that must be this one.
  template <class Choice>
  void must(Param p, Choice wanted, const Message& lacking) {
    if (!v_.known(p))
      open_.push_back(Message::of_table(info(p).words));
    else if (!v_.is(p, wanted))
      lacking_.push_back(lacking);
  }
  void known(Param p) {
    if (!v_.known(p)) open_.push_back(Message::of_table(info(p).words));
  }
  void ask(const Message& what) { open_.push_back(what); }
  void never(bool stands_there, const Message& lacking) {
    if (stands_there) lacking_.push_back(lacking);
  }
  [[nodiscard]] WayChoice of(BleedWayId id) const {
    if (!lacking_.empty()) return {id, WayState::lacking, joined(lacking_, "; "), false};
    if (!open_.empty())
      return {id, WayState::open, say("not said: {}", joined(open_, ", ")), false};
    return {id, WayState::ready, {}, false};
  }

 private:
  const Values& v_;
  std::vector<Message> open_, lacking_;
};

WayChoice choice_of(BleedWayId id, const Values& v) {
  Needs n(v);
  const bool clutch = works_clutch(v);
  const bool antilock = !clutch && v.is(choice::CircuitAntilock::fitted);
  switch (id) {
    case BleedWayId::tubes:
      n.must(param::bleed_tubes, choice::BleedTubes::yes, "no tubes that fit the outlets");
      break;
    case BleedWayId::plugs:
      n.must(param::bleed_plugs, choice::BleedPlugs::yes, "no plugs that fit the outlets");
      break;
    case BleedWayId::finger:
      break;
    case BleedWayId::car:
      n.must(param::bleed_tubes, choice::BleedTubes::yes, "no tubes that fit the outlets");
      n.must(param::bleed_reach, choice::BleedReach::yes, "the outlets are out of reach");
      break;
    case BleedWayId::helper:
      n.must(param::bleed_helper, choice::BleedHelper::yes, "nobody to press");
      break;
    case BleedWayId::gravity: {
      const bool holds =
          !clutch && (residual_of(v, Axle::front).any() || residual_of(v, Axle::rear).any());
      n.never(holds, "a residual valve holds it back");
      if (!clutch && !holds &&
          (residual_of(v, Axle::front).untraced || residual_of(v, Axle::rear).untraced))
        n.ask("which lines an outlet's own valve feeds");
      n.never(antilock, "an anti-lock unit holds it back");
      break;
    }
    case BleedWayId::pressure:
      n.must(param::bleed_tank, choice::BleedTank::yes, "no pressure bottle");
      n.known(param::bleed_cap_limit);
      n.known(param::bleed_tank_set);
      break;
    case BleedWayId::vacuum:
      n.must(param::bleed_pump, choice::BleedPump::yes, "no vacuum pump");
      break;
    case BleedWayId::reverse:
      n.known(param::bleed_syringe);
      n.known(param::bleed_room);
      n.never(antilock, "it pushes dirt into the anti-lock unit");
      break;
    case BleedWayId::connector:
      n.must(param::bleed_connector, choice::BleedConnector::shut, "no connector that is apart");
      break;
  }
  return n.of(id);
}

bool asked(BleedWayId id, const Values& v) {
  if (id == BleedWayId::connector) return works_clutch(v) && !v.is(choice::BleedConnector::none);
  // A hand lever's master is bled where it hangs.
  if (pulled_by_hand(v)) return id == BleedWayId::tubes || !method_of(id).bench;
  return true;
}

std::optional<BleedWayId> offered(const Job& job, bool bench,
                                  const std::optional<BleedWayId>& chosen) {
  if (chosen) return chosen;
  const auto choices = way_choices(job);
  for (const WayState s : {WayState::ready, WayState::open})
    for (const WayChoice& c : choices)
      if (method_of(c.id).bench == bench && c.state == s) return c.id;
  return std::nullopt;
}

}  // namespace

const std::vector<BleedMethod>& bleed_methods() {
  static const std::vector<BleedMethod> list = read_methods();
  return list;
}

const BleedMethod& method_of(BleedWayId id) {
  return bleed_methods()[static_cast<std::size_t>(id)];
}

std::optional<BleedWayId> chosen_bench(const Job& job) {
  const auto c = value_of(job, As::plan, param::bleed_bench).as<choice::BleedBench>();
  if (!c) return std::nullopt;
  return static_cast<BleedWayId>(static_cast<int>(*c));
}

std::optional<BleedWayId> chosen_way(const Job& job) {
  const auto c = value_of(job, As::plan, param::bleed_way).as<choice::BleedWay>();
  if (!c) return std::nullopt;
  return static_cast<BleedWayId>(static_cast<int>(*c) + static_cast<int>(BleedWayId::helper));
}

std::vector<WayChoice> way_choices(const Job& job) {
  const Values v = resolve(job, As::plan);
  const auto bench = chosen_bench(job);
  const auto way = chosen_way(job);
  std::vector<WayChoice> list;
  for (const BleedMethod& m : bleed_methods()) {
    if (!asked(m.id, v)) continue;
    list.push_back(choice_of(m.id, v));
    list.back().chosen = m.id == bench || m.id == way;
  }
  return list;
}

std::optional<BleedWayId> offered_bench(const Job& job) {
  return offered(job, true, chosen_bench(job));
}
std::optional<BleedWayId> offered_way(const Job& job) {
  return offered(job, false, chosen_way(job));
}

bool old_unit_stays(const Job& job) {
  const WorkFacts f = work_facts(job);
  return f.old_works && !f.unit_new && !f.rebuild;
}

}  // namespace yoke
