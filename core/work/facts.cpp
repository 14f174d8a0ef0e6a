#include "work/facts.hpp"

#include <algorithm>
#include <cmath>

#include "assembly/assemble.hpp"
#include "document/param/age.hpp"
#include "document/param/arms.hpp"
#include "document/param/assist_kind.hpp"
#include "document/param/bleed_kit.hpp"
#include "document/param/bores.hpp"
#include "document/param/brakes.hpp"
#include "document/param/clutch.hpp"
#include "document/param/control.hpp"
#include "document/param/limits.hpp"
#include "document/param/lines.hpp"
#include "document/param/rod_ends.hpp"
#include "document/param/unit.hpp"
#include "document/param/valves.hpp"
#include "fitting/pattern.hpp"
#include "quantity/drills.hpp"
#include "rod/rod.hpp"

namespace yoke {

namespace {

using choice::AssistKind;
using choice::BrakeKind;
using choice::ClutchKind;
using choice::TargetJob;

/// The plan says otherwise than what is fitted; false while either is unknown.
bool differs(const Job& job, Param p) {
  const Value was = value_of(job, As::found, p);
  const Value is = value_of(job, As::plan, p);
  if (!was.known() || !is.known()) return false;
  const double gap = info(p).kind == Kind::choice ? 0.5 : 0.002 * std::abs(was.si) + 1e-6;
  return std::abs(was.si - is.si) > gap;
}

bool any_differs(const Job& job, std::initializer_list<Param> list) {
  return std::any_of(list.begin(), list.end(), [&job](Param p) { return differs(job, p); });
}

bool told(const Job& job, std::initializer_list<Group> groups) {
  return std::any_of(all_params().begin(), all_params().end(), [&](const ParamInfo& p) {
    const auto& m = job.found.at(p.param);
    return m && m->known() && std::find(groups.begin(), groups.end(), p.group) != groups.end();
  });
}

bool to_disc(const Job& job, Param kind) {
  const auto now = value_of(job, As::plan, kind).as<BrakeKind>();
  return is(job, As::found, kind, BrakeKind::drum) && now && *now != BrakeKind::drum;
}

bool is_disc(const Job& job, Param kind) {
  const auto now = value_of(job, As::plan, kind).as<BrakeKind>();
  return now && *now != BrakeKind::drum;
}

void read_brakes(const Job& job, WorkFacts& f) {
  f.front_to_disc = to_disc(job, param::front_kind);
  f.rear_to_disc = to_disc(job, param::rear_kind);
  f.front_disc = is_disc(job, param::front_kind);
  f.rear_disc = is_disc(job, param::rear_kind);
  f.front_changed = replaced(job, param::front_kind);
  f.rear_changed = replaced(job, param::rear_kind);
  f.valve = is(job, As::plan, choice::ValveKind::proportioning) &&
            !is(job, As::found, choice::ValveKind::proportioning);
}

void read_clutch(const Job& job, WorkFacts& f, std::optional<TargetJob> kind) {
  f.concentric = is(job, As::plan, ClutchKind::concentric);
  f.concentric_old = is(job, As::found, ClutchKind::concentric);
  f.first_clutch = kind == TargetJob::cable || is(job, As::found, choice::ControlUse::brake);
  f.clutch_slave_new =
      f.first_clutch || kind == TargetJob::clutch || replaced(job, param::clutch_kind);
}

void read_assist(const Job& job, WorkFacts& f) {
  const auto was = [&job](AssistKind k) { return is(job, As::found, k); };
  const auto now = [&job](AssistKind k) { return is(job, As::plan, k); };
  f.vacuum_old = was(AssistKind::vacuum);
  f.hydraulic_old = was(AssistKind::hydraulic);
  f.electric_old = was(AssistKind::electric);
  f.remote_old = was(AssistKind::remote);
  f.vacuum = now(AssistKind::vacuum);
  f.hydraulic = now(AssistKind::hydraulic);
  f.electric = now(AssistKind::electric);
  f.remote = now(AssistKind::remote);
  f.booster = f.vacuum || f.hydraulic || f.electric;
  f.booster_old = f.vacuum_old || f.hydraulic_old || f.electric_old;
  const bool changed = replaced(job, param::assist_kind);
  f.assist_out = changed && (f.booster_old || f.remote_old);
  f.assist_on = changed && (f.booster || f.remote);
  f.servo_on = f.remote && f.assist_on;
  f.servo_gone = f.remote_old && f.assist_out && !f.remote;
  f.assist_unknown = !f.hand && !value_of(job, As::found, param::assist_kind).known();
  f.stored = f.vacuum_old || f.hydraulic_old || f.remote_old;
}

void read_master(const Job& job, WorkFacts& f, std::optional<TargetJob> kind) {
  f.tandem = has_two_circuits(job, As::plan);
  f.twin = is(job, As::plan, choice::MasterKind::twin);
  f.single_to_tandem = f.tandem && is(job, As::found, choice::MasterKind::single);
  f.unit_new = f.single_to_tandem || f.first_clutch || replaced(job, param::master_bore);
  using enum TargetJob;
  if (kind == master || kind == circuits || kind == lever) f.unit_new = true;
  const bool other = f.front_changed || f.rear_changed || f.assist_on || f.assist_out ||
                     f.clutch_slave_new || f.pedal_new;
  f.rebuild = !f.unit_new && told(job, {Group::gauge, Group::kit});
  // A plan that says of nothing what changes is about the whole of what the pedal works.
  if (!kind && !other && !f.rebuild && !f.unit_new) f.unit_new = f.clutch_slave_new = true;
  f.clutch_slave_new = f.clutch_slave_new && f.clutch;
  const bool booster_moves = (f.assist_on && f.booster) || (f.assist_out && f.booster_old);
  f.unit_out = !f.first_clutch && (f.unit_new || f.rebuild || booster_moves);
  f.unit_on = f.unit_out || f.unit_new;
  f.booster_between = f.booster_old && !f.assist_out;
  f.rod_out =
      !f.first_clutch && (f.pedal_new || booster_moves || (f.unit_out && !f.booster_between));
}

void read_rod(const Job& job, WorkFacts& f) {
  const RodReport rod = rod_report(job);
  const bool changes = rod.total && std::abs(rod.total->value()) >= kLeastRodChange_m;
  f.rod_set = changes && (f.rod_out || f.unit_on);
  if (f.rod_set) f.rod_out = true;
  if (f.rod_set && value_of(job, As::plan, param::rod_end).known())
    f.cut = ends_report(job, rod).cut;
  f.kept = retained_report(job).steps;
  f.rod_stays = !f.kept.empty() && f.unit_on;
  const Value staked = value_of(job, As::plan, param::rod_staked);
  f.rod_staked = f.unit_on && staked.known() && !staked.is(choice::RodStaked::maker);
  if (f.first_clutch) f.rod_out = true;  // a rod goes on where a cable hung
}

void read_face(const Job& job, WorkFacts& f) {
  const PatternReport pattern = pattern_report(job);
  if (!pattern.new_pattern.studs.empty() && !pattern.bolts_on) {
    const double hole = clearance_hole_m(pattern.new_pattern.studs.front().diameter_m);
    f.drill = say("Drill {} first, then {}.", drill_words(pilot_hole_m(hole)), drill_words(hole));
  }
  f.other_face =
      !f.hand && f.unit_on &&
      ((f.assist_on && f.booster) || f.single_to_tandem || f.first_clutch || !f.drill.empty());
}

}  // namespace

Message WorkFacts::retained(StepId id) const {
  const auto it =
      std::find_if(kept.begin(), kept.end(), [id](const RetainedStep& s) { return s.id == id; });
  return it == kept.end() ? Message() : it->text;
}

WorkFacts work_facts(const Job& job) {
  WorkFacts f;
  const auto kind = value_of(job, As::plan, param::target_job).as<TargetJob>();
  f.hand = pulled_by_hand(job);
  f.unit_place = f.hand ? WorkPlace::bars : WorkPlace::bay;
  f.clutch = is(job, As::plan, choice::ControlUse::clutch);
  f.silicone = is(job, As::plan, choice::FluidGrade::n5);
  f.pedal_new = !f.hand && any_differs(job, {param::control_pad_arm, param::control_pin_arm,
                                             param::control_kind, param::control_hinge});
  if (f.clutch) {
    read_clutch(job, f, kind);
  } else {
    read_brakes(job, f);
    read_assist(job, f);
  }
  read_master(job, f, kind);
  f.gearbox_out = f.clutch_slave_new && (f.concentric || f.concentric_old);
  read_rod(job, f);
  read_face(job, f);
  const Value nuts = value_of(job, As::found, param::age_nuts);
  f.nuts_bad = nuts.known() && !nuts.is(choice::AgeNuts::clean);
  f.old_works = !f.first_clutch;
  f.new_lines = f.single_to_tandem || f.servo_on || f.first_clutch;
  f.joints = f.unit_on || f.servo_on || f.servo_gone || f.clutch_slave_new;
  f.drained = f.unit_out || f.servo_on || (f.clutch_slave_new && !f.first_clutch);
  const Value lamp = value_of(job, As::plan, param::unit_switch);
  f.warning_switch = lamp.known() && !lamp.is(choice::UnitSwitch::none);
  f.bled_on_car = value_of(job, As::plan, param::bleed_bench).is(choice::BleedBench::car);
  f.wet =
      f.joints || f.front_changed || f.rear_changed || f.valve || f.front_to_disc || f.rear_to_disc;
  f.apart = f.unit_out || f.assist_out || f.rod_out || f.wet || f.gearbox_out;
  f.new_parts = f.unit_on || f.assist_on || f.front_changed || f.rear_changed ||
                f.clutch_slave_new || f.pedal_new || f.valve;
  return f;
}

}  // namespace yoke
