#include "rod/ends.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/rod.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/unit.hpp"

#include <algorithm>
#include <cmath>

namespace yoke {

namespace {

const char* const kPractice = "common practice, no source";

Amount mm(double m) {
  return length(m, 2);
}

/// Which end is cut, and why: the ball and the eye never are.
Message cut_words(const Values& v, double change_m) {
  if (std::abs(change_m) < kLeastRodChange_m) return "Nothing to cut: the rod stays";
  const bool shorter = change_m < 0;
  const Amount much = mm(std::abs(change_m));
  if (!v.known(param::rod_end))
    return shorter ? say("Shorten by {}; which end cannot be said: say where its thread is", much)
                   : say("Lengthen by {}; which end cannot be said: say where its thread is", much);
  const auto end = v.choice<param::rod_end>();
  if (shorter && end == choice::RodEnd::thread_pedal)
    return say(
        "Cut {} off the threaded end at the pedal, unless its fork takes so much more "
        "thread: the ball keeps its maker's shape",
        much);
  if (shorter && end == choice::RodEnd::thread_ball)
    return say("Cut {} off the threaded end at the ball, then set the ball end on it", much);
  if (shorter)
    return "A rod without thread is not cut and welded: turn a new one, or thread its pedal end";
  if (end == choice::RodEnd::plain) return "Make a longer rod: never weld a piece in";
  return say("Lengthen by {} at the adjuster while the thread holds, or make a longer rod", much);
}

/// Turns until the first end has too little thread left, or none to run over.
void limits(const Values& v, EndsReport& r) {
  if (!r.per_turn_m || *r.per_turn_m <= 0 || !v.known(param::rod_diameter)) return;
  const bool two = !v.is(choice::RodCoupling::fork);
  const double jam = v.known(param::rod_jam) ? v.si(param::rod_jam) : 0;
  const double p1 = v.si(param::rod_pitch);
  const double p2 = v.known(param::rod_pitch2) ? v.si(param::rod_pitch2) : p1;
  const auto least = [](std::optional<double>& turns, double t) {
    turns = std::min(turns.value_or(1e9), std::max(0.0, t));
  };
  const double need = v.si(param::rod_diameter);
  if (v.known(param::rod_engaged)) least(r.turns_longer, (v.si(param::rod_engaged) - need) / p1);
  if (v.known(param::rod_thread_spare))
    least(r.turns_shorter, (v.si(param::rod_thread_spare) - jam) / p1);
  if (!two) return;
  // With both ends the same hand the second end runs the other way.
  const bool same = v.is(choice::RodCoupling::same);
  if (v.known(param::rod_engaged2))
    least(same ? r.turns_shorter : r.turns_longer, (v.si(param::rod_engaged2) - need) / p2);
  if (v.known(param::rod_thread_spare2))
    least(same ? r.turns_longer : r.turns_shorter, (v.si(param::rod_thread_spare2) - jam) / p2);
  // How far it may be turned is not known while one of its ends is not.
  const auto forget = [&v](std::optional<double>& turns, Param needed) {
    if (!v.known(needed)) turns.reset();
  };
  forget(same ? r.turns_shorter : r.turns_longer, param::rod_engaged2);
  forget(same ? r.turns_longer : r.turns_shorter, param::rod_thread_spare2);
  if (v.known(param::rod_engaged2) && v.known(param::rod_engaged) &&
      std::abs(v.si(param::rod_engaged) - v.si(param::rod_engaged2)) > need)
    r.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_uneven,
                          say("One end holds {}, the other {}", mm(v.si(param::rod_engaged)),
                              mm(v.si(param::rod_engaged2))),
                          "about equal at both ends", "Turn the ends in evenly before setting it",
                          kPractice});
}

}  // namespace

