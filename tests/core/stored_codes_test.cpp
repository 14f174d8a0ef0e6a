// What a job says with each finding in it, as it was stored: the finding whole, what else it brings
// or takes away, and the lines of the rail, the gates, the steps and the bleeding that it moves.
#include <catch2/catch.hpp>
#include <map>
#include <sstream>

#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "support/every_code.hpp"
#include "support/stored.hpp"
#include "work/bleeding.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

using Lines = std::map<std::string, std::string>;
struct Said {
  Lines findings;  ///< by code and text: one code may stand more than once
  Lines others;
};

std::string joined_words(const std::vector<Message>& list) {
  std::string s;
  for (const Message& m : list) s += " | " + english(m);
  return s;
}

std::string gate_line(const Gate& g) {
  std::ostringstream s;
  s << words_of_value(g.state) << (g.held ? ", held: " : ": ") << english(g.why) << " | "
    << english(g.words) << " | " << english(g.how) << " | " << english(g.ask.words) << " | "
    << english(expectation_words(g.ask)) << joined_words(g.ask.usual);
  return s.str();
}

std::string step_line(const Step& s) {
  return english(s.part) + joined_words({s.text, s.caution, s.because}) +
         (s.measure ? " | measures " + std::string(info(*s.measure).id) : "");
}

void say_bleeding(const Job& job, Lines& lines) {
  const BleedPlan plan = bleed_plan(job);
  std::ostringstream head;
  head << english(plan.order_reason) << ", " << plan.rounds << " rounds, "
       << english(say("{}", amount(plan.fluid.value(), Kind::volume, 0))) << ", typical "
       << plan.typical.size();
  for (const Param p : plan.missing) head << ", missing " << info(p).id;
  lines["bleeding"] = head.str();
  std::size_t place = 0;
  for (const BleedWheel& w : plan.wheels) {
    std::ostringstream s;
    s << ++place << ": " << english(say("{}", amount(w.branch.value(), Kind::volume, 1))) << ", "
      << english(say("{}", amount(w.per_stroke.value(), Kind::volume, 2))) << " a stroke, "
      << w.strokes << " strokes, top up after " << w.refill_every << ", " << w.refills << " times";
    lines["bleeding " + std::string(wheel_key(w.wheel))] = s.str();
  }
}

Said said_of(const Job& job) {
  Said s;
  const auto strip = foot_strip(job, 12);
  const auto findings = find_all(job, strip);
  for (const Finding& f : findings)
    s.findings[std::string(key(f.code)) + ": " + english(f.message)] =
        std::string(severity_words(f.severity)) + " | " + std::string(stage_words(f.stage)) +
        joined_words({f.limit, f.remedy, f.source});
  for (const Stage stage : kStages)
    s.others["stage " + std::string(stage_words(stage))] =
        english(stage_status(job, stage, strip, findings));
  for (const Gate& g : gates_of(job, strip, findings))
    s.others["gate " + std::string(key(g.id))] = gate_line(g);
  for (const Step& step : install_steps(job)) s.others["step " + step.key] = step_line(step);
  say_bleeding(job, s.others);
  return s;
}

/// What is there now and was not so before; then what is gone.
void write(std::ostream& out, const Lines& now, const Lines& base) {
  for (const auto& [name, line] : now)
    if (const auto it = base.find(name); it == base.end() || it->second != line)
      out << "  " << name << " | " << line << "\n";
  for (const auto& [name, line] : base)
    if (!now.count(name)) out << "  gone: " << name << "\n";
}

}  // namespace

TEST_CASE("every finding, gate, step and line says what was stored of it", "[golden]") {
  std::ostringstream out;
  const Said base = said_of(known_job());
  out << "the plain job\n";
  write(out, base.findings, {});
  write(out, base.others, {});
  for (const CodeRow& row : code_rows()) {
    out << key(row.code) << "\n";
    const Said now = said_of(job_with(row));
    write(out, now.findings, base.findings);
    write(out, now.others, base.others);
  }
  compare_with_stored("every-code.txt", out.str());
}
