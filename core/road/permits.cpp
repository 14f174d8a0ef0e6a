#include "road/permits.hpp"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/bedding.hpp"
#include "document/param/limits.hpp"
#include "strip/conditions.hpp"

namespace yoke {

namespace {

constexpr double kKm_h = 1 / 3.6;
constexpr double kEvenHeat_c = 25;  // side to side after the same stops
constexpr double kBedMargin = 1.2;  // over the speed that the series begins at
constexpr double kMargin = 1.15;    // a speedometer at a crawl tells little

struct StageText {
  double most_km_h;
  RoadStage stage;
  int stops;
  const char* how;
  const char* care;
};
constexpr StageText kRoad[] = {
    {0, RoadStage::standing, 0,
     "Everything under Press by press and Gates is passed, engine off and on; the rear axle's turn "
     "comes on the road",
     ""},
    {7, RoadStage::walking, 3,
     "At walking pace, on closed private ground, clear of people: three soft stops, hands ready at "
     "the parking brake",
     "Alone, belts on, or helmet and gloves. Nothing and nobody where it would roll to."},
    {30, RoadStage::slow, 3, "From 30 km/h, three stops, the last one firm",
     "Still on closed ground. Does it pull, drag, smell, or does the pedal drop? Stop there."},
    {60, RoadStage::bedding, 10, "Moderate, a minute of driving between them, none to a standstill",
     "Nothing is judged before the linings are bedded. They smoke a little; they must not fade."},
    {55, RoadStage::fast, 2, "From 50 km/h, two firm stops; measure speed and distance",
     "A straight, dry, level place with room twice as long as you think."},
    {55, RoadStage::hard, 1,
     "One hard stop from 30 to 50 km/h; somebody beside the car sees which wheels stop first",
     "On a loose or wet surface it shows at less speed. Nobody stands where a spinning car may "
     "go."}};
static_assert(std::size(kRoad) == kRoadStages);

const RoadPermit* permit_of(const Job& job, RoadStage stage) {
  const auto it = job.permits.find(std::string(key_of(stage)));
  return it == job.permits.end() ? nullptr : &it->second;
}

bool counts(const RoadStop& s, RoadStage stage, double most_m_s) {
  return s.stage == stage && s.speed_m_s <= most_m_s * kMargin && !s.pulled &&
         s.locked != LockSeen::rear;
}

/// What somebody must answer for before a stage.
std::vector<Message> asks_of(const Job& job, RoadStage stage) {
  std::vector<Message> list;
  const RoadPermit* p = permit_of(job, stage);
  const RoadPermit none;
  const RoadPermit& r = p ? *p : none;
  const auto ask = [&list](bool there, const char* what) {
    if (!there) list.emplace_back(what);
  };
  ask(!r.who.empty(), "who drives");
  ask(!r.place.empty(), "the place");
  ask(!r.weather.empty(), "weather and surface");
  ask(r.closed, "closed ground, clear of people");
  ask(r.belts, "belts on, or helmet and gloves");
  if (stage == RoadStage::walking) {
    ask(r.alone, "nobody else aboard");
    ask(r.parking, "the parking brake holds on a slope");
  }
  return list;
}

bool same_stage(const RoadStop& s, RoadStage stage) {
  return s.stage == stage;
}

Message standing_says(const std::vector<Gate>& gates, bool& passed) {
  long open = 0;
  for (const Gate& g : gates)
    if (g.id != GateId::lock_order && g.state != GateState::passed) ++open;
  passed = open == 0 && !gates.empty();
  return passed ? Message("every gate but the rear axle's is passed")
                : plural(open, "{} gate is not passed", "{} gates are not passed");
}

void judge_hard(const Job& job, RoadStep& s) {
  for (const RoadStop& stop : job.stops) {
    if (!same_stage(stop, RoadStage::hard)) continue;
    if (stop.locked == LockSeen::rear) {
      s.state = RoadState::failed;
      s.says = "The rear locked first: do not drive";
    }
  }
  // A hard stop that nobody watched says nothing of the order.
  s.done =
      static_cast<int>(std::count_if(job.stops.begin(), job.stops.end(), [&s](const RoadStop& x) {
        return counts(x, RoadStage::hard, s.most_m_s) && x.locked != LockSeen::not_watched;
      }));
}

void judge_stage(const Job& job, const StageText& t, bool before, RoadStep& s) {
  s.done =
      static_cast<int>(std::count_if(job.stops.begin(), job.stops.end(), [&](const RoadStop& x) {
        return counts(x, t.stage, s.most_m_s);
      }));
  if (t.stage == RoadStage::hard) judge_hard(job, s);
  const RoadPermit* p = permit_of(job, t.stage);
  if (!before) {
    s.state = RoadState::shut;
    s.says = "the stage before it is not passed";
    return;
  }
  if (s.state == RoadState::failed) return;
  if (t.stage == RoadStage::bedding && p && p->bedded) {
    s.state = RoadState::passed;
    s.says = "said to be bedded";
    return;
  }
  s.asks = asks_of(job, t.stage);
  if (!s.asks.empty()) {
    s.state = RoadState::asks;
    s.says = say("say first: {}", joined(s.asks, ", "));
    return;
  }
  s.state = s.done >= s.wanted ? RoadState::passed : RoadState::open;
  s.says = say("{} of {} stops", s.done, s.wanted);
}

/// The linings' maker's own series where it was entered; else the usual one, and told so.
void ask_series(const Job& job, RoadStep& s) {
  const Value stops = value_of(job, As::plan, param::bed_stops);
  const Value speed = value_of(job, As::plan, param::bed_speed);
  s.wanted = static_cast<int>(std::lround(std::clamp(stops.si, 1.0, 200.0)));
  s.most_m_s = speed.si * kBedMargin;
  s.how = stops.settled() || speed.settled()
              ? say("{} stops from {}, as the linings' maker asks. {}", Plain{stops.si, 0},
                    amount(speed.si, Kind::speed, 0), s.how)
              : say("{} stops from {}: the usual series, not the linings' maker's. {}",
                    Plain{stops.si, 0}, amount(speed.si, Kind::speed, 0), s.how);
}

/// When the last gate of the proof standing still was passed.
std::string proved_since(const Job& job) {
  std::string latest;
  for (const auto& [id, gate] : job.gates)
    if (id != key(GateId::lock_order) && gate.state == GateState::passed)
      latest = std::max(latest, gate.when);
  return latest;
}

}  // namespace

std::vector<RoadStep> road_steps(const Job& job, const std::vector<Gate>& gates) {
  std::vector<RoadStep> list;
  if (works_clutch(resolve(job, As::plan))) return list;
  // Stops from before the proof that stands now were driven on other work: they open nothing.
  Job since = job;
  const std::string from = proved_since(job);
  std::erase_if(since.stops, [&from](const RoadStop& s) {
    return s.locked != LockSeen::rear && !s.when.empty() && s.when < from;
  });
  bool before = true;
  for (const StageText& t : kRoad) {
    RoadStep s;
    s.stage = t.stage;
    s.name = Message::of_table(words_of_value(t.stage));
    s.how = t.how;
    if (*t.care != '\0') s.care = t.care;
    s.most_m_s = t.most_km_h * kKm_h;
    s.wanted = t.stops;
    if (t.stage == RoadStage::bedding) ask_series(job, s);
    if (t.stage == RoadStage::standing) {
      bool passed = false;
      s.says = standing_says(gates, passed);
      s.state = passed ? RoadState::passed : RoadState::open;
      for (const Gate& g : gates)
        if (g.id != GateId::lock_order && g.state != GateState::passed) s.asks.push_back(g.words);
    } else {
      judge_stage(since, t, before, s);
    }
    before = before && s.state == RoadState::passed;
    list.push_back(std::move(s));
  }
  return list;
}

std::size_t next_stage(const std::vector<RoadStep>& steps) {
  return static_cast<std::size_t>(
      std::find_if(steps.begin(), steps.end(),
                   [](const RoadStep& s) { return s.state != RoadState::passed; }) -
      steps.begin());
}

Expected<bool> may_count(const Job& job, const std::vector<RoadStep>& steps, const RoadStop& stop) {
  const auto wrong = [](Message reason, Message remedy) -> Expected<bool> {
    return fail({.field = "road",
                 .value = "",
                 .range = "",
                 .reason = std::move(reason),
                 .remedy = std::move(remedy)});
  };
  for (const RoadStep& s : steps) {
    if (s.stage != stop.stage) continue;
    if (s.state == RoadState::shut || s.state == RoadState::asks)
      return wrong(say("“{}” is not open: {}", s.name, s.says), "What comes before it first");
    if (s.state == RoadState::failed)
      return wrong("The rear locked first: do not drive", "Put right what locks; then begin again");
    const RoadPermit* permit = permit_of(job, stop.stage);
    if (permit && permit->when.substr(0, 10) != stop.when.substr(0, 10))
      return wrong("Place, people and weather were answered for on another day",
                   "Answer for them again today: take a tick out and set it anew");
    if (!(stop.speed_m_s > 0)) return wrong("The speed is missing", "Enter it");
    if (stop.speed_m_s > s.most_m_s * kMargin)
      return wrong(
          say("That is faster than this stage allows: {}", amount(s.most_m_s, Kind::speed, 0)),
          "Slower; the next stage allows more");
    return true;
  }
  return wrong("There is no such stage", "Choose one");
}

std::optional<LockSeen> lock_foretold(const Job& job) {
  const Assembly a = assemble(job, As::plan);
  if (!a.system || !a.system->wheels || !a.system->vehicle) return std::nullopt;
  const auto m = FeelModel::make(*a.system, {});
  if (!m) return std::nullopt;
  const auto lock = m->first_lock_drive();
  if (!lock) return LockSeen::none;
  switch (m->at(*lock).lock) {
    case Lock::front:
      return LockSeen::front;
    case Lock::rear:
      return LockSeen::rear;
    case Lock::both:
      return LockSeen::all;
    default:
      return LockSeen::none;
  }
}

std::string day_after(const std::string& day, int days) {
  using namespace std::chrono;
  if (!is_day(day)) return day;
  const year_month_day from{year{std::stoi(day.substr(0, 4))},
                            month{static_cast<unsigned>(std::stoi(day.substr(5, 2)))},
                            std::chrono::day{static_cast<unsigned>(std::stoi(day.substr(8, 2)))}};
  const year_month_day to{sys_days{from} + std::chrono::days{days}};
  char text[16];
  std::snprintf(text, sizeof text, "%04d-%02u-%02u", static_cast<int>(to.year()),
                static_cast<unsigned>(to.month()), static_cast<unsigned>(to.day()));
  return text;
}

std::vector<AfterRun> after_run(const Job& job) {
  std::string day;
  for (const RoadStop& s : job.stops) {
    if (s.stage == RoadStage::walking || s.when.size() < 10) continue;
    const std::string on = s.when.substr(0, 10);
    if (is_day(on) && (day.empty() || on < day)) day = on;
  }
  std::vector<AfterRun> list;
  if (day.empty()) return list;
  const auto add = [&](const char* id, const char* words, const char* why, int days) {
    AfterRun a;
    a.key = std::string("after:") + id;
    a.words = words;
    a.why = why;
    a.due = day_after(day, days);
    const auto it = job.steps.find(a.key);
    a.done = it != job.steps.end() && it->second.done;
    list.push_back(std::move(a));
  };
  add("joints", "Every opened joint wiped and looked at once more",
      "heat and shaking open what only stood", 0);
  add("heat", "Wheels by hand: as warm on one side as on the other, none hot",
      "a wheel that drags is hot before it smells", 0);
  add("nuts", "Lock nuts of rod and studs, wheel nuts by figure", "they settle in the first run",
      0);
  add("level", "Level in the reservoir", "a level that fell has gone somewhere", 0);
  add("joints_week", "Joints, lock nuts and level again", "what weeps slowly shows after days", 7);
  return list;
}

RoadStep after_step(const std::vector<AfterRun>& due) {
  RoadStep s;
  s.name = "After the first run";
  s.how = "What settles, weeps or runs hot shows then";
  s.wanted = static_cast<int>(due.size());
  s.done = static_cast<int>(
      std::count_if(due.begin(), due.end(), [](const AfterRun& a) { return a.done; }));
  s.state = due.empty() ? RoadState::shut : s.done < s.wanted ? RoadState::open : RoadState::passed;
  s.says =
      due.empty() ? Message("nothing is due yet") : say("{} of {} looked at", s.done, s.wanted);
  return s;
}

std::vector<HeatPair> heat_pairs(const Job& job) {
  std::vector<HeatPair> list;
  const std::pair<const char*, const char*> axles[] = {{"fl", "fr"}, {"rl", "rr"}};
  for (const auto& [left, right] : axles) {
    const auto l = job.heat.find(left), r = job.heat.find(right);
    if (l == job.heat.end() || r == job.heat.end()) continue;
    HeatPair p;
    p.axle = std::string_view(left) == "fl" ? Axle::front : Axle::rear;
    p.left_c = l->second.celsius;
    p.right_c = r->second.celsius;
    p.plus_minus = std::hypot(l->second.plus_minus, r->second.plus_minus);
    const double apart = std::abs(p.left_c - p.right_c);
    p.uneven = apart - p.plus_minus > kEvenHeat_c;
    p.even = apart + p.plus_minus <= kEvenHeat_c;
    list.push_back(p);
  }
  return list;
}

std::vector<Finding> road_findings(const Job& job) {
  std::vector<Finding> list;
  if ((job.stops.empty() && job.heat.empty()) || works_clutch(resolve(job, As::plan))) return list;
  const auto add = [&list](Severity s, FindingCode code, Message what, Message limit,
                           Message remedy) {
    list.push_back({s, Stage::prove, code, std::move(what), std::move(limit), std::move(remedy),
                    "common practice, no source"});
  };
  const auto rear = std::count_if(job.stops.begin(), job.stops.end(),
                                  [](const RoadStop& s) { return s.locked == LockSeen::rear; });
  if (rear > 0) {
    const auto foretold = lock_foretold(job);
    add(Severity::hard, FindingCode::prove_road_rear,
        foretold == LockSeen::front
            ? Message("On the road the rear axle locked first, against the prediction")
            : Message("On the road the rear axle locked first"),
        "the front first",
        "Do not drive. Less at the rear: a valve, a smaller cylinder, another lining; look whether "
        "the front works at all. Then take that stop out and begin again");
  }
  const auto pulled =
      std::count_if(job.stops.begin(), job.stops.end(), [](const RoadStop& s) { return s.pulled; });
  if (pulled > 0)
    add(Severity::warning, FindingCode::prove_road_pull,
        plural(static_cast<long>(pulled), "It pulled to one side at {} stop",
               "It pulled to one side at {} stops"),
        "straight",
        "Air or a stuck piston on one side, an oiled lining, tyres, or the axle itself");
  const double wanted = value_of(job, As::plan, param::target_z).si;
  for (const RoadStop& s : job.stops) {
    const auto f = s.stage == RoadStage::hard ? stop_figures(s) : std::nullopt;
    if (!f || !stop_is_weak(*f, wanted)) continue;
    add(Severity::warning, FindingCode::prove_road_weak,
        say("A hard stop gave {} g", Plain{f->z, 2}),
        say("{} g, the target stop", Plain{wanted, 2}),
        "Were the linings bedded, the foot firm, the surface good? Else find what does not press");
    break;
  }
  for (const HeatPair& p : heat_pairs(job)) {
    if (!p.uneven) continue;
    const bool left = p.left_c > p.right_c;
    add(Severity::warning, FindingCode::prove_road_heat,
        p.axle == Axle::front
            ? say("After the run the front wheels are {} and {}, left and right",
                  amount(p.left_c, Kind::temperature, 0), amount(p.right_c, Kind::temperature, 0))
            : say("After the run the rear wheels are {} and {}, left and right",
                  amount(p.left_c, Kind::temperature, 0), amount(p.right_c, Kind::temperature, 0)),
        say("no more than {} apart", amount(kEvenHeat_c, Kind::temperature, 0)),
        left ? "The left drags or the right does nothing: turn both by hand, look at pistons, hose "
               "and cable"
             : "The right drags or the left does nothing: turn both by hand, look at pistons, hose "
               "and cable");
  }
  long open = 0;
  for (const AfterRun& a : after_run(job)) open += a.done ? 0 : 1;
  if (open > 0)
    add(Severity::warning, FindingCode::prove_road_after,
        plural(open, "After the first run {} thing is to be looked at",
               "After the first run {} things are to be looked at"),
        "none open", "Go through the list under Prove, On the road");
  return list;
}

}  // namespace yoke
