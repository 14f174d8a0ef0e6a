#include "judge/rule_book.hpp"

#include <algorithm>

#include "assembly/relevance.hpp"
#include "document/param/assist.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/master.hpp"
#include "document/param/pedal_rod.hpp"
#include "doubt/doubt.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/supply_lines.hpp"
#include "protocol/protocol.hpp"
#include "road/permits.hpp"
#include "strip/settle.hpp"
#include "work/bleed_checks.hpp"
#include "work/lamps.hpp"

namespace yoke {

namespace {

bool any_group(Group) {
  return true;
}

/// A code that tells of what is not known, not of a limit that is passed.
bool says_unknown(FindingCode code) {
  switch (code) {
    case FindingCode::survey_missing:
    case FindingCode::survey_strokes_unknown:
    case FindingCode::valves_unknown:
    case FindingCode::plumb_residual_untraced:
    case FindingCode::plumb_retrace:
    case FindingCode::plumb_split_unknown:
    case FindingCode::plumb_untraced:
    case FindingCode::rod_as_found:
      return true;
    default:
      return false;
  }
}

/// A condition that could not be pressed has one rule: that it can be.
void add_unpressed(const ConditionReport& c, const std::string& key,
                   std::vector<JudgedRule>& book) {
  JudgedRule r;
  r.id = key + ".reached";
  r.stage = c.id == ConditionId::found ? Stage::survey : Stage::size;
  r.severity = Severity::hard;
  r.words = Message::of_table(words_of_value(PressRule::reached));
  r.condition = c.title;
  r.verdict = c.verdict;
  r.says = c.reason;
  book.push_back(std::move(r));
}

void add_press_rules(const ConditionReport& c, std::vector<JudgedRule>& book) {
  const std::string key(key_of(c.id));
  if (c.rules.empty()) return add_unpressed(c, key, book);
  const bool hard = is_failure(c.id);
  for (const RuleVerdict& v : c.rules) {
    JudgedRule r;
    r.id = key + "." + std::string(key_of(v.rule));
    r.stage = c.id == ConditionId::found ? Stage::survey : Stage::size;
    r.severity = hard || v.rule == PressRule::lock_order || v.rule == PressRule::reached
                     ? Severity::hard
                     : Severity::warning;
    r.words = Message::of_table(words_of_value(v.rule));
    r.condition = c.title;
    r.at = c.at;
    r.actual = v.figure.actual;
    r.limit = v.figure.limit;
    r.source = v.figure.source;
    r.verdict = v.verdict;
    r.says = v.verdict == Verdict::cannot_say ? cannot_say(v.missing) : v.says;
    r.remedy = v.verdict == Verdict::fails ? Message("Change bore, ratio or assist under Size")
                                           : Message();
    r.decided_by = v.decided_by;
    r.of = c.id;
    r.rule = v.rule;
    book.push_back(std::move(r));
  }
}

const Finding* finding_of(const std::vector<Finding>& findings, FindingCode code) {
  const auto it = std::find_if(findings.begin(), findings.end(),
                               [code](const Finding& f) { return f.code == code; });
  return it == findings.end() ? nullptr : &*it;
}

bool asked(AskedOf of, bool clutch) {
  return of == AskedOf::both || (of == AskedOf::clutch) == clutch;
}

void add_other_rules(const std::vector<Finding>& findings, bool clutch,
                     std::vector<JudgedRule>& book) {
  for (const RuleInfo& info : rule_infos()) {
    JudgedRule r;
    r.id = std::string(key(info.code));
    r.severity = info.severity;
    r.words = Message::of_table(info.words);
    r.limit = Message::of_table(info.limit);
    r.source = Message::of_table(info.source);
    r.verdict = asked(info.of, clutch) ? Verdict::holds : Verdict::not_applicable;
    if (const Finding* f = finding_of(findings, info.code)) {
      r.stage = f->stage;
      r.severity = f->severity;
      r.verdict = says_unknown(info.code) ? Verdict::cannot_say : Verdict::fails;
      r.says = f->message;
      r.remedy = f->remedy;
      if (!f->limit.empty()) r.limit = f->limit;
      if (!f->source.empty()) r.source = f->source;
    }
    book.push_back(std::move(r));
  }
}

/// What holds must hold at both ends of every value that nobody measured.
void settle_others(const Job& job, std::vector<JudgedRule>& book) {
  const StripInputs in = strip_inputs(job);
  for (const Unmeasured& u : unmeasured(in.found, in.plan, any_group))
    for (const double si : u.tries) {
      // What is not even asked of what is fitted decides nothing.
      if (!relevant(job, As::plan, u.param) && !relevant(job, As::found, u.param)) break;
      const Job other = with_value(job, u, si);
      const auto findings = find_all(other, unsettled_strip(other));
      for (JudgedRule& r : book) {
        const auto code = find_finding_code(r.id);
        if (!code || !sums_pass(r.verdict) || !finding_of(findings, *code)) continue;
        r.verdict = Verdict::if_typical;
        if (std::find(r.decided_by.begin(), r.decided_by.end(), u.param) == r.decided_by.end())
          r.decided_by.push_back(u.param);
      }
    }
}

/// What was not looked at does not hold: joints and what feeds the assist.
void settle_plumbing(const Job& job, std::vector<JudgedRule>& book) {
  std::size_t fitting = 0, grips = 0;
  std::vector<Message> unseen, untried;
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    fitting += j.verdict == JointVerdict::fits ? 1 : 0;
    grips += j.seen.grip != JointGrip::unknown ? 1 : 0;
    if (j.seen.grip == JointGrip::unknown && !j.joint.fresh) untried.push_back(j.joint.name);
    if (j.joint.fresh && j.verdict == JointVerdict::not_looked) unseen.push_back(j.joint.name);
  }
  const auto rows = feed_rows(job);
  const bool electric =
      value_of(job, As::plan, param::assist_kind).is(choice::AssistKind::electric);
  const bool wrong = std::any_of(rows.begin(), rows.end(),
                                 [](const FeedRow& r) { return r.state == FeedState::wrong; });
  for (JudgedRule& r : book) {
    const auto code = find_finding_code(r.id);
    if (code == FindingCode::plumb_joint && sums_pass(r.verdict)) {
      r.verdict = !unseen.empty() ? Verdict::cannot_say
                  : fitting > 0   ? r.verdict
                                  : Verdict::not_applicable;
      if (!unseen.empty()) r.says = say("Not looked at: {}", joined(unseen, ", "));
    }
    if (code == FindingCode::plumb_seized && sums_pass(r.verdict)) {
      r.verdict = grips == 0        ? Verdict::not_applicable
                  : untried.empty() ? r.verdict
                                    : Verdict::cannot_say;
      if (r.verdict == Verdict::cannot_say) r.says = say("Not tried: {}", joined(untried, ", "));
    }
    if (code != FindingCode::plumb_wiring && code != FindingCode::plumb_vacuum_line) continue;
    if (rows.empty() || electric != (code == FindingCode::plumb_wiring))
      r.verdict = Verdict::not_applicable;
    else if (r.verdict == Verdict::fails && !wrong)
      r.verdict = Verdict::cannot_say;
  }
}

/// A lamp whose switch or travel nobody looked at is not said to light.
void settle_lamp(const Job& job, const ConditionReport* plan, std::vector<JudgedRule>& book) {
  const LampReport lamp = lamp_report(job, plan);
  for (JudgedRule& r : book) {
    const auto code = find_finding_code(r.id);
    if (code != FindingCode::rod_lamp && code != FindingCode::rod_lamp_circuits) continue;
    if (!lamp.asked) r.verdict = Verdict::not_applicable;
    if (sums_pass(r.verdict) && !lamp.missing.empty()) {
      r.verdict = Verdict::cannot_say;
      r.says = cannot_say(lamp.missing);
    }
  }
}

/// What nobody said of the bleeding and the fluid does not hold; what this job has not is not
/// asked.
void settle_bleeding(const Job& job, std::vector<JudgedRule>& book) {
  for (const BleedCheck& c : bleed_checks(job))
    for (JudgedRule& r : book) {
      if (r.id != key(c.code)) continue;
      if (c.state == BleedCheckState::not_asked) r.verdict = Verdict::not_applicable;
      if (c.state != BleedCheckState::open || !sums_pass(r.verdict)) continue;
      r.verdict = Verdict::cannot_say;
      r.says = c.says;
      r.remedy = c.remedy;
    }
}

/// A proof that nobody pressed does not hold.
void settle_proof(const Job& job, const std::vector<ConditionReport>& strip,
                  std::vector<JudgedRule>& book) {
  const auto at = std::find_if(book.begin(), book.end(), [](const JudgedRule& r) {
    return r.id == key(FindingCode::prove_press);
  });
  if (at == book.end() || !sums_pass(at->verdict)) return;
  std::vector<Message> open;
  for (const ProofPress& p : proof_protocol(job, strip, {}, ProofBands::needed))
    if ((p.where == ProofWhere::reading || p.where == ProofWhere::pump) &&
        p.state == ProofState::open)
      open.push_back(p.name);
  if (open.empty()) return;
  at->verdict = Verdict::cannot_say;
  at->says = say("Not pressed: {}", joined(open, ", "));
  at->remedy = "Press it under Prove, press by press";
}

/// A stop that nobody made passes nothing.
void settle_road(const Job& job, std::vector<JudgedRule>& book) {
  const auto driven = [&job](auto&& test) {
    return std::any_of(job.stops.begin(), job.stops.end(), test);
  };
  const bool hard = driven([](const RoadStop& s) {
    return s.stage == RoadStage::hard && s.locked != LockSeen::not_watched;
  });
  const bool measured = driven(
      [](const RoadStop& s) { return s.stage == RoadStage::hard && stop_figures(s).has_value(); });
  const auto pairs = heat_pairs(job);
  // Without a gauge the fountain in the reservoir and free wheels must do.
  for (JudgedRule& r : book)
    if (r.id == key(FindingCode::prove_rest_pressure) && !job.pump.rest_pressure_pa)
      r.verdict = Verdict::not_applicable;
  const std::pair<FindingCode, bool> kSeen[] = {
      {FindingCode::prove_road_after, !after_run(job).empty()},
      {FindingCode::prove_road_heat,
       !pairs.empty() && std::all_of(pairs.begin(), pairs.end(),
                                     [](const HeatPair& p) { return p.even || p.uneven; })},
      {FindingCode::prove_road_pull, !job.stops.empty()},
      {FindingCode::prove_road_rear, hard},
      {FindingCode::prove_road_weak, measured}};
  for (const auto& [code, seen] : kSeen)
    for (JudgedRule& r : book) {
      if (seen || r.id != key(code) || !sums_pass(r.verdict)) continue;
      r.verdict = Verdict::cannot_say;
      r.says = "Not driven yet";
      r.remedy = "Drive it stage by stage under Prove, on the road";
    }
}

/// Rules of one value alone: while nobody measured it, it decides, wherever the limit lies.
void settle_direct(const Job& job, std::vector<JudgedRule>& book) {
  static constexpr std::pair<FindingCode, Param> kOf[] = {
      {FindingCode::rod_preload, param::control_rod_clearance},
      {FindingCode::rod_output_preload, param::assist_output_gap},
      {FindingCode::rod_output_gap, param::assist_output_gap},
      {FindingCode::plumb_chamber_front, param::master_reservoir},
      {FindingCode::plumb_chamber_rear, param::master_reservoir}};
  for (const auto& [code, param] : kOf) {
    const bool asked_for =
        code != FindingCode::rod_output_preload && code != FindingCode::rod_output_gap;
    if (value_of(job, As::plan, param).settled() || (!asked_for && !has_assist(job, As::plan)))
      continue;
    for (JudgedRule& r : book) {
      if (r.id != key(code) || !sums_pass(r.verdict)) continue;
      r.verdict = Verdict::if_typical;
      if (std::find(r.decided_by.begin(), r.decided_by.end(), param) == r.decided_by.end())
        r.decided_by.push_back(param);
    }
  }
}

Stage stage_of(const JudgedRule& r) {
  static constexpr std::pair<std::string_view, Stage> kBegins[] = {
      {"survey.", Stage::survey},   {"identity.", Stage::survey}, {"ageing.", Stage::survey},
      {"upstream.", Stage::survey}, {"size.", Stage::size},       {"valves.", Stage::size},
      {"fit.", Stage::fit},         {"rod.", Stage::rod},         {"plumb.", Stage::plumb},
      {"install.", Stage::install}, {"bleed.", Stage::bleed},     {"fluid.", Stage::bleed},
      {"prove.", Stage::prove},     {"job.", Stage::record},      {"record.", Stage::record}};
  for (const auto& [begin, stage] : kBegins)
    if (r.id.rfind(begin, 0) == 0) return stage;
  return r.stage;
}

}  // namespace

