// Odd jobs as files, each with its order read line by line and stored, and the traps that a list
// made for another job walks into.
#include <catch2/catch.hpp>
#include <filesystem>
#include <fstream>
#include <sstream>

#include "files/store.hpp"
#include "judge/findings.hpp"
#include "proving/gates.hpp"
#include "support/build.hpp"
#include "work/steps.hpp"
#include "work/tools.hpp"

using namespace yoke;
namespace fs = std::filesystem;

namespace {

fs::path orders() {
  return fs::path(YOKE_SOURCE_DIR) / "tests" / "fixtures" / "orders";
}

Job job_of(const std::string& name) {
  const auto opened = open_job(orders() / (name + ".yoke"));
  if (!opened) FAIL(english(opened.error().text()));
  return opened->job;
}

struct Read {
  std::vector<std::string> keys;
  explicit Read(const std::string& name) {
    for (const Step& s : install_steps(job_of(name))) keys.push_back(s.key);
  }
  [[nodiscard]] bool has(const char* key) const {
    return std::find(keys.begin(), keys.end(), key) != keys.end();
  }
  /// All there, one after the other.
  [[nodiscard]] bool in_order(std::initializer_list<const char*> list) const {
    auto from = keys.begin();
    for (const char* key : list) {
      from = std::find(from, keys.end(), key);
      if (from == keys.end()) return false;
      ++from;
    }
    return true;
  }
  [[nodiscard]] bool none(std::initializer_list<const char*> list) const {
    return std::none_of(list.begin(), list.end(), [this](const char* k) { return has(k); });
  }
};

/// All that the order knows of a step.
std::string line_of(const Step& s) {
  std::string line = s.key + " | " + std::string(words_of_value(s.place));
  if (s.hands > 1) line += ", " + std::to_string(s.hands) + " people";
  if (s.wait_s > 0) line += ", wait " + std::to_string(s.wait_s) + " s";
  if (s.presses) line += ", presses";
  if (s.by_bleeding) line += ", by bleeding";
  if (s.measure) line += ", measures " + std::string(info(*s.measure).id);
  line += " |";
  for (const Need& n : s.needs) line += " " + n.key;
  line += " |";
  for (const GateId g : s.touches) line += " " + std::string(key(g));
  line += " |";
  for (const Message& t : s.tools) line += " " + english(t) + ";";
  return line + "\n";
}

}  // namespace

TEST_CASE("twelve odd jobs have the order that was read line by line") {
  int jobs = 0;
  for (const auto& e : fs::directory_iterator(orders())) {
    if (e.path().extension() != ".yoke") continue;
    const std::string name = e.path().stem().string();
    INFO(name);
    std::string now;
    for (const Step& s : install_steps(job_of(name))) now += line_of(s);
    for (const ToolNeed& t : tool_list(job_of(name)))
      now += "tool: " + english(t.what) + " | " + english(t.why) + (t.unknown ? " ?" : "") + "\n";
    const fs::path stored = orders() / (name + ".order");
    if (std::getenv("YOKE_STORE") != nullptr) std::ofstream(stored) << now;
    std::stringstream was;
    was << std::ifstream(stored).rdbuf();
    CHECK(now == was.str());
    ++jobs;
  }
  CHECK(jobs == 12);
}

