// The work and its proof as tables: steps, bleeding, gates, readings; the state of one press; the
// rule book.
#include <fmt/format.h>

#include <array>
#include <cmath>

#include "cli/commands.hpp"
#include "judge/rule_book.hpp"
#include "proving/assist_gain.hpp"
#include "proving/estimate.hpp"
#include "proving/gates.hpp"
#include "work/as_built_check.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

namespace yoke::cli {

std::string param_ids(const std::vector<Param>& params) {
  std::string all;
  for (const Param p : params) all += (all.empty() ? "" : " ") + std::string(info(p).id);
  return all;
}

Cell full(double si, Kind kind, int digits, const Style& style) {
  return number(si, format_full(si, kind, digits, style));
}

Expected<Table> judge_table(const Arguments& a, bool& hard) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto which = a.options.find("--rules");
  const bool all = which != a.options.end() && which->second == "all";
  if (which != a.options.end() && !all && which->second != "open")
    return fail({"--rules", which->second, "all, open", "There is no such choice of rules",
                 "open: those that do not simply hold; all: every rule"});
  Table t;
  t.keys = {"rule",   "stage", "verdict", "severity", "condition", "what",     "at",
            "actual", "limit", "source",  "says",     "fails_in",  "rests_on", "remedy"};
  std::size_t shown = 0;
  std::array<std::size_t, EnumWords<Verdict>::all.size()> count{};
  auto book = rule_book(*job);
  constexpr std::size_t kDraws = 400;
  add_shares(*job, kDraws, book);
  for (const JudgedRule& r : book) {
    ++count[static_cast<std::size_t>(r.verdict)];
    if (r.verdict == Verdict::fails && r.severity == Severity::hard && r.condition.empty())
      hard = true;
    if (!all && (r.verdict == Verdict::holds || r.verdict == Verdict::not_applicable)) continue;
    ++shown;
    const auto words = [&](const Message& m) { return text(m, a.style); };
    t.rows.push_back(
        {text(r.id), text(std::string(stage_words(r.stage))),
         text(std::string(words_of_value(r.verdict))),
         text(std::string(severity_words(r.severity))), words(r.condition), words(r.words),
         words(r.at), words(r.actual), words(r.limit), words(r.source), words(r.says),
         r.fails_share ? number(*r.fails_share, fmt::format("{:.0f} %", *r.fails_share * 100))
                       : text("–"),
         text(param_ids(r.decided_by)), words(r.remedy)});
  }
  for (const Verdict v : all_values<Verdict>())
    t.notes.push_back(fmt::format("{}: {}", words_of_value(v), count[static_cast<std::size_t>(v)]));
  t.notes.push_back(
      fmt::format("fails_in: the share of {} draws of all doubtful values that fail", kDraws));
  if (!all && shown == 0) t.notes.emplace_back("Every rule that applies holds.");
  return t;
}

Table rules_table(const Arguments& a) {
  Table t;
  t.keys = {"rule", "severity", "asked_of", "what", "limit", "source"};
  for (const PressRule rule : all_values<PressRule>())
    if (rule != PressRule::none)
      t.rows.push_back({text("CONDITION." + std::string(key_of(rule))), text("of a press"),
                        text("both"), text(std::string(words_of_value(rule))),
                        text(std::string("the limits under Size")),
                        text(rule_figure(rule, ConditionId::plan, {}, {}, false).source, a.style)});
  for (const RuleInfo& r : rule_infos()) {
    const char* of = r.of == AskedOf::both ? "both" : r.of == AskedOf::brakes ? "brakes" : "clutch";
    t.rows.push_back({text(std::string(key(r.code))), text(std::string(severity_words(r.severity))),
                      text(std::string(of)), text(std::string(r.words)), text(std::string(r.limit)),
                      text(std::string(r.source))});
  }
  return t;
}

namespace {

/// The keys alone, for scripts.
Table order_table(const Job& job, const WorkOrder& order) {
  Table t;
  t.keys = {"step", "done"};
  for (const Step& s : order.steps)
    t.rows.push_back({text(s.key), text(std::string(is_done(job, s) ? "yes" : "no"))});
  return t;
}

}  // namespace

