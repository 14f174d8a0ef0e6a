#include "work/steps.hpp"

#include <cmath>

#include "fitting/pattern.hpp"
#include "quantity/drills.hpp"
#include "rod/ends.hpp"
#include "rod/rod.hpp"

namespace yoke {

namespace {

/// What the plan changes, read once.
struct Facts {
  bool assist_new = false;
  bool assist_there = false;
  bool vacuum = false;
  bool hydraulic = false;
  bool electric = false;
  bool single_to_tandem = false;
  bool tandem = false;
  bool front_to_disc = false;
  bool rear_to_disc = false;
  bool master_new = false;
  bool rod_changes = false;
  bool valve = false;
  bool silicone = false;
  bool remote = false;
  bool twin = false;
  bool clutch = false;
  bool hand = false;
  bool concentric = false;
  Message drill;                       ///< sizes, where the new pattern does not bolt on
  Message cut;                         ///< which end, where it is known
  std::vector<RetainedStep> retained;  ///< steps of a rod that stays in
};

Facts facts_of(const Job& job) {
  Facts f;
  f.assist_there = has_assist(job, As::plan);
  f.vacuum = is(job, As::plan, choice::AssistKind::vacuum);
  f.hydraulic = is(job, As::plan, choice::AssistKind::hydraulic);
  f.electric = is(job, As::plan, choice::AssistKind::electric);
  f.assist_new = f.assist_there && !has_assist(job, As::found);
  f.tandem = has_two_circuits(job, As::plan);
  f.single_to_tandem = f.tandem && is(job, As::found, choice::MasterKind::single);
  const auto to_disc = [&](Param kind) {
    const auto now = value_of(job, As::plan, kind).as<choice::BrakeKind>();
    return is(job, As::found, kind, choice::BrakeKind::drum) && now &&
           *now != choice::BrakeKind::drum;
  };
  f.front_to_disc = to_disc(Param::front_kind);
  f.rear_to_disc = to_disc(Param::rear_kind);
  const Value bore_old = value_of(job, As::found, Param::master_bore);
  const Value bore_new = value_of(job, As::plan, Param::master_bore);
  f.master_new = f.single_to_tandem || (bore_old.known() && bore_new.known() &&
                                        std::abs(bore_old.si - bore_new.si) > 3e-5);
  const RodReport rod = rod_report(job);
  f.rod_changes = rod.total && std::abs(rod.total->value()) >= kLeastRodChange_m;
  f.valve = is(job, As::plan, choice::ValveKind::proportioning);
  f.silicone = is(job, As::plan, choice::FluidGrade::n5);
  f.clutch = is(job, As::plan, choice::ControlUse::clutch);
  f.hand = pulled_by_hand(job);
  f.concentric = f.clutch && is(job, As::plan, choice::ClutchKind::concentric);
  f.remote = !f.clutch && is(job, As::plan, choice::AssistKind::remote);
  f.twin = !f.clutch && is(job, As::plan, choice::MasterKind::twin);
  if (f.clutch)
    f.valve = f.front_to_disc = f.rear_to_disc = f.vacuum = f.hydraulic = f.electric = false;
  const PatternReport pattern = pattern_report(job);
  if (!pattern.new_pattern.studs.empty() && !pattern.bolts_on) {
    const double hole = clearance_hole_m(pattern.new_pattern.studs.front().diameter_m);
    f.drill = say("Drill {} first, then {}.", drill_words(pilot_hole_m(hole)), drill_words(hole));
  }
  if (f.rod_changes && value_of(job, As::plan, Param::rod_end).known())
    f.cut = ends_report(job, rod).cut;
  f.retained = retained_report(job).steps;
  return f;
}

class List {
 public:
  void part(Message name) { part_ = std::move(name); }
  List& add(StepId id, Message text) {
    steps_.push_back({id, part_, std::move(text), "", std::nullopt, ""});
    return *this;
  }
  List& caution(Message words) {
    steps_.back().caution = std::move(words);
    return *this;
  }
  List& measure(Param p) {
    steps_.back().measure = p;
    return *this;
  }
  List& because(Message words) {
    steps_.back().because = std::move(words);
    return *this;
  }
  std::vector<Step> take() { return std::move(steps_); }

