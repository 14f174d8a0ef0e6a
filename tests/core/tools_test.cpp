// Tools: spanners with what looks alike and does not fit, from the fittings and the steps.
#include <catch2/catch.hpp>

#include "document/param/unit.hpp"
#include "figures/figures.hpp"
#include "support/build.hpp"
#include "support/every_code.hpp"
#include "support/gnu_units.hpp"
#include "work/steps.hpp"
#include "work/tools.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("a spanner is told in both systems, with its near misses") {
  // 9/16 in is 14.29 mm: no 15 mm, and 14 mm does not go on (common practice, no source).
  CHECK(english(spanner_words(0.0254 * 9 / 16, false)) ==
        "9/16 in = 14.29 mm: 14 mm does not go on, 15 mm rounds it");
  CHECK(english(spanner_words(0.0254 * 7 / 16, false)) ==
        "7/16 in = 11.11 mm: 11 mm does not go on, 12 mm rounds it");
  CHECK(english(spanner_words(0.011, true)) ==
        "11 mm = 0.433 in: 3/8 in does not go on, 7/16 in rounds it");
  // At the ends of what a builder has nothing stands beside it.
  CHECK(english(spanner_words(0.032, true)) == "32 mm = 1.260 in");
  CHECK(english(spanner_words(0.006, true)) == "6 mm = 0.236 in");
  CHECK(english(spanner_words(0.0254 * 4 / 16, false)) ==
        "1/4 in = 6.35 mm: 6 mm does not go on, 7 mm rounds it");
  CHECK(english(spanner_words(0.0254 * 20 / 16, false)) ==
        "1-1/4 in = 31.75 mm: 31 mm does not go on, 32 mm rounds it");
  CHECK(english(spanner_words(0.0254, false)) ==
        "1 in = 25.40 mm: 25 mm does not go on, 26 mm rounds it");
  // A sixteenth is a whole of GNU units' inch.
  CHECK(gnu_units("9|16 in", "mm") == Approx(14.2875));
}

TEST_CASE("tools come from fittings and open steps, an unknown thread asks for a look") {
  Job job = known_job();
  const auto said = [&job] {
    std::string all;
    for (const ToolNeed& t : tool_list(job))
      all += english(t.what) + " | " + english(t.why) + (t.unknown ? " ?" : "") + "\n";
    return all;
  };
  CHECK(said().find("Flare spanner, size not known | old unit, outlet 1 ?") != std::string::npos);
  set(job, "found:unit.port1_thread=7/16-24; master.bore=25.4 mm");
  const std::string thread(info(param::unit_port1_thread).options[1].words);
  INFO(thread);
  CHECK(said().find("old unit, outlet 1: " + thread) != std::string::npos);
  CHECK(said().find("does not go on") != std::string::npos);
  CHECK(said().find("syringe for brake fluid") != std::string::npos);
  // Done, its tool may be put away.
  for (const Step& s : install_steps(job))
    if (s.id == StepId::out_reservoir) record_for(job, s).done = true;
  CHECK(said().find("syringe for brake fluid") == std::string::npos);
  // The figures of Install say the same, and who does what where it takes two.
  const auto group = figure_group(job, GroupId::tools);
  std::size_t unknown = 0;
  bool two = false;
  for (const Figure& f : group.figures) {
    unknown += f.verdict == Verdict::cannot_say ? 1 : 0;
    two = two || english(f.note).find("alone: gravity") != std::string::npos;
  }
  CHECK(unknown >= 1);
  CHECK(two);
}
