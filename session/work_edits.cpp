#include "session/work_edits.hpp"

#include <QDateTime>
#include <QRegularExpression>
#include <algorithm>

#include "document/param/vehicle.hpp"
#include "document/params.hpp"
#include "files/limits.hpp"
#include "quantity/quantity.hpp"
#include "session/stage_views.hpp"
#include "session/texts.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

/// What a scale under one axle reads is a share of the whole car's weight, as entered. Nothing: it
/// was no weight that was typed.
std::optional<Expected<double>> axle_weight(const Session& session, As which, Param param,
                                            const QString& text) {
  if (param != param::vehicle_front_share) return std::nullopt;
  const bool bare = text.contains(QLatin1Char('%')) || !text.contains(QRegularExpression("[a-z]"));
  const auto kg = parse_quantity(text.toStdString(), Kind::mass, session.style());
  if (bare || !kg) return std::nullopt;
  const Value whole = value_of(session.job(), which, param::vehicle_mass);
  const Error error{std::string(info(param).id), text.toStdString(), "10 % to 90 %",
                    "A weight takes the whole car's: its mass is not known",
                    "Enter the mass as driven first, or the share in %"};
  if (!whole.known() || whole.si <= 0) return fail(error);
  const double share = *kg / whole.si;
  if (share < info(param).min_si || share > info(param).max_si)
    return fail({error.field, error.value, error.range,
                 say("That is {} of the whole car's {}", amount(share, Kind::fraction, 0),
                     amount(whole.si, Kind::mass, 0)),
                 "Weigh the front axle alone, both its wheels on the scale"});
  return share;
}

}  // namespace

Expected<bool> type_value(Session& session, As which, Param param, const QString& typed,
                          std::optional<How> tool) {
  const QString text = typed.trimmed();
  if (text.isEmpty()) {
    session.clear_value(which, param);
    return true;
  }
  if (text == QStringLiteral("?") ||
      text.compare(QStringLiteral("unknown"), Qt::CaseInsensitive) == 0)
    return session.set_value(which, param, Measured{});
  if (const auto share = axle_weight(session, which, param, text)) {
    if (!*share) return fail(share->error());
    return session.set_value(which, param, measured(param, **share, How::stated));
  }
  const auto v = parse_with_doubt(param, text.toStdString(), session.style());
  if (!v) return fail(v.error());
  const Value before = value_of(session.job(), which, param);
  const bool keeps = before.origin == Origin::measured && !before.inherited;
  const How how = tool ? *tool : keeps ? before.how : session.tool_for(param, v->si);
  Measured value = measured(param, v->si, how);
  if (v->uncertainty_si) value.uncertainty_si = *v->uncertainty_si;
  if (const auto e = session.objection(which, param, value)) return fail(*e);
  if (tool) session.remember_tool(param, *tool);
  return session.set_value(which, param, value);
}

void tick_step(Session& session, const Step& step, bool done) {
  if (step.by_bleeding) return;  // counted under Bleed
  const QString words = text_of(step.text, session.style()).left(40);
  const QString name = (done ? Session::tr("tick “%1”") : Session::tr("untick “%1”")).arg(words);
  session.edit(name, [&](Job& j) {
    auto& r = record_for(j, step);
    r.done = done;
    // The moment is kept: what must rest begins to, and goes on while nobody looks; and a proof
    // that was given before is not the proof of a step that was done once more.
    r.waits = done ? wall_clock() : std::string();
    r.date = done ? QDate::currentDate().toString(Qt::ISODate).toStdString() : std::string();
    if (!done && r.note.empty()) j.steps.erase(step.key);
  });
}

