#include "document/job.hpp"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <span>

#include "document/ahead.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/typical.hpp"

namespace yoke {

namespace {

Value from(const Measured& m) {
  if (!m.known()) return {};
  return {Origin::measured, m.si, m.uncertainty_si, m.how};
}

/// A guess that says nothing of its doubt is no better than any other guess.
Value with_doubt(Value v, const ParamInfo& p) {
  if (v.how == How::estimate && v.uncertainty_si <= 0)
    v.uncertainty_si = default_uncertainty_si(How::estimate, p.kind, v.si);
  return v;
}

/// Typical and taken-over values: 20 %, an efficiency no more than its distance from 1.
double loose(const ParamInfo& p, double si) {
  if (p.kind == Kind::choice || p.group == Group::target) return 0.0;
  const double doubt = 0.2 * std::abs(si);
  return p.kind == Kind::fraction ? std::min(doubt, p.max_si - si) : doubt;
}

/// What tells one unit from another, by what was measured on it.
std::span<const Param> told_by(Param param) {
  static constexpr Param kMaster[] = {param::master_kind, param::master_bore, param::master_bore2,
                                      param::master_step_bore};
  static constexpr Param kAssist[] = {param::assist_kind, param::assist_diaphragm1,
                                      param::assist_diaphragm2, param::assist_servo_slave,
                                      param::assist_power_area};
  static constexpr Param kFront[] = {param::front_kind, param::front_piston, param::front_pistons,
                                     param::front_cylinder};
  static constexpr Param kRear[] = {param::rear_kind, param::rear_piston, param::rear_pistons,
                                    param::rear_cylinder};
  static constexpr Param kClutch[] = {param::clutch_kind, param::clutch_slave_bore,
                                      param::clutch_slave_inner};
  static constexpr Param kRod[] = {param::control_rod_length, param::control_pin_arm,
                                   param::master_kind, param::master_bore};
  if (param == param::control_rod_clearance) return kRod;
  switch (info(param).group) {
    case Group::master:
    case Group::circuit:  // which outlet a line is on was traced at that very unit
      return kMaster;
    case Group::assist:
      return kAssist;
    case Group::front:
      return kFront;
    case Group::rear:
      return kRear;
    case Group::clutch:
      return kClutch;
    default:
      return {};
  }
}

/// What is on the car whatever unit is fitted: its lines, the engine's vacuum, the linings' life.
bool stays(Param p) {
  switch (p) {
    case param::assist_vacuum:
    case param::assist_vacuum_altitude:
    case param::assist_manifold:
    case param::assist_pump_pressure:
    case param::front_tyre:
    case param::rear_tyre:
    case param::front_tube:
    case param::rear_tube:
    case param::front_hose:
    case param::rear_hose:
    case param::front_hose_kind:
    case param::rear_hose_kind:
    case param::clutch_tube:
    case param::clutch_hose:
    case param::clutch_hose_kind:
    case param::clutch_fork_slave:
    case param::clutch_fork_bearing:
    case param::clutch_peak:
    case param::clutch_release:
    case param::clutch_limit:
    case param::clutch_bell:
      return true;
    default:
      return false;
  }
}

}  // namespace

bool replaced(const Job& job, Param param) {
  if (stays(param)) return false;
  for (const Param p : told_by(param)) {
    const auto& built = job.built.at(p);
    const auto& own = built && built->known() ? built : job.plan.at(p);
    if (!own || !own->known()) continue;
    const auto& found = job.found.at(p);
    if (!found || !found->known()) return true;
    // The same unit measured again differs by no more than a hundredth.
    const double gap = info(p).kind == Kind::choice ? 0.5 : 0.01 * std::abs(found->si);
    if (std::abs(found->si - own->si) > gap) return true;
  }
  return false;
}

const MeasuredSet& entered(const Job& job, As which) {
  return which == As::found ? job.found : which == As::plan ? job.plan : job.built;
}

MeasuredSet& entered(Job& job, As which) {
  return which == As::found ? job.found : which == As::plan ? job.plan : job.built;
}

namespace {

/// What was entered for the plan wins, but never against what is worse by measurement: a gap that
/// was measured from both sides, a way to the floor that the wished pad height takes away.
bool overrules(Param param, const Value& ahead, const Value& own) {
  if (param == param::assist_output_gap) return ahead.si > own.si;
  return param == param::control_pad_stop && !own.as_built && ahead.si < own.si;
}

}  // namespace

Value value_of(const Job& job, As which, Param param) {
  const Value v = stated_value(job, which, param);
  if (which != As::plan) return v;
  const bool own = v.origin == Origin::measured && !v.inherited;
  if (own && param != param::assist_output_gap && param != param::control_pad_stop) return v;
  auto ahead = value_ahead(job, param);
  if (!ahead || (own && !overrules(param, *ahead, v))) return v;
  ahead->inherited = ahead->follows = true;
  return *ahead;
}

Value stated_value(const Job& job, As which, Param param) {
  const ParamInfo& p = info(param);
  if (which == As::built) {
    const auto& built = job.built.at(param);
    Value v = built ? from(*built) : Value{};
    v.as_built = v.known();
    return v;
  }
  const bool is_wish = p.group == Group::target;  // wishes belong to the job, not to a system
  const bool planned = which == As::plan && !is_wish;
  if (planned) {
    if (const auto& built = job.built.at(param); built && built->known()) {
      Value v = with_doubt(from(*built), p);
      v.as_built = true;
      return v;
    }
    if (const auto& own = job.plan.at(param); own && own->known()) return with_doubt(from(*own), p);
  }
  // A plan that says "unknown" on purpose does not take the fitted system's value.
  const bool looks_at_found = !planned || (p.inherits && !job.plan.at(param));
  if (const auto& found = job.found.at(param); looks_at_found && found && found->known()) {
    Value v = with_doubt(from(*found), p);
    v.inherited = planned;
    if (planned && replaced(job, param)) {
      v.other_unit = true;
      v.uncertainty_si = std::max(v.uncertainty_si, loose(p, v.si));
    }
    return v;
  }
  if (!p.inherits) return {};
  const auto typical = typical_of(job, is_wish ? As::plan : which, param);
  if (!typical) return {};
  Value v{Origin::typical, *typical, loose(p, *typical), How::unknown};
  const auto said = [&](const MeasuredSet& s) { return s.at(param) && !s.at(param)->known(); };
  v.said_unknown = planned ? said(job.plan) || said(job.built) : said(job.found);
  return v;
}

bool is_day(std::string_view t) {
  if (t.size() != 10 || t[4] != '-' || t[7] != '-') return false;
  int part[3] = {0, 0, 0};
  int which = 0;
  for (const char c : t) {
    if (c == '-') {
      ++which;
    } else {
      if (c < '0' || c > '9' || which > 2) return false;
      part[which] = part[which] * 10 + (c - '0');
    }
  }
  return std::chrono::year_month_day{std::chrono::year{part[0]},
                                     std::chrono::month{static_cast<unsigned>(part[1])},
                                     std::chrono::day{static_cast<unsigned>(part[2])}}
      .ok();
}

Message origin_words(const Job& job, As which, Param param) {
  const Value v = value_of(job, which, param);
  if (v.origin == Origin::unknown) return "unknown";
  if (v.said_unknown) return "unknown; a typical value stands in";
  if (v.origin == Origin::typical) return say("typical: {}", Message::of_table(info(param).source));
  Message how = Message::of_table(words_of_value(v.how));
  if (v.as_built) return say("{}, as built", how);
  if (v.follows) return "worked out from the others";
  if (v.other_unit) return say("{}, but on the unit that is replaced", how);
  return v.inherited ? say("{}, as found", how) : how;
}

std::vector<Reading> kept_readings(const std::vector<Reading>& readings) {
  std::vector<Reading> kept;
  kept.reserve(readings.size());
  for (const Reading& r : readings)
    if (!r.rejected) kept.push_back(r);
  return kept;
}

std::string own_key(const OwnStep& own) {
  return "own:" + own.name;
}

const StepRecord* record_of(const Job& job, StepId id) {
  const auto it = job.steps.find(std::string(key(id)));
  return it == job.steps.end() ? nullptr : &it->second;
}

const GateRecord* record_of(const Job& job, GateId id) {
  const auto it = job.gates.find(std::string(key(id)));
  return it == job.gates.end() ? nullptr : &it->second;
}

StepRecord& record_for(Job& job, StepId id) {
  return job.steps[std::string(key(id))];
}

GateRecord& record_for(Job& job, GateId id) {
  return job.gates[std::string(key(id))];
}

}  // namespace yoke
