// Keys of the presses, and which reading a press is judged by.
#include <algorithm>
#include <cmath>

#include "protocol/protocol.hpp"

namespace yoke {

std::string_view proof_key(ProofId id) {
  static constexpr std::string_view keys[] = {
      "free_play",      "returns",     "returns_hot", "rest_pressure", "press_50",  "press_100",
      "press_150",      "press_250",   "press_400",   "second",        "clamped",   "clamped_first",
      "clamped_second", "helped_100",  "helped_250",  "light_sink",    "sink",      "assist_drop",
      "after_stop",     "no_assist",   "circuit",     "reserve",       "release",   "bite",
      "drag",           "over_travel", "wear_room",   "holds",         "full_lock", "lamp",
      "joints"};
  static_assert(std::size(keys) == static_cast<std::size_t>(ProofId::count_));
  return keys[static_cast<std::size_t>(id)];
}

bool is_clamped(ProofId id) {
  return id == ProofId::clamped || id == ProofId::clamped_first || id == ProofId::clamped_second;
}

ClampedHoses clamped_of(ProofId id) {
  return id == ProofId::clamped_first    ? ClampedHoses::first
         : id == ProofId::clamped_second ? ClampedHoses::second
                                         : ClampedHoses::all;
}

double near_push_n(const ProofPress& p) {
  return std::max(15.0, 0.15 * p.push_n.value_or(0));
}

std::optional<std::size_t> reading_of(const Job& job, const ProofPress& p) {
  if (!p.push_n) return std::nullopt;
  const bool second = p.id == ProofId::second, clamped = is_clamped(p.id);
  // The nearest of those taken so, the latest of equals.
  const double near_n = near_push_n(p);
  std::optional<std::size_t> best;
  for (std::size_t i = 0; i < job.readings.size(); ++i) {
    const Reading& r = job.readings[i];
    if (r.rejected || (p.assisted && r.assist_alive != p.assist_on) || r.second_apply != second ||
        r.hoses_clamped != clamped || (clamped && r.clamped != clamped_of(p.id)))
      continue;
    const double off_n = std::abs(r.force_n - *p.push_n);
    if (off_n > near_n) continue;
    if (!best || off_n <= std::abs(job.readings[*best].force_n - *p.push_n)) best = i;
  }
  return best;
}

Reading proof_reading(const ProofPress& p, double force_n, double travel_m) {
  Reading r;
  r.force_n = force_n;
  r.travel_m = travel_m;
  r.assist_alive = p.assist_on;
  r.second_apply = p.id == ProofId::second;
  r.hoses_clamped = is_clamped(p.id);
  r.clamped = clamped_of(p.id);
  return r;
}

std::size_t next_press(const std::vector<ProofPress>& list) {
  return static_cast<std::size_t>(
      std::find_if(list.begin(), list.end(),
                   [](const ProofPress& p) { return p.state == ProofState::open; }) -
      list.begin());
}

}  // namespace yoke
