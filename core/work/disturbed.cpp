#include "work/disturbed.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "document/param/room.hpp"
#include "document/param/unit.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

struct Touch {
  StepId step;
  GateId gate;
};
/// What a step may undo: the gate that was passed before it is to be proved again.
constexpr Touch kTouches[] = {
#define TOUCHES(id, gate) {StepId::id, GateId::gate},
#include "work/families/all.inc"
};

}  // namespace

std::vector<StepId> steps_touching(GateId gate) {
  std::vector<StepId> list;
  for (const Touch& t : kTouches)
    if (t.gate == gate) list.push_back(t.step);
  return list;
}

std::vector<DisturbedPart> disturbed_parts(const Job& job) {
  std::vector<DisturbedPart> list;
  const Values found = resolve(job, As::found);
  const Values plan = resolve(job, As::plan);
  const bool clutch = works_clutch(plan);
  const bool hand = pulled_by_hand(plan);
  const auto add = [&](bool is, const char* part, const char* by, const char* check) {
    if (is) list.push_back({part, by, check});
  };
  add(!clutch, "Brake lamp switch", "comes off with the push rod",
      "off at rest, on before pressure builds");
  add(found.known(param::unit_switch) && !found.is(choice::UnitSwitch::none), "Warning switch",
      "its plug is pulled with the unit", "lamp lights on test, goes out, lights when it should");
  add(found.known(param::unit_inlets) && !found.is(choice::UnitInlets::n0), "Reservoir grommets",
      "the reservoir is rocked out", "dry after a night, pulled by hand");
  add(has_assist(job, As::found) || has_assist(job, As::plan), "Vacuum or pressure hose",
      "moved with the booster", "valve the right way, clamp tight, pedal drops at engine start");
  add(hand, "Switch block, mirror and throttle", "share the bar with the lever's clamp",
      "in place, free from lock to lock, throttle snaps shut");
  add(!hand, "Bracket and its neighbours", "the unit's nuts hold the pedal box too",
      "every pedal on that bracket: height, play, free return");
  add(!clutch && !hand, "Clutch pedal or cable beside it", "pushed aside to reach the nuts",
      "free play and release as before");
  add(!hand, "Sound deadening and boot", "lifted off the firewall",
      "back in place, nothing under a pedal");
  add(!hand && found.known(param::room_engine), "Throttle linkage", "stands beside the pedal box",
      "returns by itself, opens fully, clear of the new rod");
  return list;
}

}  // namespace yoke
