#include "document/job.hpp"

#include <algorithm>
#include <chrono>
#include <cmath>

#include "document/typical.hpp"

namespace yoke {

namespace {

Value from(const Measured& m) {
  if (!m.known()) return {};
  return {Origin::measured, m.si, m.uncertainty_si, m.how, false, false};
}

}  // namespace

const MeasuredSet& entered(const Job& job, As which) {
  return which == As::found ? job.found : which == As::plan ? job.plan : job.built;
}

MeasuredSet& entered(Job& job, As which) {
  return which == As::found ? job.found : which == As::plan ? job.plan : job.built;
}

Value value_of(const Job& job, As which, Param param) {
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
      Value v = from(*built);
      v.as_built = true;
      return v;
    }
    if (const auto& own = job.plan.at(param); own && own->known()) return from(*own);
  }
  // A plan that says "unknown" on purpose does not take the fitted system's value.
  const bool looks_at_found = !planned || (p.inherits && !job.plan.at(param));
  if (const auto& found = job.found.at(param); looks_at_found && found && found->known()) {
    Value v = from(*found);
    v.inherited = planned;
    return v;
  }
  if (!p.inherits) return {};
  const auto typical = typical_of(job, is_wish ? As::plan : which, param);
  if (!typical) return {};
  double doubt = p.kind == Kind::choice || is_wish ? 0.0 : 0.2 * std::abs(*typical);
  // An efficiency cannot be better than 1: 20 % of 0.95 would say nothing but "less".
  if (p.kind == Kind::fraction) doubt = std::min(doubt, p.max_si - *typical);
  return {Origin::typical, *typical, doubt, How::unknown, false, false};
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
  if (v.origin == Origin::typical) return say("typical: {}", Message::of_table(info(param).source));
  Message how = Message::of_table(words_of_value(v.how));
  if (v.as_built) return say("{}, as built", how);
  return v.inherited ? say("{}, as found", how) : how;
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