TEST_CASE("the traps of odd jobs") {
  // Nothing hydraulic was there: no nuts to crack, no pedal to measure, no fluid to draw.
  const Read first("first-clutch");
  CHECK(first.none({"out.crack", "out.unit", "out.reservoir", "before.measure", "out.rod",
                    "lamp.switch", "bench.bleed"}));
  CHECK(first.in_order({"out.cable", "clutch.slave", "clutch.preload", "lines.start", "lines.tight",
                        "fill.fluid", "fill.bleed", "clutch.short"}));
  // The store is emptied before its line is opened, and the steering gets its loop back.
  const Read steering("steering-out-vacuum-in");
  CHECK(steering.in_order({"before.discharge", "out.pressure", "out.booster", "mount.booster",
                           "mount.unit", "assist.hose", "fill.bleed", "assist.vacuum"}));
  CHECK(steering.has("assist.loop"));
  CHECK(steering.none({"assist.purge", "assist.pressure", "assist.plug"}));
  // Ports the other way round are traced before they are tight.
  CHECK(Read("crossed-tandem")
            .in_order({"out.tee", "lines.new", "lines.start", "lines.trace", "lines.tight",
                       "fill.fluid"}));
  // The master stays where it is.
  const Read servo("remote-added");
  CHECK(servo.none({"out.unit", "out.rod", "bench.bleed", "mount.unit", "out.crack"}));
  CHECK(servo.in_order({"out.reservoir", "out.line", "assist.servo_on", "lines.start",
                        "lines.tight", "fill.bleed"}));
  CHECK(servo.has("assist.servo_angle"));
  // One circuit kept: nothing is split, and somebody signs it.
  CHECK(Read("single-kept").none({"out.tee", "lines.new", "lines.trace"}));
  const Job single = job_of("single-kept");
  const auto strip = foot_strip(single, 0);
  bool asked = false;
  for (const Gate& g : gates_of(single, strip, find_all(single, strip)))
    asked = asked || g.id == GateId::single_signed;
  CHECK(asked);
  // The master was done before: it is not touched again, nor its booster's hose.
  const Read rear("rear-discs-after");
  CHECK(rear.none({"out.unit", "out.rod", "bench.bleed", "lines.hoses", "assist.hose",
                   "out.front_brakes", "before.discharge"}));
  CHECK(rear.in_order({"out.rear_brakes", "wheels.rear", "out.residual", "lines.tight",
                       "fill.fluid", "fill.bleed", "fill.weep", "down.wheels"}));
  // Gauged before it is honed, and the rusted nuts soak for hours meanwhile.
  const Read rebuilt("rebuilt-on-bench");
  CHECK(rebuilt.in_order({"out.soak", "out.crack", "out.unit", "rebuild.strip", "rebuild.gauge",
                          "rebuild.hone", "rebuild.wash", "rebuild.cups", "rebuild.thumb",
                          "bench.bleed", "mount.unit"}));
  for (const Step& s : install_steps(job_of("rebuilt-on-bench")))
    if (s.key == "out.soak") CHECK(s.wait_s == 14400);
  CHECK(rebuilt.none({"mount.try", "before.parts"}) == false);
  // A motorcycle stands on no car's stands and has no flare nuts.
  const Read lever("hand-lever-banjo");
  CHECK(lever.none({"before.stands", "out.crack", "out.soak", "out.rod", "lines.dry", "rod.pin",
                    "bench.bleed", "fill.height", "down.wheels", "mount.close"}));
  CHECK(lever.in_order({"before.paddock", "out.banjo", "out.lever", "out.unit", "mount.unit",
                        "lines.start", "lever.clamp", "lines.tight", "lever.in", "lever.locks",
                        "fill.fluid", "fill.bleed"}));
  // The stack is measured while the gearbox is out; its line joins when it is in again.
  const Read concentric("concentric-spacer");
  CHECK(concentric.in_order({"out.reservoir", "out.slave", "out.gearbox", "clutch.stack_a",
                             "clutch.spacer", "clutch.bearing", "clutch.gearbox", "lines.start",
                             "lines.tight", "fill.fluid", "fill.bleed", "clutch.short"}));
  CHECK(concentric.none({"clutch.preload", "clutch.slave", "clutch.back"}));
  // The manifold is plugged, the battery off, and it is pressed without power once it is bled.
  const Read electric("electric-unit");
  CHECK(electric.in_order({"before.measure", "before.battery", "out.vacuum_hose", "out.booster",
                           "mount.booster", "assist.feeds", "fill.bleed", "assist.unpowered"}));
  CHECK(electric.has("assist.plug"));
  // The booster's hole is closed; the bar is tried when both circuits are bled.
  const Read twin("twin-masters");
  CHECK(twin.in_order({"out.booster", "mount.close", "mount.unit", "fill.bleed", "assist.bar"}));
  // Tried before it is pushed home; staked by hand it is signed for.
  const Read kept("retained-rod");
  CHECK(kept.in_order({"bench.bleed", "rod.retained3", "rod.retained4", "rod.deviation"}));
  CHECK(kept.in_order({"rod.retained1", "rod.retained3", "mount.unit"}));
}
