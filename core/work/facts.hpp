// What the work is about, read once from the job: what comes off, what goes on, what stays. The
// families of steps ask these.
#pragma once

#include <vector>

#include "document/job.hpp"
#include "rod/ends.hpp"

namespace yoke {

struct WorkFacts {
  bool hand = false;          ///< a hand lever, so a motorcycle
  bool clutch = false;        ///< the pedal works a clutch
  bool first_clutch = false;  ///< nothing hydraulic was there before
  bool concentric = false, concentric_old = false;
  bool clutch_slave_new = false, gearbox_out = false;
  bool old_works = false;        ///< there is an old hydraulic pedal to measure
  bool unit_new = false;         ///< another master
  bool rebuild = false;          ///< the fitted master is rebuilt
  bool unit_out = false;         ///< the fitted master leaves its place
  bool unit_on = false;          ///< a master goes on, new, rebuilt or on another booster
  bool booster_between = false;  ///< the master hangs on a booster that stays
  bool rod_out = false;          ///< the pedal's rod is taken off its pin
  bool rod_set = false;          ///< it gets another length
  bool rod_stays = false;        ///< the unit's rod cannot come out again
  bool rod_staked = false;       ///< and is not kept as its maker made it
  bool pedal_new = false;
  bool assist_out = false, assist_on = false;
  bool vacuum_old = false, hydraulic_old = false, electric_old = false, remote_old = false;
  bool vacuum = false, hydraulic = false, electric = false, remote = false;
  bool booster = false, booster_old = false;  ///< of a kind that carries the master
  bool servo_on = false, servo_gone = false;
  bool assist_unknown = false;  ///< nobody said whether assist is fitted
  bool stored = false;          ///< fitted assist keeps a charge
  bool tandem = false, twin = false, single_to_tandem = false;
  bool front_changed = false, rear_changed = false, front_to_disc = false, rear_to_disc = false;
  bool front_disc = false, rear_disc = false;
  bool valve = false;  ///< a proportioning valve goes in
  bool new_lines = false;
  bool joints = false;   ///< joints at the unit, the servo or the slave are opened
  bool drained = false;  ///< the reservoir is drawn down first
  bool warning_switch = false;
  bool bled_on_car = false;  ///< the master is bled by itself where it is bolted
  bool wet = false;          ///< fluid has to go in again
  bool apart = false;        ///< something comes off
  bool new_parts = false;
  bool other_face = false;  ///< holes for the new unit
  bool nuts_bad = false;    ///< line nuts rusted or rounded
  bool silicone = false;
  WorkPlace unit_place = WorkPlace::bay;
  Message drill;  ///< sizes, where the new pattern does not bolt on
  Message cut;    ///< which end of the rod, where it is known
  std::vector<RetainedStep> kept;

  [[nodiscard]] Message retained(StepId id) const;
};
[[nodiscard]] WorkFacts work_facts(const Job& job);

}  // namespace yoke
