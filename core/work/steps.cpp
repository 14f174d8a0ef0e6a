#include "work/steps.hpp"

#include <algorithm>

#include "document/moment.hpp"
#include "document/param/all.hpp"
#include "work/bleeding.hpp"
#include "work/order.hpp"

namespace yoke {

namespace {

/// The steps of the families that this job has, in the table's order.
std::vector<Step> steps_of(const WorkFacts& f) {
  std::vector<Step> list;
  const auto add = [&list](StepId id, Message part, WorkPlace place, int hands, long wait,
                           Message text, Message caution, Message because) {
    Step s;
    s.id = id;
    s.key = key(id);
    s.part = std::move(part);
    s.text = std::move(text);
    s.caution = std::move(caution);
    s.because = std::move(because);
    s.place = place;
    s.hands = hands;
    s.wait_s = wait;
    s.by_bleeding = id == StepId::fill_bleed;
    s.after_drive = id == StepId::lever_again;
    list.push_back(std::move(s));
  };
#define STEP(id, part, place, hands, wait_s, when, text, caution, because) \
  if (when) add(StepId::id, part, place, hands, wait_s, text, caution, because);
#include "work/families/all.inc"
  return list;
}

Step* step_of(std::vector<Step>& steps, StepId id) {
  const auto it =
      std::find_if(steps.begin(), steps.end(), [id](const Step& s) { return s.id == id; });
  return it == steps.end() ? nullptr : &*it;
}

void add_rows(const WorkFacts& f, std::vector<Step>& steps) {
  const auto at = [&steps](StepId id, auto&& fn) {
    if (Step* s = step_of(steps, id)) fn(*s);
  };
#define TOUCHES(id, gate) at(StepId::id, [](Step& s) { s.touches.push_back(GateId::gate); });
#define MEASURES(id, what) at(StepId::id, [](Step& s) { s.measure = param::what; });
#define PICTURE(id, which) at(StepId::id, [](Step& s) { s.picture = StepPicture::which; });
#define PRESSES(id) at(StepId::id, [](Step& s) { s.presses = true; });
#define CALL(id, you, helper, words, alone)   \
  at(StepId::id, [&f](Step& s) {              \
    s.call = Call{you, helper, words, alone}; \
    (void)f;                                  \
  });
#define TOOL(id, words)          \
  at(StepId::id, [&f](Step& s) { \
    s.tools.emplace_back(words); \
    (void)f;                     \
  });
#include "work/families/all.inc"
}

struct Edge {
  StepId step, needed;
  Message why;
};

std::vector<Edge> edges_of([[maybe_unused]] const WorkFacts& f) {
  std::vector<Edge> list;
#define AFTER(id, needed, why) list.push_back({StepId::id, StepId::needed, why});
#include "work/families/all.inc"
  return list;
}

/// What a step needs of those that the job has.
void add_needs(const WorkFacts& f, std::vector<Step>& steps) {
  for (const Edge& e : edges_of(f)) {
    Step* const s = step_of(steps, e.step);
    if (s == nullptr || step_of(steps, e.needed) == nullptr) continue;
    s->needs.push_back({std::string(key(e.needed)), e.why});
  }
}

void add_own(const Job& job, std::vector<Step>& steps) {
  for (const OwnStep& own : job.own_steps) {
    Step s;
    s.id = StepId::own;
    s.key = own_key(own);
    s.part = "Own";
    s.text = Message::data(own.name);
    s.place = own.place;
    s.hands = own.helper ? 2 : 1;
    const bool twice = std::any_of(steps.begin(), steps.end(),
                                   [&s](const Step& other) { return other.key == s.key; });
    if (!twice) steps.push_back(std::move(s));
  }
}

}  // namespace

WorkOrder work_order(const Job& job) {
  const WorkFacts f = work_facts(job);
  std::vector<Step> steps = steps_of(f);
  add_rows(f, steps);
  add_needs(f, steps);
  add_own(job, steps);
  WorkOrder order;
  order.refused = add_facts(job.order_facts, steps);
  order.steps = ordered(std::move(steps));
  return order;
}

std::vector<Step> install_steps(const Job& job) {
  return work_order(job).steps;
}

const StepRecord* record_of(const Job& job, const Step& step) {
  const auto it = job.steps.find(step.key);
  return it == job.steps.end() ? nullptr : &it->second;
}

std::optional<long long> wait_left(const Job& job, const Step& step, std::string_view now) {
  const StepRecord* r = record_of(job, step);
  if (!r || !r->done || step.wait_s <= 0) return std::nullopt;
  const auto rested = seconds_between(r->waits, now);
  // A clock set back before the tick says nothing about the rest: it counts from the tick on.
  if (!rested || *rested >= step.wait_s) return std::nullopt;
  return step.wait_s - std::max(0LL, *rested);
}

StepRecord& record_for(Job& job, const Step& step) {
  return job.steps[step.key];
}

bool is_done(const Job& job, const Step& step) {
  if (step.by_bleeding) return all_bled(job);
  const StepRecord* r = record_of(job, step);
  return r != nullptr && r->done;
}

Message too_soon(const Need& need, const Step& needed) {
  return need.why.empty() ? say("done before “{}”", needed.text)
                          : say("done before “{}”: {}", needed.text, need.why);
}

std::vector<Message> out_of_order(const Job& job, const WorkOrder& order, const Step& step) {
  std::vector<Message> list;
  if (!is_done(job, step)) return list;
  for (const Need& n : step.needs)
    for (const Step& s : order.steps)
      if (s.key == n.key && !is_done(job, s)) list.push_back(too_soon(n, s));
  return list;
}

const std::vector<BackPair>& back_pairs() {
  static const std::vector<BackPair> list = {
#define BACK(out, in) {StepId::out, StepId::in},
#include "work/families/all.inc"
  };
  return list;
}

}  // namespace yoke
