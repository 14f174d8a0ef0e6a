// What must be held or stopped by law and by the slope: benchmarks, holding still.
#include <algorithm>

#include "document/param/hold.hpp"
#include "figures/groups.hpp"
#include "strip/benchmarks.hpp"
#include "strip/holding.hpp"

namespace yoke::groups {

namespace {

/// Holding still at one torque: how hard the foot must press.
Figure held_figure(const char* words, const Expected<HoldResult>& r, double limit_n) {
  if (!r) return unsaid(words, r.error().reason);
  if (!r->holds)
    return judged(words, r->at.pad_force_n, Kind::force, 0, false,
                  r->slides ? "the tyres slide first"
                            : say("{} of {} at the end of the press", Plain{r->available_nm, 0},
                                  Amount{r->needed_nm, Kind::torque, 0}));
  return judged(
      words, r->at.pad_force_n, Kind::force, 0, r->at.pad_force_n <= limit_n,
      say("{} at {}, {} is your limit; the press has {} % more",
          Amount{r->needed_nm, Kind::torque, 0}, amount(r->at.pressure_pa, Kind::pressure, 2),
          force(limit_n, 0), Plain{100 * (r->available_nm / std::max(1.0, r->needed_nm) - 1), 0}));
}

}  // namespace

FigureGroup benchmarks(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Against published figures";
  g.source =
      "49 CFR 571.135, ECE R13-H and R78, not checked against their text: local law rules; comfort "
      "is common "
      "practice";
  for (const Benchmark& b : benchmarks_of(*in.job)) {
    const Message words = say("{}, {} g", b.words, Plain{b.z, 3});
    const Message limit = say("{} at most", force(b.limit_n, 0));
    if (b.verdict == Verdict::cannot_say)
      g.figures.push_back(unsaid(words, b.why));
    else if (b.effort_n > 0 && b.reached_z >= b.z - 1e-6)
      g.figures.push_back(
          judged(words, b.effort_n, Kind::force, 0, b.verdict == Verdict::holds, limit));
    else
      g.figures.push_back(judged(words, b.reached_z, Kind::number, 2, false, b.why));
  }
  return g;
}

FigureGroup holding(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Holding still";
  g.source = "statics; holding is not stopping";
  const auto m = plan_model(in);
  if (!m) {
    g.figures.push_back(unsaid("Pedal force on the slope", m.error().reason).as(FigureId::slope));
    return g;
  }
  const double limit = in.strip.limits.effort_n;
  const auto add = [&](const char* words, const Expected<HoldResult>& r,
                       std::optional<FigureId> id = {}) {
    Figure f = held_figure(words, r, limit);
    f.id = id;
    g.figures.push_back(std::move(f));
  };
  add("Pedal force on the slope", hold_on_slope(*m, Angle{in.strip.plan.si(param::hold_slope)}),
      FigureId::slope);
  Condition unassisted;
  unassisted.assist_alive = false;
  if (const auto off = plan_model(in, unassisted); off && has_assist(*in.job, As::plan))
    add("On the slope without assist",
        hold_on_slope(*off, Angle{in.strip.plan.si(param::hold_slope)}));
  if (in.strip.plan.known(param::hold_stall_torque) && in.strip.plan.known(param::hold_gears)) {
    add("Pedal force against the engine",
        hold_engine(*m, Torque{in.strip.plan.si(param::hold_stall_torque)},
                    in.strip.plan.si(param::hold_gears)),
        FigureId::engine);
    Condition dead;
    dead.assist_alive = false;
    if (const auto off = plan_model(in, dead))
      add("The same without assist",
          hold_engine(*off, Torque{in.strip.plan.si(param::hold_stall_torque)},
                      in.strip.plan.si(param::hold_gears)));
  } else {
    g.figures.push_back(
        unsaid("Pedal force against the engine", "stall torque and gear ratio are not both known")
            .as(FigureId::engine));
  }
  return g;
}

}  // namespace yoke::groups