Expected<bool> add_to_order(Session& session, const OrderEdit& edit) {
  Job job = session.job();
  std::string other = edit.other;
  const QString own = edit.own.simplified();
  if (!own.isEmpty()) {
    OwnStep step{own.toStdString(), edit.place, edit.helper, {}};
    other = own_key(step);
    const auto same = [&](const OwnStep& s) { return s.name == step.name; };
    if (std::none_of(job.own_steps.begin(), job.own_steps.end(), same))
      job.own_steps.push_back(std::move(step));
  }
  if (!edit.chosen.empty() && !other.empty() && other != edit.chosen) {
    OrderFact f{edit.before ? other : edit.chosen,
                edit.before ? edit.chosen : other,
                edit.why.simplified().toStdString(),
                {}};
    const auto same = [&](const OrderFact& o) { return o.first == f.first && o.then == f.then; };
    if (std::none_of(job.order_facts.begin(), job.order_facts.end(), same))
      job.order_facts.push_back(std::move(f));
  }
  if (job == session.job())
    return fail(
        {"order", "", "", "Nothing to add", "Name a step of your own, or choose another one"});
  const auto before = work_order(session.job()).refused.size();
  if (const auto refused = work_order(job).refused; refused.size() > before)
    return fail(refused.back());
  const QString name = own.isEmpty() ? Session::tr("order of the work")
                                     : Session::tr("own step “%1”").arg(own.left(40));
  return session.edit(name, [&](Job& j) {
    j.own_steps = job.own_steps;
    j.order_facts = job.order_facts;
  });
}

void remove_own_step(Session& session, const std::string& key) {
  session.edit(Session::tr("own step taken out"), [&](Job& j) {
    std::erase_if(j.own_steps, [&](const OwnStep& s) { return own_key(s) == key; });
    std::erase_if(j.order_facts,
                  [&](const OrderFact& f) { return f.first == key || f.then == key; });
    j.steps.erase(key);
  });
}

void remove_order_fact(Session& session, const std::string& first, const std::string& then) {
  session.edit(Session::tr("order of the work"), [&](Job& j) {
    std::erase_if(j.order_facts,
                  [&](const OrderFact& f) { return f.first == first && f.then == then; });
  });
}

void count_at(Session& session, const std::string& key, const QString& name, BleedCount what) {
  const QString words = text_of(count_words(session.job(), key, what), session.style());
  session.edit(Session::tr("%1: %2").arg(name, words), [&](Job& j) {
    if (what == BleedCount::refill)
      top_up(j, key);
    else if (what == BleedCount::ran_dry)
      ran_dry(j, bleed_plan(j), key);
    else
      yoke::count_at(j, bleed_plan(j), key, what == BleedCount::bubbles);
  });
}

Expected<bool> note_push(Session& session, const QString& typed) {
  const auto push = parse_quantity(typed.toStdString(), Kind::length, session.style());
  if (!push) return fail(push.error());
  if (!kPush.holds(*push))
    return fail({.field = "bleeding.bench.push_m",
                 .value = typed.toStdString(),
                 .range = "0 … 100 mm",
                 .reason = "No piston is pushed that far",
                 .remedy = "Measure how far the last push went"});
  session.edit(Session::tr("Push against plugs"), [&](Job& j) {
    BleedRecord& r = j.bleeding["bench"];
    count_stroke(r, *push > kPlugPush_m);
    r.push_then_m = r.push_m;
    r.push_m = *push;
  });
  return true;
}

void wipe_joint(Session& session, const std::string& key, WipeRound round, Wiped seen) {
  session.edit(Session::tr("Wiped joint"), [&](Job& j) { wipe(j, key, round, seen); });
}

void joint_made_again(Session& session, const std::string& key) {
  session.edit(Session::tr("Joint made again"), [&](Job& j) { made_again(j, key); });
}

void leave_joint_shut(Session& session, const std::string& key, bool shut) {
  session.edit(Session::tr("Joint left shut"), [&](Job& j) { j.joints[key].left_shut = shut; });
}

Expected<bool> answer_now(Session& session, const GateRow& gate, const GateEntry& typed,
                          GateState state) {
  const std::string now =
      QDateTime::currentDateTime().toString(QStringLiteral("yyyy-MM-ddTHH:mm:ss")).toStdString();
  GateEvidence evidence;
  evidence.seen = typed.seen;
  evidence.who = typed.who;
  evidence.when = now;
  evidence.opened = typed.opened;
  evidence.photo = typed.photo;
  if (const auto e = typed_evidence(gate.ask, typed, now, session.style()))
    evidence = *e;
  else if (state == GateState::passed)
    return fail(e.error());
  if (state == GateState::open) evidence = {};
  const QString name = Session::tr("%1: %2").arg(text_of(gate.words, session.style()),
                                                 words_of(words_of_value(state)));
  return session.edit(name, [&](Job& j) { answer_gate(j, gate.id, state, evidence); });
}

}  // namespace yoke
