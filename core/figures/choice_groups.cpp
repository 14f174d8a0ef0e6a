// Which assist, what a larger bore conceals, which chamber and valve where, and what expires later.
#include <fmt/format.h>

#include "figures/groups.hpp"
#include "master/bores.hpp"
#include "sizing/assist_choice.hpp"
#include "sizing/changes.hpp"
#include "survey/rules.hpp"
#include "work/disturbed.hpp"
#include "work/steps.hpp"
#include "work/tools.hpp"

namespace yoke::groups {

namespace {

Message bore_name(double bore_m) {
  if (const BoreSize* b = named_bore(Length{bore_m})) return Message::of_table(b->name);
  return say("{}", length(bore_m, 2));
}

}  // namespace

FigureGroup assist_need_group(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Is assist needed at all?";
  g.source = "the plan pressed by the leg alone";
  const AssistNeed n = assist_need(*in.job);
  if (!n.because.empty()) {
    g.figures.push_back(unsaid("By the leg alone", n.because));
    return g;
  }
  if (!n.reached)
    g.figures.push_back(judged("By the leg alone", n.effort_n, Kind::force, 0, false,
                               "and the target stop is not reached"));
  else
    g.figures.push_back(judged("By the leg alone", n.effort_n, Kind::force, 0, !n.needed,
                               say("{} is your limit", force(n.limit_n, 0))));
  if (!n.needed) {
    g.figures.push_back(words_only("Assist", "not needed with this bore and ratio"));
    return g;
  }
  if (n.ratio)
    g.figures.push_back(
        told("Avoided by the ratio alone, from", *n.ratio, Kind::number, 2, "all limits kept"));
  if (n.bore_m)
    g.figures.push_back(words_only("Avoided by the bore alone, up to", bore_name(*n.bore_m)));
  if (!n.ratio && !n.bore_m) {
    if (n.both)
      g.figures.push_back(words_only("Avoided by both", say("{} at {}:1", bore_name(n.both->first),
                                                            Plain{n.both->second, 2})));
    else
      g.figures.push_back(words_only("Avoided by", "no bore and ratio of the map: it is needed"));
  }
  return g;
}

FigureGroup assist_types(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Assist by type, best first";
  g.source = "worst supply stated; usual sizes of a type are common practice";
  int place = 0;
  for (const AssistChoice& c : assist_choices(*in.job)) {
    std::vector<Message> notes;
    const auto more = [&notes](Message t) { notes.push_back(std::move(t)); };
    if (c.dead_effort_n)
      more(say("dead {}", force(*c.dead_effort_n, 0)));
    else if (!c.because.empty())
      more(c.because);
    if (!c.fails.empty()) more(c.fails);
    for (const auto& a : c.against) more(a);
    if (!c.unknown.empty()) more(say("{} not told", c.unknown.front()));
    Figure f;
    f.words = say("{}. {}", ++place, c.words);
    f.si = c.effort_n;
    f.kind = Kind::force;
    f.note = joined(notes, "; ");
    f.verdict = !c.effort_n             ? Verdict::cannot_say
                : c.works && c.possible ? c.verdict
                                        : Verdict::fails;
    g.figures.push_back(std::move(f));
  }
  return g;
}

FigureGroup concealed(const FigureInputs& in) {
  FigureGroup g;
  const ConcealReport r = concealed_faults(in.strip.found, in.strip.plan);
  if (!r.because.empty() || r.shorter_by_geometry <= 0.005) return g;
  g.title = "What the new bore merely conceals";
  g.source = "volume over bore area times ratio";
  g.figures.push_back(told("Any fluid travel shorter by", r.shorter_by_geometry, Kind::fraction, 0,
                           "by bore and ratio alone"));
  for (const Concealed& c : r.faults) {
    g.figures.push_back(told(say("As found: {}", c.fault), c.before_m, Kind::length, 0,
                             say("{}", Amount{c.volume_m3, Kind::volume, 1})));
    g.figures.push_back(
        judged("With the plan, the same fault", c.after_m, Kind::length, 0, c.hidden_m() < 3e-3,
               say("{} of the better pedal is geometry, no cure", length(c.hidden_m(), 0))));
  }
  return g;
}

FigureGroup plain_bore(const FigureInputs& in) {
  FigureGroup g;
  const PlainBore r = plain_for_take_up(in.strip);
  if (!r.applies) return g;
  g.title = "A plain bore in place of the take-up one";
  g.source = "volume to the take-up's end, from the model";
  if (!r.because.empty()) {
    g.figures.push_back(unsaid("Take-up given away", r.because));
    return g;
  }
  g.figures.push_back(told("Take-up given away", r.volume_m3, Kind::volume, 1));
  g.figures.push_back(told("More pedal travel", r.extra_m, Kind::length, 0));
  Figure f = words_only("Calipers",
                        r.calipers_too
                            ? say("their running clearance takes {}: change to calipers that run "
                                  "close, or keep the take-up master",
                                  Amount{r.clearance_m3, Kind::volume, 1})
                            : Message("may stay: their clearance is small beside the rest"));
  f.verdict = r.calipers_too ? Verdict::fails : Verdict::holds;
  g.figures.push_back(std::move(f));
  return g;
}

FigureGroup chambers(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Which chamber for which axle";
  g.source = "piston area times wear; a quarter more for a lean: common practice";
  const ChamberReport r = chamber_report(in.strip);
  if (!r.because.empty()) {
    g.figures.push_back(unsaid("Fluid drawn by full wear", r.because));
    return g;
  }
  for (const ChamberUse& u : r.chambers) {
    const Message words = u.front && u.rear ? say("Front and rear draw, outlet {}",
                                                  u.outlet == Outlet::primary ? 1 : 2)
                          : u.front         ? Message("Front draws")
                                            : Message("Rear draws");
    if (u.measured)
      g.figures.push_back(
          judged(words, u.drawn_m3, Kind::volume, 0, u.enough,
                 say("its chamber holds {}", amount(u.chamber_m3, Kind::volume, 0))));
    else
      g.figures.push_back(unsaid(
          words, say("{}, and its chamber is not measured", amount(u.drawn_m3, Kind::volume, 0))));
  }
  Figure f = words_only(r.swap ? "Swap" : "So", r.advice);
  if (r.swap) f.verdict = Verdict::fails;
  g.figures.push_back(std::move(f));
  g.figures.push_back(told("A single remote bottle needs", r.needs_m3, Kind::volume, 0));
  return g;
}

FigureGroup valves(const FigureInputs& in) {
  FigureGroup g;
  if (in.strip.clutch) return g;
  g.title = "Residual valves: fit or remove";
  g.source = "common practice, no source; never against the maker";
  for (const Consequence& c : residual_rules(in.strip.plan)) {
    Figure f = words_only(c.what, c.remedy);
    if (c.severity != Severity::note)
      f.verdict = Verdict::fails;
    else if (c.code == FindingCode::valves_unknown || c.code == FindingCode::valves_height)
      f.verdict = Verdict::cannot_say;
    g.figures.push_back(std::move(f));
  }
  return g;
}

FigureGroup disturbed(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Moved on the way: check again";
  g.source = "common practice, no source";
  for (const DisturbedPart& p : disturbed_parts(*in.job))
    g.figures.push_back(words_only(p.part, say("{}: {}", p.by, p.check)));
  return g;
}

FigureGroup tools(const FigureInputs& in) {
  FigureGroup g;
  g.title = "Tools to have ready";
  g.source = "common practice, no source; the nut is measured before it is turned";
  for (const ToolNeed& t : tool_list(*in.job))
    g.figures.push_back(t.unknown ? unsaid(t.what, say("{}: thread not known", t.why))
                                  : words_only(t.what, t.why));
  for (const Step& s : install_steps(*in.job))
    if (s.call && !is_done(*in.job, s))
      g.figures.push_back(words_only(say("Two people: {}", s.text),
                                     say("you {}; helper {}; call {}; alone: {}", s.call->you,
                                         s.call->helper, s.call->words, s.call->alone)));
  return g;
}

FigureGroup later(const FigureInputs& in) {
  FigureGroup g;
  if (in.job->later.empty()) return g;
  g.title = "What later conversions make wrong";
  g.source = "common practice, no source";
  for (const Later& l : in.job->later)
    for (const Consequence& c : later_consequences(l.what, in.strip.plan))
      g.figures.push_back(words_only(
          l.date.empty() ? Message::of_table(words_of_value(l.what))
                         : say("{}, {}", Message::of_table(words_of_value(l.what)), l.date),
          c.remedy.empty() ? c.what : say("{}: {}", c.what, c.remedy)));
  return g;
}

}  // namespace yoke::groups
