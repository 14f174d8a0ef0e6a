// Two faults at once, and what none explains.
#include <catch2/catch.hpp>

#include "document/param/symptom.hpp"
#include "figures/groups.hpp"
#include "proving/fault.hpp"
#include "support/build.hpp"
#include "support/pad_depth.hpp"

using namespace yoke;
using namespace yoke::test;

TEST_CASE("two faults at once: the pair is first, not one of them at 99 %, nor another bore") {
  const System sound = car();
  const double push = 120;
  struct Two {
    Cause a;
    double size_a;
    Cause b;
    double size_b;
  };
  const Two pairs[] = {{Cause::drums_out, 0.0012, Cause::bypass, 0.040},
                       {Cause::knock_back, 0.0006, Cause::air_primary, 1.2e-6},
                       {Cause::knock_back, 0.0008, Cause::bypass, 0.030},
                       {Cause::air_primary, 2e-6, Cause::bypass, 0.030}};
  for (const Two& two : pairs) {
    const Faulty f = faulty(sound, two.a, two.size_a, two.b, two.size_b, {});
    Symptoms s;
    s.push_n = push;
    s.first_m = depth(f.system, push, false, f.condition);
    s.third_m = depth(f.system, push, true, f.condition);
    REQUIRE(*s.first_m > 0.01);  // the pad is not on the floor
    s.sink_m = f.sink_m;
    s.rod_play_m = sound.control.rod_clearance.value();
    s.pivot_play_m = 0;
    s.leak = choice::SymptomLeak::none;
    s.level = choice::SymptomLevel::stays;
    s.bore_known = true;
    const Diagnosis d = diagnose_symptoms(&sound, {}, s);
    INFO(cause_words(two.a) << " and " << cause_words(two.b));
    INFO("first: " << d.ranked[0].words << ", misfit " << d.ranked[0].chi2);
    const auto is = [](Cause told, Cause true_one) {
      const auto air = [](Cause c) { return c == Cause::air_primary || c == Cause::air_secondary; };
      const auto loose = [](Cause c) { return c == Cause::drums_out || c == Cause::knock_back; };
      // A pedal alone does not tell the two circuits' air, or shoes from pads.
      return told == true_one || (air(told) && air(true_one)) || (loose(told) && loose(true_one));
    };
    const Hypothesis& h = d.ranked[0];
    REQUIRE(h.second);
    CHECK(h.chi2 < 12);
    CHECK(h.aicc > h.chi2);
    CHECK(((is(h.cause, two.a) && is(*h.second, two.b)) ||
           (is(h.cause, two.b) && is(*h.second, two.a))));
    CHECK_FALSE(d.next_test.empty());
    for (const Hypothesis& any : d.ranked) CHECK(any.cause != Cause::wrong_bore);
    double sum = 0;
    for (const Hypothesis& any : d.ranked) sum += any.weight;
    CHECK(sum == Approx(1));
  }
}

TEST_CASE("what no cause explains is said, one circuit has no number, a clutch no shoes") {
  System single = car();
  single.master.kind = MasterKind::single;
  Symptoms s;
  s.push_n = 150;
  s.first_m = s.second_m = s.third_m = 0.002;  // a pad that hardly moves, yet sinks to the floor
  s.sink_m = 0.140;
  s.rod_play_m = 0.020;
  s.pivot_play_m = 0;
  const Diagnosis d = diagnose_symptoms(&single, {}, s);
  CHECK(d.unexplained);
  for (const Hypothesis& h : d.ranked) {
    const std::string words = english(h.words);
    CHECK(words.find("circuit 1") == std::string::npos);
    CHECK(words.find("circuit 2") == std::string::npos);
  }
  Symptoms clutch;
  clutch.clutch = true;
  clutch.first_m = 0.110;
  clutch.third_m = 0.060;
  for (const Hypothesis& h : diagnose_symptoms(nullptr, {}, clutch).ranked)
    CHECK((h.cause != Cause::drums_out && h.cause != Cause::knock_back &&
           h.cause != Cause::weak_assist));
}

TEST_CASE("where no cause explains what was felt, none is given a share") {
  FigureGroup g;
  Diagnosis d;
  Hypothesis h;
  h.words = "soft hoses";
  h.weight = 0.99;
  d.ranked = {h};
  groups::add_causes(g, d, 4);
  REQUIRE(g.figures.size() == 1);
  CHECK(g.figures[0].si == Approx(0.99));
  d.unexplained = true;
  g.figures.clear();
  groups::add_causes(g, d, 4);
  REQUIRE(g.figures.size() == 2);
  CHECK(g.figures[0].verdict == Verdict::cannot_say);
  CHECK(english(g.figures[1].words) == "Closest 1. soft hoses");
  CHECK_FALSE(g.figures[1].si);
}
