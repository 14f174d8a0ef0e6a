// The proof standing still: press by press, with readings of the job or of a file.
#include <fmt/format.h>

#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "files/readings_csv.hpp"
#include "judge/findings.hpp"
#include "protocol/protocol.hpp"

namespace yoke::cli {

namespace {

constexpr std::string_view kStates[] = {"open", "good", "off", "stop", "not asked"};

std::vector<Cell> press_row(const ProofPress& p, const Style& style) {
  const auto figure = [&](const std::optional<double>& v) {
    return v ? full(*v, p.kind, p.digits, style) : text("–");
  };
  return {text(std::string(proof_key(p.id))),
          text(p.name, style),
          p.push_n ? full(*p.push_n, Kind::force, 0, style) : text("–"),
          figure(p.expect),
          figure(p.low),
          figure(p.high),
          figure(p.least),
          figure(p.most),
          p.got || p.seen.empty() ? figure(p.got) : text(p.seen, style),
          text(std::string(kStates[static_cast<std::size_t>(p.state)])),
          text(p.says, style)};
}

}  // namespace

Expected<Table> prove_table(const Arguments& a, bool& hard) {
  auto job = job_of(a);
  if (!job) return fail(job.error());
  if (const std::string file = option_of(a, "--readings"); !file.empty()) {
    const auto readings = readings_file(file, a.style);
    if (!readings) return fail(readings.error());
    job->readings.insert(job->readings.end(), readings->begin(), readings->end());
  }
  const auto strip = foot_strip(*job, 0);
  const auto presses = proof_protocol(*job, strip, find_all(*job, strip));
  Table t;
  t.keys = {"press", "what", "push", "expected", "low", "high",
            "least", "most", "got",  "state",    "says"};
  const std::size_t next = next_press(presses);
  const bool now = a.options.count("--now") != 0;
  for (std::size_t i = 0; i < presses.size(); ++i) {
    hard = hard || presses[i].state == ProofState::stop;
    if (!now || i == next) t.rows.push_back(press_row(presses[i], a.style));
  }
  if (now && next < presses.size()) {
    t.notes.push_back(english(presses[next].how, a.style));
    if (!presses[next].care.empty()) t.notes.push_back(english(presses[next].care, a.style));
  }
  return t;
}

}  // namespace yoke::cli
