#include "work/order.hpp"

#include <algorithm>
#include <limits>
#include <map>

namespace yoke {

namespace {

/// A step is taken for so long where its wait is weighed against other work.
constexpr long kStep_s = 600;

using Index = std::map<std::string, std::size_t>;

Index index_of(const std::vector<Step>& steps) {
  Index at;
  for (std::size_t i = 0; i < steps.size(); ++i) at[steps[i].key] = i;
  return at;
}

/// The way by needs from one step to another; empty: there is none.
std::vector<std::size_t> way(const std::vector<Step>& steps, const Index& at, std::size_t from,
                             std::size_t to) {
  std::vector<std::size_t> before(steps.size(), steps.size());
  std::vector<std::size_t> open{from};
  before[from] = from;
  while (!open.empty() && before[to] == steps.size()) {
    const std::size_t now = open.back();
    open.pop_back();
    for (const Need& n : steps[now].needs) {
      const auto it = at.find(n.key);
      if (it == at.end() || before[it->second] != steps.size()) continue;
      before[it->second] = now;
      open.push_back(it->second);
    }
  }
  if (before[to] == steps.size()) return {};
  std::vector<std::size_t> list{to};
  while (list.back() != from) list.push_back(before[list.back()]);
  std::reverse(list.begin(), list.end());
  return list;
}

Error circle(const std::vector<Step>& steps, const std::vector<std::size_t>& list) {
  std::vector<Message> names;
  names.reserve(list.size());
  for (const std::size_t i : list) names.push_back(say("“{}”", steps[i].text));
  Error e;
  e.field = "order";
  e.reason = say("These wait for each other: {}", joined(names, " ← "));
  e.remedy = "Take one of your own facts back";
  return e;
}

class Scheduler {
 public:
  explicit Scheduler(std::vector<Step> steps)
      : steps_(std::move(steps)),
        needs_(steps_.size()),
        taken_(steps_.size()),
        end_(steps_.size()) {
    // By number from here on: the whole list is gone through once a step.
    const Index at = index_of(steps_);
    for (std::size_t i = 0; i < steps_.size(); ++i)
      for (const Need& n : steps_[i].needs)
        if (const auto it = at.find(n.key); it != at.end()) needs_[i].push_back(it->second);
  }

  std::vector<Step> run() {
    std::vector<std::size_t> order;
    order.reserve(steps_.size());
    while (order.size() < steps_.size()) {
      std::size_t i = best();
      // Steps that wait for each other: none of them is lost, the first of the table goes first.
      if (i == steps_.size())
        i = static_cast<std::size_t>(std::find(taken_.begin(), taken_.end(), false) -
                                     taken_.begin());
      clock_ = std::max(clock_, ready_at(i)) + kStep_s;
      taken_[i] = true;
      end_[i] = clock_ + steps_[i].wait_s;
      here_ = i;
      order.push_back(i);
    }
    std::vector<Step> list;
    list.reserve(order.size());
    for (const std::size_t i : order) list.push_back(std::move(steps_[i]));
    return list;
  }

 private:
  [[nodiscard]] bool can(std::size_t i) const {
    if (taken_[i]) return false;
    return std::all_of(needs_[i].begin(), needs_[i].end(),
                       [this](std::size_t need) { return taken_[need]; });
  }
  [[nodiscard]] long ready_at(std::size_t i) const {
    long at = 0;
    for (const std::size_t need : needs_[i]) at = std::max(at, end_[need]);
    return at;
  }
  [[nodiscard]] double cost(std::size_t i) const {
    const Step& s = steps_[i];
    double c = static_cast<double>(i) * 0.1;
    if (here_ && steps_[*here_].place != s.place) c += 3;
    if (here_ && steps_[*here_].hands != s.hands) c += 1;
    if (s.wait_s > 0) c -= 4;
    // Idle time is dearer than any walk.
    c += 1000.0 * static_cast<double>(std::max(0L, ready_at(i) - clock_)) / kStep_s;
    return c;
  }
  [[nodiscard]] std::size_t best() const {
    std::size_t found = steps_.size();
    double least = std::numeric_limits<double>::max();
    for (std::size_t i = 0; i < steps_.size(); ++i) {
      if (!can(i)) continue;
      const double c = cost(i);
      if (c < least) {
        least = c;
        found = i;
      }
    }
    return found;
  }

  std::vector<Step> steps_;
  std::vector<std::vector<std::size_t>> needs_;
  std::vector<bool> taken_;
  std::vector<long> end_;
  std::optional<std::size_t> here_;
  long clock_ = 0;
};

}  // namespace

std::vector<Error> add_facts(const std::vector<OrderFact>& facts, std::vector<Step>& steps) {
  std::vector<Error> refused;
  if (facts.empty()) return refused;
  const Index at = index_of(steps);
  for (const OrderFact& f : facts) {
    const auto first = at.find(f.first);
    const auto then = at.find(f.then);
    if (first == at.end() || then == at.end()) continue;
    const auto back = way(steps, at, first->second, then->second);
    if (!back.empty()) {
      refused.push_back(circle(steps, back));
      continue;
    }
    auto& needs = steps[then->second].needs;
    const bool twice =
        std::any_of(needs.begin(), needs.end(), [&f](const Need& n) { return n.key == f.first; });
    if (!twice) needs.push_back({f.first, Message::data(f.why), true});
  }
  return refused;
}

std::vector<Step> ordered(std::vector<Step> steps) {
  return Scheduler(std::move(steps)).run();
}

}  // namespace yoke
