// Parts that are moved on the way: each there when the job has it, and only then.
#include <catch2/catch.hpp>

#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/disturbed.hpp"

using namespace yoke;
using namespace yoke::test;

namespace {

bool moved(const char* change, const char* part) {
  Job job = known_job();
  set(job, change);
  for (const DisturbedPart& p : disturbed_parts(job))
    if (english(p.part) == part) {
      CHECK_FALSE(p.by.empty());
      CHECK_FALSE(p.check.empty());
      return true;
    }
  return false;
}

}  // namespace

TEST_CASE("a part is moved when the job has it") {
  struct Row {
    const char* part;
    const char* with;
    const char* without;
  };
  const Row rows[] = {
      {"Brake lamp switch", "", "control.use=clutch"},
      {"Warning switch", "found:unit.switch=pressure", "found:unit.switch=none"},
      {"Reservoir grommets", "found:unit.inlets=2", "found:unit.inlets=0"},
      // Fitted and taken off, or not fitted and put on: either way its hose is moved.
      {"Vacuum or pressure hose", "found:assist.kind=vacuum; assist.kind=none", "assist.kind=none"},
      {"Vacuum or pressure hose", "found:assist.kind=none; assist.kind=vacuum", "assist.kind=none"},
      {"Bracket and its neighbours", "", "found:control.kind=lever_radial"},
      {"Clutch pedal or cable beside it", "", "control.use=clutch"},
      {"Clutch pedal or cable beside it", "", "found:control.kind=lever_axial"},
      {"Sound deadening and boot", "", "found:control.kind=lever_radial"},
      {"Switch block, mirror and throttle", "found:control.kind=lever_radial", ""},
      {"Throttle linkage", "found:room.engine=stays", ""},
      {"Throttle linkage", "found:room.engine=stays",
       "found:room.engine=stays; found:control.kind=lever_radial"}};
  for (const Row& r : rows) {
    INFO(r.part << ": " << r.with << " | " << r.without);
    CHECK(moved(r.with, r.part));
    CHECK_FALSE(moved(r.without, r.part));
  }
}
