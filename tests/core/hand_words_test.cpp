// What is said of a pedal, said of a hand lever.
#include <catch2/catch.hpp>

#include "assembly/relevance.hpp"
#include "document/param/pedal_rest.hpp"
#include "document/param/rod_ends.hpp"
#include "quantity/hand_words.hpp"
#include "quantity/message.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "work/disturbed.hpp"
#include "work/steps.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("pedal, foot and floor become lever, hand and grip") {
  CHECK(for_hand("Pedal travel to floor or stop") == "Lever travel to grip or stop");
  CHECK(for_hand("the pedal meets the floor or its stop") ==
        "the lever meets the grip or its stop");
  CHECK(for_hand("Pivot to pedal pad") == "Pivot to finger position");
  CHECK(for_hand("every pedal's pad, both pedals") == "every lever's pad, both levers");
  CHECK(for_hand("&Pedal") == "&Lever");
  CHECK(for_hand("Around the car, a sidecar") == "Around the bike, a sidecar");
  // Keys, parts of words, brake pads and what speaks of both stay.
  for (const char* same : {"changed.pedal", "front pad clearance", "Residual or foot valve",
                           "What this pedal or lever presses", "afoot", "pedalling", ""})
    CHECK(for_hand(same) == same);
  // Rendered by the reader's style, arguments too; the builder's own words never.
  const Style hand{.hand = true};
  CHECK(english(say("{}: {}", "felt at the pedal", Message::data("pedal box")), hand) ==
        "felt at the lever: pedal box");
  CHECK(english(say("{}", "felt at the pedal")) == "felt at the pedal");
}

TEST_CASE("of a hand lever no floor, accelerator or carpet is asked") {
  Job job = known_job();
  CHECK(relevant(job, As::plan, param::rod_accelerator));
  CHECK(relevant(job, As::found, param::control_rest_height));
  const auto has_step = [&job](StepId id) {
    for (const Step& s : install_steps(job))
      if (s.id == id) return true;
    return false;
  };
  CHECK(has_step(StepId::fill_height));
  set(job, "found:control.kind=lever_radial");
  CHECK_FALSE(relevant(job, As::plan, param::rod_accelerator));
  CHECK_FALSE(relevant(job, As::found, param::control_rest_height));
  CHECK_FALSE(has_step(StepId::fill_height));
  bool bar = false;
  for (const DisturbedPart& d : disturbed_parts(job)) {
    bar = bar || english(d.part) == "Switch block, mirror and throttle";
    CHECK(english(d.part) != "Clutch pedal or cable beside it");
    CHECK(english(d.part) != "Sound deadening and boot");
  }
  CHECK(bar);
}
