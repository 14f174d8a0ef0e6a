// The two arms: what their doubts do to the ratio, what another hole would give, and where a hole
// would have to be for every limit to be kept.
#include <algorithm>
#include <cmath>

#include "document/param/arms.hpp"
#include "document/param/bores.hpp"
#include "document/param/pedal.hpp"
#include "figures/groups.hpp"
#include "sizing/sweep.hpp"

namespace yoke::groups {

namespace {

/// Shares of a ratio's doubt, arm by arm: first-order propagation of independent doubts.
struct ArmDoubt {
  double ratio = 0;
  double of_pad = 0;  ///< of the ratio
  double of_pin = 0;
  [[nodiscard]] double share() const { return std::hypot(of_pad, of_pin); }
};

std::optional<ArmDoubt> arm_doubt(const Values& v) {
  const auto ratio = arm_ratio(v);
  const Value& pad = v.at(param::control_pad_arm);
  const Value& pin = v.at(param::control_pin_arm);
  if (!ratio || !pad.known() || !pin.known()) return std::nullopt;
  return ArmDoubt{*ratio, pad.uncertainty_si / pad.si, pin.uncertainty_si / pin.si};
}

Figure error_bar(const ArmDoubt& d) {
  return told(
      "Ratio", d.ratio, Kind::number, 2,
      say("±{}: ±{} % by the short arm, ±{} % by the long one", Plain{d.ratio * d.share(), 2},
          Plain{d.of_pin * 100, 1}, Plain{d.of_pad * 100, 1}));
}

/// The ratios that fit the plan's own bore and assist, in steps too fine to drill.
struct Fit {
  double least = 0;
  double most = 0;
};

std::optional<Sweep> own_row(const FigureInputs& in, std::vector<double> ratios) {
  const Value bore = in.strip.plan.at(param::master_bore);
  if (!bore.known() || in.strip.plan.is(choice::MasterKind::twin)) return std::nullopt;
  SweepRequest q;
  q.limits = in.strip.limits;
  q.bores_m = {bore.si};
  q.ratios = std::move(ratios);
  q.threads = 1;
  auto s = sweep(*in.job, q);
  if (!s) return std::nullopt;
  return std::move(*s);
}

std::optional<Fit> fitting(const FigureInputs& in) {
  std::vector<double> ratios;
  for (int i = 0; i <= 100; ++i) ratios.push_back(2.0 + 0.08 * i);
  const auto s = own_row(in, std::move(ratios));
  if (!s) return std::nullopt;
  for (const Feasible& f : feasible(*s))
    if (f.any) return Fit{f.least_ratio, f.most_ratio};
  return std::nullopt;
}

/// The pin's distance for a ratio, everything else of the linkage kept.
double hole_for(double ratio, const ArmDoubt& now, const Values& v) {
  return v.si(param::control_pin_arm) * now.ratio / ratio;
}

void add_needed(FigureGroup& g, const FigureInputs& in, const ArmDoubt& now) {
  const Values& v = in.strip.plan;
  if (!in.strip.plan_system.system || in.strip.clutch) return;
  const auto fit = fitting(in);
  if (!fit) {
    g.figures.push_back(words_only("Hole that keeps every limit",
                                   "none with this bore and assist; the map shows what would"));
    return;
  }
  const double near_m = hole_for(fit->most, now, v);
  const double far_m = hole_for(fit->least, now, v);
  const double middle_m = (near_m + far_m) / 2;
  g.figures.push_back(
      told("Hole that keeps every limit", middle_m, Kind::length, 1,
           say("from the pivot, ±{}: {} to {}, ratio {} to {}; a constant ratio, the rod's angle "
               "judged after drilling",
               length((far_m - near_m) / 2, 1), length(near_m, 1), length(far_m, 1),
               Plain{fit->least, 2}, Plain{fit->most, 2})));
  g.figures.push_back(told("Each millimetre of the hole moves force by", 1e-3 / middle_m,
                           Kind::fraction, 1, "and travel the other way"));
}

void add_hole(FigureGroup& g, const FigureInputs& in, const ArmDoubt& now, Param hole) {
  const Value& h = in.strip.plan.at(hole);
  if (!h.known()) return;
  const Values& v = in.strip.plan;
  const double ratio = now.ratio * v.si(param::control_pin_arm) / h.si;
  const double doubt = std::hypot(h.uncertainty_si / h.si, now.of_pad) * ratio;
  const Message words = say("Hole at {}", length(h.si, 1));
  const Message bar = say("ratio {} ±{}", Plain{ratio, 2}, Plain{doubt, 2});
  const auto s = own_row(in, {ratio});
  if (!s || s->cells.empty()) {
    g.figures.push_back(words_only(words, bar));
    return;
  }
  const Cell& c = s->cells.front();
  Figure f = told(words, c.effort_n, Kind::force, 0,
                  say("{}, {} of travel: {}", bar, length(c.travel_m, 0), c.reason));
  f.verdict = c.verdict;
  g.figures.push_back(std::move(f));
}

}  // namespace

FigureGroup ratio(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Ratio, arms and holes";
  g.source = "lever arms; first-order propagation of what each was measured with";
  const Values& v = in.strip.plan;
  const auto now = arm_doubt(v);
  if (!now) {
    g.figures.push_back(
        unsaid("Ratio", cannot_say({v.known(param::control_pad_arm) ? param::control_pin_arm
                                                                    : param::control_pad_arm})));
    return g;
  }
  g.figures.push_back(error_bar(*now));
  if (v.known(param::control_overall)) {
    const double false_ratio =
        now->ratio * v.si(param::control_overall) / v.si(param::control_pad_arm);
    g.figures.push_back(told("Ratio if the whole length were an arm", false_ratio, Kind::number, 2,
                             "it is none: measure to the middle of the pedal pad"));
  }
  for (const Param hole : {param::control_hole1, param::control_hole2, param::control_hole3})
    add_hole(g, in, *now, hole);
  add_needed(g, in, *now);
  return g;
}

}  // namespace yoke::groups