EndsReport ends_report(const Job& job, const RodReport& rod) {
  EndsReport r;
  const Values v = resolve(job, As::plan);
  r.cut = rod.total ? cut_words(v, rod.total->value()) : Message("Cannot say yet which end");
  if (rod.per_turn) r.per_turn_m = rod.per_turn->value();
  if (rod.ratio) r.pad_for_tenth_m = 0.1e-3 * *rod.ratio;
  if (r.per_turn_m && *r.per_turn_m <= 0) {
    r.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_no_adjustment,
                          "Two equal threads of the same hand move nothing when turned",
                          "different pitches, or a left and a right thread",
                          "Take one end off and turn it by itself", "geometry"});
    return r;
  }
  if (r.per_turn_m && rod.ratio) r.pad_per_turn_m = *r.per_turn_m * *rod.ratio;
  r.turns = rod.turns;
  limits(v, r);
  const auto past = [&](const std::optional<double>& most, double turns, const char* what) {
    if (most && turns > *most)
      r.findings.push_back(
          {Severity::hard, Stage::rod, FindingCode::rod_out_of_thread,
           say("{} turns are wanted, {} are there: {}", Plain{turns, 1}, Plain{*most, 1}, what),
           "one diameter of thread engaged at each end, jam nut aside",
           "Cut the rod and thread it further, or make another; never hang a pedal on less",
           kPractice});
  };
  if (r.turns && *r.turns > 0) past(r.turns_longer, *r.turns, "an end would pull out");
  if (r.turns && *r.turns < 0) past(r.turns_shorter, -*r.turns, "it bottoms first");
  return r;
}

OutputGap output_gap(const Values& v) {
  OutputGap g;
  if (!v.known(param::rod_recess)) g.missing.push_back(param::rod_recess);
  if (!v.known(param::rod_stick_off)) g.missing.push_back(param::rod_stick_off);
  const double depth = v.si(param::rod_recess) + v.si(param::rod_gasket);
  if (!v.known(param::rod_recess)) return g;
  if (v.known(param::rod_stick_off)) g.off_m = depth - v.si(param::rod_stick_off);
  if (v.known(param::rod_stick_on))
    g.on_m = depth - v.si(param::rod_stick_on);
  else
    g.missing.push_back(param::rod_stick_on);
  const auto worst = g.on_m && g.off_m ? std::optional(std::min(*g.on_m, *g.off_m))
                     : g.on_m          ? g.on_m
                                       : g.off_m;
  if (!worst) return g;
  g.adjust_m = kWantedOutputGap_m - *worst;
  if (*worst <= 0)
    g.findings.push_back({Severity::hard, Stage::rod, FindingCode::rod_output_preload,
                          say("The output rod holds the piston on: gap {}", mm(*worst)),
                          "more than 0", say("Take {} off it, or shim the master", mm(*g.adjust_m)),
                          kPractice});
  else if (*worst < kLeastOutputGap_m || *worst > kMostOutputGap_m)
    g.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_output_gap,
                          say("Output-rod gap {}", mm(*worst)),
                          "0.25 to 1.0 mm, 0.5 mm (0.020 in) usual",
                          *worst < kLeastOutputGap_m ? "Shorten the output rod or shim the master"
                                                     : "Lengthen the output rod: it is lost travel",
                          kPractice});
  return g;
}

