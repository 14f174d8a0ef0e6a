// The proof standing still: press by press, with readings of the job or of a file.
#include <fmt/format.h>

#include <cstdlib>

#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "files/live_line.hpp"
#include "files/readings_csv.hpp"
#include "files/recording.hpp"
#include "files/store.hpp"
#include "judge/findings.hpp"
#include "protocol/protocol.hpp"
#include "protocol/recorded.hpp"
#include "protocol/right.hpp"
#include "simulated/rig.hpp"

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
          figure(p.largest),
          p.got || p.seen.empty() ? figure(p.got) : text(p.seen, style),
          text(std::string(kStates[static_cast<std::size_t>(p.state)])),
          text(p.says, style)};
}

Expected<double> number_of(const Arguments& a, const char* option, double otherwise, double most) {
  const std::string typed = option_of(a, option);
  if (typed.empty()) return otherwise;
  char* end = nullptr;
  const double v = std::strtod(typed.c_str(), &end);
  if (*end != '\0' || !(v >= 0 && v <= most))
    return fail({option, typed, say("0 to {}", Plain{most, 0}), "That is no such number",
                 "Enter a number"});
  return v;
}

/// A recorded press, or one that is pressed while the line is listened to; nothing: none is named.
std::optional<Expected<Trace>> pressed_trace(const Arguments& a, LineCounts& counts) {
  if (const std::string file = option_of(a, "--trace"); !file.empty())
    return load_trace(file, &counts);
  const std::string line = option_of(a, "--line");
  if (line.empty()) return std::nullopt;
  const auto seconds = number_of(a, "--seconds", 20, 600);
  if (!seconds) return Expected<Trace>(fail(seconds.error()));
  const auto baud = number_of(a, "--speed", 115200, 230400);
  if (!baud) return Expected<Trace>(fail(baud.error()));
  return listen(line, *seconds, static_cast<int>(*baud), &counts);
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
  std::vector<std::string> told;
  LineCounts counts;
  if (const auto trace = pressed_trace(a, counts); trace) {
    if (!*trace) return fail(trace->error());
    told.push_back(fmt::format("{}: {} samples, {} lost, {} spoiled", (*trace)->head.name,
                               counts.good, counts.lost, counts.spoiled));
    const LiveTaken taken = taken_of(*job, **trace, {});
    job->readings.insert(job->readings.end(), taken.readings.begin(), taken.readings.end());
    if (taken.sink) {
      job->pump.sink_m = std::max(0.0, taken.sink->sink_m);
      job->pump.hold_s = taken.sink->hold_s;
    }
    if (taken.rest_pressure_pa) job->pump.rest_pressure_pa = std::max(0.0, *taken.rest_pressure_pa);
    for (const Message& m : taken.says) told.push_back(english(m, a.style));
  }
  const auto strip = foot_strip(*job, 0);
  const auto presses = proof_protocol(*job, strip, find_all(*job, strip));
  Table t;
  t.keys = {"press", "what", "push", "expected", "low", "high",
            "least", "most", "got",  "state",    "says"};
  t.notes = std::move(told);
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

Expected<Table> right_table(const Arguments& a) {
  Table t;
  t.keys = {"job", "foretold", "held", "bias", "says"};
  std::vector<Foretold> all;
  for (const std::string& file : a.files) {
    const auto opened = open_job(file);
    if (!opened) return fail(opened.error());
    const RightRecord r = right_record(opened->job.foretold);
    t.rows.push_back(
        {text(file), text(std::to_string(r.told)), text(std::to_string(r.held)),
         number(r.bias, fmt::format("{:+.2f}", r.bias)),
         r.says.empty() ? text("not proved, or not foretold") : text(r.says, a.style)});
    all.insert(all.end(), opened->job.foretold.begin(), opened->job.foretold.end());
  }
  const RightRecord r = right_record(all);
  t.notes.push_back(r.says.empty() ? std::string("Nothing was foretold in them.")
                                   : fmt::format("All: {}; between {:.0f} and {:.0f} of a hundred "
                                                 "truly; bias {:+.2f}, spread {:.2f} standard "
                                                 "uncertainties",
                                                 english(r.says, a.style), 100 * r.low,
                                                 100 * r.high, r.bias, r.spread));
  return t;
}

Expected<std::string> rig_text(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const std::string name = option_of(a, "--fault");
  const auto faults = rig_fault(name.empty() ? "none" : name);
  if (!faults) {
    std::string names;
    for (const std::string& n : rig_fault_names()) names += (names.empty() ? "" : ", ") + n;
    return fail({"--fault", name, Message::data(names), "There is no fault of that name",
                 "Take one of these"});
  }
  const auto seconds = number_of(a, "--seconds", 10, 600);
  if (!seconds) return fail(seconds.error());
  const auto seed = number_of(a, "--seed", 1, 1e15);
  if (!seed) return fail(seed.error());
  auto rig = Rig::make(*job, *faults, {}, {}, static_cast<std::uint64_t>(*seed));
  if (!rig) return fail(rig.error());
  return rig->lines(*seconds);
}

}  // namespace yoke::cli
