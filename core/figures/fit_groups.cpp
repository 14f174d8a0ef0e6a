// Bolting on square, room and angles; the rod's ends, gaps and heights.
#include <fmt/format.h>

#include <cmath>

#include "document/param/assist_kind.hpp"
#include "document/param/bolting.hpp"
#include "document/param/hang.hpp"
#include "document/param/pedal_rod.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/squareness.hpp"
#include "document/param/unit.hpp"
#include "figures/groups.hpp"
#include "fitting/envelope.hpp"
#include "fitting/off_axis.hpp"
#include "fitting/pattern.hpp"
#include "lines/lines.hpp"
#include "quantity/drills.hpp"
#include "rod/ends.hpp"

namespace yoke::groups {

namespace {

Figure verdict_words(const Message& words, Message note, Verdict verdict) {
  Figure f = words_only(words, std::move(note));
  f.verdict = verdict;
  return f;
}

}  // namespace

FigureGroup pattern(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Bolt pattern";
  g.source = "geometry; webs and edges of a diameter are common practice";
  const PatternReport r = pattern_report(*in.job);
  if (r.new_pattern.studs.empty()) {
    g.figures.push_back(unsaid("New pattern", cannot_say(r.new_pattern.missing)));
    return g;
  }
  const double hole = clearance_hole_m(r.new_pattern.studs.front().diameter_m);
  g.figures.push_back(words_only("Stud holes", drill_words(hole)));
  g.figures.push_back(words_only("Drill first", drill_words(pilot_hole_m(hole))));
  if (r.pilot_hole_m > 0)
    g.figures.push_back(told("Collar's hole", r.pilot_hole_m, Kind::length, 1));
  else
    g.figures.push_back(unsaid("Collar's hole", "pilot diameter of the new unit not known"));
  if (r.old_pattern.studs.empty()) {
    g.figures.push_back(unsaid("Old holes serve", cannot_say(r.old_pattern.missing)));
  } else {
    g.figures.push_back(verdict_words(r.bolts_on ? "Bolts on" : "Does not bolt on",
                                      joined(r.because, "; "),
                                      r.bolts_on ? Verdict::holds : Verdict::fails));
    int n = 0;
    for (const StudMatch& m : r.matches)
      g.figures.push_back(judged(say("Stud {} off the nearest old one", ++n), m.off_m, Kind::length,
                                 1, m.serves, m.meets ? "the holes would meet" : ""));
    if (r.plate && r.plate_holes_meet)
      g.figures.push_back(verdict_words("Adapter plate that joins them",
                                        "None: its holes would run into each other",
                                        Verdict::fails));
    else if (r.plate)
      g.figures.push_back(words_only(
          "Adapter plate that joins them",
          say("{} x {} at least", Plain{r.plate_width_m * 1e3, 0}, length(r.plate_height_m, 0))));
  }
  for (const Finding& f : r.findings)
    g.figures.push_back(verdict_words(f.message, f.remedy, Verdict::fails));
  return g;
}

FigureGroup flange(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  g.title = "Through the firewall";
  g.source = "stud less what it passes through; a diameter of thread: common practice";
  std::vector<Param> missing;
  for (const Param p : {param::unit_stud_length, param::unit_stud_size, param::fit_panel})
    if (!v.known(p)) missing.push_back(p);
  if (!missing.empty()) {
    g.figures.push_back(
        unsaid("Thread left for the nut", cannot_say(missing)).as(FigureId::stud_short));
  } else {
    FlangeStack s;
    s.stud = Length{v.si(param::unit_stud_length)};
    // Plates and gaskets hold the adapter plate; where they were not measured it counts alone.
    s.spacers = Length{
        std::max(v.si(param::fit_plate), v.known(param::rod_stack) ? v.si(param::rod_stack) : 0.0)};
    s.panel = Length{v.si(param::fit_panel)};
    s.washer = Length{v.si(param::fit_washer)};
    s.diameter = Length{v.si(param::unit_stud_size)};
    s.boxed = v.is(choice::FitBoxed::box) || v.is(choice::FitBoxed::sleeved);
    s.crush_sleeve = v.is(choice::FitBoxed::sleeved);
    const auto r = flange_stack(s);
    if (!r) {
      g.figures.push_back(
          unsaid("Thread left for the nut", r.error().text()).as(FigureId::stud_short));
    } else {
      g.figures.push_back(judged("Thread left for the nut", r->engaged.value(), Kind::length, 1,
                                 r->enough, say("{} wanted", length(r->wanted.value(), 1)))
                              .as(FigureId::stud_short));
      g.figures.push_back(told(
          "Studs at least", (s.spacers + s.panel + s.washer + r->wanted).value(), Kind::length, 1,
          say("through {} of plates, panel and washer",
              length((s.spacers + s.panel + s.washer).value(), 1))));
      if (!r->enough)
        g.figures.push_back(told("Studs longer by", (r->wanted - r->engaged).value(), Kind::length,
                                 1, "or a thinner stack"));
      Figure metal = verdict_words("Sheet metal",
                                   r->crushes ? "the box would be crushed: a sleeve is missing"
                                              : "the load has a solid way",
                                   r->crushes ? Verdict::fails : Verdict::holds)
                         .as(FigureId::crush);
      // A single sheet is only what is usual: nobody looked whether it is a closed box.
      if (!r->crushes && !v.at(param::fit_boxed).settled()) {
        metal.verdict = Verdict::if_typical;
        metal.decided_by.push_back(param::fit_boxed);
      }
      g.figures.push_back(std::move(metal));
    }
  }
  if (v.known(param::rod_stack) && in.strip.found.known(param::rod_stack))
    g.figures.push_back(told("Plates move the rod's seat by",
                             v.si(param::rod_stack) - in.strip.found.si(param::rod_stack),
                             Kind::length, 2, "counted under Rod; plus: a longer rod"));
  if (v.si(param::fit_plate) > 0)
    g.figures.push_back(told("The plate makes the rod longer by", v.si(param::fit_plate),
                             Kind::length, 1, "count it under Rod, spacers and gaskets"));
  return g;
}

FigureGroup offset(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  g.title = "Off-axis budget, to zero";
  g.source = "geometry";
  if (!v.known(param::fit_gap_side) || !v.known(param::fit_gap_up)) {
    g.figures.push_back(unsaid("What is left",
                               "the pedal's side offset and how far the pin above "
                               "the bore's line is not known"));
    return g;
  }
  OffAxis o;
  o.side = Length{v.si(param::fit_gap_side)};
  o.height = Length{v.si(param::fit_gap_up)};
  o.unit_shift = Length{v.si(param::fit_shift_unit)};
  o.pedal_shift = Length{v.si(param::fit_shift_pedal)};
  o.lug = Length{v.si(param::fit_lug)};
  o.height_shift = Length{v.si(param::fit_shift_up)};
  const bool rod = v.known(param::control_rod_length);
  o.rod = Length{rod ? v.si(param::control_rod_length) : 0.5};
  const auto line = [&](const char* words, Param p) {
    if (std::abs(v.si(p)) > 1e-6) g.figures.push_back(told(words, -v.si(p), Kind::length, 1));
  };
  g.figures.push_back(told("Aside", o.side.value(), Kind::length, 1));
  line("less the unit's shift", param::fit_shift_unit);
  line("less the pedal's shift", param::fit_shift_pedal);
  line("less the lug", param::fit_lug);
  const auto r = off_axis(o);
  if (!r) {
    g.figures.push_back(unsaid("What is left", r.error().text()));
    return g;
  }
  g.figures.push_back(judged("Left to the side", r->side_left.value(), Kind::length, 1,
                             std::abs(r->side_left.value()) <= 1e-4, "0 closes it"));
  g.figures.push_back(told("Above", o.height.value(), Kind::length, 1));
  line("less the shift in height", param::fit_shift_up);
  g.figures.push_back(judged("Left in height", r->height_left.value(), Kind::length, 1,
                             std::abs(r->height_left.value()) <= 1e-4, "0 closes it"));
  g.figures.push_back(told("Lug that would close it", lug_to_close(o).value(), Kind::length, 1));
  if (!rod) {
    g.figures.push_back(unsaid("Rod angle", "the rod's length is not known"));
    return g;
  }
  g.figures.push_back(judged("Rod angle from what is left", r->angle.value(), Kind::angle, 1,
                             r->angle.value() <= 5 * kPi / 180, "3° good, 5° the most")
                          .as(FigureId::offset));
  if (const auto& s = in.strip.plan_system.system; s && r->twist_m > 0)
    if (const auto m = FeelModel::make(*s, {})) {
      const double f = condition_target(ConditionId::plan, *m, in.strip.limits).at.input_force_n;
      g.figures.push_back(told("Side force at the target stop", f * r->side_share, Kind::force, 0));
      g.figures.push_back(told("Twist of the lug at the pivot", f * r->twist_m, Kind::torque, 1));
    }
  return g;
}

FigureGroup envelope(const FigureInputs& in) {
  FigureGroup g;
  if (in.job->boxes.empty()) return g;
  g.title = "Room around the unit";
  g.source = "boxes; 6 mm still, 15 mm moving, 50 mm hot: common practice";
  const auto gaps = box_gaps(in.job->boxes);
  if (gaps.empty())
    g.figures.push_back(unsaid("Smallest gap", "one box for the unit and one for what is near it"));
  for (std::size_t i = 0; i < std::min<std::size_t>(12, gaps.size()); ++i) {
    const Box& b = in.job->boxes[gaps[i].b];
    g.figures.push_back(judged(say("{} to {}", in.job->boxes[gaps[i].a].name, b.name),
                               gaps[i].gap_m, Kind::length, 0, gaps[i].enough,
                               say("it {}: {} wanted", Message::of_table(words_of_value(b.kind)),
                                   length(gaps[i].wanted_m, 0))));
  }
  return g;
}

FigureGroup attitude(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  g.title = "How it hangs";
  g.source = "common practice, no source: the maker's sheet wins";
  constexpr double kDegree = kPi / 180;
  const auto ask = [&](Param p, const char* words) {
    if (v.known(p)) return true;
    g.figures.push_back(unsaid(words, "lay a phone's level on it, car level"));
    return false;
  };
  if (ask(param::fit_master_nose, "Master's nose"))
    g.figures.push_back(judged("Master's nose, up", v.si(param::fit_master_nose), Kind::angle, 1,
                               v.si(param::fit_master_nose) <= 2 * kDegree &&
                                   v.si(param::fit_master_nose) >= -10 * kDegree,
                               "level or a little down: air finds the ports")
                            .as(FigureId::nose));
  if (v.is(choice::AssistKind::remote)) {
    if (ask(param::fit_servo_nose, "Servo's nose"))
      g.figures.push_back(judged("Servo's nose, up", v.si(param::fit_servo_nose), Kind::angle, 0,
                                 v.si(param::fit_servo_nose) >= 10 * kDegree &&
                                     v.si(param::fit_servo_nose) <= 20 * kDegree,
                                 "15 to 20° preferred, 10 to 20° accepted")
                              .as(FigureId::servo));
    if (ask(param::fit_breather, "Breather"))
      g.figures.push_back(judged("Breather off straight down", v.si(param::fit_breather),
                                 Kind::angle, 0, v.si(param::fit_breather) <= 30 * kDegree,
                                 "within 30°")
                              .as(FigureId::breather));
  }
  if (v.known(param::fit_head) && v.known(param::fit_head_side)) {
    const Length level{v.si(param::fit_head)}, side{v.si(param::fit_head_side)};
    const Angle lean{v.si(param::fit_lean)};
    const Length left = head_when_leaning(level, side, lean);
    g.figures.push_back(judged("Head left on the steepest slope", left.value(), Kind::length, 0,
                               left.value() > 0, "above the highest point of the hose")
                            .as(FigureId::head));
    if (left.value() <= 0)
      g.figures.push_back(told("Bottle higher by",
                               bottle_higher(level, side, lean, Length{0.01}).value(), Kind::length,
                               0, "10 mm to spare"));
  } else {
    g.figures.push_back(unsaid("Head on the steepest slope",
                               "level and its distance to the side are not both known"));
  }
  return g;
}

FigureGroup openings(const FigureInputs& in) {
  FigureGroup g;
  const Values& v = in.strip.plan;
  if (!v.known(param::fit_opening)) return g;
  g.title = "Openings in the firewall";
  g.source = "geometry";
  if (!v.known(param::unit_pilot)) {
    g.figures.push_back(unsaid("Plug or plate", "pilot diameter of the new unit not known"));
    return g;
  }
  const double old_m = v.si(param::fit_opening);
  const double now = v.si(param::unit_pilot) + 0.3e-3;
  const double left = old_m - now;
  g.figures.push_back(told("Old opening wider by", left, Kind::length, 1));
  g.figures.push_back(
      left > 1e-3
          ? verdict_words("Gap around the new unit",
                          "close it: a plate behind the unit, sealed all around", Verdict::fails)
                .as(FigureId::opening)
          : verdict_words("Opening",
                          left < -0.1e-3 ? "is opened to the new collar" : "fits the new collar",
                          Verdict::holds));
  const PatternReport r = pattern_report(*in.job);
  std::size_t unused = 0;
  for (const Hole& o : r.old_pattern.studs) {
    bool used = false;
    for (std::size_t i = 0; i < r.new_pattern.studs.size(); ++i)
      used = used || (r.matches[i].serves && std::hypot(o.x_m - r.new_pattern.studs[i].x_m,
                                                        o.z_m - r.new_pattern.studs[i].z_m) < 3e-3);
    unused += used ? 0 : 1;
  }
  if (unused > 0)
    g.figures.push_back(
        told("Old stud holes to plug", static_cast<double>(unused), Kind::number, 0,
             say("each {}", length(clearance_hole_m(r.old_pattern.studs.front().diameter_m), 1))));
  return g;
}

FigureGroup rod_ends(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Ends and turns";
  g.source = "thread pitch; one diameter engaged: common practice";
  const RodReport rod = rod_report(*in.job);
  const EndsReport r = ends_report(*in.job, rod);
  g.figures.push_back(words_only("Cut", r.cut));
  if (r.pad_for_tenth_m)
    g.figures.push_back(
        told("0.1 mm at the rod is at the pedal", *r.pad_for_tenth_m, Kind::length, 2));
  if (!r.per_turn_m) {
    g.figures.push_back(unsaid("A turn moves", "the thread's pitch is not known"));
    return g;
  }
  g.figures.push_back(told("A turn moves the rod", *r.per_turn_m, Kind::length, 2));
  if (r.pad_per_turn_m)
    g.figures.push_back(told("and the pedal", *r.pad_per_turn_m, Kind::length, 1));
  if (r.turns)
    g.figures.push_back(
        told("Turns for the whole change", *r.turns, Kind::number, 1, "plus: longer"));
  const auto most = [&](const char* words, const std::optional<double>& turns, const char* why) {
    if (turns)
      g.figures.push_back(told(words, *turns, Kind::number, 1, why));
    else
      g.figures.push_back(
          unsaid(words, "thread engaged and free, and its diameter, not all known"));
  };
  most("Turns to the end, longer", r.turns_longer, "a diameter stays engaged");
  most("Turns to the end, shorter", r.turns_shorter, "jam nut aside");
  for (const Finding& f : r.findings)
    g.figures.push_back(verdict_words(f.message, f.remedy, Verdict::fails));
  return g;
}

FigureGroup rod_gaps(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Clearances";
  g.source = "common practice, no source";
  const RodReport rod = rod_report(*in.job);
  const double clearance = in.strip.plan.si(param::control_rod_clearance);
  g.figures.push_back(judged("Rod clearance", clearance, Kind::length, 2,
                             clearance >= 0.5e-3 && clearance <= 1.0e-3, "0.5 to 1.0 mm"));
  if (rod.free_play)
    g.figures.push_back(told("felt at the pedal", rod.free_play->value(), Kind::length, 1));
  if (has_assist(*in.job, As::plan)) {
    const OutputGap o = output_gap(in.strip.plan);
    const auto one = [&](const char* words, const std::optional<double>& m) {
      if (m)
        g.figures.push_back(judged(words, *m, Kind::length, 2,
                                   *m >= kLeastOutputGap_m && *m <= kMostOutputGap_m,
                                   "0.25 to 1.0 mm, 0.5 mm (0.020 in) usual"));
    };
    one("Output-rod gap, engine off", o.off_m);
    one("Output-rod gap, running", o.on_m);
    if (!o.missing.empty()) g.figures.push_back(unsaid("Output-rod gap", cannot_say(o.missing)));
    if (o.adjust_m)
      g.figures.push_back(
          told("Take off the output rod", *o.adjust_m, Kind::length, 2, "minus: lengthen it"));
  }
  const auto proof = [&](Param p, bool open, const char* words, const char* how) {
    if (!in.strip.plan.known(p))
      g.figures.push_back(unsaid(words, how));
    else
      g.figures.push_back(verdict_words(words, open ? "proved" : "the port is covered",
                                        open ? Verdict::holds : Verdict::fails));
  };
  proof(param::rod_returns, in.strip.plan.is(choice::RodReturns::yes), "Return port open, cold",
        "cap off, tap the pedal: a small fountain");
  proof(param::rod_returns_hot, in.strip.plan.is(choice::RodReturnsHot::yes),
        "Return port open, hot",
        "after a run, a minute with the pedal up: lift and turn each wheel");
  return g;
}

FigureGroup rod_retained(const FigureInputs& in) {
  FigureGroup g;
  const RetainedReport r = retained_report(*in.job);
  if (!r.applies && r.findings.empty()) return g;
  g.title = "A rod that stays in";
  g.source = "common practice, no source; the maker's warning wins";
  int n = 0;
  for (const auto& s : r.steps) g.figures.push_back(words_only(say("{}.", ++n), s.text));
  for (const Finding& f : r.findings)
    g.figures.push_back(verdict_words(f.message, f.remedy, Verdict::fails));
  return g;
}

}  // namespace yoke::groups
