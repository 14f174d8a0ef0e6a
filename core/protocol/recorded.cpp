#include "protocol/recorded.hpp"

#include <algorithm>

#include "assembly/relevance.hpp"
#include "protocol/protocol.hpp"

namespace yoke {

namespace {

constexpr double kHeld_s = 20;  // shorter, a sink is lost in what a sensor drifts

std::vector<double> pushes_of(const Job& job) {
  const double share = pulled_by_hand(resolve(job, As::plan)) ? kHandShare : 1;
  std::vector<double> list;
  for (const double n : kProofForces_n) list.push_back(share * n);
  return list;
}

}  // namespace

LiveTaken taken_of(const Job& job, const Trace& trace, const PressWay& how) {
  LiveTaken t;
  t.practice = is_stand_in(trace.head);
  if (t.practice) t.says.emplace_back("Practice on the stand-in: nothing of it goes into the job");
  const TraceScale scale(trace.head, job.calibrations);
  for (const ChannelWhat w : {ChannelWhat::force, ChannelWhat::travel})
    if (scale.asks(w)) {
      t.says.push_back(
          say("{} is told in counts: set two known points first", Message::of_table(words_of(w))));
      return t;
    }
  for (const Channel& c : trace.head.channels)
    if (is_dead(trace, c.what))
      t.says.push_back(say("{} tells nothing: look at its sensor and plug; nothing is read by it",
                           Message::of_table(words_of(c.what))));
  if (is_dead(trace, ChannelWhat::force) || is_dead(trace, ChannelWhat::travel)) return t;
  const Rest rest = rest_of(trace, scale);
  if (!rest.known) {
    t.says.emplace_back("Nothing read: foot off for a second first, so that the zero is seen");
    return t;
  }
  const auto presses = presses_of(trace, scale);
  if (presses.empty()) {
    t.says.emplace_back("Nothing read: no press of 30 N or more is in it");
    return t;
  }
  const TracePress press = *std::max_element(
      presses.begin(), presses.end(),
      [](const TracePress& a, const TracePress& b) { return a.most_n < b.most_n; });
  t.readings = readings_of(trace, scale, press, pushes_of(job));
  for (Reading& r : t.readings) {
    r.assist_alive = how.assist_alive;
    r.second_apply = how.second_apply;
    r.hoses_clamped = how.hoses_clamped;
    r.clamped = how.clamped;
    r.note = "from the instrument";
  }
  t.sink = sink_of(trace, scale, press);
  if (t.sink && t.sink->hold_s < kHeld_s) t.sink.reset();
  t.says.push_back(say("Zero of the push {}, of the travel {}",
                       amount(rest.force_n, Kind::force, 1),
                       amount(rest.travel_m, Kind::length, 1)));
  t.rest_pressure_pa = rest.pressure_pa;
  if (rest.pressure_pa)
    t.says.push_back(say("{} with the foot off", amount(*rest.pressure_pa, Kind::pressure, 2)));
  if (t.readings.empty())
    t.says.emplace_back("No push could be read: press slower, four seconds to the firmest push");
  else
    t.says.push_back(plural(static_cast<long>(t.readings.size()), "{} reading on the way down",
                            "{} readings on the way down"));
  if (t.sink)
    t.says.push_back(say("held for {}: it sank {}", amount(t.sink->hold_s, Kind::time, 0),
                         amount(t.sink->sink_m, Kind::length, 1)));
  return t;
}

}  // namespace yoke
