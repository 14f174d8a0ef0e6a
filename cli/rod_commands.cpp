// The push rod's length: from a job, or from six depths alone.
#include <fmt/format.h>

#include <cmath>

#include "cli/options.hpp"
#include "document/param/rod.hpp"
#include "rod/rod.hpp"

namespace yoke::cli {

namespace {

Expected<Table> rod_from_job(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const RodReport r = rod_report(*job);
  Table t;
  t.keys = {"what", "value"};
  const auto add = [&](const char* what, const std::optional<Length>& v, int digits) {
    if (v) t.rows.push_back({text(what), quantity(v->value(), Kind::length, digits, a.style)});
  };
  if (r.change) {
    add("part for seats and clearance (m)", r.change->change, 2);
    add("its doubt (m)", r.change->uncertainty, 2);
  }
  add("its doubt at the pedal (m)", r.pad_uncertainty, 2);
  add("part for the pedal height (m)", r.height_part, 2);
  add("change of rod length, total (m)", r.total, 2);
  if (r.turns) t.rows.push_back({text("turns"), number(*r.turns, fmt::format("{:.1f}", *r.turns))});
  add("new rod length (m)", r.new_length, 1);
  add("thread engaged after, uncut (m)", r.engaged_after, 1);
  add("free play at the pedal (m)", r.free_play, 1);
  t.notes = {english(rod_words(r), a.style)};
  for (const auto& f : r.findings)
    t.notes.push_back(std::string(severity_words(f.severity)) + ": " + english(f.message, a.style));
  return t;
}

Expected<UnitFace> face(const Arguments& a, const std::string& which) {
  UnitFace u;
  Length* parts[] = {&u.snout, &u.socket, &u.stack};
  const std::pair<const char*, Param> names[] = {{"--snout-", param::rod_snout},
                                                 {"--socket-", param::rod_socket},
                                                 {"--stack-", param::rod_stack}};
  for (size_t i = 0; i < 3; ++i) {
    const auto v = option_like(a, names[i].first + which, names[i].second,
                               i == 2 ? std::optional<double>(0.0) : std::nullopt);
    if (!v) return fail(v.error());
    *parts[i] = Length{*v};
  }
  u.uncertainty = Length{std::sqrt(3.0) * 0.05e-3};
  return u;
}

/// The report of the six depths and what was given beside them.
Expected<RodReport> rod_from_depths(const Arguments& a) {
  const auto old_unit = face(a, "old");
  if (!old_unit) return fail(old_unit.error());
  const auto new_unit = face(a, "new");
  if (!new_unit) return fail(new_unit.error());
  const auto more = option_like(a, "--clearance-more", param::rod_clearance_more, 0.0);
  const auto ratio = option_in(a, "--ratio", Kind::number, kLeastRatio, kMostRatio, 1.0);
  const auto pitch = option_like(a, "--pitch", param::rod_pitch, 0.001);
  const auto height = option_like(a, "--height", param::rod_height_wish, 0.0);
  for (const auto* v : {&more, &ratio, &pitch, &height})
    if (!*v) return fail(v->error());
  if (given(a, "--height") && !given(a, "--ratio"))
    return fail({"--height", "", "",
                 "--height moves the rod by the pedal's ratio, and --ratio is missing",
                 "Give --ratio: pad arm over pin arm"});
  RodReport r;
  r.clearance_more = Length{*more};
  r.change = rod_change(*old_unit, *new_unit, r.clearance_more);
  if (given(a, "--ratio")) {
    r.ratio = *ratio;
    r.pad_uncertainty = r.change->uncertainty * *ratio;
  }
  r.height_part = Length{*height / *ratio};
  r.total = r.change->change + *r.height_part;
  if (given(a, "--pitch")) r.turns = turns_for(*r.total, Length{*pitch}, 1);
  return r;
}

}  // namespace

Expected<Table> rod_table(const Arguments& a) {
  if (!a.files.empty()) {
    if (!a.options.empty())
      return fail(
          {a.options.begin()->first, "", "",
           say("{} goes without a job only: a job has its own value", a.options.begin()->first),
           "Use --set, or leave the job out"});
    return rod_from_job(a);
  }
  const auto r = rod_from_depths(a);
  if (!r) return fail(r.error());
  Table t;
  t.keys = {"what", "value"};
  const auto add = [&](const char* what, Length v) {
    t.rows.push_back({text(what), quantity(v.value(), Kind::length, 2, a.style)});
  };
  add("part for seats and clearance (m)", r->change->change);
  add("its doubt, all by caliper (m)", r->change->uncertainty);
  if (r->pad_uncertainty) add("its doubt at the pedal (m)", *r->pad_uncertainty);
  if (given(a, "--height")) add("part for the pedal height (m)", *r->height_part);
  add("change of rod length, total (m)", *r->total);
  if (r->turns)
    t.rows.push_back({text("turns"), number(*r->turns, fmt::format("{:.1f}", *r->turns))});
  t.notes = {english(rod_words(*r), a.style)};
  for (const char* stack : {"--stack-old", "--stack-new"})
    if (!given(a, stack))
      t.notes.push_back(std::string(stack) + " not given: taken as 0, no plate and no gasket");
  return t;
}

}  // namespace yoke::cli
