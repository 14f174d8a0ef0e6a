#include "survey/identity.hpp"

#include <cmath>

#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/control.hpp"
#include "document/param/master.hpp"
#include "document/param/unit.hpp"
#include "master/bores.hpp"
#include "parts/part.hpp"

namespace yoke {

namespace {

/// A bore by the name of its size where it has one.
Message bore_words(double m) {
  if (const BoreSize* b = named_bore(Length{m})) return Message::data(std::string(b->name));
  return say("{}", length(m, 2));
}

Message name_of(const Values& v) {
  std::vector<Message> parts;
  parts.push_back(v.known(param::master_kind) ? Message::of_table(option_words(
                                                    param::master_kind, v.si(param::master_kind)))
                                              : "Master of a kind not told");
  const bool take_up = v.known(param::master_step_bore) && v.is(choice::MasterKind::stepped);
  if (v.known(param::master_bore)) {
    const Message bore = bore_words(v.si(param::master_bore));
    parts.push_back(
        take_up ? say("bore {} with {} take-up", bore, bore_words(v.si(param::master_step_bore)))
                : say("bore {}", bore));
  }
  if (v.known(param::unit_studs) && v.known(param::unit_stud_pitch))
    parts.push_back(say("{} studs {} apart", stud_count(v).value_or(0),
                        length(v.si(param::unit_stud_pitch), 1)));
  for (const Param p : {param::unit_port1_thread, param::unit_port2_thread})
    if (v.known(p)) parts.push_back(Message::of_table(option_words(p, v.si(p))));
  return joined(parts, ", ");
}

void find_two_bores(const Values& v, Identity& id) {
  const bool cast = v.known(param::unit_cast_mark) && v.known(param::master_bore);
  const double off = cast ? v.si(param::unit_cast_mark) - v.si(param::master_bore) : 0;
  if (v.is(choice::MasterKind::stepped) && v.known(param::master_step_bore)) {
    id.two_bores = TwoBores::measured;
    id.two_bores_words = "two bores, both measured";
  } else if (v.is(choice::UnitBodyStep::yes)) {
    id.two_bores = TwoBores::likely;
    id.two_bores_words = "the body steps up: measure the second bore before trusting the first";
  } else if (cast && std::abs(off) > kCastTolerance_m) {
    id.two_bores = TwoBores::likely;
    id.two_bores_words =
        say("cast {} but measured {}: two bores, a sleeve, or another body",
            bore_words(v.si(param::unit_cast_mark)), bore_words(v.si(param::master_bore)));
  } else if (v.known(param::unit_body_step) || cast) {
    id.two_bores = TwoBores::no;
    id.two_bores_words = cast ? Message("one bore, as cast") : "no step: one bore";
  } else {
    id.two_bores_words = "unknown: look for a step in the body, and for a cast number";
  }
}

Consequence hint(FindingCode code, Message what, Message remedy) {
  return {std::move(what), std::move(remedy), "", Severity::warning, code};
}

void front_fed_wrongly(const Values& v, Identity& id) {
  if (!v.known(param::unit_front_outlet)) return;
  const Outlet made = v.is(choice::UnitFrontOutlet::n1) ? Outlet::primary : Outlet::secondary;
  const auto left = outlet_of(v, Wheel::front_left);
  const auto right = outlet_of(v, Wheel::front_right);
  const auto rear = outlet_of(v, Wheel::rear_left);
  if (!left || !right || left != right || (rear && rear == left)) return;
  if (*left != made)
    id.wrong.push_back(hint(FindingCode::identity_front_outlet,
                            "Its maker feeds the front by the other outlet",
                            "Trace both lines; chambers and inner valves belong to an axle"));
}

void discs_on_drum_unit(const Values& v, Identity& id) {
  for (const Wheel w : {Wheel::front_left, Wheel::rear_left}) {
    const auto o = outlet_of(v, w);
    const Param kind = of_axle(param::front_kind, axle_of(w));
    if (!o || !v.known(kind) || v.is(kind, choice::BrakeKind::drum)) continue;
    const Param inside = *o == Outlet::primary ? param::master_residual1 : param::master_residual2;
    if (v.is(inside, choice::MasterResidual::residual))
      id.wrong.push_back(hint(FindingCode::identity_drum_unit,
                              "A drum master's inner residual valve feeds discs",
                              "Another unit, or take the valve out with its maker's leave"));
  }
  const auto disc = [&v](Param kind) {
    return v.known(kind) && !v.is(kind, choice::BrakeKind::drum);
  };
  const bool any_disc = disc(param::front_kind) || disc(param::rear_kind);
  if (v.is(choice::MasterKind::stepped) && v.is(param::front_kind, choice::BrakeKind::drum) &&
      v.is(param::rear_kind, choice::BrakeKind::drum))
    id.wrong.push_back(hint(FindingCode::identity_take_up,
                            "A take-up master was made for calipers with a large running "
                            "clearance; these are drums all round",
                            "Ask where it came from; a plain bore is the usual unit here"));
  // A hand lever's master has one circuit by its nature.
  if (any_disc && v.is(choice::MasterKind::single) && v.is(choice::ControlKind::pedal))
    id.wrong.push_back(hint(FindingCode::identity_single,
                            "A single-circuit master with discs: no unit was sold so for long",
                            "A tandem master keeps one circuit"));
}

void press_says(const ConditionReport* r, Identity& id) {
  if (!r || !r->target) return;
  if (!r->target->reached)
    id.wrong.push_back(hint(FindingCode::identity_short,
                            say("As found it cannot reach the target stop: {}", r->reason),
                            "Too small a bore, too little stroke, or other brakes than it was "
                            "made for"));
  else if (r->verdict == Verdict::fails)
    id.wrong.push_back(hint(FindingCode::identity_feel, say("As found: {}", r->reason),
                            "Bore and ratio do not suit these brakes; see Size"));
}

}  // namespace

Identity identify(const Job& job, const Values& v, const ConditionReport* found_report) {
  Identity id;
  id.name = name_of(v);
  find_two_bores(v, id);
  const Matrix m = compare(job, part_kind_of(job), job.found);
  for (const MatrixRow& r : m.rows) {
    ++id.asked;
    if (r.fitted)
      ++id.known;
    else
      id.missing.push_back(r.param);
  }
  front_fed_wrongly(v, id);
  discs_on_drum_unit(v, id);
  press_says(found_report, id);
  return id;
}

}  // namespace yoke
