#include "road/due.hpp"

#include <algorithm>

#include "road/permits.hpp"
#include "survey/rules.hpp"
#include "work/parts_gate.hpp"

namespace yoke {

namespace {

constexpr int kFluidDays = 730;  // in the system: two years

std::string fluid_day(const Job& job) {
  const StepRecord* r = record_of(job, StepId::fill_fluid);
  return r && r->done ? r->date : std::string();
}

void add_later(const Job& job, std::vector<DueThing>& list) {
  const Values plan = resolve(job, As::plan);
  for (const Later& l : job.later) {
    DueThing d;
    d.kind = DueKind::later;
    d.key = "later:" + std::string(key_of(l.what));
    d.day = l.date;
    d.what = Message::of_table(words_of_value(l.what));
    for (const Consequence& c : later_consequences(l.what, plan)) d.why.push_back(c.what);
    list.push_back(std::move(d));
  }
}

void add_parts(const Job& job, std::vector<DueThing>& list) {
  for (const PartInHand& p : job.parts) {
    if (p.here) continue;
    DueThing d;
    d.kind = DueKind::part;
    d.key = "part:" + p.name;
    d.day = p.promised;
    d.what = say("{} was promised", p.name);
    if (p.before_apart) d.why.emplace_back("the car stays together until it is here");
    list.push_back(std::move(d));
  }
}

void add_fluid(const Job& job, std::vector<DueThing>& list) {
  const std::string day = fluid_day(job);
  if (!is_day(day)) return;
  DueThing d;
  d.kind = DueKind::fluid;
  d.key = "fluid";
  d.day = day_after(day, kFluidDays);
  d.what = "Change the fluid";
  d.why.emplace_back("it draws water: it boils sooner, and rusts what it stands in");
  list.push_back(std::move(d));
}

void add_after_run(const Job& job, std::vector<DueThing>& list) {
  for (const AfterRun& a : after_run(job)) {
    if (a.done) continue;
    DueThing d;
    d.kind = DueKind::after_run;
    d.key = a.key;
    d.day = a.due;
    d.what = a.words;
    d.why.push_back(a.why);
    list.push_back(std::move(d));
  }
}

void add_points(const Job& job, std::vector<DueThing>& list) {
  for (const OpenPoint& p : job.points) {
    if (!is_open(p)) continue;
    DueThing d;
    d.kind = DueKind::point;
    d.key = "point:" + p.what;
    d.day = p.since;
    d.what = Message::data(p.what);
    list.push_back(std::move(d));
  }
}

}  // namespace

std::vector<DueThing> due_things(const Job& job, std::string_view today) {
  std::vector<DueThing> list;
  add_points(job, list);
  add_parts(job, list);
  add_later(job, list);
  add_fluid(job, list);
  add_after_run(job, list);
  for (DueThing& d : list)
    if (is_day(d.day)) d.days = days_between(today, d.day);
  std::stable_sort(list.begin(), list.end(), [](const DueThing& a, const DueThing& b) {
    if (a.day.empty() != b.day.empty()) return b.day.empty();
    return a.day < b.day;
  });
  return list;
}

}  // namespace yoke
