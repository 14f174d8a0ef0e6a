#include "work/disturbed.hpp"

#include <algorithm>

#include "assembly/assemble.hpp"
#include "work/steps.hpp"

namespace yoke {

namespace {

struct Touch {
  const char* step;  ///< id, or the beginning of ids
  const char* gate;
};
constexpr Touch kTouches[] = {{"out.rod", "preload"},
                              {"out.rod", "retention"},
                              {"out.rod", "lamp"},
                              {"out.crack", "weep"},
                              {"out.residual", "residual"},
                              {"mount.", "firewall"},
                              {"rod.length", "preload"},
                              {"rod.length", "lamp"},
                              {"rod.output", "preload"},
                              {"rod.pin", "retention"},
                              {"lines.start", "weep"},
                              {"lines.start", "circuits"},
                              {"lines.start", "sink"},
                              {"lines.valve", "weep"},
                              {"lines.hoses", "weep"},
                              {"lines.hoses", "lines"},
                              {"lines.support", "lines"},
                              {"assist.", "assist_drop"},
                              {"assist.", "no_assist"},
                              {"assist.bar", "bar"},
                              {"lamp.switch", "lamp"},
                              {"fill.fluid", "fluid"},
                              {"fill.fluid", "sink"},
                              {"fill.fluid", "reserve"},
                              {"fill.fluid", "failed_circuit"},
                              {"clutch.", "release"},
                              {"clutch.", "over_travel"},
                              {"clutch.", "wear_room"}};

bool begins(const std::string& text, std::string_view with) {
  return text.rfind(with, 0) == 0;
}

}  // namespace

std::string disturbed_since(const Job& job, const std::string& gate) {
  const auto g = job.gates.find(gate);
  if (g == job.gates.end() || g->second.state != GateState::passed || !is_day(g->second.date))
    return {};
  for (const auto& [id, step] : job.steps) {
    if (!step.done || !is_day(step.date) || step.date <= g->second.date) continue;
    const bool touches = std::any_of(
        std::begin(kTouches), std::end(kTouches),
        [&, &step_id = id](const Touch& t) { return gate == t.gate && begins(step_id, t.step); });
    if (!touches) continue;
    std::string words = id;
    for (const Step& s : install_steps(job))
      if (s.id == id) words = s.text;
    return "Passed on " + g->second.date + ", but since then, on " + step.date + ": " + words +
           " Prove it again";
  }
  return {};
}

std::vector<DisturbedPart> disturbed_parts(const Job& job) {
  std::vector<DisturbedPart> list;
  const Values found = resolve(job, Which::found);
  const Values plan = resolve(job, Which::plan);
  const bool clutch = works_clutch(plan);
  const auto add = [&](bool is, const char* part, const char* by, const char* check) {
    if (is) list.push_back({part, by, check});
  };
  add(!clutch, "Brake lamp switch", "comes off with the push rod",
      "off at rest, on before pressure builds");
  add(found.known(Param::unit_switch) && !found.is(choice::UnitSwitch::none), "Warning switch",
      "its plug is pulled with the unit", "lamp lights on test, goes out, lights when it should");
  add(found.known(Param::unit_inlets) && !found.is(choice::UnitInlets::n0), "Reservoir grommets",
      "the reservoir is rocked out", "dry after a night, pulled by hand");
  add(has_assist(job, Which::found) || has_assist(job, Which::plan), "Vacuum or pressure hose",
      "moved with the booster", "valve the right way, clamp tight, pedal drops at engine start");
  add(true, "Bracket and its neighbours", "the unit's nuts hold the pedal box too",
      "every pedal on that bracket: height, play, free return");
  add(!clutch, "Clutch pedal or cable beside it", "pushed aside to reach the nuts",
      "free play and release as before");
  add(true, "Sound deadening and boot", "lifted off the firewall",
      "back in place, nothing under a pedal");
  add(found.known(Param::room_engine), "Throttle linkage", "stands beside the pedal box",
      "returns by itself, opens fully, clear of the new rod");
  return list;
}

}  // namespace yoke
