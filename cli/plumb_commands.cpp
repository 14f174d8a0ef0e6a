// The plumbing: joints, net, ports, and what feeds the assist; fittings by what was measured.
#include <fmt/format.h>

#include "cli/commands.hpp"
#include "cli/options.hpp"
#include "lines/fittings.hpp"
#include "plumbing/joints.hpp"
#include "plumbing/paths.hpp"
#include "plumbing/supply_lines.hpp"
#include "plumbing/torque.hpp"

namespace yoke::cli {

namespace {

std::string circuit_key(const std::optional<Outlet>& o) {
  return !o ? "?" : *o == Outlet::primary ? "1" : "2";
}

Expected<Table> joints_table(const Job& job, const Arguments& a) {
  const Style& style = a.style;
  const std::string wrench = option_of(a, "--wrench"), crowfoot = option_of(a, "--crowfoot");
  const bool dial = !wrench.empty() || !crowfoot.empty();
  Expected<double> arm = 0.0, foot = 0.0;
  if (dial) {
    arm = parse_quantity(wrench, Kind::length, style.units);
    if (!arm) return fail(arm.error());
    foot = parse_quantity(crowfoot, Kind::length, style.units);
    if (!foot) return fail(foot.error());
  }
  Table t;
  t.keys = {"joint", "name",    "circuit", "new",    "verdict", "why",
            "mend",  "spanner", "put",     "torque", "proved"};
  if (dial) t.keys.emplace_back("dial");
  for (const JudgedJoint& j : judged_joints(job, As::plan)) {
    t.rows.push_back(
        {text(j.joint.key), text(j.joint.name, style), text(circuit_key(j.joint.circuit)),
         text(std::string(j.joint.fresh ? "yes" : "no")), text(std::string(verdict_key(j.verdict))),
         text(j.words, style), text(j.mends, style), text(j.spanner, style), text(j.put, style),
         text(j.tighten, style), text(std::string(j.proved ? "yes" : "no"))});
    if (!dial) continue;
    const auto words = dial_words(j.seen, *arm, *foot);
    if (!words) return fail(words.error());
    t.rows.back().push_back(text(*words, style));
  }
  return t;
}

Table runs_table(const Job& job, const Style& style) {
  Table t;
  t.keys = {"from", "to", "circuit", "length"};
  const Net net = plumbing_net(job, As::plan);
  for (const NetRun& r : net.runs) {
    const NetNode* to = net.node(r.to);
    const Value v = r.length ? value_of(job, As::plan, *r.length) : Value{};
    t.rows.push_back({text(r.from), text(r.to), text(circuit_key(to->circuit)),
                      v.known() ? quantity(v.si, Kind::length, 0, style) : text(std::string("?"))});
    if (r.length && v.known() && !v.settled())
      t.notes.push_back(english(say("{}: {}, nobody measured it on this system", r.to,
                                    Message::of_table(info(*r.length).words)),
                                style));
  }
  t.notes.emplace_back("The length is all tube of that axle together.");
  return t;
}

Table ports_table(const Job& job, const Style& style) {
  Table t;
  t.keys = {"old", "new", "wheels"};
  const PortMatching m = port_matching(job);
  const auto words = [&](const std::vector<Wheel>& wheels) {
    std::vector<Message> list;
    list.reserve(wheels.size());
    for (const Wheel w : wheels) list.push_back(Message::of_table(wheel_words(w)));
    return joined(list, ", ");
  };
  for (const PortMatch& p : m.lines)
    t.rows.push_back({text(circuit_key(p.old_outlet)), text(circuit_key(p.new_outlet)),
                      text(words(p.wheels), style)});
  if (!m.open.empty())
    t.notes.push_back(english(say("Not traced on both units: {}", words(m.open)), style));
  if (m.crossed) t.notes.emplace_back("Lines cross: an outlet's line goes to the other one");
  return t;
}

Table paths_table(const Job& job, const Style& style) {
  Table t;
  t.keys = {"end", "smallest_hole", "where", "mild_s", "warm_s", "cold_s", "without_s"};
  const auto time = [](double s) { return number(s, fmt::format("{:.1f} ms", s * 1e3)); };
  for (const LinePath& p : line_paths(job)) {
    t.rows.push_back({text(p.end), quantity(p.bore_m, Kind::length, 2, style),
                      text(p.narrowest, style), time(p.mild_s), time(p.warm_s), time(p.cold_s),
                      time(p.without_s)});
    if (!p.typical.empty())
      t.notes.push_back(english(
          say("{}: rests on what nobody measured: {}", p.name, param_list(p.typical)), style));
  }
  t.notes.emplace_back("A quick press, 1 cm3 to each; at a held pedal all bores see one pressure.");
  return t;
}

Table feeds_table(const Job& job, const Style& style) {
  Table t;
  t.keys = {"feed", "state", "is", "should", "without"};
  static constexpr const char* kStates[] = {"open", "good", "wrong"};
  for (const FeedRow& r : feed_rows(job))
    t.rows.push_back({text(r.what, style),
                      text(std::string(kStates[static_cast<std::size_t>(r.state)])),
                      text(r.is, style), text(r.should, style), text(r.without, style)});
  return t;
}

Expected<SeatLook> look_of(const std::string& word) {
  static constexpr const char* kLooks[] = {"", "out", "in", "outside", "flat", "taper"};
  for (std::size_t i = 0; i < std::size(kLooks); ++i)
    if (word == kLooks[i]) return static_cast<SeatLook>(i);
  return fail({"--look", word, "out, in, outside, flat, taper", "That is not seen in a port",
               "Shine a lamp into it; leave it out when nobody looked"});
}

}  // namespace

Expected<Table> plumb_table(const Arguments& a) {
  const auto job = job_of(a);
  if (!job) return fail(job.error());
  const std::string show = option_of(a, "--show");
  if (show.empty() || show == "joints") return joints_table(*job, a);
  if (show == "net") return runs_table(*job, a.style);
  if (show == "ports") return ports_table(*job, a.style);
  if (show == "paths") return paths_table(*job, a.style);
  if (show == "feeds") return feeds_table(*job, a.style);
  return fail({"--show", show, "joints, net, ports, paths, feeds",
               say("There is no “{}” of the plumbing", show), "Use one of the names"});
}

Expected<Table> fitting_table(const Arguments& a) {
  const auto outside = option_in(a, "--outside", Kind::length, 0.003, 0.03, std::nullopt);
  if (!outside) return fail(outside.error());
  const auto look = look_of(option_of(a, "--look"));
  if (!look) return fail(look.error());
  Expected<double> pitch = 0.0;
  if (a.options.count("--threads") != 0) {
    const auto n = option_in(a, "--threads", Kind::number, 3, 60, std::nullopt);
    const auto over = option_in(a, "--over", Kind::length, 0.002, 0.06, std::nullopt);
    if (!n) return fail(n.error());
    if (!over) return fail(over.error());
    const auto counted = counted_pitch(static_cast<int>(*n), Length{*over});
    if (!counted) return fail(counted.error());
    pitch = counted->value();
  } else {
    pitch = option_in(a, "--pitch", Kind::pitch, 0.0004, 0.003, std::nullopt);
    if (!pitch) return fail(pitch.error());
  }
  Table t;
  t.keys = {"thread", "seat", "use", "spanner"};
  for (const Fitting& f : find_fittings(Length{*outside}, Length{*pitch}, *look))
    t.rows.push_back({text(std::string(f.thread)), text(std::string(f.seat)),
                      text(std::string(f.tube)), text(std::string(f.spanner))});
  t.notes.emplace_back(t.rows.empty()      ? "Nothing in the list fits; never force it."
                       : t.rows.size() > 1 ? "All of these fit what was measured: look at the seat."
                                           : "Try it by hand on the real part all the same.");
  return t;
}

}  // namespace yoke::cli