 private:
  Message part_;
  std::vector<Step> steps_;
};

void before(List& l, const Facts& f) {
  l.part("Before");
  l.add(StepId::before_stands,
        "Chock the wheels, lift, and set the car down on rated stands on firm ground.")
      .caution("Never work under a car held by a jack alone.");
  l.add(StepId::before_measure,
        "Measure pedal height, free play, pump-up and sink of the old pedal, and write them down.");
  l.add(StepId::before_parts,
        "Try every new part by hand first: thread, seat and circuit must all be right before "
        "anything comes off.");
  l.add(StepId::before_photos, "Photograph clips, pins and the order of washers.");
  l.add(StepId::before_fluid, "Gloves and goggles on; cover the paint; have water ready.")
      .caution(
          "Brake fluid strips paint and burns on a hot exhaust. Rinse spills with water at once.");
  if (f.assist_there && !f.assist_new)
    l.add(StepId::before_discharge, "Engine off, press the pedal 20 times to empty the booster.")
        .because("a booster is fitted");
}

void out(List& l, const Facts& f) {
  l.part("Out");
  l.add(StepId::out_reservoir, "Draw the reservoir down; soak the line nuts.");
  l.add(StepId::out_crack,
        "Crack the line nuts with a flare spanner while the master is still bolted down.")
      .caution(
          "A nut that turns the tube twists it off: soak again, or plan to cut and remake the "
          "line.");
  l.add(StepId::out_cap, "Cap every open line and port.");
  l.add(StepId::out_rod,
        "Take off clip, washer, pin, push rod and lamp switch; count them into a tray.");
  l.add(StepId::out_bushes,
        "Pedal loose: check the bushes for side play now, it is the only easy moment.");
  if (f.single_to_tandem)
    l.add(StepId::out_tee,
          "Remove the tee that joined front and rear lines; each axle or diagonal gets its own "
          "outlet.")
        .because("single circuit becomes tandem");
  if (f.front_to_disc || f.rear_to_disc)
    l.add(StepId::out_residual,
          f.front_to_disc && f.rear_to_disc
              ? "Find and remove any residual-pressure valve for drums in the front and rear lines "
                "and outlets."
          : f.front_to_disc ? "Find and remove any residual-pressure valve for drums in the front "
                              "line or outlet."
                            : "Find and remove any residual-pressure valve for drums in the rear "
                              "line or outlet.")
        .because("drums become discs")
        .caution(
            "A drum valve left in a disc circuit keeps the pads on: they heat, fade and may lock.");
}

void mount(List& l, const Facts& f) {
  if (f.assist_new || f.single_to_tandem || !f.drill.empty()) {
    l.part("Hole and mount");
    l.add(
         StepId::mount_template,
         "Mark the holes by the full-size template, compared with the unit's own face; drill small "
         "holes first, then open them.")
        .because(f.assist_new ? "a booster is added" : "the new master has another face");
    if (!f.drill.empty())
      l.add(StepId::mount_drill, f.drill).because("the new unit's studs, under Fit");
    l.add(StepId::mount_deburr,
          "Deburr and paint bare edges; fit spacers so that no box section is crushed.");
    l.add(StepId::mount_close, "Close every opening the old unit leaves in the firewall.")
        .caution("An open firewall hole lets fumes and fire into the car.");
  }
  if (f.master_new || f.rod_changes) {
    l.part("Rod");
    if (!f.cut.empty())
      l.add(StepId::rod_cut, say("{}.", f.cut)).because("the new unit's seat stands elsewhere");
    for (const RetainedStep& s : f.retained)
      l.add(s.id, s.text).because("the unit's rod cannot come out again");
    if (f.rod_changes)
      l.add(StepId::rod_length, "Set the push rod to its new length and lock it.")
          .measure(Param::control_rod_length)
          .because("the new unit's seat stands elsewhere");
    l.add(StepId::rod_pin, "Pin, washer and clip in: count them back out of the tray.")
        .caution("The rod is pulled each time a foot lifts the pedal. It must be captive.");
    l.add(StepId::rod_clearance,
          "Feel the free play at the pedal: the rod must not hold the piston on.")
        .measure(Param::control_rod_clearance)
        .caution("No clearance covers the return port: the brakes drag, heat and lock.");
  }
  if (f.assist_there)
    l.add(StepId::rod_output,
          "Measure the booster's output rod and the master's recess; set the gap between them.")
        .measure(Param::assist_output_gap)
        .because("a booster drives the master");
}

void clutch(List& l, const Facts& f) {
  l.part("Clutch");
  if (f.concentric) {
    l.add(StepId::clutch_stack_a, "Measure the stack: fingers, from the face the figure asks for.")
        .measure(Param::clutch_stack_a)
        .because("a slave around the shaft");
    l.add(StepId::clutch_stack_b, "Measure the stack: bearing, slave fully pushed in.")
        .measure(Param::clutch_stack_b)
        .because("a slave around the shaft");
    l.add(StepId::clutch_spacer, "Fit the spacer that gives the gap, one at most.")
        .measure(Param::clutch_spacer)
        .because("a slave around the shaft")
        .caution("Two spacers, or an old one not measured, press the fingers all the time.");
  } else {
    l.add(StepId::clutch_slave, "Mount the slave square to the fork; nipple at its highest point.");
    l.add(StepId::clutch_back, "Push the slave back by hand: measure how far it can still go.")
        .measure(Param::clutch_retraction)
        .because("worn linings move it back");
  }
  l.add(StepId::clutch_short,
        "Start with the rod at its shortest; lengthen to clean release, no further.")
      .caution("Beyond the cover's travel the fingers or the cover break.");
}

void lines(List& l, const Facts& f) {
  l.part("Lines");
  l.add(StepId::lines_start,
        "Start every nut by hand with the master loose, then tighten the master.");
  l.add(StepId::lines_dry, "Flare joints go together dry: no sealant, no thread-locker.");
  if (f.single_to_tandem)
    l.add(StepId::lines_trace,
          "Trace each outlet to its wheels with a finger and enter it under Plumb.")
        .because("two outlets where there was one")
        .caution("A nut that screws in proves the thread, not the seat and not the circuit.");
  if (f.valve)
    l.add(StepId::lines_valve,
          "Fit the proportioning valve in the rear line, arrow towards the rear.")
        .because("a rear valve is planned");
  if (f.front_to_disc)
    l.add(StepId::lines_hoses,
          "Fit hoses that reach at full lock and full droop without pulling or rubbing.")
        .because("the front hoses meet calipers now");
  l.add(StepId::lines_support,
        "Clip the lines; keep them from heat and from everything that moves.");
}

void rest(List& l, const Facts& f) {
  if (f.assist_there) l.part("Assist");
  if (f.remote) {
    l.add(StepId::assist_servo_angle,
          "Servo nose 15 to 20° above level (10 to 20° accepted), breather within 30° of straight "
          "down: hold a phone against both.")
        .because("a remote servo");
    l.add(StepId::assist_servo_valve,
          "Vacuum from the full-bore nipple, never a breather's; the check valve blows free from "
          "servo to manifold only.")
        .because("a remote servo");
  }
  if (f.twin)
    l.add(StepId::assist_bar,
          "Bar square at rest, jam nuts tight; press, then press with either circuit open: it must "
          "not bind.")
        .because("two masters with a bar");
  if (f.vacuum) {
    l.add(StepId::assist_hose,
          "Vacuum hose to a full-bore nipple on the manifold, clamps on, check valve free from "
          "booster to manifold only.")
        .because("a vacuum booster");
    l.add(StepId::assist_vacuum, "Warm engine at idle: read the vacuum at the booster's hose.")
        .measure(Param::assist_vacuum);
  }
  if (f.hydraulic) {
    l.add(StepId::assist_purge,
          "Front wheels off the ground: fill, start, stop, top up until the level holds; then "
          "sweep the "
          "steering slowly from lock to lock, pressing the brake now and then; rest it an hour if "
          "it froths.")
        .because("a steering-fed booster")
        .caution("Keep hands clear of wheels and belts; never hold the steering at full lock.");
    l.add(StepId::assist_stored,
          "Engine off, press until the pedal turns hard: know how many assisted stops the store "
          "gives.")
        .because("a steering-fed booster");
  }
  if (f.electric) {
    l.add(StepId::assist_feeds,
          "Motor feed, control feed, switched wake line and ground, each fused at its source: it "
          "stays dead with one missing.")
        .because("an electric booster")
        .caution("Battery off while wiring. A chafed motor feed burns a car down.");
    l.add(StepId::assist_unpowered,
          "Work the pedal once without power: it must still brake, only harder.")
        .because("an electric booster");
  }
  if (!f.clutch) {
    l.part("Lamp");
    l.add(StepId::lamp_switch, "Brake lamp off at rest, on before pressure builds.")
        .caution("A dead brake lamp gets people hit from behind.");
  }
  l.part("Fill");
  l.add(StepId::fill_fluid,
        f.silicone ? "Fill with silicone fluid from a sealed bottle, only into a system "
                     "that held nothing else."
                   : "Fill with fresh fluid of the planned grade from a sealed bottle.")
      .caution(
          "Silicone (DOT 5) mixes with no other grade. Unknown fluid is drained, not topped up.");
  l.add(StepId::fill_weep,
        "Wipe every opened joint and watch it: now, after a hard press, after the first drive.");
  if (!f.hand)
    l.add(StepId::fill_height, "Measure the pedal's height at rest as built.")
        .measure(Param::control_rest_height);
}

}  // namespace

std::vector<Step> install_steps(const Job& job) {
  const Facts f = facts_of(job);
  List l;
  before(l, f);
  out(l, f);
  mount(l, f);
  if (f.clutch) clutch(l, f);
  lines(l, f);
  rest(l, f);
  return l.take();
}

}  // namespace yoke
