// The road: stages, what opens them, stops in figures, what is due afterwards.
#include <fmt/format.h>

#include <algorithm>

#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "files/phone_table.hpp"
#include "judge/findings.hpp"
#include "road/permits.hpp"

namespace yoke::cli {

namespace {

constexpr std::string_view kStates[] = {"shut", "asks", "open", "passed", "failed"};

Error no_column(const char* option, const std::string& typed, const PhoneTable& t) {
  std::string heads;
  for (const std::string& h : t.heads) heads += (heads.empty() ? "" : ", ") + h;
  return {option, typed, Message::data(heads), "There is no such column", "Name one of these"};
}

/// By its head, or by its number from 1 on.
Expected<std::size_t> column_in(const Arguments& a, const char* option, const PhoneTable& t) {
  const std::string typed = option_of(a, option);
  for (std::size_t i = 0; i < t.heads.size(); ++i)
    if (t.heads[i] == typed || std::to_string(i + 1) == typed) return i;
  return fail(no_column(option, typed, t));
}

Expected<PhoneStop> stop_in(const Arguments& a, const std::string& file) {
  const auto table = phone_table(file);
  if (!table) return fail(table.error());
  PhoneColumns c;
  const auto time = column_in(a, "--time", *table);
  if (!time) return fail(time.error());
  const auto along = column_in(a, "--along", *table);
  if (!along) return fail(along.error());
  c.time = *time;
  c.along = *along;
  const auto unit =
      [&](const char* option,
          std::initializer_list<std::pair<const char*, double>> all) -> Expected<double> {
    std::string names;
    for (const auto& [name, si] : all) {
      if (option_of(a, option) == name) return si;
      names += (names.empty() ? "" : ", ") + std::string(name);
    }
    return fail({option, option_of(a, option), Message::data(names), "The unit is not known",
                 "Say which it is"});
  };
  const auto seconds = unit("--time-unit", {{"s", 1}, {"ms", 1e-3}, {"us", 1e-6}, {"ns", 1e-9}});
  if (!seconds) return fail(seconds.error());
  const auto accel = unit("--unit", {{"m/s2", 1}, {"g", 9.80665}, {"-m/s2", -1}, {"-g", -9.80665}});
  if (!accel) return fail(accel.error());
  c.time_s = *seconds;
  c.along_m_s2 = *accel;
  return phone_stop(table->rows, c);
}

}  // namespace

Expected<Table> road_table(const Arguments& a, bool& hard) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  Table t;
  if (const std::string file = option_of(a, "--trace"); !file.empty()) {
    const auto s = stop_in(a, file);
    if (!s) return fail(s.error());
    t.keys = {"what", "value"};
    const auto row = [&](const char* what, double si, Kind kind, int digits) {
      t.rows.push_back({text(std::string(what)), full(si, kind, digits, a.style)});
    };
    row("mean braking in g", s->z_mean, Kind::number, 3);
    row("most braking in g", s->z_most, Kind::number, 3);
    row("speed at its beginning", s->speed_m_s, Kind::speed, 1);
    row("distance", s->distance_m, Kind::altitude, 1);
    row("time", s->seconds, Kind::time, 2);
    row("zero of the phone in g", s->zero_g, Kind::number, 3);
    t.notes = {"A phone that slides, or shakes in its holder, tells too much: fasten it level."};
    return t;
  }
  const auto strip = foot_strip(*job, 0);
  const auto findings = find_all(*job, strip);
  const auto steps = road_steps(*job, gates_of(*job, strip, findings));
  t.keys = {"stage", "state", "stops", "wanted", "says", "how"};
  for (const RoadStep& s : steps) {
    hard = hard || s.state == RoadState::failed;
    t.rows.push_back({text(s.name, a.style),
                      text(std::string(kStates[static_cast<std::size_t>(s.state)])),
                      text(std::to_string(s.done)), text(std::to_string(s.wanted)),
                      text(s.says, a.style), text(s.how, a.style)});
  }
  if (steps.empty()) t.notes.emplace_back("A clutch has no road of its own.");
  if (const auto next = next_stage(steps); next < steps.size() && !steps[next].care.empty())
    t.notes.push_back(english(steps[next].care, a.style));
  for (const RoadStop& s : job->stops)
    if (const auto f = stop_figures(s))
      t.notes.push_back(fmt::format("{}: {}", s.when, english(stop_words(*f), a.style)));
  for (const AfterRun& r : after_run(*job))
    t.notes.push_back(
        fmt::format("{} {} {}", r.due, r.done ? "done:" : "due:", english(r.words, a.style)));
  return t;
}

}  // namespace yoke::cli
