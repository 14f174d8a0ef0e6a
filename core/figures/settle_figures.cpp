#include "figures/settle_figures.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/relevance.hpp"
#include "strip/settle.hpp"

namespace yoke {

namespace {

bool any_group(Group) {
  return true;
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
    for (const double si : {u.low, u.high}) {
      // What is not even asked of what is fitted decides nothing.
      if (!relevant(*in_.job, As::plan, u.param) && !relevant(*in_.job, As::found, u.param)) break;
      Job job = with_value(*in_.job, u, si);
      StripInputs strip = strip_inputs(job);
      others_.push_back({u.param, std::move(job), std::move(strip)});
    }
}

void FigureSettler::settle(FigureGroup& group, Make make) {
  const auto holds = [](const Figure& f) { return sums_pass(f.verdict); };
  if (std::none_of(group.figures.begin(), group.figures.end(), holds)) return;
  if (make == nullptr) {
    if (unmeasured(in_.strip.found, in_.strip.plan, pressed_by).empty()) return;
    for (Figure& f : group.figures)
      if (f.verdict == Verdict::holds) f.verdict = Verdict::if_typical;
    return;
  }
  // A figure that is such a value itself is what nobody measured, wherever its limit lies.
  for (const Param p : {Param::control_rod_clearance, Param::assist_output_gap}) {
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
  for (Figure& f : group.figures) {
    if (f.verdict != Verdict::if_typical || f.decided_by.empty()) continue;
    const Message rests = say("rests on what nobody measured: {}", param_list(f.decided_by));
    f.note = f.note.empty() ? rests : say("{}; {}", f.note, rests);
  }
}

}  // namespace yoke
