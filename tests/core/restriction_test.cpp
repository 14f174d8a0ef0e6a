// A narrow place in a line, against GNU units and by the fourth power.
#include <catch2/catch.hpp>

#include "calc/calculators.hpp"
#include "lines/restriction.hpp"
#include "support/gnu_units.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("delay by laminar flow agrees with GNU units") {
  const PathPart line[] = {{Length{0.00334}, Length{2}}};
  const auto mild = path_delay(line, Volume{2e-6}, Pressure{2e6}, FluidState::mild);
  REQUIRE(mild);
  CHECK(mild->time_s * 1e3 ==
        Approx(gnu_units("128*(15 mm^2/s)*(1050 kg/m^3)*(2 m)/(pi*(3.34 mm)^4)*(2 cm^3)/(2 MPa)",
                         "ms"))
            .epsilon(1e-6));
  // Kinematic viscosities of 49 CFR 571.116, from memory: 1800 and 1.5 mm2/s.
  const auto cold = path_delay(line, Volume{2e-6}, Pressure{2e6}, FluidState::cold);
  const auto warm = path_delay(line, Volume{2e-6}, Pressure{2e6}, FluidState::warm);
  CHECK(cold->time_s == Approx(mild->time_s * 120));
  CHECK(warm->time_s == Approx(mild->time_s / 10));
  CHECK(mild->reynolds == Approx(4 * mild->flow_m3_s / (3.14159265358979 * 0.00334 * 15e-6)));
}

TEST_CASE("half the bore is sixteen times the length") {
  CHECK(as_long_as(Length{0.004}, {Length{0.002}, Length{0.01}}).value() == Approx(0.16));
  const PathPart wide[] = {{Length{0.004}, Length{0.16}}};
  const PathPart narrow[] = {{Length{0.002}, Length{0.01}}};
  const auto a = path_delay(wide, Volume{1e-6}, Pressure{1e6}, FluidState::mild);
  const auto b = path_delay(narrow, Volume{1e-6}, Pressure{1e6}, FluidState::mild);
  CHECK(a->time_s == Approx(b->time_s));
  // One after the other they add up; nothing in the way takes no time.
  const PathPart both[] = {wide[0], narrow[0]};
  CHECK(path_delay(both, Volume{1e-6}, Pressure{1e6}, FluidState::mild)->time_s ==
        Approx(2 * a->time_s));
  CHECK(path_delay({}, Volume{1e-6}, Pressure{1e6}, FluidState::mild)->time_s == 0);
  const PathPart wrong[] = {{Length{0.0001}, Length{1}}};
  const auto refused = path_delay(wrong, Volume{1e-6}, Pressure{1e6}, FluidState::mild);
  REQUIRE_FALSE(refused);
  CHECK(refused.error().field == "bore");
}

TEST_CASE("what a narrow place costs, on the bench card: with and without, and what it is like") {
  for (const Calculator& c : calculators()) {
    if (c.id != std::string("restriction")) continue;
    std::vector<double> v;
    for (const auto& in : c.inputs) v.push_back(in.start);
    const auto f = c.run(v);
    REQUIRE(f);
    const PathPart path[] = {{Length{v[0]}, Length{v[1]}}, {Length{v[2]}, Length{v[3]}}};
    CHECK(f->front().si ==
          Approx(path_delay(path, Volume{v[4]}, Pressure{v[5]}, FluidState::mild)->time_s));
    CHECK(english(f->front().note).find("without the narrow place") != std::string::npos);
    CHECK(english((*f)[3].note).find("as hard to push through as") != std::string::npos);
    v[2] = 0.005;
    CHECK(english((*c.run(v))[3].note) == "the line itself");
    v[5] = 0;
    CHECK_FALSE(c.run(v));
    return;
  }
  FAIL("no such calculation");
}
