#include "session/entries.hpp"

namespace yoke {

Expected<double> typed_quantity(const std::string& typed, const Message& words, Kind kind,
                                const Range& range, const Style& style) {
  auto v = parse_quantity(typed, kind, style);
  if (!v) {
    Error e = v.error();
    e.reason = say("{}: {}", words, e.reason);
    return fail(std::move(e));
  }
  if (range.holds(*v)) return v;
  return fail({.field = "",
               .value = typed,
               .range = say("{} to {}", amount(range.least, kind, 0), amount(range.most, kind, 0)),
               .reason = say("{} cannot be {}", words, typed),
               .remedy = "Read it again"});
}

Expected<GateEvidence> typed_evidence(const GateAsk& ask, const GateEntry& entry,
                                      const std::string& when, const Style& style) {
  GateEvidence e;
  e.seen = entry.seen;
  e.who = entry.who;
  e.when = when;
  e.opened = entry.opened;
  e.photo = entry.photo;
  if (ask.opens && entry.opened.empty())
    return fail({"gate", entry.read, "", "Which nipple was opened is not said",
                 "Name it: it is bled and wiped once more"});
  if (ask.number && entry.read.find_first_not_of(' ') != std::string::npos) {
    const WithDoubt typed = split_doubt(entry.read);
    const auto v = typed_quantity(typed.value, ask.words, ask.kind, kGateRead, style);
    if (!v) return fail(v.error());
    e.read = *v;
    // A tape at the pad, a bathroom scale: what is read without a word of doubt has theirs.
    e.uncertainty = ask.kind == Kind::force ? 10.0 : 0.0015;
    if (!typed.doubt.empty()) {
      const auto doubt = typed_quantity(typed.doubt, "±", ask.kind, kGateRead, style);
      if (!doubt) return fail(doubt.error());
      e.uncertainty = *doubt;
    }
    e.instrument = entry.instrument;
  }
  if (const Message lacks = evidence_lacks(ask, e); !lacks.empty())
    return fail({.field = "gate",
                 .value = entry.read,
                 .range = expectation_words(ask),
                 .reason = say("Not passed: {}", lacks),
                 .remedy = "Read it again, or put right what it shows"});
  return e;
}

Expected<Reading> typed_reading(const ReadingEntry& entry, const Style& style) {
  const auto force = typed_quantity(entry.force, "Pedal force", Kind::force, kReadingForce, style);
  if (!force) return fail(force.error());
  const auto travel =
      typed_quantity(entry.travel, "Pedal travel", Kind::length, kReadingTravel, style);
  if (!travel) return fail(travel.error());
  Reading r;
  r.force_n = *force;
  r.travel_m = *travel;
  r.assist_alive = entry.assist_alive;
  r.second_apply = entry.second_apply;
  r.hoses_clamped = entry.hoses_clamped;
  r.clamped = entry.clamped;
  if (entry.gauge.find_first_not_of(' ') == std::string::npos) return r;
  const auto gauge =
      typed_quantity(entry.gauge, "Gauge pressure", Kind::pressure, kReadingPressure, style);
  if (!gauge) return fail(gauge.error());
  r.pressure_pa = *gauge;
  return r;
}

}  // namespace yoke
