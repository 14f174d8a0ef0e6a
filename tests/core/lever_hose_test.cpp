// The hose at a hand lever. 30 to 50 mm for a lever of the other kind: common practice, no source.
#include <catch2/catch.hpp>

#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/lever_hose.hpp"
#include "work/tools.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("lever hose: measured, as the old one, or longer for a lever of the other kind") {
  Job job = known_job();
  CHECK(lever_hose_order(job).empty());  // no hand lever
  set(job,
      "found:control.kind=lever_axial; control.kind=lever_axial; found:control.axles=front; "
      "control.axles=front; found:master.kind=single; master.kind=single; "
      "found:master.bore=12.7 mm; master.bore=14 mm");
  auto order = lever_hose_order(job);
  REQUIRE(order.size() == 3);
  for (const HoseOrder& h : order) CHECK(h.unknown);
  set(job, "found:lever.hose=700 mm");
  CHECK(english(lever_hose_order(job)[0].what).find("700 mm") != std::string::npos);
  set(job, "control.kind=lever_radial");
  const std::string longer = english(lever_hose_order(job)[0].what);
  CHECK(longer.find("730 mm") != std::string::npos);
  CHECK(longer.find("750 mm") != std::string::npos);
  set(job, "lever.hose=745 mm; lever.eye=20 deg; unit.port1_thread=M10x1.25");
  order = lever_hose_order(job);
  CHECK(english(order[0].what).find("745 mm") != std::string::npos);
  for (const HoseOrder& h : order) CHECK_FALSE(h.unknown);
  set(job, "found:unit.port1_thread=M10x1");
  CHECK(english(lever_hose_order(job)[2].why).find("strips") != std::string::npos);
  bool told = false;
  for (const ToolNeed& t : tool_list(job))
    told |= english(t.what).find("745 mm") != std::string::npos;
  CHECK(told);
}
