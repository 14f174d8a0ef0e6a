// What is fitted, what is wrong with it, how old it is, and what was changed before.
#include <fmt/format.h>

#include <algorithm>

#include "document/param/symptom.hpp"
#include "figures/groups.hpp"
#include "proving/hypotheses.hpp"
#include "survey/before_curve.hpp"
#include "survey/gauging.hpp"
#include "survey/identity.hpp"
#include "survey/kit.hpp"
#include "survey/rules.hpp"
#include "survey/slack.hpp"

namespace yoke::groups {

void add_causes(FigureGroup& g, const Diagnosis& d, std::size_t most) {
  if (d.unexplained)
    g.figures.push_back(unsaid("None of these explains it",
                               "no cause, alone or with another, fits all that was entered: read "
                               "it again, or look for what is not listed"));
  for (std::size_t i = 0; i < std::min(most, d.ranked.size()); ++i) {
    const Hypothesis& h = d.ranked[i];
    if (i > 0 && h.weight < 0.01) break;
    const Message note = sized_advice(h);
    // Weights compare the causes listed, one at a time: none is ever certain.
    if (d.unexplained)
      g.figures.push_back(words_only(say("Closest {}. {}", i + 1, h.words), note));
    else
      g.figures.push_back(
          told(say("{}. {}", i + 1, h.words), std::min(h.weight, 0.99), Kind::fraction, 0, note));
  }
}

namespace {

Message listed(const std::vector<Message>& list, std::size_t most = 6) {
  const std::size_t n = std::min(most, list.size());
  const Message told = joined({list.begin(), list.begin() + static_cast<std::ptrdiff_t>(n)}, "; ");
  return list.size() > n ? say("{} and {} more", told, list.size() - n) : told;
}

void add_consequences(FigureGroup& g, const std::vector<Consequence>& list) {
  for (const Consequence& c : list) {
    Figure f = words_only(c.what, c.remedy);
    if (c.severity != Severity::note) {
      f.verdict = Verdict::fails;
    }
    g.figures.push_back(std::move(f));
  }
}

/// Fluid behind each pump step, and what sinks.
void pump_figures(FigureGroup& g, const FigureInputs& in, const Symptoms& s) {
  const Values& v = in.strip.found;
  const auto bore = equivalent_bore(v);
  const auto ratio = arm_ratio(v);
  if (!s.first_m && !s.sink_m) return;
  if (!bore || !ratio) {
    g.figures.push_back(
        unsaid("Fluid behind a pump step", "bore and both pedal arms of the fitted system needed"));
    return;
  }
  const double per_pad = circle_area(*bore).value() / *ratio;
  const auto step = [&](const char* words, const std::optional<double>& a,
                        const std::optional<double>& b) {
    if (a && b)
      g.figures.push_back(told(words, (*a - *b) * per_pad, Kind::volume, 1,
                               say("the pedal rises {}", length((*a - *b), 0))));
  };
  step("First pump takes up", s.first_m, s.second_m);
  step("The next pumps take up", s.second_m, s.third_m);
  if (!s.second_m) step("Pumping takes up", s.first_m, s.third_m);
  if (s.sink_m) {
    const double a_minute = *s.sink_m * per_pad / s.hold_s * 60;
    g.figures.push_back(judged("Passes under a steady foot, a minute", a_minute, Kind::volume, 2,
                               *s.sink_m <= 2e-3,
                               say("{} in {} s", length(*s.sink_m, 0), Plain{s.hold_s, 0})));
  }
}

}  // namespace

FigureGroup symptoms(const FigureInputs& in) {
  FigureGroup g;
  const Symptoms s = symptoms_of(in.strip.found);
  if (!s.any() && in.job->before.empty()) return g;
  g.title = "What is wrong as found";
  const Assembly& a = in.strip.found_system;
  const bool pressed = !in.strip.clutch && a.system && a.system->wheels;
  g.source = pressed ? "each cause at its best size, two at once where none alone explains it, "
                       "AICc; never above 99 %; rules "
                       "of what was felt: common "
                       "practice"
                     : "by rule alone, common practice: brakes as found are not all known";
  pump_figures(g, in, s);
  const Diagnosis d = diagnose_symptoms(pressed ? &*a.system : nullptr, in.job->before, s);
  if (!d.refusal.empty()) {
    g.figures.push_back(unsaid("Likeliest cause", d.refusal));
    return g;
  }
  add_causes(g, d, 4);
  if (!d.next_test.empty()) g.figures.push_back(words_only("Cheapest next test", d.next_test));
  return g;
}

FigureGroup slack(const FigureInputs& in) {
  FigureGroup g;
  const SlackBudget b = slack_budget(in.strip.found);
  const bool felt = in.strip.found.known(param::symptom_rod_play) ||
                    in.strip.found.known(param::symptom_pivot_play) ||
                    in.strip.found.known(param::symptom_pin_wear);
  if (!felt) return g;
  g.title = "Slack before anything moves, at the pedal";
  g.source = "play at the rod times the ratio";
  for (const SlackPart& p : b.parts) g.figures.push_back(told(p.words, p.pad_m, Kind::length, 1));
  g.figures.push_back(told("All of it", b.sum_m, Kind::length, 1,
                           b.share_of_first
                               ? say("{} % of the first press", Plain{*b.share_of_first * 100, 0})
                               : Message()));
  if (!b.missing.empty()) g.figures.push_back(unsaid("Not felt yet", listed(b.missing)));
  if (in.strip.found.known(param::symptom_side_play))
    g.figures.push_back(judged("Sideways", in.strip.found.si(param::symptom_side_play),
                               Kind::length, 1, in.strip.found.si(param::symptom_side_play) <= 6e-3,
                               "over 6 mm the bushes are worn out"));
  return g;
}

/// What a gauge read beside what the model says of the brakes as found at the same pad force.
void gauge_figures(FigureGroup& g, const FigureInputs& in) {
  const ConditionReport found = condition_report(in.strip, ConditionId::found, 128);
  const bool has_booster = has_assist(*in.job, As::found);
  int n = 0;
  for (const Reading& r : in.job->before) {
    ++n;
    if (!r.pressure_pa) continue;
    Message note = say("press {}", n);
    // The curve as found has its assist working: a press without it is not on that curve.
    if (found.curve && (r.assist_alive || !has_booster)) {
      const auto& points = found.curve->points;
      const auto at =
          std::lower_bound(points.begin(), points.end(), r.force_n,
                           [](const FeelPoint& p, double f) { return p.pad_force_n < f; });
      if (at != points.end() && at != points.begin()) {
        const auto low = std::prev(at);
        const double span = at->pad_force_n - low->pad_force_n;
        const double part = span > 0 ? (r.force_n - low->pad_force_n) / span : 0;
        const double calc = low->pressure_pa + part * (at->pressure_pa - low->pressure_pa);
        note = say("{}, calculated {}", note, amount(calc, Kind::pressure, 2));
      }
    } else if (has_booster) {
      note = say("{}, assist off", note);
    }
    g.figures.push_back(told("Gauge", *r.pressure_pa, Kind::pressure, 2, note));
  }
}

FigureGroup before(const FigureInputs& in) {
  FigureGroup g;
  const auto& list = in.job->before;
  if (list.empty()) return g;
  g.title = "The pedal before anything was changed";
  const BeforeCurve b = before_curve(*in.job, in.strip);
  g.source = b.by_model ? "the found system's own shape, fitted; weighted least squares"
                        : "a caliper brake's shape, fitted; weighted least squares";
  g.figures.push_back(told("Readings kept", static_cast<double>(list.size()), Kind::number, 0));
  gauge_figures(g, in);
  if (!b.because.empty()) {
    g.figures.push_back(unsaid("Slope and dead stroke", b.because));
    return g;
  }
  g.figures.push_back(
      told("Dead stroke", b.dead_m, Kind::length, 0,
           say("± {}, before anything pushes back", length(b.dead_uncertainty_m, 0))));
  g.figures.push_back(told(
      "Slope at the firmest press", b.slope_n_m, Kind::spring_rate, 1,
      say("± {}; it stiffens on the way", amount(b.slope_uncertainty_n_m, Kind::spring_rate, 1))));
  g.figures.push_back(told("Readings lie within", b.misfit_m, Kind::length, 1));
  return g;
}

FigureGroup identity(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Identity of the fitted unit";
  g.source = "rules of the trade, common practice; press figures from the model";
  const ConditionReport r = condition_report(in.strip, ConditionId::found, 0);
  const Identity id = identify(*in.job, in.strip.found, &r);
  g.figures.push_back(words_only("It is", id.name));
  g.figures.push_back(words_only("Known", say("{} of {} dimensions", id.known, id.asked)));
  Figure two = words_only("One bore or two", id.two_bores_words);
  if (id.two_bores == TwoBores::unknown) two.verdict = Verdict::cannot_say;
  if (id.two_bores == TwoBores::likely) two.verdict = Verdict::fails;
  g.figures.push_back(std::move(two));
  if (id.missing.empty()) {
    g.figures.push_back(words_only("Not measured", "nothing: the card is full"));
  } else {
    std::vector<Message> names;
    for (const Param p : id.missing) names.push_back(Message::of_table(info(p).words));
    g.figures.push_back(unsaid("Not measured", listed(names, 8)));
  }
  add_consequences(g, id.wrong);
  if (id.wrong.empty())
    g.figures.push_back(words_only("Wrong for this vehicle", "nothing speaks for it so far"));
  return g;
}

FigureGroup ageing(const FigureInputs& in) {
  FigureGroup g;
  const auto list = ageing_consequences(in.strip.found);
  bool asked = false;
  for (const ParamInfo& p : all_params())
    asked = asked || (p.group == Group::ageing && in.strip.found.known(p.param));
  if (!asked) return g;
  g.title = "Disturbed, it breaks";
  g.source = "common practice, no source";
  add_consequences(g, list);
  std::vector<Message> order;
  for (const Consequence& c : list)
    if (!c.order.empty()) order.push_back(c.order);
  g.figures.push_back(words_only("Have in hand first",
                                 order.empty() ? Message("nothing so far") : listed(order, 12)));
  return g;
}

FigureGroup gauge(const FigureInputs& in) {
  FigureGroup g;
  bool asked = false;
  for (const ParamInfo& p : all_params())
    asked = asked || (p.group == Group::gauge && in.strip.found.known(p.param));
  if (!asked) return g;
  g.title = "Bore for a rebuild";
  g.source = "limits are common practice, no source: the maker's win";
  const GaugeReport r = gauge_report(in.strip.found);
  Figure verdict = words_only("Verdict", Message::of_table(rebuild_words(r.verdict)));
  verdict.verdict = r.verdict == RebuildVerdict::not_enough ? Verdict::cannot_say
                    : r.verdict == RebuildVerdict::rebuild || r.verdict == RebuildVerdict::hone
                        ? Verdict::holds
                        : Verdict::fails;
  g.figures.push_back(std::move(verdict));
  for (const Message& b : r.because) g.figures.push_back(words_only("Because", b));
  const auto add = [&](const char* words, const std::optional<double>& m, double limit) {
    if (m)
      g.figures.push_back(
          judged(words, *m, Kind::length, 3, *m <= limit, say("{} at most", length(limit, 2))));
  };
  if (r.largest_m) g.figures.push_back(told("Largest bore", *r.largest_m, Kind::length, 3));
  add("Out of round", r.ovality_m, kMostOvality_m);
  add("Taper", r.taper_m, kMostTaper_m);
  add("Piston clearance", r.clearance_m, kMostClearance_m);
  if (r.squeeze)
    g.figures.push_back(judged("Cup squeezed by", *r.squeeze, Kind::fraction, 1,
                               *r.squeeze >= kLeastSqueeze, "3 % at least"));
  if (r.pit_in_sweep)
    g.figures.push_back(words_only(
        "The pit", *r.pit_in_sweep ? "lies where the cup runs" : "lies outside the cup's run"));
  if (!r.missing.empty()) g.figures.push_back(unsaid("Measure for a verdict", listed(r.missing)));
  return g;
}

FigureGroup kit(const FigureInputs& in) {
  FigureGroup g;
  bool asked = false;
  for (const ParamInfo& p : all_params())
    asked = asked || (p.group == Group::kit &&
                      (in.strip.found.known(p.param) || in.strip.plan.known(p.param)));
  if (!asked) return g;
  g.title = "Repair kit against the unit";
  g.source = "what may be machined is common practice, no source";
  const KitReport r = kit_report(in.strip.found, in.strip.plan);
  Figure verdict = words_only("The kit is", Message::of_table(kit_words(r.verdict)));
  verdict.verdict = r.verdict == KitVerdict::no           ? Verdict::fails
                    : r.verdict == KitVerdict::not_enough ? Verdict::cannot_say
                                                          : Verdict::holds;
  g.figures.push_back(std::move(verdict));
  for (const Message& t : r.reasons) g.figures.push_back(words_only("Because", t));
  if (r.rod_change_m)
    g.figures.push_back(told("Push rod longer by", *r.rod_change_m, Kind::length, 2));
  if (!r.missing.empty()) g.figures.push_back(unsaid("Measure for a verdict", listed(r.missing)));
  return g;
}

FigureGroup upstream(const FigureInputs& in) {
  FigureGroup g;
  const auto list = upstream_consequences(in.strip.found);
  if (list.empty()) return g;
  g.title = "Changed before: what no longer holds";
  g.source = "common practice, no source";
  add_consequences(g, list);
  return g;
}

}  // namespace yoke::groups
