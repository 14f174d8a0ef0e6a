#include "session/bleed_view.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/control.hpp"
#include "document/param/lines.hpp"
#include "proving/estimate.hpp"
#include "work/bleed_count.hpp"
#include "work/bleed_level.hpp"

namespace yoke {

namespace {

/// Fluid is bought and opened in round figures: rounded up to 10 cm³.
Amount fluid_at_hand(const BleedPlan& plan) {
  return in_full(std::ceil(plan.fluid.value() * 1e5) / 1e5, Kind::volume, 0);
}

/// The chamber that feeds it, and its port; filled from below, its brim.
void tell_level(const ChamberLevel& c, BleedLine& line) {
  line.outlet = c.outlet == Outlet::primary ? 1 : 2;
  if (c.rises)
    line.level = c.bare() ? Message("by the count the reservoir ran over")
                          : plural(c.strokes_left, "{} mark until the reservoir runs over",
                                   "{} marks until the reservoir runs over");
  else
    line.level = c.bare() ? Message("by the count its port is bare: did it draw air?")
                          : plural(c.strokes_left, "{} count until its port is bare",
                                   "{} counts until its port is bare");
  if (c.typical && !c.bare()) line.level = say("{}, by values that nobody measured", line.level);
}

void tell_push(const BleedRecord& r, BleedLine& line) {
  line.by_push = true;
  if (!r.push_m)
    line.push = "no push measured yet";
  else if (r.push_then_m)
    line.push = say("last push {}, before it {}", amount(*r.push_m, Kind::length, 1),
                    amount(*r.push_then_m, Kind::length, 1));
  else
    line.push = say("last push {}", amount(*r.push_m, Kind::length, 1));
}

/// What is still lacking, after the row of clear ones.
Message lack_words(const ClearState& s, BleedWayId way) {
  const bool marks = counts_marks(way);
  switch (s.lack) {
    case ClearLack::content:
      return marks ? plural(s.counts_left, "{} mark more until its line is through",
                            "{} marks more until its line is through")
                   : plural(s.counts_left, "{} stroke more until its line is through",
                            "{} strokes more until its line is through");
    case ClearLack::unknown:
      return "not clear: what its line holds is not known";
    case ClearLack::beyond:
      return "the master alone: join the connector, then bleed the slave";
    case ClearLack::helper:
      return "bubbles tell nothing by vacuum: three strokes with a helper";
    case ClearLack::screw_open:
      return "not clear yet: does its nipple stand at the highest place?";
    case ClearLack::screw_low:
      return "not clear: its nipple is not at the highest place";
    case ClearLack::nothing:
    case ClearLack::bubbles:
    case ClearLack::push:
      break;
  }
  return {};
}

/// `helped`: by vacuum, at its end: every count is a helper's stroke.
void name_keys(BleedWayId way, bool helped, BleedLine& line) {
  const Amount mark = in_full(kMark_m3, Kind::volume, 0);
  line.clear_key = "Stroke, clear";
  line.bubbles_key = "Stroke, bubbles";
  line.refill_key = way == BleedWayId::reverse ? "Drawn down" : "Topped up";
  line.dry_key = way == BleedWayId::reverse ? "Air went in" : "It drew air";
  if (line.key == "bench" || !counts_marks(way)) return;
  if (way == BleedWayId::vacuum) {
    line.clear_key = "Helper's stroke, clear";
    line.bubbles_key = helped ? Message("Helper's stroke, bubbles") : say("{} drawn off", mark);
  } else if (way == BleedWayId::reverse) {
    line.clear_key = say("{} in, no bubble", mark);
    line.bubbles_key = say("{} in, bubbles", mark);
  } else {
    line.clear_key = say("{} out, clear", mark);
    line.bubbles_key = say("{} out, bubbles", mark);
  }
}

Message planned_words(const BleedRow& r, const BleedPlan& plan) {
  const Amount branch = amount(r.planned->branch.value(), Kind::volume, 0);
  const int outlet = r.planned->outlet == Outlet::primary ? 1 : 2;
  const int n = r.planned->strokes, every = r.planned->refill_every;
  switch (plan.way) {
    case BleedWayId::pressure:
      return say("outlet {}: {} marks clear its {}; the bottle keeps the level", outlet, n, branch);
    case BleedWayId::reverse:
      return say("outlet {}: {} marks clear its {}", outlet, n, branch);
    case BleedWayId::gravity:
    case BleedWayId::vacuum:
      return say("outlet {}: {} marks clear its {}; top up every {} marks", outlet, n, branch,
                 every);
    default:
      return say("outlet {}: {} strokes clear its {}; top up every {} strokes", outlet, n, branch,
                 every);
  }
}

BleedLine bleed_line(const Job& job, const BleedPlan& plan, const BleedRow& r, std::size_t place,
                     const std::vector<ChamberLevel>& levels) {
  BleedLine line;
  line.key = r.key;
  line.clear = r.state == BleedState::clear;
  if (const ChamberLevel* c = level_of(levels, r)) tell_level(*c, line);
  if (r.key == "bench" && chosen_bench(job) == BleedWayId::plugs) tell_push(r.done, line);
  if (r.wheel) {
    line.name = say("{}. {}", place, Message::of_table(wheel_words(*r.wheel)));
  } else if (place == 0) {
    line.name = "Master, on the bench";
    line.planned =
        "Short strokes of 10 to 25 mm, tubes or plugs; with plugs a bled master hardly moves.";
  } else {
    line.name = "Clutch slave";
    line.planned =
        "Nipple at the slave's highest point; clear strokes in a row, then the bite stays where it "
        "was.";
  }
  if (r.planned) line.planned = planned_words(r, plan);
  const ClearState clear = clear_state(job, plan, r.key);
  name_keys(plan.way, clear.lack == ClearLack::helper, line);
  const int counts = r.key == "bench" ? r.done.strokes : clear.counts;
  line.count = r.planned && r.planned->strokes > 0 ? say("{} of {}", counts, r.planned->strokes)
                                                   : say("{}", counts);
  line.state = line.clear ? (r.typical ? Message("✓ clear, by values that nobody measured")
                                       : Message("✓ clear"))
               : r.state == BleedState::not_begun ? Message("not begun")
               : r.done.clear_strokes >= kClearStrokes
                   ? Message("clear in a row")
                   : say("{} of {} clear in a row", r.done.clear_strokes, kClearStrokes);
  if (const Message lacks = lack_words(clear, plan.way);
      !lacks.empty() && r.state == BleedState::counting)
    line.state = say("{}; {}", line.state, lacks);
  line.refill_now = r.refill_due;
  if (line.by_push && r.state != BleedState::clear)
    line.state = say("{}; clear at {}", line.push, amount(kPlugPush_m, Kind::length, 0));
  // Clear or not, the level is as low: both are said.
  if (r.refill_due)
    line.state = plan.way == BleedWayId::reverse ? say("■ DRAW IT DOWN NOW\n{}", line.state)
                                                 : say("■ TOP UP NOW\n{}", line.state);
  return line;
}

}  // namespace

Message count_words(const Job& job, const std::string& key, BleedCount what) {
  BleedLine line;
  line.key = key;
  const BleedPlan plan = bleed_plan(job);
  name_keys(plan.way, clear_state(job, plan, key).lack == ClearLack::helper, line);
  return what == BleedCount::clear     ? line.clear_key
         : what == BleedCount::bubbles ? line.bubbles_key
         : what == BleedCount::refill  ? line.refill_key
                                       : line.dry_key;
}

BleedView bleed_view(const Job& job) {
  BleedView v;
  const BleedPlan plan = bleed_plan(job);
  v.has_order = plan.missing.empty() && !plan.refused && !plan.clutch;
  if (plan.clutch && plan.missing.empty())
    v.plan = say("{}. {} of fluid at hand.", plan.order_reason, fluid_at_hand(plan));
  else if (plan.refused)
    v.plan = say("{}. Strokes can be counted all the same.", plan.order_reason);
  else if (!plan.missing.empty())
    v.plan = say("{}. Strokes can be counted all the same.", cannot_say(plan.missing));
  else
    v.plan = say("{}: {} rounds, {} of fluid at hand.", plan.order_reason, plan.rounds,
                 fluid_at_hand(plan));
  if (plan.missing.empty() && !plan.typical.empty())
    v.typical =
        say("Typical, not measured: {}. The counts rest on them.", param_list(plan.typical));
  const auto levels = chamber_levels(job, plan);
  for (const BleedRow& r : bleed_rows(job, plan))
    v.lines.push_back(bleed_line(job, plan, r, v.lines.size(), levels));
  const bool bench = bench_asked(job);
  const auto next = std::find_if(v.lines.begin(), v.lines.end(), [bench](const BleedLine& l) {
    return !l.clear && (bench || l.key != "bench");
  });
  v.next = next == v.lines.end() ? 0 : static_cast<std::size_t>(next - v.lines.begin());
  std::vector<Message> around = plan.before;
  around.insert(around.end(), plan.after.begin(), plan.after.end());
  v.around = joined(around, ". ");
  return v;
}

std::vector<Message> air_left_words(const Job& job) {
  constexpr std::size_t kLast = 12;  // one round of presses
  const Assembly a = assemble(job, As::plan);
  if (!a.system || job.readings.size() < 3 || is(job, As::plan, choice::ControlUse::clutch))
    return {};
  const auto all = kept_readings(job.readings);
  if (all.size() < 3) return {};
  const std::size_t n = std::min(kLast, all.size());
  const std::vector<Reading> now(all.end() - static_cast<long>(n), all.end());
  const ReadingEstimate last = estimate_from_readings(*a.system, now, false);
  if (!last.air_m3()) return {say("Air left: {}. {}", last.refusal, last.next_measurement)};
  std::vector<Message> words{say("Air left by the last {} presses: {} ± {}", n,
                                 amount(last.air_m3()->value, Kind::volume, 1),
                                 amount(last.air_m3()->uncertainty, Kind::volume, 1))};
  if (const auto& first = last.at(Unknown::air_first); first && last.air_second)
    words.push_back(
        say("At outlet 1: {} ± {}; at outlet 2: {} ± {}, the air taken to stand behind "
            "the clamp",
            amount(first->value, Kind::volume, 1), amount(first->uncertainty, Kind::volume, 1),
            amount(last.air_second->value, Kind::volume, 1),
            amount(last.air_second->uncertainty, Kind::volume, 1)));
  else if (has_two_circuits(job, As::plan))
    words.emplace_back(
        "Both circuits together: which of them it is, no press on both can tell. Clamp the hoses "
        "of one outlet, press lightly and enter it under Prove: the pedal rises by what stands "
        "behind the clamps");
  const std::size_t before = std::min(kLast, all.size() - n);
  const std::vector<Reading> then(all.end() - static_cast<long>(n + before),
                                  all.end() - static_cast<long>(n));
  const ReadingEstimate first = estimate_from_readings(*a.system, then, false);
  const Value limit = value_of(job, As::plan, param::air_left);
  const bool too_much = last.air_m3()->value - last.air_m3()->uncertainty > limit.si;
  if (!first.air_m3() || !too_much ||
      last.air_m3()->value + last.air_m3()->uncertainty < first.air_m3()->value)
    return words;
  words.emplace_back("It no longer falls. Likeliest first, each with the test that tells it:");
  words.emplace_back(
      "A nipple below the highest place: turn or hang the caliper up, bleed it again");
  words.emplace_back("A master never bled by itself: slacken its line nuts in turn, bubbles there");
  words.emplace_back(
      "Vacuum drawn past a nipple's thread: bubbles with the pump, none with a helper");
  words.emplace_back("A flexible hose that swells: clamp it off, the pedal rises at once");
  words.emplace_back("Drum shoes too far away: a second press at once stands higher");
  return words;
}

}  // namespace yoke
