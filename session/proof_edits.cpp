#include "session/proof_edits.hpp"

#include <QDateTime>
#include <cmath>

#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "session/work_edits.hpp"

namespace yoke {

namespace {

QString named(const Session& session, const ProofPress& press, const std::string& got) {
  return Session::tr("%1: %2").arg(text_of(press.name, session.style()),
                                   QString::fromStdString(got).left(40));
}

Expected<bool> take_reading(Session& session, const ProofPress& press, const PressEntry& entry) {
  ReadingEntry typed;
  typed.force = entry.force;
  if (entry.force.find_first_not_of(' ') == std::string::npos)
    typed.force = format_quantity(*press.push_n, Kind::force, 1, session.style());
  typed.travel = entry.got;
  const auto read = typed_reading(typed, session.style());
  if (!read) return fail(read.error());
  Reading r = proof_reading(press, read->force_n, read->travel_m);
  r.note = entry.note;
  const double near_n = near_push_n(press);
  if (std::abs(r.force_n - *press.push_n) > near_n)
    return fail(
        {"reading", typed.force,
         say("{} ± {}", amount(*press.push_n, Kind::force, 0), amount(near_n, Kind::force, 0)),
         "That is another press than the one asked", "Press again with that push"});
  return session.edit(named(session, press, entry.got), [&](Job& j) { j.readings.push_back(r); });
}

Expected<bool> take_gate(Session& session, const ProofPress& press, const PressEntry& entry,
                         bool holds) {
  for (const GateRow& row : gate_rows(session.job(), session.strip(), session.findings())) {
    if (row.id != *press.gate) continue;
    if (row.held)
      return fail({"gate",
                   entry.got,
                   {},
                   say("Held shut: {}", row.remark),
                   "Put right what holds it; then press again"});
    GateEntry typed;
    (row.ask.number ? typed.read : typed.seen) = entry.got;
    typed.who = entry.who;
    typed.instrument = entry.instrument;
    typed.opened = entry.opened;
    return answer_now(session, row, typed, holds ? GateState::passed : GateState::failed);
  }
  return fail({"gate", "", "", "This job has no such gate", "Press the next one"});
}

}  // namespace

Expected<bool> take_press(Session& session, const ProofPress& press, const PressEntry& entry,
                          bool holds) {
  switch (press.where) {
    case ProofWhere::gate:
      return take_gate(session, press, entry, holds);
    case ProofWhere::reading:
      return take_reading(session, press, entry);
    case ProofWhere::pump: {
      const bool gauge = press.id == ProofId::rest_pressure;
      const auto v = typed_quantity(entry.got, press.name, press.kind,
                                    gauge ? kReadingPressure : kPumpTravel, session.style());
      if (!v) return fail(v.error());
      return session.edit(named(session, press, entry.got), [&](Job& j) {
        (gauge ? j.pump.rest_pressure_pa : j.pump.light_sink_m) = *v;
      });
    }
    case ProofWhere::value:
      break;
  }
  const ParamInfo& p = info(*press.param);
  const auto v =
      typed_quantity(entry.got, press.name, p.kind, Range{p.min_si, p.max_si}, session.style());
  if (!v) return fail(v.error());
  return session.set_value(As::plan, *press.param, measured(*press.param, *v, How::stated));
}

Expected<bool> choose_press(Session& session, const ProofPress& press, int option) {
  return session.set_value(As::plan, *press.param, measured(*press.param, option, How::stated));
}

Expected<bool> reject_press(Session& session, const ProofPress& press, const std::string& why) {
  const QString name = Session::tr("%1: does not count").arg(text_of(press.name, session.style()));
  return session.edit(name, [&](Job& j) {
    if (press.where == ProofWhere::pump)
      (press.id == ProofId::rest_pressure ? j.pump.rest_pressure_pa : j.pump.light_sink_m).reset();
    if (press.where == ProofWhere::value) j.plan.clear(*press.param);
    if (press.where == ProofWhere::gate) answer_gate(j, *press.gate, GateState::open, {});
    if (press.where != ProofWhere::reading) return;
    if (const auto at = reading_of(j, press)) {
      j.readings[*at].rejected = true;
      j.readings[*at].note = why;
    }
  });
}

}  // namespace yoke
