#include "strip/benchmarks.hpp"
#include "document/param/control.hpp"

#include <fmt/format.h>

namespace yoke {

namespace {

constexpr const char* kCarRule =
    "49 CFR 571.135 and ECE R13-H, not checked against their text; local law rules";
constexpr const char* kCycleRule = "ECE R78, not checked against its text; local law rules";
constexpr const char* kComfort = "common practice, no source";

struct Rule {
  const char* words;
  const char* source;
  ConditionId id;
  double z;
  double limit_n;
};

std::vector<Rule> rules_for(const Job& job) {
  if (!is(job, As::plan, choice::ControlKind::pedal))
    return {{"Front brake alone, by hand", kCycleRule, ConditionId::plan, 4.4 / kGravity_m_s2, 200},
            {"Comfort of a hand lever", kComfort, ConditionId::plan, 0.8, 120}};
  const bool assisted = has_assist(job, As::plan);
  return {{"Full stop, all sound", kCarRule, ConditionId::plan, 6.43 / kGravity_m_s2, 500},
          {"Assist lost", kCarRule, ConditionId::assist_lost, 2.44 / kGravity_m_s2, 500},
          {"Circuit 1 lost", kCarRule, ConditionId::primary_lost, 2.44 / kGravity_m_s2, 500},
          {"Circuit 2 lost", kCarRule, ConditionId::secondary_lost, 2.44 / kGravity_m_s2, 500},
          {assisted ? "Comfort, assisted" : "Comfort, no assist", kComfort, ConditionId::plan, 0.7,
           assisted ? 180.0 : 330.0}};
}

Benchmark judged(const Job& job, const Assembly& a, const Rule& rule) {
  Benchmark b;
  b.words = rule.words;
  b.source = rule.source;
  b.z = rule.z;
  b.limit_n = rule.limit_n;
  const auto model = FeelModel::make(*a.system, condition_of(job, rule.id));
  if (!model) {
    b.why = model.error().reason;
    const bool certain = a.missing_brakes.empty() && a.system->strokes_known;
    b.verdict = certain ? Verdict::fails : Verdict::cannot_say;
    return b;
  }
  const TargetReport r = model->at_z(rule.z);
  b.effort_n = r.at.pad_force_n;
  b.reached_z = r.at.z;
  b.verdict = r.reached && r.at.pad_force_n <= rule.limit_n ? Verdict::holds : Verdict::fails;
  if (!r.reached)
    b.why = say("only {} g: {}", Plain{r.at.z, 2}, Message::of_table(stop_words(r.prevented_by)));
  else if (b.verdict == Verdict::fails)
    b.why = say("{} above", force(r.at.pad_force_n - rule.limit_n));
  return b;
}

}  // namespace

std::vector<Benchmark> benchmarks_of(const Job& job) {
  std::vector<Benchmark> list;
  const Assembly a = assemble(job, As::plan);
  for (const Rule& rule : rules_for(job)) {
    const bool known = a.system && a.system->wheels && a.system->vehicle;
    if (known) {
      list.push_back(judged(job, a, rule));
      continue;
    }
    Benchmark b;
    b.words = rule.words;
    b.source = rule.source;
    b.z = rule.z;
    b.limit_n = rule.limit_n;
    std::vector<Param> missing = a.missing_system;
    missing.insert(missing.end(), a.missing_brakes.begin(), a.missing_brakes.end());
    missing.insert(missing.end(), a.missing_vehicle.begin(), a.missing_vehicle.end());
    b.why = missing.empty() ? "The plan contradicts itself" : cannot_say(missing);
    list.push_back(b);
  }
  return list;
}

}  // namespace yoke
