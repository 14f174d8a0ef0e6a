#include "work/purge.hpp"

#include <algorithm>

#include "document/moment.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/control.hpp"
#include "document/param/supply.hpp"

namespace yoke {

namespace {

constexpr const char* kPlace = "purge";

/// The moment of the last sweep stands with the step that the sweeps make up.
std::string last_moment(const Job& job) {
  const StepRecord* r = record_of(job, StepId::assist_purge);
  return r ? r->waits : std::string();
}

}  // namespace

PurgeState purge_state(const Job& job, std::string_view now) {
  PurgeState s;
  s.asked = !is(job, As::plan, choice::ControlUse::clutch) &&
            is(job, As::plan, choice::AssistKind::hydraulic);
  if (!s.asked) return s;
  for (const Param p : {param::supply_turns, param::supply_wheel})
    if (!value_of(job, As::plan, p).settled()) s.missing.push_back(p);
  if (!s.missing.empty()) return s;
  const auto pace = sweep_pace(value_of(job, As::plan, param::supply_turns).si,
                               Length{value_of(job, As::plan, param::supply_wheel).si},
                               Length{kSweepStep_m}, Time{kPurgeLeast_s});
  if (!pace) {
    s.refused = pace.error().reason;
    return s;
  }
  s.pace = *pace;
  const auto it = job.bleeding.find(kPlace);
  if (it != job.bleeding.end()) {
    s.done = std::min(it->second.strokes, s.pace->steps);
    s.resting = it->second.refills > 0 && it->second.topped_at == it->second.strokes;
  }
  // No sweep is longer than from lock to lock, half of it to either side.
  s.next = std::min(s.pace->rim, Length{kSweepStep_m * (s.done + 1)}) / 2.0;
  const auto since = seconds_between(last_moment(job), now);
  if (s.done > 0 && since) {
    const long long rest = s.resting ? kFrothRest_s : static_cast<long long>(s.pace->each.value());
    // A clock that was set back starts the rest anew at most.
    s.wait_s = std::clamp(rest - *since, 0LL, rest);
  }
  if (s.wait_s == 0) s.resting = false;
  return s;
}

void sweep_made(Job& job, bool froth, std::string_view now) {
  BleedRecord& r = job.bleeding[kPlace];
  r.strokes = std::min(r.strokes + 1, 99999);
  if (froth) {
    r.refills = std::min(r.refills + 1, 99999);
    r.topped_at = r.strokes;
  }
  record_for(job, StepId::assist_purge).waits = std::string(now);
}

void purge_again(Job& job) {
  job.bleeding.erase(kPlace);
  const auto it = job.steps.find(std::string(key(StepId::assist_purge)));
  if (it == job.steps.end()) return;
  it->second.waits.clear();
  if (it->second == StepRecord{}) job.steps.erase(it);
}

}  // namespace yoke
