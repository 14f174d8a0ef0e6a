#include "sizing/assist_choice.hpp"

#include <algorithm>
#include <cmath>

#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/room.hpp"
#include "document/param/supply.hpp"
#include "master/bores.hpp"
#include "sizing/sweep.hpp"

namespace yoke {

namespace {

constexpr double kNone = 1e9;  // sorts what cannot be said last

using choice::AssistKind;

struct Type {
  const char* words;
  double diaphragm_m, second_m;  ///< vacuum types
  double across_m, depth_m;      ///< room it takes with its master
  const char* fails;
  AssistKind kind;
  bool pump = false;  ///< brings its own vacuum
};
constexpr Type kTypes[] = {
    {"No assist", 0, 0, 0.10, 0.22, "Nothing to fail: the pedal stays as it is.", AssistKind::none},
    {"Vacuum, 9 in single", 0.2286, 0, 0.25, 0.32,
     "Stays assisted for a push or two, then the leg alone and its dead force.",
     AssistKind::vacuum},
    {"Vacuum, 8 in tandem", 0.2032, 0.2032, 0.22, 0.38,
     "Stays assisted for a push or two, then the leg alone and its dead force.",
     AssistKind::vacuum},
    {"Vacuum, 9 in with electric pump", 0.2286, 0, 0.25, 0.32,
     "With the pump dead the reservoir serves a few pushes; a warning lamp must tell.",
     AssistKind::vacuum, true},
    {"Steering-fed hydraulic", 0, 0, 0.18, 0.36,
     "The accumulator serves two or three stops, then the leg alone.", AssistKind::hydraulic},
    {"Electro-mechanical", 0, 0, 0.20, 0.35, "Dead at once when a feed is missing: the leg alone.",
     AssistKind::electric},
    {"Remote servo in the line", 0.1778, 0, 0.10, 0.22,
     "The circuits it feeds fall to line pressure; balance between axles changes.",
     AssistKind::remote}};

void set(MeasuredSet& s, Param p, double si) {
  s.set(p, measured(p, si, How::estimate));
}

/// The job with this type in its plan: what belongs to another type is forgotten.
Job with_type(const Job& job, const Type& t, MeasuredSet& values) {
  Job out = job;
  const Value now = value_of(job, As::plan, param::assist_kind);
  const bool same = now.is(t.kind);
  const Value first = value_of(job, As::plan, param::assist_diaphragm1);
  values.set(param::assist_kind, chosen(t.kind));
  if (t.diaphragm_m > 0 && !(same && first.known() && t.second_m <= 0)) {
    set(values, param::assist_diaphragm1, t.diaphragm_m);
    set(values, param::assist_diaphragm2, t.second_m);
  }
  if (t.kind == AssistKind::remote && !value_of(job, As::plan, param::assist_servo_slave).known())
    set(values, param::assist_servo_slave, 0.01905);
  if (t.pump && value_of(job, As::plan, param::supply_pump_flow).si <= 0)
    set(values, param::supply_pump_flow, 0.0005);
  for (const ParamInfo& p : all_params()) {
    if (p.group != Group::assist || p.param == param::assist_kind) continue;
    const bool vacuum_reading = p.param == param::assist_vacuum ||
                                p.param == param::assist_vacuum_altitude ||
                                p.param == param::assist_manifold;
    if (!same && !vacuum_reading && !values.at(p.param)) {
      // What the old type was measured by says nothing of this one.
      out.plan.set(p.param, Measured{});
      out.built.clear(p.param);
    }
  }
  for (const ParamInfo& p : all_params())
    if (const auto& v = values.at(p.param)) {
      out.plan.set(p.param, *v);
      out.built.clear(p.param);
    }
  return out;
}

void supply_says(const Values& v, const Type& t, AssistChoice& c) {
  const auto no = [&](bool is, const char* why) {
    if (is) {
      c.possible = false;
      c.against.emplace_back(why);
    }
  };
  const bool goes = v.is(choice::RoomEngine::goes);
  const bool vacuum = t.kind == AssistKind::vacuum || t.kind == AssistKind::remote;
  no(vacuum && goes && !t.pump && v.si(param::supply_pump_flow) <= 0,
     "the engine goes: no vacuum without an electric pump");
  no(t.kind == AssistKind::hydraulic && goes, "the engine goes: no steering pump");
  no(t.kind == AssistKind::hydraulic && v.is(choice::RoomPump::none), "there is no steering pump");
  no(t.kind == AssistKind::electric && v.is(choice::RoomPower::no), "under 40 A to spare");
  if (t.kind == AssistKind::hydraulic && v.is(choice::RoomPump::plain))
    c.against.emplace_back("the pump has no outlet to spare: another pump or a proved tee");
  if (t.kind == AssistKind::electric && v.is(choice::RoomPower::weak))
    c.against.emplace_back("a battery far away: size the copper");
  if (t.pump && v.is(choice::RoomNoise::quiet)) c.against.emplace_back("its pump is heard at idle");
  if (vacuum && !t.pump && v.known(param::assist_vacuum) &&
      v.at(param::assist_vacuum).origin == Origin::measured && v.si(param::assist_vacuum) < 50.8e3)
    c.against.emplace_back("under 15 inHg at idle is short");
  const auto ask = [&](bool is, const char* what) {
    if (is) c.unknown.emplace_back(what);
  };
  ask(t.kind == AssistKind::hydraulic && !v.known(param::room_pump),
      "steering pump and its outlets");
  ask(t.kind == AssistKind::electric && !v.known(param::room_power), "amperes to spare");
  ask(vacuum && v.at(param::assist_vacuum).origin != Origin::measured &&
          !v.known(param::assist_manifold),
      "vacuum at idle, gauged");
}

/// The planned booster's own size, where this type is the planned one.
std::optional<double> own_diaphragm(const Values& v, const Type& t) {
  if (t.diaphragm_m <= 0 || t.second_m > 0 || !v.is(t.kind) || !v.known(param::assist_diaphragm1))
    return std::nullopt;
  return v.si(param::assist_diaphragm1);
}

void room_says(const Values& v, const Type& t, AssistChoice& c) {
  const auto check = [&](Param p, double needs, const char* words) {
    if (!v.known(p)) {
      c.unknown.emplace_back(words);
    } else if (v.si(p) < needs) {
      c.possible = false;
      c.against.push_back(
          say("needs about {} {}, there are {}", length(needs, 0), words, length(v.si(p), 0)));
    }
  };
  check(param::room_depth, t.depth_m, "room before the firewall");
  // The shell stands about 20 mm over its diaphragm.
  const auto own = own_diaphragm(v, t);
  c.needs_depth_m = t.depth_m;
  c.needs_across_m = own ? *own + 0.02 : t.across_m;
  check(param::room_across, c.needs_across_m, "room across");
}

/// What the foot strip would say of the plan with this type; a single circuit's loss is told
/// elsewhere, and is no fault of the assist.
void judge(const Job& job, const std::vector<ConditionReport>& strip, AssistChoice& c) {
  const bool two = has_two_circuits(job, As::plan);
  c.verdict = Verdict::holds;
  for (const ConditionReport& r : strip) {
    const bool circuit = r.id == ConditionId::primary_lost || r.id == ConditionId::secondary_lost;
    if (r.id == ConditionId::found || (circuit && !two)) continue;
    c.verdict = worst(c.verdict, r.verdict);
    if (r.verdict == Verdict::fails && c.fails.empty())
      c.fails = say("{}: {}", r.title, r.brief.empty() ? r.reason : r.brief);
  }
  c.works = c.verdict != Verdict::fails && c.effort_n && c.dead_effort_n;
}

}  // namespace

std::vector<AssistChoice> assist_choices(const Job& job) {
  std::vector<AssistChoice> list;
  const Values own = resolve(job, As::plan);
  if (works_clutch(own)) return list;
  for (const Type& t : kTypes) {
    AssistChoice c;
    c.words = t.words;
    if (const auto d = own_diaphragm(own, t); d && t.kind == AssistKind::vacuum)
      c.words = t.pump ? say("Vacuum, {} with electric pump", length(*d, 0))
                       : say("Vacuum, {} as planned", length(*d, 0));
    c.kind = t.kind;
    c.when_it_fails = t.fails;
    const Job tried = with_type(job, t, c.values);
    const auto strip = foot_strip(tried, 0);
    const auto report = [&strip](ConditionId id) -> const ConditionReport& {
      return *std::find_if(strip.begin(), strip.end(),
                           [id](const ConditionReport& r) { return r.id == id; });
    };
    const ConditionReport& alive = report(ConditionId::plan);
    const ConditionReport& dead = report(ConditionId::assist_lost);
    if (alive.target && alive.target->reached)
      c.effort_n = alive.target->at.pad_force_n;
    else
      c.because = alive.reason;
    const ConditionReport& lost = t.kind == AssistKind::none ? alive : dead;
    if (lost.target && lost.target->reached) {
      c.dead_effort_n = lost.target->at.pad_force_n;
    } else if (c.because.empty()) {
      c.because = lost.reason;
    }
    judge(tried, strip, c);
    supply_says(own, t, c);
    room_says(own, t, c);
    list.push_back(std::move(c));
  }
  std::stable_sort(list.begin(), list.end(), [](const AssistChoice& a, const AssistChoice& b) {
    if (a.possible != b.possible) return a.possible;
    if (a.works != b.works) return a.works;
    if (a.against.size() != b.against.size()) return a.against.size() < b.against.size();
    const double da = a.dead_effort_n.value_or(kNone);
    const double db = b.dead_effort_n.value_or(kNone);
    // Within 5 % the dead pedal is the same; then the lighter one.
    if (std::abs(da - db) > 0.05 * std::min(da, db)) return da < db;
    return a.effort_n.value_or(kNone) < b.effort_n.value_or(kNone);
  });
  return list;
}

AssistNeed assist_need(const Job& job) {
  AssistNeed n;
  MeasuredSet values;
  const Job bare = with_type(job, kTypes[0], values);
  const StripInputs in = strip_inputs(bare);
  n.limit_n = in.limits.effort_n;
  const Assembly& a = in.plan_system;
  if (in.clutch || !a.system || !a.system->wheels || !a.system->vehicle) {
    n.because = in.clutch           ? Message("A hydraulic clutch needs none")
                : !a.system         ? cannot_say(a.missing_system)
                : !a.system->wheels ? cannot_say(a.missing_brakes)
                                    : cannot_say(a.missing_vehicle);
    return n;
  }
  const ConditionReport r = condition_report(in, ConditionId::plan, 0);
  n.reached = r.target && r.target->reached;
  if (r.target) n.effort_n = r.target->at.pad_force_n;
  n.needed = !n.reached || r.verdict == Verdict::fails;
  // Hot linings ask for more, air for more travel: the same leg must do it.
  for (const ConditionId id : {ConditionId::hot, ConditionId::air_left})
    n.needed = n.needed || condition_report(in, id, 0).verdict == Verdict::fails;
  if (!n.needed) return n;
  SweepRequest q = default_request(bare);
  q.assists.clear();
  const auto map = sweep(bare, q);
  if (!map) return n;
  const double bore = in.plan.si(param::master_bore);
  const double ratio = arm_ratio(in.plan).value_or(0);
  double nearest = 1e9;
  for (const Cell& c : map->cells) {
    if (c.fails != Limit::none) continue;
    if (std::abs(c.bore_m - bore) < 3e-5 && (!n.ratio || c.ratio < *n.ratio) && c.ratio > ratio)
      n.ratio = c.ratio;
    if (std::abs(c.ratio - ratio) < 0.06 && (!n.bore_m || c.bore_m > *n.bore_m))
      n.bore_m = c.bore_m;
    const double far = std::abs(std::log(c.bore_m / bore)) + std::abs(std::log(c.ratio / ratio));
    if (far < nearest) {
      nearest = far;
      n.both = {c.bore_m, c.ratio};
    }
  }
  return n;
}

}  // namespace yoke
