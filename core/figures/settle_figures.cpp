#include "figures/settle_figures.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/relevance.hpp"
#include "document/param/assist.hpp"
#include "document/param/pedal_rod.hpp"
#include "strip/settle.hpp"

namespace yoke {

namespace {

bool any_group(Group) {
  return true;
}

/// Passes, and waits for a look at what decides it. What the strip judges it has looked into
/// itself.
bool holds(const Figure& f) {
  return sums_pass(f.verdict) && !f.rule;
}

/// The same figure of another making of the group; nullptr: it is told no more.
const Figure* same_figure(const FigureGroup& mine, std::size_t i, const FigureGroup& other) {
  if (other.figures.size() == mine.figures.size()) return &other.figures[i];
  const auto it = std::find_if(other.figures.begin(), other.figures.end(),
                               [&](const Figure& f) { return f.words == mine.figures[i].words; });
  return it == other.figures.end() ? nullptr : &*it;
}

}  // namespace

void FigureSettler::prepare() {
  if (prepared_) return;
  prepared_ = true;
  for (const Unmeasured& u : unmeasured(in_.strip.found, in_.strip.plan, any_group))
    for (const double si : u.tries) {
      // What is not even asked of what is fitted decides nothing.
      if (!relevant(*in_.job, As::plan, u.param) && !relevant(*in_.job, As::found, u.param)) break;
      Job job = with_value(*in_.job, u, si);
      StripInputs strip = strip_inputs(job);
      others_.push_back({u.param, std::move(job), std::move(strip)});
    }
}

void FigureSettler::take_rules(FigureGroup& group) {
  for (Figure& f : group.figures) {
    if (!f.rule) continue;
    if (!plan_) {
      std::vector<ConditionReport> strip{condition_report(in_.strip, ConditionId::plan, 0)};
      yoke::settle(in_.strip, strip);
      plan_ = std::move(strip.front());
    }
    for (const RuleVerdict& r : plan_->rules)
      if (r.rule == *f.rule) {
        f.verdict = r.verdict;
        f.decided_by = r.decided_by;
        if (r.verdict == Verdict::cannot_say)
          f.note = say("{} not known: the end of the bore is not checked", param_list(r.missing));
      }
  }
}

void FigureSettler::settle(FigureGroup& group, Make make) {
  take_rules(group);
  if (std::any_of(group.figures.begin(), group.figures.end(), holds)) look(group, make);
  for (Figure& f : group.figures) {
    if (f.verdict != Verdict::if_typical || f.decided_by.empty()) continue;
    const Message rests = say("rests on what nobody measured: {}", param_list(f.decided_by));
    f.note = f.note.empty() ? rests : say("{}; {}", f.note, rests);
  }
}

void FigureSettler::look(FigureGroup& group, Make make) {
  if (make == nullptr) {
    if (unmeasured(in_.strip.found, in_.strip.plan, pressed_by).empty()) return;
    for (Figure& f : group.figures)
      if (f.verdict == Verdict::holds && !f.rule) f.verdict = Verdict::if_typical;
    return;
  }
  // A figure that is such a value itself is what nobody measured, wherever its limit lies.
  for (const Param p : {param::control_rod_clearance, param::assist_output_gap}) {
    const Value& v = in_.strip.plan.at(p);
    if (v.settled()) continue;
    for (Figure& f : group.figures) {
      if (!holds(f) || !f.si || f.kind != info(p).kind || std::abs(*f.si - v.si) > 0) continue;
      f.verdict = Verdict::if_typical;
      f.decided_by.push_back(p);
    }
  }
  prepare();
  for (const Other& o : others_) {
    const FigureGroup other = make({&o.job, o.strip});
    for (std::size_t i = 0; i < group.figures.size(); ++i) {
      Figure& f = group.figures[i];
      if (!holds(f)) continue;
      const Figure* const same = same_figure(group, i, other);
      if (same != nullptr && same->verdict != Verdict::fails) continue;
      f.verdict = Verdict::if_typical;
      if (std::find(f.decided_by.begin(), f.decided_by.end(), o.param) == f.decided_by.end())
        f.decided_by.push_back(o.param);
    }
  }
}

}  // namespace yoke
