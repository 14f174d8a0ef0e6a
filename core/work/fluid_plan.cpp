#include "work/fluid_plan.hpp"

#include <algorithm>

#include "document/param/circuits.hpp"
#include "document/param/control.hpp"
#include "document/param/fluid_plan.hpp"
#include "document/values.hpp"
#include "work/facts.hpp"

namespace yoke {

namespace {

using choice::FluidGrade;

/// What was said of it, never what is usual.
std::optional<FluidGrade> said(const Value& v) {
  return v.settled() ? v.as<FluidGrade>() : std::nullopt;
}
Message words(FluidGrade g) {
  return Message::of_table(option_words(param::fluid_grade, static_cast<double>(g)));
}
bool silicone(FluidGrade g) {
  return g == FluidGrade::n5;
}
/// DOT 3, 4, 5.1: each serves where a lower one is asked for. Silicone stands outside.
int rank(FluidGrade g) {
  return g == FluidGrade::n3 ? 0 : g == FluidGrade::n4 ? 1 : 2;
}

struct Asked {
  std::optional<FluidGrade> most;
  bool clash = false;  ///< one wants silicone, another glycol
};

Asked asked_by_parts(const Job& job, FluidPlan& plan) {
  Asked a;
  const bool clutch = is(job, As::plan, choice::ControlUse::clutch);
  std::vector<Param> who{clutch ? param::fluid_clutch : param::fluid_maker};
  if (!clutch && is(job, As::plan, choice::CircuitAntilock::fitted))
    who.push_back(param::fluid_antilock);
  for (const Param p : who) {
    const auto g = said(value_of(job, As::plan, p));
    if (!g) {
      plan.unasked.push_back(p);
      continue;
    }
    if (a.most && silicone(*a.most) != silicone(*g)) a.clash = true;
    if (!a.most || rank(*g) > rank(*a.most)) a.most = g;
  }
  return a;
}

void judge_grade(const Job& job, const Asked& asked, FluidPlan& p) {
  const Value rubber = value_of(job, As::plan, param::fluid_rubber);
  std::vector<Message> wrong;
  const bool antilock = is(job, As::plan, choice::CircuitAntilock::fitted) &&
                        !is(job, As::plan, choice::ControlUse::clutch);
  if (asked.clash) wrong.emplace_back("the makers ask for fluids that never mix");
  if (rubber.settled() && rubber.is(choice::FluidRubber::mineral))
    wrong.emplace_back("the rubber is made for mineral oil: every brake fluid ruins it");
  if (p.goes_in && silicone(*p.goes_in) && antilock)
    wrong.emplace_back("silicone froths in an anti-lock unit");
  if (p.goes_in && asked.most && !asked.clash) {
    if (silicone(*p.goes_in) != silicone(*asked.most))
      wrong.push_back(say("{} is asked for, {} goes in: they never mix", words(*asked.most),
                          words(*p.goes_in)));
    else if (rank(*p.goes_in) < rank(*asked.most))
      wrong.push_back(
          say("{} boils too early where {} is asked for", words(*p.goes_in), words(*asked.most)));
  }
  if (p.goes_in && p.is_in && silicone(*p.goes_in) != silicone(*p.is_in))
    wrong.push_back(say("{} is in it, {} goes in: only after the whole system was stripped",
                        words(*p.is_in), words(*p.goes_in)));
  if (!wrong.empty()) {
    p.grade = FluidVerdict::wrong;
    p.grade_says = joined(wrong, "; ");
  } else if (p.goes_in && p.unasked.empty() && rubber.settled()) {
    p.grade = FluidVerdict::good;
    p.grade_says = say("{} suits every part that was looked up", words(*p.goes_in));
  } else {
    p.grade_says = "the makers' grades or the rubber were not looked up";
  }
}

void judge_bottle(const Job& job, FluidPlan& p) {
  const Value open = value_of(job, As::plan, param::fluid_opened);
  if (!open.settled()) {
    p.opened_says = "not said how long the bottle is open";
  } else if (open.si > kOpenMonths) {
    p.opened = FluidVerdict::wrong;
    p.opened_says = say("Open for {} months; {} at most", Plain{open.si, 0}, Plain{kOpenMonths, 0});
  } else {
    p.opened = FluidVerdict::good;
    p.opened_says = open.si > 0 ? say("Open for {} months", Plain{open.si, 0}) : "A sealed bottle";
  }
  const Value have = value_of(job, As::plan, param::fluid_bottle);
  if (!p.needed_known || !have.settled()) {
    p.enough_says = p.needed_known ? Message("not said how much is at hand")
                                   : Message("what it takes cannot be said yet");
  } else {
    p.enough = have.si >= p.needed.value() ? FluidVerdict::good : FluidVerdict::wrong;
    p.enough_says = say("{} at hand, {} needed", amount(have.si, Kind::volume, 0),
                        amount(p.needed.value(), Kind::volume, 0));
  }
}

void plan_conversion(FluidPlan& p) {
  if (!p.goes_in || !p.is_in || silicone(*p.goes_in) == silicone(*p.is_in)) return;
  p.steps = {
      "Drain all of it, line by line, and blow the lines dry with clean air",
      "Master, calipers, cylinders and slave apart: clean, dry, new seals in all of them",
      "New flexible hoses: the old ones hold the old fluid in their walls",
      "Residual, metering and proportioning valves and the failure switch cleaned or renewed",
      "Wet every new seal with the new fluid only",
      "Label the reservoir with the grade, for whoever comes after",
      "Bleed slowly: silicone holds fine bubbles; bleed again after a night"};
}

}  // namespace

BoilingPoints boiling_points(FluidGrade grade) {
  switch (grade) {
    case FluidGrade::n3:
      return {205, 140};
    case FluidGrade::n4:
      return {230, 155};
    default:
      return {260, 180};
  }
}

FluidPlan fluid_plan(const Job& job) {
  FluidPlan p;
  p.is_in = said(value_of(job, As::found, param::fluid_grade));
  // What is in it does not say what goes in: a plan that is silent was not asked.
  const Value planned = value_of(job, As::plan, param::fluid_grade);
  if (!planned.inherited) p.goes_in = said(planned);
  const Asked asked = asked_by_parts(job, p);
  p.asked = asked.clash ? std::nullopt : asked.most;
  const BleedPlan bleed = bleed_plan(job);
  p.needed_known = bleed.missing.empty() && !bleed.refused && bleed.fluid.value() > 0;
  p.needed = bleed.fluid;
  judge_grade(job, asked, p);
  const bool dry = !work_facts(job).old_works;  // nothing was ever in it
  p.known = p.goes_in && (p.is_in || dry) ? FluidVerdict::good : FluidVerdict::open;
  judge_bottle(job, p);
  plan_conversion(p);
  return p;
}

}  // namespace yoke