const std::vector<RuleInfo>& rule_infos() {
  static const std::vector<RuleInfo> list = {
#define RULE(code, severity, of, words, limit, source) \
  {FindingCode::code, Severity::severity, AskedOf::of, words, limit, source},
#include "judge/rules.def"
  };
  return list;
}

void add_shares(const Job& job, std::size_t samples, std::vector<JudgedRule>& book) {
  const auto ids = conditions_for(works_clutch(resolve(job, As::plan)));
  DoubtRequest q;
  q.samples = samples;
  const auto drawn = doubt(job, ids, q);
  if (!drawn) return;
  for (JudgedRule& r : book)
    for (const ConditionDoubt& c : drawn->conditions)
      if (r.of == c.id && r.rule && c.because.empty())
        r.fails_share = c.fail_share[static_cast<std::size_t>(*r.rule)];
}

std::vector<JudgedRule> rule_book(const Job& job) {
  std::vector<JudgedRule> book;
  const auto strip = foot_strip(job, 0);
  for (const ConditionReport& c : strip) add_press_rules(c, book);
  std::vector<JudgedRule> others;
  add_other_rules(find_all(job, strip), works_clutch(resolve(job, As::plan)), others);
  settle_others(job, others);
  settle_direct(job, others);
  settle_plumbing(job, others);
  settle_lamp(job, report_of(strip, ConditionId::plan), others);
  settle_bleeding(job, others);
  settle_proof(job, strip, others);
  settle_road(job, others);
  for (JudgedRule& r : others) r.stage = stage_of(r);
  book.insert(book.end(), std::make_move_iterator(others.begin()),
              std::make_move_iterator(others.end()));
  std::stable_sort(book.begin(), book.end(),
                   [](const JudgedRule& a, const JudgedRule& b) { return a.stage < b.stage; });
  return book;
}

}  // namespace yoke
