#include "session/candidates.hpp"

#include <algorithm>

#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bores.hpp"
#include "session/texts.hpp"

namespace yoke {

namespace {

/// A plan that works another way forgets what it measured of the old kind.
void write_values(Job& job, const MeasuredSet& values) {
  for (const ParamInfo& p : all_params())
    if (const auto& v = values.at(p.param)) {
      job.plan.set(p.param, *v);
      job.built.clear(p.param);
    }
}

}  // namespace

QString pin_letter(std::size_t index) {
  return QString(QChar(static_cast<char16_t>(u'A' + std::min<std::size_t>(index, 25))));
}

Expected<bool> pin_part(Session& session, const Part& part) {
  const auto& pinned = session.job().candidates;
  for (const Candidate& c : pinned)
    if (c.name == part.name && c.maker == part.maker)
      return fail({"candidate", part.name, "", say("“{}” is pinned already", part.name), ""});
  if (pinned.size() >= kMostPinned)
    return fail({"candidate", part.name, "3 at most", "Three candidates are pinned already",
                 "Take one off first"});
  session.edit(QObject::tr("pin %1").arg(text_of(part.name)),
               [&](Job& j) { j.candidates.push_back(candidate_of(part)); });
  return true;
}

void unpin(Session& session, std::size_t index) {
  if (index >= session.job().candidates.size()) return;
  session.edit(QObject::tr("take %1 off").arg(text_of(session.job().candidates[index].name)),
               [&](Job& j) {
                 j.candidates.erase(j.candidates.begin() + static_cast<std::ptrdiff_t>(index));
               });
}

void take_candidate(Session& session, const Candidate& candidate) {
  session.edit(QObject::tr("plan %1").arg(text_of(candidate.name)),
               [&](Job& j) { j = with_candidate(j, candidate); });
}

void take_assist(Session& session, const AssistChoice& choice) {
  session.edit(QObject::tr("assist: %1").arg(text_of(choice.words, session.style())), [&](Job& j) {
    const Value now = value_of(j, As::plan, param::assist_kind);
    if (!now.is(choice.kind))
      for (const ParamInfo& p : all_params())
        if (p.group == Group::assist && p.param != param::assist_vacuum &&
            p.param != param::assist_vacuum_altitude && p.param != param::assist_manifold) {
          j.plan.set(p.param, Measured{});
          j.built.clear(p.param);
        }
    write_values(j, choice.values);
  });
}

std::vector<CandidateView> candidate_views(const Job& job, std::size_t points) {
  std::vector<CandidateView> list;
  for (const Candidate& c : job.candidates) {
    const Job tried = with_candidate(job, c);
    CandidateView v;
    v.name = c.name;
    v.report = condition_report(tried, ConditionId::plan, points);
    v.report.title = Message::data(c.name);
    const Values values = resolve(tried, As::plan);
    v.bore_m = values.known(param::master_bore) ? values.si(param::master_bore) : 0;
    v.ratio = arm_ratio(values).value_or(0);
    list.push_back(std::move(v));
  }
  return list;
}

}  // namespace yoke
