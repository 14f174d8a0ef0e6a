// What bleeding takes, what the unit loses before it delivers, the fluid, the pedal expected now.
#include "assembly/assemble.hpp"
#include "document/param/master.hpp"
#include "document/values.hpp"
#include "figures/groups.hpp"
#include "work/bleed_checks.hpp"
#include "work/bleed_level.hpp"
#include "work/clean_change.hpp"
#include "work/dead_stroke.hpp"
#include "work/expected_pedal.hpp"
#include "work/fluid_plan.hpp"

namespace yoke::groups {

FigureGroup bleeding(const FigureInputs& in) {
  FigureGroup g;
  const BleedPlan plan = bleed_plan(*in.job);
  if (plan.clutch) {
    g.title = "Bleeding the clutch";
    g.source = "common practice, no source";
    if (const auto p = shut_press(*in.job)) {
      g.figures.push_back(told("Foot on a shut connector", p->foot_n, Kind::force, 0,
                               "what it would bring, never to be tried"));
      g.figures.push_back(told("Pressure in the line then", p->line_pa, Kind::pressure, 1));
      g.figures.push_back(told("Push on the rod then", p->rod_n, Kind::force, 0));
    }
  } else {
    g.title = "Fluid above the ports";
    g.source = "strokes counted x bore x stroke; common practice, no source";
  }
  if (!plan.missing.empty()) {
    g.figures.push_back(unsaid("Strokes left", cannot_say(plan.missing)));
    return g;
  }
  for (const ChamberLevel& c : chamber_levels(*in.job, plan)) {
    const int outlet = c.outlet == Outlet::primary ? 1 : 2;
    if (c.rises) {
      Figure room = judged("Marks until the reservoir runs over", c.strokes_left, Kind::number, 0,
                           !c.warn(), "draw it down two marks before");
      if (c.typical && room.verdict == Verdict::holds) room.verdict = Verdict::if_typical;
      g.figures.push_back(std::move(room));
      continue;
    }
    g.figures.push_back(
        told(say("Gone from the chamber of outlet {}", outlet), c.gone.value(), Kind::volume, 0,
             say("of {} above its port", amount(c.holds.value(), Kind::volume, 0))));
    Figure left = judged(say("Counts until its port is bare, outlet {}", outlet), c.strokes_left,
                         Kind::number, 0, !c.warn(), "top up two counts before");
    // A chamber that nobody measured is not said to have enough.
    if (c.typical && left.verdict == Verdict::holds) left.verdict = Verdict::if_typical;
    g.figures.push_back(std::move(left));
  }
  for (const ChangeStep& s : clean_change(*in.job).steps)
    if (s.loss_m3_s)
      g.figures.push_back(
          told("Runs out of an open line in a minute", *s.loss_m3_s * 60, Kind::volume, 1,
               s.typical ? say("{}; by lengths that nobody measured", s.words) : s.words));
  return g;
}

FigureGroup dead_stroke_group(const FigureInputs& in) {
  FigureGroup g;
  const DeadStroke d = dead_stroke(*in.job);
  g.title = "Pushed until it delivers, as measured";
  g.source = "common practice, no source; each outlet by itself, the other shut";
  for (int i = 0; i < (d.two ? 2 : 1); ++i) {
    const Message words = d.two ? say("Outlet {}", i + 1) : Message("The outlet");
    if (!d.push_m[i]) {
      g.figures.push_back(unsaid(words, "not measured"));
      continue;
    }
    const double limit = i == 0 ? kDeadNear_m : kDeadFar_m;
    g.figures.push_back(judged(words, *d.push_m[i], Kind::length, 1, *d.push_m[i] <= limit,
                               d.pad_m[i] ? say("{} at the pedal; {} is usual at most",
                                                length(*d.pad_m[i], 0), length(limit, 1))
                                          : say("{} is usual at most", length(limit, 1))));
  }
  if (d.push_m[0] && d.push_m[1])
    g.figures.push_back(told("Far outlet less near one", *d.push_m[1] - *d.push_m[0], Kind::length,
                             1, "the order alone is no fault"));
  return g;
}

FigureGroup expected(const FigureInputs& in) {
  FigureGroup g;
  const ExpectedPedals e = expected_pedals(*in.job);
  if (e.stages.empty()) return g;
  g.title = e.title;
  g.source = "unfilled parts count as air; 5 % after filling by gravity is common practice";
  for (const ExpectedPedal& p : e.stages) {
    if (!p.now) continue;
    if (p.travel_m)
      g.figures.push_back(told(p.name, *p.travel_m, Kind::length, 0,
                               !p.to_the_stop ? Message()
                               : e.clutch     ? Message("to its stop: the clutch is never free")
                                              : Message("to its stop: nothing holds it")));
    else
      g.figures.push_back(unsaid(p.name, "cannot be pressed in numbers"));
  }
  if (!e.rests_on.empty())
    g.figures.push_back(words_only("Rests on values that nobody measured", param_list(e.rests_on)));
  if (e.measured_m) {
    g.figures.push_back(told("Measured last", *e.measured_m, Kind::length, 0,
                             say("with {}", force(*e.measured_push_n, 0))));
    g.figures.push_back(told("It should be then", *e.wanted_m, Kind::length, 0, e.says));
  }
  return g;
}

FigureGroup fluid(const FigureInputs& in) {
  FigureGroup g;
  const FluidPlan p = fluid_plan(*in.job);
  g.title = "The fluid";
  g.source = "boiling points by FMVSS 116, not checked against its text; the makers' books win";
  if (p.goes_in) {
    const BoilingPoints b = boiling_points(*p.goes_in);
    g.figures.push_back(told("Boils, fresh", b.dry_c, Kind::temperature, 0, "at least"));
    g.figures.push_back(
        told("Boils, with 3.7 % of water in it", b.wet_c, Kind::temperature, 0, "at least"));
  } else {
    g.figures.push_back(unsaid("Boils", "the grade that goes in was not said"));
  }
  if (p.needed_known)
    g.figures.push_back(
        told("Fluid it takes", p.needed.value(), Kind::volume, 0, "three rounds and the filling"));
  const Value bellows = value_of(*in.job, As::plan, param::master_bellows);
  if (bellows.si > 0)
    g.figures.push_back(told("The cap's bellows push aside", bellows.si, Kind::volume, 0,
                             "fill so much below the mark, then the cap on"));
  else
    g.figures.push_back(words_only("Fill", "to the mark, cap on; the level falls as pads wear"));
  g.figures.push_back(words_only("Grade", p.grade_says));
  int n = 0;
  for (const Message& step : p.steps)
    g.figures.push_back(words_only(say("Change of kind, {}", ++n), step));
  g.figures.push_back(words_only("The bottle", p.opened_says));
  g.figures.push_back(words_only("Enough", p.enough_says));
  return g;
}

}  // namespace yoke::groups
