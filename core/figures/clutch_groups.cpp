// Clutch: release, bite, over-travel, wear; the stack of a slave around the shaft.
#include <fmt/format.h>

#include "assembly/assemble_clutch.hpp"
#include "document/param/clutch.hpp"
#include "document/param/pedal_rest.hpp"
#include "figures/groups.hpp"
#include "work/clutch_rod.hpp"

namespace yoke::groups {

namespace {

void add_effort(FigureGroup& g, const FigureInputs& in, const ClutchSystem& s,
                const ClutchReport& r, const PressMargins& margins) {
  const double limit = in.strip.limits.effort_n;
  g.figures.push_back(
      by_rule(told("Bearing travel at the first stop", r.end.bearing_m, Kind::length, 1,
                   say("{} for clean release; {}", length(s.unit.release.value(), 1),
                       clutch_stop_words(r.stop))),
              margins, PressRule::release));
  g.figures.push_back(by_rule(
      told("Peak effort", r.peak_n, Kind::force, 0, say("{} is your limit", force(limit, 0))),
      margins, PressRule::effort));
  g.figures.push_back(told("Peak effort at pedal travel", r.peak_at_m, Kind::length, 0));
  g.figures.push_back(told("Effort at clean release", r.release.pad_force_n, Kind::force, 0));
  g.figures.push_back(told("Effort there on the way up", r.release.pad_force_up_n, Kind::force, 0,
                           r.release.pad_force_up_n < 0 ? "below 0: the pedal stays down" : ""));
  g.figures.push_back(
      told("Pedal travel at clean release", r.release.pad_travel_m, Kind::length, 0));
  g.figures.push_back(
      told("Pedal travel at bite, coming up", r.bite.pad_travel_up_m, Kind::length, 0));
}

void add_heights(FigureGroup& g, const FigureInputs& in, const ClutchReport& r) {
  const double rest = in.strip.plan.si(param::control_rest_height);
  const bool height = in.strip.plan.known(param::control_rest_height);
  if (height) {
    g.figures.push_back(
        told("Pedal height at clean release", rest - r.release.pad_travel_m, Kind::length, 0));
    g.figures.push_back(
        told("Pedal height at bite, coming up", rest - r.bite.pad_travel_up_m, Kind::length, 0));
  } else {
    g.figures.push_back(
        unsaid("Pedal heights over the floor", "the pedal's height at rest is not known"));
  }
}

/// Where it bit and where it let go, as both were read at the proof.
void add_read(FigureGroup& g, const Job& job) {
  const GateRecord* bite = record_of(job, GateId::bite);
  const GateRecord* release = record_of(job, GateId::release);
  if (!bite || !release || !bite->read || !release->read) {
    g.figures.push_back(unsaid("Read: from bite down to clean release",
                               "the gates of bite and release have no figure yet"));
    return;
  }
  const double way_m = *bite->read - *release->read;
  g.figures.push_back(
      judged("Read: from bite down to clean release", way_m, Kind::length, 0, way_m > 0,
             say("bite {} over the floor, release {}", amount(*bite->read, Kind::length, 0),
                 amount(*release->read, Kind::length, 0))));
}

void add_room(FigureGroup& g, const ClutchSystem& s, const ClutchReport& r,
              const PressMargins& margins) {
  if (s.stroke_known)
    g.figures.push_back(judged("Master stroke left at release", r.master_left_m, Kind::length, 1,
                               r.master_left_m >= 0));
  if (r.slave_left_m)
    g.figures.push_back(judged("Slave stroke left at release", *r.slave_left_m, Kind::length, 1,
                               *r.slave_left_m >= 0));
  if (r.over_travel_m)
    g.figures.push_back(
        by_rule(told("Over-travel", *r.over_travel_m, Kind::length, 1, "beyond the cover's limit"),
                margins, PressRule::over_travel)
            .as(FigureId::over_travel));
  else
    g.figures.push_back(
        unsaid("Over-travel", "the cover's travel limit is not known").as(FigureId::over_travel));
  if (r.pedal_stop_m)
    g.figures.push_back(
        told("Pedal stop that prevents it, at pedal travel", *r.pedal_stop_m, Kind::length, 0));
  if (r.wear_left_m)
    g.figures.push_back(by_rule(told("Room for wear", *r.wear_left_m, Kind::length, 1,
                                     say("{} wanted", length(s.unit.wear.value(), 1))),
                                margins, PressRule::wear)
                            .as(FigureId::wear_room));
  else
    g.figures.push_back(unsaid("Room for wear", "how far the slave can still go back is not known")
                            .as(FigureId::wear_room));
}

void add_cable(FigureGroup& g, const FigureInputs& in, const ClutchSystem& s) {
  if (in.strip.plan.known(param::clutch_cable_pull) &&
      in.strip.plan.known(param::clutch_cable_force)) {
    const auto model = ClutchModel::make(s);
    const auto c = model ? cable_change(*model, Length{in.strip.plan.si(param::clutch_cable_pull)},
                                        Force{in.strip.plan.si(param::clutch_cable_force)})
                         : Expected<CableChange>(fail(model.error()));
    if (c) {
      g.figures.push_back(judged("Slave travel against the old cable", c->slave_travel_m,
                                 Kind::length, 1, c->missing_m <= 0,
                                 say("{} short", length(c->missing_m, 1))));
      g.figures.push_back(
          told("Pedal force for the old cable's force", c->pad_force_n, Kind::force, 0));
    }
  }
}

/// Where the rod begins after bleeding, and how far it is let out.
void add_rod_start(FigureGroup& g, const FigureInputs& in) {
  const ClutchRodStart r = clutch_rod_start(*in.job);
  if (!r.asked) return;
  if (r.none) {
    g.figures.push_back(unsaid("Rod after bleeding", r.says));
    return;
  }
  g.figures.push_back(
      told("Rod clearance at which it still comes free, most", r.free_m, Kind::length, 1));
  g.figures.push_back(told("Rod clearance, least", r.least_m, Kind::length, 1,
                           r.cover_said ? "port open, cover within its limit"
                                        : "port open; the cover's limit is not known"));
  if (!r.start_turns) {
    g.figures.push_back(unsaid("Rod to begin with, in turns", cannot_say(r.missing)));
    return;
  }
  g.figures.push_back(told("Rod to begin with, turns shorter than planned", *r.start_turns,
                           Kind::number, 1,
                           r.typical ? "then half a turn at a time; by values that nobody measured"
                                     : "then half a turn at a time"));
  g.figures.push_back(told("Turns out until it comes free", *r.free_turns, Kind::number, 1));
  g.figures.push_back(told("Turns out at most", *r.most_turns, Kind::number, 1));
}

}  // namespace

FigureGroup clutch(const FigureInputs& in) {
  FigureGroup g;
  if (!in.strip.clutch) return g;
  g.title = "Clutch, down and up again";
  g.source = "the program's own model of a clutch; load shape is common practice";
  // What cannot be built releases nothing, however well its clutch is known.
  if (const auto& impossible = in.strip.plan_system.impossible; !impossible.empty()) {
    g.figures.push_back(unsaid("Release", impossible.front().text()));
    return g;
  }
  const ClutchAssembly a = assemble_clutch(in.strip.plan);
  if (!a.system) {
    g.figures.push_back(unsaid("Release", !a.missing.empty() ? cannot_say(a.missing)
                                          : !a.impossible.empty()
                                              ? a.impossible.front().text()
                                              : cannot_say(in.strip.plan_system.missing_system)));
    return g;
  }
  const auto r = clutch_report(*a.system);
  if (!r) {
    g.figures.push_back(unsaid("Release", r.error().text()));
    return g;
  }
  const PressMargins margins =
      clutch_margins(ConditionId::plan, *r, a.system->unit, in.strip.limits);
  add_effort(g, in, *a.system, *r, margins);
  add_heights(g, in, *r);
  add_read(g, *in.job);
  add_room(g, *a.system, *r, margins);
  add_rod_start(g, in);
  add_cable(g, in, *a.system);
  return g;
}

FigureGroup clutch_stack(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  if (!in.strip.clutch || !v.is(choice::ClutchKind::concentric)) return g;
  g.title = "Stack of the slave around the shaft";
  g.source = "3 to 4 mm is usual: common practice; the maker's figure wins";
  constexpr double kLeast = 0.003;
  constexpr double kMost = 0.004;
  const auto now = stack_gap(v, Length{v.si(param::clutch_spacer)});
  if (!now) {
    g.figures.push_back(unsaid("Gap to the fingers", "both stack depths are needed"));
    return g;
  }
  g.figures.push_back(judged("Gap with the planned spacer", now->value(), Kind::length, 2,
                             now->value() >= kLeast && now->value() <= kMost, "3 to 4 mm"));
  for (const double t : {0.0, 0.002, 0.003, 0.004, 0.005, 0.006}) {
    const double gap = stack_gap(v, Length{t})->value();
    g.figures.push_back(judged(say("Spacer {}", length(t, 0)), gap, Kind::length, 2,
                               gap >= kLeast && gap <= kMost, "never two together"));
  }
  return g;
}

}  // namespace yoke::groups