Expected<Table> steps_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const WorkOrder order = work_order(*job);
  const bool now = a.options.count("--now") != 0;
  const bool why = a.options.count("--why") != 0;
  if (a.options.count("--order") != 0) return order_table(*job, order);
  Table t;
  t.keys = {"step", "place", "hands", "state", "date", "what", "caution", "measure", "because"};
  if (why) t.keys.insert(t.keys.end(), {"after", "why_here", "opens"});
  t.keys.emplace_back("note");
  for (const Step& s : order.steps) {
    const bool done = is_done(*job, s);
    std::vector<Message> waits;
    std::vector<Message> keys;
    std::vector<Message> reasons;
    for (const Need& n : s.needs) {
      const bool open = std::none_of(order.steps.begin(), order.steps.end(), [&](const Step& o) {
        return o.key == n.key && is_done(*job, o);
      });
      if (open) waits.push_back(Message::data(n.key));
      keys.push_back(Message::data(n.key));
      if (!n.why.empty()) reasons.push_back(say("{}: {}", n.key, n.why));
    }
    if (now && (done || !waits.empty())) continue;
    const StepRecord* r = record_of(*job, s);
    std::vector<Cell> row{text(s.key),
                          text(Message::of_table(words_of_value(s.place)), a.style),
                          text(std::to_string(s.hands)),
                          done            ? text(std::string("done"))
                          : waits.empty() ? text(std::string("ready"))
                                          : text(say("waits for {}", joined(waits, ", ")), a.style),
                          text(r && r->done ? r->date : std::string()),
                          text(s.text, a.style),
                          text(s.caution, a.style),
                          text(s.measure ? std::string(info(*s.measure).id) : std::string()),
                          text(s.because, a.style)};
    if (why) {
      std::vector<Message> opens;
      for (const GateId g : s.touches) opens.push_back(Message::data(std::string(key(g))));
      row.push_back(text(joined(keys, " "), a.style));
      row.push_back(text(joined(reasons, "; "), a.style));
      row.push_back(text(joined(opens, " "), a.style));
    }
    row.push_back(text(r ? r->note : std::string()));
    t.rows.push_back(std::move(row));
    if (const auto built = s.measure ? as_built_check(*job, *s.measure) : std::nullopt)
      t.notes.push_back(
          english(say("As built, {}: {}", Message::of_table(info(*s.measure).words), built->words),
                  a.style));
    for (const Message& m : out_of_order(*job, order, s))
      t.notes.push_back(english(say("{}: {}", s.text, m), a.style));
  }
  for (const Error& e : order.refused) t.notes.push_back(english(e.text(), a.style));
  return t;
}

Expected<Table> gates_table(const Arguments& a, bool& hard) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto strip = foot_strip(*job, 0);
  Table t;
  t.keys = {"gate", "state", "what", "asked", "expected", "evidence", "why", "how"};
  const auto gates = gates_of(*job, strip, find_all(*job, strip));
  for (const Gate& g : gates) {
    hard = hard || g.state == GateState::failed;
    t.rows.push_back({text(std::string(key(g.id))), text(std::string(key_of(g.state))),
                      text(g.words, a.style), text(g.ask.words, a.style),
                      text(expectation_words(g.ask), a.style), text(g.evidence, a.style),
                      text(g.why, a.style), text(g.how, a.style)});
  }
  const auto proved = may_be_proved(gates);
  t.notes.push_back(proved ? std::string("Every gate is passed.")
                           : english(proved.error().reason, a.style));
  return t;
}

namespace {

void put_estimate(Table& t, const std::string& who, const std::string& what, const Estimate& e,
                  Kind kind, const Style& style) {
  const EightInTen b = eight_in_ten(e);
  t.rows.push_back({text(who), text(what), full(e.value, kind, 2, style),
                    full(e.uncertainty, kind, 2, style), full(b.low, kind, 2, style),
                    full(b.high, kind, 2, style)});
}

}  // namespace

Expected<Table> fit_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const Assembly plan = assemble(*job, As::plan);
  if (!plan.system)
    return fail({"job", "", "", cannot_say(plan.missing_system), "Enter it in Survey"});
  Table t;
  t.keys = {"assist", "unknown", "value_SI", "plus_minus_SI", "low_8_in_10", "high_8_in_10"};
  static constexpr std::pair<Unknown, Kind> kAll[] = {
      {Unknown::slack, Kind::length},     {Unknown::air, Kind::volume},
      {Unknown::clearance, Kind::number}, {Unknown::growth, Kind::number},
      {Unknown::hose, Kind::number},      {Unknown::air_first, Kind::volume}};
  for (const bool alive : {false, true}) {
    const ReadingEstimate r = estimate_from_readings(*plan.system, job->readings, alive);
    const std::string who = alive ? "on" : "off";
    for (const auto& [unknown, kind] : kAll)
      if (const auto& e = r.at(unknown))
        put_estimate(t, who, std::string(unknown_words(unknown)), *e, kind, a.style);
    if (r.air_second) put_estimate(t, who, "air at outlet 2", *r.air_second, Kind::volume, a.style);
    if (alive)
      for (const AssistGain& g : assist_gains(*plan.system, kept_readings(job->readings)))
        put_estimate(t, who,
                     fmt::format("assist at {:.0f} N, foretold {:.2f}", g.force_n, g.foretold),
                     g.gain, Kind::number, a.style);
    for (const Message& m : estimate_words(r)) t.notes.push_back(who + ": " + english(m, a.style));
    t.notes.push_back(fmt::format("{}: {} readings used, misfit {}, condition {:.0f}", who, r.used,
                                  format_full(r.misfit_m, Kind::length, 1, a.style), r.condition));
  }
  return t;
}

