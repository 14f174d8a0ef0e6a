#include "session/resume.hpp"

#include <algorithm>
#include <ranges>

#include "plumbing/joints.hpp"
#include "proving/gates.hpp"
#include "road/due.hpp"
#include "session/session.hpp"
#include "session/stage_views.hpp"
#include "work/parts_gate.hpp"

namespace yoke {

namespace {

constexpr int kBottleDays = 365;  // common practice: a bottle that was opened is a year's

std::string latest_day(const Job& job) {
  std::string day;
  const auto take = [&](const std::string& text) {
    const std::string d = text.substr(0, 10);
    if (d.size() == 10 && d > day) day = d;
  };
  for (const StepRecord& s : job.steps | std::views::values) {
    take(s.date);
    take(s.waits);
  }
  for (const GateRecord& g : job.gates | std::views::values) {
    take(g.date);
    take(g.when);
  }
  return day;
}

void say_fluid(const InstallView& work, std::string_view today, Resume& r) {
  for (const StepRow& s : work.steps)
    if (s.step.id == StepId::fill_fluid && s.done)
      if (const auto age = days_between(s.date, today))
        r.lines.push_back(
            *age > kBottleDays
                ? say("Fluid was filled on {}, {} days ago: change it, it holds water", s.date,
                      *age)
                : say("Fluid was filled on {}, {} days ago: what is left in that "
                      "bottle is good for a year from its opening",
                      s.date, *age));
}

/// Open points with their age, and what falls due soon or is past.
void say_open(const Job& job, std::string_view today, Resume& r) {
  constexpr int kSoon = 30;
  long points = 0;
  int oldest = 0;
  std::vector<Message> due;
  for (const DueThing& d : due_things(job, today)) {
    if (d.kind == DueKind::point) {
      ++points;
      oldest = std::max(oldest, -d.days.value_or(0));
    } else if (d.days && *d.days <= kSoon && d.kind != DueKind::part) {
      due.push_back(say("{} {}", d.day, d.what));
    }
  }
  if (points > 0)
    r.lines.push_back(plural(points, "{} open point, for {} days",
                             "{} open points, the oldest for {} days", {oldest}));
  if (!due.empty()) r.lines.push_back(say("Due: {}", joined(due, " · ")));
}

void say_next(const InstallView& work, Resume& r) {
  constexpr std::size_t kNext = 3;
  std::vector<Message> next;
  for (const StepRow& s : work.steps)
    if (s.state == StepState::ready && next.size() < kNext) next.push_back(s.step.text);
  if (!next.empty()) r.lines.push_back(say("Next: {}", joined(next, " · ")));
}

}  // namespace

Resume resume_of(const Session& session, std::string_view today) {
  const Job& job = session.job();
  Resume r;
  r.last = latest_day(job);
  if (!r.last.empty()) r.rested_d = days_between(r.last, today);
  const InstallView work = install_view(job);
  if (r.rested_d)
    r.lines.push_back(say("Last worked on {}, {} days ago: {} of {} steps done", r.last,
                          *r.rested_d, work.done, work.steps.size()));
  else
    r.lines.push_back(say("{} of {} steps done", work.done, work.steps.size()));
  std::size_t hard = 0;
  for (const Finding& f : session.findings()) hard += f.severity == Severity::hard ? 1 : 0;
  r.lines.push_back(hard > 0
                        ? plural(static_cast<long>(hard), "Not safe: {} point says do not drive",
                                 "Not safe: {} points say do not drive")
                        : Message("Not proved: do not drive on it before the gates passed"));
  std::size_t joints = 0;
  for (const JudgedJoint& j : judged_joints(job, As::plan))
    joints += j.joint.fresh && !j.good() ? 1 : 0;
  if (joints > 0)
    r.lines.push_back(plural(static_cast<long>(joints),
                             "{} joint of a new part is open or not proved",
                             "{} joints of new parts are open or not proved"));
  std::size_t out = 0;
  for (const TakenOff& t : job.taken_off) out += t.back < t.out ? 1 : 0;
  if (out > 0)
    r.lines.push_back(plural(static_cast<long>(out), "{} kind of clip or pin is not back yet",
                             "{} kinds of clips and pins are not back yet"));
  std::size_t gates = 0, lapsed = 0;
  for (const Gate& g : gates_of(job, session.strip(), session.findings())) {
    gates += g.state == GateState::passed ? 1 : 0;
    const auto was = job.gates.find(std::string(key(g.id)));
    lapsed += g.state != GateState::passed && was != job.gates.end() &&
                      was->second.state == GateState::passed
                  ? 1
                  : 0;
  }
  r.lines.push_back(
      lapsed > 0 ? say("{} gates passed, {} passed earlier and are open again", gates, lapsed)
                 : plural(static_cast<long>(gates), "{} gate passed", "{} gates passed"));
  say_fluid(work, today, r);
  for (const PartInHand& p : job.parts)
    if (!p.here)
      r.lines.push_back(p.promised.empty()
                            ? say("Not here yet: {}", p.name)
                            : say("Not here yet: {}, promised for {}", p.name, p.promised));
  say_open(job, today, r);
  say_next(work, r);
  r.lines.push_back(
      "If something was moved meanwhile, write it into the logbook: its step opens again");
  return r;
}

bool rested_long(const Session& session, std::string_view today) {
  const Job& job = session.job();
  if (job.state == JobState::proved) return false;
  const std::string last = latest_day(job);
  const auto days = last.empty() ? std::nullopt : days_between(last, today);
  return days && *days >= kRestedDays;
}

}  // namespace yoke
