// Lines to make.
#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "plumbing/legs.hpp"
#include "plumbing/line_plan.hpp"
#include "work/line_gaps.hpp"
#include "work/line_template.hpp"

namespace yoke::cli {

namespace {

tl::unexpected<Error> no_line(const std::string& name) {
  return fail(
      {"--name", name, "",
       name.empty() ? Message("The job has no line to make") : say("There is no line “{}”", name),
       "Add it under Plumb, or look at the names in the job"});
}

}  // namespace

Expected<Table> line_table(const Arguments& a) {
  auto job = job_of(a);
  if (!job) return fail(job.error());
  if (const std::string told = option_of(a, "--legs"); !told.empty()) {
    const auto legs = parse_legs(told, a.style.units);
    if (!legs) return fail(legs.error());
    // In place of the job's own lines, with the usual tube.
    TubeLine one;
    one.name = "legs";
    job->tubes = {one};
    job->tube_corners.clear();
    for (const Point3& p : corners_of_legs(*legs))
      job->tube_corners.push_back({one.name, p.x, p.y, p.z, {}});
  }
  const std::string name = option_of(a, "--name");
  const auto lines = planned_lines(*job);
  Table t;
  t.keys = {"line", "bend", "straight", "turn", "angle", "mark"};
  bool found = false;
  for (const PlannedLine& line : lines) {
    if (!name.empty() && line.tube->name != name) continue;
    found = true;
    if (!line.list) {
      t.notes.push_back(english(say("{}: {}", line.tube->name, line.list.error().text()), a.style));
      continue;
    }
    int n = 0;
    for (const BendStep& b : line.list->bends)
      t.rows.push_back({text(line.tube->name), text(std::to_string(++n)),
                        quantity(b.straight_m, Kind::length, 1, a.style),
                        quantity(b.rotate_rad, Kind::angle, 1, a.style),
                        quantity(b.angle_rad, Kind::angle, 1, a.style),
                        quantity(b.mark_m, Kind::length, 1, a.style)});
    t.rows.push_back({text(line.tube->name), text(std::string("end")),
                      quantity(line.list->last_straight_m, Kind::length, 1, a.style),
                      text(std::string()), text(std::string()),
                      quantity(line.list->cut_m, Kind::length, 1, a.style)});
    if (const Message rests = typical_words(*line.list); !rests.empty())
      t.notes.push_back(english(say("{}: {}", line.tube->name, rests), a.style));
    for (const Message& m : line.list->warnings)
      t.notes.push_back(english(say("{}: {}", line.tube->name, m), a.style));
    for (const Message& m : making_steps(*line.tube, *line.list))
      t.notes.push_back(english(say("{}: {}", line.tube->name, m), a.style));
    for (const Message& m : hold_words(*job, line))
      t.notes.push_back(english(say("{}: {}", line.tube->name, m), a.style));
  }
  if (!found) return no_line(name);
  if (name.empty())
    for (const Message& m : cutting_words(lines)) t.notes.push_back(english(m, a.style));
  return t;
}

Expected<std::string> line_text(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const std::string as = option_of(a, "--as");
  if (as != "svg" && as != "dxf")
    return fail({"--as", as, "svg, dxf", say("A template is not written as “{}” here", as),
                 "Use svg or dxf; the window writes PDF"});
  const std::string name = option_of(a, "--name");
  for (const PlannedLine& line : planned_lines(*job)) {
    if (!name.empty() && line.tube->name != name) continue;
    if (!line.list) return fail(line.list.error());
    const Template t = line_template(*line.tube, *line.list);
    return as == "dxf" ? template_dxf(t) : template_svg(t);
  }
  return no_line(name);
}

}  // namespace yoke::cli
