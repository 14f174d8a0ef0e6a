// The English of the program in American words.
#include "quantity/american_words.hpp"

#include <catch2/catch.hpp>

using namespace yoke;

TEST_CASE("British words of the trade are said and spelled the American way") {
  // Common usage, no source.
  CHECK(for_america("Tyre radius") == "Tire radius");
  CHECK(for_america("use a flare spanner, never an open spanner") ==
        "use a flare-nut wrench, never an open wrench");
  CHECK(for_america("pivot to bore centreline, 3 millimetres off centre") ==
        "pivot to bore centerline, 3 millimeters off center");
  CHECK(for_america("Gearbox out") == "Transmission out");
  // Part of another word, of an id, or nothing to say: as it was.
  for (const char* same :
       {"diameter", "parameter", "barometer", "concentric", "vehicle.tyre", "Pedal pad", ""})
    CHECK(for_america(same) == same);
}