HeightsReport heights_report(const Job& job) {
  HeightsReport h;
  const Values v = resolve(job, As::plan);
  const Values found = resolve(job, As::found);
  const double wish = v.si(param::rod_height_wish);
  const bool by_rod = v.is(choice::RodPedalStop::rod);
  h.said = !v.known(param::rod_pedal_stop)
               ? Message(
                     "What the pedal rests against is not known: a stop of its own keeps the "
                     "height, the rod alone moves it")
           : by_rod ? "The rod alone sets the height, and the piston's rest with it"
                    : "Its own stop sets the height; the rod sets the clearance";
  const bool hand = pulled_by_hand(v);
  if (!hand && found.known(param::control_rest_height)) {
    h.pad_before_m = found.si(param::control_rest_height);
    h.pad_after_m = *h.pad_before_m + wish;
    if (v.at(param::control_rest_height).as_built) h.pad_after_m = v.si(param::control_rest_height);
  }
  if (h.pad_after_m && v.known(param::rod_accelerator)) {
    h.above_accelerator_m = *h.pad_after_m - v.si(param::rod_accelerator);
    // 2 in aimed at by some, 3 in usable, 5-1/2 in dangerously high.
    const double above = *h.above_accelerator_m;
    if (above > 0.0762 || above < 0)
      h.findings.push_back({above > 0.12 || above < -0.01 ? Severity::warning : Severity::note,
                            Stage::rod, FindingCode::rod_accelerator,
                            say("The pedal stands {} above the accelerator", length(above, 0)),
                            "some builders aim for 2 in, 3 in is usable; a preference, not a rule",
                            "Lower the pedal, or move its pad", kPractice});
  }
  const Value lamp = v.at(param::lamp_switch);
  if (v.known(param::rod_lamp_travel) && (!lamp.known() || lamp.is(choice::LampSwitch::pedal))) {
    // The switch stays where it is: a pad that rests lower leaves it sooner.
    h.lamp_after_m = v.si(param::rod_lamp_travel) + wish;
  }
  return h;
}

RetainedReport retained_report(const Job& job) {
  RetainedReport r;
  const Values v = resolve(job, As::plan);
  if (!v.known(param::unit_rod_kept)) return r;
  using choice::UnitRodKept;
  r.applies = v.is(UnitRodKept::clipped) || v.is(UnitRodKept::captive);
  if (!r.applies)
    r.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_not_captive,
                          "Nothing keeps the rod in the unit", "captive: it is pulled at each lift",
                          "A clip, a boot that holds it, or a pin at both ends", kPractice});
  if (!r.applies) return r;
  const bool snaps = v.is(UnitRodKept::captive);
  r.steps.push_back({StepId::rod_retained_try,
                     "Try the length first: rod beside the unit, pedal at rest, clearance felt."});
  r.steps.push_back({StepId::rod_retained_look,
                     "Look into the socket with a lamp: no swarf, no old clip, only fluid or "
                     "rubber grease."});
  r.steps.push_back({StepId::rod_retained_keep,
                     snaps ? "Then click it home: it cannot come out again without breaking."
                           : "Then set the clip and turn it once around in its groove."});
  r.steps.push_back({StepId::rod_retained_pull,
                     "Pull with 200 N by luggage scale, away from the unit: it must stay."});
  if (v.known(param::rod_pull) && v.si(param::rod_pull) < 200)
    r.findings.push_back({Severity::warning, Stage::rod, FindingCode::rod_pull,
                          say("Pulled with {} only", force(v.si(param::rod_pull), 0)), "200 N",
                          "Pull again before it is mounted", kPractice});
  if (v.known(param::rod_staked) && !v.is(choice::RodStaked::maker) &&
      !v.is(choice::RodSigned::yes))
    r.findings.push_back(
        {Severity::hard, Stage::rod, FindingCode::rod_deviation,
         "The rod is kept in another way than its maker's, and nobody has signed it",
         "signed where local rules allow it at all",
         "Have it approved, or fit a unit whose rod is as its maker made it", kPractice});
  return r;
}

std::vector<Finding> return_findings(const Values& v) {
  std::vector<Finding> f;
  const char* remedy = "Shorten the rod; look for a swollen cup or a covered port";
  if (v.is(choice::RodReturns::no))
    f.push_back({Severity::hard, Stage::rod, FindingCode::rod_preload,
                 "No fluid returns at rest, cold", "a small fountain at each tap of the pedal",
                 remedy, kPractice});
  if (v.is(choice::RodReturnsHot::no))
    f.push_back({Severity::hard, Stage::rod, FindingCode::rod_preload,
                 "Wheels drag a minute after a hot press", "free after a minute", remedy,
                 kPractice});
  return f;
}

}  // namespace yoke
