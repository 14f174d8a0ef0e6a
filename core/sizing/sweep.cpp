#include "sizing/sweep.hpp"

#include <algorithm>
#include <atomic>

#include "assembly/relevance.hpp"
#include "quantity/workers.hpp"
#include "sizing/cell_judge.hpp"
#include "strip/settle.hpp"

namespace yoke {

namespace {

Cell place_of(const Sweep& s, std::size_t index) {
  const std::size_t row = index / s.columns();
  const std::size_t column = index % s.columns();
  Cell c;
  c.bore_m = s.bores_m[row % s.bores_m.size()];
  c.bore2_m = s.pairs() ? s.bores2_m[column] : 0.0;
  c.ratio = s.pairs() ? s.ratios.front() : s.ratios[column];
  c.assist = row / s.bores_m.size();
  return c;
}

bool judge_all(const CellJudge& judge, const SweepRequest& q, Sweep& s) {
  const std::size_t columns = s.columns();
  const std::size_t rows = s.bores_m.size() * s.assists.size();
  s.cells.resize(rows * columns);
  std::atomic<std::size_t> next{0};
  const auto work = [&](bool) {
    for (std::size_t row = next++; row < rows; row = next++)
      for (std::size_t i = row * columns; i < (row + 1) * columns; ++i)
        s.cells[i] = judge.judged(place_of(s, i), q);
  };
  return run_workers(rows > 1 ? q.threads : 1, work);
}

/// The plan's own cell takes the strip's verdict: the same rules, looked into by the same eyes.
Verdict verdict_of_strip(const Job& job, bool two_circuits) {
  Verdict all = Verdict::holds;
  for (const ConditionReport& c : foot_strip(job, 0)) {
    const bool lost = c.id == ConditionId::primary_lost || c.id == ConditionId::secondary_lost;
    if (c.id != ConditionId::found && (two_circuits || !lost)) all = worst(all, c.verdict);
  }
  return all;
}

void say_verdicts(const Job& job, Sweep& s) {
  const Values plan = resolve(job, As::plan);
  bool rests = false;
  for (const Unmeasured& u : unmeasured(plan, plan, pressed_by))
    rests = rests || (u.plan && relevant(job, As::plan, u.param));
  std::optional<Verdict> own;
  for (Cell& c : s.cells) {
    c.verdict = c.fails != Limit::none ? Verdict::fails
                : c.cannot_say > 0     ? Verdict::cannot_say
                : rests                ? Verdict::if_typical
                                       : Verdict::holds;
    if (!c.own || !sums_pass(c.verdict)) continue;
    if (!own) own = verdict_of_strip(job, has_two_circuits(job, As::plan));
    c.verdict = *own;
  }
}

tl::unexpected<Error> unknown(const std::vector<Param>& missing) {
  return fail({.field = std::string(info(missing.front()).id),
               .value = "",
               .range = "",
               .reason = cannot_say(missing),
               .remedy = "Enter it in Survey"});
}

}  // namespace

Expected<Sweep> sweep(const Job& job, const SweepRequest& q) {
  const Assembly a = assemble(job, As::plan);
  if (!a.impossible.empty()) return fail(a.impossible.front());
  std::vector<Param> missing = a.missing_system;
  missing.insert(missing.end(), a.missing_brakes.begin(), a.missing_brakes.end());
  missing.insert(missing.end(), a.missing_vehicle.begin(), a.missing_vehicle.end());
  if (!missing.empty()) return unknown(missing);
  Sweep s{q.bores_m, q.bores2_m, q.ratios, {}, {}};
  for (const AssistOption& o : q.assists) s.assists.push_back(o.words);
  if (s.assists.empty()) s.assists.emplace_back("as planned");
  if (s.bores_m.empty() || s.ratios.empty()) return s;
  if (s.bores_m.size() * s.columns() * s.assists.size() > 20000)
    return fail({.field = "sweep",
                 .value = "",
                 .range = "up to 20000 cells",
                 .reason = "The map has too many cells",
                 .remedy = "Use fewer bores or ratios"});
  const CellJudge judge(resolve(job, As::plan));
  if (!judge.possible())
    return fail({"clutch.kind", "", "", "The clutch contradicts itself", "Look under Survey"});
  if (!judge_all(judge, q, s))
    return fail({"sweep", "", "", "The map could not be computed: the machine has no memory left",
                 "Close something else, then try again"});
  say_verdicts(job, s);
  return s;
}

bool score_again(const Job& job, const SweepRequest& q, Sweep& s) {
  const CellJudge judge(resolve(job, As::plan));
  if (!judge.possible()) return false;
  for (Cell& c : s.cells) {
    // The plan's own cell is judged with its geometry: it moves when the plan does.
    if (c.own || judge.is_own(c)) c = judge.judged(c, q);
    if (c.fails == Limit::none) c.score = judge.score(c, q);
  }
  say_verdicts(job, s);
  return true;
}

}  // namespace yoke