namespace {

void put_state(Table& t, const FeelModel& m, const FeelPoint& p, const Style& style) {
  const auto row = [&](const char* what, double si, Kind kind, int digits) {
    t.rows.push_back({text(std::string(what)), full(si, kind, digits, style)});
  };
  const auto say_it = [&](const char* what, std::string words) {
    t.rows.push_back({text(std::string(what)), text(std::move(words))});
  };
  row("pedal travel", p.pad_travel_m, Kind::length, 2);
  row("pedal force", p.pad_force_n, Kind::force, 1);
  row("rod travel", p.rod_travel_m, Kind::length, 2);
  row("rod force", p.input_force_n, Kind::force, 1);
  row("force at the piston", p.output_force_n, Kind::force, 1);
  static constexpr const char* kAssist[] = {"none", "below cut-in", "working", "run out", "dead"};
  const auto state = static_cast<std::size_t>(p.assist);
  say_it("assist", state < std::size(kAssist) ? kAssist[state] : "");
  row("stroke", p.stroke_m, Kind::length, 2);
  row("first piston", p.piston1_m, Kind::length, 2);
  row("second piston", p.piston2_m, Kind::length, 2);
  row("line pressure", p.pressure_pa, Kind::pressure, 3);
  row("pressure at the front", p.front_pa, Kind::pressure, 3);
  row("pressure at the rear", p.rear_pa, Kind::pressure, 3);
  const VolumeParts& v = p.volume;
  row("volume: linings to contact", v.take_up_m3, Kind::volume, 3);
  row("volume: calipers and drums", v.brake_m3, Kind::volume, 3);
  row("volume: hoses", v.hose_m3, Kind::volume, 3);
  row("volume: tubes", v.tube_m3, Kind::volume, 3);
  row("volume: fluid", v.fluid_m3, Kind::volume, 3);
  row("volume: air", v.air_m3, Kind::volume, 3);
  if (const auto& car = m.system().vehicle) {
    const double weight = car->mass.value() * kGravity_m_s2;
    const double h = car->cg_height.value() / car->wheelbase.value();
    t.rows.push_back(
        {text(std::string("deceleration, g")), number(p.z, fmt::format("{:.3f}", p.z))});
    row("front axle load", weight * (car->front_share + p.z * h), Kind::force, 0);
    row("rear axle load", weight * std::max(0.0, 1 - car->front_share - p.z * h), Kind::force, 0);
    static constexpr const char* kLock[] = {"none", "front", "rear", "both"};
    say_it("locked", kLock[static_cast<std::size_t>(p.lock)]);
    say_it("rear lifts", p.rear_lifts ? "yes" : "no");
  }
}

}  // namespace

Expected<Table> state_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const auto named = a.options.find("--condition");
  const auto id = condition_named(named == a.options.end() ? "plan" : named->second);
  if (!id) return fail(id.error());
  if (auto e = not_of_this_job(*job, *id)) return fail(*e);
  const StripInputs in = strip_inputs(*job);
  if (in.clutch)
    return fail({"state", "", "", "A clutch has no such states", "See curve and figures"});
  const Assembly& system = in.assembly(*id);
  if (!system.system)
    return fail({"job", "", "",
                 system.impossible.empty() ? cannot_say(system.missing_system)
                                           : system.impossible.front().reason,
                 "Enter it in Survey"});
  const auto model = FeelModel::make(*system.system, condition_of(in.plan, *id));
  if (!model) return fail(model.error());
  FeelPoint point = condition_target(*id, *model, in.limits).at;
  if (const auto force = a.options.find("--force"); force != a.options.end()) {
    const auto n = parse_quantity(force->second, Kind::force, a.style);
    if (!n) return fail(n.error());
    point = model->at(model->drive_for_force(*n));
  }
  Table t;
  t.keys = {"what", "value_SI"};
  put_state(t, *model, point, a.style);
  const auto k = Kinematics::make(system.system->control);
  if (const auto angle = k ? k->rod_angle(Length{point.pad_travel_m}) : std::nullopt) {
    t.rows.push_back(
        {text(std::string("rod angle")), full(angle->value(), Kind::angle, 2, a.style)});
    t.rows.push_back(
        {text(std::string("side force at the rod")),
         full(point.input_force_n * std::tan(angle->value()), Kind::force, 1, a.style)});
  }
  t.notes.push_back("condition: " + english(condition_title(*job, *id), a.style));
  t.notes.push_back("press ends: " + std::string(stop_words(model->stop())));
  return t;
}

}  // namespace yoke::cli
